using BenchmarkDotNet.Running;
using Gorvix.Benchmarks;

BenchmarkRunner.Run<FitBenchmarks>(args: args);
