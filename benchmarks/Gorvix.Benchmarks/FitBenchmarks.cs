using BenchmarkDotNet.Attributes;
using Gorvix.Core.Files.Formats;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Plans.Routing;
using Gorvix.Core.Wired.Fit;

namespace Gorvix.Benchmarks;

/// <summary>What a pin on the screen costs in the core: planning alone, and the whole sheet with every cell's price.</summary>
[ShortRunJob]
[MemoryDiagnoser]
public class FitBenchmarks
{
    private ResolvedBuild _build = null!;
    private BuildWays _ways = null!;

    /// <summary>The demo build to plan.</summary>
    [Params("north-face-hare", "haul-road-heron", "spoil-tip-owl")]
    public string Name { get; set; } = "";

    /// <summary>Reads the demo files.</summary>
    [GlobalSetup]
    public void Read()
    {
        var (library, builds) = Demo();
        _build = ResolvedBuild.Of(builds[Name], library).Build!;
        _ways = Router.WaysOf(_build);
    }

    /// <summary>The demo's parts, and its builds by the names of their files.</summary>
    internal static (PartsLibrary Library, IReadOnlyDictionary<string, Build> Builds) Demo()
    {
        var demo = Path.Combine(AppContext.BaseDirectory, "demo");
        var library = PartsLibrary.Empty;
        foreach (var part in Directory.GetFiles(Path.Combine(demo, "parts")))
        {
            library = library.With(GorvixReader.Read(File.ReadAllBytes(part), library).File!.Parts());
        }
        return (
            library,
            Directory
                .GetFiles(Path.Combine(demo, "builds"))
                .ToDictionary(
                    f => Path.GetFileNameWithoutExtension(f),
                    f => GorvixReader.Read(File.ReadAllBytes(f), library).File!.Builds[0]
                )
        );
    }

    /// <summary>The best plan, ways known.</summary>
    [Benchmark(Baseline = true)]
    public Plan PlanAgain() => Planner.Best(new PlanSpace(_ways));

    /// <summary>All ways of all links.</summary>
    [Benchmark]
    public BuildWays Route() => Router.WaysOf(_build);

    /// <summary>Ways, plan, prices and words: what one change of the builder asks of the core.</summary>
    [Benchmark]
    public FitSheet WholeSheet() => new FitReader(_build).Sheet();
}
