namespace Juxtopsis.Core.Margins;

/// <summary>What an uncertainty comes from.</summary>
public enum MarginSource
{
    /// <summary>The focal length.</summary>
    FocalLength,

    /// <summary>The factor of a reducer or extender.</summary>
    Factor,

    /// <summary>The squeeze.</summary>
    Squeeze,

    /// <summary>A distance by tape.</summary>
    Tape,

    /// <summary>The length of the place, or where what is behind stands.</summary>
    Room,
}

/// <summary>What one uncertainty makes of a figure.</summary>
/// <param name="Source">What it comes from.</param>
/// <param name="Item">The thing that it is of; empty where it is of none.</param>
/// <param name="Given">The ± of what is put in: a share, or mm for <see cref="MarginSource.Tape"/> and <see cref="MarginSource.Room"/>.</param>
/// <param name="IsMeasured">True when a test or a tape gave it.</param>
/// <param name="PlusMinus">The ± of the figure that follows from it alone, in the figure's unit; infinite where it cannot be bounded.</param>
public sealed record MarginPart(MarginSource Source, string Item, double Given, bool IsMeasured, double PlusMinus);
