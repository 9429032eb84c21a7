using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Tests.Wiring;
using Gorvix.Core.Wired.Fit;

namespace Gorvix.Core.Tests;

/// <summary>Sockets, plugs and supplies for tests, put together in a few words.</summary>
internal static class PlugBench
{
    /// <summary>The same board with battery, 5 V and ground rails, and one pad to solder to on each of those that are named.</summary>
    public static Board Powered(this Board board, params string[] pads) =>
        (
            board with
            {
                Rails =
                [
                    new()
                    {
                        Id = "BAT",
                        Label = "BAT",
                        Feed = RailFeed.Battery,
                    },
                    new()
                    {
                        Id = "5V",
                        Label = "5V",
                        Volts = 5,
                        Feed = RailFeed.Regulator,
                        Dropout = 0.5,
                    },
                    new()
                    {
                        Id = "GND",
                        Label = "GND",
                        Feed = RailFeed.Ground,
                    },
                ],
            }
        ).With([.. pads.Select(p => Handmade.Pad(p, On(p)))]);

    /// <summary>The same board with a socket. A pin names a rail, a net or nothing; its pad is called by the socket and a number from 1.</summary>
    public static Board Socket(this Board board, string id, string family, params string?[] pins)
    {
        var pads = pins.Index()
            .Where(p => p.Item is not null)
            .Select(p => Handmade.Pad($"{id}{p.Index + 1}", On(p.Item!)))
            .ToArray();
        return board.With(pads) with
        {
            Plugs =
            [
                .. board.Plugs,
                new()
                {
                    Id = id,
                    Label = id,
                    Family = family,
                    Pins =
                    [
                        .. pins.Index()
                            .Select(p => new BoardPin { Pad = p.Item is null ? null : $"{id}{p.Index + 1}".ToLower() }),
                    ],
                },
            ],
        };
    }

    /// <summary>The same device with a plug. Leads that it lacks are added: V… feeds, G… is ground, the others are signals.</summary>
    public static Device Plugged(this Device device, string family, params string?[] leads) =>
        device.Leads(leads) with
        {
            Plug = new() { Family = family, Pins = [.. leads.Select(l => new DevicePin { Lead = l })] },
        };

    /// <summary>The same device with more leads, by the same rule, and no plug.</summary>
    public static Device Leads(this Device device, params string?[] leads) =>
        device with
        {
            Leads =
            [
                .. device.Leads,
                .. leads
                    .OfType<string>()
                    .Where(l => device.Leads.All(x => x.Id != l))
                    .Select(l => new Lead
                    {
                        Id = l,
                        Label = l,
                        Role =
                            l[0] == 'V' ? LeadRole.Supply
                            : l[0] == 'G' ? LeadRole.Ground
                            : LeadRole.Signal,
                    }),
            ],
        };

    /// <summary>The same device with a lead that talks unasked.</summary>
    public static Device Talking(this Device device, string lead) =>
        device with
        {
            Leads = [.. device.Leads.Select(l => l.Id == lead ? l with { Talks = TalkHabit.Always } : l)],
        };

    /// <summary>The same device with another function of its own.</summary>
    public static Device Also(this Device device, string function, Need need, params Mode[] modes) =>
        device.Leads([.. modes.SelectMany(m => m.Lines).Select(l => l.Lead)]) with
        {
            Functions =
            [
                .. device.Functions,
                new()
                {
                    Id = function,
                    Need = need,
                    Modes = modes,
                },
            ],
        };

    /// <summary>A fit on a pack of four cells (13.2 to 16.8 V). A want is "device", or "device/function"; a mark before it says how dear it is: ! must, ? nice.</summary>
    public static FitReader Fit4S(
        Board board,
        IReadOnlyList<Device> devices,
        IReadOnlyList<string> wants,
        Func<Build, Build>? more = null
    )
    {
        var build = new Build
        {
            Name = "test",
            Board = board.Id,
            Pack = new Pack { Cells = 4 },
            Devices = [.. devices.Select(d => new BuildDevice { Id = d.Id, Part = d.Id })],
            Wants =
            [
                .. wants.Select(w =>
                {
                    var parts = w.TrimStart('!', '?').Split('/');
                    return new Want
                    {
                        Link = w.TrimStart('!', '?'),
                        Device = parts[0],
                        Function = parts.ElementAtOrDefault(1) ?? "f",
                        Priority =
                            w[0] == '!' ? Priority.Required
                            : w[0] == '?' ? Priority.Optional
                            : Priority.Wanted,
                    };
                }),
            ],
        };
        return new FitReader(Resolved(more is null ? build : more(build), new PartsLibrary([board], [.. devices])));
    }

    /// <summary>What has become of a lead: its state, and its pad where it has one.</summary>
    public static string At(this FitReader fit, string device, string lead)
    {
        var wired = fit.Wired.Leads.Single(l => l.Device == device && l.Lead.Id == lead);
        return wired.Pad is null ? $"{wired.State}" : $"{wired.State} {wired.Pad.Label}";
    }

    /// <summary>The rules that speak, without those that every small board brings with it.</summary>
    public static IReadOnlyList<string> Rules(this FitReader fit) => [.. fit.Sheet().Findings.Select(f => f.Rule)];

    /// <summary>The plain walker finds nothing wrong with it.</summary>
    public static FitReader Sound(this FitReader fit)
    {
        Assert.Empty(PlainWalker.Complaints(fit.Wired));
        return fit;
    }

    private static PadPath On(string place) =>
        place is "BAT" or "5V" or "GND" ? new PadPath { Rail = place } : Handmade.Path(place);
}
