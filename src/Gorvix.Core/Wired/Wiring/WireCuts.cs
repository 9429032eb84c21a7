using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Supply;
using Gorvix.Core.Plans.Builds;

namespace Gorvix.Core.Wired.Wiring;

/// <summary>How long and how thick each wire is, for everybody who asks: what the loom cuts is what the rails lose volts in.</summary>
public static class WireCuts
{
    /// <summary>The wire of a lead; its gauge as told, else as thick as its current asks, else as usual.</summary>
    /// <param name="wired">The build.</param>
    /// <param name="lead">One of its leads.</param>
    public static WireCut Of(WiredBuild wired, WiredLead lead)
    {
        var cut = WireLengths.Of(wired.Build, lead.At, lead.Pad);
        var (amps, volts) = Load(wired, lead);
        return cut with
        {
            Gauge = cut.Gauge ?? (amps is { } flows ? WireGauge.For(flows, cut.Millimetres, volts) : WireGauge.Usual),
        };
    }

    /// <summary>What flows in a supply lead at most, or back in a ground, in amperes, with the least volts that the device works at; null where no manual tells it.</summary>
    /// <param name="wired">The build.</param>
    /// <param name="lead">One of its leads.</param>
    public static (double? Amps, double Volts) Load(WiredBuild wired, WiredLead lead)
    {
        var device = DeviceOf(wired, lead.Device);
        if (lead.Lead.Role == LeadRole.Supply && device.Supplies.FirstOrDefault(s => s.Lead == lead.Lead.Id) is { } one)
        {
            return (
                one.Most(one.Window.Min) + Given(wired, lead.Device) is > 0 and var most ? most : null,
                one.Window.Min
            );
        }
        if (lead.Lead.Role == LeadRole.Ground && device.Supplies.Count > 0)
        {
            var all = device.Supplies.Sum(s => s.Most(s.Window.Min)) + Given(wired, lead.Device);
            return (all > 0 ? all : null, device.Supplies.Min(s => s.Window.Min));
        }
        return (null, 0);
    }

    // What a device passes on to those that are powered from its outputs.
    private static double Given(WiredBuild wired, string device) =>
        wired
            .Leads.Where(l => l.To?.Device == device)
            .Sum(l =>
                DeviceOf(wired, l.Device).Supplies.Where(s => s.Lead == l.Lead.Id).Sum(s => s.Most(s.Window.Min))
                + Given(wired, l.Device)
            );

    private static Device DeviceOf(WiredBuild wired, string id) => wired.Build.Devices.First(d => d.Id == id).Device;
}
