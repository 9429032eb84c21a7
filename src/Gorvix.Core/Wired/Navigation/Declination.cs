using System.Globalization;

namespace Gorvix.Core.Wired.Navigation;

/// <summary>The magnetic declination of a place on a day, in the forms that firmware takes.</summary>
/// <param name="Degrees">Decimal degrees, east positive; null at a pole, where every way is north or south.</param>
/// <param name="Packed">Degrees and minutes as one number: 3°27' east is 327, west negative; null at a pole.</param>
/// <param name="Words">It in words: "3.45° east (3° 27')".</param>
/// <param name="Error">How far off it may be, in degrees; null at a pole.</param>
/// <param name="Warning">What is doubtful about it, as a sentence; null where nothing is.</param>
public sealed record Declination(double? Degrees, int? Packed, string Words, double? Error, string? Warning)
{
    // The model's report: a compass is unreliable where the level field is below 6000 nT, and useless below 2000 nT.
    private const double Doubtful = 6000;
    private const double Useless = 2000;

    /// <summary>The declination by a model.</summary>
    /// <param name="latitude">Degrees, -90 to 90, north positive.</param>
    /// <param name="longitude">Degrees, -180 to 180, east positive.</param>
    /// <param name="date">The day.</param>
    /// <exception cref="ArgumentOutOfRangeException">The place is not on the earth.</exception>
    public static Declination Of(double latitude, double longitude, DateOnly date)
    {
        if (!(Math.Abs(latitude) <= 90))
        {
            throw new ArgumentOutOfRangeException(nameof(latitude), latitude, "Latitude must be between -90 and 90.");
        }
        if (!(Math.Abs(longitude) <= 180))
        {
            throw new ArgumentOutOfRangeException(
                nameof(longitude),
                longitude,
                "Longitude must be between -180 and 180."
            );
        }
        if (Math.Abs(latitude) > 89.99)
        {
            return new Declination(null, null, Sentences.NoDeclination, null, Sentences.ThereIsNoDeclinationAt);
        }
        var (model, year) = (MagneticModel.Shipped, MagneticModel.YearOf(date));
        var field = model.At(latitude, longitude, 0, year);
        var degrees = field.Declination;
        var minutes = Minutes(degrees);
        var (whole, rest) = (minutes / 60, minutes % 60);
        return new Declination(
            Math.Round(degrees, 2),
            Pack(degrees),
            string.Create(
                CultureInfo.InvariantCulture,
                $"{Math.Abs(degrees):0.00}° {(degrees < 0 ? "west" : "east")} ({whole}° {rest:00}')"
            ),
            // The model's report gives the error as 0.26° and a part that grows as the level field fades (figures from memory).
            Math.Round(Math.Sqrt((0.26 * 0.26) + Math.Pow(5417 / field.Level, 2)), 2),
            field.Level < Useless ? Sentences.TheHorizontalFieldIsToo
                : field.Level < Doubtful ? Sentences.TheHorizontalFieldIsWeak
                : !model.Holds(year) ? Sentences.TheModelIsValidFrom(model.Epoch, model.Until - 1)
                : null
        );
    }

    /// <summary>Degrees and minutes as one number, the sign kept: 3.45 is 327.</summary>
    public static int Pack(double degrees) =>
        Math.Sign(degrees) * ((100 * (Minutes(degrees) / 60)) + (Minutes(degrees) % 60));

    private static int Minutes(double degrees) =>
        (int)Math.Round(Math.Abs(degrees) * 60, MidpointRounding.AwayFromZero);
}
