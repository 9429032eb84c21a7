using System.Diagnostics;
using System.Net;
using System.Net.Sockets;

namespace Gorvix.Benchmarks;

/// <summary>The program in a process of its own, on a free port, with data of its own.</summary>
internal sealed class Server : IDisposable
{
    private readonly Process _process;
    private readonly DirectoryInfo _data;

    private Server(Process process, DirectoryInfo data, Uri address) =>
        (_process, _data, Address) = (process, data, address);

    public Uri Address { get; }

    /// <summary>What it has in memory now, in megabytes.</summary>
    public long Memory
    {
        get
        {
            _process.Refresh();
            return _process.WorkingSet64 / 1_000_000;
        }
    }

    public static async Task<Server> Start()
    {
        var data = Directory.CreateTempSubdirectory("gorvix-bench-");
        var port = FreePort();
        var start = new ProcessStartInfo("dotnet")
        {
            RedirectStandardOutput = true,
            ArgumentList =
            {
                Path.Combine(AppContext.BaseDirectory, "Gorvix.Web.dll"),
                "--port",
                $"{port}",
                "--data",
                data.FullName,
            },
        };
        start.Environment["GORVIX_ROOT"] = AppContext.BaseDirectory;
        var server = new Server(Process.Start(start)!, data, new Uri($"http://127.0.0.1:{port}"));
        using var http = new HttpClient { BaseAddress = server.Address };
        for (var tries = 0; ; tries++)
        {
            try
            {
                await http.GetStringAsync("/api/rules");
                return server;
            }
            catch (HttpRequestException) when (tries < 300)
            {
                await Task.Delay(50);
            }
        }
    }

    public void Dispose()
    {
        _process.Kill();
        _process.WaitForExit();
        _process.Dispose();
        _data.Delete(true);
    }

    private static int FreePort()
    {
        using var listener = new TcpListener(IPAddress.Loopback, 0);
        listener.Start();
        return ((IPEndPoint)listener.LocalEndpoint).Port;
    }
}
