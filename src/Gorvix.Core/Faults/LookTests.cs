using Gorvix.Core.Bench;
using Gorvix.Core.Builds;
using Gorvix.Core.Parts;
using Gorvix.Core.Rails;
using Gorvix.Core.Wiring;
using Gorvix.Core.Words;
using static Gorvix.Core.Faults.TestMaker;

namespace Gorvix.Core.Faults;

/// <summary>What eyes and fingers find at a build, besides what the bench asks.</summary>
internal sealed class LookTests(Meant meant, Situation live)
{
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
                    !t.Knows(live) ? null
                    : t.Real.Ails.Settings.Contains(Sensing) ? No
                    : SignOf(t.Shows(link.Id, SignNeeds.Says, live)),
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
