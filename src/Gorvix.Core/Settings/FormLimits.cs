using Fluid;
using Fluid.Ast;
using Fluid.Values;

namespace Gorvix.Core.Settings;

/// <summary>A template that wants more than it may have.</summary>
internal sealed class FormLimitException(string message) : Exception(message);

/// <summary>
/// What a template may not do, because a few characters of it could take all memory: long ranges, texts that double themselves, texts that
/// are caught and used again. The library bounds the steps; this bounds how much one step can make.
/// </summary>
internal static class FormLimits
{
    // Longer than any word of a sheet; a step makes no more.
    private const int MostText = 4_000;
    private const int MostItems = 2_000;
    private const int MostRange = 1_000;

    // A reader that goes down a step for each step of the text must not be sent down for ever.
    private const int MostInside = 500;

    /// <summary>How deep brackets and tags may stand in each other.</summary>
    public const int MostDeep = 40;

    private static readonly string[] Opening =
    [
        "if",
        "unless",
        "for",
        "case",
        "tablerow",
        "capture",
        "comment",
        "raw",
        "ifchanged",
    ];

    /// <summary>What is too deep in a template before it is read, with its line from 1; null where nothing is.</summary>
    public static (string Sentence, int Line)? TooDeep(string template)
    {
        var (line, tags) = (1, 0);
        for (var at = 0; at < template.Length; at++)
        {
            if (template[at] == '\n')
            {
                line++;
            }
            if (template[at] != '{' || at + 1 >= template.Length || template[at + 1] is not ('{' or '%'))
            {
                continue;
            }
            var close = template[at + 1] == '{' ? "}}" : "%}";
            var end = template.IndexOf(close, at + 2, StringComparison.Ordinal);
            var inside = template.AsSpan(at + 2, (end < 0 ? template.Length : end) - at - 2);
            if (inside.Length > MostInside)
            {
                return (
                    $"A tag has {inside.Length} characters inside; the limit is {MostInside}. Split it, or close it.",
                    line
                );
            }
            if (Depth(inside) > MostDeep)
            {
                return ($"Brackets are nested more than {MostDeep} deep.", line);
            }
            if (close == "%}")
            {
                var word = inside.Trim("- \t\r\n").ToString().Split((char[]?)null, 2)[0];
                tags =
                    word.StartsWith("end", StringComparison.Ordinal) ? Math.Max(0, tags - 1)
                    : Opening.Contains(word) ? tags + 1
                    : tags;
                if (tags > MostDeep)
                {
                    return ($"Tags are nested more than {MostDeep} deep.", line);
                }
            }
        }
        return null;
    }

    /// <summary>True where brackets stand deeper in each other than they may.</summary>
    public static bool IsTooDeep(ReadOnlySpan<char> text) => Depth(text) > MostDeep;

    private static int Depth(ReadOnlySpan<char> text)
    {
        var (now, most) = (0, 0);
        foreach (var c in text)
        {
            now +=
                c is '(' or '[' ? 1
                : c is ')' or ']' ? -1
                : 0;
            most = Math.Max(most, now);
        }
        return most;
    }

    /// <summary>What is forbidden in a template, as a sentence; null where nothing is.</summary>
    public static string? Against(IFluidTemplate template)
    {
        var visitor = new Visitor();
        visitor.VisitTemplate(template);
        return visitor.Against;
    }

    /// <summary>Every filter with its bounds.</summary>
    public static void Bound(FilterCollection filters)
    {
        foreach (var (name, filter) in filters.ToList())
        {
            filters.AddFilter(name, Bounded(name, filter));
        }
    }

    private static FilterDelegate Bounded(string name, FilterDelegate filter) =>
        async (input, arguments, context) =>
        {
            // These put one text into another as often as it finds room.
            if (name.StartsWith("replace", StringComparison.Ordinal) || name == "join")
            {
                var room =
                    name == "join"
                        ? Sizes(input, context)
                        : (long)(input.ToStringValue().Length + 1) * (arguments.At(1).ToStringValue().Length + 1);
                Check(room + ((long)Items(input) * arguments.At(0).ToStringValue().Length));
            }
            var made = await filter(input, arguments, context);
            Check(made.Type == FluidValues.String ? made.ToStringValue().Length : 0);
            return Items(made) > MostItems
                ? throw new FormLimitException($"The filter \"{name}\" produces more than {MostItems} items.")
                : made;

            void Check(long characters)
            {
                if (characters > MostText)
                {
                    throw new FormLimitException($"The filter \"{name}\" produces more than {MostText} characters.");
                }
            }
        };

    private static int Items(FluidValue value) => value is ArrayValue list ? list.Values.Count : 0;

    private static long Sizes(FluidValue value, TemplateContext context) =>
        value is ArrayValue list ? list.Values.Sum(v => (long)v.ToStringValue().Length) : value.ToStringValue().Length;

    private sealed class Visitor : AstVisitor
    {
        public string? Against { get; private set; }

        protected override Expression VisitRangeExpression(RangeExpression rangeExpression)
        {
            var isShort =
                rangeExpression
                    is { From: LiteralExpression { Value: var from }, To: LiteralExpression { Value: var to } }
                && from.ToNumberValue() is >= -MostRange and <= MostRange
                && to.ToNumberValue() is >= -MostRange and <= MostRange;
            if (!isShort)
            {
                Against ??= $"A range needs two plain numbers, neither beyond {MostRange}.";
            }
            return base.VisitRangeExpression(rangeExpression);
        }

        protected override Statement VisitCaptureStatement(CaptureStatement captureStatement)
        {
            Against ??= "The tag \"capture\" is not available: captured text can grow without limit.";
            return base.VisitCaptureStatement(captureStatement);
        }
    }
}
