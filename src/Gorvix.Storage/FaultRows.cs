using Gorvix.Core.Work.FaultModel;

namespace Gorvix.Storage;

/// <summary>A search for a fault.</summary>
public sealed class FaultCaseRow
{
    /// <summary>Its number.</summary>
    public int Number { get; init; }

    /// <summary>The build.</summary>
    public required string BuildId { get; init; }

    /// <summary>How often it was written; a writer that saw an older one is refused.</summary>
    public int Step { get; set; }

    /// <summary>When it was begun, UTC.</summary>
    public required DateTime OpenedAt { get; init; }

    /// <summary>When it ended, UTC; null while it goes on.</summary>
    public DateTime? ClosedAt { get; set; }

    /// <summary>The case, as JSON.</summary>
    public required string Document { get; set; }
}

/// <summary>A cause that was found: it raises what its kind weighs for this builder.</summary>
public sealed class FaultFoundRow
{
    /// <summary>Its number.</summary>
    public int Number { get; init; }

    /// <summary>What kind of thing it was.</summary>
    public required FaultKind Kind { get; init; }

    /// <summary>When, UTC.</summary>
    public required DateTime At { get; init; }
}

/// <summary>How much likelier than usual the builder takes a kind to be.</summary>
public sealed class FaultFactorRow
{
    /// <summary>The kind.</summary>
    public required FaultKind Kind { get; init; }

    /// <summary>How much likelier, as a factor.</summary>
    public required double Factor { get; set; }
}
