namespace Gorvix.Core.Plans.Builds;

/// <summary>What the volts of a resting cell say.</summary>
/// <param name="Percent">The charge that is left, 0 to 100, as near as volts tell it: about 10 % either way.</param>
/// <param name="Words">What to do with it.</param>
/// <param name="Stage">Where it stands between full and damaged.</param>
public sealed record PackCharge(int Percent, string Words, PackStage Stage)
{
    /// <summary>Volts of a resting cell below which it is damaged for good (common practice: 3.0 to 3.3 V).</summary>
    public const double DamagedCell = 3.0;

    /// <summary>Volts of a resting cell by which a pack has landed (common practice).</summary>
    public const double LandCell = 3.5;

    // Resting volts by charge, from memory and common practice: makers' curves lie within some hundredths of a volt of each other.
    private static readonly (double Volts, int Percent)[] Lithium =
    [
        (3.27, 0),
        (3.61, 5),
        (3.69, 10),
        (3.73, 20),
        (3.77, 30),
        (3.80, 40),
        (3.84, 50),
        (3.87, 60),
        (3.95, 70),
        (4.02, 80),
        (4.11, 90),
        (4.20, 100),
    ];

    private static readonly (double Volts, int Percent)[] HighVoltage =
    [
        (3.30, 0),
        (3.62, 5),
        (3.71, 10),
        (3.77, 20),
        (3.81, 30),
        (3.86, 40),
        (3.93, 50),
        (4.02, 60),
        (4.10, 70),
        (4.18, 80),
        (4.26, 90),
        (4.35, 100),
    ];

    /// <summary>What a resting cell of a kind says at so many volts.</summary>
    /// <param name="chemistry">The kind of cell.</param>
    /// <param name="cell">Its volts after some minutes of rest.</param>
    public static PackCharge Of(Chemistry chemistry, double cell)
    {
        var full = Pack.FullCell(chemistry);
        var percent = Between(chemistry == Chemistry.HighVoltage ? HighVoltage : Lithium, cell);
        return cell switch
        {
            _ when cell > full + 0.02 => new(percent, Sentences.OverchargedAboveVPerCell(full), PackStage.Overcharged),
            < DamagedCell => new(percent, Sentences.DamagedBelowVPerCell(DamagedCell), PackStage.Damaged),
            < Pack.EmptyCell => new(percent, Sentences.PossiblyDamagedBelowVPer(Pack.EmptyCell), PackStage.Deep),
            < LandCell => new(percent, Sentences.EmptyLandByVPer(LandCell), PackStage.Empty),
            _ when cell >= full - 0.03 => new(percent, Sentences.FullDoNotStoreIt, PackStage.Full),
            _ => new(percent, Sentences.LandByVPerCell(LandCell), PackStage.Flies),
        };
    }

    private static int Between((double Volts, int Percent)[] curve, double cell)
    {
        var above = Array.FindIndex(curve, p => p.Volts >= cell);
        if (above <= 0)
        {
            return above < 0 ? 100 : 0;
        }
        var (from, to) = (curve[above - 1], curve[above]);
        return (int)
            Math.Round(from.Percent + ((to.Percent - from.Percent) * (cell - from.Volts) / (to.Volts - from.Volts)));
    }
}

/// <summary>Where a pack stands.</summary>
public enum PackStage
{
    /// <summary>It flies.</summary>
    Flies,

    /// <summary>Full.</summary>
    Full,

    /// <summary>Beyond full.</summary>
    Overcharged,

    /// <summary>Empty: landed by now.</summary>
    Empty,

    /// <summary>Below what it is flown to.</summary>
    Deep,

    /// <summary>Damaged.</summary>
    Damaged,
}
