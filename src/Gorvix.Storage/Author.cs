namespace Gorvix.Storage;

/// <summary>Who writes, as typed: a name in the log and no account. Empty where nobody said.</summary>
public sealed class Author
{
    /// <summary>The longest name.</summary>
    public const int MostName = 60;

    /// <summary>The name.</summary>
    public string Name
    {
        get;
        set
        {
            var printed = string.Concat(value.Where(c => !char.IsControl(c))).Trim();
            field = printed.Length > MostName ? printed[..MostName] : printed;
        }
    } = "";
}
