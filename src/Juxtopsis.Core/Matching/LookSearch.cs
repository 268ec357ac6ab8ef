using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Fitting;
using Juxtopsis.Core.Gear;

namespace Juxtopsis.Core.Matching;

/// <summary>What decides between answers that leave as much over.</summary>
public enum LookTie
{
    /// <summary>Ours before borrowed before hired.</summary>
    Ownership,

    /// <summary>What costs least to buy, or a day's hire of what is hired.</summary>
    Price,

    /// <summary>The lightest.</summary>
    Weight,
}

/// <summary>
/// Asks every rig of a shelf how near it comes to a look: each body in each mode with each lens by each way to join them, over zoom, aperture and
/// where the camera may stand. A few rigs at a time, so that a page stays quick; the answer is the same however many.
/// </summary>
/// <remarks>
/// Twice through the shelf: first each rig is set so that something is met exactly, which nearly always is its best; then it is proven of those that may
/// be told that none has a better setting, or that one is found.
/// </remarks>
public sealed class LookSearch
{
    /// <summary>What differs by less is as good, stops.</summary>
    public const double AsGood = 0.01;

    private readonly FittingShelf shelf;
    private readonly LookSetting? setting;
    private readonly LookTie tie;
    private readonly int most;
    private readonly List<Found> found = [];
    private readonly List<Missed> misses = [];
    private Found? bestOfPair;
    private Missed? missOfPair;
    private double worthTelling = double.PositiveInfinity;
    private int pair;
    private int next;

    /// <summary>Begins a search.</summary>
    /// <param name="shelf">The rigs.</param>
    /// <param name="look">What is to be copied.</param>
    /// <param name="wishes">How much of it counts.</param>
    /// <param name="rules">What an answer must keep; all of it when left out.</param>
    /// <param name="tie">What decides between answers that leave as much over.</param>
    /// <param name="most">How many answers to tell of at most, one of each body and lens.</param>
    public LookSearch(FittingShelf shelf, Look look, LookWishes wishes, FitRules? rules = null, LookTie tie = LookTie.Ownership, int most = 40)
    {
        ArgumentNullException.ThrowIfNull(shelf);
        ArgumentNullException.ThrowIfNull(look);
        (this.shelf, this.tie, this.most, Look, Wishes) = (shelf, tie, most, look, wishes);
        if (look.Values is { } values)
        {
            Question = new(look, values, wishes, rules ?? FitRules.All, shelf.Modes);
            setting = new(Question);
        }
        else
        {
            next = Total;
        }
    }

    /// <summary>The look.</summary>
    public Look Look { get; }

    /// <summary>How much of it counts.</summary>
    public LookWishes Wishes { get; }

    /// <summary>How many rigs there are to ask, each twice.</summary>
    public int Total => 2 * shelf.Rigs.Count;

    /// <summary>How many have been asked.</summary>
    public int Done => next;

    /// <summary>How many settings of rigs were looked at: a rig in each of its modes.</summary>
    public int Looked { get; private set; }

    /// <summary>True from where each rig has been asked once: what is found is very likely the answer, and is not proven.</summary>
    public bool IsFirstAnswer => next >= shelf.Rigs.Count;

    internal LookQuestion? Question { get; }

    /// <summary>Asks some more rigs.</summary>
    /// <param name="rigs">How many at most.</param>
    /// <returns>True when all have been asked.</returns>
    public bool Step(int rigs)
    {
        var count = shelf.Rigs.Count;
        for (; rigs > 0 && next < Total; rigs--, next++)
        {
            var rig = shelf.Rigs[next % count];
            if (next < count)
            {
                Ask(rig);

                // Ways to join the same two follow each other.
                if (next + 1 == count || shelf.Rigs[next + 1].Group != rig.Group)
                {
                    ClosePair();
                }

                continue;
            }

            if (next == count)
            {
                worthTelling = found.Count < most ? double.PositiveInfinity : found.Select(f => f.Cost).Order().ElementAt(most - 1);
                pair = 0;
            }

            Prove(rig);
        }

        return next >= Total;
    }

    /// <summary>Asks all that are left, and answers.</summary>
    /// <returns>What comes near the look.</returns>
    public LookResult Finish()
    {
        Step(int.MaxValue);
        return SoFar(most);
    }

    /// <summary>What is found so far.</summary>
    /// <param name="atMost">How many answers to tell of at most.</param>
    /// <returns>What comes near the look.</returns>
    public LookResult SoFar(int atMost) => LookResult.Of(this, [.. found.Order(Comparer<Found>.Create(Compare)).Take(Math.Min(most, atMost))], misses);

    private void ClosePair()
    {
        if (bestOfPair is not null)
        {
            found.Add(bestOfPair);
        }
        else if (missOfPair is { } miss)
        {
            misses.Add(miss);
        }

        (bestOfPair, missOfPair) = (null, null);
    }

    private void Ask(FitRig rig)
    {
        var place = Question!.PlaceOf(rig);
        foreach (var mode in rig.Modes)
        {
            Looked++;
            var frame = Question.Frames.Of(rig, mode);
            if (Question.MissOf(rig, mode, frame, place) is { Code: not DiagnosticCode.None } miss)
            {
                Miss(rig, mode, miss);
                continue;
            }

            var best = setting!.Meeting(rig, frame, place);
            if (double.IsPositiveInfinity(best.Cost))
            {
                Miss(rig, mode, best.Miss);
                continue;
            }

            var its = new Found(rig, mode, best, Question.Frames.BurdenOf(rig, mode));
            bestOfPair = bestOfPair is null || Compare(its, bestOfPair) < 0 ? its : bestOfPair;
        }
    }

    /// <summary>Looks for a better setting of a rig than the best of its pair, where that may be told.</summary>
    private void Prove(FitRig rig)
    {
        while (pair < found.Count && found[pair].Rig.Group < rig.Group)
        {
            pair++;
        }

        var known = pair < found.Count && found[pair].Rig.Group == rig.Group ? found[pair] : null;
        var place = Question!.PlaceOf(rig);
        if (place.Near == place.Far && !rig.Zooms)
        {
            return;
        }

        foreach (var mode in rig.Modes)
        {
            var frame = Question.Frames.Of(rig, mode);
            if (Question.MissOf(rig, mode, frame, place).Code != DiagnosticCode.None)
            {
                continue;
            }

            var better = setting!.Better(rig, frame, place, Math.Min(known?.Cost ?? double.PositiveInfinity, worthTelling + AsGood));
            if (better.Cost < (known?.Cost ?? double.PositiveInfinity))
            {
                var its = new Found(rig, mode, better with { IsUnproven = better.IsUnproven || known?.Setting.IsUnproven == true }, Question.Frames.BurdenOf(rig, mode));
                if (known is null)
                {
                    found.Insert(pair, its);
                    misses.RemoveAll(m => m.Rig.Group == rig.Group);
                }
                else
                {
                    found[pair] = its;
                }

                known = its;
            }
            else if (better.IsUnproven && known is not null)
            {
                found[pair] = known = known with { Setting = known.Setting with { IsUnproven = true } };
            }
        }
    }

    private void Miss(FitRig rig, FitMode mode, Shortfall by)
    {
        if (by.Code != DiagnosticCode.None)
        {
            missOfPair = missOfPair is null || by.Off < missOfPair.Shortfall.Off ? new(rig, mode, by) : missOfPair;
        }
    }

    /// <summary>Below 0 when one stands before another: by what is left over, then by what speaks against it, then by what was asked to decide.</summary>
    private int Compare(Found one, Found other)
    {
        var steps = Math.Round(one.Cost / AsGood).CompareTo(Math.Round(other.Cost / AsGood));
        return steps != 0 ? steps
            : one.Burden.Against(other.Burden) is not 0 and var burden ? burden
            : Decides(one.Rig, other.Rig) is not 0 and var decided ? decided
            : one.Rig.Links.Count != other.Rig.Links.Count ? one.Rig.Links.Count.CompareTo(other.Rig.Links.Count)
            : !one.Rig.WeightG.Equals(other.Rig.WeightG) ? one.Rig.WeightG.CompareTo(other.Rig.WeightG)
            : one.Rig.Group.CompareTo(other.Rig.Group);
    }

    private int Decides(FitRig one, FitRig other) => tie switch
    {
        LookTie.Price => Price(one).CompareTo(Price(other)),
        LookTie.Weight => Weight(one).CompareTo(Weight(other)),
        _ => one.Ownership.CompareTo(other.Ownership),
    };

    /// <summary>A price that is not wholly known comes last.</summary>
    private static double Price(FitRig rig) => rig.Parts.Sum(p => CommonFields.CostOf(p) ?? double.PositiveInfinity);

    private static double Weight(FitRig rig) => rig.WeightUnknown ? double.PositiveInfinity : rig.WeightG;

    /// <summary>A rig as it comes nearest.</summary>
    internal sealed record Found(FitRig Rig, FitMode Mode, LookSetting.Setting Setting, Burden Burden)
    {
        public double Cost => Setting.Cost;
    }

    /// <summary>A body and lens that cannot be set, with what is in the way of the nearest.</summary>
    internal sealed record Missed(FitRig Rig, FitMode Mode, Shortfall Shortfall);
}
