using Gorvix.Core.Files.Describing;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Protocols;

namespace Gorvix.Core.Tests.Describing;

/// <summary>A device that is being described: patterns to begin with, what is said beside its fields, what its modes become on pads.</summary>
public class DeviceLookTests
{
    public static TheoryData<string> Patterns => [.. DevicePattern.All.Select(p => p.Id)];

    [Theory]
    [MemberData(nameof(Patterns))]
    public void Each_pattern_contradicts_nothing_but_its_missing_name(string id)
    {
        var pattern = DevicePattern.All.Single(p => p.Id == id);
        var named = pattern.Device with { Id = id, Maker = "Holm", Name = pattern.Name };
        Assert.Empty(PartCheck.Of(named, "device"));
        Assert.Equal(
            ["maker", "name"],
            DeviceLook.Of(pattern.Device).Notes.Where(n => n.Severity == Severity.Stop).Select(n => n.Field)
        );
        Assert.True(DeviceLook.Of(named).Usable);
    }

    [Fact]
    public void There_is_a_pattern_of_every_kind() =>
        Assert.Equal(Enum.GetValues<DeviceKind>(), DevicePattern.All.Select(p => p.Device.Kind).Distinct().Order());

    public static TheoryData<string> Devices => [.. Demo.Library.Devices.Select(d => d.Id)];

    [Theory]
    [MemberData(nameof(Devices))]
    public void A_device_of_the_library_is_usable(string id)
    {
        var device = Demo.Library.Device(id)!;
        var look = DeviceLook.Of(device);
        Assert.True(look.Usable);
        Assert.Equal(device.Functions.Sum(f => f.Modes.Count), look.Modes.Count);
        Assert.DoesNotContain(look.Modes.SelectMany(m => m.OnPads), s => s.Contains("tried"));
    }

    // Polarity at the pad: the inverted protocols need an inverter where the controller has none (reference manuals, USART_CR2).
    [Theory]
    [InlineData(
        "two-way-receiver",
        "crsf",
        "F4: on a non-inverted pad; never behind an inverter.",
        "F7: on any pad, non-inverted or behind an inverter."
    )]
    [InlineData(
        "one-way-receiver",
        "sbus",
        "F4: only behind an inverter.",
        "F7: on any pad, non-inverted or behind an inverter."
    )]
    [InlineData(
        "several-outputs",
        "ibus",
        "F4: on a non-inverted pad; never behind an inverter.",
        "F7: on any pad, non-inverted or behind an inverter."
    )]
    public void A_mode_tells_what_becomes_of_it_on_pads_of_both_sorts_of_controller(
        string pattern,
        string mode,
        string f4,
        string f7
    )
    {
        var device = DevicePattern.All.Single(p => p.Id == pattern).Device with
        {
            Id = "d",
            Maker = "Holm",
            Name = "Reed",
        };
        Assert.Equal([f4, f7], DeviceLook.Of(device).Modes.Single(m => m.Mode == mode).OnPads);
    }

    [Fact]
    public void A_turned_output_is_told_line_by_line_and_takes_the_other_pad()
    {
        var device = DevicePattern.All.Single(p => p.Id == "one-way-receiver").Device with
        {
            Id = "d",
            Maker = "Holm",
            Name = "Reed",
        };
        var mode = device.Functions[0].Modes[0];
        var turned = device with
        {
            Functions =
            [
                device.Functions[0] with
                {
                    Modes = [mode with { Lines = [mode.Lines[0] with { Polarity = Polarity.Normal }] }],
                },
            ],
        };
        var look = Assert.Single(DeviceLook.Of(turned).Modes);
        Assert.Equal([new LineLook("SBUS", Polarity.Normal, Polarity.Inverted)], look.Lines);
        Assert.Equal("F4: on a non-inverted pad; never behind an inverter.", look.OnPads[0]);
    }

    [Fact]
    public void Each_contradiction_stands_at_its_step_and_names_what_the_builder_sees()
    {
        var device = DevicePattern.All.Single(p => p.Id == "gnss").Device with { Maker = "Holm", Name = "Fix" };
        var wrong = device with
        {
            Supplies =
            [
                new SupplyInput
                {
                    Lead = "5v",
                    Window = new VoltWindow { Min = 6, Max = 5 },
                },
            ],
            Functions = [device.Functions[0] with { Modes = [device.Functions[0].Modes[0] with { Lines = [] }] }],
            Leads = [device.Leads[0], device.Leads[1] with { Label = "" }, .. device.Leads.Skip(2)],
        };
        Assert.Equal(
            [
                (DeviceStep.Leads, "Lead number 2 is empty. Write 1 to 120 characters."),
                (
                    DeviceStep.Supply,
                    "The supply on 5v is 6 V, but the maximum is 5 V. The minimum must be below the maximum."
                ),
            ],
            DeviceLook.Of(wrong).Notes.Where(n => n.Severity == Severity.Stop).Take(2).Select(n => (n.Step, n.Sentence))
        );
        Assert.StartsWith(
            "Mode UBX: UBX needs",
            DeviceLook.Of(wrong).Notes.Last(n => n.Severity == Severity.Stop).Sentence
        );
    }

    [Fact]
    public void Volts_that_a_leaflet_does_not_give_are_named_as_unknown()
    {
        var device = DevicePattern.All.Single(p => p.Id == "gnss").Device with { Maker = "Holm", Name = "Fix" };
        Assert.Contains("Supply range of 5V unknown", Assert.Single(DeviceLook.Of(device).Notes).Sentence);
    }
}
