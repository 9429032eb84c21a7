using Gorvix.Core.Wired.Settings;

namespace Gorvix.Core.Work.Tables;

/// <summary>A settings sheet as a list for a spreadsheet (RFC 4180).</summary>
public static class SettingsTable
{
    /// <summary>Writes the list.</summary>
    /// <param name="sheet">The settings.</param>
    public static string Write(SettingsSheet sheet) =>
        Sheet.Write(
            ["where", "key", "value", "words", "why", "done"],
            sheet.Settings.Select(s =>
                (IReadOnlyList<string?>)[Where(s.Place), s.Key, s.Value, s.Words, s.Why, s.IsDone ? "yes" : ""]
            )
        );

    private static string Where(SettingPlace place) =>
        place switch
        {
            SettingPlace.Port => "port",
            SettingPlace.Board => "board",
            SettingPlace.Device => "device",
            _ => "radio",
        };
}
