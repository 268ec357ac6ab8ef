using Juxtopsis.Core.Figures;

namespace Juxtopsis.Core.Rigs;

/// <summary>One way of answering a question on which people differ.</summary>
/// <param name="Name">Its name.</param>
/// <param name="Sentence">What it means, in a sentence.</param>
/// <param name="Conventions">The conventions with this answer, all else as it was.</param>
/// <param name="IsChosen">True for the answer that is in force.</param>
public sealed record ConventionOption(string Name, string Sentence, Conventions Conventions, bool IsChosen);

/// <summary>A question on which people differ, and its answers.</summary>
/// <param name="School">Which.</param>
/// <param name="Title">The question in a few words.</param>
/// <param name="Sentence">What depends on it.</param>
/// <param name="Options">The answers; one is chosen.</param>
public sealed record ConventionQuestion(Schools School, string Title, string Sentence, IReadOnlyList<ConventionOption> Options);

/// <summary>All questions with their answers, for a person to choose from.</summary>
public static class ConventionChoices
{
    private static readonly AreaSize CineFrame = new(24.89, 18.66);

    /// <summary>The questions.</summary>
    /// <param name="now">The conventions in force.</param>
    /// <returns>Six questions, in the order in which they weigh.</returns>
    public static IReadOnlyList<ConventionQuestion> Of(Conventions now) =>
    [
        new(Schools.Reference, "Equivalents refer to", "The format whose focal lengths and apertures you have in your head.", References(now)),
        new(
            Schools.Crop,
            "Crop factor by",
            "What is divided by what. For a 4:3 sensor that delivers 16:9 the answers differ visibly.",
            [
                Choose("Delivered frame", "Both formats trimmed to the delivered shape first; width, height and diagonal then agree: “same picture”.", now with { Crop = CropSchool.Delivered }, now),
                Choose("Diagonal", "Diagonals of the whole areas, as on spec sheets.", now with { Crop = CropSchool.Diagonal }, now),
                Choose("Width", "Widths of the whole areas: same picture when both are trimmed above and below.", now with { Crop = CropSchool.Width }, now),
                Choose("Height", "Heights of the whole areas: same picture when both are trimmed at the sides.", now with { Crop = CropSchool.Height }, now),
            ]),
        new(Schools.Circle, "Sharp means", "The largest disc that still counts as a point. Depth of field and hyperfocal hang on it.", Circles(now)),
        new(
            Schools.Distance,
            "Distance from",
            "Where a distance begins. Matters close up, and with long lenses.",
            [
                Choose("Sensor mark", "Where a tape is hooked.", now with { DistanceFrom = DistanceMark.SensorMark }, now),
                Choose("Front of the lens", "What is left in a room; needs the length of each lens.", now with { DistanceFrom = DistanceMark.LensFront }, now),
            ]),
        new(
            Schools.SqueezedDepth,
            "Depth of squeezed lenses",
            "Which direction decides the sharp zone behind a front squeeze.",
            [
                Choose("Up and down", "Blur is largest up and down, so it is seen there first.", now with { SqueezedDepth = DepthSchool.Vertical }, now),
                Choose("Across", "Discs are narrower across: a deeper zone, for those who judge by upright edges.", now with { SqueezedDepth = DepthSchool.Horizontal }, now),
            ]),
        new(
            Schools.FocalLength,
            "Focal length",
            "Marked focal lengths are rounded, sometimes by several per cent.",
            [
                Choose("As marked", "What is engraved.", now with { FocalLength = FocalLengthSchool.Marked }, now),
                Choose("As measured", "What your own tests gave, for lenses that were tested.", now with { FocalLength = FocalLengthSchool.Measured }, now),
            ]),
    ];

    private static IReadOnlyList<ConventionOption> References(Conventions now)
    {
        bool Is(double width, double height) => now.ReferenceWidthMm == width && now.ReferenceHeightMm == height;
        ConventionOption Format(string name, string sentence, AreaSize size) => new(
            name, sentence, now with { ReferenceWidthMm = size.WidthMm, ReferenceHeightMm = size.HeightMm }, Is(size.WidthMm, size.HeightMm));
        List<ConventionOption> options =
        [
            Format("Full frame", "36 × 24 mm, what most people compare with.", new(36, 24)),
            Format("35 mm cine frame", "24.89 × 18.66 mm, for those who learnt on cine lenses.", CineFrame),
        ];
        foreach (var other in SensorFormat.All.Where(f => (f.WidthMm, f.HeightMm) != (36, 24) && (f.WidthMm, f.HeightMm) != (CineFrame.WidthMm, CineFrame.HeightMm)))
        {
            options.Add(Format(other.Name, "A format by name.", new(other.WidthMm, other.HeightMm)));
        }

        if (!options.Exists(o => o.IsChosen))
        {
            options.Add(new("Own size", "The size that you typed.", now, true));
        }

        return options;
    }

    private static IReadOnlyList<ConventionOption> Circles(Conventions now)
    {
        bool Is(double divisor) => now.Circle == CircleSchool.ShareOfDiagonal && now.CocDivisor == divisor;
        ConventionOption Share(double divisor, string sentence) => new(
            $"1/{Quantities.LengthWords.Number(divisor)} of the diagonal", sentence, now with { Circle = CircleSchool.ShareOfDiagonal, CocDivisor = divisor }, Is(divisor));
        List<ConventionOption> options =
        [
            Share(1500, "Of the delivered picture's diagonal: the same strictness for every format."),
            Share(1730, "The same, a little stricter."),
            new(
                "Fixed for each format",
                "The customary size in tables, by the generic format nearest to each mode.",
                now with { Circle = CircleSchool.FixedSize, CocFixedMm = null },
                now.Circle == CircleSchool.FixedSize && now.CocFixedMm is null),
            new("Delivered pixels", "So many pixels of the finished picture: for those who look at full size.", now with { Circle = CircleSchool.DeliveredPixels }, now.Circle == CircleSchool.DeliveredPixels),
            new("Eye and distance", "What a good eye can tell, one arc minute, at the picture as it is watched.", now with { Circle = CircleSchool.Acuity }, now.Circle == CircleSchool.Acuity),
        ];
        if (!options.Exists(o => o.IsChosen))
        {
            options.Add(new("Own size", "The size that you typed.", now, true));
        }

        return options;
    }

    private static ConventionOption Choose(string name, string sentence, Conventions then, Conventions now) => new(name, sentence, then, then == now);
}
