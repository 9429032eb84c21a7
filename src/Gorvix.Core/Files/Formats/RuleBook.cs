using System.Text;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Plans.Routing;
using Gorvix.Core.Wired.Loom;
using Gorvix.Core.Wired.Rails;
using Gorvix.Core.Wired.Settings;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Wired.Words;

namespace Gorvix.Core.Files.Formats;

/// <summary>Every rule of the product in one list, and the page that is made from it.</summary>
public static class RuleBook
{
    /// <summary>The rules under the titles of their lists.</summary>
    public static readonly IReadOnlyList<(string Title, IReadOnlyList<Rule> Rules)> Floors =
    [
        ("Routing: why a route is blocked", RoutingRules.All),
        ("Routing: warnings about working routes", HazardRules.All),
        ("Supply: battery and ranges", FeedRules.All),
        ("Supply: what can power a device, and what it gets", SupplyRules.All),
        ("Planning: findings about a plan", PlanningRules.All),
        ("Rails: actual supply voltages and loads", RailRules.All),
        ("Wiring: plugs, sockets and grounds", WiringRules.All),
        ("Loom: notes", LoomRules.All),
        ("Settings: errors and warnings", SettingsRules.All),
        ("Parts: invalid part data", PartRules.All),
        ("Builds", [.. BuildCheck.All, .. LimitRules.All]),
        ("Files", FileRules.All),
        ("Board text", LeafletRules.All),
        ("CSV lists", TableRules.All),
    ];

    private static readonly (CostTerm Term, string Words)[] Objective =
    [
        (CostTerm.PinsBroken, "pins that could be kept but are not."),
        (
            CostTerm.MustsUnmet,
            $"required links without a port: {PlanCost.UnmetLink} each, plus {PlanCost.Needs} for the RC link, one less for each of {NeedsInOrder()} (common practice)."
        ),
        (CostTerm.WantsUnmet, "wanted links without a port, weighted the same."),
        (CostTerm.NicesUnmet, "optional links without a port, weighted the same."),
        (
            CostTerm.Unfed,
            "supply leads that nothing powers (only once the battery is chosen), and devices left off. A link whose device has no power is not connected."
        ),
        (
            CostTerm.Hazards,
            "hazards of routes that work: a port shared with USB, an uncertain pad, a marginal logic level."
        ),
        (CostTerm.Losses, "features lost in the chosen modes."),
        (
            CostTerm.Processor,
            "tenths of the processor load used by software serial: 4 above 19 200 baud, else 3 (common practice)."
        ),
        (
            CostTerm.HandWork,
            $"minutes of manual work (our own round numbers, common practice, scaled by the house rule \"Work speed\" where shown): a solder jumper {WorkMinutes.Bridge}, a device's firmware {WorkMinutes.Firmware}, a setting of a device, the radio or the board {WorkMinutes.Setting}, a device strapped to another address {WorkMinutes.Bridge}, a resistor {WorkMinutes.Resistor}, a lead de-pinned (moved, insulated or cut) {WorkMinutes.Lift}, and {WorkMinutes.Solder} more where it is soldered, a pigtail in a socket {WorkMinutes.Tail}, a soldered wire removed {WorkMinutes.Undo}. Work already done (ticked in Loom) costs nothing again, and of two equal plans the one that leaves it alone wins. Leads that must make room for a moved lead are counted with it."
        ),
        (CostTerm.AgainstHouse, "working supplies that go against a house rule."),
        (CostTerm.WholePorts, "full UARTs used."),
        (CostTerm.Switches, "inverted or swapped pins in the port settings."),
        (CostTerm.OffAdvice, "links not on the port the board's maker recommends."),
    ];

    /// <summary>All rules, floor by floor.</summary>
    public static IReadOnlyList<Rule> All { get; } = [.. Floors.SelectMany(f => f.Rules)];

    private static string NeedsInOrder() =>
        string.Join(", ", Enum.GetValues<Need>().Skip(1).Select(n => Phrase.Lower(PlainWords.Of(n))));

    /// <summary>The text of docs/rules.md.</summary>
    public static string Page()
    {
        var page = new StringBuilder();
        page.Append("# Rules\n\nGenerated from the code (`./test --write` rewrites it); a test keeps it current.\n");
        page.Append("A blocked cell or an error shows the id. `{…}` is replaced by the details of the case.\n");
        foreach (var (floor, rules) in Floors)
        {
            page.Append($"\n## {floor}\n");
            foreach (var rule in rules)
            {
                page.Append($"\n### {rule.Id} – {rule.Title}\n\n> {rule.Sentence}\n");
                if (rule.Refusal is { } refusal)
                {
                    page.Append($">\n> {refusal}\n");
                }
                page.Append($"\n{rule.Reason}\n");
                if (rule.Mend != "")
                {
                    page.Append($"Fix: {rule.Mend}\n");
                }
                page.Append($"Source: {rule.Source}.\n");
            }
        }
        page.Append(
            "\n## The objective\n\nOf two plans, the better one has the lower value in the first of these terms that differs.\n\n"
        );
        foreach (var (term, words) in Objective)
        {
            page.Append($"{(int)term + 1}. **{term}**: {words}\n");
        }
        page.Append(
            "\nTies: links in order of priority, function and file; cheaper routes first; then modes, ports and pads "
        );
        page.Append("in file order, within a few hundred search steps. The same build always yields the same plan.\n");
        Houses(page);
        page.Append("\n## Cost of an unlock\n\n");
        page.Append(
            "Our own scale, in minutes of manual work; the cheapest is offered first. Removing a pin or a block costs nothing.\n"
        );
        foreach (var (words, minutes) in UnlockSteps.Prices)
        {
            page.Append($"- {words}: {minutes}\n");
        }
        page.Append(
            "\nAdded to this is the extra cost of the new plan: minutes of manual work, and 5 for each hazard, each loss "
        );
        page.Append("and each tenth of the processor load.\n");
        return page.ToString();
    }

    private static void Houses(StringBuilder page)
    {
        page.Append("\n## House rules\n\nWhere practitioners disagree (common practice); the default comes first.\n");
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
