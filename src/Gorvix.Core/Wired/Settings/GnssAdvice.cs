using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Wiring;

namespace Gorvix.Core.Wired.Settings;

/// <summary>What is usual where nobody has chosen.</summary>
internal static class GnssUsual
{
    /// <summary>Solutions a second (common practice).</summary>
    public const int UsualHertz = 5;
}

/// <summary>The GNSS module of a build and how it is set up.</summary>
/// <param name="Device">Id of the device within the build.</param>
/// <param name="Name">What the builder calls it.</param>
/// <param name="Link">Id of its link.</param>
/// <param name="Port">Its port, such as UART3.</param>
/// <param name="Protocol">What it speaks there.</param>
/// <param name="Baud">Bits per second of the plan; null where there are none.</param>
/// <param name="Generation">How it is spoken to: as chosen, else the older.</param>
/// <param name="IsTold">True when somebody has said which generation it is.</param>
/// <param name="Hertz">Solutions a second.</param>
/// <param name="Way">How it is set up.</param>
/// <param name="Why">Why so, as a sentence.</param>
/// <param name="Memory">Whether it keeps its set-up; null where no leaflet tells.</param>
public sealed record GnssAdvice(
    string Device,
    string Name,
    string Link,
    string Port,
    string Protocol,
    int? Baud,
    GnssGeneration Generation,
    bool IsTold,
    int Hertz,
    GnssWay Way,
    string Why,
    SetupMemory? Memory
)
{
    /// <summary>The advice, or null where no module has a port.</summary>
    /// <param name="wired">The build as it is wired.</param>
    public static GnssAdvice? Of(WiredBuild wired)
    {
        var whole = new BoardSettingsReader(wired, null);
        if (whole.Gnss is not { } gnss)
        {
            return null;
        }
        var link = wired.Build.Links.First(l => l.Id == gnss.Link);
        var chosen = wired.Build.Build.Settings;
        var (way, why) = whole.WayOf(link.Device);
        return new GnssAdvice(
            link.Want.Device,
            link.Device.Name,
            gnss.Link,
            gnss.Port.Name,
            gnss.Settings.Protocol,
            gnss.Settings.Baud,
            chosen.Gnss ?? GnssGeneration.Older,
            chosen.Gnss is not null,
            chosen.GnssHertz ?? GnssUsual.UsualHertz,
            way,
            why,
            link.Device.Memory
        );
    }
}
