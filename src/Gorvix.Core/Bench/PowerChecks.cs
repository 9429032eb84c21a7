using Gorvix.Core.Builds;
using Gorvix.Core.Parts;
using Gorvix.Core.Rails;
using Gorvix.Core.Wiring;
using Gorvix.Core.Words;

namespace Gorvix.Core.Bench;

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
            ? _volts.Of(sheet, BenchPhase.Volts, "volts", HoldsDown ? "Source in" : "Through the limiter")
            : [];

    /// <summary>USB alone: what lives, and what stays dark and why.</summary>
    public IEnumerable<BenchCheck> Usb()
    {
        yield return new BenchCheck(
            "usb.in",
            BenchPhase.Usb,
            Asks.Sign,
            "USB alone",
            "Source off. Plug USB in, hand on the plug.",
            "the computer finds the board, and nothing gets warm",
            "The board lives on USB, and the computer finds it.",
            [],
            Answers(
                "The computer finds the board.",
                new(
                    Mark.Stop,
                    "Unplug it if anything gets warm or smells; a board that is only not found is looked at first.",
                    "Another cable: many carry power and no data. Then the volts of the rails below."
                )
            ),
            Scope.Of([_scope.Board], UsbRails().SelectMany(r => _scope.Rail(r.Id)))
        )
        {
            IsDangerous = true,
            Mind = ["Propellers off while the computer is plugged in."],
            Probing = new SightProbing("usb"),
        };
        foreach (var check in _volts.Of(_usb, BenchPhase.Usb, "usb", "USB alone", r => r.Volts > 0.5))
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

    private IEnumerable<RailReading> UsbRails() =>
        _usb.Rails.Where(r => r.Volts > 0.5 && _wired.Build.Circuit.Rails.ContainsKey(r.Id));

    private BenchCheck? Pack()
    {
        var build = _wired.Build.Build;
        if (build.InputVolts is { } set)
        {
            return SourceCheck(
                "The source by itself",
                "Measure the source before it is plugged in.",
                set * 0.97,
                set * 1.03,
                _wired.Build.Board.Input?.Max,
                $"The source gives {set:0.##} V."
            );
        }
        return build.Pack is not { } pack
            ? null
            : SourceCheck(
                "The pack by itself",
                "Measure the pack before it is plugged in; every reading after it is computed from this one.",
                pack.Cells * Builds.Pack.EmptyCell,
                pack.Cells * (Builds.Pack.FullCell(pack.Chemistry) + 0.02),
                Math.Max(pack.Cells * (Builds.Pack.FullCell(pack.Chemistry) + 0.05), 0),
                $"It is a pack of {pack.Cells} cells, charged."
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
                        "That is no charged pack of this build: another count of cells, or probes the wrong way.",
                        "Look at the label and the balance plug."
                    )
                ),
                new(
                    low,
                    new(
                        Mark.Doubtful,
                        "Empty, or one cell less than the build says.",
                        "Charge it, or count its cells at the balance plug."
                    )
                ),
                new(high, new(Mark.Good, "The readings that follow are computed from this.")),
                new(
                    Math.Max(high, most ?? high),
                    new(Mark.Doubtful, "More than it should have.", "Measure again; then look at the label.")
                ),
                new(
                    null,
                    new(
                        Mark.Stop,
                        "More than this build is made for: a cell too many, or overcharged. Do not plug it in.",
                        "Look at the label and the balance plug."
                    )
                ),
            ],
            VoltChecks.WithoutNumber,
            Scope.Of(_scope.Source())
        )
        {
            Red = "+ of the source",
            Black = "− of the source",
            Unit = ReadingUnit.Volts,
            Computed = Power.Free?.InputVolts,
            Mind = ["Do not let the probes slip: a pack drives hundreds of amperes through a short."],
            Probing = new SourceProbing(Power.Free?.InputVolts ?? 0),
        };

    private BenchCheck Limited(RailSheet sheet)
    {
        var (typical, peak) = (sheet.SourceAmps?.Typical ?? 0, sheet.SourceAmps?.Peak ?? 0);
        var limit = sheet.Situation.Power.LimiterAmps;
        var low = sheet.AtLeast ? 0 : typical * Least;
        var high = Math.Min(HoldsDown ? limit * 1.05 : double.MaxValue, (peak * Most) + Beside);
        var beyond = Math.Max(high, Math.Min(limit * 0.95, high * 2));
        var where = sheet.Situation.Id == "bench" ? "the bench supply" : "a limiter";
        var stop = new Judgement(
            Mark.Stop,
            $"It takes more than everything on it together. Unplug it: something is shorted, or a part is fed the wrong way.",
            "Feel for what is warm, then beep each supply to ground again."
        );
        return new BenchCheck(
            "power.limited",
            BenchPhase.FirstPower,
            Asks.Amps,
            $"First power through {where}",
            $"Set {where} to {PlainWords.Amperes(limit)} and plug the source in through it, hand on the plug. Read the current after two seconds.",
            HoldsDown
                ? $"up to {PlainWords.Amperes(limit)}: this build takes more than that, so the limiter holds it down"
                : $"{(sheet.AtLeast ? "at least " : "")}{PlainWords.Amperes(Math.Round(typical, 2))}, at most {PlainWords.Amperes(Math.Round(peak, 2))}",
            "Nothing takes more than it should: no short behind the regulators.",
            [
                .. low > 0.02
                    ? new Band[]
                    {
                        new(
                            low,
                            new(
                                Mark.Doubtful,
                                "Less than half of what is computed: something is not fed.",
                                "Look which light stays dark; its volts come next."
                            )
                        ),
                    }
                    : [],
                new(high, new(Mark.Good, HoldsDown ? "The limiter holds it down, as computed." : "As computed.")),
                .. HoldsDown
                    ? []
                    : new Band[]
                    {
                        new(
                            beyond,
                            new(
                                Mark.Doubtful,
                                "More than computed.",
                                "Unplug it. Which part gets warm? Then each device by itself."
                            )
                        ),
                    },
                new(null, stop),
            ],
            VoltChecks.WithoutNumber,
            AllSupplies()
        )
        {
            Unit = ReadingUnit.Amps,
            Computed = Math.Round(typical, 3),
            IsDangerous = true,
            Mind = [.. Before()],
            Probing = new AmpProbing(sheet.Situation),
        };
    }

    // Cautions where they apply; local law and licence come first.
    private IEnumerable<string> Before()
    {
        yield return "Propellers off.";
        if (_wired.Build.Devices.Any(d => Loom.Cautions.Radiates(d.Device.Kind)))
        {
            yield return "Antenna on every transmitter, air over it. Power, band and region by your local law and licence.";
        }
        yield return "Hand on the plug: at smoke, smell or heat, unplug first and think then.";
    }

    private BenchCheck Free()
    {
        var sheet = _free!;
        return new BenchCheck(
            "power.free",
            HoldsDown ? BenchPhase.FirstPower : BenchPhase.Together,
            Asks.Sign,
            "The source without a limiter",
            "Take the limiter out and plug the source in, hand on the plug.",
            $"every light comes on as before, nothing gets warm within a minute{(sheet.SourceAmps is { } amps ? $"; it takes about {PlainWords.Amperes(Math.Round(amps.Typical, 2))}" : "")}",
            "The build stands its source.",
            [],
            Answers(
                "It stands its source.",
                new(Mark.Stop, "Unplug it at once.", "Through the limiter again, and the volts of each rail.")
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
        if (leads.Count == 0)
        {
            return null;
        }
        var lives = leads.All(l => l.State is LeadFeed.Good or LeadFeed.Tight);
        var name = device.Device.Name;
        var rail =
            leads[0].Rail is { } id && _wired.Build.Circuit.Rails.TryGetValue(id, out var told) ? told.Label : null;
        var seen = lives
            ? LinkSigns.Seen(device.Device, SignState.Fed) is { } light
                ? $"its light is {light}"
                : "it lives: a light, warmth, or its answer on the board's page"
            : $"it stays dark: {(rail is null ? "what feeds it" : $"rail {rail}")} is not fed from USB";
        return new BenchCheck(
            $"usb.{device.Id}",
            BenchPhase.Usb,
            Asks.Sign,
            $"{name} on USB",
            $"USB alone: look at the {name}.",
            seen,
            lives ? $"The {name} lives on USB." : $"The {name} is silent on USB, as it must be.",
            [],
            [
                new(Answer.Yes, new(Mark.Good, lives ? "It lives on USB." : "It waits for the pack.")),
                new(
                    Answer.No,
                    new(
                        Mark.Doubtful,
                        lives
                            ? "It should live on USB."
                            : "It lives although nothing should feed it: another way leads to it.",
                        lives
                            ? "Measure volts at its supply lead."
                            : "Measure its supply lead: what feeds it, and through whose pin?"
                    )
                ),
                new(
                    Answer.Unsure,
                    new(Mark.Doubtful, "A device without a light does not tell.", "Measure its supply lead.")
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
            new(Answer.Unsure, new(Mark.Doubtful, "What is not seen is not known.", bad.Look)),
        ];
}
