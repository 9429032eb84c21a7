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
                yield return (
                    $"supplies[{i}].window",
                    $"{label} at {supply.Window.Max:0.##} V maximum is unusual for this type of device: is that a typing slip?"
                );
            }
            else if (supply.Window.Min > 0 && supply.Window.Max / supply.Window.Min > 12)
            {
                yield return (
                    $"supplies[{i}].window",
                    $"{label} from {supply.Window.Min:0.##} to {supply.Window.Max:0.##} V is an unusually wide range: is that a typing slip?"
                );
            }
            if (supply.Most(supply.Window.Max) > 10 && device.Kind != DeviceKind.Esc)
            {
                yield return (
                    $"supplies[{i}].peak",
                    $"{label} draws {supply.Most(supply.Window.Max):0.##} A: is that milliamperes?"
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
            yield return ("input", $"Input maximum {input.Max:0.##} V is unusual: is that a typing slip?");
        }
        if (board.Outline is { } size && Math.Max(size.Width, size.Depth) > Side)
        {
            yield return (
                "outline",
                $"{size.Width:0.#} × {size.Depth:0.#} mm is unusually large for a board: is that a typing slip?"
            );
        }
        foreach (var (i, rail) in board.Rails.Index().Where(r => r.Item.Volts > 24 || r.Item.Limit > 30))
        {
            yield return (
                $"rails[{i}]",
                $"{rail.Label} rail: {rail.Volts:0.##} V{(rail.Limit is { } amps ? $", {amps:0.##} A" : "")} is unusual: is that a typing slip?"
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
