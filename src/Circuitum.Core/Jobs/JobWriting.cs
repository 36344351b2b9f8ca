using Circuitum.Core.Units;

namespace Circuitum.Core.Jobs;

/// <summary>How lengths and things of a job are written: what its house is drawn in, and the trade's words where its book stands.</summary>
public static class JobWriting
{
    extension(Job job)
    {
        /// <summary>Writes so until the scope ends.</summary>
        public Writing.Scope AsWritten() => Writing.In(job.Schools.Drawn, job.Edition.Parlance());

        /// <summary>Writes so from here on, in the flow of whoever asked.</summary>
        public void TurnWriting() => Writing.Turn(job.Schools.Drawn, job.Edition.Parlance());
    }
}
