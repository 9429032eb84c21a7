using Gorvix.Core.Findings;
using Gorvix.Core.Parts;

namespace Gorvix.Core.Builds;

/// <summary>A link with everything that its ids point at.</summary>
/// <param name="Want">What the builder wrote.</param>
/// <param name="Device">The device.</param>
/// <param name="Function">The function of the device.</param>
public sealed record Link(Want Want, Device Device, DeviceFunction Function)
{
    /// <summary>Id of the link within the build.</summary>
    public string Id => Want.Link;
}

/// <summary>A device under its name in the build.</summary>
/// <param name="Id">Id within the build.</param>
/// <param name="Device">The device.</param>
public sealed record DeviceInBuild(string Id, Device Device);

/// <summary>A build whose names all lead somewhere. Immutable; made only by <see cref="Create"/>.</summary>
public sealed class ResolvedBuild
{
    private ResolvedBuild(
        Build build,
        Board board,
        FirmwareProfile? firmware,
        IReadOnlyList<DeviceInBuild> devices,
        IReadOnlyList<Link> links
    )
    {
        (Build, Board, Firmware, Devices, Links) = (build, board, firmware, devices, links);
        Controller = ControllerClass.Find(board.Controller)!;
        Paths = (
            from pad in board.Pads
            where pad.Meaning != PadMeaning.NotConnected
            from path in pad.Paths
            where path.Net is not null
            select (pad, path)
        ).ToLookup(p => p.path.Net!);
    }

    /// <summary>What the builder wrote.</summary>
    public Build Build { get; }

    /// <summary>The board.</summary>
    public Board Board { get; }

    /// <summary>Every way from a pad to a net, by net, in the order of the pads.</summary>
    public ILookup<string, (Pad Pad, PadPath Path)> Paths { get; }

    /// <summary>The class of the board's controller.</summary>
    public ControllerClass Controller { get; }

    /// <summary>The firmware profile, or null for one that can do everything.</summary>
    public FirmwareProfile? Firmware { get; }

    /// <summary>The devices, in the builder's order.</summary>
    public IReadOnlyList<DeviceInBuild> Devices { get; }

    /// <summary>The links, in the builder's order.</summary>
    public IReadOnlyList<Link> Links { get; }

    /// <summary>Resolves a build.</summary>
    /// <param name="build">A build that passes <see cref="BuildCheck"/>.</param>
    /// <param name="library">A library whose parts pass <see cref="PartCheck"/>.</param>
    /// <exception cref="InvalidBuildException">A name leads nowhere, or the board or a device contradicts itself.</exception>
    public static ResolvedBuild Create(Build build, PartsLibrary library)
    {
        var findings = BuildCheck.Of(build, library, "build");
        if (findings.Count > 0)
        {
            throw new InvalidBuildException(findings);
        }
        var board = library.Board(build.Board)!;
        var devices = build.Devices.ToDictionary(d => d.Id, d => library.Device(d.Part)!);
        var broken = PartCheck
            .Of(board, "board")
            .Concat(devices.SelectMany(d => PartCheck.Of(d.Value, d.Key)))
            .ToList();
        if (broken.Count > 0)
        {
            throw new InvalidBuildException(broken);
        }
        var links = build
            .Wants.Select(w => new Link(
                w,
                devices[w.Device],
                devices[w.Device].Functions.First(f => f.Id == w.Function)
            ))
            .ToList();
        var profile = build.Firmware is { } firmware ? library.Profile(firmware) : null;
        return new ResolvedBuild(
            build,
            board,
            profile,
            [.. build.Devices.Select(d => new DeviceInBuild(d.Id, devices[d.Id]))],
            links
        );
    }

    /// <summary>The same build with other pins and bans.</summary>
    public ResolvedBuild WithWishes(IReadOnlyList<RouteMatch> pins, IReadOnlyList<RouteMatch> bans) =>
        new(Build with { Pins = pins, Bans = bans }, Board, Firmware, Devices, Links);
}

/// <summary>A build cannot be planned because something in it contradicts itself.</summary>
/// <param name="findings">What, and where.</param>
public sealed class InvalidBuildException(IReadOnlyList<Finding> findings)
    : Exception(string.Join(" ", findings.Select(f => f.Sentence)))
{
    /// <summary>What, and where.</summary>
    public IReadOnlyList<Finding> Findings { get; } = findings;
}
