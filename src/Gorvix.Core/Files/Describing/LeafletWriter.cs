using System.Globalization;
using System.Text;
using Gorvix.Core.Files.Formats;
using Gorvix.Core.Hardware.Parts;

namespace Gorvix.Core.Files.Describing;

/// <summary>Writes a board as leaflet text: what labels say by themselves is left out, everything else stands there.</summary>
internal static class LeafletWriter
{
    /// <summary>The text of a board.</summary>
    public static string Write(Board board)
    {
        // Rows that lie where their names say are written without millimetres; one pad elsewhere, and all have them.
        var loose = Text(board, laid: false);
        return Same(LeafletText.Read(loose).Board, board) ? loose : Text(board, laid: true);
    }

    /// <summary>One way of a pad.</summary>
    public static string Way(Board board, PadPath path) =>
        string.Concat(path.Through.Select(e => $"{Element(e)} > ")) + End(board, path);

    /// <summary>Whether two boards are the same to the last member.</summary>
    internal static bool Same(Board a, Board b) =>
        System.Text.Json.JsonSerializer.Serialize(a, GorvixJson.Compact)
        == System.Text.Json.JsonSerializer.Serialize(b, GorvixJson.Compact);

    private static string Text(Board board, bool laid)
    {
        var text = new StringBuilder();
        Identity(board, text);
        var stands = Inside(board, text);
        Nets(board, stands, text);
        foreach (var bridge in board.Bridges)
        {
            text.Append("bridge ").Append(Name(bridge.Id)).Append(':');
            text.AppendJoin("", bridge.Positions.Select(p => $" {Name(p)}"));
            text.Append(
                bridge.Default == (bridge.Positions.Count == 0 ? null : bridge.Positions[0])
                    ? ""
                    : $", default {Name(bridge.Default)}"
            );
            if (bridge.Place is { } place)
            {
                var side = place.Side == BoardSide.Top ? "top" : "bottom";
                text.Append(CultureInfo.InvariantCulture, $", {side} {Number(place.X)},{Number(place.Y)}");
            }
            text.Append(bridge.MovedBy == MovedBy.Firmware ? ", by firmware\n" : "\n");
        }
        foreach (var inside in board.BuiltIns)
        {
            text.Append(
                CultureInfo.InvariantCulture,
                $"inside {LeafletTokens.Quote(inside.Name)} gives {PortGrammar.WordOf(inside.Gives)}\n"
            );
        }
        new RowWriter(board, laid).Write(text);
        foreach (var pad in board.Pads.Where(p => p.Paths.Count > 0 && !RowWriter.SaysItsWay(p)))
        {
            text.Append(
                CultureInfo.InvariantCulture,
                $"ways {Name(pad.Id)}: {string.Join(" | ", pad.Paths.Select(p => Way(board, p)))}\n"
            );
        }
        return text.ToString();
    }

    private static void Identity(Board board, StringBuilder text)
    {
        Line("maker", board.Maker);
        Line("board", board.Name);
        Line("revision", board.Revision);
        Line("recognise", board.Recognise);
        Line("target", board.Target);
        if (board.Id != Slug.OfBoard(board.Maker, board.Name, board.Revision))
        {
            Line("id", board.Id);
        }
        if (board.Outline is { } size)
        {
            text.Append(CultureInfo.InvariantCulture, $"size {Number(size.Width)} x {Number(size.Depth)} mm\n");
        }
        if (board.Mounting is { } holes)
        {
            text.Append(
                CultureInfo.InvariantCulture,
                $"holes {Number(holes.Width)} x {Number(holes.Depth)} mm{(holes.Bolt is { } bolt ? $", M{Number(bolt)}" : "")}\n"
            );
        }
        Line("usb", board.UsbSide?.ToString().ToLowerInvariant());
        Line("arrow", board.Arrow?.ToString().ToLowerInvariant());
        if (board.Input is { } input)
        {
            text.Append(CultureInfo.InvariantCulture, $"input {Number(input.Min)} to {Number(input.Max)} V\n");
        }
        foreach (var rail in board.Rails)
        {
            text.Append(RailLine(board, rail));
        }

        void Line(string key, string? value)
        {
            if (value is { Length: > 0 })
            {
                text.Append(CultureInfo.InvariantCulture, $"{key} {LeafletTokens.ToLineEnd(value)}\n");
            }
        }
    }

    private static string RailLine(Board board, Rail rail)
    {
        var others = board.Rails.TakeWhile(r => r != rail).ToList();
        var id = rail.Id == Slug.Free(rail.Label, s => others.Any(o => o.Id == s)) ? "" : $" [{Name(rail.Id)}]";
        string?[] options =
        [
            rail.Feed == RailFeed.RegulatorUsbUnknown ? "USB unknown" : null,
            rail.Dropout is { } dropout ? $"dropout {Number(dropout)} V" : null,
            rail.Limit is { } limit ? $"up to {Number(limit)} A" : null,
            rail.Kind?.ToString().ToLowerInvariant(),
            rail.Efficiency is { } part ? $"efficiency {Number(Math.Round(part * 100, 9))} %" : null,
            rail.Quiescent is { } own ? $"quiescent {Number(own)} A" : null,
            rail.Own is { } itself ? $"board {Number(itself)} A" : null,
            rail.Filtering?.ToString().ToLowerInvariant(),
        ];
        var feed = rail.Feed switch
        {
            RailFeed.RegulatorOrUsb => "regulator or USB",
            RailFeed.RegulatorUsbUnknown => "regulator",
            var other => other.ToString().ToLowerInvariant(),
        };
        var volts = rail.Volts is { } v && !(rail.Feed == RailFeed.Ground && v == 0) ? $"{Number(v)} V " : "";
        var from = rail.From is { } source ? $" from {Name(source)}" : "";
        var tail = string.Concat(options.OfType<string>().Select(o => $", {o}"));
        return $"rail {Name(rail.Label)}{id}: {volts}{feed}{from}{tail}\n";
    }

    // What most pins stand is said once, beside the class.
    private static double Inside(Board board, StringBuilder text)
    {
        var stands =
            board.Nets.Count == 0
                ? BoardAssembler.ClassStands(board.Controller)
                : board.Nets.CountBy(n => n.MaxVolts).MaxBy(n => n.Value).Key;
        if (board.Controller != "")
        {
            var more = stands == BoardAssembler.ClassStands(board.Controller) ? "" : $", pins max {Number(stands)} V";
            text.Append(CultureInfo.InvariantCulture, $"controller {Name(board.Controller)}{more}\n");
        }
        return board.Controller == "" ? BoardAssembler.ClassStands("") : stands;
    }

    // Nets are read in the order in which lines speak of them; where ports would change it, nets have lines of their own.
    private static void Nets(Board board, double stands, StringBuilder text)
    {
        var left = new Queue<Net>(board.Nets);
        foreach (var port in board.Ports)
        {
            var fresh = NewIn(port, left);
            while (left.Count > 0 && !left.Take(fresh.Count).Select(n => n.Id).SequenceEqual(fresh))
            {
                NetLine(left.Dequeue());
                fresh = NewIn(port, left);
            }
            text.Append(PortLine(port));
            foreach (var net in fresh.Select(_ => left.Dequeue()).Where(n => !IsUsual(n)).ToList())
            {
                NetLine(net);
            }
        }
        while (left.Count > 0)
        {
            NetLine(left.Dequeue());
        }

        bool IsUsual(Net net) => net.MaxVolts == stands && net.AtBoot == BootLevel.High;

        void NetLine(Net net)
        {
            string?[] says =
            [
                net.MaxVolts == stands ? null : $"max {Number(net.MaxVolts)} V",
                net.AtBoot == BootLevel.High ? null : PortGrammar.WordOf(net.AtBoot),
            ];
            var tail = string.Join(", ", says.OfType<string>());
            text.Append(CultureInfo.InvariantCulture, $"net {Name(net.Id)}{(tail == "" ? "" : $": {tail}")}\n");
        }
    }

    private static List<string> NewIn(Port port, Queue<Net> left)
    {
        var waiting = left.Select(n => n.Id).ToHashSet();
        return
        [
            .. new[] { port.Rx, port.Tx, port.Data, port.Clock }
                .Concat(port.Alternatives.SelectMany(a => new[] { a.Rx, a.Tx }))
                .Concat(port.Channels)
                .OfType<string>()
                .Where(waiting.Contains)
                .Distinct(),
        ];
    }

    private static string PortLine(Port port)
    {
        var kind = port.Kind == PortKind.Uart ? "" : $" {port.Kind.ToString().ToLowerInvariant()}";
        var halves = Halves(port.Id, ("RX", port.Rx), ("TX", port.Tx), ("SDA", port.Data), ("SCL", port.Clock));
        string?[] options =
        [
            .. port.Alternatives.Select(a =>
                $"or {Name(a.Name)} ({Halves($"{port.Id} {a.Name}", ("RX", a.Rx), ("TX", a.Tx)).TrimStart()})"
            ),
            port.Reads is { } reads ? $"reads {PortGrammar.WordOf(reads)}" : null,
            port.Channels.Count == 0 ? null : $"channels {string.Join(' ', port.Channels.Select(c => Name(c)))}",
            .. port.Addresses.Select(a => $"address 0x{a.Address:X2} {LeafletTokens.Quote(a.By)}"),
            port.ClockMegahertz is { } clock ? $"clock {Number(clock)} MHz" : null,
            port.Usb == UsbSharing.Shared ? "shared with USB" : null,
            port.HeldBy is { } held ? $"held by {LeafletTokens.Quote(held)}" : null,
            port.AdvisedFor.Count == 0 ? null : $"for {string.Join(' ', port.AdvisedFor.Select(PortGrammar.WordOf))}",
        ];
        var tail = string.Concat(options.OfType<string>().Select(o => $", {o}"));
        return $"port {Name(port.Id)}{kind}{(halves == "" ? "" : $":{halves}")}{tail}\n";
    }

    private static string Halves(string port, params (string Half, string? Net)[] halves) =>
        string.Concat(
            halves
                .Where(h => h.Net is not null)
                .Select(h => h.Net == NetList.NameOf(port, h.Half) ? $" {h.Half}" : $" {h.Half}={Name(h.Net!)}")
        );

    private static string Element(PathElement element) =>
        element switch
        {
            Inverter inverter =>
                $"inverter{Passes(inverter.Direction)}{Volts(" max", inverter.Stands)}{Volts(" drives", inverter.Drives)}",
            Contact contact => $"{Name(contact.Bridge)}={Name(contact.Position)}",
            Resistor resistor => $"{Number(resistor.Ohms)} ohm",
            Divider divider => $"divider {Number(divider.Ratio)}",
            Diode diode => $"diode{Passes(diode.Direction)} {Number(diode.Volts)} V",
            _ => throw new InvalidOperationException($"There is no word for {element}."),
        };

    private static string Passes(Passage passage) =>
        passage switch
        {
            Passage.ToPad => " out",
            Passage.Both => " both",
            _ => "",
        };

    private static string Volts(string key, double? volts) => volts is { } v ? $"{key} {Number(v)} V" : "";

    /// <summary>Where a way ends, as text.</summary>
    internal static string End(Board board, PadPath path)
    {
        if (path.Rail is { } rail)
        {
            // A rail by its label where no other one is called so, else by its id.
            var label = board.Rails.FirstOrDefault(r => r.Id == rail)?.Label ?? rail;
            var plain =
                board.Rails.Count(r =>
                    r.Id == label || string.Equals(r.Label, label, StringComparison.OrdinalIgnoreCase)
                ) == 1;
            var name = plain ? label : rail;
            return name.Contains('.', StringComparison.Ordinal) || name.Equals("nc", StringComparison.OrdinalIgnoreCase)
                ? LeafletTokens.Quote(name)
                : Name(name);
        }
        foreach (var port in board.Ports)
        {
            foreach (
                var (half, net) in new[] { ("RX", port.Rx), ("TX", port.Tx), ("SDA", port.Data), ("SCL", port.Clock) }
            )
            {
                if (net == path.Net && net is not null)
                {
                    return Name(port.Id) == port.Id && !port.Id.Contains('.', StringComparison.Ordinal)
                        ? $"{port.Id}.{half}"
                        : $"{LeafletTokens.Quote(port.Id)} .{half}";
                }
            }
        }
        return path.Net is { } own ? (Name(own) == own ? $"~{own}" : $"~ {Name(own)}") : "nc";
    }

    private static string Name(string name, params ReadOnlySpan<string> taken) => LeafletTokens.Name(name, taken);

    /// <summary>A number that is read back to the last bit.</summary>
    internal static string Number(double number) => number.ToString("R", CultureInfo.InvariantCulture);
}
