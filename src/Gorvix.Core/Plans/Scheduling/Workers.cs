namespace Gorvix.Core.Plans.Scheduling;

/// <summary>How soon work is wanted.</summary>
public enum WorkPace
{
    /// <summary>Somebody looks at the screen and waits. It goes before all else.</summary>
    Now,

    /// <summary>Many small pieces, such as the candidates of a sweep: on every thread that nobody waits for.</summary>
    Batch,

    /// <summary>One piece of seconds: on threads of its own, so that who waits is never behind it.</summary>
    Long,
}

/// <summary>Whose work it is: threads go round among the owners, and no owner has all of them.</summary>
/// <param name="Of">What it is about, such as a build.</param>
/// <param name="Pace">How soon it is wanted.</param>
public sealed record WorkOf(string Of, WorkPace Pace = WorkPace.Now)
{
    /// <summary>Work about nothing in particular; who asks for it has a turn of its own.</summary>
    public static readonly WorkOf Anything = new("");
}

/// <summary>
/// Threads of our own for work that takes longer than a glance: one for each processor, at least two, and two more for what takes
/// seconds. The pool's threads stay free for whoever waits, so that many askers never hold each other up. Owners take turns: one hard
/// build does not slow the others.
/// </summary>
public static class Workers
{
    private static readonly int Short = Math.Max(2, Environment.ProcessorCount);
    private const int Long = 2;

    private static readonly Lock Gate = new();
    private static readonly SemaphoreSlim Waiting = new(0);

    // By pace, owners in turn, each with its pieces in order.
    private static readonly LinkedList<Owner>[] Turns = [new(), new(), new()];
    private static readonly Dictionary<string, int> Running = [];
    private static int _short;
    private static int _long;

    static Workers()
    {
        for (var i = 0; i < Short + Long; i++)
        {
            new Thread(Loop) { IsBackground = true, Name = $"planner {i + 1}" }.Start();
        }
    }

    /// <summary>Does the work on one of the threads. Work that nobody waits for any more is not begun.</summary>
    /// <param name="work">What to do.</param>
    /// <param name="stop">Tells that the answer is not wanted any more.</param>
    public static Task<T> Run<T>(Func<T> work, CancellationToken stop) => Run(work, WorkOf.Anything, stop);

    /// <summary>Does the work on one of the threads, in its owner's turn. Work that nobody waits for any more is not begun.</summary>
    /// <param name="work">What to do.</param>
    /// <param name="of">Whose work it is.</param>
    /// <param name="stop">Tells that the answer is not wanted any more.</param>
    public static Task<T> Run<T>(Func<T> work, WorkOf of, CancellationToken stop)
    {
        // Who waits goes on elsewhere: on this thread it would hold up the next in the queue.
        var done = new TaskCompletionSource<T>(TaskCreationOptions.RunContinuationsAsynchronously);
        Add(
            of,
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
            }
        );
        return done.Task;
    }

    private static void Add(WorkOf of, Action work)
    {
        lock (Gate)
        {
            var turns = Turns[(int)of.Pace];
            var owner = turns.FirstOrDefault(o => o.Of == of.Of);
            if (owner is null)
            {
                turns.AddLast(owner = new Owner(of.Of));
            }
            owner.Pieces.Enqueue(work);
        }
        Waiting.Release();
    }

    private static void Loop()
    {
        while (true)
        {
            Waiting.Wait();
            if (Next() is not var (work, of))
            {
                continue;
            }
            work();
            lock (Gate)
            {
                Count(of, -1);
            }
            // What could not be begun beside it may be begun now.
            Waiting.Release();
        }
    }

    private static void Count(WorkOf of, int more)
    {
        if (of.Pace == WorkPace.Long)
        {
            _long += more;
            return;
        }
        _short += more;
        Running[of.Of] = Running.GetValueOrDefault(of.Of) + more;
        if (Running[of.Of] == 0)
        {
            Running.Remove(of.Of);
        }
    }

    // The next piece: who waits first, then batches, then what takes long; owners in turn, but for who has all threads but one.
    private static (Action Work, WorkOf Of)? Next()
    {
        lock (Gate)
        {
            for (var pace = WorkPace.Now; pace <= WorkPace.Long; pace++)
            {
                if (pace == WorkPace.Long ? _long >= Long : _short >= Short)
                {
                    continue;
                }
                var turns = Turns[(int)pace];
                for (var owner = turns.First; owner is not null; owner = owner.Next)
                {
                    var of = owner.Value.Of;
                    if (of != "" && pace == WorkPace.Now && Running.GetValueOrDefault(of) >= Short - 1)
                    {
                        continue;
                    }
                    turns.Remove(owner);
                    var work = owner.Value.Pieces.Dequeue();
                    if (owner.Value.Pieces.Count > 0)
                    {
                        turns.AddLast(owner);
                    }
                    var next = new WorkOf(of, pace);
                    Count(next, 1);
                    return (work, next);
                }
            }
            return null;
        }
    }

    private sealed class Owner(string of)
    {
        public string Of { get; } = of;

        public Queue<Action> Pieces { get; } = new();
    }
}
