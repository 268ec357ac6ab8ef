namespace Juxtopsis.Core.Rigs;

/// <summary>A size in pixels. Not rounded: a trim rarely falls on a whole pixel.</summary>
/// <param name="Width">Pixels across.</param>
/// <param name="Height">Pixels up.</param>
public readonly record struct PixelSize(double Width, double Height);
