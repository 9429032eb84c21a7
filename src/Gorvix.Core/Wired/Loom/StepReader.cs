using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Routing;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Wired.Words;

namespace Gorvix.Core.Wired.Loom;

/// <summary>
/// Puts the work in order (common practice): the settings are saved first; then what is done away from the board, at devices, plugs and
/// wires; then the board from below, because plugs and frames stand on its top: bridges, crowded signal pads while there is room, grounds,
/// regulated supplies, the battery last; at the end the plugs go in. The board is turned once.
/// </summary>
internal sealed class StepReader(
    WiredBuild wired,
    IReadOnlyList<LoomWire> wires,
    IReadOnlyList<PlugFace> faces,
    Neighbours neighbours
)
{
    // Heats and habits are common practice.

    private readonly Circuit _circuit = wired.Build.Circuit;
    private readonly IReadOnlyList<BridgeAt> _positions = wired.Positions();
    private readonly FactMaker _facts = new(wired);

    /// <summary>The steps in order.</summary>
    public IReadOnlyList<LoomStep> Steps()
    {
        IEnumerable<LoomStep> all =
        [
            BackupStep.Of(wired),
            .. new UndoReader(wired, neighbours).Steps(),
            .. AtDevices(),
            .. AtPlugs(),
            .. InTheAir(),
            .. OnBoard(),
            .. Seats(),
        ];
        var steps = all.Select(WithTick).ToList();
        // A plug goes in after it was re-pinned: as it came it would put a supply where it does not belong.
        string? Waits(LoomStep seat) =>
            steps.Find(s => s.Topic == StepTopic.Plug && s.Device == seat.Device && !s.IsDone) is { } plug
                ? plug.Words
                : null;
        return [.. steps.Select(s => s.Topic == StepTopic.Seat && !s.IsDone ? s with { Waits = Waits(s) } : s)];
    }

    // A step is done when all that it makes true is so already.
    private LoomStep WithTick(LoomStep step)
    {
        if (step.Topic == StepTopic.Undo || step.Facts.Count == 0)
        {
            return step;
        }
        var known = step.Facts.Select(f => wired.Build.Built.Stands.FirstOrDefault(f.Says)).ToList();
        return known.Contains(null) ? step : step with { IsDone = true, DoneOn = known.Max(f => f!.On) };
    }

    internal static LoomStep Plain(string id, StepTopic topic, string words, string? device = null) =>
        new(id, topic, null, words, "", null, device, [], []);

    private IEnumerable<LoomStep> AtDevices() =>
        from work in wired.Work
        where work.Action is WorkAction.PullUp or WorkAction.SetAddress
        select Plain(
            $"device {work.Device} {work.Action} {work.Lead}{work.Address}",
            StepTopic.AtDevice,
            WorkWords.Of(work, wired.Build),
            work.Device
        ) with
        {
            Iron = work.Action == WorkAction.PullUp ? Sentences.InAir : "",
            Facts =
            [
                new DeedFact
                {
                    Deed = work.Action == WorkAction.PullUp ? BuiltDeed.PullUp : BuiltDeed.Address,
                    Device = work.Device,
                    Part = wired.Build.Build.Devices.First(d => d.Id == work.Device).Part,
                    Lead = work.Lead,
                    Address = work.Address,
                    Words = WorkWords.Of(work, wired.Build),
                },
            ],
        };

    // Plugs whose leads change; a plug that sits nowhere loses those that are soldered.
    private IEnumerable<LoomStep> AtPlugs()
    {
        foreach (var face in faces.Where(f => f.Moves.Count > 0))
        {
            yield return Plain(
                $"plug {face.Device}",
                StepTopic.Plug,
                Sentences.PlugFor(face.Name, face.Socket, Words(face), Insulate(face), Reasons(face)),
                face.Device
            ) with
            {
                Facts = _facts.OfPlug(face.Device),
            };
        }
        foreach (var device in wired.Build.Devices)
        {
            // Nothing is left to do at a plug that was changed: it is told as it is now.
            var done = wired.Build.Built.Stands.OfType<CavityFact>().Where(f => f.Device == device.Id).ToList();
            if (done.Count > 0 && _facts.OfPlug(device.Id).Count == 0)
            {
                yield return Plain(
                    $"plug {device.Id}",
                    StepTopic.Plug,
                    $"{device.Device.Name} plug: {Phrase.Join([.. done.Select(f => f.Told)])}.",
                    device.Id
                ) with
                {
                    Facts = done,
                };
            }
        }
        foreach (var seat in wired.Seats.Where(s => s.Seat.Kind == SeatKind.Loose))
        {
            var device = wired.Build.Devices.First(d => d.Id == seat.Device).Device;
            var harness = Harness.Of(device);
            var taken = wires
                .Where(w => w.Device == seat.Device && harness.HomeOf(w.Lead) >= 0)
                .Select(w => $"{w.Label} (pin {harness.HomeOf(w.Lead) + 1})")
                .ToList();
            if (taken.Count > 0)
            {
                yield return Plain(
                    $"plug {seat.Device}",
                    StepTopic.Plug,
                    Sentences.DePinFromTheUnused(device.Name, Phrase.Join(taken)),
                    seat.Device
                ) with
                {
                    Facts = _facts.OfPlug(seat.Device),
                };
            }
        }
    }

    private static string Words(PlugFace face)
    {
        string LabelOf(string lead) =>
            face
                .Cavities.SelectMany(c => new[] { c.Comes, c.Needs })
                .OfType<CavityLead>()
                .First(c => c.Lead == lead)
                .Label;
        return Phrase.Join([
            .. face.Moves.Select(m =>
                m.Deed switch
                {
                    PlugDeed.TakeOut or PlugDeed.Hold => $"de-pin {LabelOf(m.Lead)} (pin {m.From})",
                    PlugDeed.Put => Sentences.InsertIntoPin(LabelOf(m.Lead), m.To),
                    _ => Sentences.MoveFromPinToPin(LabelOf(m.Lead), m.From, m.To),
                }
            ),
        ]);
    }

    private string Insulate(PlugFace face)
    {
        var loose = wired
            .Leads.Where(l => l.Device == face.Device && l.State is LeadState.Lifted or LeadState.Cut)
            .ToList();
        return loose.Count == 0 ? ""
            : loose[0].State == LeadState.Cut
                ? Sentences.CutShortAndInsulate(Phrase.Join([.. loose.Select(l => l.Lead.Label)]))
            : $" Insulate {Phrase.Join([.. loose.Select(l => l.Lead.Label)])}.";
    }

    // A pin that is left for a reason: whoever skips the step must know what it would cost.
    private string Reasons(PlugFace face) =>
        string.Concat(
            wired
                .Work.Where(w => w.Device == face.Device && w.Because is not null)
                .Select(w => $" Pin {w.From}: {w.Because}.")
        );

    private IEnumerable<LoomStep> InTheAir()
    {
        var tails = wires
            .Where(w => w.State == LeadState.OnTail)
            .GroupBy(w => wired.Leads.First(l => WireReader.IdOf(l) == w.Id).Socket!);
        foreach (var tail in tails)
        {
            yield return Plain($"tail {tail.Key.Id}", StepTopic.Splice, Sentences.TakeAPigtailForA(tail.Key.Label)) with
            {
                Facts = [FactMaker.OfTail(tail.Key)],
            };
        }
        foreach (var wire in wires.Where(w => w.State is LeadState.OnTail or LeadState.Spliced))
        {
            yield return new LoomStep(
                $"joint {wire.Id}",
                StepTopic.Splice,
                null,
                wire.State == LeadState.OnTail
                    ? Sentences.SolderToThePigtailWire(wire.Name, Lead(wire), wire.At, Phrase.Upper(wire.Job))
                    : $"{wire.Name}: solder {Lead(wire)} → {wire.At}. {Phrase.Upper(wire.Job)}.",
                Sentences.InAir,
                Sentences.TugTheJointNoStrand,
                wire.Device,
                wire.Pad is { } pad ? [pad] : [],
                []
            )
            {
                Facts = [_facts.OfJoint(wire)],
                Before = _facts.Before(wire),
            };
        }
    }

    // Colours are a habit, not a standard: who solders by colour is told where it misleads.
    private string Lead(LoomWire wire) =>
        (wire.Colour is { } colour ? $"{wire.Label} ({colour}{Misleads(wire, colour)})" : wire.Label)
        + (wire.Pieces > 1 ? Sentences.WiresOneFromEachUnit(wire.Pieces) : "");

    private string Misleads(LoomWire wire, string colour) =>
        (colour, wired.LeadOf(new(wire.Device, wire.Lead)).Lead.Role) switch
        {
            ("black", LeadRole.Supply) => Sentences.ButThisIsSupply,
            ("red", LeadRole.Ground) => Sentences.ButThisIsGround,
            ("red", not (LeadRole.Supply or LeadRole.Output)) => Sentences.ButNoSupply,
            ("black", not LeadRole.Ground) => Sentences.ButNotGround,
            _ => "",
        };

    // Bridges of which nobody knows the side first, then each side with its bridges before its wires: the board is turned once.
    private IEnumerable<LoomStep> OnBoard()
    {
        var (bridges, joints) = (Bridges().ToList(), Joints().ToList());
        return
        [
            .. bridges.Where(b => b.Side is null),
            .. from side in new[] { BoardSide.Bottom, BoardSide.Top }
            from step in bridges.Concat(joints)
            where step.Side == side
            select step,
        ];
    }

    private IEnumerable<LoomStep> Bridges()
    {
        foreach (
            var set in wired.Bridges.Where(b =>
                b.Bridge.MovedBy == MovedBy.Solder && (b.IsWork || _facts.StandsAt(b.Bridge.Id))
            )
        )
        {
            var pads = _circuit
                .Board.Pads.Where(p => _circuit.From(p).Any(s => s.Contacts.Any(c => c.Bridge == set.Bridge.Id)))
                .ToList();
            // A position that joins nothing is the open bridge, whatever it is called.
            var sides = _circuit.JoiningPositions(set.Bridge.Id);
            var others = set.Bridge.Positions.Where(p => sides.Contains(p) && !set.Positions.Contains(p)).ToList();
            var never = others.Count > 0 ? Sentences.CloseOneSideOnlyNever(Phrase.Or(others)) : "";
            yield return new LoomStep(
                $"bridge {set.Bridge.Id}",
                StepTopic.Bridge,
                set.Bridge.Place?.Side,
                set.Positions is [var one, ..] && sides.Contains(one)
                    ? Sentences.SolderJumperClose(set.Bridge.Id, one, Now(set), never)
                    : Sentences.OpenSolderJumperNoSolder(set.Bridge.Id, Now(set)),
                Sentences.OnJumper,
                Sentences.UnderMagnificationSolderOnThe,
                null,
                [.. pads.Select(p => p.Id)],
                []
            )
            {
                Bridge = set.Bridge.Id,
                Facts = set.Positions is [var at, ..] ? [_facts.OfBridge(set.Bridge.Id, at)] : [],
            };
        }
    }

    private static string Now(BridgeSet set) => set.IsWork ? Sentences.NowAt(set.Bridge.Default) : "";

    private IEnumerable<LoomStep> Joints() =>
        wires
            .Where(w => w.State == LeadState.Soldered)
            .Select(w => (Wire: w, Pad: _circuit.Pads[w.Pad!]))
            .Select(j => (j.Wire, j.Pad, Beside: neighbours.Of(j.Pad), Weight: WeightOf(j.Pad)))
            .OrderBy(j => j.Pad.Side == BoardSide.Bottom ? 0 : 1)
            .ThenBy(j => j.Weight)
            .ThenBy(j => j.Beside is [{ Millimetres: { } near }, ..] ? near : double.MaxValue)
            .ThenBy(j => j.Pad.Group, StringComparer.Ordinal)
            .ThenBy(j => j.Pad.X)
            .ThenBy(j => j.Pad.Y)
            .Select(j => new LoomStep(
                $"joint {j.Wire.Id}",
                StepTopic.Joint,
                j.Pad.Side,
                $"{j.Wire.Name}: solder {Lead(j.Wire)} → {j.Wire.At}. {Phrase.Upper(j.Wire.Job)}.",
                How(j.Weight, j.Beside, wires.Where(w => w.IsJoint && w.Pad == j.Pad.Id).Sum(w => w.Pieces)),
                LookAt(j.Pad, j.Beside),
                j.Wire.Device,
                [j.Pad.Id],
                [.. j.Beside.Select(b => b.Pad.Id)]
            )
            {
                Facts = [_facts.OfJoint(j.Wire)],
                Before = _facts.Before(j.Wire),
            });

    private static string How(Weight weight, IReadOnlyList<Neighbour> beside, int sharing)
    {
        var heat =
            weight is Weight.Ground or Weight.Battery ? Sentences.HeavyCopper
            : beside.Any(b => b.Millimetres <= Neighbours.Crowded) ? Sentences.FineTip
            : Sentences.SmallPad;
        return sharing > 1 ? Sentences.WiresShareThisPadTwist(sharing, heat) : heat;
    }

    private enum Weight
    {
        Signal,
        Ground,
        Supply,
        Battery,
    }

    private Weight WeightOf(Pad pad) =>
        _circuit
            .From(pad)
            .Where(s => s.To.Kind == NodeKind.Rail && s.Conducts(_positions))
            .Select(s => _circuit.Rails[s.To.Id].Feed)
            .Select(f =>
                f switch
                {
                    RailFeed.Ground => Weight.Ground,
                    RailFeed.Battery => Weight.Battery,
                    _ => Weight.Supply,
                }
            )
            .DefaultIfEmpty(Weight.Signal)
            .Max();

    private string LookAt(Pad pad, IReadOnlyList<Neighbour> beside)
    {
        if (beside.Count == 0)
        {
            return Sentences.UnderMagnificationSolderOnThis;
        }
        var copper = new Copper(_circuit, _positions, []);
        var names = beside.Select(b =>
            $"{b.Pad.Label}{(b.Millimetres is { } mm ? $" ({mm:0.#} mm)" : "")}{(copper.Between(Node.Pad(pad.Id), Node.Pad(b.Pad.Id)).Finds == Finds.Beeps ? Sentences.SameCopper : "")}"
        );
        return Sentences.UnderMagnificationNothingBetweenAnd(pad.Label, Phrase.Join([.. names]));
    }

    private IEnumerable<LoomStep> Seats() =>
        from seat in wired.Seats
        where seat.Seat is { Kind: SeatKind.Seated, Socket: not null }
        let name = wired.Build.Devices.First(d => d.Id == seat.Device).Device.Name
        select Plain(
            $"seat {seat.Device}",
            StepTopic.Seat,
            Sentences.PlugIntoCheckTheLatch(name, seat.Seat.Socket!.Label),
            seat.Device
        ) with
        {
            Pads = [.. seat.Seat.Socket!.Pads.OfType<Pad>().Select(p => p.Id)],
            Facts = [_facts.OfSeat(seat.Device, seat.Seat.Socket!)],
        };
}
