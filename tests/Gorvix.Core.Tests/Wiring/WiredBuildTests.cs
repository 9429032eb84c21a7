using Gorvix.Core.Hardware.Protocols;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Wired.Wiring;

namespace Gorvix.Core.Tests.Wiring;

/// <summary>The plan as wires, bridges, port settings and open leads.</summary>
public class WiredBuildTests
{
    private static WiredBuild Wired(Build build)
    {
        var resolved = Resolved(build, Demo.Library);
        return WiredBuild.From(resolved, Planner.Best(resolved));
    }

    [Fact]
    public void Every_lead_of_a_carried_link_gets_one_wire()
    {
        var wires = Wired(Demo.NorthFaceHare)
            .Leads.Where(w => w.Link is not null)
            .Select(w => $"{w.Device} {w.Lead.Label}>{w.Pad!.Label}");
        Assert.Equal(
            ["receiver TX>SBUS", "receiver RX>DSM", "air-unit RX>T1", "air-unit TX>R1", "gnss TX>R4", "gnss RX>T4"],
            wires
        );
    }

    [Fact]
    public void Leads_that_no_link_uses_are_accounted_for() =>
        Assert.Equal(
            ["air-unit SBUS InHarness"],
            Wired(Demo.NorthFaceHare)
                .Leads.Where(l => l.Pad is null)
                .Select(l => $"{l.Device} {l.Lead.Label} {l.State}")
        );

    [Fact]
    public void A_bridge_stands_where_its_route_needs_it_and_else_as_it_came()
    {
        var raw = Assert.Single(Wired(Demo.NorthFaceHare).Bridges);
        Assert.Equal(("raw", false), (raw.Positions[0], raw.IsWork));

        // The inverting bridge on U4 is the other way to carry the receiver's inverted output.
        var pinned = Demo.NorthFaceHare with
        {
            Pins =
            [
                new RouteMatch
                {
                    Link = "control",
                    Port = "U4",
                    Mode = "crsf-inverted",
                },
            ],
        };
        var turned = Assert.Single(Wired(pinned).Bridges);
        Assert.Equal(("inverted", true), (turned.Positions[0], turned.IsWork));
    }

    [Fact]
    public void Each_port_in_use_has_one_job()
    {
        var ports = Wired(Demo.NorthFaceHare).Ports;
        Assert.Equal(
            [("U3", PortJob.ReceiverInput), ("U1", PortJob.VideoCanvas), ("U4", PortJob.Gnss)],
            ports.Select(p => (p.Port.Id, p.Settings.Job))
        );
    }
}
