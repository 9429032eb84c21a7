using System.Globalization;
using System.Xml.Linq;

namespace Gorvix.Core.Work.Papers;

/// <summary>An SVG drawing that needs nothing but itself: black on white, no scripts, no fonts of its own. Millimetres.</summary>
internal sealed class Drawing
{
    private static readonly XNamespace Svg = "http://www.w3.org/2000/svg";
    private readonly XElement _root;

    /// <summary>An empty drawing.</summary>
    /// <param name="width">Its width.</param>
    /// <param name="height">Its height.</param>
    /// <param name="title">What it shows.</param>
    public Drawing(double width, double height, string title) =>
        _root = new XElement(
            Svg + "svg",
            new XAttribute("width", $"{Of(width)}mm"),
            new XAttribute("height", $"{Of(height)}mm"),
            new XAttribute("viewBox", $"0 0 {Of(width)} {Of(height)}"),
            new XAttribute("font-family", "sans-serif"),
            new XElement(Svg + "title", Clean(title)),
            new XElement(
                Svg + "rect",
                new XAttribute("width", Of(width)),
                new XAttribute("height", Of(height)),
                new XAttribute("fill", "#fff")
            )
        );

    /// <summary>A rectangle.</summary>
    public void Box(
        double x,
        double y,
        double width,
        double height,
        string fill = "none",
        (string Name, string Value)? data = null,
        string stroke = "#000",
        double thick = 0.15
    ) =>
        _root.Add(
            new XElement(
                Svg + "rect",
                new XAttribute("x", Of(x)),
                new XAttribute("y", Of(y + _down)),
                new XAttribute("width", Of(width)),
                new XAttribute("height", Of(height)),
                new XAttribute("fill", fill),
                new XAttribute("stroke", stroke),
                new XAttribute("stroke-width", Of(thick)),
                data is { } d ? new XAttribute($"data-{d.Name}", Clean(d.Value)) : null
            )
        );

    /// <summary>A line of text.</summary>
    public void Text(
        double x,
        double y,
        double size,
        string text,
        string anchor = "start",
        bool bold = false,
        string fill = "#000",
        bool isMiddle = false,
        bool turned = false
    ) =>
        _root.Add(
            new XElement(
                Svg + "text",
                new XAttribute("x", Of(x)),
                new XAttribute("y", Of(y + _down + (isMiddle ? size * 0.36 : 0))),
                turned ? new XAttribute("transform", $"rotate(-90 {Of(x)} {Of(y + _down)})") : null,
                isMiddle ? new XAttribute("font-family", "monospace") : null,
                new XAttribute("font-size", Of(size)),
                new XAttribute("text-anchor", anchor),
                bold ? new XAttribute("font-weight", "700") : null,
                new XAttribute("fill", fill),
                Clean(text)
            )
        );

    /// <summary>Filled shapes.</summary>
    public void Path(string data) =>
        _root.Add(new XElement(Svg + "path", new XAttribute("d", data), Shift, new XAttribute("fill", "#000")));

    /// <summary>A line.</summary>
    public void Line(
        string data,
        string stroke,
        double thick,
        string? dashes = null,
        (string Name, string Value)? told = null
    ) =>
        _root.Add(
            new XElement(
                Svg + "path",
                new XAttribute("d", data),
                Shift,
                new XAttribute("fill", "none"),
                new XAttribute("stroke", stroke),
                new XAttribute("stroke-width", Of(thick)),
                dashes is null ? null : new XAttribute("stroke-dasharray", dashes),
                told is { } d ? new XAttribute($"data-{d.Name}", Clean(d.Value)) : null
            )
        );

    /// <summary>A circle.</summary>
    public void Circle(double x, double y, double radius, string stroke) =>
        _root.Add(
            new XElement(
                Svg + "circle",
                new XAttribute("cx", Of(x)),
                new XAttribute("cy", Of(y + _down)),
                new XAttribute("r", Of(radius)),
                new XAttribute("fill", "none"),
                new XAttribute("stroke", stroke),
                new XAttribute("stroke-width", "0.2")
            )
        );

    /// <summary>What comes from here on is drawn lower.</summary>
    public void Down(double by) => _down += by;

    private double _down;

    private XAttribute? Shift => _down == 0 ? null : new XAttribute("transform", $"translate(0 {Of(_down)})");

    /// <summary>A number as it stands in a drawing.</summary>
    public static string Of(double value) => Math.Round(value, 3).ToString(CultureInfo.InvariantCulture);

    /// <inheritdoc/>
    public override string ToString() => _root.ToString(SaveOptions.DisableFormatting);

    // XML knows no control characters.
    private static string Clean(string text) =>
        string.Concat(text.Where(c => !char.IsControl(c) && !char.IsSurrogate(c)));
}
