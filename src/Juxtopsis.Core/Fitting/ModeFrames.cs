using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Light;
using Juxtopsis.Core.Optics;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Fitting;

/// <summary>What the modes of a shelf give of one delivery: each asked once, whatever the rig in front of it.</summary>
internal sealed class ModeFrames
{
    private readonly Dictionary<(int Mode, double Squeeze, SqueezePlace Place), FitFrame> frames;
    private readonly FitFrame?[] plainFrames;
    private readonly Shortfall?[] rates;

    /// <summary>Begins with nothing asked.</summary>
    /// <param name="deliveryAspect">Delivered width over height.</param>
    /// <param name="deliveryWidthPx">Pixels across that delivery asks for; null when it does not say.</param>
    /// <param name="fps">Frames a second that are captured.</param>
    /// <param name="conventions">What figures go by.</param>
    /// <param name="rules">What a proposal must keep.</param>
    /// <param name="modes">How many modes there are.</param>
    public ModeFrames(double deliveryAspect, double? deliveryWidthPx, double fps, Conventions conventions, FitRules rules, int modes)
        : this(deliveryAspect, deliveryWidthPx, fps, conventions, rules, [], new FitFrame?[modes])
    {
    }

    private ModeFrames(
        double deliveryAspect, double? deliveryWidthPx, double fps, Conventions conventions, FitRules rules,
        Dictionary<(int Mode, double Squeeze, SqueezePlace Place), FitFrame> frames, FitFrame?[] plainFrames)
    {
        (DeliveryAspect, DeliveryWidthPx, Fps, Conventions, Rules) = (deliveryAspect, deliveryWidthPx, fps, conventions, rules);
        (this.frames, this.plainFrames, rates) = (frames, plainFrames, new Shortfall?[plainFrames.Length]);
    }

    public double DeliveryAspect { get; }

    public double? DeliveryWidthPx { get; }

    public double Fps { get; }

    public Conventions Conventions { get; }

    public FitRules Rules { get; }

    /// <summary>The same at another rate: what is delivered stays.</summary>
    public ModeFrames At(double fps) => new(DeliveryAspect, DeliveryWidthPx, fps, Conventions, Rules, frames, plainFrames);

    /// <summary>The frame that a mode gives with a rig: what is used of it, and what counts as sharp there.</summary>
    public FitFrame Of(FitRig rig, FitMode mode)
    {
        if (rig.Squeeze == 1 && mode.Index >= 0 && plainFrames[mode.Index] is { } plain)
        {
            return plain;
        }

        var key = (mode.Index, rig.Squeeze, rig.AtShort.SqueezePlace);
        if (mode.Index >= 0 && frames.TryGetValue(key, out var known))
        {
            return known;
        }

        var there = rig.In(mode, rig.ShortMm, rig.AtShort.FNumber);
        var scene = new Scene(1e7) { DeliveryAspect = DeliveryAspect, DeliveryWidthPx = DeliveryWidthPx };
        var used = UsedArea.Of(there, DeliveryAspect);
        var sensor = SensorUse.Of(scene, there, used);
        var circle = SharpnessLimits.Circle(scene, Conventions, there, used, sensor) ?? used.PictureDiagonalMm / SharpnessLimits.FallbackDivisor;
        var made = new FitFrame(used, SharpnessLimits.DepthCircleMm(circle, Conventions, there), sensor.Enlargement, used.SensorDiagonalMm, SqueezeReport.Of(there, used, DeliveryAspect).WasteShare)
        {
            LowestIso = there.LowestIso ?? ExposureSettings.ReferenceIso,
            HighestIso = Math.Min(Rules.HighestIso, there.HighestIso ?? double.PositiveInfinity),
        };
        if (mode.Index >= 0 && rig.Squeeze == 1)
        {
            plainFrames[mode.Index] = made;
        }
        else if (mode.Index >= 0)
        {
            frames.Add(key, made);
        }

        return made;
    }

    /// <summary>How a rig stands against others whatever the criterion: fewer of these go first.</summary>
    public Burden BurdenOf(FitRig rig, FitMode mode)
    {
        var frame = Of(rig, mode);
        var findings = Rules.Findings;
        var shownWrong = findings && !mode.Shows(rig.Squeeze);
        var ratesUnknown = Rules.Rates && mode.Rates.Count == 0;
        var enlarged = Rules.Pixels && frame.Enlargement > ReasonFinder.MeasuringError;
        var pixelsUnknown = Rules.Pixels && frame.Enlargement is null && DeliveryWidthPx is not null;
        return new(
            (findings ? rig.Spoils : 0) + (enlarged ? 1 : 0),
            (findings ? rig.Costs + rig.Unknowns : 0) + (findings && rig.CircleIsEstimated && DarkShare(rig, frame) > Coverage.Noticed ? 1 : 0) + (shownWrong ? 1 : 0) + (ratesUnknown ? 1 : 0) + (pixelsUnknown ? 1 : 0),
            enlarged ? frame.Enlargement!.Value : 1);
    }

    /// <summary>How much of a picture lies outside the image circle, as far as it is known.</summary>
    public static double DarkShare(FitRig rig, FitFrame frame) =>
        rig.ImageCircleMm is { } circle && circle < frame.DiagonalMm ? Coverage.DarkShare(frame.Used.WidthMm, frame.Used.HeightMm, circle) : 0;

    /// <summary>What is in the way where a mode does not offer the rate; asked once of each mode.</summary>
    public Shortfall RateMiss(FitMode mode)
    {
        if (mode.Index >= 0 && rates[mode.Index] is { } known)
        {
            return known;
        }

        var miss = Shortfall.None;
        if (Rules.Rates ? !mode.Offers(Fps) : !mode.IsAsFastAs(Fps))
        {
            var nearest = mode.NearestRate(Fps);
            miss = new(DiagnosticCode.RateNotOffered, nearest, 4 + Math.Abs(PortableMath.Log2(Fps / nearest)));
        }

        if (mode.Index >= 0)
        {
            rates[mode.Index] = miss;
        }

        return miss;
    }
}

/// <summary>What a mode gives of a shot with a squeeze.</summary>
/// <param name="Used">Used area.</param>
/// <param name="CircleOfConfusionMm">The circle of confusion that decides depth, mm.</param>
/// <param name="Enlargement">How many times recorded pixels are enlarged for delivery; null when not known.</param>
/// <param name="DiagonalMm">Diagonal of the used area on the sensor, mm.</param>
/// <param name="WasteShare">Share of the mode that the trim throws away.</param>
internal sealed record FitFrame(UsedArea Used, double CircleOfConfusionMm, double? Enlargement, double DiagonalMm, double WasteShare)
{
    /// <summary>The lowest sensitivity in that mode, ISO.</summary>
    public double LowestIso { get; init; }

    /// <summary>The highest that is accepted, of that camera in that mode and by the production, ISO.</summary>
    public double HighestIso { get; init; }
}

/// <summary>What speaks against a rig, whatever the criterion.</summary>
/// <param name="Spoils">Things that spoil its use, too few pixels among them.</param>
/// <param name="Costs">Things that cost something, or are not known.</param>
/// <param name="Enlargement">How many times what is recorded is enlarged; 1 where it need not be.</param>
internal readonly record struct Burden(int Spoils, int Costs, double Enlargement)
{
    /// <summary>0 for nothing, 1 for what costs, 2 for what spoils.</summary>
    public int Tier => Spoils > 0 ? 2 : Costs > 0 ? 1 : 0;

    /// <summary>Below 0 when there is less against it than against another.</summary>
    public int Against(Burden other) =>
        Tier != other.Tier ? Tier.CompareTo(other.Tier)
        : Spoils != other.Spoils ? Spoils.CompareTo(other.Spoils)
        : Enlargement == other.Enlargement ? 0
        : Math.Round(PortableMath.Log2(Enlargement), 9).CompareTo(Math.Round(PortableMath.Log2(other.Enlargement), 9));
}

