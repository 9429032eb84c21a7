using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;

namespace Gorvix.Core.Plans.Builds;

/// <summary>Finds names in a build that lead nowhere. A build that passes can be resolved.</summary>
public static class BuildCheck
{
    /// <summary>More links than this are refused: no board has so many pins, and a file of thousands is a mistake.</summary>
    public const int MostLinks = 40;

    /// <summary>More signal leads than this on all devices together are refused.</summary>
    public const int MostLeads = 128;

    /// <summary>More devices than this are refused.</summary>
    public const int MostDevices = 40;

    /// <summary>More supply leads than this on all devices together are refused.</summary>
    public const int MostSupplies = 60;

    /// <summary>More pins, and more bans, than this are refused.</summary>
    public const int MostWishes = 100;

    /// <summary>More supply wires of known length than this are refused.</summary>
    public const int MostWires = 200;

    /// <summary>More facts of what is built than this are refused.</summary>
    public const int MostFacts = 1000;

    /// <summary>The last place in a column of the wiring picture.</summary>
    public const int MostPlace = 199;

    /// <summary>The longest name, in characters.</summary>
    public const int MostName = CheckList.MostText;

    /// <summary>The longest note, in characters.</summary>
    public const int MostNote = 2000;

    /// <summary>A build with far too much in it.</summary>
    public static readonly Rule Size = new(
        "BUILD-SIZE",
        "Build too large",
        "{place} has {count} {things}; the limit is {most}. Split the build or remove what you do not need.",
        "No flight controller has that many serial pins; the file is probably damaged.",
        SourceNote.Own
    );

    /// <summary>Two facts about one thing.</summary>
    public static readonly Rule Twice = new(
        "BUILT-TWICE",
        "Duplicate as-built entry",
        "{place} covers the same item as an earlier as-built entry. Keep the correct one.",
        "A lead has one place and a jumper one position.",
        SourceNote.Own
    );

    /// <summary>All rules of this floor.</summary>
    public static readonly IReadOnlyList<Rule> All = [Size, Twice];

    private static readonly Dictionary<string, (int Most, string Things)> Lists = new()
    {
        ["built"] = (MostFacts, "as-built entries"),
    };

    private static readonly Dictionary<string, int> Texts = new()
    {
        ["note"] = MostNote,
        ["words"] = MostNote,
        ["value"] = MostNote,
    };

    /// <summary>Checks a build against a library.</summary>
    /// <param name="build">The build.</param>
    /// <param name="library">The parts that it can name.</param>
    /// <param name="place">Where it stands in its file.</param>
    public static IReadOnlyList<Finding> Of(Build build, PartsLibrary library, string place)
    {
        var list = new CheckList();
        void Most(int count, int most, string things, string where)
        {
            if (count > most)
            {
                list.Stop(Size, where, ("count", $"{count}"), ("things", things), ("most", $"{most}"));
            }
        }
        Most(build.Wants.Count, MostLinks, "links", $"{place}.links");
        Most(build.Devices.Count, MostDevices, "devices", $"{place}.devices");
        Most(build.Pins.Count, MostWishes, "pins", $"{place}.pins");
        Most(build.Bans.Count, MostWishes, "blocks", $"{place}.blocks");
        Most(build.Wires.Count, MostWires, "wires", $"{place}.wires");
        Most(build.Built.Count, MostFacts, Sentences.AsBuiltEntries, $"{place}.built");
        // What follows compares lists with each other.
        if (list.Findings.Count > 0 || list.IsBroken(build, place, Lists, Texts))
        {
            return list.Findings;
        }
        list.Text(build.Name, $"{place}.name");
        list.Known(build.Board, library.Boards.Select(b => b.Id), "board", $"{place}.board");
        list.Ids(build.Devices, $"{place}.devices", d => d.Id);
        list.Ids(build.Wants, $"{place}.links", w => w.Link);
        if (build.Firmware is { } firmware)
        {
            list.Known(firmware, library.Profiles.Select(p => p.Id), Sentences.FirmwareProfile, $"{place}.firmware");
        }
        list.Range(build.Pack?.Cells ?? 1, 1, Pack.MostCells, "cells", $"{place}.pack.cells");
        list.Range(build.InputVolts ?? 5, 1, 60, "V", $"{place}.inputVolts");
        list.Range(build.Pack?.Milliohms ?? 0, 0, 2000, "mΩ", $"{place}.pack.milliohms");
        Power(build, library, place, list);
        if (build.Settings.Place is { } flies)
        {
            list.Range(flies.Latitude, -90, 90, "degrees", $"{place}.settings.place.latitude");
            list.Range(flies.Longitude, -180, 180, "degrees", $"{place}.settings.place.longitude");
        }
        list.Range(build.Settings.GnssHertz ?? 5, 1, 25, "Hz", $"{place}.settings.gnssHertz");
        list.Range(build.Settings.StrengthChannel ?? 9, 5, 16, "", $"{place}.settings.rssiChannel");
        list.Range(build.Settings.Channels ?? 8, 4, 16, "channels", $"{place}.settings.channels");
        if (build.Radio is { } radio)
        {
            list.Range(radio.BayBaud, 9_600, 6_000_000, "baud", $"{place}.radio.bayBaud");
            list.Range(radio.PacketHertz, 4, 1000, "Hz", $"{place}.radio.packetHertz");
        }
        foreach (var (i, fact) in build.Built.Index())
        {
            if (fact is SetFact set)
            {
                list.Text(set.Key, $"{place}.built[{i}].key");
            }
            if (fact is CavityFact { Cavity: { } cavity })
            {
                list.Range(cavity, 1, 100, "", $"{place}.built[{i}].cavity");
            }
            if (fact is JointFact { Pad: null } joint && (joint.To is null || joint.ToLead is null))
            {
                list.Stop(
                    PartRules.BadValue,
                    $"{place}.built[{i}]",
                    ("problem", Sentences.NamesNeitherAPadNor),
                    ("mend", "Add \"pad\", or \"to\" and \"toLead\".")
                );
            }
            if (build.Built.Take(i).Any(fact.IsAboutTheSame))
            {
                list.Stop(Twice, $"{place}.built[{i}]");
            }
        }
        var leads = build.Devices.Sum(d => library.Device(d.Part)?.Leads.Count(l => l.Role == LeadRole.Signal) ?? 0);
        Most(leads, MostLeads, Sentences.SignalLeads, $"{place}.devices");
        var supplies = build.Devices.Sum(d => library.Device(d.Part)?.Supplies.Count ?? 0);
        Most(supplies, MostSupplies, Sentences.SupplyLeads, $"{place}.devices");
        for (var i = 0; i < build.Devices.Count; i++)
        {
            if (build.Devices[i].Name is { } name)
            {
                list.Text(name, $"{place}.devices[{i}].name");
            }
            list.Known(
                build.Devices[i].Part,
                library.Devices.Select(d => d.Id),
                "device",
                $"{place}.devices[{i}].part"
            );
            if (build.Devices[i].Harness is { } harness && library.Device(build.Devices[i].Part) is { } part)
            {
                list.Known(harness, part.Harnesses.Select(h => h.Id), "harness", $"{place}.devices[{i}].harness");
            }
        }
        for (var i = 0; i < build.Wants.Count; i++)
        {
            var want = build.Wants[i];
            list.Known(want.Device, build.Devices.Select(d => d.Id), "device", $"{place}.links[{i}].device");
            if (FunctionsOf(build, library, want) is { } functions)
            {
                list.Known(want.Function, functions.Select(f => f.Id), "function", $"{place}.links[{i}].function");
            }
        }
        Matches(build, build.Pins, library, $"{place}.pins", list);
        Matches(build, build.Bans, library, $"{place}.blocks", list);
        return list.Findings;
    }

    private static void Power(Build build, PartsLibrary library, string place, CheckList list)
    {
        var power = build.Power;
        list.Range(power.Bench?.Volts ?? 5, 1, 60, "V", $"{place}.power.bench.volts");
        list.Range(power.Bench?.Amps ?? 1, 0.05, 30, "A", $"{place}.power.bench.amps");
        list.Range(build.Allowance ?? 0, 0, 500, "mm", $"{place}.slack");
        foreach (var (i, device) in build.Devices.Index())
        {
            list.Range(device.Away ?? 1, 1, 5000, "mm", $"{place}.devices[{i}].distance");
            list.Range(device.Piece, 0, 10_000, "replacements", $"{place}.devices[{i}].replaced");
            list.Range(device.Picture?.Place ?? 0, 0, MostPlace, "places", $"{place}.devices[{i}].picture.place");
            if (device.Batch is { } batch)
            {
                list.Text(batch, $"{place}.devices[{i}].batch");
            }
        }
        list.Range(power.LampVolts, 3, 60, "V", $"{place}.power.bulbVolts");
        list.Range(power.LampWatts, 1, 200, "W", $"{place}.power.bulbWatts");
        list.Range(power.LimiterAmps, 0.05, 30, "A", $"{place}.power.limiterAmps");
        list.Ids(build.Wires, $"{place}.wires", w => $"{w.Device} {w.Lead}");
        foreach (var (i, wire) in build.Wires.Index())
        {
            Device(build, wire.Device, $"{place}.wires[{i}]", list);
            if (PartOf(build, library, wire.Device) is { } part)
            {
                var leads = part
                    .Leads.Where(l => l.Role is LeadRole.Supply or LeadRole.Ground or LeadRole.Output)
                    .Select(l => l.Id);
                list.Known(wire.Lead, leads, Sentences.SupplyOrGroundLead, $"{place}.wires[{i}].lead");
            }
            list.Range(wire.Gauge ?? 10, 10, 40, "AWG", $"{place}.wires[{i}].gauge");
            list.Range(wire.Millimetres, 1, 5000, "mm", $"{place}.wires[{i}].millimetres");
        }
    }

    /// <summary>Checks one pin or ban.</summary>
    public static IReadOnlyList<Finding> Of(WishMatch match, Build build, PartsLibrary library, string place)
    {
        var list = new CheckList();
        MatchOf(build, match, library, place, list);
        return list.Findings;
    }

    private static void Matches(
        Build build,
        IReadOnlyList<WishMatch> matches,
        PartsLibrary library,
        string place,
        CheckList list
    )
    {
        for (var i = 0; i < matches.Count; i++)
        {
            MatchOf(build, matches[i], library, $"{place}[{i}]", list);
        }
    }

    private static void MatchOf(Build build, WishMatch match, PartsLibrary library, string place, CheckList list)
    {
        switch (match)
        {
            case RouteMatch route:
                RouteOf(build, route, library, place, list);
                break;
            case SeatMatch seat:
                Device(build, seat.Device, place, list);
                if (seat.Socket is { } socket && library.Board(build.Board) is { } board)
                {
                    list.Known(socket, board.Plugs.Select(p => p.Id), "socket", $"{place}.socket");
                }
                break;
            case FeedMatch feed:
                Device(build, feed.Device, place, list);
                if (PartOf(build, library, feed.Device) is { } fed)
                {
                    list.Known(feed.Lead, fed.Supplies.Select(s => s.Lead), Sentences.SupplyLead, $"{place}.lead");
                }
                if (feed.From is null && library.Board(build.Board) is { } feeds)
                {
                    list.Known(feed.Pad ?? "", feeds.Pads.Select(p => p.Id), "pad", $"{place}.pad");
                }
                if (feed.From is { } from)
                {
                    list.Known(from, build.Devices.Select(d => d.Id), "device", $"{place}.from");
                    if (PartOf(build, library, from) is { } giver)
                    {
                        list.Known(
                            feed.FromLead ?? "",
                            giver.Outputs.Select(o => o.Lead),
                            "output",
                            $"{place}.fromLead"
                        );
                    }
                }
                break;
            case LeadMatch lead:
                Device(build, lead.Device, place, list);
                if (PartOf(build, library, lead.Device) is { } part)
                {
                    list.Known(lead.Lead, part.Leads.Select(l => l.Id), "lead", $"{place}.lead");
                }
                break;
        }
    }

    private static void Device(Build build, string device, string place, CheckList list) =>
        list.Known(device, build.Devices.Select(d => d.Id), Sentences.DeviceInTheBuild, $"{place}.device");

    private static Device? PartOf(Build build, PartsLibrary library, string device) =>
        build.Devices.FirstOrDefault(d => d.Id == device) is { } found ? library.Device(found.Part) : null;

    private static void RouteOf(Build build, RouteMatch match, PartsLibrary library, string place, CheckList list)
    {
        list.Known(match.Link, build.Wants.Select(w => w.Link), "link", $"{place}.link");
        if (library.Board(build.Board) is { } board)
        {
            if (match.Port is { } port)
            {
                list.Known(port, board.Ports.Select(p => p.Id), "port", $"{place}.port");
            }
            if (match.Pad is { } pad)
            {
                list.Known(pad, board.Pads.Select(p => p.Id), "pad", $"{place}.pad");
            }
            var positions = board.Bridges.SelectMany(b => b.Positions.Select(p => $"{b.Id}={p}")).ToList();
            foreach (var position in match.Bridges?.Split(", ", StringSplitOptions.RemoveEmptyEntries) ?? [])
            {
                list.Known(position, positions, Sentences.JumperPosition, $"{place}.jumpers");
            }
        }
        if (
            match.Mode is { } mode
            && build.Wants.FirstOrDefault(w => w.Link == match.Link) is { } want
            && FunctionsOf(build, library, want)?.FirstOrDefault(f => f.Id == want.Function) is { } function
        )
        {
            var modes = function.ModesIn(PartOf(build, library, want.Device)!);
            list.Known(mode, modes.Select(m => m.Id), "mode", $"{place}.mode");
        }
    }

    private static IReadOnlyList<DeviceFunction>? FunctionsOf(Build build, PartsLibrary library, Want want) =>
        build.Devices.FirstOrDefault(d => d.Id == want.Device) is { } device
            ? library.Device(device.Part)?.Functions
            : null;
}
