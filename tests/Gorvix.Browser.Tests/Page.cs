using System.Text;
using Gorvix.Core.Files.Formats;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Web.Hosting;
using Gorvix.Web.Tests;
using Microsoft.AspNetCore.Builder;
using Microsoft.Data.Sqlite;
using OpenQA.Selenium;
using OpenQA.Selenium.Chrome;
using OpenQA.Selenium.Interactions;
using OpenQA.Selenium.Support.UI;

namespace Gorvix.Browser.Tests;

/// <summary>
/// A browser on a running Gorvix, with data of its own or on the demo that all share who only read. Every page that was opened must leave the
/// console empty.
/// </summary>
public sealed partial class Page : IAsyncDisposable
{
    // Only a state that never comes takes so long: a slow machine, or one with other work, is no fault.
    private static readonly TimeSpan Patience = TimeSpan.FromMinutes(3);

    private readonly Browser _browser;
    private readonly StartOptions _options;

    private ChromeDriver _driver => _browser.Driver;

    // The demo for those who change nothing of it: its plans and tables are made once.
    private static readonly Lazy<Task<(WebApplication App, StartOptions Options, long Rows)>> Shared = new(Share);

    private readonly bool _reads;
    private WebApplication _app;
    private string _look = "light";

    private Page(WebApplication app, StartOptions options, Browser browser, string downloads, bool reads)
    {
        (_app, _browser, Downloads, _reads) = (app, browser, downloads, reads);
        Root = app.Urls.First();
        _options = options with { Port = new Uri(Root).Port };
    }

    public string Root { get; }

    /// <summary>The folder of the server's data.</summary>
    public string Data => _options.Data;

    public string Downloads { get; }

    public IWebDriver Driver => _driver;

    /// <summary>Opens an address on the demo that is shared; the test must leave the data as they are.</summary>
    public static async Task<Page> Read(string path, int width = 1280, int height = 800, string look = "light")
    {
        var (app, options, _) = await Shared.Value;
        return On(app, options, Browsers.Take(), path, width, height, look, reads: true);
    }

    /// <summary>Opens an address on a Gorvix with data of its own.</summary>
    public static async Task<Page> Open(
        string path,
        string? demo = "demo",
        int width = 1280,
        int height = 800,
        string look = "light"
    )
    {
        var browser = Browsers.Take();
        var data = demo == "demo" ? await Served.DemoData() : Served.NewFolder();
        var options = OptionsFor(data, demo) with { Port = browser.Port };
        return On(await Served.Start(options), options, browser, path, width, height, look, reads: false);
    }

    private static Page On(
        WebApplication app,
        StartOptions options,
        Browser browser,
        string path,
        int width,
        int height,
        string look,
        bool reads
    )
    {
        var page = new Page(app, options, browser, Served.NewFolder(), reads);
        page.Look(look);
        page.Resize(width, height);
        page.Go(path);
        return page;
    }

    private static StartOptions OptionsFor(string data, string? demo)
    {
        string Beside(string name) => Path.Combine(AppContext.BaseDirectory, name);
        return new StartOptions(0, data, demo is null ? null : Beside(demo), Served.ClientFiles);
    }

    private static async Task<(WebApplication, StartOptions, long)> Share()
    {
        var options = OptionsFor(await Served.DemoData(), "demo");
        return (await Served.Start(options), options, await Rows(options));
    }

    // Everything that is kept, but for cards, which are kept as they are planned.
    private static async Task<long> Rows(StartOptions options)
    {
        await using var connection = new SqliteConnection(options.Folder.ConnectionString);
        await connection.OpenAsync();
        await using var command = connection.CreateCommand();
        command.CommandText =
            "SELECT group_concat('SELECT count(*) AS n FROM \"' || name || '\"', ' UNION ALL ') FROM sqlite_master "
            + "WHERE type = 'table' AND name <> 'Cards'";
        command.CommandText = $"SELECT sum(n) FROM ({await command.ExecuteScalarAsync()})";
        return (long)(await command.ExecuteScalarAsync())!;
    }

    private void Look(string look)
    {
        _driver.ExecuteCdpCommand(
            "Browser.setDownloadBehavior",
            new() { ["behavior"] = "allow", ["downloadPath"] = Downloads }
        );
        _look = look;
        Media("");
    }

    private void Media(string media) =>
        _driver.ExecuteCdpCommand(
            "Emulation.setEmulatedMedia",
            new()
            {
                ["media"] = media,
                ["features"] = new[]
                {
                    new Dictionary<string, object?> { ["name"] = "prefers-color-scheme", ["value"] = _look },
                },
            }
        );

    /// <summary>The server goes away under the page.</summary>
    public async Task StopServer()
    {
        await _app.StopAsync();
        await _app.DisposeAsync();
    }

    /// <summary>It comes back at the same address with the same data.</summary>
    public async Task StartServer() => _app = await Served.Start(_options);

    public async ValueTask DisposeAsync()
    {
        var clear = Browsers.Clear(_browser, Root);
        if (!_reads)
        {
            await _app.DisposeAsync();
        }
        if (clear)
        {
            Browsers.GiveBack(_browser);
        }
        if (_reads && await Rows(_options) != (await Shared.Value).Rows)
        {
            throw new InvalidOperationException(
                "Somebody has changed the demo that all share: open a page with data of its own."
            );
        }
    }

    public void Go(string path) => _driver.Navigate().GoToUrl(Root + path);

    /// <summary>Sizes the page itself, not the window around it.</summary>
    public void Resize(int width, int height)
    {
        var metrics = new Dictionary<string, object?>
        {
            ["width"] = width,
            ["height"] = height,
            ["deviceScaleFactor"] = 1,
            ["mobile"] = false,
        };
        _driver.ExecuteCdpCommand("Emulation.setDeviceMetricsOverride", metrics);
    }

    // In one go: what can be seen of the elements that a selector names. One without a box of its own is seen where something in it is.
    private const string Seen = """
        const seen = (e) => e.checkVisibility({ visibilityProperty: true }) || [...e.children].some(seen)
        return [...document.querySelectorAll(arguments[0])].filter(seen)
        """;

    public IWebElement Find(string css) => Until(d => Visible(d, css), css);

    private static IWebElement? Visible(IWebDriver driver, string css) =>
        (IWebElement?)((IJavaScriptExecutor)driver).ExecuteScript($"{Seen}[0] ?? null", css);

    public IReadOnlyList<IWebElement> All(string css) => _driver.FindElements(By.CssSelector(css));

    public string Text(string css) => Find(css).Text;

    /// <summary>
    /// Clicks what can be seen; the page is scrolled as a hand would, so that the bar at the top does not cover it. Where the page moved under
    /// the pointer and something else was hit, it is clicked again.
    /// </summary>
    public void Click(string css) =>
        Until(
            d =>
            {
                // Found and pressed in one go: what is drawn anew in between is looked for again.
                if (Visible(d, css) is not { } element)
                {
                    return null;
                }
                _driver.ExecuteScript(
                    """
                    arguments[0].scrollIntoView({ block: 'nearest' })
                    window.pressed = false
                    arguments[0].addEventListener('click', () => { window.pressed = true }, { capture: true, once: true })
                    """,
                    element
                );
                element.Click();
                // A page that was loaded anew knows nothing of it.
                return _driver.ExecuteScript("return window.pressed !== false") is true ? "yes" : null;
            },
            css
        );

    /// <summary>Opens a field's list and takes the entry with these words.</summary>
    public void Choose(string css, string text) => Choose(css, text, typed: "");

    /// <summary>Opens a field's list, types what makes it short, and takes the entry with these words.</summary>
    public void Choose(string css, string text, string typed)
    {
        Click($"{css} .v-field");
        if (typed.Length > 0)
        {
            Press(Keys.Control + "a");
            Press(typed);
        }
        Until(
            d =>
            {
                var entries = d.FindElements(By.CssSelector(".v-overlay--active .v-list-item"));
                if (entries.FirstOrDefault(e => e.Text.StartsWith(text, StringComparison.Ordinal)) is not { } entry)
                {
                    // A long list draws only what can be seen of it: on by half of that, and from its end to its top again.
                    _driver.ExecuteScript(
                        "const list = document.querySelector('.v-overlay--active .v-list');"
                            + "if (list) list.scrollTop = list.scrollTop + list.clientHeight >= list.scrollHeight - 1 ? 0 : list.scrollTop + list.clientHeight / 2"
                    );
                    return null;
                }
                entry.Click();
                return "yes";
            },
            $"{css} to offer {text}"
        );
        Gone(".v-menu.v-overlay--active");
    }

    /// <summary>Writes into a text field in place of what stands there, and leaves it.</summary>
    public void Write(string css, string text)
    {
        var field = Find($"{css} :is(input, textarea)");
        field.SendKeys(Keys.Control + "a");
        field.SendKeys((text == "" ? Keys.Delete : text) + Keys.Tab);
    }

    /// <summary>Waits until an element says something.</summary>
    public void Says(string css, string text) =>
        Until(
            d =>
                ((IJavaScriptExecutor)d).ExecuteScript(
                    $"{Seen}.some(e => (e.innerText ?? e.textContent).includes(arguments[1]))",
                    css,
                    text
                )
                    is true
                    ? "yes"
                    : null,
            $"{css} to say “{text}”"
        );

    /// <summary>Imports a build with its parts.</summary>
    public void TakeIn((Build Build, PartsLibrary Library) made) =>
        RunAsync(
            """
            const [text, done] = arguments
            const headers = { 'Content-Type': 'application/json' }
            fetch('/api/builds/import', { method: 'POST', headers, body: text }).then(() => done(null))
            """,
            Encoding.UTF8.GetString(GorvixReader.Write(GorvixFile.Of(made.Build, made.Library)))
        );

    /// <summary>Waits for a screen's name, and until nothing is loaded, planned or searched any more.</summary>
    public void Settles()
    {
        Find("main h1");
        Rests();
    }

    /// <summary>Waits until nothing is loaded, planned or searched any more.</summary>
    public void Rests() =>
        Until(
            _ =>
                Run(
                    """
                    const said = document.querySelector('main').innerText
                    return !document.querySelector('.v-skeleton-loader, .working') && !/(Planning|Loading|Searching)[^\n]*…/.test(said)
                      && !/\d+ of (\d+|…) checked/.test(said)
                    """
                )
                    is true
                    ? "yes"
                    : null,
            "the page to come to rest"
        );

    public void Gone(string css) =>
        Until(d => d.FindElements(By.CssSelector(css)).Count == 0 ? "yes" : null, $"{css} to go");

    /// <summary>Waits until the keys are on a cell of the grid, by what its name begins with: “control U1”.</summary>
    public void At(string cell) =>
        Until(
            d =>
                d.FindElements(By.CssSelector("td[tabindex='0']"))
                    .FirstOrDefault(e => e.GetAttribute("data-cell")!.StartsWith(cell, StringComparison.Ordinal)),
            $"the keys to be on {cell}"
        );

    public string CellText(string link, string port) => Find($"[data-cell='{link} {port}']").Text;

    /// <summary>Presses keys where the focus is; what is drawn anew before they arrive is looked for again.</summary>
    public void Press(string keys) =>
        Until(
            d =>
            {
                d.SwitchTo().ActiveElement().SendKeys(keys);
                return "yes";
            },
            "something to press keys on"
        );

    public object? Run(string script) => _driver.ExecuteScript(script);

    /// <summary>Runs a script that calls its first argument when it is done.</summary>
    public object? RunAsync(string script, params object[] arguments) => _driver.ExecuteAsyncScript(script, arguments);

    /// <summary>Taps an element with a finger.</summary>
    public void Tap(string css)
    {
        var element = Find(css);
        _driver.ExecuteScript("arguments[0].scrollIntoView({ block: 'nearest' })", element);
        var finger = new PointerInputDevice(PointerKind.Touch);
        var tap = new ActionSequence(finger)
            .AddAction(finger.CreatePointerMove(element, 0, 0, TimeSpan.Zero))
            .AddAction(finger.CreatePointerDown(MouseButton.Left))
            .AddAction(finger.CreatePointerUp(MouseButton.Left));
        _driver.PerformActions([tap]);
    }

    /// <summary>Shows the page as it would be printed.</summary>
    public void AsPrinted() => Media("print");

    /// <summary>The page as the browser would print it, on A4.</summary>
    public byte[] Print() =>
        Convert.FromBase64String(
            (string)
                (
                    (IReadOnlyDictionary<string, object>)
                        _driver.ExecuteCdpCommand(
                            "Page.printToPDF",
                            new Dictionary<string, object?>
                            {
                                ["paperWidth"] = 8.27,
                                ["paperHeight"] = 11.69,
                                ["printBackground"] = false,
                            }
                        )!
                )["data"]
        );

    /// <summary>Everything that the browser's console was told.</summary>
    public string Console() => string.Join('\n', _driver.Manage().Logs.GetLog(LogType.Browser).Select(l => l.Message));

    /// <summary>Renews a picture of the docs when the run was asked to.</summary>
    public void Shot(string name)
    {
        if (Environment.GetEnvironmentVariable("GORVIX_SHOTS") is { Length: > 0 } folder)
        {
            var focused = _driver.SwitchTo().ActiveElement();
            Run("document.activeElement?.blur()");
            _driver.GetScreenshot().SaveAsFile(Path.Combine(folder, $"{name}.png"));
            _driver.ExecuteScript("arguments[0].focus()", focused);
        }
    }

    /// <summary>Waits for a state.</summary>
    /// <param name="condition">What is waited for; null while it is not there.</param>
    /// <param name="what">In words, for who reads that it did not come.</param>
    public T Until<T>(Func<IWebDriver, T?> condition, string what)
        where T : class
    {
        var wait = new WebDriverWait(_driver, Patience) { PollingInterval = TimeSpan.FromMilliseconds(50) };
        // What is being drawn anew may be gone, or not yet take keys.
        wait.IgnoreExceptionTypes(typeof(StaleElementReferenceException), typeof(ElementNotInteractableException));
        try
        {
            return wait.Until(condition)!;
        }
        catch (WebDriverTimeoutException)
        {
            // Reading the whole page takes a second; it is read only where it is told.
            throw new WebDriverTimeoutException(
                $"waited for {what}; the page says: {_driver.FindElement(By.TagName("body")).Text}"
            );
        }
    }
}
