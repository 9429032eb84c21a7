using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Routing;
using Gorvix.Core.Wired.Wiring;

namespace Gorvix.Core.Tests.Wiring;

/// <summary>
/// Looks at a wired build as a suspicious friend would, with the part files and a meter in hand. Written from docs/format.md
/// alone: it puts every plug into its socket as it comes, moves and takes out only what the build says, and then asks at every
/// lead what it touches. It shares no code with the circuit, the router or the planner.
/// </summary>
internal sealed partial class PlainWalker
{
    private readonly WiredBuild _wired;
    private readonly Board _board;
    private readonly HouseRules _house;
    private readonly List<string> _complaints = [];
    private readonly List<(string Device, Lead Lead, Pad Pad)> _touching = [];
    private readonly (double Empty, double Full)? _source;

    private PlainWalker(WiredBuild wired)
    {
        (_wired, _board, _house) = (wired, wired.Build.Board, wired.Build.Build.House);
        var build = wired.Build.Build;
        _source =
            build.InputVolts is { } input ? (input, input)
            : build.Pack is { } pack
                ? (pack.Cells * 3.3, pack.Cells * (pack.Chemistry == Chemistry.HighVoltage ? 4.35 : 4.2))
            : null;
    }

    /// <summary>Everything that is wrong; empty when the build would work.</summary>
    public static IReadOnlyList<string> Complaints(WiredBuild wired)
    {
        var walker = At(wired);
        walker.Stages.ForEach(s => s());
        return walker._complaints;
    }

    /// <summary>With every plug in, to be asked more than once.</summary>
    public static PlainWalker At(WiredBuild wired)
    {
        var walker = new PlainWalker(wired);
        walker.PlugIn();
        return walker;
    }

    /// <summary>True when there is nothing to complain of.</summary>
    public bool IsSound() =>
        _complaints.Count == 0
        && Stages.TrueForAll(s =>
        {
            s();
            return _complaints.Count == 0;
        });

    /// <summary>True when a lead on a pad is sound as far as it alone goes, whatever the other leads do.</summary>
    /// <param name="frame">The build; its leads are not looked at.</param>
    /// <param name="device">The device.</param>
    /// <param name="lead">One of its leads.</param>
    /// <param name="pad">What it touches.</param>
    public static bool IsSoundAlone(WiredBuild frame, string device, Lead lead, Pad pad)
    {
        var walker = new PlainWalker(frame);
        walker._touching.Add((device, lead, pad));
        walker.Touches();
        return walker._complaints.Count == 0;
    }

    private List<Action> Stages => [Touches, Nets, Links, Ports, Supplies, Limits, Bans];

    private void Say(string what) => _complaints.Add(what);

    private Device Part(string device) => _wired.Build.Devices.Single(d => d.Id == device).Device;

    private WiredLead Of(string device, string lead) =>
        _wired.Leads.Single(l => l.Device == device && l.Lead.Id == lead);

    // Plug by plug, cavity by cavity.
    private void PlugIn()
    {
        var inSocket = new Dictionary<string, string>();
        foreach (var seat in _wired.Seats)
        {
            var part = Part(seat.Device);
            var socket = seat.Seat.Socket is { } s ? _board.Plugs.Single(p => p.Id == s.Id) : null;
            if (socket is not null && !inSocket.TryAdd(socket.Id, seat.Device))
            {
                Say($"{socket.Id} has two plugs");
            }
            if (
                socket is not null
                && (part.Plug is null || socket.Family != part.Plug.Family || part.Plug.Pins.Count > socket.Pins.Count)
            )
            {
                Say($"the plug of {seat.Device} does not go into {socket.Id}");
                continue;
            }
            var cavities = new Dictionary<int, string>();
            foreach (var lead in part.Leads)
            {
                var now = Of(seat.Device, lead.Id);
                var home = part.Plug is null ? -1 : part.Plug.Pins.ToList().FindIndex(p => p.Lead == lead.Id);
                switch (now.State)
                {
                    case LeadState.InPlace:
                    case LeadState.Moved:
                        var cavity = now.State == LeadState.InPlace ? home : now.Cavity!.Value - 1;
                        if (
                            socket is null
                            || (home < 0 && !part.Plug!.Free.Contains(lead.Id))
                            || cavity >= part.Plug!.Pins.Count
                        )
                        {
                            Say($"{lead.Id} of {seat.Device} is in no cavity");
                        }
                        else if (!cavities.TryAdd(cavity, lead.Id))
                        {
                            Say($"two leads of {seat.Device} are in cavity {cavity}");
                        }
                        else if (socket.Pins[cavity].Pad is { } pin)
                        {
                            _touching.Add((seat.Device, lead, _board.Pads.Single(p => p.Id == pin)));
                        }
                        break;
                    case LeadState.Soldered:
                    case LeadState.OnTail:
                        _touching.Add((seat.Device, lead, now.Pad!));
                        break;
                    case LeadState.InHarness when socket is not null:
                        Say($"{lead.Id} of {seat.Device} is in a plug that is seated, and nothing is said of it");
                        break;
                }
            }
        }
        foreach (var lead in _wired.Leads.Where(l => l.State is LeadState.Soldered or LeadState.OnTail))
        {
            var pin = _board.Plugs.FirstOrDefault(p => p.Pins.Any(x => x.Pad == lead.Pad!.Id));
            if (pin is not null && inSocket.ContainsKey(pin.Id))
            {
                Say($"{lead.Lead.Id} is soldered to a pin of {pin.Id}, in which a plug sits");
            }
            if (lead.Pad!.Meaning == PadMeaning.NotConnected)
            {
                Say($"{lead.Lead.Id} is on a pad that is never connected");
            }
        }
    }

    private IEnumerable<PadPath> Conducting(Pad pad) =>
        pad.Meaning == PadMeaning.NotConnected
            ? []
            : pad.Paths.Where(p =>
                p.Through.OfType<Contact>()
                    .All(c => _wired.Bridges.Single(b => b.Bridge.Id == c.Bridge).Positions.Contains(c.Position))
            );

    // Volts that come out of a pad over a path from a rail, at the empty and at the full end; null when nothing comes.
    private (double Empty, double Full)? Out(PadPath path)
    {
        if (_source is not { } source)
        {
            return null;
        }
        var (low, high) = (Volts(path.Rail!, source.Empty), Volts(path.Rail!, source.Full));
        foreach (var element in path.Through)
        {
            switch (element)
            {
                case Diode { Direction: Passage.ToController } or Inverter or Divider:
                    return null;
                case Diode diode:
                    low = Math.Max(0, low - diode.Volts);
                    break;
            }
        }
        return path.Through.OfType<Resistor>().Sum(r => r.Ohms) > 10 ? null : (low, high);
    }

    private double Volts(string rail, double battery)
    {
        var r = _board.Rails.Single(x => x.Id == rail);
        var input = r.From is null ? battery : Volts(r.From, battery);
        return r.Feed == RailFeed.Ground ? 0
            : r.Feed == RailFeed.Battery || r.Volts is null ? input
            : r.Feed == RailFeed.Booster ? r.Volts.Value
            : Math.Max(0, Math.Min(r.Volts.Value, input - (r.Dropout ?? 0)));
    }

    private bool IsGround(PadPath path) =>
        path.Rail is { } rail && _board.Rails.Single(r => r.Id == rail).Feed == RailFeed.Ground;

    // True when current could flow from the rail to the pad at all, whatever the volts.
    private static bool Live(PadPath path) =>
        path.Through.All(e => e is not (Diode { Direction: Passage.ToController } or Inverter or Divider))
        && path.Through.OfType<Resistor>().Sum(r => r.Ohms) < 1000;

    // What a meter says at each lead.
    private void Touches()
    {
        foreach (var (device, lead, pad) in _touching)
        {
            var here = $"{lead.Id} of {device} on {pad.Label}";
            var paths = Conducting(pad).ToList();
            var rails = paths.Where(p => p.Rail is not null && Live(p)).ToList();
            var nets = paths.Where(p => p.Net is not null).ToList();
            switch (lead.Role)
            {
                case LeadRole.Ground when rails.Any(p => !IsGround(p)) || nets.Count > 0:
                    Say($"{here}: ground meets something else");
                    break;
                case LeadRole.Output when rails.Count > 0 || nets.Count > 0:
                    Say($"{here}: an output meets something");
                    break;
                case LeadRole.Supply:
                    if (nets.Count > 0 || rails.Any(IsGround))
                    {
                        Say($"{here}: a supply meets a net or ground");
                    }
                    if (rails.Select(r => r.Rail).Distinct().Count() > 1)
                    {
                        Say($"{here}: two rails are tied");
                    }
                    var window = Part(device).Supplies.SingleOrDefault(s => s.Lead == lead.Id)?.Window;
                    if (window is not null && rails.Select(Out).Any(v => v?.Full > window.Max))
                    {
                        Say($"{here}: over-voltage");
                    }
                    break;
                case LeadRole.Signal or LeadRole.Sense or LeadRole.Video when rails.Count > 0:
                    Say($"{here}: a signal meets a rail");
                    break;
            }
        }
    }

    // What the builder does not want is not there.
    private void Bans()
    {
        foreach (var ban in _wired.Build.Build.Bans)
        {
            var there = ban switch
            {
                RouteMatch r => _wired.Ports.Any(p =>
                    p.Link == r.Link
                    && (r.Port is null || r.Port == p.Port.Id)
                    && (r.Mode is null || r.Mode == p.Mode.Id)
                    && (r.Pad is null || _wired.Leads.Any(l => l.Link == r.Link && l.Pad?.Id == r.Pad))
                    && r.Bridges is null
                ),
                SeatMatch { Socket: { } socket } s => _wired.Seats.Any(x =>
                    x.Device == s.Device && x.Seat.Socket?.Id == socket
                ),
                SeatMatch s => _wired.Seats.Any(x => x.Device == s.Device && x.Seat.Kind == SeatKind.Loose),
                FeedMatch f => Of(f.Device, f.Lead) is var fed && fed.Pad?.Id == f.Pad && fed.To?.Device == f.From,
                LeadMatch l => _wired.Seats.Single(s => s.Device == l.Device).Seat.Kind == SeatKind.Seated
                    && Of(l.Device, l.Lead).State is LeadState.Lifted or LeadState.Cut or LeadState.Moved,
                _ => false,
            };
            if (there)
            {
                Say($"{ban} is banned and done all the same");
            }
        }
    }

    // A device that carries something has its supplies and its ground; one that is fed at all has its ground.
    private void Supplies()
    {
        foreach (var device in _wired.Build.Devices)
        {
            var carries = _wired.Ports.Any(p =>
                _wired.Build.Links.Single(l => l.Id == p.Link).Want.Device == device.Id
            );
            var fed = device.Device.Supplies.Where(s => IsFed(device.Id, s)).ToList();
            if (_source is not null && carries && fed.Count < device.Device.Supplies.Count)
            {
                Say($"{device.Id} carries a link and is not fed");
            }
            var hasGround = _touching.Any(t =>
                t.Device == device.Id
                && t.Lead.Role == LeadRole.Ground
                && Conducting(t.Pad).Any(p => IsGround(p) && p.Through.Count == 0)
            );
            var could =
                device.Device.Leads.Any(l => l.Role == LeadRole.Ground)
                && _board.Pads.Any(p =>
                    p.Meaning != PadMeaning.NotConnected
                    && p.Paths.Any(x => IsGround(x) && x.Through.Count == 0)
                    && !_board.Plugs.Any(s => s.Pins.Any(q => q.Pad == p.Id))
                );
            if ((carries || fed.Count > 0) && could && !hasGround)
            {
                Say($"{device.Id} has no ground");
            }
        }
    }

    /// <summary>True when a supply lead gets what it takes.</summary>
    public bool IsFed(string device, SupplyInput supply) =>
        Arrives(device, supply.Lead).Any(volts => volts.Empty >= supply.Window.Min && volts.Full <= supply.Window.Max);

    // What comes from a pad, or from a wire of another device that is fed itself.
    private IEnumerable<(double Empty, double Full)> Arrives(string device, string lead)
    {
        if (Of(device, lead).To is { } to)
        {
            var giver = Part(to.Device);
            var output = giver.Outputs.Single(o => o.Lead == to.Lead.Id);
            return !IsFed(to.Device, giver.Supplies[0]) ? []
                : output.Volts is { } volts ? [(volts, volts)]
                : Arrives(to.Device, giver.Supplies[0].Lead);
        }
        return _touching
            .Where(t => t.Device == device && t.Lead.Id == lead)
            .SelectMany(t => Conducting(t.Pad).Where(p => p.Rail is not null && !IsGround(p)))
            .Select(Out)
            .OfType<(double Empty, double Full)>();
    }

    // What hangs on a rail or an output itself, as a rule; what hangs on rails behind it is more still. Where a diode blocks
    // the way out, nothing is drawn.
    private void Limits()
    {
        double Drawn(string device, string lead) =>
            Part(device).Supplies.FirstOrDefault(s => s.Lead == lead)?.Typical ?? 0;
        if (_source is null)
        {
            return;
        }
        foreach (var rail in _board.Rails.Where(r => r.Limit is not null))
        {
            var sum = _touching
                .Where(t => Conducting(t.Pad).Any(p => p.Rail == rail.Id && Out(p) is not null))
                .Sum(t => Drawn(t.Device, t.Lead.Id));
            if (sum > rail.Limit + 1e-9)
            {
                Say($"{rail.Id} gives {rail.Limit} A and {sum} A hang on it");
            }
        }
        foreach (var taken in _wired.Leads.Where(l => l.To is not null).GroupBy(l => (l.To!.Device, l.To.Lead.Id)))
        {
            var limit = Part(taken.Key.Device).Outputs.Single(o => o.Lead == taken.Key.Id).Limit;
            if (taken.Sum(l => Drawn(l.Device, l.Lead.Id)) > limit + 1e-9)
            {
                Say($"{taken.Key} gives {limit} A and more hangs on it");
            }
        }
    }
}
