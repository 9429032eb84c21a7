using Gorvix.Core.Builds;
using Gorvix.Core.Findings;
using Gorvix.Core.Parts;
using Gorvix.Core.Protocols;

namespace Gorvix.Core.Routing;

/// <summary>Makes a route of walks that go together: port settings, what it claims, and what it asks of the builder's hands.</summary>
internal sealed class RouteMaker(
    ResolvedBuild build,
    Link link,
    Mode mode,
    Port port,
    Protocol protocol,
    int? baud,
    PinOrder order
)
{
    /// <summary>The route of these walks.</summary>
    public Route Make(IReadOnlyList<LineWalk> walks)
    {
        bool Inverts(Half half) =>
            port.Kind == PortKind.Uart && walks.Any(w => w.Half == half && w.OwnInversion == Polarity.Inverted);
        var settings = new PortSettings(
            protocol.Job,
            protocol.Id,
            baud,
            Inverts(Half.Rx),
            Inverts(Half.Tx),
            protocol.Use == LineUse.OneWire,
            order == PinOrder.Swapped
        );
        List<Contact> bridges = [.. walks.SelectMany(w => w.Bridges).Distinct()];
        var plugs = PlugUse.Of(build, link, walks);
        return new Route(link, mode, port, [.. walks], bridges, settings)
        {
            Claims = ClaimsOf(walks, bridges, plugs.Driven),
            Work = [.. walks.SelectMany(w => w.Work), .. OfMode(), .. OfBoard(), .. plugs.Work],
            Hazards = [.. walks.SelectMany(w => w.Hazards), .. OfUsb()],
            Warnings = plugs.Warnings,
            Processor = port.Kind == PortKind.Software ? (baud > 19_200 ? 4 : 3) : 0,
        };
    }

    private Claims ClaimsOf(IReadOnlyList<LineWalk> walks, List<Contact> bridges, IReadOnlyList<DrivenNet> driven)
    {
        var takes = walks.Select(w => $"lead {link.Want.Device} {w.Lead.Id}").ToList();
        var nets = walks.Select(w => w.Net).ToList();
        List<Hold> holds =
        [
            .. bridges.Select(c => new BridgeHold(build.Board.Bridges.First(b => b.Id == c.Bridge), c.Position)),
            .. nets.Distinct().Select(net => new NetHold(net, port.Id)),
            .. driven.Select(d => new NetHold(d.Net, $"{link.Want.Device} {d.Lead}")),
        ];
        if (port.Kind == PortKind.Bus)
        {
            takes.Add($"address {port.Id} {mode.Address}");
        }
        else
        {
            if (port.Kind == PortKind.Uart)
            {
                Uart(nets, takes, holds);
            }
            takes.AddRange(nets.Select(net => $"net {net}"));
        }
        return new Claims([.. takes.Distinct()], holds);
    }

    // Strict: the whole port. Split halves: a one-way link takes its half, and the other half may serve who agrees.
    private void Uart(List<string> nets, List<string> takes, List<Hold> holds)
    {
        var oneWay = nets.Count == 1 && protocol.Use != LineUse.OneWire;
        if (build.Build.House.Sharing == PortSharing.Strict)
        {
            takes.Add($"port {port.Id}");
            return;
        }
        takes.AddRange((oneWay ? nets : port.Nets).Select(net => $"half {port.Id} {net}"));
        if (oneWay)
        {
            holds.Add(new ShareHold(port.Id, protocol.Job, protocol.Framing!, baud!.Value, build.Firmware));
            if (Shape.Of(build.Board, port) == PortShape.Whole)
            {
                holds.Add(new WholeHold(port.Id));
            }
        }
    }

    private IEnumerable<Work> OfMode()
    {
        var name = link.Device.Name;
        if (PortWords.Condition(mode) is { } condition)
        {
            var points =
                (mode.Firmware is null ? 0 : WorkPoints.Firmware) + (mode.Setting is null ? 0 : WorkPoints.Setting);
            yield return new Work($"On the {name}: {condition}.", points);
        }
        if (mode.Bauds.Count > 0 && baud != mode.Bauds[0])
        {
            yield return new Work($"On the {name}: set it to {baud} baud.", WorkPoints.Setting);
        }
    }

    private IEnumerable<Work> OfBoard()
    {
        if (build.Board.BuiltIns.FirstOrDefault(b => b.Gives == link.Function.Need) is { } inside)
        {
            yield return new Work(
                $"In the board's settings: change the receiver from built-in ({inside.Name}) to serial.",
                WorkPoints.Setting
            );
        }
        if (protocol.Job == PortJob.VideoCanvas)
        {
            foreach (var setting in build.Firmware?.CanvasSettings ?? [])
            {
                yield return new Work($"In the board's settings: {setting}.", WorkPoints.Setting);
            }
        }
    }

    private IEnumerable<Finding> OfUsb() =>
        port.Usb == UsbSharing.Shared
            ?
            [
                HazardRules.UsbShared.Found(
                    Severity.Warn,
                    port.Id,
                    ("port", port.Id),
                    ("device", $"the {link.Device.Name}")
                ),
            ]
            : [];
}
