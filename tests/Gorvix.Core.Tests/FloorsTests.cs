using System.Reflection;
using Gorvix.Core.Findings;

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
        "Builds",
        "Routing",
        "Planning",
        "Wiring",
        "Words",
        "Fit",
        "Formats",
    ];

    [Fact]
    public void Every_type_stands_on_a_floor() =>
        Assert.Empty(Types().Where(t => FloorOf(t) < 0).Select(t => t.FullName));

    [Fact]
    public void A_floor_uses_only_the_floors_above_it() =>
        Assert.Empty(
            from type in Types()
            from used in UsedBy(type)
            where FloorOf(used) > FloorOf(type)
            select $"{type.FullName} uses {used.FullName}"
        );

    private static IEnumerable<Type> Types() =>
        typeof(Finding).Assembly.GetTypes().Where(t => t.Namespace?.StartsWith("Gorvix.Core") == true);

    private static int FloorOf(Type type) => Array.IndexOf(Floors, type.Namespace!.Split('.').ElementAtOrDefault(2));

    private static IEnumerable<Type> UsedBy(Type type)
    {
        const BindingFlags all =
            BindingFlags.Public
            | BindingFlags.NonPublic
            | BindingFlags.Static
            | BindingFlags.Instance
            | BindingFlags.DeclaredOnly;
        var methods = type.GetMethods(all).Cast<MethodBase>().Concat(type.GetConstructors(all));
        var named = type.GetFields(all)
            .Select(f => f.FieldType)
            .Concat(type.GetMethods(all).Select(m => m.ReturnType))
            .Concat(methods.SelectMany(m => m.GetParameters().Select(p => p.ParameterType)))
            .Concat(methods.SelectMany(m => m.GetMethodBody()?.LocalVariables.Select(v => v.LocalType) ?? []));
        return named
            .SelectMany(Open)
            .Where(t => t.Assembly == type.Assembly && t.Namespace?.StartsWith("Gorvix.Core") == true);
    }

    // List<Route>, Route[] and the like speak of Route.
    private static IEnumerable<Type> Open(Type type) =>
        type.IsGenericType ? type.GetGenericArguments().SelectMany(Open).Append(type)
        : type.GetElementType() is { } element ? Open(element)
        : [type];
}
