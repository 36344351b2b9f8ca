using Microsoft.AspNetCore.Http;
using Microsoft.Extensions.Primitives;
using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;
using Circuitum.Web.Bench;

namespace Circuitum.Web.Tests;

/// <summary>What people type into fields.</summary>
public sealed class EntryTests
{
    [Theory]
    [InlineData("1200", 1200)]
    [InlineData("1200 VA", 1200)]
    [InlineData("1,200 VA", 1200)]
    [InlineData("1.2 kW", 1200)]
    [InlineData("9.6kva", 9600)]
    [InlineData("800 W", 800)]
    [InlineData("1,200", 1200)]
    [InlineData("12,000.5 VA", 12000.5)]
    [InlineData("0", 0)]
    public void Loads(string text, double load) => Assert.Equal((decimal)load, Entry.VoltAmps(text).Value);

    [Theory] // amperes at the volts of what is set; where none are known they are asked for
    [InlineData("10 A", 240, 2400)]
    [InlineData("12.5a", 120, 1500)]
    [InlineData("1 kW", 240, 1000)]
    public void Loads_in_amperes(string text, int volts, double load) =>
        Assert.Equal((decimal)load, Entry.VoltAmps(text, a => SupplySystem.SplitPhase.Load(a, new(volts))).Value);

    [Fact]
    public void Amperes_without_volts_are_asked_for() =>
        Assert.Contains("as VA or kW", Assert.Throws<FormatException>(() => Entry.VoltAmps("10 A")).Message, StringComparison.Ordinal);

    [Theory]
    [InlineData("21.4", 21.4)]
    [InlineData("21.4 A", 21.4)]
    [InlineData(" 35a ", 35)]
    public void Currents(string text, double amps) => Assert.Equal((decimal)amps, Entry.Amps(text).Value);

    [Theory]
    [InlineData("80", 80)]
    [InlineData("80 %", 80)]
    public void Shares(string text, double share) => Assert.Equal((decimal)share, Entry.Percent(text).Value);

    [Theory]
    [InlineData(null)]
    [InlineData("")]
    [InlineData("-5")]
    [InlineData("1e9")]
    [InlineData("99999999")]
    [InlineData("1,5")]
    [InlineData("1200,00")]
    [InlineData(",120")]
    [InlineData("NaN")]
    public void What_is_no_number_is_refused_by_every_field(string? text)
    {
        Assert.Throws<FormatException>(() => Entry.VoltAmps(text));
        Assert.Throws<FormatException>(() => Entry.Amps(text));
        Assert.Throws<FormatException>(() => Entry.Percent(text));
        Assert.Contains($"“{text}”", Assert.Throws<FormatException>(() => Entry.VoltAmps(text)).Message, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("3", 3)]
    [InlineData("0", 0)]
    public void Counts(string text, int count) => Assert.Equal(count, Entry.Count(text));

    [Theory]
    [InlineData("-1")]
    [InlineData("1.5")]
    [InlineData("two")]
    public void What_is_no_count_is_refused(string text) => Assert.Throws<FormatException>(() => Entry.Count(text));

    [Fact]
    public void Choices_and_editions_come_from_their_lists()
    {
        Assert.Equal(DeviceKind.Duplex, Entry.Choice<DeviceKind>("duplex"));
        Assert.Equal(Edition.Y2023, Entry.Edition("2023"));
        Assert.Throws<FormatException>(() => Entry.Choice<DeviceKind>("0"));
        Assert.Throws<FormatException>(() => Entry.Choice<DeviceKind>(null));
        Assert.Throws<FormatException>(() => Entry.Edition("2018"));
    }

    [Fact]
    public void House_rules_are_read_as_they_are_shown()
    {
        var rules = new HouseRules { Sag = new(5), SlackAtBox = Core.Units.Length.FromInches(12) };
        var form = new FormCollection(HouseRuleNumbers.All.ToDictionary(n => $"fields.{n.Field}", n => new StringValues(n.Show(rules))));
        Assert.Equal(rules, CrewForms.Numbers(form, "fields.", HouseRuleNumbers.All, new HouseRules()));
        Assert.Contains("Switches at",
            Assert.Throws<FormatException>(() => CrewForms.Numbers(new FormCollection([]), "fields.", [HouseRuleNumbers.All[3]],
                rules)).Message, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("50", 50)]
    [InlineData("50 °C", 50)]
    [InlineData("122 °F", 50)]
    [InlineData("-10 C", -10)]
    public void Temperatures_are_read_in_both_scales(string text, int degrees) => Assert.Equal(degrees, Entry.Celsius(text).Degrees);

    [Theory]
    [InlineData("hot")]
    [InlineData("")]
    [InlineData("9999")]
    public void What_is_no_temperature_is_refused(string text) =>
        Assert.Contains("write it like 50 °C", Assert.Throws<FormatException>(() => Entry.Celsius(text)).Message, StringComparison.Ordinal);

    [Fact]
    public void A_room_without_a_name_is_called_by_its_use()
    {
        var job = Demo.Read();
        Assert.Equal("Sun room", Entry.RoomName(job, " Sun room ", RoomUse.Den));
        Assert.Equal("Den", Entry.RoomName(job, null, RoomUse.Den));
        Assert.Equal("Kitchen 2", Entry.RoomName(job, "", RoomUse.Kitchen));
        Assert.Equal("Bedroom 1", Entry.RoomName(job, "", RoomUse.Bedroom));
    }

    [Fact]
    public void Plates_are_read_in_VA_kW_or_amperes()
    {
        var fields = new PlateFields { Appliance = "Dryer", Name = "Dryer", Volts = "240", Load = "24 A" };
        Assert.Equal(5760, fields.Read(SupplySystem.SplitPhase).Load.Value);
        Assert.Equal(5600, (fields with { Load = "5.6 kW" }).Read(SupplySystem.SplitPhase).Load.Value);
        Assert.Equal(5600, (fields with { Load = "5600 VA" }).Read(SupplySystem.SplitPhase).Load.Value);
        Assert.Throws<FormatException>(() => (fields with { Volts = "lots" }).Read(SupplySystem.SplitPhase));
    }

    [Fact]
    public void The_list_of_boxes_makes_each_of_its_entries()
    {
        var job = Demo.Read();
        Assert.All(NewBox.List,
            e => Assert.Null(new AddBox(NewBox.OnWall(job, new("study"), 1, Core.Units.Length.FromFeet(2), e.Value)).On(job).Refusal));
        Assert.Equal(2, NewBox.OnWall(job, new("study"), 1, Core.Units.Length.FromFeet(2), "quad").Devices.Length);
        Assert.Equal(Mount.Floor,
            NewBox.Free(job, new("study"), Core.Units.Length.FromFeet(2), Core.Units.Length.FromFeet(2), "Duplex").Mount);
        Assert.Equal(Mount.Ceiling,
            NewBox.Free(job, new("study"), Core.Units.Length.FromFeet(2), Core.Units.Length.FromFeet(2), "Can").Mount);
        Assert.Throws<FormatException>(() => NewBox.Device("equipment:999"));
    }

    [Fact]
    public void A_new_box_takes_the_rooms_next_free_number()
    {
        var job = Demo.Read();
        var first = NewBox.OnWall(job, new("study"), 1, Core.Units.Length.FromFeet(2), "Duplex");
        var second = NewBox.OnWall(job with { Boxes = job.Boxes.Add(first) }, new("study"), 1, Core.Units.Length.FromFeet(3), "Duplex");
        Assert.Equal(("study-1", "study-2"), (first.Id.Value, second.Id.Value));
        Assert.DoesNotContain(DeviceKind.Equipment, NewBox.Kinds);
    }
}
