using Juxtopsis.Data;
using Juxtopsis.Data.Model;
using Microsoft.EntityFrameworkCore;

namespace Juxtopsis.Server.Startup;

/// <summary>
/// Prepares the database in the background, so that pages are served and the API evaluates while the database is away, and
/// knows the one crew that everybody works in until there are accounts.
/// </summary>
internal sealed partial class DatabaseStartup(
    DbContextOptions<JuxtopsisDb> options,
    TimeProvider clock,
    IConfiguration configuration,
    ILogger<DatabaseStartup> log) : BackgroundService
{
    private static readonly TimeSpan Pause = TimeSpan.FromSeconds(1);

    /// <summary>The one crew; <see cref="Guid.Empty"/> before it is known.</summary>
    public Guid CrewId { get; private set; }

    public bool IsReady => CrewId != Guid.Empty;

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        var said = "";
        while (!stoppingToken.IsCancellationRequested)
        {
            try
            {
                CrewId = await FirstStart.PrepareAsync(crew => new JuxtopsisDb(options, new Fixed(crew)), configuration.GetValue("Juxtopsis:Demo", true), clock.GetUtcNow(), stoppingToken);
                LogReady();
                return;
            }
            catch (Exception e) when (e is not OperationCanceledException)
            {
                if (e.Message != said)
                {
                    said = e.Message;
                    LogAway(e.Message);
                }

                await Task.Delay(Pause, clock, stoppingToken);
            }
        }
    }

    [LoggerMessage(LogLevel.Information, "The database is ready.")]
    private partial void LogReady();

    [LoggerMessage(LogLevel.Warning, "The database is not ready; trying again every second. {Reason}")]
    private partial void LogAway(string reason);

    private sealed record Fixed(Guid CrewId) : ICrewScope;
}

/// <summary>The crew on whose behalf a request works: until there are accounts, the one that everybody works in.</summary>
/// <param name="startup">Knows that one.</param>
internal sealed class RequestCrew(DatabaseStartup startup) : ICrewScope
{
    /// <inheritdoc/>
    public Guid CrewId { get; } = startup.CrewId;
}
