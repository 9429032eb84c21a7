namespace Gorvix.Core.Work.Bench;

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
            (null, Answer.Yes) => "Yes",
            (null, _) => "No",
            // At a resistor or a diode continuity is the fault, and its absence does not make it open.
            (Asks.Beep or Asks.Ohms or Asks.Diode, Answer.Yes) => "Continuity",
            (Asks.Beep, _) => "Open",
            (Asks.Ohms or Asks.Diode, _) => "No continuity",
            (Asks.Sign, Answer.Yes) => "Pass",
            (Asks.Sign, _) => "Fail",
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
