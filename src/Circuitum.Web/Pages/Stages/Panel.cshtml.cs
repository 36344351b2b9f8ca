using Circuitum.Core.Reasons;
using Circuitum.Web.Bench;

namespace Circuitum.Web.Pages.Stages;

/// <summary>Stage Panel.</summary>
public sealed class PanelModel(Workbench bench) : StagePage(bench, Stage.Panel);
