using System.Text;
using System.Text.Json.Nodes;
using Gorvix.Core.Builds;
using Gorvix.Core.Formats;
using Gorvix.Core.Parts;

namespace Gorvix.Core.Tests.Formats;

/// <summary>
/// Files of every older version are kept in <c>tests/versions</c> as they were written, and read as if they were of today.
/// (Of the trade name that version 1 had for a protocol only the beginning is kept: the step goes by that.)
/// </summary>
public class UpcasterTests
{
    private static readonly byte[] Version1 = File.ReadAllBytes(
        Path.Combine(AppContext.BaseDirectory, "versions", "version-1.gorvix.json")
    );

    [Fact]
    public void There_is_a_kept_file_of_every_version_before_the_newest() =>
        Assert.All(
            Enumerable.Range(1, Upcasters.Newest - 1),
            v =>
                Assert.True(File.Exists(Path.Combine(AppContext.BaseDirectory, "versions", $"version-{v}.gorvix.json")))
        );

    [Fact]
    public void A_version_1_file_keeps_its_pins_and_bans_which_were_about_routes()
    {
        var build = Read(Version1).Builds[0];
        Assert.Equal(
            [new RouteMatch { Link = "position", Port = "U6" }, new RouteMatch { Link = "control", Mode = "sbus" }],
            build.Pins
        );
        Assert.Equal(
            [
                new RouteMatch
                {
                    Link = "telemetry",
                    Port = "U5",
                    Bridges = "",
                },
            ],
            build.Bans
        );
    }

    [Fact]
    public void A_version_1_file_is_planned_and_written_in_the_newest_form()
    {
        var file = Read(Version1);
        var build = Resolved(file.Builds[0], file.Parts());
        Assert.Equal("VC-4800", build.Links.Single(l => l.Id == "video-control").Function.Modes[0].Protocol);
        Assert.NotNull(Core.Planning.Planner.Best(build).RouteOf("video-control"));
        var written = Encoding.UTF8.GetString(GorvixReader.Write(file));
        Assert.Contains("\"version\": 2,", written);
        Assert.Contains("\"kind\": \"route\",", written);
        Assert.Equal(written, Encoding.UTF8.GetString(GorvixReader.Write(Read(Encoding.UTF8.GetBytes(written)))));
    }

    [Theory]
    [InlineData("Sm-something", "VC-4800")]
    [InlineData("Tr-something", "VC-9600")]
    [InlineData("MSP", "MSP")]
    public void Trade_names_of_video_controls_become_what_the_lines_are(string before, string after)
    {
        var device = JsonNode
            .Parse(
                $$"""{"functions":[{"need":"videoControl","modes":[{"protocol":"{{before}}"}]},{"need":"control","modes":[{"protocol":"Sm-other"}]}]}"""
            )!
            .AsObject();
        Upcasters.Bring(DocumentKind.Device, device, 1);
        Assert.Equal(after, (string?)device["functions"]![0]!["modes"]![0]!["protocol"]);
        Assert.Equal("Sm-other", (string?)device["functions"]![1]!["modes"]![0]!["protocol"]);
    }

    [Theory]
    [InlineData("\"wings\": 1", "builds[0].pins[0]", "\"wings\" is not known here.")]
    [InlineData("\"port\": 7", "builds[0].pins[0].port", "has the wrong type")]
    [InlineData("\"port\": \"U1\", \"port\": \"U2\"", "", "appears twice")]
    public void A_damaged_version_1_file_is_refused_with_the_place_in_it(string damage, string place, string says)
    {
        var text = Encoding.UTF8.GetString(Version1).Replace("\"port\": \"U6\"", damage);
        var finding = Assert.Single(GorvixReader.Read(Encoding.UTF8.GetBytes(text), PartsLibrary.Empty).Findings);
        Assert.Contains(place, finding.Subject.Id);
        Assert.Contains(says, finding.Sentence);
    }

    [Theory]
    [InlineData(0)]
    [InlineData(3)]
    [InlineData(int.MinValue)]
    public void There_is_no_step_from_a_version_that_never_was(int version) =>
        Assert.Throws<ArgumentOutOfRangeException>(() => Upcasters.Bring(DocumentKind.Build, [], version));

    [Theory]
    [InlineData("""{"pins":7,"bans":[1,{"link":"a"}]}""")]
    [InlineData("""{"functions":[{"need":5,"modes":{}}]}""")]
    [InlineData("{}")]
    public void What_does_not_look_as_its_version_says_is_left_to_the_reader(string document)
    {
        foreach (var kind in Enum.GetValues<DocumentKind>())
        {
            Upcasters.Bring(kind, JsonNode.Parse(document)!.AsObject(), 1);
        }
    }

    private static GorvixFile Read(byte[] bytes)
    {
        var read = GorvixReader.Read(bytes, PartsLibrary.Empty);
        Assert.Empty(read.Findings);
        return read.File!;
    }
}
