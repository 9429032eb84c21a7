using Gorvix.Core.Hardware.Protocols;

namespace Gorvix.Core.Hardware.Parts;

/// <summary>What one generation of a controller's firmware can do, in neutral words.</summary>
public sealed record FirmwareProfile
{
    /// <summary>The longest form and the longest pattern, in characters.</summary>
    public const int MostForm = 20_000;

    /// <summary>Id in the library.</summary>
    public required string Id { get; init; }

    /// <summary>The name shown to the builder.</summary>
    public required string Name { get; init; }

    /// <summary>Functions a port can be set to.</summary>
    public required IReadOnlyList<PortJob> Jobs { get; init; }

    /// <summary>Functions that may share RX and TX of one port, if the house rules allow it.</summary>
    public IReadOnlyList<JobPair> Shares { get; init; } = [];

    /// <summary>Functions that only one port may have, besides receiver input, which is always limited to one.</summary>
    public IReadOnlyList<PortJob> Single { get; init; } = [];

    /// <summary>Whether it has software serial.</summary>
    public SoftwareSerial SoftwareSerial { get; init; }

    /// <summary>Settings that the digital OSD needs besides the port function; empty for none.</summary>
    public IReadOnlyList<string> CanvasSettings { get; init; } = [];

    /// <summary>Format of the declination.</summary>
    public DeclinationForm Declination { get; init; }

    /// <summary>Liquid template of the settings text; null for the neutral format.</summary>
    public string? Template { get; init; }

    /// <summary>Regular expression with named groups that reads a dump, line by line; null for the neutral format.</summary>
    public string? Pattern { get; init; }

    /// <summary>True when two jobs may share the halves of one port.</summary>
    public bool MayShare(PortJob a, PortJob b) => Shares.Any(s => (s.Rx == a && s.Tx == b) || (s.Rx == b && s.Tx == a));
}

/// <summary>Whether a firmware has software serial.</summary>
public enum SoftwareSerial
{
    /// <summary>It has.</summary>
    Available,

    /// <summary>It has not.</summary>
    Missing,
}

/// <summary>How a firmware takes the magnetic declination.</summary>
public enum DeclinationForm
{
    /// <summary>Decimal degrees.</summary>
    Decimal,

    /// <summary>Degrees and minutes packed as one number: 3°27' is 327, the sign kept.</summary>
    Packed,
}

/// <summary>Two jobs that may share a port: one listens, the other talks.</summary>
public sealed record JobPair
{
    /// <summary>Function on RX.</summary>
    public required PortJob Rx { get; init; }

    /// <summary>Function on TX.</summary>
    public required PortJob Tx { get; init; }
}
