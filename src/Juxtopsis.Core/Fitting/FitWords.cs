using System.Globalization;
using Juxtopsis.Core.Briefs;
using Juxtopsis.Core.Chains;
using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Figures;
using Juxtopsis.Core.Light;
using Juxtopsis.Core.Margins;
using Juxtopsis.Core.Optics;
using Juxtopsis.Core.Quantities;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Fitting;

/// <summary>What fits and what does not, in sentences.</summary>
/// <param name="unit">The person's unit for distances.</param>
public sealed class FitWords(LengthUnit unit)
{
    /// <summary>Why a rig stands where it does in the order.</summary>
    /// <param name="fit">The rig.</param>
    /// <param name="criterion">What decides the order.</param>
    /// <returns>A few words.</returns>
    public string Why(Fit fit, RankingCriterion criterion)
    {
        ArgumentNullException.ThrowIfNull(fit);
        var focus = fit.Report.Focus;
        return criterion switch
        {
            RankingCriterion.MostBlur => $"A point behind becomes {Percent(focus?.BackgroundDiscFractionOfHeight ?? 0)} of the picture's height.",
            RankingCriterion.Deepest => $"Sharp from {Far(focus?.DepthOfFieldNearMm ?? 0)} to {Far(focus?.DepthOfFieldFarMm ?? 0)}.",
            RankingCriterion.LeastWeight => $"{(fit.Rig.WeightUnknown ? "At least " : "")}{Weight(fit.Rig.WeightG)} in all.",
            RankingCriterion.Farthest or RankingCriterion.Nearest => $"{Far(fit.Scene.SubjectDistanceMm)} from the subject.",
            RankingCriterion.LeastChange => "",
            _ => fit.Rig.Ownership switch { Gear.Ownership.Own => "All of it is ours.", Gear.Ownership.Borrow => "A part is borrowed.", Gear.Ownership.Wish => "A part is wished for.", _ => "A part is hired." },
        };
    }

    /// <summary>What speaks against a rig that gives a shot.</summary>
    /// <param name="fit">The rig.</param>
    /// <returns>What was found about its parts, its mode and its pixels, the weightiest first, each kind once.</returns>
    public IReadOnlyList<Diagnostic> Against(Fit fit)
    {
        ArgumentNullException.ThrowIfNull(fit);
        var (rig, mode) = (fit.Rig, fit.Mode);
        var found = rig.Findings.Where(f => f.Severity != Severity.Note || f.Code is DiagnosticCode.ImageCircleUnknown or DiagnosticCode.AdapterSignalsUnknown or DiagnosticCode.ConverterPlaceUnknown).ToList();
        var given = FigureCase.Of(fit.Scene, Conventions.Default, [fit.Set], 0)[0];
        found.AddRange(ReasonWords.Of(given, unit).Where(r => r.Code is DiagnosticCode.TooFewPixels or DiagnosticCode.DiffractionSoftens or DiagnosticCode.Flickers or DiagnosticCode.ThinSharpZone));
        if (!mode.Shows(rig.Squeeze))
        {
            found.Add(PictureChecks.SqueezeNotShown(mode.Item, rig.Squeeze));
        }

        if (rig.CircleIsEstimated && fit.Report.Sensor.DarkShare is > Coverage.Noticed and var dark)
        {
            found.Add(PictureChecks.MayBeDark(rig.Lens, dark));
        }

        if (mode.Rates.Count == 0)
        {
            found.Add(PictureChecks.RatesUnknown(mode));
        }

        return [.. found.DistinctBy(f => (f.Code, f.Part)).OrderBy(f => f.Severity)];
    }

    /// <summary>From where a rig gives a shot, and how it is set.</summary>
    /// <param name="fit">The rig.</param>
    /// <returns>A few words.</returns>
    public string From(Fit fit)
    {
        ArgumentNullException.ThrowIfNull(fit);
        return $"{fit.Mode.Item.Name}, {LengthWords.Millimetres(Rounded(fit.Set.FocalLengthMm, 3))}, from {Far(fit.Scene.SubjectDistanceMm)}.";
    }

    /// <summary>What an order goes by.</summary>
    /// <param name="criterion">The criterion.</param>
    /// <param name="isCut">True when the shelf makes more rigs than were put together.</param>
    /// <returns>A sentence, or two.</returns>
    public static string Order(RankingCriterion criterion, bool isCut) =>
        (isCut ? string.Create(CultureInfo.InvariantCulture, $"This gear makes more rigs than are looked at together: the best of {FittingShelf.MostRigs} are told, which is not proven of all. A bag of some of it is looked through whole. ") : "") + Order(criterion);

    private static string Order(RankingCriterion criterion) => "Those that nothing speaks against first, then those at a cost, then the spoilt. Within these: " + criterion switch
    {
        RankingCriterion.MostBlur => "by the disc that a point behind becomes, as a share of the picture's height; each as open, and from where it blurs most, as the shot allows.",
        RankingCriterion.Deepest => "by the depth of the sharp zone; each closed as far as diffraction does not soften it and the accepted sensitivity goes.",
        RankingCriterion.LeastWeight => "by the weight of body, lens and adapters; unknown weights last.",
        RankingCriterion.Farthest => "the camera farthest from the subject first.",
        RankingCriterion.Nearest => "the camera nearest to the subject first.",
        RankingCriterion.LeastChange => "by how many of body, lens and adapter differ from the shot before; another mode counts little.",
        _ => "ours before borrowed before hired; the lighter first.",
    };

    /// <summary>How much is to spare, and how surely.</summary>
    /// <param name="spare">Of what.</param>
    /// <returns>A sentence without its full stop.</returns>
    public string Say(Spare spare)
    {
        ArgumentNullException.ThrowIfNull(spare);
        var (left, missing) = spare.Kind switch
        {
            SpareKind.Room => ("of room left", "of room missing"),
            SpareKind.KeepOff => ("to what must be kept off", "nearer than it may"),
            _ => ("to its nearest focus", "nearer than it focuses"),
        };
        return $"{Within(Math.Abs(spare.Mm), spare.PlusMinusMm)} {(spare.Mm < 0 ? missing : left)}, ± {(double.IsInfinity(spare.PlusMinusMm) ? "more than can be told" : About(spare.PlusMinusMm))}";
    }

    /// <summary>What makes it surer: to measure what it hangs on most.</summary>
    /// <param name="spare">What is not sure.</param>
    /// <param name="instead">What is surer instead; null where there is nothing.</param>
    /// <returns>A sentence.</returns>
    public static string Surer(Spare spare, string? instead)
    {
        ArgumentNullException.ThrowIfNull(spare);
        var unmeasured = spare.Parts.FirstOrDefault(p => !p.IsMeasured && p.PlusMinus > 0.3 * spare.PlusMinusMm);
        var measure = unmeasured switch
        {
            null => "Keep it in mind",
            { Source: MarginSource.Room } => "Measure the room",
            var part => $"Test the {part.Item}",
        };
        return instead is null ? measure + "." : $"{measure}, or take the {instead}.";
    }

    /// <summary>By how much a rig misses.</summary>
    /// <param name="miss">The rig.</param>
    /// <returns>What is in the way.</returns>
    public Diagnostic Shortfall(Miss miss)
    {
        ArgumentNullException.ThrowIfNull(miss);
        return new(miss.Shortfall.Code, Severity.Stops, Say(miss.Shortfall), miss.Remedies.Count > 0 ? $"{Say(miss.Remedies[0])}." : "");
    }

    /// <summary>What is in the way.</summary>
    /// <param name="shortfall">By how much a rig misses.</param>
    /// <returns>A sentence.</returns>
    public string Say(in Shortfall shortfall)
    {
        var by = shortfall.By;
        return shortfall.Code switch
        {
            DiagnosticCode.NoStandpoint => $"No place for it: {Far(by)} short.",
            DiagnosticCode.RoomTooShort => $"{Far(by)} short: it must go back farther than there is room.",
            DiagnosticCode.MustStandTooNear => $"{Far(by)} too far off: it must come nearer than it may.",
            DiagnosticCode.TooClose => by > 0.5 ? $"Does not focus so near, by {Far(by)}." : "Does not draw it so large.",
            DiagnosticCode.ImageCircleTooSmall => $"{Percent(by)} of the picture stays dark.",
            DiagnosticCode.TooFar => $"Focuses no farther than {Far(by)}.",
            DiagnosticCode.RateNotOffered => $"Does not offer that frame rate; the nearest is {Number(by)} fps.",
            DiagnosticCode.IrisStuck => double.IsInfinity(by) ? "Its iris stays wide open." : $"Its iris stays wide open here, and would have to be closed {Stops(by)}.",
            DiagnosticCode.TooDark => $"Too dark by {Stops(by)}, at the highest sensitivity that is accepted.",
            DiagnosticCode.TooBright => $"Too bright by {Stops(by)}: it takes no filter, and cannot close farther.",
            DiagnosticCode.RigTooHeavy => $"{Weight(by)} too heavy for its support.",
            DiagnosticCode.RigTooLong => $"{LengthWords.Millimetres(Math.Ceiling(by))} too long for its support.",
            DiagnosticCode.CannotStopDownEnough => double.IsInfinity(by) ? "Would have to be sharp up to its front." : $"Cannot close far enough, by {Stops(by)}.",
            DiagnosticCode.CannotOpenEnough => double.IsInfinity(by) ? "Nothing is behind the subject that could blur." : $"Not open enough for so soft a background, by {Stops(by)}.",
            _ => double.IsInfinity(by) ? "What must be sharp leaves nothing soft behind." : $"What must be sharp wants it closed {Stops(by)} farther than what must be soft.",
        };
    }

    /// <summary>What would help.</summary>
    /// <param name="remedy">The remedy.</param>
    /// <returns>A few words, as an order.</returns>
    public string Say(Remedy remedy)
    {
        ArgumentNullException.ThrowIfNull(remedy);
        return remedy.Kind switch
        {
            RemedyKind.SubjectBack => $"Subject {Far(-remedy.Change)} nearer to what is behind",
            RemedyKind.SubjectForward => $"Subject {Far(remedy.Change)} off what is behind, to {Far(remedy.Value)}",
            RemedyKind.OtherAxis => "Look along the other side",
            RemedyKind.OtherFraming => $"Frame {(remedy.Change < 0 ? "tighter" : "looser")}: {Far(remedy.Value)} upright",
            RemedyKind.PunchIn => $"Punch in {Number(remedy.Value)}×",
            RemedyKind.CloseUp or RemedyKind.Tube => $"Add {remedy.ItemName}",
            RemedyKind.OtherLens => $"{remedy.ItemName} instead",
            RemedyKind.StrongerSupport => $"On {remedy.ItemName}",
            RemedyKind.MovesLess => $"Subject moves {Far(remedy.Value)} at most",
            RemedyKind.OfferedRate => $"{Number(remedy.Value)} fps",
            RemedyKind.BehindAsItComes => "Let what is behind be as it comes",
            RemedyKind.MoreLight => $"{Stops(remedy.Change)} more light: lamps at {Percent(Exposure.LampDistanceShare(remedy.Change))} of their distance",
            _ => remedy.CameraSupport switch { CameraSupport.HandHeld => "By hand", CameraSupport.Shoulder => "On the shoulder", _ => "On a clamp" },
        };
    }

    /// <summary>What cannot be.</summary>
    /// <param name="contradiction">The contradiction.</param>
    /// <returns>What is so, and what to do.</returns>
    public Diagnostic Say(Contradiction contradiction)
    {
        var (message, fix) = Worded(contradiction);
        return new(contradiction.Code, contradiction.Stops ? Severity.Stops : Severity.Costs, message, fix);
    }

    private (string Message, string Fix) Worded(in Contradiction contradiction) => contradiction.Code switch
    {
        DiagnosticCode.NoCamera => ("There is no camera with a recording mode to choose from.", "Put one on the Shelf, or take back one that is retired, or choose more gear."),
        DiagnosticCode.NoLens => ("Nothing here goes together: there is no lens that fits a camera.", "Put lenses or adapters on the Shelf, or take back what is retired, or choose more gear."),
        DiagnosticCode.SubjectTallerThanPlace => ($"The subject is {Far(contradiction.By)} taller than the place.", "Check both heights."),
        DiagnosticCode.SubjectWiderThanPlace => ($"The subject is {Far(contradiction.By)} wider than the place.", "Check both widths."),
        DiagnosticCode.SubjectBeyondPlace => ($"The subject stands {Far(contradiction.By)} beyond the end of the place.", "Bring it nearer to what is behind, or measure the place again."),
        DiagnosticCode.SubjectTooNearBackground => ($"The subject stands {Far(contradiction.By)} nearer to what is behind than it may.", "Bring it forward, or change how near it may be."),
        DiagnosticCode.CameraKeptOut => ($"The camera must keep off farther than the place is deep, by {Far(contradiction.By)}.", "Another place, or another side of it."),
        _ => ($"The picture is {Far(contradiction.By)} wider than the place: walls stand in it.", "Frame tighter, or let them be seen."),
    };

    private static string Percent(double share) => $"{LengthWords.Number(Rounded(100 * share, 2))} %";

    private static string Stops(double stops) => $"{LengthWords.Number(Math.Round(stops, 1))} st";

    private static string Number(double value) => LengthWords.Number(Rounded(value, 3));

    private static string Weight(double grams) => grams >= 1000 ? $"{LengthWords.Number(Rounded(grams / 1000, 3))} kg" : $"{LengthWords.Number(Math.Round(grams))} g";

    /// <summary>A distance as it is measured on set: from a metre to a centimetre, below to a millimetre, small things finer.</summary>
    private string Far(double mm) => LengthWords.Distance(
        double.IsInfinity(mm) ? mm : Math.Abs(mm) >= 1000 ? Math.Round(mm / 10) * 10 : Math.Abs(mm) >= 30 ? Math.Round(mm) : Math.Round(mm, 1), unit);

    /// <summary>A length with no finer digits than its ± has; one that is less than these in its own.</summary>
    private string Within(double mm, double plusMinusMm)
    {
        var step = 1.0;
        while (plusMinusMm < double.PositiveInfinity && 100 * step <= plusMinusMm)
        {
            step *= 10;
        }

        return Math.Round(mm / step) is > 0 and var steps ? LengthWords.Distance(steps * step, unit) : Far(mm);
    }

    /// <summary>A ± in two digits: the third says nothing.</summary>
    private string About(double mm) => LengthWords.Distance(Rounded(mm, 2), unit);

    private static double Rounded(double value, int digits) =>
        double.Parse(value.ToString($"G{digits}", CultureInfo.InvariantCulture), CultureInfo.InvariantCulture);
}
