using Microsoft.EntityFrameworkCore;

namespace Gorvix.Storage;

/// <summary>A text of a build, without what it says.</summary>
/// <param name="Number">Its number.</param>
/// <param name="Kind">What it is.</param>
/// <param name="At">When it was kept, UTC.</param>
/// <param name="Words">What there is to say of it.</param>
/// <param name="Length">Its length, in characters.</param>
public sealed record KeptText(int Number, TextKind Kind, DateTime At, string Words, int Length);

/// <summary>Texts of settings, kept whole with their day.</summary>
public sealed class TextStore(GorvixDb db, TimeProvider time, Author author)
{
    /// <summary>The longest text, in characters.</summary>
    public const int MostText = 256 * 1024;

    /// <summary>The most texts of a build.</summary>
    public const int MostTexts = 200;

    /// <summary>The texts of a build, the newest first.</summary>
    public Task<IReadOnlyList<KeptText>> Of(string build) =>
        Stored.Read<IReadOnlyList<KeptText>>(
            Sentences.TheDumpsOfBuild(build),
            async () =>
                await db
                    .Texts.Where(t => t.BuildId == build)
                    .OrderByDescending(t => t.Number)
                    .Select(t => new KeptText(t.Number, t.Kind, t.At, t.Words, t.Text.Length))
                    .ToListAsync()
        );

    /// <summary>What a text says.</summary>
    /// <exception cref="NotFoundException">There is none.</exception>
    public async Task<string> Read(string build, int number) =>
        await db.Texts.Where(t => t.BuildId == build && t.Number == number).Select(t => t.Text).FirstOrDefaultAsync()
        ?? throw NotFoundException.Text(number);

    /// <summary>Keeps a text.</summary>
    /// <exception cref="NotFoundException">There is no such build.</exception>
    /// <exception cref="UnfitException">It is too long, or there are too many.</exception>
    public async Task Keep(string build, TextKind kind, string words, string text)
    {
        if (text.Length > MostText)
        {
            throw new UnfitException(Sentences.TextTooLongCharactersMaximum(text.Length, MostText));
        }
        if (!await db.Builds.AnyAsync(b => b.Id == build && b.RemovedAt == null))
        {
            throw NotFoundException.Build(build);
        }
        if (await db.Texts.CountAsync(t => t.BuildId == build) >= MostTexts)
        {
            throw new UnfitException(Sentences.LimitReachedDumpsForThis(MostTexts));
        }
        db.Texts.Add(
            new TextRow
            {
                BuildId = build,
                Kind = kind,
                At = time.GetUtcNow().UtcDateTime,
                Words = words,
                Who = author.Name,
                Text = text,
            }
        );
        await db.SaveChangesAsync();
    }

    /// <summary>Removes a text.</summary>
    /// <exception cref="NotFoundException">There is none.</exception>
    public async Task Remove(string build, int number)
    {
        if (await db.Texts.Where(t => t.BuildId == build && t.Number == number).ExecuteDeleteAsync() == 0)
        {
            throw NotFoundException.Text(number);
        }
    }
}
