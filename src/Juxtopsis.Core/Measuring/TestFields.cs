using Juxtopsis.Core.Entry;
using Juxtopsis.Core.Fields;
using Juxtopsis.Core.Quantities;

namespace Juxtopsis.Core.Measuring;

/// <summary>What can be said of a test's setup, and of its readings.</summary>
public static class TestFields
{
    /// <summary>What stays as it is during a test.</summary>
    public static FieldSet<TestSetup> Setup { get; } = new(
        new TestSetup((double?)null),
        [
            Unknown("usedWidthMm", "Width used", EntryKind.SensorSide, "Width of the sensor that the picture shows: of the recording mode, with its crop.", (in s) => s.UsedWidthMm, (in s, v) => s with { UsedWidthMm = v }),
            Usual("squeeze", "Squeeze", EntryKind.Squeeze, "Of lens and attachment; 1 for none.", (in s) => s.Squeeze, (in s, v) => s with { Squeeze = v }),
            Unknown("focalLengthMm", "Focal length", EntryKind.FocalLength, "As marked.", (in s) => s.FocalLengthMm, (in s, v) => s with { FocalLengthMm = v }),
            Unknown("fNumber", "Aperture", EntryKind.FNumber, "f-number that is set.", (in s) => s.FNumber, (in s, v) => s with { FNumber = v }),
            Unknown("minimumFocusDistanceMm", "Nearest focus", EntryKind.MinimumFocusDistance, "By its papers, from the sensor mark.", (in s) => s.MinimumFocusDistanceMm, (in s, v) => s with { MinimumFocusDistanceMm = v }),
            Unknown("maximumMagnification", "Largest ratio", EntryKind.Magnification, "By its papers, at the nearest focus.", (in s) => s.MaximumMagnification, (in s, v) => s with { MaximumMagnification = v }),
            Usual("tapePlusMinusMm", "Tape ±", EntryKind.FieldSize, "How far off a taped distance may be: 95 of 100 are nearer.", (in s) => s.TapePlusMinusMm, (in s, v) => s with { TapePlusMinusMm = v }),
            Usual("widthPlusMinusMm", "Width ±", EntryKind.FieldSize, "How far off a width read at the target may be.", (in s) => s.WidthPlusMinusMm, (in s, v) => s with { WidthPlusMinusMm = v }),
            Usual("markPlusMinusPx", "Marks ±", EntryKind.MarkError, "How far off a mark on a still may be.", (in s) => s.MarkPlusMinusPx, (in s, v) => s with { MarkPlusMinusPx = v }),
            Usual("stopsPlusMinus", "Stops ±", EntryKind.StopsDifference, "How far off a comparison of exposures may be.", (in s) => s.StopsPlusMinus, (in s, v) => s with { StopsPlusMinus = v }),
            Usual("anglePlusMinusDeg", "Angle ±", EntryKind.SqueezeTurn, "How far off an angle may be.", (in s) => s.AnglePlusMinusDeg, (in s, v) => s with { AnglePlusMinusDeg = v }),
            Usual("weightPlusMinusG", "Scales ±", EntryKind.Weight, "How far off the scales may be.", (in s) => s.WeightPlusMinusG, (in s, v) => s with { WeightPlusMinusG = v }),
        ],
        Positive("tapePlusMinusMm", (in s) => s.TapePlusMinusMm),
        Positive("widthPlusMinusMm", (in s) => s.WidthPlusMinusMm),
        Positive("stopsPlusMinus", (in s) => s.StopsPlusMinus),
        Positive("anglePlusMinusDeg", (in s) => s.AnglePlusMinusDeg),
        Positive("weightPlusMinusG", (in s) => s.WeightPlusMinusG));

    /// <summary>One reading.</summary>
    public static FieldSet<TestReading> Reading { get; } = new(
        new TestReading((double?)null),
        [
            Read("focalLengthMm", "Zoom at", EntryKind.FocalLength, "The mark at which the zoom stands; empty for a prime.", (in r) => r.FocalLengthMm, (in r, v) => r with { FocalLengthMm = v }),
            Read("distanceMm", "Tape", EntryKind.SubjectDistance, "From the sensor mark to the target.", (in r) => r.DistanceMm, (in r, v) => r with { DistanceMm = v }),
            Read("widthMm", "Width seen", EntryKind.FieldSize, "What just fills the picture across, at the target; of a rectangle its own width.", (in r) => r.WidthMm, (in r, v) => r with { WidthMm = v }),
            Read("heightMm", "True height", EntryKind.FieldSize, "Height of the rectangle; of a circle as much as its width.", (in r) => r.HeightMm, (in r, v) => r with { HeightMm = v }),
            Read("widthPx", "Wide in the still", EntryKind.StillPixels, "How wide it lies in the picture as recorded, not desqueezed.", (in r) => r.WidthPx, (in r, v) => r with { WidthPx = v }),
            Read("heightPx", "High in the still", EntryKind.StillPixels, "How high it lies there.", (in r) => r.HeightPx, (in r, v) => r with { HeightPx = v }),
            Read("leanDeg", "Plumb line leans", EntryKind.SqueezeTurn, "How far an upright line leans in the desqueezed picture; to the right above 0.", (in r) => r.LeanDeg, (in r, v) => r with { LeanDeg = v }),
            Read("tNumber", "Other lens at", EntryKind.TNumber, "T-number at which a lens that one trusts was set.", (in r) => r.TNumber, (in r, v) => r with { TNumber = v }),
            Read("stops", "This one darker by", EntryKind.StopsDifference, "Until both looked alike on the meter; below 0 where it was brighter.", (in r) => r.Stops, (in r, v) => r with { Stops = v }),
            Read("markedMm", "Mark says", EntryKind.SubjectDistance, "Where the distance scale stands when the target is sharp.", (in r) => r.MarkedMm, (in r, v) => r with { MarkedMm = v }),
            Read("weightG", "Scales say", EntryKind.Weight, "With what goes along with it.", (in r) => r.WeightG, (in r, v) => r with { WeightG = v }),
            Read("purchasePrice", "Price", EntryKind.Price, "As paid, without tax.", (in r) => r.PurchasePrice, (in r, v) => r with { PurchasePrice = v }),
            new FlagField<TestReading>("isThrough", "Through it", "Yes with the reducer or extender in its place.", (in r) => r.IsThrough, (in r, v) => r with { IsThrough = v }),
            new FlagField<TestReading>("isSetAside", "Set aside", "Yes when it shall not count.", (in r) => r.IsSetAside, (in r, v) => r with { IsSetAside = v }),
        ]);

    private static FieldRule<TestSetup> Positive(string key, FieldGetter<TestSetup, double> get) => (in s, _) =>
        get(s) > 0 ? null : FieldSet<TestSetup>.Refused(key, LengthWords.Number(get(s)), "above 0", "No reading is exact.", "Say how far off it may be.");

    private static NumberField<TestSetup> Usual(string key, string label, EntryKind kind, string help, FieldGetter<TestSetup, double> get, FieldSetter<TestSetup, double> set) =>
        new(key, label, kind, help, (in s) => get(s), (in s, v) => set(s, v!.Value));

    private static NumberField<TestSetup> Unknown(string key, string label, EntryKind kind, string help, FieldGetter<TestSetup, double?> get, FieldSetter<TestSetup, double?> set) =>
        new(key, label, kind, help, get, set) { MayBeUnknown = true };

    private static NumberField<TestReading> Read(string key, string label, EntryKind kind, string help, FieldGetter<TestReading, double?> get, FieldSetter<TestReading, double?> set) =>
        new(key, label, kind, help, get, set) { MayBeUnknown = true };
}
