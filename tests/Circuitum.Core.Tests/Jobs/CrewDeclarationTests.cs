using System.Collections.Immutable;
using System.Reflection;
using Circuitum.Core.Jobs;

namespace Circuitum.Core.Tests;

/// <summary>House rules, aims, prices and schools are declared once: form, page, limits and schema follow from it.</summary>
public sealed class CrewDeclarationTests
{
    private static void Declared<TSet>(ImmutableArray<CrewNumber<TSet>> numbers, TSet usual, params string[] beside)
    {
        var properties = typeof(TSet).GetProperties(BindingFlags.Public | BindingFlags.Instance).Select(p => p.Name)
            .Where(p => p != "EqualityContract").Except(beside);
        Assert.Equal(properties.Order(StringComparer.OrdinalIgnoreCase),
            numbers.Select(n => char.ToUpperInvariant(n.Field[0]) + n.Field[1..]).Order(StringComparer.OrdinalIgnoreCase));
        Assert.All(numbers, n =>
        {
            Assert.True(n.Words.Length > 0 && n.Least < n.Most, n.Field);
            Assert.Null(n.Problem(usual));
            Assert.Equal(usual, n.With(usual, n.Get(usual)));
            // What is set is what is read, at both ends, and a step beyond is told with what it is.
            Assert.Equal((n.Least, n.Most), (n.Get(n.With(usual, n.Least)), n.Get(n.With(usual, n.Most))));
            Assert.Null(n.Problem(n.With(usual, n.Least)));
            Assert.Null(n.Problem(n.With(usual, n.Most)));
            Assert.StartsWith($"must lie {n.Limits}; it is ", n.Problem(n.With(usual, n.Most + 1)), StringComparison.Ordinal);
            Assert.NotNull(n.Problem(n.With(usual, n.Least - 1)));
        });
    }

    [Fact]
    public void Every_number_of_the_house_rules_is_declared() =>
        Declared(HouseRuleNumbers.All, new HouseRules(), nameof(HouseRules.ListedForFirstOutlet));

    [Fact]
    public void Every_aim_is_declared() => Declared(AimNumbers.All, new Aims());

    [Fact]
    public void Every_price_is_declared() => Declared(PriceNumbers.All, new DevicePrices());

    [Fact]
    public void Limits_are_written_as_people_write_them()
    {
        var atPanel = HouseRuleNumbers.All.Single(n => n.Field == "atPanel");
        Assert.Equal("must lie from 1'-0\" to 20'-0\"; it is 6\"",
            atPanel.Problem(new HouseRules { AtPanel = Core.Units.Length.FromInches(6) }));
        Assert.Equal("must lie from 0 % to 30 %; it is 31 %", HouseRuleNumbers.All.Single(n => n.Field == "sag")
            .Problem(new HouseRules { Sag = new(31) }));
    }

    [Fact]
    public void Every_school_is_declared_with_every_answer_and_the_default_first()
    {
        var usual = new Schools();
        Assert.Equal(typeof(Schools).GetProperties().Select(p => p.Name).Order(StringComparer.OrdinalIgnoreCase),
            SchoolList.All.Select(s => char.ToUpperInvariant(s.Field[0]) + s.Field[1..]).Order(StringComparer.OrdinalIgnoreCase));
        Assert.All(SchoolList.All, school =>
        {
            Assert.Equal(school.Of(usual), school.Answers[0].Answer);
            Assert.Equal(Enum.GetValues(school.Of(usual).GetType()).Cast<Enum>().Order(), school.Answers.Select(a => a.Answer).Order());
            Assert.All(school.Answers, a =>
            {
                Assert.Equal(a.Answer, school.Read(a.Answer.ToString()));
                Assert.Equal(a.Answer, school.Of(school.With(usual, a.Answer)));
                Assert.Equal(a.Words, school.WordsOf(a.Answer));
            });
            Assert.Throws<FormatException>(() => school.Read("0"));
        });
    }

    [Fact]
    public void Rooms_and_circuits_answer_what_they_may_and_nothing_else()
    {
        Assert.Equal(typeof(RoomSchools).GetProperties().Length - 1, SchoolList.OfRooms.Length);
        Assert.Equal(typeof(CircuitSchools).GetProperties().Length - 1, SchoolList.OfCircuits.Length);
        Assert.All(SchoolList.OfRooms,
            s => Assert.Equal(s.Answers[^1].Answer, s.OfRoom!(s.WithRoom!(new() { Room = new("r") }, s.Answers[^1].Answer))));
        Assert.All(SchoolList.OfRooms, s => Assert.Null(s.OfRoom!(s.WithRoom!(new() { Room = new("r") }, null))));
        Assert.All(SchoolList.OfCircuits,
            s => Assert.Equal(s.Answers[^1].Answer, s.OfCircuit!(s.WithCircuit!(new() { Circuit = new("c") }, s.Answers[^1].Answer))));
    }
}
