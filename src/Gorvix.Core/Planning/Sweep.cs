using Gorvix.Core.Builds;
using Gorvix.Core.Findings;
using Gorvix.Core.Parts;

namespace Gorvix.Core.Planning;

/// <summary>One candidate of a sweep with its verdict.</summary>
/// <param name="Part">Id of the board or device.</param>
/// <param name="After">The build with it, or null when it does not give what is wanted.</param>
/// <param name="Plan">The best plan with it, or null when there is none.</param>
/// <param name="Findings">Why there is no plan; empty when there is one.</param>
public sealed record SweepResult(string Part, ResolvedBuild? After, Plan? Plan, IReadOnlyList<Finding> Findings);

/// <summary>Before you buy: the same build on every board, or with every device of a kind, each planned to the optimum.</summary>
public static class Sweep
{
    /// <summary>The build on every board of the library, in the library's order, as they are found.</summary>
    public static IEnumerable<SweepResult> OverBoards(Build build, PartsLibrary library) =>
        InOrder(library.Boards).Select(b => Try(b.Id, BuildEdits.WithBoard(build, b.Id), library));

    /// <summary>The build with every device of the same kind as one of its devices, in the library's order.</summary>
    /// <param name="build">A build that passes <see cref="BuildCheck"/>.</param>
    /// <param name="device">Id of one of its devices.</param>
    /// <param name="library">The library.</param>
    public static IEnumerable<SweepResult> OverDevices(Build build, string device, PartsLibrary library)
    {
        var kind = library.Device(build.Devices.First(d => d.Id == device).Part)!.Kind;
        return InOrder([.. library.Devices.Where(d => d.Kind == kind)])
            .Select(d => Try(d.Id, BuildEdits.WithPart(build, device, d, library), library));
    }

    // On all processors, handed on one by one as they are found; who stops reading stops the work.
    private static ParallelQuery<T> InOrder<T>(IReadOnlyList<T> candidates) =>
        candidates.AsParallel().AsOrdered().WithMergeOptions(ParallelMergeOptions.NotBuffered);

    private static SweepResult Try(string part, Build? after, PartsLibrary library)
    {
        if (after is null)
        {
            return new SweepResult(part, null, null, []);
        }
        try
        {
            var build = ResolvedBuild.Create(after, library);
            return new SweepResult(part, build, Planner.Best(build), []);
        }
        catch (InvalidBuildException problem)
        {
            return new SweepResult(part, null, null, problem.Findings);
        }
    }
}
