using System.Net;
using Juxtopsis.Contracts.Problems;
using Juxtopsis.Server.Problems;
using Juxtopsis.Server.Sheets;

namespace Juxtopsis.Server.Edge;

/// <summary>
/// Lets in only who calls this server by a name of its own, and changes only what a page of this server, or a program, asks to have changed.
/// </summary>
/// <remarks>
/// There are no accounts yet: whoever reaches the server may work on it. What a browser must not do is reach it for somebody else's page. By a name that
/// somebody else points at this machine (DNS rebinding) it is refused by the Host header; a request that another page sends, by Fetch Metadata
/// (<c>Sec-Fetch-Site</c>) and, in browsers without it, by <c>Origin</c>. Programs send neither. Sources: W3C Fetch Metadata; OWASP, Cross-Site
/// Request Forgery Prevention.
/// </remarks>
internal static class OriginGate
{
    /// <summary>Names that this server answers to beside addresses, this machine's own name and localhost; with commas between.</summary>
    public const string HostsSetting = "Juxtopsis:Hosts";

    /// <summary>Names under which nothing is served but sheets that were sent by a link; with commas between. For a server that strangers can reach.</summary>
    public const string SharedHostsSetting = "Juxtopsis:SharedHosts";

    private static readonly PathString[] Programs = ["/api", "/openapi", "/health"];

    public static void UseOriginGate(this WebApplication app)
    {
        var own = Environment.MachineName;
        var shared = NamesOf(app, SharedHostsSetting);
        HashSet<string> names = new(
            ["localhost", own, own + ".local", .. NamesOf(app, HostsSetting), .. shared],
            StringComparer.OrdinalIgnoreCase);
        app.Use((http, next) => (Hidden(http.Request, shared) ?? Refusal(http.Request, names)) is { } refused ? refused.ToResult().ExecuteAsync(http) : next(http));
    }

    private static HashSet<string> NamesOf(WebApplication app, string setting) =>
        new((app.Configuration[setting] ?? "").Split(',', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries), StringComparer.OrdinalIgnoreCase);

    private static Problem? Hidden(HttpRequest request, HashSet<string> shared) =>
        shared.Contains(request.Host.Host) && Programs.Any(p => request.Path.StartsWithSegments(p, StringComparison.OrdinalIgnoreCase)) && !request.Path.StartsWithSegments(SharedEndpoints.Address, StringComparison.OrdinalIgnoreCase)
            ? Problem.Of("not-here", 404, "Not here", "Under this name only sheets that were sent by a link can be opened.")
            : null;

    private static Problem? Refusal(HttpRequest request, HashSet<string> names)
    {
        // An address cannot be pointed elsewhere, so it needs no list.
        var host = request.Host.Host;
        if (!names.Contains(host) && !IPAddress.TryParse(host.Trim('[', ']'), out _) && !host.EndsWith(".localhost", StringComparison.OrdinalIgnoreCase))
        {
            return Problem.Of(
                "unknown-host", 421, "This server does not go by that name",
                "Call it by its address, or let whoever runs it name it: JUXTOPSIS_HOSTS=name ./dev start.");
        }

        if (HttpMethods.IsGet(request.Method) || HttpMethods.IsHead(request.Method) || HttpMethods.IsOptions(request.Method))
        {
            return null;
        }

        var site = request.Headers["Sec-Fetch-Site"].ToString();
        var origin = request.Headers.Origin.ToString();
        var isForeign = site.Length > 0 ? site is not ("same-origin" or "none") : origin.Length > 0 && !IsOwn(origin, request);
        return isForeign
            ? Problem.Of("foreign-page", 403, "Asked by another page", "Only pages of this server may change what it holds. Programs send neither Origin nor Sec-Fetch-Site.")
            : null;
    }

    private static bool IsOwn(string origin, HttpRequest request) =>
        Uri.TryCreate(origin, UriKind.Absolute, out var uri) && string.Equals(uri.Authority, new Uri($"{request.Scheme}://{request.Host}").Authority, StringComparison.OrdinalIgnoreCase);
}
