using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Protocols;
using Gorvix.Core.Plans.Routing;
using Gorvix.Core.Wired.Settings;
using Gorvix.Core.Wired.Wiring;

namespace Gorvix.Core.Work.FaultModel;

/// <summary>What the board is set to otherwise than wanted: a port, the whole page of ports, another setting.</summary>
internal static class SettingFaults
{
    public static readonly IReadOnlyList<FaultKindInfo> Kinds =
    [
        new(FaultKind.Port, "port function missing or set wrong", 2.5),
        new(FaultKind.Page, "port settings cleared", 2),
        new(FaultKind.Setting, "other board setting wrong", 1),
    ];

    private const int Slow = 9600;
    private const int Fast = 115_200;

    public static IEnumerable<PlantedFault> Of(FaultGround ground) =>
        [
            .. ground.Wired.Ports.DistinctBy(p => (p.Port.Id, p.Settings)).SelectMany(p => Port(ground, p)),
            .. Page(ground),
            .. Others(ground),
        ];

    private static IEnumerable<PlantedFault> Port(FaultGround ground, PortSet port)
    {
        PlantedFault Set(string id, string words, PortSettings? settings) =>
            new(id, words, new PortSetTo(port.Link, settings))
            {
                Kind = FaultKind.Port,
                Place = new(Setting: $"port.{port.Port.Id}"),
                Cure = g => AsWanted(g, $"port.{port.Port.Id}"),
            };
        yield return Set($"unset.{port.Link}", $"{port.Port.Name} has no function: set but not saved", null);
        // With a receiver, a video control or readings of the motors' drivers the rate goes with the protocol (common practice).
        if (
            port.Settings is
            { Baud: { } baud, Job: not (PortJob.ReceiverInput or PortJob.VideoControl or PortJob.EscTelemetry) }
        )
        {
            // As modules and boards come (common practice): one of the two is a usual mistake for the other.
            var other = baud == Fast ? Slow : Fast;
            yield return Set(
                $"rate.{port.Link}",
                $"{port.Port.Name} is set to {Phrase.Baud(other)}; the device uses {Phrase.Baud(baud)}",
                port.Settings with
                {
                    Baud = other,
                }
            );
        }
        // A controller without inverters has no such setting.
        if (port.Port.Kind == PortKind.Uart && ground.Wired.Build.Controller.Inversion == OwnInversion.EachPin)
        {
            yield return Set(
                $"inverted.{port.Link}",
                $"{port.Port.Name} is set to the wrong polarity",
                port.Settings with
                {
                    InvertRx = !port.Settings.InvertRx,
                    InvertTx = !port.Settings.InvertTx,
                }
            );
        }
    }

    private static IEnumerable<PlantedFault> Page(FaultGround ground)
    {
        if (ground.Wired.Ports.Count > 1)
        {
            yield return new PlantedFault(
                "page",
                "two functions on one port: the board cleared its port settings",
                new PageEmptied()
            )
            {
                Kind = FaultKind.Page,
                Place = new(Setting: $"port.{ground.Wired.Ports[0].Port.Id}"),
                Cure = g => new Cure(
                    CureAt.Settings,
                    [
                        "Set each port's one function again, never two on a port:",
                        .. g.Settings.Where(s => s.Place == SettingPlace.Port).Select(s => $"{s.Words}."),
                        Cure.Save,
                    ]
                ),
            };
        }
    }

    private static IEnumerable<PlantedFault> Others(FaultGround ground) =>
        from setting in ground.Settings
        where setting is { Place: SettingPlace.Board, Value.Length: > 0 }
        select new PlantedFault(
            $"setting.{setting.Key}",
            $"not as planned: {setting.Words}",
            new SettingOff(setting.Key)
        )
        {
            Kind = FaultKind.Setting,
            Place = new(Setting: setting.Key),
            Cure = g => AsWanted(g, setting.Key),
        };

    private static Cure AsWanted(CureGround ground, string key) =>
        new(
            CureAt.Settings,
            [.. ground.Settings.Where(s => s.Key == key).Select(s => $"{s.Words}. {s.Why}"), Cure.Save]
        );
}
