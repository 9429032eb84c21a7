using ArchUnitNET.Domain;
using ArchUnitNET.Fluent;
using ArchUnitNET.xUnitV3;
using ArchLoader = ArchUnitNET.Loader.ArchLoader;
using Assembly = System.Reflection.Assembly;

namespace Gorvix.Core.Tests;

/// <summary>The floors of the core: each uses only the floors above it, as docs/architecture.md says. The order of the storeys is the compiler's business.</summary>
public class FloorsTests
{
    [Fact]
    public void Every_type_stands_on_a_floor_of_its_storey() =>
        Assert.Subset(
            Storeys.All.SelectMany(s => s.Floors.Select(f => SpaceOf(s.Storey, f))).ToHashSet(),
            Storeys.Types.Select(t => t.Namespace!).ToHashSet()
        );

    /// <summary>Read off the compiled code, bodies of methods included.</summary>
    public static TheoryData<string, string> Below =>
        [
            .. from storey in Storeys.All
            from floor in storey.Floors.Index()
            from lower in storey.Floors.Skip(floor.Index + 1)
            select (SpaceOf(storey.Storey, floor.Item), SpaceOf(storey.Storey, lower)),
        ];

    [Theory]
    [MemberData(nameof(Below))]
    public void A_floor_uses_no_floor_below_it(string floor, string lower) => Uses(floor, lower).Check(Core);

    [Fact]
    public void The_look_at_the_compiled_code_sees_what_a_floor_does_use() =>
        Assert.Throws<FailedArchRuleException>(() =>
            Uses("Gorvix.Core.Wired.Fit", "Gorvix.Core.Wired.Rails").Check(Core)
        );

    private static IArchRule Uses(string floor, string lower) =>
        ArchRuleDefinition
            .Types()
            .That()
            .ResideInNamespace(floor)
            .Should()
            .NotDependOnAny(ArchRuleDefinition.Types().That().ResideInNamespace(lower));

    private static readonly Architecture Core = new ArchLoader()
        .LoadAssemblies([.. Storeys.All.Select(s => s.Storey)])
        .Build();

    private static string SpaceOf(Assembly storey, string floor) => $"{storey.GetName().Name}.{floor}";
}
