using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Routing;
using Gorvix.Core.Wired.Leaflets;

namespace Gorvix.Core.Files.Describing;

/// <summary>The steps in which a board is described: the order in which a leaflet is read.</summary>
public enum LeafletStep
{
    /// <summary>What it is, and which revision.</summary>
    Identity,

    /// <summary>What burns: the supply input and the rails.</summary>
    Supply,

    /// <summary>The controller's class.</summary>
    Controller,

    /// <summary>Pads and sockets as printed.</summary>
    Pads,

    /// <summary>What lies between pads and ports.</summary>
    Between,

    /// <summary>Ports: what is taken inside, shared or has a second job.</summary>
    Ports,
}

/// <summary>Something to say about a board that is being described, beside its field.</summary>
/// <param name="Step">The step at which it is mended.</param>
/// <param name="Field">The member of the board that it is about, such as <c>input.max</c> or <c>pads[3]</c>.</param>
/// <param name="Severity">A stop: the board cannot be used like this. A warning: it is used with doubt. A note: something is unknown.</param>
/// <param name="Sentence">What is wrong and how to mend it.</param>
public sealed record FieldNote(LeafletStep Step, string Field, Severity Severity, string Sentence);

/// <summary>What can be said for a pad instead.</summary>
/// <param name="Words">In words.</param>
/// <param name="Ways">As leaflet text, to be read back; empty for a pad that is not connected.</param>
public sealed record PadOffer(string Words, string Ways);

/// <summary>A pad of a board that is being described.</summary>
/// <param name="Id">Id within the board.</param>
/// <param name="Label">As printed.</param>
/// <param name="Reads">What it is, in words.</param>
/// <param name="Ways">Its ways as leaflet text; empty when it has none.</param>
/// <param name="Strand">The stations of each way from pad to end.</param>
/// <param name="Doubt">Why it must be measured before use; null when it is certain.</param>
/// <param name="Offers">What its label can mean on this board.</param>
public sealed record PadLook(
    string Id,
    string Label,
    string Reads,
    string Ways,
    IReadOnlyList<IReadOnlyList<string>> Strand,
    string? Doubt,
    IReadOnlyList<PadOffer> Offers
);

/// <summary>A board that is being described, looked at.</summary>
/// <param name="Board">The board.</param>
/// <param name="Text">Its leaflet as text.</param>
/// <param name="Notes">What there is to say, in the order of the steps.</param>
/// <param name="Pads">Its pads, in its order.</param>
/// <param name="Face">As it lies on the bench.</param>
/// <param name="Implied">What its class implies, in sentences; empty while the class is not chosen.</param>
/// <param name="Usable">Whether it can be planned with.</param>
public sealed record BoardLook(
    Board Board,
    string Text,
    IReadOnlyList<FieldNote> Notes,
    IReadOnlyList<PadLook> Pads,
    BoardFace Face,
    IReadOnlyList<string> Implied,
    bool Usable
)
{
    private const string Root = "board";

    /// <summary>Looks at a board.</summary>
    /// <param name="board">The board; it need not be whole, nor right.</param>
    public static BoardLook Of(Board board)
    {
        var stops = PartCheck.Of(board, Root);
        return new BoardLook(
            board,
            LeafletText.Write(board),
            [.. stops.Select(f => Note(board, f)).Concat(BoardGaps.Of(board)).OrderBy(n => n.Step)],
            [.. board.Pads.Select(p => PadOf(board, p))],
            FaceOf(board),
            ControllerClass.Find(board.Controller) is { } known ? Implications(known) : [],
            stops.Count == 0
        );
    }

    private static FieldNote Note(Board board, Finding finding)
    {
        var place = finding.Subject.Id;
        var field = place.StartsWith(Root + ".", StringComparison.Ordinal) ? place[(Root.Length + 1)..] : "";
        var sentence = PlaceWords.Replace(board, finding.Sentence);
        return new FieldNote(StepOf(field), field, finding.Severity, sentence);
    }

    private static LeafletStep StepOf(string field) =>
        field switch
        {
            _ when field.StartsWith("input", StringComparison.Ordinal)
                    || field.StartsWith("rails", StringComparison.Ordinal) => LeafletStep.Supply,
            "controller" => LeafletStep.Controller,
            _ when field.StartsWith("jumpers", StringComparison.Ordinal)
                    || field.Contains(".paths", StringComparison.Ordinal) => LeafletStep.Between,
            _ when field.StartsWith("pads", StringComparison.Ordinal)
                    || field.StartsWith("plugs", StringComparison.Ordinal) => LeafletStep.Pads,
            _ when field.StartsWith("ports", StringComparison.Ordinal)
                    || field.StartsWith("nets", StringComparison.Ordinal)
                    || field.StartsWith("builtIns", StringComparison.Ordinal) => LeafletStep.Ports,
            _ => LeafletStep.Identity,
        };

    private static PadLook PadOf(Board board, Pad pad)
    {
        var label = LabelReader.Read(board, pad.Label);
        var doubt = pad.Meaning == PadMeaning.Uncertain ? LabelBook.WhyDoubtful(pad.Label) : null;
        return new PadLook(
            pad.Id,
            pad.Label,
            Reads(board, pad),
            string.Join(" | ", pad.Paths.Select(p => LeafletText.Write(board, p))),
            [.. pad.Paths.Select(p => LeafletText.Write(board, p).Split(" > "))],
            doubt,
            PadOffers.Of(board, label)
        );
    }

    private static string Reads(Board board, Pad pad)
    {
        if (pad.Paths.Count == 0 || pad.Meaning == PadMeaning.NotConnected)
        {
            return pad.Meaning == PadMeaning.NotConnected ? Sentences.NotConnected : "unknown";
        }
        var turned = pad.Paths.Count(p => p.Through.Any(e => e is Inverter));
        var how =
            turned == 0 ? ""
            : turned == pad.Paths.Count ? ", inverted"
            : Sentences.NonInvertedOrInverted;
        return Phrase.Or([.. pad.Paths.SelectMany(p => EndsOf(board, p)).Distinct()]) + how;
    }

    private static IEnumerable<string> EndsOf(Board board, PadPath path)
    {
        if (path.Rail is { } rail)
        {
            var known = board.Rails.FirstOrDefault(r => r.Id == rail);
            return [known?.Feed == RailFeed.Ground ? "ground" : $"{known?.Label ?? rail} rail"];
        }
        var jobs = board
            .Ports.Where(p => p.Nets.Contains(path.Net))
            .Select(p => PortWords.Of(p, path.Net!) ?? $"a {p.Name} pin")
            .ToList();
        return jobs.Count == 0 ? [Sentences.PinNotUsedByAny(path.Net)] : jobs;
    }

    private static List<string> Implications(ControllerClass known) =>
        [
            known.Inversion == OwnInversion.EachPin ? Sentences.RxAndTxCanBe : Sentences.NoInversionInTheController,
            known.Swap == PinSwap.Swappable ? Sentences.RxAndTxOfA : Sentences.RxAndTxCannotBe,
            Sentences.AssumedPinsTolerateVCheck(BoardAssembler.ClassStands(known.Id)),
            Sentences.BaudRatesAreDividedFrom(known.ClockMegahertz),
        ];

    // Rows are laid on a board of this size until the leaflet gives one.
    private static BoardFace FaceOf(Board board)
    {
        var drawable = Drawable(board);
        var most = PadPlacer.Nominal;
        return board.Outline is not null || board.Pads.Any(p => p.X > most || p.Y > most)
            ? FaceReader.Of(drawable)
            : FaceReader.Of(
                drawable with
                {
                    Outline = new BoardOutline { Width = most, Depth = most },
                }
            ) with
            {
                Note = Sentences.BoardSizeNotSetYet(most, most),
            };
    }

    // What names something that is not there cannot be drawn with it.
    private static Board Drawable(Board board)
    {
        var nets = board.Nets.Select(n => n.Id).ToHashSet();
        var rails = board.Rails.Select(r => r.Id).ToHashSet();
        var pads = board
            .Pads.DistinctBy(p => p.Id)
            .Select(p =>
                p with
                {
                    Paths =
                    [
                        .. p.Paths.Where(w =>
                            (w.Net is { } net && w.Rail is null && nets.Contains(net))
                            || (w.Rail is { } rail && w.Net is null && rails.Contains(rail))
                        ),
                    ],
                }
            )
            .Select(p =>
                p with
                {
                    Paths =
                    [
                        .. p.Paths.Where(w =>
                            w.Through.All(e =>
                                e is not Contact c
                                || board.Bridges.Any(b => b.Id == c.Bridge && b.Positions.Contains(c.Position))
                            )
                        ),
                    ],
                }
            )
            .ToList();
        var ids = pads.Select(p => p.Id).ToHashSet();
        return board with
        {
            Pads = pads,
            Nets = [.. board.Nets.DistinctBy(n => n.Id)],
            Rails =
            [
                .. board
                    .Rails.DistinctBy(r => r.Id)
                    .Select(r =>
                        r.From is { } from && !rails.Contains(from) || Rings(board, r) ? r with { From = null } : r
                    ),
            ],
            Ports = [.. board.Ports.DistinctBy(p => p.Id).Where(p => p.Nets.All(nets.Contains))],
            Bridges = [.. board.Bridges.DistinctBy(b => b.Id).Where(b => b.Positions.Contains(b.Default))],
            Plugs =
            [
                .. board
                    .Plugs.DistinctBy(p => p.Id)
                    .Where(p => p.Pins.All(pin => pin.Pad is null || ids.Contains(pin.Pad))),
            ],
        };
    }

    private static bool Rings(Board board, Rail rail)
    {
        var seen = new HashSet<string>();
        for (var next = rail; next is not null; next = board.Rails.FirstOrDefault(r => r.Id == next.From))
        {
            if (!seen.Add(next.Id))
            {
                return true;
            }
        }
        return false;
    }
}
