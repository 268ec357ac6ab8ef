using FsCheck.Xunit;
using Juxtopsis.Core.Figures;
using Juxtopsis.Core.Quantities;
using Juxtopsis.Core.Rigs;
using Juxtopsis.Core.Tests.Rigs;

namespace Juxtopsis.Core.Tests.Figures;

/// <summary>What must hold for every figure of any rig in any scene, however odd.</summary>
[Properties(Arbitrary = [typeof(RandomFullSetups)], MaxTest = 3000)]
public sealed class FigureProperties
{
    private static readonly FigureId[] MayBeInfinite =
    [
        FigureId.FarthestSubjectDistanceMm, FigureId.BackgroundFieldWidthMm, FigureId.BackgroundFieldHeightMm, FigureId.DepthOfFieldFarMm,
        FigureId.DepthOfFieldMm, FigureId.DepthBehindMm, FigureId.FarthestByMountMm,
    ];

    [Fact]
    public void The_catalogue_is_in_the_order_of_its_names()
    {
        Assert.Equal(Enum.GetValues<FigureId>(), FigureCatalogue.All.Select(f => f.Id));
        Assert.Equal(FigureCatalogue.All.Count, FigureCatalogue.All.Select(f => f.Symbol).Distinct().Count());
        Assert.All(FigureCatalogue.All, f => Assert.EndsWith(".", f.Meaning, StringComparison.Ordinal));
    }

    [Property]
    public void No_figure_is_not_a_number_and_only_distances_may_be_infinite(RandomFullSetup setup)
    {
        var given = setup.Case;
        foreach (var figure in FigureCatalogue.All)
        {
            var value = figure.Value(given);
            Assert.False(value is { } number && (double.IsNaN(number) || (double.IsInfinity(number) && !MayBeInfinite.Contains(figure.Id))), $"{figure.Id} is {value}.");
            var difference = figure.Difference(value, figure.Value(FigureCase.Of(setup.Scene, setup.Conventions, [setup.Yardstick], 0)[0]));
            Assert.False(difference is { } d && !double.IsFinite(d), $"The difference of {figure.Id} is {difference}.");
        }
    }

    [Property]
    public void A_figure_is_marked_as_a_worry_exactly_where_the_words_tell_of_one(RandomFullSetup setup)
    {
        var given = setup.Case;
        foreach (var (id, reason) in (ReadOnlySpan<(FigureId, Reasons)>)
            [
                (FigureId.Enlargement, Reasons.Enlarged), (FigureId.DarkShare, Reasons.CircleDoesNotCover),
                (FigureId.AiryDiscCircles, Reasons.DiffractionSoftens), (FigureId.FaceStretch, Reasons.FaceStretched),
            ])
        {
            Assert.True(given.Figure(id) is not { } value || given.Report.Reasons.HasFlag(reason) == value > FigureCatalogue.All[(int)id].WorryAbove, $"{id} is {given.Figure(id)}");
        }
    }

    [Property]
    public void A_rig_does_not_differ_from_itself(RandomFullSetup setup)
    {
        var given = FigureCase.Of(setup.Scene, setup.Conventions, [setup.Rig], 0)[0];
        Assert.All(FigureCatalogue.All, f => Assert.True((f.Difference(f.Value(given), f.Value(given)) ?? 0) == 0, $"{f.Id}"));
        Assert.Equal(1, given.Figure(FigureId.MatchingFactor));
    }

    [Property]
    public void Every_reason_is_put_in_words_that_name_a_quantity_a_bound_and_a_mend(RandomFullSetup setup)
    {
        foreach (var unit in Enum.GetValues<LengthUnit>())
        {
            Assert.All(ReasonWords.Of(setup.Case, unit), reason =>
            {
                Assert.NotEmpty(reason.About);
                Assert.NotEmpty(reason.Value);
                Assert.NotEmpty(reason.Limit);
                Assert.EndsWith(".", reason.Message, StringComparison.Ordinal);
                Assert.EndsWith(".", reason.Fix, StringComparison.Ordinal);
                Assert.DoesNotContain("NaN", reason.Message + reason.Fix, StringComparison.Ordinal);
            });
        }
    }

    [Property]
    public bool Without_a_plane_of_focus_there_is_a_reason_that_stops(RandomFullSetup setup)
    {
        var report = setup.Case.Report;
        return report.Focus is not null == ((report.Reasons & (Reasons.TooClose | Reasons.TooFar)) == Reasons.None);
    }

    [Property]
    public void The_steps_of_light_add_up_from_the_brightness_of_the_scene_to_what_is_left_over(RandomFullSetup setup)
    {
        var given = setup.Case;
        if (given.Report.Light.LeftOverStops is { } leftOver)
        {
            Assert.Equal(leftOver, setup.Scene.Light.BrightnessEv!.Value + LightStepTests.SumOf(given), 1e-9);
        }
    }

    [Property]
    public void In_focus_subject_and_image_distance_add_up_to_the_distance(RandomFullSetup setup)
    {
        if (setup.Case.Report.Focus is { } focus)
        {
            var fromSensor = setup.Scene.SubjectDistanceMm
                + (setup.Conventions.DistanceFrom == DistanceMark.LensFront ? setup.Rig.Lens.FrontFromSensorMm ?? 0 : 0);
            Assert.Equal(1, (focus.SubjectFromLensMm + focus.ImageDistanceMm + focus.RestMm) / fromSensor, 1e-9);
        }
    }
}
