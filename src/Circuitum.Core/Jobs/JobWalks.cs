namespace Circuitum.Core.Jobs;

/// <summary>A job's levels and rooms, one after the other. Not members of the job itself, which holds only what its file holds.</summary>
public static class JobWalks
{
    extension(Job job)
    {
        /// <summary>Every level of every building, in order.</summary>
        public IEnumerable<Level> Levels => job.Structures.SelectMany(s => s.Levels);

        /// <summary>Every room of every level, in order.</summary>
        public IEnumerable<Room> Rooms => job.Levels.SelectMany(l => l.Rooms);

        /// <summary>A panel and every panel that it feeds, through others too.</summary>
        public IEnumerable<PanelId> Behind(PanelId panel) => job.Panels.Where(p => p.FedFrom == panel).SelectMany(p => job.Behind(p.Id)).Prepend(panel);
    }
}
