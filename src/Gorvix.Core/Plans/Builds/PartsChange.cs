using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;

namespace Gorvix.Core.Plans.Builds;

/// <summary>What is done with the parts and links of a build.</summary>
public enum PartsChangeKind
{
    /// <summary>Another board; needs <c>Part</c>.</summary>
    TakeBoard,

    /// <summary>Another part for a device; needs <c>Device</c> and <c>Part</c>.</summary>
    TakePart,

    /// <summary>Another harness for a device; needs <c>Device</c> and <c>Harness</c>.</summary>
    TakeHarness,

    /// <summary>One more device with its links; needs <c>Part</c>.</summary>
    AddDevice,

    /// <summary>A device and its links go; needs <c>Device</c>.</summary>
    RemoveDevice,

    /// <summary>One more link; needs <c>Device</c> and <c>Function</c>.</summary>
    AddLink,

    /// <summary>A link goes; needs <c>Link</c>.</summary>
    RemoveLink,

    /// <summary>Another priority; needs <c>Link</c> and <c>Priority</c>.</summary>
    SetPriority,

    /// <summary>Another name of a device; needs <c>Device</c>, and <c>Text</c> unless the part's own name is to stand.</summary>
    NameDevice,

    /// <summary>The batch or serial number of a device; needs <c>Device</c>, and <c>Text</c> unless it is not known any more.</summary>
    SetBatch,

    /// <summary>Another name of the build; needs <c>Text</c>.</summary>
    NameBuild,

    /// <summary>Another note of the build; <c>Text</c>, or none.</summary>
    SetNote,

    /// <summary>The length and gauge of a supply wire; needs <c>Wire</c>.</summary>
    CutWire,

    /// <summary>How far a device sits from the board; needs <c>Device</c>, and <c>Millimetres</c> unless it is not known any more.</summary>
    PlaceDevice,

    /// <summary>What is added to each wire at its ends; <c>Millimetres</c>, or none for the usual.</summary>
    SetAllowance,

    /// <summary>Where a device stands in the wiring picture; needs <c>Device</c>, and <c>Picture</c> unless the picture is to choose.</summary>
    DrawDevice,
}

/// <summary>A change of the parts or links of a build; the members that its kind needs are set.</summary>
public sealed record PartsChange
{
    /// <summary>What to do.</summary>
    public required PartsChangeKind Kind { get; init; }

    /// <summary>Id of a device of the build.</summary>
    public string? Device { get; init; }

    /// <summary>Id of a part of the library.</summary>
    public string? Part { get; init; }

    /// <summary>Id of a harness of the device.</summary>
    public string? Harness { get; init; }

    /// <summary>Id of a function of the device.</summary>
    public string? Function { get; init; }

    /// <summary>Id of a link of the build.</summary>
    public string? Link { get; init; }

    /// <summary>How much the link is wished for; want when it is not given.</summary>
    public Priority? Priority { get; init; }

    /// <summary>A name or a note.</summary>
    public string? Text { get; init; }

    /// <summary>A supply wire.</summary>
    public WireCut? Wire { get; init; }

    /// <summary>A length, in millimetres.</summary>
    public double? Millimetres { get; init; }

    /// <summary>A place in the wiring picture.</summary>
    public PictureSpot? Picture { get; init; }

    /// <summary>What is wrong with it; empty when it can be applied.</summary>
    public IReadOnlyList<Finding> Check(Build build, PartsLibrary library)
    {
        var list = new CheckList();
        switch (Kind)
        {
            case PartsChangeKind.TakeBoard:
                list.Known(Part ?? "", library.Boards.Select(b => b.Id), "board", "change.part");
                break;
            case PartsChangeKind.AddDevice:
                list.Known(Part ?? "", library.Devices.Select(d => d.Id), "device", "change.part");
                break;
            case PartsChangeKind.TakePart:
                Known(build, list);
                list.Known(Part ?? "", library.Devices.Select(d => d.Id), "device", "change.part");
                if (
                    list.Findings.Count == 0
                    && BuildEdits.WithPart(build, Device!, library.Device(Part!)!, library) is null
                )
                {
                    list.Stop(
                        PartRules.BadValue,
                        "change.part",
                        ("problem", Sentences.DoesNotSupportOneOf),
                        ("mend", Sentences.RemoveThatLinkFirstOr)
                    );
                }
                break;
            case PartsChangeKind.TakeHarness:
                Known(build, list);
                var owner = build.Devices.FirstOrDefault(d => d.Id == Device)?.Part;
                var harnesses = owner is null ? [] : library.Device(owner)?.Harnesses.Select(h => h.Id) ?? [];
                list.Known(Harness ?? "", harnesses, "harness", "change.harness");
                break;
            case PartsChangeKind.AddLink:
                Known(build, list);
                var part = build.Devices.FirstOrDefault(d => d.Id == Device)?.Part;
                var functions = part is null ? [] : library.Device(part)?.Functions.Select(f => f.Id) ?? [];
                list.Known(Function ?? "", functions, "function", "change.function");
                break;
            case PartsChangeKind.RemoveDevice
            or PartsChangeKind.NameDevice
            or PartsChangeKind.SetBatch
            or PartsChangeKind.PlaceDevice
            or PartsChangeKind.DrawDevice:
                Known(build, list);
                break;
            case PartsChangeKind.NameBuild or PartsChangeKind.SetNote or PartsChangeKind.SetAllowance:
                break;
            case PartsChangeKind.CutWire:
                list.Known(
                    Wire?.Device ?? "",
                    build.Devices.Select(d => d.Id),
                    Sentences.DeviceInTheBuild,
                    "change.wire"
                );
                break;
            default:
                list.Known(Link ?? "", build.Wants.Select(w => w.Link), "link", "change.link");
                break;
        }
        return list.Findings.Count > 0 ? list.Findings : BuildCheck.Of(ApplyTo(build, library), library, "build");
    }

    /// <summary>The build after the change, which <see cref="Check"/> passed. The same build comes back when there is nothing to change.</summary>
    public Build ApplyTo(Build build, PartsLibrary library) =>
        Kind switch
        {
            PartsChangeKind.TakeBoard => build.Board == Part ? build : BuildEdits.WithBoard(build, Part!),
            PartsChangeKind.TakePart => BuildEdits.WithPart(build, Device!, library.Device(Part!)!, library)!,
            PartsChangeKind.TakeHarness => BuildEdits.WithHarness(build, Device!, Harness!),
            PartsChangeKind.AddDevice => BuildEdits.WithDevice(build, library.Device(Part!)!, library),
            PartsChangeKind.RemoveDevice => BuildEdits.WithoutDevice(build, Device!),
            PartsChangeKind.AddLink => BuildEdits.WithLink(
                build,
                Device!,
                Function!,
                Priority ?? Builds.Priority.Wanted
            ),
            PartsChangeKind.CutWire => BuildEdits.WithWire(build, Wire!),
            PartsChangeKind.PlaceDevice => BuildEdits.With(build, Device!, d => d with { Away = Millimetres }),
            PartsChangeKind.DrawDevice => BuildEdits.With(
                build,
                Device!,
                d => d with { Picture = Picture is { } spot && spot != new PictureSpot() ? spot : null }
            ),
            PartsChangeKind.SetAllowance => build.Allowance == Millimetres
                ? build
                : build with
                {
                    Allowance = Millimetres,
                },
            PartsChangeKind.RemoveLink => BuildEdits.WithoutLink(build, Link!),
            PartsChangeKind.NameDevice => BuildEdits.WithName(build, Device!, Text),
            PartsChangeKind.SetBatch => BuildEdits.WithBatch(build, Device!, Text),
            PartsChangeKind.NameBuild => build.Name == Text?.Trim() ? build : build with { Name = Text?.Trim() ?? "" },
            PartsChangeKind.SetNote => (build.Note ?? "") == (Text?.Trim() ?? "")
                ? build
                : build with
                {
                    Note = string.IsNullOrWhiteSpace(Text) ? null : Text.Trim(),
                },
            _ => BuildEdits.WithPriority(build, Link!, Priority ?? Builds.Priority.Wanted),
        };

    private void Known(Build build, CheckList list) =>
        list.Known(Device ?? "", build.Devices.Select(d => d.Id), Sentences.DeviceInTheBuild, "change.device");
}
