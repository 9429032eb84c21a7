using CsCheck;
using Gorvix.Core.Files.Describing;
using Gorvix.Core.Files.Formats;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Protocols;
using Gorvix.Core.Tests.Describing;
using Gorvix.Core.Work.Tables;

namespace Gorvix.Core.Tests.Tables;

/// <summary>Pads and devices as lists for a spreadsheet (RFC 4180), out and in again.</summary>
public class ListTests
{
    private static readonly Board Quoin = Demo.Library.Boards.First(b => b.Pads.Count > 20 && b.Plugs.Count > 1);

    [Fact]
    public void The_pads_of_every_demo_board_come_back_to_the_last_member() =>
        Assert.All(
            Demo.Library.Boards,
            board => Assert.Equal(Text(board), Text(Assert.Single(File(PadTable.Write([board])).Boards)))
        );

    [Fact]
    public void All_boards_in_one_list_come_back_in_its_order() =>
        Assert.Equal(Demo.Library.Boards.Select(Text), File(PadTable.Write(Demo.Library.Boards)).Boards.Select(Text));

    [Fact]
    public void The_devices_of_the_demo_come_back_to_the_last_member()
    {
        var back = File(DeviceTable.Write(Demo.Library.Devices)).Devices;
        Assert.Equal(Demo.Library.Devices.Select(Text), back.Select(Text));
    }

    /// <summary>Names out of every corner of the alphabet, quotes, commas and line ends among them.</summary>
    [Fact]
    public void Pads_of_any_name_in_any_place_come_back() =>
        Gen.Select(
                Gen.OneOfConst(Demo.Library.Boards.ToArray()),
                AnyBoardTests.Names.List[8],
                Gen.Int[0, 200_000].List[8],
                Gen.Enum<BoardSide>().List[8]
            )
            .Select((board, names, spots, sides) => Renamed(board, names, spots, sides))
            .Holds(
                board =>
                {
                    var read = ListReader.ReadPads(PadTable.Write([board]), board);
                    Assert.True(read.Problem is null, read.Problem?.Sentence);
                    Assert.Equal(Text(board), Text(read.Board!));
                },
                of: 500
            );

    private static Board Renamed(Board board, List<string> names, List<int> spots, List<BoardSide> sides) =>
        board with
        {
            Pads =
            [
                .. board.Pads.Select(
                    (p, i) =>
                        i < 8
                            ? p with
                            {
                                Label = names[i].Trim() is { Length: > 0 } label ? label : "x",
                                Group = names[7 - i].Trim() is { Length: > 0 } group ? group : null,
                                X = spots[i] / 1000.0,
                                Y = spots[7 - i] / 1000.0,
                                Side = sides[i],
                            }
                            : p
                ),
            ],
        };

    /// <summary>As a spreadsheet saves it where a comma parts the decimals.</summary>
    [Theory]
    [InlineData(";")]
    [InlineData("\t")]
    public void A_list_with_other_separators_and_decimal_commas_is_read(string separator)
    {
        var list = "\uFEFFLabel|Side|X|Y|Leads to\r\nR1|bottom|3,5|8,25|\"5V\"\r\n\r\nT1|top|1.5|2|5V\r\n".Replace(
            "|",
            separator
        );
        var pads = ListReader.ReadPads(list, Quoin).Board!.Pads;
        Assert.Equal([(3.5, 8.25, BoardSide.Bottom), (1.5, 2, BoardSide.Top)], pads.Select(p => (p.X, p.Y, p.Side)));
        Assert.All(pads, p => Assert.NotNull(Assert.Single(p.Paths).Rail));
    }

    [Fact]
    public void Rows_end_in_CR_LF_and_quotes_stand_only_where_they_are_needed()
    {
        var text = PadTable.Write([Quoin]);
        Assert.All(text.Split('\n')[..^1], line => Assert.EndsWith("\r", line));
        Assert.StartsWith("board,pad,label,meaning,leads to,side,x,y,group,socket,family,pin\r\n", text);
        Assert.Contains("\"1.25 mm, 6 pins\"", PadTable.Write(Demo.Library.Boards));
    }

    [Fact]
    public void A_row_of_labels_is_enough_and_is_read_and_laid_as_a_typed_row_is()
    {
        var bare = LeafletText.Read("maker A\nboard B\nrevision 1\nsize 36 x 36 mm\ncontroller F4\n").Board;
        var typed = LeafletText
            .Read("maker A\nboard B\nrevision 1\nsize 36 x 36 mm\ncontroller F4\ntop left: R1 T1 5V G\n")
            .Board;
        var read = ListReader.ReadPads("label,group\nR1,left\nT1,left\n5V,left\nG,left\n", bare);
        Assert.Null(read.Problem);
        Assert.Equal(Text(typed), Text(read.Board!));
    }

    [Fact]
    public void A_pad_that_only_its_label_names_keeps_the_id_that_builds_know()
    {
        var labels = Quoin.Pads.GroupBy(p => p.Label).Where(g => g.Count() == 1).Select(g => g.Single()).ToList();
        var read = ListReader.ReadPads("label\n" + string.Join('\n', labels.Select(p => p.Label)), Quoin);
        Assert.Equal(labels.Select(p => p.Id), read.Board!.Pads.Select(p => p.Id));
    }

    [Fact]
    public void A_new_device_is_made_of_its_rows()
    {
        const string list = """
            device,maker,name,kind,lead,label,role,colour,plug,pin,min V,max V,typical A,does
            fen-one,Fenby,One,receiver,,5V,supply,red,"1.25 mm, 4 pins",1,4.5,8.4,0.1,
            fen-one,,,,,G,ground,black,,2,,,,
            fen-one,,,,,TX,signal,,,3,,,,control/crsf CRSF out; control/sbus SBUS out inverted
            fen-one,,,,,RX,signal,,,4,,,,control/crsf CRSF in
            """;
        var device = Assert.Single(File(list).Devices);
        Assert.Equal(("Fenby", "One", DeviceKind.Receiver), (device.Maker, device.Name, device.Kind));
        Assert.Equal(["5v", "g", "tx", "rx"], device.Plug!.Pins.Select(p => p.Lead));
        Assert.Equal(0.1, Assert.Single(device.Supplies).Typical);
        Assert.Null(device.Supplies[0].Peak);
        var control = Assert.Single(device.Functions);
        Assert.Equal(["crsf", "sbus"], control.Modes.Select(m => m.Id));
        Assert.Equal(["tx", "rx"], control.Modes[0].Lines.Select(l => l.Lead));
        Assert.Equal(Polarity.Inverted, control.Modes[1].Lines[0].Polarity);
    }

    /// <summary>A cell that begins as a formula would be worked out by the spreadsheet; pads are called "+" all the same.</summary>
    [Theory]
    [InlineData("+")]
    [InlineData("=1+2")]
    [InlineData("-")]
    [InlineData("@x")]
    [InlineData("'+")]
    [InlineData("a\"b,c\r\nd")]
    public void A_label_that_a_spreadsheet_would_work_out_is_safe_and_comes_back(string label)
    {
        var board = Quoin with { Pads = [.. Quoin.Pads.Select((p, i) => i == 0 ? p with { Label = label } : p)] };
        var text = PadTable.Write([board]);
        Assert.DoesNotContain($",{label},", text);
        Assert.Equal(label, ListReader.ReadPads(text, Quoin).Board!.Pads[0].Label);
    }

    [Theory]
    [InlineData("board,label\nnowhere,R1\n", "Row 2: \"board\" names \"nowhere\"")]
    [InlineData(
        "board,label,colour\nx,R1,red\n",
        "The list cannot be imported: \"colour\" is not a column of this list."
    )]
    [InlineData("board,label,label\nx,R1,R2\n", "\"label\" appears twice")]
    [InlineData("board,pad\nx,R1\n", "\"label\" is missing")]
    [InlineData("board,label\n,R1\n", "Row 2: \"board\" is empty")]
    [InlineData("board,label\n\"x,R1\n", "are not closed")]
    [InlineData("board,label\nx,R\uFFFD\n", "UTF-8")]
    [InlineData("device,label,role\nd,TX,signal\n", "Row 2: \"maker\" is empty in the first row of a new device")]
    [InlineData(
        "device,maker,name,kind,label,role\nd,a,b,toaster,TX,signal\n",
        "\"kind\" says \"toaster\". Known: receiver,"
    )]
    [InlineData(
        "device,maker,name,kind,label,role,does\nd,a,b,receiver,TX,signal,fly CRSF\n",
        "cannot be read at \"fly CRSF\""
    )]
    [InlineData(
        "device,maker,name,kind,label,role,does\nd,a,b,receiver,TX,signal,fly/x CRSF out\n",
        "names an unknown function \"fly\""
    )]
    [InlineData("device,maker,name,kind,label,role,does\nd,a,b,receiver,TX,signal,control/x ABC out\n", "d: ")]
    [InlineData("device,maker,name,kind,label,role,min v\nd,a,b,receiver,V,supply,4\n", "an incomplete voltage range")]
    [InlineData(
        "device,maker,name,kind,label,role,min v,max v\nd,a,b,receiver,V,supply,4 V,5\n",
        "\"min v\" says \"4 V\""
    )]
    [InlineData(
        "device,maker,name,kind,label,role,plug,pin\nd,a,b,receiver,V,supply,p,0\n",
        "Row 2: \"pin\" says \"0\". Enter a whole number from 1 to 24."
    )]
    [InlineData(
        "device,maker,name,kind,label,role,plug,pin\nd,a,b,receiver,V,supply,p,1\nd,,,,G,ground,p,1\n",
        "Row 3: \"pin\" says 1, but lead \"v\" is already there."
    )]
    public void What_is_wrong_is_told_by_row_and_column_with_a_mend(string list, string says)
    {
        var read = ListReader.Read(list, Demo.Library);
        Assert.Null(read.File);
        Assert.Contains(says, Assert.Single(read.Findings).Sentence);
    }

    [Fact]
    public void A_way_that_cannot_be_read_is_told_by_its_row() =>
        Assert.StartsWith(
            "Row 3: cannot read where pad R2 leads: unexpected `>`.",
            ListReader.ReadPads("label,leads to\nR1,U1.RX\nR2,U2 > > 5V\n", Quoin).Problem!.Sentence
        );

    [Fact]
    public void An_end_that_the_board_does_not_have_is_told_by_its_row() =>
        Assert.StartsWith(
            "Row 2: there is no rail \"steam\"",
            ListReader.ReadPads("label,leads to\nR1,steam\n", Quoin).Problem!.Sentence
        );

    /// <summary>A request's size is not the work's size: modes are compared with each other.</summary>
    [Fact]
    public void More_modes_than_anybody_has_are_refused_before_they_are_compared()
    {
        var does = string.Join(';', Enumerable.Range(0, 500).Select(n => $"control/m{n} CRSF out"));
        var read = ListReader.Read(
            $"device,maker,name,kind,label,role,does\nd,a,b,receiver,TX,signal,{does}\n",
            Demo.Library
        );
        Assert.Contains("lists more than 16 modes for \"control\"", Assert.Single(read.Findings).Sentence);
    }

    [Fact]
    public void A_file_that_is_no_list_is_read_as_a_Gorvix_file() =>
        Assert.Equal("FILE-SHAPE", Assert.Single(ListReader.Read("[1, 2]", Demo.Library).Findings).Rule);

    private static GorvixFile File(string list)
    {
        var read = ListReader.Read(list, Demo.Library);
        Assert.True(read.File is not null, string.Join('\n', read.Findings.Select(f => f.Sentence)));
        return read.File;
    }

    private static string Text<T>(T part) => System.Text.Json.JsonSerializer.Serialize(part, GorvixJson.Compact);
}
