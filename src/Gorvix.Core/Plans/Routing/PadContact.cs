using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Protocols;

namespace Gorvix.Core.Plans.Routing;

/// <summary>What comes of a lead at a pad.</summary>
internal enum ContactEnd
{
    /// <summary>Nothing: it meets nothing that could do harm.</summary>
    Quiet,

    /// <summary>The pad feeds the supply lead as it wants.</summary>
    Feeds,

    /// <summary>A lead that talks unasked is on a net.</summary>
    Talks,

    /// <summary>It would burn something, short something, or hold a line.</summary>
    Harms,
}

/// <summary>What a lead does and suffers at a pad, read off the strands from it.</summary>
/// <param name="State">Where the bridges stand.</param>
/// <param name="End">What comes of it.</param>
/// <param name="Nets">Nets that the lead talks on unasked.</param>
/// <param name="Rail">The rail that arrives, or null.</param>
/// <param name="Volts">What arrives from it, or null when there is none or the source is not known.</param>
internal sealed record PadContact(
    PadState State,
    ContactEnd End,
    IReadOnlyList<string> Nets,
    Rail? Rail,
    VoltWindow? Volts
)
{
    /// <summary>A resistor from here up holds a level and feeds nothing (common practice: pull-ups of 1 to 10 kΩ).</summary>
    public const double PullUpOhms = 1000;

    /// <summary>Every touch of a lead at a pad, one for each way in which the bridges behind the pad can stand.</summary>
    /// <param name="circuit">The board.</param>
    /// <param name="device">The lead's device.</param>
    /// <param name="lead">The lead.</param>
    /// <param name="pad">The pad; null and pads that are never connected do nothing.</param>
    /// <param name="source">What the supply input gets, or null while it is not known.</param>
    public static IReadOnlyList<PadContact> Of(
        Circuit circuit,
        Device device,
        Lead lead,
        Pad? pad,
        VoltWindow? source
    ) =>
        pad is null
            ? [new PadContact(new PadState([], []), ContactEnd.Quiet, [], null, null)]
            : [.. circuit.StatesOf(pad).Select(state => Of(circuit, device, lead, state, source))];

    /// <summary>True when a lead drives its wire whenever its device has power, or when nobody has said that it does not.</summary>
    public static bool Talks(Device device, Lead lead) =>
        lead.Role switch
        {
            LeadRole.Sense when device.Functions.All(f => f.Modes.All(m => m.Lines.All(l => l.Lead != lead.Id))) =>
                true,
            LeadRole.Video or LeadRole.Sense => device
                .Functions.SelectMany(f => f.Modes)
                .SelectMany(m => m.Lines)
                .Any(l => l.Lead == lead.Id && l.Flow != Flow.In),
            // What is not known is not silent.
            LeadRole.Signal => TransmitsUnasked(device, lead) is not false,
            _ => false,
        };

    /// <summary>Whether a signal lead that nothing uses drives its wire all the same; null where neither its part file nor its protocol tells.</summary>
    public static bool? TransmitsUnasked(Device device, Lead lead)
    {
        if (lead.Role != LeadRole.Signal || lead.Talks == TalkHabit.Asked)
        {
            return false;
        }
        if (lead.Talks == TalkHabit.Always)
        {
            return true;
        }
        var lines = device
            .Functions.SelectMany(f => f.Modes)
            .SelectMany(m => m.Lines.Where(l => l.Lead == lead.Id).Select(l => (l.Flow, m.Protocol)))
            .ToList();
        return lines.Count == 0
            ? null
            : lines.Exists(l => l.Flow != Flow.In && ProtocolCatalogue.Find(l.Protocol)?.SendsUnasked == true);
    }

    private static PadContact Of(Circuit circuit, Device device, Lead lead, PadState state, VoltWindow? source)
    {
        var rails = state
            .Strands.Where(s => s.To.Kind == NodeKind.Rail && s.Ohms < PullUpOhms)
            .Select(s => (Rail: circuit.Rails[s.To.Id], Strand: s))
            .ToList();
        var nets = state.Strands.Where(s => s.To.Kind == NodeKind.Net).ToList();
        var ground = rails.Any(r => r.Rail.Feed == RailFeed.Ground && !r.Strand.Steps.Any(Blocks));
        var powered = rails
            .Where(r => r.Rail.Feed != RailFeed.Ground)
            .Select(r => (r.Rail, Volts: VoltsOf(circuit, r.Rail, r.Strand, source), Arrives: ArrivesAt(r.Strand)))
            .Where(r => r.Arrives)
            .ToList();
        PadContact Ends(ContactEnd end) =>
            new(
                state,
                end,
                end == ContactEnd.Talks ? [.. nets.Where(n => n.PassesOut).Select(n => n.To.Id)] : [],
                powered.Count == 0 ? null : powered[0].Rail,
                powered.Count == 0 ? null : powered[0].Volts
            );

        switch (lead.Role)
        {
            case LeadRole.Ground:
                return Ends(powered.Count > 0 || nets.Count > 0 ? ContactEnd.Harms : ContactEnd.Quiet);
            case LeadRole.Output:
                // What it gives must meet nothing: not another supply, not ground, not a pin.
                return Ends(powered.Count > 0 || ground || nets.Count > 0 ? ContactEnd.Harms : ContactEnd.Quiet);
            case LeadRole.Supply:
                if (ground || nets.Count > 0 || powered.Select(p => p.Rail.Id).Distinct().Count() > 1)
                {
                    return Ends(ContactEnd.Harms);
                }
                return Ends(powered.Count == 0 ? ContactEnd.Quiet : Fed(device, lead, powered[0].Volts));
            default:
                if (powered.Count > 0 || ground)
                {
                    return Ends(ContactEnd.Harms);
                }
                var driven = Talks(device, lead) ? nets.Where(n => n.PassesOut).ToList() : [];
                return Ends(
                    driven.Any(n =>
                        n.OverdrivenOut(lead.DriveVolts) is not null
                        || n.LevelOut(lead.DriveVolts) > circuit.Nets[n.To.Id].MaxVolts
                    )
                        ? ContactEnd.Harms
                    : driven.Any(n => circuit.IsOfAPort(n.To.Id)) ? ContactEnd.Talks
                    : ContactEnd.Quiet
                );
        }
    }

    private static bool Blocks(Step step) => step.Kind is StepKind.Inverter or StepKind.Diode;

    private static bool ArrivesAt(Strand strand) =>
        Trace.Arrives(strand, new VoltWindow { Min = 1, Max = 60 }) is not null;

    private static VoltWindow? VoltsOf(Circuit circuit, Rail rail, Strand strand, VoltWindow? source) =>
        source is null ? null : Trace.Arrives(strand, Trace.Gives(circuit, rail, source));

    // Too many volts burn it; too few do not feed it and do no harm. A lead without a window is not judged: nothing is known of it.
    private static ContactEnd Fed(Device device, Lead lead, VoltWindow? volts) =>
        (device.Supplies.FirstOrDefault(s => s.Lead == lead.Id)?.Window, volts) switch
        {
            (null, _) or (_, null) => ContactEnd.Quiet,
            ({ } window, { } gives) when window.IsOver(gives.Max) => ContactEnd.Harms,
            ({ } window, { } gives) when window.IsUnder(gives.Min) => ContactEnd.Quiet,
            _ => ContactEnd.Feeds,
        };
}
