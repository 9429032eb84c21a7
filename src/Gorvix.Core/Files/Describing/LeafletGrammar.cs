using Gorvix.Core.Hardware.Parts;
using Superpower;
using Superpower.Model;
using Superpower.Parsers;
using Line = Superpower.TokenListParser<
    Gorvix.Core.Files.Describing.LeafletToken,
    Gorvix.Core.Files.Describing.Statement
>;
using T = Gorvix.Core.Files.Describing.LeafletToken;

namespace Gorvix.Core.Files.Describing;

/// <summary>The lines of a leaflet text, each by the word that begins it; any other line is a socket. docs/board-text.md tells them to builders.</summary>
internal static class LeafletGrammar
{
    private static readonly TokenListParser<T, Named> Name = Token
        .EqualTo(T.Word)
        .Select(t => new Named(LeafletTokens.Tidy(t.ToStringValue()), t.Position.Column))
        .Or(Token.EqualTo(T.Text).Select(t => new Named(LeafletTokens.Unquote(t), t.Position.Column)))
        .Named("a name");

    private static readonly TokenListParser<T, Token<T>> Comma = Token.EqualTo(T.Comma);
    private static readonly TokenListParser<T, Token<T>> Colon = Token.EqualTo(T.Colon);

    private static readonly TokenListParser<T, string> Id = Name.Between(Token.EqualTo(T.Open), Token.EqualTo(T.Close))
        .Select(n => n.Text);

    private static readonly TokenListParser<T, Spot> Point =
        from x in Terms.Number("mm")
        from comma in Comma
        from y in Terms.Number("mm")
        select new Spot(x, y);

    private static readonly TokenListParser<T, Lay> Placed =
        from at in Terms.Key("at")
        from first in Point
        from step in Terms.Key("step").IgnoreThen(Point).OptionalOrDefault(new Spot(0, 0))
        select new Lay(first, step);

    private static readonly TokenListParser<T, EndName> End = Token
        .EqualTo(T.Word)
        .Where(t => t.ToStringValue().StartsWith('~'), "a net")
        .Then(t =>
            t.ToStringValue() == "~"
                ? Name.Select(n => new EndName(n.Text, null, true, n.Column))
                : Parse.Return<T, EndName>(
                    new EndName(LeafletTokens.Tidy(t.ToStringValue()[1..]), null, true, t.Position.Column)
                )
        )
        .Try()
        .Or(
            from port in Token.EqualTo(T.Text)
            from half in Token
                .EqualTo(T.Word)
                .Where(t => t.ToStringValue().StartsWith('.'), "a port signal (.RX)")
                .OptionalOrDefault()
            select new EndName(
                LeafletTokens.Unquote(port),
                half.HasValue ? half.ToStringValue()[1..] : null,
                false,
                port.Position.Column
            )
        )
        .Or(Token.EqualTo(T.Word).Select(t => EndIn(LeafletTokens.Tidy(t.ToStringValue()), t.Position.Column)))
        .Named("a rail or a port signal (U3.RX)");

    private static readonly TokenListParser<T, PadName> Pad =
        from label in Name
        from first in Id.Maybe()
        from doubt in Token.EqualTo(T.Doubt).OptionalOrDefault()
        from end in Token.EqualTo(T.Equal).IgnoreThen(End).Maybe()
        from last in Id.Maybe()
        let id = first ?? last
        from at in Point.Between(Token.EqualTo(T.Left), Token.EqualTo(T.Right)).Maybe()
        select IsNothing(end)
            ? new PadName(label, doubt.HasValue, null, true, id, at)
            : new PadName(label, doubt.HasValue, end, false, id, at);

    // A dash is a place without a pad, or a cavity that leads nowhere.
    private static readonly TokenListParser<T, PadName?> Cell = Terms
        .Word("-")
        .Value((PadName?)null)
        .Try()
        .Or(Pad.Select(PadName? (p) => p));

    private static readonly TokenListParser<T, string?> RowName = Token
        .EqualTo(T.Text)
        .Select(string? (t) => LeafletTokens.Unquote(t))
        .Or(
            Token
                .EqualTo(T.Word)
                .Where(t => !Terms.IsWord(t, "at") && !Terms.IsWord(t, "group"), "a position")
                .AtLeastOnce()
                .Select(string? (words) => string.Join(' ', words.Select(w => LeafletTokens.Tidy(w.ToStringValue()))))
        )
        .OptionalOrDefault();

    private static readonly TokenListParser<T, BoardSide> Side = Terms
        .Key("top")
        .Value(BoardSide.Top)
        .Or(Terms.Key("bottom").Value(BoardSide.Bottom));

    private static readonly Line Row =
        from side in Side
        from name in RowName
        from lay in Placed.Maybe()
        from colon in Colon
        from pads in Cell.Many()
        select (Statement)new RowLine(side, name, lay, pads);

    // What stands in the brackets is taken as it is printed: "1.25 mm", or in quotes word for word.
    private static readonly TokenListParser<T, string> Family = Token
        .EqualTo(T.Left)
        .IgnoreThen(
            Token
                .EqualTo(T.Text)
                .Select(t => "=" + LeafletTokens.Unquote(t))
                .Or(
                    Token
                        .EqualTo(T.Word)
                        .Or(Comma)
                        .AtLeastOnce()
                        .Select(all =>
                            string.Concat(
                                all.Select(
                                    (t, i) =>
                                        (i > 0 && t.Kind == T.Word ? " " : "") + LeafletTokens.Tidy(t.ToStringValue())
                                )
                            )
                        )
                )
        )
        .Then(family => Token.EqualTo(T.Right).Value(family));

    private static readonly Line Socket =
        from label in Name
        from id in Id.Maybe()
        from family in Family.Maybe()
        from side in Side.OptionalOrDefault()
        from name in RowName
        from lay in Placed.Maybe()
        from @group in Terms.Key("group").IgnoreThen(Name).Maybe()
        from colon in Colon
        from pads in Cell.AtLeastOnce()
        select (Statement)new SocketLine(label, id, family, side, name, lay, @group?.Text, pads);

    private static readonly Line Pins =
        from key in Terms.Key("pins")
        from label in Name
        from id in Id.Maybe()
        from family in Family.Maybe()
        from colon in Colon
        from pads in Terms.Word("-").Value((Named?)null).Try().Or(Name.Select(Named? (n) => n)).AtLeastOnce()
        select (Statement)new PinsLine(label, id, family, pads);

    /// <summary>The ways of a pad, with | between them.</summary>
    public static readonly TokenListParser<T, Way[]> PadWays = ElementGrammar
        .Way(End)
        .AtLeastOnceDelimitedBy(Token.EqualTo(T.Or));

    private static readonly Line Ways =
        from key in Terms.Key("ways")
        from pad in Name
        from colon in Colon
        from ways in PadWays
        select (Statement)new WaysLine(pad, ways);

    private static readonly Line Controller =
        from key in Terms.Key("controller")
        from name in Name
        from stands in Comma
            .IgnoreThen(Terms.Key("pins"))
            .IgnoreThen(Terms.Key("max").Or(Terms.Word("stand")))
            .IgnoreThen(Terms.Number("V"))
            .Select(double? (v) => v)
            .OptionalOrDefault()
        select (Statement)new ControllerLine(name.Text.ToUpperInvariant(), stands);

    private static readonly Line Input =
        from key in Terms.Key("input")
        from low in Terms.Number("V")
        from to in Terms.Key("to").Or(Terms.Word("-")).OptionalOrDefault()
        from high in Terms.Number("V")
        select (Statement)
            new ValueLine(
                "input",
                b =>
                    b with
                    {
                        Input = new VoltWindow { Min = low, Max = high },
                    }
            );

    private static readonly TokenListParser<T, Spot> Area =
        from width in Terms.Number("mm")
        from times in Terms.Key("x").Or(Terms.Key("×")).Or(Terms.Key("by"))
        from depth in Terms.Number("mm")
        select new Spot(width, depth);

    private static readonly Line Size =
        from key in Terms.Key("size")
        from area in Area
        select (Statement)
            new ValueLine(
                "size",
                b =>
                    b with
                    {
                        Outline = new BoardOutline { Width = area.X, Depth = area.Y },
                    }
            );

    private static readonly Line Holes =
        from key in Terms.Key("holes")
        from area in Area
        from bolt in Comma
            .OptionalOrDefault()
            .IgnoreThen(Token.EqualTo(T.Word).Where(t => t.ToStringValue().StartsWith('M'), "a screw size (M3)"))
            .Where(t => Terms.NumberIn(t.ToStringValue()[1..], "") is not null, "a screw size (M3)")
            .Select(double? (t) => Terms.NumberIn(t.ToStringValue()[1..], ""))
            .OptionalOrDefault()
        select (Statement)
            new ValueLine(
                "holes",
                b =>
                    b with
                    {
                        Mounting = new Mounting
                        {
                            Width = area.X,
                            Depth = area.Y,
                            Bolt = bolt,
                        },
                    }
            );

    private static readonly TokenListParser<T, BoardEdge> Edge = Terms.OneOf<BoardEdge>(
        "an edge: front, right, rear or left"
    );

    private static readonly Line Usb =
        from key in Terms.Key("usb")
        from edge in Edge
        select (Statement)new ValueLine("usb", b => b with { UsbSide = edge });

    private static readonly Line Arrow =
        from key in Terms.Key("arrow")
        from edge in Edge
        select (Statement)new ValueLine("arrow", b => b with { Arrow = edge });

    private static readonly Line Inside =
        from key in Terms.Key("inside")
        from name in Name
        from gives in Terms.Key("gives")
        from need in PortGrammar.Need
        select (Statement)new InsideLine(new BuiltIn { Name = name.Text, Gives = need });

    private static readonly Line Bridge =
        from key in Terms.Key("bridge")
        from name in Name
        from colon in Colon
        from positions in Name.AtLeastOnce()
        from comes in Comma.IgnoreThen(Terms.Key("default").Or(Terms.Word("comes"))).IgnoreThen(Name).Try().Maybe()
        from lies in Comma
            .IgnoreThen(Side)
            .Then(side =>
                Point.Select(at => new BridgePlace
                {
                    Side = side,
                    X = at.X,
                    Y = at.Y,
                })
            )
            .Try()
            .Maybe()
        from moved in Comma.IgnoreThen(Terms.Key("by")).IgnoreThen(Terms.Key("firmware")).OptionalOrDefault()
        select (Statement)
            new BridgeLine(
                new Bridge
                {
                    Id = name.Text,
                    Positions = [.. positions.Select(p => p.Text)],
                    Default = comes?.Text ?? positions[0].Text,
                    MovedBy = moved.HasValue ? MovedBy.Firmware : MovedBy.Solder,
                    Place = lies,
                }
            );

    private static readonly Line Net =
        from key in Terms.Key("net")
        from name in Name
        from says in Colon
            .IgnoreThen(
                Terms
                    .Key("max")
                    .Or(Terms.Word("stands"))
                    .IgnoreThen(Terms.Number("V"))
                    .Select(v => new NetLine("", v, null))
                    .Or(
                        Terms
                            .OneOf<BootLevel>("high, low, driven-low or chatters")
                            .Select(b => new NetLine("", null, b))
                    )
                    .AtLeastOnceDelimitedBy(Comma)
            )
            .OptionalOrDefault([])
        select (Statement)
            new NetLine(
                name.Text,
                says.FirstOrDefault(s => s.Stands is not null)?.Stands,
                says.FirstOrDefault(s => s.Boot is not null)?.Boot
            );

    /// <summary>Each line by the word that begins it. Lines that are one text to their end are read without a grammar.</summary>
    public static readonly IReadOnlyDictionary<string, Line> Lines = new Dictionary<string, Line>(
        StringComparer.OrdinalIgnoreCase
    )
    {
        ["controller"] = Controller,
        ["input"] = Input,
        ["size"] = Size,
        ["holes"] = Holes,
        ["usb"] = Usb,
        ["arrow"] = Arrow,
        ["rail"] = RailGrammar.Rail(Name, Id),
        ["net"] = Net,
        ["port"] = PortGrammar.Port(Name),
        ["bridge"] = Bridge,
        ["inside"] = Inside,
        ["top"] = Row,
        ["bottom"] = Row,
        ["ways"] = Ways,
        ["pins"] = Pins,
    };

    /// <summary>A line that begins with none of those words.</summary>
    public static readonly Line Other = Socket;

    // A rail that is really called "nc" stands in quotes.
    private static EndName EndIn(string word, int column)
    {
        if (string.Equals(word, "nc", StringComparison.OrdinalIgnoreCase))
        {
            return new EndName("", null, false, column);
        }
        var dot = word.LastIndexOf('.');
        return dot > 0 && dot < word.Length - 1 && !char.IsAsciiDigit(word[dot + 1])
            ? new EndName(word[..dot], word[(dot + 1)..], false, column)
            : new EndName(word, null, false, column);
    }

    private static bool IsNothing(EndName? end) => end is { Name: "", Half: null, Net: false };
}
