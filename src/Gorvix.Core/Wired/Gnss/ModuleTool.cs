using System.Text;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;

namespace Gorvix.Core.Wired.Gnss;

/// <summary>A line of what was done at a module.</summary>
/// <param name="Words">What, as a sentence.</param>
/// <param name="IsTrouble">True where it did not go as it should.</param>
public sealed record ModuleLine(string Words, bool IsTrouble = false);

/// <summary>What is known of a module on a line.</summary>
/// <param name="Baud">Bits per second at which it talks; null while it is not found.</param>
/// <param name="Generation">How it is spoken to; null while it has not said.</param>
/// <param name="Version">What it calls itself; null while it has not said.</param>
/// <param name="Picture">What it says; null while nothing is heard.</param>
/// <param name="Log">What was done, in order.</param>
public sealed record ModuleReport(
    int? Baud,
    GnssGeneration? Generation,
    string? Version,
    GnssPicture? Picture,
    IReadOnlyList<ModuleLine> Log
)
{
    /// <summary>True where nothing went wrong.</summary>
    public bool IsGood => Log.All(l => !l.IsTrouble);
}

/// <summary>
/// Works at a module over a serial line: finds its baud, asks what it is, sends a set-up and waits for each answer, takes its power away and
/// sees what it has kept. Whatever happens on the line becomes a line of the log; nothing is sent before the module is found.
/// </summary>
public sealed class ModuleTool(ISerialLine line, CancellationToken stop)
{
    // The usual ones first (common practice).
    private static readonly int[] Tried = [9_600, 115_200, 38_400, 57_600, 230_400, 19_200, 460_800];
    private static readonly TimeSpan Tick = TimeSpan.FromMilliseconds(50);
    private const int AnswerTicks = 24;
    private const int Tries = 3;

    private readonly List<ModuleLine> _log = [];
    private readonly byte[] _buffer = new byte[4096];
    private GnssReader _reader = new();
    private int? _baud;
    private GnssGeneration? _generation;
    private string? _version;
    private GnssPicture? _picture;

    /// <summary>Finds the module, asks what it is and listens.</summary>
    /// <param name="seconds">How long to listen, 1 to 60.</param>
    public ModuleReport Look(double seconds) =>
        Guarded(() =>
        {
            if (Find())
            {
                Listen(seconds);
            }
        });

    /// <summary>Sends a set-up, frame by frame, and sees that it holds.</summary>
    public ModuleReport SetUp(ModuleWish wish) =>
        Guarded(() =>
        {
            if (!Find())
            {
                return;
            }
            if (_generation is { } told && told != wish.Generation)
            {
                Say(Sentences.TheModuleReportsTheGeneration(told == GnssGeneration.Newer ? "newer" : "older"), false);
            }
            var own = wish with { Generation = _generation ?? wish.Generation };
            if (SendAll(SetupFrames.Of(own), own.Baud))
            {
                Say(Sentences.AllSettingsAcceptedAndSaved);
            }
            Check(own);
        });

    /// <summary>Takes the power away and sees what the module has kept.</summary>
    public ModuleReport Prove(ModuleWish wish) =>
        Guarded(() =>
        {
            var isCycled = line.TryCyclePower();
            Say(isCycled ? "Power-cycled." : Sentences.ThisAdapterCannotPowerCycle);
            if (!Find())
            {
                return;
            }
            var own = wish with { Generation = _generation ?? wish.Generation };
            // Without a power cycle nothing is known of its memory, either way.
            switch (Check(own), isCycled)
            {
                case (true, true):
                    Say(Sentences.TheModuleHasKeptIts);
                    break;
                case (false, true):
                    Say(Sentences.TheModuleLosesSettingsWithout, true);
                    break;
                case (true, false):
                    Say(Sentences.TheSettingsAreAsWanted);
                    break;
                default:
                    Say(Sentences.TheSettingsAreNotAs, true);
                    break;
            }
        });

    /// <summary>Brings the module back to how it left the factory.</summary>
    public ModuleReport Revert() =>
        Guarded(() =>
        {
            if (!Find())
            {
                return;
            }
            foreach (var frame in SetupFrames.Revert(_generation ?? GnssGeneration.Older))
            {
                // A restart is not answered; what is refused before it leaves the module as it was.
                if (!Send(frame, waits: frame.Frame.Message != UbxMessage.CfgRst))
                {
                    Say(Sentences.FactoryResetNotDoneThe, true);
                    return;
                }
            }
            if (Find())
            {
                Listen(2);
                Say(Sentences.FactoryResetDone);
            }
        });

    private ModuleReport Guarded(Action work)
    {
        try
        {
            work();
        }
        catch (Exception gone) when (gone is IOException or UnauthorizedAccessException or InvalidOperationException)
        {
            Say(Sentences.DisconnectedPlugItInAgain(line.Name, gone.Message.TrimEnd('.')), true);
        }
        return new ModuleReport(_baud, _generation, _version, _picture, _log);
    }

    private void Say(string words, bool isTrouble = false) => _log.Add(new ModuleLine(words, isTrouble));

    // Listens at each baud in turn; the one at which whole messages come is the right one.
    private bool Find()
    {
        _baud = null;
        var heard = 0L;
        foreach (var baud in Tried)
        {
            line.SetBaud(baud);
            _reader = new GnssReader();
            Hear(1.2);
            heard += _reader.Noise;
            if (_reader.Whole > 0)
            {
                _baud = baud;
                Say(Sentences.FoundAt(Phrase.Baud(baud)));
                AskVersion();
                return true;
            }
        }
        Say(heard == 0 ? Sentences.NoDataAtAnyBaud : Sentences.DataReceivedButNoUbx, true);
        return false;
    }

    private void AskVersion()
    {
        _version = null;
        _reader.TakeFrames();
        line.Write(SetupFrames.AskVersion.Bytes());
        if (Await(f => f.Message == UbxMessage.MonVer && f.Payload.Length >= 40) is not { } told)
        {
            _generation = null;
            Say(Sentences.NoVersionReplyTheModule, true);
            return;
        }
        var words = Encoding
            .ASCII.GetString(told.Payload)
            .Split('\0', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);
        _version = string.Join(", ", words.Select(Printable));
        // Protocol versions from 23 on know keys and values (from memory: 23.01).
        var protocol = words.FirstOrDefault(w => w.StartsWith("PROTVER=", StringComparison.Ordinal))?[8..];
        _generation =
            double.TryParse(
                protocol,
                System.Globalization.NumberStyles.AllowDecimalPoint,
                System.Globalization.CultureInfo.InvariantCulture,
                out var number
            )
            && number >= 23
                ? GnssGeneration.Newer
                : GnssGeneration.Older;
        Say(Sentences.VersionThisIsTheGeneration(_version, _generation == GnssGeneration.Newer ? "newer" : "older"));
    }

    private static string Printable(string text) => string.Concat(text.Where(c => c is >= ' ' and <= '~'));

    private bool SendAll(IReadOnlyList<SetupFrame> frames, int baud)
    {
        var good = true;
        foreach (var frame in frames)
        {
            var turns = frame.Frame.Message == UbxMessage.CfgPrt || IsBaudKey(frame.Frame);
            // A module that obeys at once answers at its new baud, or not at all.
            good &= Send(frame, waits: !turns || _baud == baud);
            if (turns && _baud != baud)
            {
                line.SetBaud(baud);
                _reader = new GnssReader();
                Hear(1.2);
                if (_reader.Whole == 0)
                {
                    Say(Sentences.NoValidDataAtThe(Phrase.Baud(baud)), true);
                    return false;
                }
                _baud = baud;
                Say(Sentences.NowAt(Phrase.Baud(baud)));
            }
        }
        return good;
    }

    private static bool IsBaudKey(UbxFrame frame) =>
        frame.Message == UbxMessage.CfgValset
        && frame.Payload.Length == 12
        && BitConverter.ToUInt32(frame.Payload.AsSpan(4, 4)) == SetupFrames.BaudKey;

    // An answer that is lost is asked for again; a refusal is not.
    private bool Send(SetupFrame frame, bool waits)
    {
        for (var left = Tries; left > 0; left--)
        {
            stop.ThrowIfCancellationRequested();
            _reader.TakeFrames();
            line.Write(frame.Frame.Bytes());
            if (!waits)
            {
                Hear(0.5);
                return true;
            }
            var (group, id) = ((byte)((int)frame.Frame.Message >> 8), (byte)frame.Frame.Message);
            var answer = Await(f =>
                f.Message is UbxMessage.AckAck or UbxMessage.AckNak
                && f.Payload.Length == 2
                && f.Payload[0] == group
                && f.Payload[1] == id
            );
            if (answer?.Message == UbxMessage.AckAck)
            {
                Say($"{frame.Frame.Name} accepted: {frame.Words}");
                return true;
            }
            if (answer is not null)
            {
                Say($"{frame.Frame.Name} rejected: {frame.Words}", true);
                return false;
            }
        }
        Say(Sentences.NoReplyInTries(frame.Frame.Name, Tries, frame.Words), true);
        return false;
    }

    // What is said must be what was asked for.
    private bool Check(ModuleWish wish)
    {
        Listen(wish.Hertz >= 5 ? 3 : 6);
        string[] wanted =
            wish.Generation == GnssGeneration.Newer
                ? ["NAV-PVT"]
                : [.. SetupFrames.Older.Where(m => m.Every == 1).Select(m => UbxFrame.NameOf(m.Message))];
        var said = _picture?.Messages.Select(m => m.Name).ToHashSet() ?? [];
        var missing = wanted.Where(w => !said.Contains(w)).ToList();
        var isRate = _picture is { } heard && heard.Hertz >= 0.7 * wish.Hertz;
        var isBaud = _baud == wish.Baud;
        if (!isBaud)
        {
            Say(
                Sentences.TheModuleIsAtNot(
                    _baud is { } baud ? Phrase.Baud(baud) : Sentences.AnUnknownBaud,
                    Phrase.Baud(wish.Baud)
                ),
                true
            );
        }
        if (missing.Count > 0)
        {
            Say(Sentences.MessagesMissing(string.Join(", ", missing)), true);
        }
        else if (!isRate)
        {
            Say(Sentences.UpdateRateIsHzNot(_picture?.Hertz, wish.Hertz), true);
        }
        return missing.Count == 0 && isRate && isBaud;
    }

    private void Listen(double seconds)
    {
        _reader = new GnssReader();
        var bytes = Hear(seconds);
        _picture = GnssPicture.Of(
            _reader.TakeFrames(),
            _reader.TakeSentences(),
            seconds,
            bytes * 10 / (seconds * (_baud ?? 9_600))
        );
        Say(
            _picture.Fix == FixKind.None
                ? Sentences.NoFixYetSatellitesReceived(_picture.Sky.Count(s => s.Strength > 0))
                : Sentences.FixWithSatellites(_picture.Used)
        );
    }

    private long Hear(double seconds)
    {
        var bytes = 0L;
        for (var passed = TimeSpan.Zero; passed.TotalSeconds < seconds; passed += Tick)
        {
            stop.ThrowIfCancellationRequested();
            line.Wait(Tick);
            bytes += Drain();
        }
        return bytes;
    }

    private long Drain()
    {
        var bytes = 0L;
        // A line that never runs dry is not waited for.
        for (var most = 64; most > 0 && line.Read(_buffer) is > 0 and var count; most--)
        {
            _reader.Read(_buffer.AsSpan(0, count));
            bytes += count;
        }
        return bytes;
    }

    private UbxFrame? Await(Func<UbxFrame, bool> wanted)
    {
        for (var ticks = AnswerTicks; ticks > 0; ticks--)
        {
            stop.ThrowIfCancellationRequested();
            line.Wait(Tick);
            Drain();
            if (_reader.TakeFrames().FirstOrDefault(wanted) is { } frame)
            {
                return frame;
            }
        }
        return null;
    }
}
