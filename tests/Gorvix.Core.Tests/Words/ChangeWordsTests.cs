using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Words;

namespace Gorvix.Core.Tests.Words;

/// <summary>What undo and the log say of a change: names as they are on the screen.</summary>
public class ChangeWordsTests
{
    private static readonly ChangeWords Words = new(Demo.NorthFaceHare, Demo.Library);

    public static TheoryData<string, ChangeKind, WishMatch> Pinned =>
        new()
        {
            {
                "Pin GPS: UART1",
                ChangeKind.Pin,
                new RouteMatch { Link = "position", Port = "U1" }
            },
            {
                "Unpin GPS: UART1",
                ChangeKind.Unpin,
                new RouteMatch { Link = "position", Port = "U1" }
            },
            {
                "Block GPS",
                ChangeKind.Block,
                new RouteMatch { Link = "position" }
            },
            {
                "Unblock RC link: mode \"CRSF\"",
                ChangeKind.Unblock,
                new RouteMatch { Link = "control", Mode = "crsf" }
            },
            {
                "Pin GPS: pad R4, no jumper",
                ChangeKind.Pin,
                new RouteMatch
                {
                    Link = "position",
                    Pad = "r4",
                    Bridges = "",
                }
            },
            {
                "Pin GPS: jumper J4 at \"raw\"",
                ChangeKind.Pin,
                new RouteMatch { Link = "position", Bridges = "J4=raw" }
            },
            {
                "Pin Fix 10 plug in air",
                ChangeKind.Pin,
                new SeatMatch { Device = "gnss", Socket = "air" }
            },
            {
                "Block Fix 10: direct-soldered",
                ChangeKind.Block,
                new SeatMatch { Device = "gnss" }
            },
            {
                "Pin 5V of Fix 10: powered from 5V",
                ChangeKind.Pin,
                new FeedMatch
                {
                    Device = "gnss",
                    Lead = "v",
                    Pad = "5v-a",
                }
            },
            {
                "Block 5V of Fix 10: powered from 5V of Sedge 2",
                ChangeKind.Block,
                new FeedMatch
                {
                    Device = "gnss",
                    Lead = "v",
                    From = "receiver",
                    FromLead = "v",
                }
            },
            {
                "Pin TX of Fix 10: de-pinned",
                ChangeKind.Pin,
                new LeadMatch { Device = "gnss", Lead = "tx" }
            },
            {
                "Pin gone",
                ChangeKind.Pin,
                new RouteMatch { Link = "gone" }
            },
        };

    [Theory]
    [MemberData(nameof(Pinned))]
    public void A_pin_or_a_block_says_what_it_is_about(string said, ChangeKind kind, WishMatch match) =>
        Assert.Equal(said, Words.Of(new BuildChange(kind, match)));

    [Fact]
    public void Of_two_links_of_one_name_each_is_told_with_its_device()
    {
        var hare = Demo.NorthFaceHare;
        var gnss = hare.Devices.First(d => d.Id == "gnss");
        var words = new ChangeWords(
            hare with
            {
                Devices = [.. hare.Devices, gnss with { Id = "second", Name = "tail GNSS" }],
                Wants =
                [
                    .. hare.Wants,
                    hare.Wants.First(w => w.Link == "position") with
                    {
                        Link = "second",
                        Device = "second",
                    },
                ],
            },
            Demo.Library
        );
        var unpin = new BuildChange(ChangeKind.Unpin, new RouteMatch { Link = "second", Port = "U3" });
        Assert.Equal("Unpin GPS of tail GNSS: UART3", words.Of(unpin));
    }

    public static TheoryData<string, PartsChange> Changed =>
        new()
        {
            {
                "Swap board to Spindle F7",
                new() { Kind = PartsChangeKind.TakeBoard, Part = Demo.Spindle }
            },
            {
                "Swap Sedge 2 to Relay 16",
                Of(PartsChangeKind.TakePart, "receiver") with
                {
                    Part = "dunmerrow-relay-16",
                }
            },
            {
                "Add Relay 16",
                new() { Kind = PartsChangeKind.AddDevice, Part = "dunmerrow-relay-16" }
            },
            {
                "Add nobody-knows",
                new() { Kind = PartsChangeKind.AddDevice, Part = "nobody-knows" }
            },
            { "Remove Fix 10", Of(PartsChangeKind.RemoveDevice, "gnss") },
            { "Add GPS of Fix 10", Of(PartsChangeKind.AddLink, "gnss") with { Function = "position" } },
            {
                "Remove link GPS",
                new() { Kind = PartsChangeKind.RemoveLink, Link = "position" }
            },
            {
                "Set GPS to optional",
                new()
                {
                    Kind = PartsChangeKind.SetPriority,
                    Link = "position",
                    Priority = Priority.Optional,
                }
            },
            { "Rename Fix 10 to \"tail GNSS\"", Of(PartsChangeKind.NameDevice, "gnss") with { Text = " tail GNSS " } },
            { "Reset name of Fix 10", Of(PartsChangeKind.NameDevice, "gnss") with { Text = " " } },
            { "Set batch of Fix 10 to 1", Of(PartsChangeKind.SetBatch, "gnss") with { Text = "1" } },
            { "Clear batch of Fix 10", Of(PartsChangeKind.SetBatch, "gnss") },
            {
                "Rename build to \"Hare\"",
                new() { Kind = PartsChangeKind.NameBuild, Text = "Hare" }
            },
            {
                "Edit note",
                new() { Kind = PartsChangeKind.SetNote }
            },
            { "Set cable run of Fix 10 to 90 mm", Of(PartsChangeKind.PlaceDevice, "gnss") with { Millimetres = 90 } },
            { "Clear cable run of Fix 10", Of(PartsChangeKind.PlaceDevice, "gnss") },
            {
                "Move Fix 10 in the picture",
                Of(PartsChangeKind.DrawDevice, "gnss") with
                {
                    Picture = new PictureSpot { Place = 1 },
                }
            },
            { "Reset place of Fix 10 in the picture", Of(PartsChangeKind.DrawDevice, "gnss") },
            {
                "Set slack to 25 mm per wire",
                new() { Kind = PartsChangeKind.SetAllowance, Millimetres = 25 }
            },
            {
                "Set 5V of Fix 10 wire to 120 mm, AWG 26",
                new()
                {
                    Kind = PartsChangeKind.CutWire,
                    Wire = new()
                    {
                        Device = "gnss",
                        Lead = "v",
                        Millimetres = 120,
                        Gauge = 26,
                    },
                }
            },
        };

    [Theory]
    [MemberData(nameof(Changed))]
    public void A_change_of_parts_says_what_it_is_about(string said, PartsChange change) =>
        Assert.Equal(said, Words.Of(change));

    private static PartsChange Of(PartsChangeKind kind, string device) => new() { Kind = kind, Device = device };
}
