using Gorvix.Core.Plans.Builds;

namespace Gorvix.Core.Tests.Builds;

/// <summary>Adding, removing and exchanging parts and links, and what the diff says of it.</summary>
public class PartsChangeTests
{
    private static readonly Build Hare = Demo.NorthFaceHare;

    [Fact]
    public void Another_board_keeps_the_links_and_drops_pins_that_name_its_pads()
    {
        var pinned = Hare with
        {
            Pins =
            [
                new RouteMatch { Link = "position", Port = "U1" },
                new RouteMatch { Link = "control", Mode = "crsf" },
            ],
        };
        var after = Apply(pinned, new() { Kind = PartsChangeKind.TakeBoard, Part = Demo.Spindle });
        Assert.Equal([new RouteMatch { Link = "control", Mode = "crsf" }], after.Pins);
        var moved = Demo.Fit(after).MovedSince(Demo.Fit(pinned).Plan);
        Assert.Contains("RC link (Sedge 2) moved from UART4 to UART2.", string.Join(' ', moved));
    }

    /// <summary>It is kept with the device, goes with it, and a place beyond the last is refused.</summary>
    [Fact]
    public void A_device_is_put_elsewhere_in_the_picture_and_left_to_it_again()
    {
        PartsChange Draw(PictureSpot? spot) =>
            new()
            {
                Kind = PartsChangeKind.DrawDevice,
                Device = "gnss",
                Picture = spot,
            };
        var spot = new PictureSpot { Edge = PictureEdge.Right, Place = 199 };
        var put = Apply(Hare, Draw(spot));
        Assert.Equal(spot, put.Devices.First(d => d.Id == "gnss").Picture);
        Assert.Same(put, Apply(put, Draw(spot)));
        Assert.Equal(Hare.Devices, Apply(put, Draw(null)).Devices);
        Assert.Equal(Hare.Devices, Apply(put, Draw(new PictureSpot())).Devices);
        var file = Core.Files.Formats.GorvixReader.Write(new() { Builds = [put] });
        Assert.Contains(
            "\"picture\":{\"edge\":\"right\",\"place\":199}",
            System.Text.Encoding.UTF8.GetString(file).Replace(" ", "").Replace("\n", "").Replace("\r", "")
        );
        foreach (var place in new[] { -1, 200 })
        {
            Assert.Contains(
                "devices[",
                Assert.Single(Draw(spot with { Place = place }).Check(Hare, Demo.Library)).Sentence,
                StringComparison.Ordinal
            );
        }
        Assert.NotEmpty((Draw(spot) with { Device = "nobody" }).Check(Hare, Demo.Library));
    }

    [Fact]
    public void Another_piece_of_the_same_part_brings_back_the_work_at_it_and_at_nothing_else()
    {
        JointFact Joint(string device, string part) =>
            new()
            {
                Device = device,
                Part = part,
                Lead = "v",
                Board = Hare.Board,
                Pad = "5v-a",
            };
        var built = Hare with { Built = [Joint("gnss", "ewhurst-fix-10"), Joint("receiver", "corvane-sedge-2")] };
        PartsChange Batch(string text) =>
            new()
            {
                Kind = PartsChangeKind.SetBatch,
                Device = "gnss",
                Text = text,
            };
        var noted = Apply(built, Batch("1"));
        Assert.Equal((0, 2), (Gnss(noted).Piece, noted.Built.Count));
        var exchanged = Apply(noted, Batch("2"));
        Assert.Equal((1, "2"), (Gnss(exchanged).Piece, Gnss(exchanged).Batch));
        Assert.Equal("receiver", Assert.IsType<JointFact>(Assert.Single(exchanged.Built)).Device);
        var again = Apply(
            exchanged,
            new()
            {
                Kind = PartsChangeKind.TakePart,
                Device = "gnss",
                Part = "ewhurst-fix-10",
            }
        );
        Assert.Equal((2, null), (Gnss(again).Piece, Gnss(again).Batch));

        static BuildDevice Gnss(Build build) => build.Devices.First(d => d.Id == "gnss");
    }

    [Fact]
    public void Another_part_of_the_kind_takes_over_the_links_by_what_it_gives()
    {
        var change = new PartsChange
        {
            Kind = PartsChangeKind.TakePart,
            Device = "receiver",
            Part = "dunmerrow-relay-16",
        };
        var after = Apply(Hare, change);
        Assert.Equal("U3: SBUS>SBUS", after.Plan().Way("control"));
    }

    [Fact]
    public void A_device_is_placed_and_what_is_added_to_each_wire_is_told()
    {
        var placed = Apply(
            Hare,
            new()
            {
                Kind = PartsChangeKind.PlaceDevice,
                Device = "receiver",
                Millimetres = 80,
            }
        );
        Assert.Equal(80, placed.Devices.First(d => d.Id == "receiver").Away);
        Assert.Same(
            placed,
            Apply(
                placed,
                new()
                {
                    Kind = PartsChangeKind.PlaceDevice,
                    Device = "receiver",
                    Millimetres = 80,
                }
            )
        );
        Assert.Null(
            Apply(placed, new() { Kind = PartsChangeKind.PlaceDevice, Device = "receiver" })
                .Devices.First(d => d.Id == "receiver")
                .Away
        );
        Assert.Equal(35, Apply(Hare, new() { Kind = PartsChangeKind.SetAllowance, Millimetres = 35 }).Allowance);
        var far = new PartsChange { Kind = PartsChangeKind.SetAllowance, Millimetres = 900 };
        Assert.Contains("0 to 500 mm", Assert.Single(far.Check(Hare, Demo.Library)).Sentence);
    }

    [Fact]
    public void A_part_that_lacks_a_link_is_refused_with_the_mend()
    {
        var change = new PartsChange
        {
            Kind = PartsChangeKind.TakePart,
            Device = "receiver",
            Part = "corvane-sedge-2",
        };
        var finding = Assert.Single(change.Check(Demo.HaulRoadHeron, Demo.Library));
        Assert.Contains("does not support one of the device's links", finding.Sentence);
        Assert.Contains("Remove that link first", finding.Sentence);
    }

    [Fact]
    public void A_new_device_brings_its_links_and_a_removed_one_takes_them_along()
    {
        var more = Apply(Hare, new() { Kind = PartsChangeKind.AddDevice, Part = "ewhurst-fix-20c" });
        Assert.Equal(["gnss-2-position", "gnss-2-heading"], more.Wants.Skip(3).Select(w => w.Link));
        var less = Apply(more, new() { Kind = PartsChangeKind.RemoveDevice, Device = "gnss-2" });
        Assert.Equal(Hare.Wants, less.Wants);
        var gone = Demo.Fit(less).MovedSince(Demo.Fit(more).Plan);
        Assert.Contains("Compass (Fix 20C) is no longer in the build.", gone);
    }

    [Fact]
    public void A_device_that_leaves_takes_its_wires_and_the_pins_on_its_outputs_along()
    {
        var build = Demo.TipTrackPipit with
        {
            Wires = [new WireCut { Device = "regulator", Lead = "v" }, new WireCut { Device = "gnss", Lead = "v" }],
            Pins =
            [
                new FeedMatch
                {
                    Device = "gnss",
                    Lead = "v",
                    From = "regulator",
                    FromLead = "o",
                },
            ],
        };
        var less = BuildEdits.WithoutDevice(build, "regulator");
        Assert.Empty(less.Pins);
        Assert.Equal(["gnss"], less.Wires.Select(w => w.Device));
    }

    [Fact]
    public void A_wire_as_it_is_usually_cut_needs_no_entry()
    {
        var wire = new WireCut
        {
            Device = "gnss",
            Lead = "v",
            Gauge = 24,
        };
        var cut = BuildEdits.WithWire(Demo.NorthFaceHare, wire);
        Assert.Equal([wire], cut.Wires);
        Assert.Same(cut, BuildEdits.WithWire(cut, wire));
        Assert.Empty(BuildEdits.WithWire(cut, wire with { Gauge = null }).Wires);
    }

    [Fact]
    public void A_link_is_added_removed_and_weighed_anew()
    {
        var sbus = new PartsChange
        {
            Kind = PartsChangeKind.AddLink,
            Device = "air-unit",
            Function = "control",
            Priority = Priority.Optional,
        };
        var more = Apply(Hare, sbus);
        Assert.Equal(("air-unit-control", Priority.Optional), (more.Wants[3].Link, more.Wants[3].Priority));
        var must = Apply(
            more,
            new()
            {
                Kind = PartsChangeKind.SetPriority,
                Link = "air-unit-control",
                Priority = Priority.Required,
            }
        );
        Assert.Equal(Priority.Required, must.Wants[3].Priority);
        Assert.Equal(
            Hare.Wants,
            Apply(must, new() { Kind = PartsChangeKind.RemoveLink, Link = "air-unit-control" }).Wants
        );
    }

    [Theory]
    [InlineData(PartsChangeKind.TakeBoard, "change.part is missing. Known: ")]
    [InlineData(PartsChangeKind.AddDevice, "change.part is missing. Known: ")]
    [InlineData(PartsChangeKind.TakePart, "change.device is missing. Known: ")]
    [InlineData(PartsChangeKind.RemoveDevice, "change.device is missing. Known: ")]
    [InlineData(PartsChangeKind.AddLink, "change.device is missing. Known: ")]
    [InlineData(PartsChangeKind.RemoveLink, "change.link is missing. Known: ")]
    [InlineData(PartsChangeKind.SetPriority, "change.link is missing. Known: ")]
    public void A_change_that_names_nothing_known_is_refused(PartsChangeKind kind, string sentence) =>
        Assert.StartsWith(
            sentence,
            new PartsChange { Kind = kind }
                .Check(Hare, Demo.Library)[0]
                .Sentence
        );

    [Fact]
    public void A_house_rule_says_what_it_moved()
    {
        var owl = Demo.SpoilTipOwl;
        var after = new Setup
        {
            Firmware = owl.Firmware,
            Pack = owl.Pack,
            House = owl.House with { Software = SoftwareUse.Allowed },
        }.ApplyTo(owl);
        Assert.Equal(
            ["VTX control (Lantern 10) is now connected on S1."],
            Demo.Fit(after).MovedSince(Demo.Fit(owl).Plan)
        );
        Assert.Same(owl, Setup.Of(owl).ApplyTo(owl));
    }

    [Fact]
    public void Every_dispute_has_a_default_that_is_one_of_its_schools_and_a_reason_for_each()
    {
        Assert.All(HouseSchools.All, d => Assert.All(d.Schools, s => Assert.NotEmpty(s.Reason)));
        Assert.All(HouseSchools.All, d => Assert.True(d.Schools.Count >= 2, d.Id));
    }

    private static Build Apply(Build build, PartsChange change)
    {
        Assert.Empty(change.Check(build, Demo.Library));
        return change.ApplyTo(build, Demo.Library);
    }
}
