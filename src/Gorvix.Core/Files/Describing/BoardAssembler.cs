using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;

namespace Gorvix.Core.Files.Describing;

/// <summary>
/// Puts the lines of a leaflet text together to a board: first what it has (rails, ports, bridges), then what labels speak of and
/// no line does (a pad R3 makes the RX half of U3), then the pads, then their ways.
/// </summary>
internal sealed class BoardAssembler
{
    private readonly List<(Statement Statement, int Line)> _statements = [];
    private readonly List<LeafletProblem> _problems = [];

    /// <summary>Adds what a line says.</summary>
    public void Add(Statement statement, int line) => _statements.Add((statement, line));

    /// <summary>The board, what did not fit together, and the rails that only labels speak of.</summary>
    public (Board Board, IReadOnlyList<LeafletProblem> Problems, IReadOnlyList<Finding> Assumed) Finish()
    {
        var board = Values();
        board = Supplies(board);
        board = Inside(board);
        var pads = new PadList(_problems);
        foreach (var (statement, line) in _statements)
        {
            pads.Add(statement, line);
        }
        var told = Of<WaysLine>().Select(w => w.Statement).ToList();
        var spoken = new SpokenOf(board, Stands(board), pads.Unwritten(told), [.. told.SelectMany(w => w.Ways)]);
        board = pads.Finish(spoken.Board, [.. Of<WaysLine>()], [.. Of<PinsLine>()]);
        if (board.Id == "")
        {
            board = board with { Id = Slug.OfBoard(board.Maker, board.Name, board.Revision) };
        }
        return (board, _problems, spoken.Assumed);
    }

    private IEnumerable<(T Statement, int Line)> Of<T>()
        where T : Statement => _statements.Where(s => s.Statement is T).Select(s => ((T)s.Statement, s.Line));

    private Board Values()
    {
        var board = new Board
        {
            Id = "",
            Maker = "",
            Name = "",
            Revision = "",
            Controller = "",
            Nets = [],
            Ports = [],
            Pads = [],
        };
        var first = new Dictionary<string, int>();
        foreach (var (value, line) in Of<ValueLine>())
        {
            if (Once(first, value.Key, line))
            {
                board = value.Apply(board);
            }
        }
        foreach (var (controller, line) in Of<ControllerLine>())
        {
            if (Once(first, "controller", line))
            {
                board = board with { Controller = controller.Class };
            }
        }
        return board;
    }

    private bool Once(Dictionary<string, int> first, string key, int line)
    {
        if (first.TryAdd(key, line))
        {
            return true;
        }
        _problems.Add(
            LeafletText.Problem(line, 1, Sentences.IsAlreadySetInLine(key, first[key]), Sentences.KeepOneOfTheTwo)
        );
        return false;
    }

    private Board Supplies(Board board)
    {
        var rails = new List<Rail>();
        foreach (var (line, number) in Of<RailLine>())
        {
            var id = line.Id ?? Slug.Free(line.Label.Text, s => rails.Any(r => r.Id == s));
            rails.Add(line.Rail with { Id = id });
        }
        foreach (var (i, (line, number)) in Of<RailLine>().Index())
        {
            if (line.From is not { } from)
            {
                continue;
            }
            if (rails.FirstOrDefault(r => r.Id == from.Text) is { } byId)
            {
                rails[i] = rails[i] with { From = byId.Id };
            }
            else if (
                rails.FirstOrDefault(r => string.Equals(r.Label, from.Text, StringComparison.OrdinalIgnoreCase)) is
                { } byLabel
            )
            {
                rails[i] = rails[i] with { From = byLabel.Id };
            }
            else
            {
                _problems.Add(
                    LeafletText.Problem(
                        number,
                        from.Column,
                        Sentences.NoLineDefinesARail(from.Text),
                        Sentences.AddALineForIt(Examples.For("rail"))
                    )
                );
            }
        }
        return board with
        {
            Rails = rails,
            Bridges = [.. Of<BridgeLine>().Select(b => b.Statement.Bridge)],
            BuiltIns = [.. Of<InsideLine>().Select(b => b.Statement.BuiltIn)],
        };
    }

    private Board Inside(Board board)
    {
        var nets = new NetList(Stands(board));
        var ports = new List<Port>();
        foreach (var (statement, _) in _statements)
        {
            if (statement is NetLine net)
            {
                nets.Say(net);
            }
            else if (statement is PortLine line)
            {
                ports.Add(PortOf(line, nets));
            }
        }
        return board with { Ports = ports, Nets = nets.Nets };
    }

    private double Stands(Board board) =>
        Of<ControllerLine>().Select(c => c.Statement.Stands).FirstOrDefault() ?? ClassStands(board.Controller);

    /// <summary>What most pins of a class stand, in volts (data sheets mark them 5 V-tolerant; from memory).</summary>
    public static double ClassStands(string controller) =>
        ControllerClass.Find(controller) is null ? new Net { Id = "" }.MaxVolts : 5;

    private static Port PortOf(PortLine line, NetList nets)
    {
        var id = line.Port.Id;
        var names = line
            .Halves.GroupBy(h => h.Half)
            .ToDictionary(h => h.Key, h => nets.Have(h.First().Net ?? NetList.NameOf(id, h.Key)));
        var alternatives = line.Alternatives.Select(a => new PinChoice
        {
            Name = a.Name,
            Rx = Half(a, "RX"),
            Tx = Half(a, "TX"),
        });
        var port = line.Port with
        {
            Rx = names.GetValueOrDefault("RX"),
            Tx = names.GetValueOrDefault("TX"),
            Data = names.GetValueOrDefault("SDA"),
            Clock = names.GetValueOrDefault("SCL"),
            Alternatives = [.. alternatives],
        };
        foreach (var channel in port.Channels)
        {
            nets.Have(channel);
        }
        return port;

        string? Half((string Name, IReadOnlyList<HalfName> Halves) choice, string half) =>
            choice.Halves.FirstOrDefault(h => h.Half == half) is { } named
                ? nets.Have(named.Net ?? NetList.NameOf($"{id} {choice.Name}", half))
                : null;
    }
}

/// <summary>The nets of a board in the order in which lines speak of them.</summary>
/// <param name="stands">What a pin stands unless its own line says otherwise, in volts.</param>
internal sealed class NetList(double stands)
{
    private readonly List<Net> _nets = [];

    /// <summary>The nets.</summary>
    public IReadOnlyList<Net> Nets => _nets;

    /// <summary>The name of a net that no line gives one.</summary>
    public static string NameOf(string port, string half) =>
        $"{Slug.Of(port).Replace("-", "", StringComparison.Ordinal)}{half.ToLowerInvariant()}";

    /// <summary>A net of this name, made where there is none yet.</summary>
    public string Have(string id)
    {
        if (_nets.All(n => n.Id != id))
        {
            _nets.Add(new Net { Id = id, MaxVolts = stands });
        }
        return id;
    }

    /// <summary>What a line says of a net.</summary>
    public void Say(NetLine line)
    {
        var id = Have(line.Id);
        var index = _nets.FindIndex(n => n.Id == id);
        _nets[index] = _nets[index] with
        {
            MaxVolts = line.Stands ?? _nets[index].MaxVolts,
            AtBoot = line.Boot ?? _nets[index].AtBoot,
        };
    }
}
