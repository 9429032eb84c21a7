using Gorvix.Core.Builds;
using Gorvix.Core.Findings;
using Gorvix.Core.Parts;

namespace Gorvix.Core.Routing;

/// <summary>A net that a lead drives although no link asked for it.</summary>
/// <param name="Net">Id of the net.</param>
/// <param name="Lead">Id of the lead within its device.</param>
internal sealed record DrivenNet(string Net, string Lead);

/// <summary>What it takes to bring a device's plug to a board's plug: pins to move, leads to lift, and leads that talk unasked.</summary>
/// <param name="Work">Pins to move and leads to lift.</param>
/// <param name="Warnings">What would happen if it were plugged in as it comes.</param>
/// <param name="Driven">Nets that an unasked lead drives.</param>
internal sealed record PlugUse(
    IReadOnlyList<Work> Work,
    IReadOnlyList<Finding> Warnings,
    IReadOnlyList<DrivenNet> Driven
)
{
    private static readonly PlugUse None = new([], [], []);

    /// <summary>For a route over these walks. Plugs of another family cannot be mated, so there is nothing to say.</summary>
    public static PlugUse Of(ResolvedBuild build, Link link, IReadOnlyList<LineWalk> walks)
    {
        if (link.Device.Plug is not { } plug)
        {
            return None;
        }
        var pads = walks.Select(w => w.Pad.Id).ToHashSet();
        var sockets = build.Board.Plugs.Where(p => p.Family == plug.Family).ToList();
        var socket = sockets.FirstOrDefault(p => p.Pins.Any(pin => pin.Pad is { } pad && pads.Contains(pad)));
        return socket is not null ? new Mating(build, link, walks, plug, socket).Use()
            : sockets.Count > 0 ? new PlugUse(Soldered(link, walks), [], [])
            : None;
    }

    // Where a plug of the family is there, every lead that goes elsewhere has to leave its own plug first.
    private static List<Work> Soldered(Link link, IReadOnlyCollection<LineWalk> walks) =>
        [
            .. walks.Select(w => new Work(
                $"Take {w.Lead.Label} of the {link.Device.Name} out of its plug and solder it to {w.Pad.Label}.",
                WorkPoints.Solder
            )),
        ];

    /// <summary>One device plug against one board plug, pin by pin.</summary>
    private sealed class Mating(
        ResolvedBuild build,
        Link link,
        IReadOnlyList<LineWalk> walks,
        DevicePlug plug,
        BoardPlug socket
    )
    {
        private readonly List<Work> _work = [];
        private readonly List<Finding> _warnings = [];
        private readonly List<DrivenNet> _driven = [];

        public PlugUse Use()
        {
            var pins = plug
                .Pins.Zip(socket.Pins)
                .Where(p => p.First.Lead is not null)
                .Select(p => (Lead: LeadOf(p.First.Lead!), Pad: PadOf(p.Second.Pad)))
                .ToList();
            if (
                pins.Any(p => Misplaced(p.Lead, p.Pad))
                || walks.Any(w => InSocket(w.Pad) && !pins.Contains((w.Lead, w.Pad)))
            )
            {
                _work.Add(
                    new Work($"Move the pins of the {link.Device.Name}'s plug to fit {socket.Label}.", WorkPoints.Repin)
                );
                _warnings.AddRange(pins.Where(p => Burns(p.Lead, p.Pad)).Take(1).Select(p => Warning(p.Lead, p.Pad!)));
            }
            foreach (var (lead, pad) in pins)
            {
                Unasked(lead, pad);
            }
            _work.AddRange(Soldered(link, [.. walks.Where(w => !InSocket(w.Pad))]));
            return new PlugUse(_work, _warnings, _driven);
        }

        private Lead LeadOf(string id) => link.Device.Leads.First(l => l.Id == id);

        private Pad? PadOf(string? id) => id is null ? null : build.Board.Pads.First(p => p.Id == id);

        private bool InSocket(Pad pad) => socket.Pins.Any(p => p.Pad == pad.Id);

        private bool IsGround(Pad? pad) =>
            pad?.Paths.Any(p => build.Board.Rails.Any(r => r.Id == p.Rail && r.Feed == RailFeed.Ground)) ?? false;

        // Supply on supply, ground on ground; signals are judged by the walks. A pin that leads nowhere does no harm.
        private bool Misplaced(Lead lead, Pad? pad) =>
            pad is not null
            && lead.Role switch
            {
                LeadRole.Supply => IsGround(pad) || pad.Paths.All(p => p.Rail is null),
                LeadRole.Ground => !IsGround(pad),
                _ => false,
            };

        // A supply that meets a signal or the ground, or a signal that meets a supply.
        private bool Burns(Lead lead, Pad? pad) =>
            pad is not null
            && (
                (lead.Role == LeadRole.Supply && Misplaced(lead, pad))
                || (lead.Role == LeadRole.Signal && pad.Paths.Any(p => p.Rail is not null) && !IsGround(pad))
            );

        private Finding Warning(Lead lead, Pad pad) =>
            HazardRules.Plug.Found(
                Severity.Warn,
                link.Id,
                ("device", $"the {link.Device.Name}"),
                ("plug", socket.Label),
                ("lead", lead.Label),
                ("pad", pad.Label)
            );

        // A lead that talks although no link asked for it. One that another link of the build uses is that link's business.
        private void Unasked(Lead lead, Pad? pad)
        {
            var net = pad?.Paths.Select(p => p.Net).FirstOrDefault(n => n is not null);
            var asked = build
                .Links.Where(l => l.Want.Device == link.Want.Device)
                .Any(l => l.Function.Modes.Any(m => m.Lines.Any(line => line.Lead == lead.Id)));

            // A pin that is moved to its place pushes it out.
            if (net is null || lead.Talks != TalkHabit.Always || asked || walks.Any(w => w.Pad == pad))
            {
                return;
            }

            // It cannot stay on a net of its own link either, whatever the house says.
            if (build.Build.House.Unused != UnusedLeads.Leave || walks.Any(w => w.Net == net))
            {
                var verb = build.Build.House.Unused == UnusedLeads.Cut ? "Cut" : "Lift";
                _work.Add(
                    new Work(
                        $"{verb} {lead.Label} (and its ground) of the {link.Device.Name} out of {socket.Label} and insulate it.",
                        WorkPoints.Lift
                    )
                );
                return;
            }
            _driven.Add(new DrivenNet(net, lead.Id));
            _warnings.Add(
                HazardRules.Driver.Found(
                    Severity.Warn,
                    link.Id,
                    ("lead", lead.Label),
                    ("device", $"the {link.Device.Name}"),
                    ("plug", socket.Label),
                    ("pad", pad!.Label)
                )
            );
        }
    }
}
