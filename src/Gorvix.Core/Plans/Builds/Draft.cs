using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;

namespace Gorvix.Core.Plans.Builds;

/// <summary>A build in the making: what is chosen so far, in the order in which a builder chooses. Nothing of it is stored.</summary>
public sealed record Draft
{
    /// <summary>More wishes than this are refused: no devices give so many links.</summary>
    public const int MostWishes = 400;

    /// <summary>What it will be called; null or empty for the board's name.</summary>
    public string? Name { get; init; }

    /// <summary>Id of the board, or null while none is chosen.</summary>
    public string? Board { get; init; }

    /// <summary>Ids of the parts, one for each device, in the order in which they were taken.</summary>
    public IReadOnlyList<string> Devices { get; init; } = [];

    /// <summary>The battery, or null while it is not chosen.</summary>
    public Pack? Pack { get; init; }

    /// <summary>Where the builder wishes for more or less than the needs ask; the rest is as <see cref="Wished"/> says.</summary>
    public IReadOnlyList<DraftWish> Wishes { get; init; } = [];

    /// <summary>Names that lead nowhere, and wishes of devices that are not there; empty when <see cref="Of"/> can be asked.</summary>
    /// <param name="library">The library.</param>
    public IReadOnlyList<Finding> Check(PartsLibrary library)
    {
        var list = new CheckList();
        if (!string.IsNullOrEmpty(Name))
        {
            list.Text(Name, "draft.name");
        }
        if (Board is not null)
        {
            list.Known(Board, library.Boards.Select(b => b.Id), "board", "draft.board");
        }
        list.Count(Devices.Count, BuildCheck.MostDevices, "devices", "draft.devices");
        for (var i = 0; i < Devices.Count; i++)
        {
            list.Known(Devices[i], library.Devices.Select(d => d.Id), "device", $"draft.devices[{i}]");
        }
        if (Pack is not null)
        {
            list.Range(Pack.Cells, 1, Pack.MostCells, "cells", "draft.pack.cells");
        }
        list.Count(Wishes.Count, MostWishes, "priorities", "draft.wishes");
        for (var i = 0; i < Wishes.Count && i < MostWishes; i++)
        {
            if (Wishes[i].Device < 0 || Wishes[i].Device >= Devices.Count)
            {
                list.Stop(
                    PartRules.BadValue,
                    $"draft.wishes[{i}].device",
                    ("problem", Sentences.IsButOnlyDevicesAre(Wishes[i].Device, Devices.Count)),
                    ("mend", Sentences.DeviceNumbersStartAt0)
                );
            }
        }
        return list.Findings;
    }

    /// <summary>The build as far as it is chosen, or null while it has no board.</summary>
    /// <param name="library">A library that passed <see cref="Check"/>.</param>
    public Build? Of(PartsLibrary library)
    {
        if (Board is null)
        {
            return null;
        }
        var build = new Build
        {
            Name = string.IsNullOrWhiteSpace(Name) ? library.Board(Board)!.Name : Name.Trim(),
            Board = Board,
            Pack = Pack,
            Devices = [],
            Wants = [],
        };
        build = Devices.Aggregate(build, (b, part) => BuildEdits.WithDevice(b, library.Device(part)!, library));
        foreach (var wish in Wishes)
        {
            var device = build.Devices[wish.Device].Id;
            if (build.Wants.FirstOrDefault(w => w.Device == device && w.Function == wish.Function) is { } want)
            {
                build = wish.Priority is { } priority
                    ? BuildEdits.WithPriority(build, want.Link, priority)
                    : BuildEdits.WithoutLink(build, want.Link);
            }
        }
        return build;
    }
}

/// <summary>A link of a draft that is wished for more or less than its need asks.</summary>
public sealed record DraftWish
{
    /// <summary>The place of the device in the list, from 0.</summary>
    public required int Device { get; init; }

    /// <summary>Id of its function.</summary>
    public required string Function { get; init; }

    /// <summary>How much it is wished for; null for not at all.</summary>
    public Priority? Priority { get; init; }
}
