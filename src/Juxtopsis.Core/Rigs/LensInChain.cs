using Juxtopsis.Core.Optics;

namespace Juxtopsis.Core.Rigs;

/// <summary>How a rig's lens focuses, and where its pupil is, with all that stands before and behind it.</summary>
/// <remarks>
/// Converters whose place is known, or that meet a tube or a lens with focus data of its own, are traced in their places, those that are not
/// known in the usual one: <see cref="Converter.UsualPlaceMm"/>. A bare focal length with a bare k and nothing else is taken as one
/// thin lens of k·f₀, the closed form that everybody's tables use: k then lies in the lens and moves with it.
/// </remarks>
/// <param name="Travel">Its travel.</param>
/// <param name="OpticsMagnification">k as told of the converters.</param>
/// <param name="IsTraced">True when converters are traced in their places; false when there are none, or they lie in the lens.</param>
/// <param name="OwnPupilMagnification">P₀ of the bare lens; 1 when not known.</param>
public readonly record struct LensInChain(FocusTravel Travel, double OpticsMagnification, bool IsTraced, double OwnPupilMagnification)
{
    /// <summary>A pupil that a close-up lens would image beyond this share of its focal length is taken to lie there.</summary>
    private const double FarthestPupilShare = 0.5;

    /// <summary>The farthest that the exit pupil of lens and glass together is taken to be away.</summary>
    private const double LeastInverseOfPupils = 0.05;

    /// <summary>The lens of a rig in its chain.</summary>
    /// <param name="rig">The rig.</param>
    /// <param name="usedFocalLengthMm">f₀ that counts, mm.</param>
    /// <returns>The lens in its chain.</returns>
    public static LensInChain Of(in Rig rig, double usedFocalLengthMm)
    {
        ref readonly var optics = ref rig.OpticsRef;
        var lens = rig.Lens;
        var pupil = lens.PupilMagnification ?? 1;
        var tubes = rig.ExtensionMm + optics.TubesBehindMm;
        if (optics.IsNone)
        {
            return new(TravelOf(rig, usedFocalLengthMm, RearGroup.Tube(tubes)), 1, false, pupil);
        }

        var k = optics.Magnification;
        if (!optics.PlacesKnown && tubes == 0 && lens is { MinimumFocusDistanceMm: null, MaximumMagnification: null })
        {
            return new(TravelOf(rig, k * usedFocalLengthMm, RearGroup.None), k, false, pupil);
        }

        ReadOnlySpan<Converter> converters = [optics.First, optics.Second, optics.Third, optics.Fourth];
        return new(TravelOf(rig, usedFocalLengthMm, RearGroup.Of(converters, rig.ExtensionMm)), k, true, pupil);
    }

    /// <summary>The same rig at another focal length of its zoom: what stands behind the lens stays.</summary>
    /// <param name="rig">The rig, with what is known of the lens at that focal length.</param>
    /// <param name="usedFocalLengthMm">f₀ there, mm.</param>
    /// <returns>The same as <see cref="Of"/>.</returns>
    internal LensInChain Zoomed(in Rig rig, double usedFocalLengthMm) =>
        this with { Travel = TravelOf(rig, IsTraced ? usedFocalLengthMm : OpticsMagnification * usedFocalLengthMm, Travel.Rear) };

    /// <summary>P of lens and glass as it counts here: of the bare lens, or of the one thin lens that both are taken as.</summary>
    public double PupilMagnification => IsTraced || OpticsMagnification == 1 ? OwnPupilMagnification : 1 / Math.Max(LeastInverseOfPupils, 1 + (1 / OwnPupilMagnification - 1) / OpticsMagnification);

    /// <summary>How far the pupil lies behind the frontmost glass, mm; below 0 before it.</summary>
    /// <param name="place">The place of focus.</param>
    /// <returns>ζ = g − f·(1 − 1/P).</returns>
    public double PupilBehindFrontMm(in FocusPlace place)
    {
        var behind = Travel.CloseUpFromLensMm - place.FocalLengthMm * (1 - 1 / PupilMagnification);
        return Travel.CloseUpPerMm == 0 ? behind : Math.Min(behind, FarthestPupilShare / Travel.CloseUpPerMm);
    }

    /// <summary>How many times larger a close-up lens shows the pupil: 1/(1 − φ·ζ).</summary>
    /// <param name="pupilBehindFrontMm">ζ, mm.</param>
    /// <returns>A factor; 1 without a close-up lens.</returns>
    public double PupilEnlargement(double pupilBehindFrontMm) => 1 / (1 - Travel.CloseUpPerMm * pupilBehindFrontMm);

    /// <summary>The bellows factor: f-number that the sensor works at over the one that is set, (K/k)·(1 + i/P).</summary>
    /// <param name="place">The place of focus.</param>
    /// <returns>A factor.</returns>
    public double BellowsFactor(in FocusPlace place) => (IsTraced ? Travel.Rear.Magnification / OpticsMagnification : 1) * (1 + place.RackedOut / PupilMagnification);

    /// <summary>k that turns a focal length of the travel into what the sensor sees.</summary>
    public double ToSensor => IsTraced ? OpticsMagnification : 1;

    /// <summary>Focus here, and all is sharp to infinity: where m = N·c/f, whatever the travel's end.</summary>
    /// <param name="magnification">m there.</param>
    /// <returns>Millimetres from the sensor mark, with the focal length that the lens has at infinity.</returns>
    public double HyperfocalDistanceMm(double magnification) =>
        ThinLens.SubjectDistanceMm(Travel.InfinityFocalLengthMm, magnification / Travel.Rear.Magnification) + Travel.Rear.TrackMm;

    private static FocusTravel TravelOf(in Rig rig, double focalLengthMm, RearGroup rear) => FocusTravel.Of(
        focalLengthMm, rig.Lens.MinimumFocusDistanceMm, rig.Lens.MaximumMagnification, rear, rig.CloseUpDioptres, rig.CloseUpDioptres == 0 ? 0 : rig.CloseUpFromLensMm);
}
