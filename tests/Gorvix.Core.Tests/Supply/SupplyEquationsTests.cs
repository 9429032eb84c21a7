using CsCheck;
using Gorvix.Core.Hardware.Supply;
using MathNet.Numerics.LinearAlgebra;

namespace Gorvix.Core.Tests.Supply;

/// <summary>One step of the solver against the whole system written out and solved by LU (reference library: MathNet.Numerics).</summary>
public class SupplyEquationsTests
{
    [Theory]
    [InlineData(0)]
    [InlineData(0.5)]
    public void A_step_is_what_LU_of_the_whole_system_says(double tie)
    {
        var steps = 0;
        var looked = Gen.Select(GeneratedSupplies.Supplies, Gen.Double[0.05, 15].Array[60])
            .Holds(
                (net, made) =>
                {
                    var size = net.Names.Count;
                    var volts = new double[size];
                    for (var i = 1; i < size; i++)
                    {
                        volts[i] = made[i % made.Length];
                    }
                    var (left, slopes) = Plain(net, volts, tie);
                    var whole = slopes.LU().Solve(-left);
                    var equations = new SupplyEquations(net);
                    equations.At(volts);
                    Assert.Equal(left.AbsoluteMaximum(), equations.Most, left.AbsoluteMaximum() * 1e-12);
                    var change = new double[size];
                    Assert.True(equations.Step(tie, change));
                    // As far as the system itself tells it: both leave next to nothing over.
                    var over = (slopes * Vector<double>.Build.Dense(change[1..])) + left;
                    var theirs = (slopes * whole) + left;
                    Assert.InRange(
                        over.AbsoluteMaximum(),
                        0,
                        Math.Max(theirs.AbsoluteMaximum() * 1e3, left.AbsoluteMaximum() * 1e-6)
                    );
                    Interlocked.Increment(ref steps);
                },
                of: 500
            );
        Assert.Equal(looked, steps);
    }

    [Fact]
    public void On_a_tree_every_node_is_worked_into_its_neighbour_and_none_is_left()
    {
        var net = new SupplyNet();
        var nodes = Enumerable.Range(0, 7).Select(i => net.Node($"{i}")).ToList();
        net.Add(new VoltSource(nodes[0], 5));
        foreach (var i in Enumerable.Range(1, 6))
        {
            net.Add(new Ohmic(nodes[(i - 1) / 2], nodes[i], 0.1));
        }
        var order = WorkingOrder.Of(net, awake: true);
        Assert.Equal(7, order.Tail);
        Assert.Equal([.. nodes.Order()], order.Nodes.Order());
        Assert.Equal(SupplyNet.Ground, order.Onto[^1]);
        Assert.All(
            order.Nodes.Index().Take(6),
            n => Assert.Contains(order.Onto[n.Index], order.Nodes[(n.Index + 1)..])
        );
    }

    [Fact]
    public void Nodes_in_a_ring_are_left_to_be_solved_together_and_a_load_closes_one_only_while_it_sleeps()
    {
        var net = new SupplyNet();
        var (plus, minus, one, other) = (net.Node("plus"), net.Node("minus"), net.Node("one"), net.Node("other"));
        net.Add(new VoltSource(plus, 5));
        net.Add(new Ohmic(minus, SupplyNet.Ground, 0.1));
        foreach (var lead in new[] { one, other })
        {
            net.Add(new Ohmic(plus, lead, 0.1));
            net.Add(new CurrentLoad(lead, minus, 0.1));
        }
        Assert.Equal(4, WorkingOrder.Of(net, awake: true).Tail);
        Assert.Equal(0, WorkingOrder.Of(net, awake: false).Tail);
        var volts = SupplySolver.Solve(net).State!.Volts;
        Assert.Equal(4.99, volts[one], 0.0001);
        Assert.Equal(0.02, volts[minus], 0.0001);
    }

    private static (Vector<double> Left, Matrix<double> Slopes) Plain(SupplyNet net, double[] volts, double tie)
    {
        var count = volts.Length - 1;
        var left = Vector<double>.Build.Dense(count, i => volts[i + 1] * 1e-12);
        var slopes = Matrix<double>.Build.DenseDiagonal(count, 1e-12 + tie);
        void Flows(int from, int to, double amps, params (int Of, double By)[] by)
        {
            foreach (var (node, sign) in new[] { (from, 1), (to, -1) })
            {
                if (node == SupplyNet.Ground)
                {
                    continue;
                }
                left[node - 1] += sign * amps;
                foreach (var (of, slope) in by.Where(b => b.Of != SupplyNet.Ground))
                {
                    slopes[node - 1, of - 1] += sign * slope;
                }
            }
        }
        foreach (var e in net.Elements)
        {
            var (amps, slope) = e.At(volts[e.From] - volts[e.To]);
            Flows(e.From, e.To, amps, (e.From, slope), (e.To, -slope));
        }
        foreach (var r in net.Regulators)
        {
            var at = r.At(volts[r.Input], volts[r.Output]);
            Flows(SupplyNet.Ground, r.Output, at.Out, (r.Input, at.OutByIn), (r.Output, at.OutByOut));
            Flows(r.Input, SupplyNet.Ground, at.In, (r.Input, at.InByIn), (r.Output, at.InByOut));
        }
        return (left, slopes);
    }
}
