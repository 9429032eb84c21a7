namespace Gorvix.Core.Plans.Builds;

/// <summary>What holds for a build as a whole: firmware, what feeds it, and the house rules.</summary>
public sealed record Setup
{
    /// <summary>Id of the firmware profile, or null to allow every port function.</summary>
    public string? Firmware { get; init; }

    /// <summary>The battery, or null while it is not chosen.</summary>
    public Pack? Pack { get; init; }

    /// <summary>What feeds the board's supply input in place of the pack, in volts, or null.</summary>
    public double? InputVolts { get; init; }

    /// <summary>The radio's side of the control link, or null while it is not known.</summary>
    public RadioSide? Radio { get; init; }

    /// <summary>Bench equipment that powers the build.</summary>
    public PowerSide Power { get; init; } = PowerSide.Usual;

    /// <summary>Settings that the plan alone does not decide.</summary>
    public BuildSettings Settings { get; init; } = BuildSettings.None;

    /// <summary>House rules: the builder's choice where builders disagree.</summary>
    public HouseRules House { get; init; } = HouseRules.Default;

    /// <summary>The set-up of a build.</summary>
    public static Setup Of(Build build) =>
        new()
        {
            Firmware = build.Firmware,
            Pack = build.Pack,
            InputVolts = build.InputVolts,
            Radio = build.Radio,
            Power = build.Power,
            Settings = build.Settings,
            House = build.House,
        };

    /// <summary>The build with this set-up. The same build comes back when nothing changes.</summary>
    public Build ApplyTo(Build build) =>
        Of(build) == this
            ? build
            : build with
            {
                Firmware = Firmware,
                Pack = Pack,
                InputVolts = InputVolts,
                Radio = Radio,
                Power = Power,
                Settings = Settings,
                House = House,
            };
}
