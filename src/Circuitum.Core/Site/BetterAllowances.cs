using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Routing;
using Circuitum.Core.Units;

namespace Circuitum.Core.Site;

/// <summary>What a crew should leave in its plans, by what it really used: slack at a box and cable at the panel.</summary>
/// <param name="Slack">Slack behind a box.</param>
/// <param name="AtPanel">Left at a panel.</param>
/// <param name="Sum">How it was worked out, line by line.</param>
public sealed record BetterAllowances(Length Slack, Length AtPanel, ImmutableArray<string> Sum)
{
    /// <summary>Fewer measured runs of a kind say nothing.</summary>
    public const int Enough = 5;

    // As the house rules allow them.
    private static readonly Length MostSlack = Length.FromInches(60);
    private static readonly Length LeastAtPanel = Length.FromInches(12);
    private static readonly Length MostAtPanel = Length.FromInches(240);

    /// <summary>The allowances that bring the middle of used less planned to nothing, to the inch; null while too little was measured, or
    /// where what is set is right to the inch. A jumper has two boxes, so half of what it is out is each box's; what a home run is out
    /// beyond one box is the panel's.</summary>
    /// <param name="rules">The allowances of the plan.</param>
    /// <param name="used">What was measured, by kind of run.</param>
    public static BetterAllowances? Of(HouseRules rules, ImmutableArray<UsedOf> used)
    {
        var jumpers = used.FirstOrDefault(u => u.Kind == RunKind.Jumper);
        var homeRuns = used.FirstOrDefault(u => u.Kind == RunKind.HomeRun);
        if (jumpers is not { Measured: >= Enough } && homeRuns is not { Measured: >= Enough })
        {
            return null;
        }

        var sum = ImmutableArray.CreateBuilder<string>();
        var (slack, atPanel) = (rules.SlackAtBox, rules.AtPanel);
        if (jumpers is { Measured: >= Enough })
        {
            slack = Within(rules.SlackAtBox + (jumpers.Median / 2), Length.Zero, MostSlack);
            var each = jumpers.Median / 2;
            sum.Add($"{jumpers.Measured} jumpers: the middle is {Told(jumpers.Median)}, two boxes to a run, so {Told(each)} a box: "
                + $"{rules.SlackAtBox} → {slack}");
        }

        if (homeRuns is { Measured: >= Enough })
        {
            var rest = homeRuns.Median - (slack - rules.SlackAtBox);
            atPanel = Within(rules.AtPanel + rest, LeastAtPanel, MostAtPanel);
            var atBox = Told(slack - rules.SlackAtBox);
            sum.Add($"{homeRuns.Measured} home runs: the middle is {Told(homeRuns.Median)}, {atBox} of it at the box: "
                + $"{rules.AtPanel} → {atPanel} at the panel");
        }

        return slack == rules.SlackAtBox && atPanel == rules.AtPanel ? null : new(slack, atPanel, sum.ToImmutable());
    }

    private static Length Within(Length length, Length least, Length most)
    {
        var inches = Length.FromInches(decimal.Round(length.Inches, MidpointRounding.AwayFromZero));
        return inches < least ? least : inches > most ? most : inches;
    }

    private static string Told(Length apart) => apart < Length.Zero ? $"{apart.Abs()} less" : $"{apart} more";
}
