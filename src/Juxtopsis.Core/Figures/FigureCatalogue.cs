namespace Juxtopsis.Core.Figures;

/// <summary>Every figure that the core gives, in the order of <see cref="FigureId"/>.</summary>
public static class FigureCatalogue
{
    /// <summary>All figures; the index of each is its <see cref="FigureId"/>.</summary>
    public static IReadOnlyList<FigureDefinition> All { get; } =
    [
        .. SensorFigures.All, .. LensFigures.All, .. FocusFigures.All, .. BlurFigures.All, .. SqueezeFigures.All,
        .. MovementFigures.All, .. LightFigures.All, .. BackFocusFigures.All, .. FrameFigures.All, .. LoadFigures.All,
    ];

    /// <summary>Writes the values of all figures; NaN for one that does not exist.</summary>
    /// <param name="given">The case.</param>
    /// <param name="values">Room for <see cref="All"/>.</param>
    public static void Fill(in FigureCase given, Span<double> values)
    {
        for (var i = 0; i < All.Count; i++)
        {
            values[i] = All[i].Value(given) ?? double.NaN;
        }
    }
}
