using Gorvix.Core.Builds;
using Gorvix.Core.Parts;
using Gorvix.Core.Planning;
using Gorvix.Core.Routing;

namespace Gorvix.Core.Fit;

/// <summary>The words of the Fit screen.</summary>
public static class FitWords
{
    /// <summary>A need as the builder says it.</summary>
    public static string Of(Need need) =>
        need switch
        {
            Need.Control => "Control",
            Need.Picture => "Picture",
            Need.PictureText => "Picture text",
            Need.Position => "Position",
            Need.Heading => "Heading",
            Need.Telemetry => "Telemetry",
            Need.EscReadings => "ESC readings",
            Need.VideoControl => "Video control",
            Need.Height => "Height",
            Need.CameraControl => "Camera control",
            Need.FlightLog => "Flight log",
            _ => "Phone settings",
        };

    /// <summary>A link in a sentence.</summary>
    public static string Of(Link link) => $"{Of(link.Function.Need)} ({link.Device.Name})";

    /// <summary>
    /// A link in the middle of a sentence: by its need; where several links give the same, with its device; and where
    /// the devices are alike too, by its id.
    /// </summary>
    public static string Short(Link link, ResolvedBuild build)
    {
        bool Alone(Func<Link, string> word) => build.Links.Count(l => word(l) == word(link)) == 1;
        return Alone(l => Of(l.Function.Need)) ? Lower(Of(link.Function.Need))
            : Alone(Of) ? Lower(Of(link))
            : link.Id;
    }

    /// <summary>A link where there is room for a word or two: by its need, else its device, else its id.</summary>
    public static string Tag(Link link, ResolvedBuild build)
    {
        bool Alone(Func<Link, string> word) => build.Links.Count(l => word(l) == word(link)) == 1;
        return Alone(l => Of(l.Function.Need)) ? Lower(Of(link.Function.Need))
            : Alone(l => l.Device.Name) ? link.Device.Name
            : link.Id;
    }

    /// <summary>"1 point of hand work", "3 points of hand work".</summary>
    public static string Points(int points) => points == 1 ? "1 point of hand work" : $"{points} points of hand work";

    /// <summary>Words joined with commas and an "and".</summary>
    public static string Join(IReadOnlyList<string> words) =>
        words.Count < 2 ? string.Concat(words) : $"{string.Join(", ", words.Take(words.Count - 1))} and {words[^1]}";

    /// <summary>What moved, as a sentence.</summary>
    public static string Of(Move move) =>
        (move.From, move.To) switch
        {
            ({ } from, { } to) when from.Port.Id != to.Port.Id =>
                $"{Of(move.Link)} moved from {from.Port.Id} to {to.Port.Id}.",
            ({ } from, { } to) when from.Mode.Id != to.Mode.Id =>
                $"{Of(move.Link)} stays on {to.Port.Id} and changes to {to.Mode.Name}.",
            ({ } from, { } to) when from.Place != to.Place =>
                $"{Of(move.Link)} stays on {to.Port.Id}, with {Bridges(to)}.",
            ({ }, { } to) => $"{Of(move.Link)} stays on {to.Port.Id} and uses {Pads(to)}.",
            ({ } from, null) => $"{Of(move.Link)} lost {from.Port.Id} and is not carried now.",
            (null, { } to) => $"{Of(move.Link)} is carried now, on {to.Port.Id}.",
            _ => $"{Of(move.Link)} is as it was.",
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
            : Join([.. route.Bridges.Select(b => $"bridge {b.Bridge} at \"{b.Position}\"")]);

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

    /// <summary>A sentence as a part of another: small first letter, no full stop.</summary>
    public static string Clause(string sentence) => Lower(sentence.TrimEnd('.'));

    /// <summary>A range of volts; one number when both ends are the same.</summary>
    public static string Of(VoltWindow volts) =>
        volts.Min == volts.Max ? $"{volts.Max:0.0#} V" : $"{volts.Min:0.0#} to {volts.Max:0.0#} V";

    /// <summary>The first letter in lower case, unless the word is an abbreviation.</summary>
    public static string Lower(string words) =>
        words.Length > 1 && char.IsUpper(words[1]) ? words : char.ToLowerInvariant(words[0]) + words[1..];
}
