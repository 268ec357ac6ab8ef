using System.Text.Json.Serialization;
using Juxtopsis.Contracts.Comparisons;
using Juxtopsis.Contracts.Entry;
using Juxtopsis.Contracts.Evaluating;
using Juxtopsis.Contracts.Problems;

namespace Juxtopsis.Contracts;

/// <summary>The one serializer context, for both hosts and for what is stored: strict about unknown and repeated fields.</summary>
[JsonSourceGenerationOptions(
    PropertyNamingPolicy = JsonKnownNamingPolicy.CamelCase,
    UnmappedMemberHandling = JsonUnmappedMemberHandling.Disallow,
    AllowDuplicateProperties = false,
    RespectNullableAnnotations = true,
    RespectRequiredConstructorParameters = true,
    NumberHandling = JsonNumberHandling.Strict,
    MaxDepth = 16)]
[JsonSerializable(typeof(EvaluateRequest))]
[JsonSerializable(typeof(EvaluateResponse))]
[JsonSerializable(typeof(ComparisonInput))]
[JsonSerializable(typeof(ComparisonOutput))]
[JsonSerializable(typeof(IReadOnlyList<ComparisonSummary>))]
[JsonSerializable(typeof(ComparisonDocument))]
[JsonSerializable(typeof(ComparisonConflict))]
[JsonSerializable(typeof(EntryOutput))]
[JsonSerializable(typeof(IReadOnlyList<FormatOutput>))]
[JsonSerializable(typeof(Problem))]
[JsonSerializable(typeof(HealthOutput))]
public sealed partial class WireJson : JsonSerializerContext;
