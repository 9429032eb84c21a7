using BenchmarkDotNet.Running;
using Gorvix.Benchmarks;

BenchmarkSwitcher.FromAssembly(typeof(FitBenchmarks).Assembly).Run(args.Length > 0 ? args : ["--filter", "*"]);
