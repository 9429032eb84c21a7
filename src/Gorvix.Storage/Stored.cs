using System.Text.Json;

namespace Gorvix.Storage;

/// <summary>Reads what is stored of builds, so that damage is told as such and stays where it is.</summary>
internal static class Stored
{
    /// <summary>Reads something.</summary>
    /// <param name="what">What it is, as a sentence begins: "The log of build \"x\"".</param>
    /// <param name="read">Reads it.</param>
    /// <exception cref="UnreadableException">What is stored is not what is stored there.</exception>
    public static async Task<T> Read<T>(string what, Func<Task<T>> read)
    {
        try
        {
            return await read();
        }
        catch (Exception problem) when (IsDamage(problem))
        {
            throw new UnreadableException(what, problem);
        }
    }

    /// <summary>What is read of several builds at once; where one of them is damaged, each by itself.</summary>
    /// <param name="builds">Ids of the builds.</param>
    /// <param name="read">Reads it of some of them.</param>
    /// <param name="broken">What stands for a build that cannot be read.</param>
    public static async Task<IReadOnlyList<T>> Each<T>(
        IReadOnlyList<string> builds,
        Func<IReadOnlyList<string>, Task<IReadOnlyList<T>>> read,
        Func<string, UnreadableException, IReadOnlyList<T>> broken
    )
    {
        try
        {
            return await read(builds);
        }
        catch (UnreadableException problem)
        {
            if (builds is [var only])
            {
                return broken(only, problem);
            }
        }
        var list = new List<T>();
        foreach (var build in builds)
        {
            list.AddRange(await Each([build], read, broken));
        }
        return list;
    }

    // What the database's driver, its mapper and the reader of documents throw at a value of another kind. The mapper throws an invalid operation
    // at a question that it cannot put as well: no test of a sound build would pass then.
    private static bool IsDamage(Exception problem) =>
        problem
            is JsonException
                or FormatException
                or InvalidCastException
                or InvalidOperationException
                or OverflowException
                or ArgumentException;
}
