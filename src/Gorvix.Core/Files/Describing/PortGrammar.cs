using Gorvix.Core.Hardware.Parts;
using Superpower;
using Superpower.Parsers;
using Line = Superpower.TokenListParser<
    Gorvix.Core.Files.Describing.LeafletToken,
    Gorvix.Core.Files.Describing.Statement
>;
using T = Gorvix.Core.Files.Describing.LeafletToken;

namespace Gorvix.Core.Files.Describing;

/// <summary><c>port U4: RX TX, or ALT (RX TX), for control, held by "the recorder"</c>.</summary>
internal static class PortGrammar
{
    /// <summary>A need by its name, written as <c>picture-text</c> or <c>pictureText</c>.</summary>
    public static readonly TokenListParser<T, Need> Need = Terms.OneOf<Need>(
        $"a function: {string.Join(", ", Enum.GetValues<Need>().Select(WordOf))}"
    );

    /// <summary>A name of an enumeration as the text has it: small letters, parted by dashes.</summary>
    public static string WordOf<TValue>(TValue value)
        where TValue : struct, Enum =>
        string.Concat(
            $"{value}".Select(
                (c, i) => i > 0 && char.IsUpper(c) ? $"-{char.ToLowerInvariant(c)}" : $"{char.ToLowerInvariant(c)}"
            )
        );

    /// <summary>The line of a port.</summary>
    public static Line Port(TokenListParser<T, Named> name)
    {
        var half =
            from word in Token.EqualTo(T.Word).Where(t => HalfOf(t.ToStringValue()) is not null, "RX, TX, SDA or SCL")
            from net in Token.EqualTo(T.Equal).IgnoreThen(name).Maybe()
            select new HalfName(HalfOf(word.ToStringValue())!, net?.Text);

        var other =
            from word in Terms.Key("or")
            from called in name
            from halves in half.AtLeastOnce().Between(Token.EqualTo(T.Left), Token.EqualTo(T.Right))
            select new PortPiece(p => p, (called.Text, halves));
        var advised =
            from word in Terms.Key("for")
            from needs in Need.AtLeastOnce()
            select Piece(p => p with { AdvisedFor = [.. p.AdvisedFor, .. needs] });
        var held =
            from word in Terms.Key("held")
            from how in Terms.Key("by")
            from what in name
            select Piece(p => p with { HeldBy = what.Text });
        var clock =
            from word in Terms.Key("clock")
            from rate in Terms.Number("MHz")
            select Piece(p => p with { ClockMegahertz = rate });
        var shared =
            from word in Terms.Key("shared")
            from how in Terms.Key("with")
            from usb in Terms.Key("usb")
            select Piece(p => p with { Usb = UsbSharing.Shared });
        var address =
            from word in Terms.Key("address")
            from number in Terms
                .Number("")
                .Where(n => n is >= 0 and <= 127 && n == Math.Truncate(n), "a 7-bit address from 0x08 to 0x77")
            from what in name
            select Piece(p =>
                p with
                {
                    Addresses = [.. p.Addresses, new AddressInUse { Address = (int)number, By = what.Text }],
                }
            );
        var channels =
            from word in Terms.Key("channels")
            from nets in name.AtLeastOnce()
            select Piece(p => p with { Channels = [.. nets.Select(n => n.Text)] });
        var reads =
            from word in Terms.Key("reads")
            from what in Terms.OneOf<AnalogueReading>("current, battery-voltage or RSSI")
            select Piece(p => p with { Reads = what });
        var option = reads.Or(other).Or(advised).Or(held).Or(clock).Or(shared).Or(address).Or(channels);

        return from key in Terms.Key("port")
            from called in name
            from kind in Terms.OneOf<PortKind>("a port type").OptionalOrDefault(PortKind.Uart)
            from halves in Token.EqualTo(T.Colon).IgnoreThen(half.Many()).OptionalOrDefault([])
            from options in Token.EqualTo(T.Comma).IgnoreThen(option).Many()
            select (Statement)
                new PortLine(
                    options.Aggregate(new Port { Id = called.Text, Kind = kind }, (port, piece) => piece.Apply(port)),
                    halves,
                    [.. options.Where(o => o.Other is not null).Select(o => o.Other!.Value)]
                );
    }

    /// <summary>RX, TX, SDA or SCL; null for any other word.</summary>
    public static string? HalfOf(string word) =>
        word.ToUpperInvariant() switch
        {
            "RX" or "IN" => "RX",
            "TX" or "OUT" => "TX",
            "SDA" or "DATA" => "SDA",
            "SCL" or "CLOCK" => "SCL",
            _ => null,
        };

    private static PortPiece Piece(Func<Port, Port> apply) => new(apply, null);

    private sealed record PortPiece(Func<Port, Port> Apply, (string Name, IReadOnlyList<HalfName> Halves)? Other);
}
