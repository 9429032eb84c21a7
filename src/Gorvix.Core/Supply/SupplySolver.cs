using MathNet.Numerics.LinearAlgebra;

namespace Gorvix.Core.Supply;

/// <summary>What a supply does.</summary>
/// <param name="Volts">Volts of each node against ground.</param>
/// <param name="Amps">The current through each element, in the order of the net, from its first node to its second.</param>
/// <param name="Outputs">The current out of each regulator.</param>
/// <param name="Inputs">The current into each regulator.</param>
/// <param name="Iterations">How many steps it took.</param>
public sealed record SupplyState(
    IReadOnlyList<double> Volts,
    IReadOnlyList<double> Amps,
    IReadOnlyList<double> Outputs,
    IReadOnlyList<double> Inputs,
    int Iterations
);

/// <summary>What came of solving a supply.</summary>
/// <param name="State">What it does; null when no state was found in which it stays.</param>
/// <param name="Problem">Where it does not settle, in words; null when it does.</param>
public sealed record SupplySolution(SupplyState? State, string? Problem);

/// <summary>
/// The steady state of a supply by nodal analysis and Newton steps (source: L. W. Nagel, "SPICE2", UCB/ERL M520, 1975, chapters 3
/// and 4). What flows out of each node is F(v); each step solves J dv = -F with LU (MathNet.Numerics) and is shortened where it would
/// push a diode far beyond its knee. It begins with what every node would have without a load. Where that does not settle, it is left to come to rest as it would by itself.
/// </summary>
public static class SupplySolver
{
    private const int MostSteps = 200;
    private const int Freely = 40;
    private const int MostRests = 2_000;
    private const double Settled = 1e-9;
    private const double MostVolts = 2;

    /// <summary>More nodes than this are no supply of a build.</summary>
    public const int MostNodes = 400;

    /// <summary>Solves a net.</summary>
    /// <param name="net">The net.</param>
    /// <param name="stop">Tells that nobody waits for the answer any more.</param>
    public static SupplySolution Solve(SupplyNet net, CancellationToken stop = default)
    {
        var count = net.Names.Count - 1;
        if (count > MostNodes)
        {
            return new SupplySolution(null, $"the supply has {count} nodes, and {MostNodes} is the most");
        }
        if (count == 0)
        {
            return new SupplySolution(new SupplyState([0], [], [], [], 0), null);
        }
        var start = Guess(net);
        var work = new Work(net, start, stop);
        if (work.Settle())
        {
            return new SupplySolution(work.State(), null);
        }
        // As it would come to rest by itself, every node with a capacitor that grows smaller; from several beginnings, because a rail
        // between two ends of its range can go round in a ring from one of them.
        foreach (var part in new[] { 1, 0.97, 0.8, 0.5, 0 })
        {
            work = new Work(net, [.. start.Select(v => v * part)], stop);
            if (work.Rest() && work.Settle())
            {
                return new SupplySolution(work.State(), null);
            }
        }
        return new SupplySolution(
            null,
            $"{net.Names[work.Worst() + 1]} finds no steady volts: the loads ask for more than can be given there"
        );
    }

    // What each node would have without a load: from there a load of constant power finds its working end and not its collapsed one.
    private static double[] Guess(SupplyNet net)
    {
        var volts = new double[net.Names.Count];
        for (var pass = 0; pass < 8; pass++)
        {
            foreach (var element in net.Elements.Where(e => e is not (CurrentLoad or PowerLoad)))
            {
                var from = element is VoltSource source ? source.Volts : volts[element.From];
                Raise(element.To, element is Junction diode ? from - diode.Forward : from);
                if (element is Ohmic)
                {
                    Raise(element.From, volts[element.To]);
                }
            }
            foreach (var regulator in net.Regulators)
            {
                Raise(regulator.Output, regulator.Aim(volts[regulator.Input]).Volts);
            }
        }
        return volts[1..];

        void Raise(int node, double to)
        {
            if (node != SupplyNet.Ground)
            {
                volts[node] = Math.Max(volts[node], to);
            }
        }
    }

    private sealed class Work(SupplyNet net, double[] volts, CancellationToken stop)
    {
        private readonly int _count = volts.Length;
        private double[] _volts = volts;
        private int _steps;

        /// <summary>Newton steps until nothing is left over; false when it does not come to that.</summary>
        public bool Settle()
        {
            var (flow, slopes) = Flow(_volts);
            for (var step = 0; step < MostSteps; step++)
            {
                var change = Change(flow, slopes);
                if (change.Any(c => !double.IsFinite(c)))
                {
                    return false;
                }
                var (was, norm) = (_volts, Norm(flow));
                var moved = Move(change, 1);
                (flow, slopes) = Flow(_volts);
                // Where two ends of a regulator's range take turns, a part of the step lands between them.
                for (var part = 0.5; step > Freely && part > 1e-4 && Norm(flow) >= norm; part /= 2)
                {
                    _volts = was;
                    moved = Move(change, part);
                    (flow, slopes) = Flow(_volts);
                }
                if (Norm(flow) < Settled && moved < 1e-7)
                {
                    return true;
                }
            }
            return false;
        }

        // A step is shortened where a diode would be pushed far beyond its knee: behind it the curve says nothing of before it.
        private double Move(Vector<double> change, double part)
        {
            var scale = part * Math.Min(1, MostVolts / Math.Max(1e-12, change.AbsoluteMaximum()));
            foreach (var diode in net.Elements.OfType<Junction>())
            {
                var was = At(diode.From) - At(diode.To);
                var then = was + (scale * (By(change, diode.From) - By(change, diode.To)));
                var most = Math.Max(was, diode.Forward) + (4 * Junction.Thermal);
                if (then > most)
                {
                    scale *= (most - was) / (then - was);
                }
            }
            _volts = [.. _volts.Select((v, i) => v + (scale * change[i]))];
            return scale * change.AbsoluteMaximum();
        }

        private static double By(Vector<double> change, int node) => node == SupplyNet.Ground ? 0 : change[node - 1];

        /// <summary>
        /// Backward steps in time with a conductance from each node to where it was, which is made smaller while less is left over
        /// (pseudo-transient continuation; source: C. T. Kelley and D. E. Keyes, SIAM J. Numer. Anal. 35, 1998).
        /// </summary>
        public bool Rest()
        {
            var tie = 10.0;
            for (var step = 0; step < MostRests; step++)
            {
                var (flow, slopes) = Flow(_volts);
                for (var i = 0; i < _count; i++)
                {
                    slopes[i, i] += tie;
                }
                var change = Change(flow, slopes);
                if (change.Any(c => !double.IsFinite(c)))
                {
                    return false;
                }
                if (tie < 0.01)
                {
                    return true;
                }
                tie = Move(change, 1) > 0.2 ? Math.Min(tie * 2, 1e6) : Math.Max(tie * 0.7, 1e-9);
            }
            return false;
        }

        private Vector<double> Change(double[] flow, double[,] slopes)
        {
            stop.ThrowIfCancellationRequested();
            _steps++;
            return Matrix<double>
                .Build.DenseOfArray(slopes)
                .LU()
                .Solve(Vector<double>.Build.Dense([.. flow.Select(f => -f)]));
        }

        /// <summary>The node at which most is left over.</summary>
        public int Worst()
        {
            var (flow, _) = Flow(_volts);
            return Array.IndexOf(flow, flow.MaxBy(Math.Abs));
        }

        public SupplyState State() =>
            new(
                [0, .. _volts],
                [.. net.Elements.Select(e => e.At(At(e.From) - At(e.To)).Amps)],
                [.. net.Regulators.Select(r => r.At(At(r.Input), At(r.Output)).Out)],
                [.. net.Regulators.Select(r => r.At(At(r.Input), At(r.Output)).In)],
                _steps
            );

        private double At(int node) => node == SupplyNet.Ground ? 0 : _volts[node - 1];

        private static double Norm(double[] flow) => flow.Length == 0 ? 0 : flow.Max(Math.Abs);

        // What flows out of each node, and how it changes with each node's volts.
        private (double[] Flow, double[,] Slopes) Flow(double[] at)
        {
            var flow = new double[_count];
            var slopes = new double[_count, _count];
            double Volts(int node) => node == SupplyNet.Ground ? 0 : at[node - 1];
            void Out(int node, double amps)
            {
                if (node != SupplyNet.Ground)
                {
                    flow[node - 1] += amps;
                }
            }
            void By(int node, int of, double slope)
            {
                if (node != SupplyNet.Ground && of != SupplyNet.Ground)
                {
                    slopes[node - 1, of - 1] += slope;
                }
            }
            for (var i = 0; i < _count; i++)
            {
                // A node that nothing feeds falls to ground.
                flow[i] += at[i] * 1e-12;
                slopes[i, i] += 1e-12;
            }
            foreach (var element in net.Elements)
            {
                var (amps, slope) = element.At(Volts(element.From) - Volts(element.To));
                Out(element.From, amps);
                Out(element.To, -amps);
                By(element.From, element.From, slope);
                By(element.From, element.To, -slope);
                By(element.To, element.From, -slope);
                By(element.To, element.To, slope);
            }
            foreach (var r in net.Regulators)
            {
                var flows = r.At(Volts(r.Input), Volts(r.Output));
                Out(r.Output, -flows.Out);
                By(r.Output, r.Input, -flows.OutByIn);
                By(r.Output, r.Output, -flows.OutByOut);
                Out(r.Input, flows.In);
                By(r.Input, r.Input, flows.InByIn);
                By(r.Input, r.Output, flows.InByOut);
            }
            return (flow, slopes);
        }
    }
}
