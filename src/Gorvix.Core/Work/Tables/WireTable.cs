using System.Globalization;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Wired.Loom;

namespace Gorvix.Core.Work.Tables;

/// <summary>The wires of a build as a list for a spreadsheet: one row a lead, those that go nowhere included.</summary>
public static class WireTable
{
    /// <summary>The columns.</summary>
    public static readonly IReadOnlyList<string> Columns =
    [
        "device",
        "lead",
        "colour",
        "to",
        "side",
        "for",
        "twist with",
        "awg",
        "mm",
        "pieces",
    ];

    /// <summary>Writes the list.</summary>
    /// <param name="sheet">The loom of a build.</param>
    public static string Write(LoomSheet sheet)
    {
        var labels = sheet.Wires.ToDictionary(w => w.Id, w => w.Label);
        return Sheet.Write(
            Columns,
            [
                .. sheet.Wires.Select(w =>
                    (IReadOnlyList<string?>)
                        [
                            w.Name,
                            w.Label,
                            w.Colour,
                            w.At,
                            w.Side is { } side ? (side == BoardSide.Top ? "top" : "bottom") : null,
                            w.Job,
                            w.Twist is { } twist ? labels[twist] : null,
                            w.IsJoint ? w.Gauge.ToString(CultureInfo.InvariantCulture) : null,
                            w.IsJoint ? w.Millimetres.ToString("0", CultureInfo.InvariantCulture) : null,
                            w.IsJoint ? w.Pieces.ToString(CultureInfo.InvariantCulture) : null,
                        ]
                ),
                .. sheet.Spare.Select(s =>
                    (IReadOnlyList<string?>)[s.Name, s.Label, s.Colour, s.Treatment, null, null, null, null, null, null]
                ),
            ]
        );
    }
}
