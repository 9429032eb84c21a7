namespace Gorvix.Core.Files.Describing;

/// <summary>
/// A board as its sort usually is: what its manual is compared with, line by line. It holds what is seen on the board and never a limit: what a
/// regulator can carry, and which volts the input takes, stands in the manual only. Pins of sockets are uncertain, because their order differs from
/// maker to maker, and so is the pitch: nothing is plugged in or trusted before the builder has looked.
/// </summary>
/// <param name="Id">Id of the preset.</param>
/// <param name="Name">What the builder calls it.</param>
/// <param name="Tells">How to know it by looking at it.</param>
/// <param name="Lines">Board text, without maker, name and revision.</param>
public sealed record BoardPreset(string Id, string Name, string Tells, string Lines)
{
    /// <summary>
    /// The usual ones (common practice). Bolts: 25.5 and 26 mm squares with M2 for what carries its speed controllers, 20 mm with M2 or M3 and
    /// 30.5 mm with M3 for stacks; whether USB powers a regulator is left unknown.
    /// </summary>
    public static readonly IReadOnlyList<BoardPreset> All =
    [
        new(
            "small-all-in-one",
            "Small all-in-one",
            "ESCs on the same board, few pads, battery leads soldered on.",
            """
            size 33 x 33 mm
            holes 25.5 x 25.5 mm, M2
            controller F4
            rail GND: ground
            rail BAT: battery
            rail 5V: 5 V regulator, usb unknown
            top left: 5V G R1 T1
            top right: 5V G R2 T2
            bottom rear: BAT G
            """
        ),
        new(
            "stack-20",
            "20 mm stack",
            "Holes 20 mm apart, pads along two edges, a socket to the ESCs.",
            """
            size 27 x 27 mm
            holes 20 x 20 mm, M3
            controller F4
            rail GND: ground
            rail BAT: battery
            rail 5V: 5 V regulator, usb unknown
            top left: 5V G R1 T1
            top right: 5V G R3 T3
            bottom left: 5V G R6 T6
            ESC bottom rear: BAT? G? CURR?=~curr R4? M1?=~m1 M2?=~m2 M3?=~m3 M4?=~m4
            """
        ),
        new(
            "stack-30",
            "30 mm stack",
            "Holes 30.5 mm apart, pads along all edges, a second regulator for video.",
            """
            size 36 x 36 mm
            holes 30.5 x 30.5 mm, M3
            controller F7
            rail GND: ground
            rail BAT: battery
            rail 5V: 5 V regulator, usb unknown
            rail 9V: 9 V regulator, usb unknown
            top left: 5V G R1 T1
            top right: 9V G R2 T2
            top front: 5V G SDA SCL R3 T3
            bottom right: 5V G R4 T4
            ESC bottom rear: BAT? G? CURR?=~curr R5? M1?=~m1 M2?=~m2 M3?=~m3 M4?=~m4
            """
        ),
        new(
            "f4-inverter",
            "F4 with an inverter on the receiver pad",
            "A pad labelled SBUS: an inverter sits between it and RX of a UART.",
            """
            size 36 x 36 mm
            holes 30.5 x 30.5 mm, M3
            controller F4
            rail GND: ground
            rail BAT: battery
            rail 5V: 5 V regulator, usb unknown
            top left: 5V G SBUS=U1.RX T1
            top right: 5V G R3 T3
            top front: 5V G R6 T6
            bottom rear: BAT G
            ways SBUS: inverter > U1.RX
            """
        ),
        new(
            "f7-sockets",
            "F7 with sockets",
            "Sockets for digital air unit, GNSS and receiver; pads beside them.",
            """
            size 36 x 36 mm
            holes 30.5 x 30.5 mm, M3
            controller F7
            rail GND: ground
            rail BAT: battery
            rail 5V: 5 V regulator, usb unknown
            rail 9V: 9 V regulator, usb unknown
            RX top left: 5V? G? R2? T2?
            GPS top right: 5V? G? R4? T4? SDA? SCL?
            AIR top front: 9V? G? T1? R1? G? SBUS?=U6.RX
            bottom left: 5V G R3 T3
            bottom rear: BAT G
            """
        ),
        new(
            "h7-sockets",
            "H7 with sockets",
            "Many UARTs, a socket for each of the usual devices, ESC socket at the rear.",
            """
            size 38 x 38 mm
            holes 30.5 x 30.5 mm, M3
            controller H7
            rail GND: ground
            rail BAT: battery
            rail 5V: 5 V regulator, usb unknown
            rail 9V: 9 V regulator, usb unknown
            RX top left: 5V? G? R6? T6?
            GPS top right: 5V? G? R2? T2? SDA? SCL?
            AIR top front: 9V? G? T1? R1? G? SBUS?=U5.RX
            bottom left: 5V G R3 T3
            bottom right: 5V G R4 T4
            ESC bottom rear: BAT? G? CURR?=~curr R7? M1?=~m1 M2?=~m2 M3?=~m3 M4?=~m4
            """
        ),
    ];
}
