using System.Text.RegularExpressions;
using Gorvix.Core.Files.Formats;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;

namespace Gorvix.Core.Files.Describing;

/// <summary>
/// What labels and ways speak of and no line does: a pad R3 makes the RX half of U3, a pad 9V makes a rail. What a line says is
/// never changed by it, only added to; a text that tells all makes the same board again.
/// </summary>
internal sealed partial class SpokenOf
{
    private readonly List<Finding> _assumed = [];
    private readonly double _stands;

    /// <summary>Adds to a board what is spoken of.</summary>
    /// <param name="board">The board as its lines tell it.</param>
    /// <param name="stands">What a pin stands, in volts.</param>
    /// <param name="pads">Pads whose ways no line tells.</param>
    /// <param name="ways">Ways of pads.</param>
    public SpokenOf(Board board, double stands, IReadOnlyList<PadName> pads, IReadOnlyList<Way> ways)
    {
        Board = board;
        _stands = stands;
        foreach (var end in pads.Select(p => p.End).OfType<EndName>().Concat(ways.Select(w => w.End)))
        {
            Speak(end);
        }
        var meanings = pads.Where(p => p is { End: null, NotConnected: false, Doubt: false })
            .Select(p => LabelBook.Read(p.Label.Text))
            .Where(r =>
                !board.Rails.Any(rail => string.Equals(rail.Label, r.Label, StringComparison.OrdinalIgnoreCase))
            )
            .SelectMany(r => r.Meanings.Where(m => LabelReader.Tells(r, m)))
            .Distinct()
            .OrderBy(m => m.Number)
            .ToList();
        foreach (var meaning in meanings.Where(m => LabelReader.End(Board, m) is null))
        {
            Make(meaning, meanings);
        }
    }

    /// <summary>The board with all of it.</summary>
    public Board Board { get; private set; }

    /// <summary>A note for each rail that only a label speaks of.</summary>
    public IReadOnlyList<Finding> Assumed => _assumed;

    // An end that says what it is by its name: U4.RX, VID.RX, ~bz, BAT.
    private void Speak(EndName end)
    {
        if (end.Net)
        {
            Net(end.Name);
        }
        else if (end.Half is { } half)
        {
            var kind = KindOf(end.Name);
            var known = PortGrammar.HalfOf(half);
            if (kind is not null && known is not null && known is "SDA" or "SCL" == (kind == PortKind.Bus))
            {
                Half(end.Name.ToUpperInvariant(), kind.Value, known);
            }
        }
        else if (
            !Board.Rails.Any(r =>
                r.Id == end.Name || string.Equals(r.Label, end.Name, StringComparison.OrdinalIgnoreCase)
            )
            && LabelBook.Read(end.Name)
                is {
                    Trust: LabelTrust.Certain,
                    Meanings: [{ Kind: LabelKind.Ground or LabelKind.Battery or LabelKind.Supply } rail]
                }
            && LabelReader.End(Board, rail) is null
        )
        {
            Make(rail, []);
        }
    }

    private static PortKind? KindOf(string port) =>
        PortName().IsMatch(port) ? PortKind.Uart
        : BusName().IsMatch(port) ? PortKind.Bus
        : port.ToUpperInvariant() switch
        {
            "VID" => PortKind.Video,
            "CUR" or "RSSI" or "KEY" or "VBAT" => PortKind.Analogue,
            _ => null,
        };

    private void Make(LabelMeaning meaning, IReadOnlyList<LabelMeaning> all)
    {
        var bus = $"I2C{(meaning.Number == 0 ? 1 : meaning.Number)}";
        switch (meaning.Kind)
        {
            case LabelKind.Rx or LabelKind.Tx when meaning.Number > 0:
                var unit = LabelReader.Unit(Board, meaning.Number)?.Id ?? $"U{meaning.Number}";
                Half(unit, PortKind.Uart, meaning.Kind == LabelKind.Rx ? "RX" : "TX");
                break;
            case LabelKind.Data when all.Contains(meaning with { Kind = LabelKind.Clock }):
                Half(bus, PortKind.Bus, "SDA");
                Half(bus, PortKind.Bus, "SCL");
                break;
            case LabelKind.PictureIn:
                Half("VID", PortKind.Video, "RX");
                break;
            case LabelKind.PictureOut:
                Half("VID", PortKind.Video, "TX");
                break;
            case LabelKind.Current:
                Half("CUR", PortKind.Analogue, "RX");
                break;
            case LabelKind.Strength:
                Half("RSSI", PortKind.Analogue, "RX");
                break;
            case LabelKind.Keys:
                Half("KEY", PortKind.Analogue, "TX");
                break;
            case LabelKind.Ground:
                Rail("gnd", "GND", 0, RailFeed.Ground);
                break;
            case LabelKind.Battery:
                Rail("bat", "BAT", null, RailFeed.Battery);
                break;
            case LabelKind.Supply:
                var label = LabelOf(meaning.Volts);
                Rail(
                    Slug.Of(label),
                    label,
                    meaning.Volts,
                    meaning.Volts == 4.5 ? RailFeed.RegulatorOrUsb : RailFeed.RegulatorUsbUnknown
                );
                break;
            case LabelKind.Buzzer or LabelKind.Lights or LabelKind.Motor:
                Net(LabelReader.NetOf(meaning)!);
                break;
        }
    }

    // What a label of an analogue pin stands for by its name; a text that means another says so.
    private static AnalogueReading? ReadsOf(string port, PortKind kind) =>
        kind != PortKind.Analogue
            ? null
            : port.ToUpperInvariant() switch
            {
                "CUR" => AnalogueReading.Current,
                "VBAT" => AnalogueReading.BatteryVoltage,
                "RSSI" => AnalogueReading.Rssi,
                _ => null,
            };

    // A port that is there gets the half that it lacks; one that it has is left as it is.
    private void Half(string id, PortKind kind, string half)
    {
        var port =
            Board.Ports.FirstOrDefault(p => p.Id == id)
            ?? new Port
            {
                Id = id,
                Kind = kind,
                Reads = ReadsOf(id, kind),
            };
        var there = half switch
        {
            "RX" => port.Rx,
            "TX" => port.Tx,
            "SDA" => port.Data,
            _ => port.Clock,
        };
        if (port.Kind != kind || there is not null)
        {
            return;
        }
        var net = NetList.NameOf(id, half);
        Net(net);
        port = half switch
        {
            "RX" => port with { Rx = net },
            "TX" => port with { Tx = net },
            "SDA" => port with { Data = net },
            _ => port with { Clock = net },
        };
        Board = Board with
        {
            Ports = Board.Ports.Any(p => p.Id == id)
                ? [.. Board.Ports.Select(p => p.Id == id ? port : p)]
                : [.. Board.Ports, port],
        };
    }

    private void Net(string id)
    {
        if (Board.Nets.All(n => n.Id != id))
        {
            Board = Board with { Nets = [.. Board.Nets, new Net { Id = id, MaxVolts = _stands }] };
        }
    }

    private void Rail(string id, string label, double? volts, RailFeed feed)
    {
        if (Board.Rails.Any(r => r.Id == id))
        {
            return;
        }
        Board = Board with
        {
            Rails =
            [
                .. Board.Rails,
                new Rail
                {
                    Id = id,
                    Label = label,
                    Volts = volts,
                    Feed = feed,
                },
            ],
        };
        if (feed is not (RailFeed.Ground or RailFeed.Battery))
        {
            _assumed.Add(
                LeafletRules.Assumed.Found(
                    Severity.Note,
                    Subject.Place($"board.rails[{Board.Rails.Count - 1}]"),
                    ("place", label),
                    (
                        "feed",
                        feed == RailFeed.RegulatorOrUsb
                            ? Sentences.AlsoPoweredFromUsbThrough
                            : Sentences.ARegulatorPoweredFromThe
                    )
                )
            );
        }
    }

    /// <summary>The usual label of a supply, such as 5V or 3V3.</summary>
    public static string LabelOf(double volts) =>
        volts == Math.Truncate(volts)
            ? FormattableString.Invariant($"{volts:0}V")
            : FormattableString.Invariant(
                $"{Math.Truncate(volts):0}V{Math.Round((volts - Math.Truncate(volts)) * 10):0}"
            );

    [GeneratedRegex("^[Ii]2[Cc][0-9]?$")]
    private static partial Regex BusName();

    [GeneratedRegex("^[Uu][0-9]{1,2}$")]
    private static partial Regex PortName();
}
