using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Parts;

namespace Gorvix.Core.Plans.Routing;

/// <summary>What is drawn from a rail or an output of known limit, in whole milliamperes, rounded up; an unknown current counts nothing.</summary>
/// <param name="Budget">What it is drawn from.</param>
/// <param name="Typical">As a rule.</param>
/// <param name="Peak">At most.</param>
public sealed record Draw(Budget Budget, int Typical, int Peak);

/// <summary>A rail of the board, or an output of a device, that gives so much and no more.</summary>
/// <param name="Device">Id within the build of the device whose output it is; null for a rail.</param>
/// <param name="Id">Id of the rail, or of the output's lead.</param>
/// <param name="Label">What the builder calls it.</param>
/// <param name="Limit">The most that it gives, in milliamperes, rounded down.</param>
public sealed record Budget(string? Device, string Id, string Label, int Limit)
{
    // So that 0.3 A is 300 mA and not 299.
    private const double Dust = 1e-6;

    // What the regulators that hang on it take for themselves, and the board itself, is gone before anything else is drawn.
    private static Budget? Of(Circuit circuit, Rail rail, VoltWindow source) =>
        rail.Limit is not { } limit
            ? null
            : new Budget(
                null,
                rail.Id,
                rail.Label,
                Whole(
                    limit
                        - circuit.Board.Rails.Where(r => r.From == rail.Id).Sum(r => r.Quiescent ?? 0)
                        - circuit
                            .Board.Rails.Where(r => r.Own > 0)
                            .Sum(r =>
                                Up(circuit, r, source, r.Own!.Value, 0).Where(a => a.Rail == rail).Sum(a => a.Typical)
                            )
                )
            );

    /// <summary>How many times its current something takes in: the same where it is linear, else the power with what it loses, or without losses where none are told.</summary>
    /// <param name="kind">How it works.</param>
    /// <param name="efficiency">The part of the power that comes out; null when nobody tells.</param>
    /// <param name="gives">What it gives, in volts.</param>
    /// <param name="gets">What it gets, in volts.</param>
    internal static double Ratio(RegulatorKind? kind, double? efficiency, double gives, double gets) =>
        kind == RegulatorKind.Linear ? 1
        : gets > 0 ? gives / gets / (efficiency ?? 1)
        : 0;

    /// <summary>
    /// What a lead draws from its rail and from every rail that one hangs on. A linear regulator takes in what it gives out; one
    /// that switches, and one of unknown kind, the power with its losses as far as they are told, at the volts of the empty pack.
    /// </summary>
    /// <param name="circuit">The board.</param>
    /// <param name="rail">The rail that feeds it.</param>
    /// <param name="source">What the supply input gets.</param>
    /// <param name="typical">What it draws as a rule, in amperes.</param>
    /// <param name="peak">What it draws at most, in amperes.</param>
    internal static IEnumerable<Draw> From(Circuit circuit, Rail rail, VoltWindow source, double typical, double peak)
    {
        if (peak <= 0)
        {
            yield break;
        }
        foreach (var (at, rule, most) in Up(circuit, rail, source, typical, peak))
        {
            if (Of(circuit, at, source) is { } budget)
            {
                yield return new Draw(budget, Milli(rule), Milli(most));
            }
        }
    }

    // A current at its rail and at every rail that one hangs on.
    private static IEnumerable<(Rail Rail, double Typical, double Peak)> Up(
        Circuit circuit,
        Rail rail,
        VoltWindow source,
        double typical,
        double peak
    )
    {
        for (var at = rail; at is not null; )
        {
            yield return (at, typical, peak);
            var up = circuit.SourceOf(at);
            if (up is not null && at is { Volts: not null, Feed: not RailFeed.Battery })
            {
                // A booster switches, whatever else is told of it.
                var kind = at.Feed == RailFeed.Booster ? RegulatorKind.Switching : at.Kind;
                var (gives, gets) = (Trace.Gives(circuit, at, source).Min, Trace.Gives(circuit, up, source).Min);
                var ratio = Ratio(kind, at.Efficiency, gives, gets);
                (typical, peak) = (typical * ratio, peak * ratio);
            }
            at = up;
        }
    }

    /// <summary>What a lead draws from an output of a device.</summary>
    /// <param name="device">Id within the build of that device.</param>
    /// <param name="output">The output.</param>
    /// <param name="label">Its label.</param>
    /// <param name="typical">What it draws as a rule, in amperes.</param>
    /// <param name="peak">What it draws at most, in amperes.</param>
    internal static Draw? From(string device, SupplyOutput output, string label, double typical, double peak) =>
        output.Limit is { } limit && peak > 0
            ? new Draw(new Budget(device, output.Lead, label, Whole(limit)), Milli(typical), Milli(peak))
            : null;

    private static int Whole(double amps) => (int)Math.Floor((amps * 1000) + Dust);

    private static int Milli(double amps) => (int)Math.Ceiling((amps * 1000) - Dust);
}
