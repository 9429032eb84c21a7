using System.Security.Cryptography;
using System.Text;
using Gorvix.Core.Files.Formats;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Tests.Drills;
using Gorvix.Core.Work.Drills;

namespace Gorvix.Core.Tests.Seams;

/// <summary>A drill calls nothing alive that the build destroys, and gives nothing away.</summary>
public class DrillSeamTests
{
    [Fact]
    public void The_mark_of_a_fault_drill_is_the_mark_of_no_fault()
    {
        foreach (var (_, ground) in Grounds.Demos.Take(3))
        {
            var drill = (FaultDrill)ground.Drill(Grounds.Order(DrillKind.Fault, 3, 77))!;
            var ids = ground.Faults.Singles.Select(s => s.Id).ToList();
            Assert.DoesNotContain(
                drill.Mark,
                ids.Select(i => Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(i)))[..12])
            );
        }
    }

    // Boards that end at some volts: a pack that is above them destroys the board, whatever the device behind it stands.
    [Fact]
    public void With_a_pack_that_the_board_does_not_stand_no_device_behind_it_is_asked_for()
    {
        var asked = 0;
        foreach (var build in Demo.Builds.Where(b => b is { Pack: not null, InputVolts: null }))
        {
            var wired = Demo.Fit(build).Wired;
            foreach (
                var card in new BurnCards(wired).All().Where(c => c.Id.StartsWith("pack:", StringComparison.Ordinal))
            )
            {
                var cells = int.Parse(
                    card.Id[5..card.Id.IndexOf('/')],
                    System.Globalization.CultureInfo.InvariantCulture
                );
                // 4.20 V a full cell.
                Assert.True(4.2 * cells <= wired.Build.Board.Input!.Max + 0.005, $"{build.Name}: {card.Id}");
                asked++;
            }
        }
        Assert.True(asked > 10);
    }

    [Fact]
    public void No_question_about_a_rail_is_answered_by_the_label_of_its_pad()
    {
        foreach (var build in Demo.Builds)
        {
            var wired = Demo.Fit(build).Wired;
            foreach (
                var card in new BurnCards(wired).All().Where(c => c.Id.StartsWith("rail:", StringComparison.Ordinal))
            )
            {
                var pad = wired.Build.Circuit.Pads[card.Id[5..]];
                Assert.DoesNotContain(pad.Label, card.Choices.Select(c => c.Id));
            }
        }
    }

    [Fact]
    public void Nor_is_what_a_pad_connects_to()
    {
        var asked = 0;
        foreach (var build in Demo.Builds)
        {
            var fit = Demo.Fit(build);
            foreach (
                var card in new LabelCards(fit.Wired.Build, fit.Sheet())
                    .All()
                    .Where(c => c.Id.StartsWith("pad:", StringComparison.Ordinal))
            )
            {
                Assert.DoesNotContain(
                    $"{fit.Wired.Build.Circuit.Pads[card.Id[4..]].Label} rail",
                    card.Choices.Select(c => c.Id)
                );
                asked++;
            }
        }
        Assert.True(asked > 100);
    }

    /// <summary>The board's own input, by the cells: 4.20 V full and 3.30 V empty, from the part's file.</summary>
    [Fact]
    public void Whether_a_board_stands_a_pack_is_asked_of_its_own_input()
    {
        var asked = 0;
        foreach (var build in Demo.Builds.Where(b => b is { Pack.Chemistry: Chemistry.Lithium, InputVolts: null }))
        {
            var wired = Demo.Fit(build).Wired;
            var input = wired.Build.Board.Input!;
            foreach (
                var card in new BurnCards(wired).All().Where(c => c.Id.StartsWith("input:", StringComparison.Ordinal))
            )
            {
                var cells = int.Parse(card.Id[6..], System.Globalization.CultureInfo.InvariantCulture);
                var fate =
                    4.2 * cells > input.Max + 0.005 ? "burns"
                    : 3.3 * cells < input.Min - 0.005 ? "starves"
                    : "lives";
                Assert.Equal([fate], card.Right);
                asked++;
            }
        }
        Assert.True(asked > 20);
    }
}
