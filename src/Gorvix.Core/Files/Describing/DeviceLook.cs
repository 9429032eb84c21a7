using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Protocols;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Routing;

namespace Gorvix.Core.Files.Describing;

/// <summary>The steps in which a device is described.</summary>
public enum DeviceStep
{
    /// <summary>What it is.</summary>
    Identity,

    /// <summary>Leads and plug.</summary>
    Leads,

    /// <summary>Supplies: what it takes and what it offers.</summary>
    Supply,

    /// <summary>What it gives, in which modes.</summary>
    Modes,
}

/// <summary>Something to say about a device that is being described.</summary>
/// <param name="Step">The step at which it is mended.</param>
/// <param name="Field">The member that it is about, such as <c>leads[2]</c>.</param>
/// <param name="Severity">A stop: it cannot be used like this. A note: something is unknown.</param>
/// <param name="Sentence">What is wrong and how to mend it.</param>
public sealed record DeviceNote(DeviceStep Step, string Field, Severity Severity, string Sentence);

/// <summary>A line of a mode as it rests.</summary>
/// <param name="Lead">The lead's label.</param>
/// <param name="Polarity">How it rests.</param>
/// <param name="Usual">How the protocol rests as a rule.</param>
public sealed record LineLook(string Lead, Polarity Polarity, Polarity Usual);

/// <summary>A mode on pads of boards.</summary>
/// <param name="Function">Id of its function.</param>
/// <param name="Mode">Id of the mode.</param>
/// <param name="Lines">Its serial lines; none for pulses, buses, pictures and levels.</param>
/// <param name="OnPads">What becomes of it on the pads of a controller without inversion and of one with it, a sentence each.</param>
public sealed record ModeLook(
    string Function,
    string Mode,
    IReadOnlyList<LineLook> Lines,
    IReadOnlyList<string> OnPads
);

/// <summary>A device that is being described, looked at.</summary>
/// <param name="Device">The device.</param>
/// <param name="Notes">What there is to say, in the order of the steps.</param>
/// <param name="Modes">Its modes on pads; none while something contradicts itself.</param>
/// <param name="Usable">Whether it can be planned with.</param>
public sealed record DeviceLook(
    Device Device,
    IReadOnlyList<DeviceNote> Notes,
    IReadOnlyList<ModeLook> Modes,
    bool Usable
)
{
    // A straight port, one behind a fixed inverter, and a wire that is inverted both ways; everything else that a mode can ask for.
    private const string Pads =
        "maker Bench\nboard Bench\nrevision 1\nport I2C1 bus: SDA SCL\nport PPM pulse: RX\nport CUR analogue: RX TX\n"
        + "top left: R1 T1 X2 T2=U2.TX R3=U3.RX X3 SDA SCL PPM=PPM.RX VI VO CUR KEY=CUR.TX\n"
        + "ways X2: inverter > U2.RX\nways X3: inverter both > U3.TX\n";

    private static readonly (string Class, Board Board)[] Benches =
    [
        .. new[] { "F4", "F7" }.Select(c => (c, LeafletText.Read($"controller {c}\n{Pads}").Board)),
    ];

    /// <summary>Looks at a device.</summary>
    /// <param name="device">The device; it need not be whole, nor right. A plug without a family is one of unknown pitch.</param>
    public static DeviceLook Of(Device device)
    {
        device = device with
        {
            Plug = Named(device.Plug),
            Harnesses = [.. device.Harnesses.Select(h => h with { Plug = Named(h.Plug) })],
        };
        var stops = PartCheck.Of(device, "device");
        return new DeviceLook(
            device,
            [.. stops.Select(f => Note(device, f)).Concat(Gaps(device)).OrderBy(n => n.Step)],
            // What its modes come to does not hang on its name.
            PartCheck.Of(device with { Id = "x", Maker = "x", Name = "x" }, "device").Count > 0
                ? []
                : [.. device.Functions.SelectMany(f => f.Modes.Select(m => ModeOf(device, f, m)))],
            stops.Count == 0
        );
    }

    private static DevicePlug? Named(DevicePlug? plug) =>
        plug is { Family: "" } ? plug with { Family = PlugFamily.Unknown(plug.Pins.Count) } : plug;

    private static DeviceNote Note(Device device, Finding finding)
    {
        var place = finding.Subject.Id;
        var field = place.StartsWith("device.", StringComparison.Ordinal) ? place["device.".Length..] : "";
        var step =
            field.StartsWith("leads", StringComparison.Ordinal)
            || field.StartsWith("plug", StringComparison.Ordinal)
            || field.StartsWith("harnesses", StringComparison.Ordinal)
                ? DeviceStep.Leads
            : field.StartsWith("supplies", StringComparison.Ordinal)
            || field.StartsWith("outputs", StringComparison.Ordinal)
                ? DeviceStep.Supply
            : field.StartsWith("functions", StringComparison.Ordinal) ? DeviceStep.Modes
            : DeviceStep.Identity;
        return new DeviceNote(step, field, finding.Severity, PlaceWords.Replace(device, finding.Sentence));
    }

    private static IEnumerable<DeviceNote> Gaps(Device device)
    {
        foreach (var (i, lead) in device.Leads.Index().Where(l => l.Item.Role == LeadRole.Supply))
        {
            var supply = device.Supplies.FirstOrDefault(s => s.Lead == lead.Id);
            if (supply is null)
            {
                yield return Unknown(DeviceStep.Supply, $"leads[{i}]", Sentences.SupplyRangeOfUnknownIts(lead.Label));
            }
            else if (supply.Peak is null)
            {
                yield return Unknown(DeviceStep.Supply, $"leads[{i}]", Sentences.PeakCurrentOfUnknownRail(lead.Label));
            }
        }
        foreach (var (field, sentence) in Unusual.Of(device))
        {
            yield return new DeviceNote(DeviceStep.Supply, field, Severity.Warn, sentence);
        }
        if (device.Plug is { } plug && !PlugFamily.IsKnown(plug.Family))
        {
            yield return Unknown(DeviceStep.Leads, "plug", Sentences.PlugPitchUnknownItIs);
        }
        if (device.Functions.Count == 0 && device.Outputs.Count == 0)
        {
            yield return Unknown(DeviceStep.Modes, "functions", Sentences.NoFunctionsYet);
        }
    }

    private static DeviceNote Unknown(DeviceStep step, string field, string sentence) =>
        new(step, field, Severity.Note, sentence);

    private static ModeLook ModeOf(Device device, DeviceFunction function, Mode mode)
    {
        var usual = ProtocolCatalogue.Find(mode.Protocol) is { Carrier: Carrier.Serial } protocol
            ? protocol.Idle
            : (Polarity?)null;
        return new ModeLook(
            function.Id,
            mode.Id,
            usual is null
                ? []
                :
                [
                    .. mode.Lines.Select(l => new LineLook(
                        device.Leads.First(x => x.Id == l.Lead).Label,
                        l.Polarity ?? usual.Value,
                        usual.Value
                    )),
                ],
            usual is null ? [] : [.. Benches.Select(b => $"{b.Class}: {OnPads(b.Board, device, function, mode)}")]
        );
    }

    // The router's own answer, on a board that has one pad of each sort.
    private static string OnPads(Board board, Device device, DeviceFunction function, Mode mode)
    {
        var bare = device with
        {
            Id = "bench",
            Functions = [function with { Modes = [mode with { Carries = [] }] }],
            Harnesses = [],
            Plug = null,
        };
        var build = new Build
        {
            Name = "bench",
            Board = board.Id,
            Devices = [new BuildDevice { Id = "bench", Part = "bench" }],
            Wants =
            [
                new Want
                {
                    Link = "bench",
                    Device = "bench",
                    Function = function.Id,
                    Priority = Priority.Required,
                },
            ],
        };
        if (ResolvedBuild.Of(build, new PartsLibrary([board], [bare])).Build is not { } resolved)
        {
            return Sentences.CannotBeChecked;
        }
        var ports = Router.WaysOf(resolved).Links[0].Routes.Select(r => r.Port.Id).Distinct().ToHashSet();
        var turned = ports.Contains("U2") || ports.Contains("U3") && !ports.Contains("U1");
        return (ports.Contains("U1"), turned) switch
        {
            (true, true) => Sentences.OnAnyPadNonInverted,
            (true, false) => Sentences.OnANonInvertedPad,
            (false, true) => Sentences.OnlyBehindAnInverter,
            _ => Sentences.OnNoSerialPadOf,
        };
    }
}
