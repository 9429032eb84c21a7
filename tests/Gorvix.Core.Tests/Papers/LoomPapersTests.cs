using System.Globalization;
using System.Text;
using System.Xml.Linq;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Wired.Fit;
using Gorvix.Core.Wired.Leaflets;
using Gorvix.Core.Wired.Loom;
using Gorvix.Core.Wired.Picture;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Work.Papers;
using Markdig;
using Markdig.Extensions.Tables;
using Markdig.Extensions.TaskLists;
using Markdig.Syntax;
using Markdig.Syntax.Inlines;
using ZXing;
using ZXing.Common;

namespace Gorvix.Core.Tests.Papers;

/// <summary>What is printed and kept, read back by programs that are not ours: Markdig (CommonMark), ZXing (ISO/IEC 18004), the framework's XML.</summary>
public class LoomPapersTests
{
    public static TheoryData<string> Names => [.. Demo.Builds.Select(b => b.Name)];

    private static (WiredBuild Wired, LoomSheet Sheet) Loom(string name)
    {
        var wired = new FitReader(Resolved(Demo.Builds.First(b => b.Name == name), Demo.Library)).Wired;
        return (wired, LoomReader.Of(wired));
    }

    [Theory]
    [MemberData(nameof(Names))]
    public void The_code_on_the_card_gives_back_the_wire_list(string name)
    {
        var (_, sheet) = Loom(name);
        var text = LoomCard.Text(name, "a board", sheet);
        Assert.Equal(text, Read(LoomCard.Draw(name, "a board", sheet)));
        Assert.InRange(Encoding.UTF8.GetByteCount(text), 1, LoomCard.MostBytes);
        Assert.All(
            sheet.Wires.Where(w => w.Link is not null),
            w => Assert.Contains($"{w.Label}>", text, StringComparison.Ordinal)
        );
    }

    [Fact]
    public void What_is_too_much_for_the_card_leaves_out_supplies_first_and_says_so()
    {
        var (_, sheet) = Loom("Rim Walk Rook");
        var longer = sheet with
        {
            Wires = [.. sheet.Wires.Select(w => w with { AtShort = w.AtShort + new string('x', 40) })],
        };
        var text = LoomCard.Text("Rook", "a board", longer);
        Assert.Contains("Supplies and grounds not listed.", text, StringComparison.Ordinal);
        Assert.DoesNotContain(" GND>", text, StringComparison.Ordinal);
        var longest = sheet with
        {
            Wires = [.. sheet.Wires.Select(w => w with { AtShort = w.AtShort + new string('x', 400) })],
        };
        Assert.EndsWith("see the wire list.", LoomCard.Text("Rook", "a board", longest), StringComparison.Ordinal);
        Assert.Equal(LoomCard.Text("Rook", "a board", longest), Read(LoomCard.Draw("Rook", "a board", longest)));
    }

    [Theory]
    [MemberData(nameof(Names))]
    public void The_drawing_needs_nothing_but_itself_and_says_every_label(string name)
    {
        var (wired, sheet) = Loom(name);
        var drawing = XDocument.Parse(Drawn(name, wired, sheet));
        var words = drawing.Descendants().Where(e => e.Name.LocalName == "text").Select(e => e.Value).ToList();
        Assert.All(sheet.Wires, w => Assert.Contains(words, t => t.StartsWith(w.Label, StringComparison.Ordinal)));
        var changed = drawing.Descendants().Select(e => e.Attribute("data-closed")?.Value).OfType<string>();
        // Jumpers whose place no manual says are in no drawing.
        Assert.Equal(
            FaceReader
                .Of(wired.Build.Board)
                .Bridges.Select(b => b.Id)
                .Where(b => wired.Bridges.Any(s => s.Bridge.Id == b && s.IsWork))
                .Order(),
            sheet.Steps.Select(s => s.Bridge).OfType<string>().Intersect(changed).Order()
        );
        // Nothing is fetched by whoever opens it.
        Assert.DoesNotContain(drawing.Descendants(), e => e.Name.LocalName is "script" or "image" or "use" or "style");
        Assert.DoesNotContain(drawing.Descendants().Attributes(), a => a.Name.LocalName is "href" or "src");
    }

    private static string Drawn(string name, WiredBuild wired, LoomSheet sheet) =>
        PictureDrawing.Draw(name, wired.Build.Board, PictureReader.Of(wired, sheet, new Dictionary<LeadAt, double>()));

    [Theory]
    [MemberData(nameof(Names))]
    public void The_page_in_Markdown_has_every_wire_in_its_table_and_every_step_in_its_list(string name)
    {
        var (wired, sheet) = Loom(name);
        var page = Markdown.Parse(
            LoomText.Write(name, "a board", sheet, Cautions.Of(wired, sheet)),
            new MarkdownPipelineBuilder().UsePipeTables().UseTaskLists().Build()
        );
        var rows = page.Descendants<Table>()
            .First()
            .Cast<TableRow>()
            .Skip(1)
            .Select(r => string.Join("|", r.Cast<TableCell>().Select(Words)))
            .ToList();
        Assert.Equal(
            sheet.Wires.Select(w =>
                string.Join(
                    "|",
                    $"{w.Label}{(w.Pieces > 1 ? $" × {w.Pieces}" : "")} of the {w.Name}",
                    w.Colour,
                    w.At,
                    w.Job,
                    w.IsJoint ? $"{w.Gauge}" : "",
                    w.IsJoint ? w.Millimetres.ToString("0", CultureInfo.InvariantCulture) : ""
                )
            ),
            rows
        );
        Assert.Equal(sheet.Steps.Count, page.Descendants<TaskList>().Count());
        Assert.All(page.Descendants<TaskList>(), t => Assert.False(t.Checked));
    }

    [Fact]
    public void What_the_meter_must_show_is_called_on_paper_as_on_the_bench()
    {
        var (_, sheet) = Loom("Crusher House Lark");
        var page = LoomText.Write("x", "a board", sheet, []);
        Assert.Contains("| 5V (top) | GND (top, by ", page, StringComparison.Ordinal);
        Assert.Contains("| SBUS at Relay 16 | T6 (top) | continuity |", page, StringComparison.Ordinal);
    }

    [Fact]
    public void A_name_that_is_full_of_marks_stays_a_name()
    {
        var (wired, sheet) = Loom("Ramp Swift");
        const string name = "<b>*Swift* | [x](y) & \"co\" \u0001";
        var page = Markdown.Parse(LoomText.Write(name, "a board", sheet, []));
        Assert.Equal("<b>*Swift* | [x](y) & \"co\" \u0001", Words(page.Descendants<HeadingBlock>().First().Inline!));
        Assert.StartsWith(
            "<b>*Swift*",
            XDocument.Parse(Drawn(name, wired, sheet)).Root!.Value,
            StringComparison.Ordinal
        );
    }

    private static string Words(MarkdownObject block) =>
        string.Concat(
            block
                .Descendants()
                .Select(d =>
                    d switch
                    {
                        LiteralInline literal => literal.Content.ToString(),
                        HtmlEntityInline entity => entity.Transcoded.ToString(),
                        _ => "",
                    }
                )
        );

    // The squares of the path, laid out as light and dark as a camera would see them, eight dots a square.
    private static string? Read(string card)
    {
        var path = XDocument
            .Parse(card)
            .Descendants()
            .Single(e => e.Name.LocalName == "path")
            .Attribute("d")!
            .Value.Split('M', StringSplitOptions.RemoveEmptyEntries)
            .Select(s => s.Split(' ', 'h'))
            .Select(s => (X: Number(s[0]), Y: Number(s[1].Split('v')[0])))
            .ToList();
        var side = path.Where(p => Math.Abs(p.Y - path[0].Y) < 0.01).Select(p => p.X).Order().ToList();
        var step = side.Zip(side.Skip(1), (a, b) => b - a).Min();
        var (left, top) = (path.Min(p => p.X), path.Min(p => p.Y));
        const int dots = 8;
        const int quiet = 4 * dots;
        var size = (int)Math.Round((path.Max(p => p.X) - left) / step * dots) + dots + (2 * quiet);
        var grey = Enumerable.Repeat((byte)255, size * size).ToArray();
        foreach (var (x, y) in path)
        {
            var (column, row) = ((int)Math.Round((x - left) / step), (int)Math.Round((y - top) / step));
            for (var i = 0; i < dots * dots; i++)
            {
                grey[((quiet + (row * dots) + (i / dots)) * size) + quiet + (column * dots) + (i % dots)] = 0;
            }
        }
        var source = new RGBLuminanceSource(grey, size, size, RGBLuminanceSource.BitmapFormat.Gray8);
        var reader = new BarcodeReaderGeneric
        {
            Options = new DecodingOptions
            {
                PossibleFormats = [BarcodeFormat.QR_CODE],
                PureBarcode = true,
                CharacterSet = "UTF-8",
            },
        };
        return reader.Decode(source)?.Text;
    }

    private static double Number(string text) => double.Parse(text, CultureInfo.InvariantCulture);
}
