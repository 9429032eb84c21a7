using Gorvix.Core.Files.Formats;
using Gorvix.Core.Hardware.Findings;

namespace Gorvix.Storage;

/// <summary>Something that was asked for and is not done, with a sentence that says why and what to do. Nothing was changed.</summary>
/// <param name="status">The status of an answer that tells it (RFC 9110).</param>
/// <param name="sentence">What happened and what to do.</param>
/// <param name="cause">What was met; null where there is nothing more to it.</param>
public abstract class RefusedException(int status, string sentence, Exception? cause = null)
    : Exception(sentence, cause)
{
    /// <summary>The status of an answer that tells it.</summary>
    public int Status { get; } = status;
}

/// <summary>There is nothing of that name or number.</summary>
/// <param name="sentence">What is not there, and where to look.</param>
public sealed class NotFoundException(string sentence) : RefusedException(404, sentence)
{
    /// <summary>No build of an id.</summary>
    public static NotFoundException Build(string id) =>
        new($"No build \"{id}\". It may have been deleted; look for its name under Builds.");

    /// <summary>No part of an id.</summary>
    public static NotFoundException Part(PartKind kind, string id) =>
        new($"No {PartKindWords.Of(kind)} \"{id}\" in the library. It may have been deleted; search the parts list.");

    /// <summary>No kept text of a number.</summary>
    public static NotFoundException Text(int number) =>
        new($"No dump {number} for this build. It may have been deleted; reload the page.");

    /// <summary>No entry of the log.</summary>
    /// <param name="what">What it would be: "note 3".</param>
    public static NotFoundException Entry(string what) =>
        new($"No {what} in this build's log. It may have been deleted; reload the page.");

    /// <summary>No drill, or no session.</summary>
    /// <param name="what">Which of the two.</param>
    public static NotFoundException Drill(string what) =>
        new($"This {what} does not exist; it may have been deleted. Start another.");
}

/// <summary>Somebody else was first.</summary>
/// <param name="sentence">What happened, and what to do.</param>
public sealed class ConflictException(string sentence) : RefusedException(409, sentence)
{
    /// <summary>A build was written by another.</summary>
    public static ConflictException Build() =>
        new("This build was changed in another tab or window. Nothing was overwritten. Reload to continue.");

    /// <summary>A part was written by another.</summary>
    public static ConflictException Part() =>
        new(
            "This part was changed in another tab or window. Nothing was overwritten and your edits are still here. "
                + "Check the other version, then overwrite it or save yours as another revision."
        );

    /// <summary>A part of this id is there already.</summary>
    public static ConflictException PartThere(string id) =>
        new($"\"{id}\" is already in the library. Use another name or revision, or edit the existing part.");

    /// <summary>A drill was gone on with by another.</summary>
    public static ConflictException Drill() =>
        new("This drill was continued in another window. Reload it; nothing is lost.");

    /// <summary>A search for a fault was gone on with by another.</summary>
    public static ConflictException Search() =>
        new("This fault search was continued in another window. Reload it; nothing is lost.");
}

/// <summary>What was sent cannot be kept: too much, too long, damaged, or of no sense.</summary>
/// <param name="sentence">What is wrong, and how to mend it.</param>
public sealed class UnfitException(string sentence) : RefusedException(422, sentence)
{
    /// <summary>What was found, each with its place.</summary>
    /// <param name="findings">At least one.</param>
    public UnfitException(IReadOnlyList<Finding> findings)
        : this(findings[0].Sentence) => Findings = findings;

    /// <summary>What was found, each with its place; null where there is nothing more to it than the sentence.</summary>
    public IReadOnlyList<Finding>? Findings { get; }
}

/// <summary>A stored document cannot be read: its format version is not known, or it is damaged. It is left as it is.</summary>
public sealed class UnreadableException : RefusedException
{
    /// <summary>A format version that this program does not know.</summary>
    /// <param name="what">What it is, such as "The build \"x\"".</param>
    /// <param name="format">Its version.</param>
    public UnreadableException(string what, int format)
        : base(
            422,
            $"{what} is stored in format {format}; this Gorvix reads formats 1 to {FormatMigrations.Newest}. "
                + "Nothing was changed. Update this Gorvix, or use the one that wrote it."
        ) { }

    /// <summary>A damaged document.</summary>
    /// <param name="what">What it is, such as "The build \"x\"".</param>
    /// <param name="problem">What was met; null where a part of it is missing.</param>
    public UnreadableException(string what, Exception? problem)
        : base(
            422,
            $"{what}: the stored data is damaged. Nothing was changed. Export it as stored, restore a backup, or delete it.",
            problem
        ) { }
}
