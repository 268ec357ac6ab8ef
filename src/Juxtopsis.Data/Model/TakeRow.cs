using System.Text.Json;
using Juxtopsis.Contracts;
using Juxtopsis.Contracts.Log;

namespace Juxtopsis.Data.Model;

/// <summary>A take: what one camera really used. Each is a row of its own, so that people who note at once do not meet.</summary>
public sealed class TakeRow : ICrewOwned
{
    /// <summary>The most takes that a crew may keep.</summary>
    public const int Most = 50_000;

    /// <inheritdoc/>
    public Guid CrewId { get; set; }

    /// <summary>Identity within the crew, chosen by whoever notes it.</summary>
    public required Guid Id { get; init; }

    /// <summary>The production.</summary>
    public required Guid ProductionId { get; init; }

    /// <summary>When it was taken.</summary>
    public required DateTimeOffset TakenAt { get; set; }

    /// <summary>What was used: JSON of a <see cref="TakeInput"/>.</summary>
    public required string Take { get; set; }

    /// <summary>What whoever noted it is called; empty where that was not said.</summary>
    public string By { get; set; } = "";

    /// <summary>Counts changes from 1; guards against two people overwriting each other.</summary>
    public int Revision { get; set; } = 1;

    /// <summary>When it was saved last.</summary>
    public required DateTimeOffset UpdatedAt { get; set; }

    /// <summary>When it was deleted; null when it was not.</summary>
    public DateTimeOffset? DeletedAt { get; set; }

    /// <summary>What was used.</summary>
    /// <returns>The same that was noted.</returns>
    public TakeInput ToTake() => JsonSerializer.Deserialize(Take, WireJson.Default.TakeInput)!;

    /// <summary>A take as it is stored.</summary>
    /// <param name="take">The take.</param>
    /// <returns>JSON.</returns>
    public static string Of(TakeInput take) => JsonSerializer.Serialize(take, WireJson.Default.TakeInput);
}
