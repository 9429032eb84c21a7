using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;

namespace Gorvix.Core.Plans.Planning;

/// <summary>One change of a build that could carry a link which is left out.</summary>
/// <param name="Kind">What kind of change it is.</param>
/// <param name="What">What is changed.</param>
/// <param name="Apply">The build after it.</param>
/// <param name="Price">What it weighs, on the scale of <see cref="UnlockSteps"/>.</param>
public sealed record UnlockStep(UnlockKind Kind, UnlockTarget What, Func<Build, Build> Apply, int Price);

/// <summary>What a step changes, as ids; the members that apply are set.</summary>
public sealed record UnlockTarget
{
    /// <summary>The pin or ban that gives way.</summary>
    public WishMatch? Match { get; init; }

    /// <summary>Id of the house rule, as in <see cref="HouseSchools"/>.</summary>
    public string? Rule { get; init; }

    /// <summary>Its new value.</summary>
    public string? School { get; init; }

    /// <summary>The link that gives way.</summary>
    public string? Link { get; init; }

    /// <summary>Id within the build of the device that is exchanged.</summary>
    public string? Device { get; init; }

    /// <summary>Id of the harness that it takes.</summary>
    public string? Harness { get; init; }

    /// <summary>Id of the new part or profile.</summary>
    public string? Part { get; init; }

    /// <summary>The same as one text; different targets have different texts.</summary>
    public string Key() =>
        string.Join(
            ':',
            new[]
            {
                Match switch
                {
                    RouteMatch m => $"{m.Link},{m.Port},{m.Pad},{m.Mode},{m.Bridges}",
                    SeatMatch m => $"plug,{m.Device},{m.Socket}",
                    FeedMatch m => $"supply,{m.Device},{m.Lead},{m.Pad},{m.From},{m.FromLead}",
                    LeadMatch m => $"lead,{m.Device},{m.Lead}",
                    _ => null,
                },
                Rule,
                School,
                Link,
                Device,
                Harness,
                Part,
            }.OfType<string>()
        );
}

/// <summary>The single changes that are worth a try, each with its price.</summary>
/// <remarks>
/// Prices (<see cref="Prices"/>) are our own scale, in minutes of hand work, so that a wish, a house rule, iron and money
/// can be put in one row.
/// </remarks>
public static class UnlockSteps
{
    private const int WishPrice = 0;
    private const int HousePrice = 3;
    private const int FirmwarePrice = 15;
    private const int HarnessPrice = 5;
    private const int LeaveOutPrice = 20;
    private const int RegulatorPrice = 30;
    private const int DevicePrice = 40;
    private const int BoardPrice = 80;

    /// <summary>What each kind of step weighs, in words.</summary>
    public static readonly IReadOnlyList<(string Words, int Minutes)> Prices =
    [
        ("changing a house rule", HousePrice),
        ("another harness for a device", HarnessPrice),
        ("different board firmware", FirmwarePrice),
        ("dropping an optional link", LeaveOutPrice),
        ("dropping a wanted link", 2 * LeaveOutPrice),
        ("dropping a required link", 3 * LeaveOutPrice),
        ("adding a regulator, adapter or filter", RegulatorPrice),
        ("another device", DevicePrice),
        ("another board", BoardPrice),
    ];

    /// <summary>What it weighs that a link gives way, on purpose or because a weightier one takes its place.</summary>
    /// <param name="link">The link.</param>
    public static int PriceWithout(Link link) => LeaveOutPrice * (3 - (int)link.Want.Priority);

    /// <summary>All steps, in the order of <see cref="UnlockKind"/>.</summary>
    /// <param name="space">The build's space.</param>
    /// <param name="link">A link that the plan leaves out.</param>
    /// <param name="library">The parts that could be taken instead.</param>
    public static IEnumerable<UnlockStep> Of(PlanSpace space, Link link, PartsLibrary library)
    {
        var build = space.Build.Build;
        return
        [
            .. build.Pins.Select(pin => Wish(UnlockKind.LiftPin, ChangeKind.Unpin, pin)),
            .. build.Bans.Select(ban => Wish(UnlockKind.LiftBan, ChangeKind.Unblock, ban)),
            .. Houses(build.House),
            .. library
                .Profiles.Where(p => build.Firmware is not null && p.Id != build.Firmware)
                .Select(p => new UnlockStep(
                    UnlockKind.Firmware,
                    new() { Part = p.Id },
                    b => b with { Firmware = p.Id },
                    FirmwarePrice
                )),
            .. Harnesses(space, library),
            .. space
                .Build.Links.Where(l => l.Id != link.Id && l.Want.Priority >= link.Want.Priority)
                .Select(l => new UnlockStep(
                    UnlockKind.LeaveOut,
                    new() { Link = l.Id },
                    b => BuildEdits.WithoutLink(b, l.Id),
                    PriceWithout(l)
                )),
            .. Regulators(space, link, library),
            .. Devices(space, library),
            .. library
                .Boards.Where(b => b.Id != build.Board)
                .Select(board => new UnlockStep(
                    UnlockKind.SwapBoard,
                    new() { Part = board.Id },
                    b => BuildEdits.WithBoard(b, board.Id),
                    BoardPrice
                )),
        ];
    }

    private static UnlockStep Wish(UnlockKind kind, ChangeKind change, WishMatch match) =>
        new(kind, new() { Match = match }, new BuildChange(change, match).ApplyTo, WishPrice);

    private static IEnumerable<UnlockStep> Harnesses(PlanSpace space, PartsLibrary library) =>
        from device in space.Build.Build.Devices
        let part = library.Device(device.Part)
        where part is not null
        from harness in part.Harnesses
        where harness.Id != (device.Harness ?? part.Harnesses[0].Id)
        select new UnlockStep(
            UnlockKind.SwapHarness,
            new() { Device = device.Id, Harness = harness.Id },
            b => BuildEdits.WithHarness(b, device.Id, harness.Id),
            HarnessPrice
        );

    // Where nothing feeds the device of the link, or what could is spoken for: a part that makes its volts.
    private static IEnumerable<UnlockStep> Regulators(PlanSpace space, Link link, PartsLibrary library) =>
        from part in library.Devices
        where part.Kind is DeviceKind.Regulator or DeviceKind.Adapter or DeviceKind.Filter
        where
            part.Outputs.Any(o =>
                o.Volts is null || link.Device.Supplies.Any(s => o.Volts >= s.Window.Min && o.Volts <= s.Window.Max)
            )
        where space.Build.Devices.All(d => d.Device.Id != part.Id)
        select new UnlockStep(
            UnlockKind.AddRegulator,
            new() { Part = part.Id },
            b => BuildEdits.WithDevice(b, part, library),
            RegulatorPrice
        );

    private static IEnumerable<UnlockStep> Devices(PlanSpace space, PartsLibrary library) =>
        from device in space.Build.Devices
        from part in library.Devices
        where part.Kind == device.Device.Kind && part.Id != device.Device.Id
        where BuildEdits.WithPart(space.Build.Build, device.Id, part, library) is not null
        select new UnlockStep(
            UnlockKind.SwapDevice,
            new() { Device = device.Id, Part = part.Id },
            b => BuildEdits.WithPart(b, device.Id, part, library)!,
            DevicePrice
        );

    // Only towards the school that allows more: the other way nothing is gained.
    private static IEnumerable<UnlockStep> Houses(HouseRules now)
    {
        UnlockStep To(string rule, string school, Func<HouseRules, HouseRules> change) =>
            new(
                UnlockKind.HouseRule,
                new() { Rule = rule, School = school },
                b => b with { House = change(b.House) },
                HousePrice
            );

        if (now.Sharing == PortSharing.OnePerPort)
        {
            yield return To("sharing", "splitHalves", h => h with { Sharing = PortSharing.SplitHalves });
        }
        if (now.Software == SoftwareUse.Never)
        {
            yield return To("softwareSerial", "telemetryOnly", h => h with { Software = SoftwareUse.TelemetryOnly });
        }
        if (now.Software != SoftwareUse.Allowed)
        {
            yield return To("softwareSerial", "allowed", h => h with { Software = SoftwareUse.Allowed });
        }
        if (now.BootTrap == BootCure.AnotherPort)
        {
            yield return To("bootloaderTrap", "pullUp", h => h with { BootTrap = BootCure.PullUp });
        }
    }
}
