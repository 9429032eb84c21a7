using CsCheck;
using Gorvix.Core.Files.Describing;

namespace Gorvix.Core.Tests.Describing;

/// <summary>How a photo lies on a board, against hand-worked values and a published closed form.</summary>
public class PhotoFitTests
{
    private const int Wide = 2000;
    private const int High = 1500;
    private const double Depth = 30;

    // A point of the board as it is drawn (from the front left corner, downwards) and the point of the photo, in pixels.
    private static PhotoMark Mark(double x, double down, double px, double py) =>
        new(x, Depth - down, px / Wide, py / High);

    private static PhotoFit Fit(params PhotoMark[] marks)
    {
        var (fit, problem) = PhotoFit.Of(marks, Wide, High, Depth);
        Assert.True(fit is not null, problem);
        return fit;
    }

    private static string? Problem(params PhotoMark[] marks) => PhotoFit.Of(marks, Wide, High, Depth).Problem;

    private static void IsAt((double X, double Y) expected, (double X, double Y) found)
    {
        Assert.Equal(expected.X, found.X, 1e-9);
        Assert.Equal(expected.Y, found.Y, 1e-9);
    }

    // Turned by a quarter clockwise, 20 pixels for a millimetre: 10 mm to the right on the board are 200 pixels down on the photo.
    [Fact]
    public void Two_holes_give_place_turn_and_size()
    {
        var fit = Fit(Mark(5, 5, 1000, 300), Mark(15, 5, 1000, 500));
        IsAt((5, 15), fit.At(800, 300));
        IsAt((5, 5), fit.At(1000, 300));
        Assert.Null(fit.Residual);
    }

    // Sheared: x = 0.01 u + 0.002 v, y = 0.02 v.
    [Fact]
    public void Three_pads_give_shear_as_well()
    {
        var fit = Fit(Mark(10, 0, 1000, 0), Mark(2, 20, 0, 1000), Mark(12, 20, 1000, 1000));
        IsAt((6, 10), fit.At(500, 500));
        IsAt((0, 0), fit.At(0, 0));
    }

    // x = 1000 u / (1000 + v), y = 1000 v / (1000 + v), in millimetres for pixels: worked out at the corners of a square of 1000 pixels.
    [Fact]
    public void Four_corners_give_how_it_was_seen_from_aside()
    {
        var fit = Fit(
            Mark(0, 0, 0, 0),
            Mark(100, 0, 100, 0),
            Mark(100 / 1.1, 100 / 1.1, 100, 100),
            Mark(0, 100 / 1.1, 0, 100)
        );
        // At (50, 50): 50 / 1.05 each.
        IsAt((50 / 1.05, 50 / 1.05), fit.At(50, 50));
        Assert.Equal(0.001, fit.Map[7], 1e-12);
        Assert.Equal(1, fit.Map[8]);
    }

    /// <summary>
    /// A square into any four corners in closed form (source: P. Heckbert, "Fundamentals of Texture Mapping and Image Warping", 1989, section 2.2.3;
    /// from memory).
    /// </summary>
    [Fact]
    public void Any_four_corners_agree_with_the_published_closed_form() =>
        (
            from at in Gen.Double[-120, 120].Array[8]
            from inside in Gen.Select(Gen.Double[0.05, 0.95], Gen.Double[0.05, 0.95])
            select (at, inside)
        ).Holds(
            one =>
            {
                // Corners of a photo seen from some side: a square of 1000 pixels, each corner moved by up to 120.
                (double X, double Y)[] q =
                [
                    (400 + one.at[0], 300 + one.at[1]),
                    (1400 + one.at[2], 300 + one.at[3]),
                    (1400 + one.at[4], 1300 + one.at[5]),
                    (400 + one.at[6], 1300 + one.at[7]),
                ];
                var (dx1, dx2, sx) = (q[1].X - q[2].X, q[3].X - q[2].X, q[0].X - q[1].X + q[2].X - q[3].X);
                var (dy1, dy2, sy) = (q[1].Y - q[2].Y, q[3].Y - q[2].Y, q[0].Y - q[1].Y + q[2].Y - q[3].Y);
                var det = (dx1 * dy2) - (dx2 * dy1);
                var (g, h) = (((sx * dy2) - (dx2 * sy)) / det, ((dx1 * sy) - (sx * dy1)) / det);
                var (a, b, c) = (q[1].X - q[0].X + (g * q[1].X), q[3].X - q[0].X + (h * q[3].X), q[0].X);
                var (d, e, f) = (q[1].Y - q[0].Y + (g * q[1].Y), q[3].Y - q[0].Y + (h * q[3].Y), q[0].Y);
                var (u, v) = one.inside;
                var w = (g * u) + (h * v) + 1;
                var (px, py) = (((a * u) + (b * v) + c) / w, ((d * u) + (e * v) + f) / w);

                var fit = Fit(
                    Mark(0, 0, q[0].X, q[0].Y),
                    Mark(40, 0, q[1].X, q[1].Y),
                    Mark(40, 30, q[2].X, q[2].Y),
                    Mark(0, 30, q[3].X, q[3].Y)
                );
                IsAt((40 * u, 30 * v), fit.At(px, py));
            },
            of: 500
        );

    [Fact]
    public void A_fifth_point_says_how_well_it_fits()
    {
        PhotoMark[] four = [Mark(0, 0, 0, 0), Mark(40, 0, 800, 0), Mark(40, 30, 800, 600), Mark(0, 30, 0, 600)];
        Assert.Null(Fit(four).Residual);
        Assert.Equal(0, Fit([.. four, Mark(20, 15, 400, 300)]).Residual!.Value, 1e-9);
        // 20 pixels beside where it should be are one millimetre: shared among five points the worst is off by less, and by more than a fifth.
        Assert.InRange(Fit([.. four, Mark(20, 15, 420, 300)]).Residual!.Value, 0.2, 1);
        // A sixth that agrees with the four leaves more of the fault where it is.
        Assert.InRange(Fit([.. four, Mark(20, 15, 420, 300), Mark(10, 10, 200, 200)]).Residual!.Value, 0.3, 1);
    }

    [Fact]
    public void Points_that_say_nothing_are_refused_in_a_sentence()
    {
        PhotoMark[] four = [Mark(0, 0, 0, 0), Mark(40, 0, 800, 0), Mark(40, 30, 800, 600), Mark(0, 30, 0, 600)];
        Assert.StartsWith("Mark at least two points", Problem(four[0]));
        Assert.StartsWith("Mark at least two points", Problem([]));
        Assert.StartsWith("Mark at least two points", Problem([.. Enumerable.Repeat(four[0], 25)]));
        Assert.Equal(
            "Points 1 and 2 are in the same place. Move one of them.",
            Problem(four[0], four[0] with { U = 0.5 })
        );
        Assert.Equal(
            "Points 2 and 3 are in the same place. Move one of them.",
            Problem(four[0], four[1], four[2] with { U = four[1].U, V = four[1].V })
        );
        Assert.Equal(
            "Point 2 is far outside the photo or the board. Mark it again.",
            Problem(four[0], four[1] with { U = 2.1 })
        );
        Assert.Equal(
            "Point 1 is far outside the photo or the board. Mark it again.",
            Problem(four[0] with { X = double.NaN }, four[1])
        );
        Assert.Equal(
            "The points are on one line. Mark one away from it.",
            Problem(Mark(0, 0, 0, 0), Mark(10, 10, 100, 100), Mark(20, 20, 200, 200))
        );
        Assert.Equal(
            "The points are on one line. Mark one away from it.",
            Problem(four[0], four[1], Mark(20, 0, 400, 0), four[3])
        );
        Assert.Equal(
            "The points are on one line. Mark one away from it.",
            Problem(four[0], four[1], four[2], Mark(0, 30, 400, 0))
        );
        // Two corners changed for each other, and the other side of the board.
        Assert.StartsWith(
            "The points are crossed",
            Problem(four[0], four[1], four[2] with { U = 0, V = 0.4 }, four[3] with { U = 0.4, V = 0.4 })
        );
        Assert.StartsWith("The points are crossed", Problem([.. four.Select(m => m with { U = 0.4 - m.U })]));
    }

    // Any two corners changed for each other: the four cross, and no camera sees that.
    [Theory]
    [InlineData(0, 1)]
    [InlineData(1, 2)]
    [InlineData(2, 3)]
    [InlineData(3, 0)]
    [InlineData(0, 2)]
    [InlineData(1, 3)]
    public void Two_corners_changed_for_each_other_are_refused(int one, int other)
    {
        PhotoMark[] marks = [Mark(0, 0, 0, 0), Mark(40, 0, 820, 10), Mark(40, 30, 800, 600), Mark(0, 30, 10, 590)];
        Fit(marks);
        (marks[one], marks[other]) = (
            marks[one] with
            {
                U = marks[other].U,
                V = marks[other].V,
            },
            marks[other] with
            {
                U = marks[one].U,
                V = marks[one].V,
            }
        );
        Assert.StartsWith("The points are crossed", Problem(marks));
    }

    [Theory]
    [InlineData("1,2,0.5,0.25;3,4,0,1", 2)]
    [InlineData("", null)]
    [InlineData("1,2,3", null)]
    [InlineData("1,2,3,x", null)]
    [InlineData("1,2,3,NaN", null)]
    [InlineData("1,2,3,1e999", null)]
    [InlineData("1,2,3,4;", null)]
    public void Marks_are_written_as_numbers_and_read_back(string text, int? count)
    {
        var marks = PhotoMark.Read(text);
        Assert.Equal(count, marks?.Count);
        Assert.True(marks is null || PhotoMark.Write(marks) == text);
    }

    [Fact]
    public void A_long_text_is_no_list_of_marks() => Assert.Null(PhotoMark.Read(new string('1', 1_000_000)));
}
