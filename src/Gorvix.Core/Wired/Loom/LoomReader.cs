using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Protocols;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Wired.Words;

namespace Gorvix.Core.Wired.Loom;

/// <summary>Reads a wired build as work for the hands.</summary>
public static class LoomReader
{
    /// <summary>The loom of a build.</summary>
    /// <param name="wired">The build as it is wired.</param>
    public static LoomSheet Of(WiredBuild wired)
    {
        var reader = new WireReader(wired);
        var (wires, faces) = (reader.Wires(), new PlugReader(wired).Faces());
        var neighbours = new Neighbours(wired.Build.Circuit);
        return new LoomSheet(
            [.. wired.Ports.Select(p => PortOf(wired, p))],
            wires,
            reader.Spare(),
            faces,
            new OtherWayReader(wired, wires, faces).Ways(),
            new StepReader(wired, wires, faces, neighbours).Steps(),
            new ContinuityReader(wired, wires, neighbours).Pairs(),
            WireReader.Cuts(wires)
        );
    }

    private static LoomPort PortOf(WiredBuild wired, PortSet set)
    {
        var link = wired.Build.Links.First(l => l.Id == set.Link);
        string?[] switches =
        [
            set.Settings.Baud is { } baud ? Phrase.Baud(baud) : null,
            set.Settings.InvertRx ? Sentences.RxInverted : null,
            set.Settings.InvertTx ? Sentences.TxInverted : null,
            set.Settings.HalfDuplex ? "half-duplex" : null,
            set.Settings.SwapPins ? Sentences.RxTxSwapped : null,
        ];
        return new LoomPort(
            set.Port.Id,
            ProtocolCatalogue.NameOf(set.Mode.Protocol),
            Phrase.Lower(PlainWords.Of(link.Function.Need)),
            link.Device.Name,
            [.. switches.OfType<string>()]
        );
    }
}
