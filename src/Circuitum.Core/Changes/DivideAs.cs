using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Changes;

/// <summary>A manner of dividing that electricians know by name. Each is a choice of schools and aims: what the rules require holds in all
/// of them.</summary>
public enum DivisionManner
{
    /// <summary>Lights and receptacles of one room on one breaker, bedrooms each their own.</summary>
    RoomByRoom,

    /// <summary>Lights and receptacles together, neighboring rooms on one breaker up to the crew's cap.</summary>
    ByNeighbourhood,

    /// <summary>Lights on their own breakers, receptacles of neighboring rooms together.</summary>
    LightsApart,

    /// <summary>Few breakers: rooms are mixed as rules, cap and fill allow.</summary>
    FewBreakers,
}

/// <summary>Divides the house in a manner: its schools and aims, and no kept division any more.</summary>
/// <param name="Manner">The manner.</param>
public sealed record DivideAs(DivisionManner Manner) : JobChange
{
    /// <summary>The schools of a manner; what has nothing to do with it stays as it was.</summary>
    public static Schools In(DivisionManner manner, Schools schools) => schools with
    {
        Lighting = manner != DivisionManner.LightsApart ? LightsAndReceptacles.Together
            : schools.Lighting == LightsAndReceptacles.Together ? LightsAndReceptacles.Apart : schools.Lighting,
        Bedrooms = manner == DivisionManner.RoomByRoom ? BedroomSharing.OneEach : BedroomSharing.NeighboursShare,
    };

    /// <summary>The aims of a manner. What cable is worth, and a breaker for one lamp alone, stay as the crew has them.</summary>
    public static Aims In(DivisionManner manner, Aims aims)
    {
        var usual = new Aims { Cable = aims.Cable, Lone = aims.Lone };
        return manner switch
        {
            // Going into another room weighs more than a breaker, and a room that goes dark as a whole is what was asked for.
            DivisionManner.RoomByRoom => usual with { LeavingRoom = Length.FromFeet(60), Darkness = Length.Zero },
            DivisionManner.FewBreakers => usual with
            {
                Breaker = Length.FromFeet(500),
                Darkness = Length.Zero,
                Crowding = Length.Zero,
                Crossing = Length.Zero,
                LeavingRoom = Length.Zero,
                WantedFill = new(100),
            },
            _ => usual,
        };
    }

    /// <summary>The job is divided in this manner: its schools and aims are those, and it follows no division that a person kept.</summary>
    public static bool IsIn(DivisionManner manner, Job job) => (job.Follows is null or Division.AsSeen)
        && In(manner, job.Schools) == job.Schools && In(manner, job.Aims) == job.Aims;

    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        phrase = $"Divide {(Manner == DivisionManner.FewBreakers ? "into " : "")}{Called(Manner)}";
        return job with { Schools = In(Manner, job.Schools), Aims = In(Manner, job.Aims), Follows = null };
    }

    /// <summary>What people call a manner.</summary>
    public static string Called(DivisionManner manner) => manner switch
    {
        DivisionManner.LightsApart => "lights apart, receptacles by neighborhood",
        _ => Words.Of(manner),
    };
}
