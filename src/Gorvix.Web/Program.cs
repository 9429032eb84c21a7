using System.Reflection;
using Gorvix.Core.Files.Formats;
using Gorvix.Storage;
using Gorvix.Web.Hosting;
using Microsoft.AspNetCore.Connections;

var root = Environment.GetEnvironmentVariable("GORVIX_ROOT") ?? Directory.GetCurrentDirectory();

// The build asks the program for its API description; it must not open anybody's data for that.
if (Assembly.GetEntryAssembly()?.GetName().Name == "GetDocument.Insider")
{
    await GorvixApp.Create(StartOptions.Parse([], root)).RunAsync();
    return 0;
}
if (args is ["rules"])
{
    Console.Write(RuleBook.Page());
    return 0;
}
if (args is ["schema"])
{
    Console.Write(FileSchema.Text(CoreDocs.Beside()));
    return 0;
}
if (args is ["format", var formatPage])
{
    Console.Write(FormatPage.Renew(File.ReadAllText(formatPage), CoreDocs.Beside()));
    return 0;
}
var port = StartOptions.UsualPort;
try
{
    var options = StartOptions.Parse(args, root);
    port = options.Port;
    if (options.Care != Care.None)
    {
        return await Cared(options);
    }
    await using var app = GorvixApp.Create(options);
    await GorvixApp.OpenData(app, options);
    await app.StartAsync();
    Console.WriteLine($"Gorvix is running at {app.Urls.First()} (Ctrl+C to stop)");
    await app.WaitForShutdownAsync();
    return 0;
}
catch (StartException problem)
{
    return Fail(2, problem.Message);
}
catch (DataFolderException problem)
{
    return Fail(3, problem.Message);
}
catch (System.Net.Sockets.SocketException problem)
    when (problem.SocketErrorCode == System.Net.Sockets.SocketError.AddressNotAvailable)
{
    return Fail(4, "The --club address does not belong to this computer. Use its address on the local network.");
}
catch (IOException problem) when (problem.InnerException is AddressInUseException)
{
    return Fail(4, $"Port {port} is in use, perhaps by another Gorvix. Stop it, or choose another port with --port N.");
}
catch (System.Net.Sockets.SocketException problem)
{
    return Fail(4, $"Cannot open port {port} ({problem.Message}). Choose another with --port N.");
}

static async Task<int> Cared(StartOptions options)
{
    switch (options.Care)
    {
        case Care.Check:
            var report = await DataCare.Check(options.Folder);
            Console.WriteLine(
                report.Said == "ok"
                    ? $"Data in {options.Data} is OK: {report.Builds} builds, {report.Parts} parts, {report.Bytes / 1024.0 / 1024:0.0} MB, format {report.Form}."
                    : $"Data in {options.Data} is damaged: {report.Said}. Restore a backup: ./start --restore FILE."
            );
            if (DataCare.Last(options.Folder) is var (at, to))
            {
                Console.WriteLine($"Last backup: {at.ToLocalTime():yyyy-MM-dd HH:mm}, {to}.");
            }
            return report.Said == "ok" ? 0 : 5;
        case Care.BackUp:
            await DataCare.BackUp(options.Folder, options.BackUp);
            Console.WriteLine($"Backed up to {options.BackUp}.");
            return 0;
        default:
            var kept = await DataCare.Restore(options.Folder, options.BackUp);
            Console.WriteLine(
                $"Restored {options.BackUp}.{(kept is null ? "" : $" The previous data is kept as {kept}.")}"
            );
            return 0;
    }
}

static int Fail(int code, string sentence)
{
    Console.Error.WriteLine(sentence);
    return code;
}
