using FsCheck.Xunit;
using Juxtopsis.Core.Figures;
using Juxtopsis.Core.Rigs;
using Juxtopsis.Core.Tests.Figures;
using Juxtopsis.Core.Tests.Rigs;
using Juxtopsis.Core.Working;

namespace Juxtopsis.Core.Tests.Working;

/// <summary>A working must be true: whoever reckons its formulas with its values gets its results.</summary>
[Properties(Arbitrary = [typeof(RandomFullSetups)], MaxTest = 1500)]
public sealed class WorkingTests
{
    [Property]
    public void Whoever_reckons_the_formulas_gets_the_figures(RandomFullSetup setup)
    {
        var given = setup.Case;
        foreach (var figure in Enum.GetValues<FigureId>())
        {
            var working = WorkingOut.Of(given, figure);
            if (working.Value is null)
            {
                Assert.Empty(working.Steps);
                continue;
            }

            var values = working.Inputs.ToDictionary(i => i.Symbol, i => i.Value);
            foreach (var step in working.Steps)
            {
                if (step.Formula.Length > 0)
                {
                    var reckoned = FormulaCalculator.Reckon(step.Formula, symbol => values[symbol]);
                    Assert.True(Agrees(reckoned, step.Value, Scale(step.Formula, values)), $"{figure}: {step.Symbol} = {step.Formula} = {step.Put} gives {reckoned:R}, not {step.Value:R}.");
                }

                values[step.Symbol] = step.Value;
            }

            Assert.Equal(working.Value, working.Steps[^1].Value);
            Assert.Equal(working.Figure.Symbol, working.Steps[^1].Symbol);
        }
    }

    /// <summary>Where nearly equal numbers are subtracted, rounding weighs as much as they are large.</summary>
    private static double Scale(string formula, Dictionary<string, double> values) => formula.Contains('−', StringComparison.Ordinal)
        ? Formula.Symbols(formula).Select(s => values[s]).Where(double.IsFinite).Append(1).Max(Math.Abs)
        : 0;

    private static bool Agrees(double a, double b, double scale) => a.Equals(b) || Math.Abs(a - b) <= 1e-9 * Math.Max(Math.Abs(b), scale);

    [Fact]
    public void A_crop_chain_is_told_link_by_link()
    {
        // A sensor of 23.5 mm, a mode that uses 19.9 mm of it, a 0.71 reducer, by widths: 1.532 × 1.181 × 0.71 = 1.284.
        var rig = new Rig(19.9, 13.2, 28, 2.8) { WholeSensor = new AreaSize(23.5, 15.6), Optics = new OpticsChain(0.71) };
        var given = Case.Of(new Scene(2000), rig, Conventions.Default with { Crop = CropSchool.Width });
        Assert.Equal(1.5319, given.Figure(FigureId.CropSensorStep)!.Value, 4);
        Assert.Equal(1.1809, given.Figure(FigureId.CropModeStep)!.Value, 4);
        Assert.Equal(1.2844, given.Figure(FigureId.CropChain)!.Value, 4);
        Assert.Equal(28 * 1.28442, given.Figure(FigureId.EquivalentFocalLengthMm)!.Value, 3);
        var working = WorkingOut.Of(given, FigureId.CropChain);
        Assert.Equal("q₁·q₂·z·q₄·k₁", working.Steps[^1].Formula);
        Assert.Equal("1.531915·1.180905·1·1·0.71", working.Steps[^1].Put);
        Assert.Equal(Schools.Reference | Schools.Crop, working.Schools);
    }

    [Fact]
    public void Negative_values_stand_in_parentheses_and_functions_keep_their_names()
    {
        Assert.Equal(["a", "b₁"], Formula.Symbols("2·atan(a/b₁) + a²"));
        Assert.Equal("2·atan((−1.5)/3) + (−1.5)²", Formula.Put("2·atan(a/b₁) + a²", s => s == "a" ? WorkingNumber.Say(-1.5) : "3"));
    }

    [Theory]
    [InlineData(35.5, "35.5")]
    [InlineData(-0.0123, "−0.0123")]
    [InlineData(1.23456789e-7, "1.234568·10⁻⁷")]
    [InlineData(1e12, "1·10¹²")]
    [InlineData(double.PositiveInfinity, "∞")]
    public void Numbers_are_written_for_people(double value, string text) => Assert.Equal(text, WorkingNumber.Say(value));
}
