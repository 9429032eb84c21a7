using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Protocols;
using Gorvix.Core.Plans.Routing;
using Gorvix.Core.Wired.Words;

namespace Gorvix.Core.Wired.Leaflets;

/// <summary>A device as its leaflet tells it.</summary>
public static class DeviceLeaflet
{
    /// <summary>A device in a list.</summary>
    /// <param name="device">A device that passes <see cref="PartCheck"/>.</param>
    public static PartLine Line(Device device)
    {
        var protocols = device.Functions.SelectMany(f => f.Modes).Select(m => m.Protocol).Distinct().ToList();
        string?[] brief =
        [
            string.Join(" or ", device.Supplies.Select(s => PlainWords.Of(s.Window)).Distinct()),
            string.Join(", ", protocols.Select(ProtocolCatalogue.NameOf).Distinct()),
            device.Plug is { } plug ? $"plug {plug.Family}" : null,
        ];
        return new PartLine(
            device.Id,
            false,
            $"{device.Maker} {device.Name}",
            PlainWords.Of(device.Kind),
            string.Join(" · ", brief.Where(b => !string.IsNullOrEmpty(b))),
            [
                .. device
                    .Functions.Select(f => PlainWords.Of(f.Need))
                    .Concat(protocols.Select(ProtocolCatalogue.NameOf))
                    .Distinct(),
            ],
            null,
            null,
            device.Supplies.Count == 0
                ? null
                : [.. device.Supplies.SelectMany(s => LeafletWords.CellsIn(s.Window)).Distinct().Order()]
        );
    }

    /// <summary>A device on its page.</summary>
    /// <param name="device">A device that passes <see cref="PartCheck"/>.</param>
    public static Leaflet Of(Device device) =>
        new(
            Line(device),
            [
                new LeafletFact("Type", Phrase.Upper(PlainWords.Of(device.Kind))),
                new LeafletFact(
                    "Plug",
                    device.Plug?.Family
                        ?? (device.Harnesses.Count > 0 ? Sentences.DependsOnHarness : Sentences.BareLeads)
                ),
                .. DeviceWords.Notes(device).Select(n => new LeafletFact("Note", n)),
            ],
            [
                .. new[]
                {
                    new LeafletTable(
                        "Supply",
                        ["Lead", "Input", Sentences.DirectFromBattery, "Typical", "Peak"],
                        [.. device.Supplies.Select(s => SupplyRow(device, s))]
                    ),
                    new LeafletTable(
                        "Functions",
                        ["Function", "Mode", "Signal", "Requires", "Loses"],
                        [.. device.Functions.SelectMany(f => f.ModesIn(device).Select(m => ModeRow(device, f, m)))]
                    ),
                    new LeafletTable(
                        "Leads",
                        ["Lead", "Role", "Colour", Sentences.PlugPin, Sentences.LogicLevel],
                        [.. device.Leads.Select(l => LeadRow(device, l))]
                    ),
                    new LeafletTable(
                        "Lights",
                        ["State", "Shows"],
                        [.. device.Signs.Select(s => (IReadOnlyList<string>)[PlainWords.Of(s.State), s.Seen])]
                    ),
                    new LeafletTable(
                        "Harnesses",
                        ["Harness", "Leads", "Plug"],
                        [.. device.Harnesses.Select(h => HarnessRow(device, h))]
                    ),
                }.Where(t => t.Rows.Count > 0),
            ],
            [],
            null
        );

    private static string LabelOf(Device device, string lead) => device.Leads.First(l => l.Id == lead).Label;

    private static string[] SupplyRow(Device device, SupplyInput supply) =>
        [
            LabelOf(device, supply.Lead),
            PlainWords.Of(supply.Window),
            LeafletWords.Of(LeafletWords.CellsIn(supply.Window)),
            PlainWords.Amperes(supply.Typical),
            PlainWords.Amperes(supply.Peak) + (supply.PowerAt is { } at ? Sentences.AtVConstantPower(at) : ""),
        ];

    private static string[] ModeRow(Device device, DeviceFunction function, Mode mode)
    {
        var protocol = ProtocolCatalogue.Find(mode.Protocol)!;
        return
        [
            DeviceWords.Of(device, function),
            mode.Name,
            mode.Inside is not null ? Sentences.InBandNoSeparateWire
            : protocol.Framing is null ? PortWords.Label(protocol.Carrier)
            : $"{protocol.Framing} at {Phrase.Baud(mode.Bauds.Concat(protocol.Bauds).First())}, idles {(Rests(mode, protocol) == Polarity.Normal ? "high" : "low")}",
            PortWords.Condition(mode) ?? "",
            Phrase.Join(mode.Loses),
        ];
    }

    private static Polarity Rests(Mode mode, Protocol protocol) =>
        mode.Lines.Select(l => l.Polarity).FirstOrDefault(p => p is not null) ?? protocol.Idle;

    private static string[] LeadRow(Device device, Lead lead)
    {
        var pin = Harness.Of(device).HomeOf(lead.Id);
        return
        [
            lead.Label,
            lead.Role switch
            {
                LeadRole.Supply => "supply",
                LeadRole.Ground => "ground",
                LeadRole.Video => "video",
                LeadRole.Sense => Sentences.AnalogueLevel,
                LeadRole.Output => Sentences.SupplyOutput,
                _ => lead.Talks == TalkHabit.Always ? Sentences.SignalTransmitsUnprompted : "signal",
            },
            lead.Colour ?? "",
            pin < 0 ? "" : $"{pin + 1}",
            lead.Role == LeadRole.Signal ? $"{lead.DriveVolts:0.0#} V" : "",
        ];
    }

    private static string[] HarnessRow(Device device, DeviceHarness harness) =>
        [
            harness.Name,
            string.Join(", ", harness.Leads.Select(l => LabelOf(device, l))),
            harness.Plug?.Family ?? Sentences.BareLeads,
        ];
}
