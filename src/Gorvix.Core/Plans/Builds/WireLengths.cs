using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;

namespace Gorvix.Core.Plans.Builds;

/// <summary>How long each wire is: as it was cut, else from where its device sits and its pad lies, else as usual.</summary>
public static class WireLengths
{
    /// <summary>What is added at the two ends for stripping, slack and a second try, where nobody has told (common practice), in millimetres.</summary>
    public const double UsualAllowance = 20;

    // Nobody cuts to the millimetre.
    private const double Step = 5;

    /// <summary>The wire of a lead.</summary>
    /// <param name="build">The build.</param>
    /// <param name="at">The lead.</param>
    /// <param name="pad">The pad that it goes to; null for the lead of another device.</param>
    public static WireCut Of(ResolvedBuild build, LeadAt at, Pad? pad) =>
        build.Build.Wires.FirstOrDefault(w => w.Device == at.Device && w.Lead == at.Lead)
        ?? new WireCut
        {
            Device = at.Device,
            Lead = at.Lead,
            Millimetres = build.Build.Devices.First(d => d.Id == at.Device).Away is { } away
                ? Math.Ceiling((away + FromEdge(build.Board, pad) + (build.Build.Allowance ?? UsualAllowance)) / Step)
                    * Step
                : WireCut.UsualMillimetres,
        };

    /// <summary>From a pad to the nearest edge of its board, over which its wire leaves; 0 where the leaflet tells no size or no positions. In millimetres.</summary>
    /// <param name="board">The board.</param>
    /// <param name="pad">One of its pads, or null.</param>
    public static double FromEdge(Board board, Pad? pad) =>
        pad is null || board.Outline is not { } size || board.Pads.All(p => p is { X: 0, Y: 0 })
            ? 0
            : Math.Max(0, new[] { pad.X, size.Width - pad.X, pad.Y, size.Depth - pad.Y }.Min());
}
