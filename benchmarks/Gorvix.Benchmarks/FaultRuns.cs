using System.Diagnostics;
using System.Globalization;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Fit;
using Gorvix.Core.Wired.Loom;
using Gorvix.Core.Work.FaultModel;
using Gorvix.Core.Work.Faults;

namespace Gorvix.Benchmarks;

/// <summary>What the search for a fault costs on each demo build beside its loom: the table, made once a build; a step; a step in which two faults are thought of.</summary>
internal static class FaultRuns
{
    /// <summary>Prints medians.</summary>
    public static void Run()
    {
        var demo = FitBenchmarks.Demo();
        Console.WriteLine("| build | faults | tests | table | step | worst step | with pairs | worst | again | loom |");
        Console.WriteLine("|---|--:|--:|--:|--:|--:|--:|--:|--:|--:|");
        foreach (var build in demo.Builds.OrderBy(b => b.Key).Select(b => b.Value))
        {
            var wired = new FitReader(ResolvedBuild.Of(build, demo.Library).Build!).Wired;
            var table = FaultTable.Of(wired);
            var making = Times(9, _ => FaultTable.Of(wired));
            var faults = PlantedFaults.Of(wired);
            var signs = table.Tests.Where(t => t.IsSign).Select(t => t.Id).ToList();
            List<Observation> Seen(params PlantedFault[] wrong)
            {
                var craft = table.Craft(wrong);
                return
                [
                    .. from id in signs
                    let shown = craft.Shows(table.IndexOf(id)!.Value)
                    where shown is not null
                    select new Observation(id, shown),
                ];
            }
            var singles = faults.Where((_, i) => i % 4 == 0).Select(f => Seen(f)).ToList();
            var pairs = faults
                .Zip(faults.Skip(faults.Count / 2))
                .Where((_, i) => i % 6 == 0)
                .Select(p => Seen(p.First, p.Second))
                .Where(s => new Search(table).Look(s) is { ArePairs: true })
                .ToList();
            var step = Times(singles.Count, i => new Search(table).Look(singles[i]));
            // The first step that thinks of pairs, on a table that has not met any; then the same once more.
            var unmet = pairs.ConvertAll(_ => FaultTable.Of(wired));
            List<double> Look() =>
                pairs.Count == 0 ? [0.0] : Times(pairs.Count, i => new Search(unmet[i]).Look(pairs[i]), warm: false);
            var two = Look();
            var again = Look();
            var loom = Times(50, _ => LoomReader.Of(wired));
            Console.WriteLine(
                string.Create(
                    CultureInfo.InvariantCulture,
                    $"| {build.Name} | {faults.Count} | {table.Tests.Count} | {Middle(making):0} ms | {Middle(step):0.0} ms | {step[^1]:0} ms | {Middle(two):0} ms | {two[^1]:0} ms | {Middle(again):0} ms | {Middle(loom):0.0} ms |"
                )
            );
        }
    }

    private static List<double> Times(int often, Func<int, object> work, bool warm = true)
    {
        if (warm)
        {
            work(0);
        }
        return
        [
            .. Enumerable
                .Range(0, often)
                .Select(i =>
                {
                    var begun = Stopwatch.GetTimestamp();
                    work(i);
                    return Stopwatch.GetElapsedTime(begun).TotalMilliseconds;
                })
                .Order(),
        ];
    }

    private static double Middle(List<double> sorted) => sorted[sorted.Count / 2];
}
