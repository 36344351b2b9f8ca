using System.Collections.Immutable;
using Circuitum.Core.Lines;

namespace Circuitum.Web.Help;

/// <summary>All pages of help, in the order a job goes through the stages.</summary>
public static class HelpPages
{
    /// <summary>The pages.</summary>
    public static ImmutableArray<HelpTopic> All { get; } =
    [
        new("house", "House", "Draw what is framed: levels, rooms by their inside sizes, doors, windows, what stands in each room, and "
            + "where the panel hangs.", "house.png",
            [
                "Say a room in the line above the plan, or press R and draw it corner to corner. Walls follow from rooms; you never "
                    + "draw one.",
                "An inside size that was typed stays. What cannot stay is told by its room and by how much.",
                "“Set the doors” sets those a floor has not; “Furnish it” puts in what a room of its use has. Both are one undo.",
                "Choose a wall, a door, a fixture on the plan or in the list; its card has every number. Press again where several things "
                    + "lie on top of each other: each press takes the next.",
                "Framing of a level (kind of joists, spacing, what is above and below) is on the level’s card: press its name in the list.",
                "A DXF or SVG drawing can be laid underneath from the level’s card.",
            ],
            []),
        new("boxes", "Boxes", "Set what goes where: receptacles, switches, lights, alarms, equipment, and low voltage.", "boxes.png",
            [
                "“Lay out the whole job by rule” sets what the code asks for and is not there. What you set or moved stays.",
                "Press a letter (see Keys), then a wall or a room, to set one more. Arrows nudge it an inch, with Shift a stud bay.",
                "A box’s card holds its devices, its height, its gangs and the nameplate of what it feeds. A load is typed as VA, kW or A.",
                "Red tags break the code, amber ones want a look, blue ones are holds. A tag’s button does what it says.",
            ],
            []),
        new("circuits", "Circuits", "Which boxes share a breaker: divided at once as boxes are set, and yours to change.", "circuits.png",
            [
                "Choose a circuit: its load, breaker, conductor and protection each say why, with the section.",
                "Drag a box onto another circuit, or press M; what it does to load, feet and darkness is shown before you let go.",
                "Space opens the breaker: the plan shows what goes dark and what stays alight in each room.",
                "“Find a better division” searches on, and says how far the best can be from the proven bound.",
            ],
            []),
        new("runs", "Runs", "How each cable gets there: through which members, how many feet, and what lies beside it.", "runs.png",
            [
                "Choose a run: its ring on the plan can be dragged where the cable must pass.",
                "Material counts what the ways need, as a counter reads it; the pull list and the labels come from the same runs.",
                "Feet are told as cut: with what the crew leaves at each end, in the crew’s measure.",
            ],
            []),
        new("panel", "Panel", "Where each breaker lands, what the service carries, and the sheet for the door.", "panel.png",
            [
                "Drag a breaker to another space: what gives way, and what it does to the legs, is shown first.",
                "Write the numbers once they stand on studs and cables; after that nothing moves by itself.",
                "“Print, compare, find” prints the door sheet and the home runs, and tells what changed since a sheet that hangs there.",
            ],
            []),
        new("site", "Site", "What is pulled, labeled, made up, landed and tested, on a phone held in a crawl space.", "site-phone.png",
            [
                "Pull lists the runs in the order your crew works. Press Pulled when a cable lies; press again to take it back.",
                "Without signal everything you press is kept on the phone, with its own time, and sent when the server answers.",
                "What is pulled stays where it lies when the plan changes, and a landed breaker keeps its space. Where a rule or a "
                    + "larger breaker asks for other, the top of the page says what comes out and what is pulled again.",
                "Walk goes through the house before it is covered: press seen, or write down what is wrong and who mends it.",
                "Say on the walk when walls close: what is not ready turns amber as the day comes. Lines of your own go with the crew’s "
                    + "house rules to the next job.",
                "Take photographs of open walls on the walk; the card of the wall, box or cable shows them years later.",
                "Reels: set down what stands in the van. Each run that is ticked comes off its reel; the pull list says when one has "
                    + "not so much left, and Reels what to order, with prices, for tomorrow or for all.",
                "Test keeps what a tester’s lamps and a meter showed at every outlet and panel, and says where to look when it is wrong.",
                "Measured keeps what a run really used; Done compares it with the plan, by kind of run.",
            ],
            []),
        new("prove", "Prove", "The house switched on before it is wired: what is lit, what opens, and where a fault is.", "prove.png",
            [
                "Press a switch on the plan and see its lamps; press an outlet and read its volts, with a tester’s three lamps.",
                "Plug things in: the breaker says what goes through it, and opens when and as a typical one would.",
                "Place a fault (a nail, a joint left out, hot and neutral turned) and see what a crew would find.",
                "“Find it” takes what you saw on site, names every single fault of the circuit that explains it, and says where to look "
                    + "next: what tells most for the least effort.",
                "A short opens the breaker and no outlet tells where it is: with the breaker off, cables are taken out of their joints "
                    + "one by one, and ohms from both ends say where along the cable. What was found is kept in the record of the circuit.",
                "“Measure” holds a meter, a two-pole tester, a pen or a tone to any two wires of the box you look at.",
                "“Before board” is the shortest walk of readings that shows every fault a reading can show, to print and tick: on a "
                    + "temporary supply, or with nothing live.",
                "“Try all” switches every circuit on in every position of its switches and says what is not as it should be.",
                "“What would a larger breaker do?” shows how warm the wire becomes, and whether a short is cleared in time.",
                "“Hide one by chance” is practice: each look costs, as it does on site.",
                "The address holds the whole state: send it to whoever stands at the panel.",
            ],
            []),
        new("learn", "Practice", "Exercises in the order of the trade, each in a small house that is switched on.", "practice.png",
            [
                "Make up a box: press a conductor, then what it is joined with, or drag the one onto the other; by keyboard Tab and Enter.",
                "“Switch on” tries every position of the switches, puts a tester and a heater in every outlet, presses TEST, and holds a "
                    + "meter to every green screw. What it says is what would happen.",
                "Harm is a short circuit, live metal, a hot that no switch breaks, an outlet that nothing protects.",
                "An exercise by lot has a number: whoever opens the same address has the same, so that two can race.",
                "What you finish is kept under the name that you gave on the list of jobs: steps, tries, harm and hints.",
                "“In a house of your own” hides a fault on a circuit of any job.",
            ],
            []),
        new("money", "Estimate and change orders", "What the job costs by your own price list, and what a change of it costs.", null,
            [
                "Bring in your price list as CSV; the one that ships is made up. What has no price is told, never left out in silence.",
                "“Write it down as an estimate” keeps lines, prices and terms under a number: what was signed is what is read again.",
                "A change order is against a revision, usually the one last put on paper. Cable that is pulled by the record on Site is "
                    + "not given back, and taking it out is work.",
            ],
            []),
        new("history", "History", "Who did what and when; nothing that was saved is ever lost.", null,
            [
                "The revision’s number at the head of the bench leads to it. Show what one person did, or what names a room or a circuit.",
                "“Compare” holds a revision against the newest: what is otherwise, which tags came and went.",
                "“Bring back” makes a new revision of an old one; undo takes that back like anything else.",
                "“Name it” marks a revision: permit set, as pulled.",
                "What another does comes in by itself. Two people in two rooms never wait for each other; only where both change the same "
                    + "part are you asked.",
            ],
            []),
        new("lines", "Saying it in a line", "The field above the plan on House takes what is read off a paper plan, one thing a line. "
            + "Sizes are inside, east to west first.", null,
            [
                "A bare number is feet in a room’s size, for a door or window to 20, for a thing to 12, and inches beyond.",
                "Lengths are typed as the trade types them: 12-6, 12' 6 1/2\", 150.5\", 3.2 m.",
                "Without a place a door or window stands in the middle of its wall; “at 4-0” is from the wall’s west or north end.",
                "Enter draws it, Shift-Enter begins the next line; a whole house may be pasted, all of it or nothing. The arrow up "
                    + "brings the last line back.",
            ],
            [.. HouseLine.Examples.Select(e => (e, "a line that is understood"))]),
        new("house-text", "A house as text", "“House as text” on the job sheet writes the whole house as lines that are read back "
            + "exactly: to keep beside other files, to compare two of them, to change in any editor, to start another job with.", null,
            [
                "Paste it into the field over the plan, or into a new job. What the text names stands as it says, under the same name; "
                    + "what it does not name stays, and so does what is in a room that has no line below it. Boxes stay where they "
                    + "stand on their walls.",
                "Rooms lie on the center lines of their walls, east and south of the building’s reference point. The size inside stands "
                    + "behind the #, to read only.",
                "A line with a dash belongs to the room above. A wall is named by its side, or “wall 5” where a room has several there, "
                    + "counted clockwise from the north-west; places are measured inside, from the wall’s west or north end.",
                "A name that could be taken for something else stands in quotation marks.",
                "Lines as they are said over the plan may stand among them; they are read last, on the level they follow.",
            ],
            HouseText.Examples),
        new("keys", "Keys", "Everything has a key; “?” shows them on any stage.", null, [],
            [
                ("1 to 7", "House, Boxes, Circuits, Runs, Panel, Site, Prove"),
                ("Arrows", "nudge what is selected an inch; with Shift a stud bay, 16 in"),
                ("[ and ]", "level below, level above"),
                ("D", "dimensions on and off"),
                ("+ − F", "nearer, farther, fit the plan"),
                (", and .", "fold the list, fold the card, away and back"),
                ("Z, Y", "undo, redo"),
                ("Del", "take out what is selected"),
                ("Enter", "set what the tool holds in the middle of the selected wall or room"),
                ("X or Shift-click", "pick several boxes; arrows move them all"),
                ("Space", "on Circuits: open the breaker"),
                ("M", "on Circuits: move the selected box to another circuit"),
                ("U", "lay out the selected room by rule"),
                ("E", "the list of everything else to set"),
                ("Tab, F", "while the mouse holds a thing over the plan: the other side of the wall, or a door the other way; a door’s "
                    + "hinges at the other jamb"),
                ("Esc", "let go of the tool, then of the selection"),
            ]),
        new("words", "Words", "What the sheets and cards mean by them.", null, [],
            [
                ("Home run", "the cable from the panel to the first box of a circuit"),
                ("Run", "one length of cable between two boxes, or from the panel to one"),
                ("Circuit", "all that one breaker feeds"),
                ("Leg", "one of the two hot sides of the service; a two-pole breaker is on both"),
                ("AFCI, GFCI", "protection against arcs, and against current that leaves by another way; a dual-function breaker is both"),
                ("LINE and LOAD", "where a protective device is fed, and what it protects beyond itself"),
                ("Multiwire", "two hots on opposite legs that share one neutral, on a breaker that opens both"),
                ("Ampacity", "what a conductor may carry in its place, after heat and neighbors are counted"),
                ("Volts lost", "what the cable takes on the way, told for the farthest outlet; advice, not a rule, in most places"),
                ("MCA, MOCP", "on a nameplate: the smallest ampacity of the conductor, the largest breaker"),
                ("Box fill", "cubic inches that conductors, clamps and devices take in a box, against what is stamped in it"),
                ("Red tag, amber tag, hold", "would fail inspection; poor practice or a crew rule broken; waits for a fact"),
                ("Why", "on every card: the steps that made a figure, each with its section or whose word it is"),
                ("Pin", "a choice of yours that the planner keeps, whatever else changes"),
                ("Write the numbers", "keep every circuit in its space from now on, because it stands on studs and cables"),
            ]),
    ];

    /// <summary>The page of that name, or null.</summary>
    public static HelpTopic? Find(string? name) => All.FirstOrDefault(t => t.Name == name);
}
