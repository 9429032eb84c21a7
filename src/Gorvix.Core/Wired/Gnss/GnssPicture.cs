using System.Buffers.Binary;
using System.Globalization;

namespace Gorvix.Core.Wired.Gnss;

/// <summary>How good a fix is.</summary>
public enum FixKind
{
    /// <summary>None.</summary>
    None,

    /// <summary>Place without height.</summary>
    Flat,

    /// <summary>Place and height.</summary>
    Full,
}

/// <summary>A message that is heard.</summary>
/// <param name="Name">Its name.</param>
/// <param name="PerSecond">How often a second.</param>
public sealed record HeardMessage(string Name, double PerSecond);

/// <summary>What a module has said for a while: the few values that decide.</summary>
/// <param name="Fix">The fix.</param>
/// <param name="Used">How many satellites it rests on.</param>
/// <param name="Latitude">Degrees; null without a fix.</param>
/// <param name="Longitude">Degrees; null without a fix.</param>
/// <param name="Hertz">Solutions a second.</param>
/// <param name="Load">The part of the line that was filled.</param>
/// <param name="Sky">The satellites in sight.</param>
/// <param name="Messages">What is said, and how often.</param>
public sealed record GnssPicture(
    FixKind Fix,
    int Used,
    double? Latitude,
    double? Longitude,
    double Hertz,
    double Load,
    IReadOnlyList<Satellite> Sky,
    IReadOnlyList<HeardMessage> Messages
)
{
    // Each comes once with a solution.
    private static readonly string[] Solutions = ["NAV-PVT", "NAV-SOL", "GGA", "RMC"];

    /// <summary>What frames and sentences of a while come to. Fields that are missing or absurd are passed over.</summary>
    /// <param name="frames">The frames, in order.</param>
    /// <param name="sentences">The sentences, in order.</param>
    /// <param name="seconds">How long they were listened to; above zero.</param>
    /// <param name="load">The part of the line that was filled.</param>
    public static GnssPicture Of(
        IReadOnlyList<UbxFrame> frames,
        IReadOnlyList<NmeaSentence> sentences,
        double seconds,
        double load
    )
    {
        var picture = new GnssPicture(FixKind.None, 0, null, null, 0, load, [], []);
        foreach (var sentence in sentences)
        {
            picture = With(picture, sentence);
        }
        foreach (var frame in frames)
        {
            picture = With(picture, frame);
        }
        var views = sentences
            .Where(s => s.Type == "GSV")
            .TakeLast(8)
            .SelectMany(InView)
            .DistinctBy(s => s.Number)
            .ToList();
        var messages = frames
            .Select(f => f.Name)
            .Concat(sentences.Select(s => s.Type))
            .CountBy(name => name)
            .Select(m => new HeardMessage(m.Key, Math.Round(m.Value / seconds, 1)))
            .OrderBy(m => m.Name, StringComparer.Ordinal)
            .ToList();
        return picture with
        {
            Sky = picture.Sky.Count > 0 ? picture.Sky : views,
            Messages = messages,
            Hertz = messages.Where(m => Solutions.Contains(m.Name)).Select(m => m.PerSecond).DefaultIfEmpty(0).Max(),
        };
    }

    private static GnssPicture With(GnssPicture picture, UbxFrame frame)
    {
        var p = frame.Payload;
        switch (frame.Message)
        {
            case UbxMessage.NavPvt when p.Length == 92:
                return Placed(picture, p[20], p[23], I4(p, 28), I4(p, 24), (p[21] & 1) != 0);
            case UbxMessage.NavSol when p.Length == 52:
                return picture with { Fix = KindOf(p[10]), Used = p[47] };
            case UbxMessage.NavPosllh when p.Length == 28 && picture.Fix != FixKind.None:
                return picture with { Latitude = I4(p, 8) / 1e7, Longitude = I4(p, 4) / 1e7 };
            case UbxMessage.NavSat when p.Length >= 8 && p.Length == 8 + (12 * p[5]):
                return picture with
                {
                    Sky =
                    [
                        .. Enumerable
                            .Range(0, p[5])
                            .Select(i => 8 + (12 * i))
                            .Select(at => new Satellite(
                                p[at + 1],
                                (sbyte)p[at + 3],
                                BinaryPrimitives.ReadInt16LittleEndian(p.AsSpan(at + 4)),
                                p[at + 2],
                                (p[at + 8] & 8) != 0
                            )),
                    ],
                };
            case UbxMessage.NavSvinfo when p.Length >= 8 && p.Length == 8 + (12 * p[4]):
                return picture with
                {
                    Sky =
                    [
                        .. Enumerable
                            .Range(0, p[4])
                            .Select(i => 8 + (12 * i))
                            .Select(at => new Satellite(
                                p[at + 1],
                                (sbyte)p[at + 5],
                                BinaryPrimitives.ReadInt16LittleEndian(p.AsSpan(at + 6)),
                                p[at + 4],
                                (p[at + 2] & 1) != 0
                            )),
                    ],
                };
            default:
                return picture;
        }
    }

    private static GnssPicture With(GnssPicture picture, NmeaSentence sentence)
    {
        var f = sentence.Fields;
        if (sentence.Type == "GGA" && f.Count >= 9)
        {
            var used = int.TryParse(f[6], NumberStyles.None, CultureInfo.InvariantCulture, out var n) ? n : 0;
            var has = f[5] is not ("0" or "");
            return picture with
            {
                Fix = has ? FixKind.Full : FixKind.None,
                Used = used,
                Latitude = has ? Angle(f[1], f[2]) : null,
                Longitude = has ? Angle(f[3], f[4]) : null,
            };
        }
        return sentence.Type == "GSA" && f.Count >= 2 && picture.Fix != FixKind.None && f[1] == "2"
            ? picture with
            {
                Fix = FixKind.Flat,
            }
            : picture;
    }

    private static GnssPicture Placed(
        GnssPicture picture,
        byte kind,
        int used,
        int latitude,
        int longitude,
        bool isGood
    ) =>
        picture with
        {
            Fix = isGood ? KindOf(kind) : FixKind.None,
            Used = used,
            Latitude = isGood ? latitude / 1e7 : null,
            Longitude = isGood ? longitude / 1e7 : null,
        };

    private static FixKind KindOf(byte kind) =>
        kind switch
        {
            2 => FixKind.Flat,
            3 or 4 => FixKind.Full,
            _ => FixKind.None,
        };

    private static int I4(byte[] payload, int at) => BinaryPrimitives.ReadInt32LittleEndian(payload.AsSpan(at));

    // Degrees and minutes run together: ddmm.mmmm.
    private static double? Angle(string value, string half)
    {
        if (!double.TryParse(value, NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var number))
        {
            return null;
        }
        var degrees = Math.Floor(number / 100);
        var angle = degrees + ((number - (100 * degrees)) / 60);
        return half is "S" or "W" ? -angle : angle;
    }

    private static IEnumerable<Satellite> InView(NmeaSentence sentence)
    {
        static int Number(string text) =>
            int.TryParse(text, NumberStyles.None, CultureInfo.InvariantCulture, out var n) ? n : 0;
        var f = sentence.Fields;
        for (var at = 3; at + 3 < f.Count; at += 4)
        {
            if (f[at].Length > 0)
            {
                yield return new Satellite(
                    Number(f[at]),
                    Number(f[at + 1]),
                    Number(f[at + 2]),
                    Number(f[at + 3]),
                    false
                );
            }
        }
    }
}
