using System.Diagnostics;
using System.Globalization;
using Gorvix.Browser.Tests;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Fit;
using Gorvix.Core.Wired.Loom;
using Gorvix.Core.Wired.Settings;
using Gorvix.Core.Work.Bench;
using Gorvix.Core.Work.Log;
using Gorvix.Storage;
using Microsoft.EntityFrameworkCore;

namespace Gorvix.Benchmarks;

/// <summary>What the proof of each demo build costs beside its loom; a reading from the key to the frame that shows it; a log of ten thousand entries.</summary>
internal static class BenchRuns
{
    private const int Often = 100;
    private const int Entries = 10_000;
    private const int Photos = 500;

    // Good, next: over when the frame with the next check is painted.
    private const string GoodOnce = """
        const done = arguments[arguments.length - 1]
        const shown = () => document.querySelector('.card').dataset.check
        const was = shown()
        const start = performance.now()
        document.dispatchEvent(new KeyboardEvent('keydown', { key: 'g', bubbles: true }))
        const watch = new MutationObserver(() => {
          if (shown() === was) return
          watch.disconnect()
          requestAnimationFrame(() => setTimeout(() => { const took = performance.now() - start; setTimeout(() => done(took), 150) }, 0))
        })
        watch.observe(document.querySelector('main'), { subtree: true, attributes: true, childList: true })
        """;

    // The log's page: over when its first entries are painted.
    private const string OpenOnce = """
        const done = arguments[arguments.length - 1]
        const start = performance.now()
        document.querySelector('#to-log').click()
        const poll = () => {
          if (document.querySelectorAll('[data-entry]').length < 50) return requestAnimationFrame(poll)
          requestAnimationFrame(() => setTimeout(() => done(performance.now() - start), 0))
        }
        poll()
        """;

    /// <summary>Prints medians.</summary>
    public static async Task Run()
    {
        var demo = FitBenchmarks.Demo();
        Console.WriteLine("| build | checks | list | loom |");
        Console.WriteLine("|---|--:|--:|--:|");
        foreach (var build in demo.Builds.OrderBy(b => b.Key).Select(b => b.Value))
        {
            var wired = new FitReader(ResolvedBuild.Of(build, demo.Library).Build!).Wired;
            var settings = SettingsReader.Of(wired, new DateOnly(2026, 11, 26));
            var count = BenchReader.Of(wired, settings, null).Checks.Count;
            var list = Median(() => BenchReader.Of(wired, settings, null).Checks.Count);
            var loom = Median(() => LoomReader.Of(wired).Steps.Count);
            Console.WriteLine(
                string.Create(
                    CultureInfo.InvariantCulture,
                    $"| {build.Name} | {count} | {list:0.0} ms | {loom:0.0} ms |"
                )
            );
        }
        await using var page = await Page.Open("/builds/rim-walk-rook/bench?large=1");
        page.Find(".card");
        var painted = Enumerable
            .Range(0, 60)
            .Select(_ => Convert.ToDouble(page.RunAsync(GoodOnce), CultureInfo.InvariantCulture))
            .Order()
            .ToList();
        Console.WriteLine(
            string.Create(
                CultureInfo.InvariantCulture,
                $"a reading judged and painted, Rook: median {painted[30]:0} ms, 9 of 10 within {painted[54]:0} ms"
            )
        );
        await Fill(page.Data);
        var opened = new List<double>();
        for (var i = 0; i < 15; i++)
        {
            page.Go("/builds/rim-walk-rook/bench");
            page.Find(".card");
            opened.Add(Convert.ToDouble(page.RunAsync(OpenOnce), CultureInfo.InvariantCulture));
        }
        opened.Sort();
        Console.WriteLine(
            string.Create(
                CultureInfo.InvariantCulture,
                $"a log of {Entries} entries and {Photos} photos opened: median {opened[7]:0} ms, worst of 15 {opened[^1]:0} ms"
            )
        );
    }

    private static async Task Fill(string data)
    {
        await using var db = new GorvixDb(
            new DbContextOptionsBuilder<GorvixDb>().UseSqlite(new DataFolder(data).ConnectionString).Options
        );
        var log = new LogStore(db, TimeProvider.System, new Author());
        var picture = new MadePhoto(1200, 900, new byte[300_000], new byte[9_000]);
        var scope = Enumerable.Range(0, 12).Select(i => $"fact {i} of the aircraft, as it was").ToList();
        for (var i = 0; i < Entries / 2; i++)
        {
            await log.Keep(
                "rim-walk-rook",
                new LoggedReading
                {
                    Key = $"k{i}",
                    Check = $"volts.rail.{i % 90}",
                    Title = "Rail 5V",
                    Expected = "5.00 V",
                    At = DateTime.UtcNow.AddMinutes(-i),
                    Value = 5,
                    Unit = ReadingUnit.Volts,
                    Mark = Mark.Good,
                    Words = "As computed.",
                    Scope = scope,
                }
            );
            await log.Keep(
                "rim-walk-rook",
                new LoggedNote
                {
                    Kind = NoteKind.Note,
                    At = DateTime.UtcNow.AddMinutes(-i),
                    Words = $"note {i}",
                }
            );
            if (i < Photos)
            {
                await log.Keep("rim-walk-rook", picture, "photo", TiedTo.Build, null);
            }
            db.ChangeTracker.Clear();
        }
    }

    private static double Median(Func<int> act)
    {
        var times = new List<double>();
        for (var i = 0; i < Often; i++)
        {
            var watch = Stopwatch.StartNew();
            act();
            times.Add(watch.Elapsed.TotalMilliseconds);
        }
        times.Sort();
        return times[Often / 2];
    }
}
