using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Plans.Scheduling;

namespace Gorvix.Core.Tests.Planning;

/// <summary>The planner's own threads: they answer, pass faults on, and do not begin what nobody waits for.</summary>
public class WorkersTests
{
    private static readonly CancellationToken Stop = TestContext.Current.CancellationToken;

    [Fact]
    public async Task Work_is_done_on_a_thread_that_is_not_of_the_pool() =>
        Assert.False(await Workers.Run(() => Thread.CurrentThread.IsThreadPoolThread, Stop));

    [Fact]
    public async Task A_fault_comes_back_to_the_asker_and_the_thread_goes_on()
    {
        for (var i = 0; i < 2 * Environment.ProcessorCount; i++)
        {
            await Assert.ThrowsAsync<InvalidDataException>(() =>
                Workers.Run<int>(() => throw new InvalidDataException(), Stop)
            );
        }
        Assert.Equal(7, await Workers.Run(() => 7, Stop));
    }

    [Fact]
    public async Task What_nobody_waits_for_any_more_is_not_begun()
    {
        using var gate = new ManualResetEventSlim();
        var busy = Enumerable
            .Range(0, Environment.ProcessorCount)
            .Select(_ => Workers.Run(() => gate.Wait(TimeSpan.FromMinutes(5)), Stop))
            .ToList();
        using var gone = new CancellationTokenSource();
        var begun = false;
        var late = Workers.Run(() => begun = true, gone.Token);
        await gone.CancelAsync();
        gate.Set();
        await Assert.ThrowsAnyAsync<OperationCanceledException>(() => late);
        await Task.WhenAll(busy);
        Assert.False(begun);
    }

    [Fact]
    public async Task A_search_that_is_stopped_ends_as_stopped()
    {
        using var gone = new CancellationTokenSource();
        await gone.CancelAsync();
        Assert.ThrowsAny<OperationCanceledException>(() =>
            Planner.Best(new PlanSpace(Demo.SpoilTipOwl.Resolve(), gone.Token))
        );
    }
}
