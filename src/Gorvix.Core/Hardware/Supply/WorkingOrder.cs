namespace Gorvix.Core.Hardware.Supply;

/// <summary>The order in which the nodes of a net are worked into their neighbours: ends of branches first, nodes in rings last.</summary>
/// <param name="Nodes">The nodes.</param>
/// <param name="Onto">The neighbour that each goes into; 0 where it has none left. Without a meaning from the tail on.</param>
/// <param name="Tail">Where among them the nodes in rings begin.</param>
internal sealed record WorkingOrder(int[] Nodes, int[] Onto, int Tail)
{
    /// <summary>The order for a net.</summary>
    /// <param name="net">The net.</param>
    /// <param name="awake">Every load of constant current draws it: then it joins its ends no more, whatever they have.</param>
    public static WorkingOrder Of(SupplyNet net, bool awake)
    {
        var size = net.Names.Count;
        var joined = new bool[size * size];
        // How many neighbours a node has left, and the sum of their numbers: with one left, the sum is that one.
        var (count, sum) = (new int[size], new int[size]);
        void Join(int one, int other)
        {
            if (one != SupplyNet.Ground && other != SupplyNet.Ground && !joined[(one * size) + other])
            {
                joined[(one * size) + other] = joined[(other * size) + one] = true;
                (count[one], sum[one]) = (count[one] + 1, sum[one] + other);
                (count[other], sum[other]) = (count[other] + 1, sum[other] + one);
            }
        }
        foreach (var element in net.Elements)
        {
            if (!awake || element is not CurrentLoad)
            {
                Join(element.From, element.To);
            }
        }
        foreach (var regulator in net.Regulators)
        {
            Join(regulator.Input, regulator.Output);
        }
        var (nodes, onto, done) = (new int[size - 1], new int[size - 1], new bool[size]);
        var tail = 0;
        for (var start = 1; start < size; start++)
        {
            for (var node = start; node != SupplyNet.Ground && !done[node] && count[node] <= 1; node = onto[tail - 1])
            {
                done[node] = true;
                (nodes[tail], onto[tail]) = (node, count[node] == 0 ? SupplyNet.Ground : sum[node]);
                (count[onto[tail]], sum[onto[tail]]) = (count[onto[tail]] - 1, sum[onto[tail]] - node);
                tail++;
            }
        }
        var last = tail;
        for (var node = 1; node < size; node++)
        {
            if (!done[node])
            {
                nodes[last++] = node;
            }
        }
        return new WorkingOrder(nodes, onto, tail);
    }
}
