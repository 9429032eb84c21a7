using System.Globalization;
using System.Reflection;

namespace Gorvix.Core.Wired.Navigation;

/// <summary>The earth's field at a place, in nanotesla: X to the north, Y to the east, Z down.</summary>
/// <param name="X">To the north.</param>
/// <param name="Y">To the east.</param>
/// <param name="Z">Down.</param>
public sealed record MagneticField(double X, double Y, double Z)
{
    /// <summary>The part that lies level, which turns a compass; nanotesla.</summary>
    public double Level => Math.Sqrt((X * X) + (Y * Y));

    /// <summary>All of it; nanotesla.</summary>
    public double Total => Math.Sqrt((X * X) + (Y * Y) + (Z * Z));

    /// <summary>Where its level part points, in degrees from true north, east positive; -180 to 180.</summary>
    public double Declination => Math.Atan2(Y, X) * 180 / Math.PI;

    /// <summary>How steeply it dips, in degrees, down positive.</summary>
    public double Inclination => Math.Atan2(Z, Level) * 180 / Math.PI;
}

/// <summary>
/// The World Magnetic Model 2025: the main field and its yearly change as spherical harmonics up to degree 12. Source: NOAA/NCEI and the
/// British Geological Survey, "The US/UK World Magnetic Model for 2025-2030" (coefficients in the public domain); valid 2025.0 to 2030.0.
/// </summary>
public sealed class MagneticModel
{
    // WGS 84, and the radius to which the coefficients refer (the model's report); kilometres.
    private const double Equator = 6378.137;
    private const double Flattening = 1 / 298.257223563;
    private const double Reference = 6371.2;
    private const int Degrees = 12;

    private readonly double[,] _g = new double[Degrees + 1, Degrees + 1];
    private readonly double[,] _h = new double[Degrees + 1, Degrees + 1];
    private readonly double[,] _gYearly = new double[Degrees + 1, Degrees + 1];
    private readonly double[,] _hYearly = new double[Degrees + 1, Degrees + 1];

    private MagneticModel(TextReader table)
    {
        static double Number(string text) => double.Parse(text, CultureInfo.InvariantCulture);
        string[] Words() =>
            table.ReadLine()?.Split(' ', StringSplitOptions.RemoveEmptyEntries) is { Length: > 0 } words ? words : [];
        Epoch = Number(Words()[0]);
        while (Words() is { Length: 6 } line)
        {
            var (n, m) = (
                int.Parse(line[0], CultureInfo.InvariantCulture),
                int.Parse(line[1], CultureInfo.InvariantCulture)
            );
            (_g[n, m], _h[n, m]) = (Number(line[2]), Number(line[3]));
            (_gYearly[n, m], _hYearly[n, m]) = (Number(line[4]), Number(line[5]));
        }
    }

    /// <summary>The model that ships with the product.</summary>
    public static MagneticModel Shipped { get; } = Read();

    /// <summary>The year of its coefficients; it holds from then on for five years.</summary>
    public double Epoch { get; }

    /// <summary>The year from which on it holds no more.</summary>
    public double Until => Epoch + 5;

    /// <summary>True for a year in which it holds.</summary>
    public bool Holds(double year) => year >= Epoch && year < Until;

    /// <summary>A date as a year with its part that has passed.</summary>
    public static double YearOf(DateOnly date) =>
        date.Year + ((date.DayOfYear - 1.0) / (DateTime.IsLeapYear(date.Year) ? 366 : 365));

    /// <summary>The field at a place.</summary>
    /// <param name="latitude">Degrees, north positive; short of the poles by a hair where it is at one.</param>
    /// <param name="longitude">Degrees, east positive.</param>
    /// <param name="kilometres">Height above the WGS 84 ellipsoid.</param>
    /// <param name="year">The year, such as 2026.5; outside the model's years it drifts off.</param>
    public MagneticField At(double latitude, double longitude, double kilometres, double year)
    {
        var phi = Math.Clamp(latitude, -89.999999, 89.999999) * Math.PI / 180;
        var lambda = longitude * Math.PI / 180;

        // From the ellipsoid to the sphere.
        var squared = Flattening * (2 - Flattening);
        var curve = Equator / Math.Sqrt(1 - (squared * Math.Sin(phi) * Math.Sin(phi)));
        var across = (curve + kilometres) * Math.Cos(phi);
        var up = ((curve * (1 - squared)) + kilometres) * Math.Sin(phi);
        var radius = Math.Sqrt((across * across) + (up * up));
        var central = Math.Asin(up / radius);
        var (north, east, down) = Sum(central, lambda, radius, year - Epoch);

        // And back: the sphere's north leans against the ellipsoid's.
        var lean = central - phi;
        return new MagneticField(
            (north * Math.Cos(lean)) - (down * Math.Sin(lean)),
            east,
            (north * Math.Sin(lean)) + (down * Math.Cos(lean))
        );
    }

    // Schmidt's half-normalised Legendre functions of the colatitude and their slopes, by the usual recursion.
    private (double North, double East, double Down) Sum(double central, double lambda, double radius, double years)
    {
        var (sin, cos) = (Math.Cos(central), Math.Sin(central));
        var p = new double[Degrees + 1, Degrees + 1];
        var slope = new double[Degrees + 1, Degrees + 1];
        p[0, 0] = 1;
        var (north, east, down) = (0.0, 0.0, 0.0);
        var power = Reference / radius * (Reference / radius);
        for (var n = 1; n <= Degrees; n++)
        {
            power *= Reference / radius;
            for (var m = 0; m <= n; m++)
            {
                if (m == n)
                {
                    var f = n == 1 ? 1 : Math.Sqrt(((2.0 * n) - 1) / (2 * n));
                    p[n, m] = f * sin * p[n - 1, m - 1];
                    slope[n, m] = f * ((sin * slope[n - 1, m - 1]) + (cos * p[n - 1, m - 1]));
                }
                else
                {
                    var before = n > 1 ? Math.Sqrt(((n - 1.0) * (n - 1)) - (m * m)) : 0;
                    var by = Math.Sqrt(((double)n * n) - (m * m));
                    p[n, m] = ((((2 * n) - 1) * cos * p[n - 1, m]) - (n > 1 ? before * p[n - 2, m] : 0)) / by;
                    slope[n, m] =
                        (
                            (((2 * n) - 1) * ((cos * slope[n - 1, m]) - (sin * p[n - 1, m])))
                            - (n > 1 ? before * slope[n - 2, m] : 0)
                        ) / by;
                }
                var (g, h) = (_g[n, m] + (years * _gYearly[n, m]), _h[n, m] + (years * _hYearly[n, m]));
                var (c, s) = (Math.Cos(m * lambda), Math.Sin(m * lambda));
                north += power * ((g * c) + (h * s)) * slope[n, m];
                east += power * m * ((g * s) - (h * c)) * p[n, m] / sin;
                down -= (n + 1) * power * ((g * c) + (h * s)) * p[n, m];
            }
        }
        return (north, east, down);
    }

    private static MagneticModel Read()
    {
        using var stream =
            Assembly.GetExecutingAssembly().GetManifestResourceStream("wmm2025.cof")
            ?? throw new InvalidOperationException("The magnetic model file is missing from the program.");
        using var reader = new StreamReader(stream);
        return new MagneticModel(reader);
    }
}
