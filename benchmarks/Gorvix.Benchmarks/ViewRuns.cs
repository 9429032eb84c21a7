using System.Globalization;
using Gorvix.Browser.Tests;

namespace Gorvix.Benchmarks;

/// <summary>
/// What a builder waits for besides a pin: the first view, cold, with what comes over the wire for it; and a wish that is
/// weighed anew on Parts, from the click to the frame that shows it.
/// </summary>
internal static class ViewRuns
{
    private const int Wishes = 40;

    private const string FirstView = """
        const done = arguments[0]
        const report = (paint) => {
          const all = [...performance.getEntriesByType('navigation'), ...performance.getEntriesByType('resource')]
          const own = all.filter((e) => !e.name.includes('/api/'))
          const fonts = own.filter((e) => e.name.includes('.woff'))
          const sum = (list) => list.reduce((n, e) => n + e.encodedBodySize, 0)
          done([sum(own) - sum(fonts), sum(fonts), paint].join(' '))
        }
        const poll = () => {
          const paint = performance.getEntriesByName('first-contentful-paint')[0]
          if (paint) report(paint.startTime)
          else setTimeout(poll, 20)
        }
        setTimeout(poll, 500)
        """;

    // The charge goes up and down by a few hundredths of a volt; over when the frame is painted that shows the battery's new volts.
    private const string SlideOnce = """
        const done = arguments[arguments.length - 1]
        const slider = document.querySelector("[data-field='charge']")
        const shown = () => document.querySelector("[data-rail='bat'] .gives").textContent
        const was = shown()
        const start = performance.now()
        slider.value = Number(slider.value) > 3.9 ? 3.7 + Math.random() / 10 : 4 + Math.random() / 10
        slider.dispatchEvent(new Event('input'))
        const watch = new MutationObserver(() => {
          if (shown() === was) return
          watch.disconnect()
          requestAnimationFrame(() => setTimeout(() => done(performance.now() - start), 0))
        })
        watch.observe(document.querySelector('main'), { subtree: true, characterData: true, childList: true })
        """;

    // A box is ticked or cleared; over when the frame with it is painted. The next one waits until it is saved.
    private const string TickOnce = """
        const done = arguments[arguments.length - 1]
        const box = document.querySelector("[data-step='backup'] .tick")
        const was = box.getAttribute('aria-checked')
        const saved = () => document.querySelector('.saved')?.textContent === 'Saved'
        const start = performance.now()
        let took = 0
        const end = () => (saved() && took > 0 ? done(took) : setTimeout(end, 20))
        const watch = new MutationObserver(() => {
          if (box.getAttribute('aria-checked') === was) return
          watch.disconnect()
          requestAnimationFrame(() =>
            setTimeout(() => {
              took = performance.now() - start
              setTimeout(end, 50)
            }, 0),
          )
        })
        watch.observe(document.querySelector('main'), { subtree: true, attributes: true })
        box.click()
        """;

    // Satellites from few to many and back; over when the load of the line is painted.
    private const string BudgetOnce = """
        const done = arguments[arguments.length - 1]
        const slider = document.querySelector("[data-field='satellites']")
        const shown = () => document.querySelector("[data-testid='load'] strong").textContent
        const was = shown()
        const start = performance.now()
        slider.value = Number(slider.value) > 30 ? 5 : 55
        slider.dispatchEvent(new Event('input'))
        const watch = new MutationObserver(() => {
          if (shown() === was) return
          watch.disconnect()
          requestAnimationFrame(() => setTimeout(() => { const took = performance.now() - start; setTimeout(() => done(took), 60) }, 0))
        })
        watch.observe(document.querySelector('main'), { subtree: true, characterData: true, childList: true })
        """;

    // A word more in the template; over when what it makes is painted.
    private const string FormOnce = """
        const done = arguments[arguments.length - 1]
        const field = document.querySelector("textarea[data-field='template'], [data-field='template'] textarea")
        const shown = () => document.querySelector("[data-testid='form-text']").textContent
        const was = shown()
        const start = performance.now()
        field.value = field.value.startsWith('x') ? field.value.slice(1) : 'x' + field.value
        field.dispatchEvent(new Event('input'))
        const watch = new MutationObserver(() => {
          if (shown() === was) return
          watch.disconnect()
          requestAnimationFrame(() => setTimeout(() => { const took = performance.now() - start; setTimeout(() => done(took), 60) }, 0))
        })
        watch.observe(document.querySelector('main'), { subtree: true, characterData: true, childList: true })
        """;

    private const string WeighOnce = """
        const done = arguments[0]
        const all = [...document.querySelectorAll('[data-priority$=" nice"], [data-priority$=" want"]')]
        const button = all.find((b) => !b.classList.contains('v-btn--active'))
        const start = performance.now()
        let sent = false
        const seen = new MutationObserver(() => {
          const now = document.querySelector('.saved')?.textContent
          if (now !== 'Saved') sent = true
          if (!sent || now !== 'Saved') return
          seen.disconnect()
          requestAnimationFrame(() => setTimeout(() => done(performance.now() - start), 0))
        })
        seen.observe(document.body, { subtree: true, childList: true, characterData: true, attributes: true })
        button.click()
        """;

    /// <summary>Runs all and prints.</summary>
    public static async Task Run()
    {
        foreach (
            var path in new[] { "/", "/builds/rim-walk-rook/fit", "/builds/rim-walk-rook/parts", "/new", "/library" }
        )
        {
            await using var page = await Page.Open(path);
            page.Find("main h1");
            var told = ((string)page.RunAsync(FirstView)!)
                .Split(' ')
                .Select(n => double.Parse(n, CultureInfo.InvariantCulture))
                .ToArray();
            Console.WriteLine(
                $"first view {path}: {told[0] / 1000:0} kB of scripts, styles and page, {told[1] / 1000:0} kB of fonts, first paint {told[2]:0} ms"
            );
        }
        foreach (var build in new[] { "north-face-hare", "haul-road-heron", "spoil-tip-owl", "rim-walk-rook" })
        {
            await Painted("wish", $"/builds/{build}/parts", "[data-priority]", WeighOnce);
            await Painted("step of the slider", $"/builds/{build}/rails", "[data-field='charge']", SlideOnce);
            await Painted("tick", $"/builds/{build}/loom", "[data-step='backup'] .tick", TickOnce);
        }
    }

    /// <summary>The previews of the settings alone.</summary>
    public static async Task Previews()
    {
        foreach (var build in new[] { "crusher-house-lark", "rim-walk-rook" })
        {
            await Painted("budget", $"/builds/{build}/settings?part=gnss", "[data-testid='load'] strong", BudgetOnce);
            await Painted("own form", $"/builds/{build}/settings?part=form", "[data-testid='form-text']", FormOnce);
        }
    }

    private static async Task Painted(string what, string path, string css, string script)
    {
        await using var page = await Page.Open(path);
        page.Find(css);
        var times = new List<double>();
        for (var i = -20; i < Wishes; i++)
        {
            var time = Convert.ToDouble(page.RunAsync(script), CultureInfo.InvariantCulture);
            if (i >= 0)
            {
                times.Add(time);
            }
        }
        times.Sort();
        Console.WriteLine(
            $"{what} to paint, {path}: median {times[Wishes / 2]:0} ms, 9 of 10 within {times[Wishes * 9 / 10]:0} ms"
        );
    }
}
