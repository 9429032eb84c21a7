using MathNet.Numerics.LinearAlgebra;

namespace Gorvix.Core.Hardware.Supply;

/// <summary>
/// What is left over at each node of a net at given volts, how that changes with them, and the change that would leave nothing.
/// </summary>
/// <remarks>
/// A supply is almost a tree: wires end at devices, rails hang on rails. So the nodes with one neighbour are worked into it first, one by
/// one (source: S. Parter, "The use of linear graphs in Gauss elimination", SIAM Review 3, 1961: on a tree it fills nothing in), and only
/// what is joined in a ring is left to LU (MathNet.Numerics). A node whose own slope is too weak to be divided by stays in that rest.
/// <code>
/// volts, left    [0] is ground, [1..] the nodes
/// slopes         column by column: [of * size + at] is how what flows out of "at" changes with the volts of "of"
/// </code>
/// </remarks>
internal sealed class SupplyEquations
{
    // Less than this part of its neighbour's answer is no pivot.
    private const double Weak = 1e-3;

    private readonly SupplyElement[] _elements;
    private readonly Regulating[] _regulators;
    private readonly int _size;
    private readonly double[] _left;
    private readonly double[] _slopes;
    private readonly SupplyNet _net;
    private bool _awake;

    /// <summary>The equations of a net.</summary>
    public SupplyEquations(SupplyNet net)
    {
        _elements = [.. net.Elements];
        _regulators = [.. net.Regulators];
        _size = net.Names.Count;
        _left = new double[_size];
        _slopes = new double[_size * _size];
        _net = net;
    }

    /// <summary>The most that is left over at a node, in amperes.</summary>
    public double Most { get; private set; }

    /// <summary>The node at which most is left over.</summary>
    public int Worst => Math.Max(1, Array.FindIndex(_left, 1, amps => Math.Abs(amps) >= Most));

    /// <summary>Looks at the net at given volts.</summary>
    /// <param name="volts">Volts of every node, ground first.</param>
    public void At(double[] volts)
    {
        Array.Clear(_left);
        Array.Clear(_slopes);
        _awake = true;
        for (var i = 1; i < _size; i++)
        {
            // A node that nothing feeds falls to ground.
            _left[i] = volts[i] * 1e-12;
            _slopes[(i * _size) + i] = 1e-12;
        }
        foreach (var element in _elements)
        {
            var (from, to) = (element.From, element.To);
            var (amps, slope) = element.At(volts[from] - volts[to]);
            _awake &= slope == 0 || element is not CurrentLoad;
            _left[from] += amps;
            _left[to] -= amps;
            _slopes[(from * _size) + from] += slope;
            _slopes[(to * _size) + from] -= slope;
            _slopes[(from * _size) + to] -= slope;
            _slopes[(to * _size) + to] += slope;
        }
        foreach (var regulator in _regulators)
        {
            var (input, output) = (regulator.Input, regulator.Output);
            var flows = regulator.At(volts[input], volts[output]);
            _left[output] -= flows.Out;
            _slopes[(input * _size) + output] -= flows.OutByIn;
            _slopes[(output * _size) + output] -= flows.OutByOut;
            _left[input] += flows.In;
            _slopes[(input * _size) + input] += flows.InByIn;
            _slopes[(output * _size) + input] += flows.InByOut;
        }
        Most = 0;
        for (var i = 1; i < _size; i++)
        {
            Most = Math.Max(Most, Math.Abs(_left[i]));
        }
    }

    /// <summary>The change of volts that would leave nothing over if all slopes stayed; what <see cref="At"/> found is used up by it.</summary>
    /// <param name="tie">A conductance that holds each node where it is, in siemens.</param>
    /// <param name="change">Gets the change, ground first.</param>
    /// <returns>False when there is none.</returns>
    public bool Step(double tie, double[] change)
    {
        for (var i = 1; i < _size; i++)
        {
            change[i] = -_left[i];
            _slopes[(i * _size) + i] += tie;
        }
        var (order, done) = (_net.Order(_awake), 0);
        for (; done < order.Tail; done++)
        {
            var (node, on) = (order.Nodes[done], order.Onto[done]);
            var (own, answer) = (_slopes[(node * _size) + node], _slopes[(node * _size) + on]);
            if (Math.Abs(own) < Weak * Math.Abs(on == SupplyNet.Ground ? 0 : answer))
            {
                break;
            }
            if (on != SupplyNet.Ground)
            {
                var part = answer / own;
                _slopes[(on * _size) + on] -= part * _slopes[(on * _size) + node];
                change[on] -= part * change[node];
            }
        }
        Rings(order.Nodes.AsSpan(done), change);
        while (--done >= 0)
        {
            var (node, on) = (order.Nodes[done], order.Onto[done]);
            var more = on == SupplyNet.Ground ? 0 : _slopes[(on * _size) + node] * change[on];
            change[node] = (change[node] - more) / _slopes[(node * _size) + node];
        }
        for (var i = 1; i < _size; i++)
        {
            if (!double.IsFinite(change[i]))
            {
                return false;
            }
        }
        return true;
    }

    private void Rings(ReadOnlySpan<int> nodes, double[] change)
    {
        if (nodes.Length == 0)
        {
            return;
        }
        var (slopes, right) = (new double[nodes.Length * nodes.Length], new double[nodes.Length]);
        for (var of = 0; of < nodes.Length; of++)
        {
            right[of] = change[nodes[of]];
            for (var at = 0; at < nodes.Length; at++)
            {
                slopes[(of * nodes.Length) + at] = _slopes[(nodes[of] * _size) + nodes[at]];
            }
        }
        var solved = Matrix<double>
            .Build.Dense(nodes.Length, nodes.Length, slopes)
            .LU()
            .Solve(Vector<double>.Build.Dense(right));
        for (var i = 0; i < nodes.Length; i++)
        {
            change[nodes[i]] = solved[i];
        }
    }
}
