namespace Gorvix.Core.Work.Drills;

/// <summary>An answer that can be given.</summary>
/// <param name="Id">Its id within the card.</param>
/// <param name="Words">It in words.</param>
public sealed record CardChoice(string Id, string Words);

/// <summary>A question about a board or a build, with its answer; both are read off the circuit.</summary>
/// <param name="Id">Its id within the deck; the same question has the same one.</param>
/// <param name="Hardness">How hard it is, 1 to 5.</param>
/// <param name="Question">It in words.</param>
/// <param name="Choices">What can be answered; none where a pad of the board is asked for.</param>
/// <param name="Right">Ids of the answers that are right: of choices, or of pads.</param>
/// <param name="Why">What makes them right, in sentences.</param>
public sealed record Card(
    string Id,
    int Hardness,
    string Question,
    IReadOnlyList<CardChoice> Choices,
    IReadOnlySet<string> Right,
    string Why
)
{
    /// <summary>Ids of the pads that the question is about.</summary>
    public IReadOnlyList<string> Pads { get; init; } = [];

    /// <summary>What sort of question it is: the word before the colon of its id.</summary>
    public string Sort => Id.Split(':')[0];

    /// <summary>Its choices in a drawn order where that order tells something; else as they are.</summary>
    public bool IsMixed { get; init; }
}
