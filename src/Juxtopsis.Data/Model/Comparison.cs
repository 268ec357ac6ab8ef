using Juxtopsis.Contracts.Comparisons;

namespace Juxtopsis.Data.Model;

/// <summary>A saved comparison: scene, conventions, rigs and note.</summary>
public sealed class Comparison : Work<ComparisonDocument>;
