using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Work.Bench;
using Gorvix.Core.Work.FaultModel;

namespace Gorvix.Web.Features;

/// <summary>The simulated benches, one for each build, in memory: what is planted in each. After a restart of the program nothing is.</summary>
internal sealed class SimulatedBenches
{
    // A pack nearly full, as one comes to the bench.
    private const double Cell = 4.12;

    private const int MostBuilds = 1000;

    private readonly Lock _lock = new();
    private readonly Dictionary<string, (string? Fault, bool IsHidden)> _planted = [];
    private int _seed;

    /// <summary>What is planted in a build.</summary>
    public (string? Fault, bool IsHidden) Of(string build)
    {
        lock (_lock)
        {
            return _planted.GetValueOrDefault(build);
        }
    }

    /// <summary>Plants something, or takes it away.</summary>
    public void Plant(string build, PlantRequest plant, IReadOnlyList<PlantedFault> faults)
    {
        lock (_lock)
        {
            if (_planted.Count >= MostBuilds)
            {
                _planted.Clear();
            }
            _planted[build] =
                plant.Hidden && faults.Count > 0
                    ? (faults[Random.Shared.Next(faults.Count)].Id, true)
                    : (plant.Fault, false);
        }
    }

    /// <summary>What a check shows at the aircraft as it really is.</summary>
    public Shown Read(string build, WiredBuild wired, BenchCheck check)
    {
        var planted = Of(build).Fault;
        var fault = PlantedFaults.Of(wired).FirstOrDefault(f => f.Id == planted);
        var volts = wired.Build.Build.InputVolts ?? (wired.Build.Build.Pack?.Cells ?? 0) * Cell;
        return new SimulatedBench(
            wired,
            fault is null ? wired : wired.With(fault.Edit),
            volts,
            Interlocked.Increment(ref _seed)
        ).Read(check);
    }
}
