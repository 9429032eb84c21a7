using Gorvix.Core.Files.Formats;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Wired.Fit;

namespace Gorvix.Core.Tests;

/// <summary>The demo files, read the way the program reads them.</summary>
internal static class Demo
{
    private static readonly string Folder = Path.Combine(AppContext.BaseDirectory, "demo");

    public static PartsLibrary Library { get; } =
        Files("parts").Aggregate(PartsLibrary.Empty, (library, path) => library.With(Read(path, library).Parts()));

    public static Build NorthFaceHare { get; } = BuildIn("north-face-hare.json");

    public static Build HaulRoadHeron { get; } = BuildIn("haul-road-heron.json");

    public static Build EastBenchKestrel { get; } = BuildIn("east-bench-kestrel.json");

    public static Build SpoilTipOwl { get; } = BuildIn("spoil-tip-owl.json");

    public static Build WeighbridgeWren { get; } = BuildIn("weighbridge-wren.json");

    public static Build RampSwift { get; } = BuildIn("ramp-swift.json");

    public static Build CrusherHouseLark { get; } = BuildIn("crusher-house-lark.json");

    public static Build DrillShedGull { get; } = BuildIn("drill-shed-gull.json");
    public static Build RimWalkRook { get; } = BuildIn("rim-walk-rook.json");
    public static Build TipTrackPipit { get; } = BuildIn("tip-track-pipit.json");

    /// <summary>All of them.</summary>
    public static IReadOnlyList<Build> Builds { get; } =
    [
        NorthFaceHare,
        HaulRoadHeron,
        EastBenchKestrel,
        SpoilTipOwl,
        WeighbridgeWren,
        RampSwift,
        CrusherHouseLark,
        DrillShedGull,
        RimWalkRook,
        TipTrackPipit,
    ];

    public const string Lever = "thornwick-lever-f4-r3";
    public const string Spindle = "thornwick-spindle-f7-r1";
    public const string Pinion = "askerdale-pinion-f4-r2";
    public const string Mote = "cobbold-mote-f1-r5";
    public const string Nib = "cobbold-nib-f4-r2";

    /// <summary>A build of demo parts: each link is "device part/function", is named after the function and is a must.</summary>
    public static Build On(string board, params string[] links)
    {
        var parts = links.Select(l => l.Split('/')).ToList();
        return new Build
        {
            Name = "bench",
            Board = board,
            Devices = [.. parts.Select(p => p[0]).Distinct().Select(p => new BuildDevice { Id = p, Part = p })],
            Wants =
            [
                .. parts.Select(p => new Want
                {
                    Link = p[1],
                    Device = p[0],
                    Function = p[1],
                    Priority = Priority.Required,
                }),
            ],
        };
    }

    public static ResolvedBuild Resolve(this Build build) => Resolved(build, Library);

    /// <summary>The best plan of a demo build.</summary>
    public static Plan Plan(this Build build) => Planner.Best(build.Resolve());

    public static Build Pinned(this Build build, string link, string? port = null, string? pad = null) =>
        build with
        {
            Pins =
            [
                .. build.Pins,
                new RouteMatch
                {
                    Link = link,
                    Port = port,
                    Pad = pad,
                },
            ],
        };

    /// <summary>The route of a link as "port: lead>pad lead>pad", or "-".</summary>
    public static string Way(this Plan plan, string link) =>
        plan.RouteOf(link) is { } route
            ? $"{route.Port.Id}: {string.Join(' ', route.Walks.Select(w => $"{w.Lead.Label}>{w.Pad.Label}"))}"
            : "-";

    public static FitReader Fit(Build build) => new(Resolved(build, Library));

    public static IEnumerable<string> Files(string folder) =>
        Directory.GetFiles(Path.Combine(Folder, folder), "*.json").Order(StringComparer.Ordinal);

    private static GorvixFile Read(string path, PartsLibrary library)
    {
        var result = GorvixReader.Read(File.ReadAllBytes(path), library);
        return result.File ?? throw new InvalidDataException($"{path}: {result.Findings[0].Sentence}");
    }

    private static Build BuildIn(string name) => Read(Path.Combine(Folder, "builds", name), Library).Builds[0];
}
