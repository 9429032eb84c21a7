using System.Text.Json.Serialization;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;

namespace Gorvix.Core.Wired.Picture;

/// <summary>A point of a picture.</summary>
/// <param name="X">From its left edge, in millimetres.</param>
/// <param name="Y">From its top, in millimetres.</param>
[method: JsonConstructor]
public readonly record struct PicturePoint(double X, double Y);

/// <summary>How a text stands at its point.</summary>
public enum TextAnchor
{
    /// <summary>It begins there.</summary>
    Start,

    /// <summary>Its middle is there.</summary>
    Middle,

    /// <summary>It ends there.</summary>
    End,
}

/// <summary>A line of text; its middle line lies at Y.</summary>
/// <param name="Text">What it says.</param>
/// <param name="X">From the left edge of the picture, in millimetres.</param>
/// <param name="Y">From its top, in millimetres.</param>
/// <param name="Size">Of its letters, in millimetres.</param>
/// <param name="Anchor">How it stands at X.</param>
public sealed record PictureText(string Text, double X, double Y, double Size, TextAnchor Anchor);

/// <summary>
/// A wired build as one picture: the board in the middle, its devices beside it, every wire from lead to pad. Geometry in millimetres on paper;
/// no colours and no pixels, those belong to whoever draws it.
/// </summary>
/// <param name="Board">Id of the board.</param>
/// <param name="Width">From left to right.</param>
/// <param name="Height">From top to bottom.</param>
/// <param name="Faces">The sides of the board that are worked on.</param>
/// <param name="Devices">The devices, the left ones first, each column from the top.</param>
/// <param name="Wires">The wires, in the order of the wire list.</param>
/// <param name="Note">What is not to scale, in a sentence; null where all is.</param>
public sealed record WiringPicture(
    string Board,
    double Width,
    double Height,
    IReadOnlyList<PictureFace> Faces,
    IReadOnlyList<PictureDevice> Devices,
    IReadOnlyList<PictureWire> Wires,
    string? Note
);

/// <summary>A side of the board.</summary>
/// <param name="Side">Which.</param>
/// <param name="Title">What it is called.</param>
/// <param name="X">Of its outline's left edge.</param>
/// <param name="Y">Of its outline's upper edge.</param>
/// <param name="Width">Of its outline.</param>
/// <param name="Height">Of its outline.</param>
/// <param name="Pads">Its pads.</param>
/// <param name="Sockets">Its sockets.</param>
/// <param name="Jumpers">Its jumpers.</param>
/// <param name="Holes">Centres of its mounting holes.</param>
/// <param name="Usb">Where the USB socket is; null where no manual says it.</param>
/// <param name="Arrow">Where the arrow to the front stands, pointing up; null where no manual says where the front is.</param>
/// <param name="Turn">Quarter turns clockwise that brought the front up; null where the pads are not where they are on the board.</param>
public sealed record PictureFace(
    BoardSide Side,
    PictureText Title,
    double X,
    double Y,
    double Width,
    double Height,
    IReadOnlyList<PicturePad> Pads,
    IReadOnlyList<PictureSocket> Sockets,
    IReadOnlyList<PictureJumper> Jumpers,
    IReadOnlyList<PicturePoint> Holes,
    PictureBox? Usb,
    PicturePoint? Arrow,
    int? Turn
);

/// <summary>A rectangle of a picture.</summary>
/// <param name="X">Of its left edge.</param>
/// <param name="Y">Of its upper edge.</param>
/// <param name="Width">Its width.</param>
/// <param name="Height">Its height.</param>
public sealed record PictureBox(double X, double Y, double Width, double Height);

/// <summary>A pad.</summary>
/// <param name="Id">Its id.</param>
/// <param name="X">Of its middle.</param>
/// <param name="Y">Of its middle.</param>
/// <param name="HalfWidth">Half of its width.</param>
/// <param name="HalfHeight">Half of its height.</param>
/// <param name="IsUsed">True when a wire ends on it.</param>
/// <param name="Label">Its label; null where no wire ends on it, and where there is room for it at its wires only.</param>
public sealed record PicturePad(
    string Id,
    double X,
    double Y,
    double HalfWidth,
    double HalfHeight,
    bool IsUsed,
    PictureText? Label
);

/// <summary>A socket.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Box">Round its pins.</param>
/// <param name="Name">Its name; null where there is no room.</param>
/// <param name="First">Where pin 1 is; null where nothing leads there.</param>
public sealed record PictureSocket(string Id, PictureBox Box, PictureText? Name, PicturePoint? First);

/// <summary>A jumper.</summary>
/// <param name="Id">Its id.</param>
/// <param name="X">Of its middle.</param>
/// <param name="Y">Of its middle.</param>
/// <param name="Pads">How many pads lie in its row.</param>
/// <param name="Closed">Which gap of its row is to be closed, from 0 at the left; null for none.</param>
/// <param name="Step">The number of the step that changes it; null where it stays as it is.</param>
/// <param name="Name">Its name; null where there is no room.</param>
public sealed record PictureJumper(string Id, double X, double Y, int Pads, int? Closed, int? Step, PictureText? Name);

/// <summary>A device.</summary>
/// <param name="Id">Id within the build.</param>
/// <param name="Box">Its body.</param>
/// <param name="Edge">The side of the board that it stands at.</param>
/// <param name="IsTurned">True when its leads are drawn from the last to the first.</param>
/// <param name="Name">What the builder calls it, in as many lines as it takes.</param>
/// <param name="Leads">Its leads, from the top.</param>
public sealed record PictureDevice(
    string Id,
    PictureBox Box,
    PictureEdge Edge,
    bool IsTurned,
    IReadOnlyList<PictureText> Name,
    IReadOnlyList<PictureLead> Leads
);

/// <summary>A lead of a device, at the edge of its body.</summary>
/// <param name="Lead">Its id.</param>
/// <param name="Label">Its label.</param>
/// <param name="Colour">Its usual colour in words, or what becomes of a lead that is joined to nothing; null where there is nothing to say.</param>
/// <param name="At">Where its wire begins.</param>
/// <param name="IsSpare">True when it is joined to nothing.</param>
public sealed record PictureLead(string Lead, PictureText Label, PictureText? Colour, PicturePoint At, bool IsSpare);

/// <summary>Which way signals run in a wire.</summary>
public enum WireFlow
{
    /// <summary>None: a supply or ground.</summary>
    None,

    /// <summary>To the board.</summary>
    ToBoard,

    /// <summary>To the device.</summary>
    ToDevice,

    /// <summary>Both, in turn.</summary>
    Both,
}

/// <summary>A wire that another is twisted with.</summary>
/// <param name="Wire">Its id.</param>
/// <param name="At">Where that is shown, on the other.</param>
/// <param name="Colours">The colours of its lead, as words; none where no manual says it.</param>
public sealed record PictureTwist(string Wire, PicturePoint At, IReadOnlyList<string> Colours);

/// <summary>A wire.</summary>
/// <param name="Id">As in the wire list.</param>
/// <param name="Device">Id within the build of its device.</param>
/// <param name="Lead">Id of its lead.</param>
/// <param name="Pad">Id of its pad; null for a lead of another device.</param>
/// <param name="Link">Id of the link that it serves; null for supply and ground.</param>
/// <param name="Role">What its lead is.</param>
/// <param name="Colours">The colours of its lead, as words; none where no manual says it.</param>
/// <param name="Points">From the lead to its other end; each stretch runs level or upright.</param>
/// <param name="Tags">Its number, as in the steps, at both ends.</param>
/// <param name="Flow">Which way signals run.</param>
/// <param name="FlowAt">Where that is shown.</param>
/// <param name="Inverted">Where it is shown that the line idles low; null where it does not.</param>
/// <param name="Twist">What it is twisted with; null for nothing.</param>
/// <param name="Step">The number of the step that joins it, from 1; null where none does.</param>
/// <param name="IsDone">True when that is done.</param>
/// <param name="Words">All of it in a line: from, to, what for, colour, gauge, length, volts, what it is twisted with, the step.</param>
public sealed record PictureWire(
    string Id,
    string Device,
    string Lead,
    string? Pad,
    string? Link,
    LeadRole Role,
    IReadOnlyList<string> Colours,
    IReadOnlyList<PicturePoint> Points,
    IReadOnlyList<PictureText> Tags,
    WireFlow Flow,
    PicturePoint FlowAt,
    PicturePoint? Inverted,
    PictureTwist? Twist,
    int? Step,
    bool IsDone,
    string Words
);
