namespace Gorvix.Browser.Tests;

/// <summary>What the other tests rest on.</summary>
public class PageTests
{
    [Fact]
    public async Task A_click_that_hit_something_else_is_made_again()
    {
        await using var page = await Page.Read("/");
        page.Find("main h1");
        // As the pointer arrives, something slides under it; it goes once it was hit.
        page.Run(
            """
            const [target, cover] = [document.createElement('button'), document.createElement('div')]
            target.id = 'target'
            target.textContent = 'Press'
            target.style.cssText = 'position: fixed; inset: 300px; z-index: 9998'
            cover.style.cssText = 'position: fixed; inset: 0; z-index: 9999'
            window.hits = ''
            target.addEventListener('mousemove', () => document.body.append(cover), { once: true })
            target.addEventListener('click', () => (window.hits += 'target '))
            cover.addEventListener('mouseup', () => { window.hits += 'cover '; cover.remove() })
            document.body.append(target)
            """
        );
        page.Click("#target");
        Assert.Equal("cover target ", page.Run("return window.hits"));
    }
}
