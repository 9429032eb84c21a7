using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;

namespace Gorvix.Core.Plans.Builds;

/// <summary>A link with everything that its ids point at.</summary>
/// <param name="Want">What the builder wrote.</param>
/// <param name="Device">The device.</param>
/// <param name="Function">The function of the device.</param>
public sealed record Link(Want Want, Device Device, DeviceFunction Function)
{
    /// <summary>Id of the link within the build.</summary>
    public string Id => Want.Link;

    /// <summary>What tells it from another link of its device that gives the same; null where there is none.</summary>
    public string? Tag { get; init; }

    /// <summary>All ways in which it can be had: by a link of its own, and inside other links of its device.</summary>
    public IReadOnlyList<Mode> Modes { get; } = Function.ModesIn(Device);
}

/// <summary>A device under its name in the build.</summary>
/// <param name="Id">Id within the build.</param>
/// <param name="Device">The device; called by its id too where the build has another one of its name.</param>
public sealed record DeviceInBuild(string Id, Device Device);

/// <summary>A build whose names all lead somewhere. Immutable; made only by <see cref="Of"/>.</summary>
public sealed class ResolvedBuild
{
    private ResolvedBuild(
        Build build,
        Board board,
        FirmwareProfile? firmware,
        IReadOnlyList<DeviceInBuild> devices,
        IReadOnlyList<Link> links,
        AsBuilt built
    )
    {
        (Build, Board, Firmware, Devices, Links, Built) = (build, board, firmware, devices, links, built);
        Controller = ControllerClass.Find(board.Controller)!;
        Circuit = Circuit.Of(board);
    }

    /// <summary>What the builder wrote.</summary>
    public Build Build { get; }

    /// <summary>The board, its bridges as they stand.</summary>
    public Board Board { get; }

    /// <summary>The board as nodes and edges.</summary>
    public Circuit Circuit { get; }

    /// <summary>The class of the board's controller.</summary>
    public ControllerClass Controller { get; }

    /// <summary>The firmware profile, or null for one that can do everything.</summary>
    public FirmwareProfile? Firmware { get; }

    /// <summary>The devices, in the builder's order, their plugs as they are now.</summary>
    public IReadOnlyList<DeviceInBuild> Devices { get; }

    /// <summary>What is done on the aircraft already.</summary>
    public AsBuilt Built { get; }

    /// <summary>The links, in the builder's order.</summary>
    public IReadOnlyList<Link> Links { get; }

    /// <summary>Resolves a build that is to be planned.</summary>
    /// <inheritdoc cref="Of"/>
    /// <exception cref="UnplannableException">Something stands against it.</exception>
    public static ResolvedBuild Plannable(Build build, PartsLibrary library)
    {
        var (resolved, findings) = Of(build, library);
        return resolved ?? throw new UnplannableException(findings);
    }

    /// <summary>Resolves a build: the build whose names all lead somewhere, or what stands against it.</summary>
    /// <param name="build">A build.</param>
    /// <param name="library">The parts that it can name.</param>
    public static Resolution Of(Build build, PartsLibrary library)
    {
        var findings = BuildCheck.Of(build, library, "build");
        if (findings.Count > 0)
        {
            return new Resolution(null, findings);
        }
        var board = library.Board(build.Board)!;
        var devices = build.Devices.ToDictionary(d => d.Id, d => library.Device(d.Part)!);
        var broken = PartCheck
            .Of(board, "board")
            .Concat(devices.SelectMany(d => PartCheck.Of(d.Value, d.Key)))
            .ToList();
        if (broken.Count > 0)
        {
            return new Resolution(null, broken);
        }
        foreach (var device in build.Devices)
        {
            devices[device.Id] = InHarness(devices[device.Id], device.Harness);
        }
        var built = AsBuilt.Of(build, board, devices);
        foreach (var id in devices.Keys.ToList())
        {
            devices[id] = built.Of(id, devices[id]);
        }
        TellApart(devices, build);
        var links = build
            .Wants.Select(w => new Link(
                w,
                devices[w.Device],
                devices[w.Device].Functions.First(f => f.Id == w.Function)
            ))
            .ToList();
        TellApart(links);
        var profile = build.Firmware is { } firmware ? library.Profile(firmware) : null;
        var resolved = new ResolvedBuild(
            build,
            built.Of(board),
            profile,
            [.. build.Devices.Select(d => new DeviceInBuild(d.Id, devices[d.Id]))],
            links,
            built
        );
        return new Resolution(resolved, []);
    }

    // Several links of one device that give the same are told apart by function, and one function wished for twice by link.
    private static void TellApart(List<Link> links)
    {
        foreach (var alike in links.GroupBy(l => (l.Want.Device, l.Function.Need)).Where(g => g.Count() > 1).ToList())
        {
            foreach (var link in alike)
            {
                var tag = alike.Count(l => l.Function == link.Function) == 1 ? link.Function.Id : link.Id;
                links[links.IndexOf(link)] = link with { Tag = tag };
            }
        }
    }

    // The device as its harness leaves it: the leads that it has, and its plug.
    private static Device InHarness(Device device, string? id)
    {
        if (device.Harnesses.Count == 0)
        {
            return device;
        }
        var harness = device.Harnesses.FirstOrDefault(h => h.Id == id) ?? device.Harnesses[0];
        return device with { Leads = [.. device.Leads.Where(l => harness.Leads.Contains(l.Id))], Plug = harness.Plug };
    }

    // What the builder calls it goes with the part's name. Two of one name: every sentence must say which of them it means.
    private static void TellApart(Dictionary<string, Device> devices, Build build)
    {
        foreach (var called in build.Devices.Where(d => d.Name is not null))
        {
            var device = devices[called.Id];
            devices[called.Id] = device with { Name = $"{device.Name} \"{called.Name}\"" };
        }
        foreach (
            var (id, device) in devices.GroupBy(d => d.Value.Name).Where(g => g.Count() > 1).SelectMany(g => g).ToList()
        )
        {
            devices[id] = device with { Name = $"{device.Name} {id}" };
        }
    }

    /// <summary>The same build with other pins and bans.</summary>
    public ResolvedBuild WithWishes(IReadOnlyList<WishMatch> pins, IReadOnlyList<WishMatch> bans) =>
        new(Build with { Pins = pins, Bans = bans }, Board, Firmware, Devices, Links, Built);
}

/// <summary>What came of resolving a build.</summary>
/// <param name="Build">The build, or null when it contradicts itself.</param>
/// <param name="Findings">Why it is null: what, and where; else empty.</param>
public sealed record Resolution(ResolvedBuild? Build, IReadOnlyList<Finding> Findings);
