using CsCheck;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Plans.Routing;

namespace Gorvix.Core.Tests.Planning;

/// <summary>Prices as numbers: they add term by term and compare first term first.</summary>
public class PlanCostTests
{
    private static readonly CostTerm[] Terms = Enum.GetValues<CostTerm>();

    private static readonly Gen<int[]> Amounts = Gen.Int[0, 31].Array[Terms.Length];

    [Fact]
    public void A_price_gives_back_each_term() => Amounts.Holds(a => Terms.Select(t => Price(a)[t]).SequenceEqual(a));

    [Fact]
    public void Prices_add_term_by_term() =>
        Gen.Select(Amounts, Amounts)
            .Holds((a, b) => Assert.Equal(Price(a) + Price(b), Price([.. a.Zip(b, (x, y) => x + y)])));

    [Fact]
    public void The_first_term_that_differs_decides() =>
        Gen.Select(Amounts, Amounts)
            .Holds(
                (a, b) =>
                {
                    var expected = a.Zip(b, (x, y) => x.CompareTo(y)).FirstOrDefault(c => c != 0);
                    Assert.Equal(expected, Math.Sign(Price(a).CompareTo(Price(b))));
                }
            );

    [Fact]
    public void Forty_unmet_links_do_not_spill_into_the_next_term()
    {
        var sum = Enumerable
            .Repeat(PlanCost.Of(CostTerm.WantsUnmet, 512), 40)
            .Aggregate(PlanCost.Zero, (a, b) => a + b);
        Assert.Equal((0, 20480), (sum[CostTerm.MustsUnmet], sum[CostTerm.WantsUnmet]));
    }

    [Fact]
    public void The_most_that_all_ways_can_count_fits_into_each_term() =>
        Assert.All(
            Terms.Except([CostTerm.MustsUnmet, CostTerm.WantsUnmet, CostTerm.NicesUnmet]),
            term =>
            {
                // 40 links and 60 supplies are the most of a build; bridges and whole ports are paid on top, once each.
                var (rows, most, once) = term switch
                {
                    CostTerm.Unfed or CostTerm.AgainstHouse => (60, 1, 0),
                    CostTerm.OffAdvice => (40, 1, 0),
                    CostTerm.WholePorts => (0, 0, PartCheck.MostPorts),
                    CostTerm.Switches => (PartCheck.MostPorts, 3, 0),

                    // Every link with all that one way may count; every pin of every plug lifted, every supply and ground soldered
                    // besides; every bridge closed.
                    CostTerm.HandWork => (
                        40,
                        PlanCost.MostOfOneWay(term),
                        (40 * PartCheck.MostPins) + 60 + 40 + (PartCheck.MostBridges * WorkMinutes.Bridge)
                    ),
                    CostTerm.Hazards => (40, PlanCost.MostOfOneWay(term), 60),
                    _ => (40, PlanCost.MostOfOneWay(term), 0),
                };
                Assert.Equal((rows * most) + once, PlanCost.Of(term, (rows * most) + once)[term]);
            }
        );

    [Theory]
    [InlineData(-1)]
    [InlineData(256)]
    public void An_amount_outside_its_term_is_refused(int amount) =>
        Assert.Throws<ArgumentOutOfRangeException>(() => PlanCost.Of(CostTerm.WholePorts, amount));

    private static PlanCost Price(int[] amounts) =>
        Terms.Zip(amounts, PlanCost.Of).Aggregate(PlanCost.Zero, (a, b) => a + b);
}
