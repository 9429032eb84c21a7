using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Protocols;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Plans.Routing;
using Gorvix.Core.Wired.Leaflets;
using Gorvix.Core.Wired.Loom;
using Gorvix.Core.Wired.Picture;
using Gorvix.Core.Wired.Rails;
using Gorvix.Core.Wired.Settings;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Wired.Words;

namespace Gorvix.Core.Wired.Fit;

/// <summary>Plans a build and reads the answer out as a <see cref="FitSheet"/>.</summary>
public sealed class FitReader
{
    /// <summary>
    /// So many links that are left out are explained, with what would carry them; each costs many plans, and beyond these it
    /// is another board that is wanted.
    /// </summary>
    public const int MostExplained = 6;

    private static readonly Dictionary<string, Rule> Rules = RoutingRules
        .All.Concat(PlanningRules.All)
        .Append(LimitRules.TooMany)
        .ToDictionary(r => r.Id);

    private readonly ResolvedBuild _build;
    private readonly PlanSpace _space;
    private readonly Holders _holders;
    private readonly PlanReader _plans;
    private readonly CellReader _cells;
    private readonly WishReader _wishes;
    private readonly FindingReader _findings;
    private readonly SheetKeep _rails;

    /// <summary>Plans the build.</summary>
    /// <param name="build">The build.</param>
    /// <param name="stop">Tells that nobody waits for the answer any more.</param>
    public FitReader(ResolvedBuild build, CancellationToken stop = default)
        : this(build, Effort.Patient, stop) { }

    /// <summary>Plans the build.</summary>
    /// <param name="build">The build.</param>
    /// <param name="effort">How long it is thought about.</param>
    /// <param name="stop">Tells that nobody waits for the answer any more.</param>
    public FitReader(ResolvedBuild build, Effort effort, CancellationToken stop = default)
        : this(new PlanSpace(build, effort, stop)) { }

    private FitReader(PlanSpace space)
        : this(space, Planner.Best(space)) { }

    private FitReader(PlanSpace space, Plan plan)
        : this(space, plan, WiredBuild.From(space.Build, plan)) { }

    private FitReader(PlanSpace space, Plan plan, WiredBuild wired, SheetKeep? rails = null)
    {
        (_build, _space, Plan, Wired) = (space.Build, space, plan, wired);
        _rails = rails ?? new SheetKeep();
        _holders = new Holders(_build, Plan);
        _plans = new PlanReader(_space, Plan, Wired);
        _cells = new CellReader(_space, Plan, Wired);
        _wishes = new WishReader(_space, Plan);
        _findings = new FindingReader(_build, Plan, Wired, _wishes, _holders);
    }

    /// <summary>The plan.</summary>
    public Plan Plan { get; }

    /// <summary>The build wired as the plan says.</summary>
    public WiredBuild Wired { get; }

    /// <summary>The same answer for another asker, who may stop what it makes.</summary>
    public FitReader Until(CancellationToken stop) => new(_space.Until(stop), Plan, Wired, _rails);

    /// <summary>The build in every situation, the full pack first; solved once, however often it is asked for.</summary>
    /// <param name="stop">Tells that nobody waits for the answer any more.</param>
    public IReadOnlyList<RailSheet> Rails(CancellationToken stop = default) =>
        _rails.Sheets ??= RailReader.Read(Wired, Situation.All(Wired), stop);

    /// <summary>The build in every situation, that of a pack at a chosen charge before them where one is chosen.</summary>
    /// <param name="cell">Volts of a cell of that pack; null for none.</param>
    /// <param name="stop">Tells that nobody waits for the answer any more.</param>
    public IReadOnlyList<RailSheet> Rails(double? cell, CancellationToken stop = default) =>
        // While the slider moves, one situation is solved and the others stand.
        Situation.Of(_build.Build, cell)[0]
            is { Id: "charge" } charged
            ? [RailReader.Read(Wired, charged, stop), .. Rails(stop)]
            : Rails(stop);

    /// <summary>The wiring picture, with the volts of the supplies where the pack is full or the source gives most.</summary>
    /// <param name="loom">Its wires and steps.</param>
    /// <param name="stop">Tells that nobody waits any more.</param>
    public WiringPicture Picture(LoomSheet loom, CancellationToken stop = default) =>
        Picture(loom, Rails(stop)[0], stop);

    /// <summary>The wiring picture.</summary>
    /// <param name="loom">Its wires and steps.</param>
    /// <param name="sheet">What the supplies have.</param>
    /// <param name="stop">Tells that nobody waits any more.</param>
    public WiringPicture Picture(LoomSheet loom, RailSheet sheet, CancellationToken stop = default) =>
        PictureReader.Of(
            Wired,
            loom,
            sheet
                .Leads.Where(l => l.Volts is not null)
                .DistinctBy(l => (l.Device, l.Lead))
                .ToDictionary(l => new LeadAt(l.Device, l.Lead), l => l.Volts!.Value),
            stop
        );

    /// <summary>What several askers of one answer share.</summary>
    private sealed class SheetKeep
    {
        public IReadOnlyList<RailSheet>? Sheets { get; set; }
    }

    /// <summary>How long this answer was thought about.</summary>
    public Effort Effort => _space.Effort;

    /// <summary>
    /// The same build, thought about for longer; its own plan where that one is not better. What nobody waits for is stopped.
    /// </summary>
    public FitReader Patiently(CancellationToken stop)
    {
        var space = _space.With(Effort.Patient).Until(stop);
        if (Plan.Gap is null)
        {
            return new(space, Plan, Wired, _rails);
        }
        var plan = Planner.Best(space);
        return plan.Cost < Plan.Cost ? new(space, plan) : new(space, Plan with { Gap = plan.Gap }, Wired, _rails);
    }

    /// <summary>Plans the same build with other pins and bans; sooner than from the beginning.</summary>
    public FitReader With(IReadOnlyList<WishMatch> pins, IReadOnlyList<WishMatch> bans, Effort effort) =>
        new(_space.With(pins, bans).With(effort));

    /// <summary>The whole sheet.</summary>
    public FitSheet Sheet()
    {
        var rest = SearchBudget.ForRest(_space.Effort);
        var wiring = new WiringReader(_space, Plan, Wired);
        var cells = _space.Ways.ToDictionary(
            w => w.Link.Id,
            w => (IReadOnlyList<FitCell>)[.. _build.Board.Ports.Select(p => _cells.CellOf(w, p))]
        );
        var explained = Left(Plan).ToHashSet();
        var findings = _findings.All(link => explained.Contains(link) ? Because(link, cells[link.Id]) : "");
        List<FitConflict> conflicts = Plan.Gap is null
            ? [.. Left(Plan).Select(link => _wishes.ConflictOf(link, rest))]
            : [];
        return new FitSheet(
            _findings.Verdict(findings),
            $"{_build.Board.Maker} {_build.Board.Name}, revision {_build.Board.Revision}",
            Identity(),
            _build.Controller.Id,
            _plans.Shown(),
            [.. _build.Board.Ports.Select(PortOf)],
            [.. _space.Ways.Select(w => LinkOf(w, cells[w.Link.Id], wiring))],
            [.. findings.Where(FindingReader.SaysMore)],
            conflicts,
            _wishes.All(),
            [.. Wired.Work.Where(w => w.Minutes > 0).Select(w => WorkWords.Of(w, _build))],
            WorkSummary(),
            wiring.Devices(),
            RoomReader.Words(RoomLeft.Of(_space, Plan), _build),
            FindingReader.Open(findings, SettingsCheck.Of(Wired)),
            FaceReader.Of(_build.Board),
            wiring.PadsInUse(),
            RailAnswer.Flight(Wired).FirstOrDefault() is { } full ? RailReader.Read(Wired, full).Leads : []
        )
        {
            Proof = ProofWords.Of(_space, Plan, _cells.HasOpen || conflicts.Any(c => !c.IsMinimal)),
        };
    }

    /// <summary>The strand of one cell, or null when there is no such link or port.</summary>
    /// <param name="link">Id of the link.</param>
    /// <param name="port">Id of the port.</param>
    public FitStrand? Strand(string link, string port) =>
        _space.Ways.FirstOrDefault(w => w.Link.Id == link) is { } way
        && _build.Board.Ports.FirstOrDefault(p => p.Id == port) is { } found
            ? new FitStrand(link, port, _cells.LanesOf(way, found))
            : null;

    /// <summary>The links that a plan leaves out, as far as they are explained.</summary>
    internal static IEnumerable<Link> Left(Plan plan) =>
        plan.Placements.Where(p => p.Route is null).Take(MostExplained).Select(p => p.Link);

    /// <summary>The verdict alone, for lists of builds.</summary>
    public Verdict Verdict() => _findings.Verdict(_findings.All(_ => ""));

    /// <summary>What there is to say of supplies and of what is soldered, whatever feeds the build.</summary>
    public IReadOnlyList<Finding> OfEverySituation() => [.. _findings.OfEverySituation()];

    /// <summary>The build that was planned, as its builder wrote it.</summary>
    internal Build Build => _build.Build;

    /// <summary>What would burn or stays without supply.</summary>
    internal IEnumerable<Finding> Stops() => _findings.All(_ => "").Where(FindingReader.IsStop);

    /// <summary>The pins and bans of this build that another one does not have, in words.</summary>
    internal IReadOnlyList<string> WishesNotIn(Build other) =>
        [
            .. _wishes
                .All()
                .Where(w => !other.Pins.Contains(w.Match) && !other.Bans.Contains(w.Match))
                .Select(w => w.Sentence),
        ];

    /// <summary>The hand work in a few words; empty when there is none.</summary>
    internal string WorkSummary() => WorkWords.Summary(Wired.Work, _build);

    /// <summary>Where each link sits, for lists of builds.</summary>
    public IReadOnlyList<Place> Places() =>
        [
            .. Plan.Placements.Select(p => new Place(
                PlainWords.Of(p.Link.Function.Need),
                p.Route?.Port.Id,
                FitWords.Lack(p.Link, Plan)
            )),
        ];

    /// <summary>What moved since an earlier plan, one sentence for each link.</summary>
    /// <param name="earlier">The plan before.</param>
    public IReadOnlyList<string> MovedSince(Plan earlier) => new MoveReader(_space, Plan).Since(earlier);

    /// <summary>What the longer look has brought, in a sentence; empty where it stayed with the plan of the first.</summary>
    /// <param name="first">The plan of the first look.</param>
    public IReadOnlyList<string> BetterThan(Plan first) =>
        Plan.Cost < first.Cost ? [new MoveReader(_space, Plan).Better(first)] : [];

    /// <summary>What would carry the links that the plan leaves out: the first <see cref="MostExplained"/> of them.</summary>
    /// <param name="library">The parts that could be taken instead.</param>
    public IReadOnlyList<LinkUnlocks> Unlocks(PartsLibrary library) =>
        new UnlockReader(_space, Plan, Wired, library).All();

    /// <summary>One of the unlocks and the build after it, or null when there is no such one.</summary>
    /// <param name="library">The same parts as for <see cref="Unlocks"/>.</param>
    /// <param name="id">Its <see cref="FitUnlock.Id"/>.</param>
    public (FitUnlock Unlock, Build After)? Unlocked(PartsLibrary library, string id) =>
        new UnlockReader(_space, Plan, Wired, library).Find(id);

    /// <summary>The build with the pins and bans that make one of the shown plans its best, or null when there is no such plan.</summary>
    /// <param name="number">From 1, the best.</param>
    public Build? Choose(int number) =>
        _plans.Worthy().ElementAtOrDefault(number - 1) is { } plan ? BestPlans.Choose(_space, Plan, plan) : null;

    private FitPort PortOf(Port port) =>
        new(
            port.Id,
            port.Name,
            FitWords.Head(port, _build.Circuit.ShapeOf(port)),
            PadsOf(port.PinChoices.Select(p => p.Rx ?? port.Data)),
            (port.Tx ?? port.Clock) == (port.Rx ?? port.Data)
                ? []
                : PadsOf(port.PinChoices.Select(p => p.Tx ?? port.Clock)),
            port.Kind == PortKind.Usb ? "USB" : port.HeldBy
        );

    private string? Identity()
    {
        var board = _build.Board;
        var parts = new[]
        {
            board.Recognise,
            board.Target is null ? null : Sentences.FirmwareTarget(board.Target),
            BoardWords.Shape(board),
        }.OfType<string>();
        return parts.Any() ? string.Join(' ', parts) : null;
    }

    private IReadOnlyList<FitPad> PadsOf(IEnumerable<string?> nets) =>
        [
            .. nets.Distinct()
                .SelectMany(_build.Circuit.To)
                .GroupBy(s => s.Pad)
                .Select(pad => new FitPad(pad.Key.Label, pad.All(s => s.Strand.Inverters % 2 == 1))),
        ];

    private FitLink LinkOf(LinkWays way, IReadOnlyList<FitCell> cells, WiringReader wiring)
    {
        var link = way.Link;
        var route = Plan.RouteOf(link.Id);
        return new FitLink(
            link.Id,
            link.Tag is { } tag ? $"{PlainWords.Of(link.Function.Need)}, {tag}" : PlainWords.Of(link.Function.Need),
            $"{link.Device.Maker} {link.Device.Name}",
            link.Want.Device,
            PlainWords.Of(link.Want.Priority),
            route?.Port.Id,
            route?.Mode.Id,
            route is null ? [] : [.. route.Walks.Select(w => w.Pad.Label)],
            [.. link.Modes.Select(m => ModeOf(link, m))],
            cells,
            wiring.WiresOf(link.Id),
            route is null ? [] : FitWords.Settings(_build, route),
            route?.RidesIn,
            FitWords.Lack(link, Plan)
        );
    }

    private FitMode ModeOf(Link link, Mode mode)
    {
        var protocol = ProtocolCatalogue.Find(mode.Protocol)!;
        var banned = _build.Build.Bans.Contains(new RouteMatch { Link = link.Id, Mode = mode.Id });
        var framing = protocol.Framing is null
            ? PortWords.Label(protocol.Carrier)
            : $"{protocol.Framing}, {Phrase.Baud(mode.Bauds.Concat(protocol.Bauds).First())}";
        return new FitMode(mode.Id, mode.Name, protocol.Name, framing, PortWords.Condition(mode), banned);
    }

    // One short line for each reason, with all the ports it holds at.
    private string Because(Link link, IReadOnlyList<FitCell> cells)
    {
        var clauses = cells
            .Select(cell => (cell.Port, Words: BecauseOf(link, cell)))
            .GroupBy(c => c.Words, c => c.Port)
            .Select(g => $" {string.Join(", ", g)}: {g.Key}.");
        return string.Concat(clauses);
    }

    // Who holds what it would need there; a code where the board or a rule says no.
    private string BecauseOf(Link link, FitCell cell)
    {
        if (cell.Code is { } code && code != PlanningRules.Taken.Id)
        {
            return Rules[code].Brief;
        }
        var routes = _space.Ways.First(w => w.Link.Id == link.Id).Routes.Where(r => r.Port.Id == cell.Port);
        var port = _build.Board.Ports.First(p => p.Id == cell.Port);
        var clauses = _holders.AgainstBest(routes, link.Want.Device, port);
        return clauses.Count == 0 ? PlanningRules.Taken.Brief : Phrase.Join(clauses);
    }
}
