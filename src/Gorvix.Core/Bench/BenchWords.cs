namespace Gorvix.Core.Bench;

/// <summary>What answers and results are called, on screens, on paper and in files.</summary>
public static class BenchWords
{
    /// <summary>An answer at a check that asks for something.</summary>
    /// <param name="asks">What it asks for; null where an older reading does not say.</param>
    /// <param name="answer">The answer.</param>
    public static string Of(Asks? asks, Answer answer) =>
        (asks, answer) switch
        {
            (_, Answer.Unsure) => "Not sure",
            (Asks.Beep, Answer.Yes) => "Continuity",
            (Asks.Beep, _) => "Open",
            (Asks.Sign, Answer.Yes) => "Pass",
            (Asks.Sign, _) => "Fail",
            (Asks.Ohms or Asks.Diode, Answer.Yes) => "Passed",
            (Asks.Ohms or Asks.Diode, _) => "Failed",
            (_, Answer.Yes) => "As expected",
            _ => "Not as expected",
        };

    /// <summary>What a reading came to.</summary>
    public static string Of(Mark mark) =>
        mark switch
        {
            Mark.Good => "passed",
            Mark.Doubtful => "uncertain",
            _ => "failed",
        };
}
