using Gorvix.Core.Plans.Builds;

namespace Gorvix.Core.Wired.Picture;

/// <summary>A pad as it is drawn, from the upper left corner of its side of the board.</summary>
internal sealed record PadSpot(string Id, double X, double Y, double HalfX, double HalfY)
{
    public Box Box => Box.Round(X, Y, HalfX, HalfY);
}

/// <summary>A wire that leaves a pad towards a side of the board.</summary>
/// <param name="Pad">Its pad.</param>
/// <param name="Edge">The side.</param>
internal sealed record LaneDemand(PadSpot Pad, PictureEdge Edge);

/// <summary>
/// Brings wires from their pads to the left and right edge of a side of the board. Each runs straight, or with one bend: up or down from its pad and
/// then level (L-shaped pattern routing, as in R. Kastner, E. Bozorgzadeh and M. Sarrafzadeh, "Predictable routing", ICCAD 2000). None runs over
/// another pad or a mark, or along another wire; those that cross do so at right angles. Wires that are straight are laid first, then those that are
/// nearest to their edge: so pins of a row nest.
/// </summary>
/// <param name="pads">Every pad of the side.</param>
/// <param name="marks">What else nothing runs over.</param>
/// <param name="width">Of the side.</param>
/// <param name="height">Of the side.</param>
internal sealed class LaneFinder(IReadOnlyList<PadSpot> pads, IReadOnlyList<Box> marks, double width, double height)
{
    /// <summary>How far apart two level wires are at least: a number stands on each.</summary>
    public const double Pitch = 2.1;

    /// <summary>How far beyond the edges the lanes end.</summary>
    public const double Reach = 2.5;

    // Between a wire and what is not its own; between two upright wires; how far above and below the board a wire may run.
    private const double Clear = 0.5;
    private const double Apart = 0.8;
    private const double Same = 1e-6;
    private const double Beyond = 16;
    private const double Grain = 0.35;

    // What a crossing is worth in millimetres of way.
    private const double Crossing = 2.5;

    private readonly List<(double Y, double From, double To)> _level = [];
    private readonly List<(double X, double From, double To)> _upright = [];

    /// <summary>A way for each wire, from the pad to beyond the edge; null where one finds none.</summary>
    /// <param name="demands">The wires.</param>
    /// <param name="stop">Tells that nobody waits any more.</param>
    public IReadOnlyList<PicturePoint[]>? Find(IReadOnlyList<LaneDemand> demands, CancellationToken stop)
    {
        var ways = new PicturePoint[demands.Count][];
        // One wire of each pad and side has the straight way.
        var firsts = demands.Index().DistinctBy(d => (d.Item.Pad.Id, d.Item.Edge)).ToList();
        foreach (var (i, demand) in firsts.OrderBy(d => Distance(d.Item)).ThenBy(d => d.Index))
        {
            if (IsFree(demand.Pad.Y, demand.Pad.X, Exit(demand.Edge), demand.Pad, isStraight: true))
            {
                ways[i] = Lay(demand, demand.Pad.X, demand.Pad.Y);
            }
        }
        foreach (var (i, demand) in demands.Index().OrderBy(d => Distance(d.Item)).ThenBy(d => d.Index))
        {
            if (ways[i] is null)
            {
                stop.ThrowIfCancellationRequested();
                if (Best(demand) is not { } best)
                {
                    return null;
                }
                ways[i] = Lay(demand, best.X, best.Y);
            }
        }
        return ways;
    }

    private double Exit(PictureEdge edge) => edge == PictureEdge.Left ? -Reach : width + Reach;

    private double Distance(LaneDemand demand) => demand.Edge == PictureEdge.Left ? demand.Pad.X : width - demand.Pad.X;

    private PicturePoint[] Lay(LaneDemand demand, double x, double y)
    {
        var (pad, exit) = (demand.Pad, Exit(demand.Edge));
        _level.Add((y, Math.Min(x, exit), Math.Max(x, exit)));
        if (y == pad.Y)
        {
            return [new(pad.X, y), new(exit, y)];
        }
        var foot = y > pad.Y ? pad.Y + pad.HalfY : pad.Y - pad.HalfY;
        _upright.Add((x, Math.Min(foot, y), Math.Max(foot, y)));
        return [new(x, foot), new(x, y), new(exit, y)];
    }

    private (double X, double Y)? Best(LaneDemand demand)
    {
        var (pad, exit) = (demand.Pad, Exit(demand.Edge));
        (double X, double Y)? best = null;
        var least = double.PositiveInfinity;
        for (var k = 1; k * Grain < height + (2 * Beyond); k++)
        {
            var way = pad.HalfY + Clear + (k * Grain);
            if (way >= least)
            {
                break;
            }
            foreach (var y in new[] { pad.Y - way, pad.Y + way })
            {
                if (y < -Beyond || y > height + Beyond)
                {
                    continue;
                }
                foreach (var x in Feet(pad))
                {
                    var price = way + Math.Abs(x - pad.X) * 0.1;
                    if (
                        price < least
                        && IsFree(y, x, exit, pad, isStraight: false)
                        && IsClear(x, pad, y)
                        && (price += Crossing * Crossings(x, pad.Y, y, exit)) < least
                    )
                    {
                        (best, least) = ((x, y), price);
                    }
                }
            }
        }
        return best;
    }

    // Where an upright wire can stand on a pad: in its middle, and beside it where there is room.
    private static IEnumerable<double> Feet(PadSpot pad)
    {
        yield return pad.X;
        for (var off = Apart; off <= pad.HalfX - 0.3; off += Apart)
        {
            yield return pad.X - off;
            yield return pad.X + off;
        }
    }

    // No pad, mark or level wire lies at this height between the two.
    private bool IsFree(double y, double x, double exit, PadSpot own, bool isStraight)
    {
        var (from, to) = (Math.Min(x, exit), Math.Max(x, exit));
        foreach (var pad in pads)
        {
            if (
                Math.Abs(pad.Y - y) < pad.HalfY + Clear
                && pad.X - pad.HalfX - Clear < to
                && from < pad.X + pad.HalfX + Clear
                && !(isStraight && ReferenceEquals(pad, own))
            )
            {
                return false;
            }
        }
        foreach (var mark in marks)
        {
            if (mark.Top < y && y < mark.Bottom && mark.Left < to && from < mark.Right)
            {
                return false;
            }
        }
        foreach (var (other, left, right) in _level)
        {
            if (Math.Abs(other - y) < Pitch - Same && left - 1 < to && from < right + 1)
            {
                return false;
            }
        }
        return true;
    }

    // No pad, mark or upright wire lies at this place between the pad and the lane.
    private bool IsClear(double x, PadSpot own, double y)
    {
        var foot = y > own.Y ? own.Y + own.HalfY : own.Y - own.HalfY;
        var (from, to) = (Math.Min(foot, y), Math.Max(foot, y));
        foreach (var pad in pads)
        {
            if (
                !ReferenceEquals(pad, own)
                && Math.Abs(pad.X - x) < pad.HalfX + Clear
                && pad.Y - pad.HalfY - Clear < to
                && from < pad.Y + pad.HalfY + Clear
            )
            {
                return false;
            }
        }
        foreach (var mark in marks)
        {
            if (mark.Left < x && x < mark.Right && mark.Top < to && from < mark.Bottom)
            {
                return false;
            }
        }
        foreach (var (other, top, bottom) in _upright)
        {
            if (Math.Abs(other - x) < Apart - Same && top - 0.6 < to && from < bottom + 0.6)
            {
                return false;
            }
        }
        // A bend of another wire so near would look like a joint.
        return !_level.Any(l =>
            from < l.Y && l.Y < to && (Math.Abs(l.From - x) < Apart - Same || Math.Abs(l.To - x) < Apart - Same)
        );
    }

    private int Crossings(double x, double foot, double y, double exit)
    {
        var (left, right) = (Math.Min(x, exit), Math.Max(x, exit));
        var (top, bottom) = (Math.Min(foot, y), Math.Max(foot, y));
        return _upright.Count(u => left < u.X && u.X < right && u.From < y && y < u.To)
            + _level.Count(l => top < l.Y && l.Y < bottom && l.From < x && x < l.To);
    }
}
