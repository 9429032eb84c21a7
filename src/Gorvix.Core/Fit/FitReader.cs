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
    // More would not be compared at a glance.
    private const int FewPlans = 5;

    /// <summary>
    /// So many links that are left out are explained, with what would carry them; each costs many plans, and beyond these it
    /// is another board that is wanted.
    /// </summary>
    public const int MostExplained = 6;

    private static readonly Dictionary<string, Rule> Rules = RoutingRules
        .All.Concat(PlanningRules.All)
        .ToDictionary(r => r.Id);

    private readonly ResolvedBuild _build;
    private readonly PlanSpace _space;
    private readonly CellReader _cells;
    private readonly WishReader _wishes;

    /// <summary>Plans the build.</summary>
    /// <exception cref="InvalidBuildException">It is too large to be planned.</exception>
    public FitReader(ResolvedBuild build)
        : this(new PlanSpace(build)) { }

    private FitReader(PlanSpace space)
    {
        (_build, _space) = (space.Build, space);
        Plan = Planner.Best(_space);
        _cells = new CellReader(_space, Plan);
        _wishes = new WishReader(_space, Plan);
    }

    /// <summary>The plan.</summary>
    public Plan Plan { get; }

    /// <summary>Plans the same build with other pins and bans; sooner than from the beginning.</summary>
    public FitReader With(IReadOnlyList<RouteMatch> pins, IReadOnlyList<RouteMatch> bans) =>
        new(_space.With(pins, bans));

    /// <summary>The whole sheet.</summary>
    public FitSheet Sheet()
    {
        var wired = WiredBuild.From(_build, Plan);

        // Prices, the other plans and conflicts are by far the most work, and none waits for another.
        Dictionary<string, IReadOnlyList<FitCell>> cells = [];
        IReadOnlyList<FitPlan> plans = [];
        List<FitConflict> conflicts = [];
        Parallel.Invoke(
            () => cells = Cells(),
            () => plans = Plans(),
            () => conflicts = [.. Left(Plan).Select(_wishes.ConflictOf)]
        );
        var findings = Findings(cells);
        return new FitSheet(
            Verdict(findings),
            $"{_build.Board.Maker} {_build.Board.Name}, revision {_build.Board.Revision}",
            Identity(),
            _build.Controller.Id,
            plans,
            [.. _build.Board.Ports.Select(PortOf)],
            [.. _space.Ways.Select(w => LinkOf(w, cells[w.Link.Id], wired))],
            findings,
            conflicts,
            _wishes.All(),
            Work(wired),
            OpenWords(wired),
            SupplyReader.Rows(Plan)
        );
    }

    /// <summary>The links that a plan leaves out, as far as they are explained.</summary>
    internal static IEnumerable<Link> Left(Plan plan) =>
        plan.Placements.Where(p => p.Route is null).Take(MostExplained).Select(p => p.Link);

    private Dictionary<string, IReadOnlyList<FitCell>> Cells() =>
        _space
            .Ways.AsParallel()
            .AsOrdered()
            .Select(w => (w.Link.Id, Row: _build.Board.Ports.Select(p => _cells.CellOf(w, p)).ToList()))
            .AsEnumerable()
            .ToDictionary(r => r.Id, r => (IReadOnlyList<FitCell>)r.Row);

    /// <summary>The verdict alone, for lists of builds.</summary>
    public Verdict Verdict() =>
        Verdict(Findings(_space.Ways.ToDictionary(w => w.Link.Id, _ => (IReadOnlyList<FitCell>)[])));

    /// <summary>Where each link sits, for lists of builds.</summary>
    public IReadOnlyList<Place> Places() =>
        [.. Plan.Placements.Select(p => new Place(FitWords.Of(p.Link.Function.Need), p.Route?.Port.Id))];

    /// <summary>What moved since an earlier plan, one sentence for each link.</summary>
    /// <param name="earlier">The plan before.</param>
    public IReadOnlyList<string> MovedSince(Plan earlier) => new MoveReader(_space, Plan).Since(earlier);

    /// <summary>What would carry the links that the plan leaves out: the first <see cref="MostExplained"/> of them.</summary>
    /// <param name="library">The parts that could be taken instead.</param>
    public IReadOnlyList<LinkUnlocks> Unlocks(PartsLibrary library) =>
        new UnlockReader(_space, Plan, _wishes, library).All();

    /// <summary>One of the unlocks and the build after it, or null when there is no such one.</summary>
    /// <param name="library">The same parts as for <see cref="Unlocks"/>.</param>
    /// <param name="id">Its <see cref="FitUnlock.Id"/>.</param>
    public (FitUnlock Unlock, Build After)? Unlocked(PartsLibrary library, string id) =>
        new UnlockReader(_space, Plan, _wishes, library).Find(id);

    private Verdict Verdict(IReadOnlyList<Finding> findings)
    {
        var wanted = Plan.Placements.Count;
        var carried = Plan.Placements.Count(p => p.Route is not null);
        var left = Plan.Placements.Where(p => p.Route is null).Select(p => FitWords.Of(p.Link)).ToList();
        var warnings = findings.Count(f => f.Rule != PlanningRules.Unmet.Id && f.Severity > Severity.Note);
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

    /// <summary>The build with the pins and bans that make one of the shown plans its best, or null when there is no such plan.</summary>
    /// <param name="number">From 1, the best.</param>
    public Build? Choose(int number) =>
        ShownPlans().ElementAtOrDefault(number - 1) is { } plan ? BestPlans.Choose(_space, Plan, plan) : null;

    private IReadOnlyList<FitPlan> Plans() =>
        [
            .. ShownPlans()
                .Select(
                    (plan, i) =>
                        new FitPlan(
                            i + 1,
                            [.. plan.Since(Plan).Select(Difference)],
                            i == 0 ? "" : FitWords.Dearer(Plan, plan)
                        )
                ),
        ];

    // Only plans that keep as many wishes and carry as much: to lose a link for nothing is no choice.
    private IEnumerable<Plan> ShownPlans()
    {
        CostTerm[] wished =
        [
            CostTerm.PinsBroken,
            CostTerm.Unfed,
            CostTerm.MustsUnmet,
            CostTerm.WantsUnmet,
            CostTerm.NicesUnmet,
        ];
        return BestPlans.InOrder(_space).Take(FewPlans).TakeWhile(p => wished.All(t => p.Cost[t] == Plan.Cost[t]));
    }

    private string Difference(Move move) =>
        (move.From, move.To) switch
        {
            (_, null) => $"no {FitWords.Tag(move.Link, _build)}",
            ({ } from, { } to) when from.Port.Id != to.Port.Id => $"{FitWords.Tag(move.Link, _build)} to {to.Port.Id}",
            ({ } from, { } to) when from.Mode.Id != to.Mode.Id =>
                $"{FitWords.Tag(move.Link, _build)} in {to.Mode.Name}",
            ({ }, { } to) => $"{FitWords.Tag(move.Link, _build)} with {FitWords.Bridges(to)}",
            _ => $"{FitWords.Tag(move.Link, _build)} to {move.To.Port.Id}",
        };

    private FitPort PortOf(Port port) =>
        new(
            port.Id,
            port.Kind,
            Shape.Of(_build.Board, port),
            PadsOf(port.Rx ?? port.Data),
            (port.Tx ?? port.Clock) == (port.Rx ?? port.Data) ? [] : PadsOf(port.Tx ?? port.Clock),
            port.Kind == PortKind.Usb ? "USB" : port.HeldBy
        );

    private string? Identity()
    {
        var board = _build.Board;
        var target = board.Target is null ? null : $"Firmware target {board.Target}.";
        return (board.Recognise, target) switch
        {
            (null, null) => null,
            ({ } sign, null) => sign,
            (null, { } t) => t,
            ({ } sign, { } t) => $"{sign} {t}",
        };
    }

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
        var framing = protocol.Framing is null
            ? PortWords.Of(protocol.Carrier)
            : $"{protocol.Framing} at {mode.Bauds.Concat(protocol.Bauds).First()}";
        return new FitMode(mode.Id, mode.Name, protocol.Id, framing, PortWords.Condition(mode), banned);
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
            else
            {
                list.AddRange(route.Hazards);
                list.AddRange(route.Warnings);
            }
            if (route?.Mode.Loses.Count > 0)
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
        list.AddRange(SupplyReader.Findings(_build, Plan));
        list.AddRange(_wishes.VainPins());
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
            ({ } code, _) => Rules[code].Brief,
            (null, { Count: > 0 } holders) =>
                $"taken by {FitWords.Join([.. holders.Select(h => FitWords.Short(h, _build))])}",
            _ => "free only if another link gives way",
        };

    private IReadOnlyList<string> Work(WiredBuild wired) =>
        [
            .. wired
                .Bridges.Where(b => b.IsWork)
                .Select(b => $"Close bridge {b.Bridge.Id} at \"{b.Position}\"; it comes at \"{b.Bridge.Default}\"."),
            .. Plan.Placements.SelectMany(p => p.Route?.Work ?? []).Select(w => w.Words).Distinct(),
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
}
