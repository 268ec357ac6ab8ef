using System.Net;
using System.Net.Http.Headers;
using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Mvc.Testing;
using Microsoft.Extensions.Logging;

namespace Juxtopsis.Server.Tests;

/// <summary>The real server on a real port, with its limits in force.</summary>
public sealed class RunningServer : IAsyncDisposable
{
    private readonly Factory factory;

    public RunningServer(string connection, bool withDemo = true, string sharedHosts = "")
    {
        factory = new Factory(connection, withDemo, sharedHosts);
        factory.UseKestrel(kestrel => kestrel.Listen(IPAddress.Loopback, 0));
        factory.StartServer();
        Client = factory.CreateClient();
    }

    public HttpClient Client { get; }

    public IServiceProvider Services => factory.Services;

    /// <summary>Waits until the tables are there.</summary>
    public async Task<RunningServer> ReadyAsync()
    {
        for (var i = 0; i < 2400; i++)
        {
            if ((await Client.GetAsync("/health")).Content.ReadAsStringAsync().Result.Contains("\"schema\",\"status\":\"well\"", StringComparison.Ordinal))
            {
                return this;
            }

            await Task.Delay(50);
        }

        throw new TimeoutException("The server did not get its database ready.");
    }

    public async Task<Answer> SendAsync(HttpMethod method, string path, string? json = null, string? ifMatch = null, string? ifNoneMatch = null)
    {
        using var request = new HttpRequestMessage(method, path);
        if (json is not null)
        {
            request.Content = new StringContent(json, Encoding.UTF8, "application/json");
        }

        if (ifMatch is not null)
        {
            request.Headers.TryAddWithoutValidation("If-Match", ifMatch);
        }

        if (ifNoneMatch is not null)
        {
            request.Headers.TryAddWithoutValidation("If-None-Match", ifNoneMatch);
        }

        using var response = await Client.SendAsync(request);
        return new Answer(response.StatusCode, await response.Content.ReadAsStringAsync(), response.Headers.ETag, response.Content.Headers.ContentType?.MediaType);
    }

    public async ValueTask DisposeAsync()
    {
        Client.Dispose();
        await factory.DisposeAsync();
    }

    private sealed class Factory(string connection, bool withDemo, string sharedHosts) : WebApplicationFactory<Program>
    {
        protected override void ConfigureWebHost(IWebHostBuilder builder) => builder
            .UseSetting("ConnectionStrings:Juxtopsis", connection)
            .UseSetting("Juxtopsis:SharedHosts", sharedHosts)
            .UseSetting("Juxtopsis:Demo", withDemo ? "true" : "false")
            .ConfigureLogging(logging => logging.ClearProviders());
    }
}

public sealed record Answer(HttpStatusCode Status, string Body, EntityTagHeaderValue? Tag, string? MediaType)
{
    public JsonNode Json => JsonNode.Parse(Body)!;

    /// <summary>The fields that a problem names.</summary>
    public IEnumerable<string> Fields => Json["errors"]!.AsArray().Select(e => e!["about"]!.GetValue<string>());

    public void IsProblem(int status)
    {
        Assert.Equal(status, (int)Status);
        Assert.Equal("application/problem+json", MediaType);
        Assert.Equal(status, Json["status"]!.GetValue<int>());
        Assert.NotEmpty(Json["detail"]!.GetValue<string>());
        Assert.Equal(JsonValueKind.Array, Json["errors"]?.GetValueKind() ?? JsonValueKind.Array);
    }
}

/// <summary>One server with one database for the tests of a class.</summary>
public sealed class ServerFixture : IAsyncLifetime
{
    private TestDatabase? database;

    public RunningServer Server { get; private set; } = null!;

    public string Connection => database!.Connection;

    public async ValueTask InitializeAsync()
    {
        database = await TestDatabase.CreateAsync();
        Server = await new RunningServer(database.Connection).ReadyAsync();
    }

    public async ValueTask DisposeAsync()
    {
        await Server.DisposeAsync();
        await database!.DisposeAsync();
    }
}
