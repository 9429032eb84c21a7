using System.Diagnostics;
using System.Globalization;
using System.Runtime.ExceptionServices;
using System.Text;
using System.Text.RegularExpressions;
using Fluid;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;

namespace Gorvix.Core.Wired.Settings;

/// <summary>What a template made, or why it did not.</summary>
/// <param name="Text">The text; null where there is none.</param>
/// <param name="Error">What is wrong with it, as a sentence; null where nothing is.</param>
/// <param name="Line">The line of the template, from 1; null where it is about no line.</param>
public sealed record FormResult(string? Text, string? Error, int? Line);

/// <summary>
/// The sheet in the builder's own form: a Liquid template (the open template language, by a well-kept library) makes the text, and a pattern
/// (a regular expression without going back) reads what the board prints in its own form.
/// </summary>
public static class SheetForm
{
    /// <summary>The longest template and the longest pattern, in characters.</summary>
    public const int MostTemplate = FirmwareProfile.MostForm;

    /// <summary>The longest text that a template makes, in characters.</summary>
    public const int MostOutput = 200_000;

    // A sheet has a hundred settings at most; a template that goes through them all a few times stays far below.
    private const int MostSteps = 20_000;

    // By the clock: on a machine that is busy with other work an honest template still has time.
    private static readonly TimeSpan MostTime = TimeSpan.FromSeconds(2);
    private const int Stack = 128 * 1024 * 1024;

    private static readonly string[] Values = ["job", "protocol", "baud", "rx", "tx", "wire", "swap", "pins"];

    private static readonly FluidParser Parser = new();

    private static readonly TemplateOptions Options = MakeOptions();

    /// <summary>The forms that ship.</summary>
    public static readonly IReadOnlyDictionary<string, string> Shipped = new Dictionary<string, string>
    {
        ["plain"] =
            "board {{ board }}\n{% for s in settings %}{% if s.printed %}{% if s.port %}port {{ s.port }} {{ s.value }}{% else %}set {{ s.key }} {{ s.value }}{% endif %}\n{% endif %}{% endfor %}",
        ["markdown"] =
            "# {{ build }}: settings\n\n{{ boardName }}\n\n{% for s in settings %}- [{% if s.done %}x{% else %} {% endif %}] {{ s.words }}. *{{ s.why }}*\n{% endfor %}",
    };

    /// <summary>Fills a template.</summary>
    /// <param name="template">The template; <see cref="Shipped"/> shows what it can name.</param>
    /// <param name="build">What the builder calls the build.</param>
    /// <param name="board">The board.</param>
    /// <param name="sheet">The settings.</param>
    public static FormResult Fill(string template, string build, Board board, SettingsSheet sheet) =>
        Deep(() => Filled(template, build, board, sheet));

    // The library goes down with the text, while it reads and while it fills: on this stack as far as the longest template could lead.
    private static FormResult Deep(Func<FormResult> fill)
    {
        FormResult? filled = null;
        ExceptionDispatchInfo? fault = null;
        var thread = new Thread(
            () =>
            {
                try
                {
                    filled = fill();
                }
                catch (Exception problem)
                {
                    fault = ExceptionDispatchInfo.Capture(problem);
                }
            },
            Stack
        )
        {
            IsBackground = true,
        };
        thread.Start();
        thread.Join();
        fault?.Throw();
        return filled!;
    }

    private static FormResult Filled(string template, string build, Board board, SettingsSheet sheet)
    {
        if (template.Length > MostTemplate)
        {
            return new FormResult(null, Sentences.TheTemplateHasCharactersThe(template.Length, MostTemplate), null);
        }
        if (FormLimits.TooDeep(template) is { } deep)
        {
            return new FormResult(null, deep.Sentence, deep.Line);
        }
        if (!Parser.TryParse(template, out var parsed, out var error))
        {
            return new FormResult(null, Sentence(error), LineOf(error));
        }
        if (FormLimits.Against(parsed) is { } against)
        {
            return new FormResult(null, against, null);
        }
        var context = new TemplateContext(Options);
        context.SetValue("build", build);
        context.SetValue("board", board.Id);
        context.SetValue("boardName", $"{board.Maker} {board.Name}, revision {board.Revision}");
        context.SetValue("settings", sheet.Settings.Select(Row).ToList());
        using var writer = new BoundedWriter(MostOutput, MostTime);
        try
        {
            // Nothing is waited for: all that it names is in memory.
            parsed
                .RenderAsync(writer, context, NullEncoder.Default, isolateContext: false)
                .AsTask()
                .GetAwaiter()
                .GetResult();
            return new FormResult(writer.ToString(), null, null);
        }
        catch (FormLimitException limit)
        {
            return new FormResult(null, limit.Message, null);
        }
        catch (Exception fault) when (fault is not OutOfMemoryException)
        {
            return new FormResult(
                null,
                fault.Message.Contains("steps", StringComparison.OrdinalIgnoreCase)
                || fault.Message.Contains("statements", StringComparison.OrdinalIgnoreCase)
                    ? Sentences.TheTemplateRunsForToo
                    : Sentences.TheTemplateFailed(fault.Message.TrimEnd('.')),
                null
            );
        }
    }

    /// <summary>
    /// Reads a printout by a pattern. Each line that it finds is a setting: its groups are <c>key</c> and <c>value</c>, or <c>port</c> with any of
    /// <c>job</c>, <c>protocol</c>, <c>baud</c>, <c>rx</c>, <c>tx</c>, <c>wire</c>, <c>swap</c>, <c>pins</c>.
    /// </summary>
    /// <param name="pattern">The pattern.</param>
    /// <param name="text">The printout.</param>
    /// <returns>The printout, or what is wrong with the pattern.</returns>
    public static (Printout? Printout, string? Error) Read(string pattern, string text)
    {
        if (pattern.Length > MostTemplate)
        {
            return (null, Sentences.ThePatternHasCharactersThe(pattern.Length, MostTemplate));
        }
        if (FormLimits.IsTooDeep(pattern))
        {
            return (null, Sentences.BracketsInThePatternAre(FormLimits.MostDeep));
        }
        Regex regex;
        try
        {
            regex = new Regex(
                pattern,
                RegexOptions.NonBacktracking | RegexOptions.CultureInvariant | RegexOptions.IgnoreCase,
                MostTime
            );
        }
        catch (Exception fault) when (fault is ArgumentException or NotSupportedException)
        {
            return (null, Sentences.ThePatternIsNotA(fault.Message.TrimEnd('.')));
        }
        var names = regex.GetGroupNames();
        if (!names.Contains("port") && !(names.Contains("key") && names.Contains("value")))
        {
            return (null, Sentences.ThePatternHasNoNamed);
        }
        // Each line may take its time; all together take no longer than one may.
        var start = Stopwatch.GetTimestamp();
        var lines = new List<PrintedLine>();
        var strange = new List<int>();
        var number = 0;
        try
        {
            foreach (var raw in text.AsSpan().EnumerateLines())
            {
                number++;
                if (Stopwatch.GetElapsedTime(start) > MostTime)
                {
                    return (null, TooSlow(number));
                }
                var line = raw.ToString();
                if (regex.Match(line) is not { Success: true } match)
                {
                    if (!string.IsNullOrWhiteSpace(line))
                    {
                        strange.Add(number);
                    }
                    continue;
                }
                string? Group(string name) => match.Groups[name] is { Success: true, Length: > 0 } g ? g.Value : null;
                if (Group("port") is { } port)
                {
                    var parts = Values
                        .Select(n => Group(n) is { } value ? $"{n}={value}" : null)
                        .OfType<string>()
                        .ToList();
                    lines.Add(
                        new PrintedLine(
                            number,
                            $"port.{port}",
                            parts.Count == 0 ? NeutralForm.Free : string.Join(' ', parts)
                        )
                    );
                }
                else if (Group("key") is { } key)
                {
                    lines.Add(new PrintedLine(number, key, Group("value") ?? ""));
                }
            }
        }
        catch (RegexMatchTimeoutException)
        {
            return (null, TooSlow(number));
        }
        return (new Printout(null, lines, strange), null);
    }

    private static string TooSlow(int line) => Sentences.ThePatternIsTooSlow(line);

    private static Dictionary<string, object?> Row(Setting s) =>
        new()
        {
            ["key"] = s.Key,
            ["value"] = s.Value,
            ["words"] = s.Words,
            ["why"] = s.Why,
            ["place"] = Phrase.Lower($"{s.Place}"),
            ["port"] = s.Port,
            ["device"] = s.Device,
            ["printed"] = s.IsPrinted && s.Value.Length > 0,
            ["done"] = s.IsDone,
            ["job"] = s.Values is { } v ? Phrase.Lower($"{v.Job}") : null,
            ["protocol"] = s.Values?.Protocol,
            ["baud"] = s.Values?.Baud,
            ["rx"] = s.Values?.Rx is { } rx ? Phrase.Lower($"{rx}") : null,
            ["tx"] = s.Values?.Tx is { } tx ? Phrase.Lower($"{tx}") : null,
            ["oneWire"] = s.Values?.IsOneWire,
            ["swapped"] = s.Values?.IsSwapped,
        };

    private static TemplateOptions MakeOptions()
    {
        var options = new TemplateOptions
        {
            MaxSteps = MostSteps,
            MaxRecursion = 20,
            CultureInfo = CultureInfo.InvariantCulture,
        };
        FormLimits.Bound(options.Filters);
        return options;
    }

    // The library ends its words with the place: "… at (3:12)".
    private static int? LineOf(string error) =>
        Regex.Match(error, @"\((\d+):\d+\)", RegexOptions.None, MostTime) is { Success: true } at
        && int.TryParse(at.Groups[1].Value, NumberStyles.None, CultureInfo.InvariantCulture, out var line)
            ? line
            : null;

    private static string Sentence(string error)
    {
        var first = error.Split('\n')[0].Trim();
        return Sentences.TheTemplateHasAnError(first.TrimEnd('.'));
    }

    // Stops a template that writes without end; what it does between two writes is bounded by its steps.
    private sealed class BoundedWriter(int most, TimeSpan time) : StringWriter(CultureInfo.InvariantCulture)
    {
        private readonly long _start = Stopwatch.GetTimestamp();

        public override Encoding Encoding => Encoding.UTF8;

        public override void Write(char value)
        {
            Bound(1);
            base.Write(value);
        }

        public override void Write(string? value)
        {
            Bound(value?.Length ?? 0);
            base.Write(value);
        }

        public override void Write(char[] buffer, int index, int count)
        {
            Bound(count);
            base.Write(buffer, index, count);
        }

        public override void Write(ReadOnlySpan<char> buffer)
        {
            Bound(buffer.Length);
            base.Write(buffer);
        }

        private void Bound(int more)
        {
            if (GetStringBuilder().Length + more > most)
            {
                throw new FormLimitException(Sentences.TheTemplateProducesMoreThan(most));
            }
            if (Stopwatch.GetElapsedTime(_start) > time)
            {
                throw new FormLimitException(Sentences.TheTemplateTakesLongerThan);
            }
        }
    }
}
