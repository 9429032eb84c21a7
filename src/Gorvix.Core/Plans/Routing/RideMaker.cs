using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Protocols;
using Gorvix.Core.Plans.Builds;

namespace Gorvix.Core.Plans.Routing;

/// <summary>Ways of a link that rides inside another one: one for each port and mode in which the other one can be.</summary>
internal sealed class RideMaker(ResolvedBuild build, Link link, RouterFacts facts)
{
    /// <summary>Adds the ways of one mode that rides, and the ports where the carrier cannot be.</summary>
    /// <param name="mode">A mode that rides.</param>
    /// <param name="carriers">The ways of all links that have wires of their own.</param>
    /// <param name="routes">Takes the ways.</param>
    /// <param name="rejections">Takes the others.</param>
    public void Make(
        Mode mode,
        IReadOnlyDictionary<string, LinkWays> carriers,
        List<Route> routes,
        List<Rejection> rejections
    )
    {
        var carrier = RouterFacts.CarrierOf(build, link, mode);
        var protocol = ProtocolCatalogue.Find(mode.Protocol)!;
        var bay = new ModuleBay(build.Build.Radio, protocol);
        foreach (var port in build.Board.Ports)
        {
            if (carrier is null)
            {
                rejections.Add(new Rejection(mode, port, NoCarrier(mode), null));
                continue;
            }
            var ways = carriers[carrier.Id];
            var inside = ways.Routes.FirstOrDefault(r => r.Port == port && r.Mode.Id == mode.Inside!.Mode);
            if (inside is null)
            {
                if (ways.NearestAt(port.Id) is { } nearest)
                {
                    rejections.Add(new Rejection(mode, port, nearest.Finding, null));
                }
            }
            else if (bay.Failure() is { } failure)
            {
                rejections.Add(new Rejection(mode, port, failure, null));
            }
            else
            {
                routes.Add(RouteOf(mode, inside, carrier, bay));
            }
        }
    }

    private Route RouteOf(Mode mode, Route inside, Link carrier, ModuleBay bay)
    {
        Work[] radio = [.. bay.Work()];
        List<Hold> holds =
        [
            new RideHold(carrier.Id, inside.Port.Id, inside.Mode.Id),
            .. inside.Claims.Holds.OfType<PowerHold>(),
            .. radio.Select(w => new SettingHold(w.Setting!)),
            // Without wires of its own it carries nobody: two links cannot ride in each other.
            .. facts.IsRidden(link) ? [new RideHold(link.Id, null, null)] : Array.Empty<Hold>(),
        ];
        return new Route(link, mode, inside.Port, [], [], inside.Settings)
        {
            RidesIn = carrier.Id,
            Claims = new Claims([], holds),
            Work = radio,
        };
    }

    private Finding NoCarrier(Mode mode) =>
        RoutingRules.Rides.Found(
            Severity.Stop,
            Subject.Link(link.Id),
            ("link", $"{link.Device.Name} {mode.Name}"),
            ("carrier", Sentences.ItsFunction(mode.Inside!.Function))
        );
}
