using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Routing;
using Gorvix.Core.Wired.Wiring;

namespace Gorvix.Core.Work.FaultModel;

/// <summary>Parts that are dead, and what ails a device although every wire of it is right (<see cref="DefectDefinition"/>).</summary>
internal static class PartFaults
{
    public static readonly IReadOnlyList<FaultKindInfo> Kinds =
    [
        new(FaultKind.Pin, "dead controller pin", 0.3),
        new(FaultKind.Dead, "dead part", 0.7),
        new(FaultKind.Loader, "part stuck in bootloader", 0.8),
        new(FaultKind.Unbound, "part not bound", 3),
        new(FaultKind.DeviceSetting, "part set wrong", 2),
        new(FaultKind.Firmware, "part with old firmware", 1),
        new(FaultKind.Around, "antenna, sky view or radio", 1.5),
    ];

    /// <summary>A quirky or burnt port: everything is right, and nothing comes through.</summary>
    public static IEnumerable<PlantedFault> Pins(FaultGround ground) =>
        from lead in ground.Wired.Leads
        where lead is { Link: not null, Pad: not null, Lead.Role: LeadRole.Signal }
        let pad = lead.Pad!
        from strand in ground.Wired.Build.Circuit.From(pad)
        where strand.To.Kind == NodeKind.Net && strand.Conducts(ground.Wired.Positions())
        group pad.Id by strand.To.Id into net
        select new PlantedFault(
            $"pin.{net.Key}",
            $"controller pin {PinOf(ground.Wired, net.Key)} is dead",
            new DeadPin(net.Key)
        )
        {
            Kind = FaultKind.Pin,
            Place = new(Pads: [.. net.Distinct()]),
            Cure = _ => new Cure(
                CureAt.Fit,
                [
                    "Block this port for the link and use the new plan.",
                    $"{Cure.Away} Move the wires as shown in Loom. {Cure.Save}",
                ]
            ),
        };

    private static string PinOf(WiredBuild wired, string net) =>
        wired.Ports.Select(p => p.Port).FirstOrDefault(p => p.Nets.Contains(net)) is { } port
            ? PortWords.Of(port, net) ?? $"{port.Name} {net}"
            : net;

    /// <summary>Each device dead, and with each of its defects. What is wired to nothing is missed by nobody.</summary>
    public static IEnumerable<PlantedFault> Devices(FaultGround ground) =>
        ground
            .Wired.Build.Devices.Where(d => ground.Wired.Leads.Any(l => l.Device == d.Id && PlantedFaults.IsFed(l)))
            .SelectMany(d => Of(ground, d));

    private static IEnumerable<PlantedFault> Of(FaultGround ground, DeviceInBuild device)
    {
        yield return new PlantedFault($"dead.{device.Id}", $"{device.Device.Name} is dead", new DeadDevice(device.Id))
        {
            Kind = FaultKind.Dead,
            Place = new(device.Id),
            Cure = g => new Cure(
                CureAt.Parts,
                [
                    $"{Cure.Away} Replace the {g.Name(device.Id)} and record it in Parts: its joints then count as not done.",
                ]
            ),
        };
        var site = new DefectSite(ground, device);
        foreach (var defect in DefectDefinition.All)
        {
            if (defect.Words(site) is { } words)
            {
                yield return new PlantedFault(
                    $"{defect.Id}.{device.Id}",
                    words,
                    new DeviceFault(device.Id, defect.What)
                )
                {
                    Kind = defect.Kind,
                    Place = new(device.Id, Pads: [.. site.SignalPads]),
                    Weight = defect.Weight(site),
                    Cure = g => defect.Cure(g, device.Id),
                };
            }
        }
    }
}
