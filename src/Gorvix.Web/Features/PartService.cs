using Gorvix.Core.Files.Formats;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Plans.Scheduling;
using Gorvix.Core.Wired.Fit;
using Gorvix.Storage;
using Gorvix.Web.Hosting;

namespace Gorvix.Web.Features;

/// <summary>What a change of a part does to a build that has it.</summary>
/// <param name="Id">Id of the build in addresses.</param>
/// <param name="Name">What the builder calls it.</param>
/// <param name="Preview">What would change in it; null when it could no longer be planned.</param>
/// <param name="Refused">Why it could no longer be planned; null when it can.</param>
public sealed record BuildTouched(string Id, string Name, ChangePreview? Preview, string? Refused);

/// <summary>
/// The one place that changes a part: checked, planned in every build that has it, only then stored. A change after which a build
/// could not be planned is refused.
/// </summary>
internal sealed class PartService(PartKeeper keeper, PartStore parts)
{
    /// <summary>What a change would do to each build that has the part.</summary>
    public async Task<IReadOnlyList<BuildTouched>> Preview<T>(PartKind kind, string id, T part, CancellationToken stop)
        where T : class
    {
        var list = new List<BuildTouched>();
        foreach (var use in (await Uses(kind, id)).Where(u => !u.IsRemoved))
        {
            list.Add(await Touch(use.Id, use.Build, await parts.For(use.Build), Only(part), stop));
        }
        return list;
    }

    /// <summary>What other parts do to a build.</summary>
    /// <param name="id">Id of the build.</param>
    /// <param name="build">The build.</param>
    /// <param name="library">Its parts as they are.</param>
    /// <param name="instead">Parts that take the place of those of the same id.</param>
    /// <param name="stop">Tells that nobody waits any more.</param>
    public static async Task<BuildTouched> Touch(
        string id,
        Build build,
        PartsLibrary library,
        PartsLibrary instead,
        CancellationToken stop
    )
    {
        var (was, _) = ResolvedBuild.Of(build, library);
        var (then, findings) = ResolvedBuild.Of(build, instead.With(library));
        return then is null || was is null
            ? new BuildTouched(id, build.Name, null, then is null ? findings[0].Sentence : null)
            : new BuildTouched(
                id,
                build.Name,
                await Workers.Run(
                    () =>
                        ChangePreview.Of(
                            new FitReader(was, Effort.Quick, stop),
                            new FitReader(then, Effort.Quick, stop)
                        ),
                    stop
                ),
                null
            );
    }

    /// <summary>Adds a part.</summary>
    public async Task<IResult> Create<T>(PartKind kind, string id, T part, string words, string address)
        where T : class
    {
        var named = new CheckList();
        named.Text(id, "id");
        if (Check(part).Concat(named.Findings).ToList() is { Count: > 0 } findings)
        {
            return Problems.Of(findings);
        }
        await keeper.Create(kind, id, part, words);
        return Results.Created(address, new PartMade(id, 1));
    }

    /// <summary>Changes a part.</summary>
    public async Task<IResult> Put<T>(
        PartKind kind,
        string id,
        int version,
        T part,
        string? words,
        CancellationToken stop
    )
        where T : class
    {
        if (Check(part) is { Count: > 0 } findings)
        {
            return Problems.Of(findings);
        }
        var stored = await keeper.Get<T>(kind, id);
        if (stored.Version != version)
        {
            throw ConflictException.Part();
        }
        var changed = Intake.Members(stored.Part, part);
        if (changed.Count == 0)
        {
            return Results.Ok(new PartMade(id, version));
        }
        var touched = await Preview(kind, id, part, stop);
        if (touched.FirstOrDefault(t => t.Refused is not null) is { } lost)
        {
            return Problems.Of(422, Sentences.BuildCouldNoLongerBe(lost.Name, lost.Refused));
        }
        await keeper.Put(kind, id, version, part, words ?? $"Changed: {string.Join(", ", changed)}", UsedBy(kind, id));
        return Results.Ok(new PartMade(id, version + 1));
    }

    /// <summary>Takes a part out of the library, if no build has it.</summary>
    public async Task<IResult> Remove(PartKind kind, string id)
    {
        if ((await Uses(kind, id)) is [var use, ..])
        {
            var where = use.IsRemoved ? Sentences.DeletedButRestorableBuild : "build";
            return Problems.Of(409, Sentences.UsedInArchiveThePart(where, use.Build.Name));
        }
        await keeper.Remove(kind, id);
        return Results.NoContent();
    }

    private Task<IReadOnlyList<(string Id, Build Build, bool IsRemoved)>> Uses(PartKind kind, string id) =>
        keeper.Uses(UsedBy(kind, id));

    private static Func<Build, bool> UsedBy(PartKind kind, string id) =>
        b =>
            kind switch
            {
                PartKind.Board => b.Board == id,
                PartKind.Profile => b.Firmware == id,
                _ => b.Devices.Any(d => d.Part == id),
            };

    private static IReadOnlyList<Finding> Check<T>(T part) =>
        part switch
        {
            Board board => PartCheck.Of(board, "board"),
            Device device => PartCheck.Of(device, "device"),
            FirmwareProfile profile => PartCheck.Of(profile, "profile"),
            _ => [],
        };

    private static PartsLibrary Only<T>(T part) =>
        part switch
        {
            Board board => new([board], []),
            Device device => new([], [device]),
            FirmwareProfile profile => new([], []) { Profiles = [profile] },
            _ => PartsLibrary.Empty,
        };
}

/// <summary>A part that was stored.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Version">To be sent back with the next change.</param>
public sealed record PartMade(string Id, int Version);
