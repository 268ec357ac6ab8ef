namespace Juxtopsis.Core.Gear;

/// <summary>Fields of one subject.</summary>
/// <param name="Title">What the subject is called; empty for what matters first.</param>
/// <param name="Fields">The fields.</param>
public sealed record FieldGroup(string Title, params IReadOnlyList<GearField> Fields);

/// <summary>What a kind of gear is called, and what can be known of it.</summary>
/// <param name="Kind">The kind.</param>
/// <param name="Key">Its name in JSON; its table is called by <paramref name="Table"/>.</param>
/// <param name="Table">Name of its CSV file, without the ending.</param>
/// <param name="Name">What one is called.</param>
/// <param name="Plural">What several are called.</param>
/// <param name="Groups">Its fields by subject; what matters first comes first, under no title.</param>
public sealed record KindDefinition(GearKind Kind, string Key, string Table, string Name, string Plural, params IReadOnlyList<FieldGroup> Groups)
{
    private readonly Dictionary<string, GearField> byKey = Groups.SelectMany(g => g.Fields)
        .SelectMany(f => f.FormerKey is { } former ? [(f.Key, f), (former, f)] : new[] { (Key: f.Key, Field: f) }).ToDictionary(StringComparer.Ordinal);

    /// <summary>Its fields, in the order of forms and columns.</summary>
    public IReadOnlyList<GearField> Fields { get; } = [.. Groups.SelectMany(g => g.Fields)];

    /// <summary>A field by its name in JSON.</summary>
    /// <param name="key">The name.</param>
    /// <returns>The field; null when the kind has none of that name.</returns>
    public GearField? Field(string key) => byKey.GetValueOrDefault(key);
}

/// <summary>All kinds of gear.</summary>
public static class GearKinds
{
    /// <summary>The kinds that stand on a shelf, mounts first, since the others name them.</summary>
    public static IReadOnlyList<KindDefinition> OnShelf { get; } =
    [
        new(GearKind.Mount, "mount", "mounts", "Mount", "Mounts",
            new FieldGroup("", CommonFields.Name, MountFields.Flange, MountFields.Throat, MountFields.Takes, MountFields.SafeLoad, CommonFields.Note)),
        new(GearKind.Body, "body", "bodies", "Body", "Bodies",
            new FieldGroup("", [.. CommonFields.First, BodyFields.Mounts, BodyFields.SensorWidth, BodyFields.SensorHeight, BodyFields.Modes, CommonFields.Weight]),
            new FieldGroup("Light and focus", BodyFields.BaseSensitivities, BodyFields.HighestSensitivity, BodyFields.DrivesFocus, BodyFields.SetsIris),
            new FieldGroup("Steadiness and takes", BodyFields.Stabilisation, BodyFields.AddsUp, BodyFields.Limit, BodyFields.Power, BodyFields.Standby),
            new FieldGroup("Size", BodyFields.Width, BodyFields.Height, BodyFields.Depth),
            Weighed,
            CommonFields.Keeping),
        new(GearKind.FixedLensCamera, "fixedLensCamera", "fixed-lens-cameras", "Fixed-lens camera", "Fixed-lens cameras",
            new FieldGroup("", [.. CommonFields.First, BodyFields.SensorWidth, BodyFields.SensorHeight, BodyFields.Modes, .. LensFields.Main, CommonFields.Weight]),
            new FieldGroup("Aperture and light", [.. LensFields.Light, BodyFields.BaseSensitivities, BodyFields.HighestSensitivity]),
            LensFields.Focusing,
            new FieldGroup("Steadiness and takes", LensFields.Stabilisation, BodyFields.Stabilisation, BodyFields.AddsUp, BodyFields.Limit, BodyFields.Power, BodyFields.Standby),
            LensFields.Drawing,
            new FieldGroup("Size", BodyFields.Width, BodyFields.Height, BodyFields.Depth, CommonFields.Diameter, CommonFields.Length),
            LensFields.Tested,
            CommonFields.Keeping),
        new(GearKind.Lens, "lens", "lenses", "Lens", "Lenses",
            new FieldGroup("", [.. CommonFields.First, LensFields.Mount, .. LensFields.Main, CommonFields.Weight]),
            new FieldGroup("Aperture and light", LensFields.Light),
            LensFields.Focusing,
            LensFields.Drawing,
            new FieldGroup("Size and steadiness", CommonFields.Diameter, CommonFields.Length, LensFields.HasFoot, LensFields.Stabilisation),
            LensFields.Tested,
            CommonFields.Keeping),
        new(GearKind.Adapter, "adapter", "adapters", "Adapter", "Adapters",
            new FieldGroup("", [.. CommonFields.First, AdapterFields.BodyMount, AdapterFields.LensMount, AdapterFields.Magnification, AdapterFields.Extension, CommonFields.Weight]),
            new FieldGroup("What it carries", AdapterFields.CarriesFocus, AdapterFields.CarriesIris, AdapterFields.CarriesStabilisation, AdapterFields.CarriesZoom, AdapterFields.OwnIris, AdapterFields.TakesFilter),
            new FieldGroup("Limits", AdapterFields.FastestOut, AdapterFields.ImageCircleOut),
            new FieldGroup("Size", CommonFields.Length, CommonFields.Diameter, AdapterFields.HasFoot),
            new FieldGroup(WhenTested, AdapterFields.TestedMagnification, AdapterFields.TestedMagnificationPlusMinus, CommonFields.TestedWeight, CommonFields.TestedBy),
            CommonFields.Keeping),
        new(GearKind.Attachment, "attachment", "attachments", "Squeeze attachment", "Squeeze attachments",
            new FieldGroup("", [.. CommonFields.First, FrontFields.Squeeze, CommonFields.RearThread, CommonFields.FrontThread, CommonFields.NoFrontThread, CommonFields.Weight]),
            new FieldGroup("What it needs behind it", FrontFields.RearOpening, FrontFields.ShortestTaking, FrontFields.NeedsSupport),
            new FieldGroup("Focus and light", FrontFields.FocusesItself, FrontFields.Nearest, FrontFields.LightLost),
            new FieldGroup("Size", CommonFields.Length, CommonFields.Diameter),
            new FieldGroup(WhenTested, FrontFields.TestedSqueeze, FrontFields.TestedSqueezePlusMinus, CommonFields.TestedWeight, CommonFields.TestedBy),
            CommonFields.Keeping),
        new(GearKind.CloseUpLens, "closeUpLens", "close-up-lenses", "Close-up lens", "Close-up lenses",
            new FieldGroup("", [.. CommonFields.First, FrontFields.Dioptres, .. Screwed]), Glass, Weighed, CommonFields.Keeping),
        new(GearKind.Filter, "filter", "filters", "Filter", "Filters",
            new FieldGroup("", [.. CommonFields.First, FrontFields.Effect, FrontFields.Stops, FrontFields.StopsMost, FrontFields.CrossBelow, FrontFields.Seat, .. Screwed]), Glass, Weighed, CommonFields.Keeping),
        new(GearKind.StepRing, "stepRing", "step-rings", "Step ring", "Step rings", new FieldGroup("", [.. CommonFields.First, .. Screwed]), Glass, Weighed, CommonFields.Keeping),
        new(GearKind.Support, "support", "supports", "Support", "Supports",
            new FieldGroup("", [.. CommonFields.First, SupportFields.Type, SupportFields.Payload, SupportFields.Longest, SupportFields.CarriesLens, CommonFields.Weight]), Weighed, CommonFields.Keeping),
        new(GearKind.BagItem, "bagItem", "bag-items", "Bag item", "Bag items",
            new FieldGroup("", [.. CommonFields.First, BagFields.Use, BagFields.Energy, BagFields.Storage, BagFields.Mounted, CommonFields.Weight]), Weighed, CommonFields.Keeping),
    ];

    /// <summary>Recording modes, which bodies hold.</summary>
    public static KindDefinition Modes { get; } = new(GearKind.Mode, "mode", "modes", "Recording mode", "Recording modes",
        new FieldGroup("", CommonFields.Name, ModeFields.PixelsAcross, ModeFields.PixelsUp, ModeFields.AreaWidth, ModeFields.AreaHeight, ModeFields.Fps),
        new FieldGroup("Squeeze, zoom and limit", ModeFields.Squeezes, ModeFields.PunchIn, ModeFields.SteadyCrop, ModeFields.Limit, ModeFields.DataRate),
        new FieldGroup("Light", ModeFields.BaseSensitivities, ModeFields.HighestSensitivity));

    private static readonly KindDefinition[] ByKind = [.. Enum.GetValues<GearKind>().Select(kind => OnShelf.FirstOrDefault(d => d.Kind == kind) ?? Modes)];

    private const string WhenTested = "As tested";

    private static FieldGroup Weighed => new(WhenTested, CommonFields.TestedWeight, CommonFields.TestedBy);

    private static GearField[] Screwed => [CommonFields.RearThread, CommonFields.FrontThread, CommonFields.NoFrontThread];

    private static FieldGroup Glass => new("Size and weight", CommonFields.Clear, CommonFields.Thickness, CommonFields.Weight);

    /// <summary>What is said of a kind.</summary>
    /// <param name="kind">A kind.</param>
    /// <returns>Its definition.</returns>
    public static KindDefinition Of(GearKind kind) => ByKind[(int)kind];

    /// <summary>A kind by its name in JSON.</summary>
    /// <param name="key">The name.</param>
    /// <returns>The definition; null when there is none on a shelf.</returns>
    public static KindDefinition? ByKey(string key) => OnShelf.FirstOrDefault(d => d.Key == key);
}
