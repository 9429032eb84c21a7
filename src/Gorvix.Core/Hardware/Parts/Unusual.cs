namespace Gorvix.Core.Hardware.Parts;

/// <summary>Numbers that a part may have and hardly ever has: a slip of the keys more often than a fact, so it is asked back (common practice).</summary>
public static class Unusual
{
    // A full pack of eight high-voltage cells; of twelve for what steers motors.
    private const double Pack = 34.8;
    private const double BigPack = 52.2;

    // The largest boards that fly are under ten centimetres a side.
    private const double Side = 100;

    /// <summary>What is unusual about a device, each with the member that it is about.</summary>
    /// <param name="device">The device.</param>
    public static IEnumerable<(string Field, string Sentence)> Of(Device device)
    {
        var most = Most(device.Kind);
        foreach (var (i, supply) in device.Supplies.Index())
        {
            var label = device.Leads.FirstOrDefault(l => l.Id == supply.Lead)?.Label ?? supply.Lead;
            if (supply.Window.Max > most)
            {
                yield return ($"supplies[{i}].window", Sentences.AtVMaximumIsUnusual(label, supply.Window.Max));
            }
            else if (supply.Window.Min > 0 && supply.Window.Max / supply.Window.Min > 12)
            {
                yield return (
                    $"supplies[{i}].window",
                    Sentences.FromToVIsAn(label, supply.Window.Min, supply.Window.Max)
                );
            }
            if (supply.Most(supply.Window.Max) > 10 && device.Kind != DeviceKind.Esc)
            {
                yield return (
                    $"supplies[{i}].peak",
                    Sentences.DrawsAIsThatMilliamperes(label, supply.Most(supply.Window.Max))
                );
            }
        }
    }

    /// <summary>What is unusual about a board, each with the member that it is about.</summary>
    /// <param name="board">The board.</param>
    public static IEnumerable<(string Field, string Sentence)> Of(Board board)
    {
        if (board.Input is { } input && input.Max > BigPack)
        {
            yield return ("input", Sentences.InputMaximumVIsUnusual(input.Max));
        }
        if (board.Outline is { } size && Math.Max(size.Width, size.Depth) > Side)
        {
            yield return ("outline", Sentences.MmIsUnusuallyLargeFor(size.Width, size.Depth));
        }
        foreach (var (i, rail) in board.Rails.Index().Where(r => r.Item.Volts > 24 || r.Item.Limit > 30))
        {
            yield return (
                $"rails[{i}]",
                Sentences.RailVIsUnusualIs(rail.Label, rail.Volts, rail.Limit is { } amps ? $", {amps:0.##} A" : "")
            );
        }
    }

    private static double Most(DeviceKind kind) =>
        kind switch
        {
            DeviceKind.Receiver or DeviceKind.TelemetryRadio or DeviceKind.WirelessBridge => 17.5,
            DeviceKind.Gnss or DeviceKind.Compass => 6,
            DeviceKind.Esc or DeviceKind.Regulator => BigPack + 10,
            _ => Pack,
        };
}
