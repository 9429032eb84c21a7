using Gorvix.Core.Planning;

namespace Gorvix.Web.Features;

/// <summary>Things that take long to make, by what they are of: each made once on the planner's threads, however many ask; the oldest fall out.</summary>
/// <param name="most">How many are kept.</param>
internal sealed class MadeOnce<TKey, TMade>(int most)
    where TKey : notnull
{
    private readonly Lock _lock = new();
    private readonly Dictionary<TKey, Task<TMade>> _made = [];
    private readonly Queue<TKey> _order = new();

    /// <summary>The thing of a key.</summary>
    /// <param name="key">What it is of.</param>
    /// <param name="make">Makes it, unless nobody waits any more.</param>
    /// <param name="stop">Tells that this asker does not wait any more.</param>
    public async Task<TMade> Of(TKey key, Func<CancellationToken, TMade> make, CancellationToken stop)
    {
        while (true)
        {
            Task<TMade> made;
            lock (_lock)
            {
                if (!_made.TryGetValue(key, out made!) || made.IsFaulted || made.IsCanceled)
                {
                    if (!_made.ContainsKey(key))
                    {
                        _order.Enqueue(key);
                    }
                    _made[key] = made = Workers.Run(() => make(stop), stop);
                    if (_order.Count > most)
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
}
