using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Protocols;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Plans.Routing;
using Gorvix.Core.Wired.Rails;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Wired.Words;

namespace Gorvix.Core.Wired.Fit;

/// <summary>What there is to say about a plan: stops first, then links, plugs, supplies and wishes; and the one-line verdict.</summary>
internal sealed class FindingReader(
    ResolvedBuild build,
    Plan plan,
    WiredBuild wired,
    WishReader wishes,
    Holders holders
)
{
    // Solved once, however often the findings are asked for.
    private IReadOnlyList<Finding>? _rails;

    /// <summary>Every finding. With the reasons of each cell, links that go without are told port by port.</summary>
    /// <param name="because">Why a link cannot be carried, from its cells; empty text when that is not known.</param>
    public IReadOnlyList<Finding> All(Func<Link, string> because) =>
        [
            .. Links(because)
                .Concat(Supplies(build, plan, holders, _rails ??= RailAnswer.Of(wired)))
                .Concat(WiringCheck.Of(wired))
                .Concat(BuiltCheck.Of(wired))
                .Concat(Stays())
                .Concat(wishes.VainPins())
                .OrderByDescending(f => f.Severity),
        ];

    /// <summary>The verdict that goes with the findings: a stop that is no missing link leads it.</summary>
    public Verdict Verdict(IReadOnlyList<Finding> findings)
    {
        var wanted = plan.Placements.Count;
        var left = plan.Placements.Where(p => p.Route is null).Select(p => p.Link).ToList();
        var carried = wanted - left.Count;
        var links = (wanted, left.Count) switch
        {
            (_, 0) => AllConnected(wanted),
            _ => Sentences.OfLinksConnectedWithout(
                carried,
                wanted,
                Without("port", left.Where(l => !plan.LacksSupply(l))),
                Without("supply", left.Where(plan.LacksSupply))
            ),
        };
        var stops = findings.Where(IsStop).ToList();
        var warnings = findings.Count(f => f.Severity == Severity.Warn && !IsUnmet(f));
        List<string> parts =
        [
            .. stops.Take(1).Select(s => $"Problem: {Phrase.First(s.Sentence)}"),
            .. stops.Count > 1 ? [$"And {stops.Count - 1} more."] : Array.Empty<string>(),
            links,
        ];
        if (plan.Gap is not null)
        {
            parts.Add(Sentences.BestFoundSoFarNot);
        }
        if (warnings > 0)
        {
            parts.Add(warnings == 1 ? "1 warning." : $"{warnings} warnings.");
        }
        var severity = findings.Count == 0 ? Severity.Note : findings.Max(f => f.Severity);
        return new Verdict(carried, wanted, severity, string.Join(' ', parts));
    }

    /// <summary>That every link has its place, as people count them.</summary>
    /// <param name="links">How many links there are.</param>
    public static string AllConnected(int links) =>
        links switch
        {
            0 => Sentences.NoLinksAddedYet,
            1 => Sentences.Of1LinkConnected,
            2 => Sentences.BothLinksConnected,
            _ => Sentences.AllLinksConnected(links),
        };

    /// <summary>True for a stop that is no missing link: a part that would burn, or that nothing feeds.</summary>
    public static bool IsStop(Finding finding) => finding.Severity == Severity.Stop && !IsUnmet(finding);

    /// <summary>
    /// False for what the verdict and the line about the proof say already: before the proof is there, a link without a place has neither a reason nor
    /// an offer of its own.
    /// </summary>
    public static bool SaysMore(Finding finding) => finding.Rule != PlanningRules.UnmetYet.Id;

    private static bool IsUnmet(Finding finding) =>
        finding.Rule == PlanningRules.Unmet.Id || finding.Rule == PlanningRules.UnmetYet.Id;

    /// <summary>The stops and warnings, by the step at which they are mended.</summary>
    /// <param name="findings">What there is to say about the plan.</param>
    /// <param name="settings">What there is to say about its settings.</param>
    public static OpenFindings Open(IReadOnlyList<Finding> findings, IReadOnlyList<Finding> settings)
    {
        var open = findings.Where(f => f.Severity > Severity.Note).ToList();
        var (parts, rails, loom) = (open.Count(IsOfParts), open.Count(IsOfRails), open.Count(IsOfLoom));
        return new OpenFindings(
            parts,
            open.Count - parts - rails - loom,
            rails,
            loom,
            settings.Count(f => f.Severity > Severity.Note),
            [.. findings.Where(IsOfLoom)],
            [.. findings.Where(IsOfParts)]
        );
    }

    private static bool IsOfParts(Finding finding) => FeedRules.All.Any(r => r.Id == finding.Rule);

    private static bool IsOfRails(Finding finding) =>
        RailRules.All.Concat(SupplyRules.All).Any(r => r.Id == finding.Rule);

    private static bool IsOfLoom(Finding finding) =>
        finding.Rule == WiringRules.Soldered.Id || finding.Rule == WiringRules.Orphan.Id;

    private static string Without(string what, IEnumerable<Link> links) =>
        links.Select(l => Phrase.Lower(PlainWords.Of(l))).ToList() is { Count: > 0 } names
            ? $" No {what} for {Phrase.Join(names)}."
            : "";

    /// <summary>What there is to say of supplies and of what is soldered that is true whatever feeds the build, for the reader of rails.</summary>
    public IEnumerable<Finding> OfEverySituation() =>
        Known(build, plan, holders)
            .Where(f => f.Subject.Kind != SubjectKind.Pad)
            .Concat(WiringCheck.Grounds(wired))
            .Concat(BuiltCheck.Of(wired).Where(f => f.Severity == Severity.Stop))
            .OrderByDescending(f => f.Severity);

    /// <summary>All that there is to say of the supply: the board's own input, what nobody has told, devices that nothing powers, and what the rails really give.</summary>
    /// <param name="build">The build.</param>
    /// <param name="plan">Its plan.</param>
    /// <param name="holders">Who stands in the way of what the plan has not chosen.</param>
    /// <param name="rails">What <see cref="RailAnswer"/> says of the wired plan.</param>
    public static IEnumerable<Finding> Supplies(
        ResolvedBuild build,
        Plan plan,
        Holders holders,
        IReadOnlyList<Finding> rails
    )
    {
        var input = rails.Where(f => f.Rule == FeedRules.BoardInput.Id).ToList();
        return [.. input, .. Known(build, plan, holders), .. rails.Except(input)];
    }

    private static IEnumerable<Finding> Known(ResolvedBuild build, Plan plan, Holders holders)
    {
        if (Feeder.SourceOf(build) is not { } source)
        {
            return
                build.Devices.Any(d => d.Device.Leads.Any(l => l.Role == LeadRole.Supply))
                || build.Board.Input is not null
                ? [FeedRules.NoPack.Found(Severity.Warn, Subject.Build)]
                : [];
        }
        return
        [
            .. NotJudged(build, source),
            .. plan
                .Feeds.Where(f => f.Feed is null)
                .DistinctBy(f => f.Ways.Device.Id)
                .Select(f => Router.Unfed(f.Ways, holders.AgainstBest(f.Ways.Feeds, f.Ways.Device.Id))),
            .. plan.Feeds.SelectMany(f => f.Feed?.Hazards ?? []),
        ];
    }

    // What no manual tells is not taken for harmless.
    private static IEnumerable<Finding> NotJudged(ResolvedBuild build, VoltWindow source)
    {
        if (build.Board.Input is null && build.Board.Rails.Any(r => r.Feed == RailFeed.Battery))
        {
            yield return FeedRules.InputNotJudged.Found(
                Severity.Warn,
                Subject.Build,
                ("board", build.Board.Name),
                ("high", $"{source.Max:0.0#}")
            );
        }
        foreach (var device in build.Devices)
        {
            foreach (
                var lead in device.Device.Leads.Where(l =>
                    l.Role == LeadRole.Supply && device.Device.Supplies.All(s => s.Lead != l.Id)
                )
            )
            {
                yield return FeedRules.NotJudged.Found(
                    Severity.Warn,
                    Subject.Lead(new(device.Id, lead.Id)),
                    ("lead", lead.Label),
                    ("device", device.Device.Name)
                );
            }
        }
    }

    private IEnumerable<Finding> Links(Func<Link, string> because)
    {
        foreach (var (link, route) in plan.Placements)
        {
            if (route is null)
            {
                var severity = link.Want.Priority == Priority.Required ? Severity.Stop : Severity.Warn;
                // What carries more is not excluded before the proof is there.
                yield return plan.Gap is { Term: <= CostTerm.NicesUnmet }
                    ? PlanningRules.UnmetYet.Found(severity, Subject.Link(link.Id), ("link", PlainWords.Of(link)))
                    : PlanningRules.Unmet.Found(
                        severity,
                        Subject.Link(link.Id),
                        ("link", PlainWords.Of(link)),
                        ("because", because(link))
                    );
                continue;
            }
            foreach (var hazard in route.Hazards)
            {
                yield return hazard;
            }
            if (route.Mode.Loses.Count > 0)
            {
                yield return PlanningRules.Loss.Found(
                    Severity.Warn,
                    Subject.Link(link.Id),
                    ("link", PlainWords.Of(link)),
                    ("port", route.Port.Name),
                    ("what", Phrase.Join(route.Mode.Loses))
                );
            }
            foreach (var finding in Notes(link, route))
            {
                yield return finding;
            }
        }
    }

    // What is good to know of a link that works: where it rides, what code costs, what the radio must be set to.
    private IEnumerable<Finding> Notes(Link link, Route route)
    {
        if (route.RidesIn is { } carrier)
        {
            yield return PlanningRules.Rides.Found(
                Severity.Note,
                Subject.Link(link.Id),
                ("link", PlainWords.Of(link)),
                ("carrier", FitWords.Short(build.Links.First(l => l.Id == carrier), build)),
                ("port", route.Port.Name)
            );
        }
        if (route.Port.Kind == PortKind.Software)
        {
            var turned = route.Walks.Any(w => w.OwnInversion == Polarity.Inverted);
            yield return PlanningRules.Code.Found(
                Severity.Note,
                Subject.Link(link.Id),
                ("link", PlainWords.Of(link)),
                ("port", route.Port.Name),
                ("percent", $"{route.Processor * 10}"),
                ("turned", turned ? Sentences.InvertedInSoftware : "")
            );
        }
        // A link that brings nothing back, or whose rider has the radio set right, has nothing to lose.
        if (
            route.RidesIn is null
            && route.Mode.Carries.Count > 0
            && wired.Rides.All(r => r.In != link.Id)
            && new ModuleBay(build.Build.Radio, ProtocolCatalogue.Find(route.Mode.Protocol)!) is { IsCrowded: true } bay
        )
        {
            yield return PlanningRules.BaySlow.Found(
                Severity.Warn,
                Subject.Link(link.Id),
                ("link", Phrase.Lower(PlainWords.Of(link))),
                ("bay", Phrase.Spaced(build.Build.Radio!.BayBaud)),
                ("rate", $"{build.Build.Radio.PacketHertz}"),
                ("mend", Phrase.Join([.. bay.Work().Select(w => w.Setting!)]))
            );
        }
    }

    // A lead that stays in its plug and talks, unless a link uses it there.
    private IEnumerable<Finding> Stays() =>
        plan
            .Stays.Where(s =>
                s is { Home: Home.Kept, Warning: not null }
                && !wired.Leads.Any(l => l.At == new LeadAt(s.Device, s.Lead.Id) && l.IsUsed)
            )
            .Select(s => s.Warning!);
}
