using Juxtopsis.Core.Light;
using Juxtopsis.Core.Quantities;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Solving;

/// <summary>Lets what is free follow, so that what is held stays equal.</summary>
/// <remarks>
/// The framing is brought back first, since blur goes by it; then the blur, since light goes by the aperture; then the light. What a
/// hand itself has moved is never moved against it.
/// </remarks>
public static class ConstraintSolver
{
    private const double Same = 1e-9;

    /// <summary>What is said to be held is so when it is evaluated, to this share.</summary>
    private const double Exact = 1e-6;

    /// <summary>After a change, brings a rig back to what it gave before, in what is held.</summary>
    /// <param name="conventions">The conventions.</param>
    /// <param name="before">The rig before the change.</param>
    /// <param name="after">The rig as the hand set it.</param>
    /// <param name="hold">What is held.</param>
    /// <param name="unit">The person's unit for distances.</param>
    /// <returns>The rig after it has followed.</returns>
    public static Followed Follow(in Conventions conventions, in StandingRig before, in StandingRig after, Hold hold, LengthUnit unit)
    {
        var targets = HeldValues.Of(conventions, before);
        var (was, now) = (before.Rig, after.Rig);
        var byHand = (before.Scene.SubjectDistanceMm == after.Scene.SubjectDistanceMm ? Giving.None : Giving.Distance)
            | (was.FocalLengthMm == now.FocalLengthMm ? Giving.None : Giving.FocalLength)
            | (was.FNumber == now.FNumber ? Giving.None : Giving.Aperture)
            | (was.SensitivityIso == now.SensitivityIso ? Giving.None : Giving.Sensitivity)
            | (was.FilterStops == now.FilterStops ? Giving.None : Giving.Filter)
            | (was.ShutterAngleDeg == now.ShutterAngleDeg && before.Scene.Shutter == after.Scene.Shutter && was.CaptureFps == now.CaptureFps ? Giving.None : Giving.Shutter);

        // A brightness that was not known says nothing of what the light was.
        var light = hold.Light && before.Scene.Light.BrightnessEv.HasValue == after.Scene.Light.BrightnessEv.HasValue && was.SensitivityIso.HasValue == now.SensitivityIso.HasValue;
        return Bring(conventions, targets, after, hold with { Light = light }, Free(hold, byHand), unit);
    }

    /// <summary>Brings a rig to what another gives, in what is held.</summary>
    /// <param name="conventions">The conventions.</param>
    /// <param name="targets">What the other gives.</param>
    /// <param name="rig">The rig to be brought there.</param>
    /// <param name="hold">In what.</param>
    /// <param name="unit">The person's unit for distances.</param>
    /// <returns>The rig there, or as near as it can come, with what stopped it.</returns>
    public static Followed Bring(in Conventions conventions, HeldValues targets, in StandingRig rig, Hold hold, LengthUnit unit) =>
        Bring(conventions, targets, rig, hold, Free(hold, Giving.None), unit);

    /// <summary>What may give: never what the hand has moved, and of distance and focal length only one.</summary>
    private static Giving Free(Hold hold, Giving byHand)
    {
        var either = byHand & (Giving.Distance | Giving.FocalLength);
        var framing = either switch
        {
            Giving.None => hold.Place ? Giving.FocalLength : Giving.Distance,
            Giving.Distance => Giving.FocalLength,
            Giving.FocalLength => hold.Place ? Giving.None : Giving.Distance,
            _ => Giving.None,
        };
        return framing | ((Giving.Aperture | Giving.Sensitivity | Giving.Filter | Giving.Shutter) & ~byHand);
    }

    private static Followed Bring(in Conventions conventions, HeldValues targets, in StandingRig rig, Hold hold, Giving free, LengthUnit unit)
    {
        var notes = new List<HoldNote>();
        var now = new Setting(rig.Scene, conventions, rig.Rig, unit);
        if (hold.Framing && targets.FieldHeightMm is { } height)
        {
            now = BringFraming(now, height, free, notes);
        }

        if (hold.Blur && targets.BlurShare is { } share)
        {
            now = BringBlur(now, share, free, rig.Pinned, notes);
        }

        if (hold.Light)
        {
            // What the blur goes by does not give for the light.
            now = BringLight(now, targets, hold.LightGives, hold.Blur ? free & ~Giving.Aperture : free, rig, notes);
        }

        return new Followed(now.Scene, now.Rig, Confirmed(now, targets, hold, notes));
    }

    /// <summary>What is said to be held is so when the rig is evaluated; else it is told.</summary>
    private static List<HoldNote> Confirmed(in Setting now, HeldValues targets, Hold hold, List<HoldNote> notes)
    {
        if (notes.Any(n => n.Outcome != HoldOutcome.Followed))
        {
            return notes;
        }

        var has = HeldValues.Of(now.Conventions, new(now.Scene, now.Rig, Giving.None));
        if (hold.Framing && targets.FieldHeightMm is { } height && !(has.FieldHeightMm is { } field && Math.Abs(field / height - 1) < Exact))
        {
            notes.Add(new(HoldOutcome.Stopped, "The framing is not held.", "Let go of something, or change one thing at a time."));
        }

        if (hold.Blur && targets.BlurShare is { } share && !(has.BlurShare is { } blur && Math.Abs(blur / share - 1) < Exact))
        {
            notes.Add(new(HoldOutcome.Stopped, "The blur is not held.", "Let go of something, or change one thing at a time."));
        }

        if (hold.Light && targets.HasSensitivity == has.HasSensitivity && !(Math.Abs(has.LightStops - targets.LightStops) < Exact))
        {
            notes.Add(new(HoldOutcome.Stopped, "The light is not held.", "Let go of something, or change one thing at a time."));
        }

        return notes;
    }

    private static Setting BringFraming(in Setting now, double height, Giving free, List<HoldNote> notes)
    {
        var field = now.Field(isAcross: false);
        if (field is { } has && IsSame(has, height))
        {
            return now;
        }

        var framing = new FramedSize(height, IsAcross: false);
        if (free.HasFlag(Giving.Distance))
        {
            var solution = FramingSolver.Distance(now.Scene, now.Conventions, now.Rig, framing, now.Unit);
            var there = solution.SubjectDistanceMm is { } distance ? now.Standing(distance) with { Rig = now.Rig with { RackedFarther = solution.RackedFarther } } : now;
            notes.Add(Note(solution, $"{now.Far(now.Scene.SubjectDistanceMm)} → {there.Far(there.Scene.SubjectDistanceMm)}.{Perspective(now, there)}"));
            return there;
        }

        if (free.HasFlag(Giving.FocalLength))
        {
            var solution = FramingSolver.FocalLength(now.Scene, now.Conventions, now.Rig, framing, now.Unit);
            var there = solution.FocalLengthMm is { } focalLength ? now.With(focalLength) : now;
            notes.Add(Note(solution, $"{Setting.FocalLength(now.Rig.FocalLengthMm)} → {Setting.FocalLength(there.Rig.FocalLengthMm)}."));
            return there;
        }

        notes.Add(new(HoldOutcome.ByHand, $"The framing gave: {now.Far(height)} → {(field is { } f ? now.Far(f) : "none, out of focus")}.", "Let go of the place, or change one thing at a time."));
        return now;
    }

    private static Setting BringBlur(in Setting now, double share, Giving free, Giving pinned, List<HoldNote> notes)
    {
        if (now.Report.Focus?.BackgroundDiscFractionOfHeight is { } has && IsSame(has, share))
        {
            return now;
        }

        if (!free.HasFlag(Giving.Aperture))
        {
            notes.Add(new(HoldOutcome.ByHand, "The blur gave: the aperture itself was moved.", ""));
            return now;
        }

        if (pinned.HasFlag(Giving.Aperture))
        {
            notes.Add(new(HoldOutcome.Stopped, "The blur is not held: the aperture is pinned.", "Let go of the aperture, or of the blur."));
            return now;
        }

        var solution = ApertureSolver.ForBlur(now.Scene, now.Conventions, now.Rig, share, now.Unit);
        notes.Add(Note(solution, $"{Setting.Aperture(now.Rig.FNumber)} → {Setting.Aperture(solution.FNumber ?? now.Rig.FNumber)}."));
        return solution.FNumber is { } fNumber ? now with { Rig = now.Rig with { FNumber = fNumber } } : now;
    }

    private static Setting BringLight(in Setting now, HeldValues targets, IReadOnlyList<ExposureControl> order, Giving free, in StandingRig standing, List<HoldNote> notes)
    {
        var set = now.Rig;
        if (set.SensitivityIso.HasValue && !targets.HasSensitivity)
        {
            notes.Add(new(HoldOutcome.Stopped, "The light is not held: the rig to be matched has no sensitivity.", "Give that rig a sensitivity."));
            return now;
        }

        var decided = set.SensitivityIso.HasValue == targets.HasSensitivity;
        var rig = decided ? set : set with { SensitivityIso = set.LowestIso ?? ExposureSettings.ReferenceIso };
        var missing = targets.LightStops - HeldValues.Of(now.Conventions, new(now.Scene, rig, Giving.None)).LightStops;
        if (decided && Math.Abs(missing) < Same)
        {
            return now;
        }

        var fixedToo = standing.FiltersAreFixed ? Giving.Filter | (missing < 0 ? InStead(order) : Giving.None) : Giving.None;
        var solution = LightSolver.Brighten(now.Scene, rig, missing, order, free & ~fixedToo, standing.Pinned & ~fixedToo);
        var brought = rig with
        {
            SensitivityIso = solution.SensitivityIso ?? rig.SensitivityIso,
            FilterStops = solution.FilterStops ?? rig.FilterStops,
            ShutterAngleDeg = solution.ShutterAngleDeg ?? rig.ShutterAngleDeg,
            FNumber = solution.FNumber ?? rig.FNumber,
        };
        notes.Add(Note(solution, decided ? solution.Message : $"ISO {LengthWords.Number(Math.Round(brought.SensitivityIso!.Value))}."));
        return now with { Rig = brought };
    }

    /// <summary>What does not give for too much light in the stead of a filter that gives before it and that a person can put on: shutter and aperture.</summary>
    private static Giving InStead(IReadOnlyList<ExposureControl> order) => order.Concat(LightSolver.UsualOrder).Distinct().SkipWhile(c => c != ExposureControl.Filter)
        .Where(c => c is ExposureControl.Shutter or ExposureControl.Aperture).Aggregate(Giving.None, (all, c) => all | LightSolver.GivingOf(c));

    private static HoldNote Note(Solution solution, string gave) => solution.IsMet ? new(HoldOutcome.Followed, gave, "") : new(HoldOutcome.Stopped, solution.Message, solution.Fix);

    /// <summary>A move of the camera changes how large the background looks beside the subject; a zoom does not.</summary>
    private static string Perspective(in Setting before, in Setting after)
    {
        if (before.Report.Focus is not { } was || after.Report.Focus is not { } now)
        {
            return "";
        }

        var gap = before.Scene.BackgroundDistanceMm - before.Scene.SubjectDistanceMm;
        var ratio = now.SubjectFromPupilMm / was.SubjectFromPupilMm
            * (double.IsInfinity(gap) ? 1 : (was.SubjectFromPupilMm + gap) / (now.SubjectFromPupilMm + gap));
        return gap == 0 || Math.Abs(ratio - 1) < 0.005 ? "" : $" What is behind looks {LengthWords.Number(Math.Round(ratio, 2))}× as large beside the subject.";
    }

    private static bool IsSame(double a, double b) => Math.Abs(a - b) <= Same * b;
}
