using System.Runtime.CompilerServices;
using Gorvix.Core.Hardware.Parts;

namespace Gorvix.Core.Hardware.Circuits;

/// <summary>A socket of the board, cavity by cavity.</summary>
public sealed class Socket
{
    internal Socket(BoardPlug plug, Circuit circuit)
    {
        (Id, Label, Family) = (plug.Id, plug.Label, plug.Family);
        Pads = [.. plug.Pins.Select(p => p.Pad is { } pad ? circuit.Board.Pads.First(x => x.Id == pad) : null)];
    }

    /// <summary>Id within the board.</summary>
    public string Id { get; }

    /// <summary>Its name in the manual.</summary>
    public string Label { get; }

    /// <summary>Pitch and number of pins: plugs of one family fit each other whatever they carry.</summary>
    public string Family { get; }

    /// <summary>The pad in each cavity, from the marked end on; null where nothing leads on.</summary>
    public IReadOnlyList<Pad?> Pads { get; }

    /// <summary>The number of a pad's cavity, from 0, or -1 when it is not one of this socket.</summary>
    public int CavityOf(Pad pad)
    {
        for (var i = 0; i < Pads.Count; i++)
        {
            if (Pads[i]?.Id == pad.Id)
            {
                return i;
            }
        }
        return -1;
    }
}

/// <summary>The plug of a device, cavity by cavity, as it comes.</summary>
public sealed class Harness
{
    private static readonly ConditionalWeakTable<Device, Harness> Known = [];

    private readonly Dictionary<string, int> _homes = [];
    private readonly IReadOnlyList<string> _free;

    private Harness(Device device)
    {
        _free = device.Plug?.Free ?? [];
        Family = device.Plug?.Family;
        var leads = device.Leads.ToDictionary(l => l.Id);
        Cavities = [.. (device.Plug?.Pins ?? []).Select(p => p.Lead is { } lead ? leads[lead] : null)];
        foreach (var (i, lead) in Cavities.Index().Where(c => c.Item is not null))
        {
            _homes.TryAdd(lead!.Id, i);
        }
    }

    /// <summary>The harness of a device. The same device always has the same one.</summary>
    /// <param name="device">A device that passes its check.</param>
    public static Harness Of(Device device) => Known.GetValue(device, static d => new Harness(d));

    /// <summary>Pitch and number of pins of its plug, or null for bare leads.</summary>
    public string? Family { get; }

    /// <summary>The lead in each cavity, from the marked end on; null for an empty one.</summary>
    public IReadOnlyList<Lead?> Cavities { get; }

    /// <summary>True for a lead that is out of the plug and whose contact is still on, so that it can go back.</summary>
    public bool IsFree(string lead) => _free.Contains(lead);

    /// <summary>The cavity in which a lead comes, from 0, or -1 when it is not in the plug.</summary>
    public int HomeOf(string lead) => _homes.GetValueOrDefault(lead, -1);

    /// <summary>The sockets that this plug goes into: those of its family with a cavity for each of its own. One that no lead is in, or could go back to, goes nowhere.</summary>
    public IEnumerable<Socket> Fits(Circuit circuit) =>
        Family is null || (_homes.Count == 0 && _free.Count == 0)
            ? []
            : circuit.Sockets.Where(s => PlugFamily.Fits(s.Family, Family) && s.Pads.Count >= Cavities.Count);
}
