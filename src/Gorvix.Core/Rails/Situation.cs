using Gorvix.Core.Builds;

namespace Gorvix.Core.Rails;

/// <summary>Something between the source and the board that keeps a fault from becoming a fire.</summary>
public enum InLine
{
    /// <summary>Nothing.</summary>
    Nothing,

    /// <summary>A filament lamp of 12 V, 21 W.</summary>
    Lamp,

    /// <summary>A limiter that holds 1 A.</summary>
    Limiter,
}

/// <summary>What feeds the build while it is looked at.</summary>
/// <param name="Id">Its id in addresses.</param>
/// <param name="Name">What the builder calls it.</param>
/// <param name="InputVolts">What the supply input gets, in volts; null when nothing is plugged in there.</param>
public sealed record Situation(string Id, string Name, double? InputVolts)
{
    /// <summary>Volts of a cell at which a lithium pack is called empty in the field: landed by then (common practice).</summary>
    public const double LandCell = 3.5;

    /// <summary>Volts of a cell on which capacities are printed (common practice).</summary>
    public const double NominalCell = 3.7;

    /// <summary>What USB gives, in volts (source: USB 2.0, table 7-7: 4.75 to 5.25 V at the host).</summary>
    public const double UsbVolts = 5;

    /// <summary>The most that a port of a computer gives, in amperes (source: USB 2.0, section 7.2.1: 500 mA for a device that was granted it).</summary>
    public const double UsbAmps = 0.5;

    /// <summary>Whether USB is plugged in.</summary>
    public bool Usb { get; init; }

    /// <summary>What is in the line from the source.</summary>
    public InLine InLine { get; init; }

    /// <summary>The resistance of the pack and its plug, in ohms; 0 while it is not known.</summary>
    public double SourceOhms { get; init; }

    /// <summary>The situations in which a build is looked at: what its source can do from full to empty, USB, and the first power.</summary>
    /// <param name="build">The build.</param>
    /// <param name="cellVolts">Volts of a cell for the first of them; null for a full pack.</param>
    public static IReadOnlyList<Situation> Of(Build build, double? cellVolts = null)
    {
        var list = new List<Situation>();
        if (build.InputVolts is { } fixedVolts)
        {
            list.Add(new Situation("input", $"fed with {fixedVolts:0.##} V", fixedVolts));
        }
        else if (build.Pack is { } pack)
        {
            double At(double cell) => pack.Cells * cell;
            var full = Pack.FullCell(pack.Chemistry);
            if (cellVolts is { } set)
            {
                list.Add(new Situation("charge", $"{set:0.00} V a cell", At(set)));
            }
            list.Add(new Situation("full", "full pack", At(full)));
            list.Add(new Situation("nominal", "half-flown pack", At(NominalCell)));
            list.Add(new Situation("land", "pack at landing", At(LandCell)));
            list.Add(new Situation("empty", "empty pack", At(Pack.EmptyCell)));
        }
        list.Add(new Situation("usb", "USB alone", null) { Usb = true });
        if (list[0].InputVolts is { } input)
        {
            list.Add(new Situation("both", "USB and source", input) { Usb = true });
            list.Add(new Situation("lamp", "first power through a lamp", input) { InLine = InLine.Lamp });
            list.Add(new Situation("limiter", "first power through a limiter", input) { InLine = InLine.Limiter });
        }
        return list;
    }
}
