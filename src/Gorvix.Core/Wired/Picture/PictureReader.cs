using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Wired.Loom;
using Gorvix.Core.Wired.Wiring;

namespace Gorvix.Core.Wired.Picture;

/// <summary>Draws a wired build. The same build always gives the same picture.</summary>
public static class PictureReader
{
    /// <summary>The picture of a build.</summary>
    /// <param name="wired">The build as it is wired.</param>
    /// <param name="sheet">Its wires and steps.</param>
    /// <param name="volts">What each supply lead has, in volts; those that are missing are not told.</param>
    /// <param name="stop">Tells that nobody waits any more.</param>
    public static WiringPicture Of(
        WiredBuild wired,
        LoomSheet sheet,
        IReadOnlyDictionary<LeadAt, double> volts,
        CancellationToken stop = default
    ) => new PictureMaker(wired, sheet, volts, stop).Make();
}
