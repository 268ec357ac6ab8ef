namespace Juxtopsis.Contracts.Comparisons;

/// <summary>A stored photograph.</summary>
/// <param name="Id">Its identity.</param>
/// <param name="WidthPx">Pixels across.</param>
/// <param name="HeightPx">Pixels up.</param>
/// <param name="Bytes">Its size as stored.</param>
public sealed record PhotoOutput(Guid Id, int WidthPx, int HeightPx, int Bytes);
