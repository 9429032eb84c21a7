using System.Globalization;
using System.Net;
using Gorvix.Storage;

namespace Gorvix.Web.Hosting;

/// <summary>How the program is started.</summary>
/// <param name="Port">Port on the loopback address; 0 lets the system choose.</param>
/// <param name="Data">Folder of the SQLite file.</param>
/// <param name="Demo">Folder of the demo files that a new database is filled with, or null for an empty one.</param>
/// <param name="Client">Folder of the built client.</param>
internal sealed record StartOptions(int Port, string Data, string? Demo, string Client)
{
    /// <summary>What the data file is called.</summary>
    public string Name { get; init; } = DataFolder.UsualName;

    /// <summary>True for a program that only fills a file: it logs nothing.</summary>
    public bool IsQuiet { get; init; }

    /// <summary>What is done in place of serving.</summary>
    public Care Care { get; init; }

    /// <summary>The file that a back-up goes to or comes from; empty where nothing is backed up.</summary>
    public string BackUp { get; init; } = "";

    /// <summary>The folder of the data, with the file's name.</summary>
    public DataFolder Folder => new(Data, Name);

    /// <summary>This machine's address in the club's network, under which evenings can be played from other machines; null for none.</summary>
    public IPAddress? Club { get; init; }

    public const int UsualPort = 5080;

    /// <summary>Reads the command line.</summary>
    /// <param name="args">The arguments.</param>
    /// <param name="root">Folder that holds <c>demo</c> and <c>artifacts</c>.</param>
    /// <exception cref="StartException">An argument cannot be understood; the message is one line.</exception>
    public static StartOptions Parse(IReadOnlyList<string> args, string root)
    {
        var options = new StartOptions(
            UsualPort,
            Path.Combine(root, "artifacts", "data"),
            Path.Combine(root, "demo"),
            Path.Combine(root, "artifacts", "client")
        );
        for (var i = 0; i < args.Count; i++)
        {
            string Value() =>
                ++i < args.Count ? args[i] : throw new StartException(Sentences.NeedsAValueTryStart(args[i - 1]));

            options = args[i] switch
            {
                "--port" => options with { Port = PortOf(Value()) },
                "--data" => options with { Data = Path.GetFullPath(Value()) },
                "--club" => options with { Club = AddressOf(Value()) },
                "--check" => options with { Care = Care.Check },
                "--back-up" => options with { Care = Care.BackUp, BackUp = Path.GetFullPath(Value()) },
                "--restore" => options with { Care = Care.Restore, BackUp = Path.GetFullPath(Value()) },
                "--empty" => options with { Demo = null },
                var other => throw new StartException(Sentences.IsNotAnOptionTry(other)),
            };
        }
        return options;
    }

    // Every address of the machine at once would open doors that nobody thinks of.
    private static IPAddress AddressOf(string text) =>
        IPAddress.TryParse(text, out var address)
        && !address.Equals(IPAddress.Any)
        && !address.Equals(IPAddress.IPv6Any)
        && !address.Equals(IPAddress.Loopback)
            ? address
            : throw new StartException(Sentences.ClubIsNotAnAddress(text));

    private static int PortOf(string text) =>
        int.TryParse(text, NumberStyles.None, CultureInfo.InvariantCulture, out var port) && port <= 65535
            ? port
            : throw new StartException(Sentences.PortIsNotAValid(text));
}

/// <summary>What is done with the data in place of serving.</summary>
internal enum Care
{
    /// <summary>Nothing: Gorvix serves.</summary>
    None,

    /// <summary>The file is looked through.</summary>
    Check,

    /// <summary>The file is copied.</summary>
    BackUp,

    /// <summary>A copy takes the file's place.</summary>
    Restore,
}

/// <summary>The program cannot start; the message is one line for the person who starts it.</summary>
internal sealed class StartException(string message) : Exception(message);
