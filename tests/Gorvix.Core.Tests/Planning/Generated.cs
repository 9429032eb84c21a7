using System.Runtime.CompilerServices;
using CsCheck;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Protocols;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Routing;
using static Gorvix.Core.Tests.Handmade;

namespace Gorvix.Core.Tests.Planning;

/// <summary>
/// Builds made up by the property engine: boards with inverters, shared bridges, half, held and advised ports, serial in
/// code, pulses, levels, a bus over a serial unit with an address in use, boot traps, doubtful pads and supply selectors;
/// telemetry that can ride inside another link; under every set of house rules.
/// </summary>
internal static partial class Generated
{
    private static readonly Gen<Mode> Modes = Gen.OneOfConst(
        Mode("CRSF", Out(), In()),
        Mode("CRSF", Out(polarity: Polarity.Inverted), In()) with
        {
            Id = "turned",
            Setting = "invert",
            Firmware = "2",
        },
        Mode("CRSF", Out()) with
        {
            Id = "deaf",
            Loses = ["telemetry"],
        },
        Mode("SBUS", Out()),
        Mode("IBUS", Out()),
        Mode("S.Port", Both()),
        Mode("VC-4800", Both()),
        Mode("MSP", Out(), In()),
        Mode("UBX", Out(), In()) with
        {
            Bauds = [115_200, 57_600, 9_600],
        },
        Mode("LTM", In()),
        Mode("ESC", Out()),
        Mode("PPM", Out()),
        Mode("I²C", Both(), In()) with
        {
            Address = 13,
        },
        Mode("I²C", Both(), In()) with
        {
            Id = "i²c-14",
            Address = 14,
            Straps = [new() { Address = 13, How = "close the pad ADR" }],
        }
    );

    private static readonly Gen<Device> Devices = Gen.Select(
        Gen.Enum<Need>(),
        Modes.Array[1, 2].Select(m => m.DistinctBy(x => x.Id).ToArray()),
        Gen.Int[0, 16],
        Gen.OneOfConst(DeviceKind.Receiver, DeviceKind.AirUnit, DeviceKind.Gnss),
        DeviceOf
    );

    private static readonly Gen<HouseRules> Houses = Gen.Select(
        Gen.Enum<PortSharing>(),
        Gen.Enum<SoftwareUse>(),
        Gen.Enum<ReceiverSupply>(),
        Gen.Enum<VideoSupply>(),
        Gen.Enum<BootCure>(),
        Gen.Enum<UnusedLeads>(),
        (sharing, software, receiver, video, boot, unused) =>
            new HouseRules
            {
                Sharing = sharing,
                Software = software,
                Receiver = receiver,
                Video = video,
                BootTrap = boot,
                Unused = unused,
            }
    );

    private static readonly FirmwareProfile Older = new()
    {
        Id = "older",
        Name = "older",
        Jobs = [PortJob.ReceiverInput, PortJob.VideoCanvas, PortJob.Gnss, PortJob.EscTelemetry, PortJob.TelemetryOut],
        Shares = [new() { Rx = PortJob.EscTelemetry, Tx = PortJob.TelemetryOut }],
        CanvasSettings = ["turn the canvas on"],
    };

    /// <summary>
    /// Looks at so many builds. One that the planner says is too hard to plan has nothing to look at; none of the short run is, and of
    /// a hundred others at most one may be.
    /// </summary>
    /// <param name="builds">The builds.</param>
    /// <param name="look">What must hold of each.</param>
    /// <param name="of">How many a short run looks at.</param>
    /// <param name="kept">Seeds of builds that failed once.</param>
    /// <param name="file">The file of the test.</param>
    /// <param name="test">The test.</param>
    public static void HoldPlanned(
        this Gen<ResolvedBuild> builds,
        Action<ResolvedBuild> look,
        int of,
        IReadOnlyList<string>? kept = null,
        [CallerFilePath] string file = "",
        [CallerMemberName] string test = ""
    )
    {
        var givenUp = 0;
        var looked = builds.Holds(
            build =>
            {
                try
                {
                    look(build);
                }
                catch (UnplannableException e) when (e.Findings[0].Rule == LimitRules.TooHard.Id)
                {
                    Interlocked.Increment(ref givenUp);
                }
            },
            of: of,
            kept: kept,
            print: Print,
            file: file,
            test: test
        );
        Assert.InRange(givenUp, 0, looked == of ? 0 : looked / 100);
    }

    /// <summary>Builds of at most so many ports and links.</summary>
    public static Gen<ResolvedBuild> Builds(int ports, int links) =>
        Gen.Select(
            Boards(ports),
            Gen.Select(Devices, Gen.Enum<Priority>()).Array[1, links],
            Gen.Int[-2, 3],
            Houses,
            Gen.Int[0, 3],
            Gen.Int[0, 127],
            (plain, devices, pin, house, more, supply) =>
            {
                var board = Limited(plain, supply);
                var made = Build(
                    board,
                    [.. devices.Select((d, i) => (Drawing(d.Item1 with { Id = $"d{i}" }, i, supply), d.Item2))]
                );
                var pinned = pin >= 0 && pin < board.Ports.Count;
                WishMatch[] seat = pin == -1 ? [new SeatMatch { Device = "d0", Socket = board.Plugs[^1].Id }] : [];
                var build = made.Build with
                {
                    House = house,
                    Firmware = more == 0 ? "older" : null,
                    Pack = more > 1 ? new Pack { Cells = 4 } : null,
                    Wants =
                    [
                        .. made.Build.Wants,
                        .. made
                            .Devices.Where(d => d.Device.Functions.Count > 1)
                            .Select(d => new Want
                            {
                                Link = $"{d.Id}t",
                                Device = d.Id,
                                Function = "t",
                                Priority = Priority.Wanted,
                            }),
                    ],
                    Pins = pinned ? [new RouteMatch { Link = "d0", Port = board.Ports[pin].Id }] : seat,
                };
                var library = new PartsLibrary([board], [.. made.Devices.Select(d => d.Device), Step])
                {
                    Profiles = [Older],
                };
                return Resolved(
                    supply % 4 == 3
                        ? build with
                        {
                            Devices = [.. build.Devices, new BuildDevice { Id = "step", Part = Step.Id }],
                        }
                        : build,
                    library
                );
            }
        );

    /// <summary>A build in a few words, for a failure.</summary>
    public static string Print(ResolvedBuild build) =>
        $"{build.Board.Controller}, {string.Join(" ", build.Board.Ports.Select(p => p.Id))}, "
        + $"{string.Join(" | ", build.Board.Plugs.Select(p => $"{p.Id}: {string.Join(' ', p.Pins.Select(x => x.Pad))}"))}, "
        + $"{build.Build.House}, {build.Build.Firmware}, pack {build.Build.Pack?.Cells}: "
        + string.Join(
            ", ",
            build.Links.Select(l =>
                $"{l.Want.Priority} {string.Join("/", l.Function.Modes.Select(m => m.Id))} in {string.Join(' ', l.Device.Plug?.Pins.Select(p => p.Lead ?? "-") ?? [])}"
            )
        );

    // A regulator of its own, on the battery only.
    private static readonly Device Step = new()
    {
        Id = "step",
        Maker = "Bench",
        Name = "Step",
        Kind = DeviceKind.Regulator,
        Leads =
        [
            new()
            {
                Id = "i",
                Label = "IN",
                Role = LeadRole.Supply,
            },
            new()
            {
                Id = "o",
                Label = "OUT",
                Role = LeadRole.Output,
            },
        ],
        Supplies =
        [
            new()
            {
                Lead = "i",
                Window = new() { Min = 7, Max = 26 },
            },
        ],
        Outputs =
        [
            new()
            {
                Lead = "o",
                Volts = 5,
                Limit = 0.5,
            },
        ],
        Functions = [],
    };

    // Rails of known limit, one of them behind the other, in every second board.
    private static Board Limited(Board board, int supply) =>
        supply % 2 == 0
            ? board
            : board with
            {
                Rails =
                [
                    .. board.Rails.Select(r =>
                        r.Id switch
                        {
                            "5v" => r with { Limit = 0.3 + (0.2 * (supply / 4 % 4)) },
                            "4v5" => r with
                            {
                                Limit = supply / 16 % 2 == 0 ? null : 0.25,
                                From = supply / 32 % 2 == 0 ? null : "5v",
                            },
                            _ => r,
                        }
                    ),
                ],
            };

    private static Device Drawing(Device device, int number, int supply) =>
        device with
        {
            Supplies =
            [
                .. device.Supplies.Select(s =>
                    (number + supply) % 5 == 4
                        ? s
                        : s with
                        {
                            Typical = 0.1 * (1 + ((number + supply) % 4)),
                            Peak = 0.1 * (1 + ((number + supply) % 4)) * (1 + (supply / 64)),
                        }
                ),
            ],
        };

    // The number says what is odd about the device: a boot trap, a supply of its own, a plug with a lead that always talks,
    // telemetry that can ride inside its link, or a level in place of a line.
    private static Device DeviceOf(Need need, Mode[] modes, int odd, DeviceKind kind)
    {
        var device = Device("d", need, modes) with { Kind = kind };
        return odd switch
        {
            0 or 1 => device with { Leads = [.. device.Leads.Select(l => l with { AtBoot = BootNeed.High })] },
            2 or 3 => device.Fed(4, odd == 2 ? 6 : 18),
            4 or 5 => Plugged(device, odd == 4),
            >= 6 and <= 11 => Powered(device, odd - 6),
            12 or 13 => Ridden(device, odd == 12 ? ["fewer readings"] : []),
            14 => Level(device),
            _ => device,
        };
    }

    // Whoever asks for its telemetry gets it inside a mode of the first function, or on a wire of its own.
    private static Device Ridden(Device device, IReadOnlyList<string> loses)
    {
        var (first, own) = (device.Functions[0], Mode("S.Port", Both("TLM")));
        Mode Carrying(Mode mode) =>
            mode.Protocol is "CRSF" or "MSP" && mode.Lines.Any(l => l.Flow == Flow.In)
                ? mode with
                {
                    Carries = [new() { Function = "t", Loses = loses }],
                }
                : mode;
        Lead lead = new()
        {
            Id = "TLM",
            Label = "TLM",
            Role = LeadRole.Signal,
        };
        return device with
        {
            Leads = [.. device.Leads, lead],
            Functions =
            [
                first with
                {
                    Modes = [.. first.Modes.Select(Carrying)],
                },
                new()
                {
                    Id = "t",
                    Need = Need.Telemetry,
                    Modes = [own],
                },
            ],
        };
    }

    private static Device Level(Device device)
    {
        var sensing = Device("d", device.Functions[0].Need, Mode("Level in", Out()));
        return sensing with { Leads = [.. sensing.Leads.Select(l => l with { Role = LeadRole.Sense })] };
    }

    private static Device Plugged(Device device, bool straight)
    {
        var talker = new Lead
        {
            Id = "S",
            Label = "S",
            Role = LeadRole.Signal,
            Talks = TalkHabit.Always,
        };
        List<DevicePin> pins = [.. device.Leads.Append(talker).Select(l => new DevicePin { Lead = l.Id })];
        return device with
        {
            Leads = [.. device.Leads, talker],
            Plug = new() { Family = "plug", Pins = straight ? pins : [.. pins.AsEnumerable().Reverse()] },
        };
    }

    // A plug with supply, ground, signals and a lead that always talks, in several orders; one with its talker beside the plug.
    private static Device Powered(Device device, int order)
    {
        var fed = device.Fed(4, order % 3 == 2 ? 18 : 6);
        Lead talker = new()
        {
            Id = "S",
            Label = "S",
            Role = LeadRole.Signal,
            Talks = TalkHabit.Always,
        };
        Lead ground = new()
        {
            Id = "G",
            Label = "G",
            Role = LeadRole.Ground,
        };
        var signals = device.Leads.Select(l => l.Id).ToList();
        string?[] pins = order switch
        {
            0 => ["G", "V", .. signals, "S"],
            1 => ["V", "G", .. signals, "S"],
            2 => ["G", "V", .. signals.AsEnumerable().Reverse(), "S"],
            3 => ["S", .. signals, "G", "V"],
            4 => ["G", "V", null, .. signals],
            _ => [.. signals, "V", "G"],
        };
        return fed with
        {
            Leads = [.. fed.Leads, ground, talker],
            Plug = new() { Family = "plug", Pins = [.. pins.Select(l => new DevicePin { Lead = l })] },
        };
    }
}
