using System.Net;
using System.Net.Http.Headers;

namespace Gorvix.Web.Tests;

/// <summary>What is put into a build's log over the API.</summary>
internal static class LogSteps
{
    public const string Hare = "/api/builds/north-face-hare";

    public static readonly Lazy<byte[]> Png = new(() =>
        Convert.FromBase64String(
            "iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg=="
        )
    );

    public static async Task<(HttpStatusCode Status, string Body)> Send(LiveServer server, string path, byte[] bytes)
    {
        using var content = new ByteArrayContent(bytes);
        content.Headers.ContentType = new MediaTypeHeaderValue("application/octet-stream");
        using var request = new HttpRequestMessage(HttpMethod.Post, path) { Content = content };
        request.Headers.Add("Gorvix-Who", "Ismay%20%C3%96%0A");
        using var response = await server.Client.SendAsync(request);
        return (response.StatusCode, await response.Content.ReadAsStringAsync());
    }

    public static Task<byte[]> Bytes(LiveServer server, string path) =>
        server.Client.GetByteArrayAsync(new Uri(path, UriKind.Relative));

    public static async Task Note(LiveServer server, string body)
    {
        var (status, _) = await server.Post($"{Hare}/log/notes", body);
        Assert.Equal(204, status);
    }
}
