using BenchmarkDotNet.Running;

BenchmarkSwitcher.FromAssembly(typeof(Circuitum.Bench.PlanBenchmarks).Assembly).Run(args);
