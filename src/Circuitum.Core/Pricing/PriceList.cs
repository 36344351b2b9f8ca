using System.Collections.Immutable;
using Circuitum.Core.Units;

namespace Circuitum.Core.Pricing;

/// <summary>What one thing costs at one supplier, and what it takes to set it.</summary>
/// <param name="Item">Its name as the material list has it; an * stands for any words.</param>
/// <param name="Unit">each, ft, m or holes.</param>
/// <param name="Price">For one; 0 where only the work counts.</param>
/// <param name="Hours">Work for one.</param>
public sealed record PriceItem(string Item, string Unit, Money Price, LaborHours Hours)
{
    /// <summary>Who sells it; empty where that is not said.</summary>
    public string Supplier { get; init; } = "";

    /// <summary>Sales tax is on it.</summary>
    public bool Taxed { get; init; } = true;

    /// <summary>How much of the name is said, without the stars: the line that says most is the one that is meant.</summary>
    public int Said => Item.Length - Item.Count(c => c == '*');

    /// <summary>This line is about that thing.</summary>
    public bool Is(string item, string unit)
    {
        if (!string.Equals(Unit, unit, StringComparison.OrdinalIgnoreCase))
        {
            return false;
        }

        var parts = Item.Split('*');
        if (parts.Length == 1)
        {
            return string.Equals(Item, item, StringComparison.OrdinalIgnoreCase);
        }

        if (!item.StartsWith(parts[0], StringComparison.OrdinalIgnoreCase) || !item.EndsWith(parts[^1], StringComparison.OrdinalIgnoreCase)
            || item.Length < parts[0].Length + parts[^1].Length)
        {
            return false;
        }

        var (at, end) = (parts[0].Length, item.Length - parts[^1].Length);
        foreach (var part in parts[1..^1])
        {
            var found = item.IndexOf(part, at, StringComparison.OrdinalIgnoreCase);
            if (found < 0 || found + part.Length > end)
            {
                return false;
            }

            at = found + part.Length;
        }

        return true;
    }
}

/// <summary>What a crew pays and how long things take: their own list.</summary>
/// <param name="Items">Its lines, at most 2000.</param>
public sealed record PriceList(ImmutableArray<PriceItem> Items)
{
    /// <summary>Most lines.</summary>
    public const int MostItems = 2000;

    /// <summary>Name of the work of taking cable out again, by the foot.</summary>
    public const string TakingOut = "Cable taken out";

    /// <summary>The suppliers that it names, by name.</summary>
    public ImmutableArray<string> Suppliers { get; } =
        [.. Items.Select(i => i.Supplier).Where(s => s.Length > 0)
        .Distinct(StringComparer.OrdinalIgnoreCase).Order(StringComparer.Ordinal)];

    /// <summary>The line for a thing: what says most of its name counts; among such lines the chosen supplier's, else the cheapest. Null
    /// where no line is about it.</summary>
    /// <param name="item">Its name on the material list.</param>
    /// <param name="unit">Its unit there.</param>
    /// <param name="supplier">Whose price is wanted; empty for the cheapest.</param>
    public PriceItem? Find(string item, string unit, string supplier = "") =>
        Items.Where(i => i.Is(item, unit)).OrderByDescending(i => i.Said)
            .ThenBy(i => supplier.Length > 0 && !string.Equals(i.Supplier, supplier, StringComparison.OrdinalIgnoreCase))
            .ThenBy(i => i.Price).FirstOrDefault()
        ?? (unit == "m" && Find(item, "ft", supplier) is { } byFoot
            ? byFoot with { Unit = "m", Price = byFoot.Price * FeetOfAMetre, Hours = new(byFoot.Hours.Value * FeetOfAMetre) } : null);

    // A list by the foot serves a job in metres.
    private const decimal FeetOfAMetre = 1 / 0.3048m;
}
