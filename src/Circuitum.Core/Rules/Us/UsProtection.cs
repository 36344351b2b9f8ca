using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;

namespace Circuitum.Core.Rules.Us;

/// <summary>AFCI by place, 210.12(A) (2023: 210.12(B)); GFCI by place and equipment, 210.8 and 422.5.</summary>
internal sealed class UsProtection(UsBook book) : ProtectionRules
{
    /// <summary>210.8(A).</summary>
    public override Asked NearWater { get; } = Asked.Feet(6);

    /// <inheritdoc/>
    public override bool GuardsEveryKitchenReceptacle => book.Edition >= Edition.Y2023;

    /// <inheritdoc/>
    public override Need? Afci(Outlet outlet)
    {
        var covered = outlet.Volts == book.Supply.ToNeutral
            && (outlet.Rating.Value is 15 or 20 || (outlet.Rating.Value == 10 && book.StandardRatings[0].Value == 10));
        if (!covered || outlet.Outdoors || !Listed(outlet.Room))
        {
            return null;
        }

        if (outlet.Room is RoomUse.Kitchen or RoomUse.Laundry && book.Amended(AmendedRule.NoAfciInKitchenAndLaundry) is not null)
        {
            return null;
        }

        return new($"{outlet.Volts}, {outlet.Rating} outlet or device in {Called(outlet.Room)}", book.Cite(RuleId.ArcFaultPlaces));
    }

    private static string Called(RoomUse use) =>
        use switch
        {
            RoomUse.Dining or RoomUse.Family => $"a {Words.Of(use)} room",
            RoomUse.Entry => "an entry",
            RoomUse.Laundry => "a laundry area",
            _ => $"a {Words.Of(use)}"
        };

    // Named in the section, or similar: an entry, mudroom, pantry or stair opens on rooms that are named and is taken with them.
    private static bool Listed(RoomUse use) => use is RoomUse.Kitchen or RoomUse.Family or RoomUse.Dining or RoomUse.Den or RoomUse.Bedroom
        or RoomUse.Closet
        or RoomUse.Hall or RoomUse.Laundry or RoomUse.Entry or RoomUse.Mudroom or RoomUse.Pantry or RoomUse.Stair
            or RoomUse.FinishedBasement;

    /// <inheritdoc/>
    public override Need? Gfci(Outlet outlet) =>
        outlet.Receptacle ? UnderFeetAndInTubs(outlet) ?? Receptacle(outlet) ?? ByEquipment(outlet)
        : outlet.Switch || outlet.Alarm ? null
        : UnderFeetAndInTubs(outlet) ?? HardWired(outlet) ?? ByEquipment(outlet);

    private Need? Receptacle(Outlet o)
    {
        // 210.8(A): 125 V 15 and 20 A in 2017; from 2020 125 to 250 V at 150 V or less to ground, whatever the rating.
        var covered = book.Edition == Edition.Y2017 ? o.Volts == book.Supply.ToNeutral && o.Rating.Value <= 20
            : book.Supply.Offered.Contains(o.Volts);
        if (!covered)
        {
            return null;
        }

        // Paragraph numbers moved in 2023, when kitchens went to (6) and food preparation to (7).
        var late = book.Edition == Edition.Y2023;
        if (o.Outdoors)
        {
            return new("outdoor receptacle", book.Cite(RuleId.GroundFaultOutdoors));
        }

        if (o.Accessory || o.Room == RoomUse.Greenhouse)
        {
            return new("receptacle in an accessory building", book.Cite(RuleId.GroundFaultGarage));
        }

        return o.Room switch
        {
            RoomUse.Bath => new("bathroom receptacle", book.Cite(RuleId.GroundFaultBath)),
            RoomUse.Garage => new("garage receptacle", book.Cite(RuleId.GroundFaultGarage)),
            RoomUse.CrawlSpace => new("crawl space receptacle", book.Cite(RuleId.GroundFaultCrawlSpace)),
            RoomUse.UnfinishedBasement => new("basement receptacle", book.Cite(RuleId.GroundFaultBasement)),
            RoomUse.FinishedBasement when book.Edition >= Edition.Y2020 =>
                new("basement receptacle, finished or not", book.Cite(RuleId.GroundFaultBasement)),
            RoomUse.Kitchen when late => new("kitchen receptacle", book.Cite(RuleId.GroundFaultKitchen)),
            RoomUse.Kitchen when o.ServesCounter => new("receptacle serving a kitchen counter", book.Cite(RuleId.GroundFaultKitchen)),
            RoomUse.Laundry => new("laundry area receptacle", book.Cite(RuleId.GroundFaultLaundry)),
            RoomUse.Sauna when book.Edition >= Edition.Y2020 =>
                new("receptacle in an indoor damp or wet place", book.Cite(RuleId.GroundFaultDampIndoors)),
            _ when o.LaundryArea => new("laundry area receptacle", book.Cite(RuleId.GroundFaultLaundry)),
            _ when o.Basement && book.Edition >= Edition.Y2020 =>
                new("basement receptacle, finished or not", book.Cite(RuleId.GroundFaultBasement)),
            _ when late && o.FoodArea =>
                new("receptacle where food or drink is prepared at a sink", book.Cite(RuleId.GroundFaultFood)),
            _ when o.NearSink || (o.SinkByDoorway && book.Edition >= Edition.Y2020) =>
                new($"receptacle within {NearWater} of a sink", book.Cite(RuleId.GroundFaultSink)),
            _ when o.NearTub || (o.TubByDoorway && book.Edition >= Edition.Y2020) =>
                new($"receptacle within {NearWater} of a tub or shower", book.Cite(RuleId.GroundFaultTub)),
            _ when o.ServesEquipment && book.Edition >= Edition.Y2020 =>
                new("receptacle for servicing equipment", book.Cite(RuleId.GroundFaultService)),
            _ => null,
        };
    }

    private Need? HardWired(Outlet o)
    {
        if (o.Lighting)
        {
            return o.Room == RoomUse.CrawlSpace && !o.Outdoors && o.Volts == book.Supply.ToNeutral
                ? new("lighting outlet in a crawl space", book.Cite(RuleId.GroundFaultCrawlLight))
                : null;
        }

        // An inlet brings power; an outlet is where it is taken (article 100).
        if (o.Appliance?.BringsPower() == true)
        {
            return null;
        }

        var placed = o.Outdoors || (book.Edition == Edition.Y2023 && (o.Accessory || o.Room is RoomUse.Garage or RoomUse.Greenhouse));
        if (book.Edition == Edition.Y2017 || !placed || o.Rating.Value > 50)
        {
            return null;
        }

        if (o.Appliance is Appliance.HeatPump or Appliance.AirHandler)
        {
            // Many authorities amend 2020 the way 2023 excepts listed HVAC equipment.
            return book.ExceptsListedHvac || book.Amended(AmendedRule.NoGfciForCondensers) is not null ? null
                : new("outdoor outlet, hard-wired", book.Cite(RuleId.GroundFaultHardWired));
        }

        return new(o.Outdoors ? "outdoor outlet, hard-wired" : "hard-wired outlet in a garage or accessory building",
            book.Cite(RuleId.GroundFaultHardWired));
    }

    private Need? UnderFeetAndInTubs(Outlet o) => o.Appliance switch
    {
        Appliance.HydromassageTub => new("hydromassage tub", book.Cite(RuleId.HydromassageTub)),
        Appliance.HotTub => new("hot tub", book.Cite(RuleId.HotTub)),
        Appliance.FloorHeating when o.Room is RoomUse.Bath or RoomUse.Kitchen => new("heating cable in the floor",
            book.Cite(RuleId.FloorHeating)),
        _ => null,
    };

    private Need? ByEquipment(Outlet o) => o.Appliance switch
    {
        Appliance.Dishwasher => new("dishwasher outlet", book.Cite(RuleId.GroundFaultDishwasher)),
        Appliance.SumpPump when book.Edition >= Edition.Y2020 => new("sump pump", book.Cite(RuleId.GroundFaultAppliance)),
        Appliance.Range or Appliance.Oven or Appliance.Cooktop or Appliance.Dryer or Appliance.Microwave when book.Edition == Edition.Y2023
            && o.Rating.Value <= 60
            => new($"{Words.Of(o.Appliance.Value)} outlet", book.Cite(RuleId.GroundFaultAppliance)),
        Appliance.VehicleCharger when o.Receptacle => new("receptacle for a vehicle charger", book.Cite(RuleId.VehicleReceptacle)),
        _ => null,
    };
}
