using Circuitum.Core.Circuits;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Tags;

namespace Circuitum.Core.Rulings;

/// <summary>Rulings on tags.</summary>
public static class TagRulings
{
    /// <summary>The ruling on a tag: the fuller one of its circuit where the tag is about one of its questions, else the tag's own
    /// arithmetic.</summary>
    public static Ruling On(Plan plan, Tag tag)
    {
        var own = new Ruling
        {
            About = About(plan, tag.Subject),
            Question = $"Why is this tagged {(tag.Severity == Severity.Hold ? "as waiting" : tag.Severity.ToString().ToLowerInvariant())}?",
            Answer = $"{tag.Headline}{(tag.Fixes.IsEmpty ? "" : $" It clears with: {string.Join(", or ",
                tag.Fixes.Select(f => char.ToLowerInvariant(f.Label[0]) + f.Label[1..]))}.")}",
            Sum = Because.Of("The sum").Book(tag.Arithmetic, "", tag.Cite),
            Governs = new(tag.Cite, tag.Severity switch
            {
                Severity.Red => $"The {plan.Book.Called}, or the local authority, would fail it.",
                Severity.Amber when !tag.Cite.Ids.IsEmpty => "The section is there; how far it goes here is for the authority to say.",
                Severity.Amber => $"Not a rule of the {plan.Book.Called}: the crew's own way, or good practice.",
                _ => "A fact is waited for; the plan goes on with what the job says now.",
            }),
            Local = plan.Book.Amendments.FirstOrDefault(a => a.By == tag.Rule) is { } local
                ? $"{local.By}: {Words.Of(local.Rule)} {local.Value}. Local; not in the {plan.Book.Called}." : CircuitRulings.NoLocal,
        };
        if (tag.Subject.Kind != SubjectKind.Circuit || plan.Landed(new(tag.Subject.Id)) is not { } landed
            || Topic(plan, tag) is not { } topic)
        {
            return own;
        }

        var fuller = CircuitRulings.On(plan, landed, topic);
        return fuller with { Answer = own.Answer, Sum = own.Sum.Then(fuller.Sum) };
    }

    // Which of a circuit's questions a tag belongs to.
    private static RulingTopic? Topic(Plan plan, Tag tag) => tag switch
    {
        _ when tag.Cite.Cites(RuleId.PermissibleFifteenTwenty)
            && plan.Landed(new(tag.Subject.Id))!.Load.Items.Any(i => i.Use == LoadUse.Fastened) => RulingTopic.HalfRating,
        _ when tag.Cite.Cites(RuleId.ContinuousLoad) => RulingTopic.ContinuousLoads,
        _ when tag.Cite.Cites(RuleId.BathCircuit) && plan.Landed(new(tag.Subject.Id))!.Kind == CircuitKind.Bathroom =>
            RulingTopic.SharedBaths,
        _ when tag.Cite.Cites(RuleId.OutletCap) => RulingTopic.OutletCap,
        _ => null,
    };

    private static string About(Plan plan, Subject subject) => subject.Kind switch
    {
        SubjectKind.Box => plan.Survey.Find(new(subject.Id))?.Name ?? subject.Id,
        SubjectKind.Room => plan.House.Rooms.FirstOrDefault(r => r.Room.Id.Value == subject.Id)?.Room.Name ?? subject.Id,
        SubjectKind.Circuit when plan.Landed(new(subject.Id)) is { } landed =>
            $"Panel {landed.Panel}, space {landed.SpaceText}: {landed.Description}",
        _ => $"{Words.Of(subject.Kind)} {subject.Id}",
    };
}
