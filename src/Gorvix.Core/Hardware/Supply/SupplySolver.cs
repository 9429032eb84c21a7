namespace Gorvix.Core.Hardware.Supply;

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
/// <param name="Problem">Where it does not settle; null when it does.</param>
public sealed record SupplySolution(SupplyState? State, SupplyProblem? Problem);

/// <summary>Why no steady state was found.</summary>
/// <param name="Place">The node that finds no rest, or the supply as a whole.</param>
/// <param name="Why">Why, as the end of a sentence.</param>
public sealed record SupplyProblem(string Place, string Why);

/// <summary>
/// The steady state of a supply by nodal analysis and Newton steps (source: L. W. Nagel, "SPICE2", UCB/ERL M520, 1975, chapters 3
/// and 4). What flows out of each node is F(v); each step solves J dv = -F (<see cref="SupplyEquations"/>) and is shortened where it would
/// push a diode far beyond its knee. It begins with what every node would have without a load. Where that does not settle, it is left
/// to come to rest as it would by itself; where that goes round in a ring as well (two regulators, each at an end of its range), half steps
/// lead out of it.
/// </summary>
public static class SupplySolver
{
    // A net that settles does so within a dozen steps; what does not is left to come to rest first.
    private const int FewSteps = 20;
    private const int MostSteps = 200;
    private const double Settled = 1e-9;
    private const double MostVolts = 2;
    private const int Passes = 8;

    // From here on a step that leaves more over than before is halved; when that has not helped so often, nothing will.
    private const int Freely = 6;
    private const int MostStuck = 2;

    // Coming to rest: a move above this part of all the volts there are is no path, and is tried again held back more.
    private const int FewRests = 120;
    private const int MostRests = 2_000;
    private const double Far = 0.2;
    private const double Held = 3;
    private const double Eased = 0.5;

    // Half steps: none moves a node further than this, in volts; with so little left over, in amperes, whole ones lead on.
    private const double Short = 0.3;
    private const double Little = 1e-3;

    private static readonly int[] Patience = [FewRests, MostRests];
    private static readonly double[] Beginnings = [1, 0.97, 0.8, 0.5, 0];

    // What a limiter holds down is found where it is switched on: from nothing.
    private static readonly double[] HeldDown = [0, 1, 0.97, 0.8, 0.5];

    /// <summary>More nodes than this are no supply of a build.</summary>
    public const int MostNodes = 400;

    /// <summary>Solves a net.</summary>
    /// <param name="net">The net.</param>
    /// <param name="stop">Tells that nobody waits for the answer any more.</param>
    public static SupplySolution Solve(SupplyNet net, CancellationToken stop = default) => Solve(net, null, stop);

    /// <summary>Solves a net from the volts of one that differs in values only.</summary>
    /// <param name="net">The net.</param>
    /// <param name="near">Those volts, ground first; null to begin without a load.</param>
    /// <param name="stop">Tells that nobody waits for the answer any more.</param>
    public static SupplySolution Solve(SupplyNet net, IReadOnlyList<double>? near, CancellationToken stop)
    {
        var count = net.Names.Count - 1;
        if (count > MostNodes)
        {
            return new SupplySolution(
                null,
                new SupplyProblem(Sentences.TheSupply, Sentences.ItHasNodesTheLimit(count, MostNodes))
            );
        }
        if (count == 0)
        {
            return new SupplySolution(new SupplyState([0], [], [], [], 0), null);
        }
        var work = new Work(net, stop);
        if (near is not null && work.From(near).Settle(FewSteps))
        {
            return new SupplySolution(work.State(), null);
        }
        var start = WithoutLoads(net);
        if (work.From(start).Settle(FewSteps))
        {
            return new SupplySolution(work.State(), null);
        }
        // As it would come to rest by itself, every node with a capacitor that grows smaller; from several beginnings, because a rail
        // between two ends of its range can go round in a ring from one of them. First a short while from each, then a long one.
        var beginnings = net.Elements.Any(e => e is Lamp or Limiter) ? HeldDown : Beginnings;
        foreach (var (most, part) in from most in Patience from part in beginnings select (most, part))
        {
            if (work.From(start, part).Rest(most) && work.Settle(MostSteps))
            {
                return new SupplySolution(work.State(), null);
            }
        }
        foreach (var part in beginnings)
        {
            if (work.From(start, part).Creep(MostSteps) && work.Settle(FewSteps) && !work.IsCollapsed())
            {
                return new SupplySolution(work.State(), null);
            }
        }
        return new SupplySolution(null, new SupplyProblem(net.Names[work.Worst()], Sentences.NoStableVoltageTheLoads));
    }

    /// <summary>
    /// The volts of every node, ground first, before anything draws current: the most that a node gets when the source is switched on.
    /// (From there a load of constant power finds its working end and not its collapsed one.)
    /// </summary>
    /// <param name="net">The net, of any size.</param>
    public static double[] WithoutLoads(SupplyNet net)
    {
        var volts = new double[net.Names.Count];
        SupplyElement[] passing = [.. net.Elements.Where(e => e is not (CurrentLoad or PowerLoad))];
        var rises = true;
        for (var pass = 0; pass < Passes && rises; pass++)
        {
            rises = false;
            foreach (var element in passing)
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
        return volts;

        void Raise(int node, double to)
        {
            if (node != SupplyNet.Ground && to > volts[node])
            {
                (volts[node], rises) = (to, true);
            }
        }
    }

    private sealed class Work
    {
        private readonly SupplyNet _net;
        private readonly SupplyEquations _equations;
        private readonly CancellationToken _stop;
        private readonly Junction[] _diodes;
        private double[] _volts;
        private double[] _next;
        private readonly double[] _change;
        private readonly double _ceiling;
        private int _steps;

        public Work(SupplyNet net, CancellationToken stop)
        {
            (_net, _stop, _equations) = (net, stop, new SupplyEquations(net));
            var diodes = new List<Junction>();
            var most = 0.0;
            foreach (var element in net.Elements)
            {
                if (element is Junction diode)
                {
                    diodes.Add(diode);
                }
                most = element is VoltSource source ? Math.Max(most, source.Volts) : most;
            }
            foreach (var regulator in net.Regulators)
            {
                most = Math.Max(most, regulator.Volts);
            }
            (_diodes, _ceiling) = ([.. diodes], most + 1);
            (_volts, _next, _change) = (
                new double[net.Names.Count],
                new double[net.Names.Count],
                new double[net.Names.Count]
            );
        }

        /// <summary>Begins from other volts.</summary>
        /// <param name="volts">Volts of every node, ground first.</param>
        /// <param name="part">The part of them that is taken.</param>
        public Work From(IReadOnlyList<double> volts, double part = 1)
        {
            for (var i = 0; i < _volts.Length; i++)
            {
                _volts[i] = volts[i] * part;
            }
            return this;
        }

        /// <summary>Newton steps until nothing is left over; false when it does not come to that.</summary>
        /// <param name="most">How many it may take.</param>
        public bool Settle(int most)
        {
            _equations.At(_volts);
            var stuck = 0;
            for (var step = 0; step < most; step++)
            {
                var left = _equations.Most;
                if (!Change(0))
                {
                    return false;
                }
                var moved = Move(1);
                if (Runs())
                {
                    return false;
                }
                // Where two ends of a regulator's range take turns, a part of the step lands between them.
                for (var part = 0.5; step > Freely && part > 1e-4 && _equations.Most >= left; part /= 2)
                {
                    (_volts, _next) = (_next, _volts);
                    moved = Move(part);
                }
                if (step > Freely && _equations.Most >= left && ++stuck > MostStuck)
                {
                    return false;
                }
                if (_equations.Most < Settled && moved < 1e-7)
                {
                    return true;
                }
            }
            return false;
        }

        /// <summary>
        /// Backward steps in time with a conductance from each node to where it was, which is made smaller while less is left over
        /// (pseudo-transient continuation; source: C. T. Kelley and D. E. Keyes, SIAM J. Numer. Anal. 35, 1998).
        /// </summary>
        /// <param name="most">How many steps it may take.</param>
        public bool Rest(int most)
        {
            var tie = 10.0;
            _equations.At(_volts);
            for (var step = 0; step < most; step++)
            {
                if (!Change(tie))
                {
                    return false;
                }
                if (tie < 0.01)
                {
                    return true;
                }
                if (Move(1) > Far * _ceiling)
                {
                    // Too far to be a path: back, and hold on more.
                    (_volts, _next) = (_next, _volts);
                    _equations.At(_volts);
                    tie *= Held;
                }
                else
                {
                    tie *= Eased;
                }
            }
            return false;
        }

        /// <summary>Half steps, none long, until little is left over.</summary>
        /// <param name="most">How many it may take.</param>
        public bool Creep(int most)
        {
            _equations.At(_volts);
            for (var step = 0; step < most && _equations.Most >= Little; step++)
            {
                if (!Change(0))
                {
                    return false;
                }
                Move(0.5, Short);
                if (Runs())
                {
                    return false;
                }
            }
            return _equations.Most < Little;
        }

        /// <summary>
        /// True where a source has lost more than half of its volts in its own resistance: past its greatest power (maximum power
        /// transfer, M. H. von Jacobi, 1840) nothing works any more, and what is found there is no state of a supply. A limiter holds down on purpose.
        /// </summary>
        public bool IsCollapsed()
        {
            foreach (var element in _net.Elements)
            {
                if (element is Lamp or Limiter)
                {
                    return false;
                }
            }
            foreach (var element in _net.Elements)
            {
                if (element is VoltSource source && _volts[source.To] < source.Volts / 2)
                {
                    return true;
                }
            }
            return false;
        }

        /// <summary>The node at which most is left over.</summary>
        public int Worst()
        {
            _equations.At(_volts);
            return _equations.Worst;
        }

        public SupplyState State()
        {
            var amps = new double[_net.Elements.Count];
            for (var i = 0; i < amps.Length; i++)
            {
                var element = _net.Elements[i];
                amps[i] = element.At(_volts[element.From] - _volts[element.To]).Amps;
            }
            var (outputs, inputs) = (new double[_net.Regulators.Count], new double[_net.Regulators.Count]);
            for (var i = 0; i < outputs.Length; i++)
            {
                var regulator = _net.Regulators[i];
                var flows = regulator.At(_volts[regulator.Input], _volts[regulator.Output]);
                (outputs[i], inputs[i]) = (flows.Out, flows.In);
            }
            return new SupplyState([.. _volts], amps, outputs, inputs, _steps);
        }

        // Loads only pull down: a node above all sources is on its way to nowhere.
        private bool Runs()
        {
            foreach (var volts in _volts)
            {
                if (volts > _ceiling)
                {
                    return true;
                }
            }
            return false;
        }

        private bool Change(double tie)
        {
            _stop.ThrowIfCancellationRequested();
            _steps++;
            return _equations.Step(tie, _change);
        }

        // Goes a part of the change, looks at the net there, and tells by how much the node moved that moved most; where it was is
        // kept. A step is shortened where a diode would be pushed far beyond its knee: behind it the curve says nothing of before it.
        private double Move(double part, double most = MostVolts)
        {
            var largest = 0.0;
            foreach (var volts in _change)
            {
                largest = Math.Max(largest, Math.Abs(volts));
            }
            var scale = part * Math.Min(1, most / Math.Max(1e-12, largest));
            foreach (var diode in _diodes)
            {
                var was = _volts[diode.From] - _volts[diode.To];
                var then = was + (scale * (_change[diode.From] - _change[diode.To]));
                var knee = Math.Max(was, diode.Forward) + (4 * Junction.Thermal);
                if (then > knee)
                {
                    scale *= (knee - was) / (then - was);
                }
            }
            for (var i = 1; i < _volts.Length; i++)
            {
                _next[i] = _volts[i] + (scale * _change[i]);
            }
            (_volts, _next) = (_next, _volts);
            _equations.At(_volts);
            return scale * largest;
        }
    }
}
