using System.Collections.Concurrent;
using System.Text.RegularExpressions;
using CsCheck;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Routing;
using Gorvix.Core.Tests.Planning;

namespace Gorvix.Core.Tests;

/// <summary>The runner of the properties itself: a green run says something, and a red one can be run again.</summary>
public partial class PropertyTests
{
    private static readonly Gen<int> Numbers = Gen.Int[0, 1_000_000];

    [Fact]
    public void The_same_cases_come_in_every_run()
    {
        var (one, two) = (new ConcurrentBag<int>(), new ConcurrentBag<int>());
        Assert.Equal(Numbers.Holds(one.Add, of: 50), Numbers.Holds(two.Add, of: 50));
        Assert.Equal(one.Order(), two.Order());
        Assert.InRange(one.Distinct().Count(), 45, one.Count);
    }

    [Fact]
    public void Another_test_has_other_cases()
    {
        var (one, two) = (new ConcurrentBag<int>(), new ConcurrentBag<int>());
        Numbers.Holds(one.Add, of: 50, test: "one");
        Numbers.Holds(two.Add, of: 50, test: "another");
        Assert.NotEqual(one.Order(), two.Order());
    }

    [Fact]
    public void A_case_that_fails_is_told_with_the_seed_that_brings_it_back()
    {
        // Many fail; it is always the first of them that is told.
        var told = Enumerable.Range(0, 3).Select(_ => Told(() => Numbers.Holds(n => n % 3 != 0, of: 200))).ToList();
        Assert.Single(told.Distinct());
        var seed = Seed().Match(told[0]).Groups[1].Value;
        var seen = new List<int>();
        Assert.Contains(
            "a kept case fails",
            Told(() =>
                Numbers.Holds(
                    n =>
                    {
                        seen.Add(n);
                        Assert.NotEqual(0, n % 3);
                    },
                    of: 0,
                    kept: [seed]
                )
            )
        );
        Assert.Contains($": {Assert.Single(seen)}\n", told[0]);
    }

    /// <summary>A property that nothing was looked at for does not pass: not one build of a short run may be given up.</summary>
    [Fact]
    public void A_build_that_cannot_be_planned_fails_a_short_run()
    {
        var given = 0;
        void Look(int at)
        {
            if (at == 1)
            {
                throw new UnplannableException([LimitRules.TooHard.Found(Severity.Stop, Subject.Build)]);
            }
        }
        Assert.ThrowsAny<Xunit.Sdk.XunitException>(() =>
            Generated.Builds(3, 3).HoldPlanned(_ => Look(Interlocked.Increment(ref given)), of: 5)
        );
        Assert.Equal(5 * Property.Times, given);
    }

    private static string Told(Action property) => Assert.Throws<Xunit.Sdk.XunitException>(property).Message;

    [GeneratedRegex("keep it: \"([^\"]+)\"")]
    private static partial Regex Seed();
}
