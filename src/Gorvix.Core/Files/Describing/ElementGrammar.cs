using Gorvix.Core.Hardware.Parts;
using Superpower;
using Superpower.Parsers;
using T = Gorvix.Core.Files.Describing.LeafletToken;

namespace Gorvix.Core.Files.Describing;

/// <summary>What lies between a pad and its end, seen from the pad: <c>J4=inverted &gt; inverter &gt; U4.RX</c>.</summary>
internal static class ElementGrammar
{
    private static readonly TokenListParser<T, Passage> Passes = Terms
        .Key("in")
        .Value(Passage.ToController)
        .Or(Terms.Key("out").Value(Passage.ToPad))
        .Or(Terms.Key("both").Value(Passage.Both));

    private static readonly TokenListParser<T, PathElement> Inverter =
        from key in Terms.Key("inverter")
        from passes in Passes.OptionalOrDefault(Passage.ToController)
        from stands in Volts("max")
        from before in Volts("stands")
        from drives in Volts("drives")
        select (PathElement)
            new Inverter
            {
                Direction = passes,
                Stands = stands ?? before,
                Drives = drives,
            };

    private static readonly TokenListParser<T, PathElement> Divider =
        from key in Terms.Key("divider")
        from ratio in Terms.Number("")
        select (PathElement)new Divider { Ratio = ratio };

    private static readonly TokenListParser<T, PathElement> Diode =
        from key in Terms.Key("diode")
        from passes in Passes.OptionalOrDefault(Passage.ToController)
        from volts in Terms.Number("V")
        select (PathElement)new Diode { Direction = passes, Volts = volts };

    // 150 ohm, 1 kohm, 10k
    private static readonly TokenListParser<T, PathElement> Resistor =
        from ohms in (
            from number in Terms.Number("ohm")
            from unit in Terms
                .Key("Ω")
                .Value(1.0)
                .Or(Terms.Key("ohms").Value(1.0))
                .Or(Terms.Key("k").Or(Terms.Key("kohm")).Or(Terms.Key("kΩ")).Value(1000.0))
                .OptionalOrDefault(1)
            select number * unit
        )
            .Try()
            .Or(Terms.Number("k").Select(n => n * 1000))
        select (PathElement)new Resistor { Ohms = ohms };

    /// <summary>One way: elements, each with its arrow, then the end.</summary>
    public static TokenListParser<T, Way> Way(TokenListParser<T, EndName> end)
    {
        var name = Token
            .EqualTo(T.Word)
            .Select(t => LeafletTokens.Tidy(t.ToStringValue()))
            .Or(Token.EqualTo(T.Text).Select(LeafletTokens.Unquote));
        var contact =
            from bridge in name
            from equal in Token.EqualTo(T.Equal)
            from position in name
            select (PathElement)new Contact { Bridge = bridge, Position = position };
        var element = contact
            .Try()
            .Or(Inverter.Try())
            .Or(Divider.Try())
            .Or(Diode.Try())
            .Or(Resistor.Try())
            .Named("an element: inverter, divider, diode, resistor (150 ohm) or solder jumper (J4=raw)");
        return from through in element.Then(e => Token.EqualTo(T.To).Value(e)).Try().Many()
            from to in end
            select new Way(through, to);
    }

    private static TokenListParser<T, double?> Volts(string key) =>
        Terms.Key(key).IgnoreThen(Terms.Number("V")).Select(double? (v) => v).OptionalOrDefault();
}
