using System.Text.Json.Serialization;
using Gorvix.Core.Hardware.Parts;

namespace Gorvix.Core.Plans.Builds;

/// <summary>The USB port that the board is plugged into while it is set up.</summary>
public enum UsbPort
{
    /// <summary>A port of a computer that granted its 500 mA (source: USB 2.0, section 7.2.1).</summary>
    Usb2,

    /// <summary>A port that has granted nothing yet: one unit load of 100 mA (source: USB 2.0, section 7.2.1).</summary>
    Unconfigured,

    /// <summary>A port of the fast kind: six unit loads of 150 mA (source: USB 3.2, section 11.4.1).</summary>
    Usb3,

    /// <summary>A type C port that advertises 1.5 A (source: USB Type-C 2.0, table 4-36).</summary>
    TypeC15,

    /// <summary>A type C port that advertises 3 A (source: USB Type-C 2.0, table 4-36).</summary>
    TypeC30,
}

/// <summary>What the builder has on the bench to feed a build with, besides its pack.</summary>
[Usual(nameof(Usual))]
public sealed record PowerSide
{
    /// <summary>A computer's port, a lamp of 12 V 21 W, a limiter of 1 A.</summary>
    public static readonly PowerSide Usual = new();

    /// <summary>The USB port.</summary>
    public UsbPort Usb { get; init; }

    /// <summary>The bench supply, or null for none.</summary>
    public BenchSupply? Bench { get; init; }

    /// <summary>Rated voltage of the bulb used for the first power-up, 3 to 60.</summary>
    [JsonPropertyName("bulbVolts")]
    public double LampVolts { get; init; } = 12;

    /// <summary>Rated power of that bulb in watts, 1 to 200.</summary>
    [JsonPropertyName("bulbWatts")]
    public double LampWatts { get; init; } = 21;

    /// <summary>Limit of the electronic current limiter, in amperes, 0.05 to 30.</summary>
    public double LimiterAmps { get; init; } = 1;

    /// <summary>The most that a USB port gives, in amperes.</summary>
    /// <param name="port">The port; its sources stand at its declaration.</param>
    public static double AmpsOf(UsbPort port) =>
        port switch
        {
            UsbPort.Unconfigured => 0.1,
            UsbPort.Usb3 => 0.9,
            UsbPort.TypeC15 => 1.5,
            UsbPort.TypeC30 => 3,
            _ => 0.5,
        };
}

/// <summary>A bench supply with its knobs.</summary>
public sealed record BenchSupply
{
    /// <summary>Output voltage, 1 to 60.</summary>
    public required double Volts { get; init; }

    /// <summary>Current limit, in amperes, 0.05 to 30.</summary>
    public required double Amps { get; init; }
}

/// <summary>A supply wire as it was cut.</summary>
public sealed record WireCut
{
    /// <summary>Its length, in millimetres (common practice).</summary>
    public const double UsualMillimetres = 100;

    /// <summary>Id within the build of the device.</summary>
    public required string Device { get; init; }

    /// <summary>Id of its supply, ground or output lead.</summary>
    public required string Lead { get; init; }

    /// <summary>Gauge, AWG 10 to 40; null for as thick as its current asks.</summary>
    public int? Gauge { get; init; }

    /// <summary>Length one way, in millimetres, 1 to 5000.</summary>
    public double Millimetres { get; init; } = UsualMillimetres;
}
