using System.Security.Cryptography;
using System.Text;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Wiring;

namespace Gorvix.Core.Wired.Loom;

/// <summary>The back-up of the board's settings: other settings ask for another one before they are made (common practice).</summary>
internal static class BackupStep
{
    /// <summary>The step, with the fingerprint of the settings that are planned.</summary>
    /// <param name="wired">The build.</param>
    public static LoomStep Of(WiredBuild wired) =>
        StepReader.Plain("backup", StepTopic.Backup, Sentences.SaveTwoDumpsOfThe) with
        {
            Facts =
            [
                new DeedFact
                {
                    Deed = BuiltDeed.Backup,
                    Plan = Fingerprint(wired),
                    Words = Sentences.SettingsSaved,
                },
            ],
        };

    private static string Fingerprint(WiredBuild wired) =>
        Convert.ToHexStringLower(
            SHA256.HashData(
                Encoding.UTF8.GetBytes(
                    string.Join(
                        '\n',
                        [
                            .. wired
                                .Ports.Select(p => $"{p.Port.Id} {p.Settings}")
                                .Distinct()
                                .Order(StringComparer.Ordinal),
                            $"{wired.Build.Build.Settings}",
                        ]
                    )
                )
            )
        )[..12];
}
