using System.Text.Json;

namespace Gorvix.Core.Hardware.Parts;

/// <summary>Finds where what a device says besides its leads and modes contradicts itself: outputs, harnesses, pieces, riders.</summary>
internal static class DeviceCheck
{
    /// <summary>Checks these members of a device.</summary>
    public static void Of(Device device, string place, CheckList list)
    {
        list.Range(device.Pieces, 1, PartCheck.MostPieces, "units", $"{place}.units");
        Outputs(device, place, list);
        Harnesses(device, place, list);
        list.Ids(
            [.. device.Signs.Select(s => JsonNamingPolicy.CamelCase.ConvertName($"{s.State}"))],
            $"{place}.signs",
            s => s
        );
        foreach (var (i, sign) in device.Signs.Index())
        {
            list.Text(sign.Seen, $"{place}.signs[{i}].seen");
        }
        foreach (
            var (i, lead) in device.Leads.Index().Where(l => l.Item.Wires == PieceWires.Each && device.Pieces == 1)
        )
        {
            list.Stop(
                PartRules.BadValue,
                $"{place}.leads[{i}].wires",
                ("problem", Sentences.SaysHasOneWirePer(lead.Label)),
                ("mend", Sentences.SetUnitsToTheNumber)
            );
        }
        foreach (var (f, function) in device.Functions.Index())
        {
            foreach (var (m, mode) in function.Modes.Index())
            {
                Riders(device, function, mode, $"{place}.functions[{f}].modes[{m}].carries", list);
            }
        }
    }

    /// <summary>Checks a plug against the leads that can be in it.</summary>
    public static void Plug(DevicePlug plug, IReadOnlyList<string> leads, string place, CheckList list)
    {
        list.Text(plug.Family, $"{place}.family");
        var pins = plug.Pins.Select(p => p.Lead).OfType<string>().ToList();
        foreach (var lead in pins)
        {
            list.Known(lead, leads, "lead", $"{place}.pins");
        }
        list.Ids(pins, $"{place}.pins", l => l);
    }

    private static void Outputs(Device device, string place, CheckList list)
    {
        var leads = device.Leads.Where(l => l.Role == LeadRole.Output).Select(l => l.Id).ToList();
        list.Ids(device.Outputs, $"{place}.outputs", o => o.Lead);
        foreach (var (i, output) in device.Outputs.Index())
        {
            list.Known(output.Lead, leads, Sentences.OutputLead, $"{place}.outputs[{i}].lead");
            list.Range(output.Volts ?? 5, 0.5, 60, "V", $"{place}.outputs[{i}].volts");
            list.Range(output.Limit ?? 1, 0.001, PartCheck.MostAmperes, "A", $"{place}.outputs[{i}].limit");
            list.Range(output.Dropout ?? 0, 0, 20, "V", $"{place}.outputs[{i}].dropout");
            list.Range(
                output.Efficiency ?? 1,
                0.3,
                1,
                Sentences.FractionOfInputPower,
                $"{place}.outputs[{i}].efficiency"
            );
            list.Range(output.Quiescent ?? 0, 0, 1, "A", $"{place}.outputs[{i}].quiescent");
        }
    }

    private static void Harnesses(Device device, string place, CheckList list)
    {
        list.Ids(device.Harnesses, $"{place}.harnesses", h => h.Id);
        if (device.Harnesses.Count > 0 && device.Plug is not null)
        {
            list.Stop(
                PartRules.BadValue,
                $"{place}.plug",
                ("problem", Sentences.IsSetAlongsideHarnesses),
                ("mend", Sentences.MoveThePlugIntoOne)
            );
        }
        foreach (var (i, harness) in device.Harnesses.Index())
        {
            var here = $"{place}.harnesses[{i}]";
            list.Text(harness.Name, $"{here}.name");
            list.Ids(harness.Leads, $"{here}.leads", l => l);
            foreach (var (n, lead) in harness.Leads.Index())
            {
                list.Known(lead, device.Leads.Select(l => l.Id), "lead", $"{here}.leads[{n}]");
            }
            if (harness.Plug is { } plug)
            {
                Plug(plug, harness.Leads, $"{here}.plug", list);
            }
            foreach (var supply in device.Supplies.Where(s => !harness.Leads.Contains(s.Lead)))
            {
                list.Stop(
                    PartRules.BadValue,
                    $"{here}.leads",
                    ("problem", Sentences.LackWhichPowersTheDevice(supply.Lead)),
                    ("mend", Sentences.EveryHarnessNeedsTheSupply)
                );
            }
        }
        foreach (
            var (i, lead) in device
                .Leads.Index()
                .Where(l => device.Harnesses.Count > 0 && !device.Harnesses.Any(h => h.Leads.Contains(l.Item.Id)))
        )
        {
            list.Stop(
                PartRules.BadValue,
                $"{place}.leads[{i}]",
                ("problem", Sentences.IsNotInAnyHarness(lead.Label)),
                ("mend", Sentences.AddItToItsHarness)
            );
        }
    }

    private static void Riders(Device device, DeviceFunction function, Mode mode, string place, CheckList list)
    {
        list.Ids(mode.Carries, place, r => r.Function);
        foreach (var (i, rider) in mode.Carries.Index())
        {
            list.Known(
                rider.Function,
                device.Functions.Where(f => f != function).Select(f => f.Id),
                Sentences.OtherFunctionOfTheDevice,
                $"{place}[{i}].function"
            );
            foreach (var (n, loss) in rider.Loses.Index())
            {
                list.Text(loss, $"{place}[{i}].loses[{n}]");
            }
        }
        // What rides goes both ways or comes back from the board: a link that only listens to the device cannot bring it.
        if (mode.Carries.Count > 0 && mode.Lines.All(l => l.Flow == Flow.Out))
        {
            list.Stop(
                PartRules.BadValue,
                place,
                ("problem", Sentences.ListsAnInBandFunction),
                ("mend", Sentences.RemoveItOrAddThe)
            );
        }
    }
}
