using Circuitum.Core.Jobs;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Tests;

/// <summary>The paragraph that asks for GFCI, as each edition numbers it; none where the edition does not ask.</summary>
public sealed class CitationTests
{
    private static Outlet At(RoomUse room, bool counter = false, bool sink = false, bool tub = false, Appliance? appliance = null,
        int volts = 120, int rating = 20) =>
        new(room, false, true, false, false, counter, sink, tub, volts.Volts(), rating.Amps(), appliance);

    private static string[] Cited(Outlet outlet) =>
        [.. new[] { Edition.Y2017, Edition.Y2020, Edition.Y2023 }.Select(e => CodeBook.For(e).Protection.Gfci(outlet)?.Section ?? "none")];

    [Fact]
    public void Places_that_every_edition_names_alike()
    {
        Assert.Equal(["210.8(A)(1)", "210.8(A)(1)", "210.8(A)(1)"], Cited(At(RoomUse.Bath)));
        Assert.Equal(["210.8(A)(2)", "210.8(A)(2)", "210.8(A)(2)"], Cited(At(RoomUse.Garage)));
        Assert.Equal(["210.8(A)(4)", "210.8(A)(4)", "210.8(A)(4)"], Cited(At(RoomUse.CrawlSpace)));
        Assert.Equal(["210.8(A)(6)", "210.8(A)(6)", "210.8(A)(6)"], Cited(At(RoomUse.Kitchen, counter: true)));
    }

    [Fact] // food preparation came in as (7) in 2023 and moved what stood behind it
    public void Places_whose_paragraph_moved_in_2023()
    {
        Assert.Equal(["210.8(A)(7)", "210.8(A)(7)", "210.8(A)(8)"], Cited(At(RoomUse.Den, sink: true)));
        Assert.Equal(["210.8(A)(9)", "210.8(A)(9)", "210.8(A)(10)"], Cited(At(RoomUse.Den, tub: true)));
        Assert.Equal(["210.8(A)(10)", "210.8(A)(10)", "210.8(A)(11)"], Cited(At(RoomUse.Laundry)));
    }

    [Fact]
    public void Equipment_that_only_later_editions_name()
    {
        Assert.Equal(["none", "422.5(A)", "210.8(D)"], Cited(At(RoomUse.Utility, appliance: Appliance.SumpPump)));
        Assert.Equal(["none", "none", "210.8(D)"], Cited(At(RoomUse.Dining, appliance: Appliance.Microwave)));
        Assert.Equal(["none", "none", "210.8(D)"], Cited(At(RoomUse.Utility, appliance: Appliance.Dryer, volts: 240, rating: 30)));
        Assert.Equal(["none", "none", "none"], Cited(At(RoomUse.Den, appliance: Appliance.Freezer)));
    }

    [Fact]
    public void A_receptacle_for_a_car_is_named_by_its_own_article_where_no_place_asks() =>
        Assert.Equal(["625.54", "625.54", "625.54"],
            Cited(At(RoomUse.Utility, appliance: Appliance.VehicleCharger, volts: 240, rating: 50)));
}
