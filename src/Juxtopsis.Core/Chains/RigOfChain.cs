using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Optics;
using Juxtopsis.Core.Quantities;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Chains;

/// <summary>A chain in numbers, as the evaluator takes it: what parts decide, and all else as it was set by hand.</summary>
internal static class RigOfChain
{
    public static Rig Build(ChainOptics optics, ChainLayout layout, List<Diagnostic> findings)
    {
        var anatomy = optics.Anatomy;
        var (camera, mode, lens) = (optics.Camera, optics.Mode, optics.Lens);
        var dioptres = anatomy.Front.Sum(l => l.Item.Get(FrontFields.Dioptres) ?? 0);
        var variable = anatomy.Filters.Where(l => l.Item.Get(FrontFields.Effect) == FilterEffect.Variable && l.Item.Get(FrontFields.StopsMost) is not null).ToArray();
        var carriesStabilisation = lens.Kind == GearKind.FixedLensCamera || SignalChecks.Carries(anatomy, AdapterFields.CarriesStabilisation);
        double? variableMost = variable.Length == 0 ? null : variable.Sum(l => l.Item.Get(FrontFields.StopsMost)!.Value);
        var fixedStops = anatomy.Filters.Except(variable).Sum(l => (l.Item.Get(FrontFields.Stops) ?? 0) + (l.Item.Get(FrontFields.LightLost) ?? 0));
        var converters = Chain(optics.Converters, findings);
        var sensitivities = SensitivityRange.Of(camera, mode);
        return (optics.Setting.Set ?? new Rig(optics.ModeWidthMm, optics.ModeHeightMm, optics.FocalLengthMm, optics.FNumber)) with
        {
            SensorWidthMm = optics.ModeWidthMm,
            SensorHeightMm = optics.ModeHeightMm,
            FocalLengthMm = optics.FocalLengthMm,
            FNumber = optics.FNumber,
            WholeSensor = camera.Get(BodyFields.SensorWidth) is { } w && camera.Get(BodyFields.SensorHeight) is { } h ? new AreaSize(w, h) : null,
            PunchIn = optics.Setting.PunchIn,
            Squeeze = Within(optics.Squeeze, Quantity.Squeeze, "squeeze", findings),
            SqueezePlusMinusShare = optics.SqueezePlusMinusShare,
            SqueezePlace = optics.LensSqueeze == 1 ? SqueezePlace.Front : lens.Get(LensFields.SqueezePlace) ?? SqueezePlace.Front,
            Optics = converters,
            OpticsFastestFNumber = PictureChecks.FastestOut(optics)?.FNumber,
            Recorded = mode.Get(ModeFields.PixelsAcross) is { } x && mode.Get(ModeFields.PixelsUp) is { } y ? new PixelSize(x, y) : null,
            Lens = LensOf(optics, layout),
            CloseUpFromLensMm = dioptres == 0 ? 0 : CloseUpFromLensMm(optics, layout, converters, dioptres),
            CloseUpDioptres = Within(dioptres, Quantity.CloseUp, "dioptres", findings),
            ExtensionMm = Within(optics.ExtensionMm, Quantity.Extension, "millimetres of tube", findings),
            LowestIso = sensitivities.LowestIso,
            HighestIso = sensitivities.HighestIso,
            FilterStops = Within(fixedStops, Quantity.FilterStops, "stops of filter", findings),
            VariableFilterMinStops = variableMost is null ? null : Within(variable.Sum(l => l.Item.Get(FrontFields.Stops) ?? 0), Quantity.FilterStops, "stops of filter", findings),
            VariableFilterMaxStops = variableMost is { } most ? Within(most, Quantity.FilterStops, "stops of filter", findings) : null,
            CaptureFps = optics.Setting.CaptureFps,
            BodyStabilisationStops = camera.Get(BodyFields.Stabilisation) ?? 0,
            LensStabilisationStops = carriesStabilisation ? lens.Get(LensFields.Stabilisation) ?? 0 : 0,
            StabilisersAddUp = carriesStabilisation && camera.Get(BodyFields.AddsUp) == true,
            Load = LoadOf(layout),
        };
    }

    private static RigLoad LoadOf(ChainLayout layout)
    {
        var (purchase, hire, insured) = (layout.Purchase, layout.HirePerDay, layout.Insured);
        return new()
        {
            WeightG = layout.WeightG,
            WeightsUnknown = Some(layout.WeightUnknown),
            LengthMm = layout.LengthKnown && Quantity.PartLength.Accepts(layout.LengthMm) ? layout.LengthMm : null,
            PurchasePrice = purchase.Known,
            PricesUnknown = Some(purchase.Unknown),
            HirePerDay = hire.Known,
            HiresUnknown = Some(hire.Unknown),
            InsuredValue = insured.Known,
            ValuesUnknown = Some(insured.Unknown),
        };

        static double? Some(int count) => count == 0 ? null : count;
    }

    private static LensData LensOf(ChainOptics optics, ChainLayout layout)
    {
        var lens = optics.Lens;
        var attachment = optics.Anatomy.Front.Select(l => l.Item).FirstOrDefault(i => i.Kind == GearKind.Attachment);
        var focuses = attachment?.Get(FrontFields.FocusesItself) == true;

        // Of all openings the one that leaves the least room; the circle is the lens's own, so an adapter's limit is brought before it.
        var tightest = FrontGeometry.Of(optics).Openings(optics.Anatomy.Front.Select(l => l.Item)).OrderBy(o => o.ClearMm - 2 * o.FromPupilMm * optics.CornerTangent).Select(o => ((double Clear, double Away)?)(o.ClearMm, o.FromPupilMm)).FirstOrDefault();
        return optics.BareLens with
        {
            NarrowestFNumber = lens.Get(LensFields.Narrowest),
            Blades = lens.Get(LensFields.Blades),
            TakesNoFilter = lens.Get(LensFields.NoFilters) == true && lens.Get(LensFields.TakesRearFilter) != true && optics.Anatomy.Behind.All(l => l.Item.Get(AdapterFields.TakesFilter) != true),
            // What a lens loses is told by both; by its T-number alone nothing is.
            WidestTNumber = lens.Get(LensFields.Widest) is null ? null : lens.Get(LensFields.WidestT),
            MeasuredFocalLengthMm = ChainOptics.MeasuredMm(lens, optics.FocalLengthMm),
            MeasuredPlusMinusShare = lens.Get(LensFields.TestedFocalPlusMinus),
            MinimumFocusDistanceMm = focuses ? attachment!.Get(FrontFields.Nearest) : lens.Get(LensFields.Nearest),
            MaximumMagnification = focuses ? null : RatioAt(optics),
            PupilMagnification = lens.Get(LensFields.Pupils),
            FrontFromSensorMm = layout.FrontFromSensorMm is { } front && Quantity.FrontFromSensor.Accepts(front) ? front : null,
            ImageCircleMm = lens.Kind == GearKind.FixedLensCamera ? null : optics.ImageCircleOnSensorMm / optics.Magnification,
            ShortestTakingMm = attachment is null ? null : AttachmentChecks.ShortestTakingMm(optics, attachment),
            FrontOpeningMm = tightest?.Clear,
            FrontOpeningFromPupilMm = tightest is { Away: > 0 } o ? Math.Max(o.Away, Quantity.FrontOpening.Min) : null,
        };
    }

    /// <summary>A zoom reaches its largest ratio at its long end; what it reaches elsewhere is not known.</summary>
    private static double? RatioAt(ChainOptics optics) => optics.FocalLengthMm >= optics.Long ? optics.Lens.Get(LensFields.Ratio) : null;

    private static OpticsChain Chain(IReadOnlyList<Converter> converters, List<Diagnostic> findings)
    {
        if (converters.Count <= OpticsChain.Most)
        {
            return OpticsChain.Of(converters);
        }

        TooMany(findings, $"{converters.Count} reducers and extenders in a row");
        return OpticsChain.Of([.. converters.Take(OpticsChain.Most)]);
    }

    /// <summary>
    /// From the back of the close-up lens to the plane that the thin lens stands for; 0 where lengths are not known. Several are taken to lie where
    /// the first does.
    /// </summary>
    private static double CloseUpFromLensMm(ChainOptics optics, ChainLayout layout, in OpticsChain converters, double dioptres)
    {
        var place = optics.Anatomy.Front.First(l => l.Item.Get(FrontFields.Dioptres) is not null).Place;
        if (layout.FrontFromSensorMm is null)
        {
            return 0;
        }

        var rear = RearGroup.Of([converters.First, converters.Second, converters.Third, converters.Fourth], optics.ExtensionMm);
        var lensPlane = rear.TrackMm + rear.ShiftMm + optics.FocalLengthMm;
        return Math.Clamp(layout.Spans.First(s => s.Place == place).FromMm - lensPlane, 0, Math.Min(Quantity.CloseUpPlace.Max, 500 / dioptres));
    }

    /// <summary>A sum over parts may leave the range that is reckoned with; then the chain is stopped and the nearest bound stands in.</summary>
    private static double Within(double value, Quantity quantity, string what, List<Diagnostic> findings)
    {
        if (!quantity.Accepts(value))
        {
            TooMany(findings, $"{LengthWords.Number(Math.Round(value, 3))} {what}");
        }

        return Math.Clamp(value, quantity.Min, quantity.Max);
    }

    private static void TooMany(List<Diagnostic> findings, string what) =>
        findings.Add(new(DiagnosticCode.TooMany, Severity.Stops, -1, -1, $"{what} are more than is reckoned with.", "Take some of these parts out."));
}
