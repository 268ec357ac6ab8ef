namespace Juxtopsis.Server.Problems;

/// <summary>Reads a request's body as bytes, never more than the server's limit. That it is JSON, routing has seen to.</summary>
internal static class RequestBody
{
    public static async Task<ReadOnlyMemory<byte>> ReadAsync(HttpRequest request, CancellationToken cancellationToken)
    {
        using var buffer = new MemoryStream();
        await request.Body.CopyToAsync(buffer, cancellationToken);
        return buffer.ToArray();
    }
}
