using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Fit;
using Gorvix.Core.Wired.Settings;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Wired.Words;
using Gorvix.Core.Work.Bench;

namespace Gorvix.Core.Work.Log;

/// <summary>A build at a moment, with the readings that were there.</summary>
/// <param name="Reader">The build as it was planned.</param>
/// <param name="At">When, UTC.</param>
/// <param name="Readings">The last reading of each check until then.</param>
public sealed record Moment(FitReader Reader, DateTime At, IReadOnlyList<LoggedReading> Readings);

/// <summary>Something that is other at one moment than at another.</summary>
/// <param name="What">What it is.</param>
/// <param name="Was">How it was; null where it was not there.</param>
/// <param name="Is">How it is; null where it is not there.</param>
public sealed record Otherwise(string What, string? Was, string? Is);

/// <summary>Two moments of a build in one view.</summary>
/// <param name="Links">Where links go.</param>
/// <param name="Wires">Where leads are, and bridges.</param>
/// <param name="Parts">Board, devices, firmware, pack.</param>
/// <param name="Settings">The settings as a text, line by line.</param>
/// <param name="Readings">What was read.</param>
/// <param name="Due">What had to be proved again after the change, by the names of the checks.</param>
public sealed record MomentDifference(
    IReadOnlyList<Otherwise> Links,
    IReadOnlyList<Otherwise> Wires,
    IReadOnlyList<Otherwise> Parts,
    IReadOnlyList<DiffLine> Settings,
    IReadOnlyList<Otherwise> Readings,
    IReadOnlyList<string> Due
)
{
    /// <summary>True when nothing is other.</summary>
    public bool IsSame =>
        Links.Count + Wires.Count + Parts.Count + Readings.Count == 0 && Settings.All(l => l.Fate == LineFate.Same);
}

/// <summary>Compares two moments of a build.</summary>
public static class Moments
{
    /// <summary>The difference.</summary>
    /// <param name="from">The earlier moment.</param>
    /// <param name="to">The later one.</param>
    /// <param name="today">The day, for the declination of both.</param>
    public static MomentDifference Compare(Moment from, Moment to, DateOnly today)
    {
        var (was, now) = (from.Reader.Wired, to.Reader.Wired);
        var (wasSet, nowSet) = (SettingsReader.Of(was, today), SettingsReader.Of(now, today));
        return new MomentDifference(
            Between(Links(from.Reader), Links(to.Reader)),
            Between(Wires(was), Wires(now)),
            Between(Parts(was), Parts(now)),
            LineDiff.Of(NeutralForm.Write(was.Build.Board, wasSet), NeutralForm.Write(now.Build.Board, nowSet)),
            Between(Read(from.Readings), Read(to.Readings)),
            Due(BenchReader.Of(was, wasSet, null), BenchReader.Of(now, nowSet, null))
        );
    }

    private static IReadOnlyList<string> Due(BenchSheet was, BenchSheet now)
    {
        var before = was.Checks.ToDictionary(c => c.Id);
        return
        [
            .. now
                .Checks.Where(c => !before.TryGetValue(c.Id, out var b) || !b.Scope.SequenceEqual(c.Scope))
                .Select(c => c.Title),
        ];
    }

    private static IReadOnlyList<Otherwise> Between(
        IReadOnlyList<(string What, string How)> was,
        IReadOnlyList<(string What, string How)> now
    )
    {
        var (before, after) = (was.DistinctBy(w => w.What).ToDictionary(), now.DistinctBy(n => n.What).ToDictionary());
        return
        [
            .. before
                .Keys.Union(after.Keys)
                .Select(k => new Otherwise(k, before.GetValueOrDefault(k), after.GetValueOrDefault(k)))
                .Where(o => o.Was != o.Is),
        ];
    }

    private static List<(string, string)> Links(FitReader reader) =>
        [
            .. reader.Plan.Placements.Select(p =>
                (
                    PlainWords.Of(p.Link),
                    p.Route is { } route ? $"{route.Port.Name}, {route.Mode.Name}" : Sentences.NotConnected
                )
            ),
        ];

    private static List<(string, string)> Wires(WiredBuild wired) =>
        [
            .. wired.Leads.Select(l =>
                (
                    Sentences.OfThe(l.Lead.Label, wired.Build.Devices.First(d => d.Id == l.Device).Device.Name),
                    WireWords.Of(l, wired)
                )
            ),
            .. wired.Bridges.Select(b => ($"jumper {b.Bridge.Id}", string.Join('+', b.Positions))),
        ];

    private static List<(string, string)> Parts(WiredBuild wired)
    {
        var (board, build) = (wired.Build.Board, wired.Build.Build);
        var list = new List<(string, string)>
        {
            ("board", $"{board.Maker} {board.Name}, revision {board.Revision}"),
            ("firmware", wired.Build.Firmware?.Name ?? Sentences.NoneChosen),
            (
                "supply",
                build.InputVolts is { } volts ? $"{volts:0.##} V"
                : build.Pack is { } pack ? $"{pack.Cells}S"
                : Sentences.NoneChosen
            ),
        };
        list.AddRange(build.Devices.Select(d => (d.Id, Told(d, wired.Build.Devices.First(x => x.Id == d.Id).Device))));
        return list;
    }

    private static string Told(BuildDevice device, Device part) =>
        $"{part.Maker} {part.Name}{(device.Batch is { } batch ? $", batch {batch}" : "")}";

    private static List<(string, string)> Read(IReadOnlyList<LoggedReading> readings) =>
        [.. readings.Select(r => (r.Title, $"{r.Read()} ({BenchWords.Of(r.Mark)})"))];
}
