using Gorvix.Core.Builds;
using Gorvix.Core.Parts;
using Gorvix.Core.Wiring;

namespace Gorvix.Core.Bench;

/// <summary>What of a link a sign needs.</summary>
internal enum SignNeeds
{
    /// <summary>The device has power.</summary>
    Fed,

    /// <summary>The device has found its other end, on the ground.</summary>
    Linked,

    /// <summary>The board hears the device.</summary>
    Hears,

    /// <summary>The device hears the board.</summary>
    Says,

    /// <summary>Both ways.</summary>
    Both,
}

/// <summary>A sign by which a link shows that it works.</summary>
/// <param name="Id">Its id within the link.</param>
/// <param name="Title">It in a few words.</param>
/// <param name="Do">What to do, as a sentence.</param>
/// <param name="Seen">What is seen then, without a stop at the end.</param>
/// <param name="Needs">What of the link it needs.</param>
internal sealed record Sign(string Id, string Title, string Do, string Seen, SignNeeds Needs);

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
            Need.Control => new Sign(
                "light",
                "Receiver light",
                "Switch the radio on and wait ten seconds.",
                Seen(link.Device, SignState.Linked) is { } seen
                    ? $"its light is {seen}: it has found the radio"
                    : "its light says that it has found the radio, steady as a rule",
                SignNeeds.Linked
            ),
            Need.Position => new Sign(
                "light",
                "Light of the module",
                "Look at the module.",
                Seen(link.Device, SignState.Fed) is { } fed
                    ? $"its light is {fed}: it has power"
                    : "its light shows that it has power",
                SignNeeds.Fed
            ),
            Need.PictureText => new Sign(
                "picture",
                "Picture in the goggles",
                "Switch the goggles on and wait for the unit, air over it.",
                Seen(link.Device, SignState.Linked) is { } seen
                    ? $"its light is {seen}, and the picture stands"
                    : "the picture stands",
                SignNeeds.Linked
            ),
            _ => null,
        };

    private static IEnumerable<Sign> ByNeed(Need need, Device device, WiredBuild wired) =>
        need switch
        {
            Need.Control =>
            [
                new(
                    "sticks",
                    "Stick bars",
                    "Move one stick at a time, end to end.",
                    "each stick moves its own bar, the right way, from end to end",
                    SignNeeds.Hears
                ),
            ],
            Need.Picture =>
            [
                new(
                    "picture",
                    "Picture",
                    "Look into the goggles.",
                    "the picture stands, with the board's text over it",
                    SignNeeds.Both
                ),
            ],
            Need.PictureText =>
            [
                new(
                    "text",
                    "Text in the goggles",
                    "Look at the goggles.",
                    "the board's text lies over the picture",
                    SignNeeds.Says
                ),
                new(
                    "volts",
                    "Volts in the goggles' own line",
                    "Read the pack's volts in the goggles' own line, not in the board's text.",
                    "the goggles' own line shows the pack's volts, not 0.0",
                    SignNeeds.Both
                ),
                new(
                    "armed",
                    "\"Armed\" seen by the unit",
                    "Propellers off: arm for a moment.",
                    "the unit leaves its low power and starts to record",
                    SignNeeds.Both
                ),
            ],
            Need.Position =>
            [
                new(
                    "satellites",
                    "Satellites on the board's page",
                    "Outdoors, or at an open window: look at the board's page or the goggles.",
                    "the number of satellites grows; a fix needs four, and fliers wait for six to eight",
                    device.Memory == SetupMemory.Forgets ? SignNeeds.Both : SignNeeds.Hears
                ),
            ],
            Need.Heading =>
            [
                new(
                    "compass",
                    "Compass found",
                    "Turn the craft by a quarter on the bench.",
                    "the board names a compass, and its heading turns with the craft",
                    SignNeeds.Both
                ),
            ],
            Need.Telemetry =>
            [
                new(
                    "sensors",
                    "Sensors on the radio",
                    "Delete the old entries on the radio, then let it look for them anew.",
                    "the values are found, and their marks blink: one that does not is the last one remembered",
                    SignNeeds.Says
                ),
            ],
            Need.EscReadings =>
            [
                new(
                    "pieces",
                    "Readings of each speed controller",
                    "Propellers off: turn each motor slowly from the board's page.",
                    device.Pieces > 1 ? $"all {device.Pieces} report turns and warmth" : "it reports turns and warmth",
                    SignNeeds.Hears
                ),
            ],
            Need.BatteryReadings =>
            [
                new(
                    "value",
                    "Reading of the pack",
                    "Hold the board's value against the meter's.",
                    "the board shows what the meter reads, within a few hundredths",
                    SignNeeds.Hears
                ),
            ],
            Need.VideoControl =>
            [
                new(
                    "channel",
                    "Channel from the radio",
                    "Change the channel from the board's menu.",
                    "the transmitter follows, and the menu reads back what it was set to",
                    SignNeeds.Both
                ),
            ],
            Need.Height =>
            [
                new(
                    "height",
                    "Height",
                    "Move a hand below the sensor.",
                    "the height on the board's page follows the hand",
                    SignNeeds.Hears
                ),
            ],
            Need.CameraControl =>
            [
                new(
                    "menu",
                    "Camera menu",
                    "Call the camera's menu from the board.",
                    "the menu opens in the picture",
                    SignNeeds.Says
                ),
            ],
            Need.FlightLog =>
            [
                new(
                    "record",
                    "Record grows",
                    "Propellers off: arm for a few seconds, disarm, look into the recorder.",
                    "it has a new record",
                    SignNeeds.Says
                ),
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
