using Gorvix.Core.Wired.Fit;
using Gorvix.Core.Wired.Settings;
using Gorvix.Core.Work.Bench;
using Gorvix.Core.Work.Log;

namespace Gorvix.Core.Tests.Bench;

/// <summary>What an answer is called must not say the opposite of what it comes to: whoever presses a button reads only its word.</summary>
public class BenchWordsTests
{
    public static TheoryData<string> Builds => [.. Demo.Builds.Select(b => b.Name)];

    [Theory]
    [MemberData(nameof(Builds))]
    public void An_answer_that_passes_by_its_word_does_not_stop_and_one_that_fails_is_not_good(string name)
    {
        var wired = new FitReader(Resolved(Demo.Builds.First(b => b.Name == name), Demo.Library)).Wired;
        var sheet = BenchReader.Of(wired, SettingsReader.Of(wired, new DateOnly(2026, 11, 26)), null);
        foreach (var check in sheet.Checks)
        {
            // Buttons and their keys stay in one place.
            Assert.Equal(check.Answers.Select(a => a.Answer).Order(), check.Answers.Select(a => a.Answer));
            foreach (var (answer, judgement) in check.Answers)
            {
                var word = check.Labels[(int)answer];
                Assert.False(
                    word is "Pass" or "Passed" or "As expected" && judgement.Mark != Mark.Good,
                    $"{check.Title}: {word} comes to {judgement.Mark}"
                );
                Assert.False(
                    word is "Fail" or "Failed" or "Not as expected" && judgement.Mark == Mark.Good,
                    $"{check.Title}: {word} comes to {judgement.Mark}"
                );
            }
        }
    }

    // A load of which no datasheet gives a current is unknown, not nothing.
    [Fact]
    public void A_current_of_which_nothing_is_known_is_not_called_0_mA()
    {
        var wired = new FitReader(Resolved(Demo.DrillShedGull, Demo.Library)).Wired;
        var sheet = BenchReader.Of(wired, SettingsReader.Of(wired, new DateOnly(2026, 11, 26)), null);
        string Expected(string check) => sheet.Checks.First(c => c.Id == check).Expected;
        Assert.Equal("current unknown; unplug it above 100 mA", Expected("power.limited"));
        Assert.Equal("every LED comes on as before, nothing gets warm within a minute", Expected("power.free"));

        // What is said beforehand is what is then judged.
        var first = sheet.Checks.First(c => c.Id == "power.limited");
        Assert.Equal(
            [Mark.Doubtful, Mark.Good, Mark.Good, Mark.Doubtful, Mark.Doubtful, Mark.Stop],
            new[] { 0, 0.01, 0.09, 0.11, 0.94, 0.96 }.Select(a => first.Judge(a, null)!.Mark)
        );
        Assert.DoesNotContain("omputed", first.Judge(0.05, null)!.Words);
        Assert.Contains("Unplug it", first.Judge(0.11, null)!.Look!);
    }

    // With power off, "yes" says that the meter beeps: at a diode or a resistor that is the fault.
    [Theory]
    [InlineData(Asks.Beep, "Continuity", "Open")]
    [InlineData(Asks.Ohms, "Continuity", "No continuity")]
    [InlineData(Asks.Diode, "Continuity", "No continuity")]
    [InlineData(Asks.Sign, "Pass", "Fail")]
    [InlineData(Asks.Volts, "As expected", "Not as expected")]
    [InlineData(Asks.Amps, "As expected", "Not as expected")]
    // An older reading does not say what was asked: its answer is told as it was given, not as good or bad.
    [InlineData(null, "Yes", "No")]
    public void Answers_are_called(Asks? asks, string yes, string no)
    {
        Assert.Equal(
            (yes, no, "Not sure"),
            (BenchWords.Of(asks, Answer.Yes), BenchWords.Of(asks, Answer.No), BenchWords.Of(asks, Answer.Unsure))
        );
        var kept = new LoggedReading
        {
            Key = "k",
            Check = "c",
            Title = "T",
            Asks = asks,
            Expected = "",
            At = default,
            Answer = Answer.Yes,
            Mark = Mark.Good,
            Words = "",
        };
        Assert.Equal(yes.ToLowerInvariant(), kept.Read());
    }
}
