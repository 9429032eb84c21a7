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
        set => field = value.Length > MostName ? value[..MostName] : value;
    } = "";
}
