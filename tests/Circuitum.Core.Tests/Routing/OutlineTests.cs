using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Routing;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>Nothing leaves the building: over houses of every outline, cable in a floor or an attic lies over some room at every inch of
/// its way. Worked out with the rooms' corners alone.</summary>
public sealed class OutlineTests
{
    // Rooms on a grid of uneven lines, grown from one cell: L, T, U, Z, courtyards, slots that are open to one side.
    private static Job ByLot(int number)
    {
        var draw = new Draw((uint)number + 500);
        var xs = Lines(draw);
        var ys = Lines(draw);
        var cells = new List<(int X, int Y)> { (draw.Below(4), draw.Below(4)) };
        while (cells.Count < 8)
        {
            var (x, y) = cells[draw.Below(cells.Count)];
            var next = draw.Below(4) switch { 0 => (x + 1, y), 1 => (x - 1, y), 2 => (x, y + 1), _ => (x, y - 1) };
            if (next.Item1 is >= 0 and < 4 && next.Item2 is >= 0 and < 4 && !cells.Contains(next))
            {
                cells.Add(next);
            }
        }

        return Ring(xs, ys, cells, number);
    }

    private static Job Ring(int[] xs, int[] ys, List<(int X, int Y)> cells, int number)
    {
        var rooms = cells.Select((c, i) => Houses.Rectangle($"r{i}", i == 0 ? RoomUse.Utility : i % 2 == 0 ? RoomUse.Bedroom : RoomUse.Den,
            Length.FromFeet(xs[c.X]), Length.FromFeet(ys[c.Y]), Length.FromFeet(xs[c.X + 1] - xs[c.X]), Length.FromFeet(ys[c.Y + 1]
                - ys[c.Y])));
        var job = Houses.House([.. rooms]) with { Panels = [Houses.Panel("r0")], Schools = CrewSchools.Number(number) };
        return LayOut.Everything.On(job) is { Job: { } done } ? done
            : throw new InvalidOperationException($"{number}: {LayOut.Everything.On(job).Refusal}");
    }

    private static int[] Lines(Draw draw)
    {
        var lines = new int[5];
        for (var i = 1; i < 5; i++)
        {
            lines[i] = lines[i - 1] + 6 + draw.Below(9);
        }

        return lines;
    }

    private static void StaysInside(Job job)
    {
        var plan = Planner.Plan(job);
        foreach (var run in plan.Circuits.SelectMany(c => c.Runs))
        {
            foreach (var leg in run.Way.Legs.Where(l => l.Space is Space.Joists or Space.Attic))
            {
                var steps = Math.Max(1, (int)leg.From.StraightTo(leg.To).Inches);
                for (var i = 0; i <= steps; i++)
                {
                    decimal x = leg.From.X.Inches + ((leg.To.X - leg.From.X).Inches * i / steps),
                        y = leg.From.Y.Inches + ((leg.To.Y - leg.From.Y).Inches * i / steps);
                    Assert.True(job.Rooms.Any(r => x >= r.Corners.Min(c => c.X.Inches) - .1m && x <= r.Corners.Max(c => c.X.Inches) + .1m
                        && y >= r.Corners.Min(c => c.Y.Inches) - .1m && y <= r.Corners.Max(c => c.Y.Inches) + .1m),
                        $"{run.Id} is in open air at {x / 12:0.0}, {y / 12:0.0} ft");
                }
            }
        }
    }

    [Fact]
    public void Nothing_leaves_a_house_of_any_outline() => Assert.All(Enumerable.Range(1, 60), number => StaysInside(ByLot(number)));

    [Fact] // eight rooms round a yard, and a slot that is open to the south: its side walls end on one line
    public void Nothing_crosses_a_courtyard_or_a_slot()
    {
        int[] lines = [0, 12, 16, 28];
        StaysInside(Ring(lines, lines, [(0, 0), (1, 0), (2, 0), (0, 1), (2, 1), (0, 2), (1, 2), (2, 2)], 1));
        StaysInside(Ring(lines, lines, [(0, 0), (1, 0), (2, 0), (0, 1), (2, 1), (0, 2), (2, 2)], 1));
        StaysInside(Ring(lines, lines, [(0, 0), (1, 1), (1, 0), (1, 2), (2, 2)], 1));
    }
}
