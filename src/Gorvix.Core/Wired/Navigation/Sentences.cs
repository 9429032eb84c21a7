namespace Gorvix.Core.Wired.Navigation;

/// <summary>What the floor Navigation says: every sentence with what it is filled with.</summary>
internal static class Sentences
{
    public static string NoDeclination => "no declination";
    public static string ThereIsNoDeclinationAt =>
        "There is no declination at a pole: every direction is north or south. Fly without a compass there.";
    public static string TheHorizontalFieldIsToo => "The horizontal field is too weak here for any compass.";
    public static string TheHorizontalFieldIsWeak => "The horizontal field is weak here: the compass may be far off.";

    public static string TheModelIsValidFrom(double epoch, double until) =>
        $"The model is valid from {epoch:0} to the end of {until:0}; this date is outside that range.";
}
