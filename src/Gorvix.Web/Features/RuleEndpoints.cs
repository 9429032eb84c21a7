using Gorvix.Core.Formats;

namespace Gorvix.Web.Features;

/// <summary>A rule as the builder reads it.</summary>
/// <param name="Id">The code in blocked cells.</param>
/// <param name="Title">The rule in a few words.</param>
/// <param name="Sentence">What it says of a case; <c>{…}</c> stands for a fact.</param>
/// <param name="Reason">Why it holds.</param>
/// <param name="Source">Where it comes from.</param>
public sealed record RuleText(string Id, string Title, string Sentence, string Reason, string Source);

/// <summary>The rules behind the codes.</summary>
internal static class RuleEndpoints
{
    private static readonly IReadOnlyList<RuleText> Texts =
    [
        .. RuleBook.All.Select(r => new RuleText(r.Id, r.Title, r.Sentence, r.Reason, r.Source.ToString())),
    ];

    public static void MapRules(this IEndpointRouteBuilder app) =>
        app.MapGet("/api/rules", () => Texts).WithName("listRules").WithTags("Rules");
}
