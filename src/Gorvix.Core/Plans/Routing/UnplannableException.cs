using Gorvix.Core.Hardware.Findings;

namespace Gorvix.Core.Plans.Routing;

/// <summary>
/// A build that is allowed piece by piece, but leaves so much to choose from that its best plan is not looked for. Thrown while
/// ways are made or plans are searched, as a stop is; whoever asked tells the builder the finding.
/// </summary>
/// <param name="finding">What is too much, and how to mend it.</param>
public sealed class UnplannableException(Finding finding) : Exception(finding.Sentence)
{
    /// <summary>What is too much, and how to mend it.</summary>
    public Finding Finding { get; } = finding;
}
