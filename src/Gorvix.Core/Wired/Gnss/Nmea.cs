using System.Globalization;
using System.Text;
using Gorvix.Core.Hardware.Protocols;

namespace Gorvix.Core.Wired.Gnss;

/// <summary>A sentence: a dollar, talker and type, fields, a star and a sum (source: IEC 61162-1).</summary>
/// <param name="Head">Talker and type: "GNGGA".</param>
/// <param name="Fields">The fields, empty ones included.</param>
public sealed record NmeaSentence(string Head, IReadOnlyList<string> Fields)
{
    /// <summary>The most characters of a sentence, its signs and its line end included.</summary>
    public const int Most = 82;

    /// <summary>The three letters that say what it is.</summary>
    public string Type => Head.Length > 3 ? Head[^3..] : Head;

    /// <summary>The sentence as it goes over the wire, line end included.</summary>
    public override string ToString()
    {
        var body = string.Join(',', [Head, .. Fields]);
        return $"${body}*{Checksum.Xor8.Over(Encoding.ASCII.GetBytes(body)):X2}\r\n";
    }

    /// <summary>Degrees as the sentences have them: degrees and minutes with five decimals, and the letter of the half.</summary>
    /// <param name="degrees">Decimal degrees.</param>
    /// <param name="digits">Digits of the degrees: 2 for a latitude, 3 for a longitude.</param>
    /// <param name="letters">The letters for positive and negative.</param>
    public static (string Value, string Half) Angle(double degrees, int digits, string letters)
    {
        var parts = (long)Math.Round(Math.Abs(degrees) * 60 * 100_000);
        var (whole, minutes) = (parts / 6_000_000, parts % 6_000_000 / 100_000.0);
        return (
            whole.ToString(new string('0', digits), CultureInfo.InvariantCulture)
                + minutes.ToString("00.00000", CultureInfo.InvariantCulture),
            degrees < 0 ? letters[1..] : letters[..1]
        );
    }
}
