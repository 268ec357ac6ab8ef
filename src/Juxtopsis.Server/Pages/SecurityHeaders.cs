namespace Juxtopsis.Server.Pages;

internal static class SecurityHeaders
{
    /// <summary>The page loads nothing from elsewhere; styles are written by its own scripts.</summary>
    private const string PagePolicy = "default-src 'self'; script-src 'self' 'wasm-unsafe-eval'; style-src 'self' 'unsafe-inline'; "
        + "img-src 'self' data: blob:; object-src 'none'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'";

    /// <summary>The readable page of the API starts from a script in the page itself.</summary>
    private const string DocsPolicy = "default-src 'self'; script-src 'self' 'unsafe-inline' 'unsafe-eval'; style-src 'self' 'unsafe-inline'; "
        + "font-src 'self' data:; img-src 'self' data: blob:; object-src 'none'; base-uri 'none'; frame-ancestors 'none'";

    public static void UseSecurityHeaders(this WebApplication app) => app.Use(static (http, next) =>
    {
        var headers = http.Response.Headers;
        headers.ContentSecurityPolicy = http.Request.Path.StartsWithSegments("/api/docs", StringComparison.Ordinal) ? DocsPolicy : PagePolicy;
        headers.XContentTypeOptions = "nosniff";
        headers["Referrer-Policy"] = "same-origin";
        return next(http);
    });
}
