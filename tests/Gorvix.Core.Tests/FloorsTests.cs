using ArchUnitNET.Domain;
using ArchUnitNET.Fluent;
using ArchUnitNET.xUnitV3;
using Gorvix.Core.Findings;
using ArchLoader = ArchUnitNET.Loader.ArchLoader;

namespace Gorvix.Core.Tests;

/// <summary>The floors of the core: each uses only the floors above it, as docs/architecture.md says.</summary>
public class FloorsTests
{
    private static readonly string[] Floors =
    [
        "Findings",
        "Protocols",
        "Parts",
        "Circuits",
        "Supply",
        "Builds",
        "Routing",
        "Planning",
        "Wiring",
        "Words",
        "Rails",
        "Loom",
        "Navigation",
        "Settings",
        "Bench",
        "Leaflets",
        "Fit",
        "Formats",
        "Describing",
        "Log",
        "Faults",
        "Drills",
        "Tables",
        "Papers",
    ];

    [Fact]
    public void Every_type_stands_on_a_floor() =>
        Assert.Empty(Types().Where(t => FloorOf(t) < 0).Select(t => t.FullName));

    /// <summary>Read off the compiled code, bodies of methods included.</summary>
    public static TheoryData<string, string> Below =>
        [.. Floors.Index().SelectMany(f => Floors.Skip(f.Index + 1).Select(lower => (f.Item, lower)))];

    [Theory]
    [MemberData(nameof(Below))]
    public void A_floor_uses_no_floor_below_it(string floor, string lower) =>
        ArchRuleDefinition
            .Types()
            .That()
            .ResideInNamespace($"Gorvix.Core.{floor}")
            .Should()
            .NotDependOnAny(ArchRuleDefinition.Types().That().ResideInNamespace($"Gorvix.Core.{lower}"))
            .Check(Core);

    [Fact]
    public void The_look_at_the_compiled_code_sees_what_a_floor_does_use() =>
        Assert.Throws<FailedArchRuleException>(() =>
            ArchRuleDefinition
                .Types()
                .That()
                .ResideInNamespace("Gorvix.Core.Fit")
                .Should()
                .NotDependOnAny(ArchRuleDefinition.Types().That().ResideInNamespace("Gorvix.Core.Planning"))
                .Check(Core)
        );

    private static readonly Architecture Core = new ArchLoader().LoadAssembly(typeof(Finding).Assembly).Build();

    private static IEnumerable<Type> Types() =>
        typeof(Finding).Assembly.GetTypes().Where(t => t.Namespace?.StartsWith("Gorvix.Core") == true);

    private static int FloorOf(Type type) => Array.IndexOf(Floors, type.Namespace!.Split('.').ElementAtOrDefault(2));
}
