namespace Gorvix.Core.Hardware.Protocols;

/// <summary>What the floor Protocols says: every sentence with what it is filled with.</summary>
internal static class Sentences
{
    public static string Of8BitFletcher => "8-bit Fletcher";
    public static string Of0xffffMinusTheSum => "0xFFFF minus the sum";
}
