using Gorvix.Storage;
using Gorvix.Web.Hosting;
using Microsoft.AspNetCore.Builder;

namespace Gorvix.Web.Tests;

/// <summary>Gorvix in this process, as the tests of the API and of the screens start it.</summary>
internal static class Served
{
    private static readonly Lazy<Task<string>> Demo = new(MakeDemo);

    /// <summary>The folder of the demo's files.</summary>
    public static string DemoFiles { get; } = Path.Combine(AppContext.BaseDirectory, "demo");

    /// <summary>The folder of the project, in which its tests run.</summary>
    public static string Project { get; } = FolderAbove(AppContext.BaseDirectory);

    /// <summary>The folder of the built client.</summary>
    public static string ClientFiles { get; } = Path.Combine(Project, "artifacts", "client");

    private static string FolderAbove(string folder)
    {
        while (!File.Exists(Path.Combine(folder, "Gorvix.slnx")))
        {
            folder = Path.GetDirectoryName(folder)!;
        }
        return folder;
    }

    /// <summary>A new folder below the system's own for such.</summary>
    public static string NewFolder() => Directory.CreateTempSubdirectory("gorvix-").FullName;

    /// <summary>A new data folder with the demo in it: made once, and copied after.</summary>
    public static async Task<string> DemoData()
    {
        var (made, folder) = (new DataFolder(await Demo.Value), new DataFolder(NewFolder()));
        File.Copy(made.File, folder.File);
        return folder.Path;
    }

    /// <summary>Opens the data and serves.</summary>
    public static async Task<WebApplication> Start(StartOptions options)
    {
        var app = GorvixApp.Create(options);
        await GorvixApp.OpenData(app, options);
        await app.StartAsync();
        return app;
    }

    private static async Task<string> MakeDemo()
    {
        var options = new StartOptions(0, NewFolder(), DemoFiles, NewFolder());
        await using (var app = GorvixApp.Create(options))
        {
            await GorvixApp.OpenData(app, options);
        }
        options.Folder.LetGo();
        return options.Data;
    }
}
