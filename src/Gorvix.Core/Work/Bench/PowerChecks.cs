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
                HoldsDown ? "Supply connected" : "Through the current limiter"
            )
            : [];

    /// <summary>USB alone: what lives, and what stays dark and why.</summary>
    public IEnumerable<BenchCheck> Usb()
    {
        yield return new BenchCheck(
            "usb.in",
            BenchPhase.Usb,
            Asks.Sign,
            "USB only",
            $"Battery or bench supply off.{OnUsbLines()} Plug USB in, hand on the plug.",
            "the computer detects the board, and nothing gets warm",
            "The board runs on USB, and the computer detects it.",
            [],
            Answers(
                "The computer detects the board.",
                new(
                    Mark.Stop,
                    "Unplug it if anything gets warm or smells. If it is merely not detected, troubleshoot first.",
                    "Try another cable: many carry power but no data. Then measure the rails below."
                )
            ),
            Scope.Of([_scope.Board], UsbRails().SelectMany(r => _scope.Rail(r.Id)))
        )
        {
            IsDangerous = true,
            Mind = ["Propellers off while the computer is connected."],
            Probing = new SightProbing("usb"),
        };
        foreach (var check in _volts.Of(_usb, BenchPhase.Usb, "usb", "USB only", r => r.Volts > 0.5))
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
                    $" Unplug {_wired.Build.Links.First(l => l.Id == p.Link).Device.Name} first: it shares {p.Port.Name} with USB."
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
                "Supply voltage",
                "Measure the supply before plugging it in.",
                set * 0.97,
                set * 1.03,
                _wired.Build.Board.Input?.Max,
                $"The supply is at {set:0.##} V."
            );
        }
        return build.Pack is not { } pack
            ? null
            : SourceCheck(
                "Battery voltage",
                "Measure the battery before plugging it in; every later reading is computed from this one.",
                pack.At(Plans.Builds.Pack.EmptyCell),
                pack.At(Plans.Builds.Pack.FullCell(pack.Chemistry) + 0.02),
                Math.Max(pack.At(Plans.Builds.Pack.FullCell(pack.Chemistry) + 0.05), 0),
                $"It is a charged {pack.Cells}S pack."
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
                new(
                    low * 0.5,
                    new(
                        Mark.Stop,
                        "Not a charged battery for this build: wrong cell count, or probes reversed.",
                        "Check the label and the balance plug."
                    )
                ),
                new(
                    low,
                    new(
                        Mark.Doubtful,
                        "Empty, or one cell fewer than the build says.",
                        "Charge it, or count the cells at the balance plug."
                    )
                ),
                new(high, new(Mark.Good, "Later readings are computed from this.")),
                new(
                    Math.Max(high, most ?? high),
                    new(Mark.Doubtful, "Higher than it should be.", "Measure again; then check the label.")
                ),
                new(
                    null,
                    new(
                        Mark.Stop,
                        "Too high for this build: one cell too many, or overcharged. Do not plug it in.",
                        "Check the label and the balance plug."
                    )
                ),
            ],
            VoltChecks.WithoutNumber,
            Scope.Of(_scope.Source())
        )
        {
            Red = "supply +",
            Black = "supply −",
            Unit = ReadingUnit.Volts,
            Computed = Power.Free?.InputVolts,
            Mind = ["Do not let the probes slip: a battery drives hundreds of amperes through a short."],
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
        var where = sheet.Situation.Id == "bench" ? "the bench supply" : "a current limiter";
        var stop = new Judgement(
            Mark.Stop,
            HoldsDown
                ? $"The current limiter cuts in. Unplug it: a short looks the same as this build's own draw of up to {PlainWords.Amperes(sheet.Unlimited!.Peak)}."
                : "It draws more than all loads together. Unplug it: something is shorted, or a part has reversed polarity.",
            HoldsDown
                ? "Unplug the biggest loads, or set the limiter just above the computed draw, and start again."
                : "Unplugged, feel for what is warm, then check each supply to ground for continuity again."
        );
        return new BenchCheck(
            "power.limited",
            BenchPhase.FirstPower,
            Asks.Amps,
            $"First power-up through {where}",
            $"Set {where} to {PlainWords.Amperes(limit)} and power up through it, hand on the plug. Read the current after 2 s.",
            HoldsDown ? $"below {PlainWords.Amperes(limit)}: at that value the current limiter cuts in"
                : isUnknown ? $"current unknown; unplug it above {PlainWords.Amperes(Math.Round(high, 2))}"
                : sheet.AtLeast && typical < NoCurrent ? $"at least {PlainWords.Amperes(Math.Round(peak, 2))} peak"
                : $"{(sheet.AtLeast ? "at least " : "")}{PlainWords.Amperes(Math.Round(typical, 2))} typical, {PlainWords.Amperes(Math.Round(peak, 2))} peak",
            "Nothing draws more than it should: no short behind the regulators.",
            [
                new(
                    low,
                    new(
                        Mark.Doubtful,
                        typical * Least > NoCurrent
                            ? "Less than half the computed current: something has no power."
                            : "No current: nothing has power, or the meter is not in the line.",
                        "Find which LED stays off; measure its supply next."
                    )
                ),
                new(high, new(Mark.Good, isUnknown ? "No short: hardly any current flows." : "As computed.")),
                .. sheet.AtLeast && capped > high
                    ? new Band[]
                    {
                        new(
                            capped,
                            new(
                                Mark.Doubtful,
                                "Higher than the currents that are known.",
                                "Unplug it. Which part gets warm? Then test each device alone."
                            )
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
        yield return "Propellers off.";
        if (_wired.Build.Devices.Any(d => Cautions.Radiates(d.Device.Kind)))
        {
            yield return "Antenna on every transmitter, airflow over it. Power, band and region as local law and your licence allow.";
        }
        yield return "Hand on the plug: at smoke, smell or heat, unplug first, think later.";
    }

    private BenchCheck Free()
    {
        var sheet = _free!;
        return new BenchCheck(
            "power.free",
            HoldsDown ? BenchPhase.FirstPower : BenchPhase.Together,
            Asks.Sign,
            "Power-up without limiter",
            "Remove the current limiter and connect the battery or supply, hand on the plug.",
            $"every LED comes on as before, nothing gets warm within a minute{(sheet.SourceAmps is { } amps && amps.Typical > NoCurrent ? $"; it draws {(sheet.AtLeast ? "at least" : "about")} {PlainWords.Amperes(Math.Round(amps.Typical, 2))}" : "")}",
            "The build runs without the current limiter.",
            [],
            Answers(
                "It runs without the current limiter.",
                new(
                    Mark.Stop,
                    "Unplug it at once.",
                    "Power up through the current limiter again and measure each rail."
                )
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
                ? $"its LED is {light}"
                : "it has power: LED, warmth, or a reply in the board's settings"
            : $"no light, cold: {(rail is null ? "its supply" : $"{rail} rail")} is off on USB";
        return new BenchCheck(
            $"usb.{device.Id}",
            BenchPhase.Usb,
            Asks.Sign,
            $"{name} on USB",
            $"USB only: look at {name}.",
            seen,
            lives ? $"{name} runs on USB." : $"{name} is off on USB, as it should be.",
            [],
            [
                new(
                    Answer.Yes,
                    new(Mark.Good, lives ? "It runs on USB." : "It stays off until the battery is connected.")
                ),
                new(
                    Answer.No,
                    new(
                        Mark.Doubtful,
                        lives
                            ? "It should run on USB."
                            : "It has power although nothing should power it: it is back-fed by another path.",
                        lives
                            ? "Measure the voltage at its supply lead."
                            : "Measure its supply lead: what powers it, and through which pin?"
                    )
                ),
                new(
                    Answer.Unsure,
                    new(
                        Mark.Doubtful,
                        "Not confirmed: a device without an LED shows nothing.",
                        "Measure its supply lead."
                    )
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
            new(Answer.Unsure, new(Mark.Doubtful, "Not confirmed.", bad.Look)),
        ];
}
