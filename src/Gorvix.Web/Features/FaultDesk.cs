using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Plans.Scheduling;
using Gorvix.Core.Wired.Settings;
using Gorvix.Core.Work.Faults;

namespace Gorvix.Web.Features;

/// <summary>The faults of a build against its tests.</summary>
/// <param name="Table">The table.</param>
/// <param name="Reader">Puts searches into words.</param>
internal sealed record FaultsOfBuild(FaultTable Table, FaultReader Reader);

/// <summary>Tables of faults by build, version and what the source was measured at.</summary>
internal sealed class FaultDesk(TimeProvider time)
{
    private readonly MadeOnce<(string, int, Effort, double?), FaultsOfBuild> _tables = new(most: 12);

    /// <summary>The faults of a planned build.</summary>
    public Task<FaultsOfBuild> Of(PlannedBuild planned, double? volts, CancellationToken stop) =>
        _tables.Of(
            // A plan that was thought about for longer is another one.
            (planned.Stored.Id, planned.Stored.Version, planned.Reader!.Effort, volts),
            new WorkOf(planned.Stored.Id),
            halt =>
            {
                var wired = planned.Reader!.Wired;
                var table = FaultTable.Of(wired, volts, halt);
                return new FaultsOfBuild(
                    table,
                    new FaultReader(
                        table,
                        wired,
                        SettingsReader.Of(wired, DateOnly.FromDateTime(time.GetLocalNow().LocalDateTime))
                    )
                );
            },
            stop
        );
}
