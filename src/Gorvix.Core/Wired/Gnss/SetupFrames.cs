using System.Buffers.Binary;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;

namespace Gorvix.Core.Wired.Gnss;

/// <summary>A frame of a set-up with what it does.</summary>
/// <param name="Frame">The frame.</param>
/// <param name="Words">What it does, as a sentence.</param>
public sealed record SetupFrame(UbxFrame Frame, string Words)
{
    /// <summary>Its bytes, as hexadecimal pairs.</summary>
    public string Hex =>
        Convert.ToHexString(Frame.Bytes()) is var hex
            ? string.Join(' ', hex.Chunk(2).Select(pair => new string(pair)))
            : "";
}

/// <summary>What a module is set to.</summary>
/// <param name="Generation">How it is spoken to.</param>
/// <param name="Baud">Bits per second.</param>
/// <param name="Hertz">Solutions a second.</param>
public sealed record ModuleWish(GnssGeneration Generation, int Baud, int Hertz);

/// <summary>
/// The frames that set a module up, byte by byte (source: the GNSS receiver maker's interface description: CFG-PRT, CFG-RATE, CFG-MSG,
/// CFG-CFG; CFG-VALSET with the keys of CFG-UART1, CFG-RATE and CFG-MSGOUT; key numbers from memory). The baud goes last before saving,
/// because from then on the module talks at it.
/// </summary>
public static class SetupFrames
{
    /// <summary>The messages that the older generation is asked for, with every so many solutions.</summary>
    public static readonly IReadOnlyList<(UbxMessage Message, int Every)> Older =
    [
        (UbxMessage.NavPosllh, 1),
        (UbxMessage.NavDop, 1),
        (UbxMessage.NavSol, 1),
        (UbxMessage.NavVelned, 1),
        (UbxMessage.NavTimeutc, 1),
        (UbxMessage.NavSvinfo, 5),
    ];

    /// <summary>Sentences that a module sends as it comes, with the last byte of their number.</summary>
    internal static readonly IReadOnlyList<(string Name, byte Id, uint Key)> NmeaSentences =
    [
        ("GGA", 0x00, 0x209100BB),
        ("GLL", 0x01, 0x209100CA),
        ("GSA", 0x02, 0x209100C0),
        ("GSV", 0x03, 0x209100C5),
        ("RMC", 0x04, 0x209100AC),
        ("VTG", 0x05, 0x209100B1),
    ];

    /// <summary>Class of the sentences where a message is named by class and id.</summary>
    internal const byte SentenceClass = 0xF0;

    internal const uint BaudKey = 0x40520001;
    internal const uint PeriodKey = 0x30210001;
    internal const uint PvtKey = 0x20910007;
    internal const uint SatKey = 0x20910016;
    internal const uint UbxOutKey = 0x10740001;
    internal const uint NmeaOutKey = 0x10740002;

    // RAM, battery-backed memory and flash.
    private const byte EveryLayer = 7;

    /// <summary>Every frame, in the order in which they are sent.</summary>
    /// <param name="wish">What the module is to be set to.</param>
    public static IReadOnlyList<SetupFrame> Of(ModuleWish wish) =>
        wish.Generation == GnssGeneration.Older ? [.. OfOlder(wish)] : [.. OfNewer(wish)];

    /// <summary>The set-up as one file, to be sent by any program that writes to a serial line.</summary>
    public static byte[] File(ModuleWish wish) => [.. Of(wish).SelectMany(f => f.Frame.Bytes())];

    /// <summary>Asks what the module is.</summary>
    public static UbxFrame AskVersion { get; } = new(UbxMessage.MonVer, []);

    /// <summary>Forgets everything that was set and starts as it left the factory.</summary>
    public static IReadOnlyList<SetupFrame> Revert(GnssGeneration generation) =>
        generation == GnssGeneration.Older
            ?
            [
                new(
                    new UbxFrame(UbxMessage.CfgCfg, Masks(clear: 0xFFFF, save: 0, load: 0xFFFF)),
                    Sentences.ClearTheSavedSettingsAnd
                ),
            ]
            :
            [
                new(
                    new UbxFrame(UbxMessage.CfgValdel, [0, 6, 0, 0, 0xFF, 0xFF, 0xFF, 0x0F]),
                    Sentences.DeleteEveryKeyFromBattery
                ),
                new(new UbxFrame(UbxMessage.CfgRst, [0, 0, 0, 0]), Sentences.RestartToClearRam),
            ];

    private static byte[] Masks(uint clear, uint save, uint load)
    {
        var payload = new byte[13];
        BinaryPrimitives.WriteUInt32LittleEndian(payload, clear);
        BinaryPrimitives.WriteUInt32LittleEndian(payload.AsSpan(4), save);
        BinaryPrimitives.WriteUInt32LittleEndian(payload.AsSpan(8), load);
        payload[12] = 0x17;
        return payload;
    }

    private static ushort Period(int hertz) => (ushort)(1000 / hertz);

    private static IEnumerable<SetupFrame> OfOlder(ModuleWish wish)
    {
        foreach (var (message, every) in Older)
        {
            yield return new SetupFrame(
                new UbxFrame(UbxMessage.CfgMsg, [(byte)((int)message >> 8), (byte)message, (byte)every]),
                $"Send {UbxFrame.NameOf(message)} {(every == 1 ? Sentences.EveryEpoch : Sentences.EveryThEpoch(every))}."
            );
        }
        var rate = new byte[6];
        BinaryPrimitives.WriteUInt16LittleEndian(rate, Period(wish.Hertz));
        (rate[2], rate[4]) = (1, 1);
        yield return new SetupFrame(
            new UbxFrame(UbxMessage.CfgRate, rate),
            Sentences.UpdateEveryMsHzAligned(Period(wish.Hertz), wish.Hertz)
        );
        foreach (var (name, id, _) in NmeaSentences)
        {
            yield return new SetupFrame(
                new UbxFrame(UbxMessage.CfgMsg, [SentenceClass, id, 0]),
                Sentences.DisableSentencesTheyOnlyLoad(name)
            );
        }
        var port = new byte[20];
        port[0] = 1;
        BinaryPrimitives.WriteUInt32LittleEndian(port.AsSpan(4), 0x08D0);
        BinaryPrimitives.WriteUInt32LittleEndian(port.AsSpan(8), (uint)wish.Baud);
        (port[12], port[14]) = (7, 3);
        yield return new SetupFrame(
            new UbxFrame(UbxMessage.CfgPrt, port),
            Sentences.ModuleUart1At8n1In(Phrase.Baud(wish.Baud))
        );
        yield return new SetupFrame(
            new UbxFrame(UbxMessage.CfgCfg, Masks(clear: 0, save: 0xFFFF, load: 0)),
            Sentences.AtFromHereOnA(Phrase.Baud(wish.Baud))
        );
    }

    private static IEnumerable<SetupFrame> OfNewer(ModuleWish wish)
    {
        yield return Keys(Sentences.SendNavPvtEveryEpoch, EveryLayer, (PvtKey, 1, 1), (SatKey, 5, 1));
        yield return Keys(
            Sentences.UpdateEveryMsHz(Period(wish.Hertz), wish.Hertz),
            EveryLayer,
            (PeriodKey, Period(wish.Hertz), 2)
        );
        yield return Keys(
            Sentences.DisableSentencesTheyOnlyLoad(string.Join(", ", NmeaSentences.Select(s => s.Name))),
            EveryLayer,
            [.. NmeaSentences.Select(s => (s.Key, 0u, 1))]
        );
        yield return Keys(Sentences.OutputUbxAndNmeaOn, EveryLayer, (UbxOutKey, 1, 1), (NmeaOutKey, 1, 1));
        yield return Keys(
            Sentences.ModuleUart1AtEverySetting(Phrase.Baud(wish.Baud)),
            EveryLayer,
            (BaudKey, (uint)wish.Baud, 4)
        );
    }

    private static SetupFrame Keys(string words, byte layers, params (uint Key, uint Value, int Bytes)[] pairs)
    {
        var payload = new List<byte> { 0, layers, 0, 0 };
        var four = new byte[4];
        foreach (var (key, value, bytes) in pairs)
        {
            BinaryPrimitives.WriteUInt32LittleEndian(four, key);
            payload.AddRange(four);
            BinaryPrimitives.WriteUInt32LittleEndian(four, value);
            payload.AddRange(four[..bytes]);
        }
        return new SetupFrame(new UbxFrame(UbxMessage.CfgValset, [.. payload]), words);
    }
}
