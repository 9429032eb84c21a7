namespace Gorvix.Core.Hardware.Parts;

/// <summary>The boards and devices that builds can name.</summary>
/// <param name="Boards">Boards, each id once.</param>
/// <param name="Devices">Devices, each id once.</param>
public sealed record PartsLibrary(IReadOnlyList<Board> Boards, IReadOnlyList<Device> Devices)
{
    /// <summary>A library without parts.</summary>
    public static readonly PartsLibrary Empty = new([], []);

    /// <summary>Firmware profiles, each id once.</summary>
    public IReadOnlyList<FirmwareProfile> Profiles { get; init; } = [];

    /// <summary>The board with this id, or null.</summary>
    public Board? Board(string id) => Boards.FirstOrDefault(b => b.Id == id);

    /// <summary>The device with this id, or null.</summary>
    public Device? Device(string id) => Devices.FirstOrDefault(d => d.Id == id);

    /// <summary>The firmware profile with this id, or null.</summary>
    public FirmwareProfile? Profile(string id) => Profiles.FirstOrDefault(p => p.Id == id);

    /// <summary>This library with other parts added; a part that is already there stays.</summary>
    public PartsLibrary With(PartsLibrary other) =>
        new([.. Boards.UnionBy(other.Boards, b => b.Id)], [.. Devices.UnionBy(other.Devices, d => d.Id)])
        {
            Profiles = [.. Profiles.UnionBy(other.Profiles, p => p.Id)],
        };
}
