namespace Gorvix.Core.Wired.Wiring;

/// <summary>What the floor Wiring says: every sentence with what it is filled with.</summary>
internal static class Sentences
{
    public static string DropsTo => "drops to";

    public static string ItTransmitOnWhereIs(string which, string label, string other) =>
        $"it {which} transmit on {label}, where {other} is connected";

    public static string HasUpToVOf(string label, double max, string label2, string name, double max2) =>
        $"{label} has up to {max:0.0#} V, {label2} of the {name} is rated {max2:0.0#} V maximum";

    public static string ItWouldTieToThe(string label, string label2) => $"it would tie {label} to the {label2} rail";

    public static string WouldBeShortedToGround(string label, string name) =>
        $"{label} would be shorted to ground through the {name}";

    public static string VIsOnOfThe(string label, double max, string label2, string name) =>
        $"{label} ({max:0.0#} V) is on {label2} of the {name}, which is no input for it";

    public static string IsOnOfTheWhich(string label, string label2, string name) =>
        $"{label} is on {label2} of the {name}, which is no input for it";

    public static string ItWouldBeShortedTo => "it would be shorted to ground";

    public static string ItWouldDriveOrBe(string label) => $"it would drive, or be driven by, what is on {label}";

    public static string OfThe(string label, string name) => $"{label} of the {name}";

    public static string MayTransmit => "may transmit";

    public static string TheWiresOfThe(int wires, string label, string name) =>
        $"the {wires} {label} wires of the {name}";

    public static string TransmitOn => "transmit on";
    public static string NoCurrentFlowsAndIt => "No current flows, and it stays dead.";

    public static string SupplyCurrentWouldReturnThrough(string list) => $"Supply current would return through {list}.";

    public static string WouldHaveNoReference(string list) => $"{list} would have no reference.";
}
