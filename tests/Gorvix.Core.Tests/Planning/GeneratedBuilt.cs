using CsCheck;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Routing;

namespace Gorvix.Core.Tests.Planning;

/// <summary>Builds of which a part is done already, some of it otherwise than any plan would have it.</summary>
internal static partial class Generated
{
    /// <summary>Builds of at most so many ports and links, with wires soldered, leads out of plugs and bridges moved.</summary>
    public static Gen<ResolvedBuild> HalfBuilt(int ports, int links) =>
        Gen.Select(Builds(ports, links), Gen.Int[0, int.MaxValue], WithFacts);

    /// <summary>The same build with other facts of what is done.</summary>
    public static ResolvedBuild With(ResolvedBuild build, IReadOnlyList<BuiltFact> facts) =>
        Resolved(
            build.Build with
            {
                Built = facts,
            },
            new PartsLibrary([build.Board], [.. build.Devices.Select(d => d.Device).DistinctBy(d => d.Id)])
            {
                Profiles = build.Firmware is { } profile ? [profile] : [],
            }
        );

    private static ResolvedBuild WithFacts(ResolvedBuild build, int seed)
    {
        var dice = new Random(seed);
        var ways = Router.WaysOf(build);
        var facts = new List<BuiltFact>();
        void Add(BuiltFact fact)
        {
            if (!facts.Any(fact.IsAboutTheSame))
            {
                facts.Add(fact);
            }
        }
        string PartOf(string device) => build.Build.Devices.FirstOrDefault(d => d.Id == device)?.Part ?? "gone";
        JointFact Joint(string device, string lead, string pad) =>
            new()
            {
                Device = device,
                Part = PartOf(device),
                Lead = lead,
                Board = build.Build.Board,
                Pad = pad,
            };
        foreach (var link in ways.Links.Where(l => l.Routes.Count > 0 && dice.Next(3) > 0))
        {
            foreach (var walk in link.Routes[dice.Next(link.Routes.Count)].Walks)
            {
                Add(Joint(link.Link.Want.Device, walk.Lead.Id, walk.Pad.Id));
            }
        }
        foreach (var feed in ways.Feeds.SelectMany(f => f.Feeds).Where(f => f.Pads.Count > 0 && dice.Next(6) == 0))
        {
            Add(Joint(feed.Device, feed.Lead.Id, feed.Pads[dice.Next(feed.Pads.Count)].Id));
        }
        foreach (
            var (device, lead) in build
                .Devices.SelectMany(d => d.Device.Leads, (d, l) => (d, l))
                .Where(_ => dice.Next(9) == 0)
        )
        {
            if (lead.Role == LeadRole.Ground)
            {
                Add(Joint(device.Id, lead.Id, build.Board.Pads.First(build.Circuit.IsGround).Id));
            }
            else if (device.Device.Plug is { } plug)
            {
                Add(
                    new CavityFact
                    {
                        Device = device.Id,
                        Part = PartOf(device.Id),
                        Lead = lead.Id,
                        Cavity = dice.Next(2) == 0 ? null : 1 + dice.Next(plug.Pins.Count),
                        End = dice.Next(4) == 0 ? LeadEnd.CutOff : LeadEnd.Contact,
                    }
                );
            }
        }
        foreach (var bridge in build.Board.Bridges.Where(_ => dice.Next(3) == 0))
        {
            Add(
                new BridgeFact
                {
                    Board = build.Build.Board,
                    Bridge = bridge.Id,
                    Position = bridge.Positions[dice.Next(bridge.Positions.Count)],
                }
            );
        }
        if (dice.Next(4) == 0)
        {
            Add(Joint("gone", "TX", "t0"));
        }
        return With(build, facts);
    }
}
