using System.Text.Json.Serialization;

namespace Gorvix.Core.Hardware.Parts;

/// <summary>Something between a pad and its net. In a file, <c>kind</c> says which.</summary>
[JsonPolymorphic(TypeDiscriminatorPropertyName = "kind")]
[JsonDerivedType(typeof(Inverter), "inverter")]
[JsonDerivedType(typeof(Contact), "contact")]
[JsonDerivedType(typeof(Resistor), "resistor")]
[JsonDerivedType(typeof(Divider), "divider")]
[JsonDerivedType(typeof(Diode), "diode")]
public abstract record PathElement;

/// <summary>Which way an element lets a signal through.</summary>
public enum Passage
{
    /// <summary>From the pad to the controller only.</summary>
    ToController,

    /// <summary>From the controller to the pad only.</summary>
    ToPad,

    /// <summary>Both ways.</summary>
    Both,
}

/// <summary>An inverter: it turns the signal over and passes it one way, or both ways when it is built for one-wire links.</summary>
public sealed record Inverter : PathElement
{
    /// <summary>Direction of the signal.</summary>
    public required Passage Direction { get; init; }

    /// <summary>Maximum voltage at its input; null if the manual does not say.</summary>
    public double? Stands { get; init; }

    /// <summary>Logic level at its output, in volts; null if the manual does not say: the input's level is then assumed.</summary>
    public double? Drives { get; init; }
}

/// <summary>A contact of a bridge: it conducts in one position only.</summary>
public sealed record Contact : PathElement
{
    /// <summary>The jumper's label.</summary>
    [JsonPropertyName("jumper")]
    public required string Bridge { get; init; }

    /// <summary>The position that connects.</summary>
    public required string Position { get; init; }
}

/// <summary>A series resistor.</summary>
public sealed record Resistor : PathElement
{
    /// <summary>Resistance in ohms, above zero.</summary>
    public required double Ohms { get; init; }
}

/// <summary>Two resistors that bring a level down. It passes signals to the controller only: backwards the level is lost.</summary>
public sealed record Divider : PathElement
{
    /// <summary>Ratio of output to input, above 0 and below 1.</summary>
    public required double Ratio { get; init; }
}

/// <summary>A diode: it passes one way and takes its forward voltage.</summary>
public sealed record Diode : PathElement
{
    /// <summary>Direction it conducts.</summary>
    public required Passage Direction { get; init; }

    /// <summary>Forward drop in volts.</summary>
    public required double Volts { get; init; }
}
