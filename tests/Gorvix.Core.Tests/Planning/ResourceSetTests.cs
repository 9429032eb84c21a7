using CsCheck;
using Gorvix.Core.Plans.Planning;

namespace Gorvix.Core.Tests.Planning;

/// <summary>Sets of numbers without a size: as a plain set of numbers does, far beyond what one build needs.</summary>
public class ResourceSetTests
{
    private static readonly Gen<HashSet<int>> Some = Gen.Frequency(
            (3, Gen.Int[0, 70]),
            (2, Gen.Int[500, 530]),
            (1, Gen.Int[0, 3000])
        )
        .Array[0, 12]
        .Select(a => new HashSet<int>(a));

    [Fact]
    public void It_does_what_a_plain_set_does() =>
        Gen.Select(Some, Some)
            .Holds(
                (a, b) =>
                {
                    var (x, y) = (Of(a), Of(b));
                    Assert.Equal(a.Union(b).Order(), Members(x | y));
                    Assert.Equal(a.Intersect(b).Order(), Members(x & y));
                    Assert.Equal(a.Except(b).Order(), Members(x - y));
                    Assert.Equal(a.Overlaps(b), x.Meets(y));
                    Assert.Equal(a.IsSubsetOf(b), x.IsWithin(y));
                    Assert.Equal(a.Intersect(b).Count(), x.CountIn(y));
                    Assert.Equal(a.Count == 0 ? -1 : a.Min(), x.First);
                },
                of: 3000
            );

    private static ResourceSet Of(IEnumerable<int> members) =>
        members.Aggregate(ResourceSet.None, (all, m) => all | ResourceSet.Of(m));

    private static IEnumerable<int> Members(ResourceSet set) => Enumerable.Range(0, 3100).Where(i => set.Has(i));
}
