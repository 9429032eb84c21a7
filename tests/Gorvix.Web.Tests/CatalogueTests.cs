using System.Text.RegularExpressions;
using Mono.Cecil;
using Mono.Cecil.Cil;

namespace Gorvix.Web.Tests;

/// <summary>
/// What a person meets is said in one place on each floor of the core, in the storage and in the server: its Sentences, its rules and words, the definitions of faults, tables made once. Code
/// chooses a sentence and fills it; it holds no prose of its own. Read off the compiled code.
/// </summary>
public partial class CatalogueTests
{
    // Notations and tables of their own: board text and its labels, file formats, the generated rule book, what a simulated board prints.
    private static readonly string[] Tables =
    [
        "Sentences",
        "Rules",
        "Words",
        "Grammar",
        "Cautions",
        "Terms",
        "LinkSigns",
        "LeafletWriter",
        "RowWriter",
        "LabelBook",
        "DevicePattern",
        "PatternMaker",
        "PathPattern",
        "FormatMigrations",
        "OldWords",
        "RuleBook",
        "FileSchema",
        "MemberDocs",
        "SimulatedBoard",
        "NeutralForm",
        "ProtocolCatalogue",
        // Names of sockets as they are stored; what the framework's own reader says of JSON; the page of docs/format.md; the style of a printed page.
        // what a reading rests on, stored with it: other words would make it due again.
        "PlugFamily",
        "Scope",
        "JsonFault",
        "FormatPage",
        "Page",
        // Refusals with their sentence and status; the database.
        "NotFoundException",
        "ConflictException",
        "UnreadableException",
        "GorvixDb",
        "DesignTimeDb",
    ];

    private static readonly string[] Questions = ["INSERT INTO ", "SELECT ", "PRAGMA ", "DROP TABLE "];

    // Dates, headers, questions to the database.
    private static bool IsNotation(string text) =>
        text == "d MMMM yyyy"
        || Questions.Any(q => text.StartsWith(q, StringComparison.Ordinal))
        || text
            is "private, max-age=31536000, immutable"
                or "text/html; charset=utf-8"
                or "application/json; charset=utf-8"
                or "attachment; filename=\"";

    [Fact]
    public void Code_holds_no_prose_of_its_own()
    {
        var (said, loose) = (0, new List<string>());
        foreach (var module in Ours().Select(ModuleDefinition.ReadModule))
        {
            foreach (var type in module.GetTypes())
            {
                var outer = Outer(type);
                foreach (var method in type.Methods.Where(m => m.HasBody))
                {
                    foreach (var line in method.Body.Instructions)
                    {
                        if (
                            line.OpCode != OpCodes.Ldstr
                            || !TwoWords().IsMatch((string)line.Operand)
                            || IsNotation((string)line.Operand)
                            || IsFault(line)
                        )
                        {
                            continue;
                        }
                        if (outer.Name == "Sentences")
                        {
                            said++;
                        }
                        else if (!IsTable(outer, method))
                        {
                            loose.Add($"{outer.FullName}.{method.Name}: {line.Operand}");
                        }
                    }
                }
            }
        }
        Assert.Equal("", string.Join("\n", loose));
        Assert.True(said > 1200, $"{said}");
    }

    private static IEnumerable<string> Ours() =>
        Directory
            .GetFiles(AppContext.BaseDirectory, "Gorvix.*.dll")
            .Where(f => !f.EndsWith("Tests.dll", StringComparison.Ordinal));

    private static bool IsTable(TypeDefinition type, MethodDefinition method) =>
        method.Name.Contains(".cctor", StringComparison.Ordinal)
        || type.Namespace.EndsWith(".Migrations", StringComparison.Ordinal)
        || type.Namespace.Contains("OpenApi", StringComparison.Ordinal)
        || type.Namespace.EndsWith(".Generated", StringComparison.Ordinal)
        || type.Namespace.EndsWith(".FaultModel", StringComparison.Ordinal)
        || Tables.Any(t => type.Name.EndsWith(t, StringComparison.Ordinal));

    // What a mistake in the code throws is nobody's to read.
    private static bool IsFault(Instruction line)
    {
        for (var (next, steps) = (line.Next, 0); next is not null && steps < 40; next = next.Next, steps++)
        {
            if (next.OpCode == OpCodes.Throw)
            {
                return true;
            }
            if (next.OpCode == OpCodes.Ret || next.OpCode.FlowControl is FlowControl.Branch or FlowControl.Cond_Branch)
            {
                return false;
            }
        }
        return false;
    }

    private static TypeDefinition Outer(TypeDefinition type) => type.DeclaringType is { } outer ? Outer(outer) : type;

    [GeneratedRegex("[A-Za-z]{2,}[,:;.)%]? +[(]?[A-Za-z]{2,}")]
    private static partial Regex TwoWords();
}
