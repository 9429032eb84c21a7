using System.Text.RegularExpressions;
using Gorvix.Core.Parts;
using Gorvix.Shared;
using Gorvix.Storage;
using Gorvix.Web.Hosting;
using Mono.Cecil;
using Mono.Cecil.Cil;

namespace Gorvix.Web.Tests;

/// <summary>
/// Every sentence that the server can say, errors included, read off the compiled code: docs/words.txt has only what the demo brings onto a screen.
/// </summary>
public partial class SentencesTests
{
    // What reads older files knows the older words; generated descriptions are read in docs/format.md.
    private static readonly string[] Older = ["Upcasters", "OldWords", "Migrations", "OpenApiXmlComment"];

    // Current carries a signal, a bulb burns out, a rail is back-fed: these are meant.
    private static readonly string[] Meant =
    [
        "carries",
        "burns out",
        "burns a track",
        "back-fed",
        "Evening IS NOT NULL",
    ];

    private static readonly Lazy<List<string>> Said = new(() =>
        [
            .. from assembly in new[]
            {
                typeof(Pad).Assembly,
                typeof(BuildStore).Assembly,
                typeof(StartOptions).Assembly,
            }
            from type in ModuleDefinition.ReadModule(assembly.Location).GetTypes()
            where !Older.Any(o => type.FullName.Contains(o, StringComparison.Ordinal))
            from method in type.Methods
            where method.HasBody
            from instruction in method.Body.Instructions
            where instruction.OpCode == OpCodes.Ldstr
            let text = (string)instruction.Operand
            where Sentence().IsMatch(text)
            select $"{type.Name}: {Meant.Aggregate(text, (t, m) => t.Replace(m, "#", StringComparison.Ordinal))}",
        ]
    );

    public static TheoryData<string> Traces => [.. Dialect.Traces];

    [Theory]
    [MemberData(nameof(Traces))]
    public void No_sentence_of_the_server_has_a_trace_of_the_old_dialect(string trace)
    {
        var regex = new Regex(trace, RegexOptions.IgnoreCase);
        Assert.True(Said.Value.Count > 2000, $"{Said.Value.Count} sentences");
        Assert.Equal([], Said.Value.Where(s => regex.IsMatch(s[(s.IndexOf(':', StringComparison.Ordinal) + 1)..])));
    }

    [Fact]
    public void None_has_a_double_space_or_stop() => Assert.Equal([], Said.Value.Where(s => Slip().IsMatch(s)));

    // Three words in a row: ids, addresses and patterns are none.
    [GeneratedRegex(@"\p{L}{2,} \p{L}+ \p{L}{2,}")]
    private static partial Regex Sentence();

    [GeneratedRegex(@"\p{L}  \p{L}|(?<!\.)\.\.(?!\.)|\p{L} ,|,,")]
    private static partial Regex Slip();
}
