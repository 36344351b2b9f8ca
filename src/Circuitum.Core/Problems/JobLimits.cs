using Circuitum.Core.Units;

namespace Circuitum.Core.Problems;

/// <summary>How much one job may hold. Each is about ten times what a large house needs, and small enough that whatever lies within all of
/// them is planned in seconds.</summary>
public static class JobLimits
{
    /// <summary>Boxes; a large house has 300.</summary>
    public const int Boxes = 3000;

    /// <summary>Devices in all boxes; a large house has 450.</summary>
    public const int Devices = 6000;

    /// <summary>Rooms; a large house with its outbuildings has 40.</summary>
    public const int Rooms = 400;

    /// <summary>Corners of all rooms together; a large house has 200.</summary>
    public const int Corners = 2400;

    /// <summary>Openings of all rooms together; a large house has 80.</summary>
    public const int Openings = 800;

    /// <summary>Fixtures of all rooms together; a large house has 150.</summary>
    public const int Fixtures = 1500;

    /// <summary>Obstructions, kept bays and spare chases of all levels together, of each; a large house has 20.</summary>
    public const int OnALevel = 300;

    /// <summary>Floor and ceiling joists, studs of all walls as their lengths ask for them; a large house has 2000.</summary>
    public const int Members = 30_000;

    /// <summary>Boxes that one switch works, and places that work one lamp; a large room has 24 cans.</summary>
    public const int ToASwitch = 200;

    /// <summary>Pieces of equipment and boxes held for a circuit of their own; a large house has 30.</summary>
    public const int Individual = 300;

    /// <summary>Panels; a large property has 6.</summary>
    public const int Panels = 30;

    /// <summary>Trenches; a large property has 5.</summary>
    public const int Trenches = 30;

    /// <summary>Pipes; a large house has 15.</summary>
    public const int Pipes = 150;

    /// <summary>Wants and holds, of each; a large house has 40.</summary>
    public const int Asked = 400;

    /// <summary>Lines of the crew's own on a walk; a crew has ten.</summary>
    public const int CrewLines = 100;

    /// <summary>Amendments; an authority has a handful.</summary>
    public const int Amendments = 50;

    /// <summary>How far a corner, a building, a place of a trench or of a way may lie from where it is measured.</summary>
    public static Length Farthest { get; } = Length.FromFeet(1000);
}
