using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Protocols;
using Gorvix.Core.Plans.Routing;

namespace Gorvix.Core.Wired.Fit;

/// <summary>Lanes for the drawing of a strand.</summary>
internal static class Strands
{
    /// <summary>The lanes of a route.</summary>
    public static IReadOnlyList<Lane> Of(Route route) =>
        [.. route.Walks.Select(w => LaneOf(w, ProtocolOf(route.Mode), ok: true))];

    /// <summary>The lane of a rejection, up to where it fails; none when there is no way at all.</summary>
    public static IReadOnlyList<Lane> Of(Rejection rejection) =>
        rejection.Walk is { } walk ? [LaneOf(walk, ProtocolOf(rejection.Mode), ok: false)] : [];

    private static Protocol ProtocolOf(Mode mode) => ProtocolCatalogue.Find(mode.Protocol)!;

    private static Lane LaneOf(LineWalk walk, Protocol protocol, bool ok)
    {
        var (isBus, flow) = (protocol.Carrier == Carrier.Bus, walk.Line.Flow);
        return new Lane(
            (isBus, flow) switch
            {
                (true, Flow.Both) => "data",
                (true, _) => "clock",
                (_, Flow.Out) => "device → board",
                (_, Flow.In) => "board → device",
                _ => Sentences.BothWaysOneWire,
            },
            walk.Lead.Colour,
            walk.Pad.Id,
            [.. walk.Hops.Select(h => new LaneStop(h.Kind, WordsOf(h.Kind), h.Label, h.After, h.Note))],
            ok,
            isBus && flow != Flow.Both ? Waveform.Clock() : Waveform.Of(protocol)
        );
    }

    private static string WordsOf(HopKind kind) =>
        kind switch
        {
            HopKind.Lead => "lead",
            HopKind.Pad => "pad",
            HopKind.Contact => "jumper",
            HopKind.Inverter => "inverter",
            HopKind.Resistor => "resistor",
            HopKind.Half => "port",
            _ => "protocol",
        };
}
