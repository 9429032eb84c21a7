using Gorvix.Core.Hardware.Parts;
using static Gorvix.Core.Tests.Handmade;

namespace Gorvix.Core.Tests.Parts;

/// <summary>What the classes can do, against the register descriptions in the controllers' reference manuals.</summary>
public class ControllerClassTests
{
    [Theory]
    // F1: RM0008, USART_CR2 holds LINEN, STOP, CLKEN, CPOL, CPHA, LBCL, LBDIE, LBDL, ADD only.
    [InlineData("F1", false, false, "RM0008")]
    // F3: RM0316, USART_CR2: SWAP bit 15, RXINV bit 16, TXINV bit 17.
    [InlineData("F3", true, true, "RM0316")]
    // F4: RM0090, USART_CR2: the same fields as F1, no inversion, no swap.
    [InlineData("F4", false, false, "RM0090")]
    // F7: RM0410, USART_CR2: SWAP bit 15, RXINV bit 16, TXINV bit 17.
    [InlineData("F7", true, true, "RM0410")]
    // G4: RM0440, USART_CR2: SWAP bit 15, RXINV bit 16, TXINV bit 17.
    [InlineData("G4", true, true, "RM0440")]
    // H7: RM0433, USART_CR2: SWAP bit 15, RXINV bit 16, TXINV bit 17.
    [InlineData("H7", true, true, "RM0433")]
    public void A_class_takes_an_inverted_line_on_a_plain_pad_and_a_talker_on_its_TX_pin_as_its_manual_says(
        string id,
        bool inverts,
        bool swaps,
        string manual
    )
    {
        Assert.Equal(inverts ? null : "POL", Ways(Whole(id, "U1"), Mode("SBUS", Out())).CodeAt("U1"));
        var txOnly = Board(id, Port("U1")).With(Pad("T1", "U1.tx"));
        Assert.Equal(swaps ? null : "NO-RX", Ways(txOnly, Mode("IBUS", Out())).CodeAt("U1"));
        Assert.Contains(manual, ControllerClass.Find(id)!.Source.ToString());
    }

    [Fact]
    public void A_class_that_does_not_exist_is_not_found() => Assert.Null(ControllerClass.Find("F9"));
}
