using System.Collections.Frozen;
using System.Collections.Immutable;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Layout;

/// <summary>Every box at its place in the frame, and which stretch of wall each receptacle serves.</summary>
/// <param name="Boxes">Boxes by ordinal order of their ids, whatever their order in the job.</param>
/// <param name="Coverage">Wall spaces of the rooms that 210.52(A) covers.</param>
/// <param name="Counters">Counter spaces, 210.52(C).</param>
/// <param name="FloorArea">Area by outside dimensions that counts for the general lighting load.</param>
public sealed record Survey(ImmutableArray<PlacedBox> Boxes, ImmutableArray<WallSpace> Coverage, ImmutableArray<WallSpace> Counters,
    SquareFeet FloorArea)
{
    private readonly FrozenDictionary<BoxId, PlacedBox> byId = Boxes.ToFrozenDictionary(b => b.Box.Id);

    /// <summary>A box by id; an unknown id is a bug.</summary>
    public PlacedBox this[BoxId id] => byId[id];

    /// <summary>A box by id, or null.</summary>
    public PlacedBox? Find(BoxId id) => byId.GetValueOrDefault(id);
}

/// <summary>A place in the frame where cable begins or ends: a box or a panel.</summary>
/// <param name="Structure">Index of the building.</param>
/// <param name="Level">Index of the level.</param>
/// <param name="At">Where cable enters it.</param>
/// <param name="Wall">Index of its wall on the level, or null for ceiling and floor.</param>
/// <param name="Along">How far along that wall.</param>
/// <param name="Mount">What it is fastened to.</param>
public sealed record Place(int Structure, int Level, Point3 At, int? Wall, Length Along, Mount Mount);

/// <summary>A box at its place.</summary>
public sealed record PlacedBox(Box Box, FramedRoom Room, Place Place, Length Height, string Name)
{
    /// <summary>How its box is made: by its own word, or as the crew makes them; of metal where armored cable is pulled
    /// everywhere.</summary>
    public BoxMake Make { get; init; }

    /// <summary>It stands in an accessory building.</summary>
    public bool Accessory { get; init; }

    /// <summary>A receptacle of a laundry area: in a laundry, a washer's own, or by a washer in a closet, a hall or the like.</summary>
    public bool InLaundryArea { get; init; }

    /// <summary>It stands on a level below grade.</summary>
    public bool Basement { get; init; }

    /// <summary>The receptacle within reach of heating or cooling equipment that 210.63 asks for: the nearest.</summary>
    public bool ServesEquipment { get; init; }

    /// <summary>Sinks, tubs and showers of the next room within 6 ft by way of a doorway.</summary>
    public ImmutableArray<FixtureKind> ByDoorway { get; init; } = [];

    /// <summary>Switches and nothing else.</summary>
    public bool SwitchesOnly => Box.Devices.All(d => d.Kind.IsSwitch());

    /// <summary>Joints under a blank cover and nothing else.</summary>
    public bool IsJoint => Box.HoldsOnlyJoints();

    /// <summary>Something takes power here: more than switches and joints.</summary>
    public bool HasOutlet => Box.Devices.Any(d => !d.Kind.IsSwitch() && d.Kind != DeviceKind.JointBox);

    /// <summary>At least one device is a lamp, can or other lighting outlet.</summary>
    public bool HasLight => Box.Devices.Any(d => d.Kind.IsLight());

    /// <summary>At least one interconnected alarm.</summary>
    public bool HasAlarm => Box.Devices.Any(d => d.Kind.IsAlarm());

    /// <summary>At least one 125 V receptacle for general use, without a plate of its own.</summary>
    public bool HasGeneralReceptacle => Box.Devices.Any(d => d.Kind.IsGeneralReceptacle() && d.Plate is null);

    /// <summary>Equipment or appliance plates in the box.</summary>
    public IEnumerable<Nameplate> Plates => Box.Devices.Select(d => d.Plate).OfType<Nameplate>();

    /// <summary>The one circuit family it belongs to by what is in it.</summary>
    public bool IsLighting => !HasGeneralReceptacle && !Plates.Any() && !IsHead;

    /// <summary>An indoor head, fed from its outdoor unit.</summary>
    public bool IsHead => Box.Devices.All(d => d.Kind == DeviceKind.IndoorHead);
}
