using Gorvix.Core.Parts;

namespace Gorvix.Core.Tests.Parts;

/// <summary>What the classes can do, against the register descriptions in the controllers' reference manuals.</summary>
public class ControllerClassTests
{
    [Theory]
    // F1: RM0008, USART_CR2 holds LINEN, STOP, CLKEN, CPOL, CPHA, LBCL, LBDIE, LBDL, ADD only.
    [InlineData("F1", OwnInversion.None, PinSwap.Fixed, "RM0008")]
    // F3: RM0316, USART_CR2: SWAP bit 15, RXINV bit 16, TXINV bit 17.
    [InlineData("F3", OwnInversion.EachPin, PinSwap.Swappable, "RM0316")]
    // F4: RM0090, USART_CR2: the same fields as F1, no inversion, no swap.
    [InlineData("F4", OwnInversion.None, PinSwap.Fixed, "RM0090")]
    // F7: RM0410, USART_CR2: SWAP bit 15, RXINV bit 16, TXINV bit 17.
    [InlineData("F7", OwnInversion.EachPin, PinSwap.Swappable, "RM0410")]
    // G4: RM0440, USART_CR2: SWAP bit 15, RXINV bit 16, TXINV bit 17.
    [InlineData("G4", OwnInversion.EachPin, PinSwap.Swappable, "RM0440")]
    // H7: RM0433, USART_CR2: SWAP bit 15, RXINV bit 16, TXINV bit 17.
    [InlineData("H7", OwnInversion.EachPin, PinSwap.Swappable, "RM0433")]
    public void A_class_inverts_and_swaps_as_its_manual_says(
        string id,
        OwnInversion inversion,
        PinSwap swap,
        string manual
    )
    {
        var found = ControllerClass.Find(id)!;
        Assert.Equal((inversion, swap), (found.Inversion, found.Swap));
        Assert.Contains(manual, found.Source.ToString());
    }

    [Fact]
    public void A_class_that_does_not_exist_is_not_found() => Assert.Null(ControllerClass.Find("F9"));
}
