using Microsoft.AspNetCore.StaticFiles;
using Microsoft.Extensions.FileProviders;

namespace Juxtopsis.Server.Pages;

/// <summary>
/// Serves the built page and the WebAssembly. The build leaves a compressed file beside each; where the browser takes it, that
/// one is sent.
/// </summary>
internal static class PageFiles
{
    private static readonly (string Coding, string Ending)[] Codings = [("br", ".br"), ("gzip", ".gz")];

    /// <summary>Addresses for programs; an unknown one there is not a page of the application.</summary>
    private static readonly PathString[] Programs = ["/api", "/openapi"];

    public static void UsePages(this WebApplication app, string? folder)
    {
        if (folder is null || !Directory.Exists(folder))
        {
            return;
        }

        var files = new PhysicalFileProvider(Path.GetFullPath(folder));
        var types = new FileExtensionContentTypeProvider();
        types.Mappings[".dat"] = "application/octet-stream";

        app.Use((http, next) =>
        {
            ChooseFile(http, files, types);
            return next(http);
        });
        app.UseStaticFiles(new StaticFileOptions
        {
            FileProvider = files,
            ContentTypeProvider = types,
            ServeUnknownFileTypes = true,
            OnPrepareResponse = static served => Label(served.Context),
        });
    }

    /// <summary>Turns an address of the application into its one page, and a file into its compressed twin.</summary>
    private static void ChooseFile(HttpContext http, PhysicalFileProvider files, FileExtensionContentTypeProvider types)
    {
        var request = http.Request;
        if (http.GetEndpoint() is not null || Programs.Any(request.Path.StartsWithSegments) || !(HttpMethods.IsGet(request.Method) || HttpMethods.IsHead(request.Method)))
        {
            return;
        }

        if (!Path.HasExtension(request.Path.Value))
        {
            // Whoever has a link to a sheet gets a page that knows nothing of the crew.
            request.Path = request.Path.Equals("/sheet", StringComparison.OrdinalIgnoreCase) ? "/sheet.html" : "/index.html";
        }

        var path = request.Path.Value!;
        if (!types.TryGetContentType(path, out var type))
        {
            return;
        }

        http.Items[typeof(PageFiles)] = new Chosen(path, type);
        var accepted = request.Headers.AcceptEncoding.ToString();
        foreach (var (coding, ending) in Codings)
        {
            if (accepted.Contains(coding, StringComparison.OrdinalIgnoreCase) && files.GetFileInfo(path + ending).Exists)
            {
                http.Items[typeof(PageFiles)] = new Chosen(path, type, coding);
                request.Path = path + ending;
                return;
            }
        }
    }

    private static void Label(HttpContext http)
    {
        if (http.Items[typeof(PageFiles)] is not Chosen chosen)
        {
            return;
        }

        var headers = http.Response.Headers;
        http.Response.ContentType = chosen.Type;
        headers.Vary = "Accept-Encoding";
        // Vite names its files by their content; everything else is asked for anew and answered with 304.
        headers.CacheControl = chosen.Path.StartsWith("/assets/", StringComparison.Ordinal)
            ? "public, max-age=31536000, immutable"
            : "no-cache";
        if (chosen.Coding is { } coding)
        {
            headers.ContentEncoding = coding;
        }
    }

    private sealed record Chosen(string Path, string Type, string? Coding = null);
}
