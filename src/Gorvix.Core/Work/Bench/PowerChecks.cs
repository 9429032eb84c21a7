using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Routing;
using Gorvix.Core.Wired.Loom;
using Gorvix.Core.Wired.Rails;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Wired.Words;

namespace Gorvix.Core.Work.Bench;

/// <summary>What feeds the build at each stage of the bench.</summary>
/// <param name="Limited">The first power, through a limiter.</param>
/// <param name="Free">The pack, or what stands in its place, by itself.</param>
/// <param name="Usb">USB alone.</param>
internal sealed record BenchPower(Situation? Limited, Situation? Free, Situation Usb)
{
    /// <summary>What feeds it while volts and links are looked at: through the limiter, unless that would hold it down.</summary>
    public Situation? Proving { get; init; }

    /// <summary>The situations of a build.</summary>
    /// <param name="build">The build.</param>
    /// <param name="volts">What the source was measured at, in volts; null for a full pack.</param>
    public static BenchPower Of(Build build, double? volts)
    {
        var all = Situation.Of(build);
        Situation? At(Situation? one) => one is { } s && volts is { } v ? s with { InputVolts = v } : one;
        var limited = all.FirstOrDefault(s => s.Id == "bench") ?? At(all.FirstOrDefault(s => s.Id == "limiter"));
        var free = At(all.FirstOrDefault(s => s is { Group: SituationGroup.Pack }));
        return new BenchPower(limited, free, all.First(s => s.Id == "usb"));
    }
}

/// <summary>What is measured while something feeds the build.</summary>
internal sealed class PowerChecks
{
    // What leaflets say of currents is rough (our own choice): below half of the usual something is not fed, beyond a fourth more than the most something takes too much.
    private const double Least = 0.5;
    private const double Most = 1.25;
    private const double Beside = 0.1;

    // A limiter's knob and display are no sharper than this; below the other a meter shows nothing (our own choice).
    private const double Reaches = 0.95;
    private const double NoCurrent = 0.005;

    /// <summary>Id of the check of the source by itself.</summary>
    public const string Source = "source";

    private readonly WiredBuild _wired;
    private readonly Scope _scope;
    private readonly VoltChecks _volts;
    private readonly RailSheet? _limited;
    private readonly RailSheet? _free;
    private readonly RailSheet _usb;

    /// <summary>Reads the rails of a build in every situation of the bench.</summary>
    /// <param name="wired">The build as it is meant.</param>
    /// <param name="scope">Its facts.</param>
    /// <param name="measured">What the source was measured at, in volts; null while it was not.</param>
    public PowerChecks(WiredBuild wired, Scope scope, double? measured)
    {
        (_wired, _scope, _volts) = (wired, scope, new VoltChecks(wired, scope, measured));
        var power = BenchPower.Of(wired.Build.Build, measured);
        Situation[] all = [.. new[] { power.Free, power.Limited, power.Usb }.OfType<Situation>()];
        var sheets = RailReader.Read(wired, all);
        RailSheet? Sheet(Situation? s) => s is null ? null : sheets.First(x => x.Situation.Id == s.Id);
        (_limited, _free, _usb) = (Sheet(power.Limited), Sheet(power.Free), Sheet(power.Usb)!);
        HoldsDown =
            _limited is { Unlimited.Peak: var asked, Situation.Power.LimiterAmps: var limit } && asked > limit * 0.9;
        Power = power with { Proving = HoldsDown ? power.Free : power.Limited ?? power.Free };
    }

    /// <summary>What feeds the build at each stage.</summary>
    public BenchPower Power { get; }

    /// <summary>True when the limiter would hold a sound build down, so that volts are measured without it.</summary>
    public bool HoldsDown { get; }

    /// <summary>What the planned supply destroys.</summary>
    public IEnumerable<Finding> Unsafe() =>
        new[] { _free, _usb }
            .OfType<RailSheet>()
            .SelectMany(RailCheck.Of)
            .Where(f =>
                f.Rule == SupplyRules.Over.Id
                || f.Rule == SupplyRules.Tied.Id
                || (f.Rule == FeedRules.BoardInput.Id && _free?.Input is { } input && input.Window.IsOver(input.Volts))
            );

    private RailSheet? Proving => HoldsDown ? _free : _limited ?? _free;

    /// <summary>The source by itself, and the first power.</summary>
    public IEnumerable<BenchCheck> First()
    {
        if (Pack() is { } pack)
        {
            yield return pack;
        }
        if (_limited is { } sheet)
        {
            yield return Limited(sheet);
        }
        if (HoldsDown && _free is not null)
        {
            yield return Free();
        }
    }

    /// <summary>The pack without a limiter, where it was not asked for before.</summary>
    public IEnumerable<BenchCheck> Last()
    {
        if (!HoldsDown && _free is not null)
        {
            yield return Free();
        }
    }

    /// <summary>Volts of rails and at devices, with the source plugged in.</summary>
    public IEnumerable<BenchCheck> Volts() =>
        Proving is { } sheet
            ? _volts.Of(
                sheet,
                BenchPhase.Volts,
                "volts",
                HoldsDown ? Sentences.SupplyConnected : Sentences.ThroughTheCurrentLimiter
            )
            : [];

    /// <summary>USB alone: what lives, and what stays dark and why.</summary>
    public IEnumerable<BenchCheck> Usb()
    {
        yield return new BenchCheck(
            "usb.in",
            BenchPhase.Usb,
            Asks.Sign,
            Sentences.UsbOnly,
            Sentences.BatteryOrBenchSupplyOff(OnUsbLines()),
            Sentences.TheComputerDetectsTheBoard,
            Sentences.TheBoardRunsOnUsb,
            [],
            Answers(
                Sentences.TheComputerDetectsTheBoardProof,
                new(Mark.Stop, Sentences.UnplugItIfAnythingGets, Sentences.TryAnotherCableManyCarry)
            ),
            Scope.Of([_scope.Board], UsbRails().SelectMany(r => _scope.Rail(r.Id)))
        )
        {
            IsDangerous = true,
            Mind = [Sentences.PropellersOffWhileTheComputer],
            Probing = new SightProbing("usb"),
        };
        foreach (var check in _volts.Of(_usb, BenchPhase.Usb, "usb", Sentences.UsbOnly, r => r.Volts > 0.5))
        {
            yield return check;
        }
        foreach (var device in _wired.Build.Devices)
        {
            if (Dark(device) is { } dark)
            {
                yield return dark;
            }
        }
    }

    // What talks on the lines of the USB bridge garbles it, and is garbled.
    private string OnUsbLines() =>
        string.Concat(
            _wired
                .Ports.Where(p => p.Port.Usb == UsbSharing.Shared)
                .Select(p =>
                    Sentences.UnplugFirstItSharesWith(
                        _wired.Build.Links.First(l => l.Id == p.Link).Device.Name,
                        p.Port.Name
                    )
                )
                .Distinct()
        );

    private IEnumerable<RailReading> UsbRails() =>
        _usb.Rails.Where(r => r.Volts > 0.5 && _wired.Build.Circuit.Rails.ContainsKey(r.Id));

    private BenchCheck? Pack()
    {
        var build = _wired.Build.Build;
        if (build.InputVolts is { } set)
        {
            return SourceCheck(
                Sentences.SupplyVoltage,
                Sentences.MeasureTheSupplyBeforePlugging,
                set * 0.97,
                set * 1.03,
                _wired.Build.Board.Input?.Max,
                Sentences.TheSupplyIsAtV(set)
            );
        }
        return build.Pack is not { } pack
            ? null
            : SourceCheck(
                Sentences.BatteryVoltage,
                Sentences.MeasureTheBatteryBeforePlugging,
                pack.At(Plans.Builds.Pack.EmptyCell),
                pack.At(Plans.Builds.Pack.FullCell(pack.Chemistry) + 0.02),
                Math.Max(pack.At(Plans.Builds.Pack.FullCell(pack.Chemistry) + 0.05), 0),
                Sentences.ItIsAChargedS(pack.Cells)
            );
    }

    private BenchCheck SourceCheck(string title, string todo, double low, double high, double? most, string proves) =>
        new(
            Source,
            BenchPhase.FirstPower,
            Asks.Volts,
            title,
            todo,
            Numbers.Volts(low, high),
            proves,
            [
                new(low * 0.5, new(Mark.Stop, Sentences.NotAChargedBatteryFor, Sentences.CheckTheLabelAndThe)),
                new(low, new(Mark.Doubtful, Sentences.EmptyOrOneCellFewer, Sentences.ChargeItOrCountThe)),
                new(high, new(Mark.Good, Sentences.LaterReadingsAreComputedFrom)),
                new(
                    Math.Max(high, most ?? high),
                    new(Mark.Doubtful, Sentences.HigherThanItShouldBe, Sentences.MeasureAgainThenCheckThe)
                ),
                new(null, new(Mark.Stop, Sentences.TooHighForThisBuild, Sentences.CheckTheLabelAndThe)),
            ],
            VoltChecks.WithoutNumber,
            Scope.Of(_scope.Source())
        )
        {
            Red = "supply +",
            Black = "supply −",
            Unit = ReadingUnit.Volts,
            Computed = Power.Free?.InputVolts,
            Mind = [Sentences.DoNotLetTheProbes],
            Probing = new SourceProbing(Power.Free?.InputVolts ?? 0),
        };

    private BenchCheck Limited(RailSheet sheet)
    {
        var (typical, peak) = (sheet.SourceAmps?.Typical ?? 0, sheet.SourceAmps?.Peak ?? 0);
        var limit = sheet.Situation.Power.LimiterAmps;
        // At the limiter's own value nothing tells a short from a load; the most that is computed is the most that may be, unless a current is unknown.
        var capped = limit * Reaches;
        var low = Math.Max(typical * Least, NoCurrent);
        var high = Math.Max(low, Math.Min(capped, (peak * Most) + Beside));
        var isUnknown = sheet.AtLeast && peak < NoCurrent;
        var where = sheet.Situation.Id == "bench" ? Sentences.TheBenchSupply : Sentences.ACurrentLimiter;
        var stop = new Judgement(
            Mark.Stop,
            HoldsDown
                ? Sentences.TheCurrentLimiterCutsIn(PlainWords.Amperes(sheet.Unlimited!.Peak))
                : Sentences.ItDrawsMoreThanAll,
            HoldsDown ? Sentences.UnplugTheBiggestLoadsOr : Sentences.UnpluggedFeelForWhatIs
        );
        return new BenchCheck(
            "power.limited",
            BenchPhase.FirstPower,
            Asks.Amps,
            Sentences.FirstPowerUpThrough(where),
            Sentences.SetToAndPowerUp(where, PlainWords.Amperes(limit)),
            HoldsDown ? Sentences.BelowAtThatValueThe(PlainWords.Amperes(limit))
                : isUnknown ? Sentences.CurrentUnknownUnplugItAbove(PlainWords.Amperes(Math.Round(high, 2)))
                : sheet.AtLeast && typical < NoCurrent ? Sentences.AtLeastPeak(PlainWords.Amperes(Math.Round(peak, 2)))
                : $"{(sheet.AtLeast ? Sentences.AtLeast : "")}{PlainWords.Amperes(Math.Round(typical, 2))} typical, {PlainWords.Amperes(Math.Round(peak, 2))} peak",
            Sentences.NothingDrawsMoreThanIt,
            [
                new(
                    low,
                    new(
                        Mark.Doubtful,
                        typical * Least > NoCurrent
                            ? Sentences.LessThanHalfTheComputed
                            : Sentences.NoCurrentNothingHasPower,
                        Sentences.FindWhichLedStaysOff
                    )
                ),
                new(high, new(Mark.Good, isUnknown ? Sentences.NoShortHardlyAnyCurrent : Sentences.AsComputed)),
                .. sheet.AtLeast && capped > high
                    ? new Band[]
                    {
                        new(
                            capped,
                            new(Mark.Doubtful, Sentences.HigherThanTheCurrentsThat, Sentences.UnplugItWhichPartGets)
                        ),
                    }
                    : [],
                new(null, stop),
            ],
            VoltChecks.WithoutNumber,
            AllSupplies()
        )
        {
            Unit = ReadingUnit.Amps,
            Computed = isUnknown ? null : Math.Round(typical, 3),
            IsDangerous = true,
            Mind = [.. Before()],
            Probing = new AmpProbing(sheet.Situation),
        };
    }

    // Cautions where they apply; local law and licence come first.
    private IEnumerable<string> Before()
    {
        yield return Sentences.PropellersOff;
        if (_wired.Build.Devices.Any(d => Cautions.Radiates(d.Device.Kind)))
        {
            yield return Sentences.AntennaOnEveryTransmitterAirflow;
        }
        yield return Sentences.HandOnThePlugAt;
    }

    private BenchCheck Free()
    {
        var sheet = _free!;
        return new BenchCheck(
            "power.free",
            HoldsDown ? BenchPhase.FirstPower : BenchPhase.Together,
            Asks.Sign,
            Sentences.PowerUpWithoutLimiter,
            Sentences.RemoveTheCurrentLimiterAnd,
            Sentences.EveryLedComesOnAs(
                sheet.SourceAmps is { } amps && amps.Typical > NoCurrent
                    ? Sentences.ItDraws(
                        sheet.AtLeast ? Sentences.NoLess : "about",
                        PlainWords.Amperes(Math.Round(amps.Typical, 2))
                    )
                    : ""
            ),
            Sentences.TheBuildRunsWithoutThe,
            [],
            Answers(
                Sentences.ItRunsWithoutTheCurrent,
                new(Mark.Stop, Sentences.UnplugItAtOnce, Sentences.PowerUpThroughTheCurrent)
            ),
            AllSupplies()
        )
        {
            IsDangerous = true,
            Mind = [.. Before()],
            Probing = new SightProbing("free"),
        };
    }

    private IReadOnlyList<string> AllSupplies() =>
        Scope.Of(
            [_scope.Board],
            _scope.Source(),
            _wired.Build.Board.Rails.Where(r => r.Feed != RailFeed.Ground).SelectMany(r => _scope.Rail(r.Id)),
            _wired.Build.Devices.SelectMany(d => _scope.Feed(d.Id))
        );

    private BenchCheck? Dark(DeviceInBuild device)
    {
        var leads = _usb.Leads.Where(l => l.Device == device.Id && l.State != LeadFeed.Unfed).ToList();
        // Where nobody has said whether USB powers it, what it should show is not known.
        if (leads.Count == 0 || leads.Exists(l => l.State == LeadFeed.UsbUnknown))
        {
            return null;
        }
        var lives = leads.All(l => l.State is LeadFeed.Good or LeadFeed.Tight);
        var name = device.Device.Name;
        var rail =
            leads[0].Rail is { } id && _wired.Build.Circuit.Rails.TryGetValue(id, out var told) ? told.Label : null;
        var seen = lives
            ? LinkSigns.Seen(device.Device, SignState.Powered) is { } light
                ? Sentences.ItsLedIs(light)
                : Sentences.ItHasPowerLedWarmth
            : Sentences.NoLightColdIsOff(rail is null ? Sentences.ItsSupply : $"{rail} rail");
        return new BenchCheck(
            $"usb.{device.Id}",
            BenchPhase.Usb,
            Asks.Sign,
            Sentences.OnUsb(name),
            Sentences.UsbOnlyLookAt(name),
            seen,
            lives ? Sentences.RunsOnUsb(name) : Sentences.IsOffOnUsbAs(name),
            [],
            [
                new(Answer.Yes, new(Mark.Good, lives ? Sentences.ItRunsOnUsb : Sentences.ItStaysOffUntilThe)),
                new(
                    Answer.No,
                    new(
                        Mark.Doubtful,
                        lives ? Sentences.ItShouldRunOnUsb : Sentences.ItHasPowerAlthoughNothing,
                        lives ? Sentences.MeasureTheVoltageAtIts : Sentences.MeasureItsSupplyLeadWhat
                    )
                ),
                new(
                    Answer.Unsure,
                    new(Mark.Doubtful, Sentences.NotConfirmedADeviceWithout, Sentences.MeasureItsSupplyLead)
                ),
            ],
            Scope.Of([_scope.Board], _scope.Feed(device.Id), leads[0].Rail is { } on ? _scope.Rail(on) : [])
        )
        {
            Device = device.Id,
            Probing = new LifeProbing(device.Id, _usb.Situation),
        };
    }

    private static IReadOnlyList<Judged> Answers(string good, Judgement bad) =>
        [
            new(Answer.Yes, new(Mark.Good, good)),
            new(Answer.No, bad),
            new(Answer.Unsure, new(Mark.Doubtful, Sentences.NotConfirmed, bad.Look)),
        ];
}
