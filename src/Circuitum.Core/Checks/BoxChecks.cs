using Circuitum.Core.Changes;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Reasons;
using Circuitum.Core.Routing;
using Circuitum.Core.Rules;
using Circuitum.Core.Tags;
using Circuitum.Core.Units;
using Circuitum.Core.Wiring;

namespace Circuitum.Core.Checks;

/// <summary>Tags on boxes: spacing, openings, lighting outlets, fill.</summary>
internal static class BoxChecks
{
    private static readonly Length BoxHalf = Length.FromInches(1.25m);

    public static IEnumerable<Tag> Check(Checked plan) => Missing(plan).Concat(InOpenings(plan)).Concat(InKeptBays(plan))
        .Concat(IslandsLater(plan)).Concat(ThreeWays(plan)).Concat(OutOfOrder(plan)).Concat(ClosetChecks.Check(plan))
        .Concat(InStairOpenings(plan)).Concat(HighSwitches(plan)).Concat(Armoured(plan)).Concat(Fill(plan));

    // What rules ask for and is missing: the same list that laying out by rule works off.
    private static IEnumerable<Tag> Missing(Checked plan) => Owing.Find(new Draft(plan.Job, plan.House, plan.Book))
        .Select(o => new Tag(o.Severity, Stage.Boxes, o.On ?? Subject.Room(o.Room), o.Cite, o.Headline, o.Arithmetic)
        {
            Fixes = [new Fix(o.Act, new PlaceOwed(o.Room, o.Cite, o.Part))],
        });

    private static IEnumerable<Tag> InOpenings(Checked plan)
    {
        foreach (var box in plan.Survey.Boxes.Where(b => b.Box.Mount == Mount.Wall))
        {
            var side = box.Room.Sides[box.Box.Wall - 1];
            foreach (var opening in side.Openings.Where(o => box.Box.Offset + BoxHalf > o.From && box.Box.Offset - BoxHalf < o.To))
            {
                var sill = opening.Opening.Kind == OpeningKind.Window ? opening.Opening.Sill : Length.Zero;
                if (box.Height + Length.FromInches(4) > sill && box.Height < WallOpening.Head)
                {
                    yield return new(Severity.Red, Stage.Boxes, Subject.Box(box.Box.Id), "framing",
                        $"{box.Name} stands in a {Words.Of(opening.Opening.Kind)}.",
                        $"The opening runs from {opening.From} to {opening.To}; the box is at {box.Box.Offset}, {box.Height} up. Move it "
                            + $"clear of the jamb.");
                }
            }
        }
    }

    // The grip at its highest; what shuts off a machine is beside it, at whatever height that is (404.8(A) exception 2).
    private static IEnumerable<Tag> HighSwitches(Checked plan) => plan.Survey.Boxes
        .Where(b => b.Box.Mount == Mount.Wall && b.Box.Devices.Any(d => d.Kind.IsSwitch() && d.Kind != DeviceKind.Disconnect)
            && b.Height + BoxSpace.Contacts > plan.Book.Service.HighestHandle.Length)
        .Select(b => new Tag(Severity.Red, Stage.Boxes, Subject.Box(b.Box.Id), plan.Book.Cite(RuleId.SwitchHeight),
            $"{b.Name} is too high to reach.", $"Its grip is {b.Height + BoxSpace.Contacts} up, at most "
                + $"{plan.Book.Service.HighestHandle}. Lower it."));

    // A hole that is drawn has no ceiling; a stair drawn upstairs may have a landing beside its opening.
    private static IEnumerable<Tag> InStairOpenings(Checked plan)
    {
        foreach (var box in plan.Survey.Boxes.Where(b => b.Box.Mount == Mount.Ceiling))
        {
            var (place, at) = (box.Place, box.Place.At.Plan);
            var level = plan.House.Structures[place.Structure].Levels[place.Level];
            if (level.Level.Obstructions.FirstOrDefault(o => o.Kind == ObstructionKind.StairOpening && at.X > o.Corner.X
                && at.X < o.Corner.X + o.Width && at.Y > o.Corner.Y && at.Y < o.Corner.Y + o.Depth) is { } hole)
            {
                yield return new(Severity.Red, Stage.Boxes, Subject.Box(box.Box.Id), "framing",
                    $"{box.Name} hangs in {hole.Name}, where no ceiling is.",
                    "Move it beside the opening, to a wall, or to the ceiling at the top of the stair.");
            }
            else if (Stairs.Over(plan.House, place.Structure, place.Level, at) is { } stair)
            {
                yield return new(Severity.Amber, Stage.Boxes, Subject.Box(box.Box.Id), "framing",
                    $"{box.Name} hangs under {stair.Room.Name} of {plan.House.LevelOf(stair.Room.Id).Level.Name}: there may be no ceiling.",
                    "Under a stair's own opening nothing can be nailed; under its landing it can. Move it to a wall, or to the ceiling at "
                        + "the top of the stair.");
            }
        }
    }

    // Another trade's bay holds no box, nor the cable that would go up or down it.
    private static IEnumerable<Tag> InKeptBays(Checked plan)
    {
        foreach (var box in plan.Survey.Boxes.Where(b => b.Place.Wall is not null))
        {
            var wall = plan.House.Structures[box.Place.Structure].Levels[box.Place.Level].Walls[box.Place.Wall!.Value];
            foreach (var kept in wall.Reserved.Where(r => box.Place.Along > r.From - BoxHalf && box.Place.Along < r.To + BoxHalf))
            {
                yield return new(Severity.Amber, Stage.Boxes, Subject.Box(box.Box.Id), "kept bays",
                    $"{box.Name} stands in the bays kept for {kept.Reservation.For}.",
                    $"They are kept from {kept.Reservation.Offset}, {kept.Reservation.Width} wide. Move the box, or ask the other trade.");
            }
        }
    }

    // 210.52(C)(2) of 2023: an island without a receptacle has a way for wiring one later.
    private static IEnumerable<Tag> IslandsLater(Checked plan) => !plan.Book.Outlets.ProvidesForIslands ? []
        : plan.House.Rooms.Where(r => CounterSpaces.Covers(r.Room.Use)).SelectMany(r => r.Room.Fixtures
            .Where(f => f.Kind is FixtureKind.Island or FixtureKind.Peninsula
                && !plan.Survey.Boxes.Any(b => b.Room == r && b.HasGeneralReceptacle
                    && CounterOutlets.Serves(r, f, b.Box, b.Place.At.Plan)))
            .Select(f => new Tag(Severity.Amber, Stage.Boxes, Subject.Room(r.Room.Id), plan.Book.Cite(RuleId.ProvisionAtIsland),
                $"{r.Room.Name}: the {Words.Of(f.Kind)} has no receptacle: leave a way for one later.",
                "None is asked by this edition, but a way for wiring one is: a box with a blank cover, or an empty pipe to below the "
                    + "floor.")));

    // 406.9(C): receptacles stand out of the 3 ft beside a tub or shower.
    private static IEnumerable<Tag> ThreeWays(Checked plan)
    {
        var groups = new Dictionary<BoxId, List<(PlacedBox Box, DeviceKind Kind)>>();
        foreach (var (box, device) in plan.Survey.Boxes.SelectMany(b => b.Box.Devices.Select(d => (b, d)))
            .Where(x => Switching.IsPlace(x.d.Kind) && x.d.Controls.Length > 0))
        {
            var lamp = device.Controls.MinBy(c => c.Value, StringComparer.Ordinal);
            if (!groups.TryGetValue(lamp, out var list))
            {
                groups[lamp] = list = [];
            }

            list.Add((box, device.Kind));
        }

        foreach (var (lamp, switches) in groups.OrderBy(g => g.Key.Value, StringComparer.Ordinal))
        {
            // One dimmer of a set is a three-way that dims.
            var threeWays = switches.Count(s => s.Kind == DeviceKind.ThreeWay)
                + (switches.Count > 1 ? Math.Min(1, switches.Count(s => s.Kind == DeviceKind.Dimmer)) : 0);
            var wanted = switches.Count == 1 ? 0 : 2;
            if (threeWays != wanted || switches.Count(s => s.Kind == DeviceKind.FourWay) != Math.Max(0, switches.Count - 2))
            {
                yield return new(Severity.Amber, Stage.Boxes, Subject.Box(switches[0].Box.Box.Id), "switching",
                    $"The switches of {plan.Survey[lamp].Name} do not make a set.",
                    $"{switches.Count} places need {wanted} three-way and {Math.Max(0, switches.Count - 2)} four-way switches; there are "
                        + $"{threeWays} three-way and {switches.Count(s => s.Kind == DeviceKind.FourWay)} four-way.");
            }
        }
    }

    // Kinds that would make a set, wired so that they do not: a fan's control keeps its box last, and that box has the four-way.
    private static IEnumerable<Tag> OutOfOrder(Checked plan)
    {
        foreach (var group in plan.Circuits.SelectMany(c => c.Groups).Where(g => g.Switches.Length > 1))
        {
            DeviceKind KindOf(SwitchGang place) => plan.Survey[place.Box].Box.Devices[place.Gang].Kind;
            var kinds = group.Switches.Select(KindOf).ToList();
            if (Switching.IsSet(kinds) || kinds.Count(k => k == DeviceKind.FourWay) != kinds.Count - 2)
            {
                continue;
            }

            var last = group.Switches[^1];
            var wrong = kinds[^1] == DeviceKind.FourWay ? last : group.Switches[0];
            var end = group.Switches.Skip(1).SkipLast(1).FirstOrDefault(s => KindOf(s) != DeviceKind.FourWay, last);
            yield return new(Severity.Red, Stage.Boxes, Subject.Box(wrong.Box), "switching",
                $"The switches of {plan.Survey[group.Lamps[0]].Name} cannot work as they are wired.",
                $"{plan.Survey[wrong.Box].Name} is at an end of the set and is a four-way: it must be a three-way, and "
                    + $"{plan.Survey[end.Box].Name} between the others the four-way.")
            {
                Fixes = [new("Let them change their kinds", new SwapSwitches(wrong.Box, wrong.Gang, end.Box, end.Gang))],
            };
        }
    }

    // A box of plastic bonds no armor: its exceptions ask for means between all entries, which no usual one has.
    private static IEnumerable<Tag> Armoured(Checked plan) => !plan.Book.Has(RuleId.MetalBoxes) ? []
        : plan.Circuits.SelectMany(c => c.Boxes).Where(b => !b.Value.Make.IsMetal()
            && b.Value.In.Concat(b.Value.Out).Any(r => r.Jacket == Jacket.Armoured)).OrderBy(b => b.Key.Value, StringComparer.Ordinal)
            .Select(b => new Tag(Severity.Red, Stage.Boxes, Subject.Box(b.Key), plan.Book.Cite(RuleId.MetalBoxes),
                $"Armored cable enters {plan.Survey[b.Key].Name}, a box of plastic.",
                "The armor of one cable must be bonded to the next, which a metal box does.")
            {
                Fixes = [new("Take a metal box", new SetBoxMake(b.Key, BoxMake.Square))],
            });

    private static IEnumerable<Tag> Fill(Checked plan)
    {
        foreach (var (id, wired) in plan.Circuits.SelectMany(c => c.Boxes).OrderBy(b => b.Key.Value, StringComparer.Ordinal))
        {
            var name = plan.Survey[id].Name;
            if (wired.Given is null)
            {
                yield return new(Severity.Red, Stage.Boxes, Subject.Box(id), plan.Book.Cite(RuleId.BoxFill),
                    $"{name}: no usual box of this size holds what enters.",
                    $"{wired.Volume.Value} needed. Use one gang more, or take a cable to another box.")
                {
                    Fixes = [.. Roomier(plan, id, wired)]
                };
            }
            else if (wired.Volume.Value > wired.Given.Value)
            {
                yield return new(Severity.Red, Stage.Boxes, Subject.Box(id), plan.Book.Cite(RuleId.BoxFill), $"{name} is overfull.",
                    $"{wired.Volume.Value} needed, {wired.Given} stamped. Use a deeper box.")
                { Fixes = [.. Roomier(plan, id, wired)] };
            }
        }
    }

    // A deeper box of the same gangs, one of a gang more, or one cable less where the box feeds two ways.
    private static IEnumerable<Fix> Roomier(Checked plan, BoxId id, WiredBox wired)
    {
        var gangs = wired.Gangs;
        if (UsualBoxes.Taken(wired.Make, gangs, wired.Volume.Value) is { } deeper)
        {
            yield return new($"Take a box of {UsualBoxes.Words(deeper)}", new SetVolume(id, deeper));
        }

        if (gangs > 0 && UsualBoxes.Smallest(wired.Make, gangs + 1, wired.Volume.Value) is { } wider)
        {
            yield return new($"Take a {gangs + 1}-gang box of {wider}, one place blank", new SetVolume(id, wider));
        }

        if (!wired.Make.IsMetal() && UsualBoxes.Taken(BoxMake.Square, gangs, wired.Volume.Value) is { } metal)
        {
            yield return new($"Take a metal box of {UsualBoxes.Words(metal)}", new SetBoxMake(id, BoxMake.Square));
        }

        if (wired.Branches && plan.Job.Schools.Branches != FeedBranches.Never)
        {
            yield return new("Feed every box one in, one out", new SetSchools(plan.Job.Schools with { Branches = FeedBranches.Never }));
        }
    }
}
