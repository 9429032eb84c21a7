using CsCheck;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Work.FaultModel;
using Gorvix.Core.Work.Faults;

namespace Gorvix.Core.Tests.Faults;

/// <summary>The end of a search against every order of tests, and two faults at once.</summary>
public class PairAndEndTests
{
    // So many causes, each with a share, and what each test shows at each; a test takes some minutes.
    private static Gen<(double[] Shares, short[][] Shows, double[] Minutes)> Ends(int least) =>
        from causes in Gen.Int[2, 9]
        from tests in Gen.Int[1, 5]
        from shares in Gen.Int[1, 20].Array[causes]
        from shows in Gen.Int[least, 2].Select(n => (short)n).Array[tests].Array[causes]
        from minutes in Gen.Int[1, 9].Array[tests]
        select (shares.Select(s => s / 10.0).ToArray(), shows, minutes.Select(m => (double)m).ToArray());

    private static WorthTest? Best(
        double[] shares,
        short[][] shows,
        double[] minutes,
        Func<int, bool>? notYet = null
    ) =>
        EndGame.Best(
            [.. shows.Zip(shares, (s, p) => new Search.Group([new Suspect([], s, false)]) { Share = p })],
            [.. minutes.Select((m, t) => new WorthTest(t, 1, m, notYet?.Invoke(t) ?? false))]
        );

    // Every order of tests, tried; without a memory and without bits.
    private static double Least(List<int> left, double[] shares, short[][] shows, double[] minutes) =>
        left.Count < 2
            ? 0
            : Enumerable
                .Range(0, minutes.Length)
                .Where(t => Parts(t, left, shows) is { Count: > 0 } parts && parts.All(p => p.Count < left.Count))
                .Select(t => Begun(t, left, shares, shows, minutes))
                .DefaultIfEmpty(0)
                .Min();

    private static double Begun(int test, List<int> left, double[] shares, short[][] shows, double[] minutes) =>
        minutes[test]
        + Parts(test, left, shows)
            .Sum(p => p.Sum(c => shares[c]) / left.Sum(c => shares[c]) * Least(p, shares, shows, minutes));

    // What each outcome leaves: the causes that show it, and those of which it cannot be told.
    private static List<List<int>> Parts(int test, List<int> left, short[][] shows) =>
        [
            .. left.Select(c => shows[c][test])
                .Where(shown => shown >= 0)
                .Distinct()
                .Select(shown => left.FindAll(c => shows[c][test] == shown || shows[c][test] < 0)),
        ];

    [Theory]
    [InlineData(0)]
    [InlineData(-1)]
    public void The_test_that_is_begun_with_leads_to_the_fewest_minutes_of_all_orders(int least) =>
        Ends(least).Holds(Begins, of: 400);

    private static void Begins((double[] Shares, short[][] Shows, double[] Minutes) end)
    {
        var (shares, shows, minutes) = end;
        var all = Enumerable.Range(0, shares.Length).ToList();
        var least = Least(all, shares, shows, minutes);
        if (Best(shares, shows, minutes) is { } best)
        {
            Assert.Equal(least, Begun(best.Test, all, shares, shows, minutes), 9);
        }
        else
        {
            Assert.Equal(0, least);
        }
    }

    // Three causes: the test that halves them best a minute (2 of 3 told in 2 min) is not the one to begin with.
    [Fact]
    public void By_hand_a_dearer_test_that_tells_all_apart_is_begun_with()
    {
        // A at 0.5, B and C at 0.25. Telling A from the rest takes 2 min, B from the rest 2 min; all three apart 3 min.
        short[][] shows =
        [
            [0, 0, 0],
            [1, 1, 1],
            [1, 0, 2],
        ];
        Assert.Equal(2, Best([0.5, 0.25, 0.25], shows, [2.0, 2.0, 2.5])!.Test);
        // At 4 min it is dearer than 2 + half of 2.
        Assert.Equal(0, Best([0.5, 0.25, 0.25], shows, [2.0, 2.0, 4.0])!.Test);
    }

    // Played out to nine causes: more take too long (our own choice).
    [Theory]
    [InlineData(1, false)]
    [InlineData(2, true)]
    [InlineData(9, true)]
    [InlineData(10, false)]
    public void It_is_played_out_with_two_to_nine_causes_left(int causes, bool isPlayed)
    {
        var shares = Enumerable.Repeat(0.1, causes).ToArray();
        var shows = Enumerable.Range(0, causes).Select(c => new[] { (short)c }).ToArray();
        Assert.Equal(isPlayed, Best(shares, shows, [1.0]) is not null);
        Assert.Null(Best(shares, shows, [1.0], _ => true));
    }

    private static bool IsOnePlace(PlantedFault one, PlantedFault other) =>
        (one.Place.Device, one.Place.Lead) == (other.Place.Device, other.Place.Lead) && one.Place.Lead is not null
        || one.Place.Bridge is { } bridge && bridge == other.Place.Bridge
        || one.Place.Setting is { } setting && setting == other.Place.Setting;

    /// <summary>A wire that is off and a wire that is on the wrong pad are not both true of one lead: that is one fault, or another.</summary>
    [Fact]
    public void Two_faults_of_one_wire_bridge_or_setting_are_never_looked_for_together()
    {
        var (asked, found) = (0, 0);
        foreach (var (_, table) in Tester.Demos.OrderBy(d => d.Table.Singles.Count).Take(3))
        {
            var finder = new PairFinder(table, s => FaultPriors.Of(s.Faults[0], OwnExperience.None, LogHints.None));
            var sound = table.Singles[0].Shows;
            var places = table
                .Singles.Skip(1)
                .Where(s => s.Faults[0].Place is { Lead: not null } or { Setting: not null })
                .GroupBy(s => (s.Faults[0].Place.Device, s.Faults[0].Place.Lead, s.Faults[0].Place.Setting))
                .Where(g => g.Count() > 1);
            foreach (var place in places.Take(4))
            {
                var (one, other) = (place.First(), place.Last());
                var both = table.With([one.Faults[0], other.Faults[0]]);
                var read = both
                    .Shows.Index()
                    .Where(s => s.Item >= 0 && s.Item != sound[s.Index])
                    .Take(6)
                    .Select(s => new Search.Reading(s.Index, s.Item, s.Index))
                    .ToList();
                asked += read.Count > 0 ? 1 : 0;
                var pairs = finder.Find(read, TestContext.Current.CancellationToken);
                Assert.All(pairs, p => Assert.False(IsOnePlace(p.Faults[0], p.Faults[1]), p.Id));
                found += pairs.Count;
            }
        }
        Assert.True(asked > 6 && found > 6, $"{asked} asked, {found} found");
    }

    // Outcomes are numbers; a sound aircraft shows 3 here, and -1 is what cannot be told.
    [Theory]
    [InlineData(3, 5, 5, 1)]
    [InlineData(5, 3, 5, 1)]
    [InlineData(3, 5, 3, 0)]
    [InlineData(3, 5, 6, 0)]
    [InlineData(3, 3, 3, 1)]
    [InlineData(3, 3, 5, 0)]
    [InlineData(5, 6, 5, 1)]
    [InlineData(5, 6, 6, 1)]
    [InlineData(5, 6, 3, 0.05)]
    [InlineData(5, 5, 5, 1)]
    [InlineData(5, 5, 6, 0)]
    [InlineData(-1, 5, 6, 0.5)]
    [InlineData(5, -1, 6, 0.5)]
    [InlineData(0, 5, 6, 0.05)]
    [InlineData(0, 5, 0, 1)]
    public void What_only_one_of_two_changes_shows_that_one_and_what_both_change_may_show_anything_new(
        int one,
        int other,
        int seen,
        double fits
    ) => Assert.Equal(fits, PairFinder.Fits((short)one, (short)other, 3, seen));

    [Fact]
    public void One_place_is_a_lead_a_jumper_or_a_setting()
    {
        var singles = Tester.Demos.SelectMany(d => d.Table.Singles.Skip(1)).ToList();
        List<Suspect> OfPlace(Func<FaultPlace, object?> part) =>
            [.. singles.Where(s => part(s.Faults[0].Place) is not null)];
        foreach (var some in new[] { OfPlace(p => p.Lead), OfPlace(p => p.Bridge), OfPlace(p => p.Setting) })
        {
            var two = some.DistinctBy(s => s.Faults[0].Place).Take(2).ToList();
            Assert.True(PairFinder.IsOnePlace(two[0], two[0]));
            Assert.False(PairFinder.IsOnePlace(two[0], two[1]), $"{two[0].Id}, {two[1].Id}");
        }
        // A device and one of its own leads are two places, and so are two devices.
        var device = singles.First(s => s.Faults[0].Place is { Device: not null, Lead: null });
        var lead = singles.First(s =>
            s.Faults[0].Place is { Lead: not null } p && p.Device == device.Faults[0].Place.Device
        );
        Assert.False(PairFinder.IsOnePlace(device, lead));
        Assert.False(PairFinder.IsOnePlace(device, device));
    }

    /// <summary>Two faults are planted and the four tests are looked at that tell most of them: they are among what is found, and all of it explains.</summary>
    [Fact]
    public void Two_faults_that_were_planted_are_found_and_whatever_is_found_explains_what_was_seen()
    {
        foreach (
            var (_, table) in Tester
                .Demos.Where(d => d.Build.Devices.Count > 2)
                .OrderBy(d => d.Table.Singles.Count)
                .Take(2)
        )
        {
            var finder = new PairFinder(table, s => FaultPriors.Of(s.Faults[0], OwnExperience.None, LogHints.None));
            var sound = table.Singles[0].Shows;
            // A dead device and a wire of another one: neither hides the other.
            var dead = table.Singles.Skip(1).First(s => s.Faults[0].Kind == FaultKind.Dead);
            var open = table
                .Singles.Skip(1)
                .First(s =>
                    s.Faults[0].Kind == FaultKind.Open && s.Faults[0].Place.Device != dead.Faults[0].Place.Device
                );
            var both = table.With([dead.Faults[0], open.Faults[0]]);
            int[] tests =
            [
                .. new[] { dead, open }.SelectMany(one =>
                    both.Shows.Index()
                        .Where(s => s.Item >= 0 && s.Item != sound[s.Index] && s.Item == one.Shows[s.Index])
                        .Select(s => s.Index)
                        .Take(2)
                ),
            ];
            foreach (var isTold in new[] { true, false })
            {
                var read = tests
                    .Distinct()
                    .Select((t, i) => new Search.Reading(t, isTold ? both.Shows[t] : FaultTable.NotSound, i))
                    .ToList();
                var pairs = finder.Find(read, TestContext.Current.CancellationToken);
                Assert.All(
                    pairs,
                    p =>
                        Assert.All(
                            read,
                            r =>
                                Assert.NotEqual(
                                    false,
                                    table.Agrees(table.With(p.Faults).Shows[r.Test], r.Test, r.Outcome)
                                )
                        )
                );
                Assert.Contains(pairs, p => p.Faults.ToHashSet().SetEquals([dead.Faults[0], open.Faults[0]]));
            }
            // Nothing odd was seen: there is nothing to explain.
            Assert.Empty(finder.Find([new Search.Reading(0, sound[0], 0)], TestContext.Current.CancellationToken));
        }
    }

    /// <summary>
    /// The order of doubt (common practice): joints, crossed and left-in wires, the port's number and a receiver that is not bound come before
    /// what a set-up or firmware does, and that before boards, pins and parts that die.
    /// </summary>
    [Fact]
    public void What_is_usual_is_doubted_before_what_is_seldom()
    {
        FaultKind[] usual =
        [
            FaultKind.Open,
            FaultKind.Weak,
            FaultKind.Crossed,
            FaultKind.LeftIn,
            FaultKind.Port,
            FaultKind.Unbound,
        ];
        FaultKind[] between =
        [
            FaultKind.Page,
            FaultKind.DeviceSetting,
            FaultKind.Bridge,
            FaultKind.Around,
            FaultKind.Setting,
            FaultKind.Firmware,
        ];
        FaultKind[] seldom =
        [
            FaultKind.Blob,
            FaultKind.Loader,
            FaultKind.Beside,
            FaultKind.Harness,
            FaultKind.Dead,
            FaultKind.OtherPort,
            FaultKind.Rail,
            FaultKind.Pin,
            FaultKind.Exchanged,
        ];
        Assert.Equal(Enum.GetValues<FaultKind>().Order(), usual.Concat(between).Concat(seldom).Order());
        static double Usual(FaultKind kind) => FaultKinds.Of(kind).Usual;
        Assert.True(usual.Min(Usual) > between.Max(Usual));
        Assert.True(between.Min(Usual) > seldom.Max(Usual));
        Assert.Equal(FaultKind.Crossed, usual.MaxBy(Usual));
        // Each kind is one family's.
        Assert.Equal(Enum.GetValues<FaultKind>(), FaultKinds.All.Select(k => k.Kind));
        Assert.Equal(Enum.GetValues<DefectKind>().Order(), DefectDefinition.All.Select(a => a.What).Order());
    }
}
