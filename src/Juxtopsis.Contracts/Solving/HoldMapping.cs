using Juxtopsis.Contracts.Evaluating;
using Juxtopsis.Contracts.Problems;
using Juxtopsis.Core.Quantities;
using Juxtopsis.Core.Solving;

namespace Juxtopsis.Contracts.Solving;

/// <summary>Between the core's follower and the wire.</summary>
internal static class HoldMapping
{
    public static void Check(FieldChecks checks, HoldRequest request, LengthUnit unit)
    {
        EvaluateChecks.Check(checks, request.Before, unit, "before.");
        EvaluateChecks.Check(checks, request.After, unit, "after.");
        var count = request.After.Rigs.Count;
        if (request.Before.Rigs.Count != count)
        {
            checks.Add(
                "after.rigs", $"{count} rigs", $"{request.Before.Rigs.Count} rigs", "There are not as many rigs after the change as before it.",
                "Add or remove rigs without a hold.");
        }

        if (request.Leader is { } leader)
        {
            EvaluateChecks.CheckIndex(checks, "leader", leader, count, "Leader");
        }

        CheckAll(checks, "followers", request.Followers ?? [], count, "ConstraintSolver");
        CheckAll(checks, "fixedFilters", request.FixedFilters, count, "Rig");
        if (request.Pinned.Count > count || request.Pinned.Any(p => p is null))
        {
            checks.Add("pinned", $"{request.Pinned.Count} lists", $"up to {count}", "What is pinned is given for more rigs than there are.", "Give a list for each rig.");
        }

        if (request.ExposeRight && request.After.Scene.Scene.Light.BrightnessEv is null)
        {
            checks.Add("exposeRight", "true", "a brightness", "How bright it is is not known, so no exposure is right.", "Say how bright it is.");
        }
    }

    public static HoldResponse Follow(HoldRequest request, LengthUnit unit)
    {
        var conventions = request.After.Conventions;
        var hold = new Hold(request.Place, request.Framing, request.Blur, request.Light) { LightGives = request.LightGives };
        var before = Standing(request, request.Before);
        var after = Standing(request, request.After);
        if (request.ExposeRight)
        {
            return new([.. after.Select((rig, i) => request.Followers?.Contains(i) == false
                ? ToWire(rig, new(rig.Scene, rig.Rig, []))
                : ToWire(rig, ConstraintSolver.Bring(conventions, HeldValues.RightExposure, rig, hold with { Place = true, Framing = false, Blur = false, Light = true }, unit)))]);
        }

        if (request.Leader is not { } leader)
        {
            return new([.. after.Select((rig, i) => ToWire(rig, ConstraintSolver.Follow(conventions, before[i], rig, hold, unit)))]);
        }

        // What the leader itself could not hold, the others need not lose.
        var led = ConstraintSolver.Follow(conventions, before[leader], after[leader], hold, unit);
        var targets = HeldValues.Of(conventions, led.IsHeld ? new(led.Scene, led.Rig, Giving.None) : before[leader]);
        return new([.. after.Select((rig, i) =>
            i == leader ? ToWire(rig, led)
            : request.Followers?.Contains(i) == false ? ToWire(rig, new(rig.Scene, rig.Rig, []))
            : ToWire(rig, ConstraintSolver.Bring(conventions, targets, rig, hold, unit)))]);
    }

    private static void CheckAll(FieldChecks checks, string field, IReadOnlyList<int> indexes, int count, string name)
    {
        if (indexes.Count > EvaluateRequest.MaxRigs)
        {
            checks.Add(field, $"{indexes.Count} indexes", $"up to {EvaluateRequest.MaxRigs}", "More rigs are named than there can be.", "Name each once.");
            return;
        }

        for (var i = 0; i < indexes.Count; i++)
        {
            EvaluateChecks.CheckIndex(checks, $"{field}[{i}]", indexes[i], count, name);
        }
    }

    private static StandingRig[] Standing(HoldRequest request, EvaluateRequest setup) =>
        [.. setup.Rigs.Select((rig, i) => new StandingRig(setup.SceneOf(rig), rig.Rig, Pinned(request, i)) { FiltersAreFixed = request.FixedFilters.Contains(i) })];

    private static Giving Pinned(HoldRequest request, int rig) =>
        rig < request.Pinned.Count ? request.Pinned[rig].Aggregate(Giving.None, (all, control) => all | LightSolver.GivingOf(control)) : Giving.None;

    private static HeldOutput ToWire(in StandingRig given, Followed now)
    {
        var (was, rig) = (given.Rig, now.Rig);
        return new(
            Moved(given.Scene.SubjectDistanceMm, now.Scene.SubjectDistanceMm),
            Moved(was.FocalLengthMm, rig.FocalLengthMm),
            Moved(was.FNumber, rig.FNumber),
            Moved(was.SensitivityIso, rig.SensitivityIso),
            Moved(was.FilterStops, rig.FilterStops),
            Moved(was.ShutterAngleDeg, rig.ShutterAngleDeg),
            was.RackedFarther == rig.RackedFarther ? null : rig.RackedFarther,
            [.. now.Notes.Select(n => new HoldNoteOutput(n.Outcome, n.Message, n.Fix))]);
    }

    private static double? Moved(double? was, double? now) => was == now ? null : now;
}
