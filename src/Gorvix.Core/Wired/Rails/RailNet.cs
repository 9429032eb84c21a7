using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Supply;
using Gorvix.Core.Wired.Wiring;

namespace Gorvix.Core.Wired.Rails;

/// <summary>A supply lead of a device in the net.</summary>
/// <param name="Lead">The lead as it is wired.</param>
/// <param name="Supply">What it takes.</param>
/// <param name="Node">The node of the lead.</param>
/// <param name="Ground">The node of the device's ground; null when no ground of it is joined.</param>
/// <param name="Rails">Ids of the rails that its pad is joined to while the bridges stand as they do.</param>
internal sealed record FedLead(WiredLead Lead, SupplyInput Supply, int Node, int? Ground, IReadOnlyList<string> Rails)
{
    /// <summary>The lead that feeds the device whose output feeds this one; null where a pad does.</summary>
    public FedLead? Giver { get; init; }
}

/// <summary>An output of a device that feeds others.</summary>
/// <param name="Device">Id within the build of the device.</param>
/// <param name="Output">The output.</param>
/// <param name="Lead">Its lead.</param>
/// <param name="Node">The node of that lead.</param>
/// <param name="Fed">What feeds the device.</param>
/// <param name="Regulator">Its regulator among the net's; null where it passes on what it gets.</param>
/// <param name="Passing">The element through which it passes on what it gets; null where it makes its volts.</param>
internal sealed record GivingLead(
    string Device,
    SupplyOutput Output,
    Lead Lead,
    int Node,
    FedLead Fed,
    int? Regulator,
    int? Passing
)
{
    /// <summary>Which it is.</summary>
    public LeadAt At => new(Device, Lead.Id);
}

/// <summary>
/// The supply part of a wired build as a net for the solver. What lies between pad and rail is told by the one walk
/// (<see cref="Trace"/>); wires are taken as they are usually cut where nobody has told their lengths.
/// </summary>
internal sealed class RailNet
{
    private readonly RailCopper _copper;
    private readonly WiredBuild _wired;
    private readonly Circuit _circuit;
    private readonly Dictionary<string, int> _rails = [];
    private readonly Dictionary<string, int> _pads = [];
    private readonly Dictionary<LeadAt, int> _leads = [];

    private RailNet(RailCopper copper) =>
        (_copper, _wired, _circuit, Ways) = (copper, copper.Wired, copper.Wired.Build.Circuit, new SupplyWays(this));

    // The loads, by their places among the elements, with what they draw at most.
    private Dictionary<int, SupplyElement> _peaks = [];
    private readonly Dictionary<string, List<int>> _loads = [];

    /// <summary>The net, every device drawing what it draws as a rule.</summary>
    public SupplyNet Net { get; private set; } = new();

    /// <summary>The same net, every device drawing the most that it draws.</summary>
    public SupplyNet AtMost() => Net.With((i, element) => _peaks.GetValueOrDefault(i, element));

    /// <summary>True when another net has the same nodes in the same order.</summary>
    public bool IsLike(RailNet other) => Net.Names.SequenceEqual(other.Net.Names);

    /// <summary>The supply leads that are fed.</summary>
    public List<FedLead> Fed { get; private set; } = [];

    /// <summary>The outputs of devices that feed others.</summary>
    public List<GivingLead> Giving { get; } = [];

    /// <summary>Index of the pack among the elements; null without one.</summary>
    public int? Pack { get; private set; }

    /// <summary>Index of USB among the elements; null without it.</summary>
    public int? Usb { get; private set; }

    /// <summary>The regulators of each rail, by its id, as indices into the net's; the battery's way first.</summary>
    public Dictionary<string, List<int>> Regulators { get; } = [];

    /// <summary>The build.</summary>
    public WiredBuild Wired => _wired;

    /// <summary>The ways to its supply leads.</summary>
    public SupplyWays Ways { get; }

    /// <summary>The node of each rail, by its id; ground for the common ground.</summary>
    public IReadOnlyDictionary<string, int> Rails => _rails;

    /// <summary>The node of a rail; ground for the common ground.</summary>
    public int NodeOf(string rail) => _rails[rail];

    /// <summary>The node of a pad; null when nothing hangs on it.</summary>
    public int? NodeOfPad(string pad) => _pads.TryGetValue(pad, out var node) ? node : null;

    /// <summary>Every rail, pad and lead with its node.</summary>
    public IEnumerable<(Node At, int Node)> Points() =>
        _rails
            .Select(r => (Node.Rail(r.Key), r.Value))
            .Concat(_pads.Select(p => (Node.Pad(p.Key), p.Value)))
            .Concat(_leads.Select(l => (Node.Lead(l.Key), l.Value)));

    /// <summary>Makes the net of a build.</summary>
    /// <param name="wired">The build as it is wired in the situation.</param>
    /// <param name="situation">What feeds it.</param>
    public static RailNet Of(WiredBuild wired, Situation situation) => Of(new RailCopper(wired), situation);

    /// <summary>Makes the net of a build.</summary>
    /// <param name="copper">What its supplies are joined with in the situation.</param>
    /// <param name="situation">What feeds it.</param>
    public static RailNet Of(RailCopper copper, Situation situation)
    {
        var net = new RailNet(copper);
        net.Sources(situation);
        foreach (var (pad, ways) in copper.Pads)
        {
            var node = net._pads[pad.Id] = net.Net.Node($"pad {pad.Label}");
            foreach (var way in ways)
            {
                net.Way(node, way);
            }
        }
        foreach (var blob in copper.Blobs)
        {
            net.Add(new Ohmic(net._pads[blob.One], net._pads[blob.Other], RailCopper.Joint));
        }
        foreach (var device in copper.Devices)
        {
            net.Device(device);
        }
        return net;
    }

    /// <summary>The net in a situation in which nothing else is joined than here, made from this one; null where it differs in more than values.</summary>
    /// <param name="from">The situation of this net.</param>
    /// <param name="to">The other one; it has no edits, or has unplugged one device.</param>
    /// <remarks>
    /// A device that is unplugged draws nothing, and what it leaves is dead ends: as far as it joins no pads through its grounds and
    /// feeds nobody.
    /// </remarks>
    public RailNet? After(Situation from, Situation to)
    {
        if (
            (from.Usb, from.InLine, from.Power, from.InputVolts is null)
            != (to.Usb, to.InLine, to.Power, to.InputVolts is null)
        )
        {
            return null;
        }
        var gone = to.Edits is [Unplugged edit] ? _copper.Devices.Find(d => d.Id == edit.Device) : null;
        if (to.Edits.Count > 0 && gone is not { IsEnd: true })
        {
            return null;
        }
        var other = (RailNet)MemberwiseClone();
        var loads = gone is null ? [] : _loads[gone.Id];
        other.Net = Net.With(
            (i, element) =>
                loads.Contains(i) ? new CurrentLoad(element.From, element.To, 0)
                : i == Pack ? ((VoltSource)element) with { Volts = to.InputVolts!.Value, Ohms = to.SourceOhms }
                : element
        );
        if (gone is not null)
        {
            other.Fed = [.. Fed.Where(f => f.Lead.Device != gone.Id)];
            other._peaks = _peaks.Where(p => !loads.Contains(p.Key)).ToDictionary();
        }
        return other;
    }

    private void Sources(Situation situation)
    {
        int? source = null;
        if (situation.InputVolts is { } volts)
        {
            var at = Net.Node(Sentences.TheSupply);
            Pack = Net.Elements.Count;
            Net.Add(new VoltSource(at, volts, situation.SourceOhms));
            source = at;
            if (situation.InLine != InLine.Nothing)
            {
                source = Net.Node(Sentences.TheSupplyInput);
                var power = situation.Power;
                Net.Add(
                    situation.InLine == InLine.Lamp
                        ? new Lamp(at, source.Value, power.LampVolts, power.LampWatts)
                        : new Limiter(at, source.Value, power.LimiterAmps)
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
        var node = _rails[rail.Id] = Net.Node($"{rail.Label} rail");
        var feeds = Regulators[rail.Id] = [];
        if (dead || rail.Volts is not { } made || rail.Feed == RailFeed.Battery)
        {
            return node;
        }
        if (rail.Own is > 0 and var itself)
        {
            Net.Add(new CurrentLoad(node, SupplyNet.Ground, itself));
        }
        var volts = _wired.Defects.Sagging.Contains(rail.Id) ? made * SaggingRail.Part : made;
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
                    Efficiency = rail.Kind == RegulatorKind.Linear ? 1 : rail.Efficiency ?? 1,
                    Quiescent = rail.Quiescent ?? 0,
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

    private void Way(int pad, Strand way)
    {
        var steps = way.Components;
        if (steps.Any(s => s.Kind is StepKind.Inverter or StepKind.Divider))
        {
            return;
        }
        var (here, end) = (pad, _rails[way.To.Id]);
        foreach (var (i, step) in steps.Index())
        {
            var next = i == steps.Count - 1 ? end : Net.Node(Sentences.APointAfter(Net.Names[pad]));
            Add(
                step.Kind == StepKind.Resistor ? new Ohmic(here, next, step.Value)
                : step.Passage == Passage.ToController ? new Junction(here, next, step.Value)
                : new Junction(next, here, step.Value)
            );
            here = next;
        }
        if (steps.Count == 0)
        {
            Add(new Ohmic(pad, end, RailCopper.Joint));
        }
    }

    private void Add(SupplyElement element)
    {
        if (element.From != element.To)
        {
            Net.Add(element);
        }
    }

    private void Device(DeviceCopper device)
    {
        var (id, name) = (device.Id, device.Device.Name);
        var grounds = new List<int>();
        foreach (var (lead, ohms) in device.Joined)
        {
            var node = _leads[new(id, lead.Lead.Id)] = Net.Node($"lead {lead.Lead.Label} of {name}");
            Net.Add(new Ohmic(_pads[lead.Pad!.Id], node, ohms));
            if (lead.Lead.Role == LeadRole.Ground)
            {
                grounds.Add(node);
            }
        }
        foreach (var (lead, ohms) in device.Spliced)
        {
            if (GiverOf(lead) is { } giver)
            {
                var node = _leads[new(id, lead.Lead.Id)] = Net.Node($"lead {lead.Lead.Label} of {name}");
                Net.Add(new Ohmic(giver.Node, node, ohms));
            }
        }
        foreach (var more in grounds.Skip(1))
        {
            Net.Add(new Ohmic(grounds[0], more, RailCopper.Joint));
        }
        // A part whose leaflet tells of no ground has it through its mounting.
        int? ground =
            grounds.Count > 0 ? grounds[0]
            : device.Device.Leads.Any(l => l.Role == LeadRole.Ground) ? null
            : SupplyNet.Ground;
        var loads = _loads[id] = [];
        foreach (var (supply, lead, rails) in device.Supplies)
        {
            if (!_leads.TryGetValue(new(id, supply.Lead), out var node))
            {
                continue;
            }
            if (ground is { } own && supply.Most(1) > 0)
            {
                SupplyElement Load(double amps, double watts) =>
                    supply.PowerAt is null ? new CurrentLoad(node, own, amps) : new PowerLoad(node, own, watts);
                _peaks[Net.Elements.Count] = Load(supply.Most(1), supply.Most(1));
                loads.Add(Net.Elements.Count);
                // At one volt amperes are watts.
                Net.Add(Load(supply.Rule(1), supply.Rule(1)));
            }
            Fed.Add(new FedLead(lead, supply, node, ground, rails) { Giver = GiverOf(lead)?.Fed });
        }
        foreach (var (output, lead) in device.Outputs)
        {
            var meets = _leads.TryGetValue(new(id, output.Lead), out var node);
            if (
                (!meets && lead.State != LeadState.Feeding)
                || Fed.FirstOrDefault(f => f.Lead.Device == id) is not { } fed
            )
            {
                continue;
            }
            if (!meets)
            {
                node = _leads[new(id, output.Lead)] = Net.Node($"lead {lead.Lead.Label} of {name}");
            }
            var (regulators, elements) = (Net.Regulators.Count, Net.Elements.Count);
            if (output.Volts is { } volts)
            {
                Net.Add(
                    new Regulating(fed.Node, node, volts)
                    {
                        Conversion = output.Kind == RegulatorKind.Linear ? Conversion.Linear : Conversion.Switching,
                        Dropout = output.Dropout ?? 0,
                        Efficiency = output.Kind == RegulatorKind.Linear ? 1 : output.Efficiency ?? 1,
                        Quiescent = output.Quiescent ?? 0,
                    }
                );
            }
            else
            {
                Add(new Ohmic(fed.Node, node, RailCopper.Joint));
            }
            Giving.Add(
                new GivingLead(
                    id,
                    output,
                    lead.Lead,
                    node,
                    fed,
                    output.Volts is null ? null : regulators,
                    output.Volts is null ? elements : null
                )
            );
        }
    }

    private GivingLead? GiverOf(WiredLead lead) => lead.To is { } to ? Giving.FirstOrDefault(g => g.At == to.At) : null;
}
