using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Wired.Rails;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Wired.Words;

namespace Gorvix.Core.Wired.Fit;

/// <summary>A change that would carry a link which the plan leaves out, in words.</summary>
/// <param name="Id">Names the change when it is applied; the same build always gives the same ids.</param>
/// <param name="Link">The link that it carries.</param>
/// <param name="Kind">What kind of change it is.</param>
/// <param name="Words">What to change.</param>
/// <param name="Price">What it costs besides, in words.</param>
/// <param name="Then">Where the link would go.</param>
public sealed record FitUnlock(string Id, string Link, UnlockKind Kind, string Words, string Price, string Then);

/// <summary>What would carry one link.</summary>
/// <param name="Link">A link that the plan leaves out.</param>
/// <param name="Ways">The changes, cheapest first; none when no change of one or two things would do.</param>
/// <param name="Open">How many changes could not be settled; 0 where each was.</param>
public sealed record LinkUnlocks(string Link, IReadOnlyList<FitUnlock> Ways, int Open = 0);

/// <summary>The unlocks in words.</summary>
internal sealed class UnlockReader(PlanSpace space, Plan plan, WiredBuild wired, PartsLibrary library)
{
    private readonly ChangeWords _words = new(space.Build.Build, library);

    /// <summary>The unlocks of the first links that are left out, in the builder's order.</summary>
    public IReadOnlyList<LinkUnlocks> All() =>
        [
            .. Explained()
                .Select(Found)
                .Select(f => new LinkUnlocks(f.Link.Id, [.. f.Ways.Select(w => w.Words)], f.Open)),
        ];

    /// <summary>An unlock and the build after it, or null.</summary>
    public (FitUnlock Unlock, Build After)? Find(string id) =>
        Explained().SelectMany(l => Found(l).Ways).FirstOrDefault(f => f.Words.Id == id) is (var words, { } unlock)
            ? (words, unlock.After)
            : null;

    // What a plan that is not proved leaves out may be carried without any change.
    private IEnumerable<Link> Explained() => plan.Gap is { Term: <= CostTerm.NicesUnmet } ? [] : FitReader.Left(plan);

    private (Link Link, IEnumerable<(FitUnlock Words, Unlock Unlock)> Ways, int Open) Found(Link link)
    {
        var share = new SearchBudget(Unlocks.MostWeighed / FitReader.MostExplained);
        var (found, open) = Unlocks.Of(space, plan, link, library, budget: share);
        return (link, found.Where(Holds).Select(unlock => (WordsOf(link, unlock), unlock)), open);
    }

    // Planned again, and solved again: a way out that burns or starves something is none.
    private bool Holds(Unlock unlock) =>
        ResolvedBuild.Of(unlock.After, library).Build is { } after
        && (
            !RailAnswer.Stops(RailAnswer.Of(WiredBuild.From(after, unlock.Plan), space.Stop))
            || RailAnswer.Stops(RailAnswer.Of(wired, space.Stop))
        );

    private FitUnlock WordsOf(Link link, Unlock unlock)
    {
        var route = unlock.Plan.RouteOf(link.Id)!;
        var id = string.Join('+', unlock.Steps.Select(s => $"{s.Kind}/{s.What.Key()}"));
        return new FitUnlock(
            $"{link.Id}/{id}",
            link.Id,
            unlock.Steps[^1].Kind,
            string.Join("; and ", unlock.Steps.Select(What)),
            PriceOf(unlock),
            $"{FitWords.Short(link, space.Build)} on {route.Port.Name}"
        );
    }

    private string What(UnlockStep step) =>
        (step.Kind, step.What) switch
        {
            (UnlockKind.LiftPin, { Match: { } pin }) => _words.Of(new BuildChange(ChangeKind.Unpin, pin)),
            (UnlockKind.LiftBan, { Match: { } ban }) => _words.Of(new BuildChange(ChangeKind.Unblock, ban)),
            (UnlockKind.HouseRule, { Rule: { } rule, School: { } school }) => House(rule, school),
            (UnlockKind.Firmware, { Part: { } part }) => Sentences.ChangeTheBoardFirmwareTo(
                library.Profile(part)!.Name
            ),
            (UnlockKind.SwapHarness, { Device: { } device, Harness: { } harness }) => Harness(device, harness),
            (UnlockKind.LeaveOut, { Link: { } other }) =>
                $"Drop {FitWords.Short(space.Build.Links.First(l => l.Id == other), space.Build)}",
            (UnlockKind.SwapDevice, { Device: { } device, Part: { } part }) => Sentences.ReplaceTheWithThe(
                space.Build.Devices.First(d => d.Id == device).Device.Name,
                Name(library.Device(part)!)
            ),
            (UnlockKind.AddRegulator, { Part: { } part }) => Sentences.AddTheAndPowerThe(Name(library.Device(part)!)),
            (_, { Part: { } part }) => Sentences.SwapBoardTo(Name(library.Board(part)!)),
            _ => Sentences.ChangeTheBuild,
        };

    private string Harness(string device, string harness)
    {
        var part = space.Build.Devices.First(d => d.Id == device).Device;
        return Sentences.UseTheHarnessOnThe(part.Harnesses.First(h => h.Id == harness).Name, part.Name);
    }

    private static string House(string rule, string school)
    {
        var dispute = HouseSchools.All.First(d => d.Id == rule);
        return Sentences.HouseRule(dispute.Title, Phrase.Lower(dispute.Schools.First(s => s.Value == school).Name));
    }

    private string PriceOf(Unlock unlock)
    {
        var words = new List<string>();
        void Add(CostTerm term, Func<int, string> say)
        {
            if (unlock.Plan.Cost[term] - plan.Cost[term] is > 0 and var more)
            {
                words.Add(say(more));
            }
        }
        var kinds = unlock.Steps.Select(s => s.Kind).ToHashSet();
        if (
            kinds.Contains(UnlockKind.AddRegulator)
            || kinds.Contains(UnlockKind.SwapDevice)
            || kinds.Contains(UnlockKind.SwapBoard)
        )
        {
            words.Add(Sentences.OnePartToBuy);
        }
        words.AddRange(unlock.Steps.Select(Unknown).OfType<string>());
        if (kinds.Contains(UnlockKind.Firmware))
        {
            words.Add(Sentences.NewFirmwareOnTheBoard);
        }
        var without = unlock.GivenUp(plan).Select(l => FitWords.Short(l, space.Build)).ToList();
        if (without.Count > 0)
        {
            words.Add($"drops {Phrase.Join(without)}");
        }
        Add(CostTerm.Hazards, n => n == 1 ? Sentences.OneMoreHazard : Sentences.MoreHazards(n));
        Add(CostTerm.Losses, _ => $"loses {Phrase.Join([.. Lost(unlock)])}");
        Add(CostTerm.Processor, n => Sentences.AboutCpuLoad(n * 10));
        Add(CostTerm.HandWork, n => WorkOf(unlock, n));
        var moved = unlock.Plan.Since(plan).Count(m => m.From is not null && m.To is not null);
        if (moved > 0 && !kinds.Contains(UnlockKind.SwapBoard))
        {
            words.Add(moved == 1 ? Sentences.OneLinkMoves : Sentences.LinksMove(moved));
        }
        return words.Count == 0 ? Sentences.NothingElseChanges : Phrase.Join(words);
    }

    // A part that fits because nobody tells what it draws or gives is no cure without a word.
    private string? Unknown(UnlockStep step) =>
        (step.Kind, step.What.Part) switch
        {
            (UnlockKind.SwapDevice, { } id)
                when library.Device(id) is { } part && part.Supplies.Any(s => s is { Typical: null, Peak: null }) =>
                Sentences.UnknownCurrentOfTheIts(part.Name),
            (UnlockKind.AddRegulator, { } id)
                when library.Device(id) is { } part && part.Outputs.Any(o => o.Limit is null) =>
                Sentences.UnknownOutputLimitOfThe(part.Name),
            (UnlockKind.SwapBoard, { } id)
                when library.Board(id) is { } board
                    && board.Rails.Where(r => r.Volts > 0 && r.Limit is null).Select(r => r.Label).ToList()
                        is { Count: > 0 } rails => Sentences.UnknownLimitsOn(Phrase.Join(rails)),
            _ => null,
        };

    // On another board everything is wired anew, so it is told as a whole.
    private string WorkOf(Unlock unlock, int more)
    {
        if (ResolvedBuild.Of(unlock.After, library).Build is not { } after)
        {
            return WorkWords.About(more, space.Build);
        }
        var then = WiredBuild.From(after, unlock.Plan);
        return WorkWords.Summary(
            unlock.Steps.Any(s => s.Kind == UnlockKind.SwapBoard) ? then.Work : FitWords.MoreOf(wired.Work, then),
            after
        );
    }

    private static IEnumerable<string> Lost(Unlock unlock) =>
        unlock.Plan.Placements.SelectMany(p => p.Route?.Mode.Loses ?? []).Distinct();

    private static string Name(Device device) => $"{device.Maker} {device.Name}";

    private static string Name(Board board) => $"{board.Maker} {board.Name}, revision {board.Revision}";
}
