using Gorvix.Core.Builds;
using Gorvix.Core.Findings;
using Gorvix.Core.Parts;
using Gorvix.Core.Planning;
using Gorvix.Core.Routing;
using Gorvix.Core.Words;

namespace Gorvix.Core.Fit;

/// <summary>What it would cost to put a link on a port where it is not: found by planning again with that pin.</summary>
/// <param name="Route">The route it would have there, or null when other pins keep it away.</param>
/// <param name="Text">A few letters for the cell.</param>
/// <param name="Finding">The price in a sentence.</param>
internal sealed record Price(Route? Route, string Text, Finding Finding)
{
    /// <summary>Plans again with the link pinned to the port and reads the difference.</summary>
    public static Price Of(PlanSpace space, Plan now, Link link, Port port)
    {
        var pin = new RouteMatch { Link = link.Id, Port = port.Id };
        var build = space.Build;
        var pins = build.Build.Pins.Where(p => !p.IsAboutTheSame(pin)).Append(pin).ToList();
        var then = Planner.Best(space, pins, build.Build.Bans);
        var others = then.Since(now).Where(m => m.Link.Id != link.Id).ToList();
        var route = then.RouteOf(link.Id) is { } r && r.Matches(pin) ? r : null;
        Price Say(string text, string consequence, Severity severity) =>
            new(
                route,
                text,
                PlanningRules.Taken.Found(
                    severity,
                    Subject.Link(link.Id),
                    ("link", PlainWords.Of(link)),
                    ("port", port.Id),
                    ("consequence", consequence)
                )
            );

        if (route is null)
        {
            return Say(PlanningRules.Taken.Id, "your other pins hold what it needs", Severity.Stop);
        }
        var pinsBroken = then.Cost[CostTerm.PinsBroken] > now.Cost[CostTerm.PinsBroken];
        var dropped = others.Where(m => m.To is null).Select(m => m.Link).ToList();
        var moved = others.Where(m => m.To is not null).Select(m => (m.Link, m.To!.Port)).ToList();
        var work = then.Cost[CostTerm.HandWork] - now.Cost[CostTerm.HandWork];
        var clauses = new List<string>();
        if (dropped.Count > 0)
        {
            clauses.Add($"{PlainWords.Join([.. dropped.Select(l => FitWords.Short(l, build))])} would go without");
        }
        if (moved.Count > 0)
        {
            clauses.Add(
                $"that moves {PlainWords.Join([.. moved.Select(m => $"{FitWords.Short(m.Link, build)} to {m.Port.Id}")])}"
            );
        }
        if (pinsBroken)
        {
            clauses.Add("another pin falls");
        }
        if (then.Cost[CostTerm.Processor] > now.Cost[CostTerm.Processor])
        {
            clauses.Add("it takes 30 to 40 % of the processor");
        }
        if (then.Cost[CostTerm.Losses] > now.Cost[CostTerm.Losses] && route.Mode.Loses.Count > 0)
        {
            clauses.Add($"it loses {PlainWords.Join(route.Mode.Loses)}");
        }
        if (then.Cost[CostTerm.Hazards] > now.Cost[CostTerm.Hazards])
        {
            clauses.Add("it brings a hazard more");
        }
        if (work > 0)
        {
            clauses.Add($"it asks for more hand work: {WordsOf(route, build)}");
        }
        if (clauses.Count == 0)
        {
            clauses.Add($"{FitWords.Dearer(now, then)} there");
        }
        var text = (dropped.Count, moved.Count, work) switch
        {
            (1, _, _) => $"drops {FitWords.Tag(dropped[0], build)}",
            (> 1, _, _) => $"drops {dropped.Count}",
            (_, 1, _) => $"moves {FitWords.Tag(moved[0].Link, build)}",
            (_, > 1, _) => $"moves {moved.Count}",
            _ when then.Cost[CostTerm.Hazards] > now.Cost[CostTerm.Hazards] => "a hazard",
            _ when then.Cost[CostTerm.Losses] > now.Cost[CostTerm.Losses] => "with a loss",
            _ when then.Cost[CostTerm.Processor] > now.Cost[CostTerm.Processor] => "in code",
            (_, _, > 0) => "more work",
            _ => "free",
        };
        return Say(text, PlainWords.Join(clauses), Severity.Note);
    }

    private static string WordsOf(Route route, ResolvedBuild build)
    {
        List<string> words =
        [
            .. route.Bridges.Select(b => $"bridge {b.Bridge} at \"{b.Position}\""),
            .. route.Work.Where(w => w.Points > 0).Select(w => PlainWords.Clause(WorkWords.Of(w, build))),
        ];
        return words.Count == 0 ? "in other links" : PlainWords.Join(words);
    }
}
