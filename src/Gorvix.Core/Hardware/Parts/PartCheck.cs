using System.Runtime.CompilerServices;
using System.Text.Json;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Protocols;

namespace Gorvix.Core.Hardware.Parts;

/// <summary>Finds where a part contradicts itself. A part that passes can be planned with.</summary>
public static class PartCheck
{
    /// <summary>More ports than this are refused; the largest controllers have about a dozen.</summary>
    public const int MostPorts = 32;

    /// <summary>More bridges than this are refused.</summary>
    public const int MostBridges = 16;

    /// <summary>More positions of one bridge than this are refused.</summary>
    public const int MostPositions = 6;

    /// <summary>More pads than this are refused.</summary>
    public const int MostPads = 256;

    /// <summary>More pads on one net than this are refused: every pair of them is a way of its own.</summary>
    public const int MostPadsOfNet = 8;

    /// <summary>More paths of one pad than this are refused.</summary>
    public const int MostPaths = 6;

    /// <summary>More sockets than this are refused.</summary>
    public const int MostSockets = 16;

    /// <summary>More sockets of one family than this are refused: every plug of the family has a seat in each of them.</summary>
    public const int MostSocketsOfFamily = 4;

    /// <summary>More leads of one device than this are refused.</summary>
    public const int MostLeads = 64;

    /// <summary>More pairs of jobs that may share a port than this are refused.</summary>
    public const int MostShares = 64;

    /// <summary>More modes of one function than this are refused.</summary>
    public const int MostModes = 16;

    /// <summary>More pins of one plug than this are refused.</summary>
    public const int MostPins = 24;

    /// <summary>More bauds of one mode than this are refused.</summary>
    public const int MostBauds = 8;

    /// <summary>More other pins of one serial unit than this are refused.</summary>
    public const int MostPinChoices = 3;

    /// <summary>More addresses that a bus has in use, or that a device can be strapped to, than this are refused.</summary>
    public const int MostAddresses = 8;

    /// <summary>More pieces of one device than this are refused.</summary>
    public const int MostPieces = 8;

    /// <summary>More harnesses of one device than this are refused.</summary>
    public const int MostHarnesses = 4;

    /// <summary>More than this across, in millimetres, is no board that flies here.</summary>
    public const double MostMillimetres = 200;

    /// <summary>More current than this, in amperes, is no supply of a device.</summary>
    public const double MostAmperes = 200;

    private static readonly ConditionalWeakTable<object, object> Clean = [];

    /// <summary>Checks a board.</summary>
    /// <param name="board">The board.</param>
    /// <param name="place">Where it stands in its file.</param>
    public static IReadOnlyList<Finding> Of(Board board, string place) =>
        Once(board, () => BoardCheck.Of(board, place));

    /// <summary>Checks a firmware profile.</summary>
    /// <param name="profile">The profile.</param>
    /// <param name="place">Where it stands in its file.</param>
    public static IReadOnlyList<Finding> Of(FirmwareProfile profile, string place)
    {
        var list = new CheckList();
        if (list.IsBroken(profile, place))
        {
            return list.Findings;
        }
        list.Text(profile.Name, $"{place}.name");
        list.Ids(profile.Jobs, $"{place}.jobs", j => j.ToString());
        list.Ids(profile.Single, $"{place}.single", j => j.ToString());
        foreach (var (i, job) in profile.Single.Index())
        {
            list.Known(
                IdOf(job),
                profile.Jobs.Select(IdOf),
                Sentences.PortFunctionOfThisFirmware,
                $"{place}.single[{i}]"
            );
        }
        foreach (var (i, setting) in profile.CanvasSettings.Index())
        {
            list.Text(setting, $"{place}.canvasSettings[{i}]");
        }
        return list.Findings;
    }

    private static string IdOf(PortJob job) => JsonNamingPolicy.CamelCase.ConvertName($"{job}");

    /// <summary>Checks a device.</summary>
    /// <param name="device">The device.</param>
    /// <param name="place">Where it stands in its file.</param>
    public static IReadOnlyList<Finding> Of(Device device, string place) => Once(device, () => Look(device, place));

    // A part never changes, and a sweep resolves the same ones a thousand times.
    private static IReadOnlyList<Finding> Once(object part, Func<IReadOnlyList<Finding>> check)
    {
        if (Clean.TryGetValue(part, out _))
        {
            return [];
        }
        var findings = check();
        if (findings.Count == 0)
        {
            Clean.AddOrUpdate(part, part);
        }
        return findings;
    }

    private static IReadOnlyList<Finding> Look(Device device, string place)
    {
        var list = new CheckList();
        // What follows compares lists with each other.
        if (list.IsBroken(device, place))
        {
            return list.Findings;
        }
        list.Text(device.Maker, $"{place}.maker");
        list.Text(device.Name, $"{place}.name");
        list.Ids(device.Leads, $"{place}.leads", l => l.Id);
        list.Ids(device.Functions, $"{place}.functions", f => f.Id);
        for (var i = 0; i < device.Leads.Count; i++)
        {
            list.Text(device.Leads[i].Label, $"{place}.leads[{i}].label");
            list.Range(device.Leads[i].DriveVolts, 1, 60, "V", $"{place}.leads[{i}].driveVolts");
            list.Range(device.Leads[i].HighFromVolts ?? 2, 0.5, 60, "V", $"{place}.leads[{i}].highFromVolts");
        }
        foreach (var (i, supply) in device.Supplies.Index())
        {
            var feeds = device.Leads.Where(l => l.Role == LeadRole.Supply).Select(l => l.Id);
            list.Known(supply.Lead, feeds, Sentences.SupplyLead, $"{place}.supplies[{i}].lead");
            list.Window(supply.Window, $"{place}.supplies[{i}].window");
            list.Range(supply.Typical ?? 1, 0, MostAmperes, "A", $"{place}.supplies[{i}].typical");
            list.Range(supply.Peak ?? 1, 0, MostAmperes, "A", $"{place}.supplies[{i}].peak");
            list.Range(supply.PowerAt ?? 5, 1, 60, "V", $"{place}.supplies[{i}].powerAt");
            if (supply.Typical > supply.Peak)
            {
                list.Stop(
                    PartRules.BadValue,
                    $"{place}.supplies[{i}].peak",
                    ("problem", Sentences.IsAButTypicalIs(supply.Peak, supply.Typical)),
                    ("mend", Sentences.PeakMustNotBeBelow)
                );
            }
        }
        DeviceCheck.Of(device, place, list);
        list.Ids(device.Supplies, $"{place}.supplies", s => s.Lead);
        if (device.Plug is { } plug)
        {
            DeviceCheck.Plug(plug, [.. device.Leads.Select(l => l.Id)], $"{place}.plug", list);
        }
        for (var f = 0; f < device.Functions.Count; f++)
        {
            var modes = device.Functions[f].Modes;
            list.Ids(modes, $"{place}.functions[{f}].modes", m => m.Id);
            for (var m = 0; m < modes.Count; m++)
            {
                ModeOf(device, modes[m], $"{place}.functions[{f}].modes[{m}]", list);
            }
        }
        return list.Findings;
    }

    private static void ModeOf(Device device, Mode mode, string place, CheckList list)
    {
        list.Text(mode.Name, $"{place}.name");
        list.Known(mode.Protocol, ProtocolCatalogue.All.Select(p => p.Id), "protocol", $"{place}.protocol");
        var role = ProtocolCatalogue.Find(mode.Protocol)?.Carrier switch
        {
            Carrier.Picture => LeadRole.Video,
            Carrier.Analogue => LeadRole.Sense,
            _ => LeadRole.Signal,
        };
        var signals = device.Leads.Where(l => l.Role == role).Select(l => l.Id).ToList();
        for (var i = 0; i < mode.Lines.Count; i++)
        {
            list.Known(
                mode.Lines[i].Lead,
                signals,
                $"{role.ToString().ToLowerInvariant()} lead",
                $"{place}.lines[{i}].lead"
            );
        }
        list.Ids(mode.Lines, $"{place}.lines", l => l.Lead);
        if (ProtocolCatalogue.Find(mode.Protocol) is not { } protocol)
        {
            return;
        }
        Wires(mode, protocol, place, list);
        Flow[] wanted = protocol.Use switch
        {
            // As many wires as the device has channels, at least one.
            LineUse.WirePerChannel => [.. Enumerable.Repeat(Flow.Out, Math.Max(1, mode.Lines.Count))],
            LineUse.SharedBus => [Flow.In, Flow.Both],
            LineUse.DeviceToBoard => [Flow.Out],
            LineUse.BoardToDevice => [Flow.In],
            LineUse.TwoWires => [Flow.Out, Flow.In],
            _ => [Flow.Both],
        };
        var has = mode.Lines.Select(l => l.Flow).Order().ToList();
        var whole = has.SequenceEqual(wanted.Order()) || (protocol.Forms == WireForms.OneWireToo && has is [Flow.Both]);
        var half =
            protocol.Use != LineUse.SharedBus
            && mode.Loses.Count > 0
            && has.Count > 0
            && has.Distinct().Count() == has.Count
            && !has.Except(wanted).Any();
        if (!whole && !half)
        {
            list.Stop(
                PartRules.ModeLines,
                place,
                ("protocol", protocol.Name),
                ("needs", protocol.Forms == WireForms.OneWireToo ? Sentences.OrJustBoth(Words(wanted)) : Words(wanted)),
                ("has", Words(has)),
                ("mend", Sentences.AddTheLineOrList)
            );
        }
    }

    private static void Wires(Mode mode, Protocol protocol, string place, CheckList list)
    {
        foreach (var (i, baud) in mode.Bauds.Index())
        {
            list.Known($"{baud}", protocol.Bauds.Select(b => $"{b}"), "baud", $"{place}.bauds[{i}]");
        }
        list.Range(mode.PacketHertz ?? 50, 1, 4000, "Hz", $"{place}.packetHertz");

        // UM10204, table of reserved addresses: 0 to 7 and 120 to 127 have other meanings.
        list.Range(mode.Address ?? 8, 8, 119, Sentences.Of7BitAddress0x08To, $"{place}.address");
        foreach (var (i, strap) in mode.Straps.Index())
        {
            list.Range(strap.Address, 8, 119, Sentences.Of7BitAddress0x08To, $"{place}.straps[{i}].address");
            list.Text(strap.How, $"{place}.straps[{i}].how");
        }
        list.Ids(
            [.. mode.Straps.Select(s => $"{s.Address}").Append($"{mode.Address}")],
            $"{place}.straps",
            address => address == "" ? "none" : address
        );
        if (mode.Straps.Count > 0 && protocol.Carrier != Carrier.Bus)
        {
            list.Stop(
                PartRules.BadValue,
                $"{place}.straps",
                ("problem", Sentences.AreSetInAMode(protocol.Name)),
                ("mend", Sentences.OnlyBusDevicesHaveAddresses)
            );
        }
        if (mode.Address is null && protocol.Carrier == Carrier.Bus)
        {
            list.Stop(
                PartRules.BadValue,
                place,
                ("problem", Sentences.HasNoAddress),
                ("mend", Sentences.EveryBusDeviceNeedsOne)
            );
        }
    }

    private static string Words(IReadOnlyCollection<Flow> flows) =>
        flows.Count == 0
            ? Sentences.NoLine
            : string.Join(" and ", flows.Select(f => $"\"{f.ToString().ToLowerInvariant()}\""));
}
