namespace Gorvix.Core.Hardware.Parts;

/// <summary>How much of a port is broken out.</summary>
public enum PortShape
{
    /// <summary>Both halves (RX and TX, data and clock) have pads.</summary>
    Whole,

    /// <summary>Only the listening half has a pad.</summary>
    RxOnly,

    /// <summary>Only the talking half has a pad.</summary>
    TxOnly,

    /// <summary>Used inside the board.</summary>
    Held,

    /// <summary>No pad leads to it.</summary>
    Buried,
}
