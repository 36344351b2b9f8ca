using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Rules;

/// <summary>What the protection rules ask about one outlet.</summary>
/// <param name="Room">The room's use.</param>
/// <param name="Outdoors">It faces the weather.</param>
/// <param name="Receptacle">A receptacle, not a hard-wired outlet.</param>
/// <param name="Lighting">A lighting outlet.</param>
/// <param name="Switch">A switch point without an outlet of its own.</param>
/// <param name="ServesCounter">It serves a counter or island.</param>
/// <param name="NearSink">Within 6 ft of a sink's top inside edge.</param>
/// <param name="NearTub">Within 6 ft of a tub or shower.</param>
/// <param name="Volts">Circuit voltage.</param>
/// <param name="Rating">Circuit rating.</param>
/// <param name="Appliance">The equipment, where it is known.</param>
public sealed record Outlet(
    RoomUse Room,
    bool Outdoors,
    bool Receptacle,
    bool Lighting,
    bool Switch,
    bool ServesCounter,
    bool NearSink,
    bool NearTub,
    Volts Volts,
    Amps Rating,
    Appliance? Appliance)
{
    /// <summary>It stands in an accessory building.</summary>
    public bool Accessory { get; init; }

    /// <summary>An alarm: 210.8 asks nothing of it (exceptions for alarm circuits), 210.12 does.</summary>
    public bool Alarm { get; init; }
}

/// <summary>A protection that an outlet needs, and the paragraph that asks for it.</summary>
public sealed record Need(string Reason, string Section);

/// <summary>AFCI by place, 210.12(A) (2023: places in 210.12(B)).</summary>
public static class AfciRule
{
    /// <summary>Why an outlet needs AFCI, or null.</summary>
    public static Need? AfciFor(this CodeBook book, Outlet outlet)
    {
        var covered = outlet.Volts.Value == 120 && (outlet.Rating.Value is 15 or 20 || (outlet.Rating.Value == 10 && book.StandardRatings[0].Value == 10));
        if (!covered || outlet.Outdoors || !Listed(outlet.Room))
        {
            return null;
        }

        if (outlet.Room is RoomUse.Kitchen or RoomUse.Laundry && book.Amended(AmendedRule.NoAfciInKitchenAndLaundry) is not null)
        {
            return null;
        }

        return new($"120 V, {outlet.Rating} outlet or device in {Called(outlet.Room)}", book.Edition == Edition.Y2023 ? "210.12(B)" : "210.12(A)");
    }

    private static string Called(RoomUse use) => use switch { RoomUse.Dining or RoomUse.Family => $"a {Words.Of(use)} room", RoomUse.Entry => "an entry", RoomUse.Laundry => "a laundry area", _ => $"a {Words.Of(use)}" };

    // Named in the section, or similar: an entry, mudroom, pantry or stair opens on rooms that are named and is taken with them.
    private static bool Listed(RoomUse use) => use is RoomUse.Kitchen or RoomUse.Family or RoomUse.Dining or RoomUse.Den or RoomUse.Bedroom or RoomUse.Closet
        or RoomUse.Hall or RoomUse.Laundry or RoomUse.Entry or RoomUse.Mudroom or RoomUse.Pantry or RoomUse.Stair or RoomUse.FinishedBasement;
}

/// <summary>GFCI by place and equipment, 210.8 and 422.5.</summary>
public static class GfciRule
{
    /// <summary>Why an outlet needs GFCI, or null. The first paragraph that asks is given.</summary>
    public static Need? GfciFor(this CodeBook book, Outlet outlet) =>
        outlet.Receptacle ? Receptacle(book, outlet) ?? ByEquipment(book, outlet) : outlet.Switch || outlet.Alarm ? null : HardWired(book, outlet) ?? ByEquipment(book, outlet);

    private static Need? Receptacle(CodeBook book, Outlet o)
    {
        // 210.8(A): 125 V 15 and 20 A in 2017; from 2020 125 to 250 V at 150 V or less to ground, whatever the rating.
        var covered = book.Edition == Edition.Y2017 ? o.Volts.Value == 120 && o.Rating.Value <= 20 : o.Volts.Value is 120 or 240;
        if (!covered)
        {
            return null;
        }

        // Paragraph numbers moved in 2023, when kitchens went to (6) and food preparation to (7).
        var late = book.Edition == Edition.Y2023;
        if (o.Outdoors)
        {
            return new("outdoor receptacle", "210.8(A)(3)");
        }

        if (o.Accessory || o.Room == RoomUse.Greenhouse)
        {
            return new("receptacle in an accessory building", "210.8(A)(2)");
        }

        return o.Room switch
        {
            RoomUse.Bath => new("bathroom receptacle", "210.8(A)(1)"),
            RoomUse.Garage => new("garage receptacle", "210.8(A)(2)"),
            RoomUse.CrawlSpace => new("crawl space receptacle", "210.8(A)(4)"),
            RoomUse.UnfinishedBasement => new("basement receptacle", "210.8(A)(5)"),
            RoomUse.FinishedBasement when book.Edition >= Edition.Y2020 => new("basement receptacle, finished or not", "210.8(A)(5)"),
            RoomUse.Kitchen when late => new("kitchen receptacle", "210.8(A)(6)"),
            RoomUse.Kitchen when o.ServesCounter => new("receptacle serving a kitchen counter", "210.8(A)(6)"),
            RoomUse.Laundry => new("laundry area receptacle", late ? "210.8(A)(11)" : "210.8(A)(10)"),
            RoomUse.Sauna when book.Edition >= Edition.Y2020 => new("receptacle in an indoor damp or wet place", late ? "210.8(A)(12)" : "210.8(A)(11)"),
            _ when o.NearSink => new("receptacle within 6 ft of a sink", late ? "210.8(A)(8)" : "210.8(A)(7)"),
            _ when o.NearTub => new("receptacle within 6 ft of a tub or shower", late ? "210.8(A)(10)" : "210.8(A)(9)"),
            _ => null,
        };
    }

    private static Need? HardWired(CodeBook book, Outlet o)
    {
        if (o.Lighting)
        {
            return o.Room == RoomUse.CrawlSpace && !o.Outdoors && o.Volts.Value == 120
                ? new("lighting outlet in a crawl space", book.Edition == Edition.Y2017 ? "210.8(E)" : "210.8(C)")
                : null;
        }

        // An inlet brings power; an outlet is where it is taken (article 100).
        if (o.Appliance is Appliance.GeneratorInlet)
        {
            return null;
        }

        var placed = o.Outdoors || (book.Edition == Edition.Y2023 && (o.Accessory || o.Room is RoomUse.Garage or RoomUse.Greenhouse));
        if (book.Edition == Edition.Y2017 || !placed || o.Rating.Value > 50)
        {
            return null;
        }

        if (o.Appliance is Appliance.HeatPump)
        {
            // Many authorities amend 2020 the way 2023 excepts listed HVAC equipment.
            return book.ExceptsListedHvac || book.Amended(AmendedRule.NoGfciForCondensers) is not null ? null : new("outdoor outlet, hard-wired", "210.8(F)");
        }

        return new(o.Outdoors ? "outdoor outlet, hard-wired" : "hard-wired outlet in a garage or accessory building", "210.8(F)");
    }

    private static Need? ByEquipment(CodeBook book, Outlet o) => o.Appliance switch
    {
        Appliance.Dishwasher => new("dishwasher outlet", book.Edition == Edition.Y2020 ? "422.5(A)" : "210.8(D)"),
        Appliance.SumpPump when book.Edition >= Edition.Y2020 => new("sump pump", book.Edition == Edition.Y2020 ? "422.5(A)" : "210.8(D)"),
        Appliance.Range or Appliance.Oven or Appliance.Cooktop or Appliance.Dryer or Appliance.Microwave when book.Edition == Edition.Y2023 && o.Rating.Value <= 60
            => new($"{Words.Of(o.Appliance.Value)} outlet", "210.8(D)"),
        Appliance.VehicleCharger when o.Receptacle => new("receptacle for a vehicle charger", "625.54"),
        _ => null,
    };
}
