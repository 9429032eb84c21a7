using System.Collections.Concurrent;
using OpenQA.Selenium;
using OpenQA.Selenium.Chrome;

namespace Gorvix.Browser.Tests;

/// <summary>
/// Browsers that go from test to test: starting one takes longer than most tests. One comes back as it was new: one empty window, nothing
/// stored for the address that was open, nothing in its console.
/// </summary>
public sealed class Browsers : IDisposable
{
    private static readonly ConcurrentBag<ChromeDriver> Idle = [];

    /// <summary>A browser that nobody else has.</summary>
    internal static ChromeDriver Take() => Idle.TryTake(out var driver) ? driver : New();

    /// <summary>Gives a browser back; one that cannot be made as new is ended.</summary>
    /// <param name="driver">The browser.</param>
    /// <param name="root">The address that was open in it.</param>
    internal static void GiveBack(ChromeDriver driver, string root)
    {
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
            Idle.Add(driver);
        }
        catch (WebDriverException)
        {
            driver.Quit();
        }
    }

    /// <summary>Ends them all, when the last test is done.</summary>
    public void Dispose()
    {
        while (Idle.TryTake(out var driver))
        {
            driver.Quit();
            driver.Dispose();
        }
    }

    private static ChromeDriver New()
    {
        var options = new ChromeOptions { BinaryLocation = "/usr/bin/chromium" };
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
            $"--user-data-dir={Directory.CreateTempSubdirectory("gorvix-browser-").FullName}"
        );
        options.SetLoggingPreference(LogType.Browser, OpenQA.Selenium.LogLevel.All);
        var driver = new ChromeDriver(ChromeDriverService.CreateDefaultService("/usr/bin/chromedriver"), options);
        // Scripts that look at a whole page need work to be done, not time to pass.
        driver.Manage().Timeouts().AsynchronousJavaScript = TimeSpan.FromMinutes(5);
        return driver;
    }
}
