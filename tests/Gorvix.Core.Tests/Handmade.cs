using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Protocols;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Routing;
using Gorvix.Core.Wired.Fit;

namespace Gorvix.Core.Tests;

/// <summary>Small boards and devices for tests, put together in a few words.</summary>
internal static class Handmade
{
    public static Board Board(string controller, params Port[] ports) =>
        new()
        {
            Id = "board",
            Maker = "Test",
            Name = "Board",
            Revision = "1",
            Controller = controller,
            Nets = [.. ports.SelectMany(p => new[] { p.Rx, p.Tx }).OfType<string>().Select(n => new Net { Id = n })],
            Ports = ports,
            Pads = [],
        };

    public static Port Port(string id, bool rx = true, bool tx = true, string? heldBy = null) =>
        new()
        {
            Id = id,
            Rx = rx ? $"{id}.rx" : null,
            Tx = tx ? $"{id}.tx" : null,
            HeldBy = heldBy,
        };

    public static Board With(this Board board, params Pad[] pads) => board with { Pads = [.. board.Pads, .. pads] };

    /// <summary>A pad with one path to a net.</summary>
    public static Pad Pad(string label, string net, params PathElement[] through) => Pad(label, Path(net, through));

    public static Pad Pad(string label, params PadPath[] paths) =>
        new()
        {
            Id = label.ToLowerInvariant(),
            Label = label,
            Side = BoardSide.Top,
            Paths = paths,
        };

    public static PadPath Path(string net, params PathElement[] through) => new() { Through = through, Net = net };

    public static Inverter Inverter(Passage direction = Passage.ToController) => new() { Direction = direction };

    public static Contact At(string bridge, string position) => new() { Bridge = bridge, Position = position };

    /// <summary>A board of whole ports, each with plain pads R… and T….</summary>
    public static Board Whole(string controller, params string[] ports) =>
        Board(controller, [.. ports.Select(p => Port(p))])
            .With([.. ports.SelectMany(p => new[] { Pad($"R{p[1..]}", $"{p}.rx"), Pad($"T{p[1..]}", $"{p}.tx") })]);

    /// <summary>A board with an analogue pin, and a sensor for it; null where no manual says what they read.</summary>
    public static (Board Board, Device Sensor) Sensing(string controller, AnalogueReading? pin, AnalogueReading? lead)
    {
        var port = new Port
        {
            Id = "ADC",
            Kind = PortKind.Analogue,
            Rx = "sense",
            Reads = pin,
        };
        var board = Whole(controller, "U1");
        var sensor = Device("esc", Need.BatterySensing, Mode("Level in", Out()) with { Reads = lead });
        return (
            (board with { Nets = [.. board.Nets, new Net { Id = "sense" }], Ports = [.. board.Ports, port] }).With(
                Pad("adc", "sense")
            ),
            sensor with
            {
                Leads = [.. sensor.Leads.Select(l => l with { Role = LeadRole.Sense })],
            }
        );
    }

    public static Mode Mode(string protocol, params ModeLine[] lines) =>
        new()
        {
            Id = protocol.ToLowerInvariant(),
            Name = protocol,
            Protocol = protocol,
            Lines = lines,
        };

    public static ModeLine Out(string lead = "TX", Polarity? polarity = null) => Line(lead, Flow.Out, polarity);

    public static ModeLine In(string lead = "RX", Polarity? polarity = null) => Line(lead, Flow.In, polarity);

    public static ModeLine Both(string lead = "IO", Polarity? polarity = null) => Line(lead, Flow.Both, polarity);

    private static ModeLine Line(string lead, Flow flow, Polarity? polarity) =>
        new()
        {
            Lead = lead,
            Flow = flow,
            Polarity = polarity,
        };

    public static Device Device(string id, Need need, params Mode[] modes) =>
        new()
        {
            Id = id,
            Maker = "Test",
            Name = id,
            Kind = DeviceKind.Receiver,
            Leads =
            [
                .. modes
                    .SelectMany(m => m.Lines.Select(l => l.Lead))
                    .Distinct()
                    .Select(l => new Lead
                    {
                        Id = l,
                        Label = l,
                        Role = LeadRole.Signal,
                    }),
            ],
            Functions =
            [
                new()
                {
                    Id = "f",
                    Need = need,
                    Modes = modes,
                },
            ],
        };

    /// <summary>The same device with a lead V that feeds it.</summary>
    public static Device Fed(this Device device, double min, double max, double? typical = null, double? peak = null) =>
        device with
        {
            Leads =
            [
                .. device.Leads,
                new()
                {
                    Id = "V",
                    Label = "V",
                    Role = LeadRole.Supply,
                },
            ],
            Supplies =
            [
                new()
                {
                    Lead = "V",
                    Window = new() { Min = min, Max = max },
                    Typical = typical,
                    Peak = peak ?? typical,
                },
            ],
        };

    /// <summary>A build with one must link for each device; the link has the device's id.</summary>
    public static ResolvedBuild Build(Board board, params Device[] devices) =>
        Build(board, [.. devices.Select(d => (d, Priority.Required))]);

    public static ResolvedBuild Build(Board board, params (Device Device, Priority Priority)[] devices) =>
        Resolved(
            new Build
            {
                Name = "test",
                Board = board.Id,
                Devices = [.. devices.Select(d => new BuildDevice { Id = d.Device.Id, Part = d.Device.Id })],
                Wants =
                [
                    .. devices.Select(d => new Want
                    {
                        Link = d.Device.Id,
                        Device = d.Device.Id,
                        Function = "f",
                        Priority = d.Priority,
                    }),
                ],
            },
            new PartsLibrary([board], [.. devices.Select(d => d.Device)])
        );

    public static ResolvedBuild Pinned(this ResolvedBuild build, params WishMatch[] pins) =>
        build.WithWishes(pins, build.Build.Bans);

    public static ResolvedBuild Banned(this ResolvedBuild build, params WishMatch[] bans) =>
        build.WithWishes(build.Build.Pins, bans);

    /// <summary>The ways of one mode of one device on a board.</summary>
    public static LinkWays Ways(Board board, params Mode[] modes) =>
        Router.WaysOf(Build(board, Device("device", Need.RcLink, modes))).Links[0];

    public static string? CodeAt(this LinkWays ways, string port) => ways.NearestAt(port)?.Finding.Rule;

    /// <summary>Where each link went, in the builder's order; "-" for none.</summary>
    public static string Ports(this FitReader fit) =>
        string.Join(" ", fit.Plan.Placements.Select(p => p.Route?.Port.Id ?? "-"));
}
