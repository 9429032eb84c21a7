namespace Gorvix.Core.Files.Formats;

/// <summary>Type of drill.</summary>
public enum DrillKind
{
    /// <summary>A hidden fault is looked for.</summary>
    Fault,

    /// <summary>Links are placed by hand.</summary>
    Place,

    /// <summary>Which pad leads where, and what can go there.</summary>
    Label,

    /// <summary>Which rail feeds what, and would it live.</summary>
    Burn,
}

/// <summary>A drill on a build: with the build and its parts it says everything, and whoever has both plays the same.</summary>
public sealed record DrillOrder
{
    /// <summary>The hardest level.</summary>
    public const int MostLevel = 5;

    /// <summary>The highest seed.</summary>
    public const int MostSeed = 999_999;

    /// <summary>The most cards that a drill asks.</summary>
    public const int MostCards = 12;

    /// <summary>The longest id of a card, in characters.</summary>
    public const int MostCardId = 200;

    /// <summary>Type of drill.</summary>
    public required DrillKind Kind { get; init; }

    /// <summary>Level, from 1.</summary>
    public required int Level { get; init; }

    /// <summary>Drill code, from 0.</summary>
    public required int Seed { get; init; }

    /// <summary>The questions; empty to draw them from the code.</summary>
    public IReadOnlyList<string> Cards { get; init; } = [];

    /// <summary>Checksum of what was drawn: shows whether another version would draw something else. Null until drawn.</summary>
    public string? Mark { get; init; }

    /// <summary>What stands against an order by itself, each with its member; empty where nothing does.</summary>
    public IEnumerable<(string Member, string Problem)> Against()
    {
        if (Level is < 1 or > MostLevel)
        {
            yield return ("level", Sentences.ItMustBe1To(MostLevel));
        }
        if (Seed is < 0 or > MostSeed)
        {
            yield return ("seed", Sentences.ItMustBe0To(MostSeed));
        }
        if (Cards.Count > MostCards)
        {
            yield return ("cards", Sentences.NoMoreThanCardsAllowed(MostCards));
        }
        if (Cards.Any(c => c.Length is 0 or > MostCardId))
        {
            yield return ("cards", Sentences.EachCardIdMustHave(MostCardId));
        }
        if (Mark is { Length: > 64 })
        {
            yield return ("mark", Sentences.ItMustHaveNoMore);
        }
    }
}
