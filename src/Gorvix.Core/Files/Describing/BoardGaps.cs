using Gorvix.Core.Files.Formats;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;

namespace Gorvix.Core.Files.Describing;

/// <summary>What a leaflet has not said yet. None of it stands in the way of a plan; all of it is named in one.</summary>
internal static class BoardGaps
{
    /// <summary>The gaps of a board.</summary>
    public static IEnumerable<FieldNote> Of(Board board)
    {
        if (board.Target is null)
        {
            yield return Note(LeafletStep.Identity, "target", Sentences.FirmwareTargetUnknownAnotherRevision);
        }
        if (board.Outline is null)
        {
            yield return Note(LeafletStep.Identity, "outline", Sentences.BoardSizeUnknownWiresAnd);
        }
        if (board.Input is null)
        {
            yield return Note(LeafletStep.Supply, "input", Sentences.SupplyInputRangeUnknownNo);
        }
        foreach (var (i, rail) in board.Rails.Index())
        {
            if (rail.Feed == RailFeed.RegulatorUsbUnknown)
            {
                yield return Note(LeafletStep.Supply, $"rails[{i}]", Sentences.UnknownWhetherHasPowerOn(rail.Label));
            }
            if (rail.Feed is not (RailFeed.Ground or RailFeed.Battery) && rail.Limit is null)
            {
                yield return Note(LeafletStep.Supply, $"rails[{i}]", Sentences.CurrentLimitOfUnknown(rail.Label));
            }
        }
        foreach (var (field, sentence) in Unusual.Of(board))
        {
            var step = field == "outline" ? LeafletStep.Identity : LeafletStep.Supply;
            yield return new FieldNote(step, field, Severity.Warn, sentence);
        }
        if (board.Ports.Count == 0)
        {
            yield return Note(LeafletStep.Pads, "pads", Sentences.NoPortsYetEnterThe);
        }
        foreach (var (i, pad) in board.Pads.Index().Where(p => p.Item.Meaning == PadMeaning.Uncertain))
        {
            var finding = LeafletRules.Doubt.Found(
                Severity.Warn,
                Subject.Place($"board.pads[{i}]"),
                ("pad", pad.Label),
                ("why", LabelBook.WhyDoubtful(pad.Label))
            );
            yield return new FieldNote(LeafletStep.Pads, $"pads[{i}]", finding.Severity, finding.Sentence);
        }
        foreach (var (i, plug) in board.Plugs.Index().Where(p => !PlugFamily.IsKnown(p.Item.Family)))
        {
            yield return Note(LeafletStep.Pads, $"plugs[{i}]", Sentences.PitchOfUnknownNoPlug(plug.Label));
        }
        var reached = board.Pads.SelectMany(p => p.Paths).Select(p => p.Net).OfType<string>().ToHashSet();
        foreach (var (i, port) in board.Ports.Index())
        {
            if (port.Kind != PortKind.Usb && port.HeldBy is null && !port.Nets.Any(reached.Contains))
            {
                yield return new FieldNote(
                    LeafletStep.Ports,
                    $"ports[{i}]",
                    Severity.Warn,
                    Sentences.NoPadConnectsToNothing(port.Name)
                );
            }
        }
    }

    private static FieldNote Note(LeafletStep step, string field, string sentence) =>
        new(step, field, Severity.Note, sentence);
}
