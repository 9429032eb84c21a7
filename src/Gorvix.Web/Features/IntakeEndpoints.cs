using Gorvix.Core.Files.Formats;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Plans.Scheduling;
using Gorvix.Core.Wired.Fit;
using Gorvix.Core.Work.Tables;
using Gorvix.Storage;
using Gorvix.Web.Hosting;

namespace Gorvix.Web.Features;

/// <summary>A file that is to be taken in.</summary>
/// <param name="File">Its text: a Gorvix file, or a list of pads or devices as CSV.</param>
/// <param name="Decisions">What is done with each part that differs; the library's stays where nothing is said.</param>
public sealed record IntakeAsked(string File, IReadOnlyList<IntakeDecision> Decisions);

/// <summary>What a file would do.</summary>
/// <param name="Parts">Its parts, each with what it is to the library.</param>
/// <param name="Builds">Its builds.</param>
/// <param name="Touched">What the builds on the shelf would become.</param>
public sealed record IntakeView(
    IReadOnlyList<IntakePart> Parts,
    IReadOnlyList<IntakeBuild> Builds,
    IReadOnlyList<BuildTouched> Touched
);

/// <summary>A build of a file.</summary>
/// <param name="Name">Its name.</param>
/// <param name="Verdict">What it comes to with the parts as decided; null when it cannot be planned.</param>
/// <param name="Refused">Why it cannot be planned; null when it can.</param>
public sealed record IntakeBuild(string Name, string? Verdict, string? Refused);

/// <summary>A file that was taken in.</summary>
/// <param name="Builds">Ids of its builds.</param>
/// <param name="Parts">How many parts it added or changed.</param>
public sealed record IntakeDone(IReadOnlyList<string> Builds, int Parts);

/// <summary>Files on their way in: what one would add and change is told before it does.</summary>
internal static class IntakeEndpoints
{
    // More are several files; each is planned before it is stored.
    private const int MostBuilds = 60;

    public static void MapIntake(this IEndpointRouteBuilder app)
    {
        var files = app.MapGroup("/api/files").WithTags("Files");
        files.MapPost("look", Look).Answers<IntakeView>("lookAtFile", 422);
        files.MapPost("take", Take).Creates<IntakeDone>("takeFile", 409, 422);
    }

    private static async Task<IResult> Look(
        IntakeAsked asked,
        PartStore parts,
        PartKeeper keeper,
        CancellationToken stop
    )
    {
        var library = await parts.Everything();
        var (file, findings) = Read(asked, library);
        return file is null
            ? Problems.Of(findings)
            : Results.Ok(await ViewOf(file, asked, library, keeper, parts, stop));
    }

    private static async Task<IResult> Take(
        IntakeAsked asked,
        PartStore parts,
        PartKeeper keeper,
        IntakeStore store,
        CancellationToken stop
    )
    {
        var library = await parts.Everything();
        var (file, findings) = Read(asked, library);
        if (file is null)
        {
            return Problems.Of(findings);
        }
        var view = await ViewOf(file, asked, library, keeper, parts, stop);
        if (view.Builds.FirstOrDefault(b => b.Refused is not null) is { } lost)
        {
            return Problems.Of(422, Sentences.NothingImportedBuildCannotBe(lost.Name, lost.Refused));
        }
        if (view.Touched.FirstOrDefault(t => t.Refused is not null) is { } hurt)
        {
            return Problems.Of(422, Sentences.NothingImportedYourBuildCould(hurt.Name, hurt.Refused));
        }
        var own = Intake.Take(file, library, asked.Decisions);
        var builds = await store.Take(own, stop);
        return Results.Created(
            "/api/builds",
            new IntakeDone(builds, own.Boards.Count + own.Devices.Count + own.Profiles.Count)
        );
    }

    private static (GorvixFile? File, IReadOnlyList<Finding> Findings) Read(IntakeAsked asked, PartsLibrary library)
    {
        var read = ListReader.Read(asked.File, library);
        return read.File is { Builds.Count: > MostBuilds } many
            ? (
                null,
                [
                    FileRules.Builds.Found(
                        Severity.Stop,
                        Subject.Place("builds"),
                        ("builds", $"{many.Builds.Count}"),
                        ("most", $"{MostBuilds}")
                    ),
                ]
            )
            : (read.File, read.Findings);
    }

    private static async Task<IntakeView> ViewOf(
        GorvixFile file,
        IntakeAsked asked,
        PartsLibrary library,
        PartKeeper keeper,
        PartStore parts,
        CancellationToken stop
    )
    {
        var own = Intake.Take(file, library, asked.Decisions);
        var then = own.Parts().With(library);
        var builds = new List<IntakeBuild>();
        foreach (var build in own.Builds)
        {
            var (resolved, findings) = ResolvedBuild.Of(build, then);
            builds.Add(
                resolved is null
                    ? new IntakeBuild(build.Name, null, findings[0].Sentence)
                    : new IntakeBuild(
                        build.Name,
                        await Workers.Run(() => new FitReader(resolved, Effort.Quick, stop).Verdict().Sentence, stop),
                        null
                    )
            );
        }
        var changed = Intake
            .Look(own, library)
            .Where(p => p.State == IntakeState.Differs)
            .Select(p => (p.Kind, p.Id))
            .ToHashSet();
        var touched = new List<BuildTouched>();
        var uses = await keeper.Uses(b =>
            changed.Contains((IntakeKind.Board, b.Board))
            || b.Devices.Any(d => changed.Contains((IntakeKind.Device, d.Part)))
            || (b.Firmware is { } f && changed.Contains((IntakeKind.Profile, f)))
        );
        foreach (var use in uses.Where(u => !u.IsRemoved))
        {
            touched.Add(await PartService.Touch(use.Id, use.Build, await parts.For(use.Build), own.Parts(), stop));
        }
        return new IntakeView(Intake.Look(file, library), builds, touched);
    }
}
