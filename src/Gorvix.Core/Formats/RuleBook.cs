using System.Text;
using Gorvix.Core.Builds;
using Gorvix.Core.Findings;
using Gorvix.Core.Parts;
using Gorvix.Core.Planning;
using Gorvix.Core.Routing;

namespace Gorvix.Core.Formats;

/// <summary>Every rule of the product in one list, and the page that is made from it.</summary>
public static class RuleBook
{
    private static readonly (string Floor, IReadOnlyList<Rule> Rules)[] Floors =
    [
        ("Routing: why a link cannot take a way", RoutingRules.All),
        ("Planning: what there is to say about a plan", PlanningRules.All),
        ("Parts: what a part may not say", PartRules.All),
        ("Builds", BuildCheck.All),
        ("Files", FileRules.All),
    ];

    /// <summary>All rules, floor by floor.</summary>
    public static IReadOnlyList<Rule> All { get; } = [.. Floors.SelectMany(f => f.Rules)];

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
                page.Append($"Source: {rule.Source}.\n");
            }
        }
        return page.ToString();
    }
}
