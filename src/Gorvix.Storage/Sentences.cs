namespace Gorvix.Storage;

/// <summary>What is said here: every sentence with what it is filled with.</summary>
internal static class Sentences
{
    public static string NoDataFileInYet(string path) => $"No data file in {path} yet.";

    public static string AlreadyExistsChooseAnotherName(string to) =>
        $"{to} already exists. Choose another name; nothing was changed.";

    public static string CannotWriteTheBackupTo(string to, string problem) =>
        $"Cannot write the backup to {to}: {problem}";

    public static string FileNotFound(string source) => $"File {source} not found.";

    public static string BackupIsDamagedNothingWas(string source, string said) =>
        $"Backup {source} is damaged ({said}). Nothing was changed.";

    public static string ARowRefersToA => "a row refers to a missing row";

    public static string CannotOpenDataFile(string file, string start) => $"Cannot open data file {file}: {start}";

    public static string CannotWriteToDataFolder(string path) =>
        $"Cannot write to data folder {path}. Choose another with --data DIR.";

    public static string AnotherGorvixIsUsingThe(string holder, string path) =>
        $"Another Gorvix{holder} is using the data in {path}. Use that one, stop it, or choose another folder with --data DIR.";

    public static string DataFileIsDamagedNothing(string file, string said) =>
        $"Data file {file} is damaged ({said}). Nothing was changed. Restore a backup: ./start --restore FILE.";

    public static string TheDataInWasWritten(string path) =>
        $"The data in {path} was written by a newer Gorvix. Update Gorvix, or choose another folder with --data DIR.";

    public static string DemoFileIsDamaged(string path, string sentence) => $"Demo file {path} is damaged. {sentence}";

    public static string DrillLimitReachedActionsStart(int mostActs) =>
        $"Drill limit reached: {mostActs} actions. Start another.";

    public static string SessionLimitReachedDeleteAn(int mostEvenings) =>
        $"Session limit reached: {mostEvenings}. Delete an old session first.";

    public static string TheFaultSearchOfBuild(string build) => $"The fault search of build \"{build}\"";

    public static string ItIsNotAnSqlite => "it is not an SQLite file";
    public static string ItBelongsToAnotherProgram => "it belongs to another program";

    public static string IsNotAGorvixData(string file, string why) =>
        $"{file} is not a Gorvix data file: {why}. It was not changed. Move it, or choose another folder with --data DIR.";

    public static string TheLogOfBuild(string build) => $"The log of build \"{build}\"";

    public static string SuchReading => "such reading";

    public static string NoteTooLongCharactersMaximum(int length, int mostWords) =>
        $"Note too long: {length} characters, maximum {mostWords}.";

    public static string LimitReachedForThisBuild(int most, string what) =>
        $"Limit reached: {most} {what} for this build. Export the full record, then delete old entries.";

    public static string InTheLibrary(string id, string words) => $"{id} in the library: {words}";

    public static string ThisPhotoWasNotWritten =>
        "This photo was not written by Gorvix and contains extra data. Add it as a new photo instead.";

    public static string PhotoTooLargeMbMaximum(int length, int mostBytes) =>
        $"Photo too large: {length} MB, maximum {mostBytes} MB. Use a smaller one.";

    public static string CannotReadThisPhotoUse => "Cannot read this photo. Use JPEG, PNG or WebP.";

    public static string PhotoTooLargePixelsMaximum(int width, int height, long mostPoints) =>
        $"Photo too large: {width} × {height} pixels, maximum {mostPoints} megapixels. Use a smaller one.";

    public static string PhotoTooSlowToRead(int scans, int width, int height) =>
        $"Photo too slow to read: {scans} scans of {width} × {height} pixels. Save it as a plain JPEG and add it again.";

    public static string ThePhotoIsDamagedAnd =>
        "The photo is damaged and cannot be read. Copy it from the camera again.";
    public static string ThePhotoFileIsIncomplete => "The photo file is incomplete. Copy it from the camera again.";
    public static string NotARecordArchiveOr => "Not a record archive, or damaged. Export the record again.";

    public static string CannotReadAListIn(string which) =>
        $"Cannot read a list in the archive{which}. It was edited by hand or written by a newer Gorvix. Export the record again.";

    public static string TooManyFilesInThe(int mostFiles) => $"Too many files in the archive: maximum {mostFiles}.";

    public static string ThisArchiveIsNotA => "This archive is not a build record. Choose one exported from the Log.";

    public static string TheRecordHasVersionThis(int version, int newest) =>
        $"The record has version {version}; this Gorvix reads versions 1 to {newest}. Update Gorvix to import it.";

    public static string CannotReadTheBuildIn(string which) => $"Cannot read the build in the record. {which}";

    public static string VersionOfTheBuildIs(int version, int format, int newest) =>
        $"Version {version} of the build is in format {format}; this Gorvix reads formats 1 to {newest}. Update Gorvix to import it.";

    public static string VersionOfTheBuildIn(int version) =>
        $"Version {version} of the build in the record is damaged. Export the record again.";

    public static string TheBuildVersionsInThe =>
        "The build versions in the record are out of sequence. Export the record again.";
    public static string TheLastVersionInThe =>
        "The last version in the record is not the build that comes with it. Export the record again.";
    public static string TwoReadingsInTheRecord =>
        "Two readings in the record have the same key. Export the record again.";
    public static string ANoteInTheRecord =>
        "A note in the record is too long or logs too many flights. Export the record again.";

    public static string ADumpInTheRecord(string kind) =>
        $"A dump in the record has an unknown type, \"{kind}\". Update Gorvix to import it.";

    public static string HasAnEntryOfThe(string name, int year, int firstYear, int lastYear) =>
        $"{name} has an entry of the year {year}. Times must lie between {firstYear} and {lastYear}. Correct it, or export the record again.";

    public static string TooManyFilesInTheArchive(int count, int mostFiles) =>
        $"Too many files in the archive: {count}, maximum {mostFiles}.";

    public static string TheArchiveContainsAFile =>
        "The archive contains a file that does not belong in a record. Nothing was imported.";

    public static string IsInTheArchiveTwice(string fullName) =>
        $"{fullName} is in the archive twice. Export the record again.";

    public static string IsMissingFromTheArchive(string name) =>
        $"{name} is missing from the archive. Export the record again.";

    public static string AListInTheArchive =>
        "A list in the archive names a file that does not belong in a record. Export the record again.";

    public static string IsTooLargeWhenUnpacked(string name) =>
        $"{name} is too large when unpacked. Nothing was imported.";

    public static string IsDamagedItsChecksumDoes(string name) =>
        $"{name} is damaged: its checksum does not match. Export the record again.";

    public static string InTheArchiveIsEmpty(string name) =>
        $"{name} in the archive is empty. Export the record again.";

    public static string InTheArchiveIsNot(string name) =>
        $"{name} in the archive is not a list. Export the record again.";

    public static string TooManyEntriesInMaximum(string name, int most) =>
        $"Too many entries in {name}: maximum {most}.";

    public static string ContainsAnEmptyEntryExport(string name) =>
        $"{name} contains an empty entry. Export the record again.";

    public static string IsInTheArchiveBut(string stray) =>
        $"{stray} is in the archive but not listed. Export the record again.";

    public static string FirmwareProfile => "firmware profile";
    public static string TheBuilds => "The builds";
    public static string TheCards => "The cards";

    public static string TheDataFolderWasMoved(string kept) =>
        $"The data folder was moved or deleted while Gorvix was running. {kept} Put it back, or restart Gorvix.";

    public static string TheDiskIsFullFree(string kept) => $"The disk is full. {kept} Free some space, then try again.";

    public static string TheDiskIsFullFreeSome => "the disk is full. Free some space, then start again.";

    public static string CannotWriteTheDataFile(string kept) =>
        $"Cannot write the data file: it or its folder is read-only. {kept} Make it writable, then try again.";

    public static string ItIsReadOnlyMake =>
        "it is read-only. Make it writable, or choose another folder with --data DIR.";

    public static string DiskReadOrWriteError(string kept) =>
        $"Disk read or write error. {kept} Check the disk before you continue.";

    public static string DiskReadOrWriteErrorCheck => "disk read or write error. Check the disk before you continue.";
    public static string TheDataFileIsDamaged =>
        "The data file is damaged. Stop Gorvix, run ./start --check, then restore a backup with ./start --restore FILE.";
    public static string ItIsDamagedOrNot =>
        "it is damaged or not a Gorvix file. Nothing was changed. Restore a backup with ./start --restore FILE, move the file, or choose another folder with --data DIR.";

    public static string CannotOpenTheDataFile(string kept) =>
        $"Cannot open the data file: it was moved or is no longer readable. {kept} Put it back or check its permissions.";

    public static string NoPermissionToReadIt => "no permission to read it. Check the folder's permissions.";

    public static string AnotherProgramIsUsingThe(string kept) =>
        $"Another program is using the data file. {kept} Close it, then try again.";

    public static string AnotherProgramIsUsingIt =>
        "another program is using it. Close that program, then start again.";

    public static string DataFileIsMissing(string file) => $"Data file {file} is missing.";

    public static string TheDumpsOfBuild(string build) => $"The dumps of build \"{build}\"";

    public static string TextTooLongCharactersMaximum(int length, int mostText) =>
        $"Text too long: {length} characters, maximum {mostText}. Check that it is the board's dump.";

    public static string LimitReachedDumpsForThis(int mostTexts) =>
        $"Limit reached: {mostTexts} dumps for this build. Delete one you do not need.";

    public static string ImportedFromFile => "Imported from file";
    public static string ThereIsNoBuildInIt => "There is no build in it.";
    public static string Kept => "Your change was not saved; this page keeps it to send again.";

    public static string NoPhotoOfThisSide => "No photo of this side of the board. Reload the page.";

    public static string PhotoOfBoard(string board) => $"Photo of board \"{board}\"";
}
