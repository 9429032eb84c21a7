using CsCheck;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Fit;
using Gorvix.Core.Wired.Settings;

namespace Gorvix.Core.Tests.Settings;

/// <summary>From the sheet to the simulated board and back: what stands, and what was lost without a word.</summary>
public class ReadBackTests
{
    private static readonly DateOnly Day = new(2026, 11, 26);

    private sealed record Desk(Board Board, SettingsSheet Sheet, SimulatedBoard Simulated)
    {
        public string Wanted => NeutralForm.Write(Board, Sheet);

        public ReadReport Read() => ReadBack.Compare(Board, Sheet, NeutralForm.Read(Simulated.Print()));
    }

    private static Desk At(Build build)
    {
        var wired = new FitReader(Resolved(build, Demo.Library)).Wired;
        return new Desk(
            wired.Build.Board,
            SettingsReader.Of(wired, Day),
            new SimulatedBoard(wired.Build.Board, wired.Build.Firmware)
        );
    }

    public static TheoryData<string> Names => [.. Demo.Builds.Select(b => b.Name)];

    [Theory]
    [MemberData(nameof(Names))]
    public void What_every_plan_wants_is_taken_saved_and_read_back_clean(string name)
    {
        var desk = At(Demo.Builds.First(b => b.Name == name));
        Assert.Equal(["accepted"], desk.Simulated.Take(desk.Wanted).Replies);
        Assert.True(desk.Simulated.Save().IsSaved);
        var read = desk.Read();
        Assert.True(read.IsClean, string.Join("\n", read.Lines.Where(l => l.Verdict != ReadVerdict.Same)));
        Assert.Equal("All settings match the plan.", read.Words);
    }

    [Fact]
    public void What_was_not_saved_is_gone_after_a_restart()
    {
        var desk = At(Demo.CrusherHouseLark);
        Assert.False(desk.Simulated.Take(desk.Wanted).IsSaved);
        desk.Simulated.Restart();
        var read = desk.Read();
        Assert.False(read.IsClean);
        Assert.Contains("No port has a function", read.Words, StringComparison.Ordinal);
    }

    // Common practice: a port given two jobs is refused, and all settings of the page are lost.
    [Theory]
    [InlineData("port U6 job=gnss protocol=UBX baud=115200 rx=normal tx=normal")]
    [InlineData("port U2 job=receiverInput protocol=CRSF baud=420000 rx=normal tx=normal")]
    [InlineData("port U2 job=gnss protocol=UBX baud=115200 rx=normal tx=normal")]
    public void Two_jobs_on_one_port_or_one_job_on_two_empty_the_page_without_a_word(string forced)
    {
        var desk = At(Demo.CrusherHouseLark);
        Assert.Equal(["accepted"], desk.Simulated.Take($"{desk.Wanted}{forced}\n").Replies);
        desk.Simulated.Save();
        var read = desk.Read();
        Assert.False(read.IsClean);
        Assert.Contains("two functions on one port", read.Words, StringComparison.Ordinal);
        Assert.All(
            read.Lines.Where(l => l.Key.StartsWith("port.", StringComparison.Ordinal)),
            l => Assert.Equal(NeutralForm.Free, l.Found)
        );

        // The rest of the settings is on another page and stands.
        Assert.Contains(read.Lines, l => l is { Key: "battery.voltage", Verdict: ReadVerdict.Same });
    }

    // The halves of a port are shared only by the pairs that its firmware knows.
    [Theory]
    [InlineData("escTelemetry+flightLog", false)]
    [InlineData("cameraControl+rangeFinder", true)]
    public void Two_jobs_on_the_halves_of_a_port_stand_only_where_the_firmware_shares_them(string jobs, bool isLost)
    {
        var desk = At(Demo.CrusherHouseLark);
        desk.Simulated.Take($"{desk.Wanted}port U2 job={jobs} protocol=both baud=115200\n");
        desk.Simulated.Save();
        Assert.Equal(isLost, !desk.Simulated.Print().Contains("port U6 job=", StringComparison.Ordinal));
    }

    [Fact]
    public void A_controller_that_cannot_invert_leaves_it_and_only_the_read_back_tells()
    {
        var desk = At(Demo.NorthFaceHare);
        Assert.Equal("F4", desk.Board.Controller);
        var inverted = desk.Wanted.Replace("rx=normal", "rx=inverted", StringComparison.Ordinal);
        Assert.NotEqual(desk.Wanted, inverted);
        desk.Simulated.Take(inverted);
        desk.Simulated.Save();
        Assert.DoesNotContain("rx=inverted", desk.Simulated.Print(), StringComparison.Ordinal);
    }

    [Fact]
    public void A_value_that_differs_is_told_with_what_was_wanted()
    {
        var desk = At(Demo.CrusherHouseLark);
        desk.Simulated.Take(desk.Wanted.Replace("rx=inverted", "rx=normal", StringComparison.Ordinal));
        desk.Simulated.Save();
        var line = desk.Read().Lines[0];
        Assert.Equal((ReadVerdict.Differs, "port.U6"), (line.Verdict, line.Key));
        Assert.Equal("UART6: rx is normal, should be inverted.", line.Words);
    }

    [Fact]
    public void A_job_that_nobody_wants_is_told()
    {
        var desk = At(Demo.CrusherHouseLark);
        desk.Simulated.Take($"{desk.Wanted}port U2 job=flightLog protocol=Flight-log baud=115200 tx=normal\n");
        desk.Simulated.Save();
        var line = desk.Read().Lines.Single(l => l.Verdict == ReadVerdict.Extra);
        Assert.Contains("a port with a function transmits", line.Words, StringComparison.Ordinal);
    }

    [Fact]
    public void The_printout_of_another_board_does_not_count()
    {
        var desk = At(Demo.CrusherHouseLark);
        var other = At(Demo.NorthFaceHare);
        other.Simulated.Take(other.Wanted);
        other.Simulated.Save();
        var read = ReadBack.Compare(desk.Board, desk.Sheet, NeutralForm.Read(other.Simulated.Print()));
        Assert.False(read.IsClean);
        Assert.Contains("another board", read.Words, StringComparison.Ordinal);
        Assert.StartsWith("rejected", desk.Simulated.Take(other.Wanted).Replies[0], StringComparison.Ordinal);
    }

    // Two boards of one kind: every line is right, and it is the wrong one that lies on the bench.
    [Fact]
    public void Nor_does_it_when_every_line_of_it_is_as_wanted()
    {
        var desk = At(Demo.CrusherHouseLark);
        desk.Simulated.Take(desk.Wanted);
        desk.Simulated.Save();
        var print = desk.Simulated.Print();
        var other = print.Replace(desk.Board.Id, "another-board", StringComparison.Ordinal);
        Assert.NotEqual(print, other);
        var read = ReadBack.Compare(desk.Board, desk.Sheet, NeutralForm.Read(other));
        Assert.All(read.Lines, l => Assert.Equal(ReadVerdict.Same, l.Verdict));
        Assert.False(read.IsClean);
        Assert.Contains("another board", read.Words, StringComparison.Ordinal);
    }

    [Fact]
    public void What_the_board_cannot_do_is_answered_line_by_line()
    {
        var desk = At(Demo.CrusherHouseLark);
        var replies = desk
            .Simulated.Take("port U99 job=gnss\nport U1 job=nothing\nhello\nset canvas.extra.1 x\nset telemetry on\n")
            .Replies;
        Assert.Contains("line 1: no port U99", replies);
        Assert.Contains("line 2: unknown function", replies);
        Assert.Contains("line 3: not recognised", replies);
        Assert.Contains("line 4: no setting canvas.extra.1 in this firmware generation", replies);
        Assert.Equal("the other lines are accepted", replies[^1]);
    }

    [Fact]
    public void Whatever_is_pasted_is_read_and_compared()
    {
        var desk = At(Demo.RimWalkRook);
        Gen.OneOf(
                Gen.String,
                Gen.Select(Gen.Int[0, desk.Wanted.Length - 1], Gen.String[0, 20], (at, s) => desk.Wanted.Insert(at, s)),
                Gen.Int[0, desk.Wanted.Length].Select(n => desk.Wanted[..n])
            )
            .Holds(
                text =>
                {
                    var read = ReadBack.Compare(desk.Board, desk.Sheet, NeutralForm.Read(text));
                    desk.Simulated.Take(text);
                    Assert.True(read.Lines.Count > 0 && read.Words.Length > 0);
                },
                of: 10_000,
                alone: true
            );
    }
}
