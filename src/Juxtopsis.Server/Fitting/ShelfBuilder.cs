using Juxtopsis.Core.Fitting;
using Juxtopsis.Core.Gear;

namespace Juxtopsis.Server.Fitting;

/// <summary>
/// Puts the rigs of a shelf together on all processors, on threads of its own, so that the threads which answer requests are free
/// meanwhile.
/// </summary>
internal static class ShelfBuilder
{
    private const int PairsAtOnce = 64;

    /// <summary>Begins; whoever wants the shelf awaits it.</summary>
    /// <param name="items">The gear.</param>
    public static async Task<FittingShelf> BuildAsync(IEnumerable<GearItem> items)
    {
        var shelf = new FittingShelf(items);
        var slices = new IReadOnlyList<FitRig>?[(shelf.Pairs + PairsAtOnce - 1) / PairsAtOnce];
        var (next, found) = (-1, 0);
        await Task.WhenAll(Enumerable.Range(0, Environment.ProcessorCount).Select(_ => Task.Factory.StartNew(
            Work, CancellationToken.None, TaskCreationOptions.LongRunning, TaskScheduler.Default)));

        // Slices are begun in order, so those that are there follow each other.
        foreach (var slice in slices.TakeWhile(s => s is not null))
        {
            if (shelf.Add(slice!, PairsAtOnce))
            {
                break;
            }
        }

        return shelf;

        void Work()
        {
            while (Volatile.Read(ref found) <= FittingShelf.MostRigs && Interlocked.Increment(ref next) is var i && i < slices.Length)
            {
                slices[i] = shelf.RigsOf(i * PairsAtOnce, PairsAtOnce);
                Interlocked.Add(ref found, slices[i]!.Count);
            }
        }
    }
}
