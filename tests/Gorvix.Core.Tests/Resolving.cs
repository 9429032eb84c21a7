using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;

namespace Gorvix.Core.Tests;

/// <summary>Builds of tests resolve; one that does not is the test's fault.</summary>
internal static class Resolving
{
    /// <summary>A build that is known to resolve.</summary>
    public static ResolvedBuild Resolved(Build build, PartsLibrary library) =>
        ResolvedBuild.Of(build, library) is { Build: { } resolved }
            ? resolved
            : throw new ArgumentException(
                string.Join(" ", ResolvedBuild.Of(build, library).Findings.Select(f => f.Sentence))
            );
}
