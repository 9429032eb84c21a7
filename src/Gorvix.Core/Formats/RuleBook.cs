using System.Text;
using Gorvix.Core.Builds;
using Gorvix.Core.Findings;
using Gorvix.Core.Loom;
using Gorvix.Core.Parts;
using Gorvix.Core.Planning;
using Gorvix.Core.Rails;
using Gorvix.Core.Routing;
using Gorvix.Core.Settings;
using Gorvix.Core.Wiring;
using Gorvix.Core.Words;

namespace Gorvix.Core.Formats;

/// <summary>Every rule of the product in one list, and the page that is made from it.</summary>
public static class RuleBook
{
    /// <summary>The rules under the titles of their lists.</summary>
    public static readonly IReadOnlyList<(string Title, IReadOnlyList<Rule> Rules)> Floors =
    [
        ("Routing: why a link cannot take a way", RoutingRules.All),
        ("Routing: what a way that works must be warned of", HazardRules.All),
        ("Supply: what can feed a device", FeedRules.All),
        ("Planning: what there is to say about a plan", PlanningRules.All),
        ("Rails: what supplies really do", RailRules.All),
        ("Wiring: plugs, sockets and grounds", WiringRules.All),
        ("Loom: what is noted", LoomRules.All),
        ("Settings: what is wrong or doubtful about them", SettingsRules.All),
        ("Parts: what a part may not say", PartRules.All),
        ("Builds", [.. BuildCheck.All, .. LimitRules.All]),
        ("Files", FileRules.All),
        ("Leaflets as text", LeafletRules.All),
        ("Lists as CSV", TableRules.All),
    ];

    private static readonly (CostTerm Term, string Words)[] Objective =
    [
        (CostTerm.PinsBroken, "pins that could be kept and are not."),
        (
            CostTerm.MustsUnmet,
            $"musts without a way: {PlanCost.UnmetLink} each, plus {PlanCost.Needs} for control, one less for each of {NeedsInOrder()} (common practice)."
        ),
        (CostTerm.WantsUnmet, "wants without a way, in the same way."),
        (CostTerm.NicesUnmet, "links that are nice to have, in the same way."),
        (
            CostTerm.Unfed,
            "supply leads that nothing feeds (only once the pack is chosen), and devices that are left off. A link whose device is not fed goes without."
        ),
        (
            CostTerm.Hazards,
            "things that can go wrong although they work: a port shared with USB, a doubtful pad, a marginal level."
        ),
        (CostTerm.Losses, "things lost by the chosen modes."),
        (
            CostTerm.Processor,
            "tenths of the processor that serial in code takes: 4 above 19200 baud, else 3 (common practice)."
        ),
        (
            CostTerm.HandWork,
            $"minutes of hand work (our own round numbers, common practice, scaled by the house rule \"your hand\" where they are shown): a bridge {WorkMinutes.Bridge}, a device's firmware {WorkMinutes.Firmware}, a setting of a device, the radio or the board {WorkMinutes.Setting}, a device strapped to another address {WorkMinutes.Bridge}, a resistor {WorkMinutes.Resistor}, a lead that leaves its cavity (to another one, insulated or cut) {WorkMinutes.Lift}, and {WorkMinutes.Solder} more where it is soldered, a tail in a socket {WorkMinutes.Tail}, a soldered wire that comes off {WorkMinutes.Undo}. What is done already (the Loom's ticks) costs nothing again, and of two plans that are alike otherwise the one wins that lets it be. What must make room for a lead that moves goes with it."
        ),
        (CostTerm.AgainstHouse, "supplies that go against a house rule although they work."),
        (CostTerm.WholePorts, "whole ports used."),
        (CostTerm.Switches, "inverted or swapped pins in the port settings."),
        (CostTerm.OffAdvice, "links away from the port that the board's maker advises."),
    ];

    /// <summary>All rules, floor by floor.</summary>
    public static IReadOnlyList<Rule> All { get; } = [.. Floors.SelectMany(f => f.Rules)];

    private static string NeedsInOrder() =>
        string.Join(", ", Enum.GetValues<Need>().Skip(1).Select(n => Phrase.Lower(PlainWords.Of(n))));

    /// <summary>The text of docs/rules.md.</summary>
    public static string Page()
    {
        var page = new StringBuilder();
        page.Append("# Rules\n\nMade from the code (`./test --write` rewrites it); a test keeps it current.\n");
        page.Append("The id is what a blocked cell or an error shows. `{…}` stands for a fact of the case.\n");
        foreach (var (floor, rules) in Floors)
        {
            page.Append($"\n## {floor}\n");
            foreach (var rule in rules)
            {
                page.Append($"\n### {rule.Id} – {rule.Title}\n\n> {rule.Sentence}\n\n{rule.Reason}\n");
                if (rule.Mend != "")
                {
                    page.Append($"Mend: {rule.Mend}\n");
                }
                page.Append($"Source: {rule.Source}.\n");
            }
        }
        page.Append(
            "\n## The objective\n\nOf two plans the better one is smaller in the first of these terms that differs.\n\n"
        );
        foreach (var (term, words) in Objective)
        {
            page.Append($"{(int)term + 1}. **{term}**: {words}\n");
        }
        page.Append(
            "\nAmong equals: links in the order of priority, need and file; cheaper ways first; then modes, ports and pads "
        );
        page.Append(
            "in the order of the files, as far as some hundred looks reach. So the same build always gives the same plan.\n"
        );
        Houses(page);
        page.Append("\n## What an unlock weighs\n\n");
        page.Append(
            "Our own scale, in minutes of hand work; the cheapest is offered first. A change of wishes weighs nothing.\n"
        );
        foreach (var (words, minutes) in UnlockSteps.Prices)
        {
            page.Append($"- {words}: {minutes}\n");
        }
        page.Append(
            "\nTo this comes what the plan after it needs more: minutes of hand work, and 5 for each hazard, each loss "
        );
        page.Append("and each tenth of the processor.\n");
        return page.ToString();
    }

    private static void Houses(StringBuilder page)
    {
        page.Append("\n## House rules\n\nWhere practitioners disagree (common practice); the default stands first.\n");
        foreach (var dispute in HouseSchools.All)
        {
            page.Append($"\n### {dispute.Title}\n\n");
            foreach (var school in dispute.Schools)
            {
                page.Append($"- **{school.Name}**: {school.Reason}\n");
            }
        }
    }
}
