using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Wired.Wiring;
using static Gorvix.Core.Tests.Handmade;

namespace Gorvix.Core.Tests.Planning;

/// <summary>
/// Very small boards, made up from seeds, against a brute force that makes all ways by itself: a way that the router misses, or
/// one that it should not offer, shows as another price.
/// </summary>
public class SmallBoardTests
{
    [Theory]
    [MemberData(nameof(Seeds))]
    public void The_plan_costs_what_all_ways_cost_at_least(int seed)
    {
        for (var n = 0; n < 4; n++)
        {
            Compare((4 * seed) + n, Made((4 * seed) + n));
        }
    }

    [Theory]
    [MemberData(nameof(Seeds))]
    public void So_it_does_when_leads_are_out_of_their_plugs_already(int seed)
    {
        for (var n = 0; n < 4; n++)
        {
            var build = Made((4 * seed) + n);
            var dice = new Random(seed - n);
            var taken =
                from device in build.Devices
                from pin in device.Device.Plug?.Pins ?? []
                where pin.Lead is { Length: > 0 } && dice.Next(2) == 0
                select new CavityFact
                {
                    Device = device.Id,
                    Part = device.Device.Id,
                    Lead = pin.Lead!,
                    End = dice.Next(4) == 0 ? LeadEnd.CutOff : LeadEnd.Contact,
                };
            Compare((4 * seed) + n, Generated.With(build, [.. taken]));
        }
    }

    private static void Compare(int seed, ResolvedBuild build)
    {
        var plan = Planner.Best(build);
        var least = new PlainWays(build).Best(plan.Cost);
        if (plan.Cost != least)
        {
            var wired = WiredBuild.From(build, plan);
            Assert.Fail(
                $"Seed {seed}: the plan costs {plan.Cost}, all ways at least {least}. "
                    + $"{string.Join("; ", build.Board.Plugs.Select(p => $"{p.Id}: {string.Join(' ', p.Pins.Select(x => x.Pad is { } pad ? string.Join('|', build.Circuit.From(build.Circuit.Pads[pad]).Select(t => t.To.Id)) : "-"))}"))}; "
                    + $"{string.Join("; ", wired.Leads.Select(l => $"{l.Device} {l.Lead.Id} {l.State} {l.Pad?.Id}"))}; {build.Build.House}"
            );
        }
    }

    public static TheoryData<int> Seeds => [.. Enumerable.Range(0, 10)];

    private static ResolvedBuild Made(int seed)
    {
        var random = new Random(seed);
        T Any<T>(params T[] of) => of[random.Next(of.Length)];
        var board = Board(Any("F4", "F7"), Port("U1"), Port("U2", tx: random.Next(2) == 0))
            .Powered([.. new[] { "5V", "BAT" }.Where(_ => random.Next(3) > 0), "GND"]);
        board = board with
        {
            Bridges =
            [
                new()
                {
                    Id = "J",
                    Positions = ["left", "right"],
                    Default = "left",
                },
            ],
        };
        board = board.With(
            Pad(
                "R1",
                Any<PathElement[]>([], [], [Inverter()], [At("J", "right")]) is var through
                    ? Path("U1.rx", through)
                    : null!
            ),
            Pad("R2", "U2.rx")
        );
        if (random.Next(2) == 0)
        {
            board = board.With(Pad("T1", "U1.tx"));
        }
        string?[] pins = ["BAT", "5V", "GND", "U1.rx", "U1.tx", "U2.rx", null];
        for (var i = 0; i < 1 + random.Next(2); i++)
        {
            board = board.Socket($"S{i}", "plug", [.. Enumerable.Range(0, 4).Select(_ => Any(pins))]);
        }
        var leads = new[] { "V", "G", "TX", Any("RX", "RX", "S") };
        random.Shuffle(leads);
        var two = leads.Contains("RX");
        var volts = Any((Min: 4.5, Max: 5.5), (7, 26), (4.5, 26));
        var unit = (
            two
                ? Device("unit", Any(Need.Osd, Need.Gps), Mode("MSP", Out(), In()))
                : Device("unit", Need.RcLink, Mode("SBUS", Out()))
        )
            .Fed(volts.Min, volts.Max)
            .Plugged("plug", leads)
            .Talking("S");
        var receiver = Device("receiver", Need.RcLink, Mode(Any("SBUS", "IBUS"), Out())).Leads("G");
        var both = random.Next(2) == 0;
        return Resolved(
            new Build
            {
                Name = "small",
                Board = board.Id,
                Pack = new Pack { Cells = 4 },
                House = new()
                {
                    Unused = Any(UnusedLeads.DePin, UnusedLeads.Leave),
                    Receiver = Any(ReceiverSupply.LiveOnUsb, ReceiverSupply.OffOnUsb),
                },
                Devices =
                [
                    .. new[] { unit, receiver }
                        .Take(both ? 2 : 1)
                        .Select(d => new BuildDevice { Id = d.Id, Part = d.Id }),
                ],
                Wants =
                [
                    .. new[] { unit, receiver }
                        .Take(both ? 2 : 1)
                        .Select(d => new Want
                        {
                            Link = d.Id,
                            Device = d.Id,
                            Function = "f",
                            Priority = Any(Priority.Required, Priority.Wanted),
                        }),
                ],
            },
            new PartsLibrary([board], [unit, receiver])
        );
    }
}
