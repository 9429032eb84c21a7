using System.Runtime.CompilerServices;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Scheduling;

namespace Gorvix.Core.Plans.Planning;

/// <summary>One candidate of a sweep with its verdict.</summary>
/// <param name="Part">Id of the board or device.</param>
/// <param name="After">The build with it, or null when it does not give what is wanted.</param>
/// <param name="Plan">The best plan with it, or null when there is none.</param>
/// <param name="Findings">Why there is no plan; empty when there is one.</param>
public sealed record SweepResult(string Part, ResolvedBuild? After, Plan? Plan, IReadOnlyList<Finding> Findings)
{
    /// <summary>What else the plan could still take; empty where there is no plan.</summary>
    public IReadOnlyList<Room> Room { get; init; } = [];
}

/// <summary>Before you buy: the same build on every board, or with every device of a kind, each planned to the optimum, or as far as a quick look goes.</summary>
public static class Sweep
{
    /// <summary>The build on every board of the library, in the library's order, as they are found.</summary>
    /// <param name="build">A build that passes <see cref="BuildCheck"/>.</param>
    /// <param name="library">The library.</param>
    /// <param name="stop">Who stops reading stops the work.</param>
    public static IAsyncEnumerable<SweepResult> OverBoards(
        Build build,
        PartsLibrary library,
        CancellationToken stop = default
    ) => InOrder(library.Boards, (b, halt) => Try(b.Id, BuildEdits.WithBoard(build, b.Id), library, halt), stop);

    /// <summary>The build with every device of the same kind as one of its devices, in the library's order.</summary>
    /// <param name="build">A build that passes <see cref="BuildCheck"/>.</param>
    /// <param name="device">Id of one of its devices.</param>
    /// <param name="library">The library.</param>
    /// <param name="stop">Who stops reading stops the work.</param>
    public static IAsyncEnumerable<SweepResult> OverDevices(
        Build build,
        string device,
        PartsLibrary library,
        CancellationToken stop = default
    )
    {
        var kind = library.Device(build.Devices.First(d => d.Id == device).Part)!.Kind;
        return InOrder(
            [.. library.Devices.Where(d => d.Kind == kind)],
            (d, halt) => Try(d.Id, BuildEdits.WithPart(build, device, d, library), library, halt),
            stop
        );
    }

    /// <summary>The build with every device of a kind added to it, in the library's order, with the links that it can give.</summary>
    /// <param name="build">A build that passes <see cref="BuildCheck"/>.</param>
    /// <param name="kind">The kind.</param>
    /// <param name="library">The library.</param>
    /// <param name="stop">Who stops reading stops the work.</param>
    public static IAsyncEnumerable<SweepResult> OverAdditions(
        Build build,
        DeviceKind kind,
        PartsLibrary library,
        CancellationToken stop = default
    ) =>
        InOrder(
            [.. library.Devices.Where(d => d.Kind == kind)],
            (d, halt) => Try(d.Id, BuildEdits.WithDevice(build, d, library), library, halt),
            stop
        );

    private static readonly WorkOf Pieces = new("sweep", WorkPace.Batch);

    // On all workers, handed on one by one in order; a few are begun ahead of the reader, and no more.
    private static async IAsyncEnumerable<SweepResult> InOrder<T>(
        IReadOnlyList<T> candidates,
        Func<T, CancellationToken, SweepResult> plan,
        [EnumeratorCancellation] CancellationToken stop
    )
    {
        var ahead = 8 * Environment.ProcessorCount;
        using var halt = CancellationTokenSource.CreateLinkedTokenSource(stop);
        var begun = new Queue<Task<SweepResult>>();
        try
        {
            foreach (var candidate in candidates)
            {
                begun.Enqueue(Workers.Run(() => plan(candidate, halt.Token), Pieces, halt.Token));
                if (begun.Count > ahead)
                {
                    yield return await begun.Dequeue();
                }
            }
            while (begun.TryDequeue(out var next))
            {
                yield return await next;
            }
        }
        finally
        {
            await halt.CancelAsync();
        }
    }

    private static SweepResult Try(string part, Build? after, PartsLibrary library, CancellationToken stop)
    {
        if (after is null)
        {
            return new SweepResult(part, null, null, []);
        }
        var (build, findings) = ResolvedBuild.Of(after, library);
        if (build is null)
        {
            return new SweepResult(part, null, null, findings);
        }
        try
        {
            var space = new PlanSpace(build, Effort.Quick, stop);
            var plan = Planner.Best(space);
            return new SweepResult(part, build, plan, []) { Room = RoomLeft.Of(space, plan) };
        }
        catch (UnplannableException problem)
        {
            return new SweepResult(part, null, null, problem.Findings);
        }
    }
}
