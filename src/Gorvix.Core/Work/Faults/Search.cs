using Gorvix.Core.Work.FaultModel;

namespace Gorvix.Core.Work.Faults;

/// <summary>How a search stands.</summary>
public enum SearchState
{
    /// <summary>Nothing was seen yet.</summary>
    Open,

    /// <summary>Several causes are left.</summary>
    Searching,

    /// <summary>One cause is left, or several that no test tells apart.</summary>
    Found,

    /// <summary>Everything that was seen is as it should be.</summary>
    Sound,

    /// <summary>No single fault, and no pair, explains everything that was seen.</summary>
    Unexplained,
}

/// <summary>A cause, or several that no test tells apart.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Faults">What it can be: each is one fault, or several at once.</param>
/// <param name="Share">How likely it is beside the others, 0 to 1.</param>
/// <param name="Explains">What it explains, as the index of each observation.</param>
/// <param name="Against">What it leaves unexplained, as the index of each observation.</param>
public sealed record Cause(
    string Id,
    IReadOnlyList<IReadOnlyList<PlantedFault>> Faults,
    double Share,
    IReadOnlyList<int> Explains,
    IReadOnlyList<int> Against
)
{
    /// <summary>True when feeding it destroys something.</summary>
    public bool Harms { get; init; }

    internal short[] Shows { get; init; } = [];
}

/// <summary>A test with what it is worth now.</summary>
/// <param name="Test">Index of the test.</param>
/// <param name="Bits">What it tells on the average, in bits.</param>
/// <param name="Cost">Minutes, and what feeding the craft may cost meanwhile.</param>
/// <param name="NotYet">Why it is not safe yet, or null: it is done after what makes it safe.</param>
public sealed record WorthTest(int Test, double Bits, double Cost, bool NotYet)
{
    /// <summary>What it is worth: bits a minute.</summary>
    public double Worth => Bits / Cost;
}

/// <summary>Where a search stands: causes, the likeliest first, and tests, the best first.</summary>
/// <param name="State">How it stands.</param>
/// <param name="Causes">The causes that count.</param>
/// <param name="Others">How many causes more are left that hardly count.</param>
/// <param name="Tests">The tests that tell something.</param>
/// <param name="Doubted">Observations without which a single fault explains everything, by their indices.</param>
/// <param name="ArePairs">True when no single fault explains everything and pairs are looked at.</param>
public sealed record Standing(
    SearchState State,
    IReadOnlyList<Cause> Causes,
    int Others,
    IReadOnlyList<WorthTest> Tests,
    IReadOnlyList<int> Doubted,
    bool ArePairs
);

/// <summary>
/// The search for what is wrong. Each suspect has a weight before anything was seen; each observation multiplies it by how likely that
/// outcome is at such a craft: nearly one where it is what the suspect shows, small where it is not, even where it cannot be told. The next
/// test is the one that tells most a minute; near the end all orders are tried, and the one that takes least is begun.
/// </summary>
public sealed class Search
{
    /// <summary>A cause of this share is taken for found, unless a test could still tell it from another that is as likely.</summary>
    public const double Enough = 0.95;

    // What hardly counts is not shown, and no test is chosen for its sake.
    private const double Least = 0.004;
    private const int MostCauses = 40;
    private const int MostOften = 2;

    /// <summary>What feeding a craft that burns costs, in minutes of a bench (our own choice): a part and its post.</summary>
    public const double HarmMinutes = 120;

    // From this chance of harm on a test waits for what is measured cold.
    private const double HarmChance = 0.05;

    // Who has looked for it and has not found it is seldom wrong.
    private const double Refuted = 0.002;

    // What a cause weighs that explains nothing of what is wrong, beside one that explains all of it (our own choice).
    private const double Beside = 0.02;

    private readonly FaultTable _table;
    private readonly OwnExperience _own;
    private readonly LogHints _hints;
    private readonly List<Reading> _before;

    /// <summary>Begins a search.</summary>
    /// <param name="table">What each test shows at each suspect.</param>
    /// <param name="own">What the builder knows of himself.</param>
    /// <param name="hints">What the log tells.</param>
    public Search(FaultTable table, OwnExperience? own = null, LogHints? hints = null) =>
        (_table, _own, _hints, _before) = (
            table,
            own ?? OwnExperience.None,
            hints ?? LogHints.None,
            Read(table, hints?.GoodBefore ?? [])
        );

    /// <summary>Where the search stands.</summary>
    /// <param name="seen">What was seen, the first first; a test may be there more than once.</param>
    /// <param name="cannot">Ids of tests that the builder cannot do.</param>
    /// <param name="refuted">Ids of causes that were looked for where they sit, and were not there.</param>
    /// <param name="stop">Tells that nobody waits for it any more.</param>
    public Standing Look(
        IReadOnlyList<Observation> seen,
        IReadOnlySet<string>? cannot = null,
        IReadOnlySet<string>? refuted = null,
        CancellationToken stop = default
    )
    {
        double Weight(Suspect suspect) => this.Weight(suspect) * (refuted?.Contains(suspect.Id) == true ? Refuted : 1);
        var read = Read(_table, seen);
        var singles = Groups(_table.Twins, Weight, read);
        if (read.Count == 0)
        {
            return Stand(SearchState.Open, singles, read, cannot, [], false);
        }
        var groups = singles;
        var arePairs = false;
        IReadOnlyList<int> doubted = [];
        if (!singles.Exists(g => g.Against == 0))
        {
            doubted = Doubted(singles, read);
            var pairs = new PairFinder(_table, Weight).Find(read, stop);
            if (pairs.Count > 0)
            {
                arePairs = true;
                groups = Groups(FaultTable.TwinsOf([.. _table.Singles, .. pairs]), Weight, read);
            }
        }
        var state =
            groups.TrueForAll(g => g.Against > 0) ? SearchState.Unexplained
            : groups[0].Suspects[0].Faults.Count == 0 && groups[0].Share >= 0.5 ? SearchState.Sound
            : SearchState.Searching;
        return Stand(state, groups, read, cannot, doubted, arePairs);
    }

    /// <summary>What a suspect weighs before anything was seen.</summary>
    internal double Weight(Suspect suspect) =>
        suspect.Faults.Count == 0
            // A craft that somebody doubts is seldom sound.
            ? 0.5
            : suspect.Faults.Aggregate(1.0, (w, f) => w * FaultPriors.Of(f, _own, _hints))
                * Math.Pow(PairFinder.Rarity, suspect.Faults.Count - 1)
                * (
                    _before.Exists(r => suspect.Shows[r.Test] >= 0 && suspect.Shows[r.Test] != r.Outcome)
                        ? FaultPriors.WasGood
                        : 1
                );

    /// <summary>An observation by the indices of test and outcome.</summary>
    internal readonly record struct Reading(int Test, int Outcome, int At);

    // Observations of tests that are not there, any more or at all, count nothing.
    private static List<Reading> Read(FaultTable table, IReadOnlyList<Observation> seen) =>
        [
            .. from o in seen.Index()
            let test = table.IndexOf(o.Item.Test)
            where test is not null
            let outcome = table.OutcomeOf(test.Value, o.Item.Outcome)
            where outcome is not null
            select new Reading(test.Value, outcome.Value, o.Index),
        ];

    /// <summary>Suspects that show the same at every test, those that weigh most first.</summary>
    internal sealed class Group(IReadOnlyList<Suspect> suspects)
    {
        public IReadOnlyList<Suspect> Suspects { get; } = suspects;
        public short[] Shows => Suspects[0].Shows;
        public bool Harms => Suspects[0].Harms;
        public double Share { get; set; }
        public int Against { get; set; }

        /// <summary>True when it explains something that a sound craft would not show.</summary>
        public bool ExplainsOdd { get; set; }
    }

    private List<Group> Groups(
        IReadOnlyList<IReadOnlyList<Suspect>> twins,
        Func<Suspect, double> weight,
        List<Reading> read
    )
    {
        var list = new List<Group>();
        var chances = read.ConvertAll(Chances);
        foreach (var same in twins)
        {
            var weighed = same.Select(s => (Suspect: s, Weight: weight(s))).ToList();
            if (weighed.Count > 1)
            {
                weighed = [.. weighed.OrderByDescending(s => s.Weight)];
            }
            var group = new Group(weighed.ConvertAll(s => s.Suspect)) { Share = weighed.Sum(s => s.Weight) };
            for (var i = 0; i < read.Count; i++)
            {
                var chance = chances[i];
                switch (Agrees(group.Shows, read[i]))
                {
                    case true:
                        group.Share *= chance.Agreeing;
                        group.ExplainsOdd |= chance.IsOdd;
                        break;
                    case false:
                        group.Share *= chance.Other;
                        group.Against++;
                        break;
                    default:
                        group.Share *= chance.Unknown;
                        break;
                }
            }
            list.Add(group);
        }
        // Somebody looks for what he has seen: where one cause explains all of it, one that explains none of it is another matter.
        if (list.Exists(g => g.ExplainsOdd && g.Against == 0))
        {
            foreach (var beside in list.Where(g => !g.ExplainsOdd))
            {
                beside.Share *= Beside;
            }
        }
        var sum = list.Sum(g => g.Share);
        foreach (var group in list)
        {
            group.Share = sum > 0 ? group.Share / sum : 1.0 / list.Count;
        }
        return [.. list.OrderByDescending(g => g.Share).ThenBy(g => g.Suspects[0].Id, StringComparer.Ordinal)];
    }

    // How likely what was seen is at a suspect that shows it, at one that shows another, and where what it shows cannot be told; odd is what a
    // sound craft would not show.
    private readonly record struct Likely(double Agreeing, double Other, double Unknown, bool IsOdd);

    private Likely Chances(Reading reading)
    {
        var isOdd = Agrees(_table.Singles[0].Shows, reading) == false;
        var test = _table.Tests[reading.Test];
        var (slip, count) = (test.Slip, Math.Max(2, test.Outcomes.Count));
        return reading.Outcome == FaultTable.NotSound
            ? new Likely(1 - slip, slip, 1 - (1.0 / count), isOdd)
            : new Likely(
                1 - slip,
                slip / (count - 1) * _table.Outcomes(reading.Test)[reading.Outcome].Mistaken,
                1.0 / count,
                isOdd
            );
    }

    private bool? Agrees(short[] shows, Reading reading) =>
        _table.Agrees(shows[reading.Test], reading.Test, reading.Outcome);

    private List<int> Doubted(List<Group> groups, List<Reading> read) =>
        [
            .. groups
                .Where(g => g.Against == 1)
                .Select(g => read.First(r => Agrees(g.Shows, r) == false).At)
                .Distinct()
                .Order(),
        ];

    private Standing Stand(
        SearchState state,
        List<Group> groups,
        List<Reading> read,
        IReadOnlySet<string>? cannot,
        IReadOnlyList<int> doubted,
        bool arePairs
    )
    {
        var left = groups.Where(g => g.Share >= Least).Take(MostCauses).ToList();
        var tests = state == SearchState.Open ? [] : Worth(left, read, cannot ?? new HashSet<string>());
        if (state == SearchState.Searching && (groups[0].Share >= Enough || (left.Count == 1) || tests.Count == 0))
        {
            state = SearchState.Found;
        }
        Cause Told(Group g) =>
            new(
                g.Suspects[0].Id,
                [.. g.Suspects.Select(s => s.Faults)],
                g.Share,
                [.. read.Where(r => Agrees(g.Shows, r) == true).Select(r => r.At)],
                [.. read.Where(r => Agrees(g.Shows, r) == false).Select(r => r.At)]
            )
            {
                Harms = g.Harms,
                Shows = g.Shows,
            };
        return new Standing(
            state,
            state == SearchState.Open ? [] : [.. left.Select(Told)],
            groups.Count - left.Count,
            tests,
            doubted,
            arePairs
        );
    }

    private List<WorthTest> Worth(List<Group> left, List<Reading> read, IReadOnlySet<string> cannot)
    {
        // Where nothing contradicts, what was seen is taken as seen; else it may be looked at once more.
        var often = left.TrueForAll(g => g.Against > 0) ? MostOften : 1;
        var harm = left.Where(g => g.Harms).Sum(g => g.Share);
        var worth = new List<WorthTest>();
        for (var i = 0; i < _table.Tests.Count; i++)
        {
            var test = _table.Tests[i];
            // What only failed is looked at again, to see how.
            if (cannot.Contains(test.Id) || read.Count(r => r.Test == i && r.Outcome != FaultTable.NotSound) >= often)
            {
                continue;
            }
            var bits = Bits(left, i);
            if (bits > 1e-3)
            {
                worth.Add(
                    new WorthTest(
                        i,
                        bits,
                        test.Minutes + (test.IsPowered ? harm * HarmMinutes : 0),
                        test.IsPowered && harm >= HarmChance
                    )
                );
            }
        }
        var shared = _table.RailsOfSeveral(read);
        bool IsOfRail(WorthTest worth) => shared.Count > 0 && _table.Tests[worth.Test].Rails.Any(shared.Contains);
        worth =
        [
            .. worth
                .OrderBy(w => w.NotYet)
                .ThenByDescending(IsOfRail)
                .ThenByDescending(w => w.Worth)
                .ThenBy(w => w.Test),
        ];
        // Several dark devices on one rail: the rail before any of them (common practice: power first).
        if (worth is [var first, ..] && IsOfRail(first))
        {
            return worth;
        }
        // Where something can be done that is safe, the rest waits; else all of it is left to the builder.
        return EndGame.Best(left, worth) is { } best ? [best, .. worth.Where(w => w.Test != best.Test)] : worth;
    }

    // What a test tells on the average: how much less is not known after it.
    private double Bits(List<Group> left, int test)
    {
        var count = Math.Max(2, _table.Tests[test].Outcomes.Count);
        var slip = _table.Tests[test].Slip;
        var by = new Dictionary<short, double>();
        var (sum, unknown) = (0.0, 0.0);
        foreach (var group in left)
        {
            sum += group.Share;
            if (group.Shows[test] < 0)
            {
                unknown += group.Share;
            }
            else
            {
                by[group.Shows[test]] = by.GetValueOrDefault(group.Shows[test]) + group.Share;
            }
        }
        if (by.Count < 2 && unknown == 0)
        {
            return 0;
        }
        // I(cause; outcome) = H(outcome) - H(outcome | cause).
        var (entropy, seen) = (0.0, 0.0);
        foreach (var (_, share) in by)
        {
            var p = (((1 - slip) * share) + (slip / (count - 1) * (sum - unknown - share)) + (unknown / count)) / sum;
            entropy -= p * Math.Log2(p);
            seen += p;
        }
        var rest = Math.Max(0, 1 - seen);
        if (rest > 1e-9 && count > by.Count)
        {
            entropy -= rest * Math.Log2(rest / (count - by.Count));
        }
        var noise = slip > 0 ? -(((1 - slip) * Math.Log2(1 - slip)) + (slip * Math.Log2(slip / (count - 1)))) : 0;
        return entropy - (((sum - unknown) * noise) + (unknown * Math.Log2(count))) / sum;
    }
}
