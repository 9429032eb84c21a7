using Gorvix.Core.Files.Formats;
using Gorvix.Storage;
using Gorvix.Web.Hosting;

namespace Gorvix.Web.Features;

/// <summary>Which Gorvix this is and how its data stands.</summary>
/// <param name="Version">Its version.</param>
/// <param name="Format">The version of the file format that it writes.</param>
/// <param name="Folder">The data folder.</param>
/// <param name="Bytes">The size of the data file with what waits to go into it; 0 when it is gone.</param>
/// <param name="Check">"ok", or what the quick check of the file has found.</param>
/// <param name="BackUpAt">When the last back-up was made, UTC; null where none was.</param>
/// <param name="BackUpTo">Where it went; null where none was.</param>
/// <param name="Kept">Files of the data that were kept before their form was changed, or before a back-up took their place.</param>
/// <param name="Faults">The last faults of this run, the newest first.</param>
public sealed record AboutView(
    string Version,
    int Format,
    string Folder,
    long Bytes,
    string Check,
    DateTime? BackUpAt,
    string? BackUpTo,
    IReadOnlyList<string> Kept,
    IReadOnlyList<ToldFault> Faults
);

/// <summary>The page about this Gorvix.</summary>
internal static class AboutEndpoints
{
    public static void MapAbout(this IEndpointRouteBuilder app) =>
        app.MapGet(
                "/api/about",
                async (StartOptions options, ErrorBook errors) =>
                {
                    var folder = options.Folder;
                    var file = new FileInfo(folder.File);
                    var log = new FileInfo(folder.File + "-wal");
                    var last = DataCare.Last(folder);
                    return new AboutView(
                        ThisProgram.Version,
                        GorvixFile.NewestVersion,
                        folder.Path,
                        file.Exists ? file.Length + (log.Exists ? log.Length : 0) : 0,
                        file.Exists ? await DataCare.QuickCheck(folder) : Sentences.DataFileMissing,
                        last?.At,
                        last?.To,
                        file.Exists
                            ?
                            [
                                .. Directory
                                    .GetFiles(folder.Path, "gorvix-before-*.db")
                                    .Select(p => Path.GetFileName(p))
                                    .Order(StringComparer.Ordinal),
                            ]
                            : [],
                        errors.Last
                    );
                }
            )
            .WithTags("About")
            .WithName("getAbout");
}
