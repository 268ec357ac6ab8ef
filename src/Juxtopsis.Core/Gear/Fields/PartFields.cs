using Juxtopsis.Core.Entry;

namespace Juxtopsis.Core.Gear;

/// <summary>What stands between body and lens has.</summary>
internal static class AdapterFields
{
    public static readonly TextField BodyMount = new("bodyMount", "Goes on", Texts.MaxMountName, "The mount of bodies that it goes on.") { NamesMount = true, Required = true };
    public static readonly TextField LensMount = new("lensMount", "Takes", Texts.MaxMountName, "The mount of lenses that it takes.") { NamesMount = true, Required = true };
    public static readonly NumberField Magnification = new("magnification", "Magnification", EntryKind.Optics, "Below 1 for a reducer, above for an extender; empty or 1 without glass.");
    public static readonly NumberField TestedMagnification = new("testedMagnification", "Tested magnification", EntryKind.Optics, "As a test found it.") { StandsFor = Magnification, IsFromTest = true };
    public static readonly NumberField TestedMagnificationPlusMinus = new("testedMagnificationPlusMinus", "Tested magnification ±", EntryKind.Tolerance, "How far off it may be, as the test says.") { IsFromTest = true };
    public static readonly NumberField FastestOut = new("fastestOutF", "Lets out at most", EntryKind.FNumber, "The fastest f-number that comes out of its glass.");
    public static readonly NumberField Extension = new("extensionMm", "Extends by", EntryKind.Extension, "How much farther it holds the lens than infinity asks: a tube's length.");
    public static readonly NumberField ImageCircleOut = new("circleOutMm", "Lights at most", EntryKind.ImageCircle, "The largest image circle that comes out of it.");
    public static readonly FlagField CarriesFocus = new("carriesFocus", "Carries focus drive", "Whether the body can drive the lens's focus through it.");
    public static readonly FlagField CarriesIris = new("carriesIris", "Carries iris", "Whether the body can set the lens's iris through it.");
    public static readonly FlagField CarriesStabilisation = new("carriesStabilisation", "Carries stabilisation", "Whether the lens's stabilisation works through it.");
    public static readonly FlagField CarriesZoom = new("carriesZoom", "Carries remote zoom", "Whether the lens's zoom can be driven through it.");
    public static readonly FlagField OwnIris = new("ownIris", "Ring for the iris", "Whether it has a ring of its own that sets the iris of a lens without one.");
    public static readonly FlagField TakesFilter = new("takesFilter", "Place for a filter", "Yes when a filter can be dropped into it.");
    public static readonly FlagField HasFoot = new("adapterFoot", "Foot of its own", "Yes when it has a foot to be carried by.");
}

/// <summary>What stands in front of a lens has.</summary>
internal static class FrontFields
{
    public static readonly NumberField Squeeze = new("squeezeRatio", "Squeeze", EntryKind.Squeeze, "How much it squeezes.") { Required = true };
    public static readonly NumberField TestedSqueeze = new("testedSqueezeRatio", "Tested squeeze", EntryKind.Squeeze, "As a test found it.") { StandsFor = Squeeze, IsFromTest = true };
    public static readonly NumberField TestedSqueezePlusMinus = new("testedSqueezeRatioPlusMinus", "Tested squeeze ±", EntryKind.Tolerance, "How far off it may be, as the test says.") { IsFromTest = true };
    public static readonly NumberField RearOpening = new("rearOpeningMm", "Rear opening", EntryKind.PartLength, "Clear diameter at its back.");
    public static readonly PointsField ShortestTaking = new("shortestTaking", "Shortest taking lens", EntryKind.ImageCircle, EntryKind.FocalLength, "The shortest focal length behind it for each diagonal of a sensor's area, such as 28.2: 35; 43.3: 50.");
    public static readonly FlagField NeedsSupport = new("needsSupport", "Needs support", "Yes when it must not hang on the lens's thread alone.");
    public static readonly FlagField FocusesItself = new("focusesItself", "Focuses itself", "Yes when it focuses and the taking lens stays at infinity.");
    public static readonly NumberField Nearest = new("ownMinimumFocusDistanceMm", "Nearest focus", EntryKind.MinimumFocusDistance, "Of the attachment, from the sensor mark.") { FormerKey = "ownNearestFocusMm" };
    public static readonly NumberField LightLost = new("lightLostStops", "Light lost", EntryKind.Filter, "In its glass.");

    public static readonly NumberField Dioptres = new("dioptres", "Power", EntryKind.CloseUp, "In dioptres.") { Required = true };

    public static readonly ChoiceField<FilterEffect> Effect = new("effect", "Does what", "What the filter is for.", "neutral density", "variable density", "polariser", "diffusion", "clear or other") { Required = true };
    public static readonly NumberField Stops = new("stops", "Takes light", EntryKind.Filter, "In stops; the weakest setting of a variable one.");
    public static readonly ChoiceField<FilterSeat> Seat = new("seat", "Goes", "Where it is held.", "screwed on in front", "in a matte box", "in an adapter", "behind the lens");
    public static readonly NumberField CrossBelow = new("crossBelowMm", "Cross below", EntryKind.FocalLength, "Of a variable one: the equivalent focal length below which its strongest setting draws a dark cross.");
    public static readonly NumberField StopsMost = new("stopsMost", "Takes at most", EntryKind.Filter, "In stops; the strongest setting of a variable one.");
}

/// <summary>What a filter is for.</summary>
public enum FilterEffect
{
    /// <summary>Takes light alone.</summary>
    NeutralDensity,

    /// <summary>Takes more or less light as it is turned.</summary>
    Variable,

    /// <summary>Takes glare.</summary>
    Polariser,

    /// <summary>Spreads light.</summary>
    Diffusion,

    /// <summary>Protects, or does something else.</summary>
    Other,
}

/// <summary>Where a filter is held.</summary>
public enum FilterSeat
{
    /// <summary>Screwed on in front.</summary>
    Thread,

    /// <summary>In a matte box, before whatever front there is.</summary>
    MatteBox,

    /// <summary>In the drop-in place of an adapter.</summary>
    Adapter,

    /// <summary>Behind the lens.</summary>
    Rear,
}

/// <summary>What a support is.</summary>
public enum SupportType
{
    /// <summary>Steadies by motors.</summary>
    Gimbal,

    /// <summary>A head on a tripod.</summary>
    Head,

    /// <summary>An arm that holds the camera out or overhead.</summary>
    Arm,

    /// <summary>Rails under the lens.</summary>
    Rails,

    /// <summary>Sits on the shoulder.</summary>
    Shoulder,

    /// <summary>Flies.</summary>
    Drone,

    /// <summary>Something else that carries.</summary>
    Other,
}

/// <summary>What a support has.</summary>
internal static class SupportFields
{
    public static readonly ChoiceField<SupportType> Type = new("type", "Is a", "What it is.", "gimbal", "head", "arm", "rails", "shoulder", "drone", "other") { Required = true };
    public static readonly NumberField Payload = new("payloadG", "Payload", EntryKind.Weight, "The most that it may carry, by its maker.") { Without = "what it carries is not checked" };
    public static readonly NumberField Longest = new("longestMm", "Longest rig", EntryKind.PartLength, "The longest rig, from back to front, that it can balance.");
    public static readonly FlagField CarriesLens = new("carriesLens", "Carries the lens", "Yes when it holds the lens too, as rails with a lens support do.");
}

/// <summary>What other bag items are.</summary>
public enum BagUse
{
    /// <summary>A battery.</summary>
    Battery,

    /// <summary>A card or disc.</summary>
    Storage,

    /// <summary>For sound.</summary>
    Sound,

    /// <summary>A lamp.</summary>
    Lamp,

    /// <summary>A screen or finder.</summary>
    Screen,

    /// <summary>Anything else.</summary>
    Other,
}

/// <summary>What other bag items have.</summary>
internal static class BagFields
{
    public static readonly ChoiceField<BagUse> Use = new("use", "Is for", "What it is for.", "power", "storage", "sound", "light", "viewing", "other");
    public static readonly NumberField Energy = new("energyWh", "Energy", EntryKind.WattHours, "Of a battery. Large lithium batteries have limits in flight: ask the carrier.");
    public static readonly NumberField Storage = new("storageGb", "Storage", EntryKind.Gigabytes, "Of a card or disc.");
    public static readonly FlagField Mounted = new("mounted", "Sits on the rig", "Yes when it sits on the rig while filming and is carried with it.");
}
