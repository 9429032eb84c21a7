using Gorvix.Core.Wiring;

namespace Gorvix.Core.Loom;

/// <summary>Reads a wired build as work for the hands.</summary>
public static class LoomReader
{
    /// <summary>The loom of a build.</summary>
    /// <param name="wired">The build as it is wired.</param>
    public static LoomSheet Of(WiredBuild wired)
    {
        var reader = new WireReader(wired);
        var (wires, faces) = (reader.Wires(), new PlugReader(wired).Faces());
        var neighbours = new Neighbours(wired.Build.Circuit);
        return new LoomSheet(
            wires,
            reader.Spare(),
            faces,
            new StepReader(wired, wires, faces, neighbours).Steps(),
            new ContinuityReader(wired, wires, neighbours).Pairs(),
            WireReader.Cuts(wires)
        );
    }
}
