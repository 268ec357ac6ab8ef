using Juxtopsis.Core.Chains;
using Juxtopsis.Core.Figures;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Tests.Chains;

/// <summary>Weight, length and money of a rig: three kinds of money that are never added together, and what is not known never counts as nothing.</summary>
public sealed class LoadTests
{
    private static readonly GearItem Body = Made.Body.With(CommonFields.Price, 2000.0).With(CommonFields.Insured, 2400.0);
    private static readonly GearItem Hired = Made.Lens.With(CommonFields.Ownership, Ownership.Hire).With(CommonFields.Hire, 45.0).With(CommonFields.Price, 9000.0).With(CommonFields.Insured, 9000.0);

    [Fact]
    public void Each_kind_of_money_has_a_sum_of_its_own()
    {
        Assert.Equal(2000, Figure(FigureId.PurchasePrice, Body, Hired));
        Assert.Equal(45, Figure(FigureId.HirePerDay, Body, Hired));
        Assert.Equal(11_400, Figure(FigureId.InsuredValue, Body, Hired));
        Assert.Equal(1000, Figure(FigureId.RigWeightG, Body, Hired));
        Assert.Equal(140, Figure(FigureId.RigLengthMm, Body, Hired)!.Value, 1.0);
    }

    [Fact]
    public void A_sum_of_which_a_part_is_not_known_is_only_at_least_something()
    {
        GearItem[] parts = [Body.With(CommonFields.Weight, null).With(CommonFields.Insured, null), Hired.With(CommonFields.Hire, null)];
        Assert.Null(Figure(FigureId.RigWeightG, parts));
        Assert.Equal(400, Figure(FigureId.RigWeightAtLeastG, parts));
        Assert.Null(Figure(FigureId.HirePerDay, parts));
        Assert.Equal(0, Figure(FigureId.HireAtLeast, parts));
        Assert.Null(Figure(FigureId.InsuredValue, parts));
        Assert.Equal(9000, Figure(FigureId.InsuredAtLeast, parts));
        Assert.Equal(2000, Figure(FigureId.PurchasePrice, parts));
        Assert.Null(Figure(FigureId.RigLengthMm, Body, Hired.With(CommonFields.Length, null)));
    }

    [Theory]
    [InlineData(Ownership.Hire, null, 60.0)]
    [InlineData(Ownership.Own, 60.0, null)]
    [InlineData(Ownership.Borrow, 60.0, null)]
    public void The_one_price_of_before_goes_where_it_belongs(Ownership ownership, double? price, double? hire)
    {
        var now = FormerPrice.Apart(Made.Lens.With(CommonFields.Ownership, ownership).With(CommonFields.Price, 60.0));
        Assert.Equal((price, hire), (now.Get(CommonFields.Price), now.Get(CommonFields.Hire)));
    }

    private static double? Figure(FigureId figure, params GearItem[] parts)
    {
        var rig = Made.Assemble(new ChainSetting(), parts).Rig!.Value;
        return FigureCatalogue.All[(int)figure].Value(FigureCase.Of(new Scene(3000), Conventions.Default, [rig], 0)[0]);
    }
}
