namespace Gorvix.Core.Hardware.Parts;

/// <summary>How a GNSS module is spoken to. Set-up frames are specific to it.</summary>
public enum GnssGeneration
{
    /// <summary>A rate for each message; solution in four messages.</summary>
    Older,

    /// <summary>Keys and values; solution in one message.</summary>
    Newer,
}
