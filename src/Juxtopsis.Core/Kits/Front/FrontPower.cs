using Juxtopsis.Core.Bags;

namespace Juxtopsis.Core.Kits.Front;

/// <summary>A kind of battery.</summary>
/// <param name="Costs">What one costs by each criterion, in the order of <see cref="FrontCriterion"/>.</param>
/// <param name="Wh">What one gives on the day, Wh; above 0.</param>
internal sealed record FrontBattery(double[] Costs, double Wh);

/// <summary>What cameras draw in a day, and the batteries that there are for it: as many of one kind as are needed.</summary>
/// <param name="Plan">The day.</param>
/// <param name="Draws">For each thing what it draws; nothing for what is no camera.</param>
/// <param name="GivenWh">What batteries give that every bag has, Wh.</param>
/// <param name="Batteries">The kinds.</param>
internal sealed record FrontPower(DayPlan Plan, CameraDraw[] Draws, double GivenWh, FrontBattery[] Batteries)
{
    private const int FewCameras = 64;

    private readonly int[] cameras = [.. Enumerable.Range(0, Draws.Length).Where(i => Draws[i] != default)];

    /// <summary>Where power is not asked for, or there is no battery.</summary>
    public static FrontPower None { get; } = new(new(), [], 0, []);

    /// <summary>Whether a thing draws no more than another.</summary>
    public bool DrawsNoMore(int item, int other) => Draws.Length == 0 || Draws[item].RecordingW <= Draws[other].RecordingW && Draws[item].StandbyW <= Draws[other].StandbyW;

    /// <summary>What things of a bag draw, Wh.</summary>
    /// <param name="held">Which things are in the bag.</param>
    public double EnergyWh(bool[] held)
    {

        var draws = cameras.Length <= FewCameras ? stackalloc CameraDraw[FewCameras] : new CameraDraw[cameras.Length];
        var count = 0;
        foreach (var camera in cameras)
        {
            if (held[camera])
            {
                draws[count++] = Draws[camera];
            }
        }

        return Plan.EnergyWh(draws[..count]);
    }

    /// <summary>How many of a kind give that much.</summary>
    public static int CountOf(FrontBattery kind, double wh) => (int)Math.Ceiling(wh / kind.Wh - 1e-9);

    /// <summary>What each Wh costs at least by a criterion: batteries for some energy never cost less than so much for each.</summary>
    /// <param name="criterion">By what.</param>
    public double LeastPerWh(int criterion) => Batteries.Length == 0 ? 0 : Batteries.Min(b => b.Costs[criterion] / b.Wh);

    /// <summary>What a thing draws at least, whatever else is in the bag, Wh.</summary>
    /// <param name="item">Number of the thing.</param>
    public double LeastWhOf(int item) => Draws.Length == 0 ? 0 : Draws[item].StandbyW * Plan.StandbyHours;

    /// <summary>The least that batteries for it cost.</summary>
    /// <param name="wh">What they must give, Wh.</param>
    /// <param name="criterion">By what.</param>
    public double LeastOf(double wh, int criterion)
    {
        var least = double.PositiveInfinity;
        foreach (var kind in Batteries)
        {
            least = Math.Min(least, CountOf(kind, wh) * kind.Costs[criterion]);
        }

        return Batteries.Length == 0 ? 0 : least;
    }
}
