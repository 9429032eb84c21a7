using Gorvix.Core.Faults;
using Gorvix.Core.Planning;
using Gorvix.Core.Settings;

namespace Gorvix.Web.Features;

/// <summary>The faults of a build against its tests.</summary>
/// <param name="Table">The table.</param>
/// <param name="Reader">Puts searches into words.</param>
internal sealed record FaultsOfBuild(FaultTable Table, FaultReader Reader);

/// <summary>Tables of faults by build, version and what the source was measured at; the oldest fall out. Each is made once, on the planner's threads.</summary>
internal sealed class FaultDesk(TimeProvider time)
{
    private const int Most = 12;

    private readonly Lock _lock = new();
    private readonly Dictionary<(string, int, double?), Task<FaultsOfBuild>> _made = [];
    private readonly Queue<(string, int, double?)> _order = new();

    /// <summary>The faults of a planned build.</summary>
    public async Task<FaultsOfBuild> Of(PlannedBuild planned, double? volts, CancellationToken stop)
    {
        var key = (planned.Stored.Id, planned.Stored.Version, volts);
        while (true)
        {
            Task<FaultsOfBuild> made;
            lock (_lock)
            {
                if (!_made.TryGetValue(key, out made!) || made.IsFaulted || made.IsCanceled)
                {
                    if (!_made.ContainsKey(key))
                    {
                        _order.Enqueue(key);
                    }
                    _made[key] = made = Workers.Run(() => Make(planned, volts, stop), stop);
                    if (_order.Count > Most)
                    {
                        _made.Remove(_order.Dequeue());
                    }
                }
            }
            try
            {
                return await made.WaitAsync(stop);
            }
            catch (OperationCanceledException) when (!stop.IsCancellationRequested)
            {
                // Who had begun it has left: it is begun anew for who still waits.
            }
        }
    }

    private FaultsOfBuild Make(PlannedBuild planned, double? volts, CancellationToken stop)
    {
        var wired = planned.Reader!.Wired;
        var table = FaultTable.Of(wired, volts, stop);
        return new FaultsOfBuild(
            table,
            new FaultReader(
                table,
                wired,
                SettingsReader.Of(wired, DateOnly.FromDateTime(time.GetLocalNow().LocalDateTime))
            )
        );
    }
}
