using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Problems;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Changes;

/// <summary>The few answers a new job begins with.</summary>
public sealed record NewJob
{
    /// <summary>What the crew calls the job, 1 to 60 characters.</summary>
    public required string Name { get; init; }

    /// <summary>Storeys, 1 to 4.</summary>
    public int Storeys { get; init; } = 1;

    /// <summary>What the house stands on.</summary>
    public Underfloor Foundation { get; init; } = Underfloor.CrawlSpace;

    /// <summary>Floor to ceiling of each storey, 6 to 20 ft.</summary>
    public Length CeilingHeight { get; init; } = Length.FromInches(97);

    /// <summary>Joists of the floors.</summary>
    public Joists Floors { get; init; } = new(JoistRun.NorthSouth, Length.FromInches(16), Length.FromInches(9.25m));

    /// <summary>What is under the roof: trusses, as most houses have them, unless told.</summary>
    public Joists Roof { get; init; } = new(JoistRun.NorthSouth, Length.FromInches(24), Length.FromInches(5.5m))
    {
        Kind = JoistKind.RoofTruss,
    };

    /// <summary>True when an attic is above the top storey.</summary>
    public bool Attic { get; init; } = true;

    /// <summary>Ambient of that attic in summer.</summary>
    public Celsius AtticAmbient { get; init; } = new(50);

    /// <summary>Service rating, 60 to 400 A.</summary>
    public Amps Service { get; init; } = new(200);

    /// <summary>Spaces of the service panel.</summary>
    public int Spaces { get; init; } = 42;

    /// <summary>Name of the first room; the service panel hangs in it until it is moved.</summary>
    public string FirstRoom { get; init; } = "Utility";

    /// <summary>Use of the first room.</summary>
    public RoomUse FirstUse { get; init; } = RoomUse.Utility;

    /// <summary>Inside, east to west.</summary>
    public Length Width { get; init; } = Length.FromFeet(8);

    /// <summary>Inside, north to south.</summary>
    public Length Depth { get; init; } = Length.FromFeet(6);

    /// <summary>Wall of the first room that the panel hangs on: 1 north, 2 east, 3 south, 4 west.</summary>
    public int PanelWall { get; init; } = 1;

    /// <summary>Code edition.</summary>
    public required Edition Edition { get; init; }

    /// <summary>Local changes to the book.</summary>
    public ImmutableArray<Amendment> Amendments { get; init; } = [];

    /// <summary>How the crew works.</summary>
    public Schools Schools { get; init; } = new();

    /// <summary>The crew's numbers.</summary>
    public HouseRules HouseRules { get; init; } = new();

    /// <summary>What a good division is worth to the crew.</summary>
    public Aims Aims { get; init; } = new();

    /// <summary>What the crew pays for protection.</summary>
    public DevicePrices Prices { get; init; } = new();

    /// <summary>What the crew looks at before a closing.</summary>
    public ImmutableArray<CrewLine> CrewLines { get; init; } = [];

    /// <summary>How the circuits are divided; null as schools and aims say.</summary>
    public DivisionManner? Manner { get; init; }

    /// <summary>The job these answers make: a house of one room with the service panel in it.</summary>
    /// <exception cref="ChangeRefusedException">An answer is out of its range; the message says which.</exception>
    public Job Start()
    {
        var empty = Empty();
        var room = new Room { Id = new(Ids.Slug(FirstRoom, "room")), Name = FirstRoom.Trim(), Use = FirstUse, Corners = [] };
        var job = RoomFitting.At(empty, empty.Structures[0].Levels[0], room, new(Length.Zero, Length.Zero), Width, Depth);
        job = job with { Panels = [Panel(room.Id, PanelWall, (PanelWall % 2 == 1 ? Width : Depth) / 2)] };
        return JobProblems.First(job) is { } problem ? throw new ChangeRefusedException(problem.Told(job)) : job;
    }

    /// <summary>The job of these answers before anything is drawn: no room, no panel.</summary>
    /// <exception cref="ChangeRefusedException">There are no so many stories.</exception>
    internal Job Empty()
    {
        if (Storeys is < 1 or > 4)
        {
            throw new ChangeRefusedException($"A house has 1 to 4 stories here; {Storeys} was asked.");
        }

        var house = new Structure
        {
            Id = new("house"),
            Name = "House",
            Origin = new(Length.Zero, Length.Zero),
            Underfloor = Foundation,
            Levels = [.. Enumerable.Range(0, Storeys).Select(Storey)],
        };
        var schools = Manner is { } so ? DivideAs.In(so, Schools) : Schools;
        var book = CodeBook.For(Edition);
        return new()
        {
            Name = Name.Trim(),
            Edition = Edition,
            Amendments = Amendments,
            // A crew that measures in meters does so under any book.
            Schools = book.FeedsBoards ? OnSupply.InMetres(schools)
                : book.Measure == Measure.Metres ? schools with { Measure = Measure.Metres } : schools,
            Metric = book.FeedsBoards ? new() : null,
            Aims = Manner is { } manner ? DivideAs.In(manner, Aims) : Aims,
            HouseRules = book.FeedsBoards && HouseRules == new HouseRules() ? AtMetricHeights : HouseRules,
            Prices = Prices,
            CrewLines = CrewLines,
            Structures = [house],
            Panels = []
        };
    }

    /// <summary>The service panel of these answers on a wall.</summary>
    internal Panel Panel(RoomId room, int wall, Length offset) => new()
    {
        Id = new("A"),
        Room = room,
        Wall = wall,
        Offset = offset,
        Rating = Service,
        Spaces = Spaces,
        Top = Length.Min(Length.FromFeet(6), Length.FromInches(Math.Floor(CodeBook.For(Edition).Service.HighestTop.Inches))),
    };

    // A socket stands at 450 mm, a switch at 1200, where the crew says nothing else.
    private static HouseRules AtMetricHeights { get; } = new()
    {
        ReceptacleHeight = Length.FromMetres(.45m),
        SwitchHeight = Length.FromMetres(1.2m),
    };

    private Level Storey(int index)
    {
        var top = index == Storeys - 1;
        return new()
        {
            Id = new(index == 0 ? "ground" : index == 1 ? "upper" : $"level-{index + 1}"),
            Name = index == 0 ? "Ground" : index == 1 ? "Upper" : $"Level {index + 1}",
            CeilingHeight = CeilingHeight,
            FloorJoists = index == 0 && Foundation == Underfloor.Slab ? null : Floors,
            CeilingJoists = top ? Roof : Floors,
            AtticAbove = top && Attic,
            AmbientAbove = top && Attic ? AtticAmbient : new(30),
            Rooms = [],
        };
    }
}
