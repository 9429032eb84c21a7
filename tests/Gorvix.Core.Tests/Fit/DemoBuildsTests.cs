using Gorvix.Core.Hardware.Protocols;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Fit;

namespace Gorvix.Core.Tests.Fit;

/// <summary>The two builds of the Old Marl survey club, answered in full.</summary>
public class DemoBuildsTests
{
    private static readonly RouteMatch InvertedMode = new() { Link = "control", Mode = "crsf-inverted" };

    [Fact]
    public void Two_whole_ports_carry_three_links_because_the_inverting_pad_and_the_receiver_cancel()
    {
        var reader = Demo.Fit(Demo.NorthFaceHare);
        var sheet = reader.Sheet();
        Assert.Equal("All 3 links connected.", sheet.Verdict.Sentence);
        Assert.Equal(["U3", "U1", "U4"], sheet.Links.Select(l => l.Port));
        var control = sheet.Links[0];
        Assert.Equal("crsf-inverted", control.Mode);
        Assert.Equal(["SBUS", "DSM"], control.Pads);
        var lane = reader.Strand(control.Id, "U3")!.Lanes[0];
        Assert.Equal(Polarity.Inverted, lane.Hops.Single(h => h.Label == "SBUS").After);
        Assert.Equal(Polarity.Normal, lane.Hops.Single(h => h.Label == "inverter").After);
        Assert.Equal(["On the Sedge 2: set the serial output to inverted (firmware 3.1 or later)."], sheet.Work);
        var open = sheet.Devices.SelectMany(d =>
            d.Leads.Where(l => l.Pad is null).Select(l => $"{d.Name} {l.Label}: {l.Where}")
        );
        Assert.Equal(["Beacon D6 SBUS: stays in its plug, not plugged in"], open);
    }

    [Theory]
    [InlineData("control", "U6", "HELD")]
    [InlineData("picture-text", "U3", "POL")]
    [InlineData("picture-text", "U6", "HELD")]
    [InlineData("position", "U3", "POL")]
    [InlineData("position", "U6", "HELD")]
    public void Every_other_cell_of_the_F4_build_says_why_not(string link, string port, string code)
    {
        var cell = CellOf(Demo.NorthFaceHare, link, port);
        Assert.Equal(CellState.Blocked, cell.State);
        Assert.Equal(code, cell.Code);
        Assert.NotEmpty(cell.Sentence);
    }

    [Theory]
    [InlineData("control", "U1", "drops GPS")]
    [InlineData("control", "U4", "drops GPS")]
    [InlineData("picture-text", "U4", "displaces GPS")]
    [InlineData("position", "U1", "displaces OSD")]
    public void A_possible_cell_names_its_price(string link, string port, string text)
    {
        var cell = CellOf(Demo.NorthFaceHare, link, port);
        Assert.Equal(CellState.Possible, cell.State);
        Assert.Equal(text, cell.Text);
    }

    [Fact]
    public void With_the_inverting_mode_banned_the_verdict_names_the_link_that_is_left_and_why()
    {
        var sheet = Demo.Fit(new BuildChange(ChangeKind.Block, InvertedMode).ApplyTo(Demo.NorthFaceHare)).Sheet();
        Assert.Equal("2 of 3 links connected. No port for GPS (Fix 10).", sheet.Verdict.Sentence);
        var finding = Assert.Single(sheet.Findings);
        Assert.Equal("UNMET", finding.Rule);
        Assert.Equal(
            "GPS (Fix 10) cannot be connected. U1: OSD uses it. U3: wrong polarity. "
                + "U4: RC link uses it. U6: in use on the board.",
            finding.Sentence
        );
    }

    [Fact]
    public void The_conflict_is_told_in_the_links_and_wishes_that_take_part()
    {
        var sheet = Demo.Fit(new BuildChange(ChangeKind.Block, InvertedMode).ApplyTo(Demo.NorthFaceHare)).Sheet();
        var conflict = Assert.Single(sheet.Conflicts);
        Assert.Equal(
            "GPS, RC link and OSD cannot all be connected while these apply: "
                + "RC link (Sedge 2) not in mode \"CRSF, output inverted\". Drop any one of these and the rest fits.",
            conflict.Sentence
        );
        Assert.Equal(InvertedMode, Assert.Single(conflict.Wishes).Match);
        Assert.Empty(Demo.Fit(Demo.NorthFaceHare).Sheet().Conflicts);
    }

    [Fact]
    public void The_other_plans_say_what_differs_and_why_they_come_after()
    {
        var reader = Demo.Fit(Demo.NorthFaceHare);
        var plans = reader.Sheet().Plans;

        // Picture text on U4 and position on U1 is away from the maker's advice and better in nothing: it is not offered.
        Assert.Equal((1, "", 0), (Assert.Single(plans).Number, plans[0].Price, plans[0].Differs.Count));
        Assert.Null(reader.Choose(2));
    }

    [Fact]
    public void Links_that_give_the_same_are_told_apart_by_their_device()
    {
        var hare = Demo.NorthFaceHare;
        var build = hare with
        {
            Devices = [.. hare.Devices, new() { Id = "spare", Part = "dunmerrow-reed-10" }],
            Wants =
            [
                .. hare.Wants,
                hare.Wants[0] with
                {
                    Link = "spare",
                    Device = "spare",
                    Priority = Priority.Wanted,
                },
            ],
        };
        var conflict = Assert.Single(Demo.Fit(build).Sheet().Conflicts);
        Assert.Equal(
            "RC link (Reed 10) and RC link (Sedge 2) cannot both be connected. Drop one and the other fits.",
            conflict.Sentence
        );
        var finding = Demo.Fit(build).Sheet().Findings.First(f => f.Rule == "UNMET");
        Assert.Contains(
            "U1: RC link (Sedge 2) already has the board's only receiver input and OSD uses it.",
            finding.Sentence
        );
    }

    [Fact]
    public void The_F7_build_sits_on_its_five_whole_ports_with_polarity_set_in_the_controller()
    {
        var sheet = Demo.Fit(Demo.HaulRoadHeron).Sheet();
        Assert.Equal("All 5 links connected.", sheet.Verdict.Sentence);
        Assert.Equal(["U1", "U5", "U3", "U2", "U7"], sheet.Links.Select(l => l.Port));
        Assert.Contains("invert RX", sheet.Links[0].Settings);
        Assert.Contains("invert TX", sheet.Links[2].Settings);
        Assert.Contains("half-duplex", sheet.Links[2].Settings);
    }

    [Fact]
    public void A_pin_says_what_moved()
    {
        var before = Demo.Fit(Demo.NorthFaceHare);
        var pin = new BuildChange(ChangeKind.Pin, new RouteMatch { Link = "position", Port = "U1" });
        var after = Demo.Fit(pin.ApplyTo(Demo.NorthFaceHare));
        Assert.Equal(
            [
                "OSD (Beacon D6) moved from UART1 to UART4. UART1 is now used by GPS.",
                "GPS (Fix 10) moved from UART4 to UART1. You pinned it there.",
            ],
            after.MovedSince(before.Plan)
        );
    }

    [Fact]
    public void A_pin_that_cannot_be_is_kept_as_a_wish_and_answered_with_the_reason()
    {
        var pin = new BuildChange(ChangeKind.Pin, new RouteMatch { Link = "position", Port = "U3" });
        var sheet = Demo.Fit(pin.ApplyTo(Demo.NorthFaceHare)).Sheet();
        Assert.Equal("All 3 links connected. 1 warning.", sheet.Verdict.Sentence);
        Assert.False(Assert.Single(sheet.Wishes).Kept);
        Assert.Equal(
            "You pinned GPS (Fix 10) to UART3, which is not possible: TX would idle low at UART3 RX: an F4-class controller cannot invert "
                + "and pad SBUS has one inverter. The plan ignores this pin.",
            Assert.Single(sheet.Findings).Sentence
        );
        Assert.True(sheet.Links[2].Cells.Single(c => c.Port == "U3").Pinned);
    }

    private static FitCell CellOf(Build build, string link, string port) =>
        Demo.Fit(build).Sheet().Links.Single(l => l.Id == link).Cells.Single(c => c.Port == port);
}
