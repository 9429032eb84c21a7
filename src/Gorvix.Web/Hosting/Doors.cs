using System.Security.Cryptography;
using Gorvix.Core.Findings;
using Microsoft.AspNetCore.Mvc;

namespace Gorvix.Web.Hosting;

/// <summary>
/// What may come in and what the browser may do with what goes out. The server is for one person on one
/// machine: other names for it and writes from other sites are somebody else's page trying its luck.
/// </summary>
internal static class Doors
{
    private static readonly string[] Names = ["127.0.0.1", "localhost", "[::1]"];

    /// <summary>Key of the request's nonce in <see cref="HttpContext.Items"/>.</summary>
    public const string Nonce = "nonce";

    public static void UseDoors(this WebApplication app) =>
        app.Use(
            async (context, next) =>
            {
                var nonce = Convert.ToBase64String(RandomNumberGenerator.GetBytes(18));
                context.Items[Nonce] = nonce;
                var headers = context.Response.Headers;
                headers.ContentSecurityPolicy =
                    $"default-src 'none'; script-src 'self'; style-src 'self' 'nonce-{nonce}'; img-src 'self' data:; "
                    + "font-src 'self'; connect-src 'self'; base-uri 'none'; form-action 'none'; frame-ancestors 'none'";
                headers.XContentTypeOptions = "nosniff";
                headers["Referrer-Policy"] = "no-referrer";
                headers["Cross-Origin-Resource-Policy"] = "same-origin";
                if (!Names.Contains(context.Request.Host.Host, StringComparer.OrdinalIgnoreCase))
                {
                    await Refuse(
                        context,
                        400,
                        "Gorvix answers only to 127.0.0.1 and localhost. Open it under one of these names."
                    );
                }
                else if (IsWrite(context.Request) && !IsOwn(context.Request))
                {
                    await Refuse(context, 403, "This write came from another site. Use the Gorvix page itself.");
                }
                else
                {
                    await next(context);
                }
            }
        );

    private static bool IsWrite(HttpRequest request) =>
        !HttpMethods.IsGet(request.Method)
        && !HttpMethods.IsHead(request.Method)
        && !HttpMethods.IsOptions(request.Method);

    private static bool IsOwn(HttpRequest request)
    {
        var site = request.Headers["Sec-Fetch-Site"].ToString();
        var origin = request.Headers.Origin.ToString();
        return site is "" or "same-origin" or "none"
            && (origin == "" || origin == $"{request.Scheme}://{request.Host}");
    }

    private static Task Refuse(HttpContext context, int status, string sentence) =>
        Problems.Of(status, sentence).ExecuteAsync(context);
}

/// <summary>Errors as problem details (RFC 9457) with a sentence that a builder understands.</summary>
internal static class Problems
{
    public static IResult Of(int status, string sentence, IReadOnlyList<Finding>? findings = null)
    {
        var problem = new ProblemDetails { Status = status, Detail = sentence };
        if (findings is not null)
        {
            problem.Extensions["findings"] = findings;
        }
        return Results.Problem(problem);
    }

    public static IResult Of(IReadOnlyList<Finding> findings, int status = StatusCodes.Status422UnprocessableEntity) =>
        Of(status, findings[0].Sentence, findings);
}
