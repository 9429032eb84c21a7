using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Supply;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Wiring;

namespace Gorvix.Core.Wired.Rails;

/// <summary>What every rail and every supply lead of a wired build really gets, situation by situation.</summary>
public static class RailReader
{
    /// <summary>The build in a situation.</summary>
    /// <param name="wired">The build as it is wired.</param>
    /// <param name="situation">What feeds it.</param>
    /// <param name="stop">Tells that nobody waits for the answer any more.</param>
    public static RailSheet Read(WiredBuild wired, Situation situation, CancellationToken stop = default) =>
        Read(wired, [situation], stop)[0];

    /// <summary>The build in several situations: each begins where the one before ended, as far as they are alike.</summary>
    /// <param name="wired">The build as it is wired.</param>
    /// <param name="situations">What feeds it.</param>
    /// <param name="stop">Tells that nobody waits for the answer any more.</param>
    public static IReadOnlyList<RailSheet> Read(
        WiredBuild wired,
        IReadOnlyList<Situation> situations,
        CancellationToken stop = default
    ) => [.. InTurn(wired, situations, stop)];

    /// <summary>The same, each situation solved when it is asked for.</summary>
    internal static IEnumerable<RailSheet> InTurn(
        WiredBuild wired,
        IReadOnlyList<Situation> situations,
        CancellationToken stop = default
    )
    {
        var sheets = new List<RailSheet>();
        var made = new List<(RailNet Net, Situation Situation, IReadOnlyList<double>? Volts)>();
        RailCopper? usual = null;
        var shape = new RailShape(wired.Build);
        foreach (var situation in situations)
        {
            stop.ThrowIfCancellationRequested();
            var (net, near) = made.Select(m => (Net: m.Net.After(m.Situation, situation), m.Volts))
                .FirstOrDefault(n => n.Net is not null);
            if (net is null)
            {
                net = RailNet.Of(
                    situation.Edits.Count > 0
                        ? new RailCopper(situation.Of(wired), usual)
                        : usual ??= new RailCopper(wired),
                    situation
                );
                near = made.FirstOrDefault(m => net.IsLike(m.Net)).Volts;
            }
            var typical = SupplySolver.Solve(net.Net, near, stop);
            if (situation.Edits.Count == 0)
            {
                // What is held down by a limiter is no place to begin from.
                made.Add((net, situation, situation.InLine == InLine.Nothing ? typical.State?.Volts : null));
            }
            var sheet = Read(shape, situation, net, typical, stop);
            if (situation.InLine != InLine.Nothing)
            {
                sheet = sheet with { Unlimited = Free(wired, situation, sheets, stop).SourceAmps };
            }
            sheets.Add(sheet);
            yield return sheet;
        }
    }

    // The same source with nothing in its line: most often it has been looked at already.
    private static RailSheet Free(
        WiredBuild wired,
        Situation situation,
        List<RailSheet> sheets,
        CancellationToken stop
    ) =>
        sheets.FirstOrDefault(s =>
            s.Situation is { Usb: false, InLine: InLine.Nothing, Edits.Count: 0 } other
            && other.InputVolts == situation.InputVolts
            && other.SourceOhms == situation.SourceOhms
        ) ?? Read(wired, situation with { InLine = InLine.Nothing, Edits = [] }, stop);

    private static RailSheet Read(
        RailShape shape,
        Situation situation,
        RailNet usual,
        SupplySolution typical,
        CancellationToken stop
    )
    {
        var peak = SupplySolver.Solve(usual.AtMost(), typical.State?.Volts, stop);
        var sheet =
            typical.State is { } rule && peak.State is { } high
                ? new Reader(shape, situation, usual, rule, high).Sheet()
                : Unsettled(shape, situation, usual, (typical.Problem ?? peak.Problem)!);
        return sheet with { Ties = RailTies.Of(usual) };
    }

    // What no load pulls down is the most that can reach an input or a lead: it is judged, though nothing settles.
    private static RailSheet Unsettled(RailShape shape, Situation situation, RailNet net, SupplyProblem problem)
    {
        // Without a load everything is at rest.
        var idle = new SupplyState(
            SupplySolver.WithoutLoads(net.Net),
            new double[net.Net.Elements.Count],
            new double[net.Net.Regulators.Count],
            new double[net.Net.Regulators.Count],
            0
        );
        var sheet = new Reader(shape, situation, net, idle, idle).Sheet();
        return new RailSheet(
            situation,
            [],
            [
                .. sheet
                    .Leads.Where(l => l.State == LeadFeed.Burns)
                    .Select(l => l with { Volts = null, LowVolts = null, Way = [] }),
            ],
            null,
            null,
            problem
        )
        {
            Input = sheet.Input,
        };
    }

    /// <summary>What is taken for granted because nobody has told it, in sentences.</summary>
    /// <param name="wired">The build as it is wired.</param>
    public static IReadOnlyList<string> Assumed(WiredBuild wired)
    {
        var told = wired.Build.Build.Wires.Count;
        var said = new List<string>
        {
            Sentences.WiresAssumedCmLongAnd(
                told > 0 ? Sentences.OtherSupply : "Supply",
                WireCut.UsualMillimetres / 10,
                WireGauge.Usual
            ),
        };
        if (wired.Build.Build.Pack is { Milliohms: null } && wired.Build.Build.InputVolts is null)
        {
            said.Add(Sentences.BatteryResistanceIsUnknownVoltage);
        }
        var usb = wired
            .Build.Board.Rails.Where(r => Trace.OnUsb(wired.Build.Circuit, r) is null)
            .Select(r => r.Label)
            .ToList();
        if (usb.Count > 0)
        {
            said.Add(Sentences.UnknownWhetherUsbPowersShown(Phrase.Join(usb)));
        }
        if (wired.Build.Board.Rails.All(r => r.Own is null))
        {
            said.Add(Sentences.TheBoardsOwnCurrentIs);
        }
        var silent = wired
            .Build.Devices.Where(d => d.Device.Supplies.Any(s => s.Typical is null))
            .Select(d => d.Device.Name)
            .ToList();
        if (silent.Count > 0)
        {
            said.Add(Sentences.NoDatasheetCurrentForRail(Phrase.Join(silent)));
        }
        if (
            wired.Build.Board.Rails.Any(r =>
                r.Volts is > 0 && r is { Kind: not RegulatorKind.Linear, Efficiency: null }
            )
        )
        {
            said.Add(Sentences.RegulatorsWithoutADatasheetEfficiency);
        }
        return said;
    }

    private sealed class Reader(RailShape shape, Situation situation, RailNet net, SupplyState rule, SupplyState high)
    {
        private readonly Board _board = shape.Board;
        private readonly Dictionary<string, bool> _unknown = [];
        private readonly ILookup<string, FedLead> _fedBy = net
            .Fed.SelectMany(f => f.Rails, (f, r) => (Fed: f, Rail: r))
            .ToLookup(f => f.Rail, f => f.Fed);
        private readonly double[] _idle = SupplySolver.WithoutLoads(net.Net);

        public RailSheet Sheet() =>
            new(
                situation,
                [.. shape.Rails.Select(RailOf), .. net.Giving.Select(OutputOf)],
                [.. shape.Leads.Select(l => LeadOf(l)).Select(l => l with { State = l.StateIn(situation) })],
                Pair(net.Pack),
                Pair(net.Usb),
                null
            )
            {
                Points = net.Points().ToDictionary(p => p.At, p => rule.Volts[p.Node]),
                Input =
                    _board.Input is { } window && situation.InputVolts is { } most
                        ? new InputReading(
                            _board.Name,
                            window,
                            Round(shape.Root is { } root && net.Pack is not null ? rule.Volts[net.NodeOf(root)] : most),
                            Round(shape.Root is { } top && net.Pack is not null ? _idle[net.NodeOf(top)] : most)
                        )
                        : null,
            };

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
                loads.Any(l => l.Typical is null || l.Peak is null) || IsUnknown(FedBy(rail)) || Unknown(rail),
                rail.Limit,
                rule.Volts[node] > CurrentLoad.Wakes,
                HeatOf(rail, regulators),
                loads
            );
        }

        // A regulator of unknown kind, or one that switches with unknown losses, asks its source for more than is known here.
        private bool Unknown(Rail rail) =>
            _unknown.TryGetValue(rail.Id, out var known)
                ? known
                : _unknown[rail.Id] = shape.Below(rail).Any(AsksUnknown);

        private bool AsksUnknown(Rail child) =>
            child is { Kind: not RegulatorKind.Linear, Efficiency: null } || IsUnknown(FedBy(child)) || Unknown(child);

        // A current that no leaflet tells, here or behind an output.
        private bool IsUnknown(IEnumerable<FedLead> fed) => fed.Any(IsUnknown);

        private bool IsUnknown(FedLead fed) =>
            fed.Supply.Typical is null || fed.Supply.Peak is null || IsUnknown(Behind(fed));

        private IEnumerable<FedLead> FedBy(Rail rail) => _fedBy[rail.Id];

        private IEnumerable<FedLead> Behind(FedLead giver) =>
            net.Giving.Count == 0 ? [] : net.Fed.Where(f => ReferenceEquals(f.Giver, giver));

        private RailReading OutputOf(GivingLead giving)
        {
            var takers = net.Fed.Where(f => f.Lead.To is { } to && to.At == giving.At);
            var loads = takers.Select(LoadOf).ToList();
            double Out(SupplyState state) =>
                giving.Regulator is { } regulator ? state.Outputs[regulator] : state.Amps[giving.Passing!.Value];
            return new RailReading(
                $"{giving.Device}:{giving.Lead.Id}",
                $"{giving.Lead.Label} of {NameOf(giving.Device)}",
                giving.Fed.Rails.Count > 0 ? giving.Fed.Rails[0] : null,
                Round(rule.Volts[giving.Node]),
                Round(high.Volts[giving.Node]),
                Round(Out(rule)),
                Round(Out(high)),
                IsUnknown(takers),
                giving.Output.Limit,
                rule.Volts[giving.Node] > CurrentLoad.Wakes,
                giving is { Output.Kind: RegulatorKind.Linear, Regulator: not null }
                    ? Math.Round((rule.Volts[giving.Fed.Node] - rule.Volts[giving.Node]) * Math.Max(0, Out(rule)), 3)
                    : null,
                loads
            );
        }

        private string NameOf(string device) => shape.NameOf(device);

        // What a device draws for itself and for what hangs on its outputs.
        private RailLoad LoadOf(FedLead fed)
        {
            List<GivingLead> onward =
                net.Giving.Count == 0 ? [] : [.. net.Giving.Where(g => ReferenceEquals(g.Fed, fed))];
            double? With(double? own, SupplyState state)
            {
                if (onward.Count == 0)
                {
                    return own;
                }
                var more = onward.Sum(g =>
                    g.Regulator is { } regulator ? state.Inputs[regulator] : state.Amps[g.Passing!.Value]
                );
                return Round((own ?? 0) + more);
            }
            return new RailLoad(
                fed.Lead.Device,
                null,
                NameOf(fed.Lead.Device),
                With(fed.Supply.Typical is null ? null : fed.Supply.Rule(VoltsOf(fed, rule)), rule),
                With(fed.Supply is { Typical: null, Peak: null } ? null : fed.Supply.Most(VoltsOf(fed, high)), high),
                IsUnknown(fed)
            );
        }

        // Rounded as they are shown; a converter that does not start draws nothing to speak of.
        private static double VoltsOf(FedLead fed, SupplyState state) =>
            Math.Max(PowerLoad.Starts, state.Volts[fed.Node] - (fed.Ground is { } ground ? state.Volts[ground] : 0));

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

        private IEnumerable<RailLoad> LoadsOf(Rail rail)
        {
            foreach (var fed in FedBy(rail))
            {
                yield return LoadOf(fed);
            }
            if (rail.Own is > 0 and var own)
            {
                yield return new RailLoad(null, null, Sentences.BoardItself, own, own, false);
            }
            foreach (var child in shape.Below(rail))
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
                        Round(list.Sum(r => high.Inputs[r])),
                        AsksUnknown(child)
                    );
                }
            }
        }

        private LeadReading LeadOf(SupplyLead at)
        {
            var (id, name, lead, supply) = at;
            if (net.Fed.FirstOrDefault(f => f.Lead.Device == id && f.Lead.Lead.Id == lead.Id) is not { } fed)
            {
                return new LeadReading(
                    id,
                    name,
                    lead.Id,
                    lead.Label,
                    null,
                    null,
                    supply.Window,
                    0,
                    0,
                    [],
                    LeadFeed.Unfed
                );
            }
            double? At(SupplyState state) =>
                fed.Ground is { } ground ? Round(state.Volts[fed.Node] - state.Volts[ground]) : null;
            return new LeadReading(
                id,
                name,
                lead.Id,
                lead.Label,
                fed.Lead.Pad?.Id,
                fed.Lead.To is { } to ? $"{to.Device}:{to.Lead.Id}"
                    : fed.Rails.Count > 0 ? fed.Rails[0]
                    : null,
                supply.Window,
                At(rule),
                At(high),
                [.. net.Ways.To(fed).Select(s => new SupplyStation(s.What, Round(rule.Volts[s.Node])))],
                LeadFeed.Good
            )
            {
                IdleVolts = Round(_idle[fed.Node] - (fed.Ground is { } earth ? _idle[earth] : 0)),
                Amps = LoadOf(fed).Typical,
                AtLeast = IsUnknown(fed),
                BoardPad = PadOf(fed),
                OnUsb = fed.Rails is [var of, ..] ? Trace.OnUsb(shape.Circuit, shape.Circuit.Rails[of]) : false,
            };
        }

        private static string? PadOf(FedLead fed) => fed.Giver is { } giver ? PadOf(giver) : fed.Lead.Pad?.Id;

        private static double Round(double value) => Math.Round(value, 4) + 0.0;
    }
}
