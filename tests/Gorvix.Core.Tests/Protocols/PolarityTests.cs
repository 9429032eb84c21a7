using CsCheck;
using Gorvix.Core.Hardware.Protocols;

namespace Gorvix.Core.Tests.Protocols;

/// <summary>The parity rule as algebra: a group of two.</summary>
public class PolarityTests
{
    private static readonly Gen<Polarity> Any = Gen.Enum<Polarity>();

    [Fact]
    public void A_wire_changes_nothing() => Any.Holds(p => p.Then(Polarity.Normal) == p);

    [Fact]
    public void Two_inversions_cancel() => Any.Holds(p => p.Then(Polarity.Inverted).Then(Polarity.Inverted) == p);

    [Fact]
    public void One_inversion_always_flips() => Any.Holds(p => p.Then(Polarity.Inverted) != p);

    [Fact]
    public void The_order_of_stages_does_not_matter() =>
        Any.Array.Holds(stages =>
            stages.Aggregate(Polarity.Normal, PolarityAlgebra.Then)
            == stages.Reverse().Aggregate(Polarity.Normal, PolarityAlgebra.Then)
        );

    [Fact]
    public void Grouping_does_not_matter() =>
        Gen.Select(Any, Any, Any).Holds((a, b, c) => Assert.Equal(a.Then(b).Then(c), a.Then(b.Then(c))));

    [Fact]
    public void Only_an_odd_number_of_inverters_inverts() =>
        Gen.Int[0, 9]
            .Holds(n =>
                Enumerable.Repeat(Polarity.Inverted, n).Aggregate(Polarity.Normal, PolarityAlgebra.Then)
                == (n % 2 == 1 ? Polarity.Inverted : Polarity.Normal)
            );
}
