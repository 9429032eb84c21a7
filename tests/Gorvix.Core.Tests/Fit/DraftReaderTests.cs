using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Fit;

namespace Gorvix.Core.Tests.Fit;

/// <summary>What is said while a build is chosen and before a part is exchanged: what would burn comes first.</summary>
public class DraftReaderTests
{
    private static Draft On(string? board, int? cells, params string[] devices) =>
        new()
        {
            Board = board,
            Devices = devices,
            Pack = cells is { } n ? new Pack { Cells = n } : null,
        };

    private static FitSheet SheetOf(Build build) => new FitReader(build.Resolve()).Sheet();

    [Fact]
    public void A_draft_without_a_board_tells_what_its_devices_can_give_and_no_verdict()
    {
        var look = DraftReader.Look(On(null, 4, "ewhurst-fix-20c"), Demo.Library);
        Assert.Null(look.Verdict);
        Assert.Equal(["GPS", "Compass"], look.Wishes.Select(w => w.Need));
        Assert.All(look.Wishes, w => Assert.Equal(Priority.Wanted, w.Priority));
    }

    [Fact]
    public void The_verdict_of_a_draft_is_the_one_that_its_build_will_have()
    {
        var draft = On(Demo.Spindle, 4, "dunmerrow-relay-16", "ewhurst-fix-10");
        var look = DraftReader.Look(draft, Demo.Library);
        var reader = new FitReader(draft.Of(Demo.Library)!.Resolve());
        Assert.Equal(reader.Verdict(), look.Verdict);
        Assert.Equal(reader.Places().Select(p => p.Port), look.Wishes.Select(w => w.Port));
        Assert.Empty(look.Stops);
    }

    [Fact]
    public void A_pack_that_burns_or_starves_something_is_named_with_the_reason_and_one_that_suits_is_not()
    {
        // The Pawl stands 7 to 26 V and the Beacon D4 17.6 V at most: 5S gives 21 V, 2S falls to 6.6 V.
        var packs = DraftReader.Look(On("thornwick-pawl-f7-r2", null, "brindlow-beacon-d4"), Demo.Library).Packs;
        Assert.DoesNotContain(packs, p => p.Id is "3" or "4");
        Assert.Contains(
            "Pawl F7 needs 7.0–26.0 V but gets 6.6 V (empty battery).",
            packs.First(p => p.Id == "2").Sentence
        );
        Assert.Contains(packs, p => p.Id == "7" && p.Severity == Severity.Stop);
    }

    [Fact]
    public async Task A_board_that_the_pack_would_burn_or_starve_is_named()
    {
        var fits = await DraftReader.Fits(On(null, 4), Demo.Library, TestContext.Current.CancellationToken);
        Assert.StartsWith(
            "Mote F1 needs 4.5–5.5 V but gets 16.8 V (full battery).",
            fits.Boards.First(b => b.Id == Demo.Mote).Sentence
        );
        Assert.DoesNotContain(fits.Boards, b => b.Id == Demo.Lever);
        Assert.Empty(fits.Devices);
        var one = await DraftReader.Fits(On(null, 1), Demo.Library, TestContext.Current.CancellationToken);
        Assert.EndsWith(
            "Lever F4 needs 7.0–17.0 V but gets 3.3 V (empty battery). Choose a battery with more cells.",
            one.Boards.First(b => b.Id == Demo.Lever).Sentence
        );
        var none = await DraftReader.Fits(On(null, null), Demo.Library, TestContext.Current.CancellationToken);
        Assert.Empty(none.Boards);
    }

    [Fact]
    public async Task A_board_whose_window_is_just_the_packs_suits_and_one_a_little_narrower_does_not()
    {
        // Two cells: 6.6 V empty, 8.4 V full (common practice).
        var board = Demo.Library.Board(Demo.Lever)!;
        async Task<string?> With(double min, double max)
        {
            var other = board with
            {
                Id = "x",
                Input = new VoltWindow { Min = min, Max = max },
            };
            var library = Demo.Library.With(new PartsLibrary([other], []));
            var fits = await DraftReader.Fits(On(null, 2), library, TestContext.Current.CancellationToken);
            return fits.Boards.FirstOrDefault(b => b.Id == "x")?.Sentence;
        }
        Assert.Null(await With(6.6, 8.4));
        Assert.Contains("Lever F4 needs 6.6–8.3 V but gets 8.4 V (full battery).", await With(6.6, 8.3));
        Assert.Contains("Lever F4 needs 6.7–8.4 V but gets 6.6 V (empty battery).", await With(6.7, 8.4));
    }

    [Fact]
    public void A_draft_that_cannot_be_a_build_says_why_in_place_of_a_verdict()
    {
        var look = DraftReader.Look(
            On(Demo.Spindle, 4, [.. Enumerable.Repeat("fallowby-torque-set-48", 40)]),
            Demo.Library
        );
        Assert.Null(look.Verdict);
        Assert.Contains("build.links has 120 links; the limit is 40.", look.Stops[0]);
        Assert.Empty(look.Packs);
        Assert.All(look.Wishes, w => Assert.Null(w.Port));
    }

    [Fact]
    public void Packs_are_judged_with_the_cells_that_are_chosen()
    {
        // Four cells of 4.35 V give 17.4 V, of 4.20 V 16.8 V; the Lever stands 17 V.
        IReadOnlyList<Unfit> Packs(Chemistry chemistry) =>
            DraftReader
                .Look(
                    On(Demo.Lever, null) with
                    {
                        Pack = new Pack { Cells = 3, Chemistry = chemistry },
                    },
                    Demo.Library
                )
                .Packs;
        Assert.DoesNotContain(Packs(Chemistry.Lithium), p => p.Id == "4");
        Assert.Contains(Packs(Chemistry.HighVoltage), p => p.Id == "4");
    }

    [Fact]
    public void A_link_that_is_not_wished_for_is_told_without_a_place()
    {
        var draft = On(Demo.Spindle, 4, "ewhurst-fix-10") with
        {
            Wishes = [new DraftWish { Device = 0, Function = "position" }],
        };
        var link = Assert.Single(DraftReader.Look(draft, Demo.Library).Wishes);
        Assert.Equal((null, null, "Ewhurst Fix 10"), (link.Priority, link.Port, link.Of));
    }

    [Fact]
    public async Task A_device_that_no_pad_can_feed_or_no_port_can_take_is_named()
    {
        var fits = await DraftReader.Fits(On(Demo.Nib, 2), Demo.Library, TestContext.Current.CancellationToken);
        var unit = fits.Devices.First(d => d.Id == "brindlow-beacon-d6");
        Assert.Equal(Severity.Stop, unit.Severity);
        Assert.Contains("No pad can power the Beacon D6.", unit.Sentence);
        var compass = fits.Devices.First(d => d.Id == "ewhurst-needle");
        Assert.Equal((Severity.Warn, "This board has no port for its compass."), (compass.Severity, compass.Sentence));
        Assert.DoesNotContain(fits.Devices, d => d.Id == "corvane-sedge-2");
    }

    [Fact]
    public void What_a_change_would_do_is_told_moves_falls_and_stops()
    {
        var hare = Demo.NorthFaceHare with { Pins = [new RouteMatch { Link = "position", Port = "U4" }] };
        var was = new FitReader(hare.Resolve());
        var burnt = ChangePreview.Of(was, new FitReader(BuildEdits.WithBoard(hare, Demo.Mote).Resolve()));
        Assert.Contains(burnt.Stops, s => s.StartsWith("Mote F1 needs 4.5–5.5 V", StringComparison.Ordinal));
        Assert.Equal(3, burnt.Before.Carried);
        Assert.True(burnt.After.Carried < 3);
        Assert.Contains("UART4", Assert.Single(burnt.Falls));
        var moved = ChangePreview.Of(was, new FitReader(BuildEdits.WithBoard(hare, Demo.Spindle).Resolve()));
        Assert.Empty(moved.Stops);
        Assert.NotEmpty(moved.Moved);
        var same = ChangePreview.Of(was, was);
        Assert.Equal((0, 0), (same.Moved.Count, same.Falls.Count));
    }

    [Fact]
    public async Task A_kind_that_the_build_lacks_is_tried_part_by_part()
    {
        var lines = new List<SweepLine>();
        await foreach (
            var line in SweepReader.Additions(
                Demo.HaulRoadHeron,
                DeviceKind.Gnss,
                Demo.Library,
                TestContext.Current.CancellationToken
            )
        )
        {
            lines.Add(line);
        }
        Assert.Equal(
            Demo.Library.Devices.Where(d => d.Kind == DeviceKind.Gnss).Select(d => d.Id),
            lines.Select(l => l.Part)
        );
        Assert.All(lines, l => Assert.False(l.Now));
        Assert.All(lines, l => Assert.True(l.Places.Count > Demo.HaulRoadHeron.Wants.Count));
    }

    [Fact]
    public void Open_findings_are_counted_at_the_step_where_they_are_mended()
    {
        // Its board takes 5 V and gets two cells; the rest are warnings about links.
        var open = SheetOf(Demo.WeighbridgeWren with { InputVolts = null }).Open;
        Assert.Equal(1, open.Parts);
        Assert.Equal("INPUT", open.OfParts.First(f => f.Severity == Severity.Stop).Rule);
        var hare = SheetOf(Demo.NorthFaceHare);
        Assert.Equal((0, 0), (hare.Open.Parts, hare.Open.Fit));
        Assert.Empty(hare.Open.OfParts);
    }

    [Fact]
    public void Every_pad_that_a_wire_touches_is_on_the_face_with_its_link_and_lead()
    {
        Assert.All(
            Demo.Builds,
            build =>
            {
                var sheet = SheetOf(build);
                var face = sheet.Face.Pads.Select(p => p.Id).ToHashSet();
                Assert.All(sheet.Pads, p => Assert.Contains(p.Pad, face));
                Assert.All(
                    sheet.Links.Where(l => l.Port is not null && l.Inside is null),
                    l => Assert.Contains(sheet.Pads, p => p.Link == l.Id)
                );
            }
        );
        var hare = SheetOf(Demo.NorthFaceHare);
        Assert.Contains(hare.Pads, p => p.Link == "control" && p.Words == "Sedge 2: TX");
    }
}
