using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Wired.Wiring;

namespace Gorvix.Core.Work.FaultModel;

/// <summary>A soldered wire on another pad than its own: the one beside it, or one of another port.</summary>
internal static class PlacementFaults
{
    public static readonly IReadOnlyList<FaultKindInfo> Kinds =
    [
        new(FaultKind.Beside, "wire on the adjacent pad", 0.7),
        new(FaultKind.OtherPort, "wire on another port's pad", 0.4),
    ];

    public static IEnumerable<PlantedFault> Beside(FaultGround ground) =>
        from lead in ground.Used
        where lead.State == LeadState.Soldered
        from pad in ground.Near.Of(lead.Pad!)
        select ground.Moved(lead, pad.Pad, "beside", FaultKind.Beside);

    /// <summary>A signal on a pad of another port, or of its own behind another inverter: the right kind of label, the wrong number.</summary>
    public static IEnumerable<PlantedFault> Elsewhere(FaultGround ground) =>
        from lead in ground.Used
        where lead is { State: LeadState.Soldered, Lead.Role: LeadRole.Signal }
        let own = NetsOf(ground.Wired, lead.Pad!)
        where own.Count > 0
        let near = ground.Near.Of(lead.Pad!).Select(n => n.Pad.Id).ToHashSet()
        from pad in ground.Wired.Build.Board.Pads
        where
            pad.Id != lead.Pad!.Id && !near.Contains(pad.Id) && !ground.Wired.Build.Circuit.SocketOf.ContainsKey(pad.Id)
        let nets = NetsOf(ground.Wired, pad)
        where nets.Any(n => own.Any(o => o.IsRx == n.IsRx))
        select ground.Moved(lead, pad, "other", FaultKind.OtherPort);

    // The nets of serial ports that a pad leads to, and on which half of the port each is.
    private static List<(string Net, bool IsRx)> NetsOf(WiredBuild wired, Pad pad) =>
        [
            .. from strand in wired.Build.Circuit.From(pad)
            where strand.To.Kind == NodeKind.Net
            from port in wired.Build.Board.Ports
            where port.Kind == PortKind.Uart
            from pins in port.PinChoices
            where strand.To.Id == pins.Rx || strand.To.Id == pins.Tx
            select (strand.To.Id, strand.To.Id == pins.Rx),
        ];
}
