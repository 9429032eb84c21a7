using System.Runtime.CompilerServices;
using Gorvix.Core.Hardware.Parts;

namespace Gorvix.Core.Hardware.Circuits;

/// <summary>
/// A board as nodes and edges, and what the builder adds to it: wires and seated plugs. Immutable; derived from the parts and
/// never stored. <see cref="Trace"/> is the one walk through it.
/// </summary>
public sealed class Circuit
{
    private static readonly ConditionalWeakTable<Board, Circuit> Known = [];

    private readonly Dictionary<Node, List<Edge>> _edges;
    private readonly Dictionary<string, Lazy<IReadOnlyList<Strand>>> _fromPads = [];
    private readonly Dictionary<string, Lazy<IReadOnlyList<PadState>>> _states = [];
    private readonly Dictionary<string, int> _jobs;
    private readonly Lazy<ILookup<string, (Pad Pad, Strand Strand)>> _toNets;
    private readonly Lazy<IReadOnlyList<(Pad Pad, IReadOnlyList<Strand> Ways)>> _toRails;
    private readonly Lazy<Dictionary<string, Pad>> _landmarks;

    private Circuit(Board board, Dictionary<Node, List<Edge>> edges)
    {
        (Board, _edges) = (board, edges);
        foreach (var pad in board.Pads)
        {
            _fromPads[pad.Id] = new(() => Trace.From(this, Node.Pad(pad.Id)));
            _states[pad.Id] = new(() => PadState.Of(this, pad));
        }
        Pads = board.Pads.ToDictionary(p => p.Id);
        Rails = board.Rails.ToDictionary(r => r.Id);
        BatteryRail = board.Rails.FirstOrDefault(r => r is { Feed: RailFeed.Battery, From: null });
        Nets = board.Nets.ToDictionary(n => n.Id);
        _jobs = board.Ports.SelectMany(p => p.Nets.Distinct()).CountBy(n => n).ToDictionary();
        Sockets = [.. board.Plugs.Select(p => new Socket(p, this))];
        SocketOf = Sockets
            .SelectMany(s => s.Pads.Where(p => p is not null).Select(p => (Pad: p!.Id, Socket: s)))
            .DistinctBy(p => p.Pad)
            .ToDictionary(p => p.Pad, p => p.Socket);
        _toNets = new(() =>
            (
                from pad in board.Pads
                from strand in From(pad)
                where strand.To.Kind == NodeKind.Net
                select (pad, strand)
            ).ToLookup(s => s.strand.To.Id)
        );
        _landmarks = new(Landmarks);
        _toRails = new(() =>
            [
                .. from pad in board.Pads
                let ways = From(pad).Where(s => s.To.Kind == NodeKind.Rail).ToList()
                where ways.Count > 0
                select (pad, (IReadOnlyList<Strand>)ways),
            ]
        );
    }

    /// <summary>The circuit of a board by itself. The same board always has the same circuit.</summary>
    /// <param name="board">A board that passes its check.</param>
    public static Circuit Of(Board board) => Known.GetValue(board, static b => new Circuit(b, EdgesOf(b)));

    /// <summary>The board.</summary>
    public Board Board { get; }

    /// <summary>Its pads by id.</summary>
    public IReadOnlyDictionary<string, Pad> Pads { get; }

    /// <summary>Its rails by id.</summary>
    public IReadOnlyDictionary<string, Rail> Rails { get; }

    /// <summary>Its nets by id.</summary>
    public IReadOnlyDictionary<string, Net> Nets { get; }

    /// <summary>True when a port names the net; a net for a reading of its own is named by none.</summary>
    public bool IsOfAPort(string net) => JobsOf(net) > 0;

    /// <summary>How many ports name the net; with several, one of their jobs is done at a time.</summary>
    public int JobsOf(string net) => _jobs.GetValueOrDefault(net);

    /// <summary>Its sockets, in the order of the file.</summary>
    public IReadOnlyList<Socket> Sockets { get; }

    /// <summary>The socket that a pad is a pin of, by the id of the pad; pads to solder to are not there.</summary>
    public IReadOnlyDictionary<string, Socket> SocketOf { get; }

    /// <summary>What tells a pad to solder to from others of its label on its side: the nearest pad whose label only it has there; null where no other has its label, or nobody knows where they lie.</summary>
    /// <param name="pad">A pad of the board.</param>
    public Pad? Landmark(Pad pad) => _landmarks.Value.GetValueOrDefault(pad.Id);

    private Dictionary<string, Pad> Landmarks()
    {
        var marks = new Dictionary<string, Pad>();
        var sides = Board
            .Pads.Where(p => !SocketOf.ContainsKey(p.Id))
            .GroupBy(p => p.Side)
            .Select(s => s.ToList())
            .Where(s => s.Exists(p => p is not { X: 0, Y: 0 }));
        foreach (var side in sides)
        {
            var labels = side.ToLookup(p => p.Label);
            var only = side.FindAll(p => labels[p.Label].Count() == 1);
            foreach (var pad in side.Except(only))
            {
                if (only.MinBy(o => PadDistance.Between(Board, pad, o)) is { } near)
                {
                    marks[pad.Id] = near;
                }
            }
        }
        return marks;
    }

    /// <summary>This circuit with more edges: wires, and leads that sit in cavities.</summary>
    public Circuit With(IEnumerable<Edge> more)
    {
        var edges = _edges.ToDictionary(e => e.Key, e => e.Value.ToList());
        foreach (var edge in more)
        {
            Add(edges, edge);
        }
        return new Circuit(Board, edges);
    }

    /// <summary>Every strand from a pad, in the order of its paths; none for a pad that is never connected.</summary>
    public IReadOnlyList<Strand> From(Pad pad) => _fromPads[pad.Id].Value;

    /// <summary>The positions of a bridge in which it joins something; one that joins nothing is the open bridge, whatever it is called.</summary>
    /// <param name="bridge">Id of a bridge of the board.</param>
    public IReadOnlySet<string> JoiningPositions(string bridge) =>
        Board
            .Pads.SelectMany(From)
            .SelectMany(s => s.Contacts)
            .Where(c => c.Bridge == bridge)
            .Select(c => c.Position)
            .ToHashSet();

    /// <summary>Every way in which the bridges behind a pad can stand, with what the pad is joined to then.</summary>
    public IReadOnlyList<PadState> StatesOf(Pad pad) => _states[pad.Id].Value;

    /// <summary>Every pad that leads to a net, with its strand, in the order of the pads.</summary>
    public IEnumerable<(Pad Pad, Strand Strand)> To(string? net) => net is null ? [] : _toNets.Value[net];

    /// <summary>Every pad that leads to rails, with its strands there, in the order of the pads.</summary>
    public IReadOnlyList<(Pad Pad, IReadOnlyList<Strand> Ways)> ToRails => _toRails.Value;

    /// <summary>True when nothing but copper lies between a pad and ground, wherever the bridges stand.</summary>
    public bool IsGround(Pad? pad) =>
        pad is not null
        && From(pad)
            .Any(s =>
                s is { IsPlain: true, Contacts.Count: 0, To.Kind: NodeKind.Rail }
                && Rails[s.To.Id].Feed == RailFeed.Ground
            );

    /// <summary>How much of a port is broken out.</summary>
    public PortShape ShapeOf(Port port) =>
        port.HeldBy is not null ? PortShape.Held
        : port.Kind == PortKind.Bus ? ShapeOf(port.Data, port.Clock)
        : port.PinChoices.Select(p => ShapeOf(p.Rx, p.Tx)).Min();

    private PortShape ShapeOf(string? listens, string? talks) =>
        (To(listens).Any(), To(talks).Any()) switch
        {
            (true, true) => PortShape.Whole,
            (true, false) => PortShape.RxOnly,
            (false, true) => PortShape.TxOnly,
            _ => PortShape.Buried,
        };

    internal IEnumerable<Edge> EdgesAt(Node node) => _edges.TryGetValue(node, out var list) ? list : [];

    private static Dictionary<Node, List<Edge>> EdgesOf(Board board)
    {
        var edges = new Dictionary<Node, List<Edge>>();
        foreach (var pad in board.Pads.Where(p => p.Meaning != PadMeaning.NotConnected))
        {
            foreach (var (number, path) in pad.Paths.Index())
            {
                var here = Node.Pad(pad.Id);
                var end = path.Net is { } net ? Node.Net(net) : Node.Rail(path.Rail!);
                foreach (var (i, element) in path.Through.Index())
                {
                    var next =
                        i == path.Through.Count - 1 ? end : new Node(NodeKind.Between, $"{pad.Id}\n{number}\n{i}");
                    var origin = element is Contact ? Origin.Bridge : Origin.Board;
                    Add(edges, new Edge(here, next, origin) { Element = element });
                    here = next;
                }
                if (path.Through.Count == 0)
                {
                    Add(edges, new Edge(here, end, Origin.Board));
                }
            }
        }
        foreach (var rail in board.Rails.Where(r => r.Feed != RailFeed.Ground))
        {
            var from = rail.From is { } id ? Node.Rail(id) : Node.Source;
            Add(edges, new Edge(Node.Rail(rail.Id), from, Origin.Regulator));
        }
        return edges;
    }

    /// <summary>The rail that the battery feeds; null where the board has none.</summary>
    public Rail? BatteryRail { get; }

    /// <summary>What a rail is made from: the rail that it names, else the battery's; null for those that come from no rail.</summary>
    /// <param name="rail">A rail of the board.</param>
    public Rail? SourceOf(Rail rail) =>
        rail.From is { } id ? Rails[id]
        : rail.Feed is RailFeed.Battery or RailFeed.Ground ? null
        : BatteryRail;

    /// <summary>A rail, and the rails it is made from, the nearest first.</summary>
    /// <param name="rail">A rail of the board.</param>
    public IEnumerable<Rail> Up(Rail rail)
    {
        for (Rail? at = rail; at is not null; at = SourceOf(at))
        {
            yield return at;
        }
    }

    private static void Add(Dictionary<Node, List<Edge>> edges, Edge edge)
    {
        foreach (var node in new[] { edge.A, edge.B })
        {
            if (!edges.TryGetValue(node, out var list))
            {
                edges.Add(node, list = []);
            }
            list.Add(edge);
        }
    }
}
