using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;

namespace Gorvix.Core.Wired.Rails;

/// <summary>A supply lead of a build.</summary>
/// <param name="Device">Id of the device within the build.</param>
/// <param name="Name">What the builder calls the device.</param>
/// <param name="Lead">The lead.</param>
/// <param name="Supply">What it takes.</param>
internal sealed record SupplyLead(string Device, string Name, Lead Lead, SupplyInput Supply);

/// <summary>What is the same in every situation of a build: looked up once, not once for each.</summary>
internal sealed class RailShape
{
    private readonly Dictionary<string, string> _names;
    private readonly ILookup<string?, Rail> _below;

    /// <summary>The shape of a build's supplies.</summary>
    public RailShape(ResolvedBuild build)
    {
        (Board, Circuit) = (build.Board, build.Circuit);
        Root = Circuit.BatteryRail?.Id;
        Rails = [.. Board.Rails.Where(r => r.Feed != RailFeed.Ground)];
        _below = Board
            .Rails.Where(r => r.Feed is not (RailFeed.Ground or RailFeed.Battery))
            .ToLookup(r => Circuit.SourceOf(r)?.Id);
        _names = build.Devices.ToDictionary(d => d.Id, d => d.Device.Name);
        Leads =
        [
            .. from d in build.Devices
            from s in d.Device.Supplies
            select new SupplyLead(d.Id, d.Device.Name, d.Device.Leads.First(l => l.Id == s.Lead), s),
        ];
    }

    /// <summary>The board.</summary>
    public Board Board { get; }

    /// <summary>Its circuit.</summary>
    public Circuit Circuit { get; }

    /// <summary>Id of the rail that the battery feeds; null where there is none.</summary>
    public string? Root { get; }

    /// <summary>The rails, ground left out.</summary>
    public IReadOnlyList<Rail> Rails { get; }

    /// <summary>The supply leads, in the order of the devices.</summary>
    public IReadOnlyList<SupplyLead> Leads { get; }

    /// <summary>The rails that hang on a rail.</summary>
    public IEnumerable<Rail> Below(Rail rail) => _below[rail.Id].Where(r => r.Id != rail.Id);

    /// <summary>What the builder calls a device.</summary>
    public string NameOf(string device) => _names[device];
}
