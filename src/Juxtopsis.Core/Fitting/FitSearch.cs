using Juxtopsis.Core.Briefs;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Fitting;

/// <summary>
/// Asks every rig of a shelf for a shot at a place: which give it, from where and how, and what is in the way of the others. A few
/// rigs at a time, so that a page stays quick; the answer is the same however many.
/// </summary>
/// <remarks>
/// Of each body and lens the best way and mode counts. First go those that nothing speaks against, then those that cost something or of which
/// something is not known, then the spoilt, too few pixels among them; within these the criterion decides, at the best standpoint of each
/// (<see cref="StandpointSearch"/>). The aperture is the widest that keeps what the shot asks to be sharp or readable; for the deepest zone the narrowest
/// that diffraction, the lens, the light and the shot allow.
/// </remarks>
public sealed class FitSearch
{
    /// <summary>Of misses fewer are told than of fits.</summary>
    public const int UsualMisses = 12;

    private readonly FittingShelf shelf;
    private readonly FitQuestion question;
    private readonly RankingCriterion criterion;
    private readonly RigChoice? before;
    private readonly List<Found> fits = [];
    private readonly List<Missed> misses = [];
    private readonly List<Found> all = [];

    // Of the body and lens whose ways are being asked: the best so far, and of each thing in the way the nearest miss.
    private readonly List<Missed> missesOfPair = [];
    private Found? bestOfPair;
    private int next;

    /// <summary>Begins a search.</summary>
    /// <param name="shelf">The rigs.</param>
    /// <param name="location">Where.</param>
    /// <param name="brief">What is wanted.</param>
    /// <param name="conventions">What figures go by; distances are from the sensor mark here whatever they say.</param>
    /// <param name="criterion">What decides the order.</param>
    /// <param name="before">The rig of the shot before; null when there is none, and then the least change is the least weight.</param>
    /// <param name="rules">What a proposal must keep; all of it when left out.</param>
    public FitSearch(FittingShelf shelf, Location location, ShotBrief brief, Conventions conventions, RankingCriterion criterion, RigChoice? before = null, FitRules? rules = null)
    {
        ArgumentNullException.ThrowIfNull(shelf);
        ArgumentNullException.ThrowIfNull(location);
        ArgumentNullException.ThrowIfNull(brief);
        this.shelf = shelf;
        this.criterion = criterion == RankingCriterion.LeastChange && before is null ? RankingCriterion.LeastWeight : criterion;
        this.before = before;
        question = new(location, brief, conventions with { DistanceFrom = DistanceMark.SensorMark, FocalLength = (rules ?? FitRules.All).Measured ? FocalLengthSchool.Measured : FocalLengthSchool.Marked, Tolerances = (rules ?? FitRules.All).Tolerances }, rules ?? FitRules.All, shelf.Modes);
    }

    /// <summary>How many rigs there are to ask.</summary>
    public int Total => shelf.Rigs.Count;

    /// <summary>How many have been asked.</summary>
    public int Done => next;

    /// <summary>How many settings of rigs were looked at: a rig in each of its modes.</summary>
    public int Looked { get; private set; }

    /// <summary>What decides the order: least weight where the least change has nothing before it.</summary>
    public RankingCriterion Criterion => criterion;

    internal FitQuestion Question => question;

    internal FittingShelf Shelf => shelf;

    /// <summary>Of each body and lens that give the shot the best way, in its best mode.</summary>
    internal IReadOnlyList<Found> Fits => fits;

    /// <summary>Every way to join a body and a lens that gives the shot, in its best mode.</summary>
    internal IReadOnlyList<Found> Ways => all;

    /// <summary>Of each body and lens that do not, for each thing in the way the nearest miss: one mode may be too long where another is not soft.</summary>
    internal IReadOnlyList<Missed> Misses => misses;

    /// <summary>Asks some more rigs.</summary>
    /// <param name="rigs">How many at most.</param>
    /// <returns>True when all have been asked.</returns>
    public bool Step(int rigs)
    {
        for (; rigs > 0 && next < shelf.Rigs.Count; rigs--, next++)
        {
            // Ways to join the same two follow each other.
            if (next > 0 && shelf.Rigs[next].Group != shelf.Rigs[next - 1].Group)
            {
                ClosePair();
            }

            Ask(shelf.Rigs[next]);
        }

        if (next < shelf.Rigs.Count)
        {
            return false;
        }

        ClosePair();
        return true;
    }

    /// <summary>Asks all that are left, and answers.</summary>
    /// <param name="most">How many rigs that fit to tell of at most.</param>
    /// <param name="mostMisses">How many that do not, where some fit; where none does, as many as are usual at least. Each is tried with every remedy.</param>
    /// <param name="withMargins">Whether to tell how sure each that is told is.</param>
    /// <returns>What fits.</returns>
    public FitResult Finish(int most = 40, int mostMisses = UsualMisses, bool withMargins = false)
    {
        Step(int.MaxValue);
        return FitResult.Of(this, most, fits.Count > 0 ? mostMisses : Math.Max(UsualMisses, mostMisses), withMargins);
    }

    private void ClosePair()
    {
        if (bestOfPair is not null)
        {
            fits.Add(bestOfPair);
        }
        else
        {
            misses.AddRange(missesOfPair);
        }

        bestOfPair = null;
        missesOfPair.Clear();
    }

    private void Ask(FitRig rig)
    {
        Found? best = null;
        var place = question.PlaceOf(rig);
        foreach (var mode in rig.Modes)
        {
            Looked++;
            var answer = question.Ask(rig, mode, place, criterion);
            if (answer.Best is null)
            {
                Miss(rig, mode, answer);
                continue;
            }

            var found = Of(rig, mode, answer);
            var ways = (bestOfPair?.Ways ?? 0) + 1;
            bestOfPair = bestOfPair is null || found.StandsAgainst(bestOfPair) < 0 ? found : bestOfPair;
            bestOfPair.Ways = ways;
            best = best is null || found.StandsAgainst(best) < 0 ? found : best;
        }

        if (best is not null)
        {
            all.Add(best);
        }
    }

    private void Miss(FitRig rig, FitMode mode, in FitAnswer answer)
    {
        for (var i = 0; i < missesOfPair.Count; i++)
        {
            var known = missesOfPair[i].Shortfall;
            if (known.Code == answer.Miss.Code)
            {
                missesOfPair[i] = answer.Miss.Off < known.Off ? new(rig, mode, answer.Nearest, answer.Miss) : missesOfPair[i];
                return;
            }
        }

        missesOfPair.Add(new(rig, mode, answer.Nearest, answer.Miss));
    }

    /// <summary>A rig that gives the shot, with how it stands.</summary>
    internal Found Of(FitRig rig, FitMode mode, in FitAnswer answer) =>
        new(rig, mode, answer.FromMm, answer.ToMm, answer.Best!, question.Frames.BurdenOf(rig, mode), Score(rig, mode, answer.Best!))
        {
            FromFocalMm = answer.FromFocalMm,
            ToFocalMm = answer.ToFocalMm,
        };

    /// <summary>The smaller, the better.</summary>
    private double Score(FitRig rig, FitMode mode, FitPoint point) => criterion switch
    {
        RankingCriterion.LeastChange => before!.ChangeTo(rig, mode),
        RankingCriterion.Owned => (double)rig.Ownership,
        RankingCriterion.LeastWeight => Weight(rig),
        _ => point.Score(criterion),
    };

    /// <summary>Weights that are not wholly known come after those that are.</summary>
    private static double Weight(FitRig rig) => rig.WeightG + (rig.WeightUnknown ? 1e7 : 0);

    /// <summary>A rig that gives the shot.</summary>
    internal sealed record Found(FitRig Rig, FitMode Mode, double FromMm, double ToMm, FitPoint Point, Burden Burden, double Score)
    {
        /// <summary>Ways and modes of this body and lens that give it.</summary>
        public int Ways { get; set; } = 1;

        /// <summary>The focal length to set at the nearest place, mm as marked.</summary>
        public double FromFocalMm { get; init; }

        /// <summary>The one to set at the farthest.</summary>
        public double ToFocalMm { get; init; }

        /// <summary>Below 0 when it is the better of two.</summary>
        public int StandsAgainst(Found other) =>
            Burden.Against(other.Burden) is not 0 and var burden ? burden
            : !Score.Equals(other.Score) ? Score.CompareTo(other.Score)
            : Burden.Costs != other.Burden.Costs ? Burden.Costs.CompareTo(other.Burden.Costs)
            : Rig.Links.Count != other.Rig.Links.Count ? Rig.Links.Count.CompareTo(other.Rig.Links.Count)
            : !Weight(Rig).Equals(Weight(other.Rig)) ? Weight(Rig).CompareTo(Weight(other.Rig))
            : Rig.Group.CompareTo(other.Rig.Group);
    }

    /// <summary>A rig that does not.</summary>
    internal sealed record Missed(FitRig Rig, FitMode Mode, FitPoint? Point, Shortfall Shortfall);
}
