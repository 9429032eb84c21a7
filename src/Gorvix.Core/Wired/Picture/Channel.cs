namespace Gorvix.Core.Wired.Picture;

/// <summary>A wire in a channel: it comes level from one side, runs upright on its track, and goes on level.</summary>
/// <param name="Near">The heights at which it goes to the devices: one, or two for a wire from device to device.</param>
/// <param name="Far">The height at which it goes to the board; null for a wire from device to device.</param>
internal sealed record ChannelWire(double[] Near, double? Far)
{
    public double Top { get; } = Math.Min(Near.Min(), Far ?? double.PositiveInfinity);

    public double Bottom { get; } = Math.Max(Near.Max(), Far ?? double.NegativeInfinity);
}

/// <summary>
/// Gives the wires between a column of devices and the board their tracks: no two that pass one another on one track, as few tracks as their order
/// allows, and an order in which they cross least often. It is the left-edge algorithm of channel routing (A. Hashimoto and J. Stevens, "Wire routing
/// by optimizing channel assignment within large apertures", 1971) with an order that is kept (T. Yoshimura and E. Kuh, "Efficient algorithms for
/// channel routing", 1982). Levels of different wires never lie at one height, so none runs along another.
/// </summary>
internal static class Channel
{
    // Two wires on one track are this far apart at least.
    private const double Gap = 0.9;

    /// <summary>The track of each wire, counted from the devices.</summary>
    /// <param name="wires">The wires.</param>
    public static IReadOnlyList<int> Tracks(IReadOnlyList<ChannelWire> wires)
    {
        var order = Ordered(wires);
        var tracks = new int[wires.Count];
        for (var i = 0; i < order.Count; i++)
        {
            var one = wires[order[i]];
            for (var j = 0; j < i; j++)
            {
                var other = wires[order[j]];
                if (one.Top < other.Bottom + Gap && other.Top < one.Bottom + Gap)
                {
                    tracks[order[i]] = Math.Max(tracks[order[i]], tracks[order[j]] + 1);
                }
            }
        }
        return tracks;
    }

    // How often two wires cross where the first is nearer to the devices.
    private static int Crossings(ChannelWire first, ChannelWire second) =>
        (first.Far is { } far && second.Top < far && far < second.Bottom ? 1 : 0)
        + second.Near.Count(n => first.Top < n && n < first.Bottom);

    // Falling wires from below, then rising ones from above: neighbours that keep their order do not cross. Then each to its best place.
    private static List<int> Ordered(IReadOnlyList<ChannelWire> wires)
    {
        var usual = wires
            .Index()
            .OrderBy(w => w.Item.Far > w.Item.Near[0] ? -w.Item.Near[0] : w.Item.Near[0] + 1e6)
            .ThenBy(w => w.Index)
            .Select(w => w.Index)
            .ToList();
        var crossings = new int[wires.Count, wires.Count];
        foreach (var i in usual)
        {
            foreach (var j in usual)
            {
                crossings[i, j] = i == j ? 0 : Crossings(wires[i], wires[j]);
            }
        }
        return [.. ColumnOrder.Best(crossings, usual)];
    }
}
