using Gorvix.Core.Builds;
using Gorvix.Core.Parts;

namespace Gorvix.Core.Planning;

/// <summary>What kind of change an unlock is. Order: among equal prices the earlier is offered first.</summary>
public enum UnlockKind
{
    /// <summary>A pin gives way.</summary>
    LiftPin,

    /// <summary>A ban gives way: another mode or another place is open again.</summary>
    LiftBan,

    /// <summary>One house rule is changed.</summary>
    HouseRule,

    /// <summary>Another generation of the board's firmware.</summary>
    Firmware,

    /// <summary>Another link gives way.</summary>
    LeaveOut,

    /// <summary>Another device of the same kind from the library.</summary>
    SwapDevice,

    /// <summary>Another board from the library.</summary>
    SwapBoard,
}

/// <summary>A change that carries a link which the plan leaves out, verified by planning again.</summary>
/// <param name="Kind">What kind of change it is.</param>
/// <param name="What">What is changed: a wish, a house rule, a profile, a link, a part; as ids.</param>
/// <param name="After">The build after the change.</param>
/// <param name="Plan">Its best plan, which carries the link.</param>
/// <param name="Price">What the change itself weighs, on the scale of <see cref="Unlocks"/>.</param>
public sealed record Unlock(UnlockKind Kind, UnlockTarget What, Build After, Plan Plan, int Price);

/// <summary>What an unlock changes; the members that apply are set.</summary>
public sealed record UnlockTarget
{
    /// <summary>The pin or ban that gives way.</summary>
    public RouteMatch? Match { get; init; }

    /// <summary>Id of the house rule, as in <see cref="HouseSchools"/>.</summary>
    public string? Rule { get; init; }

    /// <summary>Its new value.</summary>
    public string? School { get; init; }

    /// <summary>The link that gives way.</summary>
    public string? Link { get; init; }

    /// <summary>Id within the build of the device that is exchanged.</summary>
    public string? Device { get; init; }

    /// <summary>Id of the new part or profile.</summary>
    public string? Part { get; init; }
}

/// <summary>Finds what would carry a link that the plan leaves out.</summary>
/// <remarks>
/// Every single change of the builder's wishes, house rules, firmware and parts is tried, and kept when the best plan of the
/// changed build carries the link and leaves out no link that was carried (a link that gives way on purpose aside).
/// </remarks>
public static class Unlocks
{
    // Our own scale, in points of hand work, so that iron and money can be put in one row.
    private const int WishPrice = 0;
    private const int HousePrice = 3;
    private const int FirmwarePrice = 8;
    private const int LeaveOutPrice = 20;
    private const int DevicePrice = 40;
    private const int BoardPrice = 80;

    /// <summary>The unlocks of a link, cheapest first; at most so many of each kind.</summary>
    /// <param name="space">The build's space.</param>
    /// <param name="plan">Its best plan.</param>
    /// <param name="link">A link that the plan leaves out.</param>
    /// <param name="library">The parts that could be taken instead.</param>
    /// <param name="most">The most of each kind.</param>
    public static IReadOnlyList<Unlock> Of(PlanSpace space, Plan plan, Link link, PartsLibrary library, int most = 3) =>
        [
            .. Candidates(space, link, library)
                .Select(c => Verified(c, plan, link, library))
                .OfType<Unlock>()
                .OrderBy(u => PriceOf(u, plan))
                .ThenBy(u => u.Kind)
                .GroupBy(u => u.Kind)
                .SelectMany(g => g.Take(most))
                .OrderBy(u => PriceOf(u, plan))
                .ThenBy(u => u.Kind),
        ];

    /// <summary>What an unlock weighs with the hand work, hazards and losses that it adds.</summary>
    public static int PriceOf(Unlock unlock, Plan before)
    {
        int More(CostTerm term) => Math.Max(0, unlock.Plan.Cost[term] - before.Cost[term]);
        return unlock.Price
            + More(CostTerm.HandWork)
            + (5 * (More(CostTerm.Losses) + More(CostTerm.Hazards) + More(CostTerm.Processor)));
    }

    private static IEnumerable<(UnlockKind Kind, UnlockTarget What, Build After, int Price)> Candidates(
        PlanSpace space,
        Link link,
        PartsLibrary library
    )
    {
        var build = space.Build.Build;
        foreach (var pin in build.Pins)
        {
            var after = build with { Pins = [.. build.Pins.Where(p => p != pin)] };
            yield return (UnlockKind.LiftPin, new() { Match = pin }, after, WishPrice);
        }
        foreach (var ban in build.Bans)
        {
            var after = build with { Bans = [.. build.Bans.Where(b => b != ban)] };
            yield return (UnlockKind.LiftBan, new() { Match = ban }, after, WishPrice);
        }
        foreach (var (rule, school, house) in HouseChanges(build.House))
        {
            var what = new UnlockTarget { Rule = rule, School = school };
            yield return (UnlockKind.HouseRule, what, build with { House = house }, HousePrice);
        }
        foreach (var profile in library.Profiles.Where(p => build.Firmware is not null && p.Id != build.Firmware))
        {
            yield return (
                UnlockKind.Firmware,
                new() { Part = profile.Id },
                build with
                {
                    Firmware = profile.Id,
                },
                FirmwarePrice
            );
        }
        foreach (var other in space.Build.Links.Where(l => l.Id != link.Id && l.Want.Priority >= link.Want.Priority))
        {
            var after = BuildEdits.WithoutLink(build, other.Id);
            var price = LeaveOutPrice * (3 - (int)other.Want.Priority);
            yield return (UnlockKind.LeaveOut, new() { Link = other.Id }, after, price);
        }
        foreach (var device in space.Build.Devices)
        {
            foreach (var part in library.Devices.Where(d => d.Kind == device.Device.Kind && d.Id != device.Device.Id))
            {
                if (BuildEdits.WithPart(build, device.Id, part, library) is { } after)
                {
                    var what = new UnlockTarget { Device = device.Id, Part = part.Id };
                    yield return (UnlockKind.SwapDevice, what, after, DevicePrice);
                }
            }
        }
        foreach (var board in library.Boards.Where(b => b.Id != build.Board))
        {
            var after = BuildEdits.WithBoard(build, board.Id);
            yield return (UnlockKind.SwapBoard, new() { Part = board.Id }, after, BoardPrice);
        }
    }

    private static IEnumerable<(string Rule, string School, HouseRules House)> HouseChanges(HouseRules house)
    {
        if (house.Sharing == PortSharing.Strict)
        {
            yield return ("sharing", "splitHalves", house with { Sharing = PortSharing.SplitHalves });
        }
        if (house.Software == SoftwareUse.Never)
        {
            yield return ("software", "telemetryOnly", house with { Software = SoftwareUse.TelemetryOnly });
        }
        if (house.Software != SoftwareUse.Allowed)
        {
            yield return ("software", "allowed", house with { Software = SoftwareUse.Allowed });
        }
        if (house.BootTrap == BootCure.AnotherPort)
        {
            yield return ("bootTrap", "pullUp", house with { BootTrap = BootCure.PullUp });
        }
        if (house.Unused == UnusedLeads.Leave)
        {
            yield return ("unused", "lift", house with { Unused = UnusedLeads.Lift });
        }
    }

    private static Unlock? Verified(
        (UnlockKind Kind, UnlockTarget What, Build After, int Price) change,
        Plan before,
        Link link,
        PartsLibrary library
    )
    {
        Plan plan;
        try
        {
            plan = Planner.Best(ResolvedBuild.Create(change.After, library));
        }
        catch (InvalidBuildException)
        {
            // A part of the library that contradicts itself is no way out; its own build says so.
            return null;
        }
        var lost = before.Placements.Any(p =>
            p.Route is not null && plan.Placements.Any(q => q.Link.Id == p.Link.Id && q.Route is null)
        );
        var worse =
            plan.Cost[CostTerm.PinsBroken] > before.Cost[CostTerm.PinsBroken]
            || plan.Cost[CostTerm.Unfed] > before.Cost[CostTerm.Unfed];
        return plan.RouteOf(link.Id) is not null && !lost && !worse
            ? new Unlock(change.Kind, change.What, change.After, plan, change.Price)
            : null;
    }
}
