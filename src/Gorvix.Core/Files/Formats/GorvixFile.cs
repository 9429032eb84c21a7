using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;

namespace Gorvix.Core.Files.Formats;

/// <summary>
/// A file in the product's own open format: boards, devices, firmware profiles, builds and drills, each list possibly empty.
/// The format is described in docs/format.md.
/// </summary>
public sealed record GorvixFile
{
    /// <summary>The format's name, the same in every file.</summary>
    public const string FormatName = "gorvix";

    /// <summary>The newest version of the format that this program reads, and the one that it writes.</summary>
    public const int NewestVersion = FormatMigrations.Newest;

    /// <summary>Always <see cref="FormatName"/>.</summary>
    public string Format { get; init; } = FormatName;

    /// <summary>The version of the format.</summary>
    public int Version { get; init; } = NewestVersion;

    /// <summary>Builds. Their parts are in this file or in the library that reads it.</summary>
    public IReadOnlyList<Build> Builds { get; init; } = [];

    /// <summary>Boards.</summary>
    public IReadOnlyList<Board> Boards { get; init; } = [];

    /// <summary>Devices.</summary>
    public IReadOnlyList<Device> Devices { get; init; } = [];

    /// <summary>Firmware profiles.</summary>
    public IReadOnlyList<FirmwareProfile> Profiles { get; init; } = [];

    /// <summary>Straightened photos of boards of the file.</summary>
    public IReadOnlyList<FilePhoto> Photos { get; init; } = [];

    /// <summary>Drills on the one build of the file.</summary>
    public IReadOnlyList<DrillOrder> Drills { get; init; } = [];

    /// <summary>The most drills of a file.</summary>
    public const int MostDrills = 30;

    /// <summary>The parts of the file.</summary>
    public PartsLibrary Parts() => new(Boards, Devices) { Profiles = Profiles };

    /// <summary>A file that holds one build and all parts that it names, in the order in which it names them.</summary>
    /// <param name="build">A build that passes <see cref="BuildCheck"/>.</param>
    /// <param name="library">A library with its parts.</param>
    public static GorvixFile Of(Build build, PartsLibrary library) =>
        new()
        {
            Builds = [build],
            Boards = [library.Board(build.Board)!],
            Devices = [.. build.Devices.Select(d => d.Part).Distinct().Select(id => library.Device(id)!)],
            Profiles = build.Firmware is { } firmware ? [library.Profile(firmware)!] : [],
        };
}
