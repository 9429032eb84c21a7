namespace Gorvix.Web.Features;

/// <summary>What an endpoint is called and can answer, as the description of the API lists it: the name, then the statuses of its refusals.</summary>
internal static class Answering
{
    /// <summary>It answers with a value.</summary>
    public static RouteHandlerBuilder Answers<T>(
        this RouteHandlerBuilder endpoint,
        string name,
        params int[] refusals
    ) => endpoint.WithName(name).Produces<T>().Refuses(refusals);

    /// <summary>It answers with what it has made.</summary>
    public static RouteHandlerBuilder Creates<T>(
        this RouteHandlerBuilder endpoint,
        string name,
        params int[] refusals
    ) => endpoint.WithName(name).Produces<T>(201).Refuses(refusals);

    /// <summary>It answers that it is done.</summary>
    public static RouteHandlerBuilder AnswersNothing(
        this RouteHandlerBuilder endpoint,
        string name,
        params int[] refusals
    ) => endpoint.WithName(name).Produces(204).Refuses(refusals);

    /// <summary>It answers with a file.</summary>
    public static RouteHandlerBuilder AnswersFile(
        this RouteHandlerBuilder endpoint,
        string name,
        string type,
        params int[] refusals
    ) => endpoint.WithName(name).Produces(200, contentType: type).Refuses(refusals);

    private static RouteHandlerBuilder Refuses(this RouteHandlerBuilder endpoint, int[] refusals)
    {
        foreach (var status in refusals)
        {
            endpoint.ProducesProblem(status);
        }
        return endpoint;
    }
}
