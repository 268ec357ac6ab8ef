using Juxtopsis.Core.Briefs;
using Juxtopsis.Core.Fitting;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Kits;

/// <summary>A shot of a day.</summary>
/// <param name="Site">Where.</param>
/// <param name="Brief">What is wanted.</param>
public sealed record DayShot(Site Site, ShotBrief Brief);

/// <summary>A lens in a bag, and what it is taken along for.</summary>
/// <param name="Lens">The lens, or a camera that keeps its own.</param>
/// <param name="Shots">Indexes of the shots that it does, on any of the bodies.</param>
/// <param name="Alone">Of these the ones that no other lens of the bag does.</param>
/// <param name="Rigs">For each of its shots the lightest rig that does it.</param>
public sealed record KitLens(GearItem Lens, IReadOnlyList<int> Shots, IReadOnlyList<int> Alone, IReadOnlyList<KitRig> Rigs)
{
    /// <summary>Its weight, g; null when it is not known.</summary>
    public double? WeightG => Lens.Get(CommonFields.Weight);
}

/// <summary>A rig of a bag.</summary>
/// <param name="Rig">Its parts.</param>
/// <param name="Mode">Its mode.</param>
public sealed record KitRig(FitRig Rig, FitMode Mode);

/// <summary>A bag for a day.</summary>
/// <param name="Lenses">Its lenses, the one with the most shots first.</param>
/// <param name="Undone">Indexes of the shots that it cannot do.</param>
/// <param name="WeightG">Weight of the lenses, g: what was minimised.</param>
/// <param name="WeightUnknown">True when a weight is not known.</param>
public sealed record Kit(IReadOnlyList<KitLens> Lenses, IReadOnlyList<int> Undone, double WeightG, bool WeightUnknown);

/// <summary>The bags to choose from.</summary>
/// <param name="Kits">Up to three: the best two that do all that can be done, and the best with one lens fewer.</param>
/// <param name="Impossible">Indexes of the shots that nothing of this gear does.</param>
public sealed record DayResult(IReadOnlyList<Kit> Kits, IReadOnlyList<int> Impossible);

/// <summary>
/// Asks which lenses do all shots of a day. Minimised is the number of lenses, and among as many the weight of the lenses; bodies
/// are taken as given, and what joins them is told but not weighed.
/// </summary>
public sealed class DaySearch
{
    /// <summary>The most shots of a day.</summary>
    public const int MostShots = 64;

    private readonly FittingShelf shelf;
    private readonly IReadOnlyList<DayShot> shots;
    private readonly Conventions conventions;
    private readonly Dictionary<Guid, GearItem> lenses = [];
    private readonly Dictionary<Guid, ulong> masks = [];
    private readonly Dictionary<(Guid Lens, int Shot), KitRig> rigs = [];
    private FitSearch? search;

    /// <summary>Begins a search.</summary>
    /// <param name="shelf">The rigs.</param>
    /// <param name="shots">The shots, at most <see cref="MostShots"/>.</param>
    /// <param name="conventions">What figures go by.</param>
    /// <exception cref="ArgumentOutOfRangeException">There are too many shots.</exception>
    public DaySearch(FittingShelf shelf, IReadOnlyList<DayShot> shots, Conventions conventions)
    {
        ArgumentNullException.ThrowIfNull(shelf);
        ArgumentNullException.ThrowIfNull(shots);
        ArgumentOutOfRangeException.ThrowIfGreaterThan(shots.Count, MostShots, nameof(shots));
        (this.shelf, this.shots, this.conventions) = (shelf, shots, conventions);
    }

    /// <summary>How many shots there are.</summary>
    public int Total => shots.Count;

    /// <summary>How many have been asked about.</summary>
    public int Done { get; private set; }

    /// <summary>Asks some more rigs.</summary>
    /// <param name="count">How many at most.</param>
    /// <returns>True when all have been asked for all shots.</returns>
    public bool Step(int count)
    {
        if (Done < shots.Count)
        {
            search ??= new(shelf, shots[Done].Site, shots[Done].Brief, conventions, Wish.LeastWeight);
            if (search.Step(count))
            {
                Note(search);
                search = null;
                Done++;
            }
        }

        return Done >= shots.Count;
    }

    /// <summary>Asks all that are left, and answers.</summary>
    /// <returns>The bags.</returns>
    public DayResult Finish()
    {
        while (!Step(int.MaxValue))
        {
        }

        var all = lenses.Values.OrderBy(l => l.FullName, StringComparer.Ordinal).ThenBy(l => l.Id).ToArray();
        ulong[] held = [.. all.Select(l => masks[l.Id])];
        double[] weights = [.. all.Select(l => l.Get(CommonFields.Weight) ?? 0)];
        var possible = held.Aggregate(0UL, (u, m) => u | m);
        var covers = SetCover.Covers(held, weights, keep: 2);
        var kits = covers.Select(c => KitOf(c, all)).ToList();
        if (covers is [{ Length: > 1 } best, ..])
        {
            kits.Add(KitOf(SetCover.Most(held, weights, best.Length - 1), all));
        }

        return new(kits, [.. Bits(~possible)]);
    }

    private void Note(FitSearch asked)
    {
        foreach (var (_, fit) in asked.Fits.OrderBy(f => f.Key))
        {
            var lens = fit.Rig.Lens;
            if (fit.Rig.LosesMuch)
            {
                continue;
            }

            lenses[lens.Id] = lens;
            masks[lens.Id] = masks.GetValueOrDefault(lens.Id) | 1UL << Done;
            if (!rigs.TryGetValue((lens.Id, Done), out var known) || fit.Rig.WeightG < known.Rig.WeightG)
            {
                rigs[(lens.Id, Done)] = new(fit.Rig, fit.Mode);
            }
        }
    }

    private Kit KitOf(IReadOnlyList<int> chosen, GearItem[] all)
    {
        var together = chosen.Aggregate(0UL, (held, i) => held | masks[all[i].Id]);
        var kit = chosen.Select(i => all[i]).Select(lens =>
        {
            var others = chosen.Select(i => all[i]).Where(o => o.Id != lens.Id).Aggregate(0UL, (held, o) => held | masks[o.Id]);
            int[] mine = [.. Bits(masks[lens.Id])];
            return new KitLens(lens, mine, [.. Bits(masks[lens.Id] & ~others)], [.. mine.Select(s => rigs[(lens.Id, s)])]);
        });
        return new(
            [.. kit.OrderByDescending(l => l.Shots.Count).ThenBy(l => l.Lens.Name, StringComparer.Ordinal)],
            [.. Bits(~together)],
            chosen.Sum(i => all[i].Get(CommonFields.Weight) ?? 0),
            chosen.Any(i => all[i].Get(CommonFields.Weight) is null));
    }

    private IEnumerable<int> Bits(ulong mask) => Enumerable.Range(0, shots.Count).Where(i => (mask >> i & 1) != 0);
}
