namespace Gorvix.Core.Builds;

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
                    "strict",
                    "One device, one port",
                    "A port has one job in the settings; a page with two jobs on a port is refused whole, and everything on it is lost."
                ),
                new(
                    "splitHalves",
                    "Split halves",
                    "Two one-way users share a port when baud and framing agree and the firmware allows it. It frees a port."
                ),
            ]
        ),
        new(
            "software",
            "Software serial",
            [
                new(
                    "never",
                    "Never",
                    "It takes 30 to 40 % of the processor at high loop rates, and the flight needs that."
                ),
                new(
                    "telemetryOnly",
                    "Telemetry only",
                    "Telemetry is slow and can miss a word; control and position cannot."
                ),
                new(
                    "allowed",
                    "Allowed",
                    "A slow link on a spare pad is better than no link, and code inverts for nothing."
                ),
            ]
        ),
        new(
            "receiver",
            "Receiver supply",
            [
                new("aliveOnUsb", "Alive on USB", "You can bind and set up at the desk, without a battery."),
                new(
                    "deadOnUsb",
                    "Dead on USB",
                    "Pulling the battery restarts it, so it can be brought into its loader through the board."
                ),
            ]
        ),
        new(
            "video",
            "Video supply",
            [
                new("regulatedFirst", "Regulated first", "A filtered rail keeps the motors' noise out of the picture."),
                new(
                    "batteryAllowed",
                    "Battery allowed",
                    "The battery has power to spare; a capacitor at the transmitter takes the noise."
                ),
            ]
        ),
        new(
            "bootTrap",
            "Boot trap",
            [
                new(
                    "anotherPort",
                    "Another port",
                    "A pad that rests high while the board starts needs no extra part and nothing to forget."
                ),
                new(
                    "pullUp",
                    "Pull-up resistor",
                    "Ten kilohms from the receiver's RX to its supply of 3.3 V hold the line, and the port stays usable."
                ),
            ]
        ),
        new(
            "unused",
            "Unused leads",
            [
                new("lift", "Lift from the plug", "A lifted lead cannot drive anything, and it can go back."),
                new("cut", "Cut and insulate", "Nothing dangles and nothing can slip back in."),
                new(
                    "leave",
                    "Leave in place",
                    "The harness stays as it came. A lead that talks then holds its pad: nothing else may use it."
                ),
            ]
        ),
        new(
            "arming",
            "Starting without a fix",
            [
                new(
                    "required",
                    "Never",
                    "The place of take-off is home: without a fix at take-off the aircraft cannot be brought back."
                ),
                new(
                    "optional",
                    "Allowed",
                    "Near the pilot, in a hall or between walls a fix never comes, and return-home is not wanted there."
                ),
            ]
        ),
        new(
            "failsafe",
            "When the radio is lost",
            [
                new(
                    "returnHome",
                    "Return home",
                    "With a fix it comes back over a known height; tested first in an open, safe place. It is no promise of rescue."
                ),
                new(
                    "drop",
                    "Motors off",
                    "It falls where it is, near and at once: over people and roads by your local rules the safer end."
                ),
            ]
        ),
        new(
            "hand",
            "Your hand",
            [
                new("usual", "Usual", "The minutes of the table: a bridge 4, a setting 2, a lead soldered 3."),
                new(
                    "careful",
                    "Careful",
                    "Half as long again: the first boards, small pads, every joint under the glass."
                ),
                new("quick", "Quick", "Two thirds: iron warm, leads tinned, the settings known by heart."),
            ]
        ),
    ];

    /// <summary>Why builders hold a side of a dispute.</summary>
    /// <param name="dispute">Id of the dispute.</param>
    /// <param name="value">The value of the side.</param>
    public static string ReasonOf(string dispute, string value) =>
        All.First(d => d.Id == dispute).Schools.First(s => s.Value == value).Reason;
}
