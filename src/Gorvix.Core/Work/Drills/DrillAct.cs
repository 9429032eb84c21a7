namespace Gorvix.Core.Work.Drills;

/// <summary>What somebody does in a drill.</summary>
public enum ActKind
{
    /// <summary>Does a test for a fault.</summary>
    Test,

    /// <summary>Says what the fault is.</summary>
    Name,

    /// <summary>Puts a link on a port; on none to leave it out.</summary>
    Put,

    /// <summary>Answers a question.</summary>
    Answer,

    /// <summary>Has placed everything.</summary>
    Done,

    /// <summary>Gives up.</summary>
    GiveUp,
}

/// <summary>One thing that somebody does in a drill.</summary>
/// <param name="Kind">What he does.</param>
/// <param name="On">Id of the test, fault, link or card that it is about; empty where it is about none.</param>
/// <param name="Value">Id of the port or answer; empty for none.</param>
/// <param name="Seconds">How long he thought, in seconds.</param>
public sealed record DrillAct(ActKind Kind, string On = "", string Value = "", double Seconds = 0)
{
    /// <summary>The longest id, in characters.</summary>
    public const int MostId = 300;
}

/// <summary>What a drill came to.</summary>
/// <param name="Score">0 to 100.</param>
/// <param name="Minutes">Minutes of a bench that it took; null where no bench was needed.</param>
/// <param name="Best">Minutes that the best tester needs; null where no bench was needed.</param>
/// <param name="GivenUp">True when it was given up.</param>
/// <param name="Cards">How well each card of it was known, 0 to 5.</param>
public sealed record DrillResult(
    int Score,
    double? Minutes,
    double? Best,
    bool GivenUp,
    IReadOnlyList<CardResult> Cards
);

/// <summary>How well a card was known.</summary>
/// <param name="Card">Its id within its kind of drill.</param>
/// <param name="Quality">5 at once, 4 after a pause, 3 with trouble, 2 to 0 not.</param>
public sealed record CardResult(string Card, int Quality);

/// <summary>A drill: what it asks follows from the build and the order, how it stands from what was done.</summary>
public interface IDrill
{
    /// <summary>What was drawn, made unreadable.</summary>
    string Mark { get; }

    /// <summary>Why something cannot be done now, as a sentence; null where it can.</summary>
    /// <param name="done">What was done before.</param>
    /// <param name="act">What shall be done.</param>
    string? Against(IReadOnlyList<DrillAct> done, DrillAct act);

    /// <summary>How it stands.</summary>
    /// <param name="done">What was done.</param>
    DrillSheet Sheet(IReadOnlyList<DrillAct> done);
}

/// <summary>How a drill stands; of its kinds one is there.</summary>
/// <param name="Result">What it came to; null while it goes on.</param>
/// <param name="Fault">A hidden fault.</param>
/// <param name="Place">Links to place.</param>
/// <param name="Cards">Questions.</param>
public sealed record DrillSheet(
    DrillResult? Result,
    FaultDrillSheet? Fault = null,
    PlaceDrillSheet? Place = null,
    CardDrillSheet? Cards = null
);
