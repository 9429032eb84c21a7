using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Work.FaultModel;

namespace Gorvix.Core.Work.Bench;

/// <summary>A sign by which a link shows that it works.</summary>
/// <param name="Id">Its id within the link.</param>
/// <param name="Title">It in a few words.</param>
/// <param name="Do">What to do, as a sentence.</param>
/// <param name="Seen">What is seen then, without a stop at the end.</param>
/// <param name="Needs">What of the link it needs.</param>
internal sealed record Sign(string Id, string Title, string Do, string Seen, SignNeeds Needs)
{
    /// <summary>True where the aircraft is armed for it.</summary>
    public bool Arms { get; init; }
}

/// <summary>The signs of each kind of link, in neutral words (common practice); a part's own lights come before them.</summary>
internal static class LinkSigns
{
    /// <summary>The signs of a link, the cheapest first.</summary>
    /// <param name="link">The link.</param>
    /// <param name="wired">The build.</param>
    public static IEnumerable<Sign> Of(Link link, WiredBuild wired)
    {
        var device = link.Device;
        if (LightOf(link) is { } light)
        {
            yield return light;
        }
        foreach (var sign in ByNeed(link.Function.Need, device, wired))
        {
            yield return sign;
        }
    }

    /// <summary>The sign that a device's own leaflet tells of a state; null where it tells none.</summary>
    public static string? Seen(Device device, SignState state) =>
        device.Signs.FirstOrDefault(s => s.State == state)?.Seen;

    private static Sign? LightOf(Link link) =>
        link.Function.Need switch
        {
            Need.RcLink => new Sign(
                "light",
                "Receiver LED",
                "Switch the radio on and wait 10 s.",
                Seen(link.Device, SignState.Linked) is { } seen
                    ? $"its LED is {seen}: linked to the radio"
                    : "its LED shows the link to the radio, usually steady",
                SignNeeds.Linked
            ),
            Need.Gps => new Sign(
                "light",
                "Module LED",
                "Look at the module.",
                Seen(link.Device, SignState.Powered) is { } fed
                    ? $"its LED is {fed}: it has power"
                    : "its LED shows power",
                SignNeeds.Fed
            ),
            Need.Osd => new Sign(
                "picture",
                "Video in the goggles",
                "Switch the goggles on and wait for the air unit, with airflow over it.",
                Seen(link.Device, SignState.Linked) is { } seen
                    ? $"its LED is {seen}, and the video is steady"
                    : "the video is steady",
                SignNeeds.Linked
            ),
            _ => null,
        };

    private static IEnumerable<Sign> ByNeed(Need need, Device device, WiredBuild wired) =>
        need switch
        {
            Need.RcLink =>
            [
                new(
                    "sticks",
                    "Stick bars",
                    "Move one stick at a time, end to end.",
                    "each stick moves its own bar, in the right direction, from end to end",
                    SignNeeds.Hears
                ),
            ],
            Need.Video =>
            [
                new(
                    "picture",
                    "Video",
                    "Look into the goggles.",
                    "the video is steady, with the OSD over it",
                    SignNeeds.Both
                ),
            ],
            Need.Osd =>
            [
                new("text", "OSD in the goggles", "Look at the goggles.", "the OSD is over the video", SignNeeds.Says),
                new(
                    "volts",
                    "Goggles' own voltage readout",
                    "Read the battery voltage in the goggles' own voltage readout, not in the OSD.",
                    "the goggles' own voltage readout shows the battery voltage, not 0.0 V",
                    SignNeeds.Both
                ),
                new(
                    "armed",
                    "Air unit sees \"armed\"",
                    "Propellers off: arm briefly.",
                    "the air unit leaves low power and starts recording",
                    SignNeeds.Both
                )
                {
                    Arms = true,
                },
            ],
            Need.Gps =>
            [
                new(
                    "satellites",
                    "Satellites in view",
                    "Outdoors, or at an open window: check the count in the board's settings or the goggles.",
                    "the satellite count rises; a fix needs 4, and pilots wait for 6 to 8",
                    device.Memory == SetupMemory.Loses ? SignNeeds.Both : SignNeeds.Hears
                ),
            ],
            Need.Compass =>
            [
                new(
                    "compass",
                    "Compass detected",
                    "Turn the aircraft 90° on the bench.",
                    "the board lists a compass, and its heading turns by 90° with the aircraft",
                    SignNeeds.Both
                ),
            ],
            Need.Telemetry =>
            [
                new(
                    "sensors",
                    "Telemetry sensors",
                    "Propellers off, aircraft powered: delete the old sensors on the radio, then rediscover them.",
                    "sensors appear with blinking markers; a steady marker is only the last value",
                    SignNeeds.Says
                ),
            ],
            Need.EscTelemetry =>
            [
                new(
                    "pieces",
                    "ESC telemetry",
                    "Propellers off: spin each motor slowly from the board's settings.",
                    device.Pieces > 1
                        ? $"all {device.Pieces} report RPM and ESC temperature"
                        : "it reports RPM and ESC temperature",
                    SignNeeds.Hears
                ),
            ],
            Need.BatterySensing =>
            [
                new(
                    "value",
                    "Battery reading",
                    "Compare the board's value with the meter.",
                    "the board matches the meter within a few hundredths of a volt",
                    SignNeeds.Hears
                ),
            ],
            Need.VtxControl =>
            [
                new(
                    "channel",
                    "VTX channel change",
                    "Change the channel from the board's menu.",
                    "the VTX follows, and the menu reads back the new channel",
                    SignNeeds.Both
                ),
            ],
            Need.Rangefinder =>
            [
                new(
                    "height",
                    "Rangefinder",
                    "Move a hand below the sensor.",
                    "the height in the board's settings follows the hand",
                    SignNeeds.Hears
                ),
            ],
            Need.CameraControl =>
            [
                new(
                    "menu",
                    "Camera menu",
                    "Open the camera menu from the board.",
                    "the menu opens in the video",
                    SignNeeds.Says
                ),
            ],
            Need.FlightLog =>
            [
                new(
                    "record",
                    "Log grows",
                    "Propellers off: arm for a few seconds, disarm, check the flight logger.",
                    "it has a new log",
                    SignNeeds.Says
                )
                {
                    Arms = true,
                },
            ],
            _ =>
            [
                new(
                    "phone",
                    "Phone connects",
                    "Connect with the phone.",
                    "it reads the board's settings",
                    SignNeeds.Both
                ),
            ],
        };
}
