using Gorvix.Core.Hardware.Findings;

namespace Gorvix.Core.Files.Formats;

/// <summary>Why a file cannot be read.</summary>
public static class FileRules
{
    /// <summary>Too large.</summary>
    public static readonly Rule Size = new(
        "FILE-SIZE",
        "File too large",
        "The file is {size}; the limit is {most}. Export the builds one by one.",
        "A build with all its parts is a few dozen kilobytes; a file this large is not a build.",
        SourceNote.Own
    );

    /// <summary>Not JSON, or not of this shape.</summary>
    public static readonly Rule Shape = new(
        "FILE-SHAPE",
        "File not in the Gorvix format",
        "The file cannot be read at {place}: {problem}",
        "A file is imported completely or not at all.",
        SourceNote.Own
    )
    {
        Mend = "Fix it in a text editor, or export the file again.",
    };

    /// <summary>From a newer version.</summary>
    public static readonly Rule Version = new(
        "FILE-VERSION",
        "File from a newer Gorvix",
        "The file is format version {version}; this Gorvix reads up to version {newest}. Update Gorvix, or export again from the older one.",
        "A newer file may hold data that this version would silently drop.",
        SourceNote.Own
    );

    /// <summary>More builds than are planned in one go.</summary>
    public static readonly Rule Builds = new(
        "FILE-BUILDS",
        "Too many builds in the file",
        "The file has {builds} builds; the limit is {most}. Split it, or export the builds one by one.",
        "Every build is planned before anything in the file is stored.",
        SourceNote.Own
    );

    /// <summary>No build in it.</summary>
    public static readonly Rule NoBuild = new(
        "FILE-NO-BUILD",
        "File without exactly one build",
        "The file has {builds} builds under \"builds\"; an import needs exactly one, with the parts it uses.",
        "One file, one build: import is the reverse of export.",
        SourceNote.Own
    )
    {
        Mend = "Export one build from Gorvix, or keep only one under \"builds\".",
    };

    /// <summary>A part that differs from the library's.</summary>
    public static readonly Rule PartDiffers = new(
        "PART-DIFFERS",
        "Different part with this id in the library",
        "{place}: the library already has a different {kind} \"{id}\". "
            + "Give the one in the file a different id, and use that id in the build.",
        "Other builds use the library's part; replacing it would change them unnoticed.",
        SourceNote.Own
    );

    /// <summary>All rules of this floor.</summary>
    public static readonly IReadOnlyList<Rule> All = [Size, Shape, Version, Builds, NoBuild, PartDiffers];
}
