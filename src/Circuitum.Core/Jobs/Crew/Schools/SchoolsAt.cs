namespace Circuitum.Core.Jobs;

/// <summary>Where a room goes by another school than the job; what is null goes by the job's.</summary>
public sealed record RoomSchools
{
    /// <summary>The room.</summary>
    public required RoomId Room { get; init; }

    /// <summary>Lights and receptacles.</summary>
    public LightsAndReceptacles? Lighting { get; init; }

    /// <summary>Bedrooms.</summary>
    public BedroomSharing? Bedrooms { get; init; }

    /// <summary>Dishwasher and disposer.</summary>
    public DishwasherAndDisposer? Dishwasher { get; init; }

    /// <summary>Kitchen lights and the dishwasher.</summary>
    public KitchenLights? KitchenLights { get; init; }

    /// <summary>The refrigerator.</summary>
    public RefrigeratorCircuit? Refrigerator { get; init; }

    /// <summary>Bathroom receptacles.</summary>
    public BathReceptacles? Baths { get; init; }
}

/// <summary>Where a circuit goes by another school than the job; what is null goes by the job's.</summary>
public sealed record CircuitSchools
{
    /// <summary>The circuit.</summary>
    public required CircuitKey Circuit { get; init; }

    /// <summary>Size of the home run.</summary>
    public HomeRunSize? HomeRun { get; init; }

    /// <summary>Where ground-fault protection sits.</summary>
    public GfciWay? Gfci { get; init; }

    /// <summary>Where arc-fault protection sits.</summary>
    public AfciWay? Afci { get; init; }
}

/// <summary>The schools that hold at one place: the job's, where the place has none of its own.</summary>
public static class SchoolsAt
{
    extension(Job job)
    {
        /// <summary>Schools of a room.</summary>
        public Schools SchoolsIn(RoomId room) => job.RoomSchools.FirstOrDefault(r => r.Room == room) is not { } own ? job.Schools
            : SchoolList.OfRooms.Aggregate(job.Schools, (schools, school) => school.OfRoom!(own) is { } answer
                ? school.With(schools, answer) : schools);

        /// <summary>Schools of a circuit.</summary>
        public Schools SchoolsOn(CircuitKey circuit) => job.CircuitSchools.FirstOrDefault(c => c.Circuit == circuit) is not { } own
            ? job.Schools
            : SchoolList.OfCircuits.Aggregate(job.Schools, (schools, school) => school.OfCircuit!(own) is { } answer
                ? school.With(schools, answer) : schools);
    }
}
