using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Protocols;
using Gorvix.Core.Plans.Builds;
using static Gorvix.Core.Tests.Planning.MadeParts;

namespace Gorvix.Core.Tests.Planning;

/// <summary>
/// Legal builds at and near the limits of the checks, made up from a seed: up to 40 links on 32 ports, 256 pads, 16 selectors of six
/// positions, 16 sockets, pulse inputs of 24 channels, devices of 16 modes, supplies that rails can hardly give. No real board comes near.
/// The same seed always gives the same build.
/// </summary>
internal static class AtTheLimits
{
    private static readonly (string Protocol, Flow[] Flows, bool Turned)[] Modes =
    [
        ("CRSF", [Flow.Out, Flow.In], false),
        ("CRSF", [Flow.Out, Flow.In], true),
        ("MSP", [Flow.Out, Flow.In], false),
        ("UBX", [Flow.Out, Flow.In], false),
        ("SBUS", [Flow.Out], false),
        ("IBUS", [Flow.Out], false),
        ("VC-4800", [Flow.Both], false),
        ("ESC", [Flow.Out], false),
        ("LTM", [Flow.In], false),
        ("Flight log", [Flow.In], false),
        ("S.Port", [Flow.Both], false),
        ("I²C", [Flow.Both, Flow.In], false),
        ("PPM", [Flow.Out], false),
    ];

    /// <summary>One that the first look leaves open and a longer one betters within a second.</summary>
    public const int SoonImproved = 107;

    /// <summary>One of them, resolved.</summary>
    public static ResolvedBuild Resolved(int seed)
    {
        var (build, library) = Of(seed);
        return ResolvedBuild.Of(build, library) is { Build: { } made }
            ? made
            : throw new InvalidOperationException(
                string.Join('\n', ResolvedBuild.Of(build, library).Findings.Select(f => f.Sentence))
            );
    }

    /// <summary>One of them.</summary>
    public static (Build Build, PartsLibrary Library) Of(int seed)
    {
        var random = new Random(seed);
        // One in four goes to the limit in everything, the others are somewhere near in each.
        var full = random.Next(4) == 0;
        int Near(int most) => full ? most : random.Next(most * 2 / 5, most + 1);
        var ports = Near(PartCheck.MostPorts - 4);
        var board = LimitBoards.Of(random, ports, Near(PartCheck.MostBridges), Near(PartCheck.MostSockets), Near);
        var links = Near(BuildCheck.MostLinks);
        var leads = BuildCheck.MostLeads;
        var devices = new List<Device>();
        for (var i = 0; i < links; i++)
        {
            var pulses = i == 0 ? random.Next(0, 25) : 0;
            var device = DeviceOf(random, i, pulses, random.Next(1, random.Next(8) == 0 ? PartCheck.MostModes + 1 : 5));
            var signals = device.Leads.Count(l => l.Role == LeadRole.Signal);
            if (signals <= leads)
            {
                leads -= signals;
                devices.Add(device);
            }
        }
        var build = new Build
        {
            Name = $"at the limits {seed}",
            Board = board.Id,
            Pack = random.Next(5) == 0 ? null : new Pack { Cells = random.Next(3, 7) },
            House = new()
            {
                Unused = (UnusedLeads)random.Next(3),
                Sharing = (PortSharing)random.Next(2),
                Software = (SoftwareUse)random.Next(3),
            },
            Devices = [.. devices.Select(d => new BuildDevice { Id = d.Id, Part = d.Id })],
            Wants =
            [
                .. devices.Select(d => new Want
                {
                    Link = d.Id,
                    Device = d.Id,
                    Function = "f",
                    Priority = (Priority)random.Next(3),
                }),
            ],
        };
        return (Wished(random, build, board), new PartsLibrary([board], devices));
    }

    private static Build Wished(Random random, Build build, Board board)
    {
        RouteMatch Match() =>
            new()
            {
                Link = build.Wants[random.Next(build.Wants.Count)].Link,
                Port = board.Ports[random.Next(board.Ports.Count)].Id,
            };
        return build with
        {
            Pins = [.. Enumerable.Range(0, random.Next(5)).Select(_ => Match()).DistinctBy(m => m.Link)],
            Bans = [.. Enumerable.Range(0, random.Next(10)).Select(_ => Match()).Distinct()],
        };
    }

    private static Device DeviceOf(Random random, int i, int pulses, int modes)
    {
        var made =
            pulses > 0
                ? [Pulses(pulses)]
                : Enumerable.Range(0, modes).Select(m => ModeOf(Modes[random.Next(Modes.Length)], m, i)).ToList();
        var signals = made.SelectMany(m => m.Lines.Select(l => l.Lead)).Distinct().ToList();
        var peak = random.Next(1, 20) / 10.0;
        return new Device
        {
            Id = $"d{i}",
            Maker = "made up",
            Name = $"d{i}",
            Kind = (DeviceKind)(i % 4),
            Leads =
            [
                .. signals.Select(s =>
                    Lead(s, LeadRole.Signal) with
                    {
                        Talks = random.Next(4) == 0 ? TalkHabit.Always : TalkHabit.Asked,
                    }
                ),
                Lead("V", LeadRole.Supply),
                Lead("G", LeadRole.Ground),
            ],
            Supplies =
            [
                new()
                {
                    Lead = "V",
                    Window = new() { Min = 4, Max = random.Next(3) == 0 ? 26 : 10 },
                    Typical = random.Next(3) == 0 ? null : peak / 3,
                    Peak = peak,
                },
            ],
            Functions =
            [
                new()
                {
                    Id = "f",
                    Need = (Need)random.Next(12),
                    Modes = made,
                },
            ],
            Plug =
                i % 3 == 0 && pulses == 0
                    ? new()
                    {
                        Family = $"family {random.Next(4)}",
                        Pins =
                        [
                            new() { Lead = "G" },
                            new() { Lead = "V" },
                            .. signals.Take(4).Select(s => new DevicePin { Lead = s }),
                        ],
                    }
                    : null,
        };
    }

    private static Mode Pulses(int channels) =>
        new()
        {
            Id = "pulses",
            Name = "pulses",
            Protocol = "PWM",
            Lines = [.. Enumerable.Range(0, channels).Select(n => new ModeLine { Lead = $"C{n}", Flow = Flow.Out })],
        };

    private static Mode ModeOf((string Protocol, Flow[] Flows, bool Turned) mode, int number, int device) =>
        new()
        {
            Id = $"m{number}",
            Name = $"{mode.Protocol} {number}",
            Protocol = mode.Protocol,
            Setting = number > 0 ? "change the protocol" : null,
            Address = mode.Protocol == "I²C" ? 8 + device : null,
            Lines =
            [
                .. mode.Flows.Select(f => new ModeLine
                {
                    Lead = f.ToString(),
                    Flow = f,
                    Polarity = mode.Turned && f == Flow.Out ? Polarity.Inverted : null,
                }),
            ],
        };
}
