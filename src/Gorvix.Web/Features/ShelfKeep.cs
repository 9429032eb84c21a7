using System.Collections.Concurrent;

namespace Gorvix.Web.Features;

/// <summary>
/// Cards of builds by build and version, so that a long shelf is not planned anew for each look. When a part changes, so does the
/// version of every build that has it; a card stays true as long as its version is the newest.
/// </summary>
internal sealed class ShelfKeep
{
    private const int Most = 2000;

    private readonly ConcurrentDictionary<(string Id, int Version), ShelfBuild> _cards = new();

    /// <summary>A card that is kept, or null.</summary>
    public ShelfBuild? Find(string id, int version) => _cards.GetValueOrDefault((id, version));

    /// <summary>Keeps a card.</summary>
    public ShelfBuild Put(ShelfBuild card)
    {
        if (_cards.Count >= Most)
        {
            _cards.Clear();
        }
        return _cards[(card.Id, card.Version)] = card;
    }
}
