using Gorvix.Core.Findings;

namespace Gorvix.Core.Formats;

/// <summary>Why a file cannot be read.</summary>
public static class FileRules
{
    /// <summary>Too large.</summary>
    public static readonly Rule Size = new(
        "FILE-SIZE",
        "A file is too large",
        "The file has {size}; {most} is the most. Export the builds one by one.",
        "A build with all its parts is a few dozen kilobytes; a larger file is not what it says it is.",
        SourceNote.Own
    );

    /// <summary>Not JSON, or not of this shape.</summary>
    public static readonly Rule Shape = new(
        "FILE-SHAPE",
        "A file is not in the Gorvix format",
        "The file cannot be read at {place}: {problem}",
        "A file is taken whole or not at all, so nothing is half stored.",
        SourceNote.Own
    )
    {
        Mend = "Mend that place in a text editor, or export the file again.",
    };

    /// <summary>From a newer version.</summary>
    public static readonly Rule Version = new(
        "FILE-VERSION",
        "A file comes from a newer Gorvix",
        "The file has format version {version}; this Gorvix reads up to version {newest}. Update Gorvix, or export again from the older one.",
        "A newer file may say things that this version would silently leave out.",
        SourceNote.Own
    );

    /// <summary>More builds than are planned in one go.</summary>
    public static readonly Rule Builds = new(
        "FILE-BUILDS",
        "A file has too many builds",
        "The file has {builds} builds; {most} is the most. Split it, or export the builds one by one.",
        "Each build is planned before anything of the file is stored.",
        SourceNote.Own
    );

    /// <summary>No build in it.</summary>
    public static readonly Rule NoBuild = new(
        "FILE-NO-BUILD",
        "A file has no build",
        "The file has {builds} builds under \"builds\"; an import takes exactly one, with the parts that it uses.",
        "One file, one build: so that export and import are each other's mirror.",
        SourceNote.Own
    )
    {
        Mend = "Export one build from Gorvix, or leave one under \"builds\".",
    };

    /// <summary>A part that differs from the library's.</summary>
    public static readonly Rule PartDiffers = new(
        "PART-DIFFERS",
        "The library has another part with this id",
        "{place}: the library already has a {kind} \"{id}\" that says something else. "
            + "Give the one in the file an id of its own (and name that in the build).",
        "Other builds use the library's part; taking over the file's would change them behind the builder's back.",
        SourceNote.Own
    );

    /// <summary>All rules of this floor.</summary>
    public static readonly IReadOnlyList<Rule> All = [Size, Shape, Version, Builds, NoBuild, PartDiffers];
}
