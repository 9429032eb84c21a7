using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Settings;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Wired.Words;
using Gorvix.Core.Work.Bench;
using Gorvix.Core.Work.FaultModel;
using static Gorvix.Core.Work.Faults.TestMaker;

namespace Gorvix.Core.Work.Faults;

/// <summary>The checks of the bench, read finer: not only good or not, but which of the things that a fault can show.</summary>
internal sealed class CheckTests(Meant meant)
{
    private readonly WiredBuild _wired = meant.Wired;

    /// <summary>The tests of a bench's checks, in their order.</summary>
    public IEnumerable<FaultTest> Of(BenchSheet sheet) => sheet.Checks.Select(OfCheck).OfType<FaultTest>();

    private FaultTest? OfCheck(BenchCheck check) =>
        check.Probing switch
        {
            CopperProbing p => Copper(check, p),
            VoltProbing p => Volts(check, p),
            AmpProbing p => Amps(check, p),
            BridgeProbing p => Bridge(check, p),
            PrintProbing => Print(check),
            LifeProbing p when check.Phase == BenchPhase.Usb => Test(
                check,
                TestKind.Look,
                1,
                0.05,
                Signs(Sentences.AsExpectedOnUsb, Sentences.NotAsExpectedOnUsb, null),
                t =>
                    !t.Knows(p.Situation) ? null
                    : SignOf(t.Lives(p.Device, p.Situation)) == Yes ? Yes
                    : No
            ),
            // The light of a device says more than yes and no.
            LinkProbing { Needs: not (SignNeeds.Fed or SignNeeds.Linked) } p when check.Phase == BenchPhase.Links =>
                Sign(check, p),
            _ => null,
        };

    private static FaultTest Test(
        BenchCheck check,
        TestKind kind,
        double minutes,
        double slip,
        IReadOnlyList<Outcome> outcomes,
        Func<BenchTruth, string?> tell
    ) =>
        new(check.Id, kind, check.Title, check.Do, minutes, outcomes)
        {
            Check = check.Id,
            Red = check.Red,
            Black = check.Black,
            RedPad = check.RedPad,
            BlackPad = check.BlackPad,
            RedWire = check.RedWire,
            BlackWire = check.BlackWire,
            Device = check.Device,
            Link = check.Link,
            Mind = check.Mind,
            Slip = slip,
            Tell = tell,
        };

    private FaultTest Copper(BenchCheck check, CopperProbing p)
    {
        string Words(Finds finds) =>
            finds switch
            {
                Finds.Beeps => "continuity",
                Finds.Silent => "open",
                Finds.Ohms => Sentences.ResistanceReadingNoBeep,
                _ => Sentences.DiodeDropInOneDirection,
            };
        var sound = check.Asks switch
        {
            Asks.Ohms => Finds.Ohms,
            Asks.Diode => Finds.Diode,
            _ => check.Judge(null, Answer.Yes)!.Mark == Mark.Good ? Finds.Beeps : Finds.Silent,
        };
        return Test(
            check,
            TestKind.MeasureCold,
            1,
            0.02,
            [
                .. Enum.GetValues<Finds>()
                    .OrderBy(f => f != sound)
                    .Select(f => new Outcome(IdOf(f), Words(f), f == sound)),
            ],
            t => IdOf(t.Between(p.One, p.Other).Finds)
        ) with
        {
            Rails = check.MustPass ? [.. RailsAt(p.One), .. RailsAt(p.Other)] : [],
        };
    }

    // The supply rails that a point is on.
    private IEnumerable<string> RailsAt(Node point) =>
        point.Kind == NodeKind.Rail
            ? [point.Id]
            : meant
                .Copper.With(point)
                .Where(n => n.Kind == NodeKind.Rail && _wired.Build.Circuit.Rails[n.Id].Feed != RailFeed.Ground)
                .Select(n => n.Id);

    private static string IdOf(Finds finds) => finds.ToString().ToLowerInvariant();

    private FaultTest Volts(BenchCheck check, VoltProbing p)
    {
        var (low, high) = check.Good;
        OutcomeBand reversed = new(VoltChecks.Reversed, "reversed");
        List<OutcomeBand> bands =
            low is { } least && high > 0.5
                ? [reversed, new(Math.Min(0.5, least), "nothing"), new(least, "low"), new(high, Yes), new(null, "high")]
                : [reversed, new(high, Yes), new(null, "high")];
        return Test(
            check,
            TestKind.MeasureLive,
            check.Phase == BenchPhase.Usb ? 1 : 0.8,
            0.02,
            [
                new(Yes, Sentences.AsExpected(check.Expected), true),
                .. bands.Where(b => b.Outcome != Yes).Select(b => new Outcome(b.Outcome, Band(b, bands), false)),
            ],
            t => t.Knows(p.Situation) ? OutcomeOf(bands, t.Volts(p)) : null
        ) with
        {
            Unit = check.Unit,
            Bands = bands,
            Rails = check.Device is null ? [.. RailsAt(p.Red)] : [],
        };
    }

    private static string Band(OutcomeBand band, List<OutcomeBand> bands) =>
        band.Outcome switch
        {
            "reversed" => Sentences.ReversedPolarityBelow(Numbers.Volts(band.UpTo!.Value)),
            "nothing" => Sentences.NoVoltageBelow(Numbers.Volts(band.UpTo!.Value)),
            "low" => Sentences.TooLowBelow(Numbers.Volts(band.UpTo!.Value)),
            _ => Sentences.TooHighAbove(Numbers.Volts(bands[^2].UpTo!.Value)),
        };

    /// <summary>The outcome of a number.</summary>
    internal static string OutcomeOf(IReadOnlyList<OutcomeBand> bands, double value) =>
        bands.First(b => b.UpTo is not { } bound || value <= bound).Outcome;

    private static FaultTest? Amps(BenchCheck check, AmpProbing p)
    {
        if (check.Good is not { Low: { } low, High: { } high } || check.Computed is null)
        {
            return null;
        }
        List<OutcomeBand> bands = [new(low, "low"), new(high, Yes), new(null, "high")];
        return Test(
            check,
            TestKind.MeasureLive,
            1,
            0.05,
            [
                new(Yes, Sentences.AsExpected(check.Expected), true),
                new("low", Sentences.LessThan(PlainWords.Amperes(low)), false),
                new("high", Sentences.MoreThan(PlainWords.Amperes(high)), false),
            ],
            t => t.Knows(p.Situation) ? OutcomeOf(bands, t.Amps(p.Situation)) : null
        ) with
        {
            Unit = check.Unit,
            Bands = bands,
        };
    }

    private FaultTest Bridge(BenchCheck check, BridgeProbing p)
    {
        var bridge = _wired.Bridges.First(b => b.Bridge.Id == p.Bridge);
        static string Id(IReadOnlyList<string> at) => at.Count == 0 ? "open" : string.Join('+', at);
        string Words(IReadOnlyList<string> at) =>
            at.Count == 0 ? Sentences.OpenNoSolder
            : at.Count == 1 ? Sentences.SetTo(at[0])
            : Sentences.AllPositionsSoldered;
        List<IReadOnlyList<string>> all =
        [
            bridge.Positions,
            [],
            .. bridge.Bridge.Positions.Select(b => new[] { b }).Where(b => !b.SequenceEqual(bridge.Positions)),
            .. bridge.Bridge.Positions.Count > 1 ? [bridge.Bridge.Positions] : Array.Empty<IReadOnlyList<string>>(),
        ];
        return Test(
            check,
            TestKind.Look,
            0.5,
            0.05,
            [.. all.DistinctBy(Id).Select((at, i) => new Outcome(Id(at), Words(at), i == 0))],
            t => Id(BenchTruth.Positions(t.Real, p.Bridge))
        ) with
        {
            IsCold = true,
        };
    }

    private FaultTest Print(BenchCheck check)
    {
        var outcomes = new List<Outcome> { new(Yes, Sentences.AllSettingsAsPlanned, true) };
        if (_wired.Ports.Count > 1)
        {
            outcomes.Add(new("empty", Sentences.NoPortHasAFunction, false));
        }
        foreach (var (port, name) in _wired.Ports.Select(p => (p.Port.Id, p.Port.Name)).Distinct())
        {
            outcomes.Add(new($"free.port.{port}", Sentences.HasNoFunction(name), false));
            outcomes.Add(new($"rate.port.{port}", Sentences.HasTheRightFunctionBut(name), false));
            outcomes.Add(new($"other.port.{port}", Sentences.HasDifferentSettings(name), false));
        }
        outcomes.AddRange(
            meant
                .Settings.Settings.Where(s => s is { Place: SettingPlace.Board, Value.Length: > 0 })
                .Select(s => new Outcome($"other.{s.Key}", $"different: {s.Words}", false))
        );
        return Test(
            check,
            TestKind.Page,
            2,
            0.01,
            outcomes,
            t =>
                t.Real.Ports.Count == 0 && _wired.Ports.Count > 1 ? "empty"
                : t.FirstOther() is { } other ? $"{other.How.ToString().ToLowerInvariant()}.{other.Key}"
                : Yes
        );
    }

    private FaultTest Sign(BenchCheck check, LinkProbing p)
    {
        var link = _wired.Build.Links.First(l => l.Id == p.Link);
        var isRadio = link.Function.Need == Need.Telemetry;
        return Test(
            check,
            TestKind.Look,
            link.Function.Need == Need.Gps ? 6
                : isRadio ? 2
                : 0.5,
            0.04,
            [
                .. Signs(check.Expected, NotSeen(link, p.Needs), "intermittent"),
                .. isRadio
                    ? DefectDefinition
                        .All.Select(a => a.AtSign)
                        .OfType<DefectSign>()
                        .Select(s => new Outcome(s.Id, s.Words, false))
                    : [],
            ],
            t =>
                !t.Knows(p.Situation) ? null
                : isRadio
                && DefectDefinition
                    .At(t.Real, link.Want.Device)
                    .Select(a => a.AtSign)
                    .OfType<DefectSign>()
                    .FirstOrDefault()
                    is { } seen
                    ? seen.Id
                : SignOf(t.Shows(p.Link, p.Needs, p.Situation))
        ) with
        {
            IsSign = true,
        };
    }

    // What is seen instead, in the builder's words (common practice).
    private static string NotSeen(Link link, SignNeeds needs) =>
        link.Function.Need switch
        {
            Need.RcLink => Sentences.StickBarsDoNotMove,
            Need.Osd when needs == SignNeeds.Says => Sentences.NoOsdTextFromThe,
            Need.Osd => Sentences.Of00VNeverArmed,
            Need.Video => Sentences.NoVideo,
            Need.Gps => Sentences.NoSatellitesNoFix,
            Need.Compass => Sentences.NoCompassDetected,
            Need.Telemetry => Sentences.NoValuesThoughTelemetryIs,
            Need.EscTelemetry => Sentences.NoEscReports,
            Need.BatterySensing => Sentences.ValueWrongOrMissing,
            Need.VtxControl => Sentences.TheVtxDoesNotRespond,
            Need.Rangefinder => Sentences.NoRangefinderReading,
            Need.CameraControl => Sentences.TheCameraMenuDoesNot,
            Need.FlightLog => Sentences.NoNewLog,
            _ => Sentences.NoConnection,
        };
}
