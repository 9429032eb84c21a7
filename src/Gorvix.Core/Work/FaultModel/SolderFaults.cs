using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Wired.Wiring;

namespace Gorvix.Core.Work.FaultModel;

/// <summary>Solder where none belongs, and solder jumpers that are set otherwise.</summary>
internal static class SolderFaults
{
    public static readonly IReadOnlyList<FaultKindInfo> Kinds =
    [
        new(FaultKind.Blob, "solder bridge between two pads", 0.8),
        new(FaultKind.Bridge, "solder jumper set wrong", 1.5),
    ];

    public static IEnumerable<PlantedFault> Blobs(FaultGround ground) =>
        (
            from lead in ground.Used
            where lead.State is LeadState.Soldered or LeadState.OnTail
            from pad in ground.Near.Of(lead.Pad!)
            select (One: lead.Pad!, Other: pad.Pad)
        )
            .DistinctBy(p =>
                string.CompareOrdinal(p.One.Id, p.Other.Id) < 0 ? (p.One.Id, p.Other.Id) : (p.Other.Id, p.One.Id)
            )
            .Select(p => new PlantedFault(
                $"blob.{p.One.Id}.{p.Other.Id}",
                $"solder bridge between {p.One.Label} and {p.Other.Label}",
                new SolderBlob(p.One.Id, p.Other.Id)
            )
            {
                Kind = FaultKind.Blob,
                Place = new(Pads: [p.One.Id, p.Other.Id]),
                Cure = g =>
                    Cure.ByHand(
                        $"Wick away the solder between {g.Pad(p.One.Id)} and {g.Pad(p.Other.Id)}; inspect under magnification."
                    ),
            });

    public static IEnumerable<PlantedFault> Bridges(FaultGround ground)
    {
        foreach (var set in ground.Wired.Bridges.Where(b => b.Bridge.MovedBy == MovedBy.Solder))
        {
            var (bridge, meant) = (set.Bridge.Id, set.Positions);
            PlantedFault At(string id, string words, IReadOnlyList<string> positions) =>
                new(id, words, new BridgeClosed(bridge, positions))
                {
                    Kind = FaultKind.Bridge,
                    Place = new(Bridge: bridge),
                    Cure = _ =>
                        Cure.ByHand(
                            meant is [var at, ..]
                                ? $"Set jumper {bridge} to \"{at}\" and no other position."
                                : $"Open jumper {bridge}."
                        ),
                };
            foreach (var position in set.Bridge.Positions.Except(meant))
            {
                yield return At(
                    $"bridge.{bridge}.{position}",
                    $"solder jumper {bridge} is at \"{position}\"",
                    [position]
                );
            }
            if (ground.Wired.Build.Circuit.JoiningPositions(bridge) is { } joins && meant.Any(joins.Contains))
            {
                yield return At($"bridge.{bridge}.none", $"solder jumper {bridge} is open", []);
            }
            if (set.Bridge.Positions.Count > 1)
            {
                yield return At(
                    $"bridge.{bridge}",
                    $"solder jumper {bridge} is closed on every side",
                    set.Bridge.Positions
                );
            }
        }
    }
}
