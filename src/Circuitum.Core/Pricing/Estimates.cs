using Circuitum.Core.Plans;
using Circuitum.Core.Takeoff;

namespace Circuitum.Core.Pricing;

/// <summary>What a whole job costs: every line of its material list with its price and its work.</summary>
public static class Estimates
{
    /// <summary>The estimate of a plan.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="revision">The revision that it is the plan of.</param>
    /// <param name="prices">The crew's list.</param>
    /// <param name="terms">On what terms.</param>
    public static Offer Of(Plan plan, int revision, PriceList prices, Terms terms) => new(OfferKind.Estimate, plan.Job.Name, revision,
        terms,
        [.. Hardware.Of(plan).Where(m => m.Quantity > 0).OrderBy(m => m.Phase)
            .Select(m => Line(m.Phase.ToString().ToLowerInvariant(), m.Item, m.Unit, m.Quantity, m.For, prices, terms))])
    {
        Facts =
        [
            new("Circuits", $"{plan.Circuits.Length}"),
            new("Boxes", $"{plan.Survey.Boxes.Length}"),
            new("Cable", plan.Footage.Cut(plan.Job.Schools.Measure)),
        ],
    };

    /// <summary>A line with what the list says of it.</summary>
    internal static OfferLine Line(string group, string item, string unit, int quantity, string why, PriceList prices, Terms terms)
    {
        var found = prices.Find(item, unit, terms.Supplier);
        return new(group, item, unit, quantity, found?.Price, found?.Hours ?? default, found?.Taxed ?? true,
            string.Join(" · ", new[] { why, found?.Supplier ?? "" }.Where(t => t.Length > 0)));
    }
}
