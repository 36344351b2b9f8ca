using System.Text.Json;
using Circuitum.Core.Jobs;
using Circuitum.Data;
using Circuitum.Formats.JobFile;

namespace Circuitum.Web.Bench;

/// <summary>A named set of schools and house rules.</summary>
public sealed record RuleSet(string Name, CrewSet Rules, string Who, DateTimeOffset At);

/// <summary>Sets of house rules kept from job to job.</summary>
public sealed class CrewRules(RuleSets sets)
{
    /// <summary>All sets by name; one that this version cannot read is left out.</summary>
    public async Task<IReadOnlyList<RuleSet>> ListAsync() => [.. (await sets.ListAsync()).Select(Read).OfType<RuleSet>()];

    /// <summary>A set by name, or null.</summary>
    public async Task<RuleSet?> FindAsync(string name) => (await ListAsync()).FirstOrDefault(s => s.Name == name);

    /// <summary>Saves what a job works by.</summary>
    public Task SaveAsync(string name, Job job, string who) =>
        sets.SaveAsync(name,
            JsonSerializer.Serialize(new CrewSet
            {
                Schools = job.Schools,
                HouseRules = job.HouseRules,
                Aims = job.Aims,
                Prices = job.Prices,
                CrewLines = job.CrewLines,
            }, JobJson.Options), who);

    private static RuleSet? Read(SavedRuleSet saved)
    {
        try
        {
            return new(saved.Name, JsonSerializer.Deserialize<CrewSet>(saved.Document, JobJson.Options)!, saved.Who, saved.At);
        }
        catch (JsonException)
        {
            return null;
        }
    }
}
