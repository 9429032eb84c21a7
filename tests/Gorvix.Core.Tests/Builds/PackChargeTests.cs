using Gorvix.Core.Plans.Builds;

namespace Gorvix.Core.Tests.Builds;

/// <summary>What the volts of a resting cell say (common practice; the curves are from memory).</summary>
public class PackChargeTests
{
    [Theory]
    [InlineData(Chemistry.Lithium, 4.20, 100, PackStage.Full)]
    [InlineData(Chemistry.Lithium, 4.16, 96, PackStage.Flies)]
    [InlineData(Chemistry.Lithium, 3.84, 50, PackStage.Flies)]
    [InlineData(Chemistry.Lithium, 3.50, 3, PackStage.Flies)]
    [InlineData(Chemistry.Lithium, 3.49, 3, PackStage.Empty)]
    [InlineData(Chemistry.Lithium, 3.29, 0, PackStage.Deep)]
    [InlineData(Chemistry.Lithium, 2.99, 0, PackStage.Damaged)]
    [InlineData(Chemistry.Lithium, 4.23, 100, PackStage.Overcharged)]
    [InlineData(Chemistry.HighVoltage, 4.35, 100, PackStage.Full)]
    [InlineData(Chemistry.HighVoltage, 4.18, 80, PackStage.Flies)]
    [InlineData(Chemistry.HighVoltage, 3.93, 50, PackStage.Flies)]
    public void Volts_at_rest_tell_the_charge(Chemistry chemistry, double cell, int percent, PackStage stage)
    {
        var says = PackCharge.Of(chemistry, cell);
        Assert.Equal((stage, percent), (says.Stage, says.Percent));
        Assert.NotEqual("", says.Words);
    }

    [Theory]
    [InlineData(Chemistry.Lithium)]
    [InlineData(Chemistry.HighVoltage)]
    public void More_volts_never_mean_less_charge(Chemistry chemistry)
    {
        var percents = Enumerable.Range(250, 200).Select(v => PackCharge.Of(chemistry, v / 100.0).Percent).ToList();
        Assert.Equal(percents.Order(), percents);
    }
}
