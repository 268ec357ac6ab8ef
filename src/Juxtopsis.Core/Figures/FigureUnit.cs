namespace Juxtopsis.Core.Figures;

/// <summary>What the number of a figure counts. Decides how it is written, and what becomes of it when all lengths are scaled.</summary>
public enum FigureUnit
{
    /// <summary>A plain ratio.</summary>
    Ratio,

    /// <summary>A ratio that is said as "times".</summary>
    Times,

    /// <summary>Millimetres of a sensor, a lens or a disc.</summary>
    LensMm,

    /// <summary>Millimetres in the scene, which people say in metres or feet.</summary>
    SceneMm,

    /// <summary>A share that is said in per cent: 0.02 is 2 %.</summary>
    Share,

    /// <summary>Stops of light.</summary>
    Stops,

    /// <summary>Degrees.</summary>
    Degrees,

    /// <summary>Pixels.</summary>
    Pixels,

    /// <summary>An f-number.</summary>
    FNumber,

    /// <summary>A T-number.</summary>
    TNumber,

    /// <summary>Seconds.</summary>
    Seconds,

    /// <summary>Sensitivity, ISO.</summary>
    Iso,

    /// <summary>Exposure value at ISO 100.</summary>
    Ev,

    /// <summary>A number without unit, such as flickers.</summary>
    Count,

    /// <summary>Dioptres, 1/m.</summary>
    Dioptres,

    /// <summary>Frames a second or hertz.</summary>
    PerSecond,

    /// <summary>Grams.</summary>
    Grams,

    /// <summary>Money, in the crew's currency.</summary>
    Money,

    /// <summary>An index into the words of <see cref="BackgroundReading"/>.</summary>
    Reading,
}

/// <summary>How two rigs are compared in a figure.</summary>
public enum FigureComparison
{
    /// <summary>Not at all.</summary>
    None,

    /// <summary>In per cent of the yardstick's.</summary>
    Percent,

    /// <summary>Two f-numbers in stops: positive is more light or more blur.</summary>
    Stops,

    /// <summary>As a difference in the figure's own unit.</summary>
    Plain,
}
