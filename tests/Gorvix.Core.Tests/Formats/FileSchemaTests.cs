using System.Text;
using System.Text.Json.Nodes;
using CsCheck;
using Gorvix.Core.Files.Formats;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Tests.Planning;
using NJsonSchema;

namespace Gorvix.Core.Tests.Formats;

/// <summary>
/// The schema of the files, looked at by a reader that is not ours (source: NJsonSchema; the client's tests ask Ajv the same
/// of the demo files).
/// </summary>
public class FileSchemaTests
{
    private static readonly MemberDocs Docs = MemberDocs.Read(
        Directory
            .GetFiles(AppContext.BaseDirectory, "Gorvix.Core.*.xml")
            .Select(f => new StringReader(File.ReadAllText(f)))
    );

    private static readonly Task<JsonSchema> Reader = JsonSchema.FromJsonAsync(FileSchema.Text(Docs));

    [Fact]
    public void Docs_schema_is_current()
    {
        var page = File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "docs", "gorvix.schema.json"));
        Assert.True(
            page == FileSchema.Text(Docs),
            "docs/gorvix.schema.json is not what the code says; ./test --write rewrites it."
        );
    }

    [Fact]
    public void The_tables_of_the_format_page_are_current()
    {
        var page = File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "docs", "format.md"));
        Assert.True(
            page == FormatPage.Renew(page, Docs),
            "docs/format.md is not what the code says; ./test --write rewrites it."
        );
        Assert.Contains("| `maxVolts?` | number | Maximum voltage on the pin; 3.3 if not given. |", page);
        Assert.Contains("| `cells` | whole number, 1 to 14 | Cells in series. |", page);
    }

    /// <summary>What the checks refuse for its size is refused by the schema too.</summary>
    [Fact]
    public async Task A_board_with_too_many_pads_is_not_valid()
    {
        var board = Demo.Library.Boards[0];
        var many = board with
        {
            Pads = [.. Enumerable.Range(0, PartCheck.MostPads + 1).Select(i => board.Pads[0] with { Id = $"p{i}" })],
        };
        var text = Encoding.UTF8.GetString(GorvixReader.Write(new GorvixFile { Boards = [many] }));
        Assert.Contains("TooManyItems: #/boards[0].pads", Assert.Single((await Reader).Validate(text)).ToString());
    }

    [Fact]
    public async Task Every_export_of_a_demo_build_is_valid()
    {
        var reader = await Reader;
        Assert.All(
            Demo.Builds,
            build =>
                Assert.Empty(
                    reader.Validate(Encoding.UTF8.GetString(GorvixReader.Write(GorvixFile.Of(build, Demo.Library))))
                )
        );
    }

    [Fact]
    public async Task What_is_generated_and_written_is_valid()
    {
        var reader = await Reader;
        Generated
            .Builds(6, 8)
            .Holds(
                build =>
                {
                    var file = new GorvixFile
                    {
                        Builds = [build.Build],
                        Boards = [build.Board],
                        Devices = [.. build.Devices.Select(d => d.Device)],
                    };
                    Assert.Empty(reader.Validate(Encoding.UTF8.GetString(GorvixReader.Write(file))));
                },
                of: 100
            );
    }

    public static TheoryData<string> Wrong =>
        [
            """{"format":"gorvix","version":2,"extra":1}""",
            """{"format":"gorvix"}""",
            """{"format":"gorvix","version":2,"builds":[{"name":"x","board":"b","devices":[]}]}""",
            """{"format":"gorvix","version":2,"builds":[{"name":"","board":"b","devices":[],"links":[]}]}""",
            """{"format":"gorvix","version":2,"builds":[{"name":"x","board":"b","devices":[],"links":[],"pack":{"cells":15}}]}""",
            """{"format":"gorvix","version":2,"builds":[{"name":"x","note":null,"board":"b","devices":[],"links":[]}]}""",
            """{"format":"gorvix","version":2,"builds":[{"name":"x","board":"b","devices":[],"links":[],"pins":[{"kind":"wish"}]}]}""",
            """{"format":"gorvix","version":2,"boards":[{"id":7}]}""",
        ];

    [Theory]
    [MemberData(nameof(Wrong))]
    public async Task What_the_program_refuses_for_its_shape_the_schema_refuses_too(string json)
    {
        Assert.Null(GorvixReader.Read(Encoding.UTF8.GetBytes(json), PartsLibrary.Empty).File);
        Assert.NotEmpty((await Reader).Validate(json));
    }

    [Fact]
    public void Every_member_says_what_it_means_and_nothing_may_be_null()
    {
        var silent = new List<string>();
        void Look(JsonNode? node, string path)
        {
            if (node is JsonObject schema)
            {
                Assert.DoesNotContain("\"null\"", schema["type"]?.ToJsonString() ?? "");
                foreach (var (name, member) in schema["properties"]?.AsObject() ?? [])
                {
                    var told = member!["description"] ?? member["const"] ?? member["$ref"];
                    if (told is null)
                    {
                        silent.Add($"{path}.{name}");
                    }
                }
                foreach (var (name, child) in schema)
                {
                    Look(child, $"{path}.{name}");
                }
            }
            else if (node is JsonArray list)
            {
                foreach (var (i, child) in list.Index())
                {
                    Look(child, $"{path}[{i}]");
                }
            }
        }
        Look(FileSchema.Make(Docs), "");
        Assert.Empty(silent);
        var pack = FileSchema.Make(Docs)["properties"]!["builds"]!["items"]!["properties"]!["pack"]!;
        Assert.Equal(Pack.MostCells, (double)pack["properties"]!["cells"]!["maximum"]!);
    }
}
