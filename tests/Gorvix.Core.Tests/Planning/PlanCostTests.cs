using CsCheck;
using Gorvix.Core.Planning;

namespace Gorvix.Core.Tests.Planning;

/// <summary>Prices as numbers: they add term by term and compare first term first.</summary>
public class PlanCostTests
{
    private static readonly CostTerm[] Terms = Enum.GetValues<CostTerm>();

    private static readonly Gen<int[]> Amounts = Gen.Int[0, 100].Array[Terms.Length];

    [Fact]
    public void A_price_gives_back_each_term() => Amounts.Sample(a => Terms.Select(t => Price(a)[t]).SequenceEqual(a));

    [Fact]
    public void Prices_add_term_by_term() =>
        Gen.Select(Amounts, Amounts).Sample((a, b) => Price(a) + Price(b) == Price([.. a.Zip(b, (x, y) => x + y)]));

    [Fact]
    public void The_first_term_that_differs_decides() =>
        Gen.Select(Amounts, Amounts)
            .Sample(
                (a, b) =>
                {
                    var expected = a.Zip(b, (x, y) => x.CompareTo(y)).FirstOrDefault(c => c != 0);
                    return Math.Sign(Price(a).CompareTo(Price(b))) == expected;
                }
            );

    [Fact]
    public void Forty_unmet_links_do_not_spill_into_the_next_term()
    {
        var sum = Enumerable
            .Repeat(PlanCost.Of(CostTerm.WantsUnmet, 1009), 40)
            .Aggregate(PlanCost.Zero, (a, b) => a + b);
        Assert.Equal((0, 40360), (sum[CostTerm.MustsUnmet], sum[CostTerm.WantsUnmet]));
    }

    [Theory]
    [InlineData(-1)]
    [InlineData(256)]
    public void An_amount_outside_its_term_is_refused(int amount) =>
        Assert.Throws<ArgumentOutOfRangeException>(() => PlanCost.Of(CostTerm.WholePorts, amount));

    private static PlanCost Price(int[] amounts) =>
        Terms.Zip(amounts, PlanCost.Of).Aggregate(PlanCost.Zero, (a, b) => a + b);
}
