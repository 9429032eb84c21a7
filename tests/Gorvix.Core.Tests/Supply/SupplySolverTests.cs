using Gorvix.Core.Hardware.Supply;

namespace Gorvix.Core.Tests.Supply;

/// <summary>The steady state of supplies, by hand and against ngspice.</summary>
public class SupplySolverTests
{
    [Fact]
    public void A_wire_drops_what_Ohm_says()
    {
        var net = new SupplyNet();
        var (source, load) = (net.Node("source"), net.Node("load"));
        net.Add(new VoltSource(source, 5));
        net.Add(new Ohmic(source, load, 0.5));
        net.Add(new CurrentLoad(load, 0, 0.4));
        Assert.Equal(4.8, Volts(net)[load], 3);
    }

    /// <summary>V = E/2 + sqrt(E²/4 - P R): the working one of the two ends of the parabola.</summary>
    [Fact]
    public void A_load_of_constant_power_finds_its_working_end()
    {
        var net = new SupplyNet();
        var (source, load) = (net.Node("source"), net.Node("load"));
        net.Add(new VoltSource(source, 10));
        net.Add(new Ohmic(source, load, 1));
        net.Add(new PowerLoad(load, 0, 16));
        Assert.Equal(8, Volts(net)[load], 2);
    }

    [Fact]
    public void A_load_beyond_its_source_collapses_and_does_not_hang()
    {
        var net = new SupplyNet();
        var (source, load) = (net.Node("source"), net.Node("load"));
        net.Add(new VoltSource(source, 10));
        net.Add(new Ohmic(source, load, 1));
        net.Add(new PowerLoad(load, 0, 100));
        var solution = SupplySolver.Solve(net);
        Assert.True(
            solution.State is { } state ? state.Volts[load] < 1 : solution.Problem!.Place == "load",
            solution.Problem?.Why
        );
    }

    [Fact]
    public void A_diode_drops_its_forward_volts_at_a_tenth_of_an_ampere()
    {
        var net = new SupplyNet();
        var (source, load) = (net.Node("source"), net.Node("load"));
        net.Add(new VoltSource(source, 5));
        net.Add(new Junction(source, load, 0.5));
        net.Add(new CurrentLoad(load, 0, 0.1));
        Assert.Equal(4.5, Volts(net)[load], 3);
    }

    [Theory]
    [InlineData(16.8, 9, 1, 9)]
    [InlineData(8.4, 9, 1, 7.4)]
    [InlineData(6.6, 9, 1, 5.6)]
    [InlineData(0.5, 9, 1, 0)]
    public void A_regulator_holds_its_volts_or_follows_its_source_down(
        double source,
        double volts,
        double dropout,
        double gives
    )
    {
        var net = new SupplyNet();
        var (from, rail) = (net.Node("source"), net.Node("rail"));
        net.Add(new VoltSource(from, source));
        net.Add(new Regulating(from, rail, volts) { Dropout = dropout });
        Assert.Equal(gives, Volts(net)[rail], 2);
    }

    /// <summary>9 V at 1 A out of 18 V: half an ampere in, for one that switches without loss; one ampere for a linear one.</summary>
    [Theory]
    [InlineData(Conversion.Switching, 1, 0.5)]
    [InlineData(Conversion.Switching, 0.9, 0.555)]
    [InlineData(Conversion.Linear, 1, 1)]
    public void What_a_regulator_asks_of_its_source_hangs_on_how_it_works(
        Conversion conversion,
        double efficiency,
        double amps
    )
    {
        var net = new SupplyNet();
        var (from, rail) = (net.Node("source"), net.Node("rail"));
        net.Add(new VoltSource(from, 18));
        net.Add(new Regulating(from, rail, 9) { Conversion = conversion, Efficiency = efficiency });
        net.Add(new CurrentLoad(rail, 0, 1));
        var state = SupplySolver.Solve(net).State!;
        // The output has 10 mΩ, so its volts are 0.1 % low.
        Assert.InRange(state.Inputs[0], amps * 0.99, amps * 1.01);
        Assert.Equal(state.Inputs[0], state.Amps[0], 6);
    }

    /// <summary>
    /// What a regulator takes for itself comes on top (data sheets: input current = output current + ground current for a linear one, power
    /// through its efficiency + quiescent current for one that switches). 5 V out of 10 V, out of 2.5 V for a booster; 10 mA for itself.
    /// </summary>
    [Theory]
    [InlineData(Conversion.Linear, 10, 0.1, 0.11)]
    [InlineData(Conversion.Linear, 10, 0, 0.01)]
    [InlineData(Conversion.Switching, 10, 0.1, 0.06)]
    [InlineData(Conversion.Switching, 10, 0, 0.01)]
    [InlineData(Conversion.Boosting, 2.5, 0.1, 0.21)]
    public void What_a_regulator_takes_for_itself_is_drawn_from_its_source_as_well(
        Conversion conversion,
        double source,
        double load,
        double amps
    )
    {
        var net = new SupplyNet();
        var (from, rail) = (net.Node("source"), net.Node("rail"));
        net.Add(new VoltSource(from, source));
        net.Add(new Regulating(from, rail, 5) { Conversion = conversion, Quiescent = 0.01 });
        net.Add(new CurrentLoad(rail, 0, load));
        Assert.Equal(amps, SupplySolver.Solve(net).State!.Amps[0], 0.0005);
    }

    [Fact]
    public void A_higher_supply_on_the_output_of_a_regulator_drives_nothing_back()
    {
        var net = new SupplyNet();
        var (from, rail, other) = (net.Node("source"), net.Node("rail"), net.Node("other"));
        net.Add(new VoltSource(from, 12));
        net.Add(new Regulating(from, rail, 5));
        net.Add(new VoltSource(other, 6));
        net.Add(new Ohmic(other, rail, 0.1));
        var state = SupplySolver.Solve(net).State!;
        Assert.Equal(6, state.Volts[rail], 3);
        Assert.Equal(0, state.Amps[0], 4);
    }

    [Fact]
    public void A_lamp_passes_a_small_load_and_glows_at_a_short()
    {
        (double Volts, double Amps) Through(double ohms)
        {
            var net = new SupplyNet();
            var (source, board) = (net.Node("source"), net.Node("board"));
            net.Add(new VoltSource(source, 12));
            net.Add(new Lamp(source, board, 12, 21));
            net.Add(new Ohmic(board, 0, ohms));
            var state = SupplySolver.Solve(net).State!;
            return (state.Volts[board], state.Amps[1]);
        }
        Assert.InRange(Through(120).Volts, 11.7, 12);
        Assert.Equal(21.0 / 12, Through(0.001).Amps, 2);
    }

    [Theory]
    [InlineData(0.4, 11.99)]
    [InlineData(2, 0)]
    public void A_limiter_lets_pass_what_it_is_set_to(double load, double volts)
    {
        var net = new SupplyNet();
        var (source, board) = (net.Node("source"), net.Node("board"));
        net.Add(new VoltSource(source, 12));
        net.Add(new Limiter(source, board, 1));
        net.Add(new CurrentLoad(board, 0, load));
        Assert.Equal(volts, Volts(net)[board], volts == 0 ? 0 : 1);
    }

    [Fact]
    public void A_search_that_nobody_waits_for_ends()
    {
        var net = new SupplyNet();
        net.Add(new VoltSource(net.Node("source"), 5));
        Assert.Throws<OperationCanceledException>(() => SupplySolver.Solve(net, new CancellationToken(canceled: true)));
    }

    /// <summary>A sense divider of 10 kΩ to 1 kΩ shows the controller an eleventh of the pack (common practice): 16.8 V are 1.527 V.</summary>
    [Theory]
    [InlineData(16.8, 1.527)]
    [InlineData(25.2, 2.291)]
    public void A_sense_divider_of_10_to_1_shows_an_eleventh(double pack, double sense)
    {
        var net = new SupplyNet();
        var (source, tap) = (net.Node("battery"), net.Node("sense"));
        net.Add(new VoltSource(source, pack));
        net.Add(new Ohmic(source, tap, 10_000));
        net.Add(new Ohmic(tap, 0, 1_000));
        var volts = Volts(net);
        Assert.Equal(sense, volts[tap], 3);
        Assert.Equal(volts[tap], Spice.Solve(net, volts)![tap], 3);
        // What a 3.3 V converter still reads.
        Assert.InRange(volts[tap], 0, 3.3);
    }

    [Fact]
    public void What_nothing_feeds_is_at_ground()
    {
        var net = new SupplyNet();
        var lone = net.Node("lone");
        net.Add(new CurrentLoad(lone, 0, 1));
        Assert.Equal(0, Volts(net)[lone], 6);
        Assert.Equal([0], Volts(new SupplyNet()));
    }

    [Fact]
    public void Values_that_nothing_can_have_are_refused()
    {
        var net = new SupplyNet();
        var node = net.Node("a");
        Assert.Throws<ArgumentException>(() => net.Add(new VoltSource(node, double.NaN)));
        Assert.Throws<ArgumentException>(() => net.Add(new VoltSource(node, 5, -1)));
        Assert.Throws<ArgumentException>(() => net.Add(new Ohmic(node, 0, 0)));
        Assert.Throws<ArgumentException>(() => net.Add(new Ohmic(node, node, 1)));
        Assert.Throws<ArgumentException>(() => net.Add(new Ohmic(node, 7, 1)));
        Assert.Throws<ArgumentException>(() => net.Add(new Junction(node, 0, 0)));
        Assert.Throws<ArgumentException>(() => net.Add(new CurrentLoad(node, 0, double.PositiveInfinity)));
        Assert.Throws<ArgumentException>(() => net.Add(new PowerLoad(node, 0, -1)));
        Assert.Throws<ArgumentException>(() => net.Add(new Regulating(node, 0, 5) { Efficiency = 0 }));
        Assert.Throws<ArgumentException>(() => net.Add(new Regulating(node, 0, 5) { Dropout = -1 }));
    }

    /// <summary>Node by node within 1 %, or 10 mV where there is almost nothing. On a few of them ngspice itself finds no solution.</summary>
    [Fact]
    public void Two_hundred_supplies_come_to_what_ngspice_finds()
    {
        var answered = 0;
        var looked = GeneratedSupplies.Supplies.Holds(
            net =>
            {
                var solution = SupplySolver.Solve(net);
                Assert.True(solution.State is not null, solution.Problem?.Why);
                if (Spice.Solve(net, solution.State.Volts) is not { } theirs)
                {
                    return;
                }
                Interlocked.Increment(ref answered);
                foreach (var (i, volts) in solution.State.Volts.Index())
                {
                    Assert.True(
                        Math.Abs(volts - theirs[i]) <= Math.Max(0.01, 0.01 * Math.Abs(theirs[i])),
                        $"{net.Names[i]}: {volts} V here, {theirs[i]} V there"
                    );
                }
            },
            of: 240
        );
        Assert.InRange(answered, looked * 5 / 6, looked);
    }

    /// <summary>Whatever is asked of a source, an answer comes: volts, or where it does not settle.</summary>
    [Fact]
    public void A_thousand_supplies_settle() =>
        GeneratedSupplies.Supplies.Holds(
            net => Assert.Null(SupplySolver.Solve(net).Problem),
            of: 1_000,
            kept: ["c7ROImY6zbAhf1"]
        );

    private static IReadOnlyList<double> Volts(SupplyNet net)
    {
        var solution = SupplySolver.Solve(net);
        Assert.True(solution.State is not null, solution.Problem?.Why);
        return solution.State.Volts;
    }
}
