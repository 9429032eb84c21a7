using System.Text.Json.Serialization;
using Gorvix.Core.Plans.Builds;

namespace Gorvix.Core.Wired.Loom;

/// <summary>How the leads of a plug can come to where the plan has them without being moved in it.</summary>
public enum OtherWayKind
{
    /// <summary>A short lead between plug and socket whose pins cross; the harness stays as it comes.</summary>
    Adapter,

    /// <summary>The plug is cut off and the harness is joined to a tail in the socket, lead by lead.</summary>
    Splice,

    /// <summary>Each lead on a pad of the board that is the same copper as the pin.</summary>
    Solder,
}

/// <summary>Another way to the same wiring at one plug.</summary>
/// <param name="Id">Its id; a tick with it says that it was done so.</param>
/// <param name="Kind">Which way.</param>
/// <param name="Device">Id of the device within the build.</param>
/// <param name="Name">What the builder calls the device.</param>
/// <param name="Socket">Name of the socket.</param>
/// <param name="Words">What to do, in sentences.</param>
/// <param name="Price">How long it takes, in words.</param>
/// <param name="Rows">What is joined to what, lead by lead.</param>
/// <param name="Mind">What to mind: pins that stay empty, colours that mislead; in sentences.</param>
public sealed record OtherWay(
    string Id,
    OtherWayKind Kind,
    string Device,
    string Name,
    string Socket,
    string Words,
    string Price,
    IReadOnlyList<OtherWayRow> Rows,
    IReadOnlyList<string> Mind
)
{
    /// <summary>The kind in words, as a label.</summary>
    public string Method =>
        Kind switch
        {
            OtherWayKind.Adapter => Sentences.MakeAdapter,
            OtherWayKind.Splice => Sentences.SpliceHarnesses,
            _ => Sentences.SolderToPads,
        };

    /// <summary>True where the plan has it so already: the plug fits no socket, so its harness is joined to a tail.</summary>
    public bool IsPlanned { get; init; }

    /// <summary>What is true of the aircraft when it was done so.</summary>
    [JsonIgnore]
    public IReadOnlyList<BuiltFact> Facts { get; init; } = [];
}

/// <summary>A lead with what it is joined to, matched by what it does.</summary>
/// <param name="Lead">Id of the lead.</param>
/// <param name="Label">Its label as printed.</param>
/// <param name="Colour">Its usual colour; null when the leaflet does not say.</param>
/// <param name="From">The pin of its own plug in which it comes, from 1; null for none.</param>
/// <param name="Job">What it is for, in words.</param>
/// <param name="Pad">Label of the pin or pad to which it goes.</param>
/// <param name="To">The pin of the socket, from 1; null for a pad.</param>
/// <param name="At">Where it goes, as it is found on the bench.</param>
public sealed record OtherWayRow(
    string Lead,
    string Label,
    string? Colour,
    int? From,
    string Job,
    string Pad,
    int? To,
    string At
);
