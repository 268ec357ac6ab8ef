using Juxtopsis.Core.Figures;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Tests.Figures;

/// <summary>Short ways to a figure.</summary>
internal static class Case
{
    public static FigureCase Of(Scene scene, Rig rig, Conventions? conventions = null) =>
        FigureCase.Of(scene, conventions ?? Conventions.Default, [rig], 0)[0];

    public static double? Figure(this in FigureCase given, FigureId figure) => FigureCatalogue.All[(int)figure].Value(given);

    public static double? Difference(FigureId figure, Rig rig, Rig yardstick)
    {
        var cases = FigureCase.Of(new Scene(1000), Conventions.Default, [yardstick, rig], 0);
        return FigureCatalogue.All[(int)figure].Difference(cases[1].Figure(figure), cases[0].Figure(figure));
    }
}
