using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Routing;
using Gorvix.Core.Tests.Planning;
using Gorvix.Core.Wired.Fit;
using Gorvix.Core.Wired.Loom;
using Gorvix.Core.Wired.Rails;
using Gorvix.Core.Wired.Settings;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Work.Bench;
using Gorvix.Core.Work.FaultModel;

namespace Gorvix.Core.Tests.Seams;

/// <summary>No two readers of one build contradict each other, on generated builds and on all of the demo.</summary>
public class ContradictionTests
{
    private static readonly DateOnly Day = new(2026, 11, 30);

    [Fact]
    public void On_generated_builds() => Generated.Builds(4, 6).HoldPlanned(Agree, of: 150);

    [Fact]
    public void Nor_where_a_part_is_done() => Generated.HalfBuilt(4, 6).HoldPlanned(Agree, of: 100);

    [Fact]
    public void Nor_on_the_demo() => Assert.All(Demo.Builds, b => Agree(b.Resolve()));

    private static void Agree(ResolvedBuild build)
    {
        var fit = new FitReader(build);
        var wired = fit.Wired;
        var findings = fit.Sheet().Findings;
        var loom = LoomReader.Of(wired);
        var bench = BenchReader.Of(wired, SettingsReader.Of(wired, Day), null);
        var sheets = RailReader.Read(wired, [.. Situation.All(wired)]);
        var lasting = fit.OfEverySituation().Concat(RailCheck.Standing(wired, sheets[0])).ToList();

        LeftOut(wired, loom, bench, sheets);
        Unfed(wired, findings, sheets);
        Clear(findings, sheets, lasting);
        Power(findings, bench);
        Meter(wired, bench);
        Bound(fit, sheets);
        Twice(wired, loom, bench, sheets);
    }

    // What is left out is wired by nobody, checked by nobody, loads nothing and is suspected of nothing.
    private static void LeftOut(WiredBuild wired, LoomSheet loom, BenchSheet bench, IReadOnlyList<RailSheet> sheets)
    {
        foreach (var device in wired.LeftOut)
        {
            Assert.DoesNotContain(loom.Wires, w => w.Device == device);
            Assert.DoesNotContain(loom.Continuity, p => p.OneAt.Device == device || p.OtherAt.Device == device);
            Assert.DoesNotContain(bench.Checks, c => c.Device == device);
            Assert.DoesNotContain(sheets.SelectMany(s => s.Rails).SelectMany(r => r.Loads), l => l.Device == device);
            Assert.DoesNotContain(PlantedFaults.Of(wired), f => f.Place.Device == device);
        }
    }

    // Whom Fit calls without a supply has one lead at least that Rails does not call powered.
    private static void Unfed(WiredBuild wired, IReadOnlyList<Finding> findings, IReadOnlyList<RailSheet> sheets)
    {
        foreach (var device in findings.Where(f => f.Rule == "UNFED").Select(f => f.Subject.Id))
        {
            Assert.All(
                sheets.Where(s => s.Problem is null),
                s => Assert.Contains(s.Leads, l => l.Device == device && l.State == LeadFeed.Unfed)
            );
            Assert.DoesNotContain(wired.Ports, p => wired.Build.Links.First(l => l.Id == p.Link).Want.Device == device);
        }
    }

    // Over no situation stands an all-clear while Fit has a stop or a warning about a supply.
    private static void Clear(
        IReadOnlyList<Finding> findings,
        IReadOnlyList<RailSheet> sheets,
        IReadOnlyList<Finding> lasting
    )
    {
        string[] always =
        [
            "UNFED",
            "NO-GND-PAD",
            "NO-GROUND",
            "BUILT-HARM",
            "NO-PACK",
            "SUPPLY-UNKNOWN",
            "INPUT-UNKNOWN",
        ];
        if (findings.Any(f => always.Contains(f.Rule)))
        {
            Assert.All(sheets, s => Assert.Null(RailAnswer.Clear(s, [.. RailCheck.Of(s), .. lasting])));
        }
        if (findings.Any(f => f.Rule == "INPUT"))
        {
            Assert.Contains(
                sheets.Where(s => s.Situation.Group == SituationGroup.Pack),
                s => RailCheck.Of(s).Any(f => f.Rule == "INPUT")
            );
        }
    }

    // What is told to be destroyed holds back power, and nothing else does.
    private static void Power(IReadOnlyList<Finding> findings, BenchSheet bench)
    {
        string[] harm = ["BUILT-HARM", "OVER-VOLTAGE", "TIED"];
        var stops = findings.Where(f => f.Severity == Severity.Stop).ToList();
        if (stops.Exists(f => harm.Contains(f.Rule) || f.Rule == "NO-GND-PAD"))
        {
            Assert.NotEmpty(bench.Unsafe);
        }
        if (stops.Count == 0)
        {
            Assert.Empty(bench.Unsafe);
        }
    }

    // Good on the bench lies inside the window of the device; a board's own least and most are its rail's.
    private static void Meter(WiredBuild wired, BenchSheet bench)
    {
        foreach (
            var check in bench.Checks.Where(c =>
                c is { Device: { } d, Asks: Asks.Volts } && c.Phase == BenchPhase.Volts
            )
        )
        {
            var part = wired.Build.Devices.First(d => d.Id == check.Device).Device;
            var lead = check.Id[(check.Id.LastIndexOf('.') + 1)..];
            if (part.Supplies.FirstOrDefault(s => s.Lead == lead)?.Window is not { } window)
            {
                continue;
            }
            for (var volts = -1.0; volts < 40; volts += 0.05)
            {
                if (check.Judge(volts, null)!.Mark == Mark.Good)
                {
                    Assert.InRange(volts, window.Min - 0.006, window.Max + 0.006);
                }
            }
        }
    }

    // What the planner reckons with nominally is never less than what the solver finds with the same pack.
    private static void Bound(FitReader fit, IReadOnlyList<RailSheet> sheets)
    {
        foreach (var feed in fit.Plan.Feeds.Select(f => f.Feed).OfType<Feed>())
        {
            foreach (
                var reading in sheets
                    .Where(s => s.Situation is { Group: SituationGroup.Pack })
                    .SelectMany(s => s.Leads)
                    .Where(l => l.Device == feed.Device && l.Lead == feed.Lead.Id && l.Volts is not null)
            )
            {
                Assert.True(
                    reading.Volts <= feed.Volts!.Max + 0.005,
                    $"{reading.Name}: {reading.Volts} > {feed.Volts.Max}"
                );
            }
        }
    }

    // Every number that is told twice is the same.
    private static void Twice(WiredBuild wired, LoomSheet loom, BenchSheet bench, IReadOnlyList<RailSheet> sheets)
    {
        foreach (var wire in loom.Wires)
        {
            var cut = WireCuts.Of(wired, wired.Leads.First(l => l.At == new LeadAt(wire.Device, wire.Lead)));
            Assert.Equal((wire.Gauge, wire.Millimetres), (cut.Gauge, cut.Millimetres));
        }
        Assert.Equal(
            loom.Continuity.Count,
            bench.Checks.Count(c => c.Id.StartsWith("cold.", StringComparison.Ordinal))
        );
        var full = sheets.FirstOrDefault(s => s.Situation.Id == "full");
        foreach (var lead in full?.Leads.Where(l => l.Volts is not null) ?? [])
        {
            var reading = MeterReader
                .Of(wired, full!)
                .FirstOrDefault(r => r.At == Node.Lead(new(lead.Device, lead.Lead)));
            Assert.Equal(Math.Round(lead.Volts!.Value, 2), reading?.Volts ?? -1, 0.006);
        }
    }
}
