using System.Globalization;
using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Fitting;
using Juxtopsis.Core.Quantities;

namespace Juxtopsis.Core.Matching;

/// <summary>What is left over of a look, in sentences.</summary>
/// <param name="unit">The person's unit for distances.</param>
public sealed class LookWords(LengthUnit unit)
{
    /// <summary>Less is not told: half a per cent of a side.</summary>
    private const double Small = 0.0143;

    /// <summary>How near an answer comes, the weightiest first.</summary>
    /// <param name="match">The answer.</param>
    /// <returns>A sentence.</returns>
    public string Say(LookMatch match)
    {
        ArgumentNullException.ThrowIfNull(match);
        var rest = match.Rest;
        List<string> parts = [];
        if (Math.Abs(rest[LookAspect.Distance]) > Small)
        {
            parts.Add($"from {Far(rest.Of.DistanceMm)}, not {Far(rest.To.DistanceMm)}");
        }

        var (angle, framing) = (Share(rest, LookAspect.Angle), Share(rest, LookAspect.Framing));
        if (Math.Abs(rest[LookAspect.Framing]) > Small)
        {
            parts.Add($"framed {Percent(framing)} {(framing > 0 ? "looser" : "tighter")}");
        }
        else
        {
            parts.Add("framed alike");
        }

        parts.Add(Math.Abs(angle) < 0.0005 ? "the same angle" : $"angle within {Percent(angle)}");
        var blur = rest[LookAspect.Blur];
        parts.Add(Math.Abs(blur) < 0.05 ? "as soft behind"
            : blur < 0 ? $"{Stops(blur)} short of blur{(match.IsWideOpen ? ": it opens no farther" : "")}"
            : $"{Stops(blur)} more blur");
        if (rest[LookAspect.BlurShape] != 0)
        {
            parts.Add(rest.Of.DiscNarrowing > 1 ? $"discs {Number(rest.Of.DiscNarrowing)} times taller than wide" : "round discs");
        }

        var text = string.Join(", ", parts);
        return $"{char.ToUpperInvariant(text[0])}{text[1..]}.";
    }

    /// <summary>Why two pictures are alike though the sensors are not, on a case of one's own, and where that ends.</summary>
    /// <param name="match">The answer.</param>
    /// <returns>Sentences.</returns>
    public static IReadOnlyList<string> Equality(LookMatch match)
    {
        ArgumentNullException.ThrowIfNull(match);
        var (of, to, rest) = (match.Rest.Of, match.Rest.To, match.Rest);
        var ratio = of.PupilMm / to.PupilMm;
        List<string> said =
        [
            $"The look has a pupil of {Millimetres(to.PupilMm)} and {Angle(to)} upright; this has {Millimetres(of.PupilMm)} and {Angle(of)}.",
            Math.Abs(ratio - 1) < 0.01
                ? "The same pupil, through the same angle, from the same place draws the same discs and the same sharp zone, whatever the sensor."
                : $"A pupil {(ratio < 1 ? $"{Percent(1 - ratio)} narrower" : $"{Percent(ratio - 1)} wider")} draws discs {(ratio < 1 ? "smaller" : "larger")} by as much: the sensor's size has no part in it but through the angle.",
        ];
        if (Math.Abs(rest[LookAspect.Angle]) < Small && Math.Abs(rest[LookAspect.Distance]) < Small && Math.Abs(rest[LookAspect.Framing]) > 0.001)
        {
            said.Add($"Racked out to this distance the longer lens takes in a little less: {Percent(Share(rest, LookAspect.Framing))} of the field.");
        }

        if (rest[LookAspect.BlurShape] != 0)
        {
            said.Add($"Across, blur is {Stops(rest[LookAspect.Blur] - rest[LookAspect.BlurShape])} off: a squeeze before the iris makes the pupil narrower than tall.");
        }

        if (of.DiscCorners != to.DiscCorners)
        {
            said.Add($"Its discs {(of.DiscCorners == 0 ? "are round" : $"have {Number(of.DiscCorners)} corners")}, the look’s {(to.DiscCorners == 0 ? "are round or not known" : $"have {Number(to.DiscCorners)}")}: so many blades close the iris.");
        }

        if (Math.Abs(rest[LookAspect.Light]) > 0.05)
        {
            var light = rest[LookAspect.Light];
            said.Add($"It lets {Stops(light)} {(light > 0 ? "less" : "more")} light onto each part of the sensor; noise over the whole picture goes by the pupil.");
        }

        said.Add("How a field curves and how glass draws at its edges is not reckoned.");
        return said;
    }

    /// <summary>What something that is missing would do.</summary>
    /// <param name="missing">What is missing.</param>
    /// <returns>A sentence.</returns>
    public string Say(MissingGear missing)
    {
        ArgumentNullException.ThrowIfNull(missing);
        return missing.Item.Kind == Gear.GearKind.Lens
            ? $"A {missing.Item.Name} lens for the {missing.Item.Get(Gear.LensFields.Mount)} mount of {missing.Match.Rig.Body.Name}. {Say(missing.Match)}"
            : $"A {missing.Item.Name} from {missing.Item.Get(Gear.AdapterFields.LensMount)} to {missing.Item.Get(Gear.AdapterFields.BodyMount)}, for {missing.Match.Rig.Lens.Name}. {Say(missing.Match)}";
    }

    /// <summary>What in a look cannot be.</summary>
    /// <param name="contradiction">The contradiction.</param>
    /// <returns>A sentence.</returns>
    public string Say(Contradiction contradiction) => contradiction.Code switch
    {
        DiagnosticCode.TooClose => $"The look's own rig does not focus so near: {Far(contradiction.By)} is its nearest.",
        DiagnosticCode.TooFar => "The look's own rig does not focus so far.",
        DiagnosticCode.MustStandTooNear => $"The look is taken from where the camera may not stand: it must keep {Far(contradiction.By)} farther off.",
        _ => $"The look is taken from beyond the end of the room, by {Far(contradiction.By)}.",
    };

    /// <summary>How to mend that.</summary>
    /// <param name="contradiction">The contradiction.</param>
    /// <returns>A sentence.</returns>
    public static string Mend(Contradiction contradiction) => contradiction.Code is DiagnosticCode.TooClose or DiagnosticCode.TooFar
        ? "Set it to another distance, or give it a lens that focuses there."
        : "Let the distance give way, or change how near and how far the camera may be.";

    private static double Share(LookRest rest, LookAspect aspect) => rest.Of.Of(aspect, 1) / rest.To.Of(aspect, 1) - 1;

    private static string Angle(LookValues values) => $"{Number(2 * Optics.PortableMath.Atan(0.5 / values.FocalPerHeight) * (180 / Math.PI))}°";

    private static string Millimetres(double mm) => LengthWords.Millimetres(Rounded(mm, 3));

    private static string Percent(double share) => $"{LengthWords.Number(Rounded(100 * Math.Abs(share), 2))} %";

    private static string Stops(double stops) => $"{LengthWords.Number(Math.Round(Math.Abs(stops), 1))} st";

    private static string Number(double value) => LengthWords.Number(Rounded(value, 3));

    private string Far(double mm) => LengthWords.Distance(mm >= 1000 ? Math.Round(mm / 10) * 10 : Math.Round(mm), unit);

    private static double Rounded(double value, int digits) =>
        double.Parse(value.ToString($"G{digits}", CultureInfo.InvariantCulture), CultureInfo.InvariantCulture);
}
