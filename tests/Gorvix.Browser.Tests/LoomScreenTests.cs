using OpenQA.Selenium;
using UglyToad.PdfPig;
using UglyToad.PdfPig.DocumentLayoutAnalysis.TextExtractor;

namespace Gorvix.Browser.Tests;

/// <summary>From plan to soldered wires, with the iron in one hand.</summary>
public class LoomScreenTests
{
    [Fact]
    public async Task The_work_is_walked_step_by_step_by_keys_and_by_mouse_and_the_board_shows_each_pad()
    {
        await using var page = await Page.Open("/builds/crusher-house-lark/rails");
        page.Click("#to-loom");
        page.Says("[data-row='backup']", "Save two dumps");
        page.Says("[data-testid='cautions']", "Propellers off");
        page.Press(Keys.ArrowDown);
        page.Says("[data-row='plug air-unit'].chosen", "de-pin SBUS (pin 6). Insulate SBUS.");
        Assert.Contains("at=plug", page.Driver.Url);

        page.Click("[data-row='joint receiver sbus'] .what");
        page.Says("[data-row='joint receiver sbus']", "nothing between T6 and T4");
        page.Says(".lit", "T6");
        page.Shot("loom");

        // From the board back to the list: the pad is pressed, its step is chosen.
        page.Click("[data-pad='t4']");
        page.Says("[data-row='joint camera rx'].chosen", "RX ← UART4 TX");
        Assert.Equal("", page.Accessibility());
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task A_link_that_was_sent_before_the_places_of_lists_had_one_name_still_leads_there()
    {
        await using var page = await Page.Open("/builds/crusher-house-lark/loom?bench=1&step=joint%20receiver%20sbus");
        page.Says("[data-testid='large-card']", "Relay 16: solder SBUS");
        Assert.Contains("large=1", page.Driver.Url);
        Assert.DoesNotContain("step=", page.Driver.Url);
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task A_plug_is_drawn_pin_by_pin_and_turned_round()
    {
        await using var page = await Page.Open("/builds/crusher-house-lark/loom");
        page.Says("[data-plug='gnss']", "If pin 6 is left as is: BAT, 13.2–16.8 V, on 5V.");
        page.Says("[data-plug='gnss'] li:first-child", "NAV GND");
        page.Click("[data-testid='plugs'] .v-btn:last-child");
        page.Says("[data-plug='gnss'] li:first-child", "NAV BAT");
        page.Says("[data-testid='plugs']", "the right");
        page.Says("[data-testid='continuity']", "do not power up");
        page.Says("[data-testid='spare']", "SBUS Beacon D6");
        page.Click("[data-do='files']");
        page.Find(".v-list a[download][href$='/crusher-house-lark/wires.csv']");
        page.Find(".v-list [data-do='print-all']");
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task A_plug_is_done_otherwise_and_the_list_follows()
    {
        await using var page = await Page.Open("/builds/crusher-house-lark/loom");
        page.Click("[data-plug='air-unit'] [data-way='splice']");
        page.Says("[data-testid='way']", "cut the plug off the Beacon D6 harness");
        page.Says("[data-testid='way']", "RX ← UART1 TX");
        page.Click("[data-do='did-so']");
        page.Says("[data-row='joint air-unit tx']", "to the pigtail wire for AIR pin 4");
        page.Says("[data-row='plug air-unit']", "SBUS is cut off");
        page.Press("z");
        page.Says("[data-plug='air-unit']", "about 1 min");
        Assert.Equal("", page.Accessibility());
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task A_bridge_on_the_face_leads_to_its_step()
    {
        await using var page = await Page.Open("/builds/spoil-tip-owl/loom");
        page.Click("[data-bridge='J6']");
        page.Says("[data-row='bridge J6'].chosen", "close \"raw\"");
        page.Says("[data-testid='told']", "jumper J6");
        Assert.Equal("", page.Accessibility());
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task From_plan_to_a_ticked_list_on_a_tablet_with_keys_alone_then_a_device_is_exchanged()
    {
        await using var page = await Page.Open("/builds/north-face-hare/loom", width: 768, height: 1024);
        page.Says("[data-testid='lead']", "0 of");
        page.Press("b");
        page.Says("[data-testid='large-card']", "Save two dumps");
        var steps = Steps(page);
        for (var done = 0; done < steps; done++)
        {
            page.Says(".progress", $"{done} of {steps} done");
            page.Press("d");
        }
        page.Says("[role='status']", "All steps done.");
        page.Press("b");
        page.Press("o");
        page.Says("[data-testid='all-done']", "All steps done.");
        Assert.Equal("", page.Accessibility());

        // Another receiver: its old wires come off, its new ones go on, and nothing else is asked for.
        page.Go("/builds/north-face-hare/parts");
        page.Click("[data-exchange='receiver']");
        page.Click("[data-candidate='dunmerrow-relay-16']");
        page.Says("#told", "Result:");
        page.Click("#take");
        page.Click("#to-loom");
        page.Press("o");
        page.Says(".findings", "has been swapped");
        page.Says(".group h3", "Remove first");
        var left = page.All("[data-row]").Select(s => s.GetAttribute("data-row")!).ToList();
        Assert.All(
            left,
            id =>
                Assert.True(
                    // Other settings are due with it, and a back-up before them.
                    id == "backup"
                        || id.StartsWith("off ", StringComparison.Ordinal)
                        || id.StartsWith("joint receiver ", StringComparison.Ordinal)
                        || id.StartsWith("plug receiver", StringComparison.Ordinal)
                        || id.StartsWith("bridge ", StringComparison.Ordinal),
                    id
                )
        );
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task The_same_with_a_finger_alone()
    {
        await using var page = await Page.Open("/builds/ramp-swift/loom", width: 768, height: 1024);
        page.Tap("[data-do='large']");
        page.Find("[data-testid='large-card']");
        var steps = Steps(page);
        // A stray touch of the step records nothing.
        page.Tap("[data-testid='large-card']");
        for (var done = 0; done < steps; done++)
        {
            page.Says(".progress", $"{done} of {steps} done");
            page.Tap("[data-do='done']");
        }
        page.Says("[role='status']", "All steps done.");
        page.Tap("[data-do='undo']");
        page.Says(".progress", $"{steps - 1} of {steps} done");
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task A_wire_that_went_on_another_pad_is_noted_there_and_the_plan_follows()
    {
        await using var page = await Page.Open("/builds/crusher-house-lark/loom?at=joint%20receiver%20sbus");
        page.Click("[data-do='other-pad']");
        page.Press("R2");
        page.Find(".v-overlay--active .v-list-item");
        page.Press(Keys.Enter);
        page.Says("[data-testid='moved']", "RC link (Relay 16) moved from UART6 to UART2.");
        page.Says("[data-row='joint receiver sbus'].done", "R2 (top)");
        page.Click("#to-fit");
        page.Find("[data-cell='control U2']");
        Assert.Contains("already wired", page.Find("[data-cell='control U2']").GetAttribute("aria-label"));
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task On_paper_a_build_of_five_devices_is_one_page_with_every_wire()
    {
        await using var page = await Page.Open("/builds/crusher-house-lark/loom");
        page.Find("[data-testid='wires'] tr[data-wire]");
        var wires = page.All("[data-testid='wires'] tr[data-wire]")
            .Select(r => r.FindElements(By.TagName("td")).Select(c => c.Text).ToList())
            .ToList();
        using var paper = PdfDocument.Open(page.Print());
        var sheet = Assert.Single(paper.GetPages());
        var text = Squeezed(ContentOrderTextExtractor.GetText(sheet));
        Assert.True(wires.Count > 15);
        // From, to, and what for: wherever the lines of the table are cut.
        Assert.All(
            wires,
            w =>
            {
                Assert.Contains(Squeezed(w[2]), text, StringComparison.Ordinal);
                Assert.Contains(Squeezed(w[3]), text, StringComparison.Ordinal);
            }
        );
        Assert.Contains(Squeezed("UART6: SBUS, RC link, Relay 16"), text, StringComparison.Ordinal);
        Assert.Contains(Squeezed("Propellers off"), text, StringComparison.Ordinal);
        Assert.Contains(Squeezed("Beacon D6 in AIR"), text, StringComparison.Ordinal);
        page.AsPrinted();
        page.Shot("paper");
    }

    [Fact]
    public async Task On_paper_the_picture_of_the_largest_build_is_no_wider_than_the_sheet()
    {
        await using var page = await Page.Read("/builds/rim-walk-rook/loom");
        page.Resize(700, 1000);
        page.Find("[data-testid='wires'] tr[data-wire]");
        page.AsPrinted();
        page.Find(".paper .picture [data-device]");
        Assert.Equal(
            true,
            page.Run(
                "const of = (s) => document.querySelector(s).getBoundingClientRect(); return of('.paper .picture svg').right <= of('.paper').right + 1"
            )
        );
    }

    private static string Squeezed(string text) => string.Concat(text.Where(c => !char.IsWhiteSpace(c)));

    private static int Steps(Page page) =>
        int.Parse(page.Text(".progress").Split(' ')[2], System.Globalization.CultureInfo.InvariantCulture);
}
