namespace Gorvix.Core.Hardware.Supply;

/// <summary>What the floor Supply says: every sentence with what it is filled with.</summary>
internal static class Sentences
{
    public static string TheSupply => "the supply";

    public static string ItHasNodesTheLimit(int count, int mostNodes) =>
        $"it has {count} nodes; the limit is {mostNodes}";

    public static string NoStableVoltageTheLoads => "no stable voltage: the loads draw more than can be supplied there";
}
