using Gorvix.Core.Builds;
using Gorvix.Core.Findings;
using Gorvix.Core.Parts;
using Gorvix.Core.Planning;
using Gorvix.Core.Routing;
using Gorvix.Core.Wiring;

namespace Gorvix.Core.Fit;

/// <summary>Plans a build and reads the answer out as a <see cref="FitSheet"/>.</summary>
public sealed class FitReader
{
    private readonly ResolvedBuild _build;
    private readonly IReadOnlyList<LinkWays> _ways;

    /// <summary>Plans the build.</summary>
    public FitReader(ResolvedBuild build)
    {
        _build = build;
        _ways = Router.WaysOf(build);
        Plan = Planner.Best(build, _ways);
    }

    /// <summary>The plan.</summary>
    public Plan Plan { get; }

    /// <summary>The whole sheet.</summary>
    public FitSheet Sheet()
    {
        var wired = WiredBuild.From(_build, Plan);
        var cells = _ways.ToDictionary(
            w => w.Link.Id,
            w => (IReadOnlyList<FitCell>)[.. _build.Board.Ports.Select(p => CellOf(w, p))]
        );
        var findings = Findings(cells);
        return new FitSheet(
            Verdict(findings),
            $"{_build.Board.Maker} {_build.Board.Name}, revision {_build.Board.Revision}",
            _build.Controller.Id,
            [.. _build.Board.Ports.Select(PortOf)],
            [.. _ways.Select(w => LinkOf(w, cells[w.Link.Id], wired))],
            findings,
            [.. Plan.Placements.Where(p => p.Route is null).Select(p => ConflictOf(p.Link))],
            Wishes(_build.Build.Pins, _build.Build.Bans),
            Work(wired),
            OpenWords(wired)
        );
    }

    /// <summary>The verdict alone, for lists of builds.</summary>
    public Verdict Verdict() => Verdict(Findings(_ways.ToDictionary(w => w.Link.Id, _ => (IReadOnlyList<FitCell>)[])));

    /// <summary>Where each link sits, for lists of builds.</summary>
    public IReadOnlyList<Place> Places() =>
        [.. Plan.Placements.Select(p => new Place(FitWords.Of(p.Link.Function.Need), p.Route?.Port.Id))];

    /// <summary>What moved since an earlier plan, one sentence for each link.</summary>
    public IReadOnlyList<string> MovedSince(Plan earlier) => [.. Plan.Since(earlier).Select(FitWords.Of)];

    private Verdict Verdict(IReadOnlyList<Finding> findings)
    {
        var wanted = Plan.Placements.Count;
        var carried = Plan.Placements.Count(p => p.Route is not null);
        var left = Plan.Placements.Where(p => p.Route is null).Select(p => FitWords.Of(p.Link)).ToList();
        var warnings = findings.Count(f => f.Rule != PlanningRules.Unmet.Id);
        var sentence = (wanted, left.Count) switch
        {
            (0, _) => "No link is wished for yet.",
            (1, 0) => "The one link is carried.",
            (_, 0) => $"All {wanted} links carried.",
            _ => $"{carried} of {wanted} links carried. No port for {FitWords.Join([.. left.Select(FitWords.Lower)])}.",
        };
        if (warnings > 0)
        {
            sentence += warnings == 1 ? " 1 warning." : $" {warnings} warnings.";
        }
        var severity = findings.Count == 0 ? Severity.Note : findings.Max(f => f.Severity);
        return new Verdict(carried, wanted, severity, sentence);
    }

    private FitPort PortOf(Port port) =>
        new(port.Id, Shape.Of(_build.Board, port), PadsOf(port.Rx), PadsOf(port.Tx), port.HeldBy);

    private IReadOnlyList<FitPad> PadsOf(string? net) =>
        [
            .. Shape
                .PadsOf(_build.Board, net)
                .Select(pad => new FitPad(
                    pad.Label,
                    pad.Paths.Where(p => p.Net == net).All(p => p.Through.OfType<Inverter>().Count() % 2 == 1)
                )),
        ];

    private FitLink LinkOf(LinkWays way, IReadOnlyList<FitCell> cells, WiredBuild wired)
    {
        var link = way.Link;
        var route = Plan.RouteOf(link.Id);
        return new FitLink(
            link.Id,
            FitWords.Of(link.Function.Need),
            $"{link.Device.Maker} {link.Device.Name}",
            link.Want.Priority,
            route?.Port.Id,
            route?.Mode.Id,
            route is null ? [] : [.. route.Walks.Select(w => w.Pad.Label)],
            [.. link.Function.Modes.Select(m => ModeOf(link, m))],
            cells,
            [
                .. wired
                    .Wires.Where(w => w.Link == link.Id)
                    .Select(w => new FitWire(w.Lead.Label, w.Lead.Colour, w.Pad.Label, w.Pad.Side)),
            ],
            wired.Ports.FirstOrDefault(p => p.Link == link.Id) is { } set ? FitWords.Of(set.Settings) : []
        );
    }

    private FitMode ModeOf(Link link, Mode mode)
    {
        var protocol = Protocols.ProtocolCatalogue.Find(mode.Protocol)!;
        var banned = _build.Build.Bans.Contains(new RouteMatch { Link = link.Id, Mode = mode.Id });
        var framing = $"{protocol.Framing} at {protocol.Bauds[0]}";
        return new FitMode(mode.Id, mode.Name, protocol.Id, framing, FitWords.Condition(mode), banned);
    }

    private FitCell CellOf(LinkWays way, Port port)
    {
        var here = new RouteMatch { Link = way.Link.Id, Port = port.Id };
        FitCell Cell(
            CellState state,
            string? code,
            string text,
            string sentence,
            string? mode,
            IReadOnlyList<Lane> lanes
        ) =>
            new(
                port.Id,
                state,
                code,
                text,
                sentence,
                _build.Build.Pins.Any(p => p.Link == way.Link.Id && p.Port == port.Id),
                _build.Build.Bans.Contains(here),
                mode,
                lanes
            );

        if (Plan.RouteOf(way.Link.Id) is { } chosen && chosen.Port.Id == port.Id)
        {
            var sentence = $"{FitWords.Of(way.Link)} goes here: {FitWords.Join([.. chosen.Walks.Select(WireWords)])}.";
            return Cell(CellState.Chosen, null, FitWords.Pads(chosen), sentence, chosen.Mode.Id, Strands.Of(chosen));
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
                    Strands.Of(nearest)
                )
                : Cell(
                    CellState.Blocked,
                    PlanningRules.NoMode.Id,
                    PlanningRules.NoMode.Id,
                    NoMode(way.Link).Sentence,
                    null,
                    []
                );
        }
        var open = routes.Where(r => !_build.Build.Bans.Any(r.Matches)).ToList();
        if (open.Count == 0)
        {
            var banned = PlanningRules.Banned.Found(
                Severity.Stop,
                port.Id,
                ("link", FitWords.Of(way.Link)),
                ("port", port.Id)
            );
            return Cell(
                CellState.Blocked,
                banned.Rule,
                banned.Rule,
                banned.Sentence,
                routes[0].Mode.Id,
                Strands.Of(routes[0])
            );
        }
        var price = Price.Of(_build, _ways, Plan, way.Link, port);
        var shown = price.Route ?? open[0];
        return price.Route is null
            ? Cell(
                CellState.Blocked,
                price.Finding.Rule,
                price.Text,
                price.Finding.Sentence,
                shown.Mode.Id,
                Strands.Of(shown)
            )
            : Cell(CellState.Possible, null, price.Text, price.Finding.Sentence, shown.Mode.Id, Strands.Of(shown));
    }

    private List<Finding> Findings(Dictionary<string, IReadOnlyList<FitCell>> cells)
    {
        var list = new List<Finding>();
        foreach (var (link, route) in Plan.Placements)
        {
            if (route is null)
            {
                var because = cells[link.Id].Count == 0 ? "" : Because(cells[link.Id]);
                var severity = link.Want.Priority == Priority.Must ? Severity.Stop : Severity.Warn;
                list.Add(
                    PlanningRules.Unmet.Found(severity, link.Id, ("link", FitWords.Of(link)), ("because", because))
                );
            }
            else if (route.Mode.Loses.Count > 0)
            {
                list.Add(
                    PlanningRules.Loss.Found(
                        Severity.Warn,
                        link.Id,
                        ("link", FitWords.Of(link)),
                        ("port", route.Port.Id),
                        ("what", FitWords.Join(route.Mode.Loses))
                    )
                );
            }
        }
        list.AddRange(_build.Build.Pins.Where(p => !Keeps(p)).Select(VainPin));
        return list;
    }

    // One short line for each reason, with all the ports it holds at.
    private string Because(IReadOnlyList<FitCell> cells)
    {
        var clauses = cells
            .Select(cell => (cell.Port, Words: BecauseOf(cell)))
            .GroupBy(c => c.Words, c => c.Port)
            .Select(g => $" {string.Join(", ", g)}: {g.Key}.");
        return string.Concat(clauses);
    }

    private string BecauseOf(FitCell cell) =>
        (cell.Code, Plan.On(cell.Port)) switch
        {
            ({ } code, _) => RoutingRules.All.Concat(PlanningRules.All).First(r => r.Id == code).Brief,
            (null, { } holder) => $"taken by {FitWords.Short(holder)}",
            _ => "free only if another link gives way",
        };

    private bool Keeps(RouteMatch pin) => Plan.RouteOf(pin.Link)?.Matches(pin) ?? false;

    private Finding VainPin(RouteMatch pin)
    {
        var way = _ways.First(w => w.Link.Id == pin.Link);
        var fits = way.Routes.Where(r => r.Matches(pin)).ToList();
        var reason = fits.Count switch
        {
            0 when pin.Port is not null && way.NearestAt(pin.Port) is { } nearest => nearest.Finding.Sentence,
            0 => "no way of it leads there.",
            _ when fits.All(r => _build.Build.Bans.Any(r.Matches)) => "you banned it there as well.",
            _ => "another pin holds what it needs.",
        };
        return PlanningRules.PinVain.Found(
            Severity.Warn,
            pin.Link,
            ("link", FitWords.Of(way.Link)),
            ("where", Where(pin)),
            ("reason", reason)
        );
    }

    private FitConflict ConflictOf(Link link)
    {
        var conflict = Conflict.Of(_build, _ways, Plan, link);
        var wishes = Wishes(conflict.Pins, conflict.Bans);
        var links = FitWords.Join(NamesOf([link, .. conflict.Links]));
        var held = wishes.Count == 0 ? "" : $" while you hold to: {string.Join("; ", wishes.Select(w => w.Sentence))}";
        var sentence = (conflict.Links.Count, wishes.Count) switch
        {
            (0, 0) => $"{links} has no way on this board, whatever else gives way.",
            (0, 1) => $"{links} has no way{held}. Lift that and it fits.",
            (0, _) => $"{links} has no way{held}. Lift any one of these and it fits.",
            _ => $"{links} cannot all be carried{held}. If any one of these gives way, the rest fits.",
        };
        return new FitConflict(link.Id, [.. conflict.Links.Select(l => l.Id)], wishes, sentence);
    }

    // The need alone where that is clear; with the device where two links of the build give the same.
    private IReadOnlyList<string> NamesOf(IReadOnlyList<Link> links)
    {
        var words = links.Select(l =>
            _build.Links.Count(other => other.Function.Need == l.Function.Need) > 1 ? FitWords.Of(l) : FitWords.Of(l.Function.Need)
        );
        return [.. words.Select((w, i) => i == 0 ? w : FitWords.Lower(w))];
    }

    private IReadOnlyList<Wish> Wishes(IReadOnlyList<RouteMatch> pins, IReadOnlyList<RouteMatch> bans) =>
        [
            .. pins.Select(p => new Wish(ChangeKind.Pin, p, $"{Named(p)} stays on {Where(p)}", Keeps(p))),
            .. bans.Select(b => new Wish(
                ChangeKind.Ban,
                b,
                $"{Named(b)} not {(b is { Port: null, Pad: null, Mode: not null } ? "in" : "on")} {Where(b)}",
                true
            )),
        ];

    private string Named(RouteMatch match) => FitWords.Of(_ways.First(w => w.Link.Id == match.Link).Link);

    private string Where(RouteMatch match)
    {
        var way = _ways.First(w => w.Link.Id == match.Link);
        string?[] parts =
        [
            match.Port,
            match.Pad is null ? null : $"pad {_build.Board.Pads.First(p => p.Id == match.Pad).Label}",
            match.Mode is null ? null : $"mode \"{way.Link.Function.Modes.First(m => m.Id == match.Mode).Name}\"",
        ];
        var where = string.Join(", ", parts.Where(p => p is not null));
        return where == "" ? "any port" : where;
    }

    private IReadOnlyList<string> Work(WiredBuild wired) =>
        [
            .. wired
                .Bridges.Where(b => b.IsWork)
                .Select(b => $"Close bridge {b.Bridge.Id} at \"{b.Position}\"; it comes at \"{b.Bridge.Default}\"."),
            .. from placement in Plan.Placements
            let condition = placement.Route is null ? null : FitWords.Condition(placement.Route.Mode)
            where condition is not null
            select $"On the {placement.Link.Device.Name}: {condition}.",
        ];

    // A device that is not wired at all is told about by its links; only half-wired plugs need a word here.
    private IReadOnlyList<string> OpenWords(WiredBuild wired) =>
        [
            .. from open in wired.Open
            where wired.Wires.Any(w => w.Device == open.Device)
            let name = _build.Links.First(l => l.Want.Device == open.Device).Device.Name
            let colour = open.Lead.Colour is null ? "" : $" ({open.Lead.Colour})"
            select $"{name} {open.Lead.Label}{colour}",
        ];

    private static Finding NoMode(Link link) =>
        PlanningRules.NoMode.Found(Severity.Stop, link.Id, ("link", FitWords.Of(link)));

    private static string WireWords(LineWalk walk) => $"{walk.Lead.Label} to pad {walk.Pad.Label}";
}
