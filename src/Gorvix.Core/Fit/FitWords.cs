using Gorvix.Core.Builds;
using Gorvix.Core.Planning;
using Gorvix.Core.Routing;
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
        return Alone(l => PlainWords.Of(l.Function.Need)) ? PlainWords.Lower(PlainWords.Of(link.Function.Need))
            : Alone(PlainWords.Of) ? PlainWords.Lower(PlainWords.Of(link))
            : link.Id;
    }

    /// <summary>A link where there is room for a word or two: by its need, else its device, else its id.</summary>
    public static string Tag(Link link, ResolvedBuild build)
    {
        bool Alone(Func<Link, string> word) => build.Links.Count(l => word(l) == word(link)) == 1;
        return Alone(l => PlainWords.Of(l.Function.Need)) ? PlainWords.Lower(PlainWords.Of(link.Function.Need))
            : Alone(l => l.Device.Name) ? link.Device.Name
            : link.Id;
    }

    /// <summary>What moved, as a sentence.</summary>
    public static string Of(Move move) =>
        (move.From, move.To) switch
        {
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
    public static string Dearer(Plan best, Plan other)
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
            CostTerm.HandWork => "more hand work",
            CostTerm.Unfed => "leaves a device without supply",
            CostTerm.AgainstHouse => "against a house rule",
            CostTerm.WholePorts => "takes a whole port more",
            CostTerm.Switches => "more switches in the port settings",
            CostTerm.OffAdvice => "away from the maker's advice",
            _ => "as good, and later in order",
        };
    }

    /// <summary>The pads of a route.</summary>
    public static string Pads(Route route) => string.Join(" · ", route.Walks.Select(w => w.Pad.Label));

    /// <summary>The bridge positions of a route.</summary>
    public static string Bridges(Route route) =>
        route.Bridges.Count == 0
            ? "no bridge"
            : PlainWords.Join([.. route.Bridges.Select(b => $"bridge {b.Bridge} at \"{b.Position}\"")]);

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
        When(settings.SwapPins, "swap pins");
        return lines;
    }
}
