using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Proving;
using Circuitum.Core.Wiring;

namespace Circuitum.Core.Training;

/// <summary>The exercises, in the order of the trade: read, make up, land, test, find.</summary>
public static class Exercises
{
    private const string Dead = "In a house: breaker off and locked, then prove it dead with a tester that you proved on a live source.";
    private const string OffFirst = "In a house: open the panel's main first. The lugs ahead of it stay live: this is licensed work.";
    private const string Looking = "In a house: a look in the room harms nobody; a box is opened with its breaker off.";

    /// <summary>All of them.</summary>
    public static ImmutableArray<Exercise> All { get; } =
    [
        new PressExercise("read-first", "Read the plan: where the home run lands", PracticeHouses.Bedroom(5),
            "The home run of the bedroom comes from the panel to one outlet first. Press it.", Looking,
            ["The dashed lines are the cables. One of them comes from the panel.",
                "The crew feeds the box nearest to the panel first."])
        { Stands = HouseState.AsPlanned, IsRight = (house, box) => house.Plan.CircuitOf(box)?.HomeRun?.To.Box == box },
        new PressExercise("read-last", "Read the plan: the end of the run", PracticeHouses.Bedroom(6),
            "One outlet has a single cable in its box, marked END. Press it.", Looking,
            ["Go along the cables from the panel, and on until none leads further."])
        { Stands = HouseState.AsPlanned, IsRight = (house, box) => house.Plan.CircuitOf(box)?.Boxes[box].IsEnd == true },
        new PressExercise("reset", "Which button brings it back", PracticeHouses.Bath,
            "Both outlets of the bath are dead, and the breaker is closed. Press the outlet whose RESET you would push.", Looking,
            ["An outlet without buttons can hang on one that has them.", "The one that the feed reaches first protects what follows."])
        {
            Stands = HouseState.AsPlanned with { Tripped = [new("a")] },
            IsRight = (house, box) => house.Plan.CircuitOf(box)?.Devices.ContainsKey(box) == true,
        },
        MakeUp("receptacle-end", "Make up the last receptacle", PracticeHouses.Bedroom(2), "r2",
            "One cable comes into this box. Join each conductor to its screw, and switch on.",
            ["Bare to green first, then white to silver, then black to brass."]),
        MakeUp("receptacle-middle", "Make up a receptacle in the middle of a run", PracticeHouses.Bedroom(3), "r1",
            "The feed comes in, and a cable goes on to the next outlets. All of them must work.",
            ["Every joint holds three: what comes, what goes on, and the screw.", "Grounds with grounds, whites with whites."]),
        MakeUp("gfci", "Make up a protective receptacle with its load", PracticeHouses.Bath, "a",
            "The far outlet must go dead when TEST is pressed here. Find which cable is the LINE.",
            ["The cable from the panel's side is the LINE: brass and silver.", "The cable that goes on is the LOAD, black and white both.",
                "Grounds are not part of LINE and LOAD: they stay together."]),
        MakeUp("switch", "Make up a switch that the feed reaches first", PracticeHouses.Lamp(LightingFeed.SwitchFirst), "s",
            "The feed comes to the switch, and a cable goes to the lamp. Off, nothing at the lamp may be live.",
            ["A switch breaks the hot and nothing else.", "The white passes through the box without touching the switch."]),
        MakeUp("switch-loop", "Make up a lamp that feeds its switch", PracticeHouses.Lamp(LightingFeed.LightFirst), "l",
            "The feed comes to the lamp. A cable with black, red and white goes to the switch: the black takes the hot there, the red "
            + "brings it back.",
            ["The red that comes back goes to the lamp's black lead.", "The feed's black never touches the lamp."]),
        MakeUp("three-way", "Make up the last of two three-way switches", PracticeHouses.Hall(between: false), "t",
            "Two travelers come from the first switch; the lamp's cable leaves from here. Each switch must work the lamp, whatever the "
            + "other stands at.",
            ["The dark screw is the common: here it gives to the lamp.", "Which traveler is on which of its screws does not matter."]),
        MakeUp("four-way", "Make up the four-way between", PracticeHouses.Hall(between: true), "m",
            "Travelers come from the first switch and go on to the last. Three switches work one lamp.",
            ["One pair comes in, the other goes out; the switch crosses them.", "White and bare pass through."]),
        MakeUp("fan-and-light", "Make up two switches for a fan and its light", PracticeHouses.Fan, "s",
            "One cable to the fan holds two hots: one for the light, one for the motor. Each switch works its own.",
            ["Both switches take their feed from the one black that comes in.", "The black of the fan's cable is the light's, the red the "
                + "motor's."]),
        MakeUp("water-heater", "Make up a water heater across both legs", PracticeHouses.WaterHeater, "it",
            "There is no neutral: the white is the second hot, and is marked black at both ends.",
            ["Both hots go to the heater, one to each of its hot leads."]),
        new ChooseExercise("box-fill", "Size a box", PracticeHouses.Hall(between: true),
            "Count what is in the box and say what it needs at least.", Dead,
            ["Every conductor that ends or is spliced counts once, by its gauge.", "All grounds together count once, up to four.",
                "A device counts twice, by the largest conductor on it."])
        { Ask = Questions.BoxFill },
        new LandExercise("land", "Land a breaker", PracticeHouses.Bedroom(3),
            "The home run of the bedroom stands in the panel, stripped. Say where each conductor goes, and close the breaker.", OffFirst,
            ["The hot is what the breaker opens.", "The bare goes where grounds go."])
        { Panel = new("A"), Beyond = new("r1") },
        new LandExercise("land-two-pole", "Land a breaker of two poles", PracticeHouses.WaterHeater,
            "The cable of the water heater has no neutral. Land it.", OffFirst,
            ["One hot to each pole: on one pole both would be the same leg, with nothing between them."])
        { Panel = new("A"), Beyond = new("it") },
        new LandExercise("subpanel", "A subpanel's bars stay apart", PracticeHouses.Shed,
            "The feeder has come into panel G in the shed. Land it, and say whether the bonding screw goes in.", OffFirst,
            ["Neutral and ground are joined in one place: where the service comes in.",
                "With the screw in, the feeder's ground carries its share of the neutral's current."])
        { Panel = new("G"), Beyond = new("w"), HasScrew = true },
        new ChooseExercise("tester", "Read a plug-in tester", PracticeHouses.Bedroom(3),
            "Say what may be wrong.",
            "In a house: a tester sees no ground that is tied to the neutral, and tells nothing of how good it is.",
            ["Hot to neutral and hot to ground lit is what it should be.", "A lamp that is dark has nothing across it: which of its two "
                + "conductors is missing from both dark lamps?"])
        { Ask = Questions.Tester },
        new ChooseExercise("what-trips", "What opens, and when", PracticeHouses.Bedroom(4),
            "Add up the current and say what the breaker does.", "In a house: a breaker that opens is doing its work; find out why.",
            ["Amperes are volt-amperes by volts.", "Up to its rating it holds for good.",
                "A little above it takes minutes to hours; ten times above it opens at once."])
        { Ask = Questions.WhatTrips },
        Find(5),
        Find(4),
        Find(3),
    ];

    /// <summary>One by its id; null where there is none.</summary>
    public static Exercise? Find(string id) => All.FirstOrDefault(e => e.Id == id);

    private static MakeUpExercise MakeUp(string id, string title, Job house, string box, string task, ImmutableArray<string> hints) =>
        new(id, title, house, task, Dead, hints) { Box = new(box) };

    private static FindExercise Find(int looks) => new($"find-{looks}", $"Find the nail in {looks} looks",
        PracticeHouses.Bedroom(Outlets),
        $"A nail has parted one conductor of one cable between {Outlets} outlets. Look where it tells most, and name the cable in "
        + $"{looks} looks.", Looking,
        ["Begin in the middle: what is found there tells which half is wrong.", "A dead outlet has no hot or no neutral; a tester tells "
            + "which, and sees a lost ground as well.", "The nail is between the last outlet that is well and the first that is not."])
    { Looks = looks };

    // Halved three times over, eight outlets come down to one cable.
    private const int Outlets = 8;
}
