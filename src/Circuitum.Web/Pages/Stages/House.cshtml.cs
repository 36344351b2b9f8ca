using Circuitum.Core.Reasons;
using Circuitum.Web.Bench;

namespace Circuitum.Web.Pages.Stages;

/// <summary>Stage House.</summary>
public sealed class HouseModel(Workbench bench) : StagePage(bench, Stage.House);
