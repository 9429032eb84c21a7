using Gorvix.Core.Hardware.Findings;

namespace Gorvix.Core.Hardware.Parts;

/// <summary>Finds where a board contradicts itself; <see cref="PartCheck"/> has the limits.</summary>
internal static class BoardCheck
{
    /// <summary>Checks a board.</summary>
    /// <param name="board">The board.</param>
    /// <param name="place">Where it stands in its file.</param>
    public static IReadOnlyList<Finding> Of(Board board, string place)
    {
        var list = new CheckList();
        // What follows compares lists with each other.
        if (list.IsBroken(board, place))
        {
            return list.Findings;
        }
        list.Text(board.Maker, $"{place}.maker");
        list.Text(board.Name, $"{place}.name");
        list.Text(board.Revision, $"{place}.revision");
        list.Known(
            board.Controller,
            ControllerClass.All.Select(c => c.Id),
            Sentences.ControllerClass,
            $"{place}.controller"
        );
        list.Ids(board.Nets, $"{place}.nets", n => n.Id);
        list.Ids(board.Ports, $"{place}.ports", p => p.Id);
        list.Ids(board.Rails, $"{place}.rails", r => r.Id);
        list.Ids(board.Bridges, $"{place}.jumpers", b => b.Id);
        list.Ids(board.Pads, $"{place}.pads", p => p.Id);
        foreach (var (i, net) in board.Nets.Index())
        {
            list.Count(PadsOn(board, net.Id), PartCheck.MostPadsOfNet, "pads", $"{place}.nets[{i}]");
        }
        Size(board, place, list);
        for (var i = 0; i < board.Nets.Count; i++)
        {
            list.Range(board.Nets[i].MaxVolts, 1, 60, "V", $"{place}.nets[{i}].maxVolts");
        }
        if (board.Input is { } input)
        {
            list.Window(input, $"{place}.input");
        }
        for (var i = 0; i < board.Bridges.Count; i++)
        {
            var bridge = board.Bridges[i];
            list.Known(bridge.Default, bridge.Positions, Sentences.JumperPosition, $"{place}.jumpers[{i}].default");
            list.Ids(bridge.Positions, $"{place}.jumpers[{i}].positions", p => p);
            list.Range(bridge.Place?.X ?? 0, 0, 500, "mm", $"{place}.jumpers[{i}].place.x");
            list.Range(bridge.Place?.Y ?? 0, 0, 500, "mm", $"{place}.jumpers[{i}].place.y");
        }
        Rails(board, place, list);
        Ports(board, place, list);
        Pads(board, place, list);
        Plugs(board, place, list);
        return list.Findings;
    }

    // A board of 200 mm flies nothing that this is for.
    private static void Size(Board board, string place, CheckList list)
    {
        if (board.Outline is { } outline)
        {
            list.Range(outline.Width, 5, PartCheck.MostMillimetres, "mm", $"{place}.outline.width");
            list.Range(outline.Depth, 5, PartCheck.MostMillimetres, "mm", $"{place}.outline.depth");
        }
        if (board.Mounting is not { } mounting)
        {
            return;
        }
        list.Range(mounting.Width, 5, PartCheck.MostMillimetres, "mm", $"{place}.mounting.width");
        list.Range(mounting.Depth, 5, PartCheck.MostMillimetres, "mm", $"{place}.mounting.depth");
        list.Range(mounting.Bolt ?? 2, 1, 6, "mm", $"{place}.mounting.bolt");
        if (board.Outline is { } size && (mounting.Width >= size.Width || mounting.Depth >= size.Depth))
        {
            list.Stop(
                PartRules.BadValue,
                $"{place}.mounting",
                ("problem", Sentences.IsMmButTheBoard(mounting.Width, mounting.Depth, size.Width, size.Depth)),
                ("mend", Sentences.HoleCentresMustLieInside)
            );
        }
    }

    private static int PadsOn(Board board, string net) =>
        board.Pads.Count(pad => pad.Meaning != PadMeaning.NotConnected && pad.Paths.Any(path => path.Net == net));

    private static void Rails(Board board, string place, CheckList list)
    {
        foreach (var (i, rail) in board.Rails.Index())
        {
            list.Text(rail.Label, $"{place}.rails[{i}].label");
            list.Range(rail.Volts ?? 0, 0, 60, "V", $"{place}.rails[{i}].volts");
            list.Range(rail.Dropout ?? 0, 0, 20, "V", $"{place}.rails[{i}].dropout");
            list.Range(rail.Limit ?? 1, 0.001, PartCheck.MostAmperes, "A", $"{place}.rails[{i}].limit");
            list.Range(rail.Efficiency ?? 1, 0.3, 1, Sentences.FractionOfInputPower, $"{place}.rails[{i}].efficiency");
            list.Range(rail.Quiescent ?? 0, 0, 1, "A", $"{place}.rails[{i}].quiescent");
            list.Range(rail.Own ?? 0, 0, 5, "A", $"{place}.rails[{i}].own");
            if (rail is { Own: > 0, Volts: null } || (rail.Own > 0 && rail.Feed is RailFeed.Ground or RailFeed.Battery))
            {
                list.Stop(
                    PartRules.BadValue,
                    $"{place}.rails[{i}].own",
                    ("problem", Sentences.IsTheBoardsOwnCurrent),
                    ("mend", Sentences.GiveItOnTheRail)
                );
            }
            var made =
                rail.Feed
                is RailFeed.Regulator
                    or RailFeed.Booster
                    or RailFeed.RegulatorOrUsb
                    or RailFeed.RegulatorUsbUnknown;
            var told = rail is not { Kind: null, Efficiency: null, Quiescent: null } || rail.Dropout is > 0;
            if (!made && told)
            {
                list.Stop(
                    PartRules.BadValue,
                    $"{place}.rails[{i}]",
                    ("problem", Sentences.DescribesARegulatorButNothing),
                    ("mend", Sentences.RemoveKindDropoutEfficiencyAnd)
                );
            }
            if (rail.From is { } from)
            {
                list.Known(from, board.Rails.Select(r => r.Id), "rail", $"{place}.rails[{i}].from");
            }
            if (RingFrom(board, rail) is { } ring)
            {
                list.Stop(PartRules.RailLoop, $"{place}.rails[{i}]", ("rails", string.Join(", ", ring)));
            }
        }
    }

    // The rails from this one back to itself, or null when they end at the battery.
    private static List<string>? RingFrom(Board board, Rail rail)
    {
        var ring = new List<string> { rail.Label };
        for (var next = rail.From; next is not null; next = board.Rails.FirstOrDefault(r => r.Id == next)?.From)
        {
            if (next == rail.Id)
            {
                return ring;
            }
            if (ring.Count > board.Rails.Count)
            {
                return null;
            }
            ring.Add(board.Rails.FirstOrDefault(r => r.Id == next)?.Label ?? next);
        }
        return null;
    }

    private static void Ports(Board board, string place, CheckList list)
    {
        var nets = board.Nets.Select(n => n.Id).ToList();
        var owners = new Dictionary<string, string>();
        foreach (var (i, port) in board.Ports.Index())
        {
            var here = $"{place}.ports[{i}]";
            var problem = (port.Kind == PortKind.Bus, port.Data is not null && port.Clock is not null) switch
            {
                (true, false) => Sentences.ABusWithoutDataAnd,
                (true, true) when port.Rx is not null || port.Tx is not null => Sentences.ABusWithAnRx,
                (false, _) when port.Data is not null || port.Clock is not null => Sentences.DataOrClockOnA,
                _ => null,
            };
            if (problem is not null)
            {
                list.Stop(PartRules.PortNets, here, ("problem", problem));
            }
            Choices(port, here, list);
            list.Range(port.ClockMegahertz ?? 42, 0.03, 1000, "MHz", $"{here}.clockMegahertz");
            (string Name, string? Net)[] named =
            [
                ("rx", port.Rx),
                ("tx", port.Tx),
                ("data", port.Data),
                ("clock", port.Clock),
                .. port.Channels.Select((c, n) => ($"channels[{n}]", (string?)c)),
                .. port.Alternatives.SelectMany(
                    (a, n) => new[] { ($"alternatives[{n}].rx", a.Rx), ($"alternatives[{n}].tx", a.Tx) }
                ),
            ];
            foreach (var (name, net) in named.Where(n => n.Net is not null))
            {
                list.Known(net!, nets, "net", $"{here}.{name}");

                // One pin can have several jobs, but as it comes it is wired to one serial unit.
                if (port.Kind == PortKind.Uart && name is "rx" or "tx" && !owners.TryAdd(net!, $"{here}.{name}"))
                {
                    list.Stop(PartRules.Twin, $"{here}.{name}", ("name", net!), ("first", owners[net!]));
                }
            }
        }
    }

    // Pins to choose from are for serial units, addresses for buses.
    private static void Choices(Port port, string place, CheckList list)
    {
        list.Ids(port.Alternatives, $"{place}.alternatives", a => a.Name);
        list.Ids([.. port.Addresses.Select(a => $"{a.Address}")], $"{place}.addresses", a => a);
        if (port.Alternatives.Count > 0 && port.Kind != PortKind.Uart)
        {
            list.Stop(PartRules.PortNets, $"{place}.alternatives", ("problem", Sentences.OnlyAUartCanBe));
        }
        foreach (var (i, choice) in port.Alternatives.Index())
        {
            if (choice.Rx is null && choice.Tx is null)
            {
                list.Stop(
                    PartRules.PortNets,
                    $"{place}.alternatives[{i}]",
                    ("problem", Sentences.TheseAlternativePinsHaveNo)
                );
            }
        }
        foreach (var (i, used) in port.Addresses.Index())
        {
            list.Range(used.Address, 8, 119, Sentences.Of7BitAddress0x08To, $"{place}.addresses[{i}].address");
            list.Text(used.By, $"{place}.addresses[{i}].by");
        }
        if (port.Addresses.Count > 0 && port.Kind != PortKind.Bus)
        {
            list.Stop(PartRules.PortNets, $"{place}.addresses", ("problem", Sentences.OnlyABusHasAddresses));
        }
    }

    private static void Plugs(Board board, string place, CheckList list)
    {
        list.Ids(board.Plugs, $"{place}.plugs", p => p.Id);
        foreach (var family in board.Plugs.CountBy(p => p.Family))
        {
            list.Count(family.Value, PartCheck.MostSocketsOfFamily, $"\"{family.Key}\" sockets", $"{place}.plugs");
        }
        var seen = new Dictionary<string, string>();
        foreach (var (i, plug) in board.Plugs.Index())
        {
            var here = $"{place}.plugs[{i}]";
            list.Text(plug.Label, $"{here}.label");
            list.Text(plug.Family, $"{here}.family");
            foreach (var (n, pin) in plug.Pins.Index().Where(p => p.Item.Pad is not null))
            {
                list.Known(pin.Pad!, board.Pads.Select(p => p.Id), "pad", $"{here}.pins[{n}].pad");
                if (!seen.TryAdd(pin.Pad!, $"{here}.pins[{n}]"))
                {
                    list.Stop(PartRules.Twin, $"{here}.pins[{n}]", ("name", pin.Pad!), ("first", seen[pin.Pad!]));
                }
            }
        }
    }

    private static void Pads(Board board, string place, CheckList list)
    {
        var nets = board.Nets.Select(n => n.Id).ToList();
        var rails = board.Rails.Select(r => r.Id).ToList();
        var labels = new Dictionary<(BoardSide, string), int>();
        var inSockets = board.Plugs.SelectMany(p => p.Pins).Select(p => p.Pad).OfType<string>().ToHashSet();
        for (var i = 0; i < board.Pads.Count; i++)
        {
            var pad = board.Pads[i];
            var here = $"{place}.pads[{i}]";
            list.Text(pad.Label, $"{here}.label");
            list.Range(pad.X, 0, board.Outline?.Width ?? PartCheck.MostMillimetres, "mm", $"{here}.x");
            list.Range(pad.Y, 0, board.Outline?.Depth ?? PartCheck.MostMillimetres, "mm", $"{here}.y");
            if (pad.Group is { } group)
            {
                list.Text(group, $"{here}.group");
            }
            // What is not known yet may be left open if it is marked: nothing is planned on such a pad.
            var lost = pad.Paths.Count == 0 && pad.Meaning == PadMeaning.Sure;
            if (lost || pad.Paths.Any(p => p.Net is null == p.Rail is null))
            {
                var both = pad.Paths.Any(p => p is { Net: not null, Rail: not null });
                list.Stop(
                    PartRules.LostPad,
                    here,
                    ("label", pad.Label),
                    ("what", both ? Sentences.APathWithBothA : Sentences.NoNetOrRail)
                );
            }
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
            // In a socket a pad is found by its pin.
            if (inSockets.Contains(pad.Id))
            {
                continue;
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
                        list.Known(contact.Position, bridge.Positions, Sentences.JumperPosition, $"{here}.position");
                    }
                    break;
                case Inverter inverter:
                    list.Range(inverter.Stands ?? 5, 1, 60, "V", $"{here}.stands");
                    list.Range(inverter.Drives ?? 3.3, 1, 60, "V", $"{here}.drives");
                    break;
                case Divider divider:
                    list.Range(divider.Ratio, 0.01, 0.99, Sentences.DividerRatio, $"{here}.ratio");
                    break;
                case Diode diode:
                    list.Range(diode.Volts, 0.1, 2, "V", $"{here}.volts");
                    break;
                case Resistor resistor:
                    list.Range(resistor.Ohms, 0.001, 10_000_000, "ohms", $"{here}.ohms");
                    break;
            }
        }
    }
}
