namespace Gorvix.Core.Wired.Rails;

/// <summary>The stations on the way to each supply lead, with their nodes: found once, and the same for every charge of the pack.</summary>
/// <param name="net">The net.</param>
internal sealed class SupplyWays(RailNet net)
{
    private readonly Dictionary<FedLead, IReadOnlyList<(string What, int Node)>> _known = new(
        ReferenceEqualityComparer.Instance
    );

    /// <summary>The stations from the source to a lead.</summary>
    public IReadOnlyList<(string What, int Node)> To(FedLead fed) =>
        _known.TryGetValue(fed, out var known) ? known : _known[fed] = [.. Find(fed)];

    private IEnumerable<(string What, int Node)> Find(FedLead fed)
    {
        if (fed.Lead.To is { } to)
        {
            var giving = net.Giving.First(g => g.At == to.At);
            var name = net.Wired.Build.Devices.First(d => d.Id == to.Device).Device.Name;
            return
            [
                .. To(giving.Fed),
                ($"{to.Lead.Label} of {name}", giving.Node),
                ($"lead {fed.Lead.Lead.Label}", fed.Node),
            ];
        }
        var circuit = net.Wired.Build.Circuit;
        var chain = fed.Rails.Count > 0 ? circuit.Up(circuit.Rails[fed.Rails[0]]).Reverse() : [];
        return
        [
            .. chain.Select(r => ($"{r.Label} rail", net.NodeOf(r.Id))),
            ($"pad {fed.Lead.Pad!.Label}", net.NodeOfPad(fed.Lead.Pad!.Id)!.Value),
            ($"lead {fed.Lead.Lead.Label}", fed.Node),
        ];
    }
}
