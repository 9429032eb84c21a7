namespace Gorvix.Core.Findings;

/// <summary>How bad a finding is.</summary>
public enum Severity
{
    /// <summary>Good to know.</summary>
    Note,

    /// <summary>Works, with a loss or a risk.</summary>
    Warn,

    /// <summary>Does not work, or would do harm.</summary>
    Stop,
}

/// <summary>One verdict on a build, a part or a file. All verdicts of the product have this one type.</summary>
/// <param name="Rule">The id of the rule that speaks.</param>
/// <param name="Severity">How bad it is.</param>
/// <param name="Subject">Which link, pad, lead, rail or place in a file it is about.</param>
/// <param name="Facts">The facts it rests on, with units.</param>
/// <param name="Sentence">One plain sentence for the builder.</param>
public sealed record Finding(
    string Rule,
    Severity Severity,
    string Subject,
    IReadOnlyList<Fact> Facts,
    string Sentence
);
