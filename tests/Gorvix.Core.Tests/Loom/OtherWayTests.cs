using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Tests.Wiring;
using Gorvix.Core.Wired.Fit;
using Gorvix.Core.Wired.Loom;
using Gorvix.Core.Wired.Wiring;

namespace Gorvix.Core.Tests.Loom;

/// <summary>Adapter, joined harnesses and bare solder bring every lead to the same copper as the plan does.</summary>
public class OtherWayTests
{
    private static readonly DateTime Now = new(2026, 11, 26, 18, 30, 0, DateTimeKind.Utc);

    private static WiredBuild Wired(Build build) => new FitReader(Resolved(build, Demo.Library)).Wired;

    public static TheoryData<string, string> Ways =>
        [
            .. from build in Demo.Builds
            from way in LoomReader.Of(Wired(build)).OtherWays
            where !way.IsPlanned
            select (build.Name, way.Id),
        ];

    [Fact]
    public void The_demo_shows_every_kind() =>
        Assert.Equal(
            Enum.GetValues<OtherWayKind>(),
            Demo.Builds.SelectMany(b => LoomReader.Of(Wired(b)).OtherWays).Select(w => w.Kind).Distinct().Order()
        );

    [Theory]
    [MemberData(nameof(Ways))]
    public void Done_otherwise_every_lead_is_on_the_same_copper_and_nothing_is_to_be_undone(string name, string way)
    {
        var build = Demo.Builds.First(b => b.Name == name);
        var before = Wired(build);
        var told = LoomReader.Of(before).OtherWays.Single(w => w.Id == way);
        var after = Wired(Ticks.Apply(before, new Tick(way, true), Now).Build!);
        Assert.Equal(Copper(before, told.Device), Copper(after, told.Device));
        Assert.Equal(before.Ports.Select(p => (p.Link, p.Port.Id)), after.Ports.Select(p => (p.Link, p.Port.Id)));
        var sheet = LoomReader.Of(after);
        Assert.DoesNotContain(sheet.Steps, s => s.Topic == StepTopic.Undo);
        Assert.DoesNotContain(sheet.OtherWays, w => w.Device == told.Device && !w.IsPlanned);
        Assert.Empty(PlainWalker.Complaints(after));
    }

    // What each lead that is used touches, as pads that a meter cannot tell apart.
    private static Dictionary<string, string> Copper(WiredBuild wired, string device)
    {
        var copper = new Copper(wired.Build.Circuit, wired.Positions(), []);
        return wired
            .Leads.Where(l => l is { IsUsed: true, Pad: not null } && l.Device == device)
            .Where(l => l.Lead.Role != LeadRole.Ground)
            .ToDictionary(
                l => l.Lead.Id,
                l =>
                    wired
                        .Build.Board.Pads.Where(p =>
                            p.Id == l.Pad!.Id || copper.Between(Node.Pad(p.Id), Node.Pad(l.Pad.Id)).Finds == Finds.Beeps
                        )
                        .Min(p => p.Id)!
            );
    }

    [Fact]
    public void An_adapter_joins_what_the_plan_moves_and_leaves_empty_what_it_lifts()
    {
        foreach (
            var (build, way) in Demo.Builds.SelectMany(b =>
                LoomReader.Of(Wired(b)).OtherWays.Where(w => w.Kind == OtherWayKind.Adapter).Select(w => (b, w))
            )
        )
        {
            var face = LoomReader.Of(Wired(build)).Faces.FirstOrDefault(f => f.Device == way.Device);
            if (face is null)
            {
                continue;
            }
            Assert.Equal(
                face.Cavities.Where(c => c.Needs is not null).Select(c => (c.Needs!.Lead, (int?)c.Number)),
                way.Rows.Select(r => (r.Lead, r.To))
            );
            Assert.All(way.Rows, r => Assert.Equal(r.Lead, face.Cavities.First(c => c.Number == r.From).Comes?.Lead));
        }
    }
}
