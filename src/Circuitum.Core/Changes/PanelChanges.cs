using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Changes;

/// <summary>Hangs a panel on a wall, or puts one of the same id elsewhere.</summary>
public sealed record SetPanel(Panel Panel) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var (_, room) = HouseChange.Find(job, Panel.Room);
        var was = job.Panels.FirstOrDefault(p => p.Id == Panel.Id);
        var called = $"{Words.Panel.ToLowerInvariant()} {Panel.Id}";
        phrase = was is null ? $"Hang {called} in {room.Name}" : was.Room != Panel.Room || was.Wall != Panel.Wall
            || was.Offset != Panel.Offset ? $"Move {called} in {room.Name}" : $"Change {called}";
        return job with { Panels = was is null ? job.Panels.Add(Panel) : job.Panels.Replace(was, Panel) };
    }
}

/// <summary>Takes a panel off its wall.</summary>
public sealed record DeletePanel(PanelId Panel) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var was = job.Panels.FirstOrDefault(p => p.Id == Panel)
            ?? throw new ChangeRefusedException($"{Words.Panel} {Panel} is not in this job any more.");
        if (job.Panels.FirstOrDefault(p => p.FedFrom == Panel) is { } fed)
        {
            throw new ChangeRefusedException($"{Words.Panel} {Panel} feeds {Words.Panel.ToLowerInvariant()} {fed.Id}. Feed that one "
                + "from elsewhere first.");
        }

        phrase = $"Take {Words.Panel.ToLowerInvariant()} {Panel} away";
        return job with { Panels = job.Panels.Remove(was) };
    }
}
