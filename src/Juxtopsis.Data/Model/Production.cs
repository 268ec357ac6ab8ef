using Juxtopsis.Contracts.Productions;

namespace Juxtopsis.Data.Model;

/// <summary>A saved production: places, shots, units and delivery.</summary>
public sealed class Production : Work<ProductionDocument>;
