namespace Gorvix.Core.Hardware.Findings;

/// <summary>What kind of thing a finding is about.</summary>
public enum SubjectKind
{
    /// <summary>A place in a file or a request, such as <c>boards[0].pads[3]</c>.</summary>
    Place,

    /// <summary>The build as a whole.</summary>
    Build,

    /// <summary>A link, by its id.</summary>
    Link,

    /// <summary>A device of the build, by its id there.</summary>
    Device,

    /// <summary>A lead; <see cref="Subject.Owner"/> is its device.</summary>
    Lead,

    /// <summary>A port of the board.</summary>
    Port,

    /// <summary>A pad of the board, by its id.</summary>
    Pad,

    /// <summary>A socket of the board, by its id; <see cref="Subject.Owner"/> is the device whose plug it concerns, if any.</summary>
    Socket,

    /// <summary>A bridge of the board.</summary>
    Bridge,
}

/// <summary>What a finding is about, as data: whoever shows it can light it up.</summary>
/// <param name="Kind">What kind of thing it is.</param>
/// <param name="Id">Its id.</param>
/// <param name="Owner">Id of the device that it belongs to, or null.</param>
public sealed record Subject(SubjectKind Kind, string Id, string? Owner = null)
{
    /// <summary>The build as a whole.</summary>
    public static readonly Subject Build = new(SubjectKind.Build, "build");

    /// <summary>A place in a file or a request.</summary>
    public static Subject Place(string place) => new(SubjectKind.Place, place);

    /// <summary>A link.</summary>
    public static Subject Link(string id) => new(SubjectKind.Link, id);

    /// <summary>A device of the build.</summary>
    public static Subject Device(string id) => new(SubjectKind.Device, id);

    /// <summary>A lead of a device of the build.</summary>
    public static Subject Lead(LeadAt at) => new(SubjectKind.Lead, at.Lead, at.Device);

    /// <summary>A port.</summary>
    public static Subject Port(string id) => new(SubjectKind.Port, id);

    /// <summary>A pad.</summary>
    public static Subject Pad(string id) => new(SubjectKind.Pad, id);

    /// <summary>A socket, with the device whose plug it concerns.</summary>
    public static Subject Socket(string id, string? device = null) => new(SubjectKind.Socket, id, device);

    /// <summary>A bridge.</summary>
    public static Subject Bridge(string id) => new(SubjectKind.Bridge, id);
}
