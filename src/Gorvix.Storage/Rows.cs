using Gorvix.Core.Files.Formats;

namespace Gorvix.Storage;

/// <summary>The kind of a part in the library.</summary>
public enum PartKind
{
    /// <summary>A board.</summary>
    Board,

    /// <summary>A device.</summary>
    Device,

    /// <summary>A firmware profile.</summary>
    Profile,
}

/// <summary>Types of part in a sentence.</summary>
internal static class PartKindWords
{
    /// <summary>"board", "device", "firmware profile".</summary>
    public static string Of(PartKind kind) =>
        kind switch
        {
            PartKind.Board => "board",
            PartKind.Device => "device",
            _ => Sentences.FirmwareProfile,
        };
}

/// <summary>A part of the library. The document is the truth; what it said before stands in its steps.</summary>
public sealed class PartRow
{
    /// <summary>Board, device or profile.</summary>
    public required PartKind Kind { get; init; }

    /// <summary>Id, unique within its kind.</summary>
    public required string Id { get; init; }

    /// <summary>The part in the product's own format, on one line.</summary>
    public required string Document { get; set; }

    /// <summary>The format version of the document.</summary>
    public int Format { get; set; } = FormatMigrations.Newest;

    /// <summary>Grows by one with every change; a writer must know the newest.</summary>
    public int Version { get; set; } = 1;

    /// <summary>When it was laid aside, UTC; null while it can be chosen for a build.</summary>
    public DateTime? ArchivedAt { get; set; }
}

/// <summary>One state of a part. A part without steps is as it came.</summary>
public sealed class PartStepRow
{
    /// <summary>Board, device or profile.</summary>
    public required PartKind Kind { get; init; }

    /// <summary>The part.</summary>
    public required string PartId { get; init; }

    /// <summary>The version in which it was so.</summary>
    public required int Version { get; init; }

    /// <summary>What led here, in words.</summary>
    public required string Words { get; init; }

    /// <summary>When, UTC; null where it is not known.</summary>
    public DateTime? At { get; init; }

    /// <summary>The part in the product's own format, on one line.</summary>
    public required string Document { get; init; }

    /// <summary>The format version of the document.</summary>
    public int Format { get; init; } = FormatMigrations.Newest;
}

/// <summary>A build. What it says stands in its newest state.</summary>
public sealed class BuildRow
{
    /// <summary>Id in addresses, made from the name.</summary>
    public required string Id { get; init; }

    /// <summary>Grows by one with every write; a writer must know the newest.</summary>
    public required int Version { get; set; }

    /// <summary>Place of the state in force.</summary>
    public required int Cursor { get; set; }

    /// <summary>When it was last written, UTC.</summary>
    public required DateTime ChangedAt { get; set; }

    /// <summary>When it was laid aside, UTC; null while it stands in front.</summary>
    public DateTime? ArchivedAt { get; set; }

    /// <summary>When it was taken off the shelf, UTC; null while it is there.</summary>
    public DateTime? RemovedAt { get; set; }
}

/// <summary>The card of a build on the shelf as it was last made: shown at once, and made anew behind where it is not of the newest version.</summary>
public sealed class CardRow
{
    /// <summary>The build.</summary>
    public required string BuildId { get; init; }

    /// <summary>The version of the build that it tells of.</summary>
    public required int Version { get; init; }

    /// <summary>The program that made it; another one may judge otherwise.</summary>
    public required string Program { get; init; }

    /// <summary>The card as it is sent.</summary>
    public required string Json { get; init; }
}

/// <summary>What a text of a build is.</summary>
public enum TextKind
{
    /// <summary>Everything that the board was set to, before a change.</summary>
    Everything,

    /// <summary>What differed from how it left the factory, before a change.</summary>
    Difference,

    /// <summary>What the board printed after a change.</summary>
    ReadBack,
}

/// <summary>A text that was kept for a build. It is never changed.</summary>
public sealed class TextRow
{
    /// <summary>Its number.</summary>
    public int Number { get; init; }

    /// <summary>The build.</summary>
    public required string BuildId { get; init; }

    /// <summary>What it is.</summary>
    public required TextKind Kind { get; init; }

    /// <summary>When it was kept, UTC.</summary>
    public required DateTime At { get; init; }

    /// <summary>What there is to say of it: the firmware's version, what a comparison came to.</summary>
    public required string Words { get; init; }

    /// <summary>Who kept it, as typed; empty where nobody said.</summary>
    public string Who { get; init; } = "";

    /// <summary>The text as it was.</summary>
    public required string Text { get; init; }
}

/// <summary>
/// A build as it was in one of its versions: what the log tells, and, for those that undo and redo still reach, a place in their row. The newest
/// version has the place that <see cref="BuildRow.Cursor"/> names.
/// </summary>
public sealed class StateRow
{
    /// <summary>The build.</summary>
    public required string BuildId { get; init; }

    /// <summary>Its version then; below zero for a state that only undo or redo still reaches, from before versions were kept.</summary>
    public required int Version { get; init; }

    /// <summary>When, UTC.</summary>
    public required DateTime At { get; init; }

    /// <summary>Who, as typed; empty where nobody said.</summary>
    public required string Who { get; init; }

    /// <summary>What led here, in words.</summary>
    public required string Words { get; init; }

    /// <summary>Its place in the row that undo and redo walk along, from 0; null where they no longer reach it.</summary>
    public int? Place { get; set; }

    /// <summary>What undo would take back there, in words; null where it has no place.</summary>
    public string? Step { get; set; }

    /// <summary>The build in the product's own format, on one line.</summary>
    public required string Document { get; init; }

    /// <summary>The format version of the document.</summary>
    public int Format { get; init; } = FormatMigrations.Newest;
}
