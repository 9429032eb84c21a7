using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Protocols;
using Gorvix.Core.Plans.Routing;

namespace Gorvix.Core.Wired.Fit;

/// <summary>A firmware profile in words.</summary>
public static class ProfileReader
{
    /// <summary>What it lacks, which jobs may share a port, and how it takes the declination; one sentence each.</summary>
    public static IReadOnlyList<string> Words(FirmwareProfile profile)
    {
        var missing = Enum.GetValues<PortJob>().Except(profile.Jobs).Select(PortWords.Of).ToList();
        var shares = profile.Shares.Select(s => $"{PortWords.Of(s.Rx)} (RX) with {PortWords.Of(s.Tx)} (TX)").ToList();
        return
        [
            missing.Count == 0 ? "Supports every port function." : $"Does not support: {Phrase.Join(missing)}.",
            profile.SoftwareSerial == SoftwareSerial.Missing ? "No software serial." : "Supports software serial.",
            shares.Count == 0 ? "Two functions cannot share a port." : $"Can share a port: {Phrase.Join(shares)}.",
            profile.Single.Count == 0
                ? "Receiver input on one port only; every other function on any number of ports."
                : $"One port only for each of: receiver input, {Phrase.Join([.. profile.Single.Select(PortWords.Of)])}.",
            .. profile.CanvasSettings.Count == 0
                ? Array.Empty<string>()
                : [$"Digital OSD needs extra settings: {Phrase.Join(profile.CanvasSettings)}."],
            profile.Declination == DeclinationForm.Packed
                ? "Declination as degrees and minutes in one number: enter 3°27' as 327."
                : "Declination in decimal degrees: enter 3°27' as 3.45.",
        ];
    }
}
