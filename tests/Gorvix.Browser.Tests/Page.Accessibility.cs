namespace Gorvix.Browser.Tests;

/// <summary>The page as the accessibility engine reads it.</summary>
public sealed partial class Page
{
    private static readonly string AxeScript = File.ReadAllText(
        Path.Combine(AppContext.BaseDirectory, "axe", "axe.min.js")
    );

    /// <summary>What the accessibility engine has to say about the page; empty when all is well.</summary>
    /// <param name="but">What is not looked at, by a selector: on a very large page, rows that repeat others.</param>
    public string Accessibility(string but = "noscript") =>
        Axe(but, "wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa");

    /// <summary>What it has to say in the other look, in which names and roles are the same.</summary>
    public string Contrast(string look)
    {
        var before = Ground();
        _look = look;
        Media("");
        Until(_ => Ground() != before ? "yes" : null, $"the {look} look");
        Until(
            _ =>
                Run("return document.getAnimations().every((a) => !(a instanceof CSSTransition))") is true
                    ? "yes"
                    : null,
            "the colours to have changed"
        );
        return Axe("noscript", "color-contrast");
    }

    /// <summary>The colour of the ground.</summary>
    public string Ground() => (string)Run("return getComputedStyle(document.body).backgroundColor")!;

    private string Axe(string but, params string[] rules)
    {
        // It is large: once for each page that is loaded.
        if (Run("return typeof axe === 'undefined'") is true)
        {
            _driver.ExecuteScript(AxeScript);
        }
        const string Script = """
            const [but, rules, done] = arguments
            axe.run({ include: ['html'], exclude: [but] }, { resultTypes: ['violations'], runOnly: rules }).then((r) =>
              done(r.violations.map((v) => v.id + ': ' + v.nodes.map((n) => n.html + ' ' + n.failureSummary).join(' | ')).join('\n')),
            )
            """;
        return (string)_driver.ExecuteAsyncScript(Script, but, rules)!;
    }
}
