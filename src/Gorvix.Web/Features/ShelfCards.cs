using System.Text.Json;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Fit;
using Gorvix.Storage;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.Extensions.Options;

namespace Gorvix.Web.Features;

/// <summary>
/// The cards of the shelf. What was told last is kept in the data file and told at once; what is not of the newest version, or was made by
/// another program, is pending until its card is asked for.
/// </summary>
internal sealed class ShelfCards(
    BuildStore builds,
    ShelfStore shelf,
    PartStore parts,
    BuildPlans plans,
    IOptions<JsonOptions> options
)
{
    // Every build of the program has another one.
    private static readonly string Program = $"{typeof(FitReader).Module.ModuleVersionId}";

    private JsonSerializerOptions Json => options.Value.SerializerOptions;

    /// <summary>Every card as it was told last.</summary>
    public async Task<IReadOnlyList<ShelfBuild>> All()
    {
        var cards = await shelf.Cards();
        return
        [
            .. (await shelf.All()).Select(shelved =>
                shelved.Build is { } stored
                    ? Last(stored, cards.GetValueOrDefault(stored.Id))
                    : Unreadable(shelved, null, 0, shelved.Problem!)
            ),
        ];
    }

    /// <summary>One card, planned as the build stands.</summary>
    /// <exception cref="NotFoundException">It is not on the shelf.</exception>
    public async Task<ShelfBuild> Of(string id, CancellationToken stop)
    {
        StoredBuild stored;
        try
        {
            stored = await builds.Get(id);
        }
        catch (UnreadableException problem)
        {
            return (await shelf.All()).FirstOrDefault(b => b.Id == id) is { } shelved
                ? Unreadable(shelved, null, 0, problem.Message)
                : throw NotFoundException.Build(id);
        }
        return await Kept(stored, stop);
    }

    /// <summary>The card of a build that is new on the shelf.</summary>
    public async Task<IResult> Created(StoredBuild stored, CancellationToken stop) =>
        Results.Created($"/api/builds/{stored.Id}/fit", await Kept(stored, stop));

    private async Task<ShelfBuild> Kept(StoredBuild stored, CancellationToken stop)
    {
        var card = await Card(stored, stop);
        await shelf.Keep(
            new CardRow
            {
                BuildId = stored.Id,
                Version = stored.Version,
                Program = Program,
                Json = JsonSerializer.Serialize(card, Json),
            }
        );
        return card;
    }

    private ShelfBuild Last(StoredBuild stored, CardRow? card)
    {
        var told = card is null ? null : Told(card);
        return new ShelfBuild(
            stored.Id,
            stored.Version,
            stored.Build.Name,
            stored.Build.Note,
            told?.Board ?? "",
            told?.Controller ?? "",
            told?.Verdict ?? new Verdict(0, stored.Build.Wants.Count, Severity.Note, "Planning…"),
            told?.Places ?? [],
            stored.ChangedAt,
            stored.IsArchived,
            card is null || card.Version != stored.Version || card.Program != Program
        );
    }

    private ShelfBuild? Told(CardRow card)
    {
        try
        {
            return JsonSerializer.Deserialize<ShelfBuild>(card.Json, Json);
        }
        catch (JsonException)
        {
            // Of another version of this program: it is made anew.
            return null;
        }
    }

    // One build that cannot be read or planned (a rule became stricter, a hand in the file) must not hide the others.
    private async Task<ShelfBuild> Card(StoredBuild stored, CancellationToken stop)
    {
        PlannedBuild planned;
        try
        {
            planned = await plans.Planned(stored, stop);
        }
        catch (Exception problem) when (problem is UnreadableException or UnplannableException)
        {
            return Unreadable(stored, problem.Message);
        }
        var board = (await parts.For(stored.Build)).Board(stored.Build.Board)!;
        return new ShelfBuild(
            stored.Id,
            stored.Version,
            stored.Build.Name,
            stored.Build.Note,
            $"{board.Maker} {board.Name}, revision {board.Revision}",
            board.Controller,
            planned.Reader.Verdict(),
            planned.Reader.Places(),
            stored.ChangedAt,
            stored.IsArchived
        );
    }

    private static ShelfBuild Unreadable(StoredBuild stored, string sentence) =>
        Unreadable(
            new Shelved(stored.Id, stored, sentence, stored.ChangedAt, stored.IsArchived),
            stored.Build,
            stored.Build.Wants.Count,
            sentence
        );

    private static ShelfBuild Unreadable(Shelved shelved, Build? build, int wanted, string sentence) =>
        new(
            shelved.Id,
            shelved.Build?.Version ?? 0,
            build?.Name ?? shelved.Id,
            build?.Note,
            build?.Board ?? "",
            "",
            new Verdict(0, wanted, Severity.Stop, sentence),
            [],
            shelved.ChangedAt,
            shelved.IsArchived
        );
}
