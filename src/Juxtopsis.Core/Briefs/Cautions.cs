namespace Juxtopsis.Core.Briefs;

/// <summary>What a plan brings up that can hurt somebody.</summary>
public enum CautionKind
{
    /// <summary>A camera hung overhead.</summary>
    Overhead,

    /// <summary>A long lens and the sun.</summary>
    Sun,

    /// <summary>Heat.</summary>
    Heat,

    /// <summary>Splashes, sparks or chips.</summary>
    Splash,

    /// <summary>Water.</summary>
    Water,

    /// <summary>A drop.</summary>
    Heights,

    /// <summary>Animals.</summary>
    Animals,

    /// <summary>Tools or vehicles that move.</summary>
    Machines,

    /// <summary>Batteries in flight.</summary>
    Flight,

    /// <summary>A heavy rig on a shoulder or in the hands.</summary>
    Weight,

    /// <summary>A heavy rig at arm's length.</summary>
    ArmWeight,

    /// <summary>Walking with eyes on a screen.</summary>
    Walking,
}

/// <summary>Short cautions where a plan brings them up. They defer to local rules and to competent people, and replace neither.</summary>
public static class Cautions
{
    private const double HeavyInHandG = 2500;
    private const double HeavyOnShoulderG = 6000;
    private const double HeavyAtArmsLengthG = 900;
    private const double LongMm = 180;

    /// <summary>The cautions of a shot.</summary>
    /// <param name="site">Where.</param>
    /// <param name="brief">What is wanted.</param>
    /// <param name="weightG">Weight of the rig, g; null while none is chosen.</param>
    /// <param name="equivalentMm">Its equivalent focal length on full frame, mm; null likewise.</param>
    /// <returns>The cautions; empty when the plan brings none up.</returns>
    public static IReadOnlyList<CautionKind> Of(Site site, ShotBrief brief, double? weightG, double? equivalentMm)
    {
        ArgumentNullException.ThrowIfNull(site);
        ArgumentNullException.ThrowIfNull(brief);
        var found = new List<CautionKind>();
        void When(bool so, CautionKind caution)
        {
            if (so)
            {
                found.Add(caution);
            }
        }

        var inHand = brief.Carriage is Carriage.HandHeld or Carriage.Gimbal;
        When(brief.IsOverhead, CautionKind.Overhead);
        When(site.Hazards.HasFlag(Hazards.Sun) && equivalentMm >= LongMm, CautionKind.Sun);
        When(site.Hazards.HasFlag(Hazards.Heat), CautionKind.Heat);
        When(site.Hazards.HasFlag(Hazards.Splash), CautionKind.Splash);
        When(site.Hazards.HasFlag(Hazards.Water), CautionKind.Water);
        When(site.Hazards.HasFlag(Hazards.Heights), CautionKind.Heights);
        When(site.Hazards.HasFlag(Hazards.Animals), CautionKind.Animals);
        When(site.Hazards.HasFlag(Hazards.Machines), CautionKind.Machines);
        When(site.Hazards.HasFlag(Hazards.Flight), CautionKind.Flight);
        When(inHand && weightG >= HeavyInHandG || brief.Carriage == Carriage.Shoulder && weightG >= HeavyOnShoulderG, CautionKind.Weight);
        When(brief.Carriage == Carriage.SelfHeld && weightG >= HeavyAtArmsLengthG, CautionKind.ArmWeight);
        When(brief.Walks, CautionKind.Walking);
        return found;
    }

    /// <summary>A caution in a sentence.</summary>
    /// <param name="caution">The caution.</param>
    /// <returns>The sentence.</returns>
    public static string Say(CautionKind caution) => caution switch
    {
        CautionKind.Overhead => "Overhead: rated fixings, a second safety of its own, nobody underneath while rigging; by a competent person, to local rules.",
        CautionKind.Sun => "Never look at the sun through an optical finder, nor leave a long lens pointed at it.",
        CautionKind.Heat => "Keep the standing distance from the heat, and ask who runs it where one may stand.",
        CautionKind.Splash => "Eyes and front glass: stay out of splashes, sparks and chips, or shield both.",
        CautionKind.Water => "Beside water: flotation and a second person as local rules ask; mind the tide.",
        CautionKind.Heights => "A drop: edge protection or a harness as local rules ask.",
        CautionKind.Animals => "Keep your distance, for their sake and yours.",
        CautionKind.Machines => "Agree with whoever runs the machine where one stands and when it stops.",
        CautionKind.Flight => "Large lithium batteries in flight: limits go by watt-hours; ask the carrier.",
        CautionKind.Weight => "A heavy rig to hold: plan rests, or put it on a support.",
        CautionKind.ArmWeight => "Heavy at arm's length: short takes, or a grip with both hands.",
        _ => "Walking with eyes on a screen: a second person guides; nobody walks backwards alone.",
    };
}
