using Xunit.Sdk;
using Xunit.v3;

namespace Gorvix.Browser.Tests;

/// <summary>The class that takes longest begins first, so that at the end no processor waits for it.</summary>
public sealed class LongestFirst : ITestCollectionOrderer
{
    /// <inheritdoc/>
    public IReadOnlyCollection<TCollection> OrderTestCollections<TCollection>(
        IReadOnlyCollection<TCollection> testCollections
    )
        where TCollection : ITestCollection =>
        [
            .. testCollections
                .OrderBy(c => !c.TestCollectionDisplayName.Contains(nameof(WordsTests), StringComparison.Ordinal))
                .ThenBy(c => c.TestCollectionDisplayName, StringComparer.Ordinal),
        ];
}
