using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Protocols;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Routing;
using Gorvix.Core.Wired.Wiring;

namespace Gorvix.Core.Wired.Settings;

/// <summary>The one job of each port, in words and in the neutral form.</summary>
internal sealed class PortSettingsReader(WiredBuild wired)
{
    /// <summary>A setting for each port in use, in the order of the board.</summary>
    public IEnumerable<Setting> Settings() =>
        from port in wired.Build.Board.Ports
        let sets = wired.Ports.Where(s => s.Port.Id == port.Id).ToList()
        where sets.Count > 0
        select Of(sets);

    /// <summary>Ports that were given a function on the aircraft and that nothing uses any more: each is cleared before another gets its link.</summary>
    /// <param name="noted">What was ticked as set.</param>
    public IEnumerable<Setting> Cleared(IEnumerable<SetFact> noted)
    {
        var set = noted.Select(f => f.Key).ToHashSet();
        return from port in wired.Build.Board.Ports
            where set.Contains(KeyOf(port)) && wired.Ports.All(s => s.Port.Id != port.Id)
            select new Setting(
                KeyOf(port),
                SettingPlace.Port,
                NeutralForm.Free,
                $"{port.Name}: no function (clear it)",
                "It had a function, and the plan no longer uses it. If two ports share a function, the board clears all port settings."
            )
            {
                Port = port.Id,
            };
    }

    private static string KeyOf(Port port) => $"port.{port.Id}";

    // Several on one port: a bus or a picture's way has one job all the same; two halves have one each.
    private Setting Of(List<PortSet> sets)
    {
        var all = sets.ConvertAll(Of);
        if (all.Count == 1)
        {
            return all[0];
        }
        var values = all.Select(s => s.Value.Split(' ').Select(v => v.Split('=', 2)).ToDictionary(v => v[0], v => v[1]))
            .ToList();
        if (all.Select(s => s.Value).Distinct().Count() == 1)
        {
            // Several that answer in turn on one wire.
            return Of(sets[0], Phrase.Join([.. sets.Select(NameOf)]));
        }
        return all[0] with
        {
            Value = string.Join(
                ' ',
                values
                    .SelectMany(v => v.Keys)
                    .Distinct()
                    .Select(k =>
                        $"{k}={string.Join('+', values.Select(v => v.GetValueOrDefault(k)).OfType<string>().Distinct())}"
                    )
            ),
            Words = string.Join("; ", all.Select(s => s.Words)),
            Why = string.Join(' ', all.Select(s => s.Why).Distinct()),
        };
    }

    /// <summary>Ports that stay as they are.</summary>
    public IEnumerable<string> Untouched()
    {
        foreach (var port in wired.Build.Board.Ports)
        {
            if (port.Kind == PortKind.Usb)
            {
                yield return $"{port.Name} is the USB link to the computer: switch it off and the board can no longer be reached.";
            }
            else if (port.Usb == UsbSharing.Shared)
            {
                yield return $"{port.Name} shares its lines with the USB socket: unplug its device before connecting the computer.";
            }
        }
    }

    /// <summary>What is shared in a job's settings: the neutral form of a port.</summary>
    public static string ValueOf(PortValues values)
    {
        var words = new List<string>
        {
            $"job={Phrase.Lower($"{values.Job}")}",
            $"protocol={values.Protocol.Replace(' ', '-')}",
        };
        if (values.Baud is { } baud)
        {
            words.Add($"baud={baud}");
        }
        if (values.Rx is { } rx)
        {
            words.Add($"rx={Phrase.Lower($"{rx}")}");
        }
        if (values.Tx is { } tx)
        {
            words.Add($"tx={Phrase.Lower($"{tx}")}");
        }
        if (values.IsOneWire)
        {
            words.Add("wire=one");
        }
        if (values.IsSwapped)
        {
            words.Add("swap=yes");
        }
        if (values.Pins is { } pins)
        {
            words.Add($"pins={pins.Replace(' ', '-')}");
        }
        return string.Join(' ', words);
    }

    private string NameOf(PortSet set) => $"{wired.Build.Links.First(l => l.Id == set.Link).Device.Name}";

    private Setting Of(PortSet set) => Of(set, NameOf(set));

    private Setting Of(PortSet set, string name)
    {
        var (hears, talks) = (set.Mode.Lines.Any(l => l.Flow != Flow.In), set.Mode.Lines.Any(l => l.Flow != Flow.Out));
        var isSerial = set.Port.Kind is PortKind.Uart or PortKind.Software;
        var values = new PortValues(
            set.Settings.Job,
            set.Settings.Protocol,
            set.Settings.Baud,
            isSerial && hears ? PolarityOf(set.Settings.InvertRx) : null,
            isSerial && talks ? PolarityOf(set.Settings.InvertTx) : null,
            set.Settings.HalfDuplex,
            set.Settings.SwapPins,
            set.Settings.Pins
        );
        var verb =
            !isSerial ? "connects to"
            : hears && talks ? "connects to"
            : hears ? "receives from"
            : "transmits to";
        var extras = new List<string>();
        if (values.Rx == Polarity.Inverted)
        {
            extras.Add("RX inverted");
        }
        if (values.Tx == Polarity.Inverted)
        {
            extras.Add("TX inverted");
        }
        if (values.IsOneWire)
        {
            extras.Add("half-duplex on TX");
        }
        if (values.IsSwapped)
        {
            extras.Add("RX/TX swapped");
        }
        if (values.Pins is { } pins)
        {
            extras.Add($"on pins {pins}");
        }
        return new Setting(
            KeyOf(set.Port),
            SettingPlace.Port,
            ValueOf(values),
            $"{set.Port.Name} {verb} {name}: {PortWords.Of(values.Job, values.Protocol)}{(values.Baud is { } baud ? $" at {Phrase.Baud(baud)}" : "")}{string.Concat(extras.Select(e => $", {e}"))}",
            Why(set, values)
        )
        {
            Link = set.Link,
            Port = set.Port.Id,
            Values = values,
        };
    }

    private static Polarity PolarityOf(bool inverted) => inverted ? Polarity.Inverted : Polarity.Normal;

    // Why a switch is as it is; a plain port needs one reason only.
    private string Why(PortSet set, PortValues values)
    {
        var pads = Phrase.Join([
            .. wired.Leads.Where(l => l.Link == set.Link && l.Pad is not null).Select(l => l.Pad!.Label).Distinct(),
        ]);
        var at = pads.Length > 0 ? $"Wired to {pads}." : "";
        return values switch
        {
            { IsOneWire: true } => $"{at} Half-duplex: one wire for both directions, on the pin that can do both.",
            { Rx: Polarity.Inverted } or { Tx: Polarity.Inverted } =>
                $"{at} The signal arrives inverted, and this controller can invert it back in the settings.",
            { IsSwapped: true } => $"{at} RX and TX are not crossed in the wiring: the controller swaps its pins.",
            { Rx: Polarity.Normal } when IsTurned(set.Link) =>
                $"{at} An inverter in the path corrects the inverted signal: no inversion is set here.",
            _ => $"{at} One device, one port.",
        };
    }

    private bool IsTurned(string link) =>
        wired
            .Leads.Where(l => l.Link == link && l.Pad is not null)
            .Any(l =>
                wired
                    .Build.Circuit.From(l.Pad!)
                    .Any(s => s.To.Kind == NodeKind.Net && s.Conducts(wired.Positions()) && s.Turn == Polarity.Inverted)
            );
}
