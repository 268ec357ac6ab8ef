using FsCheck.Xunit;
using Juxtopsis.Core.Figures;
using Juxtopsis.Core.Optics;
using Juxtopsis.Core.Rigs;
using Juxtopsis.Core.Tests.Rigs;

namespace Juxtopsis.Core.Tests.Figures;

/// <summary>
/// Lengths of different units cannot be mixed up unnoticed: names say their unit, and when every length that goes in is told in
/// another unit, every length that comes out is in that unit too, and nothing else changes.
/// </summary>
[Properties(Arbitrary = [typeof(RandomFullSetups)], MaxTest = 2000)]
public sealed class UnitsTests
{
    /// <summary>Figures that hang on a length of nature or of custom: a wavelength, a nose, a 24 mm lens, full frame, a table.</summary>
    private static readonly FigureId[] HangOnALength =
    [
        FigureId.AiryDiscMm, FigureId.AiryDiscCircles, FigureId.DiffractionFNumber, FigureId.FaceStretch, FigureId.Unsteadiness,
    ];

    private static readonly string[] UnitEndings =
    [
        "Mm", "Px", "Deg", "Stops", "FNumber", "TNumber", "Fps", "Hertz", "Iso", "WeightG", "PurchasePrice", "HirePerDay", "InsuredValue", "Ev", "Seconds", "Dioptres", "PerMm",
    ];

    /// <summary>Numbers without unit: ratios, shares, counts, and the two sides of a pixel size.</summary>
    private static readonly string[] Ratios =
    [
        "Aspect", "Squeeze", "PunchIn", "PunchInLeft", "Enlargement", "Magnification", "Divisor", "Share", "Step", "Chain", "Stretch", "Size",
        "OfHeight", "OfWidth", "FromTop", "Index", "Factor", "SlowMotion", "Flickers", "Unsteadiness", "Tolerance", "RackedOut",
        "BellowsFactor", "LightNeeded", "Diagonal", "Delivered", "Chosen", "Width", "Height", "Blades", "Unknown", "Ring", "ToSensor", "Spread", "RayMatrix.A", "RayMatrix.D", "Enlargement", "HighestIso",
    ];

    [Fact]
    public void Every_number_of_the_core_names_its_unit_or_is_a_known_ratio()
    {
        var unnamed =
            from type in typeof(Rig).Assembly.GetExportedTypes()
            where type.Namespace is "Juxtopsis.Core.Rigs" or "Juxtopsis.Core.Optics" or "Juxtopsis.Core.Framing" or "Juxtopsis.Core.Solving"
            from property in type.GetProperties()
            where property.PropertyType == typeof(double) || property.PropertyType == typeof(double?)
            where !UnitEndings.Concat(Ratios).Any(ending => $"{type.Name}.{property.Name}".EndsWith(ending, StringComparison.Ordinal)) && type != typeof(RayMatrix)
            select $"{type.Name}.{property.Name}";
        Assert.Empty(unnamed);
    }

    [Property]
    public void Told_in_other_units_all_lengths_scale_and_nothing_else_does(RandomFullSetup setup)
    {
        const double Scale = 8;
        var conventions = setup.Conventions;
        if (conventions is { Circle: CircleSchool.FixedSize, CocFixedMm: null })
        {
            return;
        }

        setup = setup with { Rig = Placed(setup.Rig), Yardstick = Placed(setup.Yardstick) };
        var given = setup.Case;
        var scaled = FigureCase.Of(
            Scaled(setup.Scene, Scale), Scaled(conventions, Scale), [Scaled(setup.Yardstick, Scale), Scaled(setup.Rig, Scale)], 0)[1];
        foreach (var figure in FigureCatalogue.All.Where(f => !HangOnALength.Contains(f.Id)))
        {
            var before = figure.Value(given);
            var after = figure.Value(scaled);
            var expected = figure.Unit is FigureUnit.LensMm or FigureUnit.SceneMm ? before * Scale : before;
            Assert.True(
                expected == after || (expected.HasValue && after.HasValue && Math.Abs(expected.Value - after.Value) <= 1e-9 * Math.Abs(expected.Value)),
                $"{figure.Id}: {before} became {after}.");
        }
    }

    private static Scene Scaled(in Scene s, double by) => s with
    {
        SubjectDistanceMm = s.SubjectDistanceMm * by,
        BackgroundDistanceMm = s.BackgroundDistanceMm * by,
        LensHeightMm = s.LensHeightMm * by,
        FigureHeightMm = s.FigureHeightMm * by,
        Still = s.Still is { } v ? new Still(v.WidthMm * by, v.HeightMm * by, v.FocalLengthMm * by) : null,
        MicrophoneMm = s.MicrophoneMm * by,
        SidewaysMm = s.SidewaysMm * by,
    };

    private static Conventions Scaled(in Conventions c, double by) => c with
    {
        ReferenceWidthMm = c.ReferenceWidthMm * by,
        ReferenceHeightMm = c.ReferenceHeightMm * by,
        CocFixedMm = c.CocFixedMm * by,
        ScreenWidthMm = c.ScreenWidthMm * by,
        ViewingDistanceMm = c.ViewingDistanceMm * by,
    };

    private static Converter Scaled(in Converter c, double by) => c with { PlaceMm = c.PlaceMm * by, TubeBehindMm = c.TubeBehindMm * by };

    /// <summary>The usual place of glass is a length that no setup tells; here it is told.</summary>
    private static Rig Placed(in Rig r) => LensInChain.Of(r, r.FocalLengthMm).IsTraced
        ? r with { Optics = new(Placed(r.Optics.First), Placed(r.Optics.Second), Placed(r.Optics.Third), Placed(r.Optics.Fourth)) }
        : r;

    private static Converter Placed(in Converter c) => c with { PlaceMm = c.PlaceMm ?? (c.IsNone ? null : Converter.UsualPlaceMm) };

    private static Rig Scaled(in Rig r, double by) => r with
    {
        SensorWidthMm = r.SensorWidthMm * by,
        SensorHeightMm = r.SensorHeightMm * by,
        WholeSensor = r.WholeSensor is { } w ? new AreaSize(w.WidthMm * by, w.HeightMm * by) : null,
        FocalLengthMm = r.FocalLengthMm * by,
        CloseUpDioptres = r.CloseUpDioptres / by,
        CloseUpFromLensMm = r.CloseUpFromLensMm * by,
        Optics = new(Scaled(r.Optics.First, by), Scaled(r.Optics.Second, by), Scaled(r.Optics.Third, by), Scaled(r.Optics.Fourth, by)),
        ExtensionMm = r.ExtensionMm * by,
        MountErrorMm = r.MountErrorMm * by,
        RearFilterMm = r.RearFilterMm * by,
        Lens = r.Lens with
        {
            ZoomShortMm = r.Lens.ZoomShortMm * by,
            ZoomLongMm = r.Lens.ZoomLongMm * by,
            WidestAlong = [.. r.Lens.WidestAlong.Select(p => p with { FocalLengthMm = p.FocalLengthMm * by })],
            MeasuredFocalLengthMm = r.Lens.MeasuredFocalLengthMm * by,
            MinimumFocusDistanceMm = r.Lens.MinimumFocusDistanceMm * by,
            FrontFromSensorMm = r.Lens.FrontFromSensorMm * by,
            ImageCircleMm = r.Lens.ImageCircleMm * by,
            FrontOpeningMm = r.Lens.FrontOpeningMm * by,
            FrontOpeningFromPupilMm = r.Lens.FrontOpeningFromPupilMm * by,
        },
    };
}
