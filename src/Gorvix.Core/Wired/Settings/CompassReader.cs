using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Wiring;

namespace Gorvix.Core.Wired.Settings;

/// <summary>What there is to mind about the compass.</summary>
/// <param name="Bus">Its bus.</param>
/// <param name="Address">Its address; null while no leaflet tells it.</param>
/// <param name="Others">What else answers on that bus, in words.</param>
/// <param name="Turn">How it sits, in words.</param>
/// <param name="Degrees">How far its arrow is turned from the nose, clockwise, seen from above.</param>
/// <param name="IsUpsideDown">True when it sits on its head.</param>
/// <param name="Steps">How to calibrate it, in sentences.</param>
/// <param name="KeepAway">What it must be kept away from.</param>
public sealed record CompassAdvice(
    string Bus,
    int? Address,
    IReadOnlyList<string> Others,
    string Turn,
    int Degrees,
    bool IsUpsideDown,
    IReadOnlyList<string> Steps,
    string KeepAway
)
{
    /// <summary>The advice, or null where no compass is carried.</summary>
    /// <param name="wired">The build as it is wired.</param>
    public static CompassAdvice? Of(WiredBuild wired) => CompassReader.Of(wired);
}

/// <summary>Reads what concerns the compass (common practice).</summary>
internal static class CompassReader
{
    /// <summary>The advice, or null where no compass is carried.</summary>
    public static CompassAdvice? Of(WiredBuild wired)
    {
        var set = wired.Ports.FirstOrDefault(p => Need(wired, p) == Hardware.Parts.Need.Compass);
        if (set is null)
        {
            return null;
        }
        var chosen = wired.Build.Build.Settings;
        return new CompassAdvice(
            set.Port.Name,
            set.Mode.Strapped?.Address ?? set.Mode.Address,
            [.. Others(wired, set)],
            TurnWords(chosen),
            90 * (int)chosen.CompassTurn,
            chosen.CompassFace == MountFace.Down,
            [
                Sentences.PropellersOffOnBatteryAway,
                Sentences.StartTheCalibrationInThe,
                // A hand compass points to magnetic north; the heading is true once the declination is set.
                chosen.Place
                    is null
                    ? Sentences.PointTheNoseNorthBy
                    : Sentences.PointTheNoseNorthByA,
                Sentences.AHeadingOffBy90,
            ],
            Sentences.KeepItAwayFromThe
        );
    }

    /// <summary>How many devices answer on a bus: those of the build and those of the board.</summary>
    public static int OnBus(WiredBuild wired, Port bus) =>
        wired.Ports.Count(p => p.Port.Id == bus.Id) + bus.Addresses.Count;

    /// <summary>The turn in the neutral form: "90", "180-down".</summary>
    public static string TurnOf(BuildSettings chosen) =>
        $"{90 * (int)chosen.CompassTurn}{(chosen.CompassFace == MountFace.Down ? "-down" : "")}";

    /// <summary>The turn in words.</summary>
    public static string TurnWords(BuildSettings chosen) =>
        $"{90 * (int)chosen.CompassTurn}° clockwise{(chosen.CompassFace == MountFace.Down ? Sentences.UpsideDown : "")}";

    private static Need Need(WiredBuild wired, PortSet set) =>
        wired.Build.Links.First(l => l.Id == set.Link).Function.Need;

    private static IEnumerable<string> Others(WiredBuild wired, PortSet compass)
    {
        foreach (var address in compass.Port.Addresses)
        {
            yield return $"0x{address.Address:X2} {address.By}";
        }
        foreach (var other in wired.Ports.Where(p => p.Port.Id == compass.Port.Id && p.Link != compass.Link))
        {
            yield return $"{(other.Mode.Address is { } at ? $"0x{at:X2} " : "")}{wired.Build.Links.First(l => l.Id == other.Link).Device.Name}";
        }
    }
}
