using Gorvix.Core.Hardware.Findings;

namespace Gorvix.Core.Hardware.Parts;

/// <summary>Collects the findings of a check, with the place in the file beside each.</summary>
public sealed class CheckList
{
    /// <summary>The longest label or name, in characters.</summary>
    public const int MostText = 120;

    private readonly List<Finding> _findings = [];

    /// <summary>What was found, in the order of the file.</summary>
    public IReadOnlyList<Finding> Findings => _findings;

    /// <summary>Adds a stop finding whose subject is a place.</summary>
    public void Stop(Rule rule, string place, params (string Name, string Value)[] facts) =>
        _findings.Add(rule.Found(Severity.Stop, Subject.Place(place), [("place", place), .. facts]));

    /// <summary>Reports each id that stands twice in a list, and ids that are empty or too long.</summary>
    public void Ids<T>(IReadOnlyList<T> items, string place, Func<T, string> id)
    {
        var seen = new Dictionary<string, int>();
        for (var i = 0; i < items.Count; i++)
        {
            var here = $"{place}[{i}]";
            var name = id(items[i]);
            Text(name, $"{here}.id");
            if (!seen.TryAdd(name, i))
            {
                Stop(PartRules.Twin, here, ("name", name), ("first", $"{place}[{seen[name]}]"));
            }
        }
    }

    /// <summary>Reports a name that is not among the known ones.</summary>
    public void Known(string name, IEnumerable<string> known, string kind, string place)
    {
        var list = known.ToList();
        if (!list.Contains(name))
        {
            var mend =
                list.Count == 0 ? Sentences.ThereIsNothingToChoose : $"Known: {string.Join(", ", list.Take(12))}.";
            if (name == "")
            {
                Stop(PartRules.BadValue, place, ("problem", Sentences.IsMissing), ("mend", mend));
                return;
            }
            Stop(PartRules.UnknownName, place, ("kind", kind), ("name", name), ("mend", mend));
        }
    }

    /// <summary>Reports a text that is empty or longer than a label can be.</summary>
    public void Text(string text, string place)
    {
        if (string.IsNullOrWhiteSpace(text) || text.Length > MostText)
        {
            var problem = text.Length > MostText ? Sentences.IsCharactersLong(text.Length) : Sentences.IsEmpty;
            Stop(PartRules.BadValue, place, ("problem", problem), ("mend", $"Write 1 to {MostText} characters."));
        }
    }

    /// <summary>Reports a text that is longer than it may be.</summary>
    public void Length(string text, int most, string place)
    {
        if (text.Length > most)
        {
            Stop(
                PartRules.BadValue,
                place,
                ("problem", Sentences.IsCharactersLong(text.Length)),
                ("mend", Sentences.TheLimitIs(most))
            );
        }
    }

    /// <summary>Reports a number outside its range; NaN and infinities are outside every range.</summary>
    public void Range(double value, double low, double high, string unit, string place)
    {
        if (!(value >= low && value <= high))
        {
            var of = unit.Length > 0 ? $" {unit}" : "";
            Stop(
                PartRules.BadValue,
                place,
                ("problem", $"is {value}{of}"),
                ("mend", Sentences.ItMustBeTo(low, high, of))
            );
        }
    }

    /// <summary>Reports a range of volts that no part has, or whose lower end is not below its upper one.</summary>
    public void Window(VoltWindow window, string place)
    {
        Range(window.Max, 1, 60, "V", $"{place}.max");
        if (!(window.Min >= 0 && window.Min < window.Max))
        {
            Stop(
                PartRules.BadValue,
                $"{place}.min",
                ("problem", Sentences.IsVButTheMaximum(window.Min, window.Max)),
                ("mend", Sentences.TheMinimumMustBeBelow)
            );
        }
    }

    /// <summary>Reports a list that is longer than any real part has.</summary>
    public void Count(int count, int most, string things, string place)
    {
        if (count > most)
        {
            Stop(PartRules.BadValue, place, ("problem", $"has {count} {things}"), ("mend", Sentences.TheLimitIs(most)));
        }
    }
}
