using System.Collections.Immutable;
using System.Globalization;
using Circuitum.Core.Units;

namespace Circuitum.Core.Boards;

/// <summary>A line of what is bought for boards.</summary>
/// <param name="Group">Board, conduit, conductors, points.</param>
/// <param name="Item">As it is asked for.</param>
/// <param name="Quantity">How many; meters rounded up.</param>
/// <param name="Unit">pcs or m.</param>
public sealed record BoardMaterialLine(string Group, string Item, int Quantity, string Unit);

/// <summary>What is bought for a plan of boards: conduit and singles by the meter and the color, devices, boxes.</summary>
public static class BoardMaterial
{
    // IEC 60445: the phases, the neutral, the protective conductor.
    private static readonly string[] Phases = ["brown", "black", "gray"];
    private const string Neutral = "blue";
    private const string Protective = "green-yellow";

    // At each end of a leg, to be joined.
    private static readonly Length AtEnd = Length.FromMetres(.3m);

    /// <summary>Every line, in the order in which a counter is asked.</summary>
    public static ImmutableArray<BoardMaterialLine> Of(BoardPlan plan) =>
        [.. Devices(plan), .. Conduit(plan), .. Singles(plan), .. Points(plan)];

    private static IEnumerable<BoardMaterialLine> Devices(BoardPlan plan)
    {
        var whole = plan.WholePoles;
        IEnumerable<string> items =
        [
            .. plan.SubMain is { } main ? [$"sub-main board with incomer {main.Incomer.Value}, {whole} poles",
                .. plan.Boards.Select(b => $"breaker {b.Feeder!.Breaker.Value}, {(plan.Brief.Fed.ThreePhase ? 3 : 1)} poles, for a board")]
                : Array.Empty<string>(),
            .. plan.Boards.SelectMany(b => new[] { $"board of {b.Holds} ways with two sections or more{(plan.Brief.Fed.BoardOutdoors
                ? ", IP55" : "")}", $"incomer {b.Incomer.Value}, {whole} poles" }),
            .. plan.Boards.SelectMany(b => b.Sections)
                .Select(s => $"residual-current device {s.Rating.Value}, {s.Milliamps} mA, {whole} poles"),
            .. plan.Boards.SelectMany(b => b.Ways)
                .Select(w => $"breaker {w.Sized.Rated.Curve}{w.Sized.Rating.Figure}, {Poles(w.Sized.Rated.Poles)}"),
        ];
        return Counted("board", items);
    }

    private static IEnumerable<BoardMaterialLine> Conduit(BoardPlan plan)
    {
        // Where circuits share a conduit, its length is bought once for all of them.
        var pieces = plan.Boards.SelectMany(b => b.Ways).Where(w => w.Sized.Conduit is not null)
            .Select(w => (Size: w.Sized.Conduit!.Value, Metres: w.Circuit.WithDrops.Metres / plan.Brief.Fed.Together))
            .Concat(plan.Boards.Where(b => b.Feeder?.Conduit is not null)
                .Select(b => (Size: b.Feeder!.Conduit!.Value, b.Feeder.Length.Metres)));
        var boxes = plan.Boards.SelectMany(b => b.Ways).Sum(w => w.Sized.DrawBoxes);
        return pieces.GroupBy(p => p.Size).OrderBy(g => g.Key)
            .Select(g => new BoardMaterialLine("conduit", $"PVC conduit {g.Key} mm", (int)Math.Ceiling(g.Sum(p => p.Metres)), "m"))
            .Concat(Counted("conduit", Enumerable.Repeat("box to draw in from, with lid",
                (boxes + plan.Brief.Fed.Together - 1) / plan.Brief.Fed.Together)));
    }

    private static IEnumerable<BoardMaterialLine> Singles(BoardPlan plan)
    {
        var pieces = new List<(SquareMillimetres Size, string Color, decimal Metres)>();
        void Add(int phase, SquareMillimetres size, SquareMillimetres earth, Length along, int legs)
        {
            var metres = (along + (AtEnd * (2 * legs))).Metres;
            pieces.AddRange((phase == 0 ? Phases : [Phases[phase - 1]]).Append(Neutral).Select(c => (size, c, metres)));
            pieces.Add((earth, Protective, metres));
        }

        foreach (var board in plan.Boards)
        {
            if (board.Feeder is { } feeder)
            {
                Add(plan.Brief.Fed.ThreePhase ? 0 : 1, feeder.Size.Value, feeder.Earth, feeder.Length, 1);
            }

            foreach (var way in board.Ways)
            {
                Add(way.Phase, way.Sized.Size.Value, way.Sized.Earth, way.Circuit.Conduit, way.Circuit.Legs.Length);
                foreach (var drop in way.Circuit.Drops)
                {
                    var along = (drop.Long + (AtEnd * 2)).Metres;
                    pieces.Add((way.Sized.Size.Value, Phases[Math.Max(way.Phase, 1) - 1], along * drop.Wires));
                    pieces.Add((way.Sized.Earth, Protective, along));
                }
            }
        }

        return pieces.GroupBy(p => (p.Size, p.Color)).OrderBy(g => g.Key.Size).ThenBy(g => g.Key.Color, StringComparer.Ordinal)
            .Select(g => new BoardMaterialLine("conductors", $"single {g.Key.Size} {g.Key.Color}", (int)Math.Ceiling(g.Sum(p => p.Metres)),
                "m"));
    }

    private static IEnumerable<BoardMaterialLine> Points(BoardPlan plan) =>
        Counted("points", [.. OfRooms(plan), .. plan.Brief.Switches.Select(s => $"switch of {s.Gangs.Length} "
            + $"gang{(s.Gangs.Length == 1 ? "" : "s")}{(s.TwoWay > 0 ? $", {s.TwoWay} two-way" : "")}, with its box")]);

    private static IEnumerable<string> OfRooms(BoardPlan plan) =>
        plan.Brief.Rooms.SelectMany(r => r.Points.Select(p => p.Kind switch
        {
            PointKind.Socket or PointKind.TwinSocket or PointKind.Socket15 => $"{p.Name} with its box{(r.Outdoors ? ", IP55" : "")}",
            PointKind.Lamp or PointKind.Led or PointKind.Strip or PointKind.Chandelier =>
                $"box for a {p.Name}{(r.Outdoors ? ", IP55" : "")}",
            _ => $"outlet with isolator for a {p.Name}{(r.Outdoors ? ", IP55" : "")}",
        }));

    private static IEnumerable<BoardMaterialLine> Counted(string group, IEnumerable<string> items) =>
        items.GroupBy(i => i).Select(g => new BoardMaterialLine(group, g.Key, g.Count(), "pcs"));

    private static string Poles(int poles) => poles == 1 ? "1 pole" : poles.ToString(CultureInfo.InvariantCulture) + " poles";
}
