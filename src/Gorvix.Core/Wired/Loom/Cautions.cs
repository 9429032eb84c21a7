using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Wired.Wiring;

namespace Gorvix.Core.Wired.Loom;

/// <summary>What to mind at the bench, as far as it applies (common practice); local law and licence come first.</summary>
public static class Cautions
{
    private static readonly DeviceKind[] Radiating =
    [
        DeviceKind.VideoTransmitter,
        DeviceKind.AirUnit,
        DeviceKind.TelemetryRadio,
    ];

    /// <summary>What goes before every test of a transmitter that has power.</summary>
    public static string Antenna => "Antenna on and airflow over it before it gets power.";

    /// <summary>True for what dies, or breaks a rule, when it sends without its antenna.</summary>
    public static bool Radiates(DeviceKind kind) => Radiating.Contains(kind);

    /// <summary>The cautions for a build, in sentences.</summary>
    /// <param name="wired">The build as it is wired.</param>
    /// <param name="sheet">Its loom.</param>
    public static IReadOnlyList<string> Of(WiredBuild wired, LoomSheet sheet)
    {
        var list = new List<string>
        {
            "Propellers off. Keep the battery off the bench until every pair has been measured.",
        };
        if (sheet.Steps.Any(s => s.Iron.Length > 0))
        {
            list.Add("Hot iron, lead and flux: ventilate, do not breathe the fumes, wash your hands.");
        }
        if (sheet.Steps.Count > 1)
        {
            list.Add("First power-up through a bulb or a current limiter, hand on the plug.");
        }
        if (wired.Build.Devices.Any(d => Radiates(d.Device.Kind)))
        {
            list.Add(
                "Never power a transmitter without its antenna; keep airflow over it. Power, band and region as local law and your licence allow."
            );
        }
        return list;
    }
}
