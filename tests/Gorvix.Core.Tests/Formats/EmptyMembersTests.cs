using System.Text.Json;
using Gorvix.Core.Files.Formats;
using Gorvix.Core.Plans.Builds;

namespace Gorvix.Core.Tests.Formats;

/// <summary>What is empty is not written: a file says what somebody has said.</summary>
public class EmptyMembersTests
{
    [Fact]
    public void A_fact_without_words_is_written_without_them_and_read_back_the_same()
    {
        BuiltFact fact = new BridgeFact
        {
            Board = "board",
            Bridge = "J1",
            Position = "5V",
        };
        var text = JsonSerializer.Serialize(fact, GorvixJson.Compact);
        Assert.DoesNotContain("words", text, StringComparison.Ordinal);
        Assert.Equal(fact, JsonSerializer.Deserialize<BuiltFact>(text, GorvixJson.Compact));
        var told = JsonSerializer.Serialize(fact with { Words = "J1 to 5V" }, GorvixJson.Compact);
        Assert.Contains("\"words\":\"J1 to 5V\"", told, StringComparison.Ordinal);
    }
}
