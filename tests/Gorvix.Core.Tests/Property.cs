using System.Globalization;
using System.Runtime.CompilerServices;
using System.Text;
using CsCheck;

namespace Gorvix.Core.Tests;

/// <summary>
/// What must hold of made-up things, the same things in every run: case n of a test is drawn from (n, the test's name) and nothing else.
/// <c>./test --long</c> draws ten times as many others from a seed that it prints (<c>GORVIX_LONG</c>). A case that failed once is kept beside
/// its test, by the seed that the failure names.
/// </summary>
internal static class Property
{
    /// <summary>How many times as many cases a long run looks at.</summary>
    public const int LongTimes = 10;

    /// <summary>How many times as many cases this run looks at.</summary>
    public static int Times => Explored is null ? 1 : LongTimes;

    private static readonly ulong? Explored = Environment.GetEnvironmentVariable("GORVIX_LONG") is { Length: > 0 } seed
        ? ulong.Parse(seed, CultureInfo.InvariantCulture)
        : null;

    /// <summary>Looks at so many cases; the first that fails is told with its seed.</summary>
    /// <param name="gen">Makes the cases.</param>
    /// <param name="look">Throws where the property does not hold.</param>
    /// <param name="of">How many cases a short run looks at.</param>
    /// <param name="kept">Seeds of cases that failed once.</param>
    /// <param name="print">A case in words.</param>
    /// <param name="alone">True for a look that cannot be at two cases at once.</param>
    /// <param name="file">The file of the test.</param>
    /// <param name="test">The test.</param>
    /// <returns>How many cases were looked at.</returns>
    public static int Holds<T>(
        this Gen<T> gen,
        Action<T> look,
        int of = 100,
        IReadOnlyList<string>? kept = null,
        Func<T, string>? print = null,
        bool alone = false,
        [CallerFilePath] string file = "",
        [CallerMemberName] string test = ""
    )
    {
        foreach (var seed in kept ?? [])
        {
            Look(gen, look, PCG.Parse(seed), print, "a kept case");
        }
        var drawn = NumberOf($"{Path.GetFileNameWithoutExtension(file)}.{test}") ^ (Explored ?? 0);
        var cases = of * Times;
        var options = new ParallelOptions { MaxDegreeOfParallelism = alone ? 1 : Environment.ProcessorCount };
        var (gate, first, failed) = (new Lock(), int.MaxValue, (Exception?)null);
        Parallel.For(
            0,
            cases,
            options,
            (n, state) =>
            {
                try
                {
                    Look(gen, look, new PCG((uint)n, drawn), print, $"case {n} of {cases}");
                }
                catch (Exception e)
                {
                    // Those before it are looked at all the same, so it is always the first one that is told.
                    state.Break();
                    lock (gate)
                    {
                        (first, failed) = n < first ? (n, e) : (first, failed);
                    }
                }
            }
        );
        return failed is null ? cases : throw failed;
    }

    /// <inheritdoc cref="Holds{T}(Gen{T}, Action{T}, int, IReadOnlyList{string}?, Func{T, string}?, bool, string, string)"/>
    public static int Holds<T>(
        this Gen<T> gen,
        Func<T, bool> look,
        int of = 100,
        Func<T, string>? print = null,
        [CallerFilePath] string file = "",
        [CallerMemberName] string test = ""
    ) => gen.Holds(value => Assert.True(look(value)), of, null, print, false, file, test);

    /// <inheritdoc cref="Holds{T}(Gen{T}, Action{T}, int, IReadOnlyList{string}?, Func{T, string}?, bool, string, string)"/>
    public static int Holds<TA, TB>(
        this Gen<(TA, TB)> gen,
        Action<TA, TB> look,
        int of = 100,
        bool alone = false,
        [CallerFilePath] string file = "",
        [CallerMemberName] string test = ""
    ) => gen.Holds(v => look(v.Item1, v.Item2), of, null, null, alone, file, test);

    /// <inheritdoc cref="Holds{T}(Gen{T}, Action{T}, int, IReadOnlyList{string}?, Func{T, string}?, bool, string, string)"/>
    public static int Holds<TA, TB, TC>(
        this Gen<(TA, TB, TC)> gen,
        Action<TA, TB, TC> look,
        int of = 100,
        bool alone = false,
        [CallerFilePath] string file = "",
        [CallerMemberName] string test = ""
    ) => gen.Holds(v => look(v.Item1, v.Item2, v.Item3), of, null, null, alone, file, test);

    /// <inheritdoc cref="Holds{T}(Gen{T}, Action{T}, int, IReadOnlyList{string}?, Func{T, string}?, bool, string, string)"/>
    public static int Holds<TA, TB, TC, TD>(
        this Gen<(TA, TB, TC, TD)> gen,
        Action<TA, TB, TC, TD> look,
        int of = 100,
        bool alone = false,
        [CallerFilePath] string file = "",
        [CallerMemberName] string test = ""
    ) => gen.Holds(v => look(v.Item1, v.Item2, v.Item3, v.Item4), of, null, null, alone, file, test);

    private static void Look<T>(Gen<T> gen, Action<T> look, PCG dice, Func<T, string>? print, string which)
    {
        var seed = dice.ToString();
        var value = gen.Generate(dice, null, out _);
        try
        {
            look(value);
        }
        catch (Exception e)
        {
            throw new Xunit.Sdk.XunitException(
                $"{which} fails (keep it: \"{seed}\"): {(print is null ? $"{value}" : print(value))}\n{e.Message}",
                e
            );
        }
    }

    // FNV-1a, 64 bits: the same number for the same name in every process.
    private static ulong NumberOf(string name) =>
        Encoding.UTF8.GetBytes(name).Aggregate(14695981039346656037UL, (n, b) => unchecked((n ^ b) * 1099511628211UL));
}
