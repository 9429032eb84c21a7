using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Wired.Settings;

namespace Gorvix.Core.Tests.Settings;

/// <summary>A dump beside a short sheet, line by line, worked out by hand.</summary>
public class ReadVerdictTests
{
    private const string Gnss = "job=gnss protocol=UBX baud=115200 rx=normal tx=normal";

    private static readonly Board Board = Demo.Library.Boards[0];

    private static Setting Set(string key, string value, SettingPlace place = SettingPlace.Board) =>
        new(key, place, value, $"{key} set to {value}", "");

    private static ReadReport Read(string dump, params Setting[] wanted) =>
        ReadBack.Compare(Board, new SettingsSheet(wanted, [], [], [], null, [], [], []), NeutralForm.Read(dump));

    [Fact]
    public void Values_of_a_port_stand_in_any_order()
    {
        var read = Read("\nport U1 baud=115200 job=gnss tx=normal rx=normal protocol=UBX", Set("port.U1", Gnss));
        Assert.True(read.IsClean);
        Assert.Equal("All settings match the plan.", read.Words);
        var line = Assert.Single(read.Lines);
        Assert.Equal((ReadVerdict.Same, 2, $"port.U1 set to {Gnss}."), (line.Verdict, line.Line, line.Words));
    }

    [Fact]
    public void Of_two_lines_on_one_setting_the_last_counts()
    {
        Assert.True(Read("set sense on\nset sense off", Set("sense", "off")).IsClean);
        var line = Read("set sense off\nset sense on", Set("sense", "off")).Lines.Single();
        Assert.Equal((ReadVerdict.Differs, "on", 2), (line.Verdict, line.Found, line.Line));
        Assert.Equal("sense: is on, should be off.", line.Words);
    }

    [Fact]
    public void What_the_dump_does_not_hold_is_missing()
    {
        var read = Read("set other 1", Set("sense", "on"), Set("port.U1", Gnss));
        Assert.False(read.IsClean);
        Assert.Equal(
            "2 settings differ from the plan.",
            Read("set other 1\nport U9 none", Set("a", "1"), Set("b", "2")).Words
        );
        Assert.Equal(
            [
                (ReadVerdict.Missing, (int?)null, "sense is not in the dump; should be: sense set to on."),
                (ReadVerdict.Missing, null, $"UART1 is not in the dump; should be: port.U1 set to {Gnss}."),
            ],
            read.Lines.Select(l => (l.Verdict, l.Line, l.Words))
        );
    }

    [Fact]
    public void One_difference_is_counted_as_one() =>
        Assert.Equal("1 setting differs from the plan.", Read("set a 1", Set("a", "2")).Words);

    [Fact]
    public void A_cleared_port_need_not_be_printed()
    {
        var read = Read("set a 1", Set("a", "1"), Set("port.U2", NeutralForm.Free));
        Assert.True(read.IsClean);
        var line = read.Lines.Single(l => l.Key == "port.U2");
        Assert.Equal((ReadVerdict.Same, "port.U2 set to none."), (line.Verdict, line.Words));
        Assert.True(Read("set a 1\nport U2 none", Set("a", "1"), Set("port.U2", NeutralForm.Free)).IsClean);
    }

    [Fact]
    public void A_port_that_was_to_be_cleared_and_still_has_its_function_says_so()
    {
        var read = Read($"port U2 {Gnss}\nport U1 {Gnss}", Set("port.U1", Gnss), Set("port.U2", NeutralForm.Free));
        Assert.False(read.IsClean);
        Assert.Equal(
            $"UART2 still has a function ({Gnss}). Clear it: if two ports share a function, the board clears all port settings.",
            read.Lines[0].Words
        );
    }

    [Fact]
    public void A_port_that_lost_its_function_says_what_it_should_be()
    {
        var read = Read(
            "port U1 none\nport U2 job=receiverInput",
            Set("port.U1", Gnss),
            Set("port.U2", "job=receiverInput")
        );
        Assert.Equal($"UART1 has no function; should be: port.U1 set to {Gnss}.", read.Lines[0].Words);
    }

    [Fact]
    public void Only_a_function_that_nobody_wants_is_extra()
    {
        var read = Read($"set a 1\nset b 2\nport U3 none\nport U4 {Gnss}", Set("a", "1"));
        Assert.False(read.IsClean);
        Assert.Equal(["port.U4", "a"], read.Lines.Select(l => l.Key));
        Assert.Equal(
            (
                ReadVerdict.Extra,
                null,
                Gnss,
                4,
                $"UART4 has an unplanned function ({Gnss}). Remove it: a port with a function transmits."
            ),
            (read.Lines[0].Verdict, read.Lines[0].Wanted, read.Lines[0].Found, read.Lines[0].Line, read.Lines[0].Words)
        );
    }

    [Fact]
    public void What_the_board_does_not_print_is_not_compared()
    {
        var read = Read(
            "set a 1",
            Set("a", "1"),
            Set("receiver.protocol", "CRSF", SettingPlace.Device),
            Set("rate", "150", SettingPlace.Radio),
            Set("by-hand", "")
        );
        Assert.True(read.IsClean);
        Assert.Equal(["a"], read.Lines.Select(l => l.Key));
    }

    [Fact]
    public void Differences_come_first_each_group_in_the_order_of_the_dump()
    {
        var read = Read(
            "set a 1\nset b 9\nset c 1\nset d 9",
            Set("missing", "1"),
            Set("d", "1"),
            Set("c", "1"),
            Set("b", "1"),
            Set("a", "1")
        );
        Assert.Equal(["b", "d", "missing", "a", "c"], read.Lines.Select(l => l.Key));
    }

    [Fact]
    public void Each_value_of_a_port_that_differs_is_named()
    {
        var read = Read(
            "set a 1\nport U1 job=gnss protocol=UBX baud=9600 tx=normal swap=yes",
            Set("a", "1"),
            Set("port.U1", Gnss)
        );
        Assert.Equal(
            "UART1: baud is 9600, should be 115200, rx is not set, should be normal and swap is yes, should be not set.",
            read.Lines[0].Words
        );
    }

    [Theory]
    // One port of one: its own line says it.
    [InlineData("port U1 none", false, "1 setting differs from the plan.")]
    [InlineData("port U1 none\nport U2 none", true, "No port has a function")]
    [InlineData("set a 1", true, "No port has a function")]
    [InlineData("port U1 none\nport U2 job=gnss", true, "2 settings differ from the plan.")]
    public void A_cleared_page_of_ports_is_recognised(string dump, bool two, string words)
    {
        Setting[] wanted = two ? [Set("port.U1", Gnss), Set("port.U2", "job=receiverInput")] : [Set("port.U1", Gnss)];
        Assert.StartsWith(words, Read(dump, wanted).Words, StringComparison.Ordinal);
    }

    [Fact]
    public void Ports_that_were_to_be_cleared_are_no_cleared_page() =>
        Assert.Equal(
            "All settings match the plan.",
            Read("set a 1", Set("a", "1"), Set("port.U1", NeutralForm.Free), Set("port.U2", NeutralForm.Free)).Words
        );

    [Fact]
    public void An_empty_dump_is_never_clean()
    {
        foreach (var dump in new[] { "", "hello", $"board {Board.Id}" })
        {
            var read = Read(dump, Set("port.U2", NeutralForm.Free));
            Assert.False(read.IsClean);
            Assert.StartsWith("Nothing recognised", read.Words, StringComparison.Ordinal);
        }
        Assert.Equal([1], Read("hello", Set("a", "1")).Strange);
    }

    [Fact]
    public void A_dump_that_names_its_board_must_name_this_one()
    {
        Assert.True(Read($"board {Board.Id}\nset a 1", Set("a", "1")).IsClean);
        var read = Read("board other\nset a 1", Set("a", "1"));
        Assert.False(read.IsClean);
        Assert.Equal(
            $"This dump is from another board: it says other, the build has {Board.Id}. Nothing in it was used.",
            read.Words
        );
    }

    [Theory]
    [InlineData("compass.declination", "3.2", "3.4", true)]
    [InlineData("compass.declination", "3.2", "3.5", false)]
    // In whole minutes of arc: a quarter of a degree is fifteen.
    [InlineData("compass.declination", "192", "207", true)]
    [InlineData("compass.declination", "192", "208", false)]
    [InlineData("sense.scale", "3.2", "3.4", false)]
    public void A_declination_may_drift_by_a_quarter_of_a_degree(string key, string wanted, string found, bool same) =>
        Assert.Equal(same, Read($"set {key} {found}", Set(key, wanted)).IsClean);

    [Theory]
    [InlineData("port.U3", "UART3")]
    [InlineData("battery.voltage", "battery.voltage")]
    public void A_setting_is_called_as_in_a_sentence(string key, string name) =>
        Assert.Equal(name, ReadBack.NameOf(key));
}
