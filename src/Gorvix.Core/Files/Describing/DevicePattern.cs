using Gorvix.Core.Hardware.Parts;

namespace Gorvix.Core.Files.Describing;

/// <summary>A device as its kind usually is: what a leaflet is compared with, lead by lead.</summary>
/// <param name="Id">Id of the pattern.</param>
/// <param name="Name">What the builder calls it.</param>
/// <param name="Tells">How to know it by what is in the bag.</param>
/// <param name="Device">The device to begin with, without maker, name and volts: those stand in the leaflet only.</param>
public sealed record DevicePattern(string Id, string Name, string Tells, Device Device)
{
    /// <summary>The usual ones (common practice; colours are a habit, not a standard).</summary>
    public static readonly IReadOnlyList<DevicePattern> All =
    [
        new(
            "two-way-receiver",
            "Receiver, full-duplex",
            "Supply, ground, TX and RX; telemetry returns to the radio on the same port.",
            PatternMaker.Device(
                DeviceKind.Receiver,
                "5V supply red, GND ground black, TX signal white, RX signal green",
                PatternMaker.Gives(
                    Need.RcLink,
                    PatternMaker.Mode("CRSF", "TX out, RX in") with
                    {
                        Carries = [new Rider { Function = "telemetry" }],
                    },
                    PatternMaker.Mode("CRSF", "TX out", "deaf", "CRSF, telemetry not wired", "telemetry")
                ),
                PatternMaker.Gives(Need.Telemetry)
            )
        ),
        new(
            "one-way-receiver",
            "Receiver with a separate telemetry lead",
            "One lead for control, another for telemetry to the radio.",
            PatternMaker.Device(
                DeviceKind.Receiver,
                "5V supply red, GND ground black, SBUS signal white, S.Port signal yellow",
                PatternMaker.Gives(Need.RcLink, PatternMaker.Mode("SBUS", "SBUS out")),
                PatternMaker.Gives(Need.Telemetry, PatternMaker.Mode("S.Port", "S.Port both"))
            )
        ),
        new(
            "several-outputs",
            "Receiver with several outputs",
            "One output with a selectable protocol, or pulse pads beside the serial pad.",
            PatternMaker.Device(
                DeviceKind.Receiver,
                "5V supply red, GND ground black, OUT signal white, PPM signal yellow",
                PatternMaker.Gives(
                    Need.RcLink,
                    PatternMaker.Mode("SBUS", "OUT out"),
                    PatternMaker.Mode("IBUS", "OUT out") with
                    {
                        Setting = "set the output to IBUS",
                    },
                    PatternMaker.Mode("PPM", "PPM out", "ppm", "PPM", "channels above 8")
                )
            )
        ),
        new(
            "analogue-transmitter",
            "Analogue VTX",
            "Supply, ground, video in, one wire for VTX control; often a 5 V output for a camera.",
            PatternMaker.Device(
                DeviceKind.VideoTransmitter,
                "BAT supply red, GND ground black, VID video yellow, CTRL signal blue, 5V output white",
                PatternMaker.Gives(Need.Video, PatternMaker.Mode("Picture out", "VID in")),
                PatternMaker.Gives(
                    Need.VtxControl,
                    PatternMaker.Mode("VC-9600", "CTRL both"),
                    PatternMaker.Mode("VC-4800", "CTRL both") with
                    {
                        Setting = "select the slower protocol",
                    }
                )
            )
        ),
        new(
            "air-unit-small",
            "Digital air unit, small plug",
            "Four leads: supply, ground, RX, TX; no built-in receiver.",
            PatternMaker.Plugged(
                PatternMaker.Device(
                    DeviceKind.AirUnit,
                    "BAT supply red, GND ground black, TX signal white, RX signal yellow",
                    PatternMaker.Gives(Need.Osd, PatternMaker.Mode("MSP", "TX out, RX in"))
                ),
                "1.0 mm",
                "bat gnd tx rx"
            )
        ),
        new(
            "air-unit-large",
            "Digital air unit, large plug",
            "Six leads: the four of the small plug, plus the built-in receiver's output and a second ground.",
            PatternMaker.Plugged(
                PatternMaker.Talking(
                    PatternMaker.Device(
                        DeviceKind.AirUnit,
                        "BAT supply red, GND ground black, TX signal white, RX signal grey, GND2 ground brown, SBUS signal yellow",
                        PatternMaker.Gives(Need.Osd, PatternMaker.Mode("MSP", "TX out, RX in"))
                    ),
                    "sbus"
                ),
                "1.25 mm",
                "bat gnd tx rx gnd2 sbus"
            )
        ),
        new(
            "gnss-compass",
            "GNSS module with compass",
            "Six leads: supply, ground, TX, RX, SDA and SCL.",
            PatternMaker.Plugged(
                PatternMaker.Device(
                    DeviceKind.Gnss,
                    "5V supply red, GND ground black, TX signal yellow, RX signal white, SDA signal blue, SCL signal green",
                    PatternMaker.Gives(
                        Need.Gps,
                        PatternMaker.Mode("UBX", "TX out, RX in") with
                        {
                            Bauds = [115200, 57600, 38400, 9600],
                        }
                    ),
                    PatternMaker.Gives(Need.Compass, PatternMaker.Mode("I²C", "SDA both, SCL in") with { Address = 13 })
                ),
                "1.0 mm",
                "gnd scl sda tx rx 5v"
            )
        ),
        new(
            "gnss",
            "GNSS module without compass",
            "Four leads: supply, ground, TX and RX. Without a battery or flash it loses its settings at power-off.",
            PatternMaker.Device(
                DeviceKind.Gnss,
                "5V supply red, GND ground black, TX signal yellow, RX signal white",
                PatternMaker.Gives(
                    Need.Gps,
                    PatternMaker.Mode("UBX", "TX out, RX in") with
                    {
                        Bauds = [9600, 38400, 57600, 115200],
                    }
                )
            )
        ),
        new(
            "compass",
            "Standalone compass",
            "Supply, ground, SDA and SCL.",
            PatternMaker.Device(
                DeviceKind.Compass,
                "5V supply red, GND ground black, SDA signal blue, SCL signal green",
                PatternMaker.Gives(Need.Compass, PatternMaker.Mode("I²C", "SDA both, SCL in") with { Address = 13 })
            )
        ),
        new(
            "telemetry-radio",
            "Telemetry radio",
            "A separate radio for telemetry and commands; not part of the receiver.",
            PatternMaker.Device(
                DeviceKind.TelemetryRadio,
                "5V supply red, GND ground black, TX signal yellow, RX signal green",
                PatternMaker.Gives(
                    Need.Telemetry,
                    PatternMaker.Mode("MAVLink", "TX out, RX in") with
                    {
                        Bauds = [57600, 115200],
                    },
                    PatternMaker.Mode(
                        "MAVLink",
                        "RX in",
                        "talk",
                        "MAVLink, telemetry out only",
                        "commands from the ground"
                    )
                )
            )
        ),
        new(
            "speed-controllers",
            "ESCs with a plug",
            "One plug for motors, current sense and ESC telemetry; the ESCs are powered directly from the battery.",
            PatternMaker.Device(
                DeviceKind.Esc,
                "BAT supply red, GND ground black, CUR sense yellow, TLM signal green",
                PatternMaker.Gives(Need.EscTelemetry, PatternMaker.Mode("ESC", "TLM out")),
                PatternMaker.Gives(
                    Need.BatterySensing,
                    PatternMaker.Mode("Level in", "CUR out") with
                    {
                        Reads = AnalogueReading.Current,
                    }
                )
            ) with
            {
                Pieces = 4,
            }
        ),
        new(
            "range-finder",
            "Rangefinder or flow sensor",
            "Supply, ground and one or two serial leads.",
            PatternMaker.Device(
                DeviceKind.Rangefinder,
                "5V supply red, GND ground black, TX signal green",
                PatternMaker.Gives(Need.Rangefinder, PatternMaker.Mode("Range finder", "TX out"))
            )
        ),
        new(
            "recorder",
            "Flight logger",
            "Receives only: one signal lead and its supply.",
            PatternMaker.Device(
                DeviceKind.FlightLogger,
                "5V supply red, GND ground black, RX signal green",
                PatternMaker.Gives(Need.FlightLog, PatternMaker.Mode("Flight log", "RX in"))
            )
        ),
        new(
            "camera",
            "Analogue camera",
            "Supply, ground, video out; a camera control lead on some.",
            PatternMaker.Device(
                DeviceKind.Camera,
                "V supply red, GND ground black, VID video yellow",
                PatternMaker.Gives(Need.Video, PatternMaker.Mode("Picture in", "VID out"))
            )
        ),
        new(
            "wireless-bridge",
            "Wireless configuration module",
            "Settings from a phone; supply, ground, TX and RX.",
            PatternMaker.Device(
                DeviceKind.WirelessBridge,
                "5V supply red, GND ground black, TX signal yellow, RX signal white",
                PatternMaker.Gives(Need.WirelessConfiguration, PatternMaker.Mode("MSP host", "TX out, RX in"))
            )
        ),
        new(
            "overlay",
            "OSD board",
            "Overlays text on analogue video, using data from the board.",
            PatternMaker.Device(
                DeviceKind.Osd,
                "5V supply red, GND ground black, TX signal yellow, RX signal white",
                PatternMaker.Gives(Need.Osd, PatternMaker.Mode("MSP", "TX out, RX in"))
            )
        ),
        new(
            "regulator",
            "Regulator",
            "Battery in, another voltage out.",
            PatternMaker.Offering(
                PatternMaker.Device(DeviceKind.Regulator, "IN supply red, GND ground black, OUT output yellow"),
                "out",
                5
            )
        ),
        new(
            "filter",
            "Filter",
            "Passes a supply through and filters its noise.",
            PatternMaker.Offering(
                PatternMaker.Device(DeviceKind.Filter, "IN supply red, GND ground black, OUT output yellow"),
                "out",
                null
            )
        ),
        new(
            "adapter",
            "Adapter",
            "Between two plugs, wired straight through.",
            PatternMaker.Offering(
                PatternMaker.Device(DeviceKind.Adapter, "IN supply red, GND ground black, OUT output red"),
                "out",
                null
            )
        ),
    ];
}
