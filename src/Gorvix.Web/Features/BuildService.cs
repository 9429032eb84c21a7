using Gorvix.Core.Files.Formats;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Plans.Scheduling;
using Gorvix.Core.Wired.Fit;
using Gorvix.Storage;
using Gorvix.Web.Hosting;

namespace Gorvix.Web.Features;

/// <summary>A new state of a build that somebody wants, or why it cannot be.</summary>
/// <param name="After">The new state; the same state means nothing to do.</param>
/// <param name="Words">The change in words, for undo.</param>
/// <param name="Findings">What stands against it.</param>
internal sealed record Proposal(Build? After, string Words, IReadOnlyList<Finding> Findings)
{
    /// <summary>A new state.</summary>
    public static Proposal Of(Build after, string words) => new(after, words, []);

    /// <summary>A refusal.</summary>
    public static Proposal Refused(IReadOnlyList<Finding> findings) => new(null, "", findings);
}

/// <summary>
/// The one place where a build is changed: it is loaded, checked, planned and only then stored. What cannot be planned is refused and nothing is
/// stored.
/// </summary>
internal sealed class BuildService(BuildStore builds, PartStore parts, BuildPlans plans)
{
    private const int MostTries = 8;

    /// <summary>
    /// The build of a file: planned first, with everything that its page will show, then stored with its parts.
    /// </summary>
    /// <param name="file">A file that was read without findings.</param>
    /// <param name="stop">Tells that the sender has gone; before the build is planned nothing is stored then.</param>
    /// <exception cref="UnplannableException">It cannot be planned.</exception>
    /// <exception cref="UnfitException">It is not a file of one build, or its parts cannot be taken.</exception>
    public Task<StoredBuild> Import(GorvixFile file, CancellationToken stop) =>
        Import(file, () => builds.Import(file), stop);

    /// <summary>The build of a record, with all that happened to it: planned first, then stored.</summary>
    /// <inheritdoc cref="Import(GorvixFile, CancellationToken)"/>
    public Task<StoredBuild> Import(ReadRecord record, RecordArchive archive, CancellationToken stop) =>
        Import(record.File, () => builds.Import(record, archive), stop);

    private async Task<StoredBuild> Import(GorvixFile file, Func<Task<StoredBuild>> store, CancellationToken stop)
    {
        if (file.Builds is not [var build])
        {
            return await store();
        }
        var resolved = ResolvedBuild.Plannable(build, file.Parts().With(await parts.Everything()));
        var looked = await Workers.Run(() => Looked(resolved, stop), stop);
        return Kept(await store(), looked);
    }

    /// <summary>A build that is new on the shelf: planned first, with everything that its page will show, then stored.</summary>
    /// <param name="build">The build.</param>
    /// <param name="words">What led here, in words.</param>
    /// <param name="stop">Tells that the sender has gone; before the build is planned nothing is stored then.</param>
    /// <exception cref="UnplannableException">It cannot be planned.</exception>
    public async Task<StoredBuild> Create(Build build, string words, CancellationToken stop)
    {
        var resolved = ResolvedBuild.Plannable(build, await parts.For(build));
        var looked = await Workers.Run(() => Looked(resolved, stop), stop);
        return Kept(await builds.Create(build, words), looked);
    }

    private static (FitReader Reader, FitSheet Sheet) Looked(ResolvedBuild build, CancellationToken stop)
    {
        var reader = new FitReader(build, Effort.Quick, stop);
        return (reader.Until(CancellationToken.None), reader.Sheet());
    }

    private StoredBuild Kept(StoredBuild stored, (FitReader Reader, FitSheet Sheet) looked)
    {
        plans.Put(stored, looked.Reader, looked.Sheet);
        return stored;
    }

    /// <summary>A change of the build: planned first, then stored.</summary>
    /// <param name="id">The build.</param>
    /// <param name="version">The version that the writer has seen.</param>
    /// <param name="change">Makes the new state.</param>
    /// <param name="stop">Tells that the writer has gone; before the new state is planned nothing is stored then.</param>
    /// <exception cref="ConflictException">The version is not the newest.</exception>
    public async Task<IResult> Change(
        string id,
        int version,
        Func<Build, Task<Proposal>> change,
        CancellationToken stop
    )
    {
        var stored = await Newest(id, version);
        var proposal = await change(stored.Build);
        return proposal switch
        {
            { Findings.Count: > 0 } => Problems.Of(proposal.Findings),
            { After: { } after } when ReferenceEquals(after, stored.Build) => await plans.Get(id, stop),
            { After: { } after } => await Move(
                stored,
                after,
                () => builds.Put(id, version, proposal.Words, after),
                stop
            ),
            _ => await plans.Get(id, stop),
        };
    }

    /// <summary>
    /// Notes what is done. Notes of two tabs do not stand against each other: each is laid on what is stored, whatever version its sender saw.
    /// </summary>
    /// <param name="id">The build.</param>
    /// <param name="note">Makes the new state from the planned build; the same state means nothing to do.</param>
    /// <param name="stop">Tells that the writer has gone.</param>
    public async Task<IResult> Note(string id, Func<FitReader, Proposal> note, CancellationToken stop)
    {
        for (var left = MostTries; ; left--)
        {
            var planned = await plans.Planned(id, stop);
            var reader = planned.Reader;
            try
            {
                return await Change(
                    id,
                    planned.Stored.Version,
                    async build =>
                    {
                        var proposal = await Workers.Run(() => note(reader), new WorkOf(id), stop);
                        return ReferenceEquals(proposal.After, reader.Wired.Build.Build)
                            ? Proposal.Of(build, "")
                            : proposal;
                    },
                    stop
                );
            }
            catch (ConflictException) when (left > 1)
            {
                // Another tab came in between.
            }
        }
    }

    /// <summary>What a change would do to the plan; nothing is stored.</summary>
    /// <inheritdoc cref="Change"/>
    public async Task<IResult> Preview(
        string id,
        int version,
        Func<Build, Task<Proposal>> change,
        CancellationToken stop
    )
    {
        var stored = await Newest(id, version);
        var proposal = await change(stored.Build);
        if (proposal.After is not { } after)
        {
            return Problems.Of(proposal.Findings);
        }
        var was = (await plans.Planned(stored, stop)).Reader;
        var resolved = ResolvedBuild.Plannable(after, await parts.For(after));
        return Results.Ok(
            await Workers.Run(
                () => ChangePreview.Of(was.Until(stop), new FitReader(resolved, Effort.Quick, stop)),
                new WorkOf(id),
                stop
            )
        );
    }

    /// <summary>A step back or forward. The state that it leads to is planned first; the one that it leaves is not needed.</summary>
    /// <param name="id">The build.</param>
    /// <param name="version">The version that the writer has seen.</param>
    /// <param name="direction">-1 for undo, 1 for redo.</param>
    /// <param name="stop">Tells that the writer has gone.</param>
    /// <exception cref="ConflictException">The version is not the newest.</exception>
    public async Task<IResult> Walk(string id, int version, int direction, CancellationToken stop)
    {
        if (await builds.Beside(id, version, direction) is not { } after)
        {
            return await plans.Get(id, stop);
        }
        var stored = await Readable(id);
        return await Move(stored, after, () => builds.Walk(id, version, direction), stop);
    }

    private async Task<StoredBuild> Newest(string id, int version)
    {
        var stored = await builds.Get(id);
        return stored.Version == version ? stored : throw ConflictException.Build();
    }

    // The state that is left may be one that this program cannot read; then nothing is said of what moved.
    private async Task<StoredBuild?> Readable(string id)
    {
        try
        {
            return await builds.Get(id);
        }
        catch (UnreadableException)
        {
            return null;
        }
    }

    private async Task<IResult> Move(
        StoredBuild? before,
        Build after,
        Func<Task<StoredBuild>> store,
        CancellationToken stop
    )
    {
        var was = await Was(before, stop);
        var resolved = ResolvedBuild.Plannable(after, await parts.For(after));
        var (reader, sheet) = await Workers.Run(
            () =>
            {
                // The most frequent change is one of pins and bans alone; it plans from what is known.
                var now =
                    was is not null && before is not null && OnlyWishesDiffer(before.Build, after)
                        ? was.Until(stop).With(after.Pins, after.Bans, Effort.Quick)
                        : new FitReader(resolved, Effort.Quick, stop);
                return (now.Until(CancellationToken.None), now.Sheet());
            },
            new WorkOf(before?.Id ?? ""),
            stop
        );
        var stored = await store();
        plans.Put(stored, reader, sheet);
        return Results.Ok(FitView.Of(stored, sheet, was is null ? [] : reader.MovedSince(was.Plan)));
    }

    // The state that is left may be one that a stricter rule refuses now; it can be left all the same.
    private async Task<FitReader?> Was(StoredBuild? before, CancellationToken stop)
    {
        try
        {
            return before is null ? null : (await plans.Planned(before, stop)).Reader;
        }
        catch (UnplannableException)
        {
            return null;
        }
    }

    private static bool OnlyWishesDiffer(Build a, Build b) => a with { Pins = b.Pins, Bans = b.Bans } == b;
}
