using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Protocols;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Fit;
using Gorvix.Core.Wired.Settings;
using Gorvix.Core.Wired.Wiring;

namespace Gorvix.Core.Tests.Settings;

/// <summary>Every switch that a plan implies, and why.</summary>
public class SettingsSheetTests
{
    private static readonly DateOnly Day = new(2026, 11, 26);

    private static WiredBuild Wired(Build build) => new FitReader(Resolved(build, Demo.Library)).Wired;

    private static SettingsSheet Sheet(Build build) => SettingsReader.Of(Wired(build), Day);

    private static Setting Of(SettingsSheet sheet, string key) => sheet.Settings.Single(s => s.Key == key);

    public static TheoryData<string> Names => [.. Demo.Builds.Select(b => b.Name)];

    [Theory]
    [MemberData(nameof(Names))]
    public void Every_port_in_use_has_its_one_line_and_every_line_its_reason(string name)
    {
        var wired = Wired(Demo.Builds.First(b => b.Name == name));
        var sheet = SettingsReader.Of(wired, Day);
        Assert.Equal(
            wired.Ports.Select(p => $"port.{p.Port.Id}").Distinct().Order(),
            sheet.Settings.Where(s => s.Place == SettingPlace.Port).Select(s => s.Key).Order()
        );
        Assert.Equal(sheet.Settings.Count, sheet.Settings.Select(s => s.Key).Distinct().Count());
        Assert.All(sheet.Settings, s => Assert.EndsWith(".", s.Why, StringComparison.Ordinal));
        Assert.All(
            sheet.Settings.Where(s => s.Values is not null),
            s =>
            {
                var set = wired.Ports.First(p => p.Port.Id == s.Port);
                Assert.Equal(set.Settings.Job, s.Values!.Job);
                Assert.Equal(set.Settings.Baud, s.Values.Baud);
                Assert.Equal(set.Settings.InvertRx, s.Values.Rx == Polarity.Inverted);
                Assert.Equal(set.Settings.InvertTx, s.Values.Tx == Polarity.Inverted);
            }
        );
    }

    [Fact]
    public void A_port_is_read_off_in_one_line()
    {
        var line = Of(Sheet(Demo.CrusherHouseLark), "port.U6");
        Assert.Equal(
            "UART6 receives from Relay 16: receiver input, SBUS at 100 000 baud, RX inverted, RX/TX swapped",
            line.Words
        );
        Assert.Equal("job=receiverInput protocol=SBUS baud=100000 rx=inverted swap=yes", line.Value);
        Assert.Contains("can invert it back in the settings", line.Why, StringComparison.Ordinal);
    }

    [Fact]
    public void An_inverter_on_the_board_leaves_nothing_to_invert_in_the_settings()
    {
        // Q5 and Q6: an F4 board whose receiver pad has an inverter.
        var sheet = Demo
            .Builds.Select(Sheet)
            .SelectMany(s => s.Settings)
            .First(s =>
                s.Values is { Protocol: "SBUS", Rx: Polarity.Normal }
                && s.Why.Contains("An inverter in the path corrects", StringComparison.Ordinal)
            );
        Assert.DoesNotContain("RX inverted", sheet.Words, StringComparison.Ordinal);
    }

    [Fact]
    public void Sensing_is_on_or_the_values_never_reach_the_radio()
    {
        var sheet = Sheet(Demo.TipTrackPipit);
        Assert.Equal("on", Of(sheet, "battery.voltage").Value);
        Assert.Contains("never reaches the radio", Of(sheet, "battery.voltage").Why, StringComparison.Ordinal);
        Assert.Equal("on", Of(sheet, "battery.current").Value);
        Assert.Equal("off", Of(Sheet(Demo.CrusherHouseLark), "battery.current").Value);
    }

    [Fact]
    public void A_one_way_link_brings_nothing_back_and_says_so()
    {
        var values = Sheet(Demo.CrusherHouseLark).Telemetry;
        Assert.All(values, v => Assert.Contains("one-way", v.Missing!, StringComparison.Ordinal));
        Assert.Equal("off", Of(Sheet(Demo.CrusherHouseLark), "telemetry").Value);
        Assert.Empty(Sheet(Demo.CrusherHouseLark).TelemetryNotes);
    }

    // The same receiver four times: what the board says to it can come back, where the link carries anything back.
    [Theory]
    [InlineData(true, true)]
    [InlineData(true, false)]
    [InlineData(false, true)]
    [InlineData(false, false)]
    public void A_link_brings_values_back_only_where_the_board_talks_to_it_and_it_carries_them(
        bool isTwoWay,
        bool carries
    )
    {
        var receiver = Handmade
            .Device("receiver", Need.RcLink, Handmade.Mode("CRSF", Handmade.Out(), Handmade.In()))
            .Also("t", Need.Telemetry, Handmade.Mode("S.Port", Handmade.Both("TLM")));
        var planned = new FitReader(Handmade.Build(Handmade.Whole("F7", "U1", "U2"), receiver)).Wired;
        var port = Assert.Single(planned.Ports);
        var wired = planned with
        {
            Ports =
            [
                port with
                {
                    Mode = port.Mode with
                    {
                        Lines = isTwoWay ? port.Mode.Lines : [.. port.Mode.Lines.Where(l => l.Flow == Flow.Out)],
                        Carries = carries ? [new() { Function = "t" }] : [],
                    },
                },
            ],
        };
        var values = SettingsReader.Of(wired, Day).Telemetry;
        Assert.Equal(isTwoWay && carries, values.Any(v => v.Missing is null));
        Assert.Equal(isTwoWay && carries, values.Any(v => v.By is not null));
    }

    [Fact]
    public void Inside_a_two_way_link_the_values_of_what_is_wired_come_and_the_others_say_why_not()
    {
        var (build, sheet) = Demo
            .Builds.Select(b => (b, Sheet(b)))
            .First(x => x.Item2.Telemetry.Any(v => v.By?.Contains("CRSF", StringComparison.Ordinal) == true));
        var wired = Wired(build);
        TelemetryValue Value(string name) => sheet.Telemetry.Single(v => v.Name == name);
        bool Carries(Need need) =>
            wired.Ports.Any(p => wired.Build.Links.First(l => l.Id == p.Link).Function.Need == need);
        Assert.Contains(sheet.TelemetryNotes, n => n.Contains("values update once only", StringComparison.Ordinal));
        Assert.Null(Value("battery voltage").Missing);
        Assert.Equal(Carries(Need.Gps), Value("position, speed and course").Missing is null);
        Assert.Equal(Carries(Need.Compass), Value("heading").Missing is null);
        Assert.Equal(Carries(Need.EscTelemetry), Value("motor RPM and ESC temperature").Missing is null);
        // No separate telemetry port is set with a receiver like that.
        Assert.DoesNotContain(
            sheet.Settings,
            s => s.Values?.Job == PortJob.TelemetryOut && s.Values.Protocol == "CRSF"
        );
    }

    [Fact]
    public void Older_firmware_needs_more_than_the_job_for_the_canvas()
    {
        var older = Sheet(Demo.CrusherHouseLark with { Firmware = "older" });
        var newer = Sheet(Demo.CrusherHouseLark);
        Assert.Contains(older.Settings, s => s.Key.StartsWith("canvas.extra.", StringComparison.Ordinal));
        Assert.DoesNotContain(newer.Settings, s => s.Key.StartsWith("canvas.extra.", StringComparison.Ordinal));
        Assert.Equal("old", Of(newer, "canvas.grid").Value);
        Assert.Equal(
            "wide",
            Of(
                Sheet(Demo.CrusherHouseLark with { Settings = new BuildSettings { Canvas = CanvasGrid.Wide } }),
                "canvas.grid"
            ).Value
        );
    }

    [Fact]
    public void The_two_schools_stand_with_their_reasons()
    {
        var build = Demo.CrusherHouseLark;
        Assert.Equal("required", Of(Sheet(build), "arming.fix").Value);
        Assert.Equal("return-home", Of(Sheet(build), "failsafe").Value);
        var other = build with { House = build.House with { Arming = ArmingFix.FixOptional, Failsafe = LossAct.Drop } };
        Assert.Equal("optional", Of(Sheet(other), "arming.fix").Value);
        Assert.Equal("drop", Of(Sheet(other), "failsafe").Value);
        Assert.NotEqual(Of(Sheet(build), "failsafe").Why, Of(Sheet(other), "failsafe").Why);
    }

    private static BuildSettings AtTheQuarry { get; } =
        new()
        {
            Place = new FlyingPlace { Latitude = 53.271, Longitude = -1.815 },
        };

    [Fact]
    public void The_declination_comes_in_the_form_that_the_firmware_takes()
    {
        var build = Demo.CrusherHouseLark with { Settings = AtTheQuarry };
        var plain = Of(Sheet(build), SettingsSheet.Declination);
        var packed = Of(Sheet(build with { Firmware = "older" }), SettingsSheet.Declination);
        Assert.Matches(@"^-?\d+\.\d\d$", plain.Value);
        Assert.Matches(@"^-?\d+$", packed.Value);
        Assert.Contains("World Magnetic Model 2025", plain.Why, StringComparison.Ordinal);

        // It drifts from day to day; a tick of last month still stands, one of another place does not.
        Assert.True(
            SettingsSheet.Stands(
                plain,
                $"{double.Parse(plain.Value, System.Globalization.CultureInfo.InvariantCulture) + 0.1:0.00}"
            )
        );
        Assert.False(SettingsSheet.Stands(plain, "12.00"));
    }

    [Fact]
    public void The_compass_counts_what_is_on_its_bus_and_takes_the_turn_that_is_said()
    {
        var wired = Wired(Demo.CrusherHouseLark);
        var bus = wired.Ports.First(p => p.Port.Kind == PortKind.Bus);
        Assert.Equal($"{1 + bus.Port.Addresses.Count}", Of(SettingsReader.Of(wired, Day), "bus.devices").Value);
        var turned = Demo.CrusherHouseLark with
        {
            Settings = new BuildSettings { CompassTurn = MountTurn.Left, CompassFace = MountFace.Down },
        };
        Assert.Equal("270-down", Of(Sheet(turned), "compass.turn").Value);
    }

    // The open CRSF specification: 26 bytes at 420 000 take 0.62 ms, at 115 200 2.26 ms: 500 a second do not fit the slow line.
    [Fact]
    public void A_slow_bay_carries_no_fast_packets()
    {
        Build With(int bay, int hertz) =>
            Demo.RimWalkRook with
            {
                Radio = new RadioSide { BayBaud = bay, PacketHertz = hertz },
            };
        var fast = Sheet(With(420_000, 500)).Timing!;
        Assert.Equal(0.62, fast.FrameMs!.Value, 0.005);
        Assert.Equal(0.62, fast.BayFrameMs!.Value, 0.005);
        Assert.Equal(2.0 + 0.62 + 0.62, fast.WorstMs, 0.01);
        var slow = Sheet(With(115_200, 500)).Timing!;
        Assert.Equal(2.26, slow.BayFrameMs!.Value, 0.005);
        Assert.True(slow.MostHertz < 500);
        Assert.Contains("does not fit", slow.Words, StringComparison.Ordinal);
    }

    [Fact]
    public void What_is_ticked_stands_until_the_plan_wants_it_otherwise()
    {
        var build = Demo.CrusherHouseLark;
        var line = Of(Sheet(build), "port.U6");
        Assert.False(line.IsDone);
        var ticked = build with { Built = [SettingsSheet.FactOf(line)] };
        Assert.True(Of(Sheet(ticked), "port.U6").IsDone);
        var other = ticked with { Built = [SettingsSheet.FactOf(line) with { Value = "job=gnss protocol=UBX" }] };
        Assert.False(Of(Sheet(other), "port.U6").IsDone);
        Assert.Contains(Sheet(other).Findings, f => f.Rule == SettingsRules.Changed.Id);
        Assert.DoesNotContain(Sheet(ticked).Findings, f => f.Rule == SettingsRules.Changed.Id);
    }

    [Fact]
    public void What_is_doubtful_is_found()
    {
        bool Has(BuildSettings settings, Rule rule) =>
            Sheet(Demo.CrusherHouseLark with { Settings = settings }).Findings.Any(f => f.Rule == rule.Id);
        Assert.True(Has(BuildSettings.None, SettingsRules.NoPlace));
        Assert.False(Has(AtTheQuarry, SettingsRules.NoPlace));
        Assert.True(Has(new() { StrengthChannel = 12, Channels = 8 }, SettingsRules.Channel));
        Assert.False(Has(new() { StrengthChannel = 9, Channels = 8 }, SettingsRules.Channel));
        Assert.False(Has(new() { StrengthChannel = 12, Channels = 12 }, SettingsRules.Channel));
        Assert.False(Has(new() { GnssHertz = 5 }, SettingsRules.Budget));
    }

    [Fact]
    public void A_slow_line_that_is_too_full_is_found_with_what_mends_it()
    {
        DeviceFunction Slow(DeviceFunction f) =>
            f with
            {
                Modes = [.. f.Modes.Select(m => m with { Bauds = m.Bauds.Count > 0 ? [9_600] : [] })],
            };
        var library = new PartsLibrary(
            Demo.Library.Boards,
            [
                .. Demo.Library.Devices.Select(d =>
                    d.Kind == DeviceKind.Gnss ? d with { Functions = [.. d.Functions.Select(Slow)] } : d
                ),
            ]
        )
        {
            Profiles = Demo.Library.Profiles,
        };
        var finding = SettingsReader
            .Of(new FitReader(Resolved(Demo.CrusherHouseLark, library)).Wired, Day)
            .Findings.Single(f => f.Rule == SettingsRules.Budget.Id);
        // Of 20 satellites 245.2 bytes a solution (UBX, older): 0.8 × 9600 ÷ 2452 is three; another baud it does not know.
        Assert.EndsWith("at 9600 baud. Set at most 3 Hz.", finding.Sentence, StringComparison.Ordinal);
    }

    [Fact]
    public void A_module_that_forgets_is_told_by_the_board_at_each_start()
    {
        SettingsSheet With(SetupMemory? memory, GnssWay? way)
        {
            var library = new PartsLibrary(
                Demo.Library.Boards,
                [.. Demo.Library.Devices.Select(d => d.Kind == DeviceKind.Gnss ? d with { Memory = memory } : d)]
            )
            {
                Profiles = Demo.Library.Profiles,
            };
            var build = Demo.CrusherHouseLark with { Settings = new BuildSettings { GnssWay = way } };
            return SettingsReader.Of(new FitReader(Resolved(build, library)).Wired, Day);
        }
        Assert.Equal("at-start", Of(With(SetupMemory.Loses, null), "gnss.setup").Value);
        Assert.Equal("stored", Of(With(SetupMemory.Saves, null), "gnss.setup").Value);
        Assert.Equal("at-start", Of(With(null, null), "gnss.setup").Value);
        Assert.Contains(With(SetupMemory.Loses, GnssWay.Stored).Findings, f => f.Rule == SettingsRules.Forgets.Id);
        Assert.DoesNotContain(
            With(SetupMemory.Saves, GnssWay.Stored).Findings,
            f => f.Rule == SettingsRules.Forgets.Id
        );
    }
}
