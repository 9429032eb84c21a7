using System.Reflection;
using System.Text.RegularExpressions;
using Gorvix.Core.Files.Formats;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Work.Bench;
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

    private static readonly Assembly[] Ours =
    [
        typeof(Pad).Assembly,
        typeof(Build).Assembly,
        typeof(WiredBuild).Assembly,
        typeof(GorvixFile).Assembly,
        typeof(BenchSheet).Assembly,
        typeof(BuildStore).Assembly,
        typeof(StartOptions).Assembly,
    ];

    private static readonly Lazy<List<string>> Said = new(() =>
        [
            .. from assembly in Ours
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

    // Values of files, of board text and of the board's dump; ids, keys and names of holds and steps; what a debugger shows.
    private static readonly string[] Ids =
    [
        "Gorvix.Core.Work.Bench.Scope",
        "Gorvix.Core.Plans.Builds.BuildEdits.WithDevice",
        "Gorvix.Core.Plans.Builds.DeedFact.get_InIds",
        "Gorvix.Core.Files.Describing.LeafletWriter",
        "Gorvix.Core.Files.Describing.PatternMaker.Gives",
        "Gorvix.Core.Work.Drills.DrillGround",
        "Gorvix.Core.Work.Drills.FaultDrill.",
        "Gorvix.Core.Work.Faults.CheckTests.IdOf",
        "Gorvix.Core.Work.Faults.CheckTests.<Print>b",
        "Gorvix.Core.Work.Faults.LookTests",
        "Gorvix.Core.Wired.Fit.UnlockReader/<>c.<WordsOf>b",
        "Gorvix.Core.Files.Formats.RuleBook.Page",
        "Gorvix.Core.Wired.Loom.OtherWayReader",
        "Gorvix.Core.Wired.Loom.StepReader.<AtDevices>b",
        "Gorvix.Core.Hardware.Parts.DeviceCheck/<>c.<Of>b",
        "Gorvix.Core.Hardware.Parts.PartCheck",
        "Gorvix.Core.Plans.Planning.PlanCost",
        "Gorvix.Core.Plans.Planning.RoomLeft",
        "Gorvix.Core.Hardware.Protocols.Framing.ToString",
        "Gorvix.Core.Plans.Routing.JobHold",
        "Gorvix.Core.Plans.Routing.RouteMaker.ClaimsOf",
        "Gorvix.Core.Plans.Routing.RouterFacts.TurnsOf",
        "Gorvix.Core.Wired.Settings.BoardSettingsReader",
        "Gorvix.Core.Wired.Settings.PortSettingsReader.ValueOf",
        "Gorvix.Core.Wired.Settings.SheetForm.Row",
        "Gorvix.Storage.RecordArchive",
        "Gorvix.Web.Features.DrillEndpoints/<File>d",
        "Gorvix.Web.Features.ModuleEndpoints",
        "Gorvix.Web.Features.PartEndpoints",
    ];

    [Fact]
    public void No_name_of_the_code_becomes_text() =>
        Assert.Equal(
            "",
            string.Join('\n', Named().Where(f => !Ids.Any(i => f.StartsWith(i, StringComparison.Ordinal))).Distinct())
        );

    // Members of enums that are turned into text by themselves: in a string with values, or by ToString.
    private static IEnumerable<string> Named() =>
        from assembly in Ours
        from type in ModuleDefinition.ReadModule(assembly.Location).GetTypes()
        where !Older.Any(o => type.FullName.Contains(o, StringComparison.Ordinal))
        from method in type.Methods
        where method.HasBody && method.Name is not "PrintMembers"
        from instruction in method.Body.Instructions
        let turned = instruction.Operand switch
        {
            GenericInstanceMethod { Name: "AppendFormatted" } call => call.GenericArguments[0],
            MethodReference { Name: "ToString" } when instruction.Previous?.OpCode == OpCodes.Constrained =>
                (TypeReference)instruction.Previous.Operand,
            _ => null,
        }
        where turned is not null && IsOurs(turned)
        select $"{type.FullName}.{method.Name}: {turned.Name}";

    private static bool IsOurs(TypeReference type) =>
        type.FullName.StartsWith("Gorvix.", StringComparison.Ordinal) && type.Resolve() is { IsEnum: true };

    // Three words in a row: ids, addresses and patterns are none.
    [GeneratedRegex(@"\p{L}{2,} \p{L}+ \p{L}{2,}")]
    private static partial Regex Sentence();

    [GeneratedRegex(@"\p{L}  \p{L}|(?<!\.)\.\.(?!\.)|\p{L} ,|,,")]
    private static partial Regex Slip();
}
