return Circuitum.Cli.CommandLine.Run(args, Console.Out, Console.Error);
