using System.Collections.Concurrent;
using System.Net;
using System.Net.Sockets;
using OpenQA.Selenium;
using OpenQA.Selenium.Chrome;

namespace Gorvix.Browser.Tests;

/// <summary>
/// Browsers that go from test to test: starting one takes longer than most tests. One comes back as it was new: one empty window, nothing
/// stored for the address that was open, nothing in its console. What it keeps is the client's scripts, as it compiled them: each browser has a
/// port on which its tests serve, one after the other, and a browser keeps a script by its address.
/// </summary>
public sealed class Browsers : IDisposable
{
    private static readonly ConcurrentBag<Browser> Idle = [];

    /// <summary>A browser that nobody else has.</summary>
    internal static Browser Take() => Idle.TryTake(out var browser) ? browser : New();

    /// <summary>Leaves the page and makes the browser as new; false where that is not to be had.</summary>
    /// <param name="browser">The browser.</param>
    /// <param name="root">The address that was open in it.</param>
    internal static bool Clear(Browser browser, string root)
    {
        var driver = browser.Driver;
        try
        {
            var windows = driver.WindowHandles;
            foreach (var window in windows.Skip(1))
            {
                driver.SwitchTo().Window(window).Close();
            }
            driver.SwitchTo().Window(windows[0]);
            driver.Navigate().GoToUrl("about:blank");
            driver.ExecuteCdpCommand(
                "Storage.clearDataForOrigin",
                new() { ["origin"] = root, ["storageTypes"] = "all" }
            );
            driver.Manage().Logs.GetLog(LogType.Browser);
            return true;
        }
        catch (WebDriverException)
        {
            driver.Quit();
            return false;
        }
    }

    /// <summary>Gives a cleared browser to the next test; nobody serves on its port any more.</summary>
    internal static void GiveBack(Browser browser) => Idle.Add(browser);

    /// <summary>Ends them all, when the last test is done.</summary>
    public void Dispose()
    {
        while (Idle.TryTake(out var browser))
        {
            browser.Driver.Quit();
            browser.Driver.Dispose();
        }
    }

    private static Browser New()
    {
        var options = new ShellOptions();
        options.AddArguments(
            "--headless",
            "--no-sandbox",
            "--disable-gpu",
            "--disable-quic",
            "--no-first-run",
            "--disable-background-networking",
            "--disable-component-update",
            "--disable-sync",
            "--hide-scrollbars",
            // Pages live too short for the last compilation to pay: a tenth less processor time.
            "--js-flags=--no-opt",
            $"--user-data-dir={Directory.CreateTempSubdirectory("gorvix-browser-").FullName}"
        );
        options.SetLoggingPreference(LogType.Browser, OpenQA.Selenium.LogLevel.All);
        // A command may take as long as a script on a busy machine.
        var driver = new ChromeDriver(
            ChromeDriverService.CreateDefaultService("/usr/bin/chromedriver"),
            options,
            TimeSpan.FromMinutes(10)
        );
        // Scripts that look at a whole page need work to be done, not time to pass.
        driver.Manage().Timeouts().AsynchronousJavaScript = TimeSpan.FromMinutes(5);
        return new Browser(driver, FreePort());
    }

    private static int FreePort()
    {
        using var listener = new TcpListener(IPAddress.Loopback, 0);
        listener.Start();
        return ((IPEndPoint)listener.LocalEndpoint).Port;
    }
}

/// <summary>The browser without the windows that nobody sees: with them the same tests take half as long again.</summary>
internal sealed class ShellOptions : ChromeOptions
{
    public ShellOptions()
    {
        BrowserName = "chrome-headless-shell";
        BinaryLocation = "/usr/bin/chromium-headless-shell";
    }
}

/// <summary>A browser and the port of the servers that it is shown.</summary>
/// <param name="Driver">The browser.</param>
/// <param name="Port">A port on the loopback address, free when the browser began.</param>
internal sealed record Browser(ChromeDriver Driver, int Port);
