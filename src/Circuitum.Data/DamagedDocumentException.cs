namespace Circuitum.Data;

/// <summary>What lies in the job file cannot be unpacked: something wrote over it, or the disk lost it.</summary>
public sealed class DamagedDocumentException(Exception inner) : Exception(
    "What the job file holds of it is damaged. A backup from before has it whole: circuitum restore puts one in an empty place.", inner);
