using System.Net;
using System.Net.Sockets;
using System.Text;

namespace Gorvix.Web.Tests;

/// <summary>What may come in, and what the browser is told.</summary>
public class DoorsTests
{
    [Theory]
    [InlineData("gorvix.example")]
    [InlineData("127.0.0.1.example")]
    [InlineData("192.168.0.1")]
    public async Task A_foreign_host_header_is_refused(string host)
    {
        await using var server = await LiveServer.Start();
        using var request = new HttpRequestMessage(HttpMethod.Get, "/api/builds");
        request.Headers.Host = host;
        using var answer = await server.Client.SendAsync(request);
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        Assert.Contains("127.0.0.1 or localhost", await answer.Content.ReadAsStringAsync());
    }

    /// <summary>The length of a piece of a body is a number that the sender makes up (source: RFC 9112, 7.1).</summary>
    [Theory]
    [InlineData("FFFFFFFFFFFFFFFF")]
    [InlineData("-1")]
    [InlineData("zz")]
    public async Task A_piece_of_a_body_of_no_length_is_a_bad_request(string length)
    {
        await using var server = await LiveServer.Start();
        var root = server.Client.BaseAddress!;
        using var line = new TcpClient(root.Host, root.Port);
        await using var stream = line.GetStream();
        await stream.WriteAsync(
            Encoding.ASCII.GetBytes(
                $"POST /api/builds/import HTTP/1.1\r\nHost: {root.Authority}\r\nContent-Type: application/json\r\nTransfer-Encoding: chunked\r\n\r\n{length}\r\nx"
            )
        );
        using var answer = new StreamReader(stream);
        Assert.Equal("HTTP/1.1 400 Bad Request", await answer.ReadLineAsync());
    }

    [Theory]
    [InlineData("Origin", "http://elsewhere.example")]
    [InlineData("Origin", "null")]
    [InlineData("Origin", "http://127.0.0.1:1")]
    [InlineData("Sec-Fetch-Site", "cross-site")]
    [InlineData("Sec-Fetch-Site", "same-site")]
    public async Task A_write_from_another_site_is_refused(string header, string value)
    {
        await using var server = await LiveServer.Start();
        using var request = new HttpRequestMessage(HttpMethod.Post, "/api/builds/north-face-hare/remove");
        request.Headers.Add(header, value);
        using var answer = await server.Client.SendAsync(request);
        Assert.Equal(HttpStatusCode.Forbidden, answer.StatusCode);
        Assert.Equal(LiveServer.DemoBuilds, await server.Count());
    }

    [Theory]
    [InlineData("/api/builds/north-face-hare/fit", HttpStatusCode.Forbidden)]
    [InlineData("/api/builds/north-face-hare/sweep", HttpStatusCode.Forbidden)]
    [InlineData("/api/rules", HttpStatusCode.Forbidden)]
    [InlineData("/", HttpStatusCode.OK)]
    public async Task Another_site_can_lead_to_the_page_but_starts_no_work(string path, HttpStatusCode status)
    {
        await using var server = await LiveServer.Start();
        using var request = new HttpRequestMessage(HttpMethod.Get, path);
        request.Headers.Add("Sec-Fetch-Site", "cross-site");
        using var answer = await server.Client.SendAsync(request);
        Assert.Equal(status, answer.StatusCode);
    }

    [Fact]
    public async Task The_pages_own_write_is_let_in()
    {
        await using var server = await LiveServer.Start();
        using var request = new HttpRequestMessage(HttpMethod.Post, "/api/builds/north-face-hare/remove");
        request.Headers.Add("Origin", server.Client.BaseAddress!.ToString().TrimEnd('/'));
        request.Headers.Add("Sec-Fetch-Site", "same-origin");
        using var answer = await server.Client.SendAsync(request);
        Assert.Equal(HttpStatusCode.NoContent, answer.StatusCode);
    }

    [Fact]
    public async Task A_form_of_another_site_cannot_change_a_build()
    {
        await using var server = await LiveServer.Start();
        using var form = new StringContent("""{"version":1}""", Encoding.UTF8, "text/plain");
        using var answer = await server.Client.PostAsync("/api/builds/north-face-hare/undo", form);
        Assert.Equal(HttpStatusCode.UnsupportedMediaType, answer.StatusCode);
    }

    [Theory]
    [InlineData("/api/builds")]
    [InlineData("/")]
    [InlineData("/api/nothing")]
    public async Task Every_answer_carries_a_strict_content_policy(string path)
    {
        await using var server = await LiveServer.Start();
        using var answer = await server.Client.GetAsync(path);
        var policy = answer.Headers.GetValues("Content-Security-Policy").Single();
        Assert.StartsWith("default-src 'none'; script-src 'self';", policy);
        Assert.DoesNotContain("unsafe", policy);
        Assert.Equal("nosniff", answer.Headers.GetValues("X-Content-Type-Options").Single());
    }

    [Fact]
    public async Task The_server_listens_on_the_loopback_address_only()
    {
        await using var server = await LiveServer.Start();
        Assert.Equal("127.0.0.1", server.Client.BaseAddress!.Host);
    }
}
