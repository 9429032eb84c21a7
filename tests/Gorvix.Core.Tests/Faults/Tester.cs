using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Fit;
using Gorvix.Core.Work.FaultModel;
using Gorvix.Core.Work.Faults;

namespace Gorvix.Core.Tests.Faults;

/// <summary>Somebody who looks for a fault at an aircraft that really has it, in some order of tests, until the search says that it is found.</summary>
internal sealed class Tester(
    FaultTable table,
    IReadOnlyList<PlantedFault> truth,
    Random? slips = null,
    double wrong = 0
)
{
    /// <summary>The tables of the demo builds, made once.</summary>
    public static readonly IReadOnlyList<(Build Build, FaultTable Table)> Demos =
    [
        .. Demo.Builds.Select(b => (b, FaultTable.Of(new FitReader(Resolved(b, Demo.Library)).Wired))),
    ];

    private const int MostTests = 60;

    private readonly FaultyCraft _craft = table.Craft(truth);
    private readonly Dictionary<int, string?> _known = [];

    // What shows nothing that can be told is not asked again.
    private readonly HashSet<string> _cannot = [];

    public List<Observation> Seen { get; } = [];
    public int Tests { get; private set; }
    public double Minutes { get; private set; }
    public Standing Standing { get; private set; } = null!;

    /// <summary>Everything that one sees at once without an instrument.</summary>
    public Tester Report()
    {
        foreach (var (at, test) in table.Tests.Index())
        {
            if (test.IsSign)
            {
                See(at);
            }
        }
        Standing = new Search(table).Look(Seen, _cannot);
        return this;
    }

    /// <summary>Says some things and nothing else.</summary>
    public Tester Say(IReadOnlyList<Observation> said)
    {
        Seen.AddRange(said);
        Standing = new Search(table).Look(Seen);
        return this;
    }

    /// <summary>Does what an order says until it is found, or nothing is left to do.</summary>
    public Tester Follow(Func<Tester, int?> order)
    {
        while (
            Standing.State is SearchState.Searching or SearchState.Unexplained
            && Tests < MostTests
            && order(this) is { } next
        )
        {
            Do(next);
        }
        return this;
    }

    /// <summary>Does one test.</summary>
    public void Do(int test)
    {
        Tests++;
        Minutes += table.Tests[test].Minutes;
        See(test);
        Standing = new Search(table).Look(Seen, _cannot);
    }

    /// <summary>The order that the search proposes.</summary>
    public static int? Proposed(Tester t) => t.Standing.Tests is [var best, ..] ? best.Test : null;

    /// <summary>Any test that still tells something.</summary>
    public static Func<Tester, int?> AnyOrder(Random random) =>
        t => t.Standing.Tests is { Count: > 0 } left ? left[random.Next(left.Count)].Test : null;

    /// <summary>
    /// The trade's order of doubt (common practice): power and ground, the wires, the port's number, protocol and polarity, rate, a conflict, another
    /// port, then the part; for what is complained of first, then for the rest.
    /// </summary>
    public Func<Tester, int?> OrderOfDoubt()
    {
        var complained = Seen.Select(o => (Test: table.Tests[table.IndexOf(o.Test)!.Value], o.Outcome))
            .Where(o => !o.Test.Outcomes.First(x => x.Id == o.Outcome).IsSound)
            .Select(o => o.Test.Device)
            .OfType<string>()
            .ToHashSet();
        var order = table
            .Tests.Index()
            .Where(t => !t.Item.IsSign)
            .OrderBy(t =>
                t.Item.Device is { } d
                    ? complained.Contains(d)
                        ? 0
                        : 2
                    : 1
            )
            .ThenBy(t => Step(t.Item))
            .ThenBy(t => t.Index)
            .Select(t => t.Index)
            .ToList();
        var done = 0;
        return _ => done < order.Count ? order[done++] : null;
    }

    private static int Step(FaultTest test) =>
        test.Id.Split('.')[0] switch
        {
            "volts" or "power" => 0,
            "usb" => 1,
            "wiggle" => 2,
            "cold" or "bridge" => 3,
            "glass" => 4,
            "settings" => 5,
            "page" or "board" => 6,
            "bind" or "antenna" or "open" or "anew" or "slower" => 7,
            "cross" => 8,
            "move" => 9,
            _ => 10,
        };

    /// <summary>True when what was found is what is wrong, or cannot be told from it by any test.</summary>
    public bool IsRight()
    {
        var first = Standing.Causes.Count > 0 ? Standing.Causes[0] : null;
        if (first is null)
        {
            return false;
        }
        var ids = string.Join('+', truth.Select(f => f.Id).Order(StringComparer.Ordinal));
        return first.Faults.Any(f => string.Join('+', f.Select(x => x.Id).Order(StringComparer.Ordinal)) == ids)
            || Enumerable.Range(0, table.Tests.Count).All(i => Truth(i) is not { } shown || Shown(first, i) == shown);
    }

    private string? Shown(Cause cause, int test) =>
        cause.Shows[test] < 0 ? null : table.Outcomes(test)[cause.Shows[test]].Id;

    private string? Truth(int test) =>
        _known.TryGetValue(test, out var told) ? told : _known[test] = _craft.Shows(test);

    private void See(int test)
    {
        if (Truth(test) is not { } shown)
        {
            _cannot.Add(table.Tests[test].Id);
            return;
        }
        var outcomes = table.Tests[test].Outcomes;
        if (slips is not null && slips.NextDouble() < wrong)
        {
            var others = outcomes.Where(o => o.Id != shown).ToList();
            shown = others.Count > 0 ? others[slips.Next(others.Count)].Id : shown;
        }
        Seen.Add(new Observation(table.Tests[test].Id, shown));
    }
}
