using System.Globalization;
using System.Text.Json;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Fit;
using Gorvix.Core.Wired.Words;
using Gorvix.Storage;

namespace Gorvix.Web.Features;

/// <summary>A new set-up of a build.</summary>
/// <param name="Version">The version that the writer has seen.</param>
/// <param name="Setup">The whole set-up.</param>
public sealed record SetupRequest(int Version, Setup Setup);

/// <summary>A change of the parts or links of a build.</summary>
/// <param name="Version">The version that the writer has seen.</param>
/// <param name="Change">What to do.</param>
public sealed record PartsRequest(int Version, PartsChange Change);

/// <summary>A part to choose.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Name">Its name in words.</param>
/// <param name="Kind">What it is; null for boards and profiles.</param>
/// <param name="Functions">What it can give; empty for boards and profiles.</param>
/// <param name="Harnesses">The harnesses that it comes with; empty where there is no choice.</param>
/// <param name="Notes">What there is to know before choosing it, in sentences.</param>
public sealed record PartChoice(
    string Id,
    string Name,
    DeviceKind? Kind,
    IReadOnlyList<FunctionChoice> Functions,
    IReadOnlyList<HarnessChoice> Harnesses,
    IReadOnlyList<string> Notes
);

/// <summary>A harness of a device.</summary>
/// <param name="Id">Its id within the device.</param>
/// <param name="Name">Its name in words.</param>
public sealed record HarnessChoice(string Id, string Name);

/// <summary>Something that a device can give.</summary>
/// <param name="Id">Its id within the device.</param>
/// <param name="Need">What it gives, in words.</param>
public sealed record FunctionChoice(string Id, string Need);

/// <summary>A value to choose, with its words.</summary>
/// <param name="Value">As it is written in a build.</param>
/// <param name="Words">As the builder reads it.</param>
public sealed record Choice(string Value, string Words);

/// <summary>What a pack can be.</summary>
/// <param name="Cells">Cells in series.</param>
/// <param name="Chemistries">Kinds of cell.</param>
/// <param name="Note">How a pack is judged.</param>
public sealed record PackChoices(IReadOnlyList<Choice> Cells, IReadOnlyList<Choice> Chemistries, string Note);

/// <summary>What a set-up can be chosen from.</summary>
/// <param name="Boards">The boards of the library.</param>
/// <param name="Devices">The devices of the library.</param>
/// <param name="Profiles">The firmware profiles of the library.</param>
/// <param name="Disputes">The house rules, with what each school says.</param>
/// <param name="Pack">What a pack can be.</param>
/// <param name="Kinds">The kinds of device, each as one of them.</param>
/// <param name="Priorities">How much a link can be wished for, the most first.</param>
/// <param name="UsbPorts">The USB ports that a board can be plugged into.</param>
public sealed record SetupChoices(
    IReadOnlyList<PartChoice> Boards,
    IReadOnlyList<PartChoice> Devices,
    IReadOnlyList<PartChoice> Profiles,
    IReadOnlyList<Dispute> Disputes,
    PackChoices Pack,
    IReadOnlyList<Choice> Kinds,
    IReadOnlyList<Choice> Priorities,
    IReadOnlyList<Choice> UsbPorts
);

/// <summary>Set-up and parts of a build, and what they can be chosen from.</summary>
internal static class SetupEndpoints
{
    public static void MapSetup(this IEndpointRouteBuilder app)
    {
        app.MapGet("/api/choices", Choices).WithName("listChoices").WithTags("Setup");
        var build = app.MapGroup("/api/builds/{id}").WithTags("Setup");
        build
            .MapPost(
                "setup",
                (string id, SetupRequest request, BuildService bench, CancellationToken stop) =>
                    bench.Change(
                        id,
                        request.Version,
                        build => Task.FromResult(Proposal.Of(request.Setup.ApplyTo(build), Sentences.ChangeSetup)),
                        stop
                    )
            )
            .WithName("setUp")
            .Changes();
        build.MapPost("parts/preview", Preview).Answers<ChangePreview>("previewParts", 404, 409, 422);
        build.MapPost("parts", Parts).WithName("changeParts").Changes();
    }

    private static readonly PackChoices Packs = new(
        [.. Enumerable.Range(1, Pack.MostCells).Select(n => new Choice($"{n}", $"{n}S"))],
        [
            .. Enum.GetValues<Chemistry>()
                .Select(c => new Choice(
                    Written(c),
                    string.Create(CultureInfo.InvariantCulture, $"{Pack.FullCell(c):0.00} V per cell, full")
                )),
        ],
        string.Create(
            CultureInfo.InvariantCulture,
            $"Checked at full and empty battery ({Pack.EmptyCell:0.0} V per cell). Boards without a regulator need an external BEC."
        )
    );

    // As the format writes it.
    internal static string Written<T>(T value)
        where T : struct, Enum => JsonNamingPolicy.CamelCase.ConvertName($"{value}");

    private static async Task<SetupChoices> Choices(PartStore parts)
    {
        // Those laid aside too: what a build has is looked up here.
        var all = await parts.Everything();
        return new SetupChoices(
            [
                .. all.Boards.Select(b => new PartChoice(
                    b.Id,
                    $"{b.Maker} {b.Name}, revision {b.Revision}",
                    null,
                    [],
                    [],
                    [.. new[] { b.Recognise, BoardWords.Shape(b) }.OfType<string>()]
                )),
            ],
            [
                .. all.Devices.Select(d => new PartChoice(
                    d.Id,
                    $"{d.Maker} {d.Name}",
                    d.Kind,
                    [.. d.Functions.Select(f => new FunctionChoice(f.Id, DeviceWords.Of(d, f)))],
                    [.. d.Harnesses.Select(h => new HarnessChoice(h.Id, h.Name))],
                    DeviceWords.Notes(d)
                )),
            ],
            [.. all.Profiles.Select(p => new PartChoice(p.Id, p.Name, null, [], [], ProfileReader.Words(p)))],
            HouseSchools.All,
            Packs,
            [.. Enum.GetValues<DeviceKind>().Select(k => new Choice(Written(k), PlainWords.Of(k)))],
            [.. Enum.GetValues<Priority>().Select(p => new Choice(Written(p), PlainWords.Of(p)))],
            [.. Enum.GetValues<UsbPort>().Select(p => new Choice(Written(p), PlainWords.Of(p)))]
        );
    }

    // What the same change would do, without doing it.
    private static Task<IResult> Preview(
        string id,
        PartsRequest request,
        PartStore parts,
        BuildService bench,
        CancellationToken stop
    ) => bench.Preview(id, request.Version, build => ProposalOf(request.Change, build, parts), stop);

    private static Task<IResult> Parts(
        string id,
        PartsRequest request,
        PartStore parts,
        BuildService bench,
        CancellationToken stop
    ) => bench.Change(id, request.Version, build => ProposalOf(request.Change, build, parts), stop);

    private static async Task<Proposal> ProposalOf(PartsChange change, Build build, PartStore parts)
    {
        var all = await parts.Offered(build);
        return change.Check(build, all) is { Count: > 0 } findings
            ? Proposal.Refused(findings)
            : Proposal.Of(change.ApplyTo(build, all), new ChangeWords(build, all).Of(change));
    }
}
