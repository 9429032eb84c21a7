using System.Text.Json.Serialization;
using Gorvix.Core.Work.Bench;

namespace Gorvix.Core.Work.Faults;

/// <summary>How a test is done.</summary>
public enum TestKind
{
    /// <summary>With the eyes.</summary>
    Look,

    /// <summary>With a meter, nothing plugged in.</summary>
    MeasureCold,

    /// <summary>With a meter, something feeding the craft.</summary>
    MeasureLive,

    /// <summary>With a finger at the wires.</summary>
    Wiggle,

    /// <summary>On a page of settings.</summary>
    Page,

    /// <summary>Something is done otherwise, and the sign is looked at again.</summary>
    Trial,
}

/// <summary>What a test can show.</summary>
/// <param name="Id">Its id within the test.</param>
/// <param name="Words">It in words, without a stop at the end.</param>
/// <param name="IsSound">True for what a sound craft shows.</param>
public sealed record Outcome(string Id, string Words, bool IsSound)
{
    /// <summary>Id of what the bench saw at a check that failed without saying how: anything but what a sound craft shows.</summary>
    public const string NotSound = "!";

    /// <summary>How seldom another outcome is taken for this one, beside the others of its test: 1 for as often.</summary>
    [JsonIgnore]
    public double Mistaken { get; init; } = 1;
}

/// <summary>Which outcome numbers up to a bound are.</summary>
/// <param name="UpTo">The bound, which belongs to it; null for every number above the one before.</param>
/// <param name="Outcome">Id of the outcome.</param>
public sealed record OutcomeBand(double? UpTo, string Outcome);

/// <summary>One thing to look at, to measure or to try, with what it can show.</summary>
/// <param name="Id">Its id; that of the bench's check where it is one.</param>
/// <param name="Kind">How it is done.</param>
/// <param name="Title">What it is about, in a few words.</param>
/// <param name="Do">What to do, as a sentence.</param>
/// <param name="Minutes">What it takes, in minutes of a bench (our own estimate).</param>
/// <param name="Outcomes">What it can show, what a sound craft shows first.</param>
public sealed record FaultTest(
    string Id,
    TestKind Kind,
    string Title,
    string Do,
    double Minutes,
    IReadOnlyList<Outcome> Outcomes
)
{
    /// <summary>True for a sign that one sees without an instrument: a search starts from these.</summary>
    public bool IsSign { get; init; }

    /// <summary>Id of the bench's check that reads the same; null where there is none.</summary>
    public string? Check { get; init; }

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

    /// <summary>The unit of a number that may be typed; null where none is.</summary>
    public ReadingUnit? Unit { get; init; }

    /// <summary>Which outcome a number is, lowest first; empty where none is typed.</summary>
    public IReadOnlyList<OutcomeBand> Bands { get; init; } = [];

    /// <summary>Id within the build of the device that it is about; null where it is about none.</summary>
    public string? Device { get; init; }

    /// <summary>Id of the link that it is about; null where it is about none.</summary>
    public string? Link { get; init; }

    /// <summary>What to mind before it, in sentences.</summary>
    public IReadOnlyList<string> Mind { get; init; } = [];

    /// <summary>True where something feeds the craft meanwhile, so that a fault that was not found can do harm.</summary>
    public bool IsPowered => Kind is TestKind.MeasureLive || (Kind is TestKind.Look or TestKind.Trial && !IsCold);

    /// <summary>True for a look at a craft that nothing feeds.</summary>
    [JsonIgnore]
    public bool IsCold { get; init; }

    /// <summary>How often an answer is wrong, as a part of all (our own estimate): eyes slip oftener than meters.</summary>
    [JsonIgnore]
    public double Slip { get; init; } = 0.03;

    /// <summary>Ids of the rails that it reads; none for what is about one device.</summary>
    [JsonIgnore]
    public IReadOnlyList<string> Rails { get; init; } = [];

    /// <summary>Which outcome an aircraft shows, by id; null where that cannot be told.</summary>
    [JsonIgnore]
    internal Func<BenchTruth, string?> Tell { get; init; } = _ => null;
}

/// <summary>What somebody has seen.</summary>
/// <param name="Test">Id of the test.</param>
/// <param name="Outcome">Id of its outcome.</param>
public sealed record Observation(string Test, string Outcome);
