using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Supply;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Scheduling;
using Gorvix.Core.Wired.Fit;
using Gorvix.Core.Wired.Rails;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Web.Hosting;

namespace Gorvix.Web.Features;

/// <summary>A situation in the list of all.</summary>
/// <param name="Id">Its id in addresses.</param>
/// <param name="Name">What the builder calls it.</param>
/// <param name="Group">What it is about.</param>
/// <param name="Worst">The worst that there is to say of it; null for nothing.</param>
public sealed record SituationLine(string Id, string Name, SituationGroup Group, Severity? Worst);

/// <summary>A build in a situation, with what there is to say of it.</summary>
/// <param name="Clear">What stands over it where nothing is wrong, as a sentence; null where something is.</param>
/// <param name="Sheet">Every rail and every supply lead.</param>
/// <param name="Findings">What there is to say, the worst first; where something is other than planned, what that brings.</param>
/// <param name="Readings">What a meter should read, pad by pad and lead by lead.</param>
public sealed record RailsAt(
    RailSheet Sheet,
    IReadOnlyList<RailNote> Findings,
    IReadOnlyList<MeterReading> Readings,
    string? Clear
);

/// <summary>Something to say of a situation.</summary>
/// <param name="Rule">The rule that speaks.</param>
/// <param name="Severity">How bad it is.</param>
/// <param name="Sentence">The sentence for the builder.</param>
public sealed record RailNote(string Rule, Severity Severity, string Sentence)
{
    internal static IReadOnlyList<RailNote> Of(IEnumerable<Finding> findings) =>
        [.. findings.Select(f => new RailNote(f.Rule, f.Severity, f.Sentence))];
}

/// <summary>What a lead gets from the empty to the full pack.</summary>
/// <param name="Device">Id of the device within the build.</param>
/// <param name="Lead">Id of the lead.</param>
/// <param name="Low">The least, under the most load, in volts.</param>
/// <param name="High">The most, in volts.</param>
public sealed record LeadSpan(string Device, string Lead, double Low, double High);

/// <summary>A supply or ground wire.</summary>
/// <param name="Cut">Its length and gauge.</param>
/// <param name="Words">Whose lead it is, in words.</param>
/// <param name="Told">True when the builder has told its length; false while it is taken as usual.</param>
/// <param name="GaugeTold">True when the builder has told its gauge; false while it is as thick as its current asks.</param>
/// <param name="Milliohms">Its resistance one way, in milliohms.</param>
public sealed record SupplyWire(WireCut Cut, string Words, bool Told, bool GaugeTold, double Milliohms);

/// <summary>The supplies of a build.</summary>
/// <param name="Version">The version of the build.</param>
/// <param name="Situations">Every situation; first the one of the charge that was asked for, if one was.</param>
/// <param name="Now">The one that was asked for, or the first.</param>
/// <param name="Standing">What holds in every situation.</param>
/// <param name="Spans">What each lead gets over the pack's flight.</param>
/// <param name="Charge">The charge of a cell that can be looked at; null where there is no pack.</param>
/// <param name="Wires">The supply and ground wires, with their lengths.</param>
/// <param name="Assumed">What was taken for granted, in sentences.</param>
public sealed record RailsView(
    int Version,
    IReadOnlyList<SituationLine> Situations,
    RailsAt Now,
    IReadOnlyList<RailNote> Standing,
    IReadOnlyList<LeadSpan> Spans,
    Charge? Charge,
    IReadOnlyList<SupplyWire> Wires,
    IReadOnlyList<string> Assumed
);

/// <summary>The volts of a cell, from damaged to full, and what those of now say.</summary>
/// <param name="Empty">Of an empty cell.</param>
/// <param name="Land">Of a cell at landing.</param>
/// <param name="Full">Of a full cell.</param>
/// <param name="Cells">Cells in series.</param>
/// <param name="Cell">Of a cell now.</param>
/// <param name="Says">What they say of a resting pack.</param>
public sealed record Charge(double Empty, double Land, double Full, int Cells, double Cell, PackCharge Says);

/// <summary>The Rails screen.</summary>
internal static class RailsEndpoints
{
    public static void MapRails(this IEndpointRouteBuilder app) =>
        app.MapGet("/api/builds/{id}/rails", Get).WithTags("Rails").Answers<RailsView>("getRails", 404, 422);

    private static async Task<IResult> Get(
        string id,
        double? cell,
        string? at,
        BuildPlans plans,
        CancellationToken stop
    )
    {
        if (!Situation.IsCell(cell))
        {
            return Problems.Of(422, Sentences.CellVoltageIsOutOfRange);
        }
        var planned = await plans.Planned(id, stop);
        return Results.Ok(await Workers.Run(() => View(planned.Stored.Version, planned.Reader, cell, at, stop), stop));
    }

    private static RailsView View(int version, FitReader reader, double? cell, string? at, CancellationToken stop)
    {
        var wired = reader.Wired;
        var standing = reader.Rails(stop);
        var usual = RailCheck.Of(standing[0]);
        var sheets = reader.Rails(cell, stop);
        var now = RailSheet.In(sheets, at);
        var findings = RailAnswer.Of(now, usual);
        var lasting = reader.OfEverySituation();
        return new RailsView(
            version,
            [
                .. sheets.Select(s => new SituationLine(
                    s.Situation.Id,
                    s.Situation.Name,
                    s.Situation.Group,
                    RailAnswer.Of(s, usual) is [var worst, ..] ? worst.Severity : null
                )),
            ],
            new RailsAt(
                now,
                RailNote.Of(findings),
                MeterReader.Of(wired, now),
                RailAnswer.Clear(now, [.. findings, .. lasting])
            ),
            RailNote.Of([.. lasting, .. RailCheck.Standing(wired, sheets[0])]),
            SpansOf(sheets.Where(s => s.Situation is { Group: SituationGroup.Pack, Id: not "charge" })),
            ChargeOf(wired.Build.Build, now.Situation, cell),
            WiresOf(wired),
            RailReader.Assumed(wired)
        );
    }

    private static IReadOnlyList<LeadSpan> SpansOf(IEnumerable<RailSheet> flight) =>
        [
            .. flight
                .SelectMany(s => s.Leads)
                .Where(l => l is { Rail: not null, Volts: not null, LowVolts: not null })
                .GroupBy(l => (l.Device, l.Lead))
                .Select(g => new LeadSpan(
                    g.Key.Device,
                    g.Key.Lead,
                    g.Min(l => l.LowVolts!.Value),
                    g.Max(l => l.Volts!.Value)
                )),
        ];

    // Where a charge of the pack is the situation, it is that of the slider; else what was chosen stays.
    private static Charge? ChargeOf(Build build, Situation situation, double? cell)
    {
        if (build is not { Pack: { } pack, InputVolts: null })
        {
            return null;
        }
        var full = Pack.FullCell(pack.Chemistry);
        var now = situation is { Group: SituationGroup.Pack, InputVolts: { } volts }
            ? Math.Round(volts / pack.Cells, 2)
            : cell ?? full;
        return new Charge(
            PackCharge.DamagedCell,
            PackCharge.LandCell,
            full,
            pack.Cells,
            now,
            PackCharge.Of(pack.Chemistry, now)
        );
    }

    private static IReadOnlyList<SupplyWire> WiresOf(WiredBuild wired) =>
        [
            .. from lead in wired.Leads
            where lead.Lead.Role is LeadRole.Supply or LeadRole.Ground && (lead.Pad is not null || lead.To is not null)
            let told = wired.Build.Build.Wires.FirstOrDefault(w => w.Device == lead.Device && w.Lead == lead.Lead.Id)
            let cut = WireCuts.Of(wired, lead)
            select new SupplyWire(
                cut,
                $"{wired.Build.Devices.First(d => d.Id == lead.Device).Device.Name} {lead.Lead.Label}",
                told is not null,
                told?.Gauge is not null,
                Math.Round(1000 * new Wire(cut.Gauge!.Value, cut.Millimetres).Ohms, 1)
            ),
        ];
}
