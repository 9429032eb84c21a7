namespace Gorvix.Core.Wired.Leaflets;

/// <summary>Two or three parts side by side.</summary>
/// <param name="Parts">The parts, in the order in which they were asked for.</param>
/// <param name="Rows">Everything that their leaflets say, in the order of the page.</param>
public sealed record Comparison(IReadOnlyList<PartLine> Parts, IReadOnlyList<ComparedRow> Rows)
{
    /// <summary>The most parts that stand side by side.</summary>
    public const int Most = 3;

    private const string Missing = "–";

    /// <summary>Compares leaflets of one kind of part.</summary>
    /// <param name="leaflets">Two or more; boards or devices, not both.</param>
    public static Comparison Of(IReadOnlyList<Leaflet> leaflets)
    {
        var facts = RowsOf("Facts", leaflets.Select(l => Told(l.Facts.Select(f => (f.Name, f.Words)))));
        var titles = leaflets.SelectMany(l => l.Tables.Select(t => t.Title)).Distinct();
        var tables = titles.SelectMany(title =>
            RowsOf(title, leaflets.Select(l => Told(Lines(l.Tables.FirstOrDefault(t => t.Title == title)))))
        );
        return new Comparison([.. leaflets.Select(l => l.Line)], [.. facts, .. tables]);
    }

    // A row is known by its first column, and the rest is what is said of it.
    private static IEnumerable<(string Name, string Words)> Lines(LeafletTable? table) =>
        table is null
            ? []
            : table.Rows.Select(row =>
                (row[0], string.Join(" · ", row.Skip(1).Where(text => text != "").DefaultIfEmpty(table.Columns[0])))
            );

    // What is said several times under one name (two grounds, two ways of one need) stands in one place.
    private static Dictionary<string, string> Told(IEnumerable<(string Name, string Words)> said) =>
        said.GroupBy(s => s.Name, s => s.Words).ToDictionary(g => g.Key, g => string.Join("; ", g));

    private static IEnumerable<ComparedRow> RowsOf(string table, IEnumerable<Dictionary<string, string>> told)
    {
        var all = told.ToList();
        return all.SelectMany(t => t.Keys)
            .Distinct()
            .Select(name =>
            {
                var words = all.Select(t => t.GetValueOrDefault(name, Missing)).ToList();
                return new ComparedRow(table, name, words, words.Distinct().Count() > 1);
            });
    }
}

/// <summary>One thing that leaflets say, of each part.</summary>
/// <param name="Table">The table of the page that it stands in.</param>
/// <param name="Name">What it is about.</param>
/// <param name="Words">What is said of each part, in their order; a dash where nothing is.</param>
/// <param name="Differs">False when all say the same.</param>
public sealed record ComparedRow(string Table, string Name, IReadOnlyList<string> Words, bool Differs);
