using Gorvix.Core.Files.Formats;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Work.Drills;

namespace Gorvix.Core.Tests.Drills;

/// <summary>The demo builds to practise on, planned once.</summary>
internal static class Grounds
{
    private static readonly Lazy<IReadOnlyList<(Build Build, DrillGround Ground)>> Made = new(() =>
        [.. Demo.Builds.Select(b => (b, new DrillGround(Resolved(b, Demo.Library), new DateOnly(2026, 11, 27))))]
    );

    public static IReadOnlyList<(Build Build, DrillGround Ground)> Demos => Made.Value;

    public static DrillOrder Order(DrillKind kind, int level = 1, int seed = 7, params string[] cards) =>
        new()
        {
            Kind = kind,
            Level = level,
            Seed = seed,
            Cards = cards,
        };
}
