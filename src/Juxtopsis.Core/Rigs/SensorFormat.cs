namespace Juxtopsis.Core.Rigs;

/// <summary>A sensor format by its generic name.</summary>
/// <param name="Name">The name that people use for it.</param>
/// <param name="WidthMm">Width, mm.</param>
/// <param name="HeightMm">Height, mm.</param>
/// <param name="CircleOfConfusionMm">
/// The customary circle of confusion, mm: about 1/1440 of the diagonal for stills formats, and the rounder sizes of cine tables
/// for Super 35 and Super 16. Custom, not physics.
/// </param>
public sealed record SensorFormat(string Name, double WidthMm, double HeightMm, double CircleOfConfusionMm)
{
    /// <summary>Its name within a sentence: full frame, but APS-C and Super 35.</summary>
    public string InSentence => Name == "Full frame" ? "full frame" : Name;

    /// <summary>The generic formats, largest first. Sizes are the usual ones; a body's own mode may differ by a few tenths.</summary>
    public static IReadOnlyList<SensorFormat> All { get; } =
    [
        new("44 × 33", 43.8, 32.9, 0.038),
        new("Full frame", 36, 24, 0.030),
        new("Super 35, open gate", 24.89, 18.66, 0.025),
        new("APS-C, 23.5 wide", 23.5, 15.6, 0.020),
        new("Super 35, 16:9", 24.89, 14, 0.025),
        new("APS-C, 22.3 wide", 22.3, 14.9, 0.019),
        new("Four Thirds type", 17.3, 13, 0.015),
        new("One-inch type", 13.2, 8.8, 0.011),
        new("Super 16", 12.52, 7.41, 0.013),
    ];

    /// <summary>A format by its name.</summary>
    /// <param name="name">A name, as in <see cref="All"/> or its beginning, such as <c>APS-C</c>; without regard to case.</param>
    /// <returns>The first that begins so; null for an empty or unknown name.</returns>
    public static SensorFormat? Named(string name)
    {
        ArgumentNullException.ThrowIfNull(name);
        return name.Length == 0 ? null : All.FirstOrDefault(f => f.Name.StartsWith(name.Trim(), StringComparison.OrdinalIgnoreCase));
    }

    /// <summary>What people call a format besides its name, by the beginning of that; written without spaces, hyphens and points.</summary>
    private static readonly (string Typed, string Name)[] Nicknames =
    [
        ("44x33", "44"), ("fullframe", "Full frame"), ("ff", "Full frame"), ("36x24", "Full frame"), ("super35", "Super 35"), ("s35", "Super 35"),
        ("apsc", "APS-C"), ("fourthirds", "Four Thirds"), ("4/3", "Four Thirds"), ("43", "Four Thirds"), ("m43", "Four Thirds"), ("1inch", "One-inch"), ("1\"", "One-inch"), ("oneinch", "One-inch"),
        ("super16", "Super 16"), ("s16", "Super 16"),
    ];

    /// <summary>A format by what people type for it.</summary>
    /// <param name="text">Such as <c>full frame</c>, <c>S35</c>, <c>APS-C</c> or <c>1 inch</c>; without regard to case, spaces and hyphens.</param>
    /// <returns>The format, of several that are called so the first; null when there is none.</returns>
    public static SensorFormat? Typed(string text)
    {
        ArgumentNullException.ThrowIfNull(text);
        var plain = string.Concat(text.Where(c => !char.IsWhiteSpace(c) && c is not ('-' or '.' or ','))).ToLowerInvariant().Replace('×', 'x');
        return Nicknames.FirstOrDefault(n => n.Typed == plain) is { Name: { } name } ? Named(name) : Named(text);
    }

    /// <summary>The formats of stills cameras: those that a crop factor without a word more is about.</summary>
    public static IReadOnlyList<SensorFormat> Stills { get; } = [.. All.Where(f => !f.Name.StartsWith("Super", StringComparison.Ordinal))];

    /// <summary>The generic format that is nearest in diagonal.</summary>
    /// <param name="widthMm">Width of an area, mm.</param>
    /// <param name="heightMm">Height of it, mm.</param>
    /// <param name="among">The formats to choose from; all when left out.</param>
    /// <returns>The format; for areas of equal distance the larger one.</returns>
    public static SensorFormat Nearest(double widthMm, double heightMm, IReadOnlyList<SensorFormat>? among = null)
    {
        var diagonal = Math.Sqrt(widthMm * widthMm + heightMm * heightMm);
        var formats = among ?? All;
        var best = formats[0];
        var least = double.PositiveInfinity;
        for (var i = 0; i < formats.Count; i++)
        {
            // In ratios: half the size is as far off as twice the size.
            var other = Math.Sqrt(formats[i].WidthMm * formats[i].WidthMm + formats[i].HeightMm * formats[i].HeightMm);
            var off = Math.Max(other / diagonal, diagonal / other);
            if (off < least)
            {
                (best, least) = (formats[i], off);
            }
        }

        return best;
    }
}
