using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Settings;
using static Gorvix.Core.Tests.Handmade;

namespace Gorvix.Core.Tests.Seams;

/// <summary>What a plan is said to allow, and what it is said to forbid, holds when it is tried.</summary>
public class PlannerSeamTests
{
    // A log takes 500 000 first and 115 200 too; ESC telemetry has 115 200 only: on the two halves of one port they must agree.
    [Theory]
    [InlineData(PortSharing.SplitHalves, "U1 U1")]
    [InlineData(PortSharing.OnePerPort, "U1 -")]
    public void Two_that_share_a_port_agree_on_a_second_baud(PortSharing sharing, string ports)
    {
        var esc = Device("esc", Need.EscTelemetry, Mode("ESC", Out()));
        var log = Device("log", Need.FlightLog, Mode("Flight log", In()) with { Bauds = [500_000, 115_200] });
        var fit = PlugBench.Fit4S(
            Whole("F7", "U1"),
            [esc, log],
            ["!esc", "log"],
            b => b with { House = new HouseRules { Sharing = sharing } }
        );
        Assert.Equal(ports, fit.Ports());
        if (sharing == PortSharing.SplitHalves)
        {
            Assert.Equal([115_200, 115_200], fit.Wired.Ports.Select(p => p.Settings.Baud));
        }
    }

    [Fact]
    public void What_was_refused_is_not_offered_as_room()
    {
        // UART1 hears only; telemetry that must talk finds no port, and room for telemetry is not told.
        var board = Board("F7", Port("U1", tx: false)).With(Pad("R1", "U1.rx"));
        var telemetry = Device("tele", Need.EscTelemetry, Mode("MAVLink", Out(), In()));
        var fit = PlugBench.Fit4S(board, [telemetry], ["tele"]);
        Assert.Equal("-", fit.Ports());
        Assert.DoesNotContain(fit.Sheet().Room.Kinds, r => r.Need == "ESC telemetry");
        var free = PlugBench.Fit4S(board, [Device("rx", Need.RcLink, Mode("MAVLink", Out(), In()))], ["rx"]);
        Assert.Contains(free.Sheet().Room.Kinds, r => r.Need == "ESC telemetry");
    }

    /// <summary>A rail that one device alone overloads is no conflict between links, and nothing is said to fit if another gives way.</summary>
    [Fact]
    public void A_rail_that_one_device_alone_overloads_is_told_as_that()
    {
        var board = Whole("F7", "U1", "U2").Powered("5V", "GND");
        board = board with { Rails = [.. board.Rails.Select(r => r.Id == "5V" ? r with { Limit = 2 } : r)] };
        var hungry = Device("hungry", Need.Osd, Mode("MSP", Out(), In())).Fed(4.5, 5.5, 3).Leads("G");
        var rx = Device("rx", Need.RcLink, Mode("CRSF", Out(), In())).Fed(4.5, 5.5, 0.1).Leads("G");
        var sheet = PlugBench.Fit4S(board, [hungry, rx], ["hungry", "rx"]).Sheet();
        foreach (var said in sheet.Conflicts.Select(c => c.Sentence).Concat(sheet.Findings.Select(f => f.Sentence)))
        {
            Assert.DoesNotContain("Drop one and the other fits", said);
            Assert.DoesNotContain("the rest fits", said);
        }
        Assert.Contains(sheet.Findings, f => f.Rule == "UNFED" && f.Sentence.Contains("limited to 2 A"));
    }

    [Fact]
    public void Inverted_telemetry_on_one_wire_inverts_both_directions_of_the_pin()
    {
        // A controller that inverts, a raw pad: S.Port is inverted and one wire.
        var port = Device("rx", Need.Telemetry, Mode("S.Port", Both()));
        var set = PlugBench.Fit4S(Whole("F7", "U1"), [port], ["rx"]).Wired.Ports.Single().Settings;
        Assert.Equal((true, true, true), (set.HalfDuplex, set.InvertTx, set.InvertRx));
        Assert.Equal(1, set.Switches);
    }

    [Fact]
    public void In_software_serial_the_inversion_is_told()
    {
        var board = Board(
                "F4",
                new Port
                {
                    Id = "S1",
                    Kind = PortKind.Software,
                    Tx = "S1.tx",
                    Rx = "S1.rx",
                }
            )
            .With(Pad("R1", "S1.rx"), Pad("T1", "S1.tx"));
        board = board with { Nets = [new Net { Id = "S1.rx" }, new Net { Id = "S1.tx" }] };
        var device = Device("rx", Need.Telemetry, Mode("S.Port", Both()));
        var fit = PlugBench.Fit4S(
            board,
            [device],
            ["rx"],
            b => b with { House = new HouseRules { Software = SoftwareUse.Allowed } }
        );
        Assert.Equal("S1", fit.Ports());
        var setting = SettingsReader.Of(fit.Wired, new DateOnly(2026, 11, 30)).Settings.First(s => s.Key == "port.S1");
        Assert.Contains("tx=inverted", setting.Value);
    }

    [Fact]
    public void At_a_pole_the_declination_is_told_to_be_none()
    {
        var compass = Device("mag", Need.Compass, Mode("I²C", Both("SDA"), In("SCL")) with { Address = 30 });
        var bus = new Port
        {
            Id = "I2C1",
            Kind = PortKind.Bus,
            Data = "sda",
            Clock = "scl",
        };
        var board = Board("F7", bus).With(Pad("SDA", "sda"), Pad("SCL", "scl")) with
        {
            Nets = [new Net { Id = "sda" }, new Net { Id = "scl" }],
        };
        string? Said(double latitude)
        {
            var fit = PlugBench.Fit4S(
                board,
                [compass],
                ["mag"],
                b =>
                    b with
                    {
                        Settings = new BuildSettings
                        {
                            Place = new FlyingPlace { Latitude = latitude, Longitude = 0 },
                        },
                    }
            );
            return SettingsReader
                .Of(fit.Wired, new DateOnly(2026, 11, 30))
                .Settings.FirstOrDefault(s => s.Key == "compass.declination")
                ?.Words;
        }
        Assert.Equal("Declination: none at a pole", Said(90));
        Assert.Contains("°", Said(52));
    }
}
