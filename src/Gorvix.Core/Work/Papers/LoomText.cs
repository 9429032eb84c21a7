using System.Globalization;
using System.Text;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Wired.Loom;

namespace Gorvix.Core.Work.Papers;

/// <summary>A loom as Markdown (CommonMark with tables and task lists, as most readers show it).</summary>
public static class LoomText
{
    /// <summary>Writes the page.</summary>
    /// <param name="name">What the builder calls the build.</param>
    /// <param name="board">The board, in words.</param>
    /// <param name="sheet">Its loom.</param>
    /// <param name="cautions">What to mind, in sentences.</param>
    public static string Write(string name, string board, LoomSheet sheet, IReadOnlyList<string> cautions)
    {
        var text = new StringBuilder();
        void Line(string line = "") => text.Append(line).Append('\n');
        void Table(string[] heads, IEnumerable<string?[]> rows)
        {
            Line(Row(heads));
            Line(Row([.. heads.Select(_ => "---")]));
            foreach (var row in rows)
            {
                Line(Row(row));
            }
            Line();
        }
        void List(string head, IEnumerable<string> lines)
        {
            var all = lines.ToList();
            if (all.Count == 0)
            {
                return;
            }
            Line($"## {head}");
            Line();
            all.ForEach(l => Line($"- {l}"));
            Line();
        }
        Line($"# {Plain(name)}");
        Line();
        Line(Plain(board));
        Line();
        List("Cautions", cautions.Select(Plain));
        List("Ports", sheet.Ports.Select(p => Plain(p.Words)));
        List(
            Sentences.StepsInOrder,
            sheet.Steps.Select(s =>
                $"[{(s.IsDone ? "x" : " ")}] {Plain(s.Words)}{(s.DoneOn is { } on ? on.ToString(" (yyyy-MM-dd)", CultureInfo.InvariantCulture) : "")}"
            )
        );
        Line("## Wires");
        Line();
        Table(
            ["From", "Colour", "To", "For", "AWG", "mm"],
            sheet.Wires.Select(w =>
                new[]
                {
                    Sentences.LeadOfTheDevice(w.Label, w.Pieces > 1 ? $" × {w.Pieces}" : "", w.Name),
                    w.Colour,
                    w.At,
                    w.Job,
                    w.IsJoint ? $"{w.Gauge}" : null,
                    w.IsJoint ? w.Millimetres.ToString("0", CultureInfo.InvariantCulture) : null,
                }
            )
        );
        List(
            Sentences.UnusedLeads,
            sheet.Spare.Select(s => Plain(Sentences.LeadIsTreated(s.Label, s.Name, s.Treatment)))
        );
        foreach (var face in sheet.Faces)
        {
            Line($"## {Plain($"{face.Name} in {face.Socket}")}");
            Line();
            Table(
                ["Pin", "Board", Sentences.AsSupplied, "Required"],
                face.Cavities.Select(c => new[] { $"{c.Number}", c.Pad, c.Comes?.Label, c.Needs?.Label })
            );
        }
        foreach (var way in sheet.OtherWays)
        {
            Line(
                $"## {Plain($"{way.Name} and {way.Socket}, {(way.IsPlanned ? Sentences.AsPlanned : "alternative")}: {Phrase.Lower(way.Method)}")}"
            );
            Line();
            Line(Plain($"{way.Words} {string.Join(' ', way.Mind)} {Phrase.Upper(way.Price)}."));
            Line();
            Table(
                ["Lead", "Colour", Sentences.PlugPin, "To", "For"],
                way.Rows.Select(r => new[] { r.Label, r.Colour, $"{r.From}", r.At, r.Job })
            );
        }
        if (sheet.Continuity.Count > 0)
        {
            Line(Sentences.BeforeFirstPowerUp);
            Line();
            Table(
                ["Probe 1", "Probe 2", "Expected"],
                sheet.Continuity.Select(p => new[] { p.One, p.Other, p.Expected })
            );
        }
        List(
            Sentences.CutList,
            sheet.Cuts.Select(c =>
                Sentences.AwgMmInTotal(c.Gauge, Plain(c.Colour ?? Sentences.AnyColour), c.Pieces, c.Millimetres)
            )
        );
        return text.ToString().TrimEnd('\n') + "\n";
    }

    private static string Row(string?[] cells) => $"| {string.Join(" | ", cells.Select(c => Plain(c ?? "")))} |";

    // What a reader of Markdown takes for marks is a letter here.
    private static string Plain(string text)
    {
        var plain = new StringBuilder();
        foreach (var c in text)
        {
            _ = c switch
            {
                '\n' or '\r' => plain.Append(' '),
                '\\' or '`' or '*' or '_' or '[' or ']' or '<' or '>' or '|' or '#' => plain.Append('\\').Append(c),
                _ => plain.Append(c),
            };
        }
        return plain.ToString();
    }
}
