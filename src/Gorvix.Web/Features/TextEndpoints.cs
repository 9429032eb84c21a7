using Gorvix.Storage;
using Gorvix.Web.Hosting;

namespace Gorvix.Web.Features;

/// <summary>A text to keep.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="Words">What there is to say of it: the firmware's version.</param>
/// <param name="Text">The text.</param>
public sealed record TextRequest(TextKind Kind, string Words, string Text);

/// <summary>Texts of settings that are kept for a build.</summary>
internal static class TextEndpoints
{
    internal const int MostWords = 500;

    public static void MapTexts(this RouteGroupBuilder build)
    {
        build
            .MapPost(
                "texts",
                async (string id, TextRequest text, TextStore texts) =>
                {
                    if (text.Text.Trim().Length == 0)
                    {
                        return Problems.Of(422, Sentences.NothingToSavePasteThe);
                    }
                    if (text.Words.Length > MostWords)
                    {
                        return Problems.Of(422, Sentences.NoteTooLongCharactersMaximum(text.Words.Length, MostWords));
                    }
                    await texts.Keep(id, text.Kind, text.Words, text.Text);
                    return Results.NoContent();
                }
            )
            .AnswersNothing("keepText", 404, 422);
        build
            .MapGet(
                "texts/{number:int}",
                async (string id, int number, TextStore texts, HttpResponse response) =>
                    ExportEndpoints.Text(await texts.Read(id, number), "text/plain", $"{id}-{number}.txt", response)
            )
            .AnswersFile("readText", "text/plain", 404);
        build
            .MapDelete(
                "texts/{number:int}",
                async (string id, int number, TextStore texts) =>
                {
                    await texts.Remove(id, number);
                    return Results.NoContent();
                }
            )
            .AnswersNothing("removeText", 404);
    }
}
