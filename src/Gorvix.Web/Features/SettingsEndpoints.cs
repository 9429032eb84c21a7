using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Scheduling;
using Gorvix.Core.Wired.Settings;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Work.Tables;
using Gorvix.Storage;
using Gorvix.Web.Hosting;

namespace Gorvix.Web.Features;

/// <summary>The settings of a build.</summary>
/// <param name="Version">The version of the build.</param>
/// <param name="Sheet">Every setting, and what comes of them.</param>
/// <param name="Gnss">The GNSS module; null where none has a port.</param>
/// <param name="Compass">The compass; null where none is carried.</param>
/// <param name="Firmware">The firmware's generation, in words; null while it is not chosen.</param>
/// <param name="Form">The builder's own form; the shipped one where there is none.</param>
/// <param name="Pattern">How the board's own printout is read; null for the neutral form.</param>
/// <param name="Texts">The texts that were kept.</param>
public sealed record SettingsView(
    int Version,
    SettingsSheet Sheet,
    GnssAdvice? Gnss,
    CompassAdvice? Compass,
    string? Firmware,
    string Form,
    string? Pattern,
    IReadOnlyList<KeptText> Texts
);

/// <summary>A setting that stands as wanted, or not after all.</summary>
/// <param name="Keys">Their keys.</param>
/// <param name="IsDone">True when they stand.</param>
public sealed record SettingTick(IReadOnlyList<string> Keys, bool IsDone);

/// <summary>A printout to compare.</summary>
/// <param name="Text">What the board printed.</param>
/// <param name="Keep">True when it is to be kept.</param>
/// <param name="Words">What there is to say of it.</param>
public sealed record ReadRequest(string Text, bool Keep = false, string Words = "");

/// <summary>A form to look at or to keep.</summary>
/// <param name="Template">The template.</param>
/// <param name="Pattern">The pattern; null for the neutral form.</param>
public sealed record FormRequest(string Template, string? Pattern = null);

/// <summary>What to do at the simulated board.</summary>
public enum DeskDeed
{
    /// <summary>Give it lines of the neutral form.</summary>
    Take,

    /// <summary>Save and restart.</summary>
    Save,

    /// <summary>Restart without saving.</summary>
    Restart,

    /// <summary>As it left the factory.</summary>
    Reset,

    /// <summary>Only print.</summary>
    Print,
}

/// <summary>Something to do at the simulated board.</summary>
/// <param name="Do">What.</param>
/// <param name="Text">The lines; empty where none are needed.</param>
public sealed record DeskRequest(DeskDeed Do, string Text = "");

/// <summary>What the simulated board has answered.</summary>
/// <param name="Replies">What it says, line by line.</param>
/// <param name="IsSaved">True while nothing waits to be saved.</param>
/// <param name="Printed">What it prints now.</param>
public sealed record DeskView(IReadOnlyList<string> Replies, bool IsSaved, string Printed);

/// <summary>The Settings screen.</summary>
internal static class SettingsEndpoints
{
    public static void MapSettings(this IEndpointRouteBuilder app)
    {
        var build = app.MapGroup("/api/builds/{id}").WithTags("Settings");
        build
            .MapGet(
                "settings",
                async ([AsParameters] AskedBuild asked, TextStore texts) =>
                {
                    var (planned, sheet) = await asked.Settings();
                    return Results.Ok(Of(planned, sheet, await texts.Of(asked.Id)));
                }
            )
            .Answers<SettingsView>("getSettings", 404, 422);
        build.MapPost("settings/ticks", Tick).WithName("tickSettings").Changes();
        build.MapPost("settings/read", Read).Answers<ReadReport>("readBack", 404, 422);
        build
            .MapPost(
                "settings/form",
                async ([AsParameters] AskedBuild asked, FormRequest form) =>
                {
                    var (planned, sheet) = await asked.Settings();
                    return Results.Ok(await Workers.Run(() => Filled(planned, sheet, form.Template), asked.Stop));
                }
            )
            .Answers<FormResult>("previewForm", 404, 422);
        build.MapPut("settings/form", Keep).Answers<PartMade>("keepForm", 404, 409, 422);
        build.MapPost("settings/simulated", Desk).Answers<DeskView>("useSimulatedBoard", 404, 422);
        MapFiles(build);
        build.MapTexts();
    }

    private static void MapFiles(RouteGroupBuilder build)
    {
        void File(string file, string name, string type, Func<PlannedBuild, SettingsSheet, string> write) =>
            build
                .MapGet(
                    file,
                    async ([AsParameters] AskedBuild asked, HttpResponse response) =>
                    {
                        var (planned, sheet) = await asked.Settings();
                        return ExportEndpoints.Text(write(planned, sheet), type, $"{asked.Id}-{file}", response);
                    }
                )
                .AnswersFile(name, type, 404, 422);
        File("settings.txt", "writeSettings", "text/plain", (p, s) => NeutralForm.Write(BoardOf(p), s));
        File(
            "settings.md",
            "writeSettingsPage",
            "text/markdown",
            (p, s) => Filled(p, s, SheetForm.Shipped["markdown"]).Text ?? ""
        );
        File("settings.csv", "listSettings", "text/csv", (_, s) => SettingsTable.Write(s));
        build
            .MapGet(
                "settings.json",
                async ([AsParameters] AskedBuild asked, HttpResponse response) =>
                {
                    var (_, sheet) = await asked.Settings();
                    ExportEndpoints.Name(response, $"{asked.Id}-settings.json");
                    return Results.Ok(sheet);
                }
            )
            .Answers<SettingsSheet>("saveSettings", 404, 422);
    }

    private static DateOnly Today(TimeProvider time) => DateOnly.FromDateTime(time.GetLocalNow().DateTime);

    private static WiredBuild WiredOf(PlannedBuild planned) => planned.Reader.Wired;

    private static Board BoardOf(PlannedBuild planned) => WiredOf(planned).Build.Board;

    private static SettingsView Of(PlannedBuild planned, SettingsSheet sheet, IReadOnlyList<KeptText> texts)
    {
        var wired = WiredOf(planned);
        return new SettingsView(
            planned.Stored.Version,
            sheet,
            GnssAdvice.Of(wired),
            CompassAdvice.Of(wired),
            wired.Build.Firmware?.Name,
            wired.Build.Firmware?.Template ?? SheetForm.Shipped["plain"],
            wired.Build.Firmware?.Pattern,
            texts
        );
    }

    private static FormResult Filled(PlannedBuild planned, SettingsSheet sheet, string template) =>
        SheetForm.Fill(template, planned.Stored.Build.Name, BoardOf(planned), sheet);

    private static Task<IResult> Tick(
        string id,
        SettingTick tick,
        BuildService bench,
        TimeProvider time,
        CancellationToken stop
    ) =>
        bench.Note(
            id,
            reader =>
            {
                var result = SettingTicks.Apply(
                    reader.Wired,
                    [.. tick.Keys.Select(k => k ?? "")],
                    tick.IsDone,
                    Today(time),
                    time.GetUtcNow().UtcDateTime
                );
                return result.Build is { } after ? Proposal.Of(after, result.Words) : Proposal.Refused(result.Findings);
            },
            stop
        );

    private static async Task<IResult> Read([AsParameters] AskedBuild asked, ReadRequest request, TextStore texts)
    {
        var (planned, sheet) = await asked.Settings();
        if (request.Text.Length > NeutralForm.MostText)
        {
            return Problems.Of(422, Sentences.DumpTooLongCharactersMaximum(request.Text.Length, NeutralForm.MostText));
        }
        var (printed, error) = await Workers.Run(
            () =>
                WiredOf(planned).Build.Firmware?.Pattern is { Length: > 0 } pattern
                    ? SheetForm.Read(pattern, request.Text)
                    : (NeutralForm.Read(request.Text), null),
            asked.Stop
        );
        if (printed is null)
        {
            return Problems.Of(422, error!);
        }
        var report = ReadBack.Compare(BoardOf(planned), sheet, printed);
        if (request.Keep)
        {
            await texts.Keep(
                asked.Id,
                TextKind.ReadBack,
                request.Words.Length > 0 ? request.Words : report.Words,
                request.Text
            );
        }
        return Results.Ok(report);
    }

    private static async Task<IResult> Keep(
        [AsParameters] AskedBuild asked,
        FormRequest form,
        PartService parts,
        PartKeeper keeper
    )
    {
        var (planned, sheet) = await asked.Settings();
        if (WiredOf(planned).Build.Firmware is not { } firmware)
        {
            return Problems.Of(422, Sentences.TemplatesAreSavedPerFirmware);
        }
        if ((await Workers.Run(() => Filled(planned, sheet, form.Template), asked.Stop)).Error is { } error)
        {
            return Problems.Of(422, error);
        }
        if (form.Pattern is { Length: > 0 } pattern && SheetForm.Read(pattern, "").Error is { } against)
        {
            return Problems.Of(422, against);
        }
        var stored = await keeper.Get<FirmwareProfile>(PartKind.Profile, firmware.Id);
        return await parts.Put(
            PartKind.Profile,
            firmware.Id,
            stored.Version,
            stored.Part with
            {
                Template = form.Template == SheetForm.Shipped["plain"] ? null : form.Template,
                Pattern = form.Pattern is { Length: > 0 } kept ? kept : null,
            },
            Sentences.SettingsTemplate,
            asked.Stop
        );
    }

    private static async Task<IResult> Desk([AsParameters] AskedBuild asked, DeskRequest request, SimulatedBoards desk)
    {
        var wired = WiredOf(await asked.Planned());
        if (request.Text.Length > NeutralForm.MostText)
        {
            return Problems.Of(422, Sentences.TextTooLongCharactersMaximum(request.Text.Length, NeutralForm.MostText));
        }
        DeskView Done(SimulatedBoard board)
        {
            var reply = request.Do switch
            {
                DeskDeed.Take => board.Take(request.Text),
                DeskDeed.Save => board.Save(),
                DeskDeed.Restart => board.Restart(),
                DeskDeed.Reset => board.Reset(),
                _ => board.Take(""),
            };
            return new DeskView(request.Do == DeskDeed.Print ? [] : reply.Replies, reply.IsSaved, board.Print());
        }
        return Results.Ok(desk.With(asked.Id, wired.Build.Board, wired.Build.Firmware, Done));
    }
}
