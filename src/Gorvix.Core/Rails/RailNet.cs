using Gorvix.Core.Circuits;
using Gorvix.Core.Parts;
using Gorvix.Core.Supply;
using Gorvix.Core.Wiring;

namespace Gorvix.Core.Rails;

/// <summary>How much each device draws.</summary>
public enum LoadLevel
{
    /// <summary>What it draws as a rule.</summary>
    Typical,

    /// <summary>The most that it draws.</summary>
    Peak,
}

/// <summary>A supply lead of a device in the net.</summary>
/// <param name="Lead">The lead as it is wired.</param>
/// <param name="Supply">What it takes.</param>
/// <param name="Node">The node of the lead.</param>
/// <param name="Ground">The node of the device's ground; null when no ground of it is joined.</param>
/// <param name="Rails">Ids of the rails that its pad is joined to while the bridges stand as they do.</param>
/// <param name="Load">Index of its load among the elements; null when its current is not known or it draws none.</param>
/// <param name="Amps">What it draws at this level, in amperes; null when the leaflet does not say.</param>
internal sealed record FedLead(
    WiredLead Lead,
    SupplyInput Supply,
    int Node,
    int? Ground,
    IReadOnlyList<string> Rails,
    int? Load,
    double? Amps
);

/// <summary>
/// The supply part of a wired build as a net for the solver. What lies between pad and rail is told by the one walk
/// (<see cref="Trace"/>); wires are taken as they are usually cut until their lengths are known.
/// </summary>
internal sealed class RailNet
{
    /// <summary>The wire of a supply lead whose length nobody has told: 10 cm of AWG 28 (common practice).</summary>
    public static readonly Wire Usual = new(28, 100);

    // A joint or a track, in ohms: small beside every wire, large enough for the arithmetic.
    private const double Joint = 0.001;

    private readonly WiredBuild _wired;
    private readonly Circuit _circuit;
    private readonly IReadOnlyList<BridgeAt> _positions;
    private readonly Dictionary<string, int> _rails = [];
    private readonly Dictionary<string, int> _pads = [];
    private readonly Dictionary<(string, string), int> _leads = [];

    private RailNet(WiredBuild wired) =>
        (_wired, _circuit, _positions) = (wired, wired.Build.Circuit, wired.Positions());

    /// <summary>The net.</summary>
    public SupplyNet Net { get; } = new();

    /// <summary>The supply leads that are fed.</summary>
    public List<FedLead> Fed { get; } = [];

    /// <summary>Index of the pack among the elements; null without one.</summary>
    public int? Pack { get; private set; }

    /// <summary>Index of USB among the elements; null without it.</summary>
    public int? Usb { get; private set; }

    /// <summary>The regulators of each rail, by its id, as indices into the net's; the battery's way first.</summary>
    public Dictionary<string, List<int>> Regulators { get; } = [];

    /// <summary>The node of a rail; ground for the common ground.</summary>
    public int NodeOf(string rail) => _rails[rail];

    /// <summary>The node of a pad; null when nothing hangs on it.</summary>
    public int? NodeOfPad(string pad) => _pads.TryGetValue(pad, out var node) ? node : null;

    /// <summary>Makes the net of a build.</summary>
    /// <param name="wired">The build as it is wired.</param>
    /// <param name="situation">What feeds it.</param>
    /// <param name="level">How much its devices draw.</param>
    public static RailNet Of(WiredBuild wired, Situation situation, LoadLevel level)
    {
        var net = new RailNet(wired);
        net.Sources(situation);
        net.Pads();
        foreach (var device in wired.Build.Devices.Where(d => !wired.DeadDevices.Contains(d.Id)))
        {
            net.Device(device.Id, device.Device, level);
        }
        return net;
    }

    private void Sources(Situation situation)
    {
        int? source = null;
        if (situation.InputVolts is { } volts)
        {
            var at = Net.Node("the source");
            Pack = Net.Elements.Count;
            Net.Add(new VoltSource(at, volts, situation.SourceOhms));
            source = at;
            if (situation.InLine != InLine.Nothing)
            {
                source = Net.Node("the supply input");
                Net.Add(
                    situation.InLine == InLine.Lamp
                        ? new Lamp(at, source.Value, 12, 21)
                        : new Limiter(at, source.Value, 1)
                );
            }
        }
        int? usb = null;
        if (situation.Usb)
        {
            usb = Net.Node("USB");
            Usb = Net.Elements.Count;
            Net.Add(new VoltSource(usb.Value, Situation.UsbVolts));
        }
        foreach (var rail in _wired.Build.Board.Rails)
        {
            Rail(rail, source, usb);
        }
    }

    // Rails hang on each other without a ring; each is made when it is first asked for.
    private int Rail(Rail rail, int? source, int? usb)
    {
        if (_rails.TryGetValue(rail.Id, out var known))
        {
            return known;
        }
        if (rail.Feed == RailFeed.Ground)
        {
            return _rails[rail.Id] = SupplyNet.Ground;
        }
        int? from = rail.From is { } id ? Rail(_circuit.Rails[id], source, usb) : source;
        var dead = _wired.DeadRails.Contains(rail.Id);
        if ((rail.Feed == RailFeed.Battery || rail.Volts is null) && from is { } same && !dead)
        {
            return _rails[rail.Id] = same;
        }
        var node = _rails[rail.Id] = Net.Node($"rail {rail.Label}");
        var feeds = Regulators[rail.Id] = [];
        if (dead || rail.Volts is not { } volts || rail.Feed == RailFeed.Battery)
        {
            return node;
        }
        void Feed(int input, Regulating regulating)
        {
            feeds.Add(Net.Regulators.Count);
            Net.Add(regulating with { Input = input });
        }
        if (from is { } input)
        {
            Feed(
                input,
                new Regulating(input, node, volts)
                {
                    // How it works is not known as a rule; the one that switches without loss asks for the least.
                    Conversion =
                        rail.Feed == RailFeed.Booster ? Conversion.Boosting
                        : rail.Kind == RegulatorKind.Linear ? Conversion.Linear
                        : Conversion.Switching,
                    Dropout = rail.Feed == RailFeed.Booster ? 0 : rail.Dropout ?? 0,
                }
            );
        }
        if (rail.Feed == RailFeed.RegulatorOrUsb && usb is { } plug)
        {
            // Through a diode: a little lower, so that the battery carries the rail where both are there.
            Feed(plug, new Regulating(plug, node, Math.Max(0, volts - 0.02)) { Conversion = Conversion.Linear });
        }
        return node;
    }

    // Pads that something is soldered to, and pads that join two rails although nothing is.
    private void Pads()
    {
        var used = _wired
            .Joined.Where(l => l.Lead.Role is LeadRole.Supply or LeadRole.Ground or LeadRole.Output)
            .Select(l => l.Pad!.Id)
            .ToHashSet();
        foreach (var pad in _wired.Build.Board.Pads)
        {
            var ways = _circuit.From(pad).Where(s => s.To.Kind == NodeKind.Rail && s.Conducts(_positions)).ToList();
            if (ways.Count == 0 || (!used.Contains(pad.Id) && ways.Select(w => w.To.Id).Distinct().Count() < 2))
            {
                continue;
            }
            var node = _pads[pad.Id] = Net.Node($"pad {pad.Label}");
            foreach (var way in ways)
            {
                Way(node, way);
            }
        }
    }

    private void Way(int pad, Strand way)
    {
        var steps = way.Steps.Where(s => s.Kind is not (StepKind.Copper or StepKind.Contact)).ToList();
        if (steps.Any(s => s.Kind is StepKind.Inverter or StepKind.Divider))
        {
            return;
        }
        var (here, end) = (pad, _rails[way.To.Id]);
        foreach (var (i, step) in steps.Index())
        {
            var next = i == steps.Count - 1 ? end : Net.Node($"a point behind {Net.Names[pad]}");
            Add(
                step.Kind == StepKind.Resistor ? new Ohmic(here, next, step.Value)
                : step.Passage == Passage.ToController ? new Junction(here, next, step.Value)
                : new Junction(next, here, step.Value)
            );
            here = next;
        }
        if (steps.Count == 0)
        {
            Add(new Ohmic(pad, end, Joint));
        }
    }

    private void Add(SupplyElement element)
    {
        if (element.From != element.To)
        {
            Net.Add(element);
        }
    }

    private void Device(string id, Device device, LoadLevel level)
    {
        var joined = _wired.Joined.Where(l => l.Device == id && _pads.ContainsKey(l.Pad!.Id)).ToList();
        foreach (var lead in joined.Where(l => l.Lead.Role is LeadRole.Supply or LeadRole.Ground or LeadRole.Output))
        {
            var node = _leads[(id, lead.Lead.Id)] = Net.Node($"lead {lead.Lead.Label} of {device.Name}");
            Net.Add(new Ohmic(_pads[lead.Pad!.Id], node, Usual.Ohms + Joint));
        }
        var grounds = joined.Where(l => l.Lead.Role == LeadRole.Ground).Select(l => _leads[(id, l.Lead.Id)]).ToList();
        foreach (var more in grounds.Skip(1))
        {
            Net.Add(new Ohmic(grounds[0], more, Joint));
        }
        // A part whose leaflet tells of no ground has it through its mounting.
        int? ground =
            grounds.Count > 0 ? grounds[0]
            : device.Leads.Any(l => l.Role == LeadRole.Ground) ? null
            : SupplyNet.Ground;
        foreach (var supply in device.Supplies)
        {
            if (joined.FirstOrDefault(l => l.Lead.Id == supply.Lead) is not { } lead)
            {
                continue;
            }
            var amps = level == LoadLevel.Peak ? supply.Peak ?? supply.Typical : supply.Typical;
            var node = _leads[(id, supply.Lead)];
            int? load = null;
            if (ground is { } own && amps is > 0)
            {
                load = Net.Elements.Count;
                Net.Add(new CurrentLoad(node, own, amps.Value));
            }
            var rails = _circuit
                .From(lead.Pad!)
                .Where(s => s.To.Kind == NodeKind.Rail && s.Conducts(_positions))
                .Select(s => s.To.Id)
                .Distinct();
            Fed.Add(new FedLead(lead, supply, node, ground, [.. rails], load, amps));
        }
        foreach (var output in device.Outputs)
        {
            if (
                !_leads.TryGetValue((id, output.Lead), out var node)
                || Fed.FirstOrDefault(f => f.Lead.Device == id) is not { } fed
            )
            {
                continue;
            }
            if (output.Volts is { } volts)
            {
                Net.Add(new Regulating(fed.Node, node, volts) { Conversion = Conversion.Switching });
            }
            else
            {
                Add(new Ohmic(fed.Node, node, Joint));
            }
        }
    }
}
