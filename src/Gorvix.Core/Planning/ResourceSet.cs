namespace Gorvix.Core.Planning;

/// <summary>A set of up to 256 resources as bits.</summary>
public readonly record struct ResourceSet(ulong A, ulong B, ulong C, ulong D)
{
    /// <summary>How many resources can be told apart.</summary>
    public const int Capacity = 256;

    /// <summary>No resource.</summary>
    public static ResourceSet None => default;

    /// <summary>The set of one resource.</summary>
    /// <param name="index">0 to 255.</param>
    /// <exception cref="ArgumentOutOfRangeException">The index is outside the set.</exception>
    public static ResourceSet Of(int index)
    {
        ArgumentOutOfRangeException.ThrowIfNegative(index);
        ArgumentOutOfRangeException.ThrowIfGreaterThanOrEqual(index, Capacity);
        var bit = 1UL << (index & 63);
        return (index >> 6) switch
        {
            0 => new(bit, 0, 0, 0),
            1 => new(0, bit, 0, 0),
            2 => new(0, 0, bit, 0),
            _ => new(0, 0, 0, bit),
        };
    }

    /// <summary>How many resources are in it.</summary>
    public int Count =>
        System.Numerics.BitOperations.PopCount(A)
        + System.Numerics.BitOperations.PopCount(B)
        + System.Numerics.BitOperations.PopCount(C)
        + System.Numerics.BitOperations.PopCount(D);

    /// <summary>How many resources are in both.</summary>
    public int CountIn(ResourceSet other) => new ResourceSet(A & other.A, B & other.B, C & other.C, D & other.D).Count;

    /// <summary>Both sets together.</summary>
    public static ResourceSet operator |(ResourceSet x, ResourceSet y) =>
        new(x.A | y.A, x.B | y.B, x.C | y.C, x.D | y.D);

    /// <summary>What is in the first and not in the second.</summary>
    public static ResourceSet operator -(ResourceSet x, ResourceSet y) =>
        new(x.A & ~y.A, x.B & ~y.B, x.C & ~y.C, x.D & ~y.D);

    /// <summary>True when a resource is in both.</summary>
    public bool Meets(ResourceSet other) => ((A & other.A) | (B & other.B) | (C & other.C) | (D & other.D)) != 0;

    /// <summary>True when every resource of this set is in the other.</summary>
    public bool IsWithin(ResourceSet other) => this - other == None;
}
