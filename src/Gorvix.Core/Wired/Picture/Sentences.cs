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

    public static string PadsOverlapOrHaveNo =>
        "Pads overlap or have no position on the board: those in use are listed, not drawn to scale.";
}
