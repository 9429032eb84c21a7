using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Wired.Fit;
using Gorvix.Core.Wired.Loom;

namespace Gorvix.Core.Tests.Loom;

/// <summary>Which pads solder could join, and how each joint is heated. The distances are our own choice, and written here once more.</summary>
public class NeighbourTests
{
    private static Pad At(string id, double x, double y, BoardSide side = BoardSide.Top) =>
        new()
        {
            Id = id,
            Label = id,
            Side = side,
            X = x,
            Y = y,
            Paths = [],
        };

    private static string Near(params Pad[] pads) =>
        string.Join(
            " ",
            new Neighbours(Circuit.Of(Handmade.Board("F4").With(pads)))
                .Of(pads[0])
                .Select(n => FormattableString.Invariant($"{n.Pad.Id}:{n.Millimetres:0.0}"))
        );

    // A blob of solder reaches 3.2 mm from middle to middle; a triangle of 3, 4 and 5 for what lies across.
    [Theory]
    [InlineData(3.1, 0, "b:3.1")]
    [InlineData(3.2, 0, "b:3.2")]
    [InlineData(3.3, 0, "")]
    [InlineData(1.8, 2.4, "b:3.0")]
    [InlineData(3, 4, "")]
    public void A_pad_is_beside_another_within_the_reach_of_a_blob(double x, double y, string near) =>
        Assert.Equal(near, Near(At("a", 10, 10), At("b", 10 + x, 10 + y)));

    // Both numbers are exact, so the limit itself belongs to the reach.
    [Fact]
    public void A_pad_at_the_limit_is_beside() => Assert.Equal("b:3.2", Near(At("a", 0, 0), At("b", 3.2, 0)));

    [Fact]
    public void A_row_along_one_edge_has_positions_although_one_coordinate_is_nothing() =>
        Assert.Equal("b:2.0", Near(At("a", 0, 5), At("b", 0, 3), At("c", 0, 0)));

    /// <summary>Without positions the pads that the leaflet prints before and after are beside.</summary>
    [Theory]
    [InlineData("a", "b")]
    [InlineData("b", "a c")]
    [InlineData("c", "b")]
    [InlineData("d", "")]
    [InlineData("e", "")]
    [InlineData("f", "g")]
    [InlineData("h", "")]
    public void Without_positions_those_before_and_after_in_the_row_are_beside(string of, string near)
    {
        Pad In(string? group, string id, BoardSide side = BoardSide.Top) => At(id, 0, 0, side) with { Group = group };
        Pad[] pads =
        [
            In("left", "a"),
            In(null, "d"),
            In("left", "b"),
            In("left", "e", BoardSide.Bottom),
            In("right", "f"),
            In("left", "c"),
            In("right", "g"),
            In(null, "h"),
        ];
        var reader = new Neighbours(Circuit.Of(Handmade.Board("F4").With(pads)));
        Assert.False(reader.HasPositions);
        var told = reader.Of(pads.First(p => p.Id == of));
        Assert.Equal(near, string.Join(' ', told.Select(n => n.Pad.Id)));
        Assert.All(told, n => Assert.Null(n.Millimetres));
    }

    [Fact]
    public void What_lies_on_the_other_side_is_not_beside_and_no_more_than_four_are_told()
    {
        Assert.Equal("", Near(At("a", 10, 10), At("b", 11, 10, BoardSide.Bottom)));
        Assert.Equal(
            "b:1.0 c:1.5 d:2.0 e:2.5",
            Near(At("a", 10, 10), At("f", 13, 10), At("e", 12.5, 10), At("c", 10, 11.5), At("d", 8, 10), At("b", 10, 9))
        );
    }

    [Fact]
    public void On_every_demo_board_they_are_the_four_nearest_by_Pythagoras()
    {
        var met = 0;
        foreach (var board in Demo.Library.Boards)
        {
            var reader = new Neighbours(Circuit.Of(board));
            foreach (var pad in board.Pads.Where(_ => reader.HasPositions))
            {
                var plain = board
                    .Pads.Where(p => p.Side == pad.Side && p.Id != pad.Id)
                    .Select(p =>
                        (p.Id, Far: Math.Sqrt(((p.X - pad.X) * (p.X - pad.X)) + ((p.Y - pad.Y) * (p.Y - pad.Y))))
                    )
                    .Where(p => p.Far <= 3.2)
                    .OrderBy(p => p.Far)
                    .Take(4)
                    .ToList();
                var told = reader.Of(pad);
                Assert.Equal(
                    plain.Select(p => Math.Round(p.Far, 6)),
                    told.Select(t => Math.Round(t.Millimetres!.Value, 6))
                );
                met += told.Count;
            }
        }
        Assert.True(met > 100, $"{met}");
    }

    // Common practice: up to 400 to 440 °C where a plane draws the heat away (ground, battery), a fine tip where pads are 2.2 mm apart or nearer.
    [Fact]
    public void Ground_and_battery_want_more_heat_and_crowded_pads_a_fine_tip()
    {
        var (heavy, fine, other) = (0, 0, 0);
        foreach (var build in Demo.Builds)
        {
            var wired = new FitReader(Resolved(build, Demo.Library)).Wired;
            var board = wired.Build.Board;
            var closed = wired.Bridges.SelectMany(b => b.Positions.Select(p => (b.Bridge.Id, p))).ToHashSet();
            foreach (var step in LoomReader.Of(wired).Steps.Where(s => s.Topic == StepTopic.Joint))
            {
                if (step.Pads.Count == 0)
                {
                    continue;
                }
                var pad = board.Pads.First(p => p.Id == step.Pads[0]);
                var feeds = pad
                    .Paths.Where(p => p.Through.All(e => e is not Contact c || closed.Contains((c.Bridge, c.Position))))
                    .Select(p => board.Rails.FirstOrDefault(r => r.Id == p.Rail)?.Feed)
                    .ToList();
                var isHeavy = feeds.Contains(RailFeed.Ground) || feeds.Contains(RailFeed.Battery);
                var isCrowded = board.Pads.Any(p =>
                    p.Side == pad.Side
                    && p.Id != pad.Id
                    && Math.Sqrt(((p.X - pad.X) * (p.X - pad.X)) + ((p.Y - pad.Y) * (p.Y - pad.Y))) <= 2.2
                );
                Assert.Equal(isHeavy, step.Iron.Contains("440", StringComparison.Ordinal));
                Assert.Equal(!isHeavy && isCrowded, step.Iron.Contains("Fine tip", StringComparison.Ordinal));
                _ =
                    isHeavy ? heavy++
                    : isCrowded ? fine++
                    : other++;
                Assert.True(isHeavy || !feeds.Contains(RailFeed.Battery));
            }
        }
        Assert.True(heavy > 20 && fine > 0 && other > 20, $"{heavy} {fine} {other}");
    }
}
