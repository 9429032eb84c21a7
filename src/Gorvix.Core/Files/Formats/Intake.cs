using System.Text.Json;
using Gorvix.Core.Hardware.Parts;

namespace Gorvix.Core.Files.Formats;

/// <summary>What a part of a file is to a library.</summary>
public enum IntakeState
{
    /// <summary>The library has nothing of this id.</summary>
    New,

    /// <summary>The library's says the same.</summary>
    Same,

    /// <summary>The library's says something else.</summary>
    Differs,
}

/// <summary>What is done with a part that the library has with another content.</summary>
public enum IntakeChoice
{
    /// <summary>The library's stays, and the builds of the file use it.</summary>
    KeepMine,

    /// <summary>The file's takes its place, in every build that has it.</summary>
    TakeTheirs,

    /// <summary>The file's is added under another id, and the builds of the file use that.</summary>
    AsCopy,
}

/// <summary>Which list of a file a part stands in.</summary>
public enum IntakeKind
{
    /// <summary>Boards.</summary>
    Board,

    /// <summary>Devices.</summary>
    Device,

    /// <summary>Firmware profiles.</summary>
    Profile,
}

/// <summary>A part of a file.</summary>
/// <param name="Kind">Its list.</param>
/// <param name="Id">Its id.</param>
/// <param name="Name">What the builder calls it.</param>
/// <param name="State">What it is to the library.</param>
/// <param name="Members">Where it differs: the members of its document; empty otherwise.</param>
/// <param name="Photos">How many photos of it the file has.</param>
public sealed record IntakePart(
    IntakeKind Kind,
    string Id,
    string Name,
    IntakeState State,
    IReadOnlyList<string> Members,
    int Photos = 0
);

/// <summary>What the builder decided about a part that differs.</summary>
/// <param name="Kind">Its list.</param>
/// <param name="Id">Its id.</param>
/// <param name="Choice">What is done with it.</param>
public sealed record IntakeDecision(IntakeKind Kind, string Id, IntakeChoice Choice);

/// <summary>
/// A file on its way into a library: what it would add and change is told before, and each part that differs is decided by the
/// builder. What comes out is a file in which every part is new or takes the place of one.
/// </summary>
public static class Intake
{
    /// <summary>Every part of a file, in its order.</summary>
    /// <param name="file">The file.</param>
    /// <param name="library">The library.</param>
    public static IReadOnlyList<IntakePart> Look(GorvixFile file, PartsLibrary library) =>
        [
            .. file.Boards.Select(b =>
                PartOf(
                    IntakeKind.Board,
                    b.Id,
                    $"{b.Maker} {b.Name}, revision {b.Revision}",
                    b,
                    library.Board(b.Id)
                ) with
                {
                    Photos = file.Photos.Count(p => p.Board == b.Id),
                }
            ),
            .. file.Devices.Select(d =>
                PartOf(IntakeKind.Device, d.Id, $"{d.Maker} {d.Name}", d, library.Device(d.Id))
            ),
            .. file.Profiles.Select(p => PartOf(IntakeKind.Profile, p.Id, p.Name, p, library.Profile(p.Id))),
        ];

    /// <summary>The file as it goes into the library.</summary>
    /// <param name="file">The file.</param>
    /// <param name="library">The library.</param>
    /// <param name="decisions">What is done with parts that differ; the library's stays where nothing is said.</param>
    /// <returns>A file whose parts are new, or take the place of the library's; parts that say the same are left out. Photos of boards that stay as they are stay
    /// too; they are taken where the library has none.</returns>
    public static GorvixFile Take(GorvixFile file, PartsLibrary library, IReadOnlyList<IntakeDecision> decisions)
    {
        var boards = new Dictionary<string, string>();
        var devices = new Dictionary<string, string>();
        var profiles = new Dictionary<string, string>();
        var state = Look(file, library).ToDictionary(p => (p.Kind, p.Id), p => p.State);
        bool Takes(IntakeKind kind, string id, Dictionary<string, string> renamed, Func<string, bool> taken)
        {
            if (state[(kind, id)] != IntakeState.Differs)
            {
                return state[(kind, id)] == IntakeState.New;
            }
            var choice = decisions.FirstOrDefault(d => d.Kind == kind && d.Id == id)?.Choice ?? IntakeChoice.KeepMine;
            if (choice == IntakeChoice.AsCopy)
            {
                renamed[id] = FreeId(id, taken);
            }
            return choice != IntakeChoice.KeepMine;
        }
        var own = new GorvixFile
        {
            Boards =
            [
                .. file.Boards.Where(b =>
                    Takes(
                        IntakeKind.Board,
                        b.Id,
                        boards,
                        id => library.Board(id) is not null || file.Boards.Any(o => o.Id == id)
                    )
                ),
            ],
            Devices =
            [
                .. file.Devices.Where(d =>
                    Takes(
                        IntakeKind.Device,
                        d.Id,
                        devices,
                        id => library.Device(id) is not null || file.Devices.Any(o => o.Id == id)
                    )
                ),
            ],
            Profiles =
            [
                .. file.Profiles.Where(p =>
                    Takes(
                        IntakeKind.Profile,
                        p.Id,
                        profiles,
                        id => library.Profile(id) is not null || file.Profiles.Any(o => o.Id == id)
                    )
                ),
            ],
        };
        return own with
        {
            Photos =
            [
                .. file
                    .Photos.Where(p =>
                        state[(IntakeKind.Board, p.Board)] == IntakeState.Same || own.Boards.Any(b => b.Id == p.Board)
                    )
                    .Select(p => p with { Board = boards.GetValueOrDefault(p.Board, p.Board) }),
            ],
            Boards = [.. own.Boards.Select(b => b with { Id = boards.GetValueOrDefault(b.Id, b.Id) })],
            Devices = [.. own.Devices.Select(d => d with { Id = devices.GetValueOrDefault(d.Id, d.Id) })],
            Profiles = [.. own.Profiles.Select(p => p with { Id = profiles.GetValueOrDefault(p.Id, p.Id) })],
            Builds =
            [
                .. file.Builds.Select(b =>
                    b with
                    {
                        Board = boards.GetValueOrDefault(b.Board, b.Board),
                        Firmware = b.Firmware is { } f ? profiles.GetValueOrDefault(f, f) : null,
                        Devices =
                        [
                            .. b.Devices.Select(d => d with { Part = devices.GetValueOrDefault(d.Part, d.Part) }),
                        ],
                    }
                ),
            ],
        };
    }

    /// <summary>The members of a document in which two parts differ, by their names in the file.</summary>
    public static IReadOnlyList<string> Members<T>(T was, T now)
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

    private static IntakePart PartOf<T>(IntakeKind kind, string id, string name, T part, T? there)
        where T : class
    {
        var members = there is null ? [] : Members(there, part);
        return new IntakePart(
            kind,
            id,
            name,
            there is null ? IntakeState.New
                : members.Count == 0 ? IntakeState.Same
                : IntakeState.Differs,
            members
        );
    }

    private static string FreeId(string id, Func<string, bool> taken)
    {
        var number = 2;
        while (taken($"{id}-{number}"))
        {
            number++;
        }
        return $"{id}-{number}";
    }
}
