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
                Sentences.NoFunctionClearIt(port.Name),
                Sentences.ItHadAFunctionAnd
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
                yield return Sentences.IsTheUsbLinkTo(port.Name);
            }
            else if (port.Usb == UsbSharing.Shared)
            {
                yield return Sentences.SharesItsLinesWithThe(port.Name);
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
            !isSerial ? Sentences.ConnectsTo
            : hears && talks ? Sentences.ConnectsTo
            : hears ? Sentences.ReceivesFrom
            : Sentences.TransmitsTo;
        var extras = new List<string>();
        if (values.Rx == Polarity.Inverted)
        {
            extras.Add(Sentences.RxInverted);
        }
        if (values.Tx == Polarity.Inverted)
        {
            extras.Add(Sentences.TxInverted);
        }
        if (values.IsOneWire)
        {
            extras.Add(Sentences.HalfDuplexOnTx);
        }
        if (values.IsSwapped)
        {
            extras.Add(Sentences.RxTxSwapped);
        }
        if (values.Pins is { } pins)
        {
            extras.Add(Sentences.OnPins(pins));
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
        var at = pads.Length > 0 ? Sentences.WiredTo(pads) : "";
        return values switch
        {
            { IsOneWire: true } => Sentences.HalfDuplexOneWireFor(at),
            { Rx: Polarity.Inverted } or { Tx: Polarity.Inverted } => Sentences.TheSignalArrivesInvertedAnd(at),
            { IsSwapped: true } => Sentences.RxAndTxAreNot(at),
            { Rx: Polarity.Normal } when IsTurned(set.Link) => Sentences.AnInverterInThePath(at),
            _ => Sentences.OneDeviceOnePort(at),
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
