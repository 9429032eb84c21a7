using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Protocols;
using Gorvix.Core.Plans.Routing;
using Gorvix.Core.Wired.Settings;
using Gorvix.Core.Wired.Wiring;

namespace Gorvix.Core.Work.FaultModel;

/// <summary>What goes wrong on the board: bridges, settings, rails, pins.</summary>
internal sealed class BoardFaults(WiredBuild wired)
{
    private const int Slow = 9600;
    private const int Fast = 115_200;

    private static readonly DateOnly AnyDay = new(2026, 1, 1);

    public IEnumerable<PlantedFault> All() => [.. Bridges(), .. Ports(), .. Settings(), .. Rails(), .. Pins()];

    private IEnumerable<PlantedFault> Bridges()
    {
        foreach (var set in wired.Bridges.Where(b => b.Bridge.MovedBy == MovedBy.Solder))
        {
            PlantedFault At(string id, string words, IReadOnlyList<string> positions) =>
                new(id, words, new BridgeClosed(set.Bridge.Id, positions))
                {
                    Kind = FaultKind.Bridge,
                    Place = new(Bridge: set.Bridge.Id),
                };
            foreach (var position in set.Bridge.Positions.Except(set.Positions))
            {
                yield return At(
                    $"bridge.{set.Bridge.Id}.{position}",
                    $"solder jumper {set.Bridge.Id} is at \"{position}\"",
                    [position]
                );
            }
            if (wired.Build.Circuit.JoiningPositions(set.Bridge.Id) is { } joins && set.Positions.Any(joins.Contains))
            {
                yield return At($"bridge.{set.Bridge.Id}.none", $"solder jumper {set.Bridge.Id} is open", []);
            }
            if (set.Bridge.Positions.Count > 1)
            {
                yield return At(
                    $"bridge.{set.Bridge.Id}",
                    $"solder jumper {set.Bridge.Id} is closed on every side",
                    set.Bridge.Positions
                );
            }
        }
    }

    private IEnumerable<PlantedFault> Ports()
    {
        foreach (var port in wired.Ports.DistinctBy(p => (p.Port.Id, p.Settings)))
        {
            PlantedFault Set(string id, string words, PortSettings? settings) =>
                new(id, words, new PortSetTo(port.Link, settings))
                {
                    Kind = FaultKind.Port,
                    Place = new(Setting: $"port.{port.Port.Id}"),
                };
            yield return Set($"unset.{port.Link}", $"{port.Port.Name} has no function: set but not saved", null);
            // With a receiver, a video control or readings of the motors' drivers the rate goes with the protocol (common practice).
            if (
                port.Settings is
                { Baud: { } baud, Job: not (PortJob.ReceiverInput or PortJob.VideoControl or PortJob.EscTelemetry) }
            )
            {
                // As modules and boards come (common practice): one of the two is a usual mistake for the other.
                var other = baud == Fast ? Slow : Fast;
                yield return Set(
                    $"rate.{port.Link}",
                    $"{port.Port.Name} is set to {Phrase.Baud(other)}; the device uses {Phrase.Baud(baud)}",
                    port.Settings with
                    {
                        Baud = other,
                    }
                );
            }
            // A controller without inverters has no such setting.
            if (port.Port.Kind == PortKind.Uart && wired.Build.Controller.Inversion == OwnInversion.EachPin)
            {
                yield return Set(
                    $"inverted.{port.Link}",
                    $"{port.Port.Name} is set to the wrong polarity",
                    port.Settings with
                    {
                        InvertRx = !port.Settings.InvertRx,
                        InvertTx = !port.Settings.InvertTx,
                    }
                );
            }
        }
        if (wired.Ports.Count > 1)
        {
            yield return new PlantedFault(
                "page",
                "two functions on one port: the board cleared its port settings",
                new PageEmptied()
            )
            {
                Kind = FaultKind.Page,
                Place = new(Setting: $"port.{wired.Ports[0].Port.Id}"),
            };
        }
    }

    private IEnumerable<PlantedFault> Settings() =>
        from setting in SettingsReader.Of(wired, AnyDay).Settings
        where setting is { Place: SettingPlace.Board, Value.Length: > 0 }
        select new PlantedFault(
            $"setting.{setting.Key}",
            $"not as planned: {setting.Words}",
            new SettingOff(setting.Key)
        )
        {
            Kind = FaultKind.Setting,
            Place = new(Setting: setting.Key),
        };

    private IEnumerable<PlantedFault> Rails()
    {
        foreach (var rail in wired.Build.Board.Rails.Where(r => r.Feed is not (RailFeed.Ground or RailFeed.Battery)))
        {
            var place = new FaultPlace(
                Pads:
                [
                    .. wired
                        .Build.Circuit.ToRails.Where(p => p.Ways.Any(w => w.To.Id == rail.Id))
                        .Select(p => p.Pad.Id),
                ]
            );
            yield return new PlantedFault($"rail.{rail.Id}", $"{rail.Label} rail is dead", new DeadRail(rail.Id))
            {
                Kind = FaultKind.Rail,
                Place = place,
            };
            if (rail.Volts is not null)
            {
                yield return new PlantedFault(
                    $"sag.{rail.Id}",
                    $"{rail.Label} rail is under-voltage",
                    new SaggingRail(rail.Id)
                )
                {
                    Kind = FaultKind.Rail,
                    Place = place,
                };
            }
        }
    }

    // A quirky or burnt port: everything is right, and nothing comes through.
    private IEnumerable<PlantedFault> Pins() =>
        from lead in wired.Leads
        where lead is { Link: not null, Pad: not null, Lead.Role: LeadRole.Signal }
        let pad = lead.Pad!
        from strand in wired.Build.Circuit.From(pad)
        where strand.To.Kind == NodeKind.Net && strand.Conducts(wired.Positions())
        group pad.Id by strand.To.Id into net
        select new PlantedFault($"pin.{net.Key}", $"controller pin {PinOf(net.Key)} is dead", new DeadPin(net.Key))
        {
            Kind = FaultKind.Pin,
            Place = new(Pads: [.. net.Distinct()]),
        };

    private string PinOf(string net) =>
        wired.Ports.Select(p => p.Port).FirstOrDefault(p => p.Nets.Contains(net)) is { } port
            ? PortWords.Of(port, net) ?? $"{port.Name} {net}"
            : net;
}
