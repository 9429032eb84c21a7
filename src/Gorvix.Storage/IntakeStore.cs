using Gorvix.Core.Files.Formats;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Leaflets;

namespace Gorvix.Storage;

/// <summary>Takes a whole file into the database: parts that are new, parts that take the place of others, builds. All or nothing.</summary>
public sealed class IntakeStore(
    GorvixDb db,
    PartStore parts,
    PartKeeper keeper,
    BuildStore builds,
    BoardPhotoStore photos
)
{
    /// <summary>Stores a file.</summary>
    /// <param name="file">What <see cref="Intake.Take"/> made of it. Whoever calls this has planned every build with it.</param>
    /// <param name="stop">Tells that nobody waits any more.</param>
    /// <returns>Ids of the builds, in the order of the file.</returns>
    /// <exception cref="ConflictException">A part was changed while the file was being looked at.</exception>
    /// <exception cref="UnfitException">A photo is not as this program writes them.</exception>
    public async Task<IReadOnlyList<string>> Take(GorvixFile file, CancellationToken stop)
    {
        var pictures = new List<(FilePhoto Photo, MadePhoto Made)>();
        foreach (var photo in file.Photos)
        {
            pictures.Add((photo, await PhotoMaker.Again(photo.Picture()!, stop)));
        }
        // The write lock is held from here on.
        await using var transaction = await db.Database.BeginTransactionAsync(stop);
        var library = await parts.Everything();
        foreach (var board in file.Boards.Where(b => library.Board(b.Id) is not null))
        {
            Func<Build, bool> uses = b => b.Board == board.Id;
            var version = (await keeper.Get<Board>(PartKind.Board, board.Id)).Version;
            await keeper.Replace(PartKind.Board, board.Id, version, board, Sentences.ImportedFromFile, uses);
        }
        foreach (var device in file.Devices.Where(d => library.Device(d.Id) is not null))
        {
            Func<Build, bool> uses = b => b.Devices.Any(d => d.Part == device.Id);
            var version = (await keeper.Get<Device>(PartKind.Device, device.Id)).Version;
            await keeper.Replace(PartKind.Device, device.Id, version, device, Sentences.ImportedFromFile, uses);
        }
        foreach (var profile in file.Profiles.Where(p => library.Profile(p.Id) is not null))
        {
            Func<Build, bool> uses = b => b.Firmware == profile.Id;
            var version = (await keeper.Get<FirmwareProfile>(PartKind.Profile, profile.Id)).Version;
            await keeper.Replace(PartKind.Profile, profile.Id, version, profile, Sentences.ImportedFromFile, uses);
        }
        if ((await parts.Add(Fresh(file, library))).Count > 0)
        {
            throw ConflictException.Part();
        }
        await db.SaveChangesAsync(stop);
        var stored = pictures.Count > 0 ? await parts.Everything() : library;
        foreach (var (photo, made) in pictures)
        {
            // The library's own photo of a board that stays as it is, stays.
            if (file.Boards.Any(b => b.Id == photo.Board) || !await photos.Has(photo.Board, photo.Side))
            {
                var face = FaceReader.Of(stored.Board(photo.Board)!);
                await photos.PutFace(photo.Board, photo.Side, made, face.Width, face.Depth);
            }
        }
        var ids = new List<string>();
        foreach (var build in file.Builds)
        {
            ids.Add((await builds.Add(build, "import")).Id);
        }
        await transaction.CommitAsync(stop);
        return ids;
    }

    private static GorvixFile Fresh(GorvixFile file, PartsLibrary library) =>
        file with
        {
            Boards = [.. file.Boards.Where(b => library.Board(b.Id) is null)],
            Devices = [.. file.Devices.Where(d => library.Device(d.Id) is null)],
            Profiles = [.. file.Profiles.Where(p => library.Profile(p.Id) is null)],
            Builds = [],
            Photos = [],
        };
}
