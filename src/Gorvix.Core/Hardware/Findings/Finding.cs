using System.Diagnostics.CodeAnalysis;

namespace Gorvix.Core.Hardware.Findings;

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

/// <summary>One verdict on a build, a part or a file. All verdicts of the product have this one type; <see cref="Findings.Rule.Found"/> makes them.</summary>
public sealed record Finding
{
    private readonly Rule _rule;

    [SetsRequiredMembers]
    internal Finding(Rule rule, Severity severity, Subject subject, IReadOnlyList<Fact> facts) =>
        (_rule, Rule, Severity, Subject, Facts) = (rule, rule.Id, severity, subject, facts);

    /// <summary>The id of the rule that speaks.</summary>
    public required string Rule { get; init; }

    /// <summary>How bad it is.</summary>
    public required Severity Severity { get; init; }

    /// <summary>What it is about.</summary>
    public required Subject Subject { get; init; }

    /// <summary>The facts it rests on, with units.</summary>
    public required IReadOnlyList<Fact> Facts { get; init; }

    /// <summary>One plain sentence for the builder: the rule's, filled with the facts. Made when it is read.</summary>
    public required string Sentence
    {
        get => field ??= _rule.Say(Facts);
        init;
    }
}
