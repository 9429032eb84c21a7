using Gorvix.Core.Findings;
using Gorvix.Core.Protocols;

namespace Gorvix.Core.Parts;

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

    /// <summary>More leads of one device than this are refused.</summary>
    public const int MostLeads = 64;

    /// <summary>More modes of one function than this are refused.</summary>
    public const int MostModes = 16;

    /// <summary>Checks a board.</summary>
    /// <param name="board">The board.</param>
    /// <param name="place">Where it stands in its file.</param>
    public static IReadOnlyList<Finding> Of(Board board, string place)
    {
        var list = new CheckList();
        list.Text(board.Maker, $"{place}.maker");
        list.Text(board.Name, $"{place}.name");
        list.Text(board.Revision, $"{place}.revision");
        list.Known(board.Controller, ControllerClass.All.Select(c => c.Id), "controller class", $"{place}.controller");
        list.Ids(board.Nets, $"{place}.nets", n => n.Id);
        list.Ids(board.Ports, $"{place}.ports", p => p.Id);
        list.Ids(board.Rails, $"{place}.rails", r => r.Id);
        list.Ids(board.Bridges, $"{place}.bridges", b => b.Id);
        list.Ids(board.Pads, $"{place}.pads", p => p.Id);
        list.Count(board.Ports.Count, MostPorts, "ports", $"{place}.ports");
        list.Count(board.Pads.Count, MostPads, "pads", $"{place}.pads");
        foreach (var (i, net) in board.Nets.Index())
        {
            list.Count(Shape.PadsOf(board, net.Id).Count, MostPadsOfNet, "pads", $"{place}.nets[{i}]");
        }
        list.Count(board.Bridges.Count, MostBridges, "bridges", $"{place}.bridges");
        for (var i = 0; i < board.Nets.Count; i++)
        {
            list.Range(board.Nets[i].MaxVolts, 1, 60, "V", $"{place}.nets[{i}].maxVolts");
        }
        for (var i = 0; i < board.Rails.Count; i++)
        {
            list.Text(board.Rails[i].Label, $"{place}.rails[{i}].label");
            list.Range(board.Rails[i].Volts ?? 0, 0, 60, "V", $"{place}.rails[{i}].volts");
        }
        for (var i = 0; i < board.Bridges.Count; i++)
        {
            var bridge = board.Bridges[i];
            list.Known(bridge.Default, bridge.Positions, "bridge position", $"{place}.bridges[{i}].default");
            list.Count(bridge.Positions.Count, MostPositions, "positions", $"{place}.bridges[{i}].positions");
            list.Ids(bridge.Positions, $"{place}.bridges[{i}].positions", p => p);
        }
        Ports(board, place, list);
        Pads(board, place, list);
        return list.Findings;
    }

    /// <summary>Checks a device.</summary>
    /// <param name="device">The device.</param>
    /// <param name="place">Where it stands in its file.</param>
    public static IReadOnlyList<Finding> Of(Device device, string place)
    {
        var list = new CheckList();
        list.Text(device.Maker, $"{place}.maker");
        list.Text(device.Name, $"{place}.name");
        list.Ids(device.Leads, $"{place}.leads", l => l.Id);
        list.Count(device.Leads.Count, MostLeads, "leads", $"{place}.leads");
        list.Ids(device.Functions, $"{place}.functions", f => f.Id);
        for (var i = 0; i < device.Leads.Count; i++)
        {
            list.Text(device.Leads[i].Label, $"{place}.leads[{i}].label");
            list.Range(device.Leads[i].DriveVolts, 1, 60, "V", $"{place}.leads[{i}].driveVolts");
        }
        for (var f = 0; f < device.Functions.Count; f++)
        {
            var modes = device.Functions[f].Modes;
            list.Count(modes.Count, MostModes, "modes", $"{place}.functions[{f}].modes");
            list.Ids(modes, $"{place}.functions[{f}].modes", m => m.Id);
            for (var m = 0; m < modes.Count; m++)
            {
                ModeOf(device, modes[m], $"{place}.functions[{f}].modes[{m}]", list);
            }
        }
        return list.Findings;
    }

    private static void Ports(Board board, string place, CheckList list)
    {
        var nets = board.Nets.Select(n => n.Id).ToList();
        var owners = new Dictionary<string, string>();
        for (var i = 0; i < board.Ports.Count; i++)
        {
            var port = board.Ports[i];
            foreach (var (net, half) in new[] { (port.Rx, "rx"), (port.Tx, "tx") })
            {
                if (net is null)
                {
                    continue;
                }
                var here = $"{place}.ports[{i}].{half}";
                list.Known(net, nets, "net", here);
                if (!owners.TryAdd(net, here))
                {
                    list.Stop(PartRules.Twin, here, ("name", net), ("first", owners[net]));
                }
            }
        }
    }

    private static void Pads(Board board, string place, CheckList list)
    {
        var nets = board.Nets.Select(n => n.Id).ToList();
        var rails = board.Rails.Select(r => r.Id).ToList();
        var labels = new Dictionary<(BoardSide, string), int>();
        for (var i = 0; i < board.Pads.Count; i++)
        {
            var pad = board.Pads[i];
            var here = $"{place}.pads[{i}]";
            list.Text(pad.Label, $"{here}.label");
            list.Range(pad.X, 0, 200, "mm", $"{here}.x");
            list.Range(pad.Y, 0, 200, "mm", $"{here}.y");
            if (pad.Paths.Count == 0 || pad.Paths.Any(p => p.Net is null == p.Rail is null))
            {
                list.Stop(PartRules.LostPad, here, ("label", pad.Label));
            }
            list.Count(pad.Paths.Count, MostPaths, "paths", $"{here}.paths");
            for (var p = 0; p < pad.Paths.Count; p++)
            {
                var path = pad.Paths[p];
                if (path.Net is { } net)
                {
                    list.Known(net, nets, "net", $"{here}.paths[{p}].net");
                }
                if (path.Rail is { } rail)
                {
                    list.Known(rail, rails, "rail", $"{here}.paths[{p}].rail");
                }
                Elements(board, path, $"{here}.paths[{p}]", list);
            }
            if (!labels.TryAdd((pad.Side, pad.Label), i) && !SameRail(board.Pads[labels[(pad.Side, pad.Label)]], pad))
            {
                var first = $"{place}.pads[{labels[(pad.Side, pad.Label)]}]";
                var side = pad.Side == BoardSide.Top ? "top" : "bottom";
                list.Stop(PartRules.LabelTwice, here, ("side", side), ("label", pad.Label), ("first", first));
            }
        }
    }

    // Rows of ground or 5 V pads carry one label on every board; they are one thing in many places.
    private static bool SameRail(Pad a, Pad b) =>
        a.Paths.Concat(b.Paths).Select(p => p.Rail).Distinct().ToList() is [{ } _];

    private static void Elements(Board board, PadPath path, string place, CheckList list)
    {
        for (var e = 0; e < path.Through.Count; e++)
        {
            var here = $"{place}.through[{e}]";
            switch (path.Through[e])
            {
                case Contact contact:
                    list.Known(contact.Bridge, board.Bridges.Select(b => b.Id), "bridge", $"{here}.bridge");
                    if (board.Bridges.FirstOrDefault(b => b.Id == contact.Bridge) is { } bridge)
                    {
                        list.Known(contact.Position, bridge.Positions, "bridge position", $"{here}.position");
                    }
                    break;
                case Resistor resistor:
                    list.Range(resistor.Ohms, 0.001, 10_000_000, "ohms", $"{here}.ohms");
                    break;
            }
        }
    }

    private static void ModeOf(Device device, Mode mode, string place, CheckList list)
    {
        list.Text(mode.Name, $"{place}.name");
        list.Known(mode.Protocol, ProtocolCatalogue.All.Select(p => p.Id), "protocol", $"{place}.protocol");
        var signals = device.Leads.Where(l => l.Role == LeadRole.Signal).Select(l => l.Id).ToList();
        for (var i = 0; i < mode.Lines.Count; i++)
        {
            list.Known(mode.Lines[i].Lead, signals, "signal lead", $"{place}.lines[{i}].lead");
        }
        list.Ids(mode.Lines, $"{place}.lines", l => l.Lead);
        if (ProtocolCatalogue.Find(mode.Protocol) is not { } protocol)
        {
            return;
        }
        Flow[] wanted = protocol.Use switch
        {
            LineUse.DeviceToBoard => [Flow.Out],
            LineUse.BoardToDevice => [Flow.In],
            LineUse.TwoWires => [Flow.Out, Flow.In],
            _ => [Flow.Both],
        };
        var has = mode.Lines.Select(l => l.Flow).Order().ToList();
        var whole = has.SequenceEqual(wanted);
        var half =
            mode.Loses.Count > 0 && has.Count > 0 && has.Distinct().Count() == has.Count && !has.Except(wanted).Any();
        if (!whole && !half)
        {
            list.Stop(
                PartRules.ModeLines,
                place,
                ("protocol", protocol.Id),
                ("needs", Words(wanted)),
                ("has", Words(has)),
                ("mend", "Add the line, or say under \"loses\" what is missing without it.")
            );
        }
    }

    private static string Words(IReadOnlyCollection<Flow> flows) =>
        flows.Count == 0
            ? "no line"
            : string.Join(" and ", flows.Select(f => $"\"{f.ToString().ToLowerInvariant()}\""));
}
