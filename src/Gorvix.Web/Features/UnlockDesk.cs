using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Plans.Scheduling;
using Gorvix.Core.Wired.Fit;

namespace Gorvix.Web.Features;

/// <summary>What would connect the links that a plan leaves out, by the plan and the parts that can be had: seconds of work, asked for at each step.</summary>
internal sealed class UnlockDesk
{
    private readonly MadeOnce<(string, int, Effort, Offered), IReadOnlyList<LinkUnlocks>> _made = new(most: 64);

    /// <summary>The unlocks of a planned build.</summary>
    /// <param name="planned">The build with its plan.</param>
    /// <param name="parts">What it can be changed with.</param>
    /// <param name="stop">Tells that this asker does not wait any more.</param>
    public Task<IReadOnlyList<LinkUnlocks>> Of(PlannedBuild planned, PartsLibrary parts, CancellationToken stop)
    {
        var plan = planned.Reader!;
        return _made.Of(
            // A plan that was thought about for longer is another one.
            (planned.Stored.Id, planned.Stored.Version, plan.Effort, new Offered(parts)),
            new WorkOf(planned.Stored.Id, WorkPace.Long),
            halt => plan.Until(halt).Unlocks(parts),
            stop
        );
    }

    /// <summary>Two libraries are one where each part is the very object that was read before: a part that was changed is read anew.</summary>
    private readonly record struct Offered(PartsLibrary Parts)
    {
        public bool Equals(Offered other) =>
            All(Parts).SequenceEqual(All(other.Parts), ReferenceEqualityComparer.Instance);

        public override int GetHashCode() => HashCode.Combine(Parts.Boards.Count, Parts.Devices.Count);

        private static IEnumerable<object> All(PartsLibrary of) => [.. of.Boards, .. of.Devices, .. of.Profiles];
    }
}
