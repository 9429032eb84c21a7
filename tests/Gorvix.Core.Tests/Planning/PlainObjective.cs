using Gorvix.Core.Builds;
using Gorvix.Core.Parts;
using Gorvix.Core.Planning;
using Gorvix.Core.Routing;

namespace Gorvix.Core.Tests.Planning;

/// <summary>The objective written from the words of docs/rules.md, not from the planner.</summary>
internal static class PlainObjective
{
    /// <summary>The price of a choice of routes (null: the link goes without), or null when two cannot stand together.</summary>
    public static PlanCost? Of(ResolvedBuild build, IReadOnlyList<LinkWays> ways, Route?[] choice)
    {
        var routes = choice.OfType<Route>().ToList();
        var used = routes.SelectMany(Uses).ToList();
        var positions = routes.SelectMany(r => r.Bridges).Distinct().ToList();
        if (used.Distinct().Count() < used.Count || positions.DistinctBy(p => p.Bridge).Count() < positions.Count)
        {
            return null;
        }
        var cost = PlanCost.Of(CostTerm.HandWork, 4 * positions.Count(p => !IsDefault(build, p)));
        for (var i = 0; i < choice.Length; i++)
        {
            foreach (var (term, amount) in choice[i] is { } route ? Of(build, ways[i], route) : Unmet(build, ways[i]))
            {
                cost += PlanCost.Of(term, amount);
            }
        }
        return cost;
    }

    /// <summary>What a route keeps others from using.</summary>
    public static IEnumerable<string> Uses(Route route) =>
        [$"port {route.Port.Id}", .. route.Walks.Select(w => $"lead {route.Link.Want.Device} {w.Lead.Id}")];

    /// <summary>True when the board comes with the bridge in this position.</summary>
    public static bool IsDefault(ResolvedBuild build, Contact contact) =>
        build.Board.Bridges.First(b => b.Id == contact.Bridge).Default == contact.Position;

    /// <summary>What a route costs, bridges left out.</summary>
    public static IEnumerable<(CostTerm Term, int Amount)> Of(ResolvedBuild build, LinkWays way, Route route)
    {
        bool HasPad(string? net) =>
            net is not null && build.Board.Pads.Any(pad => pad.Paths.Any(path => path.Net == net));
        var need = way.Link.Function.Need;
        var advised = build.Board.Ports.Where(p => p.AdvisedFor.Contains(need)).ToList();
        var off = !advised.Contains(route.Port) && (route.Port.AdvisedFor.Count > 0 || advised.Count > 0);
        bool[] switches = [route.Settings.InvertRx, route.Settings.InvertTx, route.Settings.SwapPins];
        return
        [
            (CostTerm.PinsBroken, Pins(build, way).Count(p => p.Port != route.Port.Id)),
            (CostTerm.Losses, route.Mode.Loses.Count),
            (CostTerm.HandWork, (route.Mode.Setting is null ? 0 : 2) + (route.Mode.Firmware is null ? 0 : 6)),
            (CostTerm.WholePorts, HasPad(route.Port.Rx) && HasPad(route.Port.Tx) ? 1 : 0),
            (CostTerm.Switches, switches.Count(on => on)),
            (CostTerm.OffAdvice, off ? 1 : 0),
        ];
    }

    /// <summary>What it costs to leave a link out.</summary>
    public static IEnumerable<(CostTerm Term, int Amount)> Unmet(ResolvedBuild build, LinkWays way)
    {
        var needs = Enum.GetValues<Need>();
        var weight = needs.Length - Array.IndexOf(needs, way.Link.Function.Need);
        return
        [
            (CostTerm.PinsBroken, Pins(build, way).Count()),
            (CostTerm.MustsUnmet + (int)way.Link.Want.Priority, 1000 + weight),
        ];
    }

    // Pins of ports only, and only those that some way can keep.
    private static IEnumerable<RouteMatch> Pins(ResolvedBuild build, LinkWays way) =>
        build.Build.Pins.Where(p => p.Link == way.Link.Id && way.Routes.Any(r => r.Port.Id == p.Port));
}
