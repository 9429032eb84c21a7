using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Supply;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Tests.Supply;
using Gorvix.Core.Wired.Fit;
using Gorvix.Core.Wired.Rails;
using Gorvix.Core.Wired.Settings;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Work.Bench;
using Gorvix.Core.Work.FaultModel;

namespace Gorvix.Core.Tests.Bench;

/// <summary>The checks of a build: their order, what readings come to, and what a change makes due again.</summary>
public class BenchReaderTests
{
    private static readonly DateOnly Today = new(2026, 11, 26);

    public static TheoryData<string> Builds => [.. Demo.Builds.Select(b => b.Name)];

    private static Build At(string name) => Demo.Builds.First(b => b.Name == name);

    private static (WiredBuild Wired, BenchSheet Sheet) Read(
        Build build,
        PartsLibrary? library = null,
        double? volts = null
    )
    {
        var wired = new FitReader(Resolved(build, library ?? Demo.Library)).Wired;
        return (wired, BenchReader.Of(wired, SettingsReader.Of(wired, Today), volts));
    }

    [Theory]
    [MemberData(nameof(Builds))]
    public void Checks_come_in_the_order_that_risks_least_and_each_has_one_name(string name)
    {
        var (_, sheet) = Read(At(name));
        var phases = sheet.Checks.Select(c => c.Phase).ToList();
        Assert.Equal(phases.Order(), phases);
        Assert.Distinct(sheet.Checks.Select(c => c.Id));
        Assert.True(sheet.Checks.First(c => c.IsDangerous).Phase > BenchPhase.Cold);
        Assert.All(sheet.Checks, c => Assert.NotEmpty(c.Scope));
    }

    [Theory]
    [MemberData(nameof(Builds))]
    public void Every_number_and_every_answer_that_a_check_takes_comes_to_something(string name)
    {
        foreach (var check in Read(At(name)).Sheet.Checks)
        {
            if (check.Bands.Count > 0)
            {
                var bounds = check.Bands.SkipLast(1).Select(b => b.UpTo!.Value).ToList();
                Assert.Equal(bounds.Order(), bounds);
                Assert.Null(check.Bands[^1].UpTo);
            }
            Assert.Equal([Answer.Yes, Answer.No, Answer.Unsure], check.Answers.Select(a => a.Answer));
            Assert.Single(check.Answers, a => a.Judgement.Mark == Mark.Good);
            Assert.All(
                check.Bands.Select(b => b.Judgement).Concat(check.Answers.Select(a => a.Judgement)),
                j => Assert.True(j.Mark == Mark.Good || j.Look is { Length: > 0 }, $"{check.Id}: {j.Words}")
            );
        }
    }

    /// <summary>The stranger is ngspice (Debian's package): every rail and every lead of every demo build, as the bench predicts them.</summary>
    [Theory]
    [MemberData(nameof(Builds))]
    public void What_the_bench_predicts_is_what_ngspice_finds(string name)
    {
        var (wired, sheet) = Read(At(name), volts: At(name).Pack is { } pack ? pack.Cells * 4.05 : null);
        var compared = 0;
        foreach (
            var group in sheet
                .Checks.Where(c => c.Probing is VoltProbing)
                .GroupBy(c => ((VoltProbing)c.Probing).Situation)
        )
        {
            var net = RailNet.Of(group.Key.Of(wired), group.Key);
            var near = SupplySolver.Solve(net.Net).State!.Volts;
            if (Spice.Solve(net.Net, near) is not { } volts)
            {
                continue;
            }
            var points = net.Points().ToDictionary(p => p.At, p => volts[p.Node]);
            foreach (var check in group)
            {
                var probing = (VoltProbing)check.Probing;
                if (!points.TryGetValue(probing.Red, out var red))
                {
                    // An unloaded pad is one copper with its rail.
                    red = points[new Copper(wired).With(probing.Red).First(n => n.Kind == NodeKind.Rail)];
                }
                var black = probing.Black is { } at ? points.GetValueOrDefault(at) : 0;
                Assert.Equal(red - black, check.Computed!.Value, 0.011);
                compared++;
            }
        }
        Assert.True(compared > 0);
    }

    [Fact]
    public void A_measured_pack_moves_what_follows_it_and_nothing_else()
    {
        var build = Demo.EastBenchKestrel;
        var (full, empty) = (
            Read(build, volts: build.Pack!.Cells * 4.2).Sheet,
            Read(build, volts: build.Pack.Cells * 3.6).Sheet
        );
        var moved = full
            .Checks.Zip(empty.Checks)
            .Where(p => p.First.Computed != p.Second.Computed && p.First.Id != "source")
            .Select(p => p.First)
            .ToList();
        Assert.NotEmpty(moved);
        Assert.All(moved, c => Assert.True(c.Unit is ReadingUnit.Volts or ReadingUnit.Amps));
        Assert.All(full.Checks.Zip(empty.Checks), p => Assert.Equal(p.First.Scope, p.Second.Scope));
    }

    [Fact]
    public void While_nobody_has_measured_the_pack_any_charge_of_it_is_good()
    {
        var build = Demo.EastBenchKestrel;
        var battery = Read(build)
            .Sheet.Checks.First(c => c.Phase == BenchPhase.Volts && c.Computed > build.Pack!.Cells * 4.1);
        Assert.Equal(Mark.Good, battery.Judge(build.Pack!.Cells * 3.6, null)!.Mark);
        var measured = Read(build, volts: build.Pack.Cells * 4.2).Sheet.Checks.First(c => c.Id == battery.Id);
        Assert.NotEqual(Mark.Good, measured.Judge(build.Pack.Cells * 3.6, null)!.Mark);
    }

    [Fact]
    public void A_stop_stands_before_every_dangerous_check_until_it_is_good()
    {
        var (_, sheet) = Read(Demo.EastBenchKestrel);
        List<Proof> proofs =
        [
            .. sheet
                .Checks.Where(c => c.Phase == BenchPhase.Cold)
                .Select(c => new Proof(c.Id, Mark.Good, DateTime.UnixEpoch, c.Scope)),
        ];
        var first = sheet.Checks.First(c => c.IsDangerous);
        string? Against() => BenchState.Against(sheet, BenchState.Of(sheet, proofs), first);
        Assert.Null(Against());
        var cold = sheet.Checks.First(c => c.Phase == BenchPhase.Cold);
        proofs.Add(new Proof(cold.Id, Mark.Stop, DateTime.UnixEpoch, cold.Scope));
        Assert.Equal($"\"{cold.Title}\" failed. Fix that first.", Against());
        proofs.Add(new Proof(cold.Id, Mark.Good, DateTime.UnixEpoch, cold.Scope));
        Assert.Null(Against());
        proofs.RemoveAll(p => p.Check == cold.Id);
        Assert.Equal($"Do \"{cold.Title}\" first.", Against());
        Assert.Null(BenchState.Against(sheet, BenchState.Of(sheet, []), cold));
    }

    [Fact]
    public void What_somebody_calls_a_device_makes_nothing_due_again()
    {
        var build = Demo.EastBenchKestrel;
        var renamed = build with { Devices = [.. build.Devices.Select((d, i) => d with { Name = $"called {i}" })] };
        Assert.Empty(Due(Read(build).Sheet, Read(renamed).Sheet));
    }

    /// <summary>
    /// Every demo build with each of its wires on another pad, off, exchanged, each bridge and each port otherwise. Two comparisons of both circuits
    /// that know nothing of scopes: what reads otherwise must be due again, and what lies nowhere near the difference must not.
    /// </summary>
    [Theory]
    [MemberData(nameof(Builds))]
    public void What_is_due_again_is_what_a_comparison_of_both_circuits_touches(string name)
    {
        var (wired, sheet) = Read(At(name));
        var (differ, far) = (0, 0);
        var ids = sheet.Checks.ToDictionary(c => c.Id);
        var volts = At(name).InputVolts ?? (At(name).Pack is { } pack ? pack.Cells * 4.2 : 0);
        foreach (var fault in PlantedFaults.Of(wired).Where(f => f.Edit is not (DeadRail or DeadDevice or SolderBlob)))
        {
            var changed = wired.With(fault.Edit);
            if (!ReferenceEquals(changed.Defects, wired.Defects))
            {
                // What fails by itself is no change that anybody has made.
                continue;
            }
            if (Shorts(wired, changed, volts))
            {
                // A short, or a ground on a supply, moves everything, however far; no plan makes one.
                continue;
            }
            var now = BenchReader.Of(changed, SettingsReader.Of(changed, Today), null);
            var due = Due(sheet, now);
            var region = new TouchedRegion(wired, changed);
            var (was, @is) = (new SimulatedBench(wired, wired, volts, 1), new SimulatedBench(wired, changed, volts, 1));
            foreach (var check in now.Checks.Where(c => ids.ContainsKey(c.Id)))
            {
                var before = ids[check.Id];
                if (Reads(was, before) != Reads(@is, before) && before.Probing is not SightProbing)
                {
                    Assert.True(
                        due.Contains(check.Id),
                        $"{name}, {fault.Words}: {check.Id} reads otherwise and is not due"
                    );
                    differ++;
                }
                else if (!region.Holds(check))
                {
                    Assert.False(due.Contains(check.Id), $"{name}, {fault.Words}: {check.Id} is due and not touched");
                    far++;
                }
            }
        }
        Assert.True(differ > 20 && far > 20, $"{differ} read otherwise, {far} lie far");
    }

    private static bool Shorts(WiredBuild wired, WiredBuild changed, double volts) =>
        changed.Joined.Any(l => l.Lead.Role == LeadRole.Ground && !changed.Build.Circuit.IsGround(l.Pad))
        || volts > 0
            && BenchPower.Of(wired.Build.Build, volts).Free is { } free
            && DamageCheck.Of(changed, free).Except(DamageCheck.Of(wired, free)).Any();

    // To what a reading comes to: a lamp more on one rail moves the others by less.
    private static string Reads(SimulatedBench bench, BenchCheck check)
    {
        var shown = bench.Read(check);
        return shown.Value is { } value ? check.Judge(value, null)!.Mark.ToString() : $"{shown.Answer}";
    }

    [Fact]
    public void A_device_that_is_exchanged_makes_due_what_it_touches_and_nothing_else()
    {
        var build = Demo.EastBenchKestrel;
        Build Of(Build from, string batch) =>
            new PartsChange
            {
                Kind = PartsChangeKind.SetBatch,
                Device = "gnss",
                Text = batch,
            }.ApplyTo(from, Demo.Library);
        var unknown = build with { Devices = [.. build.Devices.Select(d => d with { Batch = null })] };
        var noted = Of(unknown, "3");
        var (third, fourth) = (Read(noted).Sheet, Read(Of(noted, "4")).Sheet);
        // Noting which piece it is is no exchange.
        Assert.Empty(Due(Read(unknown).Sheet, third));
        var due = Due(third, fourth);
        Assert.Contains("link.position.satellites", due);
        Assert.Contains("cold.gnss-v.5v", due);
        Assert.Contains("volts.gnss.v", due);
        Assert.Contains("power.limited", due);
        Assert.Contains("all", due);
        Assert.DoesNotContain("link.control.sticks", due);
        Assert.DoesNotContain("volts.receiver.v", due);
        Assert.DoesNotContain("settings.read", due);
        Assert.DoesNotContain(due, id => id.StartsWith("cold.receiver", StringComparison.Ordinal));
    }

    private static HashSet<string> Due(BenchSheet was, BenchSheet now) =>
        [
            .. BenchState
                .Of(now, was.Checks.Select(c => new Proof(c.Id, Mark.Good, DateTime.UnixEpoch, c.Scope)))
                .Where(s => s.State != CheckState.Proved)
                .Select(s => s.Check),
        ];
}
