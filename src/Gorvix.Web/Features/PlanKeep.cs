namespace Gorvix.Web.Features;

/// <summary>
/// Planned builds by build and version; the oldest fall out. Who asks for what is being made waits for it; it is given up when
/// the last who waits has gone.
/// </summary>
internal sealed class PlanKeep
{
    private const int Most = 64;

    private readonly Lock _lock = new();
    private readonly Dictionary<(string Id, int Version), PlannedBuild> _made = [];
    private readonly Queue<(string Id, int Version)> _order = new();
    private readonly Dictionary<(string Id, int Version, PlanStage Stage), Making> _making = [];

    /// <summary>A planned build that is kept, or null.</summary>
    public PlannedBuild? Find(string id, int version)
    {
        lock (_lock)
        {
            return _made.GetValueOrDefault((id, version));
        }
    }

    /// <summary>Keeps a planned build.</summary>
    public void Put(PlannedBuild planned)
    {
        var key = (planned.Stored.Id, planned.Stored.Version);
        lock (_lock)
        {
            if (!_made.ContainsKey(key))
            {
                _order.Enqueue(key);
            }
            _made[key] = planned;
            if (_order.Count > Most)
            {
                _made.Remove(_order.Dequeue());
            }
        }
    }

    /// <summary>A planned build, made when it is not kept.</summary>
    /// <param name="id">The build.</param>
    /// <param name="version">Its version.</param>
    /// <param name="stage">How much of it.</param>
    /// <param name="make">Makes it; stopped when nobody waits any more.</param>
    /// <param name="stop">Tells that this asker has gone.</param>
    public async Task<PlannedBuild> Get(
        string id,
        int version,
        PlanStage stage,
        Func<CancellationToken, Task<PlannedBuild>> make,
        CancellationToken stop
    )
    {
        var key = (id, version, stage);
        Making making;
        lock (_lock)
        {
            if (_made.TryGetValue((id, version), out var known) && (stage == PlanStage.Plan || known.Json is not null))
            {
                return known;
            }
            if (!_making.TryGetValue(key, out making!))
            {
                _making.Add(key, making = new Making());
                making.Task = Make(key, making, make);
            }
            making.Waiting++;
        }
        try
        {
            return await making.Task.WaitAsync(stop);
        }
        finally
        {
            lock (_lock)
            {
                if (--making.Waiting == 0 && !making.Task.IsCompleted)
                {
                    _making.Remove(key);
                    making.Halt.Cancel();
                }
            }
        }
    }

    private async Task<PlannedBuild> Make(
        (string, int, PlanStage) key,
        Making making,
        Func<CancellationToken, Task<PlannedBuild>> make
    )
    {
        // The lock is held by who began; the work goes on elsewhere.
        await Task.Yield();
        try
        {
            var planned = await make(making.Halt.Token);
            if (planned.Refused.Count == 0)
            {
                Put(planned);
            }
            return planned;
        }
        finally
        {
            lock (_lock)
            {
                if (_making.GetValueOrDefault(key) == making)
                {
                    _making.Remove(key);
                }
            }
        }
    }

    private sealed class Making
    {
        public Task<PlannedBuild> Task { get; set; } = null!;

        public CancellationTokenSource Halt { get; } = new();

        public int Waiting { get; set; }
    }
}
