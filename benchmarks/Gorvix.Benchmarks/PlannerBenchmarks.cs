using BenchmarkDotNet.Attributes;
using Gorvix.Core.Builds;
using Gorvix.Core.Parts;
using Gorvix.Core.Planning;
using Gorvix.Core.Routing;
using Gorvix.Core.Tests.Planning;

namespace Gorvix.Benchmarks;

/// <summary>
/// A crowded bench, fourteen links on twelve ports of which a third are halves or behind inverters, planned by
/// Gorvix and by a general solver with one worker (source: Google OR-Tools CP-SAT). Both must find the same optimum.
/// </summary>
[ShortRunJob]
public class PlannerBenchmarks
{
    private ResolvedBuild _build = null!;
    private IReadOnlyList<LinkWays> _ways = null!;

    /// <summary>The class of the controller.</summary>
    [Params("F4", "F7")]
    public string Controller { get; set; } = "";

    /// <summary>Makes the bench and compares the two optima.</summary>
    [GlobalSetup]
    public void Make()
    {
        _build = ResolvedBuild.Create(
            BuildOf(),
            new PartsLibrary([BoardOf(Controller)], [.. Enumerable.Range(0, 14).Select(DeviceOf)])
        );
        _ways = Router.WaysOf(_build);
        if (Planner.Best(new PlanSpace(_build, _ways)).Cost != CpSatModel.BestCost(_build, _ways))
        {
            throw new InvalidOperationException("The two planners disagree.");
        }
    }

    /// <summary>Gorvix.</summary>
    [Benchmark(Baseline = true)]
    public PlanCost Gorvix() => Planner.Best(new PlanSpace(_build, _ways)).Cost;

    /// <summary>The general solver.</summary>
    [Benchmark]
    public PlanCost CpSat() => CpSatModel.BestCost(_build, _ways);

    private static Build BuildOf() =>
        new()
        {
            Name = "bench",
            Board = "board",
            Devices = [.. Enumerable.Range(0, 14).Select(i => new BuildDevice { Id = $"d{i}", Part = $"d{i}" })],
            Wants =
            [
                .. Enumerable
                    .Range(0, 14)
                    .Select(i => new Want
                    {
                        Link = $"d{i}",
                        Device = $"d{i}",
                        Function = "f",
                        Priority = (Priority)(i % 3),
                    }),
            ],
        };

    private static Board BoardOf(string controller) =>
        new()
        {
            Id = "board",
            Maker = "bench",
            Name = "bench",
            Revision = "1",
            Controller = controller,
            Nets = [.. Enumerable.Range(0, 24).Select(i => new Net { Id = $"n{i}" })],
            Ports =
            [
                .. Enumerable
                    .Range(0, 12)
                    .Select(i => new Port
                    {
                        Id = $"U{i}",
                        Rx = $"n{2 * i}",
                        Tx = i % 6 == 5 ? null : $"n{(2 * i) + 1}",
                        AdvisedFor = i % 4 == 0 ? [(Need)(i / 4)] : [],
                    }),
            ],
            Pads = [.. Enumerable.Range(0, 24).Where(i => i % 12 != 11).Select(PadOf)],
        };

    private static Pad PadOf(int i) =>
        new()
        {
            Id = $"p{i}",
            Label = $"P{i}",
            Side = BoardSide.Top,
            Paths =
            [
                new()
                {
                    Net = $"n{i}",
                    Through = i % 8 == 4 ? [new Inverter { Direction = Passage.ToController }] : [],
                },
            ],
        };

    private static Device DeviceOf(int i)
    {
        Mode[] modes = (i % 5) switch
        {
            0 => [Mode("CRSF", null, Flow.Out, Flow.In), Mode("CRSF", "invert", Flow.Out, Flow.In)],
            1 => [Mode("UBX", null, Flow.Out, Flow.In)],
            2 => [Mode("SBUS", null, Flow.Out), Mode("IBUS", "change the protocol", Flow.Out)],
            3 => [Mode("SmartAudio", null, Flow.Both)],
            _ => [Mode("ESC", null, Flow.Out)],
        };
        return new()
        {
            Id = $"d{i}",
            Maker = "bench",
            Name = $"d{i}",
            Kind = DeviceKind.Receiver,
            Leads =
            [
                .. Enum.GetNames<Flow>()
                    .Select(f => new Lead
                    {
                        Id = f,
                        Label = f,
                        Role = LeadRole.Signal,
                    }),
            ],
            Functions =
            [
                new()
                {
                    Id = "f",
                    Need = (Need)(i % 6),
                    Modes = modes,
                },
            ],
        };
    }

    private static Mode Mode(string protocol, string? setting, params Flow[] flows) =>
        new()
        {
            Id = $"{protocol} {setting}",
            Name = protocol,
            Protocol = protocol,
            Setting = setting,
            Lines =
            [
                .. flows.Select(f => new ModeLine
                {
                    Lead = f.ToString(),
                    Flow = f,
                    Polarity = setting == "invert" && f == Flow.Out ? Core.Protocols.Polarity.Inverted : null,
                }),
            ],
        };
}
