using Gorvix.Core.Findings;
using Gorvix.Core.Parts;
using Gorvix.Core.Protocols;
using Gorvix.Core.Routing;

namespace Gorvix.Core.Fit;

/// <summary>A firmware profile in words.</summary>
public static class ProfileReader
{
    /// <summary>What it lacks, which jobs may share a port, and how it takes the declination; one sentence each.</summary>
    public static IReadOnlyList<string> Words(FirmwareProfile profile)
    {
        var missing = Enum.GetValues<PortJob>().Except(profile.Jobs).Select(PortWords.Of).ToList();
        var shares = profile.Shares.Select(s => $"{PortWords.Of(s.Rx)} with {PortWords.Of(s.Tx)}").ToList();
        return
        [
            missing.Count == 0 ? "It knows every job." : $"It does not know: {Phrase.Join(missing)}.",
            profile.SoftwareSerial == SoftwareSerial.Missing ? "It has no serial in code." : "It has serial in code.",
            shares.Count == 0
                ? "No two jobs may share a port."
                : $"May share the halves of a port: {Phrase.Join(shares)}.",
            profile.Single.Count == 0
                ? "One port can be the receiver input; every other job may be on several ports."
                : $"One port each can be: receiver input, {Phrase.Join([.. profile.Single.Select(PortWords.Of)])}.",
            .. profile.CanvasSettings.Count == 0
                ? Array.Empty<string>()
                : [$"The video canvas needs more settings: {Phrase.Join(profile.CanvasSettings)}."],
            profile.Declination == DeclinationForm.Packed
                ? "Declination as degrees and minutes in one number: 3°27' is 327."
                : "Declination in decimal degrees: 3°27' is 3.45.",
        ];
    }
}
