using Gorvix.Web.Features;

namespace Gorvix.Web.Tests;

/// <summary>What is computed by build and version: made once for all who ask, given up when nobody waits, forgotten when there is too much.</summary>
public class MemoTests
{
    private static readonly CancellationToken Stop = TestContext.Current.CancellationToken;

    private readonly Memo _memo = new();

    private static MemoKey Key(int version, object? what = null) => new("a", version, what ?? "plan");

    private Task<string> Of(MemoKey key, string made, int weight = 1) =>
        _memo.Of(key, _ => Task.FromResult(made), Stop, weight);

    [Fact]
    public async Task Who_asks_for_what_is_being_made_waits_for_it()
    {
        var gate = new TaskCompletionSource();
        var made = 0;
        async Task<object> Make(CancellationToken _)
        {
            made++;
            await gate.Task;
            return new object();
        }
        var askers = Enumerable.Range(0, 5).Select(_ => _memo.Of(Key(1), Make, Stop)).ToList();
        gate.SetResult();
        var answers = await Task.WhenAll(askers);
        Assert.Equal(1, made);
        Assert.All(answers, a => Assert.Same(answers[0], a));
        Assert.Same(answers[0], _memo.Find<object>(Key(1)));
        Assert.Null(_memo.Find<object>(Key(2)));
    }

    [Fact]
    public async Task It_is_stopped_when_the_last_who_waits_has_gone_and_not_before()
    {
        var halted = new TaskCompletionSource();
        var begun = new TaskCompletionSource();
        async Task<string> Make(CancellationToken halt)
        {
            begun.TrySetResult();
            halt.Register(() => halted.TrySetResult());
            await Task.Delay(Timeout.Infinite, halt);
            return "never";
        }
        using var one = new CancellationTokenSource();
        using var two = new CancellationTokenSource();
        var first = _memo.Of(Key(1), Make, one.Token);
        var second = _memo.Of(Key(1), Make, two.Token);
        await begun.Task;
        await one.CancelAsync();
        await Assert.ThrowsAnyAsync<OperationCanceledException>(() => first);
        Assert.False(halted.Task.IsCompleted);
        await two.CancelAsync();
        await Assert.ThrowsAnyAsync<OperationCanceledException>(() => second);
        await halted.Task;

        // Whoever comes now begins anew.
        Assert.Equal("anew", await Of(Key(1), "anew"));
    }

    [Fact]
    public async Task A_fault_is_not_kept_and_neither_is_what_is_not_to_be_kept()
    {
        await Assert.ThrowsAsync<InvalidDataException>(() =>
            _memo.Of<string>(Key(1), _ => throw new InvalidDataException(), Stop)
        );
        Assert.Equal("refused", await _memo.Of(Key(1), _ => Task.FromResult("refused"), Stop, keeps: _ => false));
        Assert.Equal("planned", await Of(Key(1), "planned"));
        Assert.Equal("planned", await Of(Key(1), "another"));
    }

    [Fact]
    public async Task Keys_are_compared_by_what_they_say()
    {
        await Of(Key(1, ("bench", 3.7)), "at 3.7");
        Assert.Equal("at 3.7", await Of(Key(1, ("bench", 3.7)), "again"));
        Assert.Equal("at 3.8", await Of(Key(1, ("bench", 3.8)), "at 3.8"));
        Assert.Equal("wires", await Of(Key(1, "loom"), "wires"));
        Assert.Equal("later", await Of(Key(2, ("bench", 3.7)), "later"));
    }

    [Fact]
    public void What_was_not_asked_for_longest_is_forgotten_when_all_weigh_too_much()
    {
        for (var version = 1; version <= Memo.Most; version++)
        {
            _memo.Put(Key(version), $"{version}");
        }
        Assert.NotNull(_memo.Find<string>(Key(1)));
        _memo.Put(Key(Memo.Most + 1), "one more");
        Assert.NotNull(_memo.Find<string>(Key(1)));
        Assert.Null(_memo.Find<string>(Key(2)));

        // A heavy one takes the room of several; one in place of another takes none.
        _memo.Put(Key(3), "anew");
        _memo.Put(Key(Memo.Most + 2), "heavy", weight: 6);
        Assert.Equal(
            [4, 5, 6, 7, 8, 9],
            Enumerable.Range(1, Memo.Most).Where(v => v != 2 && _memo.Find<string>(Key(v)) is null)
        );
        Assert.Equal("anew", _memo.Find<string>(Key(3)));
    }

    [Fact]
    public void What_is_heavier_than_all_may_be_is_kept_alone()
    {
        _memo.Put(Key(1), "light");
        _memo.Put(Key(2), "heavy", weight: Memo.Most + 1);
        Assert.Null(_memo.Find<string>(Key(1)));
        Assert.Equal("heavy", _memo.Find<string>(Key(2)));
    }
}
