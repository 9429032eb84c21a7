using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Wiring;

namespace Gorvix.Core.Wired.Loom;

/// <summary>What must come off before anything new goes on: plugs first, then wires, from below and then from above.</summary>
internal sealed class UndoReader(WiredBuild wired, Neighbours neighbours)
{
    // Common practice.
    private const string Iron =
        "About 350 °C, more on a ground plane. Add fresh flux and solder, then lift the wire without pulling. Clean the pad with wick.";

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
                SeatFact => $"Unplug it: {fact.Told}.",
                BridgeFact or CavityFact => $"Check whether this is still true, then clear the record: {fact.Told}.",
                _ => $"Remove it: {fact.Told}. Insulate the end of the lead.",
            },
            fact is JointFact ? Iron : "",
            pad is null ? null : $"Under magnification: nothing left on {pad.Label}{Beside(near)}.",
            fact is JointFact { Device: var device } && wired.Build.Devices.Any(d => d.Id == device) ? device : null,
            pad is null ? [] : [pad.Id],
            [.. near.Select(n => n.Pad.Id)]
        )
        {
            Facts = [fact],
        };
    }

    private static string Beside(IReadOnlyList<Neighbour> near) =>
        near.Count == 0 ? "" : $", and nothing between it and {Phrase.Join([.. near.Select(n => n.Pad.Label)])}";

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
