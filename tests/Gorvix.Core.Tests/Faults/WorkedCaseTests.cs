using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Work.FaultModel;
using Gorvix.Core.Work.Faults;

namespace Gorvix.Core.Tests.Faults;

/// <summary>Cases that builders tell of (common practice): what they see, and that the search ends at what it was.</summary>
public class WorkedCaseTests
{
    // What a builder says, and nothing besides.
    private static Tester Case(string build, string fault, params (string Test, string Outcome)[] sees)
    {
        var table = Tester.Demos.First(d => d.Build.Name == build).Table;
        var suspect = table.Singles.First(s => s.Id == fault);
        foreach (var (test, outcome) in sees)
        {
            Assert.Equal(outcome, table.Craft(suspect.Faults).Shows(table.IndexOf(test)!.Value));
        }
        return new Tester(table, suspect.Faults).Say([.. sees.Select(s => new Observation(s.Test, s.Outcome))]);
    }

    private static void IsFound(Tester tester, int mostTests)
    {
        tester.Follow(Tester.Proposed);
        Assert.Equal(SearchState.Found, tester.Standing.State);
        Assert.True(tester.IsRight(), tester.Standing.Causes[0].Id);
        Assert.True(tester.Tests <= mostTests, $"{tester.Tests} tests");
    }

    [Fact]
    public void Text_shows_but_0_0_V_and_no_record_the_return_wire_of_the_air_unit_is_open() =>
        IsFound(
            Case(
                "East Bench Kestrel",
                "open.air-unit.tx",
                ("link.picture-text.text", "yes"),
                ("link.picture-text.volts", "no"),
                ("link.picture-text.armed", "no")
            ),
            5
        );

    [Fact]
    public void The_same_with_its_return_wire_on_another_port() =>
        IsFound(
            Case(
                "North Face Hare",
                "other.air-unit.tx.r4",
                ("link.picture-text.text", "yes"),
                ("link.picture-text.volts", "no"),
                ("link.picture-text.armed", "no")
            ),
            6
        );

    [Fact]
    public void Bound_but_the_sticks_do_not_move_a_lead_of_the_air_unit_was_left_in_its_plug()
    {
        var (build, table) = Tester.Demos.First(d =>
            d.Table.Singles.Any(s =>
                s.Id.StartsWith("left.air-unit", StringComparison.Ordinal) && Off(d.Table, s, "link.control.sticks")
            )
        );
        var left = table.Singles.First(s =>
            s.Id.StartsWith("left.air-unit", StringComparison.Ordinal) && Off(table, s, "link.control.sticks")
        );
        IsFound(
            Case(
                build.Name,
                left.Id,
                ("light.receiver", "well"),
                ("link.control.sticks", "no"),
                ("link.picture-text.text", "yes")
            ),
            6
        );
    }

    private static bool Off(FaultTable table, Suspect suspect, string test) =>
        table.IndexOf(test) is { } at && table.Outcomes(at)[suspect.Shows[at]].Id == "no";

    [Fact]
    public void Solid_light_with_the_radio_off_the_boot_trap() =>
        IsFound(
            Case("North Face Hare", "loader.receiver", ("light.receiver", "loader"), ("link.control.sticks", "no")),
            4
        );

    [Fact]
    public void The_fix_never_comes_TX_and_RX_of_the_GNSS_module_are_exchanged() =>
        IsFound(
            Case("North Face Hare", "swap.gnss.tx.rx", ("light.gnss", "well"), ("link.position.satellites", "no")),
            5
        );

    [Fact]
    public void A_port_that_was_set_and_not_saved() =>
        IsFound(Case("Rim Walk Rook", "unset.control", ("light.receiver", "well"), ("link.control.sticks", "no")), 4);

    [Fact]
    public void Two_jobs_on_one_port_and_everything_is_silent() =>
        IsFound(
            Case(
                "East Bench Kestrel",
                "page",
                ("light.receiver", "well"),
                ("link.control.sticks", "no"),
                ("link.position.satellites", "no"),
                ("link.picture-text.text", "no")
            ),
            2
        );

    [Fact]
    public void Telemetry_comes_but_no_pack_volts_sensing_is_off() =>
        IsFound(
            Case(
                "Rim Walk Rook",
                "setting.battery.voltage",
                ("link.telemetry.sensors", "yes"),
                ("value.telemetry", "no")
            ),
            2
        );

    /// <summary>The receiver's wire on the pad whose inverter turns it over: the right port, the wrong polarity.</summary>
    [Fact]
    public void A_receiver_on_the_inverting_pad()
    {
        var found = 0;
        foreach (var (build, table) in Tester.Demos)
        {
            foreach (
                var suspect in table.Singles.Where(s =>
                    s.Faults is [{ Edit: WireOnPad { At.Device: "receiver" } on }]
                    && Turns(build.Name, on.Pad)
                    && Off(table, s, "link.control.sticks")
                )
            )
            {
                IsFound(Case(build.Name, suspect.Id, ("link.control.sticks", "no")), 6);
                found++;
            }
        }
        Assert.True(found > 0);
    }

    private static bool Turns(string build, string pad)
    {
        var board = Demo.Library.Board(Demo.Builds.First(b => b.Name == build).Board)!;
        return board.Pads.First(p => p.Id == pad).Paths.Any(p => p.Through.OfType<Inverter>().Any());
    }

    [Fact]
    public void The_plug_of_another_unit() =>
        IsFound(Case("East Bench Kestrel", "harness.air-unit.turned", ("light.air-unit", "dark")), 6);

    [Fact]
    public void Battery_on_a_data_pin_gets_no_power_before_it_is_measured()
    {
        static bool Burns(Suspect suspect) => suspect is { Harms: true, Faults: [{ Kind: FaultKind.Exchanged }] };
        var table = Tester.Demos.First(d => d.Table.Singles.Any(Burns)).Table;
        var suspect = table.Singles.First(Burns);
        var light = $"light.{suspect.Faults[0].Place.Device}";
        var tester = new Tester(table, suspect.Faults).Say([
            new Observation(light, table.Craft(suspect.Faults).Shows(table.IndexOf(light)!.Value)!),
        ]);
        tester.Follow(t =>
        {
            var next = Tester.Proposed(t);
            Assert.False(next is { } test && table.Tests[test].IsPowered, "power before it is measured");
            return next;
        });
        IsFound(tester, 6);
    }

    [Fact]
    public void What_contradicts_itself_is_said_and_what_may_be_wrong_is_named()
    {
        var table = Tester.Demos.First(d => d.Build.Name == "East Bench Kestrel").Table;
        var standing = new Search(table).Look([
            new("link.picture-text.volts", "no"),
            new("link.picture-text.armed", "yes"),
        ]);
        Assert.Equal(SearchState.Unexplained, standing.State);
        Assert.Equal([0, 1], standing.Doubted);
    }

    [Fact]
    public void What_was_looked_for_and_was_not_there_gives_way_to_the_next()
    {
        var table = Tester.Demos.First(d => d.Build.Name == "Rim Walk Rook").Table;
        Observation[] seen = [new("light.receiver", "well"), new("link.control.sticks", "no")];
        var first = new Search(table).Look(seen).Causes[0].Id;
        var then = new Search(table).Look(seen, null, new HashSet<string> { first });
        Assert.NotEqual(first, then.Causes[0].Id);
        Assert.True(then.Causes.All(c => c.Id != first || c.Share < 0.01));
    }

    [Fact]
    public void What_a_builder_found_before_and_what_was_soldered_lately_weighs_more_and_what_was_good_less()
    {
        var table = Tester.Demos.First(d => d.Build.Name == "Rim Walk Rook").Table;
        Observation[] seen = [new("light.receiver", "well"), new("link.control.sticks", "no")];
        // Odds: a share moves less the greater it is.
        double Odds(string cause, OwnExperience? own = null, LogHints? hints = null) =>
            new Search(table, own, hints).Look(seen).Causes.First(c => c.Id == cause).Share is var share
                ? share / (1 - share)
                : 0;
        const string Open = "open.receiver.tx";
        var found = new OwnExperience(
            new Dictionary<FaultKind, int> { [FaultKind.Open] = 4 },
            new Dictionary<FaultKind, double>()
        );
        var lately = LogHints.None with { SolderedLately = new HashSet<LeadAt> { new("receiver", "tx") } };
        var good = LogHints.None with { GoodBefore = [new("cold.receiver-tx.r1", "beeps")] };
        Assert.Equal(3, Odds(Open, found) / Odds(Open), 0.2);
        Assert.InRange(Odds(Open, null, lately) / Odds(Open), 1.3, 2.1);
        Assert.InRange(Odds(Open, null, good) / Odds(Open), 0.45, 0.7);
    }
}
