using Gorvix.Core.Builds;
using Gorvix.Core.Findings;

namespace Gorvix.Core.Wiring;

/// <summary>Holds what is done on the aircraft against the build as it is to be wired.</summary>
public static class BuiltCheck
{
    /// <summary>The joints and seats that the plan does not want there any more, those without a part included, in the order in which they were noted.</summary>
    /// <param name="wired">The build as it is to be wired.</param>
    public static IReadOnlyList<BuiltFact> Undone(WiredBuild wired)
    {
        var built = wired.Build.Built;
        return
        [
            .. wired.Build.Build.Built.Where(f =>
                built.Orphans.Any(o => ReferenceEquals(o.Fact, f))
                || (built.Stands.Any(s => ReferenceEquals(s, f)) && !Keeps(wired, f))
            ),
        ];
    }

    /// <summary>What there is to say about it: a wire or plug where the plan wants none, and facts that the parts contradict.</summary>
    /// <param name="wired">The build as it is to be wired.</param>
    public static IEnumerable<Finding> Of(WiredBuild wired)
    {
        foreach (var fact in Undone(wired))
        {
            var orphan = wired.Build.Built.Orphans.FirstOrDefault(o => ReferenceEquals(o.Fact, fact));
            yield return orphan is null
                ? WiringRules.Soldered.Found(Severity.Warn, SubjectOf(fact), ("built", Phrase.Upper(fact.Told)))
                : WiringRules.Orphan.Found(
                    Severity.Warn,
                    SubjectOf(fact),
                    ("built", Phrase.Upper(fact.Told)),
                    ("why", orphan.Why)
                );
        }
    }

    /// <summary>True when a joint or seat is where the plan wants it; other facts always are, since the plan begins from them.</summary>
    /// <param name="wired">The build as it is to be wired.</param>
    /// <param name="fact">One that agrees with the parts.</param>
    public static bool Keeps(WiredBuild wired, BuiltFact fact) =>
        fact switch
        {
            JointFact joint => wired.Leads.Any(l =>
                (l.Device, l.Lead.Id) == (joint.Device, joint.Lead)
                && l is { State: LeadState.Soldered or LeadState.OnTail or LeadState.Spliced, IsUsed: true }
                && (l.Pad?.Id, l.To?.Device, l.To?.Lead.Id) == (joint.Pad, joint.To, joint.ToLead)
            ),
            SeatFact seat => wired.Seats.Any(s => s.Device == seat.Device && s.Seat.Socket?.Id == seat.Socket),
            _ => true,
        };

    private static Subject SubjectOf(BuiltFact fact) =>
        fact switch
        {
            JointFact { Pad: { } pad } => Subject.Pad(pad),
            SeatFact seat => Subject.Socket(seat.Socket, seat.Device),
            _ => Subject.Build,
        };
}
