using Juxtopsis.Contracts.Productions;

namespace Juxtopsis.Data.Model;

/// <summary>A saved production: places, shots, units and delivery.</summary>
public sealed class Production : Work
{
    /// <summary>How productions are kept.</summary>
    public static WorkStore<ProductionDocument> Store { get; } = new(
        "production", ProductionShape.Instance, document => document.Note, document => [Counted(document.Shots.Count, "shot"), Counted(document.Locations.Count, "place")]);

    private static string Counted(int count, string what) => count == 1 ? $"1 {what}" : $"{count} {what}s";
}
