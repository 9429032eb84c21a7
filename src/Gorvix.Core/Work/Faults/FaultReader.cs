using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Wired.Settings;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Work.FaultModel;

namespace Gorvix.Core.Work.Faults;

/// <summary>Something that was seen.</summary>
/// <param name="Test">Id of the test.</param>
/// <param name="Outcome">Id of the outcome.</param>
/// <param name="Title">What it is about.</param>
/// <param name="Words">What was seen.</param>
/// <param name="IsSound">True where a sound craft shows the same.</param>
/// <param name="On">When the bench read it, UTC; null where the builder said so here.</param>
public sealed record SeenLine(string Test, string Outcome, string Title, string Words, bool IsSound, DateTime? On);

/// <summary>A cause that is left.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Words">It in words; several where no test tells them apart.</param>
/// <param name="Share">How likely it is beside the others, 0 to 1.</param>
/// <param name="Explains">What it explains, each as a sentence.</param>
/// <param name="Against">What speaks against it, each as a sentence.</param>
/// <param name="Kinds">What kind of thing it is, for each of its faults.</param>
/// <param name="Places">Where it sits.</param>
/// <param name="Pads">Ids of the pads to look at.</param>
/// <param name="Cure">How it is mended, fault by fault.</param>
/// <param name="Proof">Id of the test that proves the cure; null where none does.</param>
/// <param name="Harms">True when feeding it destroys something.</param>
public sealed record CauseLine(
    string Id,
    IReadOnlyList<string> Words,
    double Share,
    IReadOnlyList<string> Explains,
    IReadOnlyList<string> Against,
    IReadOnlyList<FaultKind> Kinds,
    IReadOnlyList<FaultPlace> Places,
    IReadOnlyList<string> Pads,
    IReadOnlyList<Cure> Cure,
    string? Proof,
    bool Harms
);

/// <summary>An outcome of a test with the causes that lead to it.</summary>
/// <param name="Outcome">Id of the outcome; empty where it cannot be told.</param>
/// <param name="Words">It in words.</param>
/// <param name="Share">How likely it is.</param>
/// <param name="Causes">Ids of the causes, the likeliest first.</param>
public sealed record OutcomeLine(string Outcome, string Words, double Share, IReadOnlyList<string> Causes);

/// <summary>A test that could be next.</summary>
/// <param name="Test">The test.</param>
/// <param name="Bits">What it tells on the average, in bits.</param>
/// <param name="NotYet">Why it waits, as a sentence; null where it need not.</param>
/// <param name="Expects">What each cause leads to, the likeliest outcome first.</param>
public sealed record NextTest(FaultTest Test, double Bits, string? NotYet, IReadOnlyList<OutcomeLine> Expects);

/// <summary>Where the search for a fault stands.</summary>
/// <param name="State">How it stands.</param>
/// <param name="Verdict">It as a sentence.</param>
/// <param name="Signs">What can be said to begin with.</param>
/// <param name="Seen">What was seen.</param>
/// <param name="Causes">The causes that count, the likeliest first.</param>
/// <param name="Others">How many more are left that hardly count.</param>
/// <param name="Next">The tests, the best first.</param>
/// <param name="Rest">What the signs show that nobody has spoken of, where all else is as it should be: those that some cause leaves sound.</param>
/// <param name="Doubted">What may be wrong, by the place among what was seen: without it one fault explains everything.</param>
public sealed record FaultSheet(
    SearchState State,
    string Verdict,
    IReadOnlyList<FaultTest> Signs,
    IReadOnlyList<SeenLine> Seen,
    IReadOnlyList<CauseLine> Causes,
    int Others,
    IReadOnlyList<NextTest> Next,
    IReadOnlyList<Observation> Rest,
    IReadOnlyList<int> Doubted
);

/// <summary>Puts a search into words.</summary>
public sealed class FaultReader
{
    // More are a list that nobody reads; the rest is found by typing.
    private const int MostCauses = 12;
    private const int MostNext = 40;

    private readonly FaultTable _table;
    private readonly CureGround _cures;

    /// <summary>Reads for a build.</summary>
    /// <param name="table">Its faults and tests.</param>
    /// <param name="wired">As it is meant.</param>
    /// <param name="settings">Its settings.</param>
    public FaultReader(FaultTable table, WiredBuild wired, SettingsSheet settings) =>
        (_table, _cures) = (table, new CureGround(wired, settings));

    /// <summary>The search as a sheet.</summary>
    /// <param name="search">The search.</param>
    /// <param name="bench">What the bench has read in these hours; it comes before what the builder says.</param>
    /// <param name="said">What the builder says.</param>
    /// <param name="cannot">Ids of tests that he cannot do.</param>
    /// <param name="refuted">Ids of causes that were not there.</param>
    /// <param name="stop">Tells that nobody waits for it any more.</param>
    public FaultSheet Of(
        Search search,
        IReadOnlyList<BenchSeen> bench,
        IReadOnlyList<Observation> said,
        IReadOnlySet<string> cannot,
        IReadOnlySet<string> refuted,
        CancellationToken stop = default
    )
    {
        // What the builder says of a test counts, not what the bench read of it before.
        var own = said.Select(o => o.Test).ToHashSet();
        List<(Observation Seen, DateTime? At)> all =
        [
            .. bench.Where(b => !own.Contains(b.Seen.Test)).Select(b => (b.Seen, (DateTime?)b.At)),
            .. said.Select(o => (o, (DateTime?)null)),
        ];
        var standing = search.Look([.. all.Select(s => s.Seen)], cannot, refuted, stop);
        var seen = all.Select(s => Line(s.Seen, s.At)).ToList();
        return new FaultSheet(
            standing.State,
            Verdict(standing),
            [.. _table.Tests.Where(t => t.IsSign)],
            seen,
            [.. standing.Causes.Take(MostCauses).Select(c => Line(c, seen))],
            standing.Others + Math.Max(0, standing.Causes.Count - MostCauses),
            [.. standing.Tests.Take(MostNext).Select(t => Line(t, standing.Causes))],
            [.. Rest(standing, all.Select(s => s.Seen.Test).ToHashSet())],
            standing.Doubted
        );
    }

    // Only causes that nothing speaks against say what may be sound: a slip that is thought of is none.
    private IEnumerable<Observation> Rest(Standing standing, HashSet<string> told)
    {
        var least = standing.Causes.Select(c => c.Against.Count).DefaultIfEmpty().Min();
        var causes = standing.Causes.Where(c => c.Against.Count == least).ToList();
        return from test in _table.Tests.Index()
            where test.Item.IsSign && !told.Contains(test.Item.Id)
            let sound = test.Item.Outcomes.First(o => o.IsSound).Id
            let at = _table.OutcomeOf(test.Index, sound)
            where causes.Exists(c => c.Shows[test.Index] == at) && causes.Exists(c => c.Shows[test.Index] != at)
            select new Observation(test.Item.Id, sound);
    }

    private static string Verdict(Standing standing) =>
        standing.State switch
        {
            SearchState.Open => Sentences.EnterWhatYouSee,
            SearchState.Sound => Sentences.EverythingSeenIsAsExpected,
            SearchState.Unexplained => standing.Doubted.Count > 0
                ? Sentences.NoSingleFaultOrPair
                : Sentences.NoSingleFaultOrPairExplains,
            SearchState.Found when standing.Causes[0].Faults.Count > 1 => Sentences.CausesRemainNoTestCan(
                standing.Causes[0].Faults.Count
            ),
            SearchState.Found => $"{Phrase.Upper(Told(standing.Causes[0].Faults[0]))}.",
            _ when standing.ArePairs => Sentences.NoSingleFaultExplainsThis,
            _ => Sentences.CausesRemain(standing.Causes.Count),
        };

    /// <summary>A cause in words; how many no test tells from it.</summary>
    public static string Told(Cause cause) =>
        Phrase.Upper(Told(cause.Faults[0]))
        + (cause.Faults.Count > 1 ? Sentences.OrMoreThatNoTest(cause.Faults.Count - 1) : "");

    /// <summary>How a fault is mended, in sentences.</summary>
    public IReadOnlyList<string> CureOf(PlantedFault fault) => fault.Cure(_cures).Steps;

    private static string Told(IReadOnlyList<PlantedFault> faults) =>
        faults.Count == 0 ? Sentences.NoFault : string.Join(", and ", faults.Select(f => f.Words));

    private SeenLine Line(Observation seen, DateTime? at)
    {
        var test = _table.IndexOf(seen.Test) is { } i ? _table.Tests[i] : null;
        var outcome =
            test is null ? null
            : seen.Outcome == Outcome.NotSound ? new Outcome(seen.Outcome, Sentences.NotAsExpected, false)
            : _table.Outcomes(_table.IndexOf(seen.Test)!.Value).FirstOrDefault(o => o.Id == seen.Outcome);
        return new SeenLine(
            seen.Test,
            seen.Outcome,
            test?.Title ?? seen.Test,
            outcome?.Words ?? Sentences.FromEarlierWiringNoLonger,
            outcome?.IsSound ?? true,
            at
        );
    }

    private CauseLine Line(Cause cause, List<SeenLine> seen)
    {
        var first = cause.Faults[0];
        string Sentence(int at) => $"{seen[at].Title}: {seen[at].Words}.";
        return new CauseLine(
            cause.Id,
            [.. cause.Faults.Select(f => Phrase.Upper(Told(f)))],
            Math.Round(cause.Share, 4),
            // What a sound craft shows too is no reason.
            [.. cause.Explains.Where(i => !seen[i].IsSound).Select(Sentence)],
            [.. cause.Against.Select(Sentence)],
            [.. first.Select(f => f.Kind)],
            [.. first.Select(f => f.Place)],
            [.. cause.Faults.SelectMany(f => f).SelectMany(f => f.Place.Pads ?? []).Distinct()],
            [.. first.Select(f => f.Cure(_cures))],
            ProofOf(cause),
            cause.Harms
        );
    }

    // A sign that is off and must be right again; else the cheapest test that shows it.
    private string? ProofOf(Cause cause) =>
        _table
            .Tests.Index()
            .Where(t => cause.Shows[t.Index] >= 0 && !_table.Outcomes(t.Index)[cause.Shows[t.Index]].IsSound)
            .OrderBy(t => !t.Item.IsSign)
            .ThenBy(t => t.Item.Minutes)
            .Select(t => t.Item.Id)
            .FirstOrDefault();

    private NextTest Line(WorthTest worth, IReadOnlyList<Cause> causes)
    {
        var test = _table.Tests[worth.Test];
        return new NextTest(
            test,
            Math.Round(worth.Bits, 3),
            worth.NotYet ? Sentences.NotYetOneOfThe : null,
            [
                .. causes
                    .GroupBy(c => c.Shows[worth.Test])
                    .Select(g => new OutcomeLine(
                        g.Key < 0 ? "" : _table.Outcomes(worth.Test)[g.Key].Id,
                        g.Key < 0 ? "inconclusive" : _table.Outcomes(worth.Test)[g.Key].Words,
                        Math.Round(g.Sum(c => c.Share), 4),
                        [.. g.OrderByDescending(c => c.Share).Select(c => c.Id)]
                    ))
                    .OrderByDescending(e => e.Share),
            ]
        );
    }
}
