namespace Gorvix.Web.Features;

/// <summary>
/// Planned builds by build and version; the oldest fall out. Who asks for what is being made waits for it; it is given up when
/// the last who waits has gone. What was thought about for longer takes the place of the first look, never the other way round.
/// </summary>
internal sealed class PlanKeep
{
    private const int Most = 64;

    private readonly Lock _lock = new();
    private readonly Dictionary<(string Id, int Version), PlannedBuild> _made = [];
    private readonly Queue<(string Id, int Version)> _order = new();
    private readonly SharedWork<(string Id, int Version, PlanStage Stage), PlannedBuild> _making = new();

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
            if (_made.TryGetValue(key, out var known) && known.Reached > planned.Reached)
            {
                return;
            }
            if (known is null)
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
        PlannedBuild? Known() => Find(id, version) is { } known && known.Reached >= stage ? known : null;

        return Known()
            ?? await _making.Get((id, version, stage), async halt => Known() ?? Kept(await make(halt)), stop);
    }

    private PlannedBuild Kept(PlannedBuild planned)
    {
        if (planned.Refused.Count == 0)
        {
            Put(planned);
        }
        return planned;
    }
}

/// <summary>How much of a build's answer is made.</summary>
internal enum PlanStage
{
    /// <summary>The plan: enough for the shelf.</summary>
    Plan,

    /// <summary>The whole sheet.</summary>
    Sheet,

    /// <summary>The whole sheet, thought about for as long as it is worth while; where the first look has proved all, that one.</summary>
    Patient,
}
