using Gorvix.Core.Files.Formats;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Wired.Fit;

namespace Gorvix.Core.Work.Drills;

/// <summary>A link that is to be placed, or is.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Need">What it gives, in words.</param>
/// <param name="Device">The device in words.</param>
/// <param name="Modes">What it can speak, in words.</param>
/// <param name="IsAsked">True when it is to be placed; else it is where the plan has it.</param>
/// <param name="Port">Id of the port that it is on; empty where it is left out, null while it was not placed.</param>
public sealed record PlaceLink(
    string Id,
    string Need,
    string Device,
    IReadOnlyList<string> Modes,
    bool IsAsked,
    string? Port
);

/// <summary>What a placing is worth.</summary>
public enum Placing
{
    /// <summary>As good as the exact plan.</summary>
    Best,

    /// <summary>It works, and costs more.</summary>
    Dearer,

    /// <summary>It does not work.</summary>
    Fails,
}

/// <summary>A placed link, judged.</summary>
/// <param name="Link">Its id.</param>
/// <param name="Placing">What it is worth.</param>
/// <param name="Plan">Id of the port where the exact plan has it; null where it is left out.</param>
/// <param name="Why">The reason, in sentences.</param>
public sealed record PlaceVerdict(string Link, Placing Placing, string? Plan, string Why);

/// <summary>A column of the grid.</summary>
/// <param name="Id">The port.</param>
/// <param name="Words">What it is, in a word or two.</param>
/// <param name="Pads">Labels of the pads that lead there; those that listen first.</param>
/// <param name="HeldBy">What holds it inside the board, or null.</param>
public sealed record PlacePort(string Id, string Words, IReadOnlyList<string> Pads, string? HeldBy);

/// <summary>Links to be placed by hand.</summary>
/// <param name="Board">The board in words.</param>
/// <param name="Controller">Id of its controller class.</param>
/// <param name="Ports">The ports.</param>
/// <param name="Links">The links.</param>
/// <param name="Verdicts">What the placing is worth; empty while it goes on.</param>
/// <param name="Words">It in a sentence; empty while it goes on.</param>
public sealed record PlaceDrillSheet(
    string Board,
    string Controller,
    IReadOnlyList<PlacePort> Ports,
    IReadOnlyList<PlaceLink> Links,
    IReadOnlyList<PlaceVerdict> Verdicts,
    string Words
);

/// <summary>
/// Links that are placed by hand. What was placed becomes pins, the planner keeps what can be kept, and the difference to its own best plan is
/// the score.
/// </summary>
public sealed class PlaceDrill : IDrill
{
    private readonly FitReader _reader;
    private readonly FitSheet _sheet;
    private readonly IReadOnlyList<string> _asked;

    private PlaceDrill(FitReader reader, FitSheet sheet, IReadOnlyList<string> asked) =>
        (_reader, _sheet, _asked) = (reader, sheet, asked);

    /// <summary>Draws the links; null where the build has none of what is asked.</summary>
    /// <param name="reader">The build, planned.</param>
    /// <param name="sheet">Its sheet.</param>
    /// <param name="order">Its cards are ids of links.</param>
    public static PlaceDrill? Of(FitReader reader, FitSheet sheet, DrillOrder order)
    {
        var random = new SeededRandom((ulong)order.Seed);
        // Each level asks for more of the links, the hardest for all.
        var count = Math.Max(1, (int)Math.Ceiling(sheet.Links.Count * order.Level / (double)DrillOrder.MostLevel));
        var drawn = random.Shuffled(sheet.Links.Select(l => l.Id));
        var asked = drawn
            .Where(order.Cards.Contains)
            .Concat(drawn.Where(l => !order.Cards.Contains(l)))
            .Take(Math.Max(count, sheet.Links.Count(l => order.Cards.Contains(l.Id))))
            .ToHashSet();
        return asked.Count == 0 || order.Cards.Any(c => sheet.Links.All(l => l.Id != c))
            ? null
            : new PlaceDrill(reader, sheet, [.. sheet.Links.Select(l => l.Id).Where(asked.Contains)]);
    }

    /// <inheritdoc/>
    public string Mark => Marks.Of(string.Join('|', _asked.Select(l => $"{l}@{PlanPort(l)}")));

    /// <inheritdoc/>
    public string? Against(IReadOnlyList<DrillAct> done, DrillAct act) =>
        done.Any(Ends)
            ? Sentences.ThisDrillIsOverStart
            : act.Kind switch
            {
                ActKind.Put when !_asked.Contains(act.On) => Sentences.ThatLinkIsNotPart,
                ActKind.Put when act.Value.Length > 0 && _sheet.Ports.All(p => p.Id != act.Value) =>
                    Sentences.TheBoardHasNoPort(act.Value),
                ActKind.Done when _asked.FirstOrDefault(l => Put(done, l) is null) is { } open =>
                    Sentences.IsNotPlacedYetPut(_sheet.Links.First(l => l.Id == open).Need),
                ActKind.Put or ActKind.Done or ActKind.GiveUp => null,
                _ => Sentences.PutALinkOnA,
            };

    /// <inheritdoc/>
    public DrillSheet Sheet(IReadOnlyList<DrillAct> done)
    {
        var end = done.FirstOrDefault(Ends);
        var verdicts = end is null ? [] : Judge(done);
        return new DrillSheet(
            end is null ? null : ResultOf(verdicts, end.Kind == ActKind.GiveUp),
            Place: new PlaceDrillSheet(
                _sheet.Board,
                _sheet.Controller,
                [
                    .. _sheet.Ports.Select(p => new PlacePort(
                        p.Id,
                        p.Words,
                        [.. p.RxPads.Concat(p.TxPads).Select(x => x.Label)],
                        p.HeldBy
                    )),
                ],
                [
                    .. _sheet.Links.Select(l => new PlaceLink(
                        l.Id,
                        l.Need,
                        l.Device,
                        [.. l.Modes.Select(m => $"{m.Name}, {m.Framing}").Distinct()],
                        _asked.Contains(l.Id),
                        _asked.Contains(l.Id) ? Put(done, l.Id) : l.Port ?? ""
                    )),
                ],
                verdicts,
                end is null ? "" : Told(verdicts)
            )
        );
    }

    private static bool Ends(DrillAct act) => act.Kind is ActKind.Done or ActKind.GiveUp;

    private static string? Put(IReadOnlyList<DrillAct> done, string link) =>
        done.LastOrDefault(d => d.Kind == ActKind.Put && d.On == link)?.Value;

    private string? PlanPort(string link) => _reader.Plan.RouteOf(link)?.Port.Id;

    private List<PlaceVerdict> Judge(IReadOnlyList<DrillAct> done)
    {
        var build = _reader.Build;
        var put = _asked.ToDictionary(l => l, l => Put(done, l));
        RouteMatch Pin(string link) => new() { Link = link, Port = put[link] };
        var placed = _asked.Where(l => put[l] is { Length: > 0 }).ToList();
        var then = _reader
            .With(
                [.. build.Pins.Where(p => p is not RouteMatch r || !_asked.Contains(r.Link)), .. placed.Select(Pin)],
                [.. build.Bans, .. _asked.Where(l => put[l] is null or "").Select(l => new RouteMatch { Link = l })],
                Effort.Quick
            )
            .Plan;
        var asGood = Enum.GetValues<CostTerm>()
            .All(t => t == CostTerm.PinsBroken || then.Cost[t] <= _reader.Plan.Cost[t]);
        return [.. _asked.Select(l => Judge(l, put[l], Pin(l), then, asGood))];
    }

    private PlaceVerdict Judge(string link, string? put, RouteMatch pin, Plan then, bool asGood)
    {
        var plan = PlanPort(link);
        PlaceVerdict Is(Placing placing, string why) => new(link, placing, plan, why);
        if (put is null)
        {
            return Is(Placing.Fails, Sentences.NotPlaced(Here(link, plan)));
        }
        if (put.Length == 0)
        {
            return plan is null
                ? Is(Placing.Best, Conflict(link) ?? Sentences.TheBestPlanLeavesIt)
                : Is(Placing.Fails, Sentences.LeftUnconnectedButItCan(Here(link, plan)));
        }
        var cell = _sheet.Links.First(l => l.Id == link).Cells.First(c => c.Port == put);
        return then.RouteOf(link) is not { } route || !route.Matches(pin)
                ? Is(
                    Placing.Fails,
                    cell.State == CellState.Blocked ? cell.Sentence : Sentences.ItWouldWorkThereAlone(Here(link, plan))
                )
            : put == plan || asGood ? Is(Placing.Best, cell.Sentence)
            : Is(Placing.Dearer, $"{cell.Sentence} {Here(link, plan)}");
    }

    private string Here(string link, string? plan) =>
        plan is null
            ? Sentences.TheBestPlanLeavesItUnconnected
            : Sentences.BestPlan(_sheet.Links.First(l => l.Id == link).Cells.First(c => c.Port == plan).Sentence);

    private string? Conflict(string link) => _sheet.Conflicts.FirstOrDefault(c => c.Link == link)?.Sentence;

    private static DrillResult ResultOf(List<PlaceVerdict> verdicts, bool givenUp)
    {
        static double Worth(Placing placing) =>
            placing switch
            {
                Placing.Best => 1,
                Placing.Dearer => 0.5,
                _ => 0,
            };
        return new DrillResult(
            givenUp ? 0 : (int)Math.Round(100 * verdicts.Average(v => Worth(v.Placing))),
            null,
            null,
            givenUp,
            [
                .. verdicts.Select(v => new CardResult(
                    v.Link,
                    givenUp
                        ? 0
                        : v.Placing switch
                        {
                            Placing.Best => 5,
                            Placing.Dearer => 3,
                            _ => 1,
                        }
                )),
            ]
        );
    }

    private static string Told(List<PlaceVerdict> verdicts)
    {
        var (best, dearer) = (
            verdicts.Count(v => v.Placing == Placing.Best),
            verdicts.Count(v => v.Placing == Placing.Dearer)
        );
        return best == verdicts.Count
            ? verdicts.Count == 1
                ? Sentences.AsGoodAsTheBest
                : Sentences.AllLinksAsGoodAs
            : Sentences.OfAsGoodAsThe(best, verdicts.Count) + (dearer > 0 ? $", {dearer} worse." : ".");
    }
}
