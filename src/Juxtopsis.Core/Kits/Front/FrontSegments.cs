namespace Juxtopsis.Core.Kits.Front;

/// <summary>From each shot on how many rigs one after the other it takes at least to the end: each is kept for as long as one does.</summary>
internal sealed class FrontSegments
{
    private readonly FrontWay[][] shots;
    private readonly ulong[] going;
    private readonly ulong[][] rigs;
    private readonly int[] least;

    /// <summary>Begins.</summary>
    /// <param name="shots">The ways of each shot.</param>
    public FrontSegments(FrontWay[][] shots)
    {
        this.shots = shots;
        var words = shots.SelectMany(ways => ways).Select(w => w.Rig).DefaultIfEmpty().Max() / 64 + 1;
        (going, rigs, least) = (new ulong[words], [.. shots.Select(_ => new ulong[words])], new int[shots.Length + 1]);
    }

    /// <summary>How many it takes from a shot on, by what was counted last.</summary>
    public int LeastFrom(int shot) => least[shot];

    /// <summary>Counts them.</summary>
    /// <param name="at">The first shot.</param>
    /// <param name="usable">The ways of each shot that may still be used.</param>
    public void Count(int at, int[][] usable)
    {
        for (var s = at; s < rigs.Length; s++)
        {
            Array.Clear(rigs[s]);
            foreach (var w in usable[s])
            {
                rigs[s][shots[s][w].Rig / 64] |= 1UL << (shots[s][w].Rig % 64);
            }
        }

        for (var s = rigs.Length - 1; s >= at; s--)
        {
            rigs[s].CopyTo(going, 0);
            var to = s + 1;
            for (var any = true; to < rigs.Length && any; to += any ? 1 : 0)
            {
                any = false;
                for (var i = 0; i < going.Length; i++)
                {
                    any |= (going[i] &= rigs[to][i]) != 0;
                }
            }

            least[s] = 1 + least[to];
        }
    }
}
