using System.Collections.Concurrent;
using System.Runtime.InteropServices;
using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Work.Bench;
using Gorvix.Core.Work.FaultModel;

namespace Gorvix.Core.Work.Faults;

/// <summary>What an aircraft can be: sound, with one fault, or with several, and what each test shows then.</summary>
/// <param name="Faults">What is wrong with it; none for the sound one.</param>
/// <param name="Shows">The index of the outcome of each test, in the order of the tests; -1 where it cannot be told.</param>
/// <param name="Harms">True when feeding it destroys something that the sound one spares.</param>
internal sealed record Suspect(IReadOnlyList<PlantedFault> Faults, short[] Shows, bool Harms)
{
    /// <summary>Ids of its faults, in one order.</summary>
    public string Id { get; } = Faults.Count == 0 ? FaultTable.Sound : string.Join('+', Faults.Select(f => f.Id));
}

/// <summary>
/// Every single fault of a build against every test: made once, read at each step of a search. A row is made by the very code that the
/// simulated bench reads.
/// </summary>
public sealed class FaultTable
{
    /// <summary>Id of an aircraft that nothing is wrong with.</summary>
    public const string Sound = "sound";

    private readonly Dictionary<string, int> _at;
    private readonly Meant _meant;
    private readonly IReadOnlyList<FaultTest> _all;
    private readonly ILookup<string, string> _rails;

    // A search asks for the same pairs at each of its steps: what they were found to show is kept, as far as it was asked.
    private const int MostPairs = 3000;
    private readonly ConcurrentDictionary<(string One, string Other), PairSeen> _pairs = [];

    private FaultTable(Meant meant, IReadOnlyList<FaultTest> all, List<Suspect> singles)
    {
        (_meant, _all, Singles, _rails) = (meant, all, singles, RailsOf(meant.Wired));
        Twins = TwinsOf(singles);
        Tests = [.. all.Select((t, i) => t with { Outcomes = [.. Met(t, i, singles)] })];
        _at = Tests.Index().ToDictionary(t => t.Item.Id, t => t.Index);
    }

    /// <summary>The tests, each with the outcomes that some fault leads to.</summary>
    public IReadOnlyList<FaultTest> Tests { get; }

    /// <summary>The sound craft, and every single fault that some test notices.</summary>
    internal IReadOnlyList<Suspect> Singles { get; }

    /// <summary>The same, those together that show the same at every test.</summary>
    internal IReadOnlyList<IReadOnlyList<Suspect>> Twins { get; }

    /// <summary>Puts those together that show the same at every test.</summary>
    internal static IReadOnlyList<IReadOnlyList<Suspect>> TwinsOf(IEnumerable<Suspect> suspects) =>
        [.. suspects.GroupBy(s => s.Shows, new SameShows()).Select(g => g.ToList())];

    /// <summary>Makes the table of a build.</summary>
    /// <param name="wired">The build as it is meant.</param>
    /// <param name="sourceVolts">What its source has, in volts; null while it was not measured.</param>
    /// <param name="stop">Tells that nobody waits for it any more.</param>
    public static FaultTable Of(WiredBuild wired, double? sourceVolts = null, CancellationToken stop = default)
    {
        var build = wired.Build.Build;
        var volts = sourceVolts ?? build.InputVolts ?? (build.Pack?.Volts().Max ?? 0);
        var meant = new Meant(wired, volts);
        var sheet = BenchReader.Of(wired, meant.Settings, volts > 0 ? volts : null);
        var tests = new TestMaker(meant, sheet).All();
        Suspect RowOf(WiredBuild real, IReadOnlyList<PlantedFault> faults) =>
            Row(tests, new BenchTruth(meant, real), faults);
        var sound = RowOf(wired, []);
        var singles = new List<Suspect> { sound };
        foreach (var fault in PlantedFaults.Of(wired))
        {
            stop.ThrowIfCancellationRequested();
            var row = RowOf(wired.With(fault.Edit), [fault]);
            // What no test notices is no fault that anybody looks for.
            if (!row.Shows.AsSpan().SequenceEqual(sound.Shows))
            {
                singles.Add(row);
            }
        }
        return new FaultTable(meant, tests, singles);
    }

    /// <summary>Rails that power two devices or more whose lights are out.</summary>
    internal IReadOnlyCollection<string> RailsOfSeveral(IReadOnlyList<Search.Reading> read)
    {
        var dark = read.Where(r =>
                r.Outcome >= 0 && _all[r.Test] is { Device: not null } t && t.Outcomes[r.Outcome].Id == LookTests.Dark
            )
            .Select(r => _all[r.Test].Device!)
            .Distinct()
            .ToList();
        return dark.Count < 2
            ? []
            :
            [
                .. dark.SelectMany(d => _rails[d].Distinct())
                    .GroupBy(r => r)
                    .Where(g => g.Count() > 1)
                    .Select(g => g.Key),
            ];
    }

    // The rail at each supply lead, with the rails it comes from.
    private static ILookup<string, string> RailsOf(WiredBuild wired) =>
        (
            from lead in wired.Leads
            where lead is { Lead.Role: LeadRole.Supply, Pad: not null }
            from strand in wired.Build.Circuit.From(lead.Pad!)
            where strand.To.Kind == NodeKind.Rail && strand.Conducts(wired.Positions())
            from rail in wired.Build.Circuit.Up(wired.Build.Circuit.Rails[strand.To.Id])
            select (lead.Device, Rail: rail.Id)
        ).ToLookup(r => r.Device, r => r.Rail);

    /// <summary>The index of a test; null where there is none of that id.</summary>
    public int? IndexOf(string test) => _at.TryGetValue(test, out var at) ? at : null;

    /// <summary>The index that stands for anything but what a sound craft shows.</summary>
    internal const int NotSound = -2;

    /// <summary>Whether an aircraft that shows something agrees with what was seen; null where what it shows cannot be told.</summary>
    /// <param name="shown">Index of what it shows; negative where it cannot be told.</param>
    /// <param name="test">Index of the test.</param>
    /// <param name="outcome">Index of what was seen.</param>
    internal bool? Agrees(int shown, int test, int outcome) =>
        shown < 0 ? null
        : outcome == NotSound ? !_all[test].Outcomes[shown].IsSound
        : shown == outcome;

    /// <summary>The index of an outcome of a test; null where there is none of that id.</summary>
    internal int? OutcomeOf(int test, string outcome)
    {
        if (outcome == Outcome.NotSound)
        {
            return NotSound;
        }
        var at = IndexIn(_all[test].Outcomes, outcome);
        return at < 0 ? null : at;
    }

    /// <summary>All outcomes of a test, also those that no single fault leads to.</summary>
    internal IReadOnlyList<Outcome> Outcomes(int test) => _all[test].Outcomes;

    /// <summary>The aircraft with some faults, to look at test by test.</summary>
    /// <param name="faults">What is wrong with it; none for the sound one.</param>
    public FaultyCraft Craft(IReadOnlyList<PlantedFault> faults) => new(_all, Truth(faults));

    /// <summary>The aircraft with several faults at once.</summary>
    internal Suspect With(IReadOnlyList<PlantedFault> faults) => Row(_all, Truth(faults), faults);

    /// <summary>The aircraft with two faults at once; null where some test shows something else at it than what was seen.</summary>
    /// <param name="one">The first fault.</param>
    /// <param name="other">The second.</param>
    /// <param name="seen">Indices of tests and of the outcomes that were seen; what is dear to compute is looked at last.</param>
    internal Suspect? Explaining(PlantedFault one, PlantedFault other, IEnumerable<(int Test, int Outcome)> seen)
    {
        if (_pairs.Count >= MostPairs)
        {
            _pairs.Clear();
        }
        var pair = _pairs.GetOrAdd((one.Id, other.Id), _ => new PairSeen(_all.Count));
        BenchTruth? made = null;
        BenchTruth Made() => made ??= Truth([one, other]);
        lock (pair)
        {
            foreach (var (test, outcome) in seen)
            {
                if (Agrees(ShownBy(_all, test, pair.Shows, Made), test, outcome) == false)
                {
                    return null;
                }
            }
            return pair.Whole ??= Row(_all, pair.Shows, Made, [one, other]);
        }
    }

    /// <summary>How many pairs something is kept of.</summary>
    internal int PairsKept => _pairs.Count;

    private BenchTruth Truth(IReadOnlyList<PlantedFault> faults) =>
        new(_meant, faults.Aggregate(_meant.Wired, (w, f) => w.With(f.Edit)));

    private static Suspect Row(IReadOnlyList<FaultTest> tests, BenchTruth truth, IReadOnlyList<PlantedFault> faults) =>
        Row(tests, NothingAsked(tests.Count), () => truth, faults);

    // A row of which a part may be known.
    private static Suspect Row(
        IReadOnlyList<FaultTest> tests,
        short[] shows,
        Func<BenchTruth> made,
        IReadOnlyList<PlantedFault> faults
    )
    {
        for (var i = 0; i < tests.Count; i++)
        {
            ShownBy(tests, i, shows, made);
        }
        var truth = made();
        return new Suspect(faults, shows, truth.Meant.Situations.Any(truth.Harms));
    }

    private const short NotAsked = short.MinValue;

    private static short[] NothingAsked(int tests) => [.. Enumerable.Repeat(NotAsked, tests)];

    private static short ShownBy(IReadOnlyList<FaultTest> tests, int test, short[] known, Func<BenchTruth> made) =>
        known[test] is var shown and not NotAsked
            ? shown
            : known[test] = tests[test].Tell(made()) is { } told
                ? (short)IndexIn(tests[test].Outcomes, told)
                : (short)-1;

    private static int IndexIn(IReadOnlyList<Outcome> outcomes, string id)
    {
        for (var i = 0; i < outcomes.Count; i++)
        {
            if (outcomes[i].Id == id)
            {
                return i;
            }
        }
        return -1;
    }

    private static IEnumerable<Outcome> Met(FaultTest test, int at, List<Suspect> singles)
    {
        var met = singles.Select(s => s.Shows[at]).ToHashSet();
        return test.Outcomes.Where((o, i) => o.IsSound || met.Contains((short)i));
    }

    // What each test shows at two faults at once, as far as it was asked, and the whole row where it was.
    private sealed class PairSeen(int tests)
    {
        public short[] Shows { get; } = NothingAsked(tests);
        public Suspect? Whole { get; set; }
    }

    private sealed class SameShows : IEqualityComparer<short[]>
    {
        public bool Equals(short[]? x, short[]? y) => x.AsSpan().SequenceEqual(y);

        public int GetHashCode(short[] shows)
        {
            var hash = new HashCode();
            hash.AddBytes(MemoryMarshal.AsBytes(shows.AsSpan()));
            return hash.ToHashCode();
        }
    }
}

/// <summary>An aircraft with some faults, looked at test by test: what was computed for one is there for the next. For one asker at a time.</summary>
public sealed class FaultyCraft
{
    private readonly IReadOnlyList<FaultTest> _tests;
    private readonly BenchTruth _truth;

    internal FaultyCraft(IReadOnlyList<FaultTest> tests, BenchTruth truth) => (_tests, _truth) = (tests, truth);

    /// <summary>What a test shows, by the id of its outcome; null where it cannot be told.</summary>
    /// <param name="test">Index of the test.</param>
    public string? Shows(int test) => _tests[test].Tell(_truth);
}
