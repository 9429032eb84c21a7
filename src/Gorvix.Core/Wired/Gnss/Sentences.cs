namespace Gorvix.Core.Wired.Gnss;

/// <summary>What the floor Gnss says: every sentence with what it is filled with.</summary>
internal static class Sentences
{
    public static string SetOrAtMostHz(string baud, int mostHertz) => $"Set {baud}, or at most {mostHertz} Hz.";

    public static string SetAtMostHz(int mostHertz) => $"Set at most {mostHertz} Hz.";

    public static string NoBaudIsFastEnough => "No baud is fast enough: enable fewer messages.";
    public static string PositionAndAltitude => "position and altitude";
    public static string SatelliteGeometryDop => "satellite geometry (DOP)";
    public static string FixTypeNumberOfSatellites => "fix type, number of satellites";
    public static string SpeedAndCourse => "speed and course";
    public static string SignalStrengthOfEachSatellite => "signal strength of each satellite";
    public static string PositionSpeedTimeAndFix => "position, speed, time and fix in one message";
    public static string PositionSpeedCourseTimeAnd => "position, speed, course, time and date";
    public static string FixNumberOfSatellitesAltitude => "fix, number of satellites, altitude";
    public static string SatellitesUsedInTheFix => "satellites used in the fix";
    public static string PositionAgainOnByDefault => "position again; on by default";
    public static string SpeedAndCourseAgainOn => "speed and course again; on by default";

    public static string UartOverloadedWholeMessagesAre(string mend) =>
        $"UART overloaded: whole messages are lost. {mend}";

    public static string UartNearlyFullOccasionalMessages(string mend) =>
        $"UART nearly full: occasional messages are lost. {mend}";

    public static string ItFitsWithOfThe(string percent) => $"It fits, with {percent} of the UART to spare.";

    public static string TheModuleReportsTheGeneration(string which) =>
        $"The module reports the {which} generation and is configured for it.";

    public static string AllSettingsAcceptedAndSaved => "All settings accepted and saved.";
    public static string ThisAdapterCannotPowerCycle =>
        "This adapter cannot power-cycle the module: unplug it for 10 s, plug it in, then verify again.";
    public static string TheModuleHasKeptIts => "The module has kept its settings.";
    public static string TheModuleLosesSettingsWithout =>
        "The module loses settings without power: no memory, or nothing was saved. Let the board configure it at each start.";
    public static string TheSettingsAreAsWanted =>
        "The settings are as wanted now. Not verified: whether they survive without power.";
    public static string TheSettingsAreNotAs =>
        "The settings are not as wanted. If it was without power, it loses them; else configure it again.";
    public static string FactoryResetNotDoneThe => "Factory reset not done: the module did not accept it.";
    public static string FactoryResetDone => "Factory reset done.";

    public static string DisconnectedPlugItInAgain(string name, string trimEnd) =>
        $"{name} disconnected: {trimEnd}. Plug it in again; settings without a reply may not be set.";

    public static string FoundAt(string baud) => $"Found at {baud}.";

    public static string NoDataAtAnyBaud =>
        "No data at any baud: no power, or its TX is not on the adapter's RX. Swap the two wires and try again.";
    public static string DataReceivedButNoUbx =>
        "Data received, but no UBX or NMEA at any baud: not a GNSS module, inverted signal, or ground missing.";
    public static string NoVersionReplyTheModule =>
        "No version reply: the module does not receive from the adapter, or it is NMEA only.";

    public static string VersionThisIsTheGeneration(string version, string which) =>
        $"Version: {version}. This is the {which} generation.";

    public static string NoValidDataAtThe(string baud) =>
        $"No valid data at {baud}: the module has not changed its baud.";

    public static string NowAt(string baud) => $"Now at {baud}.";

    public static string NoReplyInTries(string name, int tries, string words) =>
        $"{name}: no reply in {tries} tries: {words}";

    public static string TheModuleIsAtNot(string which, string baud) => $"The module is at {which}, not {baud}.";

    public static string MessagesMissing(string list) => $"Messages missing: {list}.";

    public static string UpdateRateIsHzNot(double? picture, int hertz) =>
        $"Update rate is {picture:0.#} Hz, not {hertz} Hz.";

    public static string NoFixYetSatellitesReceived(int count) =>
        $"No fix yet, {count} satellites received. There is never a fix indoors; the first can take minutes.";

    public static string FixWithSatellites(int used) => $"Fix with {used} satellites.";

    public static string ClearTheSavedSettingsAnd => "Clear the saved settings and load the factory defaults.";
    public static string DeleteEveryKeyFromBattery => "Delete every key from battery-backed memory and flash.";
    public static string RestartToClearRam => "Restart to clear RAM.";
    public static string EveryEpoch => "every epoch";

    public static string EveryThEpoch(int every) => $"every {every}th epoch";

    public static string UpdateEveryMsHzAligned(ushort period, int hertz) =>
        $"Update every {period} ms ({hertz} Hz), aligned to GPS time.";

    public static string DisableSentencesTheyOnlyLoad(string name) =>
        $"Disable {name} sentences: they only load the UART.";

    public static string ModuleUart1At8n1In(string baud) =>
        $"Module UART1 at {baud}, 8N1; in: UBX, NMEA and correction data; out: UBX and NMEA.";

    public static string AtFromHereOnA(string baud) =>
        $"At {baud} from here on: a module that obeys at once no longer hears the old baud. Save to battery-backed memory and flash, where the module has them.";

    public static string SendNavPvtEveryEpoch => "Send NAV-PVT every epoch, NAV-SAT every fifth epoch.";

    public static string UpdateEveryMsHz(ushort period, int hertz) => $"Update every {period} ms ({hertz} Hz).";

    public static string OutputUbxAndNmeaOn => "Output UBX and NMEA on module UART1.";

    public static string ModuleUart1AtEverySetting(string baud) =>
        $"Module UART1 at {baud}. Every setting is saved as it is set, where the module has memory.";

    public static string SimulatedModule => "simulated module";

    public static string AnUnknownBaud => "an unknown baud";
}
