using Gorvix.Core.Hardware.Findings;

namespace Gorvix.Core.Hardware.Protocols;

/// <summary>All protocols that the product knows. Device files name them by id.</summary>
public static class ProtocolCatalogue
{
    /// <summary>What a protocol is called where its id is not what a builder says.</summary>
    private static readonly Dictionary<string, string> Names = new()
    {
        ["Range finder"] = "Rangefinder",
        ["Picture in"] = "Video in",
        ["Picture out"] = "Video out",
        ["Level in"] = "Analogue in",
        ["Level out"] = "Analogue out",
        ["MSP host"] = "MSP configuration",
        ["ESC"] = "ESC telemetry",
    };

    /// <summary>A protocol as the builder reads it.</summary>
    /// <param name="id">Its id.</param>
    public static string NameOf(string id) => Names.GetValueOrDefault(id, id);

    /// <summary>Every protocol, in the order in which they are listed to the builder.</summary>
    public static readonly IReadOnlyList<Protocol> All =
    [
        new(
            "SBUS",
            Framing.EightE2,
            [100_000],
            Polarity.Inverted,
            LineUse.DeviceToBoard,
            PortJob.ReceiverInput,
            25,
            new(Standing.FromMemory, "25-byte frame with 16 channels of 11 bits")
        ),
        new(
            "IBUS",
            Framing.EightN1,
            [115_200],
            Polarity.Normal,
            LineUse.DeviceToBoard,
            PortJob.ReceiverInput,
            32,
            new(Standing.FromMemory, "32-byte frame, checksum 0xFFFF minus the sum")
        )
        {
            Check = Checksum.OnesSum,
        },
        new(
            "CRSF",
            Framing.EightN1,
            [420_000, 416_666, 115_200],
            Polarity.Normal,
            LineUse.TwoWires,
            PortJob.ReceiverInput,
            26,
            SourceNote.Published(
                "the open CRSF specification, hardware: full duplex on two wires or half-duplex on one; frame construction"
            )
        )
        {
            Forms = WireForms.OneWireToo,
            Check = Checksum.Crc8D5,
        },
        new(
            "S.Port",
            Framing.EightN1,
            [57_600],
            Polarity.Inverted,
            LineUse.OneWire,
            PortJob.TelemetryOut,
            null,
            new(Standing.FromMemory, "polled by the receiver on one wire")
        ),
        new(
            "MSP",
            Framing.EightN1,
            [115_200],
            Polarity.Normal,
            LineUse.TwoWires,
            PortJob.VideoCanvas,
            null,
            SourceNote.Practice
        ),
        new(
            "UBX",
            Framing.EightN1,
            [115_200, 57_600, 38_400, 9_600],
            Polarity.Normal,
            LineUse.TwoWires,
            PortJob.Gnss,
            null,
            SourceNote.Published(
                "the GNSS receiver maker's interface description, UART ports: 8N1, frame = 8 bytes + payload"
            )
        )
        {
            Check = Checksum.Fletcher8,
        },
        new(
            "VC-4800",
            Framing.EightN2,
            [4_800],
            Polarity.Normal,
            LineUse.OneWire,
            PortJob.VideoControl,
            null,
            SourceNote.Memory
        ),
        new(
            "VC-9600",
            Framing.EightN1,
            [9_600],
            Polarity.Normal,
            LineUse.OneWire,
            PortJob.VideoControl,
            null,
            SourceNote.Memory
        ),
        new(
            "ESC",
            Framing.EightN1,
            [115_200],
            Polarity.Normal,
            LineUse.DeviceToBoard,
            PortJob.EscTelemetry,
            10,
            new(Standing.FromMemory, "10-byte frame, one wire shared by all ESCs, each polled through its motor signal")
        )
        {
            Turn = Turn.WhenAsked,
        },
        new(
            "DSMX",
            Framing.EightN1,
            [115_200],
            Polarity.Normal,
            LineUse.DeviceToBoard,
            PortJob.ReceiverInput,
            16,
            new(Standing.FromMemory, "16-byte frame every 11 or 22 ms; a satellite receiver needs 3.3 V")
        ),
        new(
            "SRXL2",
            Framing.EightN1,
            [115_200, 400_000],
            Polarity.Normal,
            LineUse.OneWire,
            PortJob.ReceiverInput,
            null,
            SourceNote.Published("the open SRXL2 specification: half-duplex on one wire, 8N1, 115 200 or 400 000")
        )
        {
            Check = Checksum.Crc16Xmodem,
        },
        new(
            "SUMD",
            Framing.EightN1,
            [115_200],
            Polarity.Normal,
            LineUse.DeviceToBoard,
            PortJob.ReceiverInput,
            null,
            new(Standing.FromMemory, "CRC-16 at the end of each frame")
        )
        {
            Check = Checksum.Crc16Xmodem,
        },
        new(
            "GHST",
            Framing.EightN1,
            [420_000],
            Polarity.Normal,
            LineUse.TwoWires,
            PortJob.ReceiverInput,
            null,
            new(Standing.FromMemory, "full duplex on two wires, or half-duplex on one")
        )
        {
            Forms = WireForms.OneWireToo,
        },
        new(
            "F.Port",
            Framing.EightN1,
            [115_200],
            Polarity.Inverted,
            LineUse.OneWire,
            PortJob.ReceiverInput,
            null,
            new(Standing.FromMemory, "RC link and telemetry on one wire; some taps are not inverted")
        ),
        new(
            "NMEA",
            Framing.EightN1,
            [9_600, 38_400, 57_600, 115_200],
            Polarity.Normal,
            LineUse.TwoWires,
            PortJob.Gnss,
            null,
            SourceNote.Published(
                "IEC 61162-1 (NMEA 0183): 8 data bits, no parity, one stop bit; sentences up to 82 characters"
            )
        )
        {
            Check = Checksum.Xor8,
        },
        new(
            "MAVLink",
            Framing.EightN1,
            [57_600, 115_200],
            Polarity.Normal,
            LineUse.TwoWires,
            PortJob.TelemetryOut,
            null,
            SourceNote.Published("the MAVLink guide, serialization: packets of 12 to 280 bytes, CRC-16/MCRF4XX")
        )
        {
            Check = Checksum.Crc16Mcrf4xx,
        },
        new(
            "LTM",
            Framing.EightN1,
            [9_600, 19_200],
            Polarity.Normal,
            LineUse.BoardToDevice,
            PortJob.TelemetryOut,
            null,
            new(Standing.FromMemory, "one-way")
        ),
        new(
            "Camera control",
            Framing.EightN1,
            [115_200],
            Polarity.Normal,
            LineUse.TwoWires,
            PortJob.CameraControl,
            null,
            SourceNote.Memory
        ),
        new(
            "Range finder",
            Framing.EightN1,
            [115_200],
            Polarity.Normal,
            LineUse.DeviceToBoard,
            PortJob.RangeFinder,
            null,
            SourceNote.Memory
        ),
        new(
            "Flight log",
            Framing.EightN1,
            [115_200, 500_000, 1_000_000, 2_000_000],
            Polarity.Normal,
            LineUse.BoardToDevice,
            PortJob.FlightLog,
            null,
            SourceNote.Practice
        ),
        new(
            "MSP host",
            Framing.EightN1,
            [115_200],
            Polarity.Normal,
            LineUse.TwoWires,
            PortJob.HostData,
            null,
            SourceNote.Practice
        ),
        new(
            "PPM",
            null,
            [],
            Polarity.Inverted,
            LineUse.DeviceToBoard,
            PortJob.PulseInput,
            null,
            new(Standing.CommonPractice, "pulse train, 8 channels in about 22.5 ms: slow, but needs no UART")
        )
        {
            Carrier = Carrier.Pulse,
        },
        new(
            "PWM",
            null,
            [],
            Polarity.Inverted,
            LineUse.WirePerChannel,
            PortJob.PulseInput,
            null,
            new(Standing.CommonPractice, "1000 to 2000 µs at about 50 Hz, one wire per channel: obsolete")
        )
        {
            Carrier = Carrier.Pulse,
        },
        new(
            "I²C",
            null,
            [],
            Polarity.Normal,
            LineUse.SharedBus,
            PortJob.BusSensors,
            null,
            SourceNote.Published("UM10204, the I²C-bus specification: 7-bit addresses, SDA to SDA and SCL to SCL")
        )
        {
            Carrier = Carrier.Bus,
        },
        new(
            "Picture in",
            null,
            [],
            Polarity.Normal,
            LineUse.DeviceToBoard,
            PortJob.PictureOverlay,
            null,
            SourceNote.Practice
        )
        {
            Carrier = Carrier.Picture,
        },
        new(
            "Picture out",
            null,
            [],
            Polarity.Normal,
            LineUse.BoardToDevice,
            PortJob.PictureOverlay,
            null,
            SourceNote.Practice
        )
        {
            Carrier = Carrier.Picture,
        },
        new(
            "Level in",
            null,
            [],
            Polarity.Normal,
            LineUse.DeviceToBoard,
            PortJob.Sensing,
            null,
            new(Standing.CommonPractice, "battery voltage through a divider, or a current as a voltage")
        )
        {
            Carrier = Carrier.Analogue,
        },
        new(
            "Level out",
            null,
            [],
            Polarity.Normal,
            LineUse.BoardToDevice,
            PortJob.CameraControl,
            null,
            new(Standing.CommonPractice, "one voltage level per camera menu key")
        )
        {
            Carrier = Carrier.Analogue,
        },
    ];

    private static readonly Dictionary<string, Protocol> ById = All.ToDictionary(p => p.Id);

    /// <summary>The protocol with this id, or null.</summary>
    public static Protocol? Find(string id) => ById.GetValueOrDefault(id);
}
