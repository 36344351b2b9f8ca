namespace Circuitum.Core.Boards;

/// <summary>A made-up villa of one storey, about 220 m², with a garden: something to begin from.</summary>
public static class Villa
{
    /// <summary>Its point list.</summary>
    public const string Text = """
        # Villa Saltbush
        supply: three phases
        ambient: 45 °C
        circuits in a conduit: 1
        points apart: 4 m
        sub-main: 3 m
        board: utility room
        demand: lighting 66 %, sockets 40 %, water heating 100 %

        entrance, 6 m: 4 LEDs 12 W, twin socket
        sitting room, 9 m: chandelier, 10 LEDs 12 W, 6 twin sockets, 2 splits 3100 W
        dining room, 12 m: chandelier 600 W, 6 LEDs 12 W, 3 twin sockets, split 2600 W
        kitchen, 14 m: 8 LEDs 18 W, 9 twin sockets, cooker 8.5 kW, split 2600 W
        utility room, 3 m: 2 LEDs 18 W, 2 twin sockets, 15 A socket
        hall, 5 m: 8 LEDs 12 W, 2 twin sockets
        main bedroom, 16 m: 8 LEDs 12 W, strip 120 W, 5 twin sockets, split 2600 W
        main bath, 19 m: 5 LEDs 12 W, water heater 4.5 kW
        bedroom 2, 13 m: 6 LEDs 12 W, 4 twin sockets, split 1800 W
        bedroom 3, 17 m: 6 LEDs 12 W, 4 twin sockets, split 1800 W
        bath, 15 m: 4 LEDs 12 W, socket, water heater 6 kW
        study, 11 m: 4 LEDs 12 W, 4 twin sockets, split 1800 W
        staff room, 22 m: 3 LEDs 12 W, 2 twin sockets, split 1800 W
        garden, 24 m, outdoors: 14 lamps 15 W, 2 twin sockets, garden pump 1.5 kW, gate motor 750 W
        """;
}
