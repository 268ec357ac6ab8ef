namespace Juxtopsis.Core.Light;

/// <summary>How bright a place is, as people name it: a range and not one number, since the same words are used of both ends of it.</summary>
/// <param name="Name">What it is called.</param>
/// <param name="FromEv">The darkest that is called so, exposure value at ISO 100.</param>
/// <param name="UsualEv">What it is taken to be when nobody has measured.</param>
/// <param name="ToEv">The brightest.</param>
/// <remarks>Of a subject of middle grey. Source: exposure tables as they come with film and meters; ISO 2720 for the exposure value.</remarks>
public sealed record LightLevel(string Name, double FromEv, double UsualEv, double ToEv)
{
    /// <summary>All of them, the brightest first.</summary>
    public static IReadOnlyList<LightLevel> All { get; } =
    [
        new("Full sun", 14, 15, 16),
        new("Bright overcast", 12, 13, 14),
        new("Open shade", 11, 12, 13),
        new("Heavy overcast", 10, 11, 12),
        new("By a large window", 7, 8, 10),
        new("Well lit room", 6, 7, 8),
        new("Living room, evening", 4, 5, 6),
        new("Street at night", 3, 4, 6),
        new("Candles", 1, 2, 4),
        new("Full moon", -4, -3, -2),
    ];
}
