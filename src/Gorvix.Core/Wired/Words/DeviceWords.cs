using Gorvix.Core.Hardware.Parts;

namespace Gorvix.Core.Wired.Words;

/// <summary>What there is to know of a device before it is wired.</summary>
public static class DeviceWords
{
    /// <summary>What a function gives, told apart by its id where the device has several that give the same.</summary>
    public static string Of(Device device, DeviceFunction function) =>
        device.Functions.Count(f => f.Need == function.Need) > 1
            ? $"{PlainWords.Of(function.Need)}, {function.Id}"
            : PlainWords.Of(function.Need);

    /// <summary>Pieces, memory and outputs, one sentence each; what the leaflet does not say is left out.</summary>
    public static IReadOnlyList<string> Notes(Device device) =>
        [
            .. device.Pieces > 1 ? [$"Represents {device.Pieces} units."] : Array.Empty<string>(),
            .. device.Memory switch
            {
                SetupMemory.Saves => ["Saves settings without power."],
                SetupMemory.Loses => ["Loses settings without power: the board must be able to transmit to it."],
                _ => Array.Empty<string>(),
            },
            .. device.Outputs.Select(o =>
                $"Outputs {(o.Volts is { } volts ? $"{volts:0.0#} V" : "its input voltage")} on {device.Leads.First(l => l.Id == o.Lead).Label}, limit {PlainWords.Amperes(o.Limit)}{BoardWords.Of(o.Filtering)}; never tie it to another supply."
            ),
        ];
}
