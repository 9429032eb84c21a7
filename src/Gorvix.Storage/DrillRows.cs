using Gorvix.Core.Files.Formats;

namespace Gorvix.Storage;

/// <summary>A build with its parts as they were when somebody practised on them.</summary>
public sealed class DrillSourceRow
{
    /// <summary>What it is known by: the hash of its document.</summary>
    public required string Hash { get; init; }

    /// <summary>The file, as JSON; it says itself of which version of the format it is.</summary>
    public required string Document { get; init; }
}

/// <summary>A drill that somebody plays or has played.</summary>
public sealed class DrillRow
{
    /// <summary>Its id in addresses.</summary>
    public required string Id { get; init; }

    /// <summary>Who plays, as typed; empty where nobody said.</summary>
    public required string Player { get; init; }

    /// <summary>What is practised.</summary>
    public required DrillKind Kind { get; init; }

    /// <summary>How hard it is.</summary>
    public required int Level { get; init; }

    /// <summary>What the questions belong to: the id of a build, or the hash of a file.</summary>
    public required string Deck { get; init; }

    /// <summary>What the build is called.</summary>
    public required string Name { get; init; }

    /// <summary>Hash of the build that it is about.</summary>
    public required string Source { get; init; }

    /// <summary>The order, as JSON.</summary>
    public required string Order { get; init; }

    /// <summary>What was done, as JSON.</summary>
    public required string Acts { get; set; }

    /// <summary>How often it was written; a writer that saw an older one is refused.</summary>
    public int Step { get; set; }

    /// <summary>When it was begun, UTC.</summary>
    public required DateTime StartedAt { get; init; }

    /// <summary>When it ended, UTC; null while it goes on.</summary>
    public DateTime? EndedAt { get; set; }

    /// <summary>The score, 0 to 100; null while it goes on.</summary>
    public int? Score { get; set; }

    /// <summary>Minutes of a bench that it took; null where none was needed.</summary>
    public double? Minutes { get; set; }

    /// <summary>Minutes that the best tester needs; null where none was needed.</summary>
    public double? Best { get; set; }

    /// <summary>Id of the evening that it is part of; null where it is of none.</summary>
    public string? Evening { get; init; }

    /// <summary>Its place in the evening, from 1.</summary>
    public int? Number { get; init; }
}

/// <summary>When a card comes back to somebody.</summary>
public sealed class RecallRow
{
    /// <summary>Who plays.</summary>
    public required string Player { get; init; }

    /// <summary>What is practised.</summary>
    public required DrillKind Kind { get; init; }

    /// <summary>What the card belongs to.</summary>
    public required string Deck { get; init; }

    /// <summary>Its id within that.</summary>
    public required string Card { get; init; }

    /// <summary>How easy it is.</summary>
    public required double Ease { get; set; }

    /// <summary>How often it was known in a row.</summary>
    public required int Row { get; set; }

    /// <summary>The interval at hand, in days.</summary>
    public required int Days { get; set; }

    /// <summary>The day on which it is due.</summary>
    public required DateOnly Due { get; set; }

    /// <summary>The day on which it was asked last.</summary>
    public required DateOnly Asked { get; set; }

    /// <summary>True while it was not known well on that day.</summary>
    public required bool Again { get; set; }
}

/// <summary>An evening on which several play the same drills.</summary>
public sealed class EveningRow
{
    /// <summary>Its id in addresses.</summary>
    public required string Id { get; init; }

    /// <summary>What it is called.</summary>
    public required string Name { get; init; }

    /// <summary>What the build is called.</summary>
    public required string Build { get; init; }

    /// <summary>What the questions belong to.</summary>
    public required string Deck { get; init; }

    /// <summary>Hash of the build that it is about.</summary>
    public required string Source { get; init; }

    /// <summary>The orders, as JSON.</summary>
    public required string Orders { get; init; }

    /// <summary>When it was made, UTC.</summary>
    public required DateTime MadeAt { get; init; }

    /// <summary>When it was closed, UTC; null while it goes on.</summary>
    public DateTime? ClosedAt { get; set; }
}
