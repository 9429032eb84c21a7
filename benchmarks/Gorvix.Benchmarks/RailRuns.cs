using System.Diagnostics;
using System.Globalization;
using CsCheck;
using Gorvix.Core.Hardware.Supply;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Tests.Supply;
using Gorvix.Core.Wired.Fit;
using Gorvix.Core.Wired.Rails;

namespace Gorvix.Benchmarks;

/// <summary>What the rails cost: every situation of a build, a step of the slider, a thousand made-up supplies, and ngspice on the same ones.</summary>
internal static class RailRuns
{
    private const int Often = 200;
    private const int Settle = 200;
    private const int MadeUp = 1_000;
    private const int ByNgspice = 100;

    /// <summary>Prints medians, and the ratio to ngspice's own time in this run.</summary>
    public static void Run()
    {
        var demo = FitBenchmarks.Demo();
        Line($"| build | situations | all of them | a step of the slider |");
        Line($"|---|--:|--:|--:|");
        foreach (var build in demo.Builds.OrderBy(b => b.Key).Select(b => b.Value))
        {
            var wired = new FitReader(ResolvedBuild.Of(build, demo.Library).Build!).Wired;
            var all = Situation.All(wired);
            var every = Median(() => RailReader.Read(wired, all));
            var step = Median(() => RailReader.Read(wired, all[0]));
            Line($"| {build.Name} | {all.Count} | {every:0.00} ms | {step:0.00} ms |");
        }
        var nets = new List<SupplyNet>();
        GeneratedSupplies.Supplies.Sample(
            net =>
            {
                lock (nets)
                {
                    nets.Add(net);
                }
            },
            iter: MadeUp,
            threads: 1
        );
        var unsettled = 0;
        var watch = Stopwatch.StartNew();
        foreach (var net in nets)
        {
            unsettled += SupplySolver.Solve(net).Problem is null ? 0 : 1;
        }
        var ours = watch.Elapsed.TotalMilliseconds / nets.Count;
        Line($"{nets.Count} made-up supplies: {ours:0.000} ms each, {unsettled} without an answer.");
        var few = nets.Take(ByNgspice).ToList();
        var theirs = few.Average(n => Spice.Seconds(n, SupplySolver.Solve(n).State!.Volts)) * 1000;
        Line(
            $"ngspice's own analysis of {few.Count} of them: {theirs:0.000} ms each, {theirs / ours:0.0} times as long."
        );
    }

    // The first runs are those of code that the runtime has not optimised yet; as in BenchmarkDotNet they do not count.
    private static double Median(Action work)
    {
        for (var i = 0; i < Often; i++)
        {
            work();
        }
        Thread.Sleep(Settle);
        var times = new List<double>();
        for (var i = 0; i < Often; i++)
        {
            var watch = Stopwatch.StartNew();
            work();
            times.Add(watch.Elapsed.TotalMilliseconds);
        }
        times.Sort();
        return times[Often / 2];
    }

    private static double Median<T>(Func<T> work) =>
        Median(() =>
        {
            _ = work();
        });

    private static void Line(FormattableString text) => Console.WriteLine(text.ToString(CultureInfo.InvariantCulture));
}
