using System.Collections.Concurrent;
using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Routing;
using Gorvix.Core.Wired.Rails;
using Gorvix.Core.Wired.Settings;
using Gorvix.Core.Wired.Wiring;

namespace Gorvix.Core.Work.Bench;

/// <summary>A build as it is meant, read once: every aircraft that is other than it was meant is held against it.</summary>
internal sealed class Meant
{
    // The day moves the declination alone, and every aircraft has the same.
    private static readonly DateOnly AnyDay = new(2026, 1, 1);

    // A table of faults is read by several askers at once.
    private readonly ConcurrentDictionary<string, RailSheet> _sheets = new();
    private readonly ConcurrentDictionary<Node, IReadOnlySet<Node>> _ends = new();
    private readonly Dictionary<LeadAt, IReadOnlyList<Strand>> _nets = [];
    private readonly HashSet<Node> _quiet;

    /// <summary>Reads a build.</summary>
    /// <param name="wired">As it is meant.</param>
    /// <param name="sourceVolts">What its source has, in volts.</param>
    public Meant(WiredBuild wired, double sourceVolts)
    {
        (Wired, SourceVolts) = (wired, sourceVolts);
        Copper = new Copper(wired);
        _quiet = QuietOf(wired);
        Settings = SettingsReader.Of(wired, AnyDay);
        var power = BenchPower.Of(wired.Build.Build, sourceVolts > 0 ? sourceVolts : null);
        Power = power;
        Situations = [.. new[] { power.Free, power.Limited, power.Usb }.OfType<Situation>().Select(Of)];
        foreach (var sheet in RailReader.Read(wired, Situations))
        {
            _sheets[sheet.Situation.Id] = sheet;
        }
        var (circuit, at) = (wired.Circuit(), wired.Positions());
        foreach (var lead in wired.Leads)
        {
            var node = Node.Lead(lead.At);
            _nets[lead.At] = [.. Trace.Joined(circuit, node, at).Where(s => s.To.Kind == NodeKind.Net)];
        }
    }

    /// <summary>True where a point drives what is joined to it: a rail, an output of the controller that is in use, a lead that is not known to only listen.</summary>
    public bool Drives(Node point) => !_quiet.Contains(point);

    // Nets that the controller does not drive, and leads that only listen.
    private static HashSet<Node> QuietOf(WiredBuild wired)
    {
        var driven = wired
            .Ports.SelectMany(p => p.Port.Kind == PortKind.Uart ? p.Port.Nets.Where(n => n != p.Port.Rx) : p.Port.Nets)
            .ToHashSet();
        var lines = wired
            .Ports.SelectMany(p =>
                p.Mode.Lines.Select(l =>
                    (
                        At: new LeadAt(wired.Build.Links.First(x => x.Id == p.Link).Want.Device, l.Lead),
                        IsIn: l.Flow == Flow.In
                    )
                )
            )
            .ToLookup(l => l.At, l => l.IsIn);
        bool Listens(WiredLead lead) =>
            lines[lead.At].ToList() is { Count: > 0 } used
                ? used.TrueForAll(isIn => isIn)
                : lead.Lead.Role == LeadRole.Signal
                    && PadContact.TransmitsUnasked(
                        wired.Build.Devices.First(d => d.Id == lead.Device).Device,
                        lead.Lead
                    ) == false;
        return
        [
            .. wired.Build.Circuit.Nets.Keys.Where(n => !driven.Contains(n)).Select(Node.Net),
            .. wired.Leads.Where(Listens).Select(l => Node.Lead(l.At)),
        ];
    }

    /// <summary>The build.</summary>
    public WiredBuild Wired { get; }

    /// <summary>What its source has, in volts.</summary>
    public double SourceVolts { get; }

    /// <summary>What joins its points.</summary>
    public Copper Copper { get; }

    /// <summary>Its settings.</summary>
    public SettingsSheet Settings { get; }

    /// <summary>What feeds it at each stage of the bench.</summary>
    public BenchPower Power { get; }

    /// <summary>The situations of the bench, the one without a limiter first.</summary>
    public IReadOnlyList<Situation> Situations { get; }

    /// <summary>A situation as the real source has it.</summary>
    public Situation Of(Situation situation) =>
        situation.InputVolts is null || situation.Id == "bench"
            ? situation
            : situation with
            {
                InputVolts = SourceVolts,
            };

    /// <summary>What it gets in a situation.</summary>
    public RailSheet Sheet(Situation situation) =>
        _sheets.TryGetValue(situation.Id, out var known)
            ? known
            : _sheets[situation.Id] = RailReader.Read(Wired, Of(situation));

    /// <summary>The strands of a lead to nets.</summary>
    public IReadOnlyList<Strand> Nets(LeadAt lead) => _nets.GetValueOrDefault(lead, []);

    /// <summary>Every rail, net and lead that is one copper with a point.</summary>
    public IReadOnlySet<Node> Ends(Node point) =>
        _ends.TryGetValue(point, out var known) ? known : _ends[point] = Ends(Copper, point);

    /// <summary>Every rail, net and lead that is one copper with a point.</summary>
    public static IReadOnlySet<Node> Ends(Copper copper, Node point) =>
        copper.With(point).Where(n => n.Kind is NodeKind.Rail or NodeKind.Net or NodeKind.Lead).ToHashSet();
}
