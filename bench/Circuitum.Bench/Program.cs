using System.Globalization;
using BenchmarkDotNet.Running;
using Circuitum.Bench;

return args switch
{
    ["kill", var kills] => await Kills.RunAsync(int.Parse(kills, CultureInfo.InvariantCulture)),
    ["save", var file] => await Kills.SaveAsync(file),
    ["grow", var file, var steps] => await Growth.RunAsync(file, int.Parse(steps, CultureInfo.InvariantCulture)),
    _ => Run(args),
};

static int Run(string[] args)
{
    BenchmarkSwitcher.FromAssembly(typeof(PlanBenchmarks).Assembly).Run(args);
    return 0;
}
