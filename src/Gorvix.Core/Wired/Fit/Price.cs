using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Plans.Routing;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Wired.Words;

namespace Gorvix.Core.Wired.Fit;

/// <summary>What it would cost to put a link on a port where it is not: found by planning again with that pin.</summary>
/// <param name="Route">The route it would have there, or null when other pins keep it away.</param>
/// <param name="Text">A few letters for the cell.</param>
/// <param name="Finding">The price in a sentence.</param>
internal sealed record Price(Route? Route, string Text, Finding Finding)
{
    // One cell is not worth more than this.
    private const int MostOfOne = 1_000_000;

    /// <summary>Plans again with the link pinned to the port and reads the difference.</summary>
    /// <param name="space">The build's space.</param>
    /// <param name="now">Its best plan.</param>
    /// <param name="wired">The build wired as that plan says.</param>
    /// <param name="link">The link.</param>
    /// <param name="port">The port.</param>
    /// <param name="budget">What may be weighed.</param>
    /// <returns>Null where it is not settled before the budget is empty.</returns>
    public static Price? Of(PlanSpace space, Plan now, WiredBuild wired, Link link, Port port, SearchBudget budget)
    {
        // Beside a plan that is not proved, a price would be no price.
        if (now.Gap is not null || budget.IsEmpty)
        {
            return null;
        }
        var pin = new RouteMatch { Link = link.Id, Port = port.Id };
        var build = space.Build;
        var pins = build.Build.Pins.Where(p => !p.IsAboutTheSame(pin)).Append(pin).ToList();
        if (PlanWith(space, pins, budget) is not { } then)
        {
            return null;
        }
        // What rides follows its carrier, which says enough.
        var others = then.Since(now)
            .Where(m => m.Link.Id != link.Id && (m.To?.RidesIn is null || m.From?.RidesIn is null))
            .ToList();
        var route = then.RouteOf(link.Id) is { } r && r.Matches(pin) ? r : null;
        IReadOnlyList<Work> More() => FitWords.MoreOf(wired.Work, WiredBuild.From(build, then));
        Price Say(Rule rule, string text, string consequence, Severity severity) =>
            new(
                route,
                text,
                rule.Found(
                    severity,
                    Subject.Link(link.Id),
                    ("link", PlainWords.Of(link)),
                    ("port", port.Name),
                    ("consequence", consequence)
                )
            );
        if (route is null)
        {
            return Say(PlanningRules.Taken, PlanningRules.Taken.Id, Held(space, then, link, port), Severity.Stop);
        }
        var pinsBroken = then.Cost[CostTerm.PinsBroken] > now.Cost[CostTerm.PinsBroken];
        var dropped = others.Where(m => m.To is null).Select(m => m.Link).ToList();
        var moved = others.Where(m => m.To is not null).Select(m => (m.Link, m.To!.Port)).ToList();
        var minutes = then.Cost[CostTerm.HandWork] - now.Cost[CostTerm.HandWork];
        var clauses = new List<string>();
        if (dropped.Count > 0)
        {
            clauses.Add(Sentences.ThatDrops(Phrase.Join([.. dropped.Select(l => FitWords.Short(l, build))])));
        }
        if (moved.Count > 0)
        {
            clauses.Add(Sentences.ThatDisplaces(Phrase.Join([.. Moved(build, moved)])));
        }
        if (pinsBroken)
        {
            clauses.Add(Sentences.ItOverridesAnotherOfYour);
        }
        if (then.Cost[CostTerm.Processor] > now.Cost[CostTerm.Processor])
        {
            clauses.Add(Sentences.ItAdds3040Cpu);
        }
        if (then.Cost[CostTerm.Losses] > now.Cost[CostTerm.Losses] && route.Mode.Loses.Count > 0)
        {
            clauses.Add(Sentences.ItLoses(Phrase.Join(route.Mode.Loses)));
        }
        if (then.Cost[CostTerm.Hazards] > now.Cost[CostTerm.Hazards])
        {
            clauses.Add(HazardWords(now, then));
        }
        clauses.AddRange(Replugged(now, then));
        if (minutes > 0)
        {
            clauses.Add(WorkClause(build, More()));
        }
        if (clauses.Count == 0)
        {
            clauses.Add(FitWords.Dearer(build, now, then, More));
        }
        var text = (dropped.Count, moved.Count, minutes) switch
        {
            (1, _, _) => $"drops {FitWords.Tag(dropped[0], build)}",
            (> 1, _, _) => $"drops {dropped.Count}",
            (_, 1, _) => $"displaces {FitWords.Tag(moved[0].Link, build)}",
            (_, > 1, _) => $"displaces {moved.Count}",
            _ when then.Cost[CostTerm.Hazards] > now.Cost[CostTerm.Hazards] => Sentences.AddsHazard,
            _ when then.Cost[CostTerm.Losses] > now.Cost[CostTerm.Losses] => "reduced",
            _ when then.Cost[CostTerm.Processor] > now.Cost[CostTerm.Processor] => Sentences.SoftwareSerial,
            (_, _, > 0) => $"+{WorkMinutes.In(build.Build.House.Hand, minutes)} min",
            _ => "free",
        };
        return Say(PlanningRules.Open, text, Phrase.Join(clauses), Severity.Note);
    }

    // Plugs that would sit elsewhere.
    private static IEnumerable<string> Replugged(Plan now, Plan then) =>
        from seat in then.Seats
        let was = now.SeatOf(seat.Ways.Device.Id).Seat
        where seat.Way.Seat != was
        select Sentences.ThePlugWouldBeNow(
            seat.Ways.Device.Device.Name,
            WireWords.Of(seat.Way.Seat),
            WireWords.Of(was)
        );

    private static Plan? PlanWith(PlanSpace space, IReadOnlyList<WishMatch> pins, SearchBudget budget)
    {
        var share = budget.UpTo(MostOfOne);
        try
        {
            return Planner.Best(space, pins, space.Build.Build.Bans, null, share) is { Gap: null } plan ? plan : null;
        }
        catch (UnplannableException)
        {
            return null;
        }
        finally
        {
            budget.TakeBack(share);
        }
    }

    // Several that give the same and go to one port are told together.
    private static IEnumerable<string> Moved(ResolvedBuild build, List<(Link Link, Port Port)> moved) =>
        moved
            .GroupBy(m => (m.Link.Function.Need, m.Port.Name))
            .Select(g =>
                g.Count() < 3
                    ? Phrase.Join([.. g.Select(m => FitWords.Short(m.Link, build))]) + $" to {g.Key.Name}"
                    : $"{g.Count()} × {Phrase.Lower(PlainWords.Of(g.Key.Need))} to {g.Key.Name}"
            );

    // Which pins hold what the link would need there.
    private static string Held(PlanSpace space, Plan then, Link link, Port port)
    {
        var routes = space.Ways.First(w => w.Link.Id == link.Id).Routes.Where(r => r.Port == port);
        var clauses = new Holders(space.Build, then).AgainstBest(routes, link.Want.Device);
        return clauses.Count == 0 ? Sentences.YourOtherPinsOccupyWhat : Sentences.AsYouPinnedIt(Phrase.Join(clauses));
    }

    // The first hazard that one plan has and the other has not, in its own words.
    private static string HazardWords(Plan now, Plan then)
    {
        static IEnumerable<Finding> Of(Plan plan) => plan.Chosen.SelectMany(c => c.Hazards);
        var known = Of(now).Select(h => h.Sentence).ToHashSet();
        var more = Of(then).FirstOrDefault(h => !known.Contains(h.Sentence));
        return more is null
            ? Sentences.ItAddsOneMoreHazard
            : Sentences.ItAddsAHazard(Phrase.Clause(Phrase.First(more.Sentence)));
    }

    private static string WorkClause(ResolvedBuild build, IReadOnlyList<Work> more)
    {
        var details = more.Where(w => w.Minutes > 0).Select(w => Phrase.Clause(WorkWords.Of(w, build))).ToList();
        return Sentences.ItNeeds(WorkWords.Summary(more, build), Phrase.Join(details));
    }
}
