using System.Diagnostics;
using Gorvix.Core.Files.Formats;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Plans.Routing;
using Gorvix.Core.Tests.Planning;
using Gorvix.Core.Wired.Fit;

namespace Gorvix.Benchmarks;

/// <summary>
/// Legal builds at and near the limits: how long the first answer takes, how far it is proved, and what a patient look adds. Beside them builds of
/// usual size and those of the demo, which the first look should prove.
/// </summary>
internal static class LimitRuns
{
    private const int Usual = 1000;
    private const int Patiently = 20;
    private const int Progress = 250;

    /// <summary>Runs so many and prints.</summary>
    public static void Run(int count)
    {
        OfUsualSize();
        AtLimits(count);
        More();
    }

    /// <summary>Writes one of them as a file that Gorvix takes in.</summary>
    public static void File(int seed)
    {
        using var output = Console.OpenStandardOutput();
        output.Write(FileOf(seed));
    }

    /// <summary>One of them as a file that Gorvix takes in.</summary>
    public static byte[] FileOf(int seed)
    {
        var (build, library) = AtTheLimits.Of(seed);
        return GorvixReader.Write(GorvixFile.Of(build, library));
    }

    private static void OfUsualSize()
    {
        var demo = FitBenchmarks.Demo();
        var open = demo
            .Builds.Values.Select(b => new FitReader(ResolvedBuild.Of(b, demo.Library).Build!, Effort.Quick))
            .Count(r => r.Sheet().Proof is not null);
        Console.WriteLine($"demo: {open} of {demo.Builds.Count} builds not settled at the first look");
        var (unproved, most, ways, cut) = (0, 0, 0, 0);
        for (var seed = 0; seed < Usual; seed++)
        {
            var (build, library) = MadeUp.Of(seed, 14, 12);
            var all = Router.WaysOf(ResolvedBuild.Of(build, library).Build!);
            most = Math.Max(most, all.Links.Max(l => l.Routes.Count));
            ways = Math.Max(ways, all.Links.Sum(l => l.Routes.Count));
            cut += all.Cut.Count;
            unproved += Planner.Best(new PlanSpace(all, Effort.Quick)).Gap is null ? 0 : 1;
        }
        Console.WriteLine(
            $"{Usual} of 14 links on 12 ports: {unproved} not proved at the first look; at most {most} ways of a link, {ways} of a build, {cut} links with more than are weighed"
        );
    }

    private static void AtLimits(int count)
    {
        var runs = new List<(int Seed, double Time, string Words)>();
        var (proved, carried, failed, memory) = (0, 0, 0, 0L);
        for (var seed = -5; seed < count; seed++)
        {
            var build = AtTheLimits.Resolved(seed);
            var watch = Stopwatch.StartNew();
            FitReader reader;
            FitSheet sheet;
            try
            {
                reader = new FitReader(build, Effort.Quick);
                sheet = reader.Sheet();
            }
            catch (Exception fault)
            {
                // A run of half an hour is not given up for one.
                failed++;
                Console.WriteLine($"  {seed}: {fault.Message}");
                continue;
            }
            var time = watch.Elapsed.TotalMilliseconds;
            memory = Math.Max(memory, Environment.WorkingSet);
            if (seed < 0)
            {
                continue;
            }
            if (seed % Progress == Progress - 1)
            {
                Console.WriteLine($"  {seed + 1}: {failed} failed, {runs.Count(r => r.Time > 1000)} over a second");
            }
            proved += reader.Plan.Gap is null ? 1 : 0;
            carried += sheet.Verdict.Carried;
            runs.Add(
                (seed, time, $"{sheet.Verdict.Carried} of {sheet.Verdict.Wanted} carried, gap {reader.Plan.Gap?.Term}")
            );
        }
        var sorted = runs.OrderByDescending(r => r.Time).ToList();
        foreach (var (seed, time, words) in sorted.Take(10))
        {
            Console.WriteLine($"  {seed}: {time:0} ms, {words}");
        }
        Console.WriteLine(
            $"{count} at the limits: {failed} not planned, {proved} proved at the first look, {carried} links carried; median {sorted[sorted.Count / 2].Time:0} ms, 99 of 100 within {sorted[sorted.Count / 100].Time:0} ms, worst {sorted[0].Time:0} ms, {sorted.Count(r => r.Time > 1000)} over a second; memory at most {memory / 1_000_000} MB"
        );
    }

    // What a patient look adds to the first: it may only be better.
    private static void More()
    {
        var (better, proved, worst) = (0, 0, 0.0);
        for (var seed = 0; seed < Patiently; seed++)
        {
            var quick = new FitReader(AtTheLimits.Resolved(seed), Effort.Quick);
            var watch = Stopwatch.StartNew();
            var patient = quick.Patiently(CancellationToken.None);
            worst = Math.Max(worst, watch.Elapsed.TotalSeconds);
            better += patient.Plan.Cost < quick.Plan.Cost ? 1 : 0;
            proved += patient.Plan.Gap is null ? 1 : 0;
        }
        Console.WriteLine(
            $"patiently, {Patiently} of them: {better} better than at the first look, {proved} proved, the longest {worst:0.0} s"
        );
    }
}
