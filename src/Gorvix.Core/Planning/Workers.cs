using System.Collections.Concurrent;

namespace Gorvix.Core.Planning;

/// <summary>
/// Threads of our own for work that takes longer than a glance: one for each processor. The pool's threads stay free for
/// whoever waits, so that many askers never hold each other up.
/// </summary>
public static class Workers
{
    private static readonly BlockingCollection<Action> Queue = [];

    static Workers()
    {
        for (var i = 0; i < Environment.ProcessorCount; i++)
        {
            new Thread(Loop) { IsBackground = true, Name = $"planner {i + 1}" }.Start();
        }
    }

    /// <summary>Does the work on one of the threads. Work that nobody waits for any more is not begun.</summary>
    /// <param name="work">What to do.</param>
    /// <param name="stop">Tells that the answer is not wanted any more.</param>
    public static Task<T> Run<T>(Func<T> work, CancellationToken stop)
    {
        // Who waits goes on elsewhere: on this thread it would hold up the next in the queue.
        var done = new TaskCompletionSource<T>(TaskCreationOptions.RunContinuationsAsynchronously);
        Queue.Add(
            () =>
            {
                if (stop.IsCancellationRequested)
                {
                    done.TrySetCanceled(stop);
                    return;
                }
                try
                {
                    done.TrySetResult(work());
                }
                catch (OperationCanceledException)
                {
                    done.TrySetCanceled(stop);
                }
                catch (Exception problem)
                {
                    done.TrySetException(problem);
                }
            },
            CancellationToken.None
        );
        return done.Task;
    }

    private static void Loop()
    {
        foreach (var work in Queue.GetConsumingEnumerable())
        {
            work();
        }
    }
}
