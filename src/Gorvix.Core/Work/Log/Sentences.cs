namespace Gorvix.Core.Work.Log;

/// <summary>What the floor Log says: every sentence with what it is filled with.</summary>
internal static class Sentences
{
    public static string TooManyMaintenanceItemsMaximum(int count, int mostIntervals) =>
        $"Too many maintenance items: {count}, maximum {mostIntervals}.";

    public static string AMaintenanceItemsIdMay =>
        "A maintenance item's ID may only use lower-case letters, digits and hyphens.";

    public static string DescribeTheMaintenanceIn1(int mostWords) =>
        $"Describe the maintenance in 1 to {mostWords} characters.";

    public static string NeedsAnIntervalInDays(string words) => $"\"{words}\" needs an interval in days or flights.";

    public static string DaysIsOutOfRange(string words, int? days, int mostDays) =>
        $"\"{words}\": {days} days is out of range. Enter 1 to {mostDays}.";

    public static string FlightsIsOutOfRange(string words, int? flights, int mostFlights) =>
        $"\"{words}\": {flights} flights is out of range. Enter 1 to {mostFlights}.";

    public static string TwoMaintenanceItemsHaveThe => "Two maintenance items have the same ID. Change one.";
    public static string NeverDone => "never done";
    public static string DueToday => "due today";
    public static string DueSinceTheLastFlight => "due since the last flight";
    public static string OneFlight => "One flight";
    public static string NotConnected => "not connected";

    public static string OfThe(string label, string name) => $"{label} of the {name}";

    public static string NoneChosen => "none chosen";
}
