using Circuitum.Core.Changes;

namespace Circuitum.Core.Tags;

/// <summary>A change to the job that would clear a tag, with the words on its button.</summary>
public sealed record Fix(string Label, JobChange Change);
