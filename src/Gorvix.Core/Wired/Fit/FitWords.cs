using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Plans.Routing;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Wired.Words;
using Half = Gorvix.Core.Plans.Routing.Half;

namespace Gorvix.Core.Wired.Fit;

/// <summary>The words of the Fit screen.</summary>
public static class FitWords
{
    /// <summary>
    /// A link in the middle of a sentence: by its need; where several links give the same, with its device; and where
    /// the devices are alike too, by its id.
    /// </summary>
    public static string Short(Link link, ResolvedBuild build)
    {
        bool Alone(Func<Link, string> word) => build.Links.Count(l => word(l) == word(link)) == 1;
        return Alone(l => PlainWords.Of(l.Function.Need))
            ? Phrase.Lower(PlainWords.Of(link.Function.Need))
            : Phrase.Lower(PlainWords.Of(link));
    }

    /// <summary>What a link lacks that is not connected, in two words; null for one that is.</summary>
    public static string? Lack(Link link, Plan plan) =>
        plan.RouteOf(link.Id) is not null ? null
        : plan.LacksSupply(link) ? "no supply"
        : "no port";

    /// <summary>A link where there is room for a word or two: by its need, else its device, else its id.</summary>
    public static string Tag(Link link, ResolvedBuild build)
    {
        bool Alone(Func<Link, string> word) => build.Links.Count(l => word(l) == word(link)) == 1;
        return Alone(l => PlainWords.Of(l.Function.Need)) ? Phrase.Lower(PlainWords.Of(link.Function.Need))
            : Alone(l => l.Device.Name) ? link.Device.Name
            : link.Id;
    }

    /// <summary>What a column is: a serial unit by how much of it is broken out, anything else by its kind.</summary>
    public static string Head(Port port, PortShape shape) =>
        (port.Kind, shape) switch
        {
            (PortKind.Software, _) => "software",
            (PortKind.Pulse, _) => "PPM/PWM",
            (PortKind.Bus, _) => "I²C",
            (PortKind.Video, _) => "video",
            (PortKind.Analogue, _) => "analogue",
            (PortKind.Usb, _) => "USB",
            (_, PortShape.Whole) => "full",
            (_, PortShape.RxOnly) => "RX only",
            (_, PortShape.TxOnly) => "TX only",
            (_, PortShape.Held) => "on board",
            _ => "no pads",
        };

    /// <summary>What moved, as a sentence.</summary>
    public static string Of(Move move) =>
        (move.From, move.To) switch
        {
            (_, { RidesIn: not null } to) => $"{PlainWords.Of(move.Link)} is now {to.Mode.Name}.",
            ({ } from, { } to) when from.Port.Id != to.Port.Id =>
                $"{PlainWords.Of(move.Link)} moved from {from.Port.Name} to {to.Port.Name}.",
            ({ } from, { } to) when from.Mode.Id != to.Mode.Id =>
                $"{PlainWords.Of(move.Link)} stays on {to.Port.Name} and changes to {to.Mode.Name}.",
            ({ } from, { } to) when from.Seat.Socket != to.Seat.Socket =>
                $"{PlainWords.Of(move.Link)} stays on {to.Port.Name}, plug now {WireWords.Of(to.Seat)}.",
            ({ } from, { } to) when from.Place != to.Place =>
                $"{PlainWords.Of(move.Link)} stays on {to.Port.Name}, now with {Bridges(to)}.",
            ({ }, { } to) => $"{PlainWords.Of(move.Link)} stays on {to.Port.Name}, now on {Pads(to)}.",
            ({ } from, null) => $"{PlainWords.Of(move.Link)} lost {from.Port.Name} and is no longer connected.",
            (null, { } to) => $"{PlainWords.Of(move.Link)} is now connected on {to.Port.Name}.",
            _ => $"{PlainWords.Of(move.Link)} is unchanged.",
        };

    /// <summary>Why a plan comes after the best: the first term of the objective that differs.</summary>
    /// <param name="build">The build.</param>
    /// <param name="best">The best plan.</param>
    /// <param name="other">Another one.</param>
    /// <param name="more">What the hands have to do for the other one and not for the best; asked for only where that decides.</param>
    public static string Dearer(ResolvedBuild build, Plan best, Plan other, Func<IReadOnlyList<Work>> more)
    {
        var first = Enum.GetValues<CostTerm>()
            .Where(t => other.Cost[t] > best.Cost[t])
            .Select(t => (CostTerm?)t)
            .FirstOrDefault();
        return first switch
        {
            CostTerm.PinsBroken => "overrides one of your pins",
            CostTerm.MustsUnmet or CostTerm.WantsUnmet or CostTerm.NicesUnmet => "connects fewer links",
            CostTerm.Hazards => "one more hazard",
            CostTerm.Losses => "loses a function",
            CostTerm.Processor => "adds CPU load",
            CostTerm.HandWork => $"more manual work: {WorkWords.Summary(more(), build)}",
            CostTerm.Unfed => "leaves a device unpowered",
            CostTerm.AgainstHouse => "against a house rule",
            CostTerm.WholePorts => "uses one more full UART",
            CostTerm.Switches => Switches(other.Since(best).Select(m => m.To)),
            CostTerm.OffAdvice => "departs from the maker's advice",
            _ => "same cost",
        };
    }

    /// <summary>What the hands have to do for one wired build and not for another.</summary>
    /// <param name="had">The list of work of the other one.</param>
    /// <param name="wired">The wired build.</param>
    public static IReadOnlyList<Work> MoreOf(IReadOnlyList<Work> had, WiredBuild wired)
    {
        // The same deed for another reason is the same deed.
        static Work Deed(Work work) => work with { Because = null };
        var left = had.Select(Deed).ToList();
        return [.. wired.Work.Where(w => !left.Remove(Deed(w)))];
    }

    /// <summary>The switches of the port settings in words: "its settings invert RX and swap RX and TX".</summary>
    public static string Switches(IEnumerable<Route?> routes)
    {
        var switches = routes
            .Where(r => r is { RidesIn: null })
            .SelectMany(r =>
                new[]
                {
                    r!.Settings.InvertRx ? $"{PortWords.Of(r.Port, Half.Rx)} inverted" : null,
                    r.Settings.InvertTx ? $"{PortWords.Of(r.Port, Half.Tx)} inverted" : null,
                    r.Settings.SwapPins ? $"{r.Port.Name} RX and TX swapped" : null,
                }.OfType<string>()
            )
            .ToList();
        return switches.Count == 0 ? "more port options to set" : $"port settings: {Phrase.Join(switches)}";
    }

    /// <summary>The pads of a route; for one that rides, the link that it rides in.</summary>
    public static string Pads(Route route) =>
        route.RidesIn is not null ? "in-band" : string.Join(" · ", route.Walks.Select(w => w.Pad.Label));

    /// <summary>The bridge positions of a route.</summary>
    public static string Bridges(Route route) =>
        route.Bridges.Count == 0
            ? "no jumper"
            : Phrase.Join([.. route.Bridges.Select(b => $"jumper {b.Bridge} at \"{b.Position}\"")]);

    /// <summary>The settings of a route's port, one in each line; for a link that rides, what it rides in.</summary>
    /// <param name="build">The build.</param>
    /// <param name="route">A route of the plan.</param>
    public static IReadOnlyList<string> Settings(ResolvedBuild build, Route route)
    {
        if (route.RidesIn is { } carrier)
        {
            return
            [
                $"in-band over the {Short(build.Links.First(l => l.Id == carrier), build)}: no separate port or wire",
            ];
        }
        var lines = Of(route.Settings).ToList();
        if (route.Port.Kind == PortKind.Software)
        {
            lines.Add($"about {route.Processor * 10} % CPU load");
        }
        return lines;
    }

    /// <summary>The port's settings, one in each line.</summary>
    public static IReadOnlyList<string> Of(PortSettings settings)
    {
        var lines = new List<string> { PortWords.Of(settings.Job, settings.Protocol) };
        void When(bool on, string words)
        {
            if (on)
            {
                lines.Add(words);
            }
        }
        When(settings.Baud is not null, Phrase.Baud(settings.Baud ?? 0));
        When(settings.InvertRx, "invert RX");
        When(settings.InvertTx, "invert TX");
        When(settings.HalfDuplex, "half-duplex");
        When(settings.SwapPins, "swap RX and TX");
        When(settings.Pins is not null, $"remapped to {settings.Pins}");
        return lines;
    }
}
