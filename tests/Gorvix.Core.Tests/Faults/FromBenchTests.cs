using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Fit;
using Gorvix.Core.Wired.Settings;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Work.Bench;
using Gorvix.Core.Work.FaultModel;
using Gorvix.Core.Work.Faults;
using Gorvix.Core.Work.Log;

namespace Gorvix.Core.Tests.Faults;

/// <summary>What the bench has read is handed to the search whole: a light that is off, a jumper that is not as planned, a dump that differs.</summary>
public class FromBenchTests
{
    private static readonly (Build Build, FaultTable Table) Kestrel = Tester.Demos.First(d =>
        d.Build.Name == "East Bench Kestrel"
    );

    private static FaultTest Test(string id) => Kestrel.Table.Tests[Kestrel.Table.IndexOf(id)!.Value];

    private static string? Read(string test, Mark mark, Answer? answer = null, double? value = null) =>
        FromLog.OutcomeOf(
            Test(test),
            new LoggedReading
            {
                Key = "key",
                Expected = "",
                At = new DateTime(2026, 11, 30, 9, 0, 0, DateTimeKind.Utc),
                Check = Test(test).Check ?? "",
                Mark = mark,
                Answer = answer,
                Value = value,
                Title = "",
                Words = "",
            }
        );

    [Fact]
    public void Every_check_of_the_bench_that_a_single_fault_moves_is_a_test_of_the_search()
    {
        foreach (var (build, table) in Tester.Demos)
        {
            var wired = new FitReader(Resolved(build, Demo.Library)).Wired;
            var known = table.Tests.Select(t => t.Check).OfType<string>().ToHashSet();
            var sheet = BenchReader.Of(wired, SettingsReader.Of(wired, new DateOnly(2026, 11, 30)), null);
            Assert.All(
                sheet.Checks.Where(c => c.Phase == BenchPhase.Links && c.Probing is LinkProbing or LifeProbing),
                c => Assert.Contains(c.Id, known)
            );
        }
    }

    [Theory]
    [InlineData("light.receiver", Mark.Good, Answer.Yes, "well")]
    [InlineData("light.receiver", Mark.Stop, Answer.No, "!")]
    [InlineData("light.receiver", Mark.Doubtful, Answer.Unsure, null)]
    [InlineData("settings.read", Mark.Good, Answer.Yes, "yes")]
    [InlineData("settings.read", Mark.Stop, Answer.No, "!")]
    [InlineData("link.control.sticks", Mark.Stop, Answer.No, "no")]
    public void An_answer_of_the_bench_is_what_it_says_and_no_more(
        string test,
        Mark mark,
        Answer answer,
        string? seen
    ) => Assert.Equal(seen, Read(test, mark, answer));

    [Fact]
    public void A_light_that_failed_on_the_bench_leaves_what_darkens_it_and_the_light_is_looked_at_again()
    {
        var standing = new Search(Kestrel.Table).Look([new Observation("light.receiver", Outcome.NotSound)]);
        Assert.Equal(SearchState.Searching, standing.State);
        Assert.All(standing.Causes.Take(5), c => Assert.Empty(c.Against));
        Assert.Contains(standing.Causes, c => c.Id == "unbound.receiver");
        Assert.Contains(standing.Causes, c => c.Id == "dead.receiver");
        Assert.DoesNotContain(standing.Causes.Take(5), c => c.Id == "unset.control");
        Assert.Contains(standing.Tests, t => Kestrel.Table.Tests[t.Test].Id == "light.receiver");
        // How it failed is said here, and counts as well.
        var dark = new Search(Kestrel.Table).Look([
            new Observation("light.receiver", Outcome.NotSound),
            new Observation("light.receiver", LookTests.Dark),
        ]);
        Assert.DoesNotContain(dark.Causes.Take(5), c => c.Id == "unbound.receiver");
    }

    [Fact]
    public void Two_faults_are_found_where_one_of_them_only_failed()
    {
        // The display never answers and the light of the receiver failed: no single fault does both.
        var standing = new Search(Kestrel.Table).Look([
            new Observation("light.receiver", Outcome.NotSound),
            new Observation("link.picture-text.text", "yes"),
            new Observation("link.picture-text.volts", "no"),
            new Observation("light.air-unit", "well"),
            new Observation("light.gnss", "well"),
            new Observation("light.log", "well"),
            new Observation("light.range", "well"),
        ]);
        Assert.True(standing.ArePairs);
        Assert.All(standing.Causes.Take(3), c => Assert.Equal(2, c.Faults[0].Count));
    }

    [Fact]
    public void The_bootloader_light_leads_by_itself_and_two_dark_devices_of_one_rail_ask_for_the_rail()
    {
        var (light, rail) = (0, 0);
        foreach (var (build, table) in Tester.Demos)
        {
            var wired = new FitReader(Resolved(build, Demo.Library)).Wired;
            var lights = table.Tests.Where(t => t.Id.StartsWith("light.", StringComparison.Ordinal)).ToList();
            foreach (var test in lights.Where(t => t.Outcomes.Any(o => o.Id == "loader")))
            {
                light++;
                var lead = new Search(table).Look([new Observation(test.Id, "loader")]).Causes[0];
                Assert.Equal($"loader.{test.Device}", lead.Id);
                Assert.True(lead.Share > 0.9, $"{build.Name} {lead.Share:0.00}");
            }
            foreach (var (one, other) in lights.SelectMany((a, i) => lights.Skip(i + 1).Select(b => (a, b))))
            {
                var shared = Rails(wired, one.Device!).Intersect(Rails(wired, other.Device!)).ToHashSet();
                var standing = new Search(table).Look([
                    new Observation(one.Id, LookTests.Dark),
                    new Observation(other.Id, LookTests.Dark),
                ]);
                var first = table.Tests[standing.Tests[0].Test];
                if (
                    shared.Count == 0
                    || !standing.Tests.Any(t => !t.NotYet && table.Tests[t.Test].Rails.Any(shared.Contains))
                )
                {
                    continue;
                }
                rail++;
                Assert.True(
                    first is { Device: null, Rails.Count: > 0 },
                    $"{build.Name}: {one.Device} and {other.Device}: {first.Id}"
                );
            }
        }
        Assert.True(light >= 8 && rail >= 12, $"{light} lights, {rail} rails");
    }

    // The rails under the supply pads of a device, told from the pads alone.
    private static IEnumerable<string> Rails(WiredBuild wired, string device) =>
        wired
            .Leads.Where(l => l.Device == device && l is { Lead.Role: LeadRole.Supply, Pad: not null })
            .SelectMany(l => l.Pad!.Paths)
            .Select(p => p.Rail)
            .OfType<string>();

    [Fact]
    public void A_dead_pin_is_found_in_few_tests_and_few_causes_stay()
    {
        var (tests, left) = (new List<int>(), new List<int>());
        foreach (var (_, table) in Tester.Demos)
        {
            foreach (var suspect in table.Singles.Where(s => s.Faults is [{ Kind: FaultKind.Pin }]))
            {
                var tester = new Tester(table, suspect.Faults).Report().Follow(Tester.Proposed);
                Assert.Equal(SearchState.Found, tester.Standing.State);
                Assert.True(tester.IsRight());
                tests.Add(tester.Tests);
                left.Add(tester.Standing.Causes.Count);
            }
        }
        Assert.True(tests.Average() < 7.5 && left.Max() <= 4, $"{tests.Average():0.0} tests, {left.Max()} causes");
    }
}
