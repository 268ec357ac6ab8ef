using System.Text.Json;
using Juxtopsis.Contracts;
using Juxtopsis.Contracts.Measuring;
using Juxtopsis.Core.Measuring;

namespace Juxtopsis.Data.Model;

/// <summary>A test of a physical unit: its readings, and what they came to once they were accepted. An accepted one never changes.</summary>
public sealed class UnitTestRow : ICrewOwned
{
    /// <summary>The most tests that a crew may keep.</summary>
    public const int Most = 5000;

    /// <inheritdoc/>
    public Guid CrewId { get; set; }

    /// <summary>Identity within the crew, chosen by whoever begins it.</summary>
    public required Guid Id { get; init; }

    /// <summary>The physical unit.</summary>
    public required Guid UnitId { get; init; }

    /// <summary>What is tested.</summary>
    public required TestKind Kind { get; init; }

    /// <summary>What was read: JSON of a <see cref="MeasureRequest"/>.</summary>
    public required string Measured { get; set; }

    /// <summary>What it came to when it was accepted: JSON of a list of <see cref="TestResult"/>; empty before.</summary>
    public string Results { get; set; } = "[]";

    /// <summary>How, or anything else to know.</summary>
    public string Note { get; set; } = "";

    /// <summary>What whoever saved it last is called; empty where that was not said.</summary>
    public string By { get; set; } = "";

    /// <summary>Counts changes from 1; guards against two people overwriting each other.</summary>
    public int Revision { get; set; } = 1;

    /// <summary>When it was saved last.</summary>
    public required DateTimeOffset UpdatedAt { get; set; }

    /// <summary>When it was taken into the record; null when it was not.</summary>
    public DateTimeOffset? AcceptedAt { get; set; }

    /// <summary>What was read.</summary>
    /// <returns>The same that was saved.</returns>
    public MeasureRequest ToMeasured() => JsonSerializer.Deserialize(Measured, WireJson.Default.MeasureRequest)!;

    /// <summary>What it came to.</summary>
    /// <returns>Results; empty while it is not accepted.</returns>
    public IReadOnlyList<TestResult> ToResults() => JsonSerializer.Deserialize(Results, WireJson.Default.IReadOnlyListTestResult)!;

    /// <summary>Readings as they are stored.</summary>
    /// <param name="measured">The readings.</param>
    /// <returns>JSON.</returns>
    public static string Of(MeasureRequest measured) => JsonSerializer.Serialize(measured, WireJson.Default.MeasureRequest);

    /// <summary>Results as they are stored.</summary>
    /// <param name="results">The results.</param>
    /// <returns>JSON.</returns>
    public static string Of(IReadOnlyList<TestResult> results) => JsonSerializer.Serialize(results, WireJson.Default.IReadOnlyListTestResult);
}
