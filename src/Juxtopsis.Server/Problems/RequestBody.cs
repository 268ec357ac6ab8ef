using Juxtopsis.Contracts.Problems;

namespace Juxtopsis.Server.Problems;

/// <summary>Reads a request's body as bytes: only JSON, and never more than the server's limit.</summary>
internal static class RequestBody
{
    public static async Task<(ReadOnlyMemory<byte> Json, Problem? Problem)> ReadJsonAsync(HttpRequest request, CancellationToken cancellationToken)
    {
        if (!request.HasJsonContentType())
        {
            return (default, Problem.Of(
                "media-type",
                415,
                "Not JSON",
                $"The body is sent as “{request.ContentType ?? "nothing"}”. Send it with Content-Type: application/json."));
        }

        using var buffer = new MemoryStream();
        await request.Body.CopyToAsync(buffer, cancellationToken);
        return (buffer.ToArray(), null);
    }
}
