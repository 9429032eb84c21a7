using Gorvix.Core.Plans.Scheduling;
using Gorvix.Core.Work.Bench;
using Gorvix.Core.Work.FaultModel;
using Gorvix.Core.Work.Log;
using Gorvix.Storage;
using Gorvix.Web.Hosting;

namespace Gorvix.Web.Features;

/// <summary>The proof of a build as it stands.</summary>
/// <param name="Version">The version of the build.</param>
/// <param name="Name">What the builder calls the build.</param>
/// <param name="SourceVolts">What the source was measured at lately, in volts; null while it was not.</param>
/// <param name="Checks">The checks, in order.</param>
/// <param name="Standings">How each stands, in the same order.</param>
/// <param name="Readings">The last reading of each check that was read.</param>
/// <param name="Assumed">What is taken for granted, in sentences.</param>
public sealed record BenchView(
    int Version,
    string Name,
    double? SourceVolts,
    IReadOnlyList<BenchCheck> Checks,
    IReadOnlyList<CheckStanding> Standings,
    IReadOnlyList<LoggedReading> Readings,
    IReadOnlyList<string> Assumed
)
{
    /// <summary>What power would destroy as the build is planned and soldered, in sentences: no dangerous check while one stands.</summary>
    public required IReadOnlyList<string> Unsafe { get; init; }

    /// <summary>What holds a dangerous check back.</summary>
    public required BenchGate Gate { get; init; }

    /// <summary>The checks with what stands beside them.</summary>
    internal BenchSheet Sheet => new(Checks, Assumed) { Unsafe = Unsafe, Waits = Waits };

    /// <summary>What must be chosen before the other checks can be listed, as a sentence; null for nothing.</summary>
    public string? Waits { get; init; }

    /// <summary>The bench of a planned build, and how it stands.</summary>
    internal static async Task<BenchView> Of(
        PlannedBuild planned,
        BuildSheets sheets,
        IReadOnlyList<LoggedReading> last,
        DateTimeOffset now,
        CancellationToken stop
    )
    {
        var volts = LoggedReading.SourceVolts(last, now.UtcDateTime);
        var sheet = await sheets.Bench(planned, volts, stop);
        return new BenchView(
            planned.Stored.Version,
            planned.Stored.Build.Name,
            volts,
            sheet.Checks,
            BenchState.Of(sheet, last.Select(r => r.Proof())),
            [.. last.Where(r => sheet.Checks.Any(c => c.Id == r.Check))],
            sheet.Assumed
        )
        {
            Unsafe = sheet.Unsafe,
            Gate = BenchGate.Only,
            Waits = sheet.Waits,
        };
    }
}

/// <summary>What a reading changed. The checks are the same unless the source was measured: what they expect follows its volts.</summary>
/// <param name="Version">The version of the build.</param>
/// <param name="SourceVolts">What the source was measured at lately, in volts; null while it was not.</param>
/// <param name="Standings">How each check stands, in order.</param>
/// <param name="Reading">The reading as it is kept; null where it was kept before and a later one has taken its place.</param>
public sealed record TakenView(
    int Version,
    double? SourceVolts,
    IReadOnlyList<CheckStanding> Standings,
    LoggedReading? Reading
);

/// <summary>A reading that somebody took.</summary>
/// <param name="Key">A key that the sender made, so that it is kept once however often it is sent.</param>
/// <param name="Check">Id of the check.</param>
/// <param name="Value">A number, or null.</param>
/// <param name="Unit">Its unit, or null.</param>
/// <param name="Answer">An answer, or null.</param>
/// <param name="At">When it was taken, UTC; null for now.</param>
/// <param name="Print">The print of the check that was read, or null.</param>
/// <param name="Reason">Why it is done although something stands against it; null where nothing does.</param>
public sealed record ReadingRequest(
    string Key,
    string Check,
    double? Value = null,
    ReadingUnit? Unit = null,
    Answer? Answer = null,
    DateTime? At = null,
    string? Print = null,
    string? Reason = null
);

/// <summary>One point over time.</summary>
/// <param name="Title">What it is about; empty where it never was read.</param>
/// <param name="Readings">Every reading of it, the oldest first.</param>
public sealed record PointView(string Title, IReadOnlyList<LoggedReading> Readings);

/// <summary>The simulated bench of a build.</summary>
/// <param name="Faults">What can be planted.</param>
/// <param name="Planted">Id of what is planted; null where nothing is, or where it is hidden.</param>
/// <param name="IsHidden">True when something is planted that is not told.</param>
public sealed record SimulatedBenchView(IReadOnlyList<PlantedFault> Faults, string? Planted, bool IsHidden);

/// <summary>What to plant.</summary>
/// <param name="Fault">Id of a fault; null for none.</param>
/// <param name="Hidden">True to plant one at random without telling which.</param>
public sealed record PlantRequest(string? Fault = null, bool Hidden = false);

/// <summary>A check to read at the simulated bench.</summary>
/// <param name="Check">Id of the check.</param>
public sealed record SimulatedRead(string Check);

/// <summary>A check to read off a meter on a cable.</summary>
/// <param name="Line">Id of the line.</param>
/// <param name="Check">Id of the check.</param>
/// <param name="Baud">Its baud.</param>
public sealed record MeterRequest(string Line, string Check, int Baud = 9600);

/// <summary>What a meter on a cable showed.</summary>
/// <param name="Value">The number, in the unit of the check; null where it shows that there is none, or showed nothing.</param>
/// <param name="IsOpen">True when it showed that there is too much to tell: no contact, an open line.</param>
/// <param name="Problem">Why there is no reading, as a sentence; null where there is one.</param>
public sealed record MeterView(double? Value, bool IsOpen, string? Problem);

/// <summary>The Bench screen.</summary>
internal static class BenchEndpoints
{
    public static void MapBench(this IEndpointRouteBuilder app)
    {
        var bench = app.MapGroup("/api/builds/{id}/bench").WithTags("Bench");
        bench.MapGet("", Get).Answers<BenchView>("getBench", 404, 422);
        bench.MapPost("readings", Take).Answers<TakenView>("takeReading", 404, 409, 422);
        bench
            .MapGet(
                "points/{check}",
                async (string id, string check, LogStore log) =>
                {
                    var readings = await log.Readings(id, check);
                    return Results.Ok(new PointView(readings.Count > 0 ? readings[^1].Title : "", readings));
                }
            )
            .Answers<PointView>("getPoint");
        bench
            .MapGet(
                "simulated",
                (string id, BuildPlans plans, SimulatedBenches desk, CancellationToken stop) =>
                    Simulated(id, null, plans, desk, stop)
            )
            .Answers<SimulatedBenchView>("getSimulatedBench", 404, 422);
        bench
            .MapPost(
                "simulated",
                (string id, PlantRequest plant, BuildPlans plans, SimulatedBenches desk, CancellationToken stop) =>
                    Simulated(id, plant, plans, desk, stop)
            )
            .Answers<SimulatedBenchView>("plantFault", 404, 422);
        app.MapGet("/api/meters", Meters).WithTags("Bench").WithName("listMeters");
        bench.MapPost("meter", Meter).Answers<MeterView>("readMeter", 404, 409, 422);
        bench.MapPost("simulated/read", ReadSimulated).Answers<Shown>("readSimulatedBench", 404, 422);
    }

    private static async Task<IResult> Get([AsParameters] AskedBuild asked) => Results.Ok((await asked.Bench()).View);

    private static async Task<IResult> Take([AsParameters] AskedBuild asked, ReadingRequest request)
    {
        var (_, view) = await asked.Bench();
        if (request.Key.Length is 0 or > LogStore.MostKey)
        {
            return Problems.Of(422, Sentences.ReadingNotSavedItsKey(LogStore.MostKey));
        }
        var sheet = view.Sheet;
        var now = asked.Time.GetUtcNow().UtcDateTime;
        async Task<IResult> Now()
        {
            var last = await asked.LastReadings();
            return Results.Ok(
                new TakenView(
                    view.Version,
                    LoggedReading.SourceVolts(last, now),
                    BenchState.Of(sheet, last.Select(r => r.Proof())),
                    last.FirstOrDefault(r => r.Key == request.Key)
                )
            );
        }
        var taken = ReadingTaker.Take(
            sheet,
            view.Standings,
            new TakenReading(request.Check, request.Value, request.Unit, request.Answer, request.Print, request.Reason)
        );
        if (taken is not { Check: { } check, Judgement: { } judged })
        {
            // One that was kept before may be sent again, whatever the build has become since.
            return await asked.Log.Has(asked.Id, request.Key)
                ? await Now()
                : Problems.Of(taken.Refusal == Refusal.Between ? 409 : 422, taken.Words);
        }
        await asked.Log.Keep(
            asked.Id,
            LoggedReading.Of(
                check,
                judged,
                request.Key,
                request.At ?? now,
                request.Value,
                request.Answer,
                request.Reason
            )
        );
        return await Now();
    }

    private static async Task<IResult> Simulated(
        string id,
        PlantRequest? plant,
        BuildPlans plans,
        SimulatedBenches desk,
        CancellationToken stop
    )
    {
        var planned = await plans.Planned(id, stop);
        var faults = PlantedFaults.Of(planned.Reader.Wired);
        if (plant is not null)
        {
            if (plant.Fault is { } wanted && faults.All(f => f.Id != wanted))
            {
                return Problems.Of(422, Sentences.ThisFaultDoesNotApply);
            }
            desk.Plant(id, plant, faults);
        }
        var (fault, isHidden) = desk.Of(id);
        var there = faults.Any(f => f.Id == fault);
        return Results.Ok(new SimulatedBenchView(faults, there && !isHidden ? fault : null, there && isHidden));
    }

    private const string SimulatedMeter = "simulated-meter";

    private static IReadOnlyList<ModuleLineView> Meters() =>
        [.. ModuleLines.Adapters(), new ModuleLineView(SimulatedMeter, Sentences.SimulatedMeter, true)];

    private static async Task<IResult> Meter(
        [AsParameters] AskedBuild asked,
        MeterRequest request,
        SimulatedBenches desk,
        ModuleLines lines
    )
    {
        var (planned, view) = await asked.Bench();
        if (view.Checks.FirstOrDefault(c => c.Id == request.Check) is not { Unit: { } unit } check)
        {
            return Problems.Of(422, Sentences.ThisCheckHasNoMeter);
        }
        if (!SerialMeter.Bauds.Contains(request.Baud))
        {
            return Problems.Of(422, Sentences.BaudIsNotSupportedChoose(request.Baud));
        }
        MeterView Shown(MeterShows? shows) =>
            shows is null ? new(null, false, Sentences.NoValidReadingFromThe)
            : shows.Unit is { } told && told != unit
                ? new(null, false, Sentences.TheMeterReadsThisCheck(ReadingTaker.Name(told), ReadingTaker.Name(unit)))
            : shows.Value is { } value ? new(value, false, null)
            : new(null, true, null);
        MeterView Simulated() =>
            Shown(SerialMeter.Read(SerialMeter.Print(desk.Read(asked.Id, planned.Reader.Wired, check).Value, unit)));
        return await lines.Use(
            request.Line,
            request.Line == SimulatedMeter ? Simulated : null,
            line => Shown(SerialMeter.Listen(line, request.Baud, TimeSpan.FromSeconds(4), asked.Stop)),
            why => new MeterView(null, false, why),
            asked.Stop
        );
    }

    private static async Task<IResult> ReadSimulated(
        [AsParameters] AskedBuild asked,
        SimulatedRead request,
        SimulatedBenches desk
    )
    {
        var (planned, view) = await asked.Bench();
        return view.Checks.FirstOrDefault(c => c.Id == request.Check) is { } check
            ? Results.Ok(await Workers.Run(() => desk.Read(asked.Id, planned.Reader.Wired, check), asked.Stop))
            : Problems.Of(422, Sentences.TheBuildHasChangedAnd);
    }
}
