using System.Diagnostics;
using System.Globalization;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Fit;
using Gorvix.Core.Wired.Gnss;
using Gorvix.Core.Wired.Loom;
using Gorvix.Core.Wired.Settings;

namespace Gorvix.Benchmarks;

/// <summary>What the settings of each demo build cost beside its loom, and how fast a GNSS stream is read.</summary>
internal static class SettingsRuns
{
    private const int Often = 300;

    /// <summary>Prints medians and the reader's speed.</summary>
    public static void Run()
    {
        var demo = FitBenchmarks.Demo();
        Console.WriteLine("| build | settings | sheet | loom |");
        Console.WriteLine("|---|--:|--:|--:|");
        foreach (var build in demo.Builds.OrderBy(b => b.Key).Select(b => b.Value))
        {
            var wired = new FitReader(ResolvedBuild.Of(build, demo.Library).Build!).Wired;
            var count = SettingsReader.Of(wired, new DateOnly(2026, 11, 26)).Settings.Count;
            var sheet = Median(() => SettingsReader.Of(wired, new DateOnly(2026, 11, 26)).Settings.Count);
            var loom = Median(() => LoomReader.Of(wired).Steps.Count);
            Console.WriteLine(
                string.Create(
                    CultureInfo.InvariantCulture,
                    $"| {build.Name} | {count} | {sheet:0.00} ms | {loom:0.00} ms |"
                )
            );
        }
        foreach (var generation in Enum.GetValues<GnssGeneration>())
        {
            Stream(generation);
        }
    }

    // A minute of a module at its fastest, over and over; as multiples of a line of 921 600 baud.
    private static void Stream(GnssGeneration generation)
    {
        var module = new SimulatedModule(new ModuleKind(generation, SetupMemory.Saves, Baud: 115_200));
        module.SetBaud(115_200);
        module.Write(SetupFrames.File(new ModuleWish(generation, 115_200, 10)));
        module.Wait(TimeSpan.FromSeconds(60));
        var bytes = new byte[1 << 22];
        var count = module.Read(bytes);
        var reader = new GnssReader();
        long read = 0;
        var watch = Stopwatch.StartNew();
        while (watch.Elapsed.TotalSeconds < 3)
        {
            for (var at = 0; at < count; at += 4096)
            {
                reader.Read(bytes.AsSpan(at, Math.Min(4096, count - at)));
            }
            reader.TakeFrames();
            reader.TakeSentences();
            read += count;
        }
        var times = read / watch.Elapsed.TotalSeconds / (921_600 / 10.0);
        Console.WriteLine(
            string.Create(
                CultureInfo.InvariantCulture,
                $"reader, {generation}: {times:0} times a line of 921 600 baud, {reader.Broken} broken"
            )
        );
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
