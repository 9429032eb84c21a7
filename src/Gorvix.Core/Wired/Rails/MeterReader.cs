using System.Text.Json.Serialization;
using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Wired.Words;

namespace Gorvix.Core.Wired.Rails;

/// <summary>What a meter should read, and where its probes go.</summary>
/// <param name="Red">Where the red probe goes.</param>
/// <param name="Black">Where the black probe goes.</param>
/// <param name="Pad">Id of the pad under the red probe, or of the pad that feeds the lead under it; null for a lead of another device.</param>
/// <param name="Volts">What it should read, in volts.</param>
/// <param name="Low">The least that is good, in volts.</param>
/// <param name="High">The most that is good, in volts.</param>
public sealed record MeterReading(string Red, string Black, string? Pad, double Volts, double Low, double High)
{
    /// <summary>The point under the red probe.</summary>
    [JsonIgnore]
    public Node At { get; init; }

    /// <summary>The point under the black probe; null for any ground.</summary>
    [JsonIgnore]
    public Node? Against { get; init; }

    // What is as computed and yet outside the window of the lead is not good.
    internal MeterReading Within(VoltWindow window) =>
        window.IsUnder(Volts / (1 - LeadReading.Little)) || window.IsOver(Volts)
            ? this
            : this with
            {
                Low = Math.Round(Math.Clamp(Low, window.Min, window.Max), 2),
                High = Math.Round(Math.Clamp(High, window.Min, window.Max), 2),
            };
}

/// <summary>The readings of a build in a situation, pad by pad and lead by lead: what the bench holds against what is measured.</summary>
public static class MeterReader
{
    /// <summary>The part of a reading that a regulator and a pocket meter may be off (common practice: 3 %).</summary>
    public const double Part = 0.03;

    /// <summary>What they may be off besides, in volts (common practice).</summary>
    public const double Volts = 0.05;

    /// <summary>The readings: every pad that feeds something, then every supply lead at the device.</summary>
    /// <param name="wired">The build as it is wired, without the situation's changes.</param>
    /// <param name="sheet">The build in the situation.</param>
    public static IReadOnlyList<MeterReading> Of(WiredBuild wired, RailSheet sheet)
    {
        wired = sheet.Situation.Of(wired);
        var circuit = wired.Build.Circuit;
        var pads = sheet
            .Leads.Where(l => l is { Pad: not null, Way.Count: > 1 })
            .DistinctBy(l => l.Pad)
            .Select(l => At(circuit, circuit.Pads[l.Pad!], l.Way[^2].Volts, l.LowVolts));
        return [.. pads, .. sheet.Leads.Where(l => l.Volts is not null).Select(l => Of(wired, l))];
    }

    /// <summary>The reading of a rail at a pad that is one copper with it; null where no pad is sure to be.</summary>
    /// <param name="wired">The build as it is wired in the situation.</param>
    /// <param name="rail">The rail in the situation.</param>
    public static MeterReading? Of(WiredBuild wired, RailReading rail)
    {
        var circuit = wired.Build.Circuit;
        return
            circuit.Rails.TryGetValue(rail.Id, out var told)
            && ProbePoints.Of(circuit, told, wired.Positions()) is { } pad
            ? At(circuit, pad, rail.Volts, rail.LowVolts)
            : null;
    }

    /// <summary>The reading of a supply lead at its device.</summary>
    /// <param name="wired">The build as it is wired in the situation.</param>
    /// <param name="lead">The lead in the situation; its volts are known.</param>
    public static MeterReading Of(WiredBuild wired, LeadReading lead)
    {
        var ground = ProbePoints.Ground(wired.Build.Circuit);
        var own = wired.Joined.FirstOrDefault(l => l.Device == lead.Device && l.Lead.Role == LeadRole.Ground);
        return (
            Reading(
                $"{lead.Label} at {lead.Name}",
                own is null ? Black(wired.Build.Circuit, ground) : $"{own.Lead.Label} at {lead.Name}",
                lead.Pad,
                lead.Volts ?? 0,
                lead.LowVolts
            ) with
            {
                At = Node.Lead(new(lead.Device, lead.Lead)),
                Against =
                    own is not null ? Node.Lead(own.At)
                    : ground is null ? null
                    : Node.Pad(ground.Id),
            }
        ).Within(lead.Window);
    }

    private static MeterReading At(Circuit circuit, Pad pad, double volts, double? low)
    {
        var ground = ProbePoints.Ground(circuit);
        return Reading(WireWords.Of(circuit, pad), Black(circuit, ground), pad.Id, volts, low) with
        {
            At = Node.Pad(pad.Id),
            Against = ground is null ? null : Node.Pad(ground.Id),
        };
    }

    private static string Black(Circuit circuit, Pad? ground) =>
        ground is null ? Sentences.AnyGround : WireWords.Of(circuit, ground);

    // Between the usual and the most load; a rail whose loads are not all known may read lower still, and its state says so.
    private static MeterReading Reading(string red, string black, string? pad, double volts, double? low)
    {
        double Off(double value) => (Part * value) + Volts;
        var least = Math.Min(volts, low ?? volts);
        return new MeterReading(
            red,
            black,
            pad,
            Math.Round(volts, 2),
            Math.Round(Math.Max(0, least - Off(least)), 2),
            Math.Round(volts + Off(volts), 2)
        );
    }
}
