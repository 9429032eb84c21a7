using Gorvix.Core.Hardware.Parts;

namespace Gorvix.Core.Files.Describing;

/// <summary>What a doubtful label can be on a board, each as something that can be taken as it is.</summary>
internal static class PadOffers
{
    // Boards have eight serial units at most, but for the largest controllers.
    private const int Units = 8;

    /// <summary>The offers for a label; none where the dictionary does not know it.</summary>
    public static IReadOnlyList<PadOffer> Of(Board board, LabelReader.OnBoard label) =>
        [
            .. label
                .Reading.Meanings.Zip(label.Ends)
                .SelectMany(m =>
                    m.First is { Kind: LabelKind.Rx or LabelKind.Tx, Number: 0 }
                        ? Ports(board, label, m.First.Kind)
                        : [One(board, m.First, m.Second)]
                )
                .DistinctBy(o => o.Ways),
        ];

    // An inverter can stand before a half only where the controller does not invert by itself and the label says an inverted protocol.
    private static IEnumerable<PadOffer> Ports(Board board, LabelReader.OnBoard label, LabelKind kind)
    {
        var half = kind == LabelKind.Rx ? "RX" : "TX";
        var turned =
            ControllerClass.Find(board.Controller)?.Inversion != OwnInversion.EachPin
            && label.Reading.Label.Contains("BUS", StringComparison.OrdinalIgnoreCase)
            && !label.Reading.Label.StartsWith("I", StringComparison.OrdinalIgnoreCase);
        for (var n = 1; n <= Units; n++)
        {
            if (turned)
            {
                yield return new PadOffer(Sentences.UBehindAnInverter(n, half), $"inverter > U{n}.{half}");
            }
            yield return new PadOffer(turned ? $"U{n} {half}, non-inverted" : $"U{n} {half}", $"U{n}.{half}");
        }
    }

    private static PadOffer One(Board board, LabelMeaning meaning, PadPath? end) =>
        new(
            meaning.Words,
            end is not null
                ? LeafletText.Write(board, end)
                : meaning.Kind switch
                {
                    LabelKind.Rx => $"U{meaning.Number}.RX",
                    LabelKind.Tx => $"U{meaning.Number}.TX",
                    LabelKind.Data => $"I2C{Math.Max(1, meaning.Number)}.SDA",
                    LabelKind.Clock => $"I2C{Math.Max(1, meaning.Number)}.SCL",
                    LabelKind.Ground => "GND",
                    LabelKind.Battery => "BAT",
                    LabelKind.Supply => SpokenOf.LabelOf(meaning.Volts),
                    LabelKind.PictureIn => "VID.RX",
                    LabelKind.PictureOut => "VID.TX",
                    LabelKind.Current => "CUR.RX",
                    LabelKind.Strength => "RSSI.RX",
                    LabelKind.Keys => "KEY.TX",
                    _ => $"~{LabelReader.NetOf(meaning)}",
                }
        );
}
