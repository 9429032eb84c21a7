using System.IO.Compression;
using System.Text;
using System.Text.Json;
using Gorvix.Core.Files.Formats;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Work.Log;
using Microsoft.EntityFrameworkCore;

namespace Gorvix.Storage;

/// <summary>
/// The whole record of a build as one zip: JSON, texts, photos. The same record gives the same bytes, and what is read in gives the bytes that it
/// came from.
/// </summary>
public sealed class RecordArchive(GorvixDb db)
{
    /// <summary>The largest archive, in bytes.</summary>
    public const int MostBytes = 200 * 1024 * 1024;

    private static readonly DateTimeOffset Always = new(1980, 1, 1, 0, 0, 0, TimeSpan.Zero);

    /// <summary>Writes the record of a build.</summary>
    /// <param name="id">The build.</param>
    /// <param name="build">What it says.</param>
    /// <param name="parts">Its parts.</param>
    /// <param name="into">Where to.</param>
    /// <exception cref="UnreadableException">Something of it is damaged.</exception>
    public Task Write(string id, Build build, PartsLibrary parts, Stream into) =>
        Stored.Read(
            Sentences.TheLogOfBuild(id),
            async () =>
            {
                await WriteAll(id, build, parts, into);
                return true;
            }
        );

    private async Task WriteAll(string id, Build build, PartsLibrary parts, Stream into)
    {
        using var zip = new ZipArchive(into, ZipArchiveMode.Create, leaveOpen: true);
        async Task Put(string name, byte[] bytes)
        {
            var entry = zip.CreateEntry(name, CompressionLevel.Optimal);
            entry.LastWriteTime = Always;
            await using var stream = entry.Open();
            await stream.WriteAsync(bytes);
        }
        Task Json<T>(string name, T content) =>
            Put(name, JsonSerializer.SerializeToUtf8Bytes(content, GorvixJson.File));
        await Json(
            "manifest.json",
            new RecordManifest
            {
                Format = RecordManifest.FormatName,
                Version = RecordManifest.Newest,
                Name = build.Name,
            }
        );
        await Put("build.gorvix.json", GorvixReader.Write(GorvixFile.Of(build, parts)));
        await Json(
            "moments.json",
            (await db.Moments.Where(m => m.BuildId == id).OrderBy(m => m.Version).ToListAsync()).ConvertAll(
                m => new ArchivedMoment
                {
                    Version = m.Version,
                    At = m.At,
                    Who = m.Who,
                    Words = m.Words,
                    Format = m.Format,
                    Document = m.Document,
                }
            )
        );
        await Json(
            "readings.json",
            (
                await db.Readings.AsNoTracking().Where(r => r.BuildId == id).OrderBy(r => r.Number).ToListAsync()
            ).ConvertAll(LogStore.Reading)
        );
        await Json(
            "notes.json",
            (await db.Notes.AsNoTracking().Where(n => n.BuildId == id).OrderBy(n => n.Number).ToListAsync()).ConvertAll(
                LogStore.Note
            )
        );
        await Json(
            "intervals.json",
            (
                await db.Intervals.AsNoTracking().Where(i => i.BuildId == id).OrderBy(i => i.Place).ToListAsync()
            ).ConvertAll(LogStore.Interval)
        );
        var texts = await db.Texts.AsNoTracking().Where(t => t.BuildId == id).OrderBy(t => t.Number).ToListAsync();
        await Json(
            "texts.json",
            texts.Select(
                (t, i) =>
                    new ArchivedText
                    {
                        File = $"texts/{i + 1:0000}.txt",
                        Kind = JsonNamingPolicy.CamelCase.ConvertName($"{t.Kind}"),
                        At = t.At,
                        Who = t.Who,
                        Words = t.Words,
                    }
            )
        );
        foreach (var (i, text) in texts.Index())
        {
            await Put($"texts/{i + 1:0000}.txt", Encoding.UTF8.GetBytes(text.Text));
        }
        var photos = await db
            .Photos.AsNoTracking()
            .Where(p => p.BuildId == id)
            .OrderBy(p => p.Number)
            .Select(p => new
            {
                p.Number,
                p.At,
                p.Who,
                p.Words,
                p.Tied,
                p.TiedId,
            })
            .ToListAsync();
        await Json(
            "photos.json",
            photos.Select(
                (p, i) =>
                    new ArchivedPhoto
                    {
                        File = $"photos/{i + 1:0000}.jpg",
                        At = p.At,
                        Who = p.Who,
                        Words = p.Words,
                        Tied = p.Tied,
                        TiedId = p.TiedId,
                    }
            )
        );
        foreach (var (i, photo) in photos.Index())
        {
            // One at a time: together they may be large.
            await Put(
                $"photos/{i + 1:0000}.jpg",
                await db.Photos.Where(p => p.Number == photo.Number).Select(p => p.Picture).FirstAsync()
            );
        }
    }

    /// <summary>Stores what happened to a build that was just stored, in the transaction that stored it.</summary>
    /// <param name="row">The build.</param>
    /// <param name="rows">What happened to it.</param>
    internal async Task Fill(BuildRow row, RecordRows rows)
    {
        await db.SaveChangesAsync();
        await db.States.Where(s => s.BuildId == row.Id).ExecuteDeleteAsync();
        db.ChangeTracker.Clear();
        var last = rows.Moments[^1];
        await db.Builds.Where(b => b.Id == row.Id).ExecuteUpdateAsync(b => b.SetProperty(x => x.Version, last.Version));
        // The last is the state in force: it was read, and compared with the build.
        db.States.AddRange(
            rows.Moments.Select(m => new StateRow
            {
                BuildId = row.Id,
                Version = m.Version,
                At = m.At,
                Who = m.Who,
                Words = m.Words,
                Place = m == last ? row.Cursor : null,
                Step = m == last ? m.Words : null,
                Document = m.Document,
                Format = m.Format,
            })
        );
        db.Readings.AddRange(rows.Readings.Select(r => LogStore.Row(row.Id, r)));
        db.Notes.AddRange(rows.Notes.Select(n => LogStore.Row(row.Id, n)));
        db.Intervals.AddRange(rows.Intervals.Select((i, place) => LogStore.Row(row.Id, i, place)));
        db.Texts.AddRange(
            rows.Texts.Select(t => new TextRow
            {
                BuildId = row.Id,
                Kind = Enum.Parse<TextKind>(t.Meta.Kind, ignoreCase: true),
                At = t.Meta.At,
                Who = t.Meta.Who,
                Words = t.Meta.Words,
                Text = t.Text,
            })
        );
        await db.SaveChangesAsync();
        foreach (var (meta, photo) in rows.Photos)
        {
            db.Photos.Add(
                new PhotoRow
                {
                    BuildId = row.Id,
                    At = meta.At,
                    Who = meta.Who,
                    Words = meta.Words,
                    Tied = meta.Tied,
                    TiedId = meta.TiedId,
                    Width = photo.Width,
                    Height = photo.Height,
                    Picture = photo.Picture,
                    Small = photo.Small,
                }
            );
        }
        await db.SaveChangesAsync();
    }
}
