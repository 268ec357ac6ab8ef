namespace Juxtopsis.Core.Gear;

/// <summary>What a kind of gear is called, and what can be known of it.</summary>
/// <param name="Kind">The kind.</param>
/// <param name="Key">Its name in JSON; its table is called by <paramref name="Table"/>.</param>
/// <param name="Table">Name of its CSV file, without the ending.</param>
/// <param name="Name">What one is called.</param>
/// <param name="Plural">What several are called.</param>
/// <param name="Fields">Its fields, in the order of forms and columns.</param>
public sealed record KindDefinition(GearKind Kind, string Key, string Table, string Name, string Plural, IReadOnlyList<GearField> Fields)
{
    private readonly Dictionary<string, GearField> byKey = Fields.SelectMany(f => f.FormerKey is { } former ? [(f.Key, f), (former, f)] : new[] { (Key: f.Key, Field: f) }).ToDictionary(StringComparer.Ordinal);

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
            [CommonFields.Name, MountFields.Flange, MountFields.Throat, MountFields.Takes, MountFields.SafeLoad, CommonFields.Note]),
        new(GearKind.Body, "body", "bodies", "Body", "Bodies",
        [
            .. CommonFields.First, BodyFields.Mounts, BodyFields.SensorWidth, BodyFields.SensorHeight, BodyFields.Modes, BodyFields.Stabilisation,
            BodyFields.AddsUp, BodyFields.DrivesFocus, BodyFields.SetsIris, BodyFields.BaseSensitivities, BodyFields.Limit,
            BodyFields.Width, BodyFields.Height, BodyFields.Depth, .. CommonFields.Last,
        ]),
        new(GearKind.FixedLensCamera, "fixedLensCamera", "fixed-lens-cameras", "Fixed-lens camera", "Fixed-lens cameras",
        [
            .. CommonFields.First, BodyFields.SensorWidth, BodyFields.SensorHeight, BodyFields.Modes, .. LensFields.Optics, BodyFields.Stabilisation,
            BodyFields.AddsUp, BodyFields.BaseSensitivities, BodyFields.Limit, BodyFields.Width, BodyFields.Height, BodyFields.Depth,
            CommonFields.Diameter, CommonFields.Length, .. CommonFields.Last,
        ]),
        new(GearKind.Lens, "lens", "lenses", "Lens", "Lenses",
            [.. CommonFields.First, LensFields.Mount, .. LensFields.Optics, LensFields.HasFoot, CommonFields.Diameter, CommonFields.Length, .. CommonFields.Last]),
        new(GearKind.Adapter, "adapter", "adapters", "Adapter", "Adapters",
        [
            .. CommonFields.First, AdapterFields.BodyMount, AdapterFields.LensMount, AdapterFields.Magnification, AdapterFields.FastestOut,
            AdapterFields.Extension, AdapterFields.ImageCircleOut, AdapterFields.CarriesFocus, AdapterFields.CarriesIris,
            AdapterFields.CarriesStabilisation, AdapterFields.CarriesZoom, AdapterFields.OwnIris, AdapterFields.HasFoot,
            CommonFields.Length, CommonFields.Diameter, .. CommonFields.Last,
        ]),
        new(GearKind.Attachment, "attachment", "attachments", "Squeeze attachment", "Squeeze attachments",
        [
            .. CommonFields.First, FrontFields.Squeeze, CommonFields.RearThread, CommonFields.FrontThread, CommonFields.NoFrontThread,
            FrontFields.RearOpening, FrontFields.ShortestTaking, FrontFields.FocusesItself, FrontFields.Nearest, FrontFields.LightLost,
            FrontFields.NeedsSupport, CommonFields.Length, CommonFields.Diameter, .. CommonFields.Last,
        ]),
        new(GearKind.CloseUpLens, "closeUpLens", "close-up-lenses", "Close-up lens", "Close-up lenses",
            [.. CommonFields.First, FrontFields.Dioptres, .. Screwed, .. CommonFields.Last]),
        new(GearKind.Filter, "filter", "filters", "Filter", "Filters",
            [.. CommonFields.First, FrontFields.Effect, FrontFields.Stops, FrontFields.StopsMost, .. Screwed, .. CommonFields.Last]),
        new(GearKind.StepRing, "stepRing", "step-rings", "Step ring", "Step rings", [.. CommonFields.First, .. Screwed, .. CommonFields.Last]),
        new(GearKind.Support, "support", "supports", "Support", "Supports",
            [.. CommonFields.First, SupportFields.Type, SupportFields.Payload, SupportFields.Longest, SupportFields.CarriesLens, .. CommonFields.Last]),
        new(GearKind.BagItem, "bagItem", "bag-items", "Bag item", "Bag items",
            [.. CommonFields.First, BagFields.Use, BagFields.Energy, BagFields.Storage, BagFields.Mounted, .. CommonFields.Last]),
    ];

    /// <summary>Recording modes, which bodies hold.</summary>
    public static KindDefinition Modes { get; } = new(GearKind.Mode, "mode", "modes", "Recording mode", "Recording modes",
    [
        CommonFields.Name, ModeFields.AreaWidth, ModeFields.AreaHeight, ModeFields.PixelsAcross, ModeFields.PixelsUp, ModeFields.Fps,
        ModeFields.Squeezes, ModeFields.PunchIn, ModeFields.SteadyCrop, ModeFields.Limit,
    ]);

    private static readonly KindDefinition[] ByKind = [.. Enum.GetValues<GearKind>().Select(kind => OnShelf.FirstOrDefault(d => d.Kind == kind) ?? Modes)];

    private static GearField[] Screwed =>
        [CommonFields.RearThread, CommonFields.FrontThread, CommonFields.NoFrontThread, CommonFields.Clear, CommonFields.Thickness];

    /// <summary>What is said of a kind.</summary>
    /// <param name="kind">A kind.</param>
    /// <returns>Its definition.</returns>
    public static KindDefinition Of(GearKind kind) => ByKind[(int)kind];

    /// <summary>A kind by its name in JSON.</summary>
    /// <param name="key">The name.</param>
    /// <returns>The definition; null when there is none on a shelf.</returns>
    public static KindDefinition? ByKey(string key) => OnShelf.FirstOrDefault(d => d.Key == key);
}
