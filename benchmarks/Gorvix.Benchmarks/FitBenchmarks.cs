using BenchmarkDotNet.Attributes;
using Gorvix.Core.Builds;
using Gorvix.Core.Fit;
using Gorvix.Core.Formats;
using Gorvix.Core.Parts;
using Gorvix.Core.Planning;
using Gorvix.Core.Routing;

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
        var demo = Path.Combine(AppContext.BaseDirectory, "demo");
        var library = PartsLibrary.Empty;
        foreach (var part in Directory.GetFiles(Path.Combine(demo, "parts")))
        {
            library = library.With(GorvixReader.Read(File.ReadAllBytes(part), library).File!.Parts());
        }
        var file = GorvixReader.Read(File.ReadAllBytes(Path.Combine(demo, "builds", $"{Name}.json")), library).File!;
        _build = ResolvedBuild.Of(file.Builds[0], library).Build!;
        _ways = Router.WaysOf(_build);
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
