using System.Globalization;
using System.Text.Json;
using Gorvix.Browser.Tests;

namespace Gorvix.Benchmarks;

/// <summary>
/// What a builder waits for: from the key that pins a link to the frame that shows the new plan, through browser, server,
/// database and planner. Each demo build has its first carried link pinned where it is and unpinned, in turn.
/// </summary>
internal static class PinRuns
{
    private const int Pins = 40;

    // Clicks the button of the panel and waits until the grid says that the pin came or went, and that frame is painted.
    private const string PinOnce = """
        const done = arguments[0]
        const before = document.querySelector('#pin').getAttribute('aria-pressed') ?? document.querySelector('#pin').textContent
        const start = performance.now()
        const seen = new MutationObserver(() => {
          const button = document.querySelector('#pin')
          if (!button || (button.getAttribute('aria-pressed') ?? button.textContent) === before) return
          seen.disconnect()
          requestAnimationFrame(() => setTimeout(() => done(performance.now() - start), 0))
        })
        seen.observe(document.querySelector('main'), { subtree: true, childList: true, characterData: true, attributes: true })
        document.querySelector('#pin').click()
        """;

    /// <summary>Runs all and prints.</summary>
    public static async Task Run()
    {
        var builds = Path.Combine(AppContext.BaseDirectory, "demo", "builds");
        foreach (var file in Directory.GetFiles(builds, "*.json").Order(StringComparer.Ordinal))
        {
            var build = Path.GetFileNameWithoutExtension(file);
            await using var page = await Page.Open("/");
            using var http = new HttpClient();
            using var fit = JsonDocument.Parse(await http.GetStringAsync($"{page.Root}/api/builds/{build}/fit"));
            var link = fit
                .RootElement.GetProperty("sheet")
                .GetProperty("links")
                .EnumerateArray()
                .First(l => l.GetProperty("port").ValueKind == JsonValueKind.String);
            page.Go($"/builds/{build}/fit?link={link.GetProperty("id")}&port={link.GetProperty("port")}");
            page.Find("#pin");
            var times = new List<double>();
            for (var i = -40; i < Pins; i++)
            {
                var time = Convert.ToDouble(page.RunAsync(PinOnce), CultureInfo.InvariantCulture);
                if (i >= 0)
                {
                    times.Add(time);
                }
            }
            times.Sort();
            Console.WriteLine(
                $"pin to paint, {build}: median {times[Pins / 2]:0} ms, 9 of 10 within {times[Pins * 9 / 10]:0} ms"
            );
        }
    }
}
