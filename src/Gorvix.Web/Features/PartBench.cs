using System.Text.Json;
using Gorvix.Core.Builds;
using Gorvix.Core.Findings;
using Gorvix.Core.Fit;
using Gorvix.Core.Formats;
using Gorvix.Core.Parts;
using Gorvix.Core.Planning;
using Gorvix.Storage;
using Gorvix.Web.Hosting;

namespace Gorvix.Web.Features;

/// <summary>What a change of a part does to a build that has it.</summary>
/// <param name="Id">Id of the build in addresses.</param>
/// <param name="Name">What the builder calls it.</param>
/// <param name="Foretold">What would change in it; null when it could no longer be planned.</param>
/// <param name="Refused">Why it could no longer be planned; null when it can.</param>
public sealed record BuildTouched(string Id, string Name, Foretold? Foretold, string? Refused);

/// <summary>
/// The one place that changes a part: checked, planned in every build that has it, only then stored. A change after which a build
/// could not be planned is refused.
/// </summary>
internal sealed class PartBench(PartKeeper keeper, PartStore parts)
{
    /// <summary>What a change would do to each build that has the part.</summary>
    public async Task<IReadOnlyList<BuildTouched>> Foretell<T>(PartKind kind, string id, T part, CancellationToken stop)
        where T : class
    {
        var list = new List<BuildTouched>();
        foreach (var use in (await Uses(kind, id)).Where(u => !u.IsRemoved))
        {
            var library = await parts.For(use.Build);
            var (was, _) = ResolvedBuild.Of(use.Build, library);
            var (then, findings) = ResolvedBuild.Of(use.Build, Only(part).With(library));
            list.Add(
                then is null || was is null
                    ? new BuildTouched(use.Id, use.Build.Name, null, then is null ? findings[0].Sentence : null)
                    : new BuildTouched(
                        use.Id,
                        use.Build.Name,
                        await Workers.Run(() => Foretold.Of(new FitReader(was, stop), new FitReader(then, stop)), stop),
                        null
                    )
            );
        }
        return list;
    }

    /// <summary>Adds a part.</summary>
    public async Task<IResult> Create<T>(PartKind kind, string id, T part, string words, string address)
        where T : class
    {
        if (Check(part) is { Count: > 0 } findings)
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
            throw new PartChangedException();
        }
        var changed = Members(stored.Part, part);
        if (changed.Count == 0)
        {
            return Results.Ok(new PartMade(id, version));
        }
        var touched = await Foretell(kind, id, part, stop);
        if (touched.FirstOrDefault(t => t.Refused is not null) is { } lost)
        {
            return Problems.Of(
                422,
                $"The build \"{lost.Name}\" could no longer be planned: {lost.Refused} Save this as another revision, or change that build first."
            );
        }
        var uses = await Uses(kind, id);
        await keeper.Put(
            kind,
            id,
            version,
            part,
            words ?? $"Changed: {string.Join(", ", changed)}",
            [.. uses.Select(u => u.Id)]
        );
        return Results.Ok(new PartMade(id, version + 1));
    }

    /// <summary>Takes a part out of the library, if no build has it.</summary>
    public async Task<IResult> Remove(PartKind kind, string id)
    {
        if ((await Uses(kind, id)) is [var use, ..])
        {
            var where = use.IsRemoved ? "which can still be put back on the shelf" : "which is on the shelf";
            return Problems.Of(
                409,
                $"The build \"{use.Build.Name}\" has it, {where}. Lay the part aside instead: builds keep it, new ones are not offered it."
            );
        }
        await keeper.Remove(kind, id);
        return Results.NoContent();
    }

    private Task<IReadOnlyList<(string Id, Build Build, bool IsRemoved)>> Uses(PartKind kind, string id) =>
        keeper.Uses(b => kind == PartKind.Board ? b.Board == id : b.Devices.Any(d => d.Part == id));

    private static IReadOnlyList<Finding> Check<T>(T part) =>
        part switch
        {
            Board board => PartCheck.Of(board, "board"),
            Device device => PartCheck.Of(device, "device"),
            _ => [],
        };

    private static PartsLibrary Only<T>(T part) =>
        part switch
        {
            Board board => new([board], []),
            Device device => new([], [device]),
            _ => PartsLibrary.Empty,
        };

    // The members of the document that differ, by their names in the file.
    private static List<string> Members<T>(T was, T now)
    {
        var a = JsonSerializer.SerializeToNode(was, GorvixJson.Compact)!.AsObject();
        var b = JsonSerializer.SerializeToNode(now, GorvixJson.Compact)!.AsObject();
        return
        [
            .. a.Select(m => m.Key)
                .Union(b.Select(m => m.Key))
                .Where(key => a[key]?.ToJsonString() != b[key]?.ToJsonString()),
        ];
    }
}

/// <summary>A part that was stored.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Version">To be sent back with the next change.</param>
public sealed record PartMade(string Id, int Version);
