using System.Text.RegularExpressions;

namespace Gorvix.Web.Tests;

/// <summary>The map and the storeys' own pages name only files and floors that exist.</summary>
public partial class MapTests
{
    private static readonly string[] Files =
    [
        .. new[] { "src", "tests", "demo", "docs", "scripts" }
            .SelectMany(d => Directory.GetFiles(Path.Combine(Served.Project, d), "*", SearchOption.AllDirectories))
            .Select(f => Path.GetRelativePath(Served.Project, f).Replace(Path.DirectorySeparatorChar, '/'))
            .Where(f =>
                !f.Contains("/obj/", StringComparison.Ordinal) && !f.Contains("/bin/", StringComparison.Ordinal)
            )
            .Where(f => !f.Contains("/node_modules/", StringComparison.Ordinal)),
    ];

    public static TheoryData<string> Pages =>
        [
            "docs/architecture.md",
            .. Files.Where(f =>
                f.StartsWith("src/", StringComparison.Ordinal) && f.EndsWith("/README.md", StringComparison.Ordinal)
            ),
        ];

    [Theory]
    [MemberData(nameof(Pages))]
    public void Every_file_that_a_page_names_exists(string page)
    {
        var text = File.ReadAllText(Path.Combine(Served.Project, page));
        var named = Named().Matches(text).Select(m => m.Groups[1].Value.TrimEnd('/')).ToList();
        Assert.NotEmpty(named);
        // "Core/…" stands for the folder of that name; a name by itself may lie anywhere.
        Assert.Equal(
            [],
            named.FindAll(n => !Files.Any(f => $"/{f}/".Contains($"/{Whole(n)}/", StringComparison.Ordinal)))
        );
        foreach (var link in Link().Matches(text).Select(m => m.Groups[1].Value))
        {
            var target = Path.GetFullPath(Path.Combine(Served.Project, Path.GetDirectoryName(page)!, link));
            Assert.True(File.Exists(target), $"{page} links to {link}");
        }
    }

    [Fact]
    public void Each_storey_and_floor_is_on_its_page()
    {
        var map = File.ReadAllText(Path.Combine(Served.Project, "docs", "architecture.md"));
        Assert.True(map.Split('\n').Length <= 100, "The map is one page.");
        var storeys = Directory.GetDirectories(Path.Combine(Served.Project, "src", "Gorvix.Core"));
        Assert.Equal(5, storeys.Length);
        foreach (var storey in storeys)
        {
            var page = File.ReadAllText(Path.Combine(storey, "README.md"));
            var floors = Directory
                .GetDirectories(storey)
                .Select(d => Path.GetFileName(d))
                .Except(["bin", "obj"])
                .ToList();
            Assert.All(floors, f => Assert.Contains($"\n| {f} | ", page, StringComparison.Ordinal));
            Assert.All(floors, f => Assert.Matches($@"(├|└).*\b{f}\b", map));
        }
    }

    private static string Whole(string name) => Regex.Replace(name, "^(Core|Storage|Web|Client)(?=/)", "Gorvix.$1");

    [GeneratedRegex(@"`([\w./-]+(?:\.(?:cs|vue|ts|css|json|md|txt)|/))`")]
    private static partial Regex Named();

    [GeneratedRegex(@"\]\((?!http)([^)#]+)\)")]
    private static partial Regex Link();
}
