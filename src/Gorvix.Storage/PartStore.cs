using Gorvix.Core.Files.Formats;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Microsoft.EntityFrameworkCore;

namespace Gorvix.Storage;

/// <summary>The parts library in the database.</summary>
public sealed class PartStore(GorvixDb db, PartCache cache)
{
    /// <summary>The parts that a build names.</summary>
    /// <exception cref="UnreadableException">One of them is stored in a format version that is not known.</exception>
    public async Task<PartsLibrary> For(Build build)
    {
        var devices = build.Devices.Select(d => d.Part).Distinct().ToList();
        var rows = await db
            .Parts.AsNoTracking()
            .Where(p =>
                (p.Kind == PartKind.Board && p.Id == build.Board)
                || (p.Kind == PartKind.Device && devices.Contains(p.Id))
                || (p.Kind == PartKind.Profile && p.Id == build.Firmware)
            )
            .ToListAsync();
        return Library(rows);
    }

    /// <summary>All parts that can be chosen, in the order of their ids; without those laid aside or stored in a format version that is not known.</summary>
    public async Task<PartsLibrary> All() =>
        Library(Sound(await Readable().Where(p => p.ArchivedAt == null).ToListAsync()));

    /// <summary>What a build can be changed with: the parts that are offered, and those that it has although they are laid aside.</summary>
    /// <param name="build">The build.</param>
    public async Task<PartsLibrary> Offered(Build build) => (await For(build)).With(await All());

    /// <summary>The ids of the parts that are laid aside.</summary>
    public async Task<IReadOnlySet<(PartKind Kind, string Id)>> Aside() =>
        (await db.Parts.AsNoTracking().Where(p => p.ArchivedAt != null).Select(p => new { p.Kind, p.Id }).ToListAsync())
            .Select(p => (p.Kind, p.Id))
            .ToHashSet();

    /// <summary>All parts, those laid aside too.</summary>
    public async Task<PartsLibrary> Everything() => Library(Sound(await Readable().ToListAsync()));

    private IQueryable<PartRow> Readable() =>
        db.Parts.AsNoTracking().Where(p => p.Format >= 1 && p.Format <= FormatMigrations.Newest).OrderBy(p => p.Id);

    /// <summary>
    /// Adds the parts of a file that the library does not have yet; they are stored with the next save.
    /// </summary>
    /// <returns>A finding for each part that the library has with another content; then nothing is added.</returns>
    public async Task<IReadOnlyList<Finding>> Add(GorvixFile file)
    {
        var rows = file
            .Boards.Select((b, i) => (Row: Row(PartKind.Board, b.Id, b), Place: $"boards[{i}]"))
            .Concat(file.Devices.Select((d, i) => (Row: Row(PartKind.Device, d.Id, d), Place: $"devices[{i}]")))
            .Concat(file.Profiles.Select((p, i) => (Row: Row(PartKind.Profile, p.Id, p), Place: $"profiles[{i}]")))
            .ToList();
        var fresh = new List<PartRow>();
        var findings = new List<Finding>();
        foreach (var (row, place) in rows)
        {
            var there = await db.Parts.AsNoTracking().FirstOrDefaultAsync(p => p.Kind == row.Kind && p.Id == row.Id);
            if (there is null)
            {
                fresh.Add(row);
            }
            else if (!SayTheSame(there, row))
            {
                findings.Add(
                    FileRules.PartDiffers.Found(
                        Severity.Stop,
                        Subject.Place(place),
                        ("place", place),
                        ("kind", PartKindWords.Of(row.Kind)),
                        ("id", row.Id)
                    )
                );
            }
        }
        if (findings.Count == 0)
        {
            db.Parts.AddRange(fresh);
        }
        return findings;
    }

    // A part that was stored in an older version is compared as it is read today.
    private bool SayTheSame(PartRow there, PartRow row) =>
        there.Document == row.Document
        || (
            there.Format is >= 1 and < FormatMigrations.Newest
            && row.Document
                == (
                    row.Kind switch
                    {
                        PartKind.Board => Documents.Write(cache.Read<Board>(there)),
                        PartKind.Device => Documents.Write(cache.Read<Device>(there)),
                        _ => Documents.Write(cache.Read<FirmwareProfile>(there)),
                    }
                )
        );

    private static PartRow Row<T>(PartKind kind, string id, T part) =>
        new()
        {
            Kind = kind,
            Id = id,
            Document = Documents.Write(part),
        };

    // One part that is damaged where it is stored hides no other.
    private List<PartRow> Sound(List<PartRow> rows) =>
        rows.FindAll(row =>
        {
            try
            {
                _ =
                    row.Kind == PartKind.Board ? cache.Read<Board>(row)
                    : row.Kind == PartKind.Device ? cache.Read<Device>(row)
                    : (object)cache.Read<FirmwareProfile>(row);
                return true;
            }
            catch (UnreadableException)
            {
                return false;
            }
        });

    private PartsLibrary Library(IReadOnlyList<PartRow> rows) =>
        new(
            [.. rows.Where(r => r.Kind == PartKind.Board).Select(r => cache.Read<Board>(r))],
            [.. rows.Where(r => r.Kind == PartKind.Device).Select(r => cache.Read<Device>(r))]
        )
        {
            Profiles = [.. rows.Where(r => r.Kind == PartKind.Profile).Select(r => cache.Read<FirmwareProfile>(r))],
        };
}
