using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Protocols;
using Gorvix.Core.Plans.Routing;
using Gorvix.Core.Wired.Wiring;

namespace Gorvix.Core.Wired.Settings;

/// <summary>Works out how long a stick takes from the radio's module to the controller.</summary>
internal static class TimingReader
{
    /// <summary>The timing of the control link; null where there is none, or while its rate is not known.</summary>
    public static LinkTiming? Of(WiredBuild wired)
    {
        var control = wired.Ports.FirstOrDefault(p =>
            wired.Build.Links.First(l => l.Id == p.Link).Function.Need == Need.RcLink
        );
        if (
            control is not { Settings.Baud: { } baud }
            || ProtocolCatalogue.Find(control.Settings.Protocol) is not { } protocol
            || (wired.Build.Build.Radio?.PacketHertz ?? control.Mode.PacketHertz) is not { } hertz
        )
        {
            return null;
        }
        var bay = new ModuleBay(wired.Build.Build.Radio, protocol);
        var line = protocol.FrameMicroseconds(baud) / 1000;
        var bayLine = bay.Baud is { } rate ? protocol.FrameMicroseconds(rate) / 1000 : null;
        var period = 1000 / hertz;
        int? most = line is { } own ? (int)Math.Floor(1000 / Math.Max(own, bayLine ?? 0)) : null;
        var worst = period + (line ?? 0) + (bayLine ?? 0);
        return new LinkTiming(
            protocol.Name,
            hertz,
            period,
            bayLine,
            line,
            worst,
            most,
            most < hertz
                ? Sentences.HzDoesNotFitA(hertz, Math.Max(line ?? 0, bayLine ?? 0), most)
                : Sentences.StickLatencyIsUpTo(worst)
        );
    }
}
