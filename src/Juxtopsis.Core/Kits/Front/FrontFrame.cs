namespace Juxtopsis.Core.Kits.Front;

/// <summary>What may come next: a way to do a shot, or one of the sets of filters that the way needs which was taken; a way below 0 leaves the shot undone.</summary>
internal sealed record FrontChild(int Shot, int Way, double Bound, int[]? Filters = null);

/// <summary>A branch: what was decided for it, and what may come next.</summary>
/// <param name="added">Things that were put in.</param>
/// <param name="leftShot">The shot that was left undone; −1 for none.</param>
/// <param name="children">What may come next.</param>
/// <param name="at">Where changes count, the first shot of which the rig is not decided.</param>
/// <param name="rig">The rig of the shot before it; −1 for none.</param>
/// <param name="changes">How often the rig has changed.</param>
/// <param name="usable">For each shot that is open the ways that may be used below.</param>
/// <param name="done">The shots that can be done, a bit each: with more things they can be too.</param>
internal sealed class FrontFrame(int[] added, int leftShot, List<FrontChild> children, int at, int rig, int changes, int[][] usable, ulong done)
{
    public int[] Added => added;

    public int LeftShot => leftShot;

    public List<FrontChild> Children => children;

    public int Next { get; set; }

    public int At => at;

    public int Rig => rig;

    public int Changes => changes;

    /// <summary>For each shot that is open the ways that may be used below.</summary>
    public int[][] Usable => usable;

    /// <summary>The shots that can be done, a bit each: with more things they can be too.</summary>
    public ulong Done => done;
}
