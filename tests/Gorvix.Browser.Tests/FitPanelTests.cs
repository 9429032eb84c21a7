using OpenQA.Selenium;

namespace Gorvix.Browser.Tests;

/// <summary>The answer stands beside the click: beside the grid where there is room, as a sheet at the foot where there is none.</summary>
public class FitPanelTests
{
    private const string Rook = "/builds/rim-walk-rook/fit";

    [Theory]
    [InlineData(1280, 800)]
    [InlineData(1440, 900)]
    public async Task With_twelve_links_grid_reason_pulse_train_supply_and_board_are_in_sight(int width, int height)
    {
        await using var page = await Page.Read($"{Rook}?link=position&port=U4", width, height);
        page.Find("[data-testid='supply']");
        page.Find(".panel .board svg");
        Assert.Equal(
            "",
            page.Run(
                """
                const out = (s, least) => {
                  const of = document.querySelector(s)
                  if (!of) return `${s} is not there; `
                  const b = of.getBoundingClientRect()
                  const seen = Math.min(b.bottom, innerHeight) - Math.max(b.top, 48)
                  return seen >= Math.min(least, b.height) && b.left >= 0 && b.right <= innerWidth ? '' : `${s} ${Math.round(b.top)}–${Math.round(b.bottom)}; `
                }
                const rows = [...document.querySelectorAll('.grid tbody tr')].filter((r) => r.getBoundingClientRect().top < innerHeight - 20).length
                return (rows === 12 ? '' : `${rows} rows; `) + out('#pin', 40) + out('#ban', 40) + out('[data-testid="sentence"]', 20) +
                  out('.panel .lane .run', 20) + out('[data-testid="supply"]', 40) + out('.panel .board .bench svg', 100)
                """
            )
        );
    }

    [Fact]
    public async Task Columns_that_are_cut_are_named_and_come_into_sight()
    {
        await using var page = await Page.Read(Rook, 800, 800);
        page.Says("[data-testid='cut'] .right", "USB →");
        page.Click("[data-testid='cut'] .right");
        page.Says("[data-testid='cut']", "← U1");
        // The links stay where they are.
        Assert.Equal(true, page.Run("return document.querySelector('th.row').getBoundingClientRect().left < 40"));
    }

    [Fact]
    public async Task The_panel_is_made_wider_by_keys_and_by_the_mouse_and_stays_so()
    {
        await using var page = await Page.Read(Rook);
        page.Find("[role='separator']").SendKeys(Keys.ArrowLeft);
        Assert.Equal("404", page.Find("[role='separator']").GetAttribute("aria-valuenow"));
        new OpenQA.Selenium.Interactions.Actions(page.Driver)
            .DragAndDropToOffset(page.Find("[role='separator']"), -60, 0)
            .Perform();
        page.Until(
            _ => page.Find("[role='separator']").GetAttribute("aria-valuenow") == "464" ? "yes" : null,
            "the wider panel"
        );
        page.Driver.Navigate().Refresh();
        Assert.Equal("464", page.Find("[role='separator']").GetAttribute("aria-valuenow"));
    }

    [Fact]
    public async Task On_a_phone_links_are_a_list_with_their_places_and_the_answer_is_a_sheet()
    {
        await using var page = await Page.Open(Rook, width: 390, height: 844);
        page.Says("[data-link='position']", "UART4");
        Assert.Empty(page.All("[role='grid']"));
        page.Tap("[data-link='position']");
        page.Says("[data-cell='position U2']", "displaces VTX control");
        page.Tap("[data-cell='position U2']");
        page.Says("#strand-title", "GPS on UART2");
        page.Says("[data-testid='sentence']", "VTX control");
        Assert.Equal("", page.Accessibility());
        // The sheet can be made small: the answer stays.
        page.Tap("[data-do='fold']");
        page.Until(
            _ =>
                page.Run("return document.querySelector('.panel .lanes').checkVisibility()") is false ? "folded" : null,
            "the smaller sheet"
        );
        Assert.True(page.Find("[data-testid='sentence']").Displayed);
        page.Tap("#pin");
        page.Says("[data-cell='position U2']", "pin");
        page.Says("[data-link='position']", "UART2");
        Assert.Equal("", page.Console());
    }
}
