using CsCheck;
using Gorvix.Core.Files.Describing;
using Gorvix.Core.Hardware.Parts;

namespace Gorvix.Core.Tests.Describing;

/// <summary>Boards that no maker would print, with names out of every corner of the alphabet: the text gives each of them again.</summary>
public class AnyBoardTests
{
    internal static readonly Gen<string> Names = Gen.OneOf(
        Gen.OneOfConst(
            "R1",
            "T1",
            "G",
            "5V",
            "BAT",
            "B+",
            "SBUS",
            "nc",
            "NC",
            "at",
            "top",
            "usb",
            "U1.RX",
            "~x",
            "#1",
            "-",
            "R3/SDA",
            "group"
        ),
        Gen.Char["AZaz09 .:=?[](),|>\"\\#~-+/\n\t\u00A0\u2013\u201C\u00AD\u2028é\u4e2d"]
            .Array[1, 6]
            .Select(c => new string(c))
    );

    private static readonly Gen<double> Numbers = Gen.OneOf(Gen.Int[0, 30].Select(n => (double)n), Gen.Double[0.1, 30]);

    private static readonly Gen<PathElement> Elements = Gen.OneOf(
        Gen.Select(
            Gen.Enum<Passage>(),
            Perhaps(Numbers),
            Perhaps(Numbers),
            PathElement (p, s, d) =>
                new Inverter
                {
                    Direction = p,
                    Stands = s,
                    Drives = d,
                }
        ),
        Gen.Select(Names, Names, PathElement (b, p) => new Contact { Bridge = b, Position = p }),
        Numbers.Select(PathElement (n) => new Resistor { Ohms = n }),
        Numbers.Select(PathElement (n) => new Divider { Ratio = n }),
        Gen.Select(Gen.Enum<Passage>(), Numbers, PathElement (p, v) => new Diode { Direction = p, Volts = v })
    );

    private static readonly Gen<Rail> Rails =
        from id in Names
        from label in Names
        from volts in Perhaps(Numbers)
        from feed in Gen.Enum<RailFeed>()
        from limit in Perhaps(Numbers)
        from dropout in Perhaps(Numbers)
        from kind in Perhaps(Gen.Enum<RegulatorKind>())
        from filter in Perhaps(Gen.Enum<Filtering>())
        select new Rail
        {
            Id = id,
            Label = label,
            Volts = feed == RailFeed.Ground ? 0 : volts,
            Feed = feed,
            Limit = limit,
            Dropout = dropout,
            Kind = kind,
            Filtering = filter,
        };

    private static readonly Gen<Board> Boards =
        from name in Names
        from target in Names.Null()
        from controller in Gen.OneOfConst("F4", "F7", "H7")
        from nets in Gen.Select(
            Names,
            Numbers,
            Gen.Enum<BootLevel>(),
            (n, v, b) =>
                new Net
                {
                    Id = n,
                    MaxVolts = v,
                    AtBoot = b,
                }
        ).List[1, 6]
        from rails in Rails.List[1, 4]
        from bridges in Gen.Select(
            Names,
            Names.List[1, 3],
            Gen.Int[0, 9],
            Gen.Enum<MovedBy>(),
            (n, p, d, m) =>
                new Bridge
                {
                    Id = n,
                    Positions = p,
                    Default = p[d % p.Count],
                    MovedBy = m,
                }
        ).List[0, 2]
        from ports in Gen.Select(
            Names,
            Gen.Enum<PortKind>(),
            Gen.Int[0, 99].List[6],
            Names,
            (id, kind, n, held) => PortOf(id, kind, n, nets, held)
        ).List[0, 4]
        from pads in Gen.Select(
            Names,
            Names,
            Gen.Enum<BoardSide>(),
            Gen.Select(Numbers, Numbers),
            Names.Null(),
            Gen.Enum<PadMeaning>(),
            Gen.Select(Elements.List[0, 2], Gen.Int[0, 99], (e, i) => PathOf(e, i, nets, rails)).List[0, 2],
            PadOf
        ).List[0, 12]
        from sockets in Gen.Select(
            Names,
            Names,
            Gen.OneOfConst("1.25 mm, 3 pins", "odd", "1.0 mm, 9 pins", PlugFamily.Unknown(3)),
            Gen.Int[0, 3],
            (id, label, family, at) => (id, label, family, at)
        ).List[0, 2]
        select new Board
        {
            Id = "x-" + name,
            Maker = name,
            Name = name,
            Revision = "1",
            Target = target,
            Controller = controller,
            Nets = [.. nets.DistinctBy(n => n.Id)],
            Rails = [.. rails.DistinctBy(r => r.Id)],
            Bridges = [.. bridges.DistinctBy(b => b.Id)],
            Ports = [.. ports.DistinctBy(p => p.Id.ToUpperInvariant())],
            Pads = [.. pads.DistinctBy(p => p.Id)],
            Plugs = [.. sockets.DistinctBy(s => s.id).Select((s, i) => PlugOf(s, i, [.. pads.DistinctBy(p => p.Id)]))],
        };

    [Fact]
    public void The_text_of_any_board_gives_the_same_board_again() =>
        Boards.Holds(
            board =>
            {
                var text = LeafletText.Write(board);
                var read = LeafletText.Read(text);
                Assert.True(
                    read.Problems.Count == 0,
                    $"{string.Join('\n', read.Problems.Select(p => p.Finding.Sentence))}\n{text}"
                );
                Assert.Equal(LeafletTextTests.Json(board), LeafletTextTests.Json(read.Board));
            },
            of: 500
        );

    // Any text is answered, whatever it is.
    [Fact]
    public void Any_text_is_read_or_told_where_it_cannot_be() =>
        Gen.Char["AZaz09 .:=?[](),|>\"\\#~-+\n\t\u00A0\u2013\u201Cportrailwstp"]
            .Array[0, 120]
            .Select(c => new string(c))
            .Holds(
                text =>
                {
                    var read = LeafletText.Read(text);
                    BoardLook.Of(read.Board);
                    Assert.All(read.Problems, p => Assert.InRange(p.Line, 1, text.Length + 1));
                },
                of: 1_000
            );

    private static Gen<T?> Perhaps<T>(Gen<T> gen)
        where T : struct => Gen.Select(gen, Gen.Bool, T? (value, there) => there ? value : null);

    private static Port PortOf(string id, PortKind kind, List<int> picks, List<Net> nets, string held)
    {
        string? Net(int pick) => pick % 3 == 0 ? null : nets[pick % nets.Count].Id;
        return new Port
        {
            Id = id,
            Kind = kind,
            Rx = Net(picks[0]),
            Tx = Net(picks[1]),
            Data = kind == PortKind.Bus ? Net(picks[2]) : null,
            Clock = kind == PortKind.Bus ? Net(picks[3]) : null,
            HeldBy = picks[4] % 2 == 0 ? held : null,
            Usb = picks[4] % 5 == 0 ? UsbSharing.Shared : UsbSharing.Apart,
            ClockMegahertz = picks[5] % 3 == 0 ? picks[5] : null,
            AdvisedFor = picks[5] % 4 == 0 ? [Need.Osd, Need.RcLink] : [],
            Channels = picks[5] % 7 == 0 ? [nets[0].Id] : [],
            Addresses = picks[5] % 6 == 0 ? [new AddressInUse { Address = 13, By = held }] : [],
            Alternatives = Net(picks[3]) is { } rx ? [new PinChoice { Name = held, Rx = rx }] : [],
        };
    }

    private static PadPath PathOf(List<PathElement> through, int pick, List<Net> nets, List<Rail> rails) =>
        pick % 2 == 0
            ? new PadPath { Through = through, Net = nets[pick % nets.Count].Id }
            : new PadPath { Through = through, Rail = rails[pick % rails.Count].Id };

    private static Pad PadOf(
        string id,
        string label,
        BoardSide side,
        (double X, double Y) at,
        string? group,
        PadMeaning meaning,
        List<PadPath> paths
    ) =>
        new()
        {
            Id = id,
            Label = label,
            Side = side,
            X = at.X,
            Y = at.Y,
            Group = group,
            Meaning = paths.Count == 0 && meaning == PadMeaning.Sure ? PadMeaning.Uncertain : meaning,
            Paths = paths,
        };

    private static BoardPlug PlugOf(
        (string Id, string Label, string Family, int At) socket,
        int index,
        List<Pad> pads
    ) =>
        new()
        {
            Id = socket.Id,
            Label = socket.Label,
            Family = socket.Family,
            Pins =
            [
                .. pads.Skip((index * 4) + socket.At).Take(4 - socket.At).Select(p => new BoardPin { Pad = p.Id }),
                new BoardPin(),
            ],
        };
}
