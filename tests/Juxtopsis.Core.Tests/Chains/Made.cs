using Juxtopsis.Core.Chains;
using Juxtopsis.Core.Gear;

namespace Juxtopsis.Core.Tests.Chains;

/// <summary>Made-up gear for tests: complete, so that nothing is found about it unless a test changes it.</summary>
internal static class Made
{
    public static GearItem Near { get; } = Of(GearKind.Mount, "Near", (MountFields.Flange, 18.0), (MountFields.SafeLoad, 1500.0));

    public static GearItem Far { get; } = Of(GearKind.Mount, "Far", (MountFields.Flange, 44.0));

    public static GearItem Odd { get; } = Of(GearKind.Mount, "Odd", (MountFields.Takes, new[] { "Near" }));

    public static MountBook Mounts { get; } = new([Near, Far, Odd]);

    public static GearItem Mode(string name, double width, double height, params double[] squeezes) =>
        squeezes.Length == 0 ? Plain(name, width, height) : Plain(name, width, height).With(ModeFields.Squeezes, squeezes);

    public static GearItem Body { get; } = Of(
        GearKind.Body, "Body", (BodyFields.Mounts, new[] { "Near" }), (BodyFields.SensorWidth, 36.0), (BodyFields.SensorHeight, 24.0),
        (BodyFields.Modes, new[] { Mode("Full", 36, 20.25), Mode("Crop", 23.5, 13.22), Mode("Open", 36, 24, 2) }),
        (BodyFields.DrivesFocus, true), (BodyFields.SetsIris, true), (BodyFields.Depth, 60.0), (BodyFields.Height, 80.0), (CommonFields.Weight, 600.0), (CommonFields.Price, 1000.0));

    public static GearItem Camera { get; } = Of(
        GearKind.FixedLensCamera, "Camera", (BodyFields.Modes, new[] { Mode("Full", 13.2, 7.43) }), (LensFields.Short, 8.8), (LensFields.Long, 88.0),
        (LensFields.Widest, 2.8), (LensFields.Nearest, 100.0), (CommonFields.Weight, 900.0));

    public static GearItem Lens { get; } = Of(
        GearKind.Lens, "Lens", (LensFields.Mount, "Near"), (LensFields.Short, 35.0), (LensFields.Widest, 2.0), (LensFields.Narrowest, 22.0),
        (LensFields.ImageCircle, 43.4), (LensFields.Nearest, 300.0), (LensFields.Ratio, 0.15), (LensFields.FilterThread, 67.0), (LensFields.Focus, FocusDrive.MotorAndRing),
        (LensFields.Iris, IrisControl.ByBody), (CommonFields.Weight, 400.0), (CommonFields.Length, 80.0), (CommonFields.Diameter, 70.0), (CommonFields.Price, 500.0));

    public static GearItem FarLens { get; } = Lens.With(LensFields.Mount, "Far").With(CommonFields.Name, "Far lens");

    public static GearItem Adapter { get; } = Of(
        GearKind.Adapter, "Adapter", (AdapterFields.BodyMount, "Near"), (AdapterFields.LensMount, "Far"), (AdapterFields.CarriesFocus, true), (AdapterFields.CarriesIris, true),
        (AdapterFields.CarriesStabilisation, true), (AdapterFields.CarriesZoom, true), (CommonFields.Weight, 100.0));

    public static GearItem Tube { get; } = Adapter.With(AdapterFields.LensMount, "Near").With(AdapterFields.Extension, 12.0).With(CommonFields.Name, "Tube");

    public static GearItem Filter { get; } = Of(
        GearKind.Filter, "Filter", (FrontFields.Effect, FilterEffect.NeutralDensity), (FrontFields.Stops, 3.0), (CommonFields.RearThread, 67.0), (CommonFields.FrontThread, 67.0),
        (CommonFields.Thickness, 4.0), (CommonFields.Weight, 40.0));

    public static GearItem Attachment { get; } = Of(
        GearKind.Attachment, "Attachment", (FrontFields.Squeeze, 2.0), (CommonFields.RearThread, 67.0), (FrontFields.ShortestTaking, new[] { new GearPoint(41.3, 50) }),
        (CommonFields.Length, 100.0), (CommonFields.Weight, 500.0));

    public static GearItem Gimbal { get; } = Of(GearKind.Support, "Gimbal", (SupportFields.Type, SupportType.Gimbal), (SupportFields.Payload, 3000.0), (CommonFields.Weight, 1100.0));

    public static GearItem Rails { get; } = Of(GearKind.Support, "Rails", (SupportFields.Type, SupportType.Rails), (SupportFields.CarriesLens, true), (CommonFields.Weight, 600.0));

    public static GearItem Battery { get; } = Of(GearKind.BagItem, "Battery", (BagFields.Use, BagUse.Battery), (BagFields.Energy, 98.0), (CommonFields.Weight, 600.0));

    public static GearItem Of(GearKind kind, string name, params (GearField Field, object Value)[] known) =>
        GearItem.Of(kind, Guid.NewGuid(), known.Select(k => new KeyValuePair<GearField, object>(k.Field, k.Value)).Prepend(new(CommonFields.Name, name)));

    public static Assembly Assemble(ChainSetting setting, params GearItem[] parts) => ChainAssembler.Assemble(parts, Mounts, setting);

    private static GearItem Plain(string name, double width, double height) =>
        GearItem.Of(GearKind.Mode, Guid.Empty, [new(CommonFields.Name, name), new(ModeFields.AreaWidth, width), new(ModeFields.AreaHeight, height), new(ModeFields.PixelsAcross, 3840.0), new(ModeFields.PixelsUp, 2160.0)]);
}
