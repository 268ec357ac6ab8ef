using Juxtopsis.Core.Entry;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Gear;

/// <summary>How a lens draws straight lines.</summary>
public enum Projection
{
    /// <summary>Straight lines stay straight.</summary>
    StraightLine,

    /// <summary>Lines bend towards the edge, and more fits in.</summary>
    Fisheye,

    /// <summary>Another kind.</summary>
    Other,
}

/// <summary>How a lens is focused.</summary>
public enum FocusDrive
{
    /// <summary>By hand on a ring that turns the glass.</summary>
    Hand,

    /// <summary>By a motor in the lens, with a ring that turns the glass too.</summary>
    MotorAndRing,

    /// <summary>By a motor only; the ring is a switch.</summary>
    ByWire,
}

/// <summary>How an iris is set.</summary>
public enum IrisControl
{
    /// <summary>On the lens.</summary>
    Ring,

    /// <summary>By the body only.</summary>
    ByBody,

    /// <summary>On the lens or by the body.</summary>
    Both,
}

/// <summary>What a lens has.</summary>
internal static class LensFields
{
    public static readonly TextField Mount = new("mount", "Mount", Texts.MaxMountName, "The mount that it ends in.") { NamesMount = true, Without = "it goes on no camera" };
    public static readonly NumberField Short = new("focalShortMm", "Focal length", EntryKind.FocalLength, "As marked; a zoom's short end.") { Required = true };
    public static readonly NumberField Long = new("focalLongMm", "Long end", EntryKind.FocalLength, "A zoom's long end; empty for a prime.");
    public static readonly PointsField Measured = new("measuredFocal", "Measured focal lengths", EntryKind.FocalLength, EntryKind.FocalLength, "True focal length at marked ones, from tests.");
    public static readonly NumberField Widest = new("widestF", "Widest aperture", EntryKind.FNumber, "f-number; at the short end of a zoom that closes.") { Without = "it is proposed for no shot, since no aperture can be set" };
    public static readonly NumberField WidestLong = new("widestLongF", "Widest at the long end", EntryKind.FNumber, "f-number; empty when it is held.");
    public static readonly PointsField WidestAlong = new("widestAlong", "Widest along the zoom", EntryKind.FocalLength, EntryKind.FNumber, "f-number from each marked focal length on, where it is known step by step.");
    public static readonly NumberField Narrowest = new("narrowestF", "Narrowest aperture", EntryKind.FNumber, "f-number.");
    public static readonly NumberField WidestT = new("widestT", "T-number", EntryKind.TNumber, "Light that gets through, wide open.");
    public static readonly NumberField Blades = new("blades", "Blades", EntryKind.Count, "Of the iris.");
    public static readonly NumberField ImageCircle = new("imageCircleMm", "Image circle", EntryKind.ImageCircle, "Diameter that it lights.") { Without = "what it covers is estimated from the format that it was made for, and only warned of" };
    public static readonly TextField MadeFor = new("madeFor", "Made for", 60, "The sensor format that it was made for, such as full frame or APS-C; its diagonal stands in for an unknown circle.") { Without = "without an image circle too, nobody can tell which sensors it covers" };
    public static readonly NumberField Nearest = new("minimumFocusDistanceMm", "Nearest focus", EntryKind.MinimumFocusDistance, "From the sensor mark.") { FormerKey = "nearestFocusMm", Without = "how near it focuses is not looked at" };
    public static readonly NumberField Ratio = new("maximumMagnification", "Largest ratio", EntryKind.Magnification, "Size on the sensor over true size at the nearest focus; of a zoom, at its long end.") { FormerKey = "largestRatio" };
    public static readonly NumberField Pupils = new("pupilMagnification", "Pupil magnification", EntryKind.PupilMagnification, "Exit pupil over entrance pupil.");
    public static readonly NumberField FilterThread = new("filterThreadMm", "Filter thread", EntryKind.PartLength, "Empty when it is not known.") { Without = "no filter and no close-up lens is proposed for it" };
    public static readonly FlagField NoFilters = new("frontBulges", "Front bulges", "Yes when it takes no filter in front, because the glass bulges or there is no thread.");
    public static readonly FlagField TakesRearFilter = new("rearFilter", "Filter behind", "Yes when it takes a filter at its back.");
    public static readonly NumberField Stabilisation = new("lensStabilisationStops", "Lens stabilisation", EntryKind.StabilisationStops, "In stops; 0 for none.");
    public static readonly ChoiceField<FocusDrive> Focus = new("focusDrive", "Focus", "How it is focused.", "by hand", "motor and ring", "by wire");
    public static readonly ChoiceField<IrisControl> Iris = new("irisControl", "Iris", "How the iris is set.", "ring", "by the body", "ring or body");
    public static readonly FlagField RemoteZoom = new("remoteZoom", "Remote zoom", "Yes when its zoom can be driven from afar.");
    public static readonly NumberField Squeeze = new("squeeze", "Squeeze", EntryKind.Squeeze, "Of an anamorphic lens; empty for a spherical one.");
    public static readonly ChoiceField<SqueezePlace> SqueezePlace = new("squeezePlace", "Squeeze sits", "Before or behind the iris.", "in front", "behind");
    public static readonly FlagField Rotates = new("frontRotates", "Front turns", "Yes when the front turns while focusing, and a polariser or attachment with it.");
    public static readonly FlagField HasFoot = new("hasFoot", "Foot of its own", "Yes when it has a foot or collar to be carried by.");
    public static readonly ChoiceField<Projection> Projection = new("projection", "Projection", "How it draws straight lines.", "straight lines", "fisheye", "other");

    public static readonly PointsField TestedFocal = new("testedFocal", "Tested focal lengths", EntryKind.FocalLength, EntryKind.FocalLength, "True focal length at marked ones, as a test of a unit found it.") { StandsFor = Measured, IsFromTest = true };
    public static readonly NumberField TestedFocalPlusMinus = new("testedFocalPlusMinus", "Tested focal lengths ±", EntryKind.Tolerance, "How far off they may be, as a share, as the test says.") { IsFromTest = true };
    public static readonly NumberField TestedT = new("testedT", "Tested T-number", EntryKind.TNumber, "Wide open, as a test found it.") { StandsFor = WidestT, IsFromTest = true };
    public static readonly NumberField TestedCircle = new("testedCircleMm", "Tested image circle", EntryKind.ImageCircle, "To where three stops are lost, as a test found it.") { StandsFor = ImageCircle, IsFromTest = true };
    public static readonly NumberField TestedNearest = new("testedMinimumFocusDistanceMm", "Tested nearest focus", EntryKind.MinimumFocusDistance, "From the sensor mark, as taped.") { StandsFor = Nearest, IsFromTest = true };
    public static readonly NumberField TestedRatio = new("testedMaximumMagnification", "Tested largest ratio", EntryKind.Magnification, "At the nearest focus, as a test found it.") { StandsFor = Ratio, IsFromTest = true };
    public static readonly NumberField TestedSqueeze = new("testedSqueeze", "Tested squeeze", EntryKind.Squeeze, "As a test found it.") { StandsFor = Squeeze, IsFromTest = true };

    /// <summary>What tests find of a lens.</summary>
    public static readonly NumberField TestedSqueezePlusMinus = new("testedSqueezePlusMinus", "Tested squeeze ±", EntryKind.Tolerance, "How far off it may be, as the test says.") { IsFromTest = true };
    public static readonly FieldGroup Tested = new("As tested", TestedFocal, TestedFocalPlusMinus, TestedT, TestedCircle, TestedNearest, TestedRatio, TestedSqueeze, TestedSqueezePlusMinus, CommonFields.TestedWeight, CommonFields.TestedBy);

    /// <summary>What matters first.</summary>
    public static readonly GearField[] Main = [Short, Long, Widest, WidestLong, ImageCircle, MadeFor, Nearest, FilterThread];

    /// <summary>What else is known of its light.</summary>
    public static readonly GearField[] Light = [WidestT, Narrowest, WidestAlong, Blades, NoFilters, TakesRearFilter, Iris];

    /// <summary>How it focuses.</summary>
    public static readonly FieldGroup Focusing = new("Focus and zoom", Focus, Ratio, Rotates, RemoteZoom, Measured);

    /// <summary>How it draws.</summary>
    public static readonly FieldGroup Drawing = new("How it draws", Squeeze, SqueezePlace, Projection, Pupils);
}
