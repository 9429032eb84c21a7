using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Plans.Routing;
using Gorvix.Core.Wired.Rails;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Wired.Words;

namespace Gorvix.Core.Wired.Fit;

/// <summary>One candidate of a sweep, in words.</summary>
/// <param name="Part">Id of the board or device.</param>
/// <param name="Name">Its name.</param>
/// <param name="Now">True for the part that the build has.</param>
/// <param name="Severity">Stop when a must is left out or it cannot be planned, warn when something is left out, else note.</param>
/// <param name="Verdict">What it carries, in a sentence.</param>
/// <param name="Price">What it asks for, in words.</param>
/// <param name="Rank">Sorts the candidates: a smaller text is better.</param>
/// <param name="Places">Where each link would go; empty when it cannot be planned.</param>
/// <param name="Room">What else could still be taken there; null when it cannot be planned.</param>
/// <param name="OpenPorts">The ports on which something more would fit, in the order of the board.</param>
public sealed record SweepLine(
    string Part,
    string Name,
    bool Now,
    Severity Severity,
    string Verdict,
    string Price,
    string Rank,
    IReadOnlyList<Place> Places,
    FitRoom? Room,
    IReadOnlyList<string> OpenPorts
);

/// <summary>A sweep in words.</summary>
public static class SweepReader
{
    /// <summary>One line for each board of the library, as they are found.</summary>
    public static IAsyncEnumerable<SweepLine> Boards(
        Build build,
        PartsLibrary library,
        CancellationToken stop = default
    ) =>
        Sweep
            .OverBoards(build, library, stop)
            .Select(r =>
                LineOf(
                    r,
                    library.Board(r.Part)! is var b ? $"{b.Maker} {b.Name}, revision {b.Revision}" : "",
                    build.Board
                )
            );

    /// <summary>One line for each device of the same kind as one of the build's, as they are found.</summary>
    public static IAsyncEnumerable<SweepLine> Devices(
        Build build,
        string device,
        PartsLibrary library,
        CancellationToken stop = default
    ) =>
        Sweep
            .OverDevices(build, device, library, stop)
            .Select(r =>
                LineOf(
                    r,
                    library.Device(r.Part)! is var d ? $"{d.Maker} {d.Name}" : "",
                    build.Devices.First(x => x.Id == device).Part
                )
            );

    /// <summary>One line for each device of a kind, added to the build, as they are found.</summary>
    public static IAsyncEnumerable<SweepLine> Additions(
        Build build,
        DeviceKind kind,
        PartsLibrary library,
        CancellationToken stop = default
    ) =>
        Sweep
            .OverAdditions(build, kind, library, stop)
            .Select(r => LineOf(r, library.Device(r.Part)! is var d ? $"{d.Maker} {d.Name}" : "", ""));

    private static SweepLine LineOf(SweepResult result, string name, string now)
    {
        if (result.Plan is not { } plan || result.After is not { } build)
        {
            var why = result.Findings.Count == 0 ? Sentences.ItDoesNotSupportYour : result.Findings[0].Sentence;
            return new SweepLine(result.Part, name, result.Part == now, Severity.Stop, why, "", "~", [], null, []);
        }
        var left = plan.Placements.Where(p => p.Route is null).ToList();
        var suits = Feeder.InputSuits(build);
        var stops = FindingReader
            .Supplies(build, plan, new Holders(build, plan), RailAnswer.Of(WiredBuild.From(build, plan)))
            .Where(FindingReader.IsStop)
            .ToList();
        var carried = plan.Placements.Count - left.Count;
        List<string> verdict =
        [
            .. stops.Take(1).Select(s => $"Problem: {Phrase.First(s.Sentence)}"),
            left.Count == 0
                ? FindingReader.AllConnected(carried)
                : Sentences.OfLinksConnected(carried, plan.Placements.Count),
        ];
        if (plan.Gap is { } gap)
        {
            verdict.Add(Sentences.BestFoundSoFar(ProofWords.Of(gap)));
        }
        var severity =
            stops.Count > 0 || left.Any(p => p.Link.Want.Priority == Priority.Required) ? Severity.Stop
            : left.Count > 0 || plan.Cost[CostTerm.Hazards] + plan.Cost[CostTerm.Losses] > 0 ? Severity.Warn
            : Severity.Note;
        return new SweepLine(
            result.Part,
            name,
            result.Part == now,
            severity,
            string.Join(' ', verdict),
            PriceOf(build, plan),
            $"{(suits ? 0 : 1)}{plan.Cost.SortKey}",
            [
                .. plan.Placements.Select(p => new Place(
                    Phrase.Upper(FitWords.Short(p.Link, build)),
                    p.Route?.Port.Id,
                    FitWords.Lack(p.Link, plan)
                )),
            ],
            RoomReader.Words(result.Room, build),
            [.. build.Board.Ports.Select(p => p.Id).Where(id => result.Room.Any(r => r.Ports.Contains(id)))]
        );
    }

    private static string PriceOf(ResolvedBuild build, Plan plan)
    {
        (CostTerm Term, Func<int, string> Say)[] terms =
        [
            (CostTerm.Hazards, n => Phrase.Count(n, "hazard")),
            (CostTerm.Losses, n => Phrase.Count(n, Sentences.LostFunction, Sentences.LostFunctions)),
            (CostTerm.Processor, n => Sentences.AboutCpuLoad(n * 10)),
            (CostTerm.HandWork, n => Sentences.OfWork(WorkWords.About(n, build))),
        ];
        return string.Join(", ", terms.Where(t => plan.Cost[t.Term] > 0).Select(t => t.Say(plan.Cost[t.Term])));
    }
}
