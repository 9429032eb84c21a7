using Gorvix.Core.Files.Formats;
using Gorvix.Core.Hardware.Findings;

namespace Gorvix.Core.Work.Drills;

/// <summary>A question of a drill.</summary>
/// <param name="Card">Id of its card.</param>
/// <param name="Question">It in words.</param>
/// <param name="Choices">What can be answered; none where a pad is to be pointed at.</param>
/// <param name="Pads">Ids of the pads that it is about.</param>
public sealed record CardAsked(
    string Card,
    string Question,
    IReadOnlyList<CardChoice> Choices,
    IReadOnlyList<string> Pads
);

/// <summary>A question that was answered.</summary>
/// <param name="Asked">The question.</param>
/// <param name="Said">What was answered, in words.</param>
/// <param name="IsRight">Whether it was right.</param>
/// <param name="Right">What is right, in words.</param>
/// <param name="RightPads">Ids of the pads that would have been right; none where choices were given.</param>
/// <param name="Why">What makes it right, in sentences.</param>
public sealed record CardAnswered(
    CardAsked Asked,
    string Said,
    bool IsRight,
    string Right,
    IReadOnlyList<string> RightPads,
    string Why
);

/// <summary>Questions in a row.</summary>
/// <param name="Count">How many there are.</param>
/// <param name="Answered">Those that were answered, the first first.</param>
/// <param name="Next">The next one; null when it has ended.</param>
public sealed record CardDrillSheet(int Count, IReadOnlyList<CardAnswered> Answered, CardAsked? Next);

/// <summary>Questions about labels and ports, or about rails and supplies.</summary>
public sealed class CardDrill : IDrill
{
    /// <summary>How many are asked, unless the order asks for more.</summary>
    public const int Count = 8;

    // So many of one sort at most, as long as there are others.
    private const int MostOfASort = 3;

    // A pause at the door bell is no trouble with the question.
    private const double MostSeconds = 600;

    private readonly IReadOnlyList<Card> _cards;
    private readonly IReadOnlyList<CardAsked> _asked;
    private readonly IReadOnlyDictionary<string, string> _pads;

    private CardDrill(IReadOnlyList<Card> cards, SeededRandom random, IReadOnlyDictionary<string, string> pads)
    {
        (_cards, _pads) = (cards, pads);
        _asked =
        [
            .. cards.Select(c => new CardAsked(
                c.Id,
                c.Question,
                c.IsMixed ? random.Shuffled(c.Choices) : c.Choices,
                c.Pads
            )),
        ];
    }

    /// <summary>Draws the questions; null where the deck has none, or not what is asked.</summary>
    /// <param name="deck">All questions of the build.</param>
    /// <param name="order">Its cards are ids of questions.</param>
    /// <param name="pads">What each pad is called, by its id.</param>
    public static CardDrill? Of(IReadOnlyList<Card> deck, DrillOrder order, IReadOnlyDictionary<string, string> pads)
    {
        var random = new SeededRandom((ulong)order.Seed);
        var by = deck.ToDictionary(c => c.Id);
        if (deck.Count == 0 || order.Cards.Any(c => !by.ContainsKey(c)))
        {
            return null;
        }
        var asked = order.Cards.Distinct().Select(c => by[c]).ToList();
        // Those of the level come first, then easier ones, then harder ones.
        var rest = random
            .Shuffled(deck.Where(c => !order.Cards.Contains(c.Id)))
            .OrderBy(c => c.Hardness > order.Level ? 10 + c.Hardness : order.Level - c.Hardness)
            .ToList();
        foreach (var most in new[] { MostOfASort, Count })
        {
            foreach (var card in rest.Where(c => !asked.Contains(c)).ToList())
            {
                if (asked.Count < Count && asked.Count(a => a.Sort == card.Sort) < most)
                {
                    asked.Add(card);
                }
            }
        }
        return new CardDrill(random.Shuffled(asked), random, pads);
    }

    /// <inheritdoc/>
    public string Mark =>
        Marks.Of(
            string.Join('|', _cards.Select(c => $"{c.Id}={string.Join(',', c.Right.Order(StringComparer.Ordinal))}"))
        );

    /// <inheritdoc/>
    public string? Against(IReadOnlyList<DrillAct> done, DrillAct act) =>
        Sheet(done) is not { Result: null, Cards.Next: { } next }
            ? Sentences.ThisDrillIsOverStart
            : act.Kind switch
            {
                ActKind.GiveUp => null,
                ActKind.Answer when act.On != next.Card => Sentences.ThatIsNotTheCurrent,
                ActKind.Answer when IsChoice(next, act.Value) => null,
                ActKind.Answer => Sentences.ThatIsNotOneOf,
                _ => Sentences.AnswerTheQuestion,
            };

    /// <inheritdoc/>
    public DrillSheet Sheet(IReadOnlyList<DrillAct> done)
    {
        var answers = done.Where(d => d.Kind == ActKind.Answer).Take(_cards.Count).ToList();
        var givenUp = done.Any(d => d.Kind == ActKind.GiveUp);
        var answered = answers.Select((a, i) => Judge(_cards[i], _asked[i], a)).ToList();
        var ended = givenUp || answered.Count == _cards.Count;
        return new DrillSheet(
            ended
                ? new DrillResult(
                    (int)Math.Round(100.0 * answered.Count(a => a.IsRight) / _cards.Count),
                    null,
                    null,
                    givenUp,
                    [
                        .. answered
                            .Zip(answers)
                            .Select(a => new CardResult(
                                a.First.Asked.Card,
                                ReviewSchedule.QualityOf(a.First.IsRight, Math.Clamp(a.Second.Seconds, 0, MostSeconds))
                            )),
                    ]
                )
                : null,
            Cards: new CardDrillSheet(_cards.Count, answered, ended ? null : _asked[answered.Count])
        );
    }

    private bool IsChoice(CardAsked asked, string value) =>
        asked.Choices.Count > 0 ? asked.Choices.Any(c => c.Id == value) : _pads.ContainsKey(value);

    private CardAnswered Judge(Card card, CardAsked asked, DrillAct act)
    {
        string Words(string id) =>
            card.Choices.Count == 0
                ? _pads.GetValueOrDefault(id, id)
                : card.Choices.FirstOrDefault(c => c.Id == id)?.Words ?? id;
        return new CardAnswered(
            asked,
            Words(act.Value),
            card.Right.Contains(act.Value),
            Phrase.Or([.. card.Right.Order(StringComparer.Ordinal).Select(Words)]),
            card.Choices.Count == 0 ? [.. card.Right.Order(StringComparer.Ordinal)] : [],
            card.Why
        );
    }
}
