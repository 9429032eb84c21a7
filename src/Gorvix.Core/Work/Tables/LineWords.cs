using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Protocols;

namespace Gorvix.Core.Work.Tables;

/// <summary>
/// What a lead does, in a cell: <c>control/crsf CRSF out; control/sbus SBUS out inverted</c>. Function and mode by their ids, then
/// protocol, who talks (out, in, both) and the polarity where it is not the protocol's usual one.
/// </summary>
internal static class LineWords
{
    private sealed record Told(SheetRow Row, string Function, string Mode, string Protocol, ModeLine Line);

    /// <summary>The cell of a lead.</summary>
    public static string Write(Device device, string lead) =>
        string.Join(
            "; ",
            from function in device.Functions
            from mode in function.Modes
            from line in mode.Lines
            where line.Lead == lead
            select $"{function.Id}/{mode.Id} {mode.Protocol} {SheetRow.WordOf(line.Flow)}"
                + (line.Polarity is { } polarity ? $" {SheetRow.WordOf(polarity)}" : "")
        );

    /// <summary>The functions of a device from the cells of its leads.</summary>
    /// <param name="leads">Its leads with their rows.</param>
    /// <param name="there">The library's device of this id; null where there is none.</param>
    /// <exception cref="TableException">A cell cannot be read.</exception>
    public static IReadOnlyList<DeviceFunction> Read(IReadOnlyList<(SheetRow Row, Lead Lead)> leads, Device? there)
    {
        var told = leads.SelectMany(l => Lines(l.Row, l.Lead)).ToList();
        var names = (there?.Functions.Select(f => f.Id) ?? []).Union(told.Select(t => t.Function));
        var functions = names
            .Select(id =>
                FunctionOf(id, [.. told.Where(t => t.Function == id)], there?.Functions.FirstOrDefault(f => f.Id == id))
            )
            .ToList();
        // A function without a mode of its own is still there where it rides inside another one.
        var carried = functions.SelectMany(f => f.Modes).SelectMany(m => m.Carries).Select(c => c.Function).ToHashSet();
        return [.. functions.Where(f => f.Modes.Count > 0 || carried.Contains(f.Id))];
    }

    private static DeviceFunction FunctionOf(string id, IReadOnlyList<Told> told, DeviceFunction? there)
    {
        var need =
            there?.Need
            ?? Enum.GetValues<Need>()
                .Cast<Need?>()
                .FirstOrDefault(n => SheetRow.WordOf(n!.Value) == OldWords.Now<Need>(id))
            ?? throw told[0]
                .Row.Wrong(
                    "does",
                    $"names an unknown function \"{id}\"",
                    $"Functions of a new device: {string.Join(", ", Enum.GetValues<Need>().Select(SheetRow.WordOf))}."
                );
        if (told.Select(t => t.Mode).Distinct().Count() > PartCheck.MostModes)
        {
            throw told[^1]
                .Row.Wrong(
                    "does",
                    $"lists more than {PartCheck.MostModes} modes for \"{id}\"",
                    "Remove the unused ones."
                );
        }
        var modes = (there?.Modes.Select(m => m.Id) ?? [])
            .Union(told.Select(t => t.Mode))
            .Select(mode =>
                ModeOf(mode, [.. told.Where(t => t.Mode == mode)], there?.Modes.FirstOrDefault(m => m.Id == mode))
            )
            .OfType<Mode>();
        return new DeviceFunction
        {
            Id = id,
            Need = need,
            Modes = [.. modes],
        };
    }

    private static Mode? ModeOf(string id, IReadOnlyList<Told> told, Mode? there)
    {
        if (told.Count == 0)
        {
            return there is { Lines.Count: 0 } ? there : null;
        }
        if (told.FirstOrDefault(t => t.Protocol != told[0].Protocol) is { } other)
        {
            throw other.Row.Wrong(
                "does",
                $"sets mode \"{id}\" to protocol {other.Protocol}, but a row above says {told[0].Protocol}",
                "A mode has one protocol; give the second one its own name."
            );
        }
        var protocol = told[0].Protocol;
        var lines = told.Select(t => t.Line).ToList();
        var old =
            there
            ?? new Mode
            {
                Id = id,
                Name = protocol,
                Protocol = protocol,
                Lines = [],
            };
        var order = old.Lines.Select(l => l.Lead).ToList();
        return old with
        {
            Protocol = protocol,
            Lines = [.. lines.OrderBy(l => order.IndexOf(l.Lead) is >= 0 and var at ? at : int.MaxValue)],
        };
    }

    private static IEnumerable<Told> Lines(SheetRow row, Lead lead) =>
        (row["does"] ?? "")
            .Split(';', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)
            .Select(text => Line(row, lead, text));

    private static Told Line(SheetRow row, Lead lead, string text)
    {
        var words = text.Split(' ', StringSplitOptions.RemoveEmptyEntries).ToList();
        var polarity = Last<Polarity>(words);
        var flow = Last<Flow>(words);
        var names = words.Count == 0 ? [] : words[0].Split('/');
        var protocol = string.Join(' ', words.Skip(1));
        if (flow is null || names is not [{ Length: > 0 } function, { Length: > 0 } mode] || protocol == "")
        {
            throw row.Wrong(
                "does",
                $"cannot be read at \"{(text.Length > 60 ? text[..60] + "…" : text)}\"",
                "Write it as: control/crsf CRSF out; control/sbus SBUS out inverted."
            );
        }
        return new Told(
            row,
            function,
            mode,
            protocol,
            new ModeLine
            {
                Lead = lead.Id,
                Flow = flow.Value,
                Polarity = polarity,
            }
        );
    }

    // The last word, taken off, where it is one of the list.
    private static T? Last<T>(List<string> words)
        where T : struct, Enum
    {
        if (words.Count == 0)
        {
            return null;
        }
        var found = Enum.GetValues<T>().Cast<T?>().FirstOrDefault(v => SheetRow.WordOf(v!.Value) == words[^1]);
        if (found is not null)
        {
            words.RemoveAt(words.Count - 1);
        }
        return found;
    }
}
