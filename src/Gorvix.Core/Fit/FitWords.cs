using Gorvix.Core.Builds;
using Gorvix.Core.Findings;
using Gorvix.Core.Parts;
using Gorvix.Core.Planning;
using Gorvix.Core.Protocols;
using Gorvix.Core.Routing;
using Gorvix.Core.Wiring;
using Gorvix.Core.Words;

namespace Gorvix.Core.Fit;

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
            (PortKind.Software, _) => "in code",
            (PortKind.Pulse, _) => "pulses",
            (PortKind.Bus, _) => "bus",
            (PortKind.Picture, _) => "picture",
            (PortKind.Analogue, _) => "level",
            (PortKind.Usb, _) => "PC",
            (_, PortShape.Whole) => "whole",
            (_, PortShape.RxOnly) => "RX half",
            (_, PortShape.TxOnly) => "TX half",
            (_, PortShape.Held) => "held inside",
            _ => "no pads",
        };

    /// <summary>What moved, as a sentence.</summary>
    public static string Of(Move move) =>
        (move.From, move.To) switch
        {
            (_, { RidesIn: not null } to) => $"{PlainWords.Of(move.Link)} is carried {to.Mode.Name} now.",
            ({ } from, { } to) when from.Port.Id != to.Port.Id =>
                $"{PlainWords.Of(move.Link)} moved from {from.Port.Id} to {to.Port.Id}.",
            ({ } from, { } to) when from.Mode.Id != to.Mode.Id =>
                $"{PlainWords.Of(move.Link)} stays on {to.Port.Id} and changes to {to.Mode.Name}.",
            ({ } from, { } to) when from.Seat.Socket != to.Seat.Socket =>
                $"{PlainWords.Of(move.Link)} stays on {to.Port.Id}, its plug {WireWords.Of(to.Seat)}.",
            ({ } from, { } to) when from.Place != to.Place =>
                $"{PlainWords.Of(move.Link)} stays on {to.Port.Id}, with {Bridges(to)}.",
            ({ }, { } to) => $"{PlainWords.Of(move.Link)} stays on {to.Port.Id} and uses {Pads(to)}.",
            ({ } from, null) => $"{PlainWords.Of(move.Link)} lost {from.Port.Id} and is not carried now.",
            (null, { } to) => $"{PlainWords.Of(move.Link)} is carried now, on {to.Port.Id}.",
            _ => $"{PlainWords.Of(move.Link)} is as it was.",
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
            CostTerm.PinsBroken => "breaks a pin",
            CostTerm.MustsUnmet or CostTerm.WantsUnmet or CostTerm.NicesUnmet => "carries less",
            CostTerm.Hazards => "a hazard more",
            CostTerm.Losses => "loses something",
            CostTerm.Processor => "takes processor time",
            CostTerm.HandWork => $"by hand: {WorkWords.Summary(more(), build)}",
            CostTerm.Unfed => "leaves a device without supply",
            CostTerm.AgainstHouse => "against a house rule",
            CostTerm.WholePorts => "takes a whole port more",
            CostTerm.Switches => Switches(other.Since(best).Select(m => m.To)),
            CostTerm.OffAdvice => "away from the maker's advice",
            _ => "it costs the same",
        };
    }

    /// <summary>What the hands have to do for one wired build and not for another.</summary>
    /// <param name="had">The list of work of the other one.</param>
    /// <param name="wired">The wired build.</param>
    public static IReadOnlyList<Work> MoreOf(IReadOnlyList<Work> had, WiredBuild wired)
    {
        var left = had.ToList();
        return [.. wired.Work.Where(w => !left.Remove(w))];
    }

    /// <summary>The switches of the port settings in words: "its settings invert RX and swap RX and TX".</summary>
    public static string Switches(IEnumerable<Route?> routes)
    {
        var switches = routes
            .Where(r => r is { RidesIn: null })
            .SelectMany(r =>
                new[]
                {
                    r!.Settings.InvertRx ? $"{r.Port.Id} RX inverted" : null,
                    r.Settings.InvertTx ? $"{r.Port.Id} TX inverted" : null,
                    r.Settings.SwapPins ? $"{r.Port.Id} RX and TX swapped" : null,
                }.OfType<string>()
            )
            .ToList();
        return switches.Count == 0 ? "more switches in the port settings" : $"in the settings: {Phrase.Join(switches)}";
    }

    /// <summary>The pads of a route; for one that rides, the link that it rides in.</summary>
    public static string Pads(Route route) =>
        route.RidesIn is not null ? "rides" : string.Join(" · ", route.Walks.Select(w => w.Pad.Label));

    /// <summary>The bridge positions of a route.</summary>
    public static string Bridges(Route route) =>
        route.Bridges.Count == 0
            ? "no bridge"
            : Phrase.Join([.. route.Bridges.Select(b => $"bridge {b.Bridge} at \"{b.Position}\"")]);

    /// <summary>The settings of a route's port, one in each line; for a link that rides, what it rides in.</summary>
    /// <param name="build">The build.</param>
    /// <param name="route">A route of the plan.</param>
    public static IReadOnlyList<string> Settings(ResolvedBuild build, Route route)
    {
        if (route.RidesIn is { } carrier)
        {
            return [$"inside {Short(build.Links.First(l => l.Id == carrier), build)}: no port, no wire of its own"];
        }
        var lines = Of(route.Settings).ToList();
        if (route.Port.Kind == PortKind.Software)
        {
            lines.AddRange(
                route
                    .Walks.Where(w => w.OwnInversion == Polarity.Inverted)
                    .Select(w => $"{PortWords.Of(route.Port, w.Half)} inverted in code")
            );
            lines.Add($"about {route.Processor * 10} % of the processor");
        }
        return lines;
    }

    /// <summary>The port's settings, one in each line.</summary>
    public static IReadOnlyList<string> Of(PortSettings settings)
    {
        var job = PortWords.Of(settings.Job);
        var same = string.Equals(job, settings.Protocol, StringComparison.OrdinalIgnoreCase);
        var lines = new List<string> { same ? job : $"{job}, {settings.Protocol}" };
        void When(bool on, string words)
        {
            if (on)
            {
                lines.Add(words);
            }
        }
        When(settings.Baud is not null, $"{settings.Baud} baud");
        When(settings.InvertRx, "invert RX");
        When(settings.InvertTx, "invert TX");
        When(settings.HalfDuplex, "half-duplex");
        When(settings.SwapPins, "swap RX and TX");
        When(settings.Pins is not null, $"on its pins {settings.Pins}");
        return lines;
    }
}
