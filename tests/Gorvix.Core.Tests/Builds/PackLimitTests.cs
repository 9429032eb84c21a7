using System.Globalization;
using Gorvix.Core.Files.Describing;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Routing;
using Gorvix.Core.Tests.Rails;
using Gorvix.Core.Wired.Rails;
using Gorvix.Core.Wired.Wiring;

namespace Gorvix.Core.Tests.Builds;

/// <summary>A full pack at a limit that is just as high: 4.20 V a cell, 4.35 V of the high-voltage kind (common practice), in decimal figures.</summary>
public class PackLimitTests
{
    public static TheoryData<int, Chemistry> Packs =>
        [.. from n in Enumerable.Range(1, Pack.MostCells) from c in Enum.GetValues<Chemistry>() select (n, c)];

    [Theory]
    [MemberData(nameof(Packs))]
    public void A_full_pack_has_the_volts_that_a_manual_prints(int cells, Chemistry chemistry) =>
        Assert.Equal(
            (double)Full(cells, chemistry),
            new Pack { Cells = cells, Chemistry = chemistry }
                .Volts()
                .Max
        );

    /// <summary>Those that a part may state: its volts end at 60.</summary>
    public static TheoryData<int, Chemistry> Stated => [.. Packs.Where(p => Full(p.Data.Item1, p.Data.Item2) < 60)];

    [Theory]
    [MemberData(nameof(Stated))]
    public void A_board_whose_input_ends_there_accepts_it_and_one_that_ends_a_hundredth_lower_does_not(
        int cells,
        Chemistry chemistry
    )
    {
        Assert.True(Suits(cells, chemistry, Full(cells, chemistry)));
        Assert.False(Suits(cells, chemistry, Full(cells, chemistry) - 0.01m));
        Assert.False(IsStop(cells, chemistry, Full(cells, chemistry)));
        Assert.True(IsStop(cells, chemistry, Full(cells, chemistry) - 0.1m));
    }

    [Theory]
    [MemberData(nameof(Stated))]
    public void A_device_whose_supply_ends_there_is_in_range_and_one_that_ends_lower_is_destroyed(
        int cells,
        Chemistry chemistry
    )
    {
        Assert.Equal(LeadFeed.Good, Feeds(cells, chemistry, Full(cells, chemistry)));
        Assert.Equal(LeadFeed.Burns, Feeds(cells, chemistry, Full(cells, chemistry) - 0.1m));
    }

    private static decimal Full(int cells, Chemistry chemistry) =>
        cells * (chemistry == Chemistry.HighVoltage ? 4.35m : 4.20m);

    private static WiredBuild On(int cells, Chemistry chemistry, decimal input, decimal device)
    {
        var board = LeafletText
            .Read(
                string.Create(
                    CultureInfo.InvariantCulture,
                    $"""
                    maker Bench
                    board Limit
                    revision 1
                    controller F7
                    input 1 to {input} V
                    rail BAT: battery
                    rail GND: ground
                    top left: G BAT R1 T1
                    """
                )
            )
            .Board;
        return RailBench.Of(
            board,
            cells,
            "BAT",
            1,
            (double)device,
            0.1,
            b =>
                b with
                {
                    Pack = new Pack { Cells = cells, Chemistry = chemistry },
                }
        );
    }

    private static bool Suits(int cells, Chemistry chemistry, decimal input) =>
        Feeder.InputSuits(On(cells, chemistry, input, 60).Build);

    private static bool IsStop(int cells, Chemistry chemistry, decimal input) =>
        RailCheck
            .Of(RailBench.Read(On(cells, chemistry, input, 60), "full"))
            .Any(f => f.Rule == FeedRules.BoardInput.Id);

    private static LeadFeed Feeds(int cells, Chemistry chemistry, decimal most) =>
        RailBench.Read(On(cells, chemistry, 60, most), "full").Leads[0].State;
}
