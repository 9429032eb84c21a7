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
        var shares = profile.Shares.Select(s => Sentences.RxWithTx(PortWords.Of(s.Rx), PortWords.Of(s.Tx))).ToList();
        return
        [
            missing.Count == 0 ? Sentences.SupportsEveryPortFunction : Sentences.DoesNotSupport(Phrase.Join(missing)),
            profile.SoftwareSerial == SoftwareSerial.Missing
                ? Sentences.NoSoftwareSerial
                : Sentences.SupportsSoftwareSerial,
            shares.Count == 0 ? Sentences.TwoFunctionsCannotShareA : Sentences.CanShareAPort(Phrase.Join(shares)),
            profile.Single.Count == 0
                ? Sentences.ReceiverInputOnOnePort
                : Sentences.OnePortOnlyForEach(Phrase.Join([.. profile.Single.Select(PortWords.Of)])),
            .. profile.CanvasSettings.Count == 0
                ? Array.Empty<string>()
                : [Sentences.DigitalOsdNeedsExtraSettings(Phrase.Join(profile.CanvasSettings))],
            profile.Declination == DeclinationForm.Packed
                ? Sentences.DeclinationAsDegreesAndMinutes
                : Sentences.DeclinationInDecimalDegreesEnter,
        ];
    }
}
