using System.Globalization;

namespace Circuitum.Fuzz;

/// <summary>How much is tried: a bounded share in every run of the tests, more by FUZZ=times; another beginning by SEED=number.</summary>
internal static class Effort
{
    public static int Times(int usual) => usual * Number("FUZZ", 1);

    public static int Seed(int own) => own + (1_000_003 * Number("SEED", 0));

    private static int Number(string name, int usual) =>
        int.TryParse(Environment.GetEnvironmentVariable(name), NumberStyles.None, CultureInfo.InvariantCulture, out var set) ? set : usual;
}
