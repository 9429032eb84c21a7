using Gorvix.Core.Wired.Rails;
using Gorvix.Core.Work.Bench;
using Gorvix.Core.Work.FaultModel;

namespace Gorvix.Core.Work.Faults;

/// <summary>
/// Everything that can be looked at, measured or tried on a build: the checks of its bench, read finer, and what only somebody does who looks
/// for a fault. What each takes in minutes is our own estimate.
/// </summary>
internal sealed class TestMaker(Meant meant, BenchSheet sheet)
{
    /// <summary>It is there.</summary>
    public const string Yes = "yes";

    /// <summary>It is not there.</summary>
    public const string No = "no";

    /// <summary>It comes and goes.</summary>
    public const string Flickers = "flickers";

    // What feeds the craft while signs are looked at, as the bench does it.
    private readonly Situation _live =
        sheet.Checks.Select(c => c.Probing).OfType<LinkProbing>().FirstOrDefault()?.Situation
        ?? meant.Power.Free
        ?? meant.Power.Usb;

    /// <summary>The tests of a build, in one order.</summary>
    public IReadOnlyList<FaultTest> All()
    {
        var looks = new LookTests(meant, sheet, _live);
        var trials = new TrialMaker(meant, sheet, _live);
        return
        [
            .. looks.Lights(),
            .. new CheckTests(meant).Of(sheet),
            .. looks.Values(),
            .. looks.Wires(),
            .. trials.Pages(),
            .. trials.All(),
        ];
    }

    internal static string SignOf(Seen seen) =>
        seen switch
        {
            Seen.Yes => Yes,
            Seen.No => No,
            _ => Flickers,
        };

    internal static IReadOnlyList<Outcome> Signs(string seen, string not, string? flickers) =>
        [
            new(Yes, seen, true),
            new(No, not, false),
            .. flickers is null ? [] : new[] { new Outcome(Flickers, flickers, false) },
        ];
}
