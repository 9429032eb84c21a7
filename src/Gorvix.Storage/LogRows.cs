using Gorvix.Core.Work.Bench;
using Gorvix.Core.Work.Log;

namespace Gorvix.Storage;

/// <summary>A reading. What was read is never changed; it can be struck out.</summary>
public sealed class ReadingRow
{
    /// <summary>Its number.</summary>
    public int Number { get; init; }

    /// <summary>The build.</summary>
    public required string BuildId { get; init; }

    /// <summary>The key that its sender made; unique within the build.</summary>
    public required string Key { get; init; }

    /// <summary>Id of the check.</summary>
    public required string Check { get; init; }

    /// <summary>When it was taken, UTC.</summary>
    public required DateTime At { get; init; }

    /// <summary>What it came to.</summary>
    public required Mark Mark { get; init; }

    /// <summary>When it was struck out, UTC; null while it stands.</summary>
    public DateTime? StruckAt { get; set; }

    /// <summary>The reading, as JSON.</summary>
    public required string Document { get; init; }
}

/// <summary>A line that somebody wrote, flights, something that was done.</summary>
public sealed class NoteRow
{
    /// <summary>Its number.</summary>
    public int Number { get; init; }

    /// <summary>The build.</summary>
    public required string BuildId { get; init; }

    /// <summary>What it is.</summary>
    public required NoteKind Kind { get; init; }

    /// <summary>When, UTC.</summary>
    public required DateTime At { get; init; }

    /// <summary>The note, as JSON.</summary>
    public required string Document { get; init; }
}

/// <summary>A photo, as it was written by this program: JPEG without anything but the picture.</summary>
public sealed class PhotoRow
{
    /// <summary>Its number.</summary>
    public int Number { get; init; }

    /// <summary>The build.</summary>
    public required string BuildId { get; init; }

    /// <summary>When it was kept, UTC.</summary>
    public required DateTime At { get; init; }

    /// <summary>Who, as typed; empty where nobody said.</summary>
    public required string Who { get; init; }

    /// <summary>What there is to say of it.</summary>
    public required string Words { get; init; }

    /// <summary>What it is tied to.</summary>
    public required TiedTo Tied { get; init; }

    /// <summary>The id of that; null for the build as a whole.</summary>
    public string? TiedId { get; init; }

    /// <summary>Its width, in points.</summary>
    public required int Width { get; init; }

    /// <summary>Its height, in points.</summary>
    public required int Height { get; init; }

    /// <summary>The picture.</summary>
    public required byte[] Picture { get; init; }

    /// <summary>The picture, small.</summary>
    public required byte[] Small { get; init; }
}

/// <summary>Something that is done again and again.</summary>
public sealed class IntervalRow
{
    /// <summary>The build.</summary>
    public required string BuildId { get; init; }

    /// <summary>Its id within the build.</summary>
    public required string Id { get; init; }

    /// <summary>Its place among the build's, from 0.</summary>
    public required int Place { get; set; }

    /// <summary>What is done.</summary>
    public required string Words { get; set; }

    /// <summary>After how many days; null where they do not count.</summary>
    public int? Days { get; set; }

    /// <summary>After how many flights; null where they do not count.</summary>
    public int? Flights { get; set; }
}
