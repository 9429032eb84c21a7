using System.Net;
using Microsoft.Extensions.Primitives;

namespace Gorvix.Web.Hosting;

/// <summary>What is said here: every sentence with what it is filled with.</summary>
internal static class Sentences
{
    public static string TheWebClientHasNot => "The web client has not been built. Start Gorvix with ./start.";
    public static string PublicMaxAge31536000Immutable => "public, max-age=31536000, immutable";

    public static string GorvixDoesNotRespondAt(IPAddress? club) =>
        $"Gorvix does not respond at this address. Open {club} instead.";

    public static string GorvixDoesNotRespondAtThis =>
        "Gorvix does not respond at this address. Open 127.0.0.1 or localhost instead.";
    public static string ChangeRefusedItCameFrom =>
        "Change refused: it came from another website. Use the Gorvix page itself.";
    public static string RequestRefusedItCameFrom =>
        "Request refused: it came from another website. Use the Gorvix page itself.";
    public static string FromAnotherComputerYouCan =>
        "From another computer you can only join sessions under Practice. Do everything else on the computer that runs Gorvix.";

    public static string TheCharacterSetIsNot(StringSegment charset) =>
        $"The character set \"{charset}\" is not supported. Send the text as UTF-8.";

    public static string InvalidRequestAPinOr =>
        "Invalid request: a pin or block needs a \"kind\" (route, seat, feed or lead).";

    public static string NothingFoundAtCheckThe(PathString path) => $"Nothing found at {path}. Check the address.";

    public static string IsNotAllowedAt(string method, PathString path) => $"{method} is not allowed at {path}.";

    public static string AcceptsJsonOnlySendContent(PathString path) =>
        $"{path} accepts JSON only. Send Content-Type: application/json.";

    public static string WasRefused(string method, PathString path, int status) =>
        $"{method} {path} was refused ({status}).";

    public static string InvalidRequestAtSeeThe(string pathAt) =>
        $"Invalid request at {pathAt}. See the API description.";

    public static string InternalErrorInGorvixReload =>
        "Internal error in Gorvix. Reload the page to see what was saved; details are in the log under the number below.";

    public static string NeedsAValueTryStart(string argsAt) => $"{argsAt} needs a value. Try ./start --help.";

    public static string IsNotAnOptionTry(string other) => $"{other} is not an option. Try ./start --help.";

    public static string ClubIsNotAnAddress(string text) =>
        $"--club {text} is not an address of this computer on the local network. Use one like 192.168.1.20.";

    public static string PortIsNotAValid(string text) =>
        $"--port {text} is not a valid port. Use a number from 0 to 65535.";

    public static string InvalidRequest => "Invalid request. See the API description.";

    /// <summary>Where the program can be met.</summary>
    public static string GorvixIsRunningAt(string address) => $"Gorvix is running at {address} (Ctrl+C to stop)";

    /// <summary>An address that is another machine's.</summary>
    public static string TheClubAddressDoesNot =>
        "The --club address does not belong to this computer. Use its address on the local network.";

    /// <summary>A port that another program has.</summary>
    public static string PortIsInUsePerhaps(int port) =>
        $"Port {port} is in use, perhaps by another Gorvix. Stop it, or choose another port with --port N.";

    /// <summary>A port that the system does not open.</summary>
    public static string CannotOpenPortChoose(int port, string problem) =>
        $"Cannot open port {port} ({problem}). Choose another with --port N.";

    /// <summary>Sound data, and how much of it.</summary>
    public static string DataInIsOkBuilds(string folder, long builds, long parts, double megabytes, string form) =>
        $"Data in {folder} is OK: {builds} builds, {parts} parts, {megabytes:0.0} MB, format {form}.";

    /// <summary>Damaged data.</summary>
    public static string DataInIsDamagedRestore(string folder, string said) =>
        $"Data in {folder} is damaged: {said}. Restore a backup: ./start --restore FILE.";

    /// <summary>The backup before this one.</summary>
    public static string LastBackup(DateTime at, string to) => $"Last backup: {at:yyyy-MM-dd HH:mm}, {to}.";

    /// <summary>A backup that was made.</summary>
    public static string BackedUpTo(string file) => $"Backed up to {file}.";

    /// <summary>A backup that was put back.</summary>
    public static string RestoredThePreviousData(string file, string? kept) =>
        $"Restored {file}.{(kept is null ? "" : $" The previous data is kept as {kept}.")}";
}
