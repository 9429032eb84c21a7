using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Wired.Words;

namespace Gorvix.Core.Wired.Fit;

/// <summary>The room that a plan leaves, in words.</summary>
internal static class RoomReader
{
    /// <summary>Kinds of link that have the same room stand together, the roomiest first.</summary>
    public static FitRoom Words(IReadOnlyList<Room> rooms, ResolvedBuild build)
    {
        var clauses = rooms
            .GroupBy(r => (r.Count, Where: string.Join(", ", r.Ports.Select(Port.NameOf)), r.IsMost))
            .OrderByDescending(g => g.Key.Count)
            .Select(g =>
                $"{(g.Key.IsMost ? "" : Sentences.AtLeast)}{g.Key.Count}\u00A0×\u00A0{Phrase.Or([.. g.Select(r => Phrase.Lower(PlainWords.Of(r.Need)))])} ({g.Key.Where})"
            )
            .ToList();
        return new FitRoom(
            clauses.Count == 0
                ? Sentences.NothingElseFitsOnThe(build.Board.Name)
                : $"Free: {string.Join("; ", clauses)}.",
            [.. rooms.Select(r => new FitRoomKind(PlainWords.Of(r.Need), r.Count, r.Ports))]
        );
    }
}
