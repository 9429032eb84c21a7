using System.Net;
using System.Security.Cryptography;
using Gorvix.Core.Hardware.Findings;
using Microsoft.AspNetCore.Mvc;

namespace Gorvix.Web.Hosting;

/// <summary>
/// What may come in and what the browser may do with what goes out. The server is for one person on one
/// machine: other names for it and writes from other sites are somebody else's page trying its luck. Where a club's evening is let in,
/// other machines may play its drills and nothing else.
/// </summary>
internal static class Doors
{
    private static readonly string[] Names = ["127.0.0.1", "localhost", "[::1]"];

    /// <summary>Key of the request's nonce in <see cref="HttpContext.Items"/>.</summary>
    public const string Nonce = "nonce";

    /// <summary>Sets up the doors.</summary>
    /// <param name="app">The program.</param>
    /// <param name="club">This machine's address in the club's network; null where nobody else is let in.</param>
    public static void UseDoors(this WebApplication app, IPAddress? club) =>
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
                var isClub = IsGuest(context, club);
                IReadOnlyList<string> names = isClub ? [club!.ToString(), $"[{club}]"] : Names;
                // What the API answers is true now and not later.
                if (context.Request.Path.StartsWithSegments("/api"))
                {
                    headers.CacheControl = "no-store";
                }
                if (!names.Contains(context.Request.Host.Host, StringComparer.OrdinalIgnoreCase))
                {
                    await Refuse(
                        context,
                        400,
                        isClub ? Sentences.GorvixDoesNotRespondAt(club) : Sentences.GorvixDoesNotRespondAtThis
                    );
                }
                else if (IsWrite(context.Request) && !IsOwn(context.Request))
                {
                    await Refuse(context, 403, Sentences.ChangeRefusedItCameFrom);
                }
                else if (context.Request.Path.StartsWithSegments("/api") && !IsOwn(context.Request))
                {
                    // What another site only asks costs thought all the same.
                    await Refuse(context, 403, Sentences.RequestRefusedItCameFrom);
                }
                else if (isClub && context.Request.Path == "/")
                {
                    context.Response.Redirect("/drill");
                }
                else if (isClub && !IsForGuests(context))
                {
                    await Refuse(context, 403, Sentences.FromAnotherComputerYouCan);
                }
                else
                {
                    await next(context);
                }
            }
        );

    /// <summary>Lets the players of an evening in as well.</summary>
    /// <param name="endpoint">What they may ask for.</param>
    public static void ForGuests(this IEndpointConventionBuilder endpoint) => endpoint.WithMetadata(new OpenToGuests());

    /// <summary>True for a request that came in by the club's door.</summary>
    /// <param name="context">The request.</param>
    /// <param name="club">This machine's address in the club's network; null where nobody else is let in.</param>
    public static bool IsGuest(HttpContext context, IPAddress? club) =>
        club is not null && club.Equals(context.Connection.LocalIpAddress);

    // The page itself, and what is told to be open: as the framework has found it, whatever the letters of the address.
    private static bool IsForGuests(HttpContext context) =>
        context.GetEndpoint() is { } endpoint
            ? endpoint.Metadata.GetMetadata<OpenToGuests>() is not null
                || endpoint is not RouteEndpoint { RoutePattern.RawText: { } route }
                || !route.TrimStart('/').StartsWith("api", StringComparison.OrdinalIgnoreCase)
            : !context.Request.Path.StartsWithSegments("/api");

    private sealed record OpenToGuests;

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
