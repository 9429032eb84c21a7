using Gorvix.Core.Plans.Scheduling;

namespace Gorvix.Web.Features;

/// <summary>Things that take long to make, by what they are of: each made once on the planner's threads, however many ask; the oldest fall out.</summary>
/// <param name="most">How many are kept.</param>
internal sealed class MadeOnce<TKey, TMade>(int most)
    where TKey : notnull
{
    private readonly Lock _lock = new();
    private readonly Dictionary<TKey, TMade> _made = [];
    private readonly Queue<TKey> _order = new();
    private readonly SharedWork<TKey, TMade> _making = new();

    /// <summary>The thing of a key.</summary>
    /// <param name="key">What it is of.</param>
    /// <param name="of">Whose work it is.</param>
    /// <param name="make">Makes it, until nobody waits any more.</param>
    /// <param name="stop">Tells that this asker does not wait any more.</param>
    public async Task<TMade> Of(TKey key, WorkOf of, Func<CancellationToken, TMade> make, CancellationToken stop) =>
        Find(key, out var known)
            ? known
            : await _making.Get(
                key,
                async halt => Find(key, out var made) ? made : Put(key, await Workers.Run(() => make(halt), of, halt)),
                stop
            );

    private bool Find(TKey key, out TMade made)
    {
        lock (_lock)
        {
            return _made.TryGetValue(key, out made!);
        }
    }

    private TMade Put(TKey key, TMade made)
    {
        lock (_lock)
        {
            if (_made.TryAdd(key, made))
            {
                _order.Enqueue(key);
            }
            if (_order.Count > most)
            {
                _made.Remove(_order.Dequeue());
            }
        }
        return made;
    }
}
