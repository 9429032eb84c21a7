using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Settings;
using Gorvix.Core.Wired.Wiring;
using static Gorvix.Core.Work.FaultModel.PlantedFaults;

namespace Gorvix.Core.Work.FaultModel;

/// <summary>What goes wrong in and around devices although their wires are right.</summary>
internal sealed class DeviceFaults(WiredBuild wired)
{
    private static readonly DateOnly AnyDay = new(2026, 1, 1);

    // A pin that is known to be low or to chatter makes the loader this much likelier (our own choice).
    private const double Trap = 6;

    private readonly bool _bayMatters = SettingsReader
        .Of(wired, AnyDay)
        .Settings.Any(s => s.Key.StartsWith("radio.bay", StringComparison.Ordinal));

    public IEnumerable<PlantedFault> All() =>
        // What is wired to nothing is missed by nobody.
        Source()
            .Concat(wired.Build.Devices.Where(d => wired.Leads.Any(l => l.Device == d.Id && IsFed(l))).SelectMany(Of));

    private IEnumerable<PlantedFault> Source()
    {
        if (wired.Build.Build.InputVolts is not null || wired.Build.Build.Pack is not null)
        {
            yield return new PlantedFault(
                "source",
                "the supply does not reach the board: plug, wire, or a flat battery; only USB powers it",
                new SourceOff()
            )
            {
                Kind = FaultKind.Around,
                Place = new(),
            };
        }
    }

    private IEnumerable<PlantedFault> Of(DeviceInBuild device)
    {
        var name = device.Device.Name;
        PlantedFault Defect(string id, DefectKind what, FaultKind kind, string words) =>
            new($"{id}.{device.Id}", words, new Ailing(device.Id, what))
            {
                Kind = kind,
                Place = new(device.Id, Pads: [.. SignalPads(device.Id)]),
            };
        yield return new PlantedFault($"dead.{device.Id}", $"{name} is dead", new DeadDevice(device.Id))
        {
            Kind = FaultKind.Dead,
            Place = new(device.Id),
        };
        var needs = wired.Build.Links.Where(l => l.Want.Device == device.Id && IsCarried(l.Id)).ToList();
        bool Serves(params ReadOnlySpan<Need> any)
        {
            foreach (var need in any)
            {
                if (needs.Exists(l => l.Function.Need == need))
                {
                    return true;
                }
            }
            return false;
        }
        if (Serves(Need.RcLink, Need.Osd))
        {
            if (HeardAtStart(device.Id) is { } levels)
            {
                yield return Defect(
                    "loader",
                    DefectKind.InLoader,
                    FaultKind.Loader,
                    $"{name} enters its bootloader at power-up: the board's pin is low or chatters"
                ) with
                {
                    Weight = levels.Any(l => l != BootLevel.High) ? Trap : 1,
                };
            }
            yield return Defect(
                "unbound",
                DefectKind.NotBound,
                FaultKind.Unbound,
                Serves(Need.RcLink)
                    ? $"{name} is not bound to this radio, or the region mode differs"
                    : $"{name} is not linked to these goggles"
            );
            yield return Defect(
                "antenna",
                DefectKind.NoAntenna,
                FaultKind.Around,
                $"{name}: an antenna is disconnected"
            );
        }
        if (needs.Any(l => wired.PortOf(l.Id) is { Port.Kind: PortKind.Uart }))
        {
            yield return Defect(
                "speaks",
                DefectKind.SpeaksOtherwise,
                FaultKind.DeviceSetting,
                $"{name} does not match its port in protocol, polarity or baud"
            );
        }
        if (Serves(Need.Osd, Need.Telemetry))
        {
            yield return Defect("old", DefectKind.OldFirmware, FaultKind.Firmware, $"{name} has old firmware");
        }
        if (Serves(Need.Gps))
        {
            yield return Defect(
                "forgot",
                DefectKind.ForgotSetup,
                FaultKind.DeviceSetting,
                device.Device.Memory == SetupMemory.Saves
                    ? $"{name} is configured for another board"
                    : $"{name} has lost its settings"
            );
            yield return Defect("indoors", DefectKind.Indoors, FaultKind.Around, $"{name} has no view of the sky");
        }
        if (Serves(Need.Telemetry))
        {
            if (_bayMatters)
            {
                yield return Defect(
                    "bay",
                    DefectKind.SlowBay,
                    FaultKind.Around,
                    "the baud of the radio's module bay, or the packet rate, is too high"
                );
            }
            yield return Defect(
                "remembered",
                DefectKind.Remembered,
                FaultKind.Around,
                "the radio shows old values: its sensors were never rediscovered"
            );
        }
    }

    // How the pins rest at which the device listens while the board starts; null where it listens nowhere.
    private List<BootLevel>? HeardAtStart(string device)
    {
        var levels = (
            from lead in wired.Leads
            where lead is { Pad: not null, Lead.Role: LeadRole.Signal, Link: not null } && lead.Device == device
            where wired.PortOf(lead.Link!)?.Mode.Lines.Any(m => m.Lead == lead.Lead.Id && m.Flow != Flow.Out) == true
            from strand in wired.Build.Circuit.From(lead.Pad!)
            where strand.To.Kind == NodeKind.Net
            select wired.Build.Circuit.Nets[strand.To.Id].AtBoot
        ).ToList();
        return levels.Count == 0 ? null : levels;
    }

    private bool IsCarried(string link) => wired.PortOf(link) is not null;

    private IEnumerable<string> SignalPads(string device) =>
        wired
            .Leads.Where(l => l is { Pad: not null, Lead.Role: LeadRole.Signal } && l.Device == device)
            .Select(l => l.Pad!.Id);
}
