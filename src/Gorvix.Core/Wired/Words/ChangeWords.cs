using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;

namespace Gorvix.Core.Wired.Words;

/// <summary>A change of a build in a few words, for undo and the log: names as the builder reads them, ids where a name is not to be had.</summary>
/// <param name="build">The build before the change.</param>
/// <param name="library">Its parts, and the one that it changes to.</param>
public sealed class ChangeWords(Build build, PartsLibrary library)
{
    private readonly Board? _board = library.Board(build.Board);

    /// <summary>A pin or a block, set or removed.</summary>
    public string Of(BuildChange change) =>
        change.Kind switch
        {
            ChangeKind.Pin => $"Pin {What(change.Match)}",
            ChangeKind.Unpin => $"Unpin {What(change.Match)}",
            ChangeKind.Block => $"Block {What(change.Match)}",
            _ => $"Unblock {What(change.Match)}",
        };

    private string What(WishMatch match) =>
        match switch
        {
            RouteMatch route => Where(route) is { Length: > 0 } where
                ? $"{LinkToldApart(route.Link)}: {where}"
                : LinkToldApart(route.Link),
            SeatMatch { Socket: { } socket } seat => $"{Device(seat.Device)} plug in {Socket(socket)}",
            SeatMatch seat => $"{Device(seat.Device)}: direct-soldered",
            FeedMatch { From: { } from } feed =>
                $"{Lead(feed.Device, feed.Lead)}: powered from {Lead(from, feed.FromLead ?? "")}",
            FeedMatch feed => $"{Lead(feed.Device, feed.Lead)}: powered from {Pad(feed.Pad ?? "")}",
            LeadMatch lead => $"{Lead(lead.Device, lead.Lead)}: de-pinned",
            _ => "",
        };

    /// <summary>A change of parts, links, names or wires.</summary>
    public string Of(PartsChange change)
    {
        var device = Device(change.Device ?? "");
        return change.Kind switch
        {
            PartsChangeKind.TakeBoard => $"Swap board to {library.Board(change.Part ?? "")?.Name ?? change.Part}",
            PartsChangeKind.TakePart => $"Swap {device} to {Part(change.Part ?? "")}",
            PartsChangeKind.TakeHarness => $"Use harness {Harness(change)} on {device}",
            PartsChangeKind.AddDevice => $"Add {Part(change.Part ?? "")}",
            PartsChangeKind.RemoveDevice => $"Remove {device}",
            PartsChangeKind.AddLink => $"Add {Function(change.Device ?? "", change.Function ?? "")} of {device}",
            PartsChangeKind.RemoveLink => $"Remove link {LinkToldApart(change.Link ?? "")}",
            PartsChangeKind.NameDevice => string.IsNullOrWhiteSpace(change.Text)
                ? $"Reset name of {device}"
                : $"Rename {device} to \"{change.Text.Trim()}\"",
            PartsChangeKind.SetBatch => string.IsNullOrWhiteSpace(change.Text)
                ? $"Clear batch of {device}"
                : $"Set batch of {device} to {change.Text.Trim()}",
            PartsChangeKind.NameBuild => $"Rename build to \"{change.Text?.Trim()}\"",
            PartsChangeKind.SetNote => "Edit note",
            PartsChangeKind.PlaceDevice => change.Millimetres is { } away
                ? $"Set cable run of {device} to {away:0.#} mm"
                : $"Clear cable run of {device}",
            PartsChangeKind.DrawDevice => change.Picture is null
                ? $"Reset place of {device} in the picture"
                : $"Move {device} in the picture",
            PartsChangeKind.SetAllowance =>
                $"Set slack to {change.Millimetres ?? WireLengths.UsualAllowance:0.#} mm per wire",
            PartsChangeKind.CutWire =>
                $"Set {Lead(change.Wire!.Device, change.Wire.Lead)} wire to {change.Wire.Millimetres:0.#} mm{(change.Wire.Gauge is { } awg ? $", AWG {awg}" : "")}",
            _ => $"Set {LinkToldApart(change.Link ?? "")} to {PlainWords.Of(change.Priority ?? Priority.Wanted)}",
        };
    }

    private string Where(RouteMatch match) =>
        string.Join(
            ", ",
            new[]
            {
                match.Mode is null ? null : $"mode \"{Mode(match.Link, match.Mode)}\"",
                match.Pad is null ? null : $"pad {Pad(match.Pad)}",
                match.Bridges is null ? null : WorkWords.Jumpers(match.Bridges),
                match.Port is null ? null : Port.NameOf(match.Port),
            }.OfType<string>()
        );

    private Device? PartOf(string device) =>
        build.Devices.FirstOrDefault(d => d.Id == device) is { } known ? library.Device(known.Part) : null;

    /// <summary>A device by its name.</summary>
    public string Device(string id) => build.Devices.FirstOrDefault(d => d.Id == id)?.Name ?? PartOf(id)?.Name ?? id;

    private string Part(string id) => library.Device(id)?.Name ?? id;

    private string Harness(PartsChange change) =>
        PartOf(change.Device ?? "")?.Harnesses.FirstOrDefault(h => h.Id == change.Harness)?.Name
        ?? change.Harness
        ?? "";

    private string Lead(string device, string lead) =>
        $"{PartOf(device)?.Leads.FirstOrDefault(l => l.Id == lead)?.Label ?? lead} of {Device(device)}";

    /// <summary>A link by what it carries: "RC link"; its id where its part is not to be had.</summary>
    public string Link(string id) =>
        build.Wants.FirstOrDefault(w => w.Link == id) is { } want ? Function(want.Device, want.Function) : id;

    // With its device where the build has another link of the name.
    private string LinkToldApart(string id) =>
        build.Wants.FirstOrDefault(w => w.Link == id) is { } want
        && build.Wants.Any(w => w.Link != id && Link(w.Link) == Link(id))
            ? $"{Link(id)} of {Device(want.Device)}"
            : Link(id);

    private string Function(string device, string function) =>
        PartOf(device) is { } part && part.Functions.FirstOrDefault(f => f.Id == function) is { } known
            ? DeviceWords.Of(part, known)
            : function;

    private string Mode(string link, string mode) =>
        build.Wants.FirstOrDefault(w => w.Link == link) is { } want
        && PartOf(want.Device)?.Functions.FirstOrDefault(f => f.Id == want.Function) is { } function
            ? function.Modes.FirstOrDefault(m => m.Id == mode)?.Name ?? mode
            : mode;

    private string Pad(string id) => _board?.Pads.FirstOrDefault(p => p.Id == id)?.Label ?? id;

    private string Socket(string id) => _board?.Plugs.FirstOrDefault(p => p.Id == id)?.Label ?? id;
}
