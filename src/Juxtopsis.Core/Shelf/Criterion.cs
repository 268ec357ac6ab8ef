namespace Juxtopsis.Core.Shelf;

/// <summary>One thing that a search asks for.</summary>
/// <param name="Typed">The part of the typed text that it came from.</param>
/// <param name="Meaning">What it was taken to mean; empty for a plain word.</param>
/// <param name="Accepts">Whether a thing meets it.</param>
public sealed record Criterion(string Typed, string Meaning, Func<ShelfRow, bool> Accepts);

/// <summary>A thing on the shelf together with what it gives on the chosen camera.</summary>
/// <param name="Entry">The thing.</param>
/// <param name="Reach">What it gives as a lens; null for other things, and where it is not known or does not fit.</param>
public readonly record struct ShelfRow(ShelfEntry Entry, LensReach? Reach);
