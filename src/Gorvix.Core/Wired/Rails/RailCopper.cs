using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Supply;
using Gorvix.Core.Wired.Wiring;

namespace Gorvix.Core.Wired.Rails;

/// <summary>A device with what its supplies are joined with.</summary>
/// <param name="Id">Its id within the build.</param>
/// <param name="Device">The device.</param>
/// <param name="Leads">All its leads as they are wired.</param>
/// <param name="Joined">Its leads for supply and ground that touch a pad, each with the ohms of its wire and joint.</param>
/// <param name="Spliced">Its leads that are soldered to a lead of another device, with those ohms.</param>
/// <param name="Supplies">What it takes: the lead, and ids of the rails that its pad is joined to.</param>
/// <param name="Outputs">What it gives.</param>
internal sealed record DeviceCopper(
    string Id,
    Device Device,
    IReadOnlyList<WiredLead> Leads,
    IReadOnlyList<(WiredLead Lead, double Ohms)> Joined,
    IReadOnlyList<(WiredLead Lead, double Ohms)> Spliced,
    IReadOnlyList<(SupplyInput Supply, WiredLead Lead, IReadOnlyList<string> Rails)> Supplies,
    IReadOnlyList<(SupplyOutput Output, WiredLead Lead)> Outputs
)
{
    /// <summary>True when nothing but this device gets less without it: it joins no two pads, and none of its outputs is joined to anything.</summary>
    public bool IsEnd { get; } =
        Joined.Count(j => j.Lead.Lead.Role == LeadRole.Ground) <= 1
        && Outputs.All(o => o.Lead is { Pad: null, To: null, State: not LeadState.Feeding });
}

/// <summary>
/// What joins the supplies of a wired build while its bridges stand as they do, whatever feeds it: found once, and read for every
/// source. What lies between pad and rail is told by the one walk (<see cref="Trace"/>).
/// </summary>
internal sealed class RailCopper
{
    /// <summary>A joint or a track, in ohms: small beside every wire, large enough for the arithmetic.</summary>
    public const double Joint = 0.001;

    private readonly IReadOnlyList<(Pad Pad, IReadOnlyList<Strand> Ways)> _all;
    private readonly Dictionary<string, IReadOnlyList<string>> _rails = [];

    /// <summary>Looks at a build.</summary>
    /// <param name="wired">The build.</param>
    /// <param name="near">The same build wired a little otherwise: what is alike is not looked at again.</param>
    public RailCopper(WiredBuild wired, RailCopper? near = null)
    {
        Wired = wired;
        var alike = ReferenceEquals(near?.Wired.Bridges, wired.Bridges);
        _all = alike ? near!._all : Conducting(wired);
        var leads = wired.Build.Devices.ToDictionary(d => d.Id, _ => new List<WiredLead>());
        var (used, given) = (new HashSet<string>(), new HashSet<string>());
        foreach (var lead in wired.Leads)
        {
            leads[lead.Device].Add(lead);
            if (lead.Pad is { } pad && Feeds(lead.Lead.Role))
            {
                used.Add(pad.Id);
            }
            if (lead.To is { } to)
            {
                given.Add(to.Device);
            }
        }
        foreach (var (pad, ways) in _all)
        {
            // Pads that something is soldered to, and pads that join two rails although nothing is.
            if (used.Contains(pad.Id) || Blobbed(wired, pad) || ways.Any(w => w.To.Id != ways[0].To.Id))
            {
                Pads.Add((pad, ways));
                _rails[pad.Id] = [.. ways.Select(w => w.To.Id).Distinct()];
            }
        }
        Blobs = [.. wired.Blobs.Where(b => _rails.ContainsKey(b.One) && _rails.ContainsKey(b.Other))];
        // Who feeds others comes first, so that their outputs are there to hang on.
        foreach (var device in wired.Build.Devices.OrderBy(d => given.Contains(d.Id) ? 0 : 1))
        {
            if (!wired.DeadDevices.Contains(device.Id))
            {
                var own = leads[device.Id];
                var known = alike ? near!.Devices.Find(d => d.Id == device.Id) : null;
                Devices.Add(
                    known is not null && known.Leads.SequenceEqual(own, ReferenceEqualityComparer.Instance)
                        ? known
                        : Of(device.Id, device.Device, own)
                );
            }
        }
    }

    private static IReadOnlyList<(Pad Pad, IReadOnlyList<Strand> Ways)> Conducting(WiredBuild wired)
    {
        var positions = wired.Positions();
        return
        [
            .. from pad in wired.Build.Circuit.ToRails
            let ways = pad.Ways.Where(s => s.Conducts(positions)).ToList()
            where ways.Count > 0
            select (pad.Pad, (IReadOnlyList<Strand>)ways),
        ];
    }

    /// <summary>The build.</summary>
    public WiredBuild Wired { get; }

    /// <summary>Solder between pads of supplies.</summary>
    public IReadOnlyList<Blob> Blobs { get; }

    /// <summary>The pads that join something, with their strands to rails that conduct.</summary>
    public List<(Pad Pad, IReadOnlyList<Strand> Ways)> Pads { get; } = [];

    /// <summary>The devices that are alive, those that feed others first.</summary>
    public List<DeviceCopper> Devices { get; } = [];

    private static bool Blobbed(WiredBuild wired, Pad pad) =>
        wired.Blobs.Any(b => b.One == pad.Id || b.Other == pad.Id);

    private static bool Feeds(LeadRole role) => role is LeadRole.Supply or LeadRole.Ground or LeadRole.Output;

    private DeviceCopper Of(string id, Device device, List<WiredLead> leads)
    {
        var byId = leads.ToDictionary(l => l.Lead.Id);
        return new DeviceCopper(
            id,
            device,
            leads,
            [
                .. from lead in byId.Values
                where lead.Pad is { } pad && Feeds(lead.Lead.Role) && _rails.ContainsKey(pad.Id)
                select (lead, OhmsOf(lead)),
            ],
            [.. byId.Values.Where(l => l.To is not null).Select(l => (l, OhmsOf(l)))],
            [
                .. from supply in device.Supplies
                let lead = byId[supply.Lead]
                select (supply, lead, lead.Pad is { } pad ? _rails.GetValueOrDefault(pad.Id, []) : []),
            ],
            [.. device.Outputs.Select(o => (o, byId[o.Lead]))]
        );
    }

    private double OhmsOf(WiredLead lead)
    {
        var cut = WireCuts.Of(Wired, lead);
        return new Wire(cut.Gauge!.Value, cut.Millimetres).Ohms
            + (Wired.Defects.Weak.Contains(lead.At) ? WeakJoint.Ohms : Joint);
    }
}
