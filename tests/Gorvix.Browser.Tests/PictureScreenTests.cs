using OpenQA.Selenium;
using OpenQA.Selenium.Interactions;

namespace Gorvix.Browser.Tests;

/// <summary>The wiring picture: what is looked at is lit, devices are put elsewhere by mouse, touch and keys, and that is undone.</summary>
public class PictureScreenTests
{
    private const string Address = "/builds/crusher-house-lark/loom?view=picture";

    [Fact]
    public async Task A_step_lights_its_wire_and_a_wire_or_pad_leads_to_its_step()
    {
        await using var page = await Page.Read($"{Address}&at=joint%20receiver%20sbus");
        page.Says("[data-testid='now']", "Relay 16: solder SBUS (white)");
        page.Find(".wire.lit[data-wire='receiver sbus']");
        page.Says("[data-testid='wire-told']", "Relay 16 SBUS → T6 (top) · RC link: TX → UART6 RX · white");
        page.Find(".pad.lit[data-pad='t6']");
        page.Shot("picture");
        page.Press(Keys.ArrowDown);
        page.Says("[data-testid='now']", "GND");
        page.Find(".wire.lit[data-wire='receiver g']");

        page.Click("[data-testid='picture'] .pad[data-pad='t4'] rect");
        page.Says("[data-testid='now']", "RX ← UART4 TX");
        page.Find(".wire.lit[data-wire='camera rx']");
        // By keys alone: from wire to wire, and to its step.
        page.Run("document.querySelector('[data-wire][tabindex=\"0\"]').focus()");
        page.Driver.SwitchTo().ActiveElement().SendKeys(Keys.ArrowUp);
        page.Driver.SwitchTo().ActiveElement().SendKeys(Keys.Enter);
        page.Find(".wire.lit[data-wire='camera tx']");
        page.Press("v");
        page.Says("[data-row='joint camera tx'].chosen", "TX → R4");
        Assert.Equal("", page.Accessibility());
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task A_link_of_the_plan_is_shown_in_the_picture_until_a_step_is_gone_to()
    {
        await using var page = await Page.Read("/builds/crusher-house-lark/fit?link=control&port=U6");
        page.Click("[data-do='to-picture']");
        page.Find("[data-testid='picture'] .wire.lit[data-wire='receiver sbus']");
        Assert.Single(page.All("[data-testid='picture'] .wire.lit"));
        page.Press(Keys.ArrowDown);
        page.Says("[data-testid='now']", "de-pin SBUS");
        page.Gone("[data-testid='picture'] .wire.lit[data-wire='receiver sbus']");
        Assert.DoesNotContain("link=", page.Driver.Url);
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task A_device_is_dragged_to_the_other_side_kept_and_brought_back()
    {
        await using var page = await Page.Open(Address);
        var was = Left(page, "air-unit");
        page.Run("document.querySelector('[data-device=\"receiver\"]').scrollIntoView({ block: 'center' })");
        var device = page.Find("[data-device='receiver'] rect");
        var right = page.Driver.FindElement(By.CssSelector("[data-device='air-unit'] rect"));
        new Actions(page.Driver)
            .MoveToElement(device)
            .ClickAndHold()
            .MoveByOffset(60, 0)
            .MoveToElement(right)
            .Release()
            .Perform();
        Waits(page, () => Left(page, "receiver") > was - 60);
        page.Driver.Navigate().Refresh();
        Waits(page, () => Left(page, "receiver") > was - 60);
        page.Press("z");
        Waits(page, () => Left(page, "receiver") < was - 60);
        Assert.Equal("", page.Console());
    }

    [Theory]
    [MemberData(nameof(Builds))]
    public async Task No_letter_of_a_demo_build_lies_on_another_in_the_shipped_font(string build)
    {
        await using var page = await Page.Read($"/builds/{build}/loom?view=picture");
        page.Find("[data-testid='picture'] .pad .print");
        Assert.Equal(
            "true",
            page.Run(
                "return document.fonts.ready.then(() => `${document.fonts.check('12px ' + getComputedStyle(document.querySelector('.picture .print')).fontFamily.split(',')[0])}`)"
            )
        );
        // Measured by the browser: across as the letters run, upright from the height of capitals (0.73 of the size) about the middle.
        Assert.Equal(
            "",
            page.Run(
                """
                const texts = [...document.querySelectorAll("[data-testid='picture'] .picture svg text")]
                  .filter((t) => t.textContent.trim() && !t.getAttribute('transform'))
                  .map((t) => {
                    const box = t.getBBox()
                    const half = 0.365 * parseFloat(t.getAttribute('font-size'))
                    const middle = parseFloat(t.getAttribute('y'))
                    return { words: t.textContent.trim(), left: box.x, right: box.x + box.width, top: middle - half, bottom: middle + half }
                  })
                if (texts.length < 10) return `only ${texts.length} texts`
                return texts
                  .flatMap((a, i) => texts.slice(i + 1).map((b) => [a, b]))
                  .filter(([a, b]) => a.left < b.right - 0.05 && b.left < a.right - 0.05 && a.top < b.bottom && b.top < a.bottom)
                  .map(([a, b]) => `${a.words} lies on ${b.words}`)
                  .join('; ')
                """
            )
        );
    }

    public static TheoryData<string> Builds =>
        [
            "crusher-house-lark",
            "drill-shed-gull",
            "east-bench-kestrel",
            "haul-road-heron",
            "north-face-hare",
            "ramp-swift",
            "rim-walk-rook",
            "spoil-tip-owl",
            "tip-track-pipit",
            "weighbridge-wren",
        ];

    [Fact]
    public async Task A_device_is_moved_and_turned_by_keys_and_by_buttons()
    {
        await using var page = await Page.Open(Address);
        page.Find("[data-device='receiver']");
        var before = First(page);
        page.Run("document.querySelector('[data-device=\"receiver\"]').focus()");
        page.Driver.SwitchTo().ActiveElement().SendKeys(Keys.Shift + Keys.ArrowUp);
        Waits(page, () => First(page) == "receiver");
        Assert.NotEqual("receiver", before);
        page.Run("document.querySelector('[data-device=\"receiver\"]').focus()");
        page.Driver.SwitchTo().ActiveElement().SendKeys(Keys.Enter);
        page.Says("[data-testid='device-tools']", "Relay 16");
        var lead = FirstLead(page, "receiver");
        page.Click("[data-move='turn']");
        Waits(page, () => FirstLead(page, "receiver") != lead);
        page.Click("[data-move='auto']");
        Waits(page, () => First(page) == before && FirstLead(page, "receiver") == lead);
        Assert.Equal("", page.Accessibility());
        Assert.Equal("", page.Console());
    }

    /// <summary>On a phone: by the thumb alone, by a finger that drags, and without a page that is wider than the screen.</summary>
    [Fact]
    public async Task On_a_phone_a_device_is_moved_by_the_thumb()
    {
        await using var page = await Page.Open(Address, width: 390, height: 844);
        page.Find("[data-device='receiver']");
        var first = First(page);
        page.Run(
            "document.querySelector('[data-device=\"receiver\"]').scrollIntoView({ block: 'center', inline: 'center' })"
        );
        page.Tap("[data-testid='picture'] [data-device='receiver'] rect");
        page.Says("[data-testid='device-tools']", "Relay 16");
        Assert.Equal(0L, page.Run("return document.documentElement.scrollWidth > innerWidth ? 1 : 0"));
        page.Tap("[data-move='up']");
        Waits(page, () => First(page) == "receiver");
        page.Press("z");
        Waits(page, () => First(page) == first);

        // Dragged above the first of its column.
        page.Run(
            "document.querySelector('[data-device=\"receiver\"]').scrollIntoView({ block: 'center', inline: 'center' })"
        );
        var finger = new PointerInputDevice(PointerKind.Touch);
        var device = page.Find("[data-testid='picture'] [data-device='receiver'] rect");
        var drag = new ActionSequence(finger);
        drag.AddAction(finger.CreatePointerMove(device, 0, 0, TimeSpan.Zero));
        drag.AddAction(finger.CreatePointerDown(MouseButton.Left));
        drag.AddAction(finger.CreatePointerMove(device, 4, -60, TimeSpan.FromMilliseconds(100)));
        drag.AddAction(finger.CreatePointerMove(device, 4, -240, TimeSpan.FromMilliseconds(100)));
        drag.AddAction(finger.CreatePointerUp(MouseButton.Left));
        ((IActionExecutor)page.Driver).PerformActions([drag]);
        Waits(page, () => First(page) == "receiver");
        Assert.Equal("", page.Accessibility());
        Assert.Equal("", page.Console());
    }

    private static void Waits(Page page, Func<bool> isSo) =>
        page.Until(_ => isSo() ? page : null, "the picture as expected");

    private static double Left(Page page, string device) =>
        double.Parse(
            page.Find($"[data-testid='picture'] [data-device='{device}'] rect").GetAttribute("x")!,
            System.Globalization.CultureInfo.InvariantCulture
        );

    private static string First(Page page) =>
        page.Find("[data-testid='picture'] [data-device]").GetAttribute("data-device")!;

    private static string FirstLead(Page page, string device) =>
        page.Find($"[data-testid='picture'] [data-leads='{device}'] text.print").Text;

    [Fact]
    public async Task Cards_rows_part_pages_and_the_new_build_show_what_they_are_of()
    {
        await using var page = await Page.Read("/");
        page.Find("[data-small='north-face-hare'] svg .board");
        page.Find("[data-small='north-face-hare'] svg .supply");
        page.Go("/library");
        page.Find("[data-small='askerdale-derrick-h7-r3'] svg .board");
        page.Go("/library/devices/brindlow-beacon-d6");
        Assert.Equal(
            ["BAT", "GND", "RX", "TX", "GND", "SBUS"],
            page.Until(
                    d => d.FindElements(By.CssSelector("[data-small] text")) is { Count: > 0 } all ? all : null,
                    "its leads"
                )
                .Select(t => t.Text)
        );
        page.Go("/new");
        page.Choose("[data-field='board']", "Thornwick Pawl F7");
        page.Find(".so-far [data-small] svg .board");
        Assert.Equal("", page.Console());
    }
}
