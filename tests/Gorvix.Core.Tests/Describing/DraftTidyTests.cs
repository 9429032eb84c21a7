using Gorvix.Core.Files.Describing;
using Gorvix.Core.Hardware.Parts;
using static Gorvix.Core.Tests.Handmade;

namespace Gorvix.Core.Tests.Describing;

/// <summary>What is put in order of a part after a change while it is described.</summary>
public class DraftTidyTests
{
    private static readonly Board Fed = Whole("F4", "U1") with
    {
        Rails =
        [
            new()
            {
                Id = "bat",
                Label = "BAT",
                Feed = RailFeed.Battery,
            },
            new()
            {
                Id = "5v",
                Label = "5V",
                Volts = 5,
                Feed = RailFeed.Regulator,
                From = "bat",
                Dropout = 1.2,
                Kind = RegulatorKind.Linear,
                Efficiency = 0.9,
                Quiescent = 0.005,
                Own = 0.2,
                Limit = 1.5,
            },
        ],
        Pads = [Pad("5V", new PadPath { Rail = "5v" }), Pad("R1", "U1.rx")],
        Plugs =
        [
            new()
            {
                Id = "nav",
                Label = "NAV",
                Family = "1.25 mm, 2 pins",
                Pins = [new() { Pad = "5v" }, new() { Pad = "r1" }],
            },
        ],
    };

    private static readonly Device Regulator = Demo.Library.Devices.First(d =>
        d is { Outputs.Count: > 0, Supplies.Count: > 0 }
    );

    [Fact]
    public void What_points_at_nothing_that_is_gone_stays_as_it_is()
    {
        var board = DraftTidy.Of(Fed);
        Assert.Equal(Fed.Rails, board.Rails);
        Assert.Equal(Fed.Pads, board.Pads);
        Assert.Equal(Fed.Plugs[0].Pins, board.Plugs[0].Pins);
        foreach (var pattern in DevicePattern.All)
        {
            var device = DraftTidy.Of(pattern.Device);
            Assert.Equal(pattern.Device.Supplies, device.Supplies);
            Assert.Equal(pattern.Device.Outputs, device.Outputs);
            Assert.Equal(pattern.Device.Plug?.Pins, device.Plug?.Pins);
            Assert.Equal(
                pattern.Device.Functions.SelectMany(f => f.Modes).Select(m => (m.Lines.Count, m.Carries.Count)),
                device.Functions.SelectMany(f => f.Modes).Select(m => (m.Lines.Count, m.Carries.Count))
            );
        }
    }

    [Fact]
    public void A_pad_whose_rail_is_gone_is_to_be_measured_and_a_rail_from_it_comes_from_the_battery()
    {
        var board = DraftTidy.Of(Fed with { Rails = [Fed.Rails[1]] });
        Assert.Null(board.Rails[0].From);
        Assert.Equal(PadMeaning.Sure, board.Pads[0].Meaning);
        board = DraftTidy.Of(Fed with { Rails = [Fed.Rails[0]] });
        Assert.Equal((PadMeaning.Uncertain, 0), (board.Pads[0].Meaning, board.Pads[0].Paths.Count));
        Assert.Equal((PadMeaning.Sure, 1), (board.Pads[1].Meaning, board.Pads[1].Paths.Count));
    }

    [Theory]
    [InlineData(RailFeed.Ground, 0.0)]
    [InlineData(RailFeed.Battery, null)]
    public void What_no_regulator_makes_says_nothing_of_one(RailFeed feed, double? volts)
    {
        var rail = DraftTidy.Of(Fed with { Rails = [Fed.Rails[1] with { Feed = feed, From = null }] }).Rails[0];
        Assert.Equal(volts, rail.Volts);
        Assert.Equal(
            (null, null, null, null, null),
            (rail.Dropout, rail.Kind, rail.Efficiency, rail.Quiescent, rail.Own)
        );
        Assert.Equal(1.5, rail.Limit);
    }

    [Fact]
    public void A_pad_that_is_gone_leaves_its_pin_of_the_socket_empty()
    {
        var board = DraftTidy.Of(Fed with { Pads = [Fed.Pads[0]] });
        Assert.Equal(["5v", null], board.Plugs[0].Pins.Select(p => p.Pad));
    }

    [Fact]
    public void A_lead_that_is_gone_takes_along_what_was_said_of_it()
    {
        foreach (var device in DevicePattern.All.Select(p => p.Device))
        {
            foreach (var gone in device.Leads.Select(l => l.Id))
            {
                var left = DraftTidy.Of(device with { Leads = [.. device.Leads.Where(l => l.Id != gone)] });
                Assert.DoesNotContain(left.Supplies, s => s.Lead == gone);
                Assert.DoesNotContain(left.Outputs, o => o.Lead == gone);
                Assert.DoesNotContain(left.Plug?.Pins ?? [], p => p.Lead == gone);
                Assert.DoesNotContain(left.Harnesses.SelectMany(h => h.Leads), l => l == gone);
                Assert.DoesNotContain(
                    left.Functions.SelectMany(f => f.Modes).SelectMany(m => m.Lines),
                    l => l.Lead == gone
                );
                Assert.Equal(device.Plug?.Pins.Count, left.Plug?.Pins.Count);
            }
        }
    }

    [Fact]
    public void A_lead_that_no_longer_takes_or_offers_power_says_nothing_of_it()
    {
        Device As(string lead, LeadRole role) =>
            DraftTidy.Of(
                Regulator with
                {
                    Leads = [.. Regulator.Leads.Select(l => l.Id == lead ? l with { Role = role } : l)],
                }
            );
        var (takes, offers) = (Regulator.Supplies[0].Lead, Regulator.Outputs[0].Lead);
        Assert.DoesNotContain(As(takes, LeadRole.Output).Supplies, s => s.Lead == takes);
        Assert.DoesNotContain(As(offers, LeadRole.Signal).Outputs, o => o.Lead == offers);
        Assert.Contains(As(offers, LeadRole.Signal).Supplies, s => s.Lead == takes);
    }

    [Fact]
    public void A_lead_that_leaves_a_harness_leaves_its_plug_and_leads_stand_in_the_order_of_the_device()
    {
        var leads = Regulator.Leads.Select(l => l.Id).ToList();
        var device = Regulator with
        {
            Plug = null,
            Harnesses =
            [
                new()
                {
                    Id = "h",
                    Name = "h",
                    Leads = [leads[1], leads[0]],
                    Plug = new() { Family = "", Pins = [.. leads.Select(l => new DevicePin { Lead = l })] },
                },
            ],
        };
        var harness = DraftTidy.Of(device).Harnesses[0];
        Assert.Equal([leads[0], leads[1]], harness.Leads);
        Assert.Equal(
            leads.Select(l => l == leads[0] || l == leads[1] ? l : null),
            harness.Plug!.Pins.Select(p => p.Lead)
        );
    }

    [Fact]
    public void A_function_that_is_gone_is_carried_by_no_other()
    {
        var device = DevicePattern
            .All.Select(p => p.Device)
            .First(d => d.Functions.Any(f => f.Modes.Any(m => m.Carries.Count > 0)));
        var carried = device.Functions.SelectMany(f => f.Modes).SelectMany(m => m.Carries).First().Function;
        var left = DraftTidy.Of(device with { Functions = [.. device.Functions.Where(f => f.Id != carried)] });
        Assert.DoesNotContain(
            left.Functions.SelectMany(f => f.Modes).SelectMany(m => m.Carries),
            c => c.Function == carried
        );
    }
}
