namespace Gorvix.Core.Files.Describing;

/// <summary>Ids made from what is printed.</summary>
public static class Slug
{
    // Ids are 120 letters at most; a number may follow.
    private const int Most = 110;

    /// <summary>Small letters and digits, parted by dashes, 110 at most; <c>x</c> where nothing is left.</summary>
    public static string Of(string text)
    {
        var plain = string.Concat(text.ToLowerInvariant().Select(c => char.IsAsciiLetterOrDigit(c) ? c : '-'));
        var slug = string.Join('-', plain.Split('-', StringSplitOptions.RemoveEmptyEntries));
        return slug == "" ? "x"
            : slug.Length <= Most ? slug
            : slug[..Most].TrimEnd('-');
    }

    /// <summary>The slug, or the first of its numbered sisters that is free.</summary>
    public static string Free(string text, Func<string, bool> taken)
    {
        var slug = Of(text);
        if (!taken(slug))
        {
            return slug;
        }
        var number = 2;
        while (taken($"{slug}-{number}"))
        {
            number++;
        }
        return $"{slug}-{number}";
    }

    /// <summary>The id that a board has unless it is given another one: maker, name and revision.</summary>
    public static string OfBoard(string maker, string name, string revision) => Of($"{maker} {name} r{revision}");
}
