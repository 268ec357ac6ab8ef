using FsCheck;
using FsCheck.Fluent;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Tests.Rigs;

/// <summary>A scene and a rig drawn over the whole range of real gear, and well beyond.</summary>
public sealed record RandomSetup(Scene Scene, Rig Rig)
{
    public RigReport Report => RigEvaluator.Evaluate(Scene, Conventions.Default, Rig);

    public RigReport With(Func<Rig, Rig> change) => RigEvaluator.Evaluate(Scene, Conventions.Default, change(Rig));
}

public static class RandomSetups
{
    public static Arbitrary<RandomSetup> Setup() => (
        from width in Log(1, 300)
        from shape in Log(0.4, 3)
        from focalLength in Log(1, 2000)
        from fNumber in Log(0.5, 90)
        from optics in Gen.Elements(0.58, 0.64, 0.71, 0.8, 1, 1, 1, 1.4, 2)
        from squeeze in Gen.Elements(1, 1, 1, 1.33, 1.5, 1.8, 2)
        from punchIn in Gen.Elements(1, 1, 1.2, 2)
        from aspect in Gen.Elements<double?>(null, 16.0 / 9, 2.39, 1, 9.0 / 16)
        from reach in Log(4, 1e5)
        from behind in Log(1, 1e4)
        let distance = reach * focalLength * optics
        select new RandomSetup(
            new Scene(distance) { DeliveryAspect = aspect, BackgroundDistanceMm = behind > 5e3 ? double.PositiveInfinity : distance * behind },
            new Rig(width, width / shape, focalLength, fNumber) { Optics = new OpticsChain(optics), Squeeze = squeeze, PunchIn = punchIn }))
        .ToArbitrary();

    /// <summary>Numbers spread evenly over the orders of magnitude of a range.</summary>
    private static Gen<double> Log(double low, double high) =>
        Gen.Choose(0, 1_000_000).Select(n => low * Math.Pow(high / low, n / 1e6));
}
