using Juxtopsis.Contracts;
using Juxtopsis.Server.Startup;
using Microsoft.AspNetCore.Diagnostics.HealthChecks;
using Microsoft.Extensions.Diagnostics.HealthChecks;

namespace Juxtopsis.Server.Health;

/// <summary><c>/health</c>: 200 when all is well, 503 with the part that is down when not.</summary>
internal static class HealthEndpoint
{
    public static void AddHealth(this IServiceCollection services) => services.AddHealthChecks()
        .AddNpgSql(
            provider => provider.GetRequiredService<IConfiguration>().GetConnectionString("Juxtopsis") ?? "",
            name: "database",
            timeout: TimeSpan.FromSeconds(3))
        .AddCheck<SchemaCheck>("schema")
        .AddCheck<PagesCheck>("pages");

    public static void MapHealth(this WebApplication app) => app.MapHealthChecks("/health", new HealthCheckOptions
    {
        ResponseWriter = static (http, report) => http.Response.WriteAsJsonAsync(Describe(report), WireJson.Default.HealthOutput),
    });

    private static HealthOutput Describe(HealthReport report) => new(
        Word(report.Status),
        [.. report.Entries.Select(e => new HealthPart(e.Key, Word(e.Value.Status), e.Value.Status == HealthStatus.Healthy ? "" : Say(e)))]);

    private static string Word(HealthStatus status) => status == HealthStatus.Healthy ? "well" : "down";

    private static string Say(KeyValuePair<string, HealthReportEntry> entry) => entry.Key == "database"
        ? "The database cannot be reached."
        : entry.Value.Description ?? "";

    private sealed class SchemaCheck(DatabaseStartup startup) : IHealthCheck
    {
        public Task<HealthCheckResult> CheckHealthAsync(HealthCheckContext context, CancellationToken cancellationToken = default) =>
            Task.FromResult(startup.IsReady
                ? HealthCheckResult.Healthy()
                : HealthCheckResult.Unhealthy("The tables are not up to date yet; see the server's log."));
    }

    private sealed class PagesCheck(IConfiguration configuration) : IHealthCheck
    {
        public Task<HealthCheckResult> CheckHealthAsync(HealthCheckContext context, CancellationToken cancellationToken = default)
        {
            var folder = configuration["Juxtopsis:Pages"];
            return Task.FromResult(folder is not null && File.Exists(Path.Combine(folder, "index.html"))
                ? HealthCheckResult.Healthy()
                : HealthCheckResult.Unhealthy("The page is not built; ./dev start builds it."));
        }
    }
}
