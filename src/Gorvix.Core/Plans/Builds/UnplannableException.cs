using Gorvix.Core.Hardware.Findings;

namespace Gorvix.Core.Plans.Builds;

/// <summary>
/// A build that cannot be planned: something stands against it, or it is allowed piece by piece, but leaves so much to choose from that its best
/// plan is not looked for. Thrown before or while ways are made and plans are searched, as a stop is; whoever asked tells the builder the findings.
/// </summary>
/// <param name="findings">What stands against it, and how to mend it; at least one.</param>
public sealed class UnplannableException(IReadOnlyList<Finding> findings) : Exception(findings[0].Sentence)
{
    /// <summary>What stands against it, and how to mend it; at least one.</summary>
    public IReadOnlyList<Finding> Findings { get; } = findings;
}
