using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Loom;
using Gorvix.Core.Wired.Rails;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Wired.Words;
using Gorvix.Core.Work.Bench;
using Gorvix.Core.Work.FaultModel;
using static Gorvix.Core.Work.Faults.TestMaker;

namespace Gorvix.Core.Work.Faults;

/// <summary>What eyes and fingers find at a build, besides what the bench asks.</summary>
/// <param name="meant">The build as it is meant.</param>
/// <param name="sheet">Its checks: some ask for a light as well.</param>
/// <param name="live">What feeds it while signs are looked at.</param>
internal sealed class LookTests(Meant meant, BenchSheet sheet, Situation live)
{
    /// <summary>The light is out.</summary>
    public const string Dark = "dark";

    // Another state is seldom taken for this one while the radio is on (our own choice).
    private const double Distinct = 0.1;

    private readonly WiredBuild _wired = meant.Wired;

    /// <summary>The light of every device that is fed.</summary>
    public IEnumerable<FaultTest> Lights() =>
        _wired
            .Build.Devices.Where(d => _wired.Leads.Any(l => l.Device == d.Id && PlantedFaults.IsFed(l)))
            .Select(Light);

    /// <summary>The wires of every device, under the glass and moved.</summary>
    public IEnumerable<FaultTest> Wires() =>
        _wired.Build.Devices.Where(d => Wires(d.Id).Any()).SelectMany(d => new[] { Glass(d), Wiggle(d) });

    private IEnumerable<WiredLead> Wires(string device) =>
        _wired.Leads.Where(l => l.Device == device && l.Pad is not null);

    private FaultTest Light(DeviceInBuild device)
    {
        var links = _wired.Build.Links.Where(l => l.Want.Device == device.Id).ToList();
        var aired = links.Any(l => l.Function.Need is Need.RcLink or Need.Osd);
        var loads = aired;
        string Own(SignState state, string usual) =>
            LinkSigns.Seen(device.Device, state) is { } seen ? $"{usual} ({seen})" : usual;
        return new FaultTest(
            $"light.{device.Id}",
            TestKind.Look,
            Sentences.StatusLight(device.Device.Name),
            aired
                ? Sentences.RadioAndGogglesOnWhat(
                    Cautions.Radiates(device.Device.Kind) ? Sentences.AntennaOnAirflowOver : "",
                    device.Device.Name
                )
                : Sentences.CheckTheLightWarmthAnd(device.Device.Name),
            0.3,
            [
                new("well", aired ? Own(SignState.Linked, "linked") : Own(SignState.Powered, "powered"), true),
                new(Dark, Sentences.NoLightCold, false),
                new("flickers", Sentences.LightCutsOut, false),
                .. aired
                    ? [new Outcome("searching", Own(SignState.Searching, "searching"), false)]
                    : Array.Empty<Outcome>(),
                .. loads
                    ?
                    [
                        new Outcome("loader", Own(SignState.Bootloader, Sentences.SolidWithTheRadioOff), false)
                        {
                            Mistaken = Distinct,
                        },
                    ]
                    : Array.Empty<Outcome>(),
            ]
        )
        {
            IsSign = true,
            Device = device.Id,
            Check = sheet
                .Checks.FirstOrDefault(c =>
                    c.Phase == BenchPhase.Links
                    && c.Device == device.Id
                    && c.Probing is LifeProbing or LinkProbing { Needs: SignNeeds.Fed or SignNeeds.Linked }
                )
                ?.Id,
            Slip = 0.04,
            Tell = t => t.Knows(live) ? t.Light(device.Id, aired, live).ToString().ToLowerInvariant() : null,
        };
    }

    /// <summary>The pack's volts as the board measures them, where they can be read off.</summary>
    public IEnumerable<FaultTest> Values()
    {
        const string Sensing = "battery.voltage";
        if (meant.Settings.Settings.All(s => s.Key != Sensing || s.Value != "on"))
        {
            yield break;
        }
        yield return new FaultTest(
            "board.volts",
            TestKind.Look,
            Sentences.BatteryVoltageOnTheBoards,
            Sentences.PropellersOffConnectTheBattery,
            1.5,
            Signs(Sentences.BatteryVoltage, Sentences.Of00VOrNothing, null)
        )
        {
            Slip = 0.02,
            Tell = t => t.Real.Defects.Settings.Contains(Sensing) ? No : Yes,
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
                Sentences.BatteryVoltageOnTheRadio,
                Sentences.FindBatteryVoltageAmongThe,
                0.5,
                Signs(Sentences.ShownMarkerBlinking, Sentences.NotShown, "intermittent")
            )
            {
                IsSign = true,
                Device = link.Want.Device,
                Link = link.Id,
                Slip = 0.04,
                Tell = t =>
                    !t.Knows(live) ? null
                    : t.Real.Defects.Settings.Contains(Sensing) ? No
                    : SignOf(t.Shows(link.Id, SignNeeds.Says, live)),
            };
        }
    }

    private FaultTest Glass(DeviceInBuild device)
    {
        var wires = _wired.Leads.Where(l => l.Device == device.Id).ToList();
        var pads = wires.Select(l => l.Pad?.Id).OfType<string>().ToHashSet();
        string PadWords(string pad) => WireWords.Of(_wired.Build.Circuit, _wired.Build.Circuit.Pads[pad]);
        var outcomes = new Dictionary<string, string> { [Yes] = Sentences.EveryWireAsInLoom };
        string? See(WiredBuild real)
        {
            foreach (var was in wires)
            {
                var now = real.LeadOf(new(device.Id, was.Lead.Id));
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
            outcomes[$"{lead.Lead.Id} off"] = Sentences.ConnectsToNothing(PlantedFaults.Label(_wired, lead));
        }
        foreach (var pad in _wired.Build.Board.Pads)
        {
            foreach (var lead in wires)
            {
                outcomes[$"{lead.Lead.Id} on {pad.Id}"] = Sentences.IsOn(
                    PlantedFaults.Label(_wired, lead),
                    PadWords(pad.Id)
                );
            }
            foreach (var own in pads)
            {
                outcomes[$"blob {own} {pad.Id}"] = outcomes[$"blob {pad.Id} {own}"] = Sentences.SolderBridgeBetweenAnd(
                    _wired.Build.Circuit.Pads[own].Label,
                    pad.Label
                );
            }
        }
        return new FaultTest(
            $"glass.{device.Id}",
            TestKind.Look,
            Sentences.WiresUnderMagnification(device.Device.Name),
            Sentences.DisconnectBatteryAndUsbTrace(device.Device.Name),
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
                var node = Node.Lead(wire.At);
                if (t.Between(node, Node.Pad(wire.Pad!.Id)).Finds != Finds.Beeps)
                {
                    return $"silent {wire.Lead.Id}";
                }
                if (t.Real.Defects.Weak.Contains(wire.At))
                {
                    return $"loose {wire.Lead.Id}";
                }
            }
            return Yes;
        }
        return new FaultTest(
            $"wiggle.{device.Id}",
            TestKind.Wiggle,
            Sentences.WireContinuityWhileMoved(device.Device.Name),
            Sentences.DisconnectBatteryAndUsbCheckContinuity(device.Device.Name),
            2,
            [
                new(Yes, Sentences.ContinuityOnAllNoneDrops, true),
                .. wires.SelectMany(l =>
                    new[]
                    {
                        new Outcome($"silent {l.Lead.Id}", Sentences.IsOpen(PlantedFaults.Label(_wired, l)), false),
                        new Outcome(
                            $"loose {l.Lead.Id}",
                            Sentences.ContinuityOfDropsOut(PlantedFaults.Label(_wired, l)),
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
