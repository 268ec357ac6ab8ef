namespace Juxtopsis.Core.Kits;

/// <summary>A way to do a shot, with how many of its things are not held.</summary>
internal sealed class Way(int shot, int[] items, bool fills, int things)
{
    public int Shot { get; } = shot;

    public int[] Items { get; } = items;

    public bool Fills { get; } = fills;

    /// <summary>The same number for the same things, in whatever shot.</summary>
    public int Things { get; } = things;

    public int Missing { get; set; } = items.Length;

    /// <summary>How many of those that are not held are of what counts first.</summary>
    public int MissingOfFirst { get; set; }
}
