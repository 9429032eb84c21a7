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
    Console.WriteLine(Sentences.GorvixIsRunningAt(app.Urls.First()));
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
    return Fail(4, Sentences.TheClubAddressDoesNot);
}
catch (IOException problem) when (problem.InnerException is AddressInUseException)
{
    return Fail(4, Sentences.PortIsInUsePerhaps(port));
}
catch (System.Net.Sockets.SocketException problem)
{
    return Fail(4, Sentences.CannotOpenPortChoose(port, problem.Message));
}

static async Task<int> Cared(StartOptions options)
{
    switch (options.Care)
    {
        case Care.Check:
            var report = await DataCare.Check(options.Folder);
            Console.WriteLine(
                report.Said == "ok"
                    ? Sentences.DataInIsOkBuilds(
                        options.Data,
                        report.Builds,
                        report.Parts,
                        report.Bytes / 1024.0 / 1024,
                        report.Form
                    )
                    : Sentences.DataInIsDamagedRestore(options.Data, report.Said)
            );
            if (DataCare.Last(options.Folder) is var (at, to))
            {
                Console.WriteLine(Sentences.LastBackup(at.ToLocalTime(), to));
            }
            return report.Said == "ok" ? 0 : 5;
        case Care.BackUp:
            await DataCare.BackUp(options.Folder, options.BackUp);
            Console.WriteLine(Sentences.BackedUpTo(options.BackUp!));
            return 0;
        default:
            var kept = await DataCare.Restore(options.Folder, options.BackUp);
            Console.WriteLine(Sentences.RestoredThePreviousData(options.BackUp!, kept));
            return 0;
    }
}

static int Fail(int code, string sentence)
{
    Console.Error.WriteLine(sentence);
    return code;
}
