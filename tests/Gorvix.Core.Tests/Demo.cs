using Gorvix.Core.Builds;
using Gorvix.Core.Fit;
using Gorvix.Core.Formats;
using Gorvix.Core.Parts;

namespace Gorvix.Core.Tests;

/// <summary>The demo files, read the way the program reads them.</summary>
internal static class Demo
{
    private static readonly string Folder = Path.Combine(AppContext.BaseDirectory, "demo");

    public static PartsLibrary Library { get; } =
        Files("parts").Aggregate(PartsLibrary.Empty, (library, path) => library.With(Read(path, library).Parts()));

    public static Build NorthFaceHare { get; } = BuildIn("north-face-hare.json");

    public static Build HaulRoadHeron { get; } = BuildIn("haul-road-heron.json");

    public static FitReader Fit(Build build) => new(ResolvedBuild.Create(build, Library));

    public static IEnumerable<string> Files(string folder) =>
        Directory.GetFiles(Path.Combine(Folder, folder), "*.json").Order(StringComparer.Ordinal);

    private static GorvixFile Read(string path, PartsLibrary library)
    {
        var result = GorvixReader.Read(File.ReadAllBytes(path), library);
        return result.File ?? throw new InvalidDataException($"{path}: {result.Findings[0].Sentence}");
    }

    private static Build BuildIn(string name) => Read(Path.Combine(Folder, "builds", name), Library).Builds[0];
}
