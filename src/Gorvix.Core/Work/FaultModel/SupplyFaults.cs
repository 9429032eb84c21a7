using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Wired.Wiring;

namespace Gorvix.Core.Work.FaultModel;

/// <summary>Rails that are dead or low, and a source that does not reach the board.</summary>
internal static class SupplyFaults
{
    public static readonly IReadOnlyList<FaultKindInfo> Kinds = [new(FaultKind.Rail, "rail dead or low", 0.4)];

    public static IEnumerable<PlantedFault> Rails(FaultGround ground)
    {
        var wired = ground.Wired;
        foreach (var rail in wired.Build.Board.Rails.Where(r => r.Feed is not (RailFeed.Ground or RailFeed.Battery)))
        {
            var place = new FaultPlace(
                Pads:
                [
                    .. wired
                        .Build.Circuit.ToRails.Where(p => p.Ways.Any(w => w.To.Id == rail.Id))
                        .Select(p => p.Pad.Id),
                ]
            );
            PlantedFault At(string id, string words, WiringEdit edit) =>
                new(id, words, edit)
                {
                    Kind = FaultKind.Rail,
                    Place = place,
                    Cure = _ => Unloaded,
                };
            yield return At($"rail.{rail.Id}", $"{rail.Label} rail is dead", new DeadRail(rail.Id));
            if (rail.Volts is not null)
            {
                yield return At($"sag.{rail.Id}", $"{rail.Label} rail is under-voltage", new SaggingRail(rail.Id));
            }
        }
    }

    private static readonly Cure Unloaded = new(
        CureAt.Fit,
        [
            $"{Cure.Away} Remove one device from this rail, reconnect, measure the rail. Disconnect again before you remove the next: the one that brings it back was pulling it down.",
            "If the rail stays wrong with nothing on it, the regulator is dead: power those devices from another rail, or replace the board.",
        ]
    );

    public static IEnumerable<PlantedFault> Source(FaultGround ground)
    {
        if (ground.Wired.Build.Build.InputVolts is not null || ground.Wired.Build.Build.Pack is not null)
        {
            yield return new PlantedFault(
                "source",
                "the supply does not reach the board: plug, wire, or a flat battery; only USB powers it",
                new SourceOff()
            )
            {
                Kind = FaultKind.Around,
                Place = new(),
                Cure = _ => new Cure(
                    CureAt.Around,
                    [
                        "Measure the battery or bench supply alone, then at the board's supply pads.",
                        "Charge the battery, or repair its plug and wire. Never leave a charging lithium battery unattended.",
                    ]
                ),
            };
        }
    }
}
