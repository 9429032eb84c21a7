using System.Diagnostics;
using System.Globalization;
using System.Text;
using System.Text.RegularExpressions;
using Gorvix.Core.Hardware.Supply;

namespace Gorvix.Core.Tests.Supply;

/// <summary>
/// A stranger who solves supplies: ngspice (Debian's package), which has its own models of sources, resistors and diodes and its own
/// solver. What it has no model for (a load of constant power, a regulator, a lamp) is written for it from the definitions in the
/// trade's words, not from our code: a regulator is an ideal source behind 10 mΩ that may only push.
/// </summary>
internal static partial class Spice
{
    /// <summary>Volts of each node, ground first; null where it finds no solution itself.</summary>
    /// <param name="net">The net.</param>
    /// <param name="near">Where it begins to look; its own equations decide whether it stays there.</param>
    public static double[]? Solve(SupplyNet net, IReadOnlyList<double> near) => Ask(net, near).Volts;

    /// <summary>The time of its analysis alone, by its own clock, in seconds.</summary>
    /// <inheritdoc cref="Solve"/>
    public static double Seconds(SupplyNet net, IReadOnlyList<double> near) => Ask(net, near).Seconds;

    private static (double[]? Volts, double Seconds) Ask(SupplyNet net, IReadOnlyList<double> near)
    {
        var file = Path.Combine(Path.GetTempPath(), $"gorvix-{Guid.NewGuid():N}.cir");
        File.WriteAllText(file, Write(net, near));
        try
        {
            using var process = Process.Start(
                new ProcessStartInfo("ngspice", ["-b", file])
                {
                    RedirectStandardOutput = true,
                    RedirectStandardError = true,
                }
            )!;
            var errors = process.StandardError.ReadToEndAsync();
            var text = process.StandardOutput.ReadToEnd();
            process.WaitForExit();
            var volts = new double[net.Names.Count];
            var found = Reading().Matches(text);
            foreach (Match match in found)
            {
                volts[int.Parse(match.Groups[1].Value, CultureInfo.InvariantCulture)] = double.Parse(
                    match.Groups[2].Value,
                    CultureInfo.InvariantCulture
                );
            }
            var time = Clock().Match(text);
            var seconds = time.Success ? double.Parse(time.Groups[1].Value, CultureInfo.InvariantCulture) : double.NaN;
            return found.Count == net.Names.Count - 1 ? ((double[]?)volts, seconds)
                : text.Contains("DC solution failed", StringComparison.Ordinal) ? (null, seconds)
                : throw new InvalidOperationException(
                    $"ngspice did not answer:\n{text}\n{errors.Result}\n{Write(net, near)}"
                );
        }
        finally
        {
            File.Delete(file);
        }
    }

    private static string Write(SupplyNet net, IReadOnlyList<double> near)
    {
        var text = new StringBuilder("a supply\n");
        void Line(FormattableString line) => text.Append(line.ToString(CultureInfo.InvariantCulture)).Append('\n');
        foreach (var (i, element) in net.Elements.Index())
        {
            var (a, b) = (element.From, element.To);
            switch (element)
            {
                case VoltSource s:
                    Line($"V{i} s{i} 0 {s.Volts}");
                    Line($"R{i} s{i} {s.Plus} {Math.Max(s.Ohms, 1e-4)}");
                    break;
                case Ohmic r:
                    Line($"R{i} {a} {b} {r.Ohms}");
                    break;
                case Junction d:
                    Line($"D{i} {a} {b} M{i}");
                    Line($".model M{i} D(IS={d.Saturation} N=1)");
                    break;
                case CurrentLoad c:
                    Line($"B{i} {a} {b} I = V({a},{b}) > 0.5 ? {c.Amps} : {c.Amps} * V({a},{b}) / 0.5");
                    break;
                case PowerLoad p:
                    Line($"B{i} {a} {b} I = V({a},{b}) > 1 ? {p.Watts} / max(V({a},{b}), 1) : {p.Watts} * V({a},{b})");
                    break;
                case Lamp l:
                    var (cold, full) = (0.03 * l.Volts, l.Watts / l.Volts);
                    Line(
                        $"B{i} {a} {b} I = V({a},{b}) < {cold} ? V({a},{b}) * {full * Math.Pow(0.03, 0.55) / cold} : {full} * exp(0.55 * ln(max(V({a},{b}), {cold}) / {l.Volts}))"
                    );
                    break;
                case Limiter m:
                    Line(
                        $"B{i} {a} {b} I = V({a},{b}) > {m.Most * 0.01} ? {m.Most} + (V({a},{b}) - {m.Most * 0.01}) * 1e-4 : V({a},{b}) / 0.01"
                    );
                    break;
            }
        }
        foreach (var (i, r) in net.Regulators.Index())
        {
            var aim =
                r.Conversion == Conversion.Boosting
                    // It stands still below 0.4 V and works from 1 V on.
                    ? $"{Plain(r.Volts)} * max(0, min(1, (V({r.Input}) - 0.4) / 0.6))"
                    : $"max(0, min({Plain(r.Volts)}, V({r.Input}) - {Plain(r.Dropout)}))";
            // It pushes through 10 mΩ and lets nothing back.
            Line($"BO{i} 0 {r.Output} I = max(0, {aim} - V({r.Output})) / 0.01");
            var push = $"max(0, {aim} - V({r.Output})) / 0.01";
            var own = $"{Plain(r.Quiescent)} * max(0, min(1, V({r.Input}) / 0.5))";
            var drawn =
                r.Conversion == Conversion.Linear
                    ? push
                    : $"{push} * V({r.Output}) / ({Plain(r.Efficiency)} * max(V({r.Input}), 0.1))";
            Line($"BI{i} {r.Input} 0 I = {drawn} + {own}");
        }
        foreach (var node in Enumerable.Range(1, net.Names.Count - 1))
        {
            Line($".nodeset V({node})={near[node]}");
        }
        foreach (var node in Enumerable.Range(1, net.Names.Count - 1))
        {
            Line($"RG{node} {node} 0 1e12");
        }
        text.Append(".options itl1=1000\n.control\nset numdgt=9\nop\n");
        foreach (var node in Enumerable.Range(1, net.Names.Count - 1))
        {
            Line($"print v({node})");
        }
        return text.Append("rusage all\nquit\n.endc\n.end\n").ToString();
    }

    private static string Plain(double value) => value.ToString("R", CultureInfo.InvariantCulture);

    [GeneratedRegex(@"Total analysis time \(seconds\) = (\S+)")]
    private static partial Regex Clock();

    [GeneratedRegex(@"^v\((\d+)\) = (\S+)", RegexOptions.Multiline)]
    private static partial Regex Reading();
}
