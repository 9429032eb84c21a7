using System.Globalization;
using System.Text;
using System.Text.RegularExpressions;
using Gorvix.Core.Wired.Gnss;

namespace Gorvix.Core.Work.Bench;

/// <summary>What a meter on a cable shows.</summary>
/// <param name="Value">The number, in the unit without prefix; null where it shows that there is none.</param>
/// <param name="Unit">Its unit; null where the line tells none.</param>
public sealed record MeterShows(double? Value, ReadingUnit? Unit);

/// <summary>
/// A meter that prints its readings as lines of text: a number as in IEEE 488.2 (NR1, NR2, NR3), a prefix and a unit where it tells one, or a sign
/// of overload.
/// </summary>
public static partial class SerialMeter
{
    /// <summary>Bauds that meters are met with (common practice).</summary>
    public static readonly IReadOnlyList<int> Bauds = [2400, 4800, 9600, 19_200, 38_400, 57_600, 115_200];

    // A number that stands for "too much" (source: SCPI 1999, volume 1, 7.2.1.4: 9.9E37 is infinity).
    private const double Infinity = 9.9e37;

    private const int MostLine = 100;

    /// <summary>Reads a line.</summary>
    /// <param name="line">The line, without its end.</param>
    /// <returns>What it shows; null where it is no reading.</returns>
    public static MeterShows? Read(string line)
    {
        if (line.Length > MostLine)
        {
            return null;
        }
        if (Overload().IsMatch(line))
        {
            return new MeterShows(null, null);
        }
        if (
            Number().Match(line) is not { Success: true } found
            || !double.TryParse(
                found.Groups["n"].Value,
                NumberStyles.Float,
                CultureInfo.InvariantCulture,
                out var value
            )
        )
        {
            return null;
        }
        if (Math.Abs(value) >= Infinity)
        {
            return new MeterShows(null, null);
        }
        var scale = found.Groups["p"].Value switch
        {
            "u" or "µ" => 1e-6,
            "m" => 1e-3,
            "k" or "K" => 1e3,
            "M" => 1e6,
            _ => 1,
        };
        ReadingUnit? unit = found.Groups["u"].Value.ToUpperInvariant() switch
        {
            "V" or "VDC" or "VOLT" => ReadingUnit.Volts,
            "A" or "ADC" or "AMP" => ReadingUnit.Amps,
            "Ω" or "OHM" or "OHMS" => ReadingUnit.Ohms,
            _ => null,
        };
        return new MeterShows(value * scale, unit);
    }

    /// <summary>Waits for a whole line that is a reading: what stood on the line before is not believed.</summary>
    /// <param name="line">The line.</param>
    /// <param name="baud">Its baud.</param>
    /// <param name="atMost">How long to wait.</param>
    /// <param name="stop">Tells that nobody waits any more.</param>
    /// <returns>What it shows; null where no reading came.</returns>
    /// <exception cref="IOException">The adapter is gone.</exception>
    public static MeterShows? Listen(ISerialLine line, int baud, TimeSpan atMost, CancellationToken stop)
    {
        line.SetBaud(baud);
        var step = TimeSpan.FromMilliseconds(50);
        var text = new StringBuilder();
        var buffer = new byte[256];
        var begun = false;
        for (var left = atMost; left > TimeSpan.Zero; left -= step)
        {
            stop.ThrowIfCancellationRequested();
            for (int count; (count = line.Read(buffer)) > 0; )
            {
                foreach (var letter in Encoding.UTF8.GetString(buffer, 0, count))
                {
                    if (letter is not ('\r' or '\n'))
                    {
                        if (text.Length <= MostLine)
                        {
                            text.Append(letter);
                        }
                        continue;
                    }
                    // The first piece may be the end of a line.
                    if (begun && Read(text.ToString().Trim()) is { } shows)
                    {
                        return shows;
                    }
                    begun = true;
                    text.Clear();
                }
            }
            line.Wait(step);
        }
        return null;
    }

    /// <summary>A reading as a meter prints it, for the stand-in.</summary>
    public static string Print(double? value, ReadingUnit? unit) =>
        value is not { } number
            ? "OL"
            : string.Create(
                CultureInfo.InvariantCulture,
                $"{number:+0.0000E+00;-0.0000E+00} {unit switch
                {
                    ReadingUnit.Volts => "VDC",
                    ReadingUnit.Amps => "ADC",
                    ReadingUnit.Ohms => "OHM",
                    _ => "",
                }}"
            );

    [GeneratedRegex(@"^\s*(?:[+-]?\s*)?(?:OL|O\.L|OVLD|OVERLOAD|INF)\b", RegexOptions.IgnoreCase)]
    private static partial Regex Overload();

    [GeneratedRegex(
        @"^\s*(?:[A-Z]{2,4}[ :,])?\s*(?<n>[+-]?(?:\d+\.?\d*|\.\d+)(?:[eE][+-]?\d{1,3})?)\s*(?<p>[uµmkKM](?=[VvAaOoΩ]))?(?<u>[A-Za-zΩ]*)"
    )]
    private static partial Regex Number();
}
