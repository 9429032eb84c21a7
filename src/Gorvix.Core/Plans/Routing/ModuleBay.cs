using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Protocols;
using Gorvix.Core.Plans.Builds;

namespace Gorvix.Core.Plans.Routing;

/// <summary>The line between the radio and the module in its bay: at what rate it runs, and how many packets a second it keeps.</summary>
/// <param name="radio">The radio's side, or null while it is not known: then everything fits.</param>
/// <param name="protocol">The protocol of the control link.</param>
public sealed class ModuleBay(RadioSide? radio, Protocol protocol)
{
    // Common practice: bays run fast or slow. One that does not keep the fast rate is set to the slow one.
    private const int Fast = 400_000;
    private const int Slow = 115_200;

    /// <summary>The rate at which the line runs; null when the bay keeps none that is used, or nothing is known.</summary>
    public int? Baud { get; } =
        radio?.BayBaud switch
        {
            // Pulses and buses have no rate: they are no radio link.
            _ when protocol.Bauds.Count == 0 => null,
            >= Fast and var baud => Math.Min(baud, protocol.Bauds.Max()),
            >= Slow => Slow,
            _ => null,
        };

    /// <summary>The most packets a second whose frames fit that rate; null when frames vary or nothing is known.</summary>
    public int? MostHertz =>
        Baud is { } baud && protocol.FrameMicroseconds(baud) is { } frame ? (int)Math.Floor(1e6 / frame) : null;

    /// <summary>True when the bay does not keep the fast rate.</summary>
    public bool IsSlow => Baud == Slow;

    /// <summary>True when more packets a second are set than fit.</summary>
    public bool IsCrowded => MostHertz < radio?.PacketHertz;

    /// <summary>Why nothing comes back over it, whatever is set; null when it can.</summary>
    public Finding? Failure() =>
        radio is null || Baud is not null
            ? null
            : RoutingRules.Bay.Found(
                Severity.Stop,
                Subject.Build,
                ("bay", Phrase.Spaced(radio.BayBaud)),
                ("protocol", protocol.Name),
                ("least", Phrase.Spaced(Slow))
            );

    /// <summary>What to set on the radio so that nothing is lost; nothing when all fits as it is.</summary>
    public IEnumerable<Work> Work()
    {
        if (IsSlow)
        {
            yield return Set(Sentences.SetTheModuleBayTo(Phrase.Baud(Baud!.Value)));
        }
        if (IsCrowded)
        {
            yield return Set(Sentences.SetThePacketRateTo(MostHertz, radio!.PacketHertz));
        }
    }

    private static Work Set(string setting) => new(WorkAction.SetRadio, WorkMinutes.Setting) { Setting = setting };
}
