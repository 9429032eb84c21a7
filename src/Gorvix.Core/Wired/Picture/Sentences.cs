namespace Gorvix.Core.Wired.Picture;

/// <summary>What is said here: every sentence with what it is filled with.</summary>
internal static class Sentences
{
    public static string TopSideFrontUp => "Top side, front up";
    public static string BottomSideFrontUp => "Bottom side, front up";

    public static string InItsPlug => "in its plug";
    public static string DePinned => "de-pinned";
    public static string CutOff => "cut off";
    public static string NotPluggedIn => "not plugged in";
    public static string Insulated => "insulated";

    public static string From(string device, string lead, string to) => $"{device} {lead} → {to}";

    public static string GaugeAndLength(int gauge, double centimetres) => $"AWG {gauge}, {centimetres:0.#} cm";

    public static string StaysInItsPlug => "stays in its plug";

    public static string TwistWith(string lead) => $"twist with {lead}";

    public static string Step(int number) => $"step {number}";

    public static string PadsOverlapOrHaveNo =>
        "Pads overlap or have no position on the board: those in use are listed, not drawn to scale.";
}
