using Gorvix.Core.Circuits;
using Gorvix.Core.Parts;
using Gorvix.Core.Supply;
using Gorvix.Core.Wiring;

namespace Gorvix.Core.Rails;

/// <summary>What every rail and every supply lead of a wired build really gets, situation by situation.</summary>
public static class RailReader
{
    /// <summary>The build in a situation.</summary>
    /// <param name="wired">The build as it is wired.</param>
    /// <param name="situation">What feeds it.</param>
    /// <param name="stop">Tells that nobody waits for the answer any more.</param>
    public static RailSheet Read(WiredBuild wired, Situation situation, CancellationToken stop = default)
    {
        var usual = RailNet.Of(wired, situation, LoadLevel.Typical);
        var most = RailNet.Of(wired, situation, LoadLevel.Peak);
        var (typical, peak) = (SupplySolver.Solve(usual.Net, stop), SupplySolver.Solve(most.Net, stop));
        return typical.State is { } rule && peak.State is { } high
            ? new Reader(wired, situation, usual, rule, high).Sheet()
            : new RailSheet(situation, [], [], null, null, typical.Problem ?? peak.Problem);
    }

    /// <summary>What is taken for granted because nobody has told it, in sentences.</summary>
    /// <param name="wired">The build as it is wired.</param>
    public static IReadOnlyList<string> Assumed(WiredBuild wired)
    {
        var said = new List<string>
        {
            $"Supply wires are taken as {RailNet.Usual.Millimetres / 10:0} cm of AWG {RailNet.Usual.Gauge}.",
        };
        var silent = wired
            .Build.Devices.Where(d => d.Device.Supplies.Any(s => s.Typical is null))
            .Select(d => d.Device.Name)
            .ToList();
        if (silent.Count > 0)
        {
            said.Add(
                $"No leaflet tells the current of {Findings.Phrase.Join(silent)}: what is told of their rails is the least."
            );
        }
        if (wired.Build.Board.Rails.Any(r => r.Volts is > 0 && r.Kind != RegulatorKind.Linear))
        {
            said.Add("Regulators that switch are taken as lossless, so the source gives at least what is told.");
        }
        return said;
    }

    private sealed class Reader(WiredBuild wired, Situation situation, RailNet net, SupplyState rule, SupplyState high)
    {
        private readonly Board _board = wired.Build.Board;
        private readonly Circuit _circuit = wired.Build.Circuit;

        public RailSheet Sheet() =>
            new(
                situation,
                [.. _board.Rails.Where(r => r.Feed != RailFeed.Ground).Select(RailOf)],
                [.. wired.Build.Devices.SelectMany(d => d.Device.Supplies.Select(s => LeadOf(d.Id, d.Device, s)))],
                Pair(net.Pack),
                Pair(net.Usb),
                null
            );

        private AmpPair? Pair(int? element) =>
            element is { } at ? new AmpPair(Round(rule.Amps[at]), Round(high.Amps[at])) : null;

        private RailReading RailOf(Rail rail)
        {
            var node = net.NodeOf(rail.Id);
            var loads = LoadsOf(rail).ToList();
            var regulators = net.Regulators.GetValueOrDefault(rail.Id) ?? [];
            // A rail of its own has what comes out of its regulators, none of them at work included; the battery's rail has what hangs on it.
            var own = net.Regulators.ContainsKey(rail.Id) || rule.Volts[node] < CurrentLoad.Wakes;
            var typical = own ? regulators.Sum(r => rule.Outputs[r]) : loads.Sum(l => l.Typical ?? 0);
            var peak = own ? regulators.Sum(r => high.Outputs[r]) : loads.Sum(l => l.Peak ?? l.Typical ?? 0);
            return new RailReading(
                rail.Id,
                rail.Label,
                rail.From,
                Round(rule.Volts[node]),
                Round(high.Volts[node]),
                Round(typical),
                Round(peak),
                loads.Any(l => l.Typical is null || (l.Peak is null && l.Device is not null)) || Unknown(rail),
                rail.Limit,
                rule.Volts[node] > CurrentLoad.Wakes,
                HeatOf(rail, regulators),
                loads
            );
        }

        // A regulator of unknown kind, or one that switches with unknown losses, asks its source for more than is known here.
        private bool Unknown(Rail rail) =>
            Children(rail)
                .Any(c => c.Kind != RegulatorKind.Linear || LoadsOf(c).Any(l => l.Typical is null) || Unknown(c));

        private double? HeatOf(Rail rail, List<int> regulators) =>
            rail.Kind == RegulatorKind.Linear && regulators.Count > 0
                ? Math.Round(
                    regulators.Sum(r =>
                        (rule.Volts[net.Net.Regulators[r].Input] - rule.Volts[net.Net.Regulators[r].Output])
                        * Math.Max(0, rule.Outputs[r])
                    ),
                    3
                )
                : null;

        private IEnumerable<Rail> Children(Rail rail) =>
            _board.Rails.Where(r =>
                r.Feed is not (RailFeed.Ground or RailFeed.Battery) && r.Id != rail.Id && (r.From ?? Root()) == rail.Id
            );

        private string? Root() => _board.Rails.FirstOrDefault(r => r is { Feed: RailFeed.Battery, From: null })?.Id;

        private IEnumerable<RailLoad> LoadsOf(Rail rail)
        {
            foreach (var fed in net.Fed.Where(f => f.Rails.Contains(rail.Id)))
            {
                var device = wired.Build.Devices.First(d => d.Id == fed.Lead.Device);
                yield return new RailLoad(device.Id, null, device.Device.Name, fed.Supply.Typical, fed.Supply.Peak);
            }
            foreach (var child in Children(rail))
            {
                var ways = (net.Regulators.GetValueOrDefault(child.Id) ?? []).Where(r =>
                    net.Net.Regulators[r].Input == net.NodeOf(rail.Id)
                );
                var list = ways.ToList();
                if (list.Count > 0)
                {
                    yield return new RailLoad(
                        null,
                        child.Id,
                        child.Label,
                        Round(list.Sum(r => rule.Inputs[r])),
                        Round(list.Sum(r => high.Inputs[r]))
                    );
                }
            }
        }

        private LeadReading LeadOf(string id, Device device, SupplyInput supply)
        {
            var lead = device.Leads.First(l => l.Id == supply.Lead);
            var name = device.Name;
            if (net.Fed.FirstOrDefault(f => f.Lead.Device == id && f.Lead.Lead.Id == lead.Id) is not { } fed)
            {
                return new LeadReading(id, name, lead.Id, lead.Label, null, null, supply.Window, 0, 0, []);
            }
            double? At(SupplyState state) =>
                fed.Ground is { } ground ? Round(state.Volts[fed.Node] - state.Volts[ground]) : null;
            return new LeadReading(
                id,
                name,
                lead.Id,
                lead.Label,
                fed.Lead.Pad!.Id,
                fed.Rails.Count > 0 ? fed.Rails[0] : null,
                supply.Window,
                At(rule),
                At(high),
                [.. WayOf(fed)]
            );
        }

        private IEnumerable<SupplyStation> WayOf(FedLead fed)
        {
            var chain = new List<Rail>();
            for (var at = fed.Rails.Count > 0 ? _circuit.Rails[fed.Rails[0]] : null; at is not null; )
            {
                chain.Insert(0, at);
                var up = at.From ?? (at.Feed == RailFeed.Battery ? null : Root());
                at = up is null ? null : _circuit.Rails[up];
            }
            foreach (var rail in chain)
            {
                yield return new SupplyStation($"rail {rail.Label}", Round(rule.Volts[net.NodeOf(rail.Id)]));
            }
            yield return new SupplyStation(
                $"pad {fed.Lead.Pad!.Label}",
                Round(rule.Volts[net.NodeOfPad(fed.Lead.Pad!.Id)!.Value])
            );
            yield return new SupplyStation($"lead {fed.Lead.Lead.Label}", Round(rule.Volts[fed.Node]));
        }

        private static double Round(double value) => Math.Round(value, 4) + 0.0;
    }
}
