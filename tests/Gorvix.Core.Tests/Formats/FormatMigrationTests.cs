using System.Text;
using System.Text.Json.Nodes;
using Gorvix.Core.Files.Formats;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Planning;

namespace Gorvix.Core.Tests.Formats;

/// <summary>
/// Files of every older version are kept in <c>tests/versions</c> as they were written, and read as if they were of today.
/// (Of the trade name that version 1 had for a protocol only the beginning is kept: the step goes by that.)
/// </summary>
public class FormatMigrationTests
{
    private static readonly byte[] Version1 = File.ReadAllBytes(
        Path.Combine(AppContext.BaseDirectory, "versions", "version-1.gorvix.json")
    );

    [Fact]
    public void There_is_a_kept_file_of_every_version_before_the_newest() =>
        Assert.All(
            Enumerable.Range(1, FormatMigrations.Newest - 1),
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
        Assert.NotNull(Planner.Best(build).RouteOf("video-control"));
        var written = Encoding.UTF8.GetString(GorvixReader.Write(file));
        Assert.Contains("\"version\": 4,", written);
        Assert.Contains("\"kind\": \"route\",", written);
        Assert.Equal(written, Encoding.UTF8.GetString(GorvixReader.Write(Read(Encoding.UTF8.GetBytes(written)))));
    }

    /// <summary>Nothing moves; what an upright board called rear, because its arrow pointed there, is its front.</summary>
    [Fact]
    public void Front_and_rear_change_names_where_a_place_is_meant_and_pads_stay_where_they_are()
    {
        var board = JsonNode
            .Parse(
                """{"arrow":"rear","usbSide":"Front","pads":[{"x":1,"y":2,"group":"rear left"},{"group":"front"},{"group":"rear header"},{"group":"left"},{}]}"""
            )!
            .AsObject();
        FormatMigrations.Bring(DocumentKind.Board, board, 3);
        Assert.Equal(
            """{"arrow":"front","usbSide":"rear","pads":[{"x":1,"y":2,"group":"front left"},{"group":"rear"},{"group":"rear header"},{"group":"left"},{}]}""",
            board.ToJsonString()
        );
        var bytes = File.ReadAllBytes(Path.Combine(AppContext.BaseDirectory, "versions", "version-3.gorvix.json"));
        var file = Read(bytes);
        Assert.All(file.Boards.Where(b => b.Arrow is not null), b => Assert.Equal(BoardEdge.Front, b.Arrow));
        // Where each pad lies, as the file itself has it.
        double At(JsonNode pad, string axis) => pad[axis]?.GetValue<double>() ?? 0;
        Assert.Equal(
            JsonNode.Parse(bytes)!["boards"]!
                .AsArray()
                .SelectMany(b => b!["pads"]!.AsArray())
                .Select(p => (At(p!, "x"), At(p!, "y"))),
            file.Boards.SelectMany(b => b.Pads).Select(p => (p.X, p.Y))
        );
        // The demo's boards that had an outline then are the same today.
        var drawn = file.Boards.Where(b => b.Outline is not null).ToList();
        Assert.Equal(4, drawn.Count);
        foreach (var was in drawn)
        {
            var now = Demo.Library.Board(was.Id)!;
            Assert.Equal(
                was.Pads.Select(p => (p.Id, p.X, p.Y, p.Group)),
                now.Pads.Select(p => (p.Id, p.X, p.Y, p.Group))
            );
            Assert.Equal((was.Arrow, was.UsbSide), (now.Arrow, now.UsbSide));
        }
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
        FormatMigrations.Bring(DocumentKind.Device, device, 1);
        Assert.Equal(after, (string?)device["functions"]![0]!["modes"]![0]!["protocol"]);
        Assert.Equal("Sm-other", (string?)device["functions"]![1]!["modes"]![0]!["protocol"]);
    }

    // Every word that version 3 renamed, where it stood in version 2.
    [Theory]
    [InlineData(
        DocumentKind.Build,
        """{"house":{"sharing":"strict","software":"never","receiver":"aliveOnUsb","video":"batteryAllowed","bootTrap":"pullUp","unused":"lift","arming":"required","failsafe":"returnHome","hand":"usual"}}""",
        """{"houseRules":{"sharing":"onePerPort","softwareSerial":"never","receiverPower":"liveOnUsb","videoPower":"batteryAllowed","bootloaderTrap":"pullUp","unusedLeads":"dePin","arming":"fixRequired","failsafe":"returnToHome","pace":"normal"}}"""
    )]
    [InlineData(
        DocumentKind.Build,
        """{"house":{"receiver":"deadOnUsb","unused":"cut","arming":"optional","failsafe":"drop","hand":"careful"}}""",
        """{"houseRules":{"receiverPower":"offOnUsb","unusedLeads":"cut","arming":"fixOptional","failsafe":"drop","pace":"careful"}}"""
    )]
    [InlineData(
        DocumentKind.Build,
        """{"wants":[{"link":"must","priority":"must"},{"priority":"want"},{"priority":"nice"}],"allowance":30}""",
        """{"links":[{"link":"must","priority":"required"},{"priority":"wanted"},{"priority":"optional"}],"slack":30}"""
    )]
    [InlineData(
        DocumentKind.Build,
        """{"pins":[{"kind":"seat","device":"a"},{"kind":"route","bridges":"J=x"}],"bans":[{"kind":"feed","lead":"v"},{"kind":"lead"}]}""",
        """{"pins":[{"kind":"plug","device":"a"},{"kind":"route","jumpers":"J=x"}],"blocks":[{"kind":"supply","lead":"v"},{"kind":"lead"}]}"""
    )]
    [InlineData(
        DocumentKind.Build,
        """{"devices":[{"id":"a","piece":2,"away":40}],"settings":{"canvas":"old","strengthChannel":9,"gnssWay":"board","compassTurn":"ahead"}}""",
        """{"devices":[{"id":"a","replaced":2,"distance":40}],"settings":{"canvas":"standard","rssiChannel":9,"gnssSetup":"board","compassTurn":"forward"}}"""
    )]
    [InlineData(
        DocumentKind.Build,
        """{"power":{"usb":"granted","lampVolts":12,"lampWatts":21}}""",
        """{"power":{"usb":"usb2","bulbVolts":12,"bulbWatts":21}}"""
    )]
    [InlineData(DocumentKind.Build, """{"power":{"usb":"bare"}}""", """{"power":{"usb":"unconfigured"}}""")]
    [InlineData(DocumentKind.Build, """{"power":{"usb":"fast"}}""", """{"power":{"usb":"usb3"}}""")]
    [InlineData(DocumentKind.Build, """{"power":{"usb":"typeC15"}}""", """{"power":{"usb":"typeC15"}}""")]
    [InlineData(
        DocumentKind.Build,
        """{"built":[{"kind":"joint","pad":"p"},{"kind":"cavity","cavity":3},{"kind":"seat","socket":"s"},{"kind":"bridge","bridge":"J"},{"kind":"deed","deed":"tail"},{"kind":"deed","deed":"pullUp"},{"kind":"set","key":"k"}]}""",
        """{"built":[{"kind":"joint","pad":"p"},{"kind":"pin","pin":3},{"kind":"plug","socket":"s"},{"kind":"jumper","jumper":"J"},{"kind":"task","task":"pigtail"},{"kind":"task","task":"pullUp"},{"kind":"setting","key":"k"}]}"""
    )]
    [InlineData(
        DocumentKind.Board,
        """{"builtIns":[{"name":"control","gives":"control"}],"ports":[{"kind":"picture","advisedFor":["position","telemetry","hostData"]}],"bridges":[{"id":"J","movedBy":"iron"},{"movedBy":"firmware"}]}""",
        """{"builtIns":[{"name":"control","gives":"rcLink"}],"ports":[{"kind":"video","advisedFor":["gps","telemetry","wirelessConfiguration"]}],"jumpers":[{"id":"J","movedBy":"solder"},{"movedBy":"firmware"}]}"""
    )]
    [InlineData(
        DocumentKind.Board,
        """{"pads":[{"meaning":"doubtful","paths":[{"through":[{"kind":"contact","bridge":"J","position":"x"}],"net":"n"}]}]}""",
        """{"pads":[{"meaning":"uncertain","paths":[{"through":[{"kind":"contact","jumper":"J","position":"x"}],"net":"n"}]}]}"""
    )]
    [InlineData(
        DocumentKind.Device,
        """{"kind":"speedController","pieces":4,"memory":"forgets","leads":[{"role":"picture"},{"role":"signal"}],"signs":[{"state":"fed"},{"state":"loader"},{"state":"linked"}]}""",
        """{"kind":"esc","units":4,"memory":"loses","leads":[{"role":"video"},{"role":"signal"}],"signs":[{"state":"powered"},{"state":"bootloader"},{"state":"linked"}]}"""
    )]
    [InlineData(
        DocumentKind.Device,
        """{"kind":"rangeFinder","memory":"keeps"}""",
        """{"kind":"rangefinder","memory":"saves"}"""
    )]
    [InlineData(DocumentKind.Device, """{"kind":"recorder"}""", """{"kind":"flightLogger"}""")]
    [InlineData(DocumentKind.Device, """{"kind":"overlay"}""", """{"kind":"osd"}""")]
    [InlineData(
        DocumentKind.Device,
        """{"functions":[{"need":"control"},{"need":"picture"},{"need":"pictureText"},{"need":"position"},{"need":"heading"},{"need":"telemetry"},{"need":"escReadings"},{"need":"batteryReadings"},{"need":"videoControl"},{"need":"height"},{"need":"cameraControl"},{"need":"flightLog"},{"need":"hostData"}]}""",
        """{"functions":[{"gives":"rcLink"},{"gives":"video"},{"gives":"osd"},{"gives":"gps"},{"gives":"compass"},{"gives":"telemetry"},{"gives":"escTelemetry"},{"gives":"batterySensing"},{"gives":"vtxControl"},{"gives":"rangefinder"},{"gives":"cameraControl"},{"gives":"flightLog"},{"gives":"wirelessConfiguration"}]}"""
    )]
    [InlineData(
        DocumentKind.Build,
        """{"wants":[{"priority":"Must"}],"power":{"usb":"Granted"}}""",
        """{"links":[{"priority":"required"}],"power":{"usb":"usb2"}}"""
    )]
    [InlineData(DocumentKind.Device, """{"kind":"SpeedController"}""", """{"kind":"esc"}""")]
    [InlineData(DocumentKind.Profile, """{"jobs":["gnss"]}""", """{"jobs":["gnss"]}""")]
    // What is there under both names stays as it is: the reader refuses the old one.
    [InlineData(DocumentKind.Build, """{"wants":[],"links":[]}""", """{"wants":[],"links":[]}""")]
    public void Version_3_has_plain_words(DocumentKind kind, string before, string after)
    {
        var document = JsonNode.Parse(before)!.AsObject();
        FormatMigrations.Bring(kind, document, 2);
        Assert.Equal(JsonNode.Parse(after)!.ToJsonString(), document.ToJsonString());
    }

    [Fact]
    public void A_version_2_file_of_ten_builds_and_their_parts_is_planned_and_written_in_the_newest_form()
    {
        var file = Read(File.ReadAllBytes(Path.Combine(AppContext.BaseDirectory, "versions", "version-2.gorvix.json")));
        Assert.Equal((10, true), (file.Builds.Count, file.Boards.Count + file.Devices.Count > 40));
        var library = file.Parts();
        Assert.All(file.Builds, b => Assert.NotEmpty(Planner.Best(Resolved(b, library)).Placements));
        var rook = file.Builds.Single(b => b.Name == "Rim Walk Rook");
        Assert.Equal((9, 24.0), (rook.Settings.StrengthChannel, rook.Power.LampVolts));
        var written = Encoding.UTF8.GetString(GorvixReader.Write(file));
        Assert.Contains("\"version\": 4,", written);
        Assert.Equal(written, Encoding.UTF8.GetString(GorvixReader.Write(Read(Encoding.UTF8.GetBytes(written)))));
    }

    [Theory]
    [InlineData("\"wings\": 1", "builds[0].pins[0]", "\"wings\" is not known here.")]
    [InlineData("\"port\": 7", "builds[0].pins[0].port", "text in quotes is needed.")]
    [InlineData("\"port\": \"U1\", \"port\": \"U2\"", "", "\"port\" appears twice")]
    public void A_damaged_version_1_file_is_refused_with_the_place_in_it(string damage, string place, string says)
    {
        var text = Encoding.UTF8.GetString(Version1).Replace("\"port\": \"U6\"", damage);
        var finding = Assert.Single(GorvixReader.Read(Encoding.UTF8.GetBytes(text), PartsLibrary.Empty).Findings);
        Assert.Contains(place, finding.Subject.Id);
        Assert.Contains(says, finding.Sentence);
    }

    [Theory]
    [InlineData(0)]
    [InlineData(5)]
    [InlineData(int.MinValue)]
    public void There_is_no_step_from_a_version_that_never_was(int version) =>
        Assert.Throws<ArgumentOutOfRangeException>(() => FormatMigrations.Bring(DocumentKind.Build, [], version));

    [Theory]
    [InlineData("""{"pins":7,"blocks":[1,{"link":"a"}]}""")]
    [InlineData("""{"functions":[{"need":5,"modes":{}}]}""")]
    [InlineData("{}")]
    public void What_does_not_look_as_its_version_says_is_left_to_the_reader(string document)
    {
        foreach (var kind in Enum.GetValues<DocumentKind>())
        {
            FormatMigrations.Bring(kind, JsonNode.Parse(document)!.AsObject(), 1);
        }
    }

    private static GorvixFile Read(byte[] bytes)
    {
        var read = GorvixReader.Read(bytes, PartsLibrary.Empty);
        Assert.Empty(read.Findings);
        return read.File!;
    }
}
