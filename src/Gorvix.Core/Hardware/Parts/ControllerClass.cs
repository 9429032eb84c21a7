using Gorvix.Core.Hardware.Findings;

namespace Gorvix.Core.Hardware.Parts;

/// <summary>Whether a controller's serial units can invert their own pins.</summary>
public enum OwnInversion
{
    /// <summary>Not at all: polarity must be right at the pin.</summary>
    None,

    /// <summary>RX and TX each on its own.</summary>
    EachPin,
}

/// <summary>Whether a controller's serial units can exchange their RX and TX pins.</summary>
public enum PinSwap
{
    /// <summary>No.</summary>
    Fixed,

    /// <summary>Yes, by a setting.</summary>
    Swappable,
}

/// <summary>What a family of controllers can do with its serial pins.</summary>
/// <param name="Id">The class as printed on boards: F1, F3, F4, F7, G4, H7.</param>
/// <param name="Inversion">Own inversion of RX and TX.</param>
/// <param name="Swap">Exchange of RX and TX.</param>
/// <param name="ClockMegahertz">Usual clock of the slow bus, which feeds most baud dividers (from memory: the manuals' clock trees).</param>
/// <param name="LeastDivisor">The smallest whole divisor from that clock to the baud: 16, or 8 where units can sample eight times.</param>
/// <param name="Source">The reference manual and its register.</param>
public sealed record ControllerClass(
    string Id,
    OwnInversion Inversion,
    PinSwap Swap,
    double ClockMegahertz,
    int LeastDivisor,
    SourceNote Source
)
{
    /// <summary>Every class that board files may name.</summary>
    public static readonly IReadOnlyList<ControllerClass> All =
    [
        Plain("F1", 36, 16, "reference manual RM0008, USART_CR2: no RXINV, TXINV or SWAP bit"),
        Able("F3", 36, "reference manual RM0316, USART_CR2: SWAP (15), RXINV (16), TXINV (17)"),
        Plain("F4", 42, 8, "reference manual RM0090, USART_CR2: no RXINV, TXINV or SWAP bit"),
        Able("F7", 54, "reference manual RM0410, USART_CR2: SWAP (15), RXINV (16), TXINV (17)"),
        Able("G4", 170, "reference manual RM0440, USART_CR2: SWAP (15), RXINV (16), TXINV (17)"),
        Able("H7", 120, "reference manual RM0433, USART_CR2: SWAP (15), RXINV (16), TXINV (17)"),
    ];

    /// <summary>The class with this id, or null.</summary>
    public static ControllerClass? Find(string id) => All.FirstOrDefault(c => c.Id == id);

    private static ControllerClass Plain(string id, double clock, int least, string source) =>
        new(id, OwnInversion.None, PinSwap.Fixed, clock, least, SourceNote.Published(source));

    private static ControllerClass Able(string id, double clock, string source) =>
        new(id, OwnInversion.EachPin, PinSwap.Swappable, clock, 8, SourceNote.Published(source));
}
