using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Rails;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Wired.Words;

namespace Gorvix.Core.Work.Bench;

/// <summary>Volts at rails and devices: what is computed, what is good, and from where on something burns or starves.</summary>
/// <param name="wired">The build as it is meant.</param>
/// <param name="scope">Its facts.</param>
/// <param name="measured">What the source was measured at, in volts; null while it was not.</param>
internal sealed class VoltChecks(WiredBuild wired, Scope scope, double? measured)
{
    // A bound belongs to the band below it: what reads like the least that is good is good.
    private const double Hair = 0.001;

    /// <summary>Below this a reading has its polarity reversed, in volts: a meter's own zero and a diode's leakage are above it (our own choice).</summary>
    public const double Reversed = -0.3;

    /// <summary>A hand that holds two probes may say that the meter shows what is expected, and type nothing.</summary>
    public static readonly IReadOnlyList<Judged> WithoutNumber =
    [
        new(Answer.Yes, new(Mark.Good, "The meter shows the expected value; no number was saved.")),
        new(
            Answer.No,
            new(
                Mark.Doubtful,
                "Not the expected value, and no number.",
                "Enter what the meter shows: only a number can be judged."
            )
        ),
        new(Answer.Unsure, new(Mark.Doubtful, "Not confirmed.", "Press the probes into bare metal and read again.")),
    ];

    /// <summary>The checks in a situation: every rail at a pad, every supply lead at its device.</summary>
    /// <param name="sheet">The build in the situation.</param>
    /// <param name="phase">When they are done.</param>
    /// <param name="prefix">What their ids begin with.</param>
    /// <param name="fed">What feeds the build, as the beginning of a sentence.</param>
    /// <param name="only">Which rails; null for all. Leads are looked at with the source alone: what lives on USB is seen.</param>
    public IEnumerable<BenchCheck> Of(
        RailSheet sheet,
        BenchPhase phase,
        string prefix,
        string fed,
        Func<RailReading, bool>? only = null
    )
    {
        foreach (var rail in sheet.Rails.Where(r => only?.Invoke(r) != false))
        {
            if (MeterReader.Of(wired, rail) is { } reading)
            {
                yield return Volts(
                    $"{prefix}.rail.{rail.Id}",
                    phase,
                    $"{rail.Label} rail",
                    Sentences.RailIsAtItsPlanned(rail.Label),
                    reading,
                    Worst(sheet, rail.Id),
                    sheet,
                    fed,
                    Scope.Of([scope.Board], SourceIf(phase), scope.Rail(rail.Id))
                );
            }
        }
        if (phase == BenchPhase.Usb)
        {
            yield break;
        }
        foreach (var lead in sheet.Leads.Where(l => l is { Volts: not null, State: not LeadFeed.Unfed }))
        {
            yield return Volts(
                $"{prefix}.{lead.Device}.{lead.Lead}",
                phase,
                $"{lead.Label} at {lead.Name}",
                Sentences.HasTheVoltageItNeeds(lead.Name),
                MeterReader.Of(wired, lead),
                lead.Window,
                sheet,
                fed,
                Scope.Of(
                    [scope.Board],
                    SourceIf(phase),
                    scope.Feed(lead.Device),
                    lead.Rail is { } rail && wired.Build.Circuit.Rails.ContainsKey(rail) ? scope.Rail(rail) : []
                )
            ) with
            {
                Device = lead.Device,
            };
        }
    }

    private IEnumerable<string> SourceIf(BenchPhase phase) => phase == BenchPhase.Usb ? [] : scope.Source();

    // What everything on a rail stands together: the tightest window.
    private static VoltWindow? Worst(RailSheet sheet, string rail)
    {
        var leads = sheet.Leads.Where(l => l.Rail == rail).ToList();
        return leads.Count == 0
            ? null
            : new VoltWindow
            {
                // What is off here, as it should be, needs nothing.
                Min = leads
                    .Where(l => l.State is not (LeadFeed.Silent or LeadFeed.UsbUnknown))
                    .Select(l => l.Window.Min)
                    .DefaultIfEmpty(0)
                    .Max(),
                Max = leads.Min(l => l.Window.Max),
            };
    }

    private BenchCheck Volts(
        string id,
        BenchPhase phase,
        string title,
        string proves,
        MeterReading reading,
        VoltWindow? window,
        RailSheet sheet,
        string fed,
        IReadOnlyList<string> rests
    )
    {
        var pad = reading.At.Kind == NodeKind.Pad ? reading.At.Id : reading.Pad;
        reading = window is null ? reading : reading.Within(window);
        return new BenchCheck(
            id,
            phase,
            Asks.Volts,
            title,
            Sentences.MeasureTheVoltage(fed),
            reading.High < 0.5
                ? Sentences.NoVoltageBelow05
                : $"{Numbers.Volts(reading.Volts)} ({Numbers.Volts(reading.Low, reading.High)})",
            proves,
            [.. VoltBands(reading, window, FollowsPack(reading, sheet))],
            WithoutNumber,
            rests
        )
        {
            Red = reading.Red,
            Black = reading.Black,
            RedPad = pad,
            BlackPad = reading.Against is { } against ? PadOf(against) : null,
            RedWire = ColdChecks.WireOf(reading.At),
            BlackWire = reading.Against is { } other ? ColdChecks.WireOf(other) : null,
            Unit = ReadingUnit.Volts,
            Computed = reading.Volts,
            Probing = new VoltProbing(reading.At, reading.Against, sheet.Situation),
        };
    }

    // A supply that follows the pack reads what the pack has; while nobody has measured it, any charge is good.
    private bool FollowsPack(MeterReading reading, RailSheet sheet) =>
        measured is null
        && wired.Build.Build.Pack is not null
        && sheet.Situation.InputVolts is { } full
        && reading.Volts > full * 0.9;

    private IEnumerable<Band> VoltBands(MeterReading reading, VoltWindow? window, bool follows)
    {
        var low = follows ? Math.Min(reading.Low, wired.Build.Build.Pack!.At(Pack.EmptyCell) * 0.97) : reading.Low;
        // Good is what is as computed and inside the window of everything that it powers.
        var (floor, roof) = window is { } w ? (w.Min, Math.Max(w.Min, w.Max)) : (low * 0.9, reading.High * 1.1);
        var good = window is null ? low : Math.Clamp(low, floor, roof);
        // Where nothing is computed to arrive, nothing is good but nothing.
        var high = window is null || reading.High < 0.5 ? reading.High : Math.Clamp(reading.High, floor, roof);
        yield return new(
            Reversed,
            new(Mark.Stop, Sentences.ReversedPolarityMinusIsWhere, Sentences.SwapTheProbesAndRead)
        );
        if (reading.High >= 0.5)
        {
            yield return new(
                Math.Min(0.5, good),
                new(
                    Mark.Stop,
                    Sentences.NoVoltageComputedNotPowered(Numbers.Volts(reading.Volts)),
                    Sentences.UnplugCheckThisPointTo
                )
            );
            yield return new(
                Math.Max(window is null ? floor : floor * (1 - LeadReading.Little), 0.5),
                new(
                    Mark.Stop,
                    window is null
                        ? Sentences.FarBelowTheComputedVoltage
                        : Sentences.BelowTheVoltageNeededHere(Numbers.Volts(window.Min)),
                    Sentences.IsTheCurrentLimiterCutting
                )
            );
            if (window is not null)
            {
                yield return new(
                    Math.Max(floor - Hair, 0.5),
                    new(
                        Mark.Doubtful,
                        Sentences.MarginalJustBelowTheVoltage(Numbers.Volts(window.Min)),
                        Sentences.UseAShorterOrThicker
                    )
                );
            }
            yield return new(
                Math.Max(good - Hair, 0.5),
                new(Mark.Doubtful, Sentences.LowerThanComputedButStill, Sentences.MeasureAtThePadThe)
            );
        }
        yield return new(high, new(Mark.Good, follows ? Sentences.ItFollowsTheBattery : Sentences.AsComputed));
        yield return new(
            Math.Max(high, roof),
            new(Mark.Doubtful, Sentences.HigherThanComputedButNot, Sentences.MeasureAgainAtTheRegulator)
        );
        yield return new(
            null,
            new(
                Mark.Stop,
                window is null
                    ? Sentences.FarAboveTheComputedVoltage
                    : Sentences.AboveTheMaximumForWhat(Numbers.Volts(window.Max)),
                Sentences.UnplugCheckTheVoltageJumper
            )
        );
    }

    private string? PadOf(Node node) =>
        node.Kind == NodeKind.Pad
            ? node.Id
            : wired.Leads.FirstOrDefault(l => l.Device == node.Device && l.Lead.Id == node.Id)?.Pad?.Id;
}
