namespace Gorvix.Core.Hardware.Findings;

/// <summary>How far a fact of the trade can be trusted.</summary>
public enum Standing
{
    /// <summary>Published: the source can be looked up.</summary>
    Published,

    /// <summary>Common practice among builders, without a source.</summary>
    CommonPractice,

    /// <summary>Written down from memory; to be checked against a source where one exists.</summary>
    FromMemory,

    /// <summary>A rule of this product's own files and planning, not of the trade.</summary>
    OwnRule,
}

/// <summary>Where a fact comes from.</summary>
/// <param name="Standing">How far it can be trusted.</param>
/// <param name="Text">The source's title and place; empty when there is none.</param>
public sealed record SourceNote(Standing Standing, string Text = "")
{
    /// <summary>Common practice, no source.</summary>
    public static readonly SourceNote Practice = new(Standing.CommonPractice);

    /// <summary>From memory.</summary>
    public static readonly SourceNote Memory = new(Standing.FromMemory);

    /// <summary>A rule of the product's own.</summary>
    public static readonly SourceNote Own = new(Standing.OwnRule);

    /// <summary>A published source.</summary>
    /// <param name="text">Title and place, so that a reader can find it.</param>
    public static SourceNote Published(string text) => new(Standing.Published, text);

    /// <summary>The note as it is printed beside a rule.</summary>
    public override string ToString() =>
        (Standing, Text) switch
        {
            (Standing.Published, _) => Text,
            (Standing.CommonPractice, "") => Sentences.CommonPractice,
            (Standing.FromMemory, "") => Sentences.FromMemory,
            (Standing.OwnRule, "") => Sentences.GorvixsOwnRule,
            (Standing.CommonPractice, _) => Sentences.CommonPracticeWith(Text),
            (Standing.FromMemory, _) => Sentences.FromMemoryWith(Text),
            _ => Text,
        };
}
