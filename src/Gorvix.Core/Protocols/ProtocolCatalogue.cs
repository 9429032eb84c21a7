using Gorvix.Core.Findings;

namespace Gorvix.Core.Protocols;

/// <summary>All protocols that the product knows. Device files name them by id.</summary>
public static class ProtocolCatalogue
{
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
        ),
        new(
            "CRSF",
            Framing.EightN1,
            [420_000, 416_666, 115_200],
            Polarity.Normal,
            LineUse.TwoWires,
            PortJob.ReceiverInput,
            26,
            SourceNote.Published("the open CRSF specification, hardware and frame construction")
        ),
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
        ),
        new(
            "SmartAudio",
            Framing.EightN2,
            [4_800],
            Polarity.Normal,
            LineUse.OneWire,
            PortJob.VideoControl,
            null,
            SourceNote.Memory
        ),
        new(
            "Tramp",
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
            new(Standing.FromMemory, "10-byte frame, one wire shared by the motors' controllers")
        ),
    ];

    private static readonly Dictionary<string, Protocol> ById = All.ToDictionary(p => p.Id);

    /// <summary>The protocol with this id, or null.</summary>
    public static Protocol? Find(string id) => ById.GetValueOrDefault(id);
}
