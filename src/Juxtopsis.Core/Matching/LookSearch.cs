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
public sealed class LookSearch
{
    /// <summary>What differs by less is as good, stops.</summary>
    public const double AsGood = 0.01;

    private readonly FittingShelf shelf;
    private readonly LookSetting? setting;
    private readonly LookTie tie;
    private readonly int most;
    private readonly List<Found> found = [];
    private readonly PriorityQueue<Found, double> told = new();
    private readonly Dictionary<DiagnosticCode, Missed> misses = [];
    private Found? bestOfPair;
    private Missed? missOfPair;
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
            next = shelf.Rigs.Count;
        }
    }

    /// <summary>The look.</summary>
    public Look Look { get; }

    /// <summary>How much of it counts.</summary>
    public LookWishes Wishes { get; }

    /// <summary>How many rigs there are to ask.</summary>
    public int Total => shelf.Rigs.Count;

    /// <summary>How many have been asked.</summary>
    public int Done => next;

    /// <summary>How many settings of rigs were looked at: a rig in each of its modes.</summary>
    public int Looked { get; private set; }

    internal LookQuestion? Question { get; }

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
    /// <returns>What comes near the look.</returns>
    public LookResult Finish()
    {
        Step(int.MaxValue);
        return LookResult.Of(this, [.. found.Order(Comparer<Found>.Create(Compare)).Take(most)], misses);
    }

    private void ClosePair()
    {
        if (bestOfPair is not null)
        {
            found.Add(bestOfPair);
            told.Enqueue(bestOfPair, -bestOfPair.Cost);
            if (told.Count > most)
            {
                told.Dequeue();
            }
        }
        else if (missOfPair is { } miss)
        {
            var (nearest, count) = misses.TryGetValue(miss.Shortfall.Code, out var known) ? (known.Shortfall.Off <= miss.Shortfall.Off ? known : miss, known.Pairs) : (miss, 0);
            misses[miss.Shortfall.Code] = nearest with { Pairs = count + 1 };
        }

        (bestOfPair, missOfPair) = (null, null);
    }

    /// <summary>What costs more is not told: neither of this pair, nor among all.</summary>
    private double WorthBelow()
    {
        var ofAll = told.Count == most && told.TryPeek(out var last, out _) ? last.Cost : double.PositiveInfinity;
        return Math.Min(ofAll, bestOfPair?.Cost ?? double.PositiveInfinity) + 2 * AsGood;
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

            var best = setting!.Best(rig, frame, place, WorthBelow());
            if (double.IsPositiveInfinity(best.Cost))
            {
                Miss(rig, mode, best.Miss);
                continue;
            }

            var its = new Found(rig, mode, best, Question.Frames.BurdenOf(rig, mode));
            bestOfPair = bestOfPair is null || Compare(its, bestOfPair) < 0 ? its : bestOfPair;
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

    /// <summary>Of what is in the way the nearest, and of how many pairs of body and lens it is.</summary>
    internal sealed record Missed(FitRig Rig, FitMode Mode, Shortfall Shortfall)
    {
        public int Pairs { get; init; }
    }
}
