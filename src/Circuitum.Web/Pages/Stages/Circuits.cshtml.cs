using Circuitum.Core.Reasons;
using Circuitum.Web.Bench;

namespace Circuitum.Web.Pages.Stages;

/// <summary>Stage Circuits.</summary>
public sealed class CircuitsModel(Workbench bench) : StagePage(bench, Stage.Circuits);
