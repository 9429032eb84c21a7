namespace Gorvix.Web.Features;

/// <summary>What something that was computed is of.</summary>
/// <param name="Of">Id of the build, or of what else it is of.</param>
/// <param name="Version">Its version.</param>
/// <param name="What">What was computed, with all else that it depends on; compared by value.</param>
internal readonly record struct MemoKey(string Of, int Version, object What);

/// <summary>
/// Everything that is computed of builds, in memory. Each thing is made once, however many ask while it is made; it is given up when the last
/// who waits has gone. When all together weigh too much, what was not asked for longest is forgotten.
/// </summary>
/// <remarks>
/// The framework's caches were looked at: the plain one makes a thing once for each who asks, the hybrid one keeps what can be written as bytes.
/// </remarks>
internal sealed class Memo
{
    /// <summary>How much all things together may weigh. One is about a quarter of a megabyte, as measured on the demo builds.</summary>
    public const int Most = 240;

    private readonly Lock _lock = new();
    private readonly Dictionary<MemoKey, LinkedListNode<Thing>> _made = [];
    private readonly LinkedList<Thing> _order = new();
    private readonly Dictionary<MemoKey, Making> _making = [];
    private int _weight;

    /// <summary>What is kept; null where nothing is.</summary>
    /// <typeparam name="TMade">Its type: a key stands for things of one type.</typeparam>
    public TMade? Find<TMade>(MemoKey key)
        where TMade : class
    {
        lock (_lock)
        {
            if (!_made.TryGetValue(key, out var node))
            {
                return null;
            }
            _order.Remove(node);
            _order.AddLast(node);
            return (TMade)node.Value.Made;
        }
    }

    /// <summary>Keeps something in place of what was kept.</summary>
    public void Put(MemoKey key, object made, int weight = 1)
    {
        lock (_lock)
        {
            if (_made.Remove(key, out var before))
            {
                Drop(before);
            }
            _made[key] = _order.AddLast(new Thing(key, made, weight));
            _weight += weight;
            while (_weight > Most && _order.First is { } oldest && oldest != _order.Last)
            {
                _made.Remove(oldest.Value.Key);
                Drop(oldest);
            }
        }
    }

    /// <summary>What is kept, or is made now.</summary>
    /// <param name="key">What it is of.</param>
    /// <param name="make">Makes it, on threads of its own; stopped when nobody waits any more.</param>
    /// <param name="stop">Tells that this asker has gone.</param>
    /// <param name="weight">What it weighs, in the unit of <see cref="Most"/>.</param>
    /// <param name="keeps">Whether it is kept; what is not is made anew for the next who asks.</param>
    public async Task<TMade> Of<TMade>(
        MemoKey key,
        Func<CancellationToken, Task<TMade>> make,
        CancellationToken stop,
        int weight = 1,
        Func<TMade, bool>? keeps = null
    )
        where TMade : class
    {
        Making making;
        lock (_lock)
        {
            if (Find<TMade>(key) is { } known)
            {
                return known;
            }
            if (!_making.TryGetValue(key, out making!))
            {
                _making.Add(key, making = new Making());
                making.Task = Make(key, making, make, weight, keeps);
            }
            making.Waiting++;
        }
        try
        {
            return (TMade)await making.Task.WaitAsync(stop);
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

    private async Task<object> Make<TMade>(
        MemoKey key,
        Making making,
        Func<CancellationToken, Task<TMade>> make,
        int weight,
        Func<TMade, bool>? keeps
    )
        where TMade : class
    {
        // The lock is held by who began; the work goes on elsewhere.
        await Task.Yield();
        try
        {
            var made = await make(making.Halt.Token);
            if (keeps?.Invoke(made) ?? true)
            {
                Put(key, made, weight);
            }
            return made;
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

    private void Drop(LinkedListNode<Thing> node)
    {
        _order.Remove(node);
        _weight -= node.Value.Weight;
    }

    private sealed record Thing(MemoKey Key, object Made, int Weight);

    private sealed class Making
    {
        public Task<object> Task { get; set; } = null!;

        public CancellationTokenSource Halt { get; } = new();

        public int Waiting { get; set; }
    }
}
