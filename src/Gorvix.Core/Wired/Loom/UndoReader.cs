using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Wiring;

namespace Gorvix.Core.Wired.Loom;

/// <summary>What must come off before anything new goes on: plugs first, then wires, from below and then from above.</summary>
internal sealed class UndoReader(WiredBuild wired, Neighbours neighbours)
{
    // Common practice.

    /// <summary>The steps in order.</summary>
    public IEnumerable<LoomStep> Steps() =>
        BuiltCheck
            .Undone(wired)
            .Select(Of)
            .OrderBy(s => s.Facts[0] is not SeatFact)
            .ThenBy(s => s.Side != BoardSide.Bottom);

    private LoomStep Of(BuiltFact fact)
    {
        var pad =
            fact is JointFact { Pad: { } id } joint && joint.Board == wired.Build.Build.Board
                ? wired.Build.Circuit.Pads.GetValueOrDefault(id)
                : null;
        var near = pad is null ? [] : neighbours.Of(pad);
        return new LoomStep(
            IdOf(fact),
            StepTopic.Undo,
            pad?.Side,
            fact switch
            {
                SeatFact => Sentences.UnplugIt(fact.Told),
                BridgeFact or CavityFact => Sentences.CheckWhetherThisIsStill(fact.Told),
                _ => Sentences.RemoveItInsulateTheEnd(fact.Told),
            },
            fact is JointFact ? Sentences.LiftTheWire : "",
            pad is null ? null : Sentences.UnderMagnificationNothingLeftOn(pad.Label, Beside(near)),
            fact is JointFact { Device: var device } && wired.Build.Devices.Any(d => d.Id == device) ? device : null,
            pad is null ? [] : [pad.Id],
            [.. near.Select(n => n.Pad.Id)]
        )
        {
            Facts = [fact],
        };
    }

    private static string Beside(IReadOnlyList<Neighbour> near) =>
        near.Count == 0 ? "" : Sentences.AndNothingBetweenItAnd(Phrase.Join([.. near.Select(n => n.Pad.Label)]));

    private static string IdOf(BuiltFact fact) =>
        fact switch
        {
            JointFact joint => $"off {joint.Part} {joint.Device} {joint.Lead}",
            SeatFact seat => $"pull {seat.Part} {seat.Device}",
            BridgeFact bridge => $"forget {bridge.Bridge}",
            CavityFact cavity => $"forget {cavity.Device} {cavity.Lead}",
            _ => "forget",
        };
}
