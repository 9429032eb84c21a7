using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;

namespace Gorvix.Core.Plans.Builds;

/// <summary>Something that is done and that no part of the build knows any more.</summary>
/// <param name="Fact">What is done.</param>
/// <param name="Why">What has become of its part, as the rest of a sentence.</param>
public sealed record Orphan(BuiltFact Fact, string Why);

/// <summary>What is done on the aircraft, laid over the parts of a build: plugs as they are now, bridges where they stand.</summary>
public sealed class AsBuilt
{
    private AsBuilt(IReadOnlyList<BuiltFact> stands, IReadOnlyList<Orphan> orphans) =>
        (Stands, Orphans) = (stands, orphans);

    /// <summary>What agrees with the parts.</summary>
    public IReadOnlyList<BuiltFact> Stands { get; }

    /// <summary>What does not: the part was exchanged, or it has no such pad or lead any more.</summary>
    public IReadOnlyList<Orphan> Orphans { get; }

    /// <summary>The joints that agree with the parts.</summary>
    public IEnumerable<JointFact> Joints => Stands.OfType<JointFact>();

    /// <summary>The joint of a lead, or null.</summary>
    public JointFact? JointOf(LeadAt at)
    {
        // Asked for every pad of every lead; most builds have nothing soldered yet.
        foreach (var fact in Stands)
        {
            if (fact is JointFact joint && joint.Lead == at.Lead && joint.Device == at.Device)
            {
                return joint;
            }
        }
        return null;
    }

    /// <summary>True when a deed is done at a device.</summary>
    /// <param name="deed">What.</param>
    /// <param name="device">Id within the build of the device.</param>
    /// <param name="lead">Id of the lead, where the deed is about one.</param>
    /// <param name="address">The address, where the deed is about one.</param>
    public bool IsDone(BuiltDeed deed, string device, string? lead, int? address) =>
        Stands.Any(f =>
            f is DeedFact done && (done.Deed, done.Device, done.Lead, done.Address) == (deed, device, lead, address)
        );

    internal static AsBuilt Of(Build build, Board board, IReadOnlyDictionary<string, Device> devices)
    {
        var (stands, orphans) = (new List<BuiltFact>(), new List<Orphan>());
        foreach (var fact in build.Built)
        {
            if (Against(fact, build, board, devices) is { } why)
            {
                // What went away with its part needs no hand any more; what the same part contradicts is told.
                var told = fact switch
                {
                    JointFact or SeatFact => true,
                    BridgeFact bridge => bridge.Board == build.Board,
                    CavityFact cavity => build.Devices.Any(d => d.Id == cavity.Device && d.Part == cavity.Part),
                    _ => false,
                };
                if (told)
                {
                    orphans.Add(new Orphan(fact, why));
                }
                continue;
            }
            stands.Add(fact);
        }
        return new AsBuilt(stands, orphans);
    }

    /// <summary>The board with its bridges as they stand.</summary>
    internal Board Of(Board board)
    {
        var stand = Stands.OfType<BridgeFact>().ToDictionary(b => b.Bridge, b => b.Position);
        return stand.Count == 0
            ? board
            : board with
            {
                Bridges =
                [
                    .. board.Bridges.Select(b => stand.TryGetValue(b.Id, out var at) ? b with { Default = at } : b),
                ],
            };
    }

    /// <summary>A device with its plug as it is now.</summary>
    /// <param name="id">Its id within the build.</param>
    /// <param name="device">The device as it comes.</param>
    internal Device Of(string id, Device device)
    {
        if (device.Plug is not { } plug)
        {
            return device;
        }
        var moved = Stands.OfType<CavityFact>().Where(f => f.Device == id).ToList();
        var gone = Joints
            .Where(j => j.Device == id)
            .Select(j => j.Lead)
            .Concat(moved.Where(f => f.End == LeadEnd.CutOff).Select(f => f.Lead))
            .ToHashSet();
        return moved.Count == 0 && gone.Count == 0
            ? device
            : device with
            {
                Plug = plug.With(moved.ToDictionary(f => f.Lead, f => f.Cavity), gone),
            };
    }

    private static string? Against(
        BuiltFact fact,
        Build build,
        Board board,
        IReadOnlyDictionary<string, Device> devices
    )
    {
        string? Part(string device, string part, string? lead) =>
            build.Devices.FirstOrDefault(d => d.Id == device) is not { } now ? Sentences.TheDeviceIsNoLonger
            : now.Part != part ? Sentences.TheDeviceHasBeenSwapped
            : lead is not null && devices[device].Leads.All(l => l.Id != lead) ? Sentences.TheDeviceNoLongerHas
            : null;
        string? On(string id) => id == build.Board ? null : Sentences.TheBoardHasBeenSwapped;
        return fact switch
        {
            JointFact joint => On(joint.Board)
                ?? Part(joint.Device, joint.Part, joint.Lead)
                ?? (
                    joint.Pad is { } pad
                        ? board.Pads.Any(p => p.Id == pad)
                            ? null
                            : Sentences.TheBoardNoLongerHas
                        : devices.TryGetValue(joint.To ?? "", out var other)
                        && other.Leads.Any(l => l.Id == joint.ToLead)
                            ? null
                            : Sentences.TheOtherDeviceNoLonger
                ),
            SeatFact seat => On(seat.Board)
                ?? Part(seat.Device, seat.Part, null)
                ?? (board.Plugs.Any(p => p.Id == seat.Socket) ? null : Sentences.TheBoardNoLongerHasThis),
            CavityFact cavity => Part(cavity.Device, cavity.Part, cavity.Lead)
                ?? (
                    devices[cavity.Device].Plug is not { } plug ? Sentences.TheDeviceNoLongerHasA
                    : cavity.Cavity is { } at && at > plug.Cavities ? Sentences.ThePlugHasFewerPins
                    : null
                ),
            BridgeFact bridge => On(bridge.Board)
                ?? (
                    board.Bridges.FirstOrDefault(b => b.Id == bridge.Bridge) is { } here
                    && here.Positions.Contains(bridge.Position)
                        ? null
                        : Sentences.TheBoardNoLongerHasThisJumper
                ),
            DeedFact { Device: { } device } deed => Part(device, deed.Part ?? "", deed.Lead),
            _ => null,
        };
    }
}
