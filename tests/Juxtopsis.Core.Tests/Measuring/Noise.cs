namespace Juxtopsis.Core.Tests.Measuring;

/// <summary>Errors of readings, the same for the same seed.</summary>
internal sealed class Noise(int seed)
{
#pragma warning disable CA5394 // Readings of a test are no secret.
    private readonly Random random = new(seed);

    /// <summary>A normal deviate.</summary>
    public double Normal(double sigma)
    {
        var radius = Math.Sqrt(-2 * Math.Log(1 - random.NextDouble()));
        return sigma * radius * Math.Cos(2 * Math.PI * random.NextDouble());
    }

    /// <summary>Anywhere between.</summary>
    public double Between(double from, double to) => from + random.NextDouble() * (to - from);
#pragma warning restore CA5394
}
