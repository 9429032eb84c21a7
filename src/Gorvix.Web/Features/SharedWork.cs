namespace Gorvix.Web.Features;

/// <summary>Work that is done once for all who ask while it goes on; it is given up when the last who waits has gone.</summary>
internal sealed class SharedWork<TKey, TMade>
    where TKey : notnull
{
    private readonly Lock _lock = new();
    private readonly Dictionary<TKey, Making> _making = [];

    /// <summary>What is made of a key.</summary>
    /// <param name="key">What it is of.</param>
    /// <param name="make">Makes it; stopped when nobody waits any more.</param>
    /// <param name="stop">Tells that this asker has gone.</param>
    public async Task<TMade> Get(TKey key, Func<CancellationToken, Task<TMade>> make, CancellationToken stop)
    {
        Making making;
        lock (_lock)
        {
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

    private async Task<TMade> Make(TKey key, Making making, Func<CancellationToken, Task<TMade>> make)
    {
        // The lock is held by who began; the work goes on elsewhere.
        await Task.Yield();
        try
        {
            return await make(making.Halt.Token);
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
        public Task<TMade> Task { get; set; } = null!;

        public CancellationTokenSource Halt { get; } = new();

        public int Waiting { get; set; }
    }
}
