using System.Diagnostics;
using System.Globalization;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Tests.Picture;
using Gorvix.Core.Wired.Fit;
using Gorvix.Core.Wired.Loom;
using Gorvix.Core.Wired.Picture;
using Gorvix.Core.Wired.Rails;
using Gorvix.Core.Wired.Wiring;

namespace Gorvix.Benchmarks;

/// <summary>What the loom of each demo build costs, beside the reading of its rails in one situation.</summary>
internal static class LoomRuns
{
    private const int Often = 300;

    /// <summary>Prints medians.</summary>
    public static void Run()
    {
        var demo = FitBenchmarks.Demo();
        Console.WriteLine("| build | leads | loom | its picture | one situation of its rails |");
        Console.WriteLine("|---|--:|--:|--:|--:|");
        foreach (var build in demo.Builds.OrderBy(b => b.Key).Select(b => b.Value))
        {
            var wired = new FitReader(ResolvedBuild.Of(build, demo.Library).Build!).Wired;
            var full = Situation.All(wired)[0];
            var loom = Median(() => LoomReader.Of(wired).Steps.Count);
            var sheet = LoomReader.Of(wired);
            var picture = Median(() => Drawn(wired, sheet));
            var rails = Median(() => RailReader.Read(wired, full).Rails.Count);
            Console.WriteLine(
                string.Create(
                    CultureInfo.InvariantCulture,
                    $"| {build.Name} | {wired.Leads.Count} | {loom:0.00} ms | {picture:0.00} ms | {rails:0.00} ms |"
                )
            );
        }
        foreach (var (devices, wires) in new[] { (8, 5), (40, 5) })
        {
            var crowded = CrowdedBuild.Of(devices, wires);
            var sheet = LoomReader.Of(crowded);
            var picture = Median(() => Drawn(crowded, sheet), 30);
            Console.WriteLine(
                string.Create(
                    CultureInfo.InvariantCulture,
                    $"| {devices} devices, {devices * wires} wires, made up | {crowded.Leads.Count} | | {picture:0.00} ms | |"
                )
            );
        }
    }

    private static int Drawn(WiredBuild wired, LoomSheet sheet) =>
        PictureReader.Of(wired, sheet, new Dictionary<LeadAt, double>()).Wires.Count;

    private static double Median(Func<int> work, int often = Often)
    {
        var times = new List<double>();
        for (var i = 0; i < often; i++)
        {
            var watch = Stopwatch.StartNew();
            _ = work();
            times.Add(watch.Elapsed.TotalMilliseconds);
        }
        times.Sort();
        return times[often / 2];
    }
}
