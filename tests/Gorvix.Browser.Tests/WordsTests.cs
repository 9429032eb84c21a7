using System.Diagnostics;
using System.Text;
using System.Text.RegularExpressions;
using Gorvix.Core.Tests.Planning;
using Gorvix.Web.Tests;

namespace Gorvix.Browser.Tests;

/// <summary>
/// docs/words.txt: every sentence and label that the demo builds and one build at the limits bring onto a screen, and what stands in the client's own
/// source, one a line, by screen. Lines that differ in numbers only stand once. <c>./test --write</c> writes it; whoever changes words reads its
/// difference aloud.
/// </summary>
public partial class WordsTests
{
    private const int Limits = 19;

    private static readonly string[] Builds =
    [
        .. Directory
            .GetFiles(Path.Combine(AppContext.BaseDirectory, "demo", "builds"))
            .Select(f => Path.GetFileName(f).Split('.')[0])
            .Order(StringComparer.Ordinal),
        $"at-the-limits-{Limits}",
    ];

    // A screen and the addresses that show it.
    private static readonly (string Screen, string[] Paths)[] Screens =
    [
        ("Builds", ["/"]),
        ("New build", ["/new"]),
        ("Parts", [.. Builds.Select(b => $"/builds/{b}/parts")]),
        ("Fit", [.. Builds.Select(b => $"/builds/{b}/fit")]),
        ("Before you buy", ["/builds/haul-road-heron/sweep", "/builds/spoil-tip-owl/sweep"]),
        (
            "Rails",
            [
                .. Builds.Select(b => $"/builds/{b}/rails"),
                "/builds/crusher-house-lark/rails?view=picture&lead=camera%20v",
            ]
        ),
        ("Loom", [.. Builds.Select(b => $"/builds/{b}/loom")]),
        ("Wiring picture", [.. Builds.Select(b => $"/builds/{b}/loom?view=picture")]),
        (
            "Settings",
            [
                .. Builds.Select(b => $"/builds/{b}/settings"),
                .. new[] { "read", "gnss", "compass", "form" }.Select(p => $"/builds/rim-walk-rook/settings?part={p}"),
            ]
        ),
        (
            "Bench",
            [.. Builds.Select(b => $"/builds/{b}/bench"), "/builds/rim-walk-rook/bench?large=1&at=power.limited"]
        ),
        ("Faults", [.. Builds.Select(b => $"/builds/{b}/faults")]),
        ("Log", [.. Builds.Select(b => $"/builds/{b}/log")]),
        ("Practice", ["/drill"]),
        ("Fleet", ["/club"]),
        (
            "Library",
            [
                "/library",
                "/library/boards/thornwick-pawl-f7-r2",
                "/library/devices/brindlow-beacon-d6",
                "/library/devices/corvane-sedge-3",
                "/library/compare?device=brindlow-beacon-d4&device=brindlow-beacon-d6&device=brindlow-lantern-60",
            ]
        ),
        (
            "Board and device editors",
            [
                "/library/boards/new",
                "/library/boards/thornwick-lever-f4-r3/change",
                "/library/devices/new",
                "/library/devices/corvane-sedge-3/change",
            ]
        ),
        ("Import", ["/take-in"]),
    ];

    // What is read and what is spoken, in the order of the page. Code and numbers by themselves are no words.
    private const string Said = """
        document.querySelectorAll('details').forEach((d) => (d.open = true))
        document.querySelectorAll('li').forEach((l) => l.append(' '))
        const lines = document.body.innerText.split(/[\n\t]+/)
        for (const e of document.querySelectorAll('[aria-label], [title], [placeholder]'))
          if (e.checkVisibility()) lines.push(e.ariaLabel, e.title, e.placeholder)
        return lines.filter(Boolean).map((l) => l.replace(/\s+/g, ' ').trim()).filter((l) => /[A-Za-z]{2}/.test(l)).join('\n')
        """;

    [Fact]
    public async Task Every_word_that_is_shown_stands_in_one_file()
    {
        await using var page = await Page.Open("/");
        page.TakeIn(AtTheLimits.Of(Limits));
        page.Go("/");
        page.Settles();
        Count(page);
        // Build by build, so that each is planned once.
        var said = new Dictionary<string, string[]>();
        foreach (
            var path in Screens
                .SelectMany(s => s.Paths)
                .OrderBy(p => Builds.Index().LastOrDefault(b => p.Contains(b.Item, StringComparison.Ordinal)).Index)
        )
        {
            To(page, path);
            said[path] = ((string)page.Run(Said)!).Split('\n');
        }
        var known = new HashSet<string>(StringComparer.Ordinal);
        var text = new StringBuilder();
        foreach (var (screen, paths) in Screens)
        {
            text.Append('\n').Append("## ").Append(screen).Append('\n');
            foreach (var line in paths.SelectMany(p => said[p]).Where(l => known.Add(Pattern(l))))
            {
                text.Append(Steady(line)).Append('\n');
            }
        }
        text.Append("\n## In the client's source: states, errors and spoken names as well\n").Append(await InSource());
        var words = text.ToString().TrimStart();
        var kept = Path.Combine(Served.Project, "docs", "words.txt");
        if (Environment.GetEnvironmentVariable("GORVIX_WRITE") == "yes")
        {
            await File.WriteAllTextAsync(kept, words, TestContext.Current.CancellationToken);
        }
        // Numbers may be others: a declination drifts, a price is another one.
        var before = await File.ReadAllTextAsync(kept, TestContext.Current.CancellationToken);
        Assert.Equal(before.Split('\n').Select(Pattern), words.Split('\n').Select(Pattern));
    }

    // Counts what the page asks for, and when it last changed.
    private static void Count(Page page) =>
        page.Run(
            """
            const ask = window.fetch
            window.asked = 0
            window.fetch = async (...what) => {
              window.asked++
              try { return await ask(...what) } finally { window.asked--; window.changed = performance.now() }
            }
            new MutationObserver(() => (window.changed = performance.now()))
              .observe(document, { subtree: true, childList: true, characterData: true, attributes: true })
            """
        );

    // Another address of the same page, as a link leads to it: until its screen is there, no answer is awaited and nothing has changed for a while.
    private static void To(Page page, string path)
    {
        page.RunAsync(
            """
            const [path, done] = arguments
            document.querySelector('#app').__vue_app__.config.globalProperties.$router.push(path).then(() => {
              window.changed = performance.now()
              done()
            })
            """,
            path
        );
        page.Until(
            _ =>
                page.Run("return window.asked === 0 && performance.now() - window.changed > 250") is true
                    ? "yes"
                    : null,
            "the last answer"
        );
        page.Settles();
    }

    private static async Task<string> InSource()
    {
        var script = Path.Combine(Served.Project, "src", "Gorvix.Client", "scripts", "words.mjs");
        using var node = Process.Start(new ProcessStartInfo("node", [script]) { RedirectStandardOutput = true })!;
        return await node.StandardOutput.ReadToEndAsync(TestContext.Current.CancellationToken);
    }

    // The same words with other numbers are the same line.
    private static string Pattern(string line) => Number().Replace(Steady(line), "#");

    // What is another each day stands as what it is.
    private static string Steady(string line) => Version().Replace(Moment().Replace(line, "(date)"), "(version)");

    [GeneratedRegex(@"\d+(?:[.,  ]\d+)*")]
    private static partial Regex Number();

    [GeneratedRegex(
        @"\b(?:\d{1,2} )?(?:Jan|Feb|Mar|Apr|May|Jun|Jul|Aug|Sep|Oct|Nov|Dec)[a-z]* (?:\d{1,2}, )?\d{4}(?:,? \d{1,2}:\d{2}(?::\d{2})?(?:.[AP]M)?)?|\b\d{1,2}:\d{2}(?::\d{2})?(?:.[AP]M)?"
    )]
    private static partial Regex Moment();

    [GeneratedRegex(@"\b0\.1\.0[^ ]*")]
    private static partial Regex Version();
}
