using System.Numerics;
using System.Runtime.Intrinsics;

namespace Gorvix.Core.Plans.Planning;

/// <summary>A set of small whole numbers as bits. It has no size: the first 512 cost one vector, more cost a list.</summary>
public readonly struct ResourceSet
{
    // So many numbers stand in the vector; builds that fight about more are rare.
    private const int Near = 512;

    private readonly Vector512<ulong> _bits;
    private readonly ulong[]? _more;

    private ResourceSet(Vector512<ulong> bits, ulong[]? more = null) => (_bits, _more) = (bits, more);

    /// <summary>No number.</summary>
    public static ResourceSet None => default;

    /// <summary>The set of one number.</summary>
    /// <param name="index">0 or more.</param>
    /// <exception cref="ArgumentOutOfRangeException">The number is below zero.</exception>
    public static ResourceSet Of(int index)
    {
        ArgumentOutOfRangeException.ThrowIfNegative(index);
        if (index < Near)
        {
            return new(Vector512<ulong>.Zero.WithElement(index >> 6, 1UL << (index & 63)));
        }
        var more = new ulong[((index - Near) >> 6) + 1];
        more[^1] = 1UL << (index & 63);
        return new(Vector512<ulong>.Zero, more);
    }

    /// <summary>True when the number is in the set.</summary>
    public bool Has(int index) =>
        index < Near
            ? (_bits[index >> 6] >> (index & 63) & 1) != 0
            : _more is not null
                && ((index - Near) >> 6) < _more.Length
                && (_more[(index - Near) >> 6] >> (index & 63) & 1) != 0;

    /// <summary>How many numbers are in both.</summary>
    public int CountIn(in ResourceSet other)
    {
        var both = _bits & other._bits;
        var count = 0;
        for (var i = 0; i < Vector512<ulong>.Count; i++)
        {
            count += BitOperations.PopCount(both[i]);
        }
        for (var i = 0; i < Shared(this, other); i++)
        {
            count += BitOperations.PopCount(_more![i] & other._more![i]);
        }
        return count;
    }

    /// <summary>Both sets together.</summary>
    public static ResourceSet operator |(in ResourceSet x, in ResourceSet y) =>
        new(
            x._bits | y._bits,
            x._more is null ? y._more
                : y._more is null ? x._more
                : Joined(x._more, y._more)
        );

    /// <summary>What is in both.</summary>
    public static ResourceSet operator &(in ResourceSet x, in ResourceSet y)
    {
        var shared = Shared(x, y);
        if (shared == 0)
        {
            return new(x._bits & y._bits);
        }
        var more = new ulong[shared];
        for (var i = 0; i < shared; i++)
        {
            more[i] = x._more![i] & y._more![i];
        }
        return new(x._bits & y._bits, more);
    }

    /// <summary>The lowest number that is in the set, or -1.</summary>
    public int First
    {
        get
        {
            for (var i = 0; i < Vector512<ulong>.Count; i++)
            {
                if (_bits[i] != 0)
                {
                    return (i << 6) + BitOperations.TrailingZeroCount(_bits[i]);
                }
            }
            for (var i = 0; i < (_more?.Length ?? 0); i++)
            {
                if (_more![i] != 0)
                {
                    return Near + (i << 6) + BitOperations.TrailingZeroCount(_more[i]);
                }
            }
            return -1;
        }
    }

    /// <summary>What is in the first and not in the second.</summary>
    public static ResourceSet operator -(in ResourceSet x, in ResourceSet y)
    {
        var bits = Vector512.AndNot(x._bits, y._bits);
        if (x._more is null || y._more is null)
        {
            return new(bits, x._more);
        }
        var more = (ulong[])x._more.Clone();
        for (var i = 0; i < Shared(x, y); i++)
        {
            more[i] &= ~y._more[i];
        }
        return new(bits, more);
    }

    /// <summary>True when a number is in both.</summary>
    public bool Meets(in ResourceSet other)
    {
        if ((_bits & other._bits) != Vector512<ulong>.Zero)
        {
            return true;
        }
        for (var i = 0; i < Shared(this, other); i++)
        {
            if ((_more![i] & other._more![i]) != 0)
            {
                return true;
            }
        }
        return false;
    }

    /// <summary>True when every number of this set is in the other.</summary>
    public bool IsWithin(in ResourceSet other)
    {
        if (Vector512.AndNot(_bits, other._bits) != Vector512<ulong>.Zero)
        {
            return false;
        }
        for (var i = 0; i < (_more?.Length ?? 0); i++)
        {
            if ((_more![i] & ~(i < (other._more?.Length ?? 0) ? other._more![i] : 0)) != 0)
            {
                return false;
            }
        }
        return true;
    }

    private static int Shared(in ResourceSet x, in ResourceSet y) =>
        x._more is null || y._more is null ? 0 : Math.Min(x._more.Length, y._more.Length);

    private static ulong[] Joined(ulong[] x, ulong[] y)
    {
        var (longer, shorter) = x.Length >= y.Length ? (x, y) : (y, x);
        var joined = (ulong[])longer.Clone();
        for (var i = 0; i < shorter.Length; i++)
        {
            joined[i] |= shorter[i];
        }
        return joined;
    }
}
