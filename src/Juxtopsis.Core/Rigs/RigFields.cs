using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Entry;
using Juxtopsis.Core.Fields;
using Juxtopsis.Core.Optics;
using Juxtopsis.Core.Quantities;

namespace Juxtopsis.Core.Rigs;

/// <summary>What can be said of a rig and of its lens.</summary>
public static class RigFields
{
    private const int MostPoints = 100;

    private static readonly NumberField<Rig> WholeWidth = Unknown(
        "wholeSensorWidthMm", "Whole sensor, width", EntryKind.SensorSide, "The whole sensor when the mode uses a part of it: shows its crop as a link of its own.",
        (in r) => r.WholeSensorWidthMm, (in r, v) => r with { WholeSensorWidthMm = v });

    private static readonly NumberField<Rig> WholeHeight = Unknown(
        "wholeSensorHeightMm", "Whole sensor, height", EntryKind.SensorSide, "Given together with its width.",
        (in r) => r.WholeSensorHeightMm, (in r, v) => r with { WholeSensorHeightMm = v });

    private static readonly NumberField<Rig> RecordedAcross = Unknown(
        "recordedWidthPx", "Recorded, across", EntryKind.Pixels, "Pixels that the mode records over its area.",
        (in r) => r.RecordedWidthPx, (in r, v) => r with { RecordedWidthPx = v });

    private static readonly NumberField<Rig> RecordedUp = Unknown(
        "recordedHeightPx", "Recorded, up", EntryKind.Pixels, "Given together with those across.",
        (in r) => r.RecordedHeightPx, (in r, v) => r with { RecordedHeightPx = v });

    private static readonly NumberField<Rig> VariableWeakest = Unknown(
        "variableFilterMinStops", "Variable filter, weakest", EntryKind.Filter, "Its weakest setting.",
        (in r) => r.VariableFilterMinStops, (in r, v) => r with { VariableFilterMinStops = v });

    private static readonly NumberField<Rig> VariableStrongest = Unknown(
        "variableFilterMaxStops", "Variable filter, strongest", EntryKind.Filter, "Its strongest setting; turned past its end it draws a dark cross.",
        (in r) => r.VariableFilterMaxStops, (in r, v) => r with { VariableFilterMaxStops = v });

    private static readonly RowsField<Rig> Glass = new(
        "optics", "Reducers and extenders", "In order from the sensor: below 1 reduces, above 1 extends.",
        [new("", Quantity.OpticsMagnification, false, "")],
        OpticsChain.Most,
        (in r) => [.. Converters(r).Select(c => new double?[] { c.Magnification })],
        (in r, rows) => r with { Optics = OpticsChain.Of(Merged(r, rows, (c, row) => c with { Magnification = row[0]!.Value })) });

    private static readonly RowsField<Rig> Places = new(
        "opticsPlaces", "Where each of them stands", "In the same order; left out, or null for one, when that is not known.",
        [
            new("placeMm", Quantity.ConverterPlace, true, "From its glass to the plane that it images, mm; null when not known."),
            new("tubeBehindMm", Quantity.Extension, true, "Tube between it and what is nearer to the sensor, mm."),
            new("plusMinusShare", Quantity.Tolerance, true, "How far off its factor may be, as a share; null where nobody measured it."),
        ],
        OpticsChain.Most,
        (in r) => Converters(r).All(c => c is { PlaceMm: null, TubeBehindMm: 0, PlusMinusShare: null }) ? [] : [.. Converters(r).Select(c => new double?[] { c.PlaceMm, c.TubeBehindMm, c.PlusMinusShare })],
        (in r, rows) => r with { Optics = OpticsChain.Of(Merged(r, rows, (c, row) => c with { PlaceMm = row[0], TubeBehindMm = row[1] ?? 0, PlusMinusShare = row[2] })) })
    {
        RowOfEach = Glass,
    };

    private static readonly NumberField<Rig> ZoomShort = OfLens(
        "zoomShortMm", "Zoom, short end", EntryKind.FocalLength, "As marked; the same as the long end for a prime.",
        (in r) => r.Lens.ZoomShortMm, (lens, v) => lens with { ZoomShortMm = v });

    private static readonly NumberField<Rig> ZoomLong = OfLens(
        "zoomLongMm", "Zoom, long end", EntryKind.FocalLength, "As marked.",
        (in r) => r.Lens.ZoomLongMm, (lens, v) => lens with { ZoomLongMm = v });

    private static readonly NumberField<Rig> Widest = OfLens(
        "widestFNumber", "Widest aperture", EntryKind.FNumber, "f-number; at the short end of a zoom that closes as it zooms.",
        (in r) => r.Lens.WidestFNumber, (lens, v) => lens with { WidestFNumber = v });

    private static readonly RowsField<Rig> WidestAlong = new(
        "lens.widestAlong", "Widest aperture along the zoom", "From short to long, where it is known step by step.",
        [new("focalLengthMm", Quantity.FocalLength, false, "As marked, mm."), new("fNumber", Quantity.FNumber, false, "Widest f-number there.")],
        MostPoints,
        (in r) => [.. r.Lens.WidestAlong.Select(p => new double?[] { p.FocalLengthMm, p.FNumber })],
        (in r, rows) => r with { Lens = r.Lens with { WidestAlong = [.. rows.Select(p => new AperturePoint(p[0]!.Value, p[1]!.Value))] } })
    {
        MayBeUnknown = true,
    };

    private static readonly NumberField<Rig> Narrowest = OfLens(
        "narrowestFNumber", "Narrowest aperture", EntryKind.FNumber, "The smallest opening that it has.",
        (in r) => r.Lens.NarrowestFNumber, (lens, v) => lens with { NarrowestFNumber = v });

    private static readonly NumberField<Rig> TNumber = OfLens(
        "widestTNumber", "T-number, wide open", EntryKind.TNumber, "Light that gets through at the widest aperture; needs the widest aperture beside it.",
        (in r) => r.Lens.WidestTNumber, (lens, v) => lens with { WidestTNumber = v });

    /// <summary>All of them.</summary>
    public static FieldSet<Rig> All { get; } = new(
        new Rig(0, 0, 0, 0),
        [
            Required("sensorWidthMm", "Width used", EntryKind.SensorSide, "Width of the area that the recording mode uses.", (in r) => r.SensorWidthMm, (in r, v) => r with { SensorWidthMm = v }),
            Required("sensorHeightMm", "Height used", EntryKind.SensorSide, "Height of that area.", (in r) => r.SensorHeightMm, (in r, v) => r with { SensorHeightMm = v }),
            WholeWidth,
            WholeHeight,
            RecordedAcross,
            RecordedUp,
            Required("focalLengthMm", "Focal length", EntryKind.FocalLength, "As marked on the lens.", (in r) => r.FocalLengthMm, (in r, v) => r with { FocalLengthMm = v }),
            Required("fNumber", "Aperture", EntryKind.FNumber, "f-number as set on the lens.", (in r) => r.FNumber, (in r, v) => r with { FNumber = v }),
            Glass,
            Places,
            Unknown("opticsFastestFNumber", "Reducer lets out", EntryKind.FNumber, "The fastest aperture that comes out of the reducer, where it limits.", (in r) => r.OpticsFastestFNumber, (in r, v) => r with { OpticsFastestFNumber = v }),
            Usual("squeeze", "Squeeze", EntryKind.Squeeze, "How many times an anamorphic lens narrows the picture; 1 for a spherical lens.", (in r) => r.Squeeze, (in r, v) => r with { Squeeze = v }),
            Unknown("squeezePlusMinusShare", "Squeeze ±", EntryKind.Tolerance, "How far off the squeeze may be, where it was measured; empty where it was not.", (in r) => r.SqueezePlusMinusShare, (in r, v) => r with { SqueezePlusMinusShare = v }),
            Field.Choice<Rig, SqueezePlace>("squeezePlace", "Squeeze sits", "Before or behind the iris.", (in r) => r.SqueezePlace, (in r, v) => r with { SqueezePlace = v }),
            Usual("squeezeTurnDeg", "Turned by", EntryKind.SqueezeTurn, "How far the squeeze is turned against the sensor, degrees; a point light’s streak must be level.", (in r) => r.SqueezeTurnDeg, (in r, v) => r with { SqueezeTurnDeg = v }),
            Usual("punchIn", "Punch-in", EntryKind.PunchIn, "Electronic zoom or a crop afterwards: 2 keeps half the width and half the height.", (in r) => r.PunchIn, (in r, v) => r with { PunchIn = v }),
            ZoomShort,
            ZoomLong,
            Widest,
            OfLens("widestLongFNumber", "Widest at the long end", EntryKind.FNumber, "f-number, when it differs.", (in r) => r.Lens.WidestLongFNumber, (lens, v) => lens with { WidestLongFNumber = v }),
            WidestAlong,
            Narrowest,
            OfLens("blades", "Blades", EntryKind.Count, "Of the iris: the corners of blurred lights when it is not wide open.", (in r) => r.Lens.Blades, (lens, v) => lens with { Blades = v }),
            TNumber,
            new FlagField<Rig>("lens.takesNoFilter", "Takes no filter", "Nothing can be screwed on in front: the glass bulges, or there is no thread.", (in r) => r.Lens.TakesNoFilter, (in r, v) => r with { Lens = r.Lens with { TakesNoFilter = v } }),
            OfLens("measuredFocalLengthMm", "Measured focal length", EntryKind.FocalLength, "From a test of your own, at this mark. Counts when the conventions go by measured ones.", (in r) => r.Lens.MeasuredFocalLengthMm, (lens, v) => lens with { MeasuredFocalLengthMm = v }),
            OfLens("measuredPlusMinusShare", "Measured ±", EntryKind.Tolerance, "How far off the measured focal length may be; empty for 1 %.", (in r) => r.Lens.MeasuredPlusMinusShare, (lens, v) => lens with { MeasuredPlusMinusShare = v }),
            OfLens("minimumFocusDistanceMm", "Nearest focus", EntryKind.MinimumFocusDistance, "From the sensor mark.", (in r) => r.Lens.MinimumFocusDistanceMm, (lens, v) => lens with { MinimumFocusDistanceMm = v }),
            OfLens("maximumMagnification", "Largest ratio", EntryKind.Magnification, "Size on the sensor over true size at the nearest focus: 1:4, 0.25. From it follows how the lens breathes.", (in r) => r.Lens.MaximumMagnification, (lens, v) => lens with { MaximumMagnification = v }),
            OfLens("pupilMagnification", "Pupil magnification", EntryKind.PupilMagnification, "Exit pupil over entrance pupil. Matters close up.", (in r) => r.Lens.PupilMagnification, (lens, v) => lens with { PupilMagnification = v }),
            OfLens("frontFromSensorMm", "Front from sensor", EntryKind.FrontFromSensor, "From the sensor mark to the front of the lens, with all that is mounted there.", (in r) => r.Lens.FrontFromSensorMm, (lens, v) => lens with { FrontFromSensorMm = v }),
            OfLens("imageCircleMm", "Image circle", EntryKind.ImageCircle, "Diameter that the bare lens lights.", (in r) => r.Lens.ImageCircleMm, (lens, v) => lens with { ImageCircleMm = v }),
            OfLens("shortestTakingMm", "Shortest taking lens", EntryKind.FocalLength, "The shortest focal length that a squeeze attachment allows behind it on this format.", (in r) => r.Lens.ShortestTakingMm, (lens, v) => lens with { ShortestTakingMm = v }),
            OfLens("frontOpeningMm", "Opening in front", EntryKind.FrontOpening, "Clear diameter of the narrowest ring, hood or attachment.", (in r) => r.Lens.FrontOpeningMm, (lens, v) => lens with { FrontOpeningMm = v }),
            OfLens("frontOpeningFromPupilMm", "Pupil to opening", EntryKind.FrontOpening, "From the entrance pupil, seen from the front, to that opening; a guess of half the lens will do.", (in r) => r.Lens.FrontOpeningFromPupilMm, (lens, v) => lens with { FrontOpeningFromPupilMm = v }),
            Usual("closeUpDioptres", "Close-up lens", EntryKind.CloseUp, "In dioptres; two in a row add up.", (in r) => r.CloseUpDioptres, (in r, v) => r with { CloseUpDioptres = v }),
            Usual("closeUpFromLensMm", "Close-up lens before the lens", EntryKind.CloseUpPlace, "From the close-up lens back to the middle of the lens; empty for one place.", (in r) => r.CloseUpFromLensMm, (in r, v) => r with { CloseUpFromLensMm = v }),
            new FlagField<Rig>("rackedFarther", "Racked out farther", "Where the ring focuses at the distance in two places, around life size: yes for the one where it is racked out farther.", (in r) => r.RackedFarther, (in r, v) => r with { RackedFarther = v }),
            Usual("extensionMm", "Extension tube", EntryKind.Extension, "Tubes or bellows next to the lens, before any glass, in millimetres.", (in r) => r.ExtensionMm, (in r, v) => r with { ExtensionMm = v }),
            Usual("mountErrorMm", "Mount too long by", EntryKind.MountError, "Measured; below zero when it is too short.", (in r) => r.MountErrorMm, (in r, v) => r with { MountErrorMm = v }),
            Usual("rearFilterMm", "Rear filter", EntryKind.RearFilter, "Thickness of a filter between lens and sensor that the lens was not made for.", (in r) => r.RearFilterMm, (in r, v) => r with { RearFilterMm = v }),
            Usual("rearFilterIndex", "Its index", EntryKind.RefractiveIndex, "Refractive index of that filter; glass has about 1.5.", (in r) => r.RearFilterIndex, (in r, v) => r with { RearFilterIndex = v }),
            Unknown("sensitivityIso", "Sensitivity", EntryKind.Sensitivity, "ISO. With the scene’s brightness it tells what light is left over.", (in r) => r.SensitivityIso, (in r, v) => r with { SensitivityIso = v }),
            Unknown("lowestIso", "Lowest sensitivity", EntryKind.Sensitivity, "The lowest that the body has without more noise; light that is held ends there. ISO 100 where it is not known.", (in r) => r.LowestIso, (in r, v) => r with { LowestIso = v }),
            Unknown("highestIso", "Highest sensitivity", EntryKind.Sensitivity, "The highest that you accept of it; light that is held ends there. Empty for as high as there is.", (in r) => r.HighestIso, (in r, v) => r with { HighestIso = v }),
            Unknown("shutterAngleDeg", "Its own shutter", EntryKind.ShutterAngle, "A shutter angle of this rig alone; empty for the scene’s shutter.", (in r) => r.ShutterAngleDeg, (in r, v) => r with { ShutterAngleDeg = v }),
            Usual("filterStops", "Fixed filter", EntryKind.Filter, "Stops, ND8 or ND0.9.", (in r) => r.FilterStops, (in r, v) => r with { FilterStops = v }),
            VariableWeakest,
            VariableStrongest,
            Unknown("captureFps", "Frames a second", EntryKind.Fps, "Captured by this mode; empty for those of the timeline.", (in r) => r.CaptureFps, (in r, v) => r with { CaptureFps = v }),
            Usual("bodyStabilisationStops", "Body", EntryKind.StabilisationStops, "Stabilisation of the body, stops.", (in r) => r.BodyStabilisationStops, (in r, v) => r with { BodyStabilisationStops = v }),
            Usual("lensStabilisationStops", "Lens", EntryKind.StabilisationStops, "Stabilisation of the lens, stops.", (in r) => r.LensStabilisationStops, (in r, v) => r with { LensStabilisationStops = v }),
            new FlagField<Rig>("stabilisersAddUp", "Body and lens work together and add up", "Else the larger of the two counts.", (in r) => r.StabilisersAddUp, (in r, v) => r with { StabilisersAddUp = v }),
            OfLoad("weightG", "Weight", EntryKind.Weight, "Of all that is mounted, as far as it is known.", (in r) => r.Load.WeightG, (load, v) => load with { WeightG = v }),
            Missing("weightsUnknown", "Weights not known", "Parts of which the weight is not known.", (in r) => r.Load.WeightsUnknown, (load, v) => load with { WeightsUnknown = v }),
            OfLoad("lengthMm", "Length", EntryKind.PartLength, "From the back of the camera to the front.", (in r) => r.Load.LengthMm, (load, v) => load with { LengthMm = v }),
            OfLoad("purchasePrice", "Price to buy", EntryKind.Price, "Of what is not hired, without tax, as far as it is known.", (in r) => r.Load.PurchasePrice, (load, v) => load with { PurchasePrice = v }),
            Missing("pricesUnknown", "Prices not known", "Parts of which the price is not known.", (in r) => r.Load.PricesUnknown, (load, v) => load with { PricesUnknown = v }),
            OfLoad("hirePerDay", "Hire a day", EntryKind.Price, "Of what is hired, without tax, as far as it is known.", (in r) => r.Load.HirePerDay, (load, v) => load with { HirePerDay = v }),
            Missing("hiresUnknown", "Hires not known", "Parts of which the hire is not known.", (in r) => r.Load.HiresUnknown, (load, v) => load with { HiresUnknown = v }),
            OfLoad("insuredValue", "Insured for", EntryKind.Price, "What it would cost to get another one, as far as it is known.", (in r) => r.Load.InsuredValue, (load, v) => load with { InsuredValue = v }),
            Missing("valuesUnknown", "Values not known", "Parts of which the insured value is not known.", (in r) => r.Load.ValuesUnknown, (load, v) => load with { ValuesUnknown = v }),
        ],
        FieldSet<Rig>.Together(RecordedAcross, RecordedUp, "Recorded pixels have one side only."),
        FieldSet<Rig>.Together(WholeWidth, WholeHeight, "The whole sensor has one side only."),
        FieldSet<Rig>.Together(VariableWeakest, VariableStrongest, "The variable filter has one end only."),
        FieldSet<Rig>.InOrder(VariableWeakest, VariableStrongest, "The strongest setting of the variable filter is weaker than its weakest.", "Give the weaker one first."),
        FieldSet<Rig>.Together(ZoomShort, ZoomLong, "The zoom has one end only."),
        FieldSet<Rig>.InOrder(ZoomShort, ZoomLong, "The long end of the zoom is shorter than the short end.", "Give the shorter one first."),
        FieldSet<Rig>.InOrder(Widest, Narrowest, "The narrowest aperture is wider than the widest.", "A narrower aperture has the larger f-number."),
        TNumberNeedsAperture,
        PointsRise);

    private static Diagnostic? TNumberNeedsAperture(in Rig rig, LengthUnit unit) => rig.Lens is { WidestTNumber: not null, WidestFNumber: null }
        ? FieldSet<Rig>.Refused(
            Widest.Key, "", "given beside a T-number", "A T-number needs the widest f-number beside it.", "Give the lens's widest f-number, so that other openings can be reckoned.")
        : null;

    private static Diagnostic? PointsRise(in Rig rig, LengthUnit unit)
    {
        var points = rig.Lens.WidestAlong;
        if (points.Count == 1)
        {
            return FieldSet<Rig>.Refused(
                WidestAlong.Key, "1 point", $"2 to {MostPoints}", "The widest aperture along the zoom needs two points or more.", "Give both ends at least, or leave it out.");
        }

        for (var i = 1; i < points.Count; i++)
        {
            if (points[i].FocalLengthMm <= points[i - 1].FocalLengthMm)
            {
                return FieldSet<Rig>.Refused(
                    $"{WidestAlong.Key}[{i}].focalLengthMm", LengthWords.Number(points[i].FocalLengthMm), $"above {LengthWords.Number(points[i - 1].FocalLengthMm)}",
                    "The focal lengths along the zoom do not rise.", "Give them from short to long, each once.");
            }
        }

        return null;
    }

    private static IEnumerable<Converter> Converters(Rig rig) =>
        Enumerable.Range(0, OpticsChain.Most).Select(rig.Optics.At).Where(c => !c.IsNone || c.TubeBehindMm > 0);

    /// <summary>The converters of a rig, each with what its row says of it.</summary>
    private static Converter[] Merged(Rig rig, IReadOnlyList<double?[]> rows, Func<Converter, double?[], Converter> with) =>
        [.. Enumerable.Range(0, OpticsChain.Most).Select(i => i < rows.Count ? with(rig.Optics.At(i), rows[i]) : rig.Optics.At(i))];

    private static NumberField<Rig> Required(string key, string label, EntryKind kind, string help, FieldGetter<Rig, double> get, FieldSetter<Rig, double> set) =>
        new(key, label, kind, help, (in r) => get(r), (in r, v) => set(r, v!.Value)) { Required = true };

    private static NumberField<Rig> Usual(string key, string label, EntryKind kind, string help, FieldGetter<Rig, double> get, FieldSetter<Rig, double> set) =>
        new(key, label, kind, help, (in r) => get(r), (in r, v) => set(r, v!.Value));

    private static NumberField<Rig> Unknown(string key, string label, EntryKind kind, string help, FieldGetter<Rig, double?> get, FieldSetter<Rig, double?> set) =>
        new(key, label, kind, help, get, set) { MayBeUnknown = true };

    private static NumberField<Rig> OfLens(string key, string label, EntryKind kind, string help, FieldGetter<Rig, double?> get, Func<LensData, double?, LensData> set) =>
        Unknown("lens." + key, label, kind, help, get, (in r, v) => r with { Lens = set(r.Lens, v) });

    private static NumberField<Rig> OfLoad(string key, string label, EntryKind kind, string help, FieldGetter<Rig, double?> get, Func<RigLoad, double?, RigLoad> set) =>
        Unknown("load." + key, label, kind, help, get, (in r, v) => r with { Load = set(r.Load, v) });

    private static NumberField<Rig> Missing(string key, string label, string help, FieldGetter<Rig, double?> get, Func<RigLoad, double?, RigLoad> set) =>
        OfLoad(key, label, EntryKind.Count, help, get, set);
}
