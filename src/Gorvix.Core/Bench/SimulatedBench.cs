using Gorvix.Core.Circuits;
using Gorvix.Core.Rails;
using Gorvix.Core.Settings;
using Gorvix.Core.Wiring;

namespace Gorvix.Core.Bench;

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

    private readonly WiredBuild _planned;
    private readonly WiredBuild _real;
    private readonly Random _noise;
    private readonly double _source;
    private readonly Lazy<Copper> _copper;
    private readonly Dictionary<string, RailSheet> _sheets = [];
    private readonly Dictionary<string, LinkTruth> _truths = [];

    /// <summary>Puts an aircraft on the bench.</summary>
    /// <param name="planned">As it is meant.</param>
    /// <param name="real">As it is.</param>
    /// <param name="sourceVolts">What its source really has, in volts.</param>
    /// <param name="seed">Seed of the noise.</param>
    public SimulatedBench(WiredBuild planned, WiredBuild real, double sourceVolts, int seed)
    {
        (_planned, _real, _source, _noise) = (planned, real, sourceVolts, new Random(seed));
        _copper = new(() => new Copper(real));
    }

    /// <summary>What a check shows.</summary>
    /// <param name="check">A check of the build as it is meant.</param>
    public Shown Read(BenchCheck check) =>
        check.Probing switch
        {
            CopperProbing p => Ohms(check, p),
            VoltProbing p => Number(
                Noisy(VoltsAt(p.Red, p.Situation) - (p.Black is { } b ? VoltsAt(b, p.Situation) : 0))
            ),
            AmpProbing p => Number(
                Math.Max(0, (Sheet(_real, p.Situation).SourceAmps?.Typical ?? 0) * (1 + Spread(Loads)))
            ),
            SourceProbing => Number(Noisy(_source)),
            BridgeProbing p => Sign(
                _real
                    .Bridges.First(b => b.Bridge.Id == p.Bridge)
                    .Positions.SequenceEqual(_planned.Bridges.First(b => b.Bridge.Id == p.Bridge).Positions)
            ),
            PrintProbing => Sign(Printed(_planned).SequenceEqual(Printed(_real))),
            LifeProbing p => Sign(Lives(p)),
            LinkProbing p => Sign(Truth(p.Situation).Shows(p.Link, p.Needs)),
            AllProbing p => Sign(
                _planned.Ports.All(port => Truth(p.Situation).Shows(port.Link, SignNeeds.Both))
                    && _planned.Rides.All(ride => Truth(p.Situation).Shows(ride.Link, SignNeeds.Both))
            ),
            _ => Sign(Harm.Of(_real, Of(Free())).Count == 0 || Harm.Of(_planned, Of(Free())).Count > 0),
        };

    // The day moves the declination alone, and both have the same.
    private static IEnumerable<string> Printed(WiredBuild wired) =>
        SettingsReader
            .Of(wired, new DateOnly(2026, 1, 1))
            .Settings.Where(s => s.IsPrinted && s.Value.Length > 0)
            .Select(s => $"{s.Key} {s.Value}");

    private static Shown Sign(bool seen) => new(null, seen ? Answer.Yes : Answer.No);

    private static Shown Number(double value) => new(Math.Round(value, 3), null);

    private double Spread(double part) => part * ((2 * _noise.NextDouble()) - 1);

    private double Noisy(double value) => value + (value * Spread(MeterPart)) + Spread(MeterDigit);

    private Shown Ohms(BenchCheck check, CopperProbing probing)
    {
        var (finds, value) = _copper.Value.Between(probing.One, probing.Other);
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

    private bool Lives(LifeProbing probing)
    {
        var meant = Sheet(_planned, probing.Situation)
            .Leads.Where(l => l.Device == probing.Device)
            .All(l => l.State is LeadFeed.Good or LeadFeed.Tight);
        return meant
            ? Truth(probing.Situation).Lives(probing.Device)
            : Sheet(_real, probing.Situation)
                .Leads.Where(l => l.Device == probing.Device)
                .All(l => l.State is not (LeadFeed.Good or LeadFeed.Tight));
    }

    private Situation Free() =>
        BenchPower.Of(_planned.Build.Build, _source).Free ?? BenchPower.Of(_planned.Build.Build, null).Usb;

    // The situation as the real source has it.
    private Situation Of(Situation situation) =>
        situation.InputVolts is null || situation.Id == "bench" ? situation : situation with { InputVolts = _source };

    private RailSheet Sheet(WiredBuild wired, Situation situation)
    {
        var key = $"{ReferenceEquals(wired, _real)} {situation.Id}";
        return _sheets.TryGetValue(key, out var known) ? known : _sheets[key] = RailReader.Read(wired, Of(situation));
    }

    private LinkTruth Truth(Situation situation) =>
        _truths.TryGetValue(situation.Id, out var known)
            ? known
            : _truths[situation.Id] = new LinkTruth(
                _planned,
                _real,
                Sheet(_planned, situation),
                Sheet(_real, situation)
            );

    private double VoltsAt(Node point, Situation situation)
    {
        var sheet = Sheet(_real, situation);
        if (sheet.Points.TryGetValue(point, out var volts))
        {
            return volts;
        }
        // A point where no supply hangs: what reaches it without a load.
        return _copper
            .Value.With(point)
            .Where(n => n.Kind == NodeKind.Rail)
            .Select(n => sheet.Points.GetValueOrDefault(n))
            .DefaultIfEmpty(0)
            .Max();
    }
}
