using Juxtopsis.Core.Briefs;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Fitting;

/// <summary>
/// Asks every rig of a shelf for a shot at a place: which give it, from where and how, and what is in the way of the others. A few
/// rigs at a time, so that a page stays quick; the answer is the same however many.
/// </summary>
/// <remarks>
/// Of each body and lens the best way and mode counts. Where a zoom frames from a range of standpoints, both ends and three places
/// evenly between are tried, and the one that the wish likes best is proposed; for all wishes but blur and depth an end is exactly
/// the best. The aperture is the widest that keeps what the brief asks to be sharp or readable; for the deepest zone the narrowest
/// that diffraction, the lens and the brief allow.
/// </remarks>
public sealed class FitSearch
{
    /// <summary>Of misses fewer are told than of fits.</summary>
    public const int UsualMisses = 12;

    private const int Places = 5;
    private const int Kinds = 16;

    private readonly FittingShelf shelf;
    private readonly FitQuestion question;
    private readonly Wish wish;
    private readonly RigChoice? before;
    private readonly Dictionary<int, Found> fits = [];
    private readonly Dictionary<int, Missed> misses = [];
    private int next;

    /// <summary>Begins a search.</summary>
    /// <param name="shelf">The rigs.</param>
    /// <param name="site">Where.</param>
    /// <param name="brief">What is wanted.</param>
    /// <param name="conventions">What figures go by; distances are from the sensor mark here whatever they say.</param>
    /// <param name="wish">What decides the order.</param>
    /// <param name="before">The rig of the shot before; null when there is none.</param>
    public FitSearch(FittingShelf shelf, Site site, ShotBrief brief, Conventions conventions, Wish wish, RigChoice? before = null)
    {
        ArgumentNullException.ThrowIfNull(shelf);
        ArgumentNullException.ThrowIfNull(site);
        ArgumentNullException.ThrowIfNull(brief);
        this.shelf = shelf;
        this.wish = wish;
        this.before = before;
        question = new(site, brief, conventions with { DistanceFrom = DistanceMark.SensorMark }, shelf.Modes);
    }

    /// <summary>How many rigs there are to ask.</summary>
    public int Total => shelf.Rigs.Count;

    /// <summary>How many have been asked.</summary>
    public int Done => next;

    /// <summary>How many settings of rigs were looked at: a rig in each of its modes.</summary>
    public int Looked { get; private set; }

    internal FitQuestion Question => question;

    internal FittingShelf Shelf => shelf;

    internal IReadOnlyDictionary<int, Found> Fits => fits;

    /// <summary>For each body and lens and each thing in the way the nearest miss: one mode may be too long where another is not soft.</summary>
    internal IEnumerable<Missed> Misses => misses.Values;

    /// <summary>Asks some more rigs.</summary>
    /// <param name="rigs">How many at most.</param>
    /// <returns>True when all have been asked.</returns>
    public bool Step(int rigs)
    {
        for (; rigs > 0 && next < shelf.Rigs.Count; rigs--, next++)
        {
            Ask(shelf.Rigs[next]);
        }

        return next >= shelf.Rigs.Count;
    }

    /// <summary>Asks all that are left, and answers.</summary>
    /// <param name="most">How many rigs that fit to tell of at most.</param>
    /// <param name="mostMisses">How many that do not, where some fit; where none does, as many as are usual at least. Each is tried with every remedy.</param>
    /// <returns>What fits.</returns>
    public FitResult Finish(int most = 40, int mostMisses = UsualMisses)
    {
        Step(int.MaxValue);
        return FitResult.Of(this, most, fits.Count > 0 ? mostMisses : Math.Max(UsualMisses, mostMisses));
    }

    /// <summary>Which pairs of body and lens give the shot, by their number.</summary>
    /// <returns>True for those that do.</returns>
    internal bool Gives(int group) => fits.ContainsKey(group);

    private void Ask(FitRig rig)
    {
        foreach (var mode in rig.Modes)
        {
            Looked++;
            var where = question.Where(rig, mode);
            if (where.Miss.Kind != MissKind.None)
            {
                Miss(rig, mode, where, null, where.Miss);
                continue;
            }

            var (best, score, off) = ((FitPoint?)null, double.PositiveInfinity, (FitPoint?)null);
            var places = where.FromMm < where.ToMm ? Places : 1;
            for (var i = 0; i < places; i++)
            {
                var at = places == 1 ? where.FromMm : where.FromMm + (where.ToMm - where.FromMm) * i / (places - 1);
                var point = question.At(rig, mode, where, at);
                if (point.Miss.Kind != MissKind.None)
                {
                    off = off is { } o && o.Miss.Off <= point.Miss.Off ? off : point;
                    continue;
                }

                point = wish == Wish.Deepest ? point.Closed() : point;
                var points = Score(rig, mode, point);
                if (best is null || points < score)
                {
                    (best, score) = (point, points);
                }
            }

            if (best is { } found)
            {
                Fit(rig, mode, where, found, score);
            }
            else
            {
                Miss(rig, mode, where, off, off!.Value.Miss);
            }
        }
    }

    /// <summary>The smaller, the better.</summary>
    private double Score(FitRig rig, FitMode mode, in FitPoint point) => wish switch
    {
        Wish.MostBlur => -point.BlurShare,
        Wish.Deepest => -Math.Min(point.DepthMm, 1e12),
        Wish.Farthest => -point.DistanceMm,
        Wish.Nearest => point.DistanceMm,
        Wish.LeastChange when before is not null => before.ChangeTo(rig, mode),
        Wish.Owned => (double)rig.Holding,
        _ => Weight(rig),
    };

    /// <summary>Weights that are not wholly known come after those that are.</summary>
    private static double Weight(FitRig rig) => rig.WeightG + (rig.WeightUnknown ? 1e7 : 0);

    private void Fit(FitRig rig, FitMode mode, in Standpoints where, in FitPoint point, double score)
    {
        var known = fits.GetValueOrDefault(rig.Group);
        if (known is null || known.Rig.LosesMuch && !rig.LosesMuch || known.Rig.LosesMuch == rig.LosesMuch && score <= known.Score)
        {
            var found = new Found(rig, mode, where, point, score) { Ways = known?.Ways ?? 0 };
            if (known is null || found.StandsAgainst(known) < 0)
            {
                fits[rig.Group] = known = found;
            }
        }

        known.Ways++;
    }

    private void Miss(FitRig rig, FitMode mode, in Standpoints where, FitPoint? point, Shortfall shortfall)
    {
        var key = rig.Group * Kinds + (int)shortfall.Kind;
        if (!misses.TryGetValue(key, out var known) || shortfall.Off < known.Shortfall.Off)
        {
            misses[key] = new(rig, mode, where, point, shortfall);
        }
    }

    /// <summary>A rig that gives the shot.</summary>
    internal sealed record Found(FitRig Rig, FitMode Mode, Standpoints Where, FitPoint Point, double Score)
    {
        /// <summary>Ways and modes of this body and lens that give it.</summary>
        public int Ways { get; set; }

        /// <summary>Below 0 when it is the better of two.</summary>
        public int StandsAgainst(Found other) =>
            Rig.LosesMuch != other.Rig.LosesMuch ? Rig.LosesMuch.CompareTo(other.Rig.LosesMuch)
            : !Score.Equals(other.Score) ? Score.CompareTo(other.Score)
            : Rig.Links.Count != other.Rig.Links.Count ? Rig.Links.Count.CompareTo(other.Rig.Links.Count)
            : !Weight(Rig).Equals(Weight(other.Rig)) ? Weight(Rig).CompareTo(Weight(other.Rig))
            : Rig.Group.CompareTo(other.Rig.Group);
    }

    /// <summary>A rig that does not.</summary>
    internal sealed record Missed(FitRig Rig, FitMode Mode, Standpoints Where, FitPoint? Point, Shortfall Shortfall);
}
