using Gorvix.Core.Builds;
using Gorvix.Core.Findings;
using Gorvix.Core.Fit;
using Gorvix.Core.Parts;
using Gorvix.Storage;
using Gorvix.Web.Hosting;

namespace Gorvix.Web.Features;

/// <summary>A build on the Fit screen.</summary>
/// <param name="Id">Id in addresses.</param>
/// <param name="Name">What the builder calls it.</param>
/// <param name="Note">A line about it, or null.</param>
/// <param name="Version">To be sent back with the next change.</param>
/// <param name="Undo">What undo would take back, in words, or null.</param>
/// <param name="Redo">What redo would bring back, in words, or null.</param>
/// <param name="Setup">Firmware, supply and house rules.</param>
/// <param name="BoardPart">Id of the board in the library.</param>
/// <param name="Devices">The devices, with their parts.</param>
/// <param name="Wants">The links wished for, with their devices and functions.</param>
/// <param name="Sheet">The answer.</param>
/// <param name="Moved">What the last change moved and why, one sentence for each link; empty when nothing was changed.</param>
public sealed record FitView(
    string Id,
    string Name,
    string? Note,
    int Version,
    string? Undo,
    string? Redo,
    Setup Setup,
    string BoardPart,
    IReadOnlyList<BuildDevice> Devices,
    IReadOnlyList<Want> Wants,
    FitSheet Sheet,
    IReadOnlyList<string> Moved
);

/// <summary>Plans a stored build, changes it, and tells what moved: what every endpoint of the Fit screen shares.</summary>
internal sealed class FitViews(BuildStore builds, PartStore parts)
{
    /// <summary>The build as it stands.</summary>
    public async Task<FitView> Get(string id)
    {
        var stored = await builds.Get(id);
        return View(stored, await ReaderOf(stored.Build), before: null);
    }

    /// <summary>The build as it stands, planned.</summary>
    public async Task<FitReader> Planned(string id) => await ReaderOf((await builds.Get(id)).Build);

    /// <summary>A step of the store, and what it moved.</summary>
    public async Task<FitView> Step(string id, Func<BuildStore, Task<StoredBuild>> step)
    {
        var before = await ReaderOf((await builds.Get(id)).Build);
        var stored = await step(builds);
        return View(stored, await ReaderOf(stored.Build), before);
    }

    /// <summary>A change of the build, refused when the new state has findings.</summary>
    public async Task<IResult> Change(string id, int version, string words, Func<Build, Build> change)
    {
        var findings = BuildCheck.Of(change((await builds.Get(id)).Build), await parts.All(), "build");
        return findings.Count > 0
            ? Problems.Of(findings)
            : Results.Ok(await Step(id, store => store.Change(id, version, words, change)));
    }

    /// <summary>A change of pins and bans alone, refused when it does not pass the check: the most frequent one, so it plans from what is known.</summary>
    public async Task<IResult> Wish(
        string id,
        int version,
        Func<Build, PartsLibrary, IReadOnlyList<Finding>> check,
        string words,
        Func<Build, Build> change
    )
    {
        var before = await builds.Get(id);
        var library = await parts.For(before.Build);
        var findings = check(before.Build, library);
        if (findings.Count > 0)
        {
            return Problems.Of(findings);
        }
        if (before.Version != version)
        {
            throw new BuildChangedException();
        }
        var reader = new FitReader(ResolvedBuild.Create(before.Build, library));
        findings = BuildCheck.Of(change(before.Build), library, "build");
        if (findings.Count > 0)
        {
            return Problems.Of(findings);
        }
        var stored = await builds.Change(id, version, words, change);
        return Results.Ok(View(stored, reader.With(stored.Build.Pins, stored.Build.Bans), reader));
    }

    private async Task<FitReader> ReaderOf(Build build) => new(ResolvedBuild.Create(build, await parts.For(build)));

    private static FitView View(StoredBuild stored, FitReader reader, FitReader? before) =>
        new(
            stored.Id,
            stored.Build.Name,
            stored.Build.Note,
            stored.Version,
            stored.Undo,
            stored.Redo,
            Setup.Of(stored.Build),
            stored.Build.Board,
            stored.Build.Devices,
            stored.Build.Wants,
            reader.Sheet(),
            before is null ? [] : reader.MovedSince(before.Plan)
        );
}
