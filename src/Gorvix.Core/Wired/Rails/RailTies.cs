using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Supply;

namespace Gorvix.Core.Wired.Rails;

/// <summary>Which supplies copper ties together.</summary>
internal static class RailTies
{
    /// <summary>
    /// Supplies that copper ties together, by name: each group more than one of which drives – two rails, a rail and an output, a rail
    /// and ground.
    /// </summary>
    public static IReadOnlyList<IReadOnlyList<string>> Of(RailNet net)
    {
        var circuit = net.Wired.Build.Circuit;
        var group = new int[net.Net.Names.Count];
        for (var node = 0; node < group.Length; node++)
        {
            group[node] = node;
        }
        int Root(int node) => group[node] == node ? node : group[node] = Root(group[node]);
        foreach (var element in net.Net.Elements)
        {
            // Through what passes on its feed nothing is tied: it is one supply.
            if (element is Ohmic { Ohms: < 1 })
            {
                group[Root(element.From)] = Root(element.To);
            }
        }
        var drivers = new List<(int Root, int Node, string Name)>();
        foreach (var (id, node) in net.Rails)
        {
            // Several rails can be one node: the first of them names it. Ground is driven by the rail of that name alone.
            if (
                (node != SupplyNet.Ground || circuit.Rails[id].Feed == RailFeed.Ground)
                && !drivers.Exists(d => d.Node == node)
            )
            {
                drivers.Add((Root(node), node, id));
            }
        }
        var rails = drivers.Count;
        drivers.AddRange(
            net.Giving.Where(g => g.Regulator is not null)
                .Select(g =>
                    (
                        Root(g.Node),
                        g.Node,
                        $"{g.Lead.Label} of {net.Wired.Build.Devices.First(d => d.Id == g.Device).Device.Name}"
                    )
                )
        );
        return drivers.DistinctBy(d => d.Root).Count() == drivers.Count
            ? []
            :
            [
                .. drivers
                    .Index()
                    .GroupBy(
                        d => d.Item.Root,
                        d => d.Index < rails ? $"{circuit.Rails[d.Item.Name].Label} rail" : d.Item.Name
                    )
                    .Where(g => g.Count() > 1)
                    .Select(g => (IReadOnlyList<string>)[.. g]),
            ];
    }
}
