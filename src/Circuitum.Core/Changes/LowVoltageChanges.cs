using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Changes;

/// <summary>Sets an outlet of low voltage; one of the same id is replaced.</summary>
public sealed record SetLowVoltage(LowVoltageOutlet Outlet) : JobChange
{
    /// <inheritdoc/>
    protected override Subject? Selects(Job before) => Subject.LowVoltage(Outlet.Id);

    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        HouseChange.Find(job, Outlet.Room);
        var was = job.LowVoltage.FirstOrDefault(o => o.Id == Outlet.Id);
        phrase = $"{(was is null ? "Set" : "Change")} {LowVoltageChanges.Called(job, Outlet)}";
        return job with { LowVoltage = was is null ? job.LowVoltage.Add(Outlet) : job.LowVoltage.Replace(was, Outlet) };
    }

    /// <summary>The first free id.</summary>
    public static string FreeId(Job job) => Ids.Numbered("lv", job.LowVoltage.Select(o => o.Id.Value));
}

/// <summary>Moves an outlet of low voltage along its wall.</summary>
public sealed record MoveLowVoltage(Id<LowVoltageOutlet> Outlet, Length Offset) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var outlet = LowVoltageChanges.Find(job, Outlet);
        if (outlet.Mount != Mount.Wall)
        {
            throw new ChangeRefusedException("This outlet is not on a wall; give it X and Y instead.");
        }

        phrase = $"Move {LowVoltageChanges.Called(job, outlet)} {(Offset - outlet.Offset).Abs()}";
        return job with { LowVoltage = job.LowVoltage.Replace(outlet, outlet with { Offset = Offset }) };
    }
}

/// <summary>Moves an outlet of low voltage on a ceiling or a floor.</summary>
public sealed record PlaceLowVoltage(Id<LowVoltageOutlet> Outlet, Length X, Length Y) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var outlet = LowVoltageChanges.Find(job, Outlet);
        if (outlet.Mount == Mount.Wall)
        {
            throw new ChangeRefusedException("This outlet is on a wall; give it an offset along it.");
        }

        phrase = $"Move {LowVoltageChanges.Called(job, outlet)} to {X}, {Y}";
        return job with { LowVoltage = job.LowVoltage.Replace(outlet, outlet with { X = X, Y = Y }) };
    }
}

/// <summary>Takes an outlet of low voltage out.</summary>
public sealed record DropLowVoltage(Id<LowVoltageOutlet> Outlet) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var outlet = LowVoltageChanges.Find(job, Outlet);
        phrase = $"Delete {LowVoltageChanges.Called(job, outlet)}";
        return job with
        {
            LowVoltage = job.LowVoltage.Remove(outlet),
            Holds = [.. job.Holds.Where(h => h.Subject != Subject.LowVoltage(Outlet).ToString())]
        };
    }
}

/// <summary>Sets a can or a shelf that low voltage goes home to; one of the same id is replaced.</summary>
public sealed record SetLowVoltageHome(LowVoltageHome Home) : JobChange
{
    /// <inheritdoc/>
    protected override Subject? Selects(Job before) => Subject.LowVoltageHome(Home.Id);

    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var (_, room) = HouseChange.Find(job, Home.Room);
        var was = job.LowVoltageHomes.FirstOrDefault(h => h.Id == Home.Id);
        phrase = was is null ? $"Set a low-voltage {Words.Of(Home.Kind)} in {room.Name}"
            : was with { Offset = Home.Offset } == Home ? $"Move the low-voltage {Words.Of(Home.Kind)} {(Home.Offset - was.Offset).Abs()}"
            : $"Change the low-voltage {Words.Of(was.Kind)} in {room.Name}";
        return job with { LowVoltageHomes = was is null ? job.LowVoltageHomes.Add(Home) : job.LowVoltageHomes.Replace(was, Home) };
    }

    /// <summary>The first free id.</summary>
    public static string FreeId(Job job) => Ids.Numbered("lv-home", job.LowVoltageHomes.Select(h => h.Id.Value));
}

/// <summary>Takes a can or a shelf out; what went home to it goes to the next.</summary>
public sealed record DropLowVoltageHome(Id<LowVoltageHome> Home) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var home = LowVoltageChanges.FindHome(job, Home);
        phrase = $"Delete the low-voltage {Words.Of(home.Kind)}";
        return job with
        {
            LowVoltageHomes = job.LowVoltageHomes.Remove(home),
            LowVoltage = [.. job.LowVoltage.Select(o => o.Home == Home ? o with { Home = null } : o)],
            Holds = [.. job.Holds.Where(h => h.Subject != Subject.LowVoltageHome(Home).ToString())]
        };
    }
}

/// <summary>What the changes of low voltage share.</summary>
public static class LowVoltageChanges
{
    /// <summary>An outlet of the job.</summary>
    /// <exception cref="ChangeRefusedException">It is not there.</exception>
    public static LowVoltageOutlet Find(Job job, Id<LowVoltageOutlet> id) => job.LowVoltage.FirstOrDefault(o => o.Id == id)
        ?? throw new ChangeRefusedException($"Low-voltage outlet “{id}” is not in this job any more.");

    /// <summary>A can or a shelf of the job.</summary>
    /// <exception cref="ChangeRefusedException">It is not there.</exception>
    public static LowVoltageHome FindHome(Job job, Id<LowVoltageHome> id) => job.LowVoltageHomes.FirstOrDefault(h => h.Id == id)
        ?? throw new ChangeRefusedException($"Low-voltage place “{id}” is not in this job any more.");

    internal static string Called(Job job, LowVoltageOutlet outlet) =>
        outlet.Called(job.Rooms.FirstOrDefault(r => r.Id == outlet.Room));
}
