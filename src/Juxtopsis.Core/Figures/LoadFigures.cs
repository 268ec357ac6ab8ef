namespace Juxtopsis.Core.Figures;

/// <summary>Weight, length and money of a rig. A sum of which a part is not known is no sum: only what it is at least exists then.</summary>
internal static class LoadFigures
{
    public static IReadOnlyList<FigureDefinition> All { get; } =
    [
        new(
            FigureId.RigWeightG, "Gr", "Weight", FigureUnit.Grams, FigureComparison.Percent,
            "What the whole rig weighs, with all that is mounted on it; it exists when the weight of every part is known.",
            (in _) => "Gk", (in c) => c.Rig.Load is { WeightsUnknown: null, WeightG: var sum } ? sum : null),
        new(
            FigureId.RigWeightAtLeastG, "Gl", "Weight, at least", FigureUnit.Grams, FigureComparison.None,
            "The weight of those parts of which it is known.",
            (in _) => "Gk", (in c) => c.Rig.Load.WeightG),
        new(
            FigureId.RigLengthMm, "Lg", "Length of the rig", FigureUnit.LensMm, FigureComparison.Percent,
            "From the back of the camera to the front; what must fit on a gimbal, under a beam, into a bag.",
            (in _) => "Lk", (in c) => c.Rig.Load.LengthMm),
        new(
            FigureId.PurchasePrice, "Mp", "Price to buy", FigureUnit.Money, FigureComparison.Percent,
            "What those parts cost to buy that are not hired, without tax; it exists when every price is known.",
            (in _) => "Mb", (in c) => c.Rig.Load is { PricesUnknown: null, PurchasePrice: var sum } ? sum : null),
        new(
            FigureId.PurchaseAtLeast, "Ml", "Price, at least", FigureUnit.Money, FigureComparison.None,
            "The price of those parts of which it is known.",
            (in _) => "Mb", (in c) => c.Rig.Load.PurchasePrice),
        new(
            FigureId.HirePerDay, "Mh", "Hire a day", FigureUnit.Money, FigureComparison.Percent,
            "What the hired parts cost a day, without tax; it exists when every hire is known.",
            (in _) => "Md", (in c) => c.Rig.Load is { HiresUnknown: null, HirePerDay: var sum } ? sum : null),
        new(
            FigureId.HireAtLeast, "Me", "Hire, at least", FigureUnit.Money, FigureComparison.None,
            "The hire of those parts of which it is known.",
            (in _) => "Md", (in c) => c.Rig.Load.HirePerDay),
        new(
            FigureId.InsuredValue, "Iv", "Insured for", FigureUnit.Money, FigureComparison.Percent,
            "What all parts are insured for; it exists when every value is known. Never the same as a price.",
            (in _) => "Mv", (in c) => c.Rig.Load is { ValuesUnknown: null, InsuredValue: var sum } ? sum : null),
        new(
            FigureId.InsuredAtLeast, "Ij", "Insured, at least", FigureUnit.Money, FigureComparison.None,
            "What those parts are insured for of which it is known.",
            (in _) => "Mv", (in c) => c.Rig.Load.InsuredValue),
    ];
}
