using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Scheduling;
using Gorvix.Core.Wired.Fit;
using Gorvix.Core.Wired.Loom;
using Gorvix.Core.Wired.Picture;
using Gorvix.Core.Wired.Rails;
using Gorvix.Core.Wired.Settings;
using Gorvix.Core.Work.Bench;
using Gorvix.Core.Work.Faults;

namespace Gorvix.Web.Features;

/// <summary>The faults of a build against its tests.</summary>
/// <param name="Table">The table.</param>
/// <param name="Reader">Puts searches into words.</param>
internal sealed record FaultsOfBuild(FaultTable Table, FaultReader Reader);

/// <summary>
/// What is read from planned builds, each made once on the planner's threads: by build and version, by how long its plan was thought about (a plan
/// that was thought about for longer is another one), and by what else it depends on. A reading, a tick or a badge makes none of it anew.
/// </summary>
internal sealed class BuildSheets(Memo memo, TimeProvider time)
{
    // About a megabyte for a demo build; the other sheets have a quarter of one at most.
    private const int TableWeight = 4;

    /// <summary>The wires of a build.</summary>
    public Task<LoomSheet> Loom(PlannedBuild planned, CancellationToken stop) =>
        Of(planned, "loom", _ => LoomReader.Of(planned.Reader.Wired), stop);

    /// <summary>The wiring picture of a build.</summary>
    /// <param name="planned">The build.</param>
    /// <param name="stop">Tells that nobody waits any more.</param>
    /// <param name="cell">Volts of a cell of its pack, within bounds; null for a full one.</param>
    /// <param name="at">Id of the situation whose volts are told; null for the first.</param>
    public async Task<WiringPicture> Picture(
        PlannedBuild planned,
        CancellationToken stop,
        double? cell = null,
        string? at = null
    )
    {
        var (loom, reader) = (await Loom(planned, stop), planned.Reader);
        WiringPicture Draw(CancellationToken halt) =>
            reader.Picture(loom, RailSheet.In(reader.Rails(cell, halt), at), halt);
        return cell is null && at is null
            ? await Of(planned, "picture", Draw, stop)
            : await Workers.Run(() => Draw(stop), stop);
    }

    /// <summary>The settings of a build, as of today: a declination drifts.</summary>
    public Task<SettingsSheet> Settings(PlannedBuild planned, CancellationToken stop) => Settings(planned, Today, stop);

    private Task<SettingsSheet> Settings(PlannedBuild planned, DateOnly day, CancellationToken stop) =>
        Of(planned, ("settings", day), _ => SettingsReader.Of(planned.Reader.Wired, day), stop);

    /// <summary>The checks of a build.</summary>
    /// <param name="planned">The build.</param>
    /// <param name="volts">What its supply was measured at; null where it was not.</param>
    /// <param name="stop">Tells that this asker has gone.</param>
    public async Task<BenchSheet> Bench(PlannedBuild planned, double? volts, CancellationToken stop)
    {
        var day = Today;
        var settings = await Settings(planned, day, stop);
        return await Of(
            planned,
            ("bench", day, volts),
            _ => BenchReader.Of(planned.Reader.Wired, settings, volts),
            stop
        );
    }

    /// <summary>The faults of a build.</summary>
    /// <inheritdoc cref="Bench"/>
    public async Task<FaultsOfBuild> Faults(PlannedBuild planned, double? volts, CancellationToken stop)
    {
        var day = Today;
        var settings = await Settings(planned, day, stop);
        return await Of(
            planned,
            ("faults", day, volts),
            halt =>
            {
                var wired = planned.Reader.Wired;
                var table = FaultTable.Of(wired, volts, halt);
                return new FaultsOfBuild(table, new FaultReader(table, wired, settings));
            },
            stop,
            TableWeight
        );
    }

    /// <summary>What would connect the links that a plan leaves out, by the parts that can be had: seconds of work.</summary>
    /// <param name="planned">The build with its plan.</param>
    /// <param name="parts">What it can be changed with.</param>
    /// <param name="stop">Tells that this asker does not wait any more.</param>
    public Task<IReadOnlyList<LinkUnlocks>> Unlocks(PlannedBuild planned, PartsLibrary parts, CancellationToken stop) =>
        Of(planned, new Offered(parts), halt => planned.Reader.Until(halt).Unlocks(parts), stop, pace: WorkPace.Long);

    private DateOnly Today => DateOnly.FromDateTime(time.GetLocalNow().LocalDateTime);

    private Task<TMade> Of<TMade>(
        PlannedBuild planned,
        object what,
        Func<CancellationToken, TMade> make,
        CancellationToken stop,
        int weight = 1,
        WorkPace pace = WorkPace.Now
    )
        where TMade : class =>
        memo.Of(
            new MemoKey(planned.Stored.Id, planned.Stored.Version, (planned.Reader.Effort, what)),
            halt => Workers.Run(() => make(halt), new WorkOf(planned.Stored.Id, pace), halt),
            stop,
            weight
        );

    /// <summary>Two libraries are one where each part is the very object that was read before: a part that was changed is read anew.</summary>
    private sealed record Offered(PartsLibrary Parts)
    {
        public bool Equals(Offered? other) =>
            other is not null && All(Parts).SequenceEqual(All(other.Parts), ReferenceEqualityComparer.Instance);

        public override int GetHashCode() => HashCode.Combine(Parts.Boards.Count, Parts.Devices.Count);

        private static IEnumerable<object> All(PartsLibrary of) => [.. of.Boards, .. of.Devices, .. of.Profiles];
    }
}
