using Gorvix.Core.Hardware.Findings;

namespace Gorvix.Core.Tests.Parts;

/// <summary>What is asked of every limit: the last value inside passes, the first outside is refused where it stands.</summary>
internal static class Limits
{
    public const double Step = 0.001;

    public static void Ends(
        string place,
        double low,
        double high,
        double step,
        Func<double, IReadOnlyList<Finding>> check
    )
    {
        Assert.Empty(check(low));
        Assert.Empty(check(high));
        foreach (var beyond in new[] { low - step, high + step })
        {
            var finding = Assert.Single(check(beyond));
            Assert.Equal(("VALUE", $"p.{place}"), (finding.Rule, finding.Subject.Id));
            Assert.Contains($"It must be {low} to {high}", finding.Sentence);
        }
    }

    public static void Told(string rule, string place, string says, IReadOnlyList<Finding> findings)
    {
        var finding = findings.First(f => f.Subject.Id == $"p.{place}");
        Assert.Equal(rule, finding.Rule);
        Assert.Contains(says, finding.Sentence);
    }
}
