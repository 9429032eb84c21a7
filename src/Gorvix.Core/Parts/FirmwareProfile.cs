using Gorvix.Core.Protocols;

namespace Gorvix.Core.Parts;

/// <summary>What one generation of a controller's firmware can do, in neutral words.</summary>
public sealed record FirmwareProfile
{
    /// <summary>The longest form and the longest pattern, in characters.</summary>
    public const int MostForm = 20_000;

    /// <summary>Id in the library.</summary>
    public required string Id { get; init; }

    /// <summary>What the builder calls it.</summary>
    public required string Name { get; init; }

    /// <summary>The jobs that a port can be set to.</summary>
    public required IReadOnlyList<PortJob> Jobs { get; init; }

    /// <summary>Which jobs may share the two halves of one port, where the builder allows it.</summary>
    public IReadOnlyList<JobPair> Shares { get; init; } = [];

    /// <summary>Jobs that only one port may have, besides the receiver's, which has one port in every firmware.</summary>
    public IReadOnlyList<PortJob> Single { get; init; } = [];

    /// <summary>Whether it has software serial.</summary>
    public SoftwareSerial SoftwareSerial { get; init; }

    /// <summary>Settings that the video canvas needs besides the port's job; empty when the job is all.</summary>
    public IReadOnlyList<string> CanvasSettings { get; init; } = [];

    /// <summary>How it takes the declination.</summary>
    public DeclinationForm Declination { get; init; }

    /// <summary>The builder's own form of the settings sheet, as a Liquid template; null for the neutral one.</summary>
    public string? Template { get; init; }

    /// <summary>How its printout is read: a regular expression with named groups, line by line; null for the neutral form.</summary>
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
    /// <summary>The job on RX.</summary>
    public required PortJob Rx { get; init; }

    /// <summary>The job on TX.</summary>
    public required PortJob Tx { get; init; }
}
