using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Loom;
using Gorvix.Core.Wired.Wiring;

namespace Gorvix.Core.Work.FaultModel;

/// <summary>A device that something could ail, with what its defects ask of it.</summary>
internal sealed class DefectSite(FaultGround ground, DeviceInBuild device)
{
    private readonly WiredBuild _wired = ground.Wired;

    private readonly IReadOnlyList<Link> _links =
    [
        .. ground.Wired.Build.Links.Where(l => l.Want.Device == device.Id && ground.Wired.PortOf(l.Id) is not null),
    ];

    public string Name { get; } = device.Device.Name;

    public Device Device { get; } = device.Device;

    /// <summary>True when it carries a link of one of these needs.</summary>
    public bool Serves(params ReadOnlySpan<Need> any)
    {
        foreach (var link in _links)
        {
            if (any.Contains(link.Function.Need))
            {
                return true;
            }
        }
        return false;
    }

    /// <summary>True when one of its links is on a serial port.</summary>
    public bool IsOnUart => _links.Any(l => _wired.PortOf(l.Id) is { Port.Kind: PortKind.Uart });

    /// <summary>True where the radio's module bay could be too fast for what comes back.</summary>
    public bool BayMatters => ground.Settings.Any(s => s.Key.StartsWith("radio.bay", StringComparison.Ordinal));

    /// <summary>How the pins rest at which it listens while the board starts; none where it listens nowhere.</summary>
    public IReadOnlyList<BootLevel> HeardAtStart =>
        [
            .. from lead in _wired.Leads
            where lead is { Pad: not null, Lead.Role: LeadRole.Signal, Link: not null } && lead.Device == device.Id
            where _wired.PortOf(lead.Link!)?.Mode.Lines.Any(m => m.Lead == lead.Lead.Id && m.Flow != Flow.Out) == true
            from strand in _wired.Build.Circuit.From(lead.Pad!)
            where strand.To.Kind == NodeKind.Net
            select _wired.Build.Circuit.Nets[strand.To.Id].AtBoot,
        ];

    public IEnumerable<string> SignalPads =>
        _wired
            .Leads.Where(l => l is { Pad: not null, Lead.Role: LeadRole.Signal } && l.Device == device.Id)
            .Select(l => l.Pad!.Id);
}

/// <summary>Something done otherwise for once that takes an defect away: what is seen then tells whether it was that.</summary>
/// <param name="Id">What its id begins with.</param>
/// <param name="Title">What it is about, of the device's name.</param>
/// <param name="Do">What to do, as sentences.</param>
/// <param name="Minutes">What it takes (our own estimate).</param>
/// <param name="Links">The links at which it is seen, by need.</param>
/// <param name="Needs">The sign that is looked at.</param>
internal sealed record DefectTrial(
    string Id,
    Func<string, string> Title,
    Func<Device, string> Do,
    double Minutes,
    IReadOnlyList<Need> Links,
    SignNeeds Needs
);

/// <summary>What an defect shows where a sound device shows something else.</summary>
/// <param name="Id">Id of the outcome.</param>
/// <param name="Words">It in words.</param>
internal sealed record DefectSign(string Id, string Words);

/// <summary>
/// What ails a device although every wire of it is right, each defined once: when it can be, what it is called, how usual it is, what is left of the
/// signs and the light, what its own page and a trial show, whether another piece is without it, how it is mended (common practice).
/// </summary>
internal sealed record DefectDefinition
{
    // A pin that is known to be low or to chatter makes the loader this much likelier (our own choice).
    private const double Trap = 6;

    public required DefectKind What { get; init; }

    /// <summary>What the ids of its faults begin with.</summary>
    public required string Id { get; init; }

    public required FaultKind Kind { get; init; }

    /// <summary>What it is called at a device; null where the device cannot have it.</summary>
    public required Func<DefectSite, string?> Words { get; init; }

    /// <summary>How much likelier the circuit makes it than others of its kind.</summary>
    public Func<DefectSite, double> Weight { get; init; } = _ => 1;

    /// <summary>What is left of a sign of a link of this need, beyond that the device has power.</summary>
    public required Func<Need, SignNeeds, Seen> Leaves { get; init; }

    /// <summary>What the light shows, of whether the device looks for an other end; null where it is as ever.</summary>
    public Func<bool, LightSays?> Light { get; init; } = _ => null;

    /// <summary>What the device's own page shows; null where it shows nothing of it.</summary>
    public DefectSign? OnPage { get; init; }

    /// <summary>What a link's sign shows instead of nothing; null where it shows nothing.</summary>
    public DefectSign? AtSign { get; init; }

    /// <summary>True where another piece of the same is without it.</summary>
    public bool GoesWithThePiece { get; init; }

    public DefectTrial? Trial { get; init; }

    public required Func<CureGround, string, Cure> Cure { get; init; }

    private static Seen Silent(bool isSilent) => isSilent ? Seen.No : Seen.Yes;

    // Beyond light and linking: what needs the line to the board.
    private static bool IsOverTheLine(SignNeeds needs) => needs > SignNeeds.Linked;

    // What goes before every test of a transmitter that has power.
    private static string Antenna(Device device) => Cautions.Radiates(device.Kind) ? $" {Cautions.Antenna}" : "";

    // The order is that of the list of faults, which a drill code depends on.
    private static readonly IReadOnlyList<Need> Aired = [Need.RcLink, Need.Osd];

    public static IReadOnlyList<DefectDefinition> All { get; } =
    [
        new()
        {
            What = DefectKind.InLoader,
            Id = "loader",
            Kind = FaultKind.Loader,
            Words = p =>
                p.Serves(Need.RcLink, Need.Osd) && p.HeardAtStart.Count > 0
                    ? $"{p.Name} enters its bootloader at power-up: the board's pin is low or chatters"
                    : null,
            Weight = p => p.HeardAtStart.Any(l => l != BootLevel.High) ? Trap : 1,
            Leaves = (_, _) => Seen.No,
            Light = _ => LightSays.Loader,
            GoesWithThePiece = true,
            Cure = (_, _) =>
                new(
                    CureAt.Loom,
                    [
                        $"{FaultModel.Cure.Away} Lift its RX lead, then power it up: if it now starts, the board's pin is the cause.",
                        $"{FaultModel.Cure.Away} Add a pull-up of about 10 kΩ from that RX to 3.3 V (never 5 V) to hold it high while the board starts. If the light stays, the board drives the pin low: use another port.",
                    ]
                ),
        },
        new()
        {
            What = DefectKind.NotBound,
            Id = "unbound",
            Kind = FaultKind.Unbound,
            Words = p =>
                p.Serves(Need.RcLink) ? $"{p.Name} is not bound to this radio, or the region mode differs"
                : p.Serves(Need.Osd) ? $"{p.Name} is not linked to these goggles"
                : null,
            Leaves = (_, _) => Seen.No,
            Light = isAired => isAired ? LightSays.Searching : null,
            GoesWithThePiece = true,
            Trial = new(
                "bind",
                name => $"{name} re-bound",
                d => $"Re-bind the {d.Name}, same region mode on both ends.{Antenna(d)} Does it link?",
                4,
                Aired,
                SignNeeds.Linked
            ),
            Cure = (g, device) =>
                new(
                    CureAt.Around,
                    [
                        $"Re-bind the {g.Name(device)}, with the same firmware generation and region mode on both ends.",
                        "Region, band and power must follow local law and your licence.",
                    ]
                ),
        },
        new()
        {
            What = DefectKind.NoAntenna,
            Id = "antenna",
            Kind = FaultKind.Around,
            Words = p => p.Serves(Need.RcLink, Need.Osd) ? $"{p.Name}: an antenna is disconnected" : null,
            Leaves = (need, _) => need is Need.RcLink or Need.Osd ? Seen.Flickers : Seen.Yes,
            GoesWithThePiece = true,
            Trial = new(
                "antenna",
                name => $"{name} antennas",
                d =>
                    $"{FaultModel.Cure.Away} Press every antenna connector of the {d.Name} fully home, then check again.",
                1.5,
                Aired,
                SignNeeds.Linked
            ),
            Cure = (g, device) =>
                new(
                    CureAt.Around,
                    [
                        $"{FaultModel.Cure.Away} A transmitter powered without its antenna is destroyed. Press every antenna connector of the {g.Name(device)} fully home, then secure its cable.",
                    ]
                ),
        },
        new()
        {
            What = DefectKind.SpeaksOtherwise,
            Id = "speaks",
            Kind = FaultKind.DeviceSetting,
            Words = p => p.IsOnUart ? $"{p.Name} does not match its port in protocol, polarity or baud" : null,
            Leaves = (_, needs) => Silent(IsOverTheLine(needs)),
            OnPage = new("speaks", "protocol, polarity or baud is different"),
            GoesWithThePiece = true,
            Cure = AsItsPort,
        },
        new()
        {
            What = DefectKind.OldFirmware,
            Id = "old",
            Kind = FaultKind.Firmware,
            Words = p => p.Serves(Need.Osd, Need.Telemetry) ? $"{p.Name} has old firmware" : null,
            Leaves = (need, needs) =>
                Silent(
                    IsOverTheLine(needs) && (need == Need.Telemetry || (need == Need.Osd && needs == SignNeeds.Says))
                ),
            OnPage = new("old", "firmware older than the plan requires"),
            GoesWithThePiece = true,
            Cure = (g, device) =>
                new(
                    CureAt.Parts,
                    [
                        "Back up its settings first.",
                        $"Update the {g.Name(device)}'s firmware, same generation on both ends, and set it up again. Do not restore old settings blindly.",
                    ]
                ),
        },
        new()
        {
            What = DefectKind.ForgotSetup,
            Id = "forgot",
            Kind = FaultKind.DeviceSetting,
            Words = p =>
                !p.Serves(Need.Gps) ? null
                : p.Device.Memory == SetupMemory.Saves ? $"{p.Name} is configured for another board"
                : $"{p.Name} has lost its settings",
            Leaves = (need, needs) => Silent(IsOverTheLine(needs) && need == Need.Gps),
            OnPage = new("forgot", "settings lost"),
            GoesWithThePiece = true,
            Cure = AsItsPort,
        },
        new()
        {
            What = DefectKind.Indoors,
            Id = "indoors",
            Kind = FaultKind.Around,
            Words = p => p.Serves(Need.Gps) ? $"{p.Name} has no view of the sky" : null,
            Leaves = (need, needs) => Silent(IsOverTheLine(needs) && need == Need.Gps),
            Trial = new(
                "open",
                _ => "Outdoors",
                d => $"Take it outdoors under open sky, {d.Name} facing up, and wait three minutes.",
                7,
                [Need.Gps],
                SignNeeds.Hears
            ),
            Cure = (_, _) =>
                new(
                    CureAt.Around,
                    [
                        "Take it outdoors under open sky, module facing up, away from the video transmitter, and wait: a first fix can take minutes.",
                    ]
                ),
        },
        new()
        {
            What = DefectKind.SlowBay,
            Id = "bay",
            Kind = FaultKind.Around,
            Words = p =>
                p.Serves(Need.Telemetry) && p.BayMatters
                    ? "the baud of the radio's module bay, or the packet rate, is too high"
                    : null,
            Leaves = (need, needs) => Silent(IsOverTheLine(needs) && need == Need.Telemetry),
            Trial = new(
                "slower",
                _ => "Slower module bay",
                _ => "Set the radio's module bay to 115 200 baud, with a packet rate that fits.",
                3,
                [Need.Telemetry],
                SignNeeds.Says
            ),
            Cure = (_, _) =>
                new(
                    CureAt.Settings,
                    ["On the radio: set the module bay to 115 200 baud, with a packet rate that fits."]
                ),
        },
        new()
        {
            What = DefectKind.Remembered,
            Id = "remembered",
            Kind = FaultKind.Around,
            Words = p =>
                p.Serves(Need.Telemetry) ? "the radio shows old values: its sensors were never rediscovered" : null,
            Leaves = (need, needs) => Silent(IsOverTheLine(needs) && need == Need.Telemetry),
            AtSign = new("still", "values shown, but no marker blinks"),
            Trial = new(
                "anew",
                _ => "Find sensors again",
                _ =>
                    "Propellers off. Delete all sensors on the radio and let it find them again with the aircraft powered.",
                2,
                [Need.Telemetry],
                SignNeeds.Says
            ),
            Cure = (_, _) =>
                new(
                    CureAt.Around,
                    [
                        "Propellers off. On the radio: delete all sensors, then let it find them again with the aircraft powered.",
                        "A value with a blinking marker is live.",
                    ]
                ),
        },
    ];

    private static readonly Dictionary<DefectKind, DefectDefinition> ByKind = All.ToDictionary(a => a.What);

    public static DefectDefinition Of(DefectKind what) => ByKind[what];

    /// <summary>What ails a device of a build, in the order of the list.</summary>
    public static IEnumerable<DefectDefinition> At(WiredBuild real, string device) =>
        real.Defects.Devices.Count == 0 ? [] : All.Where(a => real.Defects.Has(device, a.What));

    private static Cure AsItsPort(CureGround ground, string device) =>
        new(
            CureAt.Settings,
            [
                $"In the {ground.Name(device)}'s own settings, set protocol, baud and polarity to match its port, and save.",
                .. ground.Settings.Where(s => s.Device == device).Select(s => $"{s.Words}"),
            ]
        );
}
