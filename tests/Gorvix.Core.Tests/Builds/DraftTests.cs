using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;

namespace Gorvix.Core.Tests.Builds;

/// <summary>A build in the making: what is wished for until the builder says otherwise, and what cannot be.</summary>
public class DraftTests
{
    private static readonly Draft Chosen = new()
    {
        Board = Demo.Pinion,
        Devices = ["dunmerrow-relay-16", "ewhurst-fix-20c", "brindlow-pane-k", "ewhurst-fix-10"],
        Pack = new Pack { Cells = 4 },
    };

    [Fact]
    public void Links_are_wished_for_by_need_and_a_second_one_of_a_kind_is_a_comfort()
    {
        var build = Chosen.Of(Demo.Library)!;
        Assert.Equal("Pinion F4", build.Name);
        Assert.Equal(["receiver", "gnss", "camera", "gnss-2"], build.Devices.Select(d => d.Id));
        Priority Of(string link) => build.Wants.First(w => w.Link == link).Priority;
        Assert.Equal(Priority.Required, Of("receiver-control"));
        Assert.Equal(Priority.Wanted, Of("receiver-telemetry"));
        Assert.Equal(Priority.Wanted, Of("gnss-position"));
        Assert.Equal(Priority.Optional, Of("camera-keys"));
        Assert.Equal(Priority.Optional, Of("gnss-2-position"));
        Assert.Equal(4, build.Pack!.Cells);
    }

    [Fact]
    public void The_builder_may_wish_for_more_for_less_or_not_at_all()
    {
        var build = (
            Chosen with
            {
                Name = "  Finch ",
                Wishes =
                [
                    new DraftWish
                    {
                        Device = 3,
                        Function = "position",
                        Priority = Priority.Required,
                    },
                    new DraftWish { Device = 0, Function = "telemetry" },
                    new DraftWish { Device = 0, Function = "nothing" },
                ],
            }
        ).Of(Demo.Library)!;
        Assert.Equal("Finch", build.Name);
        Assert.Equal(Priority.Required, build.Wants.First(w => w.Link == "gnss-2-position").Priority);
        Assert.Equal(Priority.Wanted, build.Wants.First(w => w.Link == "gnss-position").Priority);
        Assert.DoesNotContain(build.Wants, w => w.Link == "receiver-telemetry");
    }

    [Fact]
    public void Every_need_has_its_place_and_control_alone_is_a_must() =>
        Assert.Equal([Need.RcLink], Enum.GetValues<Need>().Where(n => Wished.For(n) == Priority.Required));

    [Fact]
    public void Without_a_board_there_is_no_build_yet() => Assert.Null((Chosen with { Board = null }).Of(Demo.Library));

    public static TheoryData<string, Draft> Wrong =>
        new()
        {
            { "draft.board names board \"nowhere\"", Chosen with { Board = "nowhere" } },
            { "draft.devices[0] names device \"nothing\"", Chosen with { Devices = ["nothing"] } },
            { "draft.devices has 41 devices", Chosen with { Devices = [.. Enumerable.Repeat("ewhurst-fix-10", 41)] } },
            { "draft.pack.cells is 15 cells", Chosen with { Pack = new Pack { Cells = 15 } } },
            { "draft.name is 121 characters long", Chosen with { Name = new string('x', 121) } },
            {
                "draft.wishes[0].device is 4, but only 4 devices are chosen",
                Chosen with
                {
                    Wishes = [new DraftWish { Device = 4, Function = "position" }],
                }
            },
            {
                "draft.wishes[0].device is 0, but only 0 devices are chosen",
                new Draft { Wishes = [new DraftWish { Device = 0, Function = "position" }] }
            },
        };

    [Theory]
    [MemberData(nameof(Wrong))]
    public void What_leads_nowhere_is_said_with_its_place(string said, Draft draft) =>
        Assert.StartsWith(said, Assert.Single(draft.Check(Demo.Library)).Sentence);

    [Fact]
    public void As_many_wishes_as_devices_can_give_are_taken_and_no_more()
    {
        Draft With(int wishes) =>
            Chosen with
            {
                Wishes = [.. Enumerable.Repeat(new DraftWish { Device = 0, Function = "x" }, wishes)],
            };
        Assert.Empty(With(Draft.MostWishes).Check(Demo.Library));
        Assert.Equal(
            "draft.wishes has 401 priorities. The limit is 400.",
            Assert.Single(With(Draft.MostWishes + 1).Check(Demo.Library)).Sentence
        );
        var before = Chosen with { Wishes = [new DraftWish { Device = -1, Function = "x" }] };
        Assert.StartsWith("draft.wishes[0].device is -1", Assert.Single(before.Check(Demo.Library)).Sentence);
    }

    [Fact]
    public void A_device_is_called_by_the_builders_name_in_every_sentence()
    {
        var change = new PartsChange
        {
            Kind = PartsChangeKind.NameDevice,
            Device = "gnss-2",
            Text = " tail GNSS ",
        };
        var build = Chosen.Of(Demo.Library)!;
        Assert.Empty(change.Check(build, Demo.Library));
        var named = change.ApplyTo(build, Demo.Library);
        Assert.Equal("Fix 10 \"tail GNSS\"", named.Resolve().Devices[3].Device.Name);
        Assert.Same(named, change.ApplyTo(named, Demo.Library));
        var back = change with { Text = " " };
        Assert.Null(back.ApplyTo(named, Demo.Library).Devices[3].Name);
        Assert.StartsWith(
            "build.devices[3].name is 121 characters long",
            Assert.Single((change with { Text = new string('x', 121) }).Check(build, Demo.Library)).Sentence
        );
    }

    [Fact]
    public void A_build_has_a_name_and_a_note_of_bounded_length()
    {
        var build = Chosen.Of(Demo.Library)!;
        PartsChange Change(PartsChangeKind kind, string? text) => new() { Kind = kind, Text = text };
        Assert.Equal("Finch", Change(PartsChangeKind.NameBuild, " Finch ").ApplyTo(build, Demo.Library).Name);
        Assert.StartsWith(
            "build.name is empty",
            Assert.Single(Change(PartsChangeKind.NameBuild, "  ").Check(build, Demo.Library)).Sentence
        );
        var noted = Change(PartsChangeKind.SetNote, "in the blue crate").ApplyTo(build, Demo.Library);
        Assert.Equal("in the blue crate", noted.Note);
        Assert.Null(Change(PartsChangeKind.SetNote, "").ApplyTo(noted, Demo.Library).Note);
        Assert.Same(build, Change(PartsChangeKind.SetNote, null).ApplyTo(build, Demo.Library));
        Assert.StartsWith(
            "build.note is 2001 characters long",
            Assert.Single(Change(PartsChangeKind.SetNote, new string('x', 2001)).Check(build, Demo.Library)).Sentence
        );
    }
}
