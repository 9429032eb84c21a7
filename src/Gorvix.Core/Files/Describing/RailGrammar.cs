using Gorvix.Core.Hardware.Parts;
using Superpower;
using Superpower.Parsers;
using Line = Superpower.TokenListParser<
    Gorvix.Core.Files.Describing.LeafletToken,
    Gorvix.Core.Files.Describing.Statement
>;
using T = Gorvix.Core.Files.Describing.LeafletToken;

namespace Gorvix.Core.Files.Describing;

/// <summary><c>rail 4V5: 4.5 V regulator or USB from 5V, dropout 0.5 V, up to 0.5 A, switching, filtered</c>.</summary>
internal static class RailGrammar
{
    private static readonly TokenListParser<T, RailFeed> Feed = Terms
        .Key("ground")
        .Value(RailFeed.Ground)
        .Or(Terms.Key("battery").Value(RailFeed.Battery))
        .Or(Terms.Key("booster").Value(RailFeed.Booster))
        .Or(
            Terms
                .Key("regulator")
                .IgnoreThen(
                    Terms
                        .Key("or")
                        .IgnoreThen(Terms.Key("usb"))
                        .Value(RailFeed.RegulatorOrUsb)
                        .OptionalOrDefault(RailFeed.Regulator)
                )
        );

    private static readonly TokenListParser<T, Func<Rail, Rail>> Option = Terms
        .Key("dropout")
        .IgnoreThen(Terms.Number("V"))
        .Select<T, double, Func<Rail, Rail>>(v => r => r with { Dropout = v })
        .Or(
            Terms
                .Key("usb")
                .IgnoreThen(Terms.Key("unknown"))
                .Value<T, Superpower.Model.Token<T>, Func<Rail, Rail>>(r =>
                    r with
                    {
                        Feed = r.Feed == RailFeed.Regulator ? RailFeed.RegulatorUsbUnknown : r.Feed,
                    }
                )
        )
        .Or(
            Terms
                .Key("board")
                .IgnoreThen(Terms.Number("A"))
                .Select<T, double, Func<Rail, Rail>>(a => r => r with { Own = a })
        )
        .Or(
            Terms
                .Key("up")
                .IgnoreThen(Terms.Key("to"))
                .IgnoreThen(Terms.Number("A"))
                .Select<T, double, Func<Rail, Rail>>(a => r => r with { Limit = a })
        )
        .Or(
            Terms
                .Key("efficiency")
                .IgnoreThen(Terms.Number("%"))
                .Select<T, double, Func<Rail, Rail>>(p => r => r with { Efficiency = Math.Round(p / 100, 11) })
        )
        .Or(
            Terms
                .Key("quiescent")
                .Or(Terms.Word("itself"))
                .IgnoreThen(Terms.Number("A"))
                .Select<T, double, Func<Rail, Rail>>(a => r => r with { Quiescent = a })
        )
        .Or(
            Terms
                .Key("linear")
                .Value<T, Superpower.Model.Token<T>, Func<Rail, Rail>>(r => r with { Kind = RegulatorKind.Linear })
        )
        .Or(
            Terms
                .Key("switching")
                .Value<T, Superpower.Model.Token<T>, Func<Rail, Rail>>(r => r with { Kind = RegulatorKind.Switching })
        )
        .Or(
            Terms
                .Key("filtered")
                .Value<T, Superpower.Model.Token<T>, Func<Rail, Rail>>(r => r with { Filtering = Filtering.Filtered })
        )
        .Or(
            Terms
                .Key("unfiltered")
                .Value<T, Superpower.Model.Token<T>, Func<Rail, Rail>>(r => r with { Filtering = Filtering.Unfiltered })
        );

    /// <summary>The line of a rail.</summary>
    public static Line Rail(TokenListParser<T, Named> name, TokenListParser<T, string> id) =>
        from key in Terms.Key("rail")
        from label in name
        from own in id.Maybe()
        from colon in Token.EqualTo(T.Colon)
        from volts in Terms.Number("V").Select(double? (v) => v).OptionalOrDefault()
        from feed in Feed
        from hangs in Terms.Key("from").IgnoreThen(name).Maybe()
        from options in Token.EqualTo(T.Comma).IgnoreThen(Option).Many()
        select (Statement)
            new RailLine(
                label,
                own,
                options.Aggregate(
                    new Rail
                    {
                        Id = "",
                        Label = label.Text,
                        Volts = volts ?? (feed == RailFeed.Ground ? 0 : null),
                        Feed = feed,
                    },
                    (rail, option) => option(rail)
                ),
                hangs
            );
}
