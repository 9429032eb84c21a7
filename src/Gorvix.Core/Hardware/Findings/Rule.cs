namespace Gorvix.Core.Hardware.Findings;

/// <summary>One named value that a verdict rests on, with its unit in the text (for example <c>lead = "TX"</c>).</summary>
/// <param name="Name">The name that the rule's sentence uses in braces.</param>
/// <param name="Value">The value as the builder reads it.</param>
public sealed record Fact(string Name, string Value);

/// <summary>
/// A rule of the trade or of the product. It has one home in code, one id that the builder sees,
/// and one sentence that is filled with the facts of each case.
/// </summary>
/// <param name="Id">Short code in capitals, shown in blocked cells; never reused for another rule.</param>
/// <param name="Title">The rule in a few words.</param>
/// <param name="Sentence">The sentence for the builder; <c>{name}</c> stands for a fact.</param>
/// <param name="Reason">Why the rule holds.</param>
/// <param name="Source">Where it comes from.</param>
public sealed record Rule(string Id, string Title, string Sentence, string Reason, SourceNote Source)
{
    /// <summary>How to mend it, in a sentence; empty where the rule's own sentence says it.</summary>
    public string Mend { get; init; } = "";

    /// <summary>What the rule says of a port in a few words, after "U3:", where several reasons stand in one line.</summary>
    public string Brief { get; init; } = "blocked";

    // The rule as it speaks of what is only looked at.
    private readonly Rule? _refusing;

    /// <summary>What it says of a place that is only looked at and refused, before anything is wired there; null where it speaks of what is.</summary>
    public string? Refusal
    {
        get => _refusing?.Sentence;
        init => _refusing = value is null ? null : new Rule(Id, Title, value, Reason, Source);
    }

    // The sentence cut at its facts: words, name, words, name, …, words. A router fills thousands of them.
    private readonly string[] _parts = Sentence.Split('{', '}');

    /// <summary>Fills the sentence with the facts of one case.</summary>
    /// <exception cref="ArgumentException">A fact that the sentence names is missing.</exception>
    public string Say(IReadOnlyList<Fact> facts)
    {
        var text = new string[_parts.Length];
        for (var i = 0; i < text.Length; i++)
        {
            text[i] = i % 2 == 0 ? _parts[i] : Value(facts, _parts[i]);
        }
        return string.Concat(text);
    }

    /// <summary>The names of the facts that the sentence needs.</summary>
    public IEnumerable<string> Names() => _parts.Where((_, i) => i % 2 == 1);

    private string Value(IReadOnlyList<Fact> facts, string name)
    {
        foreach (var fact in facts)
        {
            if (fact.Name == name)
            {
                return fact.Value;
            }
        }
        throw new ArgumentException($"Rule {Id} lacks the fact {name}.", nameof(facts));
    }

    /// <summary>A finding of this rule.</summary>
    /// <param name="severity">How bad it is.</param>
    /// <param name="subject">What it is about.</param>
    /// <param name="facts">The facts that the sentence names.</param>
    public Finding Found(Severity severity, Subject subject, params (string Name, string Value)[] facts) =>
        new(this, severity, subject, Array.ConvertAll(facts, f => new Fact(f.Name, f.Value)));

    /// <summary>A finding that refuses a place by this rule.</summary>
    /// <param name="subject">The place.</param>
    /// <param name="facts">The facts that <see cref="Refusal"/> names.</param>
    /// <exception cref="InvalidOperationException">The rule refuses no places.</exception>
    public Finding Refused(Subject subject, params (string Name, string Value)[] facts) =>
        (_refusing ?? throw new InvalidOperationException($"Rule {Id} refuses no places.")).Found(
            Severity.Stop,
            subject,
            facts
        );
}
