using Circuitum.Core.Boards;
using Circuitum.Core.Units;
using CsCheck;

namespace Circuitum.Core.Tests.Boards;

public sealed class RingDropTests
{
    private static Length[] Metres(params int[] metres) => [.. metres.Select(m => Length.FromMetres(m))];

    private static Amps[] Drawn(params int[] amps) => [.. amps.Select(a => new Amps(a))];

    [Fact] // 10 A at 15 of 60 m: 7.5 A from the near end and 2.5 A from the far one; 7.5 × 15 × 11 mV = 2.5 × 45 × 11 mV = 1.24 V
    public void One_load_draws_from_both_ends_as_it_is_far_from_the_other()
    {
        var flows = RingDrop.Shared(Metres(15, 45), Drawn(10));
        Assert.Equal([7.5m, -2.5m], flows.Select(f => decimal.Round(f.Value, 3)));
        Assert.Equal(1.24m, decimal.Round(RingDrop.Most(Metres(15, 45), flows, 11).Value, 2));
    }

    [Fact] // 12 A at 20 m and 6 A at 40 m of 60: 12 × 40/60 + 6 × 20/60 = 10 A; the first point is the lowest: 10 × 20 × 11 mV = 2.2 V
    public void Two_loads_meet_where_the_current_turns()
    {
        var flows = RingDrop.Shared(Metres(20, 20, 20), Drawn(12, 6));
        Assert.Equal([10m, -2m, -8m], flows.Select(f => decimal.Round(f.Value, 3)));
        Assert.Equal(2.2m, decimal.Round(RingDrop.Most(Metres(20, 20, 20), flows, 11).Value, 3));
    }

    [Fact] // 4 A each at 10, 20, 30 m: 12 × 10 + 8 × 10 + 4 × 10 = 240 Am × 18 mV = 4.32 V
    public void A_row_loses_with_all_that_is_behind_each_leg()
    {
        var flows = RingDrop.InRow(Drawn(4, 4, 4));
        Assert.Equal([12m, 8m, 4m], flows.Select(f => f.Value));
        Assert.Equal(4.32m, decimal.Round(RingDrop.Most(Metres(10, 10, 10), flows, 18).Value, 2));
    }

    [Fact]
    public void A_ring_without_its_way_back_is_refused() =>
        Assert.Throws<ArgumentException>(() => RingDrop.Shared(Metres(10, 10), Drawn(1, 1)));

    [Fact] // Kirchhoff: what arrives at a point leaves it or is drawn there, and around the ring nothing is lost
    public void Every_ring_keeps_the_two_laws_of_a_circuit() =>
        Gen.Select(Gen.Int[1, 400].Array[3, 9], Gen.Int[0, 32].Array[8]).Sample((legs, currents) =>
        {
            var (along, drawn) = (Metres(legs), Drawn([.. currents.Take(legs.Length - 1)]));
            var flows = RingDrop.Shared(along, drawn);
            for (var i = 0; i < drawn.Length; i++)
            {
                Assert.Equal(drawn[i].Value, decimal.Round(flows[i].Value - flows[i + 1].Value, 6));
            }

            Assert.Equal(0, decimal.Round(flows.Select((f, i) => f.Value * along[i].Metres).Sum(), 6));
            // Fed from both ends it loses no more than cut open at either.
            Assert.True(RingDrop.Most(along, flows, 11).Value <= RingDrop.Most(along, RingDrop.InRow(drawn), 11).Value + 0.000001m);
        });
}
