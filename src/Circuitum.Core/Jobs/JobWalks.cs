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

        /// <summary>True for the panel where neutral and ground are bonded: the one on the service, unless a disconnect ahead of it is the
        /// service disconnect (250.24(A)(5)).</summary>
        public bool BondsAt(Panel panel) => panel.FedFrom is null && !job.Service.BondedAtDisconnect;

        /// <summary>The panel where a generator's inlet lands: the one behind the transfer switch, else the one on the service.</summary>
        public Panel InletPanel =>
            (job.Service.Generator == GeneratorWay.TransferPanel ? job.Panels.FirstOrDefault(p => p.Id == job.Service.TransferPanel)
                : null) ?? job.Panels.First(p => p.FedFrom is null);

        /// <summary>A panel and every panel that it feeds, through others too.</summary>
        public IEnumerable<PanelId> Behind(PanelId panel) => job.Panels.Where(p => p.FedFrom == panel).SelectMany(p => job.Behind(p.Id))
            .Prepend(panel);
    }
}
