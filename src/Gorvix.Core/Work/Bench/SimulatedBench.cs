using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Work.FaultModel;

namespace Gorvix.Core.Work.Bench;

/// <summary>What an instrument shows, or what eyes see.</summary>
/// <param name="Value">A number in the check's unit; null for an answer.</param>
/// <param name="Answer">An answer; null for a number.</param>
public sealed record Shown(double? Value, Answer? Answer);

/// <summary>
/// A stand-in for the bench: meter, limiter, lights, goggles and radio of an aircraft as it really is, faults included. It knows what was meant
/// only to know which light means what.
/// </summary>
public sealed class SimulatedBench
{
    // What a pocket meter is off: 0.5 % and a digit; its leads and probes together (common practice).
    private const double MeterPart = 0.005;
    private const double MeterDigit = 0.01;
    private const double Leads = 0.2;

    // Currents differ from piece to piece and with what a part just does (our own choice).
    private const double Loads = 0.1;

    private readonly BenchTruth _truth;
    private readonly Random _noise;

    /// <summary>Puts an aircraft on the bench.</summary>
    /// <param name="planned">As it is meant.</param>
    /// <param name="real">As it is.</param>
    /// <param name="sourceVolts">What its source really has, in volts.</param>
    /// <param name="seed">Seed of the noise.</param>
    public SimulatedBench(WiredBuild planned, WiredBuild real, double sourceVolts, int seed) =>
        (_truth, _noise) = (new BenchTruth(new Meant(planned, sourceVolts), real), new Random(seed));

    private Meant Meant => _truth.Meant;

    /// <summary>What a check shows.</summary>
    /// <param name="check">A check of the build as it is meant.</param>
    public Shown Read(BenchCheck check) =>
        check.Probing switch
        {
            CopperProbing p => Ohms(check, p),
            VoltProbing p => Number(Noisy(_truth.Volts(p))),
            AmpProbing p => Number(_truth.Amps(p.Situation) * (1 + Spread(Loads))),
            SourceProbing => Number(Noisy(Meant.SourceVolts)),
            BridgeProbing p => Sign(_truth.Stands(p.Bridge)),
            PrintProbing => Sign(_truth.FirstOther() is null),
            LifeProbing p => Sign(_truth.Lives(p.Device, p.Situation)),
            LinkProbing p => Sign(_truth.Shows(p.Link, p.Needs, p.Situation)),
            AllProbing p => Sign(_truth.ShowsAll(p.Situation)),
            _ => Sign(!_truth.Harms(Meant.Power.Free ?? Meant.Power.Usb)),
        };

    private static Shown Sign(Seen seen) =>
        new(
            null,
            seen switch
            {
                Seen.Yes => Answer.Yes,
                Seen.No => Answer.No,
                _ => Answer.Unsure,
            }
        );

    private static Shown Sign(bool seen) => Sign(seen ? Seen.Yes : Seen.No);

    private static Shown Number(double value) => new(Math.Round(value, 3), null);

    private double Spread(double part) => part * ((2 * _noise.NextDouble()) - 1);

    private double Noisy(double value) => value + (value * Spread(MeterPart)) + Spread(MeterDigit);

    private Shown Ohms(BenchCheck check, CopperProbing probing)
    {
        var (finds, value) = _truth.Between(probing.One, probing.Other);
        return check.Asks == Asks.Beep
            ? Sign(finds == Finds.Beeps)
            : (check.Asks, finds) switch
            {
                (_, Finds.Silent) => new Shown(null, Answer.No),
                (Asks.Diode, Finds.Diode) => Number(Math.Max(0, Noisy(value))),
                (Asks.Diode, Finds.Beeps) => Number(0.001),
                (Asks.Ohms, Finds.Ohms) => Number(value * (1 + Spread(0.02))),
                (Asks.Ohms, Finds.Beeps) => Number(Leads * _noise.NextDouble()),
                _ => new Shown(null, Answer.Unsure),
            };
    }
}
