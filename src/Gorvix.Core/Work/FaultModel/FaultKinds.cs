namespace Gorvix.Core.Work.FaultModel;

/// <summary>What is known of a kind of fault.</summary>
/// <param name="Kind">The kind.</param>
/// <param name="Words">What it is called, in a few words.</param>
/// <param name="Usual">
/// How usual one fault of it is beside one of another kind, before anything was seen (common practice in the order of doubt: joints and crossed
/// wires, the port's number and what was not saved, protocol and polarity, a conflict, the port, the part; the numbers are our own).
/// </param>
public sealed record FaultKindInfo(FaultKind Kind, string Words, double Usual);

/// <summary>The kinds of faults, as each family defines its own.</summary>
public static class FaultKinds
{
    /// <summary>All of them, in the order of the list.</summary>
    public static IReadOnlyList<FaultKindInfo> All { get; } =
    [
        .. new[]
        {
            JointFaults.Kinds,
            SwapFaults.Kinds,
            PlacementFaults.Kinds,
            PlugFaults.Kinds,
            SolderFaults.Kinds,
            SettingFaults.Kinds,
            SupplyFaults.Kinds,
            PartFaults.Kinds,
        }
            .SelectMany(k => k)
            .OrderBy(k => k.Kind),
    ];

    /// <summary>What is known of a kind.</summary>
    public static FaultKindInfo Of(FaultKind kind) => All[(int)kind];
}
