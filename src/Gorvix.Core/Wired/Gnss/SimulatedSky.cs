using System.Buffers.Binary;
using System.Globalization;
using System.Text;

namespace Gorvix.Core.Wired.Gnss;

/// <summary>A satellite as a module tells of it.</summary>
/// <param name="Number">Its number.</param>
/// <param name="Elevation">Degrees above the horizon.</param>
/// <param name="Azimuth">Degrees from north.</param>
/// <param name="Strength">Strength, dB-Hz; 0 where it is not heard.</param>
/// <param name="IsUsed">True when the fix rests on it.</param>
public sealed record Satellite(int Number, int Elevation, int Azimuth, int Strength, bool IsUsed);

/// <summary>What a simulated module sees.</summary>
/// <param name="Seconds">Time of its own, in seconds from the start of its day.</param>
/// <param name="Latitude">Degrees.</param>
/// <param name="Longitude">Degrees.</param>
/// <param name="Metres">Height above the ellipsoid.</param>
/// <param name="Satellites">What is in sight.</param>
internal sealed record SimulatedSky(
    double Seconds,
    double Latitude,
    double Longitude,
    double Metres,
    IReadOnlyList<Satellite> Satellites
)
{
    // Where the invented quarry lies.
    private const double QuarryLatitude = 53.27104;
    private const double QuarryLongitude = -1.81467;

    public int Used => Satellites.Count(s => s.IsUsed);

    // Four are needed: three for the place, one for the time (geometry).
    public bool HasFix => Used >= 4;

    public static SimulatedSky At(ModuleScene scene, double since, double now)
    {
        var satellites = Enumerable
            .Range(1, 14)
            .Select(n =>
            {
                var strength =
                    scene == ModuleScene.Indoors ? (n % 3 == 0 ? 14 + (n % 4) : 0)
                    : since < 2 * n ? 0
                    : 28 + ((n * 7) % 19);
                return new Satellite(
                    n,
                    8 + ((n * 37) % 78),
                    ((n * 101) + (int)(now / 60)) % 360,
                    strength,
                    strength > 25 && since > 26
                );
            })
            .Where(s => s.Strength > 0)
            .ToList();
        return new SimulatedSky(43_200 + now, QuarryLatitude, QuarryLongitude, 312.4, satellites);
    }
}

/// <summary>What a simulated module says, message by message (source of each layout: the maker's interface description; IEC 61162-1).</summary>
internal static class SimulatedWords
{
    public static IEnumerable<byte[]> Of(int message, SimulatedSky sky) =>
        message >> 8 == SetupFrames.SentenceClass
            ? Sentences((byte)message, sky).Select(s => Encoding.ASCII.GetBytes(s.ToString()))
        : Payload((UbxMessage)message, sky) is { } payload ? [new UbxFrame((UbxMessage)message, payload).Bytes()]
        : [];

    private static uint Itow(SimulatedSky sky) => (uint)(sky.Seconds * 1000);

    private static int E7(double degrees) => (int)Math.Round(degrees * 1e7);

    private static byte[]? Payload(UbxMessage message, SimulatedSky sky)
    {
        void U4(byte[] p, int at, uint value) => BinaryPrimitives.WriteUInt32LittleEndian(p.AsSpan(at), value);
        void I4(byte[] p, int at, int value) => BinaryPrimitives.WriteInt32LittleEndian(p.AsSpan(at), value);
        void U2(byte[] p, int at, int value) => BinaryPrimitives.WriteUInt16LittleEndian(p.AsSpan(at), (ushort)value);
        byte[] Start(int length)
        {
            var payload = new byte[length];
            U4(payload, 0, Itow(sky));
            return payload;
        }
        var fix = (byte)(sky.HasFix ? 3 : 0);
        var time = TimeSpan.FromSeconds(sky.Seconds % 86_400);
        switch (message)
        {
            case UbxMessage.NavPosllh:
                var place = Start(28);
                I4(place, 4, E7(sky.Longitude));
                I4(place, 8, E7(sky.Latitude));
                I4(place, 12, (int)(sky.Metres * 1000));
                I4(place, 16, (int)(sky.Metres * 1000) - 49_000);
                U4(place, 20, 1500);
                U4(place, 24, 2500);
                return place;
            case UbxMessage.NavDop:
                var dop = Start(18);
                for (var at = 4; at < 18; at += 2)
                {
                    U2(dop, at, sky.HasFix ? 120 : 9999);
                }
                return dop;
            case UbxMessage.NavSol:
                var sol = Start(52);
                U2(sol, 8, 2400);
                sol[10] = fix;
                sol[11] = (byte)(sky.HasFix ? 0x0D : 0x0C);
                sol[47] = (byte)sky.Used;
                return sol;
            case UbxMessage.NavVelned:
                return Start(36);
            case UbxMessage.NavTimeutc:
                var utc = Start(20);
                U2(utc, 12, 2026);
                (utc[14], utc[15], utc[16], utc[17], utc[18], utc[19]) = (
                    11,
                    26,
                    (byte)time.Hours,
                    (byte)time.Minutes,
                    (byte)time.Seconds,
                    7
                );
                return utc;
            case UbxMessage.NavPvt:
                var pvt = Start(92);
                U2(pvt, 4, 2026);
                (pvt[6], pvt[7], pvt[8], pvt[9], pvt[10], pvt[11]) = (
                    11,
                    26,
                    (byte)time.Hours,
                    (byte)time.Minutes,
                    (byte)time.Seconds,
                    7
                );
                (pvt[20], pvt[21], pvt[23]) = (fix, (byte)(sky.HasFix ? 1 : 0), (byte)sky.Used);
                I4(pvt, 24, E7(sky.Longitude));
                I4(pvt, 28, E7(sky.Latitude));
                I4(pvt, 32, (int)(sky.Metres * 1000));
                I4(pvt, 36, (int)(sky.Metres * 1000) - 49_000);
                U4(pvt, 40, 1500);
                U4(pvt, 44, 2500);
                U2(pvt, 76, sky.HasFix ? 120 : 9999);
                return pvt;
            case UbxMessage.NavSvinfo or UbxMessage.NavSat:
                var all = Start(8 + (12 * sky.Satellites.Count));
                (all[4], all[5]) =
                    message == UbxMessage.NavSat
                        ? ((byte)1, (byte)sky.Satellites.Count)
                        : ((byte)sky.Satellites.Count, (byte)3);
                foreach (var (i, s) in sky.Satellites.Index())
                {
                    var at = 8 + (12 * i);
                    if (message == UbxMessage.NavSat)
                    {
                        (all[at + 1], all[at + 2], all[at + 3]) = ((byte)s.Number, (byte)s.Strength, (byte)s.Elevation);
                        U2(all, at + 4, s.Azimuth);
                        U4(all, at + 8, s.IsUsed ? 0x1Fu : 0x14u);
                    }
                    else
                    {
                        (all[at], all[at + 1], all[at + 2], all[at + 3]) = (
                            (byte)i,
                            (byte)s.Number,
                            (byte)(s.IsUsed ? 0x0D : 0x0C),
                            5
                        );
                        (all[at + 4], all[at + 5]) = ((byte)s.Strength, (byte)s.Elevation);
                        U2(all, at + 6, s.Azimuth);
                    }
                }
                return all;
            default:
                return null;
        }
    }

    private static IEnumerable<NmeaSentence> Sentences(byte id, SimulatedSky sky)
    {
        var time = TimeSpan.FromSeconds(sky.Seconds % 86_400).ToString("hhmmss\\.ff", CultureInfo.InvariantCulture);
        var (latitude, north) = sky.HasFix ? NmeaSentence.Angle(sky.Latitude, 2, "NS") : ("", "");
        var (longitude, east) = sky.HasFix ? NmeaSentence.Angle(sky.Longitude, 3, "EW") : ("", "");
        string Number(double value, string form) => value.ToString(form, CultureInfo.InvariantCulture);
        string[] numbers = [.. sky.Satellites.Where(s => s.IsUsed).Take(12).Select(s => Number(s.Number, "00"))];
        switch (id)
        {
            case 0x00:
                yield return new NmeaSentence(
                    "GPGGA",
                    [
                        time,
                        latitude,
                        north,
                        longitude,
                        east,
                        sky.HasFix ? "1" : "0",
                        Number(sky.Used, "00"),
                        sky.HasFix ? "1.20" : "99.99",
                        sky.HasFix ? Number(sky.Metres - 49, "0.0") : "",
                        "M",
                        sky.HasFix ? "49.0" : "",
                        "M",
                        "",
                        "",
                    ]
                );
                break;
            case 0x01:
                yield return new NmeaSentence(
                    "GPGLL",
                    [latitude, north, longitude, east, time, sky.HasFix ? "A" : "V", "A"]
                );
                break;
            case 0x02:
                yield return new NmeaSentence(
                    "GPGSA",
                    [
                        "A",
                        sky.HasFix ? "3" : "1",
                        .. numbers,
                        .. Enumerable.Repeat("", 12 - numbers.Length),
                        sky.HasFix ? "1.80" : "99.99",
                        sky.HasFix ? "1.20" : "99.99",
                        sky.HasFix ? "1.34" : "99.99",
                    ]
                );
                break;
            case 0x03:
                var groups = sky.Satellites.Chunk(4).ToList();
                foreach (var (i, group) in groups.Index())
                {
                    yield return new NmeaSentence(
                        "GPGSV",
                        [
                            $"{groups.Count}",
                            $"{i + 1}",
                            Number(sky.Satellites.Count, "00"),
                            .. group.SelectMany(s =>
                                new[]
                                {
                                    Number(s.Number, "00"),
                                    Number(s.Elevation, "00"),
                                    Number(s.Azimuth, "000"),
                                    Number(s.Strength, "00"),
                                }
                            ),
                        ]
                    );
                }
                break;
            case 0x04:
                yield return new NmeaSentence(
                    "GPRMC",
                    [
                        time,
                        sky.HasFix ? "A" : "V",
                        latitude,
                        north,
                        longitude,
                        east,
                        "0.00",
                        "",
                        "261126",
                        "",
                        "",
                        sky.HasFix ? "A" : "N",
                    ]
                );
                break;
            case 0x05:
                yield return new NmeaSentence(
                    "GPVTG",
                    ["", "T", "", "M", "0.00", "N", "0.00", "K", sky.HasFix ? "A" : "N"]
                );
                break;
        }
    }
}
