using Juxtopsis.Core.Framing;
using Juxtopsis.Core.Optics;

namespace Juxtopsis.Core.Rigs;

/// <summary>Answers what a rig gives in a scene. Pure arithmetic: no state, no allocation, safe on any thread.</summary>
public static class RigEvaluator
{
    /// <summary>Evaluates one rig.</summary>
    /// <param name="scene">Distances and delivery; values within <see cref="Quantities.Quantity"/>'s ranges.</param>
    /// <param name="conventions">Reference format and circle of confusion.</param>
    /// <param name="rig">The rig, in ranges likewise.</param>
    /// <returns>
    /// The report. <see cref="RigReport.Focus"/> is null when the subject is nearer than
    /// <see cref="RigReport.NearestSubjectDistanceMm"/>; all that does not depend on focus is there all the same.
    /// </returns>
    public static RigReport Evaluate(in Scene scene, in Conventions conventions, in Rig rig)
    {
        var modeWidth = rig.SensorWidthMm / rig.PunchIn;
        var modeHeight = rig.SensorHeightMm / rig.PunchIn;
        var desqueezedAspect = rig.Squeeze * modeWidth / modeHeight;
        var aspect = scene.DeliveryAspect ?? desqueezedAspect;
        var used = scene.DeliveryAspect is null
            ? new UsedArea(modeWidth, modeHeight, rig.Squeeze)
            : UsedArea.Trim(modeWidth, modeHeight, rig.Squeeze, aspect);

        var crop = Compare(conventions, modeWidth, modeHeight, aspect, used);
        var lens = Behind(rig, crop.Delivered);
        var circle = used.PictureDiagonalMm / conventions.CocDivisor;
        var hyperfocal = DepthOfField.Hyperfocal(lens.EffectiveFocalLengthMm, lens.EffectiveFNumber, circle);

        return new RigReport(
            UseOf(scene, rig, desqueezedAspect, aspect, used),
            crop,
            lens,
            Angles(used, lens.EffectiveFocalLengthMm),
            new SharpnessLimits(circle, hyperfocal + ImageDistance(lens.EffectiveFocalLengthMm, hyperfocal)),
            Focused(scene, used, lens, hyperfocal));
    }

    private static SensorUse UseOf(in Scene scene, in Rig rig, double desqueezedAspect, double aspect, in UsedArea used)
    {
        if (rig.Recorded is not { } recorded)
        {
            return new SensorUse(used.WidthMm, used.HeightMm, desqueezedAspect, aspect, null, null, null);
        }

        var pixels = new PixelSize(
            recorded.Width * (used.WidthMm / rig.SensorWidthMm),
            recorded.Height * (used.HeightMm / rig.SensorHeightMm));
        double? enlargement = scene.DeliveryWidthPx is { } asked
            ? Math.Max(asked / pixels.Width, asked / aspect / pixels.Height)
            : null;
        return new SensorUse(used.WidthMm, used.HeightMm, desqueezedAspect, aspect, pixels, enlargement, 1 / enlargement);
    }

    private static CropFactors Compare(in Conventions conventions, double modeWidth, double modeHeight, double aspect, in UsedArea used)
    {
        var width = conventions.ReferenceWidthMm;
        var height = conventions.ReferenceHeightMm;
        var reference = UsedArea.Trim(width, height, 1, aspect);
        return new CropFactors(
            Math.Sqrt((width * width + height * height) / (modeWidth * modeWidth + modeHeight * modeHeight)),
            width / modeWidth,
            height / modeHeight,
            reference.HeightMm / used.HeightMm);
    }

    private static LensOnSensor Behind(in Rig rig, double deliveredCrop)
    {
        var focalLength = rig.OpticsMagnification * rig.FocalLengthMm;
        var fNumber = rig.OpticsMagnification * rig.FNumber;
        return new LensOnSensor(
            focalLength,
            focalLength / rig.Squeeze,
            fNumber,
            -2 * PortableMath.Log2(rig.OpticsMagnification),
            focalLength * deliveredCrop,
            fNumber * deliveredCrop);
    }

    private static AngleOfView Angles(in UsedArea used, double focalLength) => new(
        ThinLens.AngleOfViewDeg(used.PictureWidthMm, focalLength),
        ThinLens.AngleOfViewDeg(used.HeightMm, focalLength),
        ThinLens.AngleOfViewDeg(used.PictureDiagonalMm, focalLength),
        ThinLens.EdgeStretch(used.PictureWidthMm, focalLength));

    private static FocusReport? Focused(in Scene scene, in UsedArea used, in LensOnSensor lens, double hyperfocal)
    {
        var focalLength = lens.EffectiveFocalLengthMm;
        if (scene.SubjectDistanceMm < ThinLens.NearestSubjectDistance(focalLength))
        {
            return null;
        }

        var subject = ThinLens.SubjectFromLens(focalLength, scene.SubjectDistanceMm);
        var lensFromSensor = scene.SubjectDistanceMm - subject;
        var background = scene.BackgroundDistanceMm - lensFromSensor;
        var m = ThinLens.Magnification(focalLength, subject);
        var disc = Blur.DiscMm(focalLength / lens.EffectiveFNumber, m, subject, background);
        var fieldWidth = used.PictureWidthMm / m;
        var fieldHeight = used.HeightMm / m;
        var spread = background / subject;

        return new FocusReport(
            m,
            fieldWidth,
            fieldHeight,
            fieldWidth * spread,
            fieldHeight * spread,
            DepthOfField.NearLimit(subject, hyperfocal, focalLength) + lensFromSensor,
            DepthOfField.FarLimit(subject, hyperfocal, focalLength) + lensFromSensor,
            disc,
            disc / used.HeightMm,
            disc / (used.Squeeze * used.PictureWidthMm),
            Blur.AiryDiscMm(lens.EffectiveFNumber, m),
            StandingFigure.Project(scene.FigureHeightMm, scene.LensHeightMm, fieldHeight),
            StandingFigure.Project(scene.FigureHeightMm, scene.LensHeightMm, fieldHeight * spread));
    }

    private static double ImageDistance(double focalLength, double objectFromLens) =>
        focalLength * objectFromLens / (objectFromLens - focalLength);
}
