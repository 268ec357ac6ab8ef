using Juxtopsis.Core.Diagnostics;

namespace Juxtopsis.Core.Briefs;

/// <summary>Short cautions where a plan brings them up. They defer to local rules and to competent people, and replace neither.</summary>
public static class Cautions
{
    private const double HeavyInHandG = 2500;
    private const double HeavyOnShoulderG = 6000;
    private const double HeavyAtArmsLengthG = 900;
    private const double LongMm = 180;

    /// <summary>The cautions of a shot.</summary>
    /// <param name="location">Where.</param>
    /// <param name="brief">What is wanted.</param>
    /// <param name="weightG">Weight of the rig, g; null while none is chosen.</param>
    /// <param name="equivalentMm">Its equivalent focal length on full frame, mm; null likewise.</param>
    /// <returns>The cautions; empty when the plan brings none up.</returns>
    public static IReadOnlyList<DiagnosticCode> Of(Location location, ShotBrief brief, double? weightG, double? equivalentMm)
    {
        ArgumentNullException.ThrowIfNull(location);
        ArgumentNullException.ThrowIfNull(brief);
        var found = new List<DiagnosticCode>();
        void When(bool so, DiagnosticCode caution)
        {
            if (so)
            {
                found.Add(caution);
            }
        }

        var inHand = brief.CameraSupport is CameraSupport.HandHeld or CameraSupport.Gimbal;
        When(brief.IsOverhead, DiagnosticCode.OverheadRigging);
        When(location.Hazards.HasFlag(Hazards.Sun) && equivalentMm >= LongMm, DiagnosticCode.SunThroughLens);
        When(location.Hazards.HasFlag(Hazards.Heat), DiagnosticCode.HeatNearby);
        When(location.Hazards.HasFlag(Hazards.Splash), DiagnosticCode.SplashNearby);
        When(location.Hazards.HasFlag(Hazards.Water), DiagnosticCode.WaterNearby);
        When(location.Hazards.HasFlag(Hazards.Heights), DiagnosticCode.DropNearby);
        When(location.Hazards.HasFlag(Hazards.Animals), DiagnosticCode.AnimalsNearby);
        When(location.Hazards.HasFlag(Hazards.Machines), DiagnosticCode.MachinesNearby);
        When(location.Hazards.HasFlag(Hazards.Flight), DiagnosticCode.BatteryInFlight);
        When(inHand && weightG >= HeavyInHandG || brief.CameraSupport == CameraSupport.Shoulder && weightG >= HeavyOnShoulderG, DiagnosticCode.HeavyToHold);
        When(brief.CameraSupport == CameraSupport.SelfHeld && weightG >= HeavyAtArmsLengthG, DiagnosticCode.HeavyAtArmsLength);
        When(brief.CameraSupport == CameraSupport.Drone, DiagnosticCode.Flying);
        When(brief.Walks, DiagnosticCode.WalkingWithScreen);
        return found;
    }

    /// <summary>A caution in a sentence.</summary>
    /// <param name="caution">The caution.</param>
    /// <returns>What to mind.</returns>
    public static Diagnostic Say(DiagnosticCode caution) => new(caution, Severity.Note, Worded(caution), "");

    private static string Worded(DiagnosticCode caution) => caution switch
    {
        DiagnosticCode.OverheadRigging => "Overhead: rated fixings, a second safety of its own, nobody underneath while rigging; by a competent person, to local rules.",
        DiagnosticCode.SunThroughLens => "Never look at the sun through an optical finder, nor leave a long lens pointed at it.",
        DiagnosticCode.HeatNearby => "Keep the standing distance from the heat, and ask who runs it where one may stand.",
        DiagnosticCode.SplashNearby => "Eyes and front glass: stay out of splashes, sparks and chips, or shield both.",
        DiagnosticCode.WaterNearby => "Beside water: flotation and a second person as local rules ask; mind the tide.",
        DiagnosticCode.DropNearby => "A drop: edge protection or a harness as local rules ask.",
        DiagnosticCode.AnimalsNearby => "Keep your distance, for their sake and yours.",
        DiagnosticCode.MachinesNearby => "Agree with whoever runs the machine where one stands and when it stops.",
        DiagnosticCode.BatteryInFlight => "Large lithium batteries in flight: limits go by watt-hours; ask the carrier.",
        DiagnosticCode.HeavyToHold => "A heavy rig to hold: plan rests, or put it on a support.",
        DiagnosticCode.Flying => "Flying: a pilot with the licence, and distances from people, buildings and airfields by local rules; what it carries by its maker's figure.",
        DiagnosticCode.HeavyAtArmsLength => "Heavy at arm's length: short takes, or a grip with both hands.",
        _ => "Walking with eyes on a screen: a second person guides; nobody walks backwards alone.",
    };
}
