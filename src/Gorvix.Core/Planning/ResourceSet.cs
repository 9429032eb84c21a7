using System.Numerics;
using System.Runtime.Intrinsics;

namespace Gorvix.Core.Planning;

/// <summary>A set of up to 512 resources as bits.</summary>
public readonly record struct ResourceSet
{
    /// <summary>How many resources can be told apart.</summary>
    public const int Capacity = 512;

    private readonly Vector512<ulong> _bits;

    private ResourceSet(Vector512<ulong> bits) => _bits = bits;

    /// <summary>No resource.</summary>
    public static ResourceSet None => default;

    /// <summary>The set of one resource.</summary>
    /// <param name="index">0 to 511.</param>
    /// <exception cref="ArgumentOutOfRangeException">The index is outside the set.</exception>
    public static ResourceSet Of(int index)
    {
        ArgumentOutOfRangeException.ThrowIfNegative(index);
        ArgumentOutOfRangeException.ThrowIfGreaterThanOrEqual(index, Capacity);
        return new(Vector512<ulong>.Zero.WithElement(index >> 6, 1UL << (index & 63)));
    }

    /// <summary>How many resources are in both.</summary>
    public int CountIn(ResourceSet other)
    {
        var both = _bits & other._bits;
        var count = 0;
        for (var i = 0; i < Vector512<ulong>.Count; i++)
        {
            count += BitOperations.PopCount(both[i]);
        }
        return count;
    }

    /// <summary>Both sets together.</summary>
    public static ResourceSet operator |(ResourceSet x, ResourceSet y) => new(x._bits | y._bits);

    /// <summary>What is in both.</summary>
    public static ResourceSet operator &(ResourceSet x, ResourceSet y) => new(x._bits & y._bits);

    /// <summary>The lowest index that is in the set, or -1.</summary>
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
            return -1;
        }
    }

    /// <summary>What is in the first and not in the second.</summary>
    public static ResourceSet operator -(ResourceSet x, ResourceSet y) => new(Vector512.AndNot(x._bits, y._bits));

    /// <summary>True when a resource is in both.</summary>
    public bool Meets(ResourceSet other) => (_bits & other._bits) != Vector512<ulong>.Zero;

    /// <summary>True when every resource of this set is in the other.</summary>
    public bool IsWithin(ResourceSet other) => (this - other)._bits == Vector512<ulong>.Zero;
}
