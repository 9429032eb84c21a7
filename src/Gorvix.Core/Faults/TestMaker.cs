using Gorvix.Core.Bench;
using Gorvix.Core.Builds;
using Gorvix.Core.Parts;
using Gorvix.Core.Rails;
using Gorvix.Core.Wiring;
using Gorvix.Core.Words;

namespace Gorvix.Core.Faults;

/// <summary>
/// Everything that can be looked at, measured or tried on a build: the checks of its bench, read finer, and what only somebody does who looks
/// for a fault. What each takes in minutes is our own estimate.
/// </summary>
internal sealed class TestMaker(Meant meant, BenchSheet sheet)
{
    /// <summary>It is there.</summary>
    public const string Yes = "yes";

    /// <summary>It is not there.</summary>
    public const string No = "no";

    /// <summary>It comes and goes.</summary>
    public const string Flickers = "flickers";

    private readonly WiredBuild _wired = meant.Wired;

    // What feeds the craft while signs are looked at, as the bench does it.
    private readonly Situation _live =
        sheet.Checks.Select(c => c.Probing).OfType<LinkProbing>().FirstOrDefault()?.Situation
        ?? meant.Power.Free
        ?? meant.Power.Usb;

    /// <summary>The tests of a build, in one order.</summary>
    public IReadOnlyList<FaultTest> All()
    {
        var trials = new TrialMaker(meant, sheet, _live);
        return
        [
            .. Fed.Select(Light),
            .. sheet.Checks.Select(OfCheck).OfType<FaultTest>(),
            .. Values(),
            .. _wired.Build.Devices.Where(d => Wires(d.Id).Any()).SelectMany(d => new[] { Glass(d), Wiggle(d) }),
            .. trials.Pages(),
            .. trials.All(),
        ];
    }

    private IEnumerable<DeviceInBuild> Fed =>
        _wired.Build.Devices.Where(d => _wired.Leads.Any(l => l.Device == d.Id && PlantedFaults.IsFed(l)));

    private IEnumerable<WiredLead> Wires(string device) =>
        _wired.Leads.Where(l => l.Device == device && l.Pad is not null);

    internal static string SignOf(Seen seen) =>
        seen switch
        {
            Seen.Yes => Yes,
            Seen.No => No,
            _ => Flickers,
        };

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
                Signs("as it should be on USB", "not as it should be on USB", null),
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
            Device = check.Device,
            Link = check.Link,
            Mind = check.Mind,
            Slip = slip,
            Tell = tell,
        };

    internal static IReadOnlyList<Outcome> Signs(string seen, string not, string? flickers) =>
        [
            new(Yes, seen, true),
            new(No, not, false),
            .. flickers is null ? [] : new[] { new Outcome(Flickers, flickers, false) },
        ];

    private static FaultTest Copper(BenchCheck check, CopperProbing p)
    {
        string Words(Finds finds) =>
            finds switch
            {
                Finds.Beeps => "it beeps",
                Finds.Silent => "silence",
                Finds.Ohms => "a resistance, no beep",
                _ => "a diode: a drop one way",
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
        );
    }

    private static string IdOf(Finds finds) => finds.ToString().ToLowerInvariant();

    private static FaultTest Volts(BenchCheck check, VoltProbing p)
    {
        var (low, high) = check.Good;
        List<OutcomeBand> bands =
            low is { } least && high > 0.5
                ? [new(Math.Min(0.5, least), "nothing"), new(least, "low"), new(high, Yes), new(null, "high")]
                : [new(high, Yes), new(null, "high")];
        return Test(
            check,
            TestKind.MeasureLive,
            check.Phase == BenchPhase.Usb ? 1 : 0.8,
            0.02,
            [
                new(Yes, $"as computed: {check.Expected}", true),
                .. bands.Where(b => b.Outcome != Yes).Select(b => new Outcome(b.Outcome, Band(b, bands), false)),
            ],
            t => t.Knows(p.Situation) ? OutcomeOf(bands, t.Volts(p)) : null
        ) with
        {
            Unit = check.Unit,
            Bands = bands,
        };
    }

    private static string Band(OutcomeBand band, List<OutcomeBand> bands) =>
        band.Outcome switch
        {
            "nothing" => $"nothing: below {Numbers.Volts(band.UpTo!.Value)}",
            "low" => $"too low: below {Numbers.Volts(band.UpTo!.Value)}",
            _ => $"too high: above {Numbers.Volts(bands[^2].UpTo!.Value)}",
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
                new(Yes, $"as computed: {check.Expected}", true),
                new("low", $"less than {PlainWords.Amperes(low)}", false),
                new("high", $"more than {PlainWords.Amperes(high)}", false),
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
            at.Count == 0 ? "no solder on it"
            : at.Count == 1 ? $"it stands at \"{at[0]}\""
            : "solder on every side";
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
        var outcomes = new List<Outcome> { new(Yes, "everything stands as wanted", true) };
        if (_wired.Ports.Count > 1)
        {
            outcomes.Add(new("empty", "no port has a job: the page is empty", false));
        }
        foreach (var port in _wired.Ports.Select(p => p.Port.Id).Distinct())
        {
            outcomes.Add(new($"free.port.{port}", $"{port} has no job", false));
            outcomes.Add(new($"other.port.{port}", $"{port} is set otherwise", false));
        }
        outcomes.AddRange(
            meant
                .Settings.Settings.Where(s => s is { Place: Core.Settings.SettingPlace.Board, Value.Length: > 0 })
                .Select(s => new Outcome($"other.{s.Key}", $"otherwise: {s.Words}", false))
        );
        return Test(
            check,
            TestKind.Page,
            2,
            0.01,
            outcomes,
            t =>
                t.Real.Ports.Count == 0 && _wired.Ports.Count > 1 ? "empty"
                : t.FirstOther() is { } other ? $"{(other.IsFree ? "free" : "other")}.{other.Key}"
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
            link.Function.Need == Need.Position ? 6
                : isRadio ? 2
                : 0.5,
            0.04,
            [
                .. Signs(check.Expected, NotSeen(link, p.Needs), "it comes and goes"),
                .. isRadio
                    ? [new Outcome("still", "values stand there, and no mark blinks", false)]
                    : Array.Empty<Outcome>(),
            ],
            t =>
                !t.Knows(p.Situation) ? null
                : isRadio && t.Real.Ails.Has(link.Want.Device, Ailment.Remembered) ? "still"
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
            Need.Control => "the sticks do not move",
            Need.PictureText when needs == SignNeeds.Says => "no text from the board",
            Need.PictureText => "0.0 V, never armed, no record",
            Need.Picture => "no picture",
            Need.Position => "no satellites, the fix never comes",
            Need.Heading => "no compass is found",
            Need.Telemetry => "no values, although telemetry is on",
            Need.EscReadings => "none reports",
            Need.BatteryReadings => "the value is wrong or missing",
            Need.VideoControl => "the transmitter does not follow",
            Need.Height => "no height",
            Need.CameraControl => "the menu does not open",
            Need.FlightLog => "no new record",
            _ => "it does not connect",
        };

    private FaultTest Light(DeviceInBuild device)
    {
        var links = _wired.Build.Links.Where(l => l.Want.Device == device.Id).ToList();
        var aired = links.Any(l => l.Function.Need is Need.Control or Need.PictureText);
        var loads = aired;
        string Own(SignState state, string usual) =>
            LinkSigns.Seen(device.Device, state) is { } seen ? $"{usual} ({seen})" : usual;
        return new FaultTest(
            $"light.{device.Id}",
            TestKind.Look,
            $"Light of the {device.Device.Name}",
            aired
                ? $"Radio and goggles on: what does the light of the {device.Device.Name} say?"
                : $"Look at the {device.Device.Name}: a light, warmth, what it feeds.",
            0.3,
            [
                new(
                    "well",
                    aired ? Own(SignState.Linked, "it has found its other end") : Own(SignState.Fed, "it has power"),
                    true
                ),
                new("dark", "dark, cold", false),
                new("flickers", "it goes out and comes back", false),
                .. aired
                    ? [new Outcome("searching", Own(SignState.Searching, "it looks for its other end"), false)]
                    : Array.Empty<Outcome>(),
                .. loads
                    ? [new Outcome("loader", Own(SignState.Loader, "solid with the radio off: its loader"), false)]
                    : Array.Empty<Outcome>(),
            ]
        )
        {
            IsSign = true,
            Device = device.Id,
            Slip = 0.04,
            Tell = t => t.Knows(_live) ? t.Light(device.Id, aired, _live).ToString().ToLowerInvariant() : null,
        };
    }

    // The pack's volts as the board measures them, where they can be read off.
    private IEnumerable<FaultTest> Values()
    {
        const string Sensing = "battery.voltage";
        if (meant.Settings.Settings.All(s => s.Key != Sensing || s.Value != "on"))
        {
            yield break;
        }
        yield return new FaultTest(
            "board.volts",
            TestKind.Look,
            "Pack volts on the board's page",
            "Source in, then USB: read the pack's volts on the board's page.",
            1.5,
            Signs("the pack's volts", "0.0 V, or nothing", null)
        )
        {
            Slip = 0.02,
            Tell = t => t.Real.Ails.Settings.Contains(Sensing) ? No : Yes,
        };
        foreach (
            var link in _wired.Build.Links.Where(l =>
                l.Function.Need == Need.Telemetry && _wired.Rides.Any(r => r.Link == l.Id)
            )
        )
        {
            yield return new FaultTest(
                $"value.{link.Id}",
                TestKind.Look,
                "Pack volts on the radio",
                "Look for the pack's volts among the radio's values.",
                0.5,
                Signs("they are there, and their mark blinks", "they are not there", "they come and go")
            )
            {
                IsSign = true,
                Device = link.Want.Device,
                Link = link.Id,
                Slip = 0.04,
                Tell = t =>
                    !t.Knows(_live) ? null
                    : t.Real.Ails.Settings.Contains(Sensing) ? No
                    : SignOf(t.Shows(link.Id, SignNeeds.Says, _live)),
            };
        }
    }

    private FaultTest Glass(DeviceInBuild device)
    {
        var wires = _wired.Leads.Where(l => l.Device == device.Id).ToList();
        var pads = wires.Select(l => l.Pad?.Id).OfType<string>().ToHashSet();
        string PadWords(string pad) => WireWords.Of(_wired.Build.Circuit, _wired.Build.Circuit.Pads[pad]);
        var outcomes = new Dictionary<string, string>
        {
            [Yes] = "every wire sits where the loom says, no solder between",
        };
        string? See(WiredBuild real)
        {
            foreach (var was in wires)
            {
                var now = real.Leads.First(l => l.Device == device.Id && l.Lead.Id == was.Lead.Id);
                if (now.Pad?.Id != was.Pad?.Id)
                {
                    return now.Pad is { } pad ? $"{was.Lead.Id} on {pad.Id}" : $"{was.Lead.Id} off";
                }
            }
            return real.Blobs.FirstOrDefault(b => pads.Contains(b.One) || pads.Contains(b.Other)) is { } blob
                ? $"blob {blob.One} {blob.Other}"
                : Yes;
        }
        foreach (var lead in wires)
        {
            outcomes[$"{lead.Lead.Id} off"] = $"{PlantedFaults.Label(_wired, lead)} touches nothing";
        }
        foreach (var pad in _wired.Build.Board.Pads)
        {
            foreach (var lead in wires)
            {
                outcomes[$"{lead.Lead.Id} on {pad.Id}"] =
                    $"{PlantedFaults.Label(_wired, lead)} sits on {PadWords(pad.Id)}";
            }
            foreach (var own in pads)
            {
                outcomes[$"blob {own} {pad.Id}"] = outcomes[$"blob {pad.Id} {own}"] =
                    $"solder between {_wired.Build.Circuit.Pads[own].Label} and {pad.Label}";
            }
        }
        return new FaultTest(
            $"glass.{device.Id}",
            TestKind.Look,
            $"Wires of the {device.Device.Name} under the glass",
            $"Unplug. Follow each wire of the {device.Device.Name} from end to end, and look between its pads under the glass.",
            2,
            [.. outcomes.Select(o => new Outcome(o.Key, o.Value, o.Key == Yes))]
        )
        {
            Device = device.Id,
            IsCold = true,
            Slip = 0.1,
            Tell = t => See(t.Real),
        };
    }

    private FaultTest Wiggle(DeviceInBuild device)
    {
        var wires = Wires(device.Id).Where(l => l.IsUsed).ToList();
        string See(BenchTruth t)
        {
            foreach (var wire in wires)
            {
                var node = Circuits.Node.Lead(wire.Device, wire.Lead.Id);
                if (t.Between(node, Circuits.Node.Pad(wire.Pad!.Id)).Finds != Finds.Beeps)
                {
                    return $"silent {wire.Lead.Id}";
                }
                if (t.Real.Ails.Weak.Contains(new LeadAt(wire.Device, wire.Lead.Id)))
                {
                    return $"loose {wire.Lead.Id}";
                }
            }
            return Yes;
        }
        return new FaultTest(
            $"wiggle.{device.Id}",
            TestKind.Wiggle,
            $"Wires of the {device.Device.Name} beeped and moved",
            $"Unplug. Beep each wire of the {device.Device.Name} from its end to its pad, and move it at both ends meanwhile.",
            2,
            [
                new(Yes, "each beeps, and none breaks off", true),
                .. wires.SelectMany(l =>
                    new[]
                    {
                        new Outcome($"silent {l.Lead.Id}", $"{PlantedFaults.Label(_wired, l)} does not beep", false),
                        new Outcome(
                            $"loose {l.Lead.Id}",
                            $"the beep of {PlantedFaults.Label(_wired, l)} breaks off",
                            false
                        ),
                    }
                ),
            ]
        )
        {
            Device = device.Id,
            Slip = 0.03,
            Tell = See,
        };
    }
}
