using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Routing;

namespace Gorvix.Core.Wired.Wiring;

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
        Talkers? talkers = null;
        foreach (var fact in Undone(wired))
        {
            var orphan = wired.Build.Built.Orphans.FirstOrDefault(o => ReferenceEquals(o.Fact, fact));
            if (orphan is null && FightOf(wired, fact, talkers ??= new Talkers(wired)) is { } fight)
            {
                yield return fight;
                continue;
            }
            yield return orphan is null && HarmOf(wired, fact) is { } harm
                ? WiringRules.Destroys.Found(
                    Severity.Stop,
                    SubjectOf(fact),
                    ("built", Phrase.Upper(fact.Told)),
                    ("harm", harm)
                )
            : orphan is null
                ? WiringRules.Soldered.Found(Severity.Warn, SubjectOf(fact), ("built", Phrase.Upper(fact.Told)))
            : WiringRules.Orphan.Found(
                Severity.Warn,
                SubjectOf(fact),
                ("built", Phrase.Upper(fact.Told)),
                ("why", orphan.Why)
            );
        }
    }

    // A lead that transmits, or may, where something else is: in the plan, or soldered there as well.
    private static Finding? FightOf(WiredBuild wired, BuiltFact fact, Talkers talkers) =>
        fact is JointFact { Pad: { } id } joint
        && wired.Build.Circuit.Pads.GetValueOrDefault(id) is { } pad
        && wired
            .Build.Devices.FirstOrDefault(d => d.Id == joint.Device)
            ?.Device.Leads.FirstOrDefault(l => l.Id == joint.Lead)
            is { } lead
            ? talkers.FightOf(SubjectOf(fact), joint.Device, lead, pad)
            : null;

    // What comes of it when the board has power, the bridges standing as they do on the aircraft; null for nothing that is known.
    private static string? HarmOf(WiredBuild wired, BuiltFact fact)
    {
        var circuit = wired.Build.Circuit;
        Device? PartOf(string device) => wired.Build.Devices.FirstOrDefault(d => d.Id == device)?.Device;
        string? At(string device, Lead lead, Pad? pad) =>
            pad is not null && PartOf(device) is { } part ? HarmOf(wired, part, lead, pad) : null;
        return fact switch
        {
            JointFact { Pad: { } id } joint
                when PartOf(joint.Device)?.Leads.FirstOrDefault(l => l.Id == joint.Lead) is { } lead => At(
                joint.Device,
                lead,
                circuit.Pads.GetValueOrDefault(id)
            ),
            SeatFact seat
                when PartOf(seat.Device) is { } part
                    && circuit.Sockets.FirstOrDefault(s => s.Id == seat.Socket) is { } socket => Harness
                .Of(part)
                .Cavities.Index()
                .Where(c => c.Item is not null && c.Index < socket.Pads.Count)
                .Where(c =>
                    wired
                        .Build.Built.Stands.OfType<CavityFact>()
                        .All(f => f.Device != seat.Device || f.Lead != c.Item!.Id)
                )
                .Select(c => At(seat.Device, c.Item!, socket.Pads[c.Index]))
                .OfType<string>()
                .FirstOrDefault(),
            _ => null,
        };
    }

    private static string? HarmOf(WiredBuild wired, Device part, Lead lead, Pad pad)
    {
        var built = wired.Build.Built.Stands.OfType<BridgeFact>().ToDictionary(f => f.Bridge, f => f.Position);
        var touch = PadContact
            .Of(wired.Build.Circuit, part, lead, pad, wired.Sources.Input)
            .FirstOrDefault(t =>
                t.End == ContactEnd.Harms
                && t.State.Bridges.All(b =>
                    b.Position
                    == built.GetValueOrDefault(b.Bridge, wired.Build.Board.Bridges.First(x => x.Id == b.Bridge).Default)
                )
            );
        if (touch is null)
        {
            return null;
        }
        return PinReasons.Harm(wired.Build.Circuit, part, lead, pad, touch);
    }

    /// <summary>True when a joint or seat is where the plan wants it; other facts always are, since the plan begins from them.</summary>
    /// <param name="wired">The build as it is to be wired.</param>
    /// <param name="fact">One that agrees with the parts.</param>
    public static bool Keeps(WiredBuild wired, BuiltFact fact) =>
        fact switch
        {
            JointFact joint => wired.Leads.Any(l =>
                l.At == new LeadAt(joint.Device, joint.Lead)
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
