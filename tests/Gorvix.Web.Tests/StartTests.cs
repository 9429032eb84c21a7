using System.Diagnostics;
using System.Net;
using System.Net.Sockets;
using Gorvix.Storage;
using Gorvix.Web.Hosting;
using Microsoft.EntityFrameworkCore;

namespace Gorvix.Web.Tests;

/// <summary>Starting the program: options, and one clear line when it cannot start.</summary>
public class StartTests
{
    [Fact]
    public void Options_have_sensible_defaults()
    {
        var options = StartOptions.Parse([], "/root");
        Assert.Equal(new StartOptions(5080, "/root/artifacts/data", "/root/demo", "/root/artifacts/client"), options);
    }

    [Fact]
    public void Options_are_read()
    {
        var options = StartOptions.Parse(["--port", "0", "--data", "/data", "--empty"], "/root");
        Assert.Equal((0, "/data", null), (options.Port, options.Data, options.Demo));
    }

    [Theory]
    [InlineData("--port is not", "--port")]
    [InlineData("--port x is not a valid port.", "--port", "x")]
    [InlineData("--port 70000 is not a valid port.", "--port", "70000")]
    [InlineData("--port -1 is not a valid port.", "--port", "-1")]
    [InlineData("--wings is not an option", "--wings")]
    public void A_wrong_option_is_named(string beginning, params string[] args)
    {
        var problem = Assert.Throws<StartException>(() => StartOptions.Parse(args, "/root"));
        Assert.StartsWith(beginning == "--port is not" ? "--port needs a value" : beginning, problem.Message);
        Assert.DoesNotContain('\n', problem.Message);
    }

    [Fact]
    public async Task A_taken_port_is_one_line_and_an_exit_code()
    {
        using var taken = new TcpListener(IPAddress.Loopback, 0);
        taken.Start();
        var port = ((IPEndPoint)taken.LocalEndpoint).Port;
        var (code, said) = await Run("--port", $"{port}", "--data", NewFolder());
        Assert.Equal(4, code);
        Assert.Equal(
            $"Port {port} is in use, perhaps by another Gorvix. Stop it, or choose another port with --port N.",
            said
        );
    }

    [Fact]
    public async Task An_unwritable_folder_is_one_line_and_an_exit_code()
    {
        // A file where the folder should be: nobody can write below it, whatever their rights.
        var file = Path.Combine(NewFolder(), "file");
        await File.WriteAllTextAsync(file, "");
        var (code, said) = await Run("--port", "0", "--data", Path.Combine(file, "data"));
        Assert.Equal(3, code);
        Assert.StartsWith("Cannot write to data folder", said);
        Assert.DoesNotContain('\n', said);
    }

    [Fact]
    public async Task A_newer_database_is_left_alone_with_one_line_and_an_exit_code()
    {
        var folder = new DataFolder(NewFolder());
        using (var hold = new DataHold())
        {
            await hold.Open(folder);
        }
        await using (var db = folder.Connect())
        {
            await db.Database.ExecuteSqlRawAsync(
                "INSERT INTO __EFMigrationsHistory (MigrationId, ProductVersion) VALUES ('29990101000000_Future', '99')"
            );
        }
        var (code, said) = await Run("--port", "0", "--data", folder.Path);
        Assert.Equal(3, code);
        Assert.Contains("was written by a newer Gorvix", said);
        Assert.DoesNotContain('\n', said);
    }

    [Fact]
    public async Task A_file_that_is_no_database_is_one_line_and_an_exit_code()
    {
        var folder = new DataFolder(NewFolder());
        await File.WriteAllTextAsync(
            folder.File,
            "this is not a database, and it is long enough to be looked at closely"
        );
        var (code, said) = await Run("--port", "0", "--data", folder.Path);
        Assert.Equal(3, code);
        Assert.Contains("is not a Gorvix data file", said);
        Assert.DoesNotContain('\n', said);
    }

    [Fact]
    public async Task A_second_start_keeps_the_builds_and_loads_the_demo_only_once()
    {
        var first = await LiveServer.Start();
        await first.Post("/api/builds/north-face-hare/remove", "");
        await first.DisposeAsync();
        await using var second = await LiveServer.Start(first.Data);
        Assert.Equal(LiveServer.DemoBuilds - 1, await second.Count());
    }

    private static string NewFolder() => Directory.CreateTempSubdirectory("gorvix-").FullName;

    private static async Task<(int Code, string Said)> Run(params string[] args)
    {
        var program = Path.Combine(AppContext.BaseDirectory, "Gorvix.Web.dll");
        var start = new ProcessStartInfo("dotnet", [program, .. args])
        {
            RedirectStandardError = true,
            RedirectStandardOutput = true,
        };
        start.Environment["GORVIX_ROOT"] = AppContext.BaseDirectory;
        using var process = Process.Start(start)!;
        var said = process.StandardError.ReadToEndAsync();
        using var patience = new CancellationTokenSource(TimeSpan.FromMinutes(5));
        try
        {
            await process.WaitForExitAsync(patience.Token);
        }
        catch (OperationCanceledException)
        {
            process.Kill();
            throw;
        }
        return (process.ExitCode, (await said).Trim());
    }
}
