using Fluid;
using Fluid.Ast;
using Fluid.Values;

namespace Gorvix.Core.Wired.Settings;

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
        var (line, tags, at) = (1, 0, 0);
        while (at < template.Length)
        {
            if (template[at] != '{' || at + 1 >= template.Length || template[at + 1] is not ('{' or '%'))
            {
                line += template[at++] == '\n' ? 1 : 0;
                continue;
            }
            var isTag = template[at + 1] == '%';
            var (length, depth) = Inside(template.AsSpan(at + 2), isTag ? '%' : '}');
            var inside = template.AsSpan(at + 2, length);
            if (length > MostInside)
            {
                return (Sentences.ATagHasCharactersInside(length, MostInside), line);
            }
            if (depth > MostDeep)
            {
                return (Sentences.BracketsAreNestedMoreThan(MostDeep), line);
            }
            if (isTag)
            {
                var word = inside.Trim("- \t\r\n").ToString().Split((char[]?)null, 2)[0];
                tags =
                    word.StartsWith("end", StringComparison.Ordinal) ? Math.Max(0, tags - 1)
                    : Opening.Contains(word) ? tags + 1
                    : tags;
                if (tags > MostDeep)
                {
                    return (Sentences.TagsAreNestedMoreThan(MostDeep), line);
                }
            }
            line += inside.Count('\n');
            at += 2 + length;
        }
        return null;
    }

    // How far a tag goes, and how deep its brackets stand in each other. An end or a bracket inside quotes is none; a quote that nobody closes goes
    // on to the end of the text.
    private static (int Length, int Depth) Inside(ReadOnlySpan<char> text, char close)
    {
        var (now, most) = (0, 0);
        for (var at = 0; at < text.Length; at++)
        {
            switch (text[at])
            {
                case '\'' or '"':
                    at = Quoted(text, at);
                    break;
                case '(' or '[':
                    most = Math.Max(most, ++now);
                    break;
                case ')' or ']':
                    now--;
                    break;
                case var c when c == close && at + 1 < text.Length && text[at + 1] == '}':
                    return (at, most);
            }
        }
        return (text.Length, most);
    }

    // Where the quote closes that opens here; a backslash takes the next letter as it is.
    private static int Quoted(ReadOnlySpan<char> text, int open)
    {
        for (var at = open + 1; at < text.Length; at++)
        {
            if (text[at] == '\\')
            {
                at++;
            }
            else if (text[at] == text[open])
            {
                return at;
            }
        }
        return text.Length;
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
                ? throw new FormLimitException(Sentences.TheFilterProducesMoreThan(name, MostItems))
                : made;

            void Check(long characters)
            {
                if (characters > MostText)
                {
                    throw new FormLimitException(Sentences.TheFilterProducesMoreThanCharacters(name, MostText));
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
                Against ??= Sentences.ARangeNeedsTwoPlain(MostRange);
            }
            return base.VisitRangeExpression(rangeExpression);
        }

        // What stands in an index or is handed to a call is an expression like any other; the library's own visitor passes it by.
        protected override Expression VisitMemberExpression(MemberExpression memberExpression)
        {
            foreach (var segment in memberExpression.Segments)
            {
                if (segment is IndexerSegment index)
                {
                    Visit(index.Expression);
                }
                else if (segment is FunctionCallSegment call)
                {
                    foreach (var argument in call.Arguments)
                    {
                        Visit(argument.Expression);
                    }
                }
            }
            return base.VisitMemberExpression(memberExpression);
        }

        protected override Statement VisitCaptureStatement(CaptureStatement captureStatement)
        {
            Against ??= Sentences.TheTagCaptureIsNot;
            return base.VisitCaptureStatement(captureStatement);
        }
    }
}
