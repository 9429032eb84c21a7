using System.Xml.Linq;

namespace Gorvix.Core.Work.Papers;

/// <summary>A page of HTML that stands by itself: no script, no file beside it, black on white, ready to be printed.</summary>
internal sealed class Page
{
    private const string Style = """
        @page { margin: 14mm; }
        body { max-width: 190mm; margin: 8mm auto; font: 10.5pt/1.4 "Source Sans 3", "Segoe UI", Roboto, sans-serif; color: #000; background: #fff; }
        h1 { font-size: 20pt; margin: 0; } h2 { font-size: 13pt; margin: 7mm 0 1mm; border-bottom: 1px solid #000; break-after: avoid; }
        h3 { font-size: 11pt; margin: 4mm 0 0; break-after: avoid; } p { margin: 1mm 0; }
        table { width: 100%; border-collapse: collapse; } th, td { padding: 0.8mm 1.5mm; border-bottom: 1px solid #bbb; text-align: left; vertical-align: top; }
        th { border-bottom-color: #000; } tr, figure { break-inside: avoid; } thead { display: table-header-group; }
        .quiet { color: #444; } .box { white-space: nowrap; } .line { display: inline-block; min-width: 24mm; border-bottom: 1px solid #000; }
        .mind { padding-left: 3mm; border-left: 1mm solid #000; } figure { margin: 3mm 0; } img, svg { max-width: 100%; height: auto; }
        .photos { display: grid; grid-template-columns: 1fr 1fr; gap: 4mm; }
        """;

    private readonly XElement _body = new("body");
    private readonly string _title;
    private readonly string? _nonce;

    /// <summary>Begins a page.</summary>
    /// <param name="title">Its title.</param>
    /// <param name="nonce">What lets its style in where a page is served under a strict content policy; null for a file.</param>
    public Page(string title, string? nonce)
    {
        (_title, _nonce) = (title, nonce);
        Add("h1", title);
    }

    /// <summary>Adds an element with a text.</summary>
    public void Add(string tag, string text, string? kind = null) =>
        _body.Add(new XElement(tag, kind is null ? null : new XAttribute("class", kind), Clean(text)));

    /// <summary>Adds a drawing of this program.</summary>
    public void Draw(string svg) => _body.Add(new XElement("figure", XElement.Parse(svg)));

    /// <summary>Adds a table; nothing where it has no rows.</summary>
    public void Table(IReadOnlyList<string> heads, IEnumerable<IReadOnlyList<string>> rows)
    {
        var list = rows.ToList();
        if (list.Count == 0)
        {
            return;
        }
        _body.Add(
            new XElement(
                "table",
                new XElement("thead", new XElement("tr", heads.Select(h => new XElement("th", h)))),
                new XElement("tbody", list.Select(r => new XElement("tr", r.Select(c => new XElement("td", Cell(c))))))
            )
        );
    }

    /// <summary>A cell that is filled in by hand.</summary>
    public const string Blank = "\u0001";

    /// <summary>Adds photos, two in a row.</summary>
    public void Photos(IEnumerable<(string Words, byte[] Jpeg)> photos) =>
        _body.Add(
            new XElement(
                "div",
                new XAttribute("class", "photos"),
                photos.Select(p => new XElement(
                    "figure",
                    new XElement(
                        "img",
                        new XAttribute("src", $"data:image/jpeg;base64,{Convert.ToBase64String(p.Jpeg)}"),
                        new XAttribute("alt", Clean(p.Words))
                    ),
                    new XElement("figcaption", Clean(p.Words))
                ))
            )
        );

    /// <summary>The page.</summary>
    public override string ToString()
    {
        var style = new XElement("style", _nonce is null ? null : new XAttribute("nonce", _nonce), Style);
        var html = new XElement(
            "html",
            new XAttribute("lang", "en"),
            new XElement(
                "head",
                new XElement("meta", new XAttribute("charset", "utf-8")),
                new XElement(
                    "meta",
                    new XAttribute("name", "viewport"),
                    new XAttribute("content", Sentences.WidthDeviceWidthInitialScale)
                ),
                // No picture in the tab, so that none is asked for.
                new XElement("link", new XAttribute("rel", "icon"), new XAttribute("href", "data:,")),
                new XElement("title", Clean(_title)),
                style
            ),
            _body
        );
        // The style holds neither < nor &, so that it is the same as HTML and as XML; an element without content keeps its end tag.
        foreach (
            var empty in html.Descendants()
                .Where(e => e.IsEmpty && e.Name.LocalName is not ("meta" or "img" or "link"))
                .ToList()
        )
        {
            if (empty.Name.NamespaceName.Length == 0)
            {
                empty.Value = "";
            }
        }
        return Sentences.DoctypeHtml(html.ToString(SaveOptions.DisableFormatting));
    }

    private static object Cell(string text) =>
        text == Blank ? new XElement("span", new XAttribute("class", "line"), "\u00a0") : Clean(text);

    // What XML cannot hold is no text of a builder.
    private static string Clean(string text) =>
        string.Concat(text.Where(c => System.Xml.XmlConvert.IsXmlChar(c) || char.IsSurrogate(c)));
}
