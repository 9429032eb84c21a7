using System.Text;
using CsCheck;
using Gorvix.Core.Files.Formats;
using Gorvix.Core.Hardware.Parts;

namespace Gorvix.Core.Tests.Formats;

/// <summary>Files: what is written is read back byte for byte, and what is damaged is refused with its place.</summary>
public class GorvixReaderTests
{
    private static readonly byte[] Hare = GorvixReader.Write(GorvixFile.Of(Demo.NorthFaceHare, Demo.Library));
    private static readonly string HareText = Encoding.UTF8.GetString(Hare);

    [Fact]
    public void Export_import_export_gives_the_same_bytes()
    {
        foreach (var build in new[] { Demo.NorthFaceHare, Demo.HaulRoadHeron })
        {
            var first = GorvixReader.Write(GorvixFile.Of(build, Demo.Library));
            var read = GorvixReader.Read(first, PartsLibrary.Empty);
            Assert.Empty(read.Findings);
            Assert.Equal(first, GorvixReader.Write(read.File!));
        }
    }

    [Fact]
    public void A_file_brings_the_parts_that_its_build_uses_and_no_others()
    {
        var file = GorvixReader.Read(Hare, PartsLibrary.Empty).File!;
        Assert.Equal("askerdale-pinion-f4-r2", Assert.Single(file.Boards).Id);
        Assert.Equal(["corvane-sedge-2", "brindlow-beacon-d6", "ewhurst-fix-10"], file.Devices.Select(d => d.Id));
    }

    [Fact]
    public void The_demo_files_are_written_in_the_one_form()
    {
        foreach (var path in Demo.Files("parts").Concat(Demo.Files("builds")))
        {
            var bytes = File.ReadAllBytes(path);
            var read = GorvixReader.Read(bytes, Demo.Library);
            Assert.Equal(Encoding.UTF8.GetString(bytes), Encoding.UTF8.GetString(GorvixReader.Write(read.File!)));
        }
    }

    [Fact]
    public void A_byte_order_mark_is_no_fault() =>
        Assert.Empty(GorvixReader.Read((byte[])[0xEF, 0xBB, 0xBF, .. Hare], PartsLibrary.Empty).Findings);

    [Theory]
    [InlineData("", "FILE-SHAPE", "line 1")]
    [InlineData("not json", "FILE-SHAPE", "line 1")]
    [InlineData("[]", "FILE-SHAPE", "line 1")]
    [InlineData("{}", "FILE-SHAPE", "format")]
    [InlineData("""{"format":"other","version":1}""", "FILE-SHAPE", "format")]
    [InlineData("""{"format":5,"version":1}""", "FILE-SHAPE", "format")]
    [InlineData("""{"format":"gorvix"}""", "FILE-SHAPE", "version")]
    [InlineData("""{"format":"gorvix","version":"1"}""", "FILE-SHAPE", "version")]
    [InlineData("""{"format":"gorvix","version":0}""", "FILE-SHAPE", "version")]
    [InlineData("""{"format":"gorvix","version":5,"wings":[]}""", "FILE-VERSION", "version")]
    [InlineData("{\"format\":\"gorvix\",\n\"version\":1,\n\"boards\":[null]}", "FILE-SHAPE", "line 3")]
    [InlineData("{\"format\":\"gorvix\",\n\"version\":4,\n\"wings\":[]}", "FILE-SHAPE", "line 3 (wings)")]
    [InlineData("{\"format\":\"gorvix\",\"version\":1,\n\"builds\":[{\"name\":5}]}", "FILE-SHAPE", "builds[0].name")]
    [InlineData(
        "{\"format\":\"gorvix\",\"version\":4,\n\"builds\":[{\"name\":5}]}",
        "FILE-SHAPE",
        "line 2 (builds[0].name)"
    )]
    [InlineData(
        "{\"format\":\"gorvix\",\"version\":4,\n\"builds\":[{\"name\":\"x\"}]}",
        "FILE-SHAPE",
        "line 2 (builds[0])"
    )]
    public void A_file_of_another_shape_is_refused_with_its_place(string text, string rule, string place)
    {
        var read = GorvixReader.Read(Encoding.UTF8.GetBytes(text), PartsLibrary.Empty);
        Assert.Null(read.File);
        var finding = Assert.Single(read.Findings);
        Assert.Equal((rule, place), (finding.Rule, finding.Subject.Id));
    }

    /// <summary>What is wrong, and what would be right there.</summary>
    [Theory]
    [InlineData("\"side\": \"top\"", "\"side\": \"left\"", "a known word is needed: \"top\" or \"bottom\".")]
    [InlineData(
        "\"priority\": \"required\"",
        "\"priority\": \"must\"",
        "needed: \"required\", \"wanted\" or \"optional\"."
    )]
    [InlineData("\"default\": \"raw\"", "\"default\": 3", "text in quotes is needed.")]
    [InlineData("\"maxVolts\": 5", "\"maxVolts\": \"5\"", "a number is needed.")]
    [InlineData("\"cells\": 4", "\"cells\": 4.5", "a whole number is needed.")]
    [InlineData("\"links\": [", "\"links\": {}, \"blocks\": [", "a list [ … ] is needed.")]
    [InlineData("\"pack\": {", "\"pack\": 4, \"power\": {", "an object { … } is needed.")]
    [InlineData("\"version\": 4", "\"version\": 4, \"version\": 4", "\"version\" appears twice.")]
    public void A_value_of_another_kind_is_told_what_is_needed(string good, string bad, string says)
    {
        Assert.Contains(good, HareText);
        var at = HareText.IndexOf(good, StringComparison.Ordinal);
        var text = HareText[..at] + bad + HareText[(at + good.Length)..];
        var read = GorvixReader.Read(Encoding.UTF8.GetBytes(text), PartsLibrary.Empty);
        Assert.EndsWith(says, Assert.Single(read.Findings).Sentence);
    }

    [Theory]
    [InlineData("\"kind\": \"inverter\"", "\"kind\": \"transformer\"")]
    [InlineData("\"side\": \"top\"", "\"side\": \"left\"")]
    [InlineData("\"default\": \"raw\"", "\"default\": 3")]
    [InlineData("\"version\": 4", "\"version\": 4, \"version\": 4")]
    public void A_word_that_is_not_known_there_is_refused(string good, string bad)
    {
        Assert.Contains(good, HareText);
        var read = GorvixReader.Read(Encoding.UTF8.GetBytes(HareText.Replace(good, bad)), PartsLibrary.Empty);
        Assert.Equal("FILE-SHAPE", Assert.Single(read.Findings).Rule);
        Assert.DoesNotContain("System.", read.Findings[0].Sentence);
        Assert.DoesNotContain("Gorvix.Core", read.Findings[0].Sentence);
    }

    [Fact]
    public void An_element_without_a_kind_is_refused_with_its_place()
    {
        var damaged = HareText.Replace("\"kind\": \"inverter\",", "");
        var finding = Assert.Single(GorvixReader.Read(Encoding.UTF8.GetBytes(damaged), PartsLibrary.Empty).Findings);
        Assert.Equal(("FILE-SHAPE", "boards[0].pads[2].paths[0].through[0]"), (finding.Rule, finding.Subject.Id));
    }

    [Fact]
    public void A_build_that_names_a_part_of_nobody_is_refused_with_the_place()
    {
        var read = GorvixReader.Read(
            Encoding.UTF8.GetBytes(HareText.Replace("\"part\": \"ewhurst-fix-10\"", "\"part\": \"unknown\"")),
            PartsLibrary.Empty
        );
        Assert.Equal("builds[0].devices[2].part", read.Findings[0].Subject.Id);
    }

    [Fact]
    public void A_kind_that_nobody_knows_is_called_that_and_not_no_json()
    {
        var damaged = HareText.Replace("\"kind\": \"inverter\"", "\"kind\": \"transformer\"");
        var finding = Assert.Single(GorvixReader.Read(Encoding.UTF8.GetBytes(damaged), PartsLibrary.Empty).Findings);
        Assert.Contains("\"transformer\" is not a known kind here", finding.Sentence);
    }

    [Theory]
    [InlineData(new byte[] { 0x50, 0x4B, 3, 4, 20, 0 }, "it is a zip")]
    [InlineData(new byte[] { 0x1F, 0x8B, 8, 0 }, "gzip-compressed")]
    [InlineData(new byte[] { 0xFF, 0xFE, 0x7B, 0 }, "UTF-16")]
    [InlineData(new byte[] { 0xFE, 0xFF, 0, 0x7B }, "UTF-16")]
    [InlineData(new byte[] { 0x7B, 0, 0x22, 0 }, "UTF-16")]
    [InlineData(new byte[] { 0, 0x7B, 0, 0x22 }, "UTF-16")]
    public void A_file_that_is_no_such_text_is_called_what_it_is(byte[] bytes, string words) =>
        Assert.Contains(words, Assert.Single(GorvixReader.Read(bytes, PartsLibrary.Empty).Findings).Sentence);

    [Fact]
    public void Too_large_a_file_is_refused_before_it_is_looked_at()
    {
        var finding = Assert.Single(
            GorvixReader.Read(new byte[GorvixReader.MostBytes + 1], PartsLibrary.Empty).Findings
        );
        Assert.Equal("FILE-SIZE", finding.Rule);
        // One byte too much is told as that.
        Assert.StartsWith("The file is 5,242,881 bytes; the limit is 5,242,880 bytes.", finding.Sentence);
        Assert.StartsWith(
            "The file is 7.5 MB; the limit is 5 MB.",
            GorvixReader.TooLarge(GorvixReader.MostBytes * 3 / 2)!.Sentence
        );
        Assert.Null(GorvixReader.TooLarge(GorvixReader.MostBytes));
    }

    [Fact]
    public void Whatever_is_done_to_a_file_it_is_read_or_refused_but_never_breaks_the_reader() =>
        Gen.Select(Gen.Int[0, Hare.Length - 1], Gen.Int[0, 40], Gen.Byte.Array[0, 6])
            .Holds(
                (at, cut, put) =>
                {
                    byte[] damaged = [.. Hare.AsSpan(0, at), .. put, .. Hare.AsSpan(Math.Min(at + cut, Hare.Length))];
                    var read = GorvixReader.Read(damaged, PartsLibrary.Empty);
                    Assert.Equal(read.File is null, read.Findings.Count > 0);
                },
                of: 2000
            );
}
