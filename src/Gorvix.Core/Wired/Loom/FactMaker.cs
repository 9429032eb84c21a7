using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Wired.Words;

namespace Gorvix.Core.Wired.Loom;

/// <summary>Puts what a step makes true of the aircraft as facts.</summary>
internal sealed class FactMaker(WiredBuild wired)
{
    private readonly ResolvedBuild _build = wired.Build;

    /// <summary>True when somebody has noted where a bridge stands.</summary>
    public bool StandsAt(string bridge) => _build.Built.Stands.OfType<BridgeFact>().Any(b => b.Bridge == bridge);

    /// <summary>A wire is where the loom wants it.</summary>
    public JointFact OfJoint(LoomWire wire)
    {
        var lead = wired.Leads.First(l => WireReader.IdOf(l) == wire.Id);
        return new JointFact
        {
            Device = wire.Device,
            Part = PartOf(wire.Device),
            Lead = wire.Lead,
            Board = _build.Build.Board,
            Pad = wire.Pad,
            To = lead.To?.Device,
            ToLead = lead.To?.Lead.Id,
            Words = Sentences.IsOn(LeadWords(wire), wire.At),
        };
    }

    /// <summary>A wire is on another pad than the loom wants.</summary>
    public JointFact OfJoint(LoomWire wire, Pad pad) =>
        OfJoint(wire) with
        {
            Pad = pad.Id,
            To = null,
            ToLead = null,
            Words = Sentences.IsOn(LeadWords(wire), WireWords.Of(_build.Circuit, pad)),
        };

    /// <summary>What a lead that is soldered has left: its plug, where it came in one.</summary>
    public IReadOnlyList<CavityFact> Before(LoomWire wire)
    {
        var harness = Harness.Of(_build.Devices.First(d => d.Id == wire.Device).Device);
        return harness.HomeOf(wire.Lead) < 0 && !harness.IsFree(wire.Lead)
            ? []
            :
            [
                new CavityFact
                {
                    Device = wire.Device,
                    Part = PartOf(wire.Device),
                    Lead = wire.Lead,
                    Words = Sentences.IsDePinned(wire.Label),
                },
            ];
    }

    /// <summary>A tail sits in a socket.</summary>
    public static DeedFact OfTail(Socket socket) =>
        new()
        {
            Deed = BuiltDeed.Pigtail,
            Socket = socket.Id,
            Words = Sentences.APigtailIsIn(socket.Label),
        };

    /// <summary>A lead is cut off its plug.</summary>
    public CavityFact OfCut(WiredLead lead) =>
        new()
        {
            Device = lead.Device,
            Part = PartOf(lead.Device),
            Lead = lead.Lead.Id,
            End = LeadEnd.CutOff,
            Words = Sentences.IsCutOff(lead.Lead.Label),
        };

    /// <summary>A plug is in its socket.</summary>
    public SeatFact OfSeat(string device, Socket socket) =>
        new()
        {
            Device = device,
            Part = PartOf(device),
            Board = _build.Build.Board,
            Socket = socket.Id,
            Words = Sentences.PlugIsIn(NameOf(device), socket.Label),
        };

    /// <summary>A bridge stands in a position.</summary>
    public BridgeFact OfBridge(string bridge, string position) =>
        new()
        {
            Board = _build.Build.Board,
            Bridge = bridge,
            Position = position,
            Words = Sentences.SolderJumperIsAt(bridge, position),
        };

    /// <summary>Every lead of a plug that is not where it is now; none when there is nothing to do at it.</summary>
    public IReadOnlyList<CavityFact> OfPlug(string device)
    {
        var harness = Harness.Of(_build.Devices.First(d => d.Id == device).Device);
        var list = new List<CavityFact>();
        foreach (var lead in wired.Leads.Where(l => l.Device == device))
        {
            var home = harness.HomeOf(lead.Lead.Id);
            int? cavity = lead.State is LeadState.InPlace or LeadState.Moved ? lead.Cavity : null;
            var leaves =
                home >= 0
                && lead.State
                    is LeadState.Lifted
                        or LeadState.Cut
                        or LeadState.Soldered
                        or LeadState.OnTail
                        or LeadState.Spliced;
            if (leaves || lead.State == LeadState.Moved)
            {
                list.Add(
                    new CavityFact
                    {
                        Device = device,
                        Part = PartOf(device),
                        Lead = lead.Lead.Id,
                        Cavity = cavity,
                        End = lead.State == LeadState.Cut ? LeadEnd.CutOff : LeadEnd.Contact,
                        Words =
                            cavity is { } at ? Sentences.IsInPin(lead.Lead.Label, at)
                            : lead.State == LeadState.Cut ? Sentences.IsCutOff(lead.Lead.Label)
                            : Sentences.IsDePinned(lead.Lead.Label),
                    }
                );
            }
        }
        return list;
    }

    private static string LeadWords(LoomWire wire) =>
        wire.Colour is { } colour ? $"{wire.Label} ({colour}) of {wire.Name}" : $"{wire.Label} of {wire.Name}";

    private string PartOf(string device) => _build.Build.Devices.First(d => d.Id == device).Part;

    private string NameOf(string device) => _build.Devices.First(d => d.Id == device).Device.Name;
}
