namespace Gorvix.Core.Hardware.Supply;

/// <summary>The supply part of a circuit as a list of elements between numbered nodes; 0 is ground.</summary>
public sealed class SupplyNet
{
    /// <summary>The number of ground.</summary>
    public const int Ground = 0;

    private readonly List<string> _names = ["ground"];
    private readonly List<SupplyElement> _elements = [];
    private readonly List<Regulating> _regulators = [];
    private WorkingOrder? _order;
    private WorkingOrder? _awake;

    /// <summary>What each node is, by its number.</summary>
    public IReadOnlyList<string> Names => _names;

    /// <summary>What lies between two nodes.</summary>
    public IReadOnlyList<SupplyElement> Elements => _elements;

    /// <summary>What feeds one node from another.</summary>
    public IReadOnlyList<Regulating> Regulators => _regulators;

    /// <summary>The order in which its nodes are worked into their neighbours; for a net to which nothing is added any more.</summary>
    /// <param name="awake">Every load of constant current draws it.</param>
    internal WorkingOrder Order(bool awake) =>
        awake ? _awake ??= WorkingOrder.Of(this, awake) : _order ??= WorkingOrder.Of(this, awake);

    /// <summary>A new node.</summary>
    /// <param name="name">What it is, for what is said when no solution is found.</param>
    public int Node(string name)
    {
        _order = _awake = null;
        _names.Add(name);
        return _names.Count - 1;
    }

    /// <summary>Adds an element.</summary>
    /// <exception cref="ArgumentException">A node is not there, or a value is none that it can have.</exception>
    public void Add(SupplyElement element)
    {
        Check(element);
        _order = _awake = null;
        _elements.Add(element);
    }

    private void Check(SupplyElement element)
    {
        Check(element.From, element.To);
        var value = element switch
        {
            VoltSource s => Positive(s.Volts) && Positive(s.Ohms),
            Ohmic o => Positive(o.Ohms) && o.Ohms > 0,
            Junction j => j.Forward is > 0 and < 2,
            CurrentLoad c => Positive(c.Amps),
            PowerLoad p => Positive(p.Watts),
            Lamp l => Positive(l.Volts) && l.Volts > 0 && Positive(l.Watts) && l.Watts > 0,
            Limiter l => Positive(l.Most) && l.Most > 0,
            _ => false,
        };
        if (!value)
        {
            throw new ArgumentException($"{element} has a value that it cannot have.", nameof(element));
        }
    }

    /// <summary>Adds a regulator.</summary>
    /// <exception cref="ArgumentException">A node is not there, or a value is none that it can have.</exception>
    public void Add(Regulating regulator)
    {
        Check(regulator.Input, regulator.Output);
        if (
            !Positive(regulator.Volts)
            || !Positive(regulator.Dropout)
            || !Positive(regulator.Quiescent)
            || regulator.Efficiency is not (> 0 and <= 1)
        )
        {
            throw new ArgumentException($"{regulator} has a value that it cannot have.", nameof(regulator));
        }
        _order = _awake = null;
        _regulators.Add(regulator);
    }

    /// <summary>The same net with other loads: what an element draws is all that differs.</summary>
    /// <param name="change">Gives each element as it shall be, between the same nodes.</param>
    public SupplyNet With(Func<int, SupplyElement, SupplyElement> change)
    {
        var copy = new SupplyNet();
        copy._names.AddRange(_names.Skip(1));
        for (var i = 0; i < _elements.Count; i++)
        {
            var changed = change(i, _elements[i]);
            if (!ReferenceEquals(changed, _elements[i]))
            {
                Check(changed);
            }
            copy._elements.Add(changed);
        }
        copy._regulators.AddRange(_regulators);
        (copy._order, copy._awake) = (_order, Order(awake: true));
        return copy;
    }

    private static bool Positive(double value) => double.IsFinite(value) && value is >= 0 and < 1e6;

    private void Check(int one, int other)
    {
        if (one < 0 || other < 0 || one >= _names.Count || other >= _names.Count || one == other)
        {
            throw new ArgumentException($"There is no way between node {one} and node {other}.");
        }
    }
}
