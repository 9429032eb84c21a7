using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Fit;
using Gorvix.Core.Wired.Settings;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Work.Bench;
using Gorvix.Core.Work.FaultModel;

namespace Gorvix.Core.Tests.Bench;

/// <summary>The bench of every demo build with a fault planted, walked check by check as a builder would.</summary>
public class BenchFaultTests
{
    private static readonly DateOnly Today = new(2026, 11, 26);

    internal sealed record Walked(WiredBuild Wired, BenchSheet Sheet, double Volts)
    {
        public IReadOnlyList<PlantedFault> Faults { get; } = [.. PlantedFaults.Of(Wired)];
    }

    internal static Walked Of(Build build, double cell = 4.15)
    {
        var wired = new FitReader(Resolved(build, Demo.Library)).Wired;
        var volts = build.InputVolts ?? (build.Pack?.Cells ?? 0) * cell;
        var sheet = BenchReader.Of(wired, SettingsReader.Of(wired, Today), volts > 0 ? volts : null);
        return new Walked(wired, sheet, volts);
    }

    private static readonly IReadOnlyList<Walked> All = [.. Demo.Builds.Select(b => Of(b))];

    /// <summary>Two thousand faults, each at a random build with its own noise.</summary>
    [Fact]
    public void No_dangerous_fault_passes_to_the_step_that_would_do_harm_and_each_fault_is_met()
    {
        var random = new Random(20261126);
        var (dangerous, met, equal) = (0, 0, 0);
        var missed = new List<string>();
        for (var run = 0; run < 2000; run++)
        {
            var at = All[random.Next(All.Count)];
            var faults = at.Faults;
            var fault = faults[random.Next(faults.Count)];
            var real = at.Wired.With(fault.Edit);
            if (IsTheSame(at.Wired, real, fault))
            {
                equal++;
                continue;
            }
            var bench = new SimulatedBench(at.Wired, real, at.Volts, run);
            var marks = at
                .Sheet.Checks.Select(c =>
                {
                    var shown = bench.Read(c);
                    return c.Judge(shown.Value, shown.Answer)!.Mark;
                })
                .ToList();
            if (marks.All(m => m == Mark.Good))
            {
                missed.Add($"{at.Wired.Build.Build.Name}: {fault.Words} is met by no check");
            }
            met++;
            var power = BenchPower.Of(at.Wired.Build.Build, at.Volts);
            foreach (
                var (check, situation) in new[]
                {
                    ("power.limited", power.Limited),
                    ("usb.in", power.Usb),
                    ("power.free", power.Free),
                }
            )
            {
                var step = at.Sheet.Checks.ToList().FindIndex(c => c.Id == check);
                if (
                    step < 0
                    || situation is null
                    || DamageCheck.Of(real, situation).Except(DamageCheck.Of(at.Wired, situation)).ToList()
                        is not [var harm, ..]
                )
                {
                    continue;
                }
                dangerous++;
                var stopped = marks.FindIndex(m => m == Mark.Stop);
                if (stopped < 0 || stopped >= step)
                {
                    missed.Add($"{at.Wired.Build.Build.Name}: {fault.Words} passes to {check}: {harm}");
                }
            }
        }
        Assert.True(missed.Count == 0, string.Join("\n", missed.Distinct()));
        Assert.InRange(dangerous, 100, 6000);
        Assert.InRange(met, 1200, 2000);
        Assert.InRange(equal, 0, 800);
    }

    [Fact]
    public void A_sound_build_is_stopped_less_than_once_in_a_hundred_checks()
    {
        var (stops, doubts, checks) = (0, 0, 0);
        var said = new List<string>();
        for (var seed = 0; seed < 40; seed++)
        {
            foreach (var at in All)
            {
                var bench = new SimulatedBench(at.Wired, at.Wired, at.Volts, seed);
                foreach (var check in at.Sheet.Checks)
                {
                    var shown = bench.Read(check);
                    var mark = check.Judge(shown.Value, shown.Answer)!.Mark;
                    checks++;
                    stops += mark == Mark.Stop ? 1 : 0;
                    doubts += mark == Mark.Doubtful ? 1 : 0;
                    if (mark != Mark.Good && seed == 0)
                    {
                        said.Add($"{at.Wired.Build.Build.Name} {check.Id} {shown} {check.Expected}");
                    }
                }
            }
        }
        Assert.True(stops * 100 < checks, $"{stops} of {checks}\n{string.Join('\n', said)}");
        Assert.True(doubts * 100 < checks, $"{doubts} of {checks}\n{string.Join('\n', said)}");
    }

    // A fault that changes no copper, no setting, no rail and no part is none: two grounds exchanged, a wire on the next pad of the same rail.
    private static bool IsTheSame(WiredBuild meant, WiredBuild real, PlantedFault fault) =>
        fault.Edit is not (DeadRail or DeadDevice or PortSetTo or PageEmptied or BridgeClosed)
        && (
            IsSpareGround(real, fault)
            || (ReferenceEquals(meant.Defects, real.Defects) && CopperOf(meant).SequenceEqual(CopperOf(real)))
        );

    // A ground that is loose, off, or on a pad that nothing uses beeps all the same through its device, which has another one: only who tugs
    // the wires finds it.
    private static bool IsSpareGround(WiredBuild real, PlantedFault fault)
    {
        LeadAt? at = fault.Edit switch
        {
            WeakJoint e => e.At,
            OpenWire e => e.At,
            WireOnPad e => e.At,
            _ => null,
        };
        var there = real.Leads.FirstOrDefault(l => l.At == at);
        return there?.Lead.Role == LeadRole.Ground
            && real.Leads.Any(l =>
                l != there && l.Device == at?.Device && l is { Lead.Role: LeadRole.Ground, Pad: not null }
            )
            && (
                fault.Edit is not WireOnPad
                || (
                    there.Pad!.Paths.All(p => p.Rail is null)
                    && real.Leads.All(l => l == there || l.Pad is null || EndsOf(real, l) != EndsOf(real, there))
                )
            );
    }

    // Written from the parts alone: which leads meet which ends, each end by the pad's own paths.
    private static IEnumerable<string> CopperOf(WiredBuild wired) =>
        wired
            .Leads.Where(l => l.Pad is not null || l.To is not null)
            .Select(l => $"{l.Device}.{l.Lead.Id}: {EndsOf(wired, l)}")
            .Concat(wired.Blobs.Where(b => PathsOf(wired, b.One) != PathsOf(wired, b.Other)).Select(b => $"{b}"))
            .Order(StringComparer.Ordinal);

    private static string EndsOf(WiredBuild wired, WiredLead lead) =>
        lead.To is { } to ? $"{to.Device}.{to.Lead.Id}" : PathsOf(wired, lead.Pad!.Id);

    private static string PathsOf(WiredBuild wired, string pad)
    {
        var told = wired.Build.Board.Pads.First(p => p.Id == pad);
        return told.Paths.Count == 0
            ? "nothing"
            : string.Join(';', told.Paths.Select(p => $"{string.Join(',', p.Through)}>{p.Net}{p.Rail}"));
    }
}
