namespace Gorvix.Web.Features;

/// <summary>What is said here: every sentence with what it is filled with.</summary>
internal static class Sentences
{
    public static string DataFileMissing => "data file missing";

    public static string ReadingNotSavedItsKey(int mostKey) =>
        $"Reading not saved: its key must have 1 to {mostKey} characters.";

    public static string ThisFaultDoesNotApply => "This fault does not apply to this build. Choose one from the list.";
    public static string SimulatedMeter => "simulated meter";
    public static string ThisCheckHasNoMeter => "This check has no meter reading. Choose one that does.";

    public static string BaudIsNotSupportedChoose(int baud) =>
        $"{baud} baud is not supported. Choose 2400 to 115 200 baud.";

    public static string NoValidReadingFromThe =>
        "No valid reading from the meter. Check that it and its data output are on, or try another baud rate.";

    public static string TheMeterReadsThisCheck(string name, string name2) =>
        $"The meter reads {name}; this check needs {name2}. Change the range.";

    public static string TheBuildHasChangedAnd => "The build has changed and this check is gone. Reload the page.";

    public static string Enter1ToCharactersTo(int mostWords) => $"Enter 1 to {mostWords} characters to search.";

    public static string Archived => "archived";

    public static string RevisionAndClass(string revision, string controller) =>
        $"revision {revision}, {controller}-class";

    public static string Choose2ToBoardsIn(int most) => $"Choose 2 to {most} boards in the library to compare.";

    public static string Choose2ToBoardsOr(int most) =>
        $"Choose 2 to {most} boards, or as many devices, in the library to compare.";

    public static string TooManyLeadsMaximumRemove(int count, int mostLeads) =>
        $"Too many leads: {count}, maximum {mostLeads}. Remove those that are not leads.";

    public static string TooManyModesMaximumRemove(int mostModes) =>
        $"Too many modes: maximum {mostModes}. Remove those nobody uses.";

    public static string SolderJumpers => "solder jumpers";
    public static string SocketPins => "socket pins";
    public static string PadPaths => "pad paths";

    public static string TooManyMaximumRemoveThe(string things, int count, int most) =>
        $"Too many {things}: {count}, maximum {most}. Remove the surplus.";

    public static string NewBuild => "New build";
    public static string ABuildNeedsABoard => "A build needs a board. Choose one first.";
    public static string NoDrillInThisFile =>
        "No drill in this file. If it is a build, import it under Builds, then practise on it.";

    public static string TooManyDrillsInThis(int mostDrills) =>
        $"Too many drills in this file. A session can have up to {mostDrills}.";

    public static string ThisDrillIsPlayedBy(string player) =>
        $"This drill is played by {player}. Open your own under the session.";

    public static string ThisActionIsNotValid => "This action is not valid here. Reload the drill.";
    public static string MadeWithAnotherVersionOf =>
        "Made with another version of Gorvix: the same code gives a different drill here, and scores cannot be compared.";
    public static string ThisDrillDoesNotMatch =>
        "This drill does not match this build. It was made for another build or by another version of Gorvix.";
    public static string ThisBuildHasNothingTo =>
        "This build has nothing to practise for this drill. Choose another build or drill.";

    public static string EnterASessionNameOf(int mostName) => $"Enter a session name of 1 to {mostName} characters.";

    public static string Choose1ToDrillsFor(int mostDrills) => $"Choose 1 to {mostDrills} drills for a session.";

    public static string ChooseAtLeastOneType => "Choose at least one type of drill.";
    public static string EnterYourNameFirstIt => "Enter your name first; it goes on the scoreboard.";

    public static string ThisSessionHasDrillsThere(int count, int number) =>
        $"This session has {count} drills; there is no drill {number}.";

    public static string ThisSessionIsClosedAnd =>
        "This session is closed and its scores are final. Create a new one to continue.";

    public static string ThisSessionIsFullPlayers(int mostPlayers) =>
        $"This session is full: {mostPlayers} players. Create another one.";

    public static string ThisCauseHasBeenRuled => "This cause has been ruled out. Reload the page.";

    public static string NoteTooLongMaximumCharacters(int mostWords) =>
        $"Note too long: maximum {mostWords} characters.";

    public static string FaultSearchStopped(string said) => $"Fault search stopped.{said}";

    public static string FaultFoundAndFixed(string list, string said) => $"Fault found and fixed: {list}.{said}";

    public static string ThisTestNoLongerApplies => "This test no longer applies to this build. Reload the page.";

    public static string LikelihoodMustBeToTimes(double leastFactor, double mostFactor) =>
        $"Likelihood must be {leastFactor:0.##} to {mostFactor:0} times typical.";

    public static string TooManyObservationsMaximumStart(int mostSaid) =>
        $"Too many observations: maximum {mostSaid}. Start over.";

    public static string IsNotAResultOf(string outcome, string title) =>
        $"\"{outcome}\" is not a result of \"{title}\". Choose a listed result.";

    public static string LinkOrPortIsNot(string link, string port) =>
        $"Link \"{link}\" or port \"{port}\" is not in this build. Reload the page.";

    public static string PlanIsNotAvailableChoose(int plan) =>
        $"Plan {plan} is not available. Choose one of those shown.";

    public static string ChoosePlan(int plan) => $"Choose plan {plan}";

    public static string NothingImportedBuildCannotBe(string name, string? refused) =>
        $"Nothing imported. Build \"{name}\" cannot be planned: {refused} Choose differently for its parts.";

    public static string NothingImportedYourBuildCould(string name, string? refused) =>
        $"Nothing imported. Your build \"{name}\" could no longer be planned: {refused} Keep your part, or import theirs as a copy.";

    public static string AskFor1ToEntries(int mostPage) => $"Ask for 1 to {mostPage} entries per page.";

    public static string ThisPositionInTheLog => "This position in the log is not valid. Reload the page.";

    public static string IsNotATypeOf(string? kinds, string list) =>
        $"\"{kinds}\" is not a type of log entry. Choose from {list}.";

    public static string TheNoteIsEmptyType => "The note is empty. Type something first.";

    public static string CannotLogFlightsAtOnce(int flights) =>
        $"Cannot log {flights} flights at once. Enter 1 to 1000.";

    public static string ThePadDeviceOrStep =>
        "The pad, device or step this note is about is not in this build. Choose another.";
    public static string ThisMaintenanceItemIsGone =>
        "This maintenance item is gone; it may have been removed in another tab. Reload the page.";

    public static string PhotoNoteTooLongMaximum(int mostWords) =>
        $"Photo note too long: maximum {mostWords} characters.";

    public static string APhotoMustBeAbout => "A photo must be about a pad, a device, a step or the build.";

    public static string PhotoTooLargeMaximumMb(int mostBytes) =>
        $"Photo too large: maximum {mostBytes} MB. Use a smaller one.";

    public static string CannotListenForSChoose(double seconds) => $"Cannot listen for {seconds} s. Choose 1 to 60 s.";

    public static string IsNotAProtocolGeneration(string which) =>
        $"\"{which}\" is not a protocol generation. Choose \"older\" or \"newer\".";

    public static string BaudIsNotAGnss(int baud, string list) =>
        $"{baud} baud is not a GNSS module rate. Choose one of {list}.";

    public static string UpdateRateHzIsOut(int hertz, int mostHertz) =>
        $"Update rate {hertz} Hz is out of range. Choose 1 to {mostHertz} Hz.";

    public static string AdapterNotFoundPlugIt => "Adapter not found. Plug it in and refresh the list.";
    public static string AdapterInUsePerhapsIn => "Adapter in use, perhaps in another tab. Wait until it has finished.";

    public static string CannotOpenCloseOtherPrograms(string name, string trimEnd) =>
        $"Cannot open {name}: {trimEnd}. Close other programs using it, or check your permissions.";

    public static string BaudIsNotSupported(int baud) => $"{baud} baud is not supported";

    public static string ItDoesNotAcceptData => "it does not accept data";

    public static string RestoreVersion(int version, string words) => $"Restore version {version}: {words}";

    public static string RestoreVersionAlone(int to) => $"Restore version {to}";

    public static string BuildCouldNoLongerBe(string name, string? refused) =>
        $"Build \"{name}\" could no longer be planned: {refused} Save this as another revision, or change that build first.";

    public static string DeletedButRestorableBuild => "deleted (but restorable) build";

    public static string UsedInArchiveThePart(string place, string name) =>
        $"Used in {place} \"{name}\". Archive the part instead: builds keep it, new builds do not offer it.";

    public static string CellVoltageIsOutOfRange =>
        "Cell voltage must be 2.5 to 4.5 V. Enter volts per cell, not per battery.";

    public static string ArchiveTooLargeMaximumMb(int mostBytes) => $"Archive too large: maximum {mostBytes} MB.";

    public static string DumpTooLongCharactersMaximum(int length, int mostText) =>
        $"Dump too long: {length} characters, maximum {mostText}. Paste only the settings.";

    public static string TemplatesAreSavedPerFirmware =>
        "Templates are saved per firmware, and this build has none. Choose the firmware under Parts first.";
    public static string SettingsTemplate => "Settings template";

    public static string TextTooLongCharactersMaximum(int length, int mostText) =>
        $"Text too long: {length} characters, maximum {mostText}. Shorten it.";

    public static string ChangeSetup => "Change setup";

    public static string NoDeviceInThisBuild(string device, string list) =>
        $"No device \"{device}\" in this build. Choose one of {list}.";

    public static string IsNotADeviceType(string add, string list) =>
        $"\"{add}\" is not a device type. Choose one of {list}.";

    public static string NothingToSavePasteThe => "Nothing to save. Paste the full dump from the board.";

    public static string NoteTooLongCharactersMaximum(int length, int mostWords) =>
        $"Note too long: {length} characters, maximum {mostWords}.";

    public static string ThisChangeIsNoLonger => "This change is no longer available. Reload the page to see what is.";

    public static string MarksUnreadable =>
        "The points of the photo could not be read. Each needs four numbers: x, y on the board and u, v on the photo.";
    public static string BoardSizeMissing =>
        "Enter the board's size first (up to 500 mm a side): the photo is fitted to its outline.";

    public static string SideUnknown => "A board has two sides: top and bottom.";
}
