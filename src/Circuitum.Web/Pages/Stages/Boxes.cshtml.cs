using Circuitum.Core.Reasons;
using Circuitum.Web.Bench;

namespace Circuitum.Web.Pages.Stages;

/// <summary>Stage Boxes.</summary>
public sealed class BoxesModel(Workbench bench) : StagePage(bench, Stage.Boxes);
