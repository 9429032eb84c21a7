namespace Gorvix.Core.Work.Faults;

/// <summary>A search for a fault, as it is kept: what the builder has said. What follows from it is never kept.</summary>
public sealed record FaultCase
{
    /// <summary>The most that may be said.</summary>
    public const int MostSaid = 200;

    /// <summary>The longest id of a test, outcome or cause, in characters.</summary>
    public const int MostId = 300;

    /// <summary>True when there is more of it, or a longer id in it, than is kept.</summary>
    public bool IsTooMuch() =>
        Said.Count > MostSaid
        || Cannot.Count > MostSaid
        || Refuted.Count > MostSaid
        || Said.SelectMany(o => new[] { o.Test, o.Outcome }).Concat(Cannot).Concat(Refuted).Any(i => i.Length > MostId);

    /// <summary>What was seen, the first first; taking back the last is a step back.</summary>
    public IReadOnlyList<Observation> Said { get; init; } = [];

    /// <summary>Ids of tests that the builder cannot do.</summary>
    public IReadOnlyList<string> Cannot { get; init; } = [];

    /// <summary>Ids of causes that were looked for and were not there.</summary>
    public IReadOnlyList<string> Refuted { get; init; } = [];

    /// <summary>True when what the bench has read in these hours counts.</summary>
    public bool UsesBench { get; init; } = true;
}
