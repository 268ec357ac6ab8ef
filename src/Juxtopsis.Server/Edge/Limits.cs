using System.Globalization;
using System.Threading.RateLimiting;
using Juxtopsis.Contracts.Problems;
using Juxtopsis.Server.Problems;
using Microsoft.AspNetCore.Http.Timeouts;
using Microsoft.AspNetCore.RateLimiting;

namespace Juxtopsis.Server.Edge;

/// <summary>
/// How much of the server one caller, and one kind of work, may take: nobody's questions hold up everybody else's, and the health of the
/// server can always be asked for.
/// </summary>
internal static class Limits
{
    /// <summary>Searches that hold a processor: as many at once as leave one free for all else.</summary>
    public const string Heavy = "heavy";

    /// <summary>Files of gear: one at a time.</summary>
    public const string Import = "import";

    /// <summary>Bookings: few at once, since those of one thing wait for each other anyway, and many in line.</summary>
    public const string Booking = "booking";

    /// <summary>What whoever has a link may ask for: enough for a sheet of pictures, far too little for guessing.</summary>
    public const string Shared = "shared";

    /// <summary>What they may answer.</summary>
    public const string SharedAnswer = "shared-answer";

    private const int SharedBurst = 300;
    private const int SharedPerSecond = 5;
    private const int AnswersBurst = 60;
    private const int MostWaiting = 32;
    private const int MostBookings = 8;
    private const int MostBookingsWaiting = 1000;

    /// <summary>Requests of one address: so many at once, and so many a second after that.</summary>
    private const int Burst = 2000;
    private const int PerSecond = 400;

    private static readonly TimeSpan Usual = TimeSpan.FromSeconds(30);
    private static readonly TimeSpan OfFiles = TimeSpan.FromMinutes(3);

    public static void AddLimits(this IServiceCollection services)
    {
        services.AddRateLimiter(limits =>
        {
            limits.GlobalLimiter = PartitionedRateLimiter.Create<HttpContext, string>(http => http.Request.Path == "/health"
                ? RateLimitPartition.GetNoLimiter("")
                : RateLimitPartition.GetTokenBucketLimiter(http.Connection.RemoteIpAddress?.ToString() ?? "", _ => new()
                {
                    TokenLimit = Burst,
                    TokensPerPeriod = PerSecond,
                    ReplenishmentPeriod = TimeSpan.FromSeconds(1),
                    QueueLimit = 0,
                }));
            limits.AddConcurrencyLimiter(Heavy, of => (of.PermitLimit, of.QueueLimit) = (Math.Max(1, Environment.ProcessorCount - 1), MostWaiting));
            limits.AddConcurrencyLimiter(Import, of => (of.PermitLimit, of.QueueLimit) = (1, MostWaiting));
            limits.AddConcurrencyLimiter(Booking, of => (of.PermitLimit, of.QueueLimit) = (MostBookings, MostBookingsWaiting));
            limits.AddPolicy(Shared, http => PerAddress(http, SharedBurst, SharedPerSecond, TimeSpan.FromSeconds(1)));
            limits.AddPolicy(SharedAnswer, http => PerAddress(http, AnswersBurst, 1, TimeSpan.FromSeconds(2)));
            limits.OnRejected = async (rejected, cancellationToken) =>
            {
                rejected.HttpContext.Response.Headers.RetryAfter = "1";
                await Problem.Of("too-busy", 429, "Too much at once", "The server is busy with what was asked before. Ask again in a moment.").ToResult().ExecuteAsync(rejected.HttpContext);
            };
        });
        services.AddRequestTimeouts(timeouts =>
        {
            timeouts.DefaultPolicy = Of(Usual);
            timeouts.AddPolicy(Import, Of(OfFiles));
        });
    }

    private static RateLimitPartition<string> PerAddress(HttpContext http, int burst, int tokens, TimeSpan every) => RateLimitPartition.GetTokenBucketLimiter(
        http.Connection.RemoteIpAddress?.ToString() ?? "", _ => new() { TokenLimit = burst, TokensPerPeriod = tokens, ReplenishmentPeriod = every, QueueLimit = 0 });

    private static RequestTimeoutPolicy Of(TimeSpan limit) => new()
    {
        Timeout = limit,
        TimeoutStatusCode = 503,
        WriteTimeoutResponse = http => Problem.Of(
            "too-long", 503, "It took too long", $"The request was ended after {limit.TotalSeconds.ToString(CultureInfo.InvariantCulture)} s; nothing was changed. Ask for less at once.").ToResult().ExecuteAsync(http),
    };
}
