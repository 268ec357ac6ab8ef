using Juxtopsis.Contracts.Evaluating;
using Juxtopsis.Contracts.Problems;
using Juxtopsis.Core.Quantities;
using Juxtopsis.Core.Rigs;
using Juxtopsis.Core.Solving;

namespace Juxtopsis.Contracts.Solving;

/// <summary>Between the core's solvers and the wire.</summary>
internal static class SolveMapping
{
    public static void Check(FieldChecks checks, SolveRequest request, LengthUnit unit)
    {
        EvaluateChecks.Check(checks, request.Setup, unit, "setup.");
        switch (request.Goal)
        {
            case SolveGoal.Distance or SolveGoal.FocalLength:
                checks.Given("sizeMm", request.SizeMm, Quantity.FieldSize, unit);
                break;
            case SolveGoal.Depth:
                checks.Given("fromMm", request.FromMm, Quantity.SubjectDistance, unit);
                checks.InRange("toMm", request.ToMm, Quantity.SubjectDistance, unit);
                if (request.ToMm <= request.FromMm)
                {
                    checks.Add(
                        "toMm", Quantity.SubjectDistance.Say(request.ToMm.Value, unit), "farther than where it begins",
                        "The sharp zone ends before it begins.", "Give the nearer distance first.");
                }

                break;
            case SolveGoal.Blur:
                checks.Given("share", request.Share, Quantity.BlurShare, unit);
                break;
            default:
                break;
        }
    }

    public static SolveResponse Solve(SolveRequest request, LengthUnit unit)
    {
        var conventions = request.Setup.Conventions;
        return new SolveResponse([.. request.Setup.Rigs.Select(rig => (IReadOnlyList<SolutionOutput>)[.. Solve(request, request.Setup.SceneOf(rig), conventions, rig.Rig, unit).Select(ToWire)])]);
    }

    private static IReadOnlyList<Solution> Solve(SolveRequest request, in Scene scene, in Core.Rigs.Conventions conventions, in Rig rig, LengthUnit unit)
    {
        var framing = new FramedSize(request.SizeMm ?? 0, request.IsAcross);
        return request.Goal switch
        {
            SolveGoal.Distance => [FramingSolver.Distance(scene, conventions, rig, framing, unit)],
            SolveGoal.FocalLength => [FramingSolver.FocalLength(scene, conventions, rig, framing, unit)],
            SolveGoal.Depth => [ApertureSolver.ForDepth(scene, conventions, rig, request.FromMm!.Value, request.ToMm ?? double.PositiveInfinity, unit)],
            SolveGoal.Blur => [ApertureSolver.ForBlur(scene, conventions, rig, request.Share!.Value, unit)],
            _ => FramingSolver.Range(scene, conventions, rig, unit),
        };
    }

    private static SolutionOutput ToWire(Solution s) => new(
        s.What, s.IsMet, s.Bound, s.Message, s.Fix, Finite(s.SubjectDistanceMm), s.FocalLengthMm, s.FNumber, s.FieldWidthMm, s.FieldHeightMm, s.RackedFarther);

    private static double? Finite(double? value) => value is { } number && double.IsFinite(number) ? number : null;
}
