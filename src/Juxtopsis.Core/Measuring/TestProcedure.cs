using Juxtopsis.Core.Gear;

namespace Juxtopsis.Core.Measuring;

/// <summary>How a test is done: what it finds, what to set up, and what it asks for.</summary>
/// <param name="Kind">The test.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Finds">What it finds, in a sentence.</param>
/// <param name="Steps">What to do, in order.</param>
/// <param name="Setup">The fields of <see cref="TestFields.Setup"/> that it asks for.</param>
/// <param name="Reading">The fields of <see cref="TestFields.Reading"/> that each reading has.</param>
/// <param name="Of">The kinds of gear that it is of.</param>
public sealed record TestProcedure(
    TestKind Kind, string Name, string Finds, IReadOnlyList<string> Steps, IReadOnlyList<string> Setup, IReadOnlyList<string> Reading, IReadOnlyList<GearKind> Of)
{
    private static readonly GearKind[] Lenses = [GearKind.Lens, GearKind.FixedLensCamera];

    private static readonly GearKind[] Everything = [.. GearKinds.OnShelf.Select(k => k.Kind).Where(k => k != GearKind.Mount)];

    /// <summary>All of them, in the order in which they are offered.</summary>
    public static IReadOnlyList<TestProcedure> All { get; } =
    [
        new(TestKind.FocalLength, "True focal length", "The focal length as it really is, where the entrance pupil sits, and how much the angle changes close by.",
            [
                "Camera level and square to a wall with a tape along it.", "Focus on the wall. Read what just fills the picture from edge to edge, and tape from the sensor mark to the wall.",
                "Again from farther off, and from close by. A zoom: at each mark that you use.",
            ],
            ["usedWidthMm", "squeeze", "minimumFocusDistanceMm", "maximumMagnification", "tapePlusMinusMm", "widthPlusMinusMm"], ["focalLengthMm", "distanceMm", "widthMm"], Lenses),
        new(TestKind.Magnification, "True factor", "By how much it really multiplies: the same lens with it and without it.",
            ["One lens, on the body without it: read the width that fills the picture, and tape the distance.", "The same lens through it: again.", "Two distances or more on each side tell the lens's own error apart."],
            ["usedWidthMm", "focalLengthMm", "tapePlusMinusMm", "widthPlusMinusMm"], ["isThrough", "distanceMm", "widthMm"], [GearKind.Adapter]),
        new(TestKind.Squeeze, "True squeeze", "How much it squeezes, from a square or a circle in the picture.",
            ["A square, a circle or any rectangle of known size, square to the camera and in the middle.", "Count its width and height in the picture as recorded, before any desqueeze.", "Once more at another distance: some squeeze less close by."],
            ["squeeze", "markPlusMinusPx"], ["widthMm", "heightMm", "widthPx", "heightPx"], [GearKind.Attachment, .. Lenses]),
        new(TestKind.SqueezeTurn, "Turn of the squeeze", "How far it is turned against the sensor.",
            ["A plumb line in the middle of the picture, the camera level.", "Desqueeze, and read by how many degrees the line leans."],
            ["squeeze", "anglePlusMinusDeg"], ["leanDeg"], [GearKind.Attachment, .. Lenses]),
        new(TestKind.Transmission, "T-number", "The light that gets through, against a lens whose T-number one trusts.",
            ["An even wall, lit the same all the while. The other lens at some T-number; note the level on the meter.", "This lens, wide open, nothing else changed: by how much is it darker?", "Once more with the other lens at another stop."],
            ["fNumber", "stopsPlusMinus"], ["tNumber", "stops"], Lenses),
        new(TestKind.Falloff, "Corners and image circle", "How the light falls off to the corners, and where the image circle ends.",
            ["An even wall, or white paper close before the lens, out of focus; the middle at half of the scale.", "Bring the still: it is measured over the whole frame."],
            ["usedWidthMm"], [], Lenses),
        new(TestKind.BackFocus, "Back focus", "How far the mount, or the distance marks, are off.",
            ["A focus chart or small print, wide open, seen large.", "Focus by eye; read the distance mark, and tape from the sensor mark.", "Close by, halfway and far: that tells a mount that is off from marks that are."],
            ["focalLengthMm", "fNumber", "tapePlusMinusMm"], ["markedMm", "distanceMm"], [GearKind.Body, .. Lenses]),
        new(TestKind.MinimumFocusDistance, "Nearest focus", "How close it really focuses.", ["Ring or motor at its nearest; move until it is sharp.", "Tape from the sensor mark."], ["minimumFocusDistanceMm", "tapePlusMinusMm"], ["distanceMm"], Lenses),
        new(TestKind.MaximumMagnification, "Largest ratio", "How large it draws at its nearest.", ["At its nearest focus, a ruler across the picture.", "Read what fills it from edge to edge."], ["usedWidthMm", "squeeze", "maximumMagnification", "widthPlusMinusMm"], ["widthMm"], Lenses),
        new(TestKind.Weight, "Weight", "What it weighs, as it is carried.", ["On the scales, with what always goes along: foot, ring, cable."], ["weightPlusMinusG"], ["weightG"], Everything),
        new(TestKind.Price, "Price", "What it cost, or would cost now.", ["From the bill, without tax."], [], ["purchasePrice"], Everything),
    ];

    /// <summary>How a test is done.</summary>
    /// <param name="kind">The test.</param>
    /// <returns>Its procedure.</returns>
    public static TestProcedure For(TestKind kind) => All.First(p => p.Kind == kind);
}
