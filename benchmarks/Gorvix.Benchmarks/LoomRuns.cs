using System.Diagnostics;
using System.Globalization;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Fit;
using Gorvix.Core.Wired.Loom;
using Gorvix.Core.Wired.Rails;

namespace Gorvix.Benchmarks;

/// <summary>What the loom of each demo build costs, beside the reading of its rails in one situation.</summary>
internal static class LoomRuns
{
    private const int Often = 300;

    /// <summary>Prints medians.</summary>
    public static void Run()
    {
        var demo = FitBenchmarks.Demo();
        Console.WriteLine("| build | leads | loom | one situation of its rails |");
        Console.WriteLine("|---|--:|--:|--:|");
        foreach (var build in demo.Builds.OrderBy(b => b.Key).Select(b => b.Value))
        {
            var wired = new FitReader(ResolvedBuild.Of(build, demo.Library).Build!).Wired;
            var full = Situation.All(wired)[0];
            var loom = Median(() => LoomReader.Of(wired).Steps.Count);
            var rails = Median(() => RailReader.Read(wired, full).Rails.Count);
            Console.WriteLine(
                string.Create(
                    CultureInfo.InvariantCulture,
                    $"| {build.Name} | {wired.Leads.Count} | {loom:0.00} ms | {rails:0.00} ms |"
                )
            );
        }
    }

    private static double Median(Func<int> work)
    {
        var times = new List<double>();
        for (var i = 0; i < Often; i++)
        {
            var watch = Stopwatch.StartNew();
            _ = work();
            times.Add(watch.Elapsed.TotalMilliseconds);
        }
        times.Sort();
        return times[Often / 2];
    }
}
