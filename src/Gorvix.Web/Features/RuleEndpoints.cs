using Gorvix.Core.Files.Formats;
using Gorvix.Web.Hosting;

namespace Gorvix.Web.Features;

/// <summary>A rule as the builder reads it.</summary>
/// <param name="Id">The code in blocked cells.</param>
/// <param name="Group">The list it belongs to.</param>
/// <param name="Title">The rule in a few words.</param>
/// <param name="Sentence">What it says of a case; <c>{…}</c> stands for a fact.</param>
/// <param name="Mend">How to mend it; empty where the sentence says it.</param>
/// <param name="Reason">Why it holds.</param>
/// <param name="Source">Where it comes from.</param>
public sealed record RuleText(
    string Id,
    string Group,
    string Title,
    string Sentence,
    string Mend,
    string Reason,
    string Source
);

/// <summary>What the product goes by: the rules behind the codes, and the schema of its files.</summary>
internal static class RuleEndpoints
{
    private static readonly IReadOnlyList<RuleText> Texts =
    [
        .. from floor in RuleBook.Floors
        from rule in floor.Rules
        select new RuleText(
            rule.Id,
            floor.Title,
            rule.Title,
            rule.Sentence,
            rule.Mend,
            rule.Reason,
            rule.Source.ToString()
        ),
    ];

    private static readonly Lazy<string> Schema = new(() => FileSchema.Text(CoreDocs.Beside()));

    public static void MapRules(this IEndpointRouteBuilder app)
    {
        app.MapGet("/api/rules", () => Texts).WithName("listRules").WithTags("Rules");
        app.MapGet("/api/format/schema", () => Results.Text(Schema.Value, "application/schema+json"))
            .WithName("getSchema")
            .WithTags("Rules")
            .Produces<string>(200, "application/schema+json");
    }
}
