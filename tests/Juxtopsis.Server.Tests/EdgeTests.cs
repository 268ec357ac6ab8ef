namespace Juxtopsis.Server.Tests;

/// <summary>What the server shows of itself.</summary>
public sealed class EdgeTests(ServerFixture fixture) : IClassFixture<ServerFixture>
{
    [Fact]
    public async Task The_OpenAPI_document_lists_every_address()
    {
        var document = (await fixture.Server.SendAsync(HttpMethod.Get, "/openapi/v1.json")).Json;
        Assert.Equal(
            [
                "/api/evaluate", "/api/working", "/api/solve", "/api/hold", "/api/conventions", "/api/assemble", "/api/figures", "/api/shelf/kinds", "/api/shelf/schema.json",
                "/api/comparisons", "/api/comparisons/{id}", "/api/comparisons/{id}/restore",
                "/api/productions", "/api/productions/{id}", "/api/productions/{id}/restore", "/api/fit", "/api/day", "/api/photos/{id}",
                "/api/shelf", "/api/shelf/{id}", "/api/shelf/options", "/api/shelf/ways", "/api/shelf/{id}/retire", "/api/shelf/{id}/restore",
                "/api/shelf/export.json", "/api/shelf/export.zip", "/api/shelf/export/{table}.csv", "/api/shelf/import", "/api/shelf/demo",
            ],
            document["paths"]!.AsObject().Select(p => p.Key));
        Assert.Equal("number", document["components"]!["schemas"]!["RigInput"]!["properties"]!["focalLengthMm"]!["type"]!.GetValue<string>());
    }

    [Fact]
    public async Task The_readable_page_needs_nothing_from_elsewhere()
    {
        var page = await fixture.Server.SendAsync(HttpMethod.Get, "/api/docs");
        Assert.Equal(200, (int)page.Status);
        Assert.DoesNotMatch("(src|href)=\"https?://", page.Body);
    }

    [Fact]
    public async Task An_unknown_address_of_the_API_is_a_problem() =>
        (await fixture.Server.SendAsync(HttpMethod.Get, "/api/nothing")).IsProblem(404);

    [Fact]
    public async Task Every_answer_says_what_a_browser_may_do()
    {
        using var response = await fixture.Server.Client.GetAsync("/health");
        Assert.Equal("nosniff", response.Headers.GetValues("X-Content-Type-Options").Single());
        Assert.Contains("frame-ancestors 'none'", response.Headers.GetValues("Content-Security-Policy").Single(), StringComparison.Ordinal);
        Assert.False(response.Headers.Contains("Server"));
    }
}
