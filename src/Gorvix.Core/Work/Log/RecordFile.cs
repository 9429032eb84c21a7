namespace Gorvix.Core.Work.Log;

/// <summary>What the archive of a record begins with.</summary>
public sealed record RecordManifest
{
    /// <summary>The name of the format.</summary>
    public const string FormatName = "gorvix-record";

    /// <summary>The newest version of it.</summary>
    public const int Newest = 1;

    /// <summary>Always <see cref="FormatName"/>.</summary>
    public required string Format { get; init; }

    /// <summary>The version of the format.</summary>
    public required int Version { get; init; }

    /// <summary>The name of the build, for people.</summary>
    public required string Name { get; init; }
}

/// <summary>A build as it was after one change.</summary>
public sealed record ArchivedMoment
{
    /// <summary>The version of the build.</summary>
    public required int Version { get; init; }

    /// <summary>When, UTC.</summary>
    public required DateTime At { get; init; }

    /// <summary>Who, as typed.</summary>
    public string Who { get; init; } = "";

    /// <summary>What led there.</summary>
    public required string Words { get; init; }

    /// <summary>The format version of the document.</summary>
    public required int Format { get; init; }

    /// <summary>The build, as JSON on one line.</summary>
    public required string Document { get; init; }
}

/// <summary>A text of settings; what it says is a file of its own.</summary>
public sealed record ArchivedText
{
    /// <summary>The file in the archive.</summary>
    public required string File { get; init; }

    /// <summary>What it is: everything, difference, readBack.</summary>
    public required string Kind { get; init; }

    /// <summary>When it was kept, UTC.</summary>
    public required DateTime At { get; init; }

    /// <summary>Who kept it, as typed.</summary>
    public string Who { get; init; } = "";

    /// <summary>What there is to say of it.</summary>
    public string Words { get; init; } = "";
}

/// <summary>A photo; the picture is a file of its own.</summary>
public sealed record ArchivedPhoto
{
    /// <summary>The file in the archive.</summary>
    public required string File { get; init; }

    /// <summary>When it was kept, UTC.</summary>
    public required DateTime At { get; init; }

    /// <summary>Who kept it, as typed.</summary>
    public string Who { get; init; } = "";

    /// <summary>What there is to say of it.</summary>
    public string Words { get; init; } = "";

    /// <summary>What it is tied to.</summary>
    public TiedTo Tied { get; init; }

    /// <summary>The id of that; null for the build as a whole.</summary>
    public string? TiedId { get; init; }
}
