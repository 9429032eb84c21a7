namespace Gorvix.Core.Work.Drills;

/// <summary>
/// Draws by a seed, the same on every machine and in every version: SplitMix64 (source: Steele, Lea and Flood, Fast splittable pseudorandom
/// number generators, OOPSLA 2014). The framework's own generator may change with its version, and a drill in a file must not.
/// </summary>
/// <param name="seed">The seed.</param>
internal sealed class SeededRandom(ulong seed)
{
    private ulong _state = seed;

    /// <summary>The next 64 bits.</summary>
    public ulong Next()
    {
        _state += 0x9E3779B97F4A7C15;
        var z = _state;
        z = (z ^ (z >> 30)) * 0xBF58476D1CE4E5B9;
        z = (z ^ (z >> 27)) * 0x94D049BB133111EB;
        return z ^ (z >> 31);
    }

    /// <summary>A number from 0 up to, and without, a bound.</summary>
    /// <param name="bound">At least 1.</param>
    public int Below(int bound)
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(bound, 1);
        return (int)(UInt128.CreateChecked(Next()) * UInt128.CreateChecked(bound) >> 64);
    }

    /// <summary>All of a list in a drawn order.</summary>
    public List<T> Shuffled<T>(IEnumerable<T> list)
    {
        var drawn = list.ToList();
        for (var i = drawn.Count - 1; i > 0; i--)
        {
            var j = Below(i + 1);
            (drawn[i], drawn[j]) = (drawn[j], drawn[i]);
        }
        return drawn;
    }
}
