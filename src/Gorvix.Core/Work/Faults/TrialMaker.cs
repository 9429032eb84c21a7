using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Loom;
using Gorvix.Core.Wired.Rails;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Work.Bench;
using Gorvix.Core.Work.FaultModel;

namespace Gorvix.Core.Work.Faults;

/// <summary>
/// What is done otherwise for once: another piece, another port, wires exchanged, bound anew, out in the open. What a trial shows is what the
/// same aircraft shows without what the trial takes away.
/// </summary>
internal sealed class TrialMaker(Meant meant, BenchSheet sheet, Situation live)
{
    // What a link shows at all: what no sign needs nobody sees, before a trial and after it.
    private readonly ILookup<string, SignNeeds> _signs = sheet
        .Checks.Where(c => c.Phase == BenchPhase.Links)
        .Select(c => c.Probing)
        .OfType<LinkProbing>()
        .ToLookup(p => p.Link, p => p.Needs);

    private readonly WiredBuild _wired = meant.Wired;

    /// <summary>The trials of a build.</summary>
    public IEnumerable<FaultTest> All() => Devices().Concat(Ports());

    /// <summary>The own pages of devices that have something to be set.</summary>
    public IEnumerable<FaultTest> Pages() =>
        from device in _wired.Build.Devices
        let links = LinksOf(device.Id)
        where links.Any(l => _wired.PortOf(l.Id) is { Port.Kind: PortKind.Uart })
        let name = device.Device.Name
        select new FaultTest(
            $"page.{device.Id}",
            TestKind.Page,
            Sentences.OwnSettings(name),
            Sentences.CheckTheSOwnSettings(name),
            4,
            [
                new("well", Sentences.AllSettingsMatchItsPort, true),
                .. DefectDefinition
                    .All.Select(a => a.OnPage)
                    .OfType<DefectSign>()
                    .Select(s => new Outcome(s.Id, s.Words, false)),
                new("none", Sentences.NoResponse, false),
            ]
        )
        {
            Device = device.Id,
            Slip = 0.03,
            Tell = t =>
                !t.Knows(live) ? null
                : t.Light(device.Id, false, live) is LightSays.Dark or LightSays.Loader ? "none"
                : DefectDefinition.At(t.Real, device.Id).Select(a => a.OnPage).OfType<DefectSign>().FirstOrDefault()?.Id
                    ?? "well",
        };

    private List<Link> LinksOf(string device) =>
        [.. _wired.Build.Links.Where(l => l.Want.Device == device && _wired.PortOf(l.Id) is not null)];

    private static WiredBuild Without(WiredBuild real, string device, params DefectKind[] gone)
    {
        var left = real.Defects.Devices.Where(a => a.Device != device || !gone.Contains(a.What)).ToList();
        return left.Count == real.Defects.Devices.Count
            ? real
            : real with
            {
                Defects = real.Defects with { Devices = left },
            };
    }

    private static WiredBuild AnotherPiece(WiredBuild real, string device)
    {
        var well = Without(real, device, [.. DefectDefinition.All.Where(a => a.GoesWithThePiece).Select(a => a.What)]);
        return well.DeadDevices.Contains(device)
            ? well with
            {
                DeadDevices = well.DeadDevices.Where(d => d != device).ToHashSet(),
            }
            : well;
    }

    private FaultTest Trial(
        string id,
        string title,
        string todo,
        double minutes,
        string device,
        IReadOnlyList<string> links,
        SignNeeds? needs,
        Func<BenchTruth, WiredBuild?> otherwise
    ) =>
        new(
            id,
            TestKind.Trial,
            title,
            todo,
            minutes,
            TestMaker.Signs(Sentences.WorksNow, Sentences.NoChange, "intermittent")
        )
        {
            Device = device,
            Link = links.Count == 1 ? links[0] : null,
            Slip = 0.03,
            Tell = t =>
            {
                if (otherwise(t) is not { } real)
                {
                    return null;
                }
                var truth = ReferenceEquals(real, t.Real) ? t : new BenchTruth(meant, real);
                if (!truth.Knows(live))
                {
                    return null;
                }
                return TestMaker.SignOf(
                    links
                        .SelectMany(l => needs is { } n ? [n] : _signs[l], (l, n) => truth.Shows(l, n, live))
                        .DefaultIfEmpty(Seen.Yes)
                        .Min()
                );
            },
        };

    private static readonly string Away = Cure.Away;

    // What goes before every test of a transmitter that has power.
    private static string Antenna(Device device) => Cautions.Radiates(device.Kind) ? $" {Cautions.Antenna}" : "";

    private IEnumerable<FaultTest> Devices()
    {
        foreach (var device in _wired.Build.Devices)
        {
            var links = LinksOf(device.Id);
            if (links.Count == 0)
            {
                continue;
            }
            var (id, name) = (device.Id, device.Device.Name);
            foreach (var defect in DefectDefinition.All)
            {
                if (defect.Trial is { } trial && links.Find(l => trial.Links.Contains(l.Function.Need)) is { } seen)
                {
                    yield return Trial(
                        $"{trial.Id}.{id}",
                        trial.Title(name),
                        trial.Do(device.Device),
                        trial.Minutes,
                        id,
                        [seen.Id],
                        trial.Needs,
                        t => Without(t.Real, id, defect.What)
                    );
                }
            }
            yield return Trial(
                $"piece.{id}",
                $"Another {name}",
                Sentences.PutAnotherOnTheSame(Away, name, Antenna(device.Device)),
                15,
                id,
                [.. links.Select(l => l.Id)],
                null,
                t => AnotherPiece(t.Real, id)
            );
        }
    }

    private IEnumerable<FaultTest> Ports()
    {
        foreach (var port in _wired.Ports.Where(p => p.Port.Kind == PortKind.Uart))
        {
            var device = _wired.Build.Links.First(l => l.Id == port.Link).Want.Device;
            var name = _wired.Build.Devices.First(d => d.Id == device).Device.Name;
            var wires = _wired
                .Leads.Where(l => l.Link == port.Link && l.Pad is not null && l.Lead.Role == LeadRole.Signal)
                .ToList();
            yield return Trial(
                $"move.{port.Link}",
                Sentences.OnAnotherPort(name),
                Sentences.SolderTheSSignalWires(Away, name),
                10,
                device,
                [port.Link],
                null,
                // Wires that are soldered anew sit right: only what lies beyond them is told apart.
                t =>
                    wires.All(w => t.Real.LeadOf(w.At).Pad?.Id == w.Pad!.Id && !t.Real.Defects.Weak.Contains(w.At))
                    && t.Real.Blobs.Count == 0
                        ? Unburdened(t.Real, port)
                        : null
            );
            if (wires is [var one, var other])
            {
                yield return Trial(
                    $"cross.{port.Link}",
                    Sentences.WiresSwapped(name),
                    Sentences.SwapAndOfTheAt(Away, one.Lead.Label, other.Lead.Label, name),
                    5,
                    device,
                    [port.Link],
                    null,
                    // Only wires that are crossed are right afterwards.
                    t =>
                        AreCrossed(t.Real, one, other)
                            ? t.Real.With(new SwapWires(device, one.Lead.Id, other.Lead.Id))
                            : Crossed(t.Real, port)
                );
            }
        }
    }

    // Another port is set anew and has other pins.
    private static WiredBuild Unburdened(WiredBuild real, PortSet port)
    {
        var pins = real.Defects.DeadPins.Where(p => !port.Port.Nets.Contains(p)).ToList();
        var set = real.Ports.FirstOrDefault(p => p.Link == port.Link)?.Settings == port.Settings;
        return pins.Count == real.Defects.DeadPins.Count && set
            ? real
            : real with
            {
                Defects = real.Defects with { DeadPins = pins },
                Ports = set ? real.Ports : [.. real.Ports.Where(p => p.Link != port.Link), port],
            };
    }

    private static bool AreCrossed(WiredBuild real, WiredLead one, WiredLead other)
    {
        string? Pad(WiredLead lead) => real.LeadOf(lead.At).Pad?.Id;
        return Pad(one) == other.Pad!.Id && Pad(other) == one.Pad!.Id;
    }

    // Wires that were right are crossed now, and the link is dead whatever else is wrong.
    private static WiredBuild Crossed(WiredBuild real, PortSet port) =>
        real with
        {
            Ports = [.. real.Ports.Where(p => p.Link != port.Link)],
        };
}
