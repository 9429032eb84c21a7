using System.Text.Json.Serialization;
using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Routing;
using Gorvix.Core.Wired.Wiring;

namespace Gorvix.Core.Wired.Rails;

/// <summary>Something between the source and the board that keeps a fault from becoming a fire.</summary>
public enum InLine
{
    /// <summary>Nothing.</summary>
    Nothing,

    /// <summary>A filament lamp.</summary>
    Lamp,

    /// <summary>A limiter, or the knob of a bench supply.</summary>
    Limiter,
}

/// <summary>What a situation is about.</summary>
public enum SituationGroup
{
    /// <summary>The pack from full to empty, or what feeds the board in its place.</summary>
    Pack,

    /// <summary>USB, alone or beside the source.</summary>
    Usb,

    /// <summary>The first power, through something that limits it.</summary>
    FirstPower,

    /// <summary>A selector of supplies in another position.</summary>
    Selector,

    /// <summary>A device that is not there.</summary>
    Unplugged,
}

/// <summary>What feeds the build while it is looked at, and what is other than planned.</summary>
/// <param name="Id">Its id in addresses.</param>
/// <param name="Name">What the builder calls it, to be put after "with".</param>
/// <param name="InputVolts">What the source gives without a load, in volts; null when nothing is plugged in there.</param>
public sealed record Situation(string Id, string Name, double? InputVolts)
{
    /// <summary>Volts of a cell at which a lithium pack is called empty in the field: landed by then (common practice).</summary>
    public const double LandCell = PackCharge.LandCell;

    /// <summary>Volts of a cell on which capacities are printed (common practice).</summary>
    public const double NominalCell = 3.7;

    /// <summary>What USB gives, in volts (source: USB 2.0, table 7-7: 4.75 to 5.25 V at the host).</summary>
    public const double UsbVolts = 5;

    // A board has few; a made-up one with more is not gone through to the end.
    private const int MostSelectors = 8;

    /// <summary>What it is about.</summary>
    public SituationGroup Group { get; init; }

    /// <summary>Whether USB is plugged in.</summary>
    public bool Usb { get; init; }

    /// <summary>What stands at the supply input, where anything does.</summary>
    [JsonIgnore]
    public InputFrom From { get; init; }

    /// <summary>What is in the line from the source.</summary>
    public InLine InLine { get; init; }

    /// <summary>What is on the bench: the USB port, the lamp, the limiter.</summary>
    public PowerSide Power { get; init; } = PowerSide.Usual;

    /// <summary>The resistance of the pack and its plug, in ohms; 0 while it is not known.</summary>
    public double SourceOhms { get; init; }

    /// <summary>What is other than planned.</summary>
    internal IReadOnlyList<WiringEdit> Edits { get; init; } = [];

    /// <summary>The wiring in this situation.</summary>
    internal WiredBuild Of(WiredBuild wired) => Edits.Aggregate(wired, (w, edit) => w.With(edit));

    /// <summary>Whether a lithium cell can have so many volts, damaged ones included (our own choice: 2.5 to 4.5 V); null for none chosen.</summary>
    public static bool IsCell(double? volts) => volts is null or (>= 2.5 and <= 4.5);

    /// <summary>Every situation: what feeds the build, each selector of supplies otherwise, each device unplugged.</summary>
    /// <param name="wired">The build as it is wired.</param>
    /// <param name="cellVolts">Volts of a cell for the first of them; null for a full pack.</param>
    public static IReadOnlyList<Situation> All(WiredBuild wired, double? cellVolts = null)
    {
        var feeding = Of(wired.Build.Build, cellVolts);
        var basis = feeding.First(s => s.Id != "charge") with { Usb = false };
        return basis.InputVolts is null
            ? feeding
            :
            [
                .. feeding,
                .. wired
                    .Bridges.Where(b => Selects(wired, b.Bridge.Id))
                    .Take(MostSelectors)
                    .SelectMany(b => Otherwise(b, basis)),
                .. from device in wired.Build.Devices
                where wired.Leads.Any(l => l.Device == device.Id && (l.Pad is not null || l.To is not null))
                select basis with
                {
                    Id = $"without-{device.Id}",
                    Name = $"{device.Device.Name} unplugged",
                    Group = SituationGroup.Unplugged,
                    Edits = [new Unplugged(device.Id)],
                },
            ];
    }

    /// <summary>The situations in which a build is looked at: what its source can do from full to empty, USB, and the first power.</summary>
    /// <param name="build">The build.</param>
    /// <param name="cellVolts">Volts of a cell for the first of them; null for a full pack.</param>
    public static IReadOnlyList<Situation> Of(Build build, double? cellVolts = null)
    {
        var list = new List<Situation>();
        void Add(string id, string name, double? volts, SituationGroup group, double ohms = 0) =>
            list.Add(
                new Situation(id, name, volts)
                {
                    Group = group,
                    Power = build.Power,
                    SourceOhms = ohms,
                    From = build.InputVolts is null ? InputFrom.Battery : InputFrom.Fixed,
                }
            );
        if (build.InputVolts is { } fixedVolts)
        {
            Add("input", Sentences.VAtTheInput(fixedVolts), fixedVolts, SituationGroup.Pack);
        }
        else if (build.Pack is { } pack)
        {
            void Charged(string id, string name, double cell) =>
                Add(id, name, pack.At(cell), SituationGroup.Pack, (pack.Milliohms ?? 0) / 1000);
            if (cellVolts is { } set)
            {
                Charged("charge", Sentences.VPerCell(set), set);
            }
            Charged("full", Sentences.FullBattery, Pack.FullCell(pack.Chemistry));
            Charged("nominal", Sentences.HalfBattery, NominalCell);
            Charged("land", Sentences.BatteryAtLanding, LandCell);
            Charged("empty", Sentences.EmptyBattery, Pack.EmptyCell);
        }
        var source = list.FirstOrDefault();
        Add("usb", Sentences.UsbOnly, null, SituationGroup.Usb);
        list[^1] = list[^1] with { Usb = true };
        if (source is { InputVolts: { } input })
        {
            Add("both", Sentences.UsbAndSupply, input, SituationGroup.Usb, source.SourceOhms);
            list[^1] = list[^1] with { Usb = true };
            Add("lamp", Sentences.FirstPowerUpThroughA, input, SituationGroup.FirstPower, source.SourceOhms);
            list[^1] = list[^1] with { InLine = InLine.Lamp };
            Add("limiter", Sentences.FirstPowerUpThroughACurrent, input, SituationGroup.FirstPower, source.SourceOhms);
            list[^1] = list[^1] with { InLine = InLine.Limiter };
        }
        if (build.Power.Bench is { } bench)
        {
            Add("bench", Sentences.BenchSupplyAtV(bench.Volts), bench.Volts, SituationGroup.FirstPower);
            list[^1] = list[^1] with
            {
                InLine = InLine.Limiter,
                Power = build.Power with { LimiterAmps = bench.Amps },
                From = InputFrom.Fixed,
            };
        }
        return list;
    }

    // A bridge that decides which rail a pad has.
    private static bool Selects(WiredBuild wired, string bridge) =>
        wired.Build.Board.Pads.Any(pad =>
            wired
                .Build.Circuit.From(pad)
                .Any(s => s.To.Kind == NodeKind.Rail && s.Contacts.Any(b => b.Bridge == bridge))
        );

    private static IEnumerable<Situation> Otherwise(BridgeSet bridge, Situation basis)
    {
        Situation At(string id, string name, IReadOnlyList<string> positions) =>
            basis with
            {
                Id = $"{bridge.Bridge.Id}-{id}",
                Name = name,
                Group = SituationGroup.Selector,
                Edits = [new BridgeClosed(bridge.Bridge.Id, positions)],
            };
        foreach (var position in bridge.Bridge.Positions.Except(bridge.Positions))
        {
            yield return At(position, $"{bridge.Bridge.Id} at \"{position}\"", [position]);
        }
        // A switch inside the board stands in one position; solder can lie on both, or on none.
        if (bridge.Bridge is { MovedBy: MovedBy.Solder, Positions.Count: > 1 })
        {
            yield return At("", Sentences.ClosedOnEverySide(bridge.Bridge.Id), bridge.Bridge.Positions);
        }
    }
}
