using Circuitum.Core.Reasons;
using Circuitum.Web.Bench;

namespace Circuitum.Web.Pages.Stages;

/// <summary>Stage Runs.</summary>
public sealed class RunsModel(Workbench bench) : StagePage(bench, Stage.Runs);
