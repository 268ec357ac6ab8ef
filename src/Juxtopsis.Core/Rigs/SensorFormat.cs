namespace Juxtopsis.Core.Rigs;

/// <summary>A sensor format by its generic name.</summary>
/// <param name="Name">The name that people use for it.</param>
/// <param name="WidthMm">Width, mm.</param>
/// <param name="HeightMm">Height, mm.</param>
public sealed record SensorFormat(string Name, double WidthMm, double HeightMm)
{
    /// <summary>The generic formats, largest first. Sizes are the usual ones; a body's own mode may differ by a few tenths.</summary>
    public static IReadOnlyList<SensorFormat> All { get; } =
    [
        new("44 × 33", 43.8, 32.9),
        new("Full frame", 36, 24),
        new("Super 35, open gate", 24.89, 18.66),
        new("APS-C, 23.5 wide", 23.5, 15.6),
        new("APS-C, 22.3 wide", 22.3, 14.9),
        new("Super 35, 16:9", 24.89, 14),
        new("Four Thirds type", 17.3, 13),
        new("One-inch type", 13.2, 8.8),
        new("Super 16", 12.52, 7.41),
    ];
}
