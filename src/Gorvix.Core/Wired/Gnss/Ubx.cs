using Gorvix.Core.Hardware.Protocols;

namespace Gorvix.Core.Wired.Gnss;

/// <summary>Names of the messages that matter here (source: the GNSS receiver maker's interface description, message classes and ids).</summary>
public enum UbxMessage
{
    /// <summary>Position, 28 bytes.</summary>
    NavPosllh = 0x0102,

    /// <summary>Dilution of precision, 18 bytes.</summary>
    NavDop = 0x0104,

    /// <summary>Solution, 52 bytes; older generation.</summary>
    NavSol = 0x0106,

    /// <summary>Position, velocity and time in one, 92 bytes.</summary>
    NavPvt = 0x0107,

    /// <summary>Velocity, 36 bytes.</summary>
    NavVelned = 0x0112,

    /// <summary>Time, 20 bytes.</summary>
    NavTimeutc = 0x0121,

    /// <summary>Satellites, 8 bytes and 12 for each; older generation.</summary>
    NavSvinfo = 0x0130,

    /// <summary>Satellites, 8 bytes and 12 for each; newer generation.</summary>
    NavSat = 0x0135,

    /// <summary>A setting was refused.</summary>
    AckNak = 0x0500,

    /// <summary>A setting was taken.</summary>
    AckAck = 0x0501,

    /// <summary>The port, 20 bytes; older generation.</summary>
    CfgPrt = 0x0600,

    /// <summary>How often a message is sent, 3 bytes; older generation.</summary>
    CfgMsg = 0x0601,

    /// <summary>Restart, 4 bytes.</summary>
    CfgRst = 0x0604,

    /// <summary>Solutions a second, 6 bytes; older generation.</summary>
    CfgRate = 0x0608,

    /// <summary>Clear, save or load, 13 bytes; older generation.</summary>
    CfgCfg = 0x0609,

    /// <summary>Set by keys; newer generation.</summary>
    CfgValset = 0x068A,

    /// <summary>Delete what was set by keys; newer generation.</summary>
    CfgValdel = 0x068C,

    /// <summary>Version.</summary>
    MonVer = 0x0A04,
}

/// <summary>
/// One frame: two signs, class, id, length, payload, two sums (source: the GNSS receiver maker's interface description, frame structure;
/// the sums are RFC 1145's 8-bit Fletcher over class to payload).
/// </summary>
/// <param name="Message">Class and id.</param>
/// <param name="Payload">0 to 65535 bytes.</param>
public sealed record UbxFrame(UbxMessage Message, byte[] Payload)
{
    /// <summary>The signs that begin a frame.</summary>
    public const byte First = 0xB5;

    /// <summary>The second of them.</summary>
    public const byte Second = 0x62;

    /// <summary>What a frame has besides its payload.</summary>
    public const int Around = 8;

    /// <summary>Its name as in the interface description: "CFG-PRT".</summary>
    public string Name => NameOf(Message);

    /// <summary>The name of a message: "NAV-PVT"; in hex where it is not known here.</summary>
    public static string NameOf(UbxMessage message) =>
        Enum.GetName(message) is { } name ? $"{name[..3]}-{name[3..]}".ToUpperInvariant() : $"0x{(int)message:X4}";

    /// <summary>The frame as it goes over the wire.</summary>
    public byte[] Bytes()
    {
        var bytes = new byte[Payload.Length + Around];
        (bytes[0], bytes[1]) = (First, Second);
        (bytes[2], bytes[3]) = ((byte)((int)Message >> 8), (byte)Message);
        (bytes[4], bytes[5]) = ((byte)Payload.Length, (byte)(Payload.Length >> 8));
        Payload.CopyTo(bytes, 6);
        var sums = Checksum.Fletcher8.Over(bytes.AsSpan(2, Payload.Length + 4));
        (bytes[^2], bytes[^1]) = ((byte)(sums >> 8), (byte)sums);
        return bytes;
    }
}
