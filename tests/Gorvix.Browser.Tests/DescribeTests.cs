using OpenQA.Selenium;

namespace Gorvix.Browser.Tests;

/// <summary>From a leaflet to a plan, with an empty library and screens only: the worked example of docs/board-text.md.</summary>
public class DescribeTests
{
    [Theory]
    [InlineData(1280, 800)]
    [InlineData(768, 1024)]
    [InlineData(390, 844)]
    public async Task A_board_and_two_devices_are_described_from_their_leaflets_and_planned(int width, int height)
    {
        await using var page = await Page.Open("/library", demo: null, width, height);
        page.Says("[data-testid='count']", "Add your board from its manual");
        page.Click("#new-board");
        Board(page);
        if (width == 1280)
        {
            page.Shot("describe-board");
        }
        page.Click("[data-do='save']");
        page.Says("main.part h1", "Ludstone Quoin F4, revision 1");

        Device(page, "two-way-receiver", "Ludstone", "Hark 2", "4.5", "5.5");
        page.Click("[data-do='save']");
        page.Says("main.part h1", "Ludstone Hark 2");
        // On from the part: into a new build.
        page.Click("[data-do='build']");
        page.Says("main", "Hark 2");
        Device(page, "air-unit-large", "Ludstone", "Sight 6", "7", "26");
        page.Says("[data-pads='msp']", "F4: on a non-inverted pad; never behind an inverter.");
        page.Click("[data-do='save']");
        page.Says("main.part h1", "Ludstone Sight 6");

        page.Click("[data-do='build']");
        page.Choose("[data-field='board']", "Ludstone Quoin F4");
        page.Choose("[data-field='cells']", "4S");
        page.Write("[data-field='name']", "Quarry Edge Plover");
        page.Says(".wishes", "OSD");
        page.Click("#make");
        page.Says("#verdict", "All 3 links connected.");
        var made = (string)
            page.RunAsync(
                "const done = arguments[0]; fetch('/api/builds/quarry-edge-plover/export').then(r => r.text()).then(done)"
            )!;
        var example = Path.Combine(AppContext.BaseDirectory, "examples", "quoin-f4.gorvix.json");
        Assert.Equal(File.ReadAllText(example), made);
        // And on to the wires.
        page.Click("[data-do='onward']");
        page.Says("[data-testid='lead']", "");
        page.Click("[data-do='onward']");
        page.Says("[data-testid='lead']", "0 of ");
        page.Find("[data-testid='wires'] tr[data-wire]");
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task A_board_is_changed_as_text_and_by_hand_its_builds_are_told_before_and_an_earlier_state_comes_back()
    {
        await using var page = await Page.Open("/library/boards/askerdale-pinion-f4-r2");
        page.Click("[data-do='more']");
        page.Find("[data-do='list'][href$='/lists/boards/askerdale-pinion-f4-r2']");
        page.Press(Keys.Escape);
        page.Click("[data-do='change']");
        page.Says("h1", "Edit Askerdale Pinion F4");

        // Dragged: R1 lies 6 mm further to the right then; the panel says so.
        var pad = page.Find("[data-pad='r1'] .copper");
        new OpenQA.Selenium.Interactions.Actions(page.Driver).DragAndDropToOffset(pad, 60, 0).Perform();
        page.Says("[data-chip='r1']", "UART1 RX");
        page.Click("[data-chip='r1']");
        var x = page.Find("[data-testid='pad-panel'] [data-field='x'] input");
        page.Until(
            _ =>
                double.Parse(x.GetAttribute("value")!, System.Globalization.CultureInfo.InvariantCulture) > 6
                    ? "yes"
                    : null,
            "R1 to lie elsewhere"
        );

        page.Click("[data-do='text']");
        var area = page.Find("[data-field='leaflet'] textarea");
        area.SendKeys(Keys.Control + Keys.End);
        area.SendKeys("net u6tx: stand 5 V");
        page.Says(".problems", "unexpected word `stand`");
        area.SendKeys(Keys.Shift + Keys.Home);
        area.SendKeys("top front: X9?");
        page.Gone(".problems");
        page.Says("[data-testid='touched']", "North Face Hare");
        page.Driver.Navigate().Refresh();
        page.Says("[data-testid='touched']", "North Face Hare");
        page.Click("[data-do='save']");
        page.Says("main.part h1", "Askerdale Pinion F4, revision 2");
        page.Click("[data-testid='history'] summary");
        page.Click("[data-back='1']");
        page.Says("[data-testid='history']", "Version 3");
        Assert.Equal("", page.Accessibility());
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task Pads_out_of_a_spreadsheet_stand_in_place_of_those_typed_and_a_row_that_cannot_be_read_changes_nothing()
    {
        await using var page = await Page.Open("/library/boards/new", demo: null);
        page.Write("[data-field='maker']", "Ludstone");
        Line(page, "pads-line", "top left: R1 T1");
        page.Find("[data-chip='r1']");
        Directory.CreateDirectory(page.Downloads);
        var list = Path.Combine(page.Downloads, "pads.csv");
        await File.WriteAllTextAsync(
            list,
            "label;group;leads to\r\nR3;left;\r\nX1;left;5V >\r\n",
            TestContext.Current.CancellationToken
        );
        page.All("[data-step='pads'] input[type='file']")[0].SendKeys(list);
        page.Says(".problem", "TABLE-ROW Row 3: cannot read where pad X1 leads: unexpected `>`.");
        page.Find("[data-chip='r1']");
        await File.WriteAllTextAsync(
            list,
            "label;group;leads to\r\nR3;left;\r\nX1;left;5V\r\n",
            TestContext.Current.CancellationToken
        );
        page.All("[data-step='pads'] input[type='file']")[0].SendKeys(list);
        page.Says("[data-chip='r3']", "UART3 RX");
        page.Says("[data-chip='x1']", "5V");
        page.Gone("[data-chip='r1']");
        page.Click("[data-do='undo']");
        page.Find("[data-chip='r1']");
    }

    [Fact]
    public async Task A_board_begins_from_a_preset_every_line_of_which_can_be_changed()
    {
        await using var page = await Page.Open("/library/boards/new");
        page.Write("[data-field='maker']", "Holm");
        page.Write("[data-field='name']", "Slab F4");
        page.Write("[data-field='revision']", "2");
        page.Click("[data-pattern='f4-inverter']");
        page.Says("[data-chip='sbus']", "UART1 RX");
        page.Gone("[data-step='preset']");
        Assert.Equal("Holm", page.Find("[data-field='maker'] input").GetAttribute("value"));
        page.Click("[data-do='undo']");
        page.Find("[data-step='preset']");
        page.Click("[data-pattern='h7-sockets']");
        page.Says("[data-chip='r3']", "UART3 RX");
        Assert.Equal("", page.Accessibility());
        page.Click("[data-do='save']");
        page.Says("main.part h1", "Holm Slab F4, revision 2");
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task A_device_is_given_two_harnesses_a_rider_and_another_address()
    {
        await using var page = await Page.Open("/library/devices/new");
        page.Click("[data-pattern='gnss-compass']");
        page.Write("[data-field='maker']", "Holm");
        page.Write("[data-field='name']", "Star 1");
        page.Click("[data-advanced]:has([data-do='add-strap']) summary");
        page.Click("[data-do='add-strap']");
        page.Write("[data-strap='0'] [data-field='strap-how']", "close the pad ADR");
        page.Click("[data-do='add-harness']");
        page.Write("[data-harness='harness-1'] [data-field='harness-name']", "long");
        page.Click("[data-do='add-harness']");
        page.Write("[data-harness='harness-2'] [data-field='harness-pins']", "5V GND TX RX");
        page.Until(
            d =>
                d.FindElements(
                        OpenQA.Selenium.By.CssSelector("[data-harness='harness-2'] [data-field='harness-family'] input")
                    )
                    .Any(e => e.GetAttribute("value") == "pitch unknown, 4 pins")
                    ? "yes"
                    : null,
            "the server to name a plug of unknown pitch"
        );
        page.Click("[data-do='save']");
        page.Says("main.part h1", "Holm Star 1");
        var file = (string)
            page.RunAsync("fetch('/api/files/devices/holm-star-1').then(r => r.text()).then(arguments[0])")!;
        Assert.Contains("close the pad ADR", file);
        Assert.Contains("\"name\": \"long\"", file);
        Assert.Contains("\"family\": \"pitch unknown, 4 pins\"", file);
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task Two_revisions_side_by_side_say_what_a_build_comes_to_with_each()
    {
        await using var page = await Page.Open(
            "/library/compare?board=askerdale-pinion-f4-r1&board=askerdale-pinion-f4-r2"
        );
        page.Choose("[data-field='in-build']", "North Face Hare");
        page.Says("[data-tried='askerdale-pinion-f4-r2']", "current board");
        page.Says("[data-tried='askerdale-pinion-f4-r1']", "stays on UART3 and changes to CRSF");
        Assert.Contains("in=north-face-hare", page.Driver.Url);
        page.Find("[data-tried='askerdale-pinion-f4-r1']").Click();
        Assert.Equal("", page.Accessibility());
        Assert.Equal("", page.Console());
    }

    private static void Board(Page page)
    {
        page.Write("[data-field='maker']", "Ludstone");
        page.Write("[data-field='name']", "Quoin F4");
        page.Write("[data-field='revision']", "1");
        page.Write("[data-field='recognise']", "QUOIN beside the USB socket; three small pads at R4");
        page.Write("[data-field='target']", "QUOINF4");
        page.Write("[data-field='width']", "36");
        page.Write("[data-field='holes-width']", "30.5");
        page.Write("[data-field='bolt']", "3");
        page.Choose("[data-field='usb']", "left");
        page.Choose("[data-field='arrow']", "front");
        page.Write("[data-field='input-min']", "7");
        page.Says("[data-note='input.min']", "the maximum is 7 V");
        page.Write("[data-field='input-max']", "26");
        Line(page, "supply-line", "rail GND: ground");
        Line(page, "supply-line", "rail BAT: battery");
        Line(page, "supply-line", "rail 5V: 5 V regulator, dropout 1 V, up to 2 A, switching");
        Line(page, "supply-line", "rail 4V5: 4.5 V regulator or USB from 5V, up to 0.5 A");
        page.All("[data-field='controller'] button").First(b => b.Text == "F4").Click();
        page.Says("[data-step='controller']", "No inversion in the controller");
        Line(page, "pads-line", "top left: R1 T1 5V G 4V5 R2 T2");
        Line(page, "pads-line", "top right: R4 T4 5V G SBUS TLM");
        page.Says("[data-testid='doubts']", "2 uncertain labels");
        Line(page, "pads-line", "bottom rear: VC VI VO G BZ- LED");
        Line(page, "pads-line", "top front: BAT G CURR RSSI NC");
        Line(page, "pads-line", "AIR (1.25 mm) bottom front: BAT G T6 R6 G SBUS=U2.RX");
        Line(page, "pads-line", "GPS (1.0 mm) bottom right: G SCL SDA R3 T3 5V");
        Pattern(page, "bridge", "R4", "U4", "J4");
        page.Write("[data-field='place-J4']", "somewhere");
        page.Says("tr[data-bridge='J4']", "Enter side, mm from left");
        page.Write("[data-field='place-J4']", "top 12,8");
        page.Find("svg [data-bridge='J4']");
        page.Write("[data-field='place-J4']", "");
        page.Gone("svg [data-bridge='J4']");
        page.Click("[data-do='pick-J4']");
        page.Says(".drawing", "Click where J4 is");
        page.Click(".drawing svg");
        page.Find("svg [data-bridge='J4']");
        page.Write("[data-field='place-J4']", "");
        page.Gone("svg [data-bridge='J4']");
        Pattern(page, "fixed", "SBUS", "U2", null);
        Pattern(page, "twoWay", "TLM", "U4", null);
        Pattern(page, "selector", "VC", null, "JV");
        page.Gone("[data-testid='doubts']");
        page.Gone(".notes");
        Assert.Equal("", page.Accessibility());
    }

    private static void Line(Page page, string field, string text)
    {
        var area = page.Find($"[data-field='{field}'] textarea");
        area.SendKeys(text);
        page.Says($"[data-preview='{field}']", "Enter adds");
        area.SendKeys(Keys.Enter);
        page.Gone($"[data-preview='{field}']");
    }

    private static void Pattern(Page page, string pattern, string pad, string? port, string? bridge)
    {
        page.Run($"document.querySelector(\"[data-field='pattern'] input[value='{pattern}']\").click()");
        page.Choose("[data-field='pattern-pad']", pad + ":");
        if (port is not null)
        {
            page.Choose("[data-field='pattern-port']", port);
        }
        if (bridge is not null)
        {
            page.Write("[data-field='pattern-bridge']", bridge);
        }
        page.Click("[data-do='take-pattern']");
        page.Says(".told", pad);
    }

    private static void Device(Page page, string pattern, string maker, string name, string from, string upTo)
    {
        page.Go("/library");
        page.Click("#new-device");
        page.Click($"[data-pattern='{pattern}']");
        page.Write("[data-field='maker']", maker);
        page.Write("[data-field='name']", name);
        page.Write("[data-field='from']", from);
        page.Says("[data-note='supplies[0].window.min']", $"the maximum is {from} V");
        page.Write("[data-field='upto']", upTo);
        page.Says("h1", $"{maker} {name}");
    }
}
