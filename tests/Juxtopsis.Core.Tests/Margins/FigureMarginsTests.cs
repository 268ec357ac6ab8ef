using Juxtopsis.Core.Figures;
using Juxtopsis.Core.Margins;
using Juxtopsis.Core.Optics;
using Juxtopsis.Core.Rigs;
using Juxtopsis.Core.Tests.Measuring;

namespace Juxtopsis.Core.Tests.Margins;

/// <summary>How sure figures are, against random sampling of what is not measured.</summary>
public sealed class FigureMarginsTests
{
    private static readonly Rig Plain = new(36, 20.25, 50, 2.8) { Lens = new LensData { WidestFNumber = 1.4, NarrowestFNumber = 22 } };
    private static readonly Scene Near = new(2500) { BackgroundDistanceMm = 4000, DeliveryAspect = 16.0 / 9 };

    private static FigureCase Case(Rig rig, Scene scene, Conventions conventions) => FigureCase.Of(scene, conventions, [rig], 0)[0];

    private static double PlusMinus(in FigureCase given, FigureId id)
    {
        var all = new double[FigureCatalogue.All.Count];
        FigureMargins.Fill(given, all);
        return all[(int)id];
    }

    [Fact]
    public void The_equivalent_is_as_unsure_as_the_mark()
    {
        var given = Case(Plain, Near, Conventions.Default);
        Assert.Equal(0.03 * given.Report.Lens.EquivalentFocalLengthMm, PlusMinus(given, FigureId.EquivalentFocalLengthMm), 1e-6);
        var part = Assert.Single(FigureMargins.Of(given, FigureId.EquivalentFocalLengthMm));
        Assert.Equal((MarginSource.FocalLength, 0.03, false), (part.Source, part.Given, part.IsMeasured));
    }

    [Fact]
    public void A_measured_lens_is_as_sure_as_its_test()
    {
        var rig = Plain with { Lens = Plain.Lens with { MeasuredFocalLengthMm = 48.6, MeasuredPlusMinusShare = 0.004 } };
        var measured = Conventions.Default with { FocalLength = FocalLengthSchool.Measured };
        var given = Case(rig, Near, measured);
        Assert.Equal(0.004 * given.Report.Lens.EquivalentFocalLengthMm, PlusMinus(given, FigureId.EquivalentFocalLengthMm), 1e-6);
        Assert.True(FigureMargins.Of(given, FigureId.EquivalentFocalLengthMm)[0].IsMeasured);

        // By marks, what was measured does not count; said without a ±, it is taken for 1 %.
        var marked = Case(rig, Near, Conventions.Default);
        Assert.Equal(0.03 * marked.Report.Lens.EquivalentFocalLengthMm, PlusMinus(marked, FigureId.EquivalentFocalLengthMm), 1e-6);
        var unsaid = Case(rig with { Lens = rig.Lens with { MeasuredPlusMinusShare = null } }, Near, measured);
        Assert.Equal(0.01 * unsaid.Report.Lens.EquivalentFocalLengthMm, PlusMinus(unsaid, FigureId.EquivalentFocalLengthMm), 1e-6);
    }

    [Fact]
    public void Focal_length_and_factor_add_up_as_squares()
    {
        var reduced = Plain with { Optics = new OpticsChain(new Converter(0.71)) };
        var given = Case(reduced, Near, Conventions.Default);
        Assert.Equal(Math.Sqrt(0.03 * 0.03 + 0.02 * 0.02) * given.Report.Lens.EquivalentFocalLengthMm, PlusMinus(given, FigureId.EquivalentFocalLengthMm), 1e-5);
        var tested = Case(reduced with { Optics = new OpticsChain(new Converter(0.71) { PlusMinusShare = 0.005 }) }, Near, Conventions.Default);
        Assert.Equal(Math.Sqrt(0.03 * 0.03 + 0.005 * 0.005) * given.Report.Lens.EquivalentFocalLengthMm, PlusMinus(tested, FigureId.EquivalentFocalLengthMm), 1e-5);
    }

    [Fact]
    public void What_is_infinite_or_not_there_has_no_margin_and_what_may_be_infinite_an_infinite_one()
    {
        var wide = new Rig(36, 20.25, 18, 8);
        var given = Case(wide, Near, Conventions.Default);
        Assert.Equal(double.PositiveInfinity, given.Report.Focus!.Value.DepthOfFieldFarMm);
        Assert.True(double.IsNaN(PlusMinus(given, FigureId.DepthOfFieldFarMm)));
        Assert.Empty(FigureMargins.Of(given, FigureId.DepthOfFieldFarMm));

        // Just short of the hyperfocal distance the far end is finite, but not surely.
        var edge = Case(wide, Near with { SubjectDistanceMm = 0.995 * given.Report.Sharpness.HyperfocalDistanceMm!.Value, BackgroundDistanceMm = 1e6 }, Conventions.Default);
        Assert.True(double.IsFinite(edge.Report.Focus!.Value.DepthOfFieldFarMm));
        Assert.Equal(double.PositiveInfinity, PlusMinus(edge, FigureId.DepthOfFieldFarMm));
    }

    [Fact]
    public void Without_tolerances_nothing_is_unsure()
    {
        var given = Case(Plain, Near, Conventions.Default with { Tolerances = new Tolerances { FocalLengthShare = 0, FactorShare = 0, TapeMm = 0, RoomMm = 0 } });
        var all = new double[FigureCatalogue.All.Count];
        FigureMargins.Fill(given, all);
        Assert.All(all.Where(v => !double.IsNaN(v)), v => Assert.Equal(0, v));
    }

    [Fact]
    public void Every_figure_is_as_unsure_as_random_sampling_says()
    {
        const int draws = 1500;
        var noise = new Noise(20);
        var (compared, beyond, held, drawn) = (0, 0, 0L, 0L);
        for (var each = 0; each < 24; each++)
        {
            var rig = new Rig(each % 2 == 0 ? 36 : 23.5, each % 2 == 0 ? 20.25 : 13.2, noise.Between(20, 135), noise.Between(1.4, 5.6))
            {
                Optics = each % 3 == 0 ? new OpticsChain(new Converter(noise.Between(0.65, 0.8))) : OpticsChain.None,
                Squeeze = each % 4 == 0 ? 1.33 : 1,
            };
            var distance = rig.FocalLengthMm * noise.Between(25, 70);
            var scene = new Scene(distance) { BackgroundDistanceMm = distance * noise.Between(1.3, 3), DeliveryAspect = 16.0 / 9, Light = new() { BrightnessEv = 9 } };
            var given = Case(rig, scene, Conventions.Default);
            var count = FigureCatalogue.All.Count;
            var (values, margins, sums, squares, inside) = (new double[count], new double[count], new double[count], new double[count], new int[count]);
            FigureCatalogue.Fill(given, values);
            FigureMargins.Fill(given, margins);
            var figures = new double[count];
            for (var draw = 0; draw < draws; draw++)
            {
                FigureCatalogue.Fill(Drawn(rig, scene, given, noise), figures);
                for (var i = 0; i < count; i++)
                {
                    var off = figures[i] - values[i];
                    (sums[i], squares[i]) = (sums[i] + off, squares[i] + off * off);
                    inside[i] += Math.Abs(off) <= margins[i] ? 1 : 0;
                }
            }

            for (var i = 0; i < count; i++)
            {
                // What is nearly exact has only rounding to compare; what runs towards infinity no standard deviation.
                if (!(margins[i] > 1e-7 * Math.Abs(values[i])) || !double.IsFinite(margins[i]) || !double.IsFinite(squares[i]) || margins[i] > 0.3 * Math.Abs(values[i]))
                {
                    continue;
                }

                var sampled = 1.959964 * Math.Sqrt((squares[i] - sums[i] * sums[i] / draws) / draws);
                compared++;
                beyond += Math.Abs(margins[i] / sampled - 1) > 0.1 ? 1 : 0;
                (held, drawn) = (held + inside[i], drawn + draws);
            }
        }

        Assert.True(compared > 800, $"{compared} figures were compared.");
        Assert.True(beyond <= 0.02 * compared, $"{beyond} of {compared} are more than a tenth off what was sampled.");
        Assert.InRange((double)held / drawn, 0.94, 0.96);
    }

    /// <summary>The same rig as it may truly be; written apart from the code under test.</summary>
    private static FigureCase Drawn(Rig rig, Scene scene, in FigureCase given, Noise noise)
    {
        double Share(double plusMinus) => 1 + noise.Normal(plusMinus / 1.959964);
        double Off(double plusMinus) => noise.Normal(plusMinus / 1.959964);
        var conventions = Conventions.Default with { FocalLength = FocalLengthSchool.Measured };
        var drawn = rig with
        {
            Lens = rig.Lens with { MeasuredFocalLengthMm = rig.FocalLengthMm * Share(0.03) },
            Optics = rig.Optics.IsNone ? OpticsChain.None : new OpticsChain(new Converter(rig.Optics.First.Magnification * Share(0.02))),
            Squeeze = rig.Squeeze == 1 ? 1 : rig.Squeeze * Share(0.02),
        };
        var stands = Off(20);
        var place = scene with { SubjectDistanceMm = scene.SubjectDistanceMm + stands, BackgroundDistanceMm = scene.BackgroundDistanceMm + stands + Off(100) };
        return new(place, conventions, drawn, RigEvaluator.Evaluate(place, conventions, drawn), given.YardstickRig, given.Yardstick);
    }
}
