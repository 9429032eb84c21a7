using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Work.FaultModel;

namespace Gorvix.Core.Work.Faults;

/// <summary>What a builder has found before, and what he thinks of it.</summary>
/// <param name="Found">How often each kind was the cause.</param>
/// <param name="Factors">How much likelier than usual he takes each kind to be; kinds that are not there count once.</param>
public sealed record OwnExperience(
    IReadOnlyDictionary<FaultKind, int> Found,
    IReadOnlyDictionary<FaultKind, double> Factors
)
{
    /// <summary>None.</summary>
    public static OwnExperience None { get; } =
        new(new Dictionary<FaultKind, int>(), new Dictionary<FaultKind, double>());
}

/// <summary>What the log tells about how likely faults are.</summary>
/// <param name="SolderedLately">Leads that were joined in the last days.</param>
/// <param name="NeverReadBack">True when the settings were never read back.</param>
/// <param name="GoodBefore">What was good when it was read last, some time ago: it may have changed, and is doubted less.</param>
public sealed record LogHints(
    IReadOnlySet<LeadAt> SolderedLately,
    bool NeverReadBack,
    IReadOnlyList<Observation> GoodBefore
)
{
    /// <summary>None.</summary>
    public static LogHints None { get; } = new(new HashSet<LeadAt>(), false, []);
}

/// <summary>How likely a fault of a build is beside the others, before anything was seen.</summary>
public static class FaultPriors
{
    /// <summary>The least and the most that a builder may say a kind is likelier.</summary>
    public const double LeastFactor = 0.05;

    /// <summary>The most.</summary>
    public const double MostFactor = 20;

    // What was soldered in the last days is doubted first; what was never read back as well (our own choice).
    private const double Lately = 2;
    private const double Unread = 2;

    /// <summary>What a fault weighs that an older good reading speaks against (our own choice).</summary>
    public const double WasGood = 0.5;

    /// <summary>How likely a fault is beside others, before anything was seen.</summary>
    /// <param name="fault">The fault.</param>
    /// <param name="own">What the builder knows of himself: a kind that he found n times counts 1 + n/2 times.</param>
    /// <param name="hints">What the log tells.</param>
    public static double Of(PlantedFault fault, OwnExperience own, LogHints hints)
    {
        var weight =
            FaultKinds.Of(fault.Kind).Usual
            * fault.Weight
            * own.Factors.GetValueOrDefault(fault.Kind, 1)
            * (1 + (own.Found.GetValueOrDefault(fault.Kind) / 2.0));
        if (fault.Place is { Device: { } device, Lead: { } lead } && hints.SolderedLately.Contains(new(device, lead)))
        {
            weight *= Lately;
        }
        return hints.NeverReadBack && fault.Kind is FaultKind.Port or FaultKind.Page or FaultKind.Setting
            ? weight * Unread
            : weight;
    }
}
