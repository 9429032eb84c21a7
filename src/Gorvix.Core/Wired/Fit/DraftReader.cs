using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Plans.Routing;
using Gorvix.Core.Plans.Scheduling;
using Gorvix.Core.Wired.Rails;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Wired.Words;

namespace Gorvix.Core.Wired.Fit;

/// <summary>A build in the making, as far as it is chosen.</summary>
/// <param name="Name">What it will be called; null while it has no board.</param>
/// <param name="Verdict">The one-line answer; null while it has no board, or where it cannot be a build at all.</param>
/// <param name="Stops">What would burn, stays without supply, or keeps it from being a build: the first thing to be read.</param>
/// <param name="Wishes">Every link that the devices can give, with where it would sit.</param>
/// <param name="Packs">Packs that would burn or starve something, with the reason; the others suit.</param>
public sealed record DraftView(
    string? Name,
    Verdict? Verdict,
    IReadOnlyList<string> Stops,
    IReadOnlyList<DraftLink> Wishes,
    IReadOnlyList<Unfit> Packs
);

/// <summary>A link that a draft could have.</summary>
/// <param name="Device">The place of its device in the list, from 0.</param>
/// <param name="Function">Id of its function.</param>
/// <param name="Need">What it gives, in words.</param>
/// <param name="Of">The device, in words.</param>
/// <param name="Priority">How much it is wished for; null for not at all.</param>
/// <param name="Port">Where it would sit, or null.</param>
/// <param name="Lack">What a planned link lacks where it has no port, in two words.</param>
public sealed record DraftLink(
    int Device,
    string Function,
    string Need,
    string Of,
    Priority? Priority,
    string? Port,
    string? Lack
);

/// <summary>A candidate that does not suit what is chosen.</summary>
/// <param name="Id">The part; for a pack its cells.</param>
/// <param name="Severity">Stop where it would burn or stay without supply, warn where it fits but does not do all it could.</param>
/// <param name="Sentence">Why.</param>
public sealed record Unfit(string Id, Severity Severity, string Sentence);

/// <summary>Which parts of the library do not suit what is chosen; those that are not named do.</summary>
/// <param name="Boards">The boards.</param>
/// <param name="Devices">The devices, each judged alone on the chosen board.</param>
public sealed record DraftFits(IReadOnlyList<Unfit> Boards, IReadOnlyList<Unfit> Devices);

/// <summary>Reads drafts: at each choice, what would burn or does not fit.</summary>
public static class DraftReader
{
    /// <summary>What the choices so far come to.</summary>
    /// <param name="draft">A draft that passed <see cref="Draft.Check"/>.</param>
    /// <param name="library">The library.</param>
    /// <param name="stop">Tells that nobody waits any more.</param>
    /// <exception cref="UnplannableException">Something in it is too large to be planned.</exception>
    public static DraftView Look(Draft draft, PartsLibrary library, CancellationToken stop = default)
    {
        var build = draft.Of(library);
        if (build is null)
        {
            return new DraftView(null, null, [], LinksOf(draft, null, null, library), []);
        }
        var (resolved, against) = ResolvedBuild.Of(build, library);
        if (resolved is null)
        {
            return new DraftView(
                build.Name,
                null,
                [.. against.Select(f => f.Sentence)],
                LinksOf(draft, build, null, library),
                []
            );
        }
        var reader = new FitReader(resolved, Effort.Quick, stop);
        return new DraftView(
            build.Name,
            reader.Verdict(),
            [.. Supplies(resolved, reader.Plan).Select(f => f.Sentence)],
            LinksOf(draft, build, reader.Plan, library),
            [.. Enumerable.Range(1, Pack.MostCells).Select(n => PackOf(n, build, library, stop)).OfType<Unfit>()]
        );
    }

    /// <summary>Which parts of the library do not suit the board and pack that are chosen.</summary>
    /// <inheritdoc cref="Look"/>
    public static async Task<DraftFits> Fits(Draft draft, PartsLibrary library, CancellationToken stop = default)
    {
        var boards = library.Boards.Select(b => BoardOf(b, draft, library)).OfType<Unfit>().ToList();
        if (draft.Board is null)
        {
            return new DraftFits(boards, []);
        }
        var devices = await Task.WhenAll(
            library.Devices.Select(d => Workers.Run(() => DeviceOf(d, draft, library, stop), Pieces, stop))
        );
        return new DraftFits(boards, [.. devices.OfType<Unfit>()]);
    }

    private static readonly WorkOf Pieces = new("draft", WorkPace.Batch);

    // The board alone: the same rule that speaks of it in a build.
    private static Unfit? BoardOf(Board board, Draft draft, PartsLibrary library)
    {
        var alone = new Draft { Board = board.Id, Pack = draft.Pack }.Of(library)!;
        return
            ResolvedBuild.Of(alone, library) is { Build: { } build }
            && Feeder.SourceOf(build) is { } source
            && board.Input is { } input
            && !input.Holds(source)
            && (
                input.IsOver(source.Max)
                    ? FeedRules.Input(board.Name, input, source.Max, Sentences.FullBattery, InputFrom.Battery)
                    : FeedRules.Input(board.Name, input, source.Min, Sentences.EmptyBattery, InputFrom.Battery)
            )
                is var against
            ? new Unfit(board.Id, against.Severity, against.Sentence)
            : null;
    }

    // Alone on the board: what it lacks then, it lacks in any company.
    private static Unfit? DeviceOf(Device device, Draft draft, PartsLibrary library, CancellationToken stop)
    {
        var alone = new Draft
        {
            Board = draft.Board,
            Pack = draft.Pack,
            Devices = [device.Id],
        }.Of(library)!;
        if (ResolvedBuild.Of(alone, library) is not { Build: { } build })
        {
            return null;
        }
        try
        {
            var plan = Planner.Best(new PlanSpace(build, Effort.Quick, stop));
            var burns = Supplies(build, plan).FirstOrDefault(f => f.Subject.Kind != SubjectKind.Build);
            var left = plan.Placements.Where(p => p.Route is null).Select(p => p.Link).ToList();
            return burns is not null ? new Unfit(device.Id, Severity.Stop, burns.Sentence)
                : left.Count == 0 ? null
                : new Unfit(
                    device.Id,
                    Severity.Warn,
                    Sentences.ThisBoardHasNoPort(
                        Phrase.Join([.. left.Select(l => Phrase.Lower(PlainWords.Of(l.Function.Need))).Distinct()])
                    )
                );
        }
        catch (UnplannableException problem)
        {
            return new Unfit(device.Id, Severity.Stop, problem.Message);
        }
    }

    private static Unfit? PackOf(int cells, Build build, PartsLibrary library, CancellationToken stop)
    {
        var pack = new Pack { Cells = cells, Chemistry = build.Pack?.Chemistry ?? default };
        // Supplies alone are judged: which links are carried does not hang on the pack.
        var (resolved, _) = ResolvedBuild.Of(build with { Pack = pack, Wants = [] }, library);
        if (resolved is null)
        {
            return null;
        }
        var plan = Planner.Best(new PlanSpace(resolved, Effort.Quick, stop));
        return Supplies(resolved, plan).FirstOrDefault() is { } against
            ? new Unfit($"{cells}", Severity.Stop, against.Sentence)
            : null;
    }

    // What the planner refuses, and what the solver finds in the plan that is left.
    private static IEnumerable<Finding> Supplies(ResolvedBuild build, Plan plan) =>
        FindingReader
            .Supplies(build, plan, new Holders(build, plan), RailAnswer.Of(WiredBuild.From(build, plan)))
            .Where(FindingReader.IsStop);

    private static IReadOnlyList<DraftLink> LinksOf(Draft draft, Build? build, Plan? plan, PartsLibrary library) =>
        [
            .. from device in draft.Devices.Index()
            let part = library.Device(device.Item)!
            from function in part.Functions
            let want = build?.Wants.FirstOrDefault(w =>
                w.Device == build.Devices[device.Index].Id && w.Function == function.Id
            )
            select new DraftLink(
                device.Index,
                function.Id,
                DeviceWords.Of(part, function),
                $"{part.Maker} {part.Name}",
                build is null ? Wished.For(function.Need) : want?.Priority,
                want is null ? null : plan?.RouteOf(want.Link)?.Port.Id,
                want is null || plan is null
                    ? null
                    : FitWords.Lack(plan.Placements.First(p => p.Link.Id == want.Link).Link, plan)
            ),
        ];
}
