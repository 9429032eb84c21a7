using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Protocols;
using Gorvix.Core.Plans.Builds;

namespace Gorvix.Core.Plans.Routing;

/// <summary>What the links of a build mean for each other's ways, before any of them is made.</summary>
/// <param name="build">The build.</param>
/// <param name="talked">Nets on which a lead of some plug may go on talking: only there it matters who is on a net.</param>
internal sealed class RouterFacts(ResolvedBuild build, IReadOnlySet<string> talked)
{
    // Protocols in which several links of the build answer in turn.
    private readonly HashSet<string> _shared =
    [
        .. build
            .Links.SelectMany(l => l.Modes.Select(m => m.Protocol).Distinct())
            .Where(p => ProtocolCatalogue.Find(p)!.Turn == Turn.WhenAsked)
            .CountBy(p => p)
            .Where(p => p.Value > 1)
            .Select(p => p.Key),
    ];

    // The link that carries a function of a device: the first that is wished for.
    private readonly HashSet<string> _ridden =
    [
        .. build
            .Links.SelectMany(l => l.Modes.Where(m => m.Inside is not null).Select(m => CarrierOf(build, l, m)))
            .OfType<Link>()
            .Select(l => l.Id),
    ];

    /// <summary>Nets on which a lead of some plug may go on talking.</summary>
    public IReadOnlySet<string> Talked => talked;

    /// <summary>True when some links answer in turn on one wire.</summary>
    public bool AnyShares => _shared.Count > 0;

    /// <summary>True when several links of this protocol answer in turn on one wire.</summary>
    public bool Shares(Protocol protocol) => _shared.Contains(protocol.Id);

    /// <summary>What those have in common who answer in turn on one port; null for a link that wants its port alone.</summary>
    public string? TurnsOf(Protocol protocol, int? baud, PinSetting pins) =>
        Shares(protocol) ? $"{protocol.Id} {baud} {pins.Choice.Name} {pins.Swapped}" : null;

    /// <summary>True for the first of the links that answer in turn: it stands for them all where ports are counted.</summary>
    public bool IsFirst(Link link, Protocol protocol) =>
        build.Links.First(l => l.Modes.Any(m => m.Protocol == protocol.Id)).Id == link.Id;

    /// <summary>True when another link may ride in this one.</summary>
    public bool IsRidden(Link link) => _ridden.Contains(link.Id);

    /// <summary>The link in which a mode rides, or null when it is not wished for.</summary>
    public static Link? CarrierOf(ResolvedBuild build, Link rider, Mode mode) =>
        build.Links.FirstOrDefault(l => l.Want.Device == rider.Want.Device && l.Function.Id == mode.Inside?.Function);

    /// <summary>
    /// The job that a port must have alone on the board, or null where several ports may have it. A firmware has one receiver,
    /// whether it hears it as serial or as pulses (common practice).
    /// </summary>
    public PortJob? SingleJob(PortJob job) =>
        job is PortJob.ReceiverInput or PortJob.PulseInput ? PortJob.ReceiverInput
        : build.Firmware?.Single.Contains(job) == true ? job
        : null;
}
