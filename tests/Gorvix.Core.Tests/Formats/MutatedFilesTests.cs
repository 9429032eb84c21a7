using System.Text;
using System.Text.Json.Nodes;
using CsCheck;
using Gorvix.Core.Files.Describing;
using Gorvix.Core.Files.Formats;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Fit;
using Gorvix.Core.Work.Tables;

namespace Gorvix.Core.Tests.Formats;

/// <summary>
/// 2 000 damaged files a run, of them 1 000 JSON, 500 CSV and 500 leaflet text: each is read as something that can be planned and drawn, or
/// is answered with a place and a sentence. The seed is told by the property engine when one is not.
/// </summary>
public class MutatedFilesTests
{
    private static readonly string[] Files =
    [
        .. Demo.Files("parts").Concat(Demo.Files("builds")).Select(File.ReadAllText),
    ];

    private static readonly string[] Texts = [.. Demo.Library.Boards.Select(LeafletText.Write)];

    private static readonly string[] Lists =
    [
        .. Demo.Library.Boards.Select(b => PadTable.Write([b])),
        .. Demo.Library.Devices.Select(d => DeviceTable.Write([d])),
    ];

    private static readonly JsonNode?[] Odd =
    [
        JsonValue.Create(-1),
        JsonValue.Create(1e308),
        JsonValue.Create(99999999999),
        JsonValue.Create(""),
        JsonValue.Create(new string('x', 5_000)),
        JsonValue.Create("\u202Eabc"),
        JsonValue.Create("\u0000"),
        JsonValue.Create(true),
        new JsonArray(),
        new JsonObject(),
        new JsonArray(new JsonArray(new JsonArray(new JsonObject { ["a"] = 1 }))),
    ];

    // A member is given an odd value, taken out, doubled, or exchanged with another one: wrong types, missing and doubled ids, rings.
    private static readonly Gen<string> DamagedTrees =
        from file in Gen.OneOfConst(Files)
        from place in Gen.Int[0, 9_999]
        from what in Gen.Int[0, 3]
        from odd in Gen.Int[0, Odd.Length - 1]
        from other in Gen.Int[0, 9_999]
        select Damage(file, place, what, odd, other);

    // Bytes are lost, doubled, or come in another encoding.
    private static readonly Gen<byte[]> DamagedBytes =
        from file in Gen.OneOfConst(Files)
        from at in Gen.Int[0, 100_000]
        from more in Gen.Byte.Array[0, 6]
        from cut in Gen.Int[0, 40]
        from how in Gen.Int[0, 3]
        select how switch
        {
            0 => Encoding.Unicode.GetBytes(file),
            1 => Encoding.Latin1.GetBytes(file.Insert(at % file.Length, "\u00E9")),
            _ => Splice(Encoding.UTF8.GetBytes(file), at, cut, more),
        };

    [Fact]
    public void A_file_whose_values_are_damaged_is_read_or_told_where() =>
        DamagedTrees.Holds(text => Answered(Encoding.UTF8.GetBytes(text)), of: 700);

    [Fact]
    public void A_file_whose_bytes_are_damaged_is_read_or_told_where() => DamagedBytes.Holds(Answered, of: 300);

    [Fact]
    public void A_leaflet_whose_letters_are_damaged_is_read_or_told_where() =>
        Gen.Select(
                Gen.OneOfConst(Texts),
                Gen.Int[0, 10_000],
                Gen.Int[0, 12],
                Gen.OneOfConst(
                    "=",
                    "[",
                    "\"",
                    ":",
                    ">",
                    " | ",
                    "\n",
                    "\t",
                    "\u00A0",
                    "\u2013",
                    "9999999999",
                    "-1",
                    "\u0000",
                    "(",
                    "~",
                    "top",
                    "#"
                )
            )
            .Holds(
                (text, at, cut, more) =>
                {
                    var start = at % text.Length;
                    var damaged = text[..start] + more + text[Math.Min(text.Length, start + cut)..];
                    var read = LeafletText.Read(damaged);
                    Assert.All(read.Problems, p => Assert.InRange(p.Finding.Sentence.Length, 20, 2_000));
                    var look = BoardLook.Of(read.Board);
                    Assert.Equal(look.Usable, PartCheck.Of(read.Board, "b").Count == 0);
                    Assert.All(look.Notes, n => Assert.NotEmpty(n.Sentence));
                },
                of: 500
            );

    [Fact]
    public void A_list_whose_letters_are_damaged_is_read_or_told_where() =>
        Gen.Select(
                Gen.OneOfConst(Lists),
                Gen.Int[0, 100_000],
                Gen.Int[0, 30],
                Gen.OneOfConst(
                    "\"",
                    ",",
                    ",,,",
                    "\r\n",
                    "\n\n",
                    ";",
                    "\t",
                    "\uFFFD",
                    "\0",
                    "-1",
                    "1e400",
                    "'",
                    "=",
                    "|",
                    ">",
                    "/",
                    "out"
                )
            )
            .Holds(
                (list, at, cut, more) =>
                {
                    var start = at % list.Length;
                    var damaged = list[..start] + more + list[Math.Min(list.Length, start + cut)..];
                    var read = ListReader.Read(damaged, Demo.Library);
                    Assert.NotEqual(read.File is null, read.Findings.Count == 0);
                    Assert.All(read.Findings, f => Assert.True(f.Sentence.Length is > 20 and < 7_000, f.Sentence));
                    Assert.All(read.File?.Boards ?? [], b => Assert.Empty(PartCheck.Of(b, "b")));
                    Assert.All(read.File?.Devices ?? [], d => Assert.Empty(PartCheck.Of(d, "d")));
                },
                of: 500
            );

    private static void Answered(byte[] bytes)
    {
        var read = GorvixReader.Read(bytes, Demo.Library);
        if (read.File is not { } file)
        {
            Assert.All(
                read.Findings,
                f => Assert.True(f.Subject.Id.Length > 0 && f.Sentence.Length is > 20 and < 7_000, f.Sentence)
            );
            Assert.NotEmpty(read.Findings);
            return;
        }
        Assert.Empty(read.Findings);
        foreach (var board in file.Boards)
        {
            Assert.True(BoardLook.Of(board).Usable);
        }
        foreach (var device in file.Devices)
        {
            DeviceLook.Of(device);
        }
        foreach (var build in file.Builds)
        {
            var (resolved, findings) = ResolvedBuild.Of(build, file.Parts().With(Demo.Library));
            Assert.True(resolved is not null || findings.Count > 0);
            if (resolved is not null)
            {
                Assert.NotEmpty(new FitReader(resolved).Verdict().Sentence);
            }
        }
    }

    private static string Damage(string file, int place, int what, int odd, int other)
    {
        var root = JsonNode.Parse(file)!;
        var all = new List<JsonNode>();
        Walk(root, all);
        var node = all[place % all.Count];
        var value = what == 0 ? all[other % all.Count].DeepClone() : Odd[odd]?.DeepClone();
        switch (node.Parent)
        {
            case JsonObject parent:
                var name = parent.First(m => m.Value == node).Key;
                if (what == 1)
                {
                    parent.Remove(name);
                }
                else
                {
                    parent[name] = value;
                }
                break;
            case JsonArray list:
                var index = list.IndexOf(node);
                if (what == 1)
                {
                    list.RemoveAt(index);
                }
                else if (what == 3)
                {
                    list.Add(node.DeepClone());
                }
                else
                {
                    list[index] = value;
                }
                break;
        }
        return root.ToJsonString();
    }

    private static void Walk(JsonNode node, List<JsonNode> all)
    {
        if (node.Parent is not null)
        {
            all.Add(node);
        }
        var below = node switch
        {
            JsonObject tree => tree.Select(m => m.Value),
            JsonArray list => list,
            _ => [],
        };
        foreach (var next in below.OfType<JsonNode>().ToList())
        {
            Walk(next, all);
        }
    }

    private static byte[] Splice(byte[] bytes, int at, int cut, byte[] more)
    {
        var start = at % bytes.Length;
        return [.. bytes[..start], .. more, .. bytes[Math.Min(bytes.Length, start + cut)..]];
    }
}
