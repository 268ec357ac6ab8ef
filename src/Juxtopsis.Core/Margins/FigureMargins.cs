using Juxtopsis.Core.Figures;
using Juxtopsis.Core.Optics;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Margins;

/// <summary>How sure figures are, by what is not measured of a rig and of where it stands: the evaluator is asked on both sides of each.</summary>
public static class FigureMargins
{
    /// <summary>The ± of all figures.</summary>
    /// <param name="given">The rig in its scene.</param>
    /// <param name="plusMinus">
    /// Room for <see cref="FigureCatalogue.All"/>, in each figure's unit: NaN where the figure does not exist or is infinite, infinity where it runs to infinity on a side.
    /// </param>
    public static void Fill(in FigureCase given, Span<double> plusMinus)
    {
        var count = FigureCatalogue.All.Count;
        var (values, below, above) = (new double[count], new double[count], new double[count]);
        FigureCatalogue.Fill(given, values);
        for (var i = 0; i < count; i++)
        {
            plusMinus[i] = double.IsFinite(values[i]) ? 0 : double.NaN;
        }

        foreach (var input in InputsOf(given))
        {
            FigureCatalogue.Fill(Moved(given, input, -1), below);
            FigureCatalogue.Fill(Moved(given, input, 1), above);
            for (var i = 0; i < count; i++)
            {
                var part = Propagation.Of(Known(below[i]), values[i], Known(above[i]));
                plusMinus[i] += part * part;
            }
        }

        for (var i = 0; i < count; i++)
        {
            plusMinus[i] = Math.Sqrt(plusMinus[i]);
        }
    }

    /// <summary>What the ± of one figure comes from.</summary>
    /// <param name="given">The rig in its scene.</param>
    /// <param name="figure">The figure.</param>
    /// <returns>The ± by what is put in, the largest first; empty where the figure does not exist, is infinite, or goes by none of it.</returns>
    public static IReadOnlyList<MarginPart> Of(in FigureCase given, FigureId figure)
    {
        var definition = FigureCatalogue.All[(int)figure];
        if (definition.Value(given) is not { } value || !double.IsFinite(value))
        {
            return [];
        }

        var parts = new List<MarginPart>();
        foreach (var input in InputsOf(given))
        {
            var part = Propagation.Of(definition.Value(Moved(given, input, -1)), value, definition.Value(Moved(given, input, 1)));
            if (part > 1e-9 * Math.Abs(value))
            {
                parts.Add(new(input.Source, "", input.PlusMinus, input.IsMeasured, part));
            }
        }

        return [.. parts.OrderByDescending(p => p.PlusMinus)];
    }

    /// <summary>The root of the sum of squares.</summary>
    /// <param name="parts">What each makes alone.</param>
    /// <returns>The ± together.</returns>
    public static double Together(IReadOnlyList<MarginPart> parts) => Propagation.Together(parts);

    private static List<Input> InputsOf(in FigureCase given)
    {
        ref readonly var rig = ref given.Rig;
        var tolerances = given.Conventions.Tolerances;
        var inputs = new List<Input>();
        var isMeasured = given.Conventions.FocalLength == FocalLengthSchool.Measured && rig.Lens.MeasuredFocalLengthMm is not null;
        inputs.Add(new(MarginSource.FocalLength, 0, isMeasured ? rig.Lens.MeasuredPlusMinusShare ?? Tolerances.MeasuredShare : tolerances.FocalLengthShare, isMeasured));
        for (var i = 0; i < OpticsChain.Most; i++)
        {
            if (rig.Optics.At(i) is { IsNone: false } converter)
            {
                inputs.Add(new(MarginSource.Factor, i, converter.PlusMinusShare ?? tolerances.FactorShare, converter.PlusMinusShare is not null));
            }
        }

        if (rig.Squeeze != 1)
        {
            inputs.Add(new(MarginSource.Squeeze, 0, rig.SqueezePlusMinusShare ?? tolerances.FactorShare, rig.SqueezePlusMinusShare is not null));
        }

        inputs.Add(new(MarginSource.Tape, 0, tolerances.TapeMm, true));
        if (double.IsFinite(given.Scene.BackgroundDistanceMm))
        {
            inputs.Add(new(MarginSource.Room, 0, tolerances.RoomMm, false));
        }

        inputs.RemoveAll(i => !(i.PlusMinus > 0));
        return inputs;
    }

    /// <summary>The same rig, with one thing one standard uncertainty off; its yardstick stays.</summary>
    private static FigureCase Moved(in FigureCase given, Input input, int side)
    {
        var by = side * Propagation.Standard(input.PlusMinus);
        var (scene, conventions, rig) = (given.Scene, given.Conventions, given.Rig);
        switch (input.Source)
        {
            case MarginSource.FocalLength:
                rig = rig with { Lens = rig.Lens with { MeasuredFocalLengthMm = given.Report.Lens.UsedFocalLengthMm * (1 + by) } };
                conventions = conventions with { FocalLength = FocalLengthSchool.Measured };
                break;
            case MarginSource.Factor:
                var optics = rig.Optics;
                rig = rig with { Optics = OpticsChain.Of([.. Enumerable.Range(0, OpticsChain.Most).Select(i => Scaled(optics.At(i), i == input.Index ? 1 + by : 1))]) };
                break;
            case MarginSource.Squeeze:
                rig = rig with { Squeeze = rig.Squeeze * (1 + by) };
                break;
            case MarginSource.Tape:
                scene = scene.From(Math.Max(1, scene.SubjectDistanceMm + by));
                break;
            default:
                scene = scene with { BackgroundDistanceMm = Math.Max(scene.SubjectDistanceMm, scene.BackgroundDistanceMm + by) };
                break;
        }

        return new(scene, conventions, rig, RigEvaluator.Evaluate(scene, conventions, rig), given.YardstickRig, given.Yardstick);
    }

    private static Converter Scaled(Converter converter, double by) => converter with { Magnification = converter.Magnification * by };

    private static double? Known(double value) => double.IsNaN(value) ? null : value;

    private readonly record struct Input(MarginSource Source, int Index, double PlusMinus, bool IsMeasured);
}
