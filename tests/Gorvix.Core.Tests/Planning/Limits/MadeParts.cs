using Gorvix.Core.Hardware.Parts;

namespace Gorvix.Core.Tests.Planning;

/// <summary>The small parts of boards and devices that are made up.</summary>
internal static class MadeParts
{
    public static Lead Lead(string id, LeadRole role) =>
        new()
        {
            Id = id,
            Label = id,
            Role = role,
        };

    public static PadPath OnNet(string net, params PathElement[] through) => new() { Net = net, Through = through };

    public static PadPath OnRail(string rail, params PathElement[] through) => new() { Rail = rail, Through = through };

    public static Pad Pad(string label, params PadPath[] paths) =>
        new()
        {
            Id = label,
            Label = label,
            Side = BoardSide.Top,
            Paths = paths,
        };

    public static Rail Rail(string id, double? volts, RailFeed feed, double? limit = null) =>
        new()
        {
            Id = id,
            Label = id,
            Volts = volts,
            Feed = feed,
            Limit = limit,
        };
}
