using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Plans.Builds;
using Gorvix.Storage;
using Gorvix.Web.Features;

namespace Gorvix.Web.Tests;

/// <summary>Results by build and version: made once for all who ask, given up when nobody waits, the oldest forgotten.</summary>
public class PlanKeepTests
{
    private static readonly CancellationToken Stop = TestContext.Current.CancellationToken;

    private readonly PlanKeep _keep = new();

    [Fact]
    public async Task Who_asks_for_what_is_being_made_waits_for_it()
    {
        var gate = new TaskCompletionSource();
        var made = 0;
        async Task<PlannedBuild> Make(CancellationToken _)
        {
            made++;
            await gate.Task;
            return Planned("a", 1);
        }
        var askers = Enumerable.Range(0, 5).Select(_ => _keep.Get("a", 1, PlanStage.Plan, Make, Stop)).ToList();
        gate.SetResult();
        var answers = await Task.WhenAll(askers);
        Assert.Equal(1, made);
        Assert.All(answers, a => Assert.Same(answers[0], a));
        Assert.Same(answers[0], _keep.Find("a", 1));
        Assert.Null(_keep.Find("a", 2));
    }

    [Fact]
    public async Task It_is_stopped_when_the_last_who_waits_has_gone_and_not_before()
    {
        var halted = new TaskCompletionSource();
        var begun = new TaskCompletionSource();
        async Task<PlannedBuild> Make(CancellationToken halt)
        {
            begun.TrySetResult();
            halt.Register(() => halted.TrySetResult());
            await Task.Delay(Timeout.Infinite, halt);
            return Planned("a", 1);
        }
        using var one = new CancellationTokenSource();
        using var two = new CancellationTokenSource();
        var first = _keep.Get("a", 1, PlanStage.Plan, Make, one.Token);
        var second = _keep.Get("a", 1, PlanStage.Plan, Make, two.Token);
        await begun.Task;
        await one.CancelAsync();
        await Assert.ThrowsAnyAsync<OperationCanceledException>(() => first);
        Assert.False(halted.Task.IsCompleted);
        await two.CancelAsync();
        await Assert.ThrowsAnyAsync<OperationCanceledException>(() => second);
        await halted.Task;

        // Whoever comes now begins anew.
        Assert.NotNull(await _keep.Get("a", 1, PlanStage.Plan, _ => Task.FromResult(Planned("a", 1)), Stop));
    }

    [Fact]
    public async Task A_fault_is_not_kept()
    {
        await Assert.ThrowsAsync<InvalidDataException>(() =>
            _keep.Get("a", 1, PlanStage.Plan, _ => throw new InvalidDataException(), Stop)
        );
        Assert.NotNull(await _keep.Get("a", 1, PlanStage.Plan, _ => Task.FromResult(Planned("a", 1)), Stop));
    }

    [Fact]
    public async Task A_plan_without_its_sheet_is_made_whole_when_the_sheet_is_asked_for()
    {
        _keep.Put(Planned("a", 1));
        var whole = await _keep.Get(
            "a",
            1,
            PlanStage.Sheet,
            _ => Task.FromResult(Planned("a", 1) with { Json = [1] }),
            Stop
        );
        Assert.Equal([1], whole.Json!);
        Assert.Equal([1], _keep.Find("a", 1)!.Json!);
    }

    [Fact]
    public void The_oldest_are_forgotten()
    {
        for (var version = 1; version <= 65; version++)
        {
            _keep.Put(Planned("a", version));
        }
        Assert.Null(_keep.Find("a", 1));
        Assert.NotNull(_keep.Find("a", 2));
        Assert.NotNull(_keep.Find("a", 65));
    }

    private static PlannedBuild Planned(string id, int version)
    {
        var build = new Build
        {
            Name = id,
            Board = "b",
            Devices = [],
            Wants = [],
        };
        return new PlannedBuild(new StoredBuild(id, version, build, null, null, default, false), null, null, []);
    }
}
