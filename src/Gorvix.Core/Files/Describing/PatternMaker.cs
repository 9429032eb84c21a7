using System.Text.Json;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Protocols;

namespace Gorvix.Core.Files.Describing;

/// <summary>Makes the devices of <see cref="DevicePattern"/> out of a few words each.</summary>
internal static class PatternMaker
{
    /// <summary>A device of a kind.</summary>
    /// <param name="kind">What it is.</param>
    /// <param name="leads">Its leads as "LABEL role colour", with commas.</param>
    /// <param name="functions">What it gives.</param>
    public static Device Device(DeviceKind kind, string leads, params IReadOnlyList<DeviceFunction> functions) =>
        new()
        {
            Id = "",
            Maker = "",
            Name = "",
            Kind = kind,
            Leads = [.. leads.Split(", ").Select(l => l.Split(' ')).Select(l => Lead(l[0], l[1], l[2]))],
            Functions = functions,
        };

    /// <summary>A function of a need, with its modes; its id is the need's.</summary>
    public static DeviceFunction Gives(Need need, params IReadOnlyList<Mode> modes) =>
        new()
        {
            Id = JsonNamingPolicy.CamelCase.ConvertName($"{need}"),
            Need = need,
            Modes = modes,
        };

    /// <summary>A mode of a protocol; its lines as "LABEL flow", with commas.</summary>
    public static Mode Mode(
        string protocol,
        string lines,
        string? id = null,
        string? name = null,
        params IReadOnlyList<string> loses
    ) =>
        new()
        {
            Id = id ?? Slug.Of(protocol),
            Name = name ?? ProtocolCatalogue.NameOf(protocol),
            Protocol = protocol,
            Lines =
            [
                .. lines
                    .Split(", ")
                    .Select(l => l.Split(' '))
                    .Select(l => new ModeLine
                    {
                        Lead = Slug.Of(l[0]),
                        Flow = Enum.Parse<Flow>(l[1], ignoreCase: true),
                    }),
            ],
            Loses = loses,
        };

    /// <summary>The device with a plug; its leads from the marked end on.</summary>
    public static Device Plugged(Device device, string pitch, string leads)
    {
        var pins = leads.Split(' ');
        return device with
        {
            Plug = new DevicePlug
            {
                Family = $"{pitch}, {pins.Length} pins",
                Pins = [.. pins.Select(p => new DevicePin { Lead = p })],
            },
        };
    }

    /// <summary>The device with a lead that talks unasked.</summary>
    public static Device Talking(Device device, string lead) =>
        device with
        {
            Leads = [.. device.Leads.Select(l => l.Id == lead ? l with { Talks = TalkHabit.Always } : l)],
        };

    /// <summary>The device with a supply that it offers; null volts for what feeds it.</summary>
    public static Device Offering(Device device, string lead, double? volts) =>
        device with
        {
            Outputs = [new SupplyOutput { Lead = lead, Volts = volts }],
        };

    private static Lead Lead(string label, string role, string colour) =>
        new()
        {
            Id = Slug.Of(label),
            Label = label,
            Role = Enum.Parse<LeadRole>(role, ignoreCase: true),
            Colour = colour,
        };
}
