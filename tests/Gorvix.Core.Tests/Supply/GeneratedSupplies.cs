using CsCheck;
using Gorvix.Core.Hardware.Supply;

namespace Gorvix.Core.Tests.Supply;

/// <summary>Supplies made up by the property engine.</summary>
internal static class GeneratedSupplies
{
    // A source, something in its line or not, rails below each other, and devices at the end of wires and diodes.
    public static readonly Gen<SupplyNet> Supplies =
        from volts in Gen.Double[3.3, 30]
        from ohms in Gen.Double[0, 0.1]
        from inLine in Gen.Int[0, 3]
        from rails in Gen.Select(
            Gen.Double[3, 12],
            Gen.Double[0, 2],
            Gen.Int[0, 2],
            Gen.Int[0, 5],
            Gen.Double[0.7, 1]
        ).List[1, 5]
        from loads in Gen.Select(
            Gen.Int[0, 5],
            Gen.Double[0.01, 0.15],
            Gen.Int[0, 3],
            Gen.Double[0.005, 0.2],
            Gen.Double[0.2, 0.7]
        ).List[1, 8]
        select Net(volts, ohms, inLine, rails, loads);

    private static SupplyNet Net(
        double volts,
        double ohms,
        int inLine,
        List<(double Volts, double Dropout, int Kind, int From, double Efficiency)> rails,
        List<(int Rail, double Amps, int Kind, double Ohms, double Forward)> loads
    )
    {
        var net = new SupplyNet();
        var source = net.Node("source");
        net.Add(new VoltSource(source, volts, ohms));
        var nodes = new List<int> { source };
        if (inLine > 1)
        {
            nodes[0] = net.Node("input");
            net.Add(inLine == 2 ? new Lamp(source, nodes[0], 12, 55) : new Limiter(source, nodes[0], 4));
        }
        foreach (var rail in rails)
        {
            var from = nodes[rail.From % nodes.Count];
            var node = net.Node($"rail {nodes.Count}");
            net.Add(
                new Regulating(from, node, rail.Volts)
                {
                    Dropout = rail.Dropout,
                    Conversion = rail.Kind == 0 ? Conversion.Switching : Conversion.Linear,
                    Efficiency = rail.Efficiency,
                    Quiescent = 0.002,
                }
            );
            nodes.Add(node);
        }
        foreach (var load in loads)
        {
            var lead = net.Node("lead");
            var from = nodes[load.Rail % nodes.Count];
            net.Add(load.Kind == 1 ? new Junction(from, lead, load.Forward) : new Ohmic(from, lead, load.Ohms));
            net.Add(load.Kind == 2 ? new PowerLoad(lead, 0, load.Amps) : new CurrentLoad(lead, 0, load.Amps));
        }
        return net;
    }
}
