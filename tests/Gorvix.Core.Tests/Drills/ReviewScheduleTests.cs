using Gorvix.Core.Work.Drills;

namespace Gorvix.Core.Tests.Drills;

/// <summary>The schedule against its publication (P. A. Woźniak, 1990: SM-2), the dice against theirs (Steele, Lea and Flood, 2014).</summary>
public class ReviewScheduleTests
{
    private static readonly DateOnly Day = new(2026, 11, 27);

    [Theory]
    // EF' = EF + (0.1 - (5 - q)(0.08 + (5 - q) 0.02)), the formula of the publication worked out for each quality.
    [InlineData(5, 2.6)]
    [InlineData(4, 2.5)]
    [InlineData(3, 2.36)]
    public void The_ease_changes_as_the_publication_says(int quality, double ease) =>
        Assert.Equal(ease, ReviewSchedule.After(null, quality, Day).Ease, 9);

    [Fact]
    public void What_is_known_at_once_comes_back_after_1_then_6_days_then_by_its_ease_rounded_up()
    {
        var days = new List<int>();
        ReviewSchedule? card = null;
        for (var i = 0; i < 5; i++)
        {
            card = ReviewSchedule.After(card, 5, card?.Due ?? Day);
            days.Add(card.Days);
        }
        // 6 x 2.7 = 16.2, 17 x 2.8 = 47.6, 48 x 2.9 = 139.2.
        Assert.Equal([1, 6, 17, 48, 140], days);
    }

    [Fact]
    public void A_card_is_asked_on_its_day_and_not_before()
    {
        foreach (var quality in new[] { 4, 5 })
        {
            var card = ReviewSchedule.After(null, quality, Day);
            Assert.Equal(
                (false, true, true),
                (card.IsDue(Day), card.IsDue(Day.AddDays(1)), card.IsDue(Day.AddDays(2)))
            );
        }
    }

    [Fact]
    public void What_was_not_known_begins_anew_and_keeps_its_ease()
    {
        var known = ReviewSchedule.After(ReviewSchedule.After(null, 5, Day), 5, Day.AddDays(1));
        var lost = ReviewSchedule.After(known, 1, known.Due);
        Assert.Equal((known.Ease, 1, 0), (lost.Ease, lost.Days, lost.Row));
        Assert.True(lost.IsDue(lost.Asked));
        Assert.Equal(6, ReviewSchedule.After(ReviewSchedule.After(lost, 5, lost.Due), 5, lost.Due.AddDays(1)).Days);
    }

    [Fact]
    public void The_ease_never_falls_below_1_3()
    {
        ReviewSchedule? card = null;
        for (var i = 0; i < 20; i++)
        {
            card = ReviewSchedule.After(card, 3, card?.Due ?? Day);
        }
        Assert.Equal(1.3, card!.Ease, 9);
        Assert.InRange(card.Days, 7, 3650);
    }

    [Fact]
    public void What_was_known_badly_is_asked_again_on_its_day_until_it_is_known_well_and_the_schedule_counts_once()
    {
        var first = ReviewSchedule.After(null, 3, Day);
        Assert.True(first.IsDue(Day));
        var second = ReviewSchedule.After(first, 3, Day);
        Assert.True(second.IsDue(Day));
        var third = ReviewSchedule.After(second, 4, Day);
        Assert.False(third.IsDue(Day));
        Assert.Equal((first.Ease, first.Days, first.Due), (third.Ease, third.Days, third.Due));
        // Asked for fun before it is due: nothing changes.
        Assert.Equal(third, ReviewSchedule.After(third, 0, Day) with { Again = third.Again });
    }

    [Theory]
    [InlineData(-1)]
    [InlineData(6)]
    public void A_quality_is_0_to_5(int quality) =>
        Assert.Throws<ArgumentOutOfRangeException>(() => ReviewSchedule.After(null, quality, Day));

    [Theory]
    [InlineData(true, 12, 5)]
    [InlineData(true, 12.1, 4)]
    [InlineData(true, 40, 4)]
    [InlineData(true, 40.1, 3)]
    [InlineData(false, 1, 1)]
    public void An_answer_is_as_good_as_it_is_right_and_quick(bool isRight, double seconds, int quality) =>
        Assert.Equal(quality, ReviewSchedule.QualityOf(isRight, seconds));

    [Theory]
    [InlineData(90, 5)]
    [InlineData(89, 4)]
    [InlineData(70, 4)]
    [InlineData(69, 3)]
    [InlineData(50, 3)]
    [InlineData(49, 2)]
    [InlineData(25, 2)]
    [InlineData(24, 1)]
    public void A_task_is_as_good_as_its_score(int score, int quality) =>
        Assert.Equal(quality, ReviewSchedule.QualityOf(score));

    [Fact]
    public void Drills_grow_harder_as_one_gets_better_and_easier_again()
    {
        Assert.Equal(1, DifficultyLevel.After([]));
        Assert.Equal(2, DifficultyLevel.After([(1, 80)]));
        Assert.Equal(2, DifficultyLevel.After([(1, 95), (2, 79)]));
        Assert.Equal(2, DifficultyLevel.After([(1, 95), (2, 40)]));
        Assert.Equal(1, DifficultyLevel.After([(1, 95), (2, 39)]));
        Assert.Equal(5, DifficultyLevel.After([(5, 100)]));
        Assert.Equal(1, DifficultyLevel.After([(1, 0)]));
        // One that is easier than one's level and well done takes nobody down, a hard one that failed not below the one before it.
        Assert.Equal(4, DifficultyLevel.After([(3, 90), (1, 90)]));
        Assert.Equal(3, DifficultyLevel.After([(2, 90), (5, 0)]));
    }

    [Fact]
    public void The_dice_fall_as_published()
    {
        // The reference values of SplitMix64 for the seeds 1234567 and 0 (from memory, as they are repeated in many libraries' tests).
        var dice = new SeededRandom(1234567);
        Assert.Equal(
            [6457827717110365317UL, 3203168211198807973UL, 9817491932198370423UL],
            [dice.Next(), dice.Next(), dice.Next()]
        );
        Assert.Equal(0xE220A8397B1DCDAFUL, new SeededRandom(0).Next());
    }

    [Fact]
    public void The_dice_fall_evenly_and_within_their_bound()
    {
        var dice = new SeededRandom(7);
        var counts = new int[6];
        for (var i = 0; i < 6000; i++)
        {
            counts[dice.Below(6)]++;
        }
        Assert.All(counts, c => Assert.InRange(c, 850, 1150));
        var drawn = dice.Shuffled(Enumerable.Range(0, 50));
        Assert.NotEqual(Enumerable.Range(0, 50), drawn);
        Assert.Equal(Enumerable.Range(0, 50), drawn.Order());
    }
}
