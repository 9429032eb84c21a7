namespace Gorvix.Core.Plans.Builds;

/// <summary>One side of a dispute.</summary>
/// <param name="Value">The value of the house rule, as in files.</param>
/// <param name="Name">The choice in a few words.</param>
/// <param name="Reason">Why builders hold it.</param>
public sealed record School(string Value, string Name, string Reason);

/// <summary>A dispute among builders.</summary>
/// <param name="Id">Member of <see cref="HouseRules"/>, as in files.</param>
/// <param name="Title">What it is about.</param>
/// <param name="Schools">The sides, the default first.</param>
public sealed record Dispute(string Id, string Title, IReadOnlyList<School> Schools);

/// <summary>What the schools say, and the value of each. All of it is common practice.</summary>
public static class HouseSchools
{
    /// <summary>Every dispute, in the order of the panel.</summary>
    public static readonly IReadOnlyList<Dispute> All =
    [
        new(
            "sharing",
            "Port sharing",
            [
                new(
                    "onePerPort",
                    "One device per port",
                    "A port has one function in the settings. Set two and the firmware rejects the whole page: all port settings are lost."
                ),
                new(
                    "splitHalves",
                    "Split RX and TX",
                    "Two one-way devices share a port, one on RX and one on TX, if baud and framing match and the firmware allows it. Frees a port."
                ),
            ]
        ),
        new(
            "softwareSerial",
            "Software serial",
            [
                new(
                    "never",
                    "Never",
                    "It adds 30–40 % CPU load at high loop rates, and flight control needs that headroom."
                ),
                new(
                    "telemetryOnly",
                    "Telemetry only",
                    "Telemetry is slow and can lose a frame; the RC link and GPS cannot."
                ),
                new("allowed", "Allowed", "A slow link on a spare pad beats no link, and software inverts for free."),
            ]
        ),
        new(
            "receiverPower",
            "Receiver supply",
            [
                new("liveOnUsb", "Live on USB", "Bind and configure at the desk without a battery."),
                new(
                    "offOnUsb",
                    "Off on USB",
                    "Unplugging the battery power-cycles it, which lets it enter its bootloader through the board."
                ),
            ]
        ),
        new(
            "videoPower",
            "Video supply",
            [
                new("regulatedFirst", "Regulated first", "A filtered rail keeps motor noise out of the video."),
                new(
                    "batteryAllowed",
                    "Battery allowed",
                    "The battery has current to spare; a capacitor at the VTX absorbs the noise."
                ),
            ]
        ),
        new(
            "bootloaderTrap",
            "Bootloader trap",
            [
                new(
                    "anotherPort",
                    "Another port",
                    "A pad that is high at power-up needs no extra part, and there is nothing to forget."
                ),
                new(
                    "pullUp",
                    "Pull-up resistor",
                    "10 kΩ from the receiver's RX to 3.3 V, never 5 V, holds the line high, and the port stays usable."
                ),
            ]
        ),
        new(
            "unusedLeads",
            "Unused leads",
            [
                new("dePin", "De-pin", "A de-pinned lead cannot drive anything and can be refitted."),
                new("cut", "Cut and insulate", "Nothing dangles or slips back in."),
                new(
                    "leave",
                    "Leave in place",
                    "The harness stays unmodified. A lead that transmits then occupies its pad: nothing else may use it."
                ),
            ]
        ),
        new(
            "arming",
            "Arming without a fix",
            [
                new(
                    "fixRequired",
                    "Never",
                    "Home is the take-off point: without a fix at take-off, return-to-home cannot bring the aircraft back."
                ),
                new(
                    "fixOptional",
                    "Allowed",
                    "Close in, indoors or between walls a fix never comes, and return-to-home is not wanted."
                ),
            ]
        ),
        new(
            "failsafe",
            "Failsafe",
            [
                new(
                    "returnToHome",
                    "Return to home",
                    "With a fix it flies back at a set height. Test it first in an open, safe place. It does not guarantee recovery."
                ),
                new(
                    "drop",
                    "Motors off",
                    "It falls at once, close to where the link was lost. Near people and roads your local rules decide whether that is safer."
                ),
            ]
        ),
        new(
            "pace",
            "Work speed",
            [
                new("normal", "Normal", "Standard times: solder jumper 4 min, setting 2 min, soldered lead 3 min."),
                new(
                    "careful",
                    "Careful",
                    "Half as long again: first builds, small pads, every joint checked under magnification."
                ),
                new("quick", "Quick", "Two thirds of the time: iron hot, leads tinned, settings known by heart."),
            ]
        ),
    ];

    /// <summary>Why builders hold a side of a dispute.</summary>
    /// <param name="dispute">Id of the dispute.</param>
    /// <param name="value">The value of the side.</param>
    public static string ReasonOf(string dispute, string value) =>
        All.First(d => d.Id == dispute).Schools.First(s => s.Value == value).Reason;
}
