using System.Reflection;
using Gorvix.Core.Files.Formats;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Work.Bench;

namespace Gorvix.Core.Tests;

/// <summary>The core's storeys, each an assembly, and the floors of each from the top.</summary>
internal static class Storeys
{
    public static readonly (Assembly Storey, string[] Floors)[] All =
    [
        (typeof(Finding).Assembly, ["Findings", "Protocols", "Parts", "Circuits", "Supply"]),
        (typeof(Build).Assembly, ["Builds", "Routing", "Scheduling", "Planning"]),
        (
            typeof(WiredBuild).Assembly,
            ["Wiring", "Words", "Rails", "Loom", "Navigation", "Gnss", "Settings", "Leaflets", "Picture", "Fit"]
        ),
        (typeof(GorvixFile).Assembly, ["Formats", "Describing"]),
        (typeof(BenchSheet).Assembly, ["FaultModel", "Bench", "Log", "Faults", "Drills", "Tables", "Papers"]),
    ];

    /// <summary>Every type of the core that is ours.</summary>
    public static IEnumerable<Type> Types =>
        All.SelectMany(s => s.Storey.GetTypes())
            .Where(t => t.Namespace?.StartsWith("Gorvix.Core", StringComparison.Ordinal) == true);
}
