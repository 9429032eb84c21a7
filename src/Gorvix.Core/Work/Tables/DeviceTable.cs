using System.Globalization;
using Gorvix.Core.Files.Describing;
using Gorvix.Core.Hardware.Parts;

namespace Gorvix.Core.Work.Tables;

/// <summary>
/// Devices as a list, a row a lead. What a row cannot say (bauds, losses, harnesses, what rides along, memory, lights) is as the library's
/// device of this id has it, and unknown for a new one.
/// </summary>
public static class DeviceTable
{
    internal static readonly string[] Columns =
    [
        "device",
        "maker",
        "name",
        "kind",
        "lead",
        "label",
        "role",
        "colour",
        "plug",
        "pin",
        "min v",
        "max v",
        "typical a",
        "peak a",
        "gives v",
        "up to a",
        "does",
    ];

    /// <summary>The list of devices.</summary>
    /// <param name="devices">The devices.</param>
    public static string Write(IReadOnlyList<Device> devices) => Sheet.Write(Columns, devices.SelectMany(Rows));

    /// <summary>The devices of a list.</summary>
    /// <param name="text">The list.</param>
    /// <param name="find">The library's device of an id; null where there is none.</param>
    /// <exception cref="TableException">It cannot be read.</exception>
    internal static IReadOnlyList<Device> Read(string text, Func<string, Device?> find)
    {
        var sheet = Sheet.Read(text, Columns, ["device", "label", "role"]);
        return
        [
            .. sheet.Rows.GroupBy(r => r.Needed("device")).Select(rows => Read(rows.Key, [.. rows], find(rows.Key))),
        ];
    }

    private static IEnumerable<string?[]> Rows(Device device) =>
        from lead in device.Leads
        let supply = device.Supplies.FirstOrDefault(s => s.Lead == lead.Id)
        let output = device.Outputs.FirstOrDefault(o => o.Lead == lead.Id)
        let pin = device.Plug?.Pins.TakeWhile(p => p.Lead != lead.Id).Count() + 1
        select new[]
        {
            device.Id,
            device.Maker,
            device.Name,
            SheetRow.WordOf(device.Kind),
            lead.Id,
            lead.Label,
            SheetRow.WordOf(lead.Role),
            lead.Colour,
            device.Plug?.Family,
            pin <= device.Plug?.Pins.Count ? pin?.ToString(CultureInfo.InvariantCulture) : null,
            Number(supply?.Window.Min),
            Number(supply?.Window.Max),
            Number(supply?.Typical),
            Number(supply?.Peak),
            Number(output?.Volts),
            Number(output?.Limit),
            LineWords.Write(device, lead.Id),
        };

    private static Device Read(string id, IReadOnlyList<SheetRow> rows, Device? there)
    {
        if (rows.Count > PartCheck.MostLeads)
        {
            throw rows[0].Wrong(Sentences.TheDeviceHasLeads(rows.Count), Sentences.TheLimitIs(PartCheck.MostLeads));
        }
        var head = rows[0];
        var leads = new List<Lead>();
        foreach (var row in rows)
        {
            leads.Add(LeadOf(row, there, leads));
        }
        var told = rows.Zip(leads).ToList();
        return new Device
        {
            Id = id,
            Maker = head["maker"] ?? there?.Maker ?? throw Missing(head, "maker"),
            Name = head["name"] ?? there?.Name ?? throw Missing(head, "name"),
            Kind = head.Word<DeviceKind>("kind") ?? there?.Kind ?? throw Missing(head, "kind"),
            Leads = leads,
            Plug = PlugOf(told, there),
            Supplies = InOrder(
                [.. told.Select(t => SupplyOf(t.First, t.Second)).OfType<SupplyInput>()],
                there?.Supplies.Select(s => s.Lead),
                s => s.Lead
            ),
            Outputs = InOrder(
                [.. told.Select(t => OutputOf(t.First, t.Second, there)).OfType<SupplyOutput>()],
                there?.Outputs.Select(o => o.Lead),
                o => o.Lead
            ),
            Pieces = there?.Pieces ?? 1,
            Memory = there?.Memory,
            Signs = there?.Signs ?? [],
            Harnesses = there?.Harnesses ?? [],
            Functions = LineWords.Read(told, there),
        };
    }

    private static TableException Missing(SheetRow row, string column) =>
        row.Wrong(column, Sentences.IsEmptyInTheFirst, Sentences.EnterWhatItSaysOn);

    private static Lead LeadOf(SheetRow row, Device? there, List<Lead> above)
    {
        var label = row.Needed("label");
        var id = row["lead"] ?? Slug.Free(label, s => above.Any(l => l.Id == s));
        if (above.Any(l => l.Id == id))
        {
            throw row.Wrong("lead", Sentences.RepeatsFromARowAbove(id), Sentences.GiveEachLeadAUnique);
        }
        var role =
            row.Word<LeadRole>("role") ?? throw row.Wrong("role", Sentences.IsEmpty, Sentences.EnterWhatTheLeadIs);
        var old =
            there?.Leads.FirstOrDefault(l => l.Id == id)
            ?? new Lead
            {
                Id = id,
                Label = label,
                Role = role,
            };
        return old with { Label = label, Role = role, Colour = row["colour"] };
    }

    private static SupplyInput? SupplyOf(SheetRow row, Lead lead) =>
        (row.Amount(Sentences.MinV), row.Amount(Sentences.MaxV)) switch
        {
            ({ } min, { } max) => new SupplyInput
            {
                Lead = lead.Id,
                Window = new VoltWindow { Min = min, Max = max },
                Typical = row.Amount(Sentences.TypicalA),
                Peak = row.Amount(Sentences.PeakA),
            },
            (null, null) when row.Amount(Sentences.TypicalA) is null && row.Amount(Sentences.PeakA) is null => null,
            _ => throw row.Wrong(Sentences.LeadHasAnIncompleteVoltage(lead.Label), Sentences.EnterBothMinVAnd),
        };

    private static SupplyOutput? OutputOf(SheetRow row, Lead lead, Device? there) =>
        lead.Role == LeadRole.Output
        || row.Amount(Sentences.GivesV) is not null
        || row.Amount(Sentences.UpToA) is not null
            ? (there?.Outputs.FirstOrDefault(o => o.Lead == lead.Id) ?? new SupplyOutput { Lead = lead.Id }) with
            {
                Volts = row.Amount(Sentences.GivesV),
                Limit = row.Amount(Sentences.UpToA),
            }
            : null;

    private static DevicePlug? PlugOf(IReadOnlyList<(SheetRow Row, Lead Lead)> told, Device? there)
    {
        var family = told.Select(t => t.Row["plug"]).FirstOrDefault(f => f is not null);
        if (family is null)
        {
            return null;
        }
        var cells = new Dictionary<int, string>();
        foreach (var (row, lead) in told)
        {
            if (row.Count("pin", PartCheck.MostPins) is { } pin && !cells.TryAdd(pin, lead.Id))
            {
                throw row.Wrong("pin", Sentences.SaysButLeadIsAlready(pin, cells[pin]), Sentences.OneLeadPerPin);
            }
        }
        var count = Math.Max(
            cells.Keys.DefaultIfEmpty(1).Max(),
            family == there?.Plug?.Family ? there.Plug.Pins.Count : PlugFamily.PinsOf(family) ?? 1
        );
        return new DevicePlug
        {
            Family = family,
            Pins = [.. Enumerable.Range(1, count).Select(n => new DevicePin { Lead = cells.GetValueOrDefault(n) })],
        };
    }

    // What the library has in another order than the leads stays in its order.
    private static IReadOnlyList<T> InOrder<T>(List<T> items, IEnumerable<string>? order, Func<T, string> lead)
    {
        var there = order?.ToList() ?? [];
        return [.. items.OrderBy(i => there.IndexOf(lead(i)) is >= 0 and var at ? at : int.MaxValue)];
    }

    private static string? Number(double? value) => value?.ToString("0.######", CultureInfo.InvariantCulture);
}
