using System.Globalization;
using Gorvix.Browser.Tests;

namespace Gorvix.Benchmarks;

/// <summary>
/// What a builder waits for: from the key that pins a link to the frame that shows the new plan, through browser, server,
/// database and planner. Each demo build has its links pinned and unpinned in turn where they already are or could be.
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
        foreach (
            var (build, link, port) in new[]
            {
                ("north-face-hare", "position", "U1"),
                ("haul-road-heron", "position", "U6"),
                ("east-bench-kestrel", "control", "U4"),
                ("spoil-tip-owl", "control", "U5"),
            }
        )
        {
            await using var page = await Page.Open($"/builds/{build}/fit?link={link}&port={port}");
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
