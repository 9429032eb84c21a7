using Gorvix.Core.Files.Formats;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Work.Faults;

namespace Gorvix.Core.Work.Drills;

/// <summary>Something that was seen in a drill.</summary>
/// <param name="Test">Id of the test.</param>
/// <param name="Title">What it is about.</param>
/// <param name="Words">What it shows.</param>
/// <param name="IsSound">True where a sound craft shows the same.</param>
/// <param name="Minutes">What it took, in minutes of a bench; 0 for what was seen at the outset.</param>
public sealed record DrillSeen(string Test, string Title, string Words, bool IsSound, double Minutes);

/// <summary>A fault that can be named.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Words">It in words.</param>
public sealed record DrillName(string Id, string Words);

/// <summary>A fault that was named.</summary>
/// <param name="Words">It in words.</param>
/// <param name="IsRight">True when it was that, or nothing could tell it from that.</param>
public sealed record DrillNamed(string Words, bool IsRight);

/// <summary>A step of a search, looked at afterwards.</summary>
/// <param name="Test">Id of the test.</param>
/// <param name="Title">The test.</param>
/// <param name="Words">What it showed.</param>
/// <param name="Minutes">What it took, in minutes of a bench.</param>
/// <param name="Possible">Causes that fitted all that was seen before it; faults that no test tells apart are one.</param>
/// <param name="RuledOut">How many of those it ruled out.</param>
/// <param name="Bits">What it could tell when it was done, in bits.</param>
/// <param name="Better">The test that would have told more a minute; null where none would.</param>
/// <param name="BetterBits">What that one could tell, in bits.</param>
/// <param name="BetterMinutes">What that one takes, in minutes.</param>
public sealed record DrillStep(
    string Test,
    string Title,
    string Words,
    double Minutes,
    int Possible,
    int RuledOut,
    double Bits,
    string? Better,
    double BetterBits,
    double BetterMinutes
);

/// <summary>What there is to learn from a search.</summary>
/// <param name="Faults">What it was; several where no test tells them apart.</param>
/// <param name="Cure">How it is mended.</param>
/// <param name="Pads">Ids of the pads to look at.</param>
/// <param name="Yours">The steps that were done.</param>
/// <param name="Best">The steps of the best tester.</param>
public sealed record FaultDebrief(
    IReadOnlyList<string> Faults,
    IReadOnlyList<string> Cure,
    IReadOnlyList<string> Pads,
    IReadOnlyList<DrillStep> Yours,
    IReadOnlyList<DrillStep> Best
);

/// <summary>A search for a hidden fault.</summary>
/// <param name="Minutes">Minutes of a bench that have gone by.</param>
/// <param name="Seen">What was seen, the first first.</param>
/// <param name="Tests">What can be done.</param>
/// <param name="Names">What it can be called.</param>
/// <param name="Named">What it was called so far.</param>
/// <param name="Left">What is still possible, the likeliest first; empty where the level does not tell.</param>
/// <param name="IsBurnt">True when a test has fed what does not stand it.</param>
/// <param name="Debrief">What there is to learn; null while it goes on.</param>
public sealed record FaultDrillSheet(
    double Minutes,
    IReadOnlyList<DrillSeen> Seen,
    IReadOnlyList<FaultTest> Tests,
    IReadOnlyList<DrillName> Names,
    IReadOnlyList<DrillNamed> Named,
    IReadOnlyList<string> Left,
    bool IsBurnt,
    FaultDebrief? Debrief
);

/// <summary>
/// A hidden fault that is looked for with the tests of Faults. It is turned round: the same table says what each test shows, and the same
/// search walks the best way, which the score is measured by.
/// </summary>
public sealed class FaultDrill : IDrill
{
    /// <summary>What it takes to say what it is, in minutes of a bench (our own choice).</summary>
    public const double NameMinutes = 1;

    /// <summary>What it takes to mend what was not broken, in minutes of a bench (our own choice).</summary>
    public const double VainMinutes = 10;

    /// <summary>What it takes to replace what was burnt, in minutes of a bench: as much as the search fears it.</summary>
    public const double HarmMinutes = Search.HarmMinutes;

    // At these levels everything that is seen at a glance is told, and what it can be.
    private const int ToldUpTo = 2;
    private const int MostLeft = 8;

    // So many are looked at for one of the right hardness.
    private const int MostDrawn = 15;

    private readonly FaultTable _table;
    private readonly FaultReader _words;
    private readonly DrillOrder _order;
    private readonly Suspect _hidden;
    private readonly BestWay _best;

    private FaultDrill(FaultTable table, FaultReader words, DrillOrder order, BestWay best, string mark) =>
        (_table, _words, _order, _hidden, _best, Mark) = (table, words, order, best.Hidden, best, mark);

    /// <summary>Draws a fault; null where the build has none of what is asked.</summary>
    /// <param name="table">The faults of the build.</param>
    /// <param name="words">Puts them into words.</param>
    /// <param name="order">Its cards are kinds of faults.</param>
    public static FaultDrill? Of(FaultTable table, FaultReader words, DrillOrder order)
    {
        var random = new SeededRandom((ulong)order.Seed);
        // Each by a number of its own, so that one fault more or less of a later version changes little.
        var drawn = table
            .Singles.Where(s => Shows(table, s) && Is(s, order.Cards))
            .OrderBy(s => Cards.DiceOf($"{order.Seed}/{s.Id}").Next())
            .Take(MostDrawn)
            .Select(s => BestWay.To(table, s, isTold: order.Level <= ToldUpTo))
            .Where(w => w.IsRight)
            .OrderBy(w => w.Minutes)
            .ThenBy(w => w.Hidden.Id, StringComparer.Ordinal)
            .ToList();
        if (drawn.Count == 0)
        {
            return null;
        }
        // What takes the best tester longest is hardest: each level takes its fifth.
        var from = drawn.Count * (order.Level - 1) / DrillOrder.MostLevel;
        var upTo = Math.Max(from + 1, drawn.Count * order.Level / DrillOrder.MostLevel);
        // What it was drawn from, not what was drawn: whoever holds all faults against the mark learns nothing.
        var mark = Marks.Of(string.Join('|', drawn.Select(d => d.Hidden.Id)));
        return new FaultDrill(table, words, order, drawn[from + random.Below(upTo - from)], mark);
    }

    /// <inheritdoc/>
    public string Mark { get; }

    /// <summary>The hidden fault.</summary>
    internal string Hidden => _hidden.Id;

    /// <inheritdoc/>
    public string? Against(IReadOnlyList<DrillAct> done, DrillAct act) =>
        done.Any(Ends)
            ? Sentences.ThisDrillIsOverStart
            : act.Kind switch
            {
                ActKind.Test when _table.IndexOf(act.On) is not { } test => Sentences.ThatTestIsNotIn,
                ActKind.Test when done.Any(d => d.Kind == ActKind.Test && d.On == act.On) =>
                    Sentences.ThatTestIsAlreadyDone,
                ActKind.Name when _table.Singles.All(s => s.Id != act.On) => Sentences.ThatFaultIsNotIn,
                ActKind.Name when done.Any(d => d.Kind == ActKind.Name && d.On == act.On) =>
                    Sentences.YouAlreadyNamedThatFault,
                ActKind.Test or ActKind.Name or ActKind.GiveUp => null,
                _ => Sentences.RunATestOrName,
            };

    /// <inheritdoc/>
    public DrillSheet Sheet(IReadOnlyList<DrillAct> done)
    {
        var seen = _best.Start.Select(o => Line(o, 0)).ToList();
        var observed = _best.Start.ToList();
        var named = new List<DrillNamed>();
        var (minutes, burnt) = (0.0, false);
        foreach (var act in done)
        {
            if (act.Kind == ActKind.Test && _table.IndexOf(act.On) is { } test)
            {
                var took = _table.Tests[test].Minutes;
                if (_table.Tests[test].IsPowered && _hidden.Harms && !burnt)
                {
                    (burnt, took) = (true, took + HarmMinutes);
                }
                minutes += took;
                if (Shown(test) is { } shown)
                {
                    observed.Add(new Observation(act.On, shown));
                    seen.Add(Line(observed[^1], took));
                }
                else
                {
                    seen.Add(new DrillSeen(act.On, _table.Tests[test].Title, "inconclusive", true, took));
                }
            }
            else if (act.Kind == ActKind.Name && _table.Singles.FirstOrDefault(s => s.Id == act.On) is { } suspect)
            {
                var right = IsSame(suspect);
                minutes += right ? NameMinutes : NameMinutes + VainMinutes;
                named.Add(new DrillNamed(Told(suspect), right));
            }
        }
        var ended = done.Any(Ends);
        return new DrillSheet(
            ended ? ResultOf(minutes, named.Exists(n => n.IsRight), named.Count) : null,
            new FaultDrillSheet(
                Math.Round(minutes, 2),
                seen,
                _table.Tests,
                [.. _table.Singles.Where(s => s.Faults.Count > 0).Select(s => new DrillName(s.Id, Told(s)))],
                named,
                ended || _order.Level > ToldUpTo ? [] : Left(observed),
                burnt,
                ended ? DebriefOf(done) : null
            )
        );
    }

    private bool Ends(DrillAct act) =>
        act.Kind == ActKind.GiveUp
        || (act.Kind == ActKind.Name && _table.Singles.Any(s => s.Id == act.On && IsSame(s)));

    // What no test tells from it is it.
    private bool IsSame(Suspect suspect) => suspect.Shows.AsSpan().SequenceEqual(_hidden.Shows);

    private DrillResult ResultOf(double minutes, bool found, int named)
    {
        var best = _best.Minutes + NameMinutes;
        var score = !found ? 0 : Math.Max(5, (int)Math.Round(100 * Math.Min(1, best / minutes)));
        return new DrillResult(
            score,
            Math.Round(minutes, 2),
            Math.Round(best, 2),
            !found,
            [new CardResult($"{_hidden.Faults[0].Kind}", named == 0 && !found ? 0 : ReviewSchedule.QualityOf(score))]
        );
    }

    private List<string> Left(List<Observation> observed)
    {
        var standing = new Search(_table).Look(observed);
        return [.. standing.Causes.Take(MostLeft).Select(FaultReader.Told)];
    }

    private FaultDebrief DebriefOf(IReadOnlyList<DrillAct> done)
    {
        var same = _table.Singles.Where(IsSame).ToList();
        return new FaultDebrief(
            [.. same.Select(Told)],
            [.. _words.CureOf(_hidden.Faults[0])],
            [.. same.SelectMany(s => s.Faults).SelectMany(f => f.Place.Pads ?? []).Distinct()],
            Steps(done.Where(d => d.Kind == ActKind.Test).Select(d => _table.IndexOf(d.On)).OfType<int>()),
            Steps(_best.Steps)
        );
    }

    private List<DrillStep> Steps(IEnumerable<int> tests)
    {
        var seen = _best.Start.ToList();
        var cannot = new HashSet<string>();
        var list = new List<DrillStep>();
        var possible = Possible(seen);
        foreach (var at in tests)
        {
            var test = _table.Tests[at];
            var standing = new Search(_table).Look(seen, cannot);
            var (here, best) = (
                standing.Tests.FirstOrDefault(t => t.Test == at),
                standing.Tests is [var first, ..] ? first : null
            );
            var better = best is not null && best.Test != at && best.Worth > (here?.Worth ?? 0) ? best : null;
            var shown = Shown(at);
            if (shown is not null)
            {
                seen.Add(new Observation(test.Id, shown));
            }
            else
            {
                cannot.Add(test.Id);
            }
            var (before, left) = (possible, Possible(seen));
            possible = left;
            list.Add(
                new DrillStep(
                    test.Id,
                    test.Title,
                    shown is null ? "inconclusive" : _table.Outcomes(at).First(o => o.Id == shown).Words,
                    test.Minutes,
                    before,
                    before - left,
                    Math.Round(here?.Bits ?? 0, 2),
                    better is null ? null : _table.Tests[better.Test].Title,
                    Math.Round(better?.Bits ?? 0, 2),
                    better is null ? 0 : _table.Tests[better.Test].Minutes
                )
            );
        }
        return list;
    }

    // A simulated bench does not err: what shows otherwise is out. Faults that no test tells apart are one cause.
    private int Possible(List<Observation> seen)
    {
        var read = seen.Select(o => (Test: _table.IndexOf(o.Test)!.Value, o.Outcome)).ToList();
        return _table.Twins.Count(t =>
            read.TrueForAll(r => BestWay.Shown(_table, t[0], r.Test) is not { } shown || shown == r.Outcome)
        );
    }

    private static string Told(Suspect suspect) =>
        Phrase.Upper(suspect.Faults.Count == 0 ? Sentences.NoFault : suspect.Faults[0].Words);

    private DrillSeen Line(Observation seen, double minutes)
    {
        var at = _table.IndexOf(seen.Test)!.Value;
        var outcome = _table.Outcomes(at).First(o => o.Id == seen.Outcome);
        return new DrillSeen(seen.Test, _table.Tests[at].Title, outcome.Words, outcome.IsSound, minutes);
    }

    private string? Shown(int test) => BestWay.Shown(_table, _hidden, test);

    // Something must be complained of.
    private static bool Shows(FaultTable table, Suspect suspect) =>
        suspect.Faults.Count == 1 && BestWay.Off(table, suspect).Any();

    private static bool Is(Suspect suspect, IReadOnlyList<string> kinds) =>
        kinds.Count == 0 || kinds.Contains($"{suspect.Faults[0].Kind}");
}
