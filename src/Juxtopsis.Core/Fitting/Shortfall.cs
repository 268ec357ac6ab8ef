using Juxtopsis.Core.Diagnostics;

namespace Juxtopsis.Core.Fitting;

/// <summary>How far a rig is from giving a shot.</summary>
/// <param name="Code">What is in the way.</param>
/// <param name="By">
/// By how much: mm for <see cref="DiagnosticCode.NoStandpoint"/>, <see cref="DiagnosticCode.RoomTooShort"/>, <see cref="DiagnosticCode.MustStandTooNear"/>,
/// <see cref="DiagnosticCode.TooClose"/> and <see cref="DiagnosticCode.TooFar"/> (there the farthest), a share of the picture for dark corners, the nearest rate that it offers for frame rates (0 when none is known), stops for the others.
/// </param>
/// <param name="Off">
/// How far it is off altogether, in stops, to tell the nearest miss: a picture with half the sides counts as two stops, since it
/// takes a quarter of the light.
/// </param>
public readonly record struct Shortfall(DiagnosticCode Code, double By, double Off)
{
    /// <summary>Nothing is in the way.</summary>
    public static Shortfall None { get; }
}
