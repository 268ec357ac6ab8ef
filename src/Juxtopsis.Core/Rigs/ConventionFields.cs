using Juxtopsis.Core.Entry;
using Juxtopsis.Core.Fields;

namespace Juxtopsis.Core.Rigs;

/// <summary>What the conventions say.</summary>
public static class ConventionFields
{
    /// <summary>All of them.</summary>
    public static FieldSet<Conventions> All { get; } = new(
        Conventions.Default,
        [
            Usual("referenceWidthMm", "Reference format, width", EntryKind.SensorSide, "Width of the format that equivalents refer to.", (in c) => c.ReferenceWidthMm, (in c, v) => c with { ReferenceWidthMm = v }),
            Usual("referenceHeightMm", "Reference format, height", EntryKind.SensorSide, "Height of that format.", (in c) => c.ReferenceHeightMm, (in c, v) => c with { ReferenceHeightMm = v }),
            Field.Choice<Conventions, CropSchool>("crop", "Crop factor", "What is divided by what.", (in c) => c.Crop, (in c, v) => c with { Crop = v }),
            Field.Choice<Conventions, CircleSchool>("circle", "Circle of confusion", "What counts as sharp.", (in c) => c.Circle, (in c, v) => c with { Circle = v }),
            Usual("cocDivisor", "Diagonal over", EntryKind.CocDivisor, "Circle of confusion: the diagonal of the delivered picture over this number.", (in c) => c.CocDivisor, (in c, v) => c with { CocDivisor = v }),
            new NumberField<Conventions>(
                "cocFixedMm", "One circle for all", EntryKind.Circle, "Empty for the customary size of each format.", (in c) => c.CocFixedMm, (in c, v) => c with { CocFixedMm = v }) { MayBeUnknown = true },
            Usual("cocPx", "Pixels across the circle", EntryKind.CirclePx, "How many delivered pixels still count as a point.", (in c) => c.CocPx, (in c, v) => c with { CocPx = v }),
            Usual("screenWidthMm", "Picture watched, wide", EntryKind.Viewing, "Width of the picture as it is watched.", (in c) => c.ScreenWidthMm, (in c, v) => c with { ScreenWidthMm = v }),
            Usual("viewingDistanceMm", "Watched from", EntryKind.Viewing, "From the eye to the picture.", (in c) => c.ViewingDistanceMm, (in c, v) => c with { ViewingDistanceMm = v }),
            Field.Choice<Conventions, DistanceMark>("distanceFrom", "Distances begin", "At the sensor mark or at the front of the lens.", (in c) => c.DistanceFrom, (in c, v) => c with { DistanceFrom = v }),
            Field.Choice<Conventions, DepthSchool>("squeezedDepth", "Sharp zone of a squeezed lens", "Which direction decides it.", (in c) => c.SqueezedDepth, (in c, v) => c with { SqueezedDepth = v }),
            Field.Choice<Conventions, FocalLengthSchool>("focalLength", "Focal lengths", "As marked or as measured.", (in c) => c.FocalLength, (in c, v) => c with { FocalLength = v }),
            Usual("focalLengthTolerance", "Marked focal length ±", EntryKind.Tolerance, "How far off a focal length may be that nobody measured: 95 of 100 are nearer.", (in c) => c.Tolerances.FocalLengthShare, (in c, v) => c with { Tolerances = c.Tolerances with { FocalLengthShare = v } }),
            Usual("factorTolerance", "Factor and squeeze ±", EntryKind.Tolerance, "How far off the factor of a reducer or extender, or a squeeze, may be that nobody measured.", (in c) => c.Tolerances.FactorShare, (in c, v) => c with { Tolerances = c.Tolerances with { FactorShare = v } }),
            Usual("tapeToleranceMm", "Tape ±", EntryKind.Kept, "How far off a distance by tape may be.", (in c) => c.Tolerances.TapeMm, (in c, v) => c with { Tolerances = c.Tolerances with { TapeMm = v } }),
            Usual("roomToleranceMm", "Room ±", EntryKind.Kept, "How far off the length of a place, or what is behind, may be that nobody taped.", (in c) => c.Tolerances.RoomMm, (in c, v) => c with { Tolerances = c.Tolerances with { RoomMm = v } }),
        ]);

    private static NumberField<Conventions> Usual(string key, string label, EntryKind kind, string help, FieldGetter<Conventions, double> get, FieldSetter<Conventions, double> set) =>
        new(key, label, kind, help, (in c) => get(c), (in c, v) => set(c, v!.Value));
}
