using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Protocols;
using Gorvix.Core.Plans.Routing;

namespace Gorvix.Core.Wired.Settings;

/// <summary>What a simulated board answers.</summary>
/// <param name="Replies">What it says, line by line.</param>
/// <param name="IsSaved">True while nothing waits to be saved.</param>
public sealed record BoardReply(IReadOnlyList<string> Replies, bool IsSaved);

/// <summary>
/// A stand-in for the board on the other end of the USB cable. It takes the neutral form, keeps what was saved, forgets the rest at a restart,
/// and does what firmware does without a word: two jobs on one port empty all ports, and a controller that cannot invert does not.
/// </summary>
/// <param name="board">The board.</param>
/// <param name="firmware">The generation of its firmware; null for one that can do everything.</param>
public sealed class SimulatedBoard(Board board, FirmwareProfile? firmware)
{
    private const int MostLines = 2000;

    private readonly Dictionary<string, string> _ports = [];
    private readonly Dictionary<string, string> _set = [];
    private Dictionary<string, string> _savedPorts = [];
    private Dictionary<string, string> _savedSet = [];
    private bool _clash;
    private bool _isSaved = true;

    /// <summary>Takes lines of the neutral form.</summary>
    /// <param name="text">The text.</param>
    public BoardReply Take(string text)
    {
        var printed = NeutralForm.Read(text);
        if (printed.Board is { } other && other != board.Id)
        {
            return Say($"rejected: these settings are for {other}, this board is {board.Id}");
        }
        var replies = printed.Strange.Take(20).Select(n => $"line {n}: not recognised").ToList();
        var now = new HashSet<string>();
        foreach (var line in printed.Lines.Take(MostLines))
        {
            if (Refusal(line) is { } why)
            {
                replies.Add($"line {line.Number}: {why}");
                continue;
            }
            _isSaved = false;
            if (line.Key.StartsWith("port.", StringComparison.Ordinal))
            {
                // Two lines of one text for one port are two jobs.
                _clash |= (!now.Add(line.Key) && line.Value != NeutralForm.Free) || IsTorn(line);
                _ports[line.Key] = Able(line);
                continue;
            }
            _set[line.Key] = line.Value;
        }
        _clash |= _ports
            .Values.SelectMany(v => JobsOf(v) ?? [])
            .Where(IsSingle)
            .CountBy(job => job)
            .Any(c => c.Value > 1);
        replies.Add(replies.Count == 0 ? "accepted" : "the other lines are accepted");
        return Say([.. replies]);
    }

    /// <summary>Keeps what was taken and restarts.</summary>
    public BoardReply Save()
    {
        if (_clash)
        {
            _ports.Clear();
        }
        (_savedPorts, _savedSet) = (new(_ports), new(_set));
        return Restart();
    }

    /// <summary>Restarts: what was not saved is gone.</summary>
    public BoardReply Restart()
    {
        Fill(_ports, _savedPorts);
        Fill(_set, _savedSet);
        (_clash, _isSaved) = (false, true);
        return Say("restarted");
    }

    /// <summary>Forgets everything.</summary>
    public BoardReply Reset()
    {
        _savedPorts.Clear();
        _savedSet.Clear();
        return Restart();
    }

    /// <summary>What it prints back: everything that stands, ports without a job too.</summary>
    public string Print() =>
        string.Join(
            '\n',
            [
                $"board {board.Id}",
                $"# firmware {firmware?.Name ?? "with all features"}",
                .. board
                    .Ports.Where(p => p.Kind is not PortKind.Usb)
                    .Select(p =>
                        NeutralForm.LineOf($"port.{p.Id}", _ports.GetValueOrDefault($"port.{p.Id}", NeutralForm.Free))
                    ),
                .. _set.OrderBy(s => s.Key, StringComparer.Ordinal).Select(s => NeutralForm.LineOf(s.Key, s.Value)),
                "",
            ]
        );

    private static void Fill(Dictionary<string, string> into, Dictionary<string, string> from)
    {
        into.Clear();
        foreach (var (key, value) in from)
        {
            into[key] = value;
        }
    }

    private BoardReply Say(params string[] replies) => new(replies, _isSaved);

    private bool IsSingle(PortJob job) => job is PortJob.ReceiverInput || firmware?.Single.Contains(job) == true;

    // One job, or two that share the halves: "escTelemetry+telemetryOut"; null where one is not known.
    private static List<PortJob>? JobsOf(string value)
    {
        var jobs = new List<PortJob>();
        var told = value.Split(' ').FirstOrDefault(w => w.StartsWith("job=", StringComparison.Ordinal))?[4..];
        foreach (var word in told?.Split('+') ?? [])
        {
            if (!Enum.TryParse<PortJob>(word, ignoreCase: true, out var job) || !Enum.IsDefined(job))
            {
                return null;
            }
            jobs.Add(job);
        }
        return jobs.Count is 1 or 2 ? jobs : null;
    }

    // Two jobs on one port, where the firmware lets no two share its halves.
    private bool IsTorn(PrintedLine line) =>
        JobsOf(line.Value) is [var one, var other] && firmware?.MayShare(one, other) == false;

    private string? Refusal(PrintedLine line)
    {
        if (line.Value.Length > 400 || line.Key.Length > 100)
        {
            return "too long";
        }
        if (!line.Key.StartsWith("port.", StringComparison.Ordinal))
        {
            return
                line.Key.StartsWith("canvas.extra.", StringComparison.Ordinal)
                && (firmware?.CanvasSettings.Count ?? 0) == 0
                ? $"no setting {line.Key} in this firmware generation"
                : null;
        }
        var id = line.Key[5..];
        if (board.Ports.FirstOrDefault(p => p.Id == id) is not { } port)
        {
            return $"no port {id}";
        }
        if (port.Kind == PortKind.Usb)
        {
            return $"{id} is the USB link to the computer and is not changed";
        }
        if (line.Value == NeutralForm.Free)
        {
            return null;
        }
        return JobsOf(line.Value) is not { } jobs ? "unknown function"
            : firmware is not null
            && jobs.Find(j => !firmware.Jobs.Contains(j)) is var lacks
            && jobs.Exists(j => !firmware.Jobs.Contains(j))
                ? $"no {PortWords.Of(lacks)} in this firmware generation"
            : port.Kind == PortKind.Software && firmware?.SoftwareSerial == SoftwareSerial.Missing
                ? $"{id} is not available: no software serial in this firmware generation"
            : null;
    }

    // A controller that cannot invert takes the line and leaves the signal as it is.
    private string Able(PrintedLine line) =>
        board.Ports.First(p => $"port.{p.Id}" == line.Key).Kind == PortKind.Uart
        && ControllerClass.Find(board.Controller)?.Inversion != OwnInversion.EachPin
            ? line
                .Value.Replace("rx=inverted", "rx=normal", StringComparison.Ordinal)
                .Replace("tx=inverted", "tx=normal", StringComparison.Ordinal)
            : line.Value;
}
