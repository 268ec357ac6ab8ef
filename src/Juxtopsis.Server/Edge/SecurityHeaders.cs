namespace Juxtopsis.Server.Edge;

internal static class SecurityHeaders
{
    /// <summary>The page loads nothing from elsewhere; styles are written by its own scripts.</summary>
    private const string PagePolicy = "default-src 'self'; script-src 'self' 'wasm-unsafe-eval'; style-src 'self' 'unsafe-inline'; "
        + "img-src 'self' data: blob:; object-src 'none'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'";

    /// <summary>The readable page of the API starts from a script in the page itself.</summary>
    private const string DocsPolicy = "default-src 'self'; script-src 'self' 'unsafe-inline' 'unsafe-eval'; style-src 'self' 'unsafe-inline'; "
        + "font-src 'self' data:; img-src 'self' data: blob:; object-src 'none'; base-uri 'none'; frame-ancestors 'none'";

    /// <summary>Says with every answer, faults too, what a browser may do with it; what belongs to a crew is kept by nobody on the way.</summary>
    public static void UseSecurityHeaders(this WebApplication app) => app.Use(static (http, next) =>
    {
        // Set when the answer begins: whoever answers a fault clears what was set before.
        http.Response.OnStarting(static state =>
        {
            var http = (HttpContext)state;
            var headers = http.Response.Headers;
            headers.ContentSecurityPolicy = http.Request.Path.StartsWithSegments("/api/docs", StringComparison.Ordinal) ? DocsPolicy : PagePolicy;
            headers.XContentTypeOptions = "nosniff";
            headers["Referrer-Policy"] = "same-origin";
            headers["Cross-Origin-Resource-Policy"] = "same-origin";
            if (http.Request.Path.StartsWithSegments("/api", StringComparison.Ordinal) && headers.CacheControl.Count == 0)
            {
                headers.CacheControl = "no-store";
            }

            return Task.CompletedTask;
        }, http);
        return next(http);
    });
}
