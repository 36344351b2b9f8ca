using System.Collections.Immutable;
using Circuitum.Core.Units;

namespace Circuitum.Core.Pricing;

/// <summary>What an offer is.</summary>
public enum OfferKind
{
    /// <summary>What the whole job costs.</summary>
    Estimate,

    /// <summary>What a change of it costs.</summary>
    ChangeOrder,
}

/// <summary>One line of an offer.</summary>
/// <param name="Group">What it stands under: rough, trim, service; comes to it, is left out, is lost.</param>
/// <param name="Item">The thing.</param>
/// <param name="Unit">Its unit.</param>
/// <param name="Quantity">How many; below zero they are left out.</param>
/// <param name="Price">For one; null where no line of the price list is about it.</param>
/// <param name="Hours">Work for one.</param>
/// <param name="Taxed">Sales tax is on it.</param>
/// <param name="For">Where from, or how counted.</param>
public sealed record OfferLine(string Group, string Item, string Unit, int Quantity, Money? Price, LaborHours Hours, bool Taxed, string For)
{
    /// <summary>Material of the line; nothing where it has no price.</summary>
    public Money Material => Price is { } one ? (one * Quantity).ToTheCent : Money.Zero;

    /// <summary>Work of the line.</summary>
    public LaborHours Work => Hours * Quantity;
}

/// <summary>A fact beside the money: feet, breakers, boxes.</summary>
/// <param name="What">Of what.</param>
/// <param name="Says">How much, in words.</param>
public sealed record OfferFact(string What, string Says);

/// <summary>A place that a change touches, on a floor of an offer.</summary>
/// <param name="At">Where.</param>
/// <param name="Kind">+ comes, − goes, ~ changes.</param>
/// <param name="Name">What.</param>
public sealed record OfferMark(Point At, char Kind, string Name);

/// <summary>A floor as an offer draws it.</summary>
/// <param name="Name">Its name.</param>
/// <param name="Rooms">Inside corners of each room, with its name.</param>
/// <param name="Marks">What the change touches on it.</param>
public sealed record OfferFloor(string Name, ImmutableArray<OfferRoom> Rooms, ImmutableArray<OfferMark> Marks);

/// <summary>A room as an offer draws it.</summary>
/// <param name="Name">Its name.</param>
/// <param name="Corners">Its inside corners.</param>
public sealed record OfferRoom(string Name, ImmutableArray<Point> Corners);

/// <summary>An estimate or a change order, complete in itself: what was signed does not change when the plan, the prices or this program
/// do.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="Job">The job's name.</param>
/// <param name="Revision">The revision that it is for.</param>
/// <param name="Terms">On what terms.</param>
/// <param name="Lines">Its lines.</param>
public sealed record Offer(OfferKind Kind, string Job, int Revision, Terms Terms, ImmutableArray<OfferLine> Lines)
{
    /// <summary>The revision that it changes; null for an estimate.</summary>
    public int? From { get; init; }

    /// <summary>Who asked for it and why; empty for an estimate.</summary>
    public string Reason { get; init; } = "";

    /// <summary>What it comes to beside money.</summary>
    public ImmutableArray<OfferFact> Facts { get; init; } = [];

    /// <summary>The floors it touches.</summary>
    public ImmutableArray<OfferFloor> Floors { get; init; } = [];

    /// <summary>Lines that no price is known for: they are in no sum.</summary>
    public ImmutableArray<OfferLine> Unpriced => [.. Lines.Where(l => l.Price is null)];

    /// <summary>The sum, line by line.</summary>
    public OfferSum Sum => OfferSum.Of(this);
}

/// <summary>The sum of an offer. Each amount is rounded to the cent once, where it is written.</summary>
/// <param name="Material">All lines.</param>
/// <param name="Markup">On the material.</param>
/// <param name="Hours">Of work.</param>
/// <param name="Labor">What they cost.</param>
/// <param name="Discount">Taken off.</param>
/// <param name="Taxable">What the tax is on: taxed lines with their markup, less the discount.</param>
/// <param name="Tax">Sales tax.</param>
/// <param name="Total">To pay; below zero it is given back.</param>
/// <param name="Deposit">Of it, at once; nothing where nothing is to pay.</param>
public sealed record OfferSum(Money Material, Money Markup, LaborHours Hours, Money Labor, Money Discount, Money Taxable, Money Tax,
    Money Total, Money Deposit)
{
    /// <summary>The sum of an offer's lines on its terms.</summary>
    public static OfferSum Of(Offer offer)
    {
        var terms = offer.Terms;
        var material = Added(offer.Lines.Select(l => l.Material));
        var taxed = Added(offer.Lines.Where(l => l.Taxed).Select(l => l.Material));
        var hours = new LaborHours(offer.Lines.Sum(l => l.Work.Value));
        var markup = terms.Markup * material;
        var labor = hours * terms.Rate;
        var before = material + markup + labor;
        var discount = terms.Discount * before;
        var taxable = taxed + (terms.Markup * taxed);
        taxable -= terms.Discount * taxable;
        var tax = terms.Tax * taxable;
        var total = before - discount + tax;
        return new(material, markup, hours, labor, discount, taxable, tax, total, total > Money.Zero ? terms.Deposit * total : Money.Zero);
    }

    private static Money Added(IEnumerable<Money> all) => all.Aggregate(Money.Zero, (sum, m) => sum + m);
}
