using System.Security.Cryptography;
using System.Text;
using System.Text.Json.Serialization;
using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Wired.Rails;
using Gorvix.Core.Work.FaultModel;

namespace Gorvix.Core.Work.Bench;

/// <summary>What the proof of a build goes through, in the order that risks least.</summary>
public enum BenchPhase
{
    /// <summary>Nothing is plugged in.</summary>
    Cold,

    /// <summary>The first power, through a limiter.</summary>
    FirstPower,

    /// <summary>Volts on rails and at devices.</summary>
    Volts,

    /// <summary>USB alone.</summary>
    Usb,

    /// <summary>What the board is set to.</summary>
    Settings,

    /// <summary>Each link by itself.</summary>
    Links,

    /// <summary>Everything at once, without a limiter.</summary>
    Together,

    /// <summary>What happens when the link is lost.</summary>
    Failsafe,
}

/// <summary>What a check asks for.</summary>
public enum Asks
{
    /// <summary>Whether it beeps; ohms will do as well.</summary>
    Beep,

    /// <summary>Ohms.</summary>
    Ohms,

    /// <summary>The drop of a diode, in volts.</summary>
    Diode,

    /// <summary>Volts.</summary>
    Volts,

    /// <summary>Amperes.</summary>
    Amps,

    /// <summary>Whether something is seen.</summary>
    Sign,
}

/// <summary>A unit of a reading.</summary>
public enum ReadingUnit
{
    /// <summary>Volts.</summary>
    Volts,

    /// <summary>Amperes.</summary>
    Amps,

    /// <summary>Ohms.</summary>
    Ohms,
}

/// <summary>What somebody says without a number.</summary>
public enum Answer
{
    /// <summary>Yes: it beeps, it is seen.</summary>
    Yes,

    /// <summary>No.</summary>
    No,

    /// <summary>Not sure.</summary>
    Unsure,
}

/// <summary>What a reading comes to.</summary>
public enum Mark
{
    /// <summary>As it must be.</summary>
    Good,

    /// <summary>Not as computed, and no danger by itself.</summary>
    Doubtful,

    /// <summary>Do not go on.</summary>
    Stop,
}

/// <summary>What a reading comes to, with why.</summary>
/// <param name="Mark">What it comes to.</param>
/// <param name="Words">Why, as a sentence.</param>
/// <param name="Look">The cheapest next look, as a sentence; null where none is needed.</param>
public sealed record Judgement(Mark Mark, string Words, string? Look = null);

/// <summary>What numbers up to a bound come to.</summary>
/// <param name="UpTo">The bound, which belongs to it; null for every number above the one before.</param>
/// <param name="Judgement">What they come to.</param>
public sealed record Band(double? UpTo, Judgement Judgement);

/// <summary>What an answer comes to.</summary>
/// <param name="Answer">The answer.</param>
/// <param name="Judgement">What it comes to.</param>
public sealed record Judged(Answer Answer, Judgement Judgement);

/// <summary>
/// One thing to measure or to look at. What every reading comes to stands in it as data, so that it can be judged where no server is in reach.
/// </summary>
/// <param name="Id">Its id, the same as long as it is about the same points.</param>
/// <param name="Phase">When it is done.</param>
/// <param name="Asks">What it asks for.</param>
/// <param name="Title">What it is about, in a few words.</param>
/// <param name="Do">What to do, as a sentence.</param>
/// <param name="Expected">What should be seen, in words.</param>
/// <param name="Proves">What it proves, as a sentence.</param>
/// <param name="Bands">What numbers come to, lowest first; empty where no number is asked for.</param>
/// <param name="Answers">What answers come to; empty where a number is needed.</param>
/// <param name="Scope">The facts of the wired build that it rests on, in words: as long as they stand, what it proved stands.</param>
public sealed record BenchCheck(
    string Id,
    BenchPhase Phase,
    Asks Asks,
    string Title,
    string Do,
    string Expected,
    string Proves,
    IReadOnlyList<Band> Bands,
    IReadOnlyList<Judged> Answers,
    IReadOnlyList<string> Scope
)
{
    /// <summary>What the answers yes, no and unsure are called at it, in this order.</summary>
    public IReadOnlyList<string> Labels =>
        [BenchWords.Of(Asks, Answer.Yes), BenchWords.Of(Asks, Answer.No), BenchWords.Of(Asks, Answer.Unsure)];

    /// <summary>Where the red probe goes; null where none is needed.</summary>
    public string? Red { get; init; }

    /// <summary>Where the black probe goes; null where none is needed.</summary>
    public string? Black { get; init; }

    /// <summary>Id of the pad under the red probe, or nearest to it; null where there is none.</summary>
    public string? RedPad { get; init; }

    /// <summary>Id of the pad under the black probe, or nearest to it; null where there is none.</summary>
    public string? BlackPad { get; init; }

    /// <summary>The lead under the red probe, as its wire is called in the wire list; null where it is none.</summary>
    public string? RedWire { get; init; }

    /// <summary>The lead under the black probe, as its wire is called in the wire list; null where it is none.</summary>
    public string? BlackWire { get; init; }

    /// <summary>The unit of its number; null where it takes none.</summary>
    public ReadingUnit? Unit { get; init; }

    /// <summary>The number that is computed for it; null where none is.</summary>
    public double? Computed { get; init; }

    /// <summary>True where power is let in, so that a fault that was not found does harm.</summary>
    public bool IsDangerous { get; init; }

    /// <summary>A short print of what it rests on: a reader sends it back, so that a reading of another wiring is not taken for this one.</summary>
    public string Print { get; } =
        Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(string.Join('\n', Scope))))[..16];

    /// <summary>What is good, as the least and the most; null where nothing bounds it.</summary>
    [JsonIgnore]
    public (double? Low, double? High) Good =>
        Bands.ToList().FindIndex(b => b.Judgement.Mark == Mark.Good) is >= 0 and var at
            ? (at > 0 ? Bands[at - 1].UpTo : null, Bands[at].UpTo)
            : (null, null);

    /// <summary>True where an uncertain reading holds back power as a failed one does: a short between supplies burns before anybody can unplug it.</summary>
    [JsonIgnore]
    public bool MustPass { get; init; }

    /// <summary>In which states it holds back every dangerous check after it, with why.</summary>
    public IReadOnlyList<Halt> Halts =>
        [
            new(CheckState.Stopped, Sentences.FailedFixThatFirst(Title)),
            .. MustPass
                ? [new Halt(CheckState.Doubtful, Sentences.IsUncertainMeasureItAgain(Title))]
                : Array.Empty<Halt>(),
        ];

    /// <summary>Ids of the checks that must be done before it; none where nothing is lost by its turn.</summary>
    public IReadOnlyList<string> After { get; init; } = [];

    /// <summary>What to mind before it, in sentences.</summary>
    public IReadOnlyList<string> Mind { get; init; } = [];

    /// <summary>Id of the link that it is about; null where it is about none.</summary>
    public string? Link { get; init; }

    /// <summary>Id within the build of the device that it is about; null where it is about none.</summary>
    public string? Device { get; init; }

    /// <summary>What it reads, for the stand-in.</summary>
    [JsonIgnore]
    internal Probing Probing { get; init; } = new SightProbing("");

    /// <summary>What a reading comes to.</summary>
    /// <param name="value">A number in the check's unit, or null.</param>
    /// <param name="answer">An answer, or null.</param>
    /// <returns>What it comes to; null where the check asks for something else.</returns>
    public Judgement? Judge(double? value, Answer? answer) =>
        value is { } number
            ? Bands.FirstOrDefault(b => b.UpTo is not { } bound || number <= bound)?.Judgement
            : Answers.FirstOrDefault(a => a.Answer == answer)?.Judgement;
}

/// <summary>What a check reads off the aircraft.</summary>
internal abstract record Probing;

/// <summary>What lies between two points.</summary>
/// <param name="One">A point.</param>
/// <param name="Other">Another one.</param>
internal sealed record CopperProbing(Node One, Node Other) : Probing;

/// <summary>Volts between two points.</summary>
/// <param name="Red">A point.</param>
/// <param name="Black">Another one; null for the common ground.</param>
/// <param name="Situation">What feeds the build.</param>
internal sealed record VoltProbing(Node Red, Node? Black, Situation Situation) : Probing;

/// <summary>The current out of the source.</summary>
/// <param name="Situation">What feeds the build.</param>
internal sealed record AmpProbing(Situation Situation) : Probing;

/// <summary>The volts of the source itself.</summary>
/// <param name="Volts">What it has.</param>
internal sealed record SourceProbing(double Volts) : Probing;

/// <summary>Where a bridge stands.</summary>
/// <param name="Bridge">Id of the bridge.</param>
internal sealed record BridgeProbing(string Bridge) : Probing;

/// <summary>What the board prints.</summary>
internal sealed record PrintProbing : Probing;

/// <summary>Whether a device lives.</summary>
/// <param name="Device">Id within the build of the device.</param>
/// <param name="Situation">What feeds the build.</param>
internal sealed record LifeProbing(string Device, Situation Situation) : Probing;

/// <summary>A sign of a link.</summary>
/// <param name="Link">Id of the link.</param>
/// <param name="Needs">What of the link it needs.</param>
/// <param name="Situation">What feeds the build.</param>
internal sealed record LinkProbing(string Link, SignNeeds Needs, Situation Situation) : Probing;

/// <summary>The signs of every link at once.</summary>
/// <param name="Situation">What feeds the build.</param>
internal sealed record AllProbing(Situation Situation) : Probing;

/// <summary>Something that only eyes tell.</summary>
/// <param name="What">What.</param>
internal sealed record SightProbing(string What) : Probing;
