using CsCheck;
using Gorvix.Core.Wired.Loom;

namespace Gorvix.Core.Tests.Loom;

/// <summary>The fewest steps at a plug, against trying them all.</summary>
public class PlugMovesTests
{
    // Up to five leads in up to five cavities; some of them stay, some go elsewhere, some leave.
    private static readonly string?[] Leads = ["a", "b", "c", "d", "e", null, null];

    private static readonly Gen<(string?[] Comes, string?[] Needs)> Plugs =
        from size in Gen.Int[1, 5]
        from comes in Gen.Shuffle<string?>(Leads).Select(l => l[..size])
        from order in Gen.Shuffle(Enumerable.Range(0, size).ToArray())
        from stay in Gen.Bool.Array[size]
        select (comes, order.Select(i => stay[i] ? comes[i] : null).ToArray());

    [Fact]
    public void No_shorter_way_leads_from_the_harness_as_it_comes_to_the_one_needed() =>
        Plugs.Holds(
            plug =>
            {
                var moves = PlugReader.Moves(plug.Comes, plug.Needs);
                Assert.Equal(plug.Needs, Follow(plug.Comes, moves));
                Assert.Equal(Fewest(plug.Comes, plug.Needs), moves.Count);
            },
            of: 2_000
        );

    [Fact]
    public void Two_leads_that_change_places_take_three_steps_one_is_held()
    {
        var moves = PlugReader.Moves(["rx", "tx", "g"], ["tx", "rx", "g"]);
        Assert.Equal(
            [
                new PlugMove(PlugDeed.Hold, "rx", 1, null),
                new PlugMove(PlugDeed.Move, "tx", 2, 1),
                new PlugMove(PlugDeed.Put, "rx", null, 2),
            ],
            moves
        );
    }

    [Fact]
    public void What_leaves_makes_room_first()
    {
        var moves = PlugReader.Moves([null, "sbus", "tx"], [null, "tx", null]);
        Assert.Equal([new PlugMove(PlugDeed.TakeOut, "sbus", 2, null), new PlugMove(PlugDeed.Move, "tx", 3, 2)], moves);
    }

    // Does what is written, and minds that no cavity ever holds two leads.
    private static string?[] Follow(string?[] comes, IReadOnlyList<PlugMove> moves)
    {
        var now = comes.ToArray();
        var hand = new List<string>();
        foreach (var move in moves)
        {
            if (move.From is { } from)
            {
                Assert.Equal(move.Lead, now[from - 1]);
                now[from - 1] = null;
            }
            else
            {
                Assert.True(hand.Remove(move.Lead));
            }
            if (move.To is { } to)
            {
                Assert.Null(now[to - 1]);
                now[to - 1] = move.Lead;
            }
            else
            {
                hand.Add(move.Lead);
            }
        }
        return now;
    }

    // Breadth first over everything that a hand can do with one lead.
    private static int Fewest(string?[] comes, string?[] needs)
    {
        var start = comes.ToList();
        var seen = new HashSet<string> { Key(start) };
        var edge = new List<List<string?>> { start };
        for (var steps = 0; ; steps++)
        {
            if (edge.Any(s => s.SequenceEqual(needs)))
            {
                return steps;
            }
            var next = new List<List<string?>>();
            foreach (var state in edge)
            {
                var loose = comes.OfType<string>().Except(state.OfType<string>()).ToList();
                foreach (var to in Enumerable.Range(0, state.Count).Where(i => state[i] is null))
                {
                    foreach (var lead in loose)
                    {
                        Try(next, seen, state, s => s[to] = lead);
                    }
                    foreach (var from in Enumerable.Range(0, state.Count).Where(i => state[i] is not null))
                    {
                        Try(next, seen, state, s => (s[to], s[from]) = (s[from], null));
                    }
                }
                foreach (var from in Enumerable.Range(0, state.Count).Where(i => state[i] is not null))
                {
                    Try(next, seen, state, s => s[from] = null);
                }
            }
            edge = next;
        }
    }

    private static void Try(
        List<List<string?>> next,
        HashSet<string> seen,
        List<string?> state,
        Action<List<string?>> change
    )
    {
        var copy = state.ToList();
        change(copy);
        if (seen.Add(Key(copy)))
        {
            next.Add(copy);
        }
    }

    private static string Key(IEnumerable<string?> state) => string.Join(',', state.Select(s => s ?? "-"));
}
