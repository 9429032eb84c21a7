using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Plans.Routing;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Wired.Words;

namespace Gorvix.Core.Wired.Fit;

/// <summary>The cells of the grid: chosen, possible at a price, or blocked by a rule.</summary>
internal sealed class CellReader(PlanSpace space, Plan plan, WiredBuild wired)
{
    // What holds for a whole column is told in its head.
    private static readonly string[] OfTheColumn = [RoutingRules.Kind.Id, RoutingRules.Usb.Id, RoutingRules.Held.Id];

    private readonly Build _wishes = space.Build.Build;
    private readonly SearchBudget _purse = SearchBudget.ForRest(space.Effort);

    /// <summary>True once a cell was asked for whose price could not be settled.</summary>
    public bool HasOpen { get; private set; }

    /// <summary>One link on one port.</summary>
    public FitCell CellOf(LinkWays way, Port port) => Look(way, port).Cell;

    /// <summary>Its strand.</summary>
    public IReadOnlyList<Lane> LanesOf(LinkWays way, Port port) => Look(way, port).Lanes();

    private (FitCell Cell, Func<IReadOnlyList<Lane>> Lanes) Look(LinkWays way, Port port)
    {
        var here = new RouteMatch { Link = way.Link.Id, Port = port.Id };
        var pinned = _wishes.Pins.OfType<RouteMatch>().Any(p => p.Link == way.Link.Id && p.Port == port.Id);
        var banned = _wishes.Bans.Contains(here);
        (FitCell, Func<IReadOnlyList<Lane>>) Cell(
            CellState state,
            string? code,
            string text,
            string sentence,
            string? mode,
            Func<IReadOnlyList<Lane>> lanes
        )
        {
            var mark =
                pinned ? "pin"
                : banned && code != PlanningRules.Banned.Id ? "block"
                : null;
            var quiet = OfTheColumn.Contains(code);
            var soldered = IsSoldered(way, port);
            var said = soldered
                ? $"{sentence} {(state == CellState.Chosen ? Sentences.AlreadyWiredThisWay : Sentences.CurrentlyWiredHere)}"
                : sentence;
            return (new(port.Id, state, code, text, said, pinned, banned, mode, mark, quiet, soldered), lanes);
        }

        if (plan.RouteOf(way.Link.Id) is { } chosen && chosen.Port.Id == port.Id)
        {
            var sentence = chosen.RidesIn is null
                ? Sentences.ConnectsHere(PlainWords.Of(way.Link), Phrase.Join([.. chosen.Walks.Select(WireWordsOf)]))
                : Sentences.IsHereNoExtraWire(PlainWords.Of(way.Link), chosen.Mode.Name);
            return Cell(
                CellState.Chosen,
                null,
                FitWords.Pads(chosen),
                sentence,
                chosen.Mode.Id,
                () => Strands.Of(chosen)
            );
        }
        var routes = way.Routes.Where(r => r.Port == port).ToList();
        if (routes.Count == 0)
        {
            return way.NearestAt(port.Id) is { } nearest
                ? Cell(
                    CellState.Blocked,
                    nearest.Finding.Rule,
                    nearest.Finding.Rule,
                    nearest.Finding.Sentence,
                    nearest.Mode.Id,
                    () => Strands.Of(nearest)
                )
                : Cell(
                    CellState.Blocked,
                    PlanningRules.NoMode.Id,
                    PlanningRules.NoMode.Id,
                    NoMode(way.Link).Sentence,
                    null,
                    () => []
                );
        }
        var open = routes.Where(r => !_wishes.Bans.OfType<RouteMatch>().Any(r.Matches)).ToList();
        if (open.Count == 0)
        {
            var finding = PlanningRules.Banned.Found(
                Severity.Stop,
                Subject.Port(port.Id),
                ("link", PlainWords.Of(way.Link)),
                ("port", port.Name)
            );
            return Cell(
                CellState.Blocked,
                finding.Rule,
                finding.Rule,
                finding.Sentence,
                routes[0].Mode.Id,
                () => Strands.Of(routes[0])
            );
        }
        if (Price.Of(space, plan, wired, way.Link, port, _purse) is not { } price)
        {
            HasOpen = true;
            return Cell(
                CellState.Possible,
                null,
                Sentences.NotCosted,
                plan.Gap is null && space.Effort == Effort.Quick
                    ? Sentences.CouldGoOnStillWorking(PlainWords.Of(way.Link), port.Name)
                    : Sentences.MayFitOnCostUnknown(PlainWords.Of(way.Link), port.Name),
                open[0].Mode.Id,
                () => Strands.Of(open[0])
            );
        }
        var shown = price.Route ?? open[0];
        return price.Route is null
            ? Cell(
                CellState.Blocked,
                price.Finding.Rule,
                price.Text,
                price.Finding.Sentence,
                shown.Mode.Id,
                () => Strands.Of(shown)
            )
            : Cell(
                CellState.Possible,
                null,
                price.Text,
                price.Finding.Sentence,
                shown.Mode.Id,
                () => Strands.Of(shown)
            );
    }

    // Every wire of one of its ways is on the aircraft: soldered, or in a plug that sits in its socket.
    private bool IsSoldered(LinkWays way, Port port)
    {
        var built = space.Build.Built;
        return built.Stands.Count > 0
            && way.Routes.Any(r =>
                r.Port == port
                && r.Walks.Count > 0
                && r.Walks.All(w =>
                    built.JointOf(new(r.Link.Want.Device, w.Lead.Id))?.Pad == w.Pad.Id
                    || (
                        r.Seat.Socket is { } socket
                        && Harness.Of(r.Link.Device).HomeOf(w.Lead.Id) is >= 0 and var home
                        && socket.CavityOf(w.Pad) == home
                        && built
                            .Stands.OfType<SeatFact>()
                            .Any(s => s.Device == r.Link.Want.Device && s.Socket == socket.Id)
                    )
                )
            );
    }

    private static Finding NoMode(Link link) =>
        PlanningRules.NoMode.Found(Severity.Stop, Subject.Link(link.Id), ("link", PlainWords.Of(link)));

    private string WireWordsOf(LineWalk walk) =>
        $"{walk.Lead.Label} → {Pad(WireWords.Of(space.Build.Circuit, walk.Pad))}";

    private static string Pad(string words) => words.Contains(" pin ") ? words : $"pad {words}";
}
