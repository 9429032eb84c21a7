using System.Text.Json;
using Gorvix.Core.Files.Describing;
using Gorvix.Core.Files.Formats;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Protocols;
using Gorvix.Core.Plans.Scheduling;
using Gorvix.Core.Wired.Words;
using Gorvix.Core.Work.Tables;
using Gorvix.Web.Hosting;

namespace Gorvix.Web.Features;

/// <summary>A board that is being described: as it stands, or as text; and lines typed beside it.</summary>
/// <param name="Board">The board, or null when there is a text.</param>
/// <param name="Text">Its whole leaflet as text, or null when there is a board.</param>
/// <param name="Lines">Lines to be read beside it, or null.</param>
/// <param name="Pads">A list of its pads as CSV that takes the place of those it has, or null.</param>
public sealed record BoardDraft(Board? Board, string? Text, string? Lines, string? Pads = null);

/// <summary>A line that cannot be read.</summary>
/// <param name="Line">The line, from 1.</param>
/// <param name="Column">The letter in it, from 1.</param>
/// <param name="Sentence">What is wrong and how to mend it.</param>
public sealed record LineProblem(int Line, int Column, string Sentence);

/// <summary>A board that is being described, looked at.</summary>
/// <param name="Look">The board with everything that can be said of it; what could not be read is left out.</param>
/// <param name="Problems">Lines that cannot be read.</param>
/// <param name="Assumed">Rails that only labels speak of, in sentences.</param>
/// <param name="Added">Ids of the pads that the lines added.</param>
public sealed record BoardAnswer(
    BoardLook Look,
    IReadOnlyList<LineProblem> Problems,
    IReadOnlyList<string> Assumed,
    IReadOnlyList<string> Added
);

/// <summary>What a board can be described with.</summary>
/// <param name="Classes">Controller classes.</param>
/// <param name="Patterns">What usually lies between a pad and a port.</param>
/// <param name="Presets">Boards as their sorts usually are.</param>
public sealed record BoardChoices(
    IReadOnlyList<string> Classes,
    IReadOnlyList<PathPattern> Patterns,
    IReadOnlyList<BoardPreset> Presets
);

/// <summary>What a device can be described with.</summary>
/// <param name="Patterns">Devices as their kinds usually are.</param>
/// <param name="Kinds">Kinds of device.</param>
/// <param name="Needs">What a device can give.</param>
/// <param name="Protocols">Protocols, with the lines that each has.</param>
/// <param name="States">States that its lights can show.</param>
public sealed record DeviceChoices(
    IReadOnlyList<DevicePattern> Patterns,
    IReadOnlyList<Choice> Kinds,
    IReadOnlyList<Choice> Needs,
    IReadOnlyList<ProtocolChoice> Protocols,
    IReadOnlyList<Choice> States
);

/// <summary>A protocol.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Bauds">The bauds that it knows.</param>
/// <param name="Serial">Whether its lines rest high or low, so that a polarity can be said.</param>
/// <param name="Bus">Whether a device has an address.</param>
public sealed record ProtocolChoice(string Id, string Name, IReadOnlyList<int> Bauds, bool Serial, bool Bus);

/// <summary>Parts that are being described. Nothing is stored here.</summary>
internal static class DescribeEndpoints
{
    public static void MapDescribing(this IEndpointRouteBuilder app)
    {
        var describe = app.MapGroup("/api/describe").WithTags("Describing");
        describe.MapGet("board/choices", Choices).WithName("listBoardChoices");
        describe.MapGet("device/choices", DeviceChoicesOf).WithName("listDeviceChoices");
        describe.MapPost("device", LookAt).Answers<DeviceLook>("lookAtDevice", 422);
        describe.MapPost("board", Look).Answers<BoardAnswer>("lookAtBoard", 422);
    }

    private static BoardChoices Choices() =>
        new([.. ControllerClass.All.Select(c => c.Id)], PathPattern.All, BoardPreset.All);

    private static async Task<IResult> Look(BoardDraft draft, CancellationToken stop)
    {
        if (draft.Board is { } asked && TooMuch(asked) is { } sentence)
        {
            return Problems.Of(422, sentence);
        }
        if (draft.Pads is not { } list)
        {
            return Results.Ok(await Workers.Run(() => AnswerOf(draft), stop));
        }
        if (list.Length > GorvixReader.MostBytes)
        {
            return Problems.Of([GorvixReader.TooLarge(list.Length)!]);
        }
        var read = await Workers.Run(
            () => ListReader.ReadPads(list, draft.Board ?? LeafletText.Read(draft.Text ?? "").Board),
            stop
        );
        return read.Board is { } board
            ? Results.Ok(await Workers.Run(() => AnswerOf(new BoardDraft(board, null, null)), stop))
            : Problems.Of([read.Problem!]);
    }

    private static BoardAnswer AnswerOf(BoardDraft draft)
    {
        var read = draft.Text is { } text
            ? LeafletText.Read(text)
            : new LeafletReading(DraftTidy.Of(draft.Board ?? LeafletText.Read("").Board), [], []);
        var before = read.Board.Pads.Select(p => p.Id).ToHashSet();
        if (draft.Lines is { } lines)
        {
            read = BoardEdit.Add(read.Board, lines);
        }
        return new BoardAnswer(
            BoardLook.Of(read.Board),
            [.. read.Problems.Select(p => new LineProblem(p.Line, p.Column, p.Finding.Sentence))],
            [.. read.Assumed.Select(a => a.Sentence)],
            [.. read.Board.Pads.Select(p => p.Id).Where(id => !before.Contains(id))]
        );
    }

    private static DeviceChoices DeviceChoicesOf() =>
        new(
            DevicePattern.All,
            [.. Enum.GetValues<DeviceKind>().Select(k => new Choice(Id(k), PlainWords.Of(k)))],
            [.. Enum.GetValues<Need>().Select(n => new Choice(Id(n), PlainWords.Of(n)))],
            [
                .. ProtocolCatalogue.All.Select(p => new ProtocolChoice(
                    p.Id,
                    p.Name,
                    p.Bauds,
                    p.Carrier == Carrier.Serial,
                    p.Carrier == Carrier.Bus
                )),
            ],
            [.. Enum.GetValues<SignState>().Select(s => new Choice(Id(s), PlainWords.Of(s)))]
        );

    private static string Id<T>(T value)
        where T : struct, Enum => JsonNamingPolicy.CamelCase.ConvertName($"{value}");

    private static async Task<IResult> LookAt(Device device, CancellationToken stop) =>
        device.Leads.Count > PartCheck.MostLeads
            ? Problems.Of(422, Sentences.TooManyLeadsMaximumRemove(device.Leads.Count, PartCheck.MostLeads))
        : device.Functions.Sum(f => Math.Max(1, f.Modes.Count)) > PartCheck.MostModes * 4
            ? Problems.Of(422, Sentences.TooManyModesMaximumRemove(PartCheck.MostModes * 4))
        : Results.Ok(await Workers.Run(() => DeviceLook.Of(DraftTidy.Of(device)), stop));

    // What no board has is not looked at: its parts are compared with each other.
    private static string? TooMuch(Board board)
    {
        (int Count, int Most, string Things)[] lists =
        [
            (board.Pads.Count, PartCheck.MostPads, "pads"),
            (board.Ports.Count, PartCheck.MostPorts, "ports"),
            (board.Rails.Count, PartCheck.MostPorts, "rails"),
            (board.Nets.Count, PartCheck.MostPads, "pins"),
            (board.Bridges.Count, PartCheck.MostBridges, Sentences.SolderJumpers),
            (board.Plugs.Count, PartCheck.MostSockets, "sockets"),
            (board.Plugs.Sum(p => p.Pins.Count), PartCheck.MostPads, Sentences.SocketPins),
            (board.Pads.Sum(p => p.Paths.Count), PartCheck.MostPads * PartCheck.MostPaths, Sentences.PadPaths),
        ];
        return lists.FirstOrDefault(l => l.Count > l.Most) is { Things: { } things } over
            ? Sentences.TooManyMaximumRemoveThe(things, over.Count, over.Most)
            : null;
    }
}
