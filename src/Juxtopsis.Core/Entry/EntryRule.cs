using Juxtopsis.Core.Quantities;

namespace Juxtopsis.Core.Entry;

/// <summary>How texts of a kind are written.</summary>
internal enum Notation
{
    /// <summary>A number, with words or marks around it.</summary>
    Plain,

    /// <summary>A number that may be below zero.</summary>
    Signed,

    /// <summary>A length in the scene; a bare number is in the person's unit.</summary>
    SceneLength,

    /// <summary>A length of a lens; a bare number is in mm.</summary>
    LensLength,

    /// <summary>An f-number.</summary>
    Aperture,

    /// <summary>A T-number.</summary>
    TNumber,

    /// <summary>A shape: one number, or width and height.</summary>
    Shape,

    /// <summary>A reproduction ratio: one number, or 1:4.</summary>
    Ratio,

    /// <summary>Width and height.</summary>
    Pair,

    /// <summary>One value, or two from small to large.</summary>
    Span,

    /// <summary>Some magnifications in a row.</summary>
    Chain,

    /// <summary>Stops, ND factor or density.</summary>
    Filter,

    /// <summary>Exposure value, lux, luminance, or settings that looked right.</summary>
    Brightness,

    /// <summary>An exposure time: 1/50, 20 ms.</summary>
    ExposureTime,

    /// <summary>Frames a second, or a fraction such as 24000/1001.</summary>
    Rate,

    /// <summary>Per cent, stored as a share.</summary>
    Percent,

    /// <summary>A weight; a bare number is in grams.</summary>
    Weight,

    /// <summary>How close something focuses: a length in the scene of which the unit is asked where two are likely.</summary>
    NearestFocus,

    /// <summary>A length of time.</summary>
    Time,

    /// <summary>A shutter angle, or an exposure time that is one at a frame rate.</summary>
    Shutter,
}

/// <summary>What is known of a kind: its quantity, its notation, the marks that may stand around its numbers, and its steps.</summary>
/// <param name="Quantity">Name, range and example.</param>
/// <param name="Notation">How it is written.</param>
/// <param name="Marks">Words and marks that may stand before or behind a number.</param>
internal sealed record EntryRule(Quantity Quantity, Notation Notation, params IReadOnlyList<string> Marks)
{
    /// <summary>The marks that arrow keys go along; empty when they add a fixed step.</summary>
    public IReadOnlyList<double> Stops { get; init; } = [];

    /// <summary>The same with Shift.</summary>
    public IReadOnlyList<double> LargeStops { get; init; } = [];

    /// <summary>Where a value usually lies: tells which of two meanings of a text is meant.</summary>
    public (double Min, double Max) Likely { get; init; } = (double.NegativeInfinity, double.PositiveInfinity);

    /// <summary>What an arrow key adds; 0 for kinds that do not step.</summary>
    public double Step { get; init; }

    /// <summary>What it adds with Shift.</summary>
    public double LargeStep { get; init; }

    /// <summary>The rule of a kind.</summary>
    /// <param name="kind">A kind.</param>
    /// <returns>Its rule.</returns>
    public static EntryRule Of(EntryKind kind) => Rules[kind];

    private static IReadOnlyList<double> ThirdStops { get; } =
    [
        0.5, 0.56, 0.63, 0.7, 0.8, 0.9, 0.95, 1, 1.1, 1.2, 1.4, 1.6, 1.8, 2, 2.2, 2.5, 2.8, 3.2, 3.5, 4, 4.5, 5, 5.6, 6.3, 7.1, 8, 9, 10,
        11, 13, 14, 16, 18, 20, 22, 25, 29, 32, 36, 40, 45, 51, 57, 64, 72, 81, 90,
    ];

    private static IReadOnlyList<double> FullStops { get; } = [0.5, 0.7, 1, 1.4, 2, 2.8, 4, 5.6, 8, 11, 16, 22, 32, 45, 64, 90];

    private static IReadOnlyList<double> FocalLengths { get; } =
    [
        4, 6, 8, 10, 12, 14, 16, 18, 20, 24, 28, 35, 40, 50, 65, 75, 85, 100, 135, 150, 180, 200, 250, 300, 400, 500, 600, 800, 1000,
    ];

    private static IReadOnlyList<double> ExposureTimes { get; } =
    [
        .. new double[] { 8000, 4000, 2000, 1000, 500, 250, 200, 192, 160, 125, 120, 100, 96, 80, 60, 50, 48, 40, 30, 25, 24 }.Select(t => 1 / t),
    ];

    private static IReadOnlyList<double> Sensitivities { get; } =
    [
        50, 64, 80, 100, 125, 160, 200, 250, 320, 400, 500, 640, 800, 1000, 1250, 1600, 2000, 2500, 3200, 4000, 5000, 6400, 8000, 10000,
        12800, 16000, 20000, 25600, 51200, 102400,
    ];

    private static readonly string[] Millimetres = ["mm"];
    private static readonly string[] Times = ["x", "×", "times"];

    private static readonly Dictionary<EntryKind, EntryRule> Rules = new()
    {
        [EntryKind.SubjectDistance] = new(Quantity.SubjectDistance, Notation.SceneLength),
        [EntryKind.BackgroundDistance] = new(Quantity.BackgroundDistance, Notation.SceneLength),
        [EntryKind.BehindSubject] = new(Quantity.BehindSubject, Notation.SceneLength),
        [EntryKind.LensHeight] = new(Quantity.LensHeight, Notation.SceneLength),
        [EntryKind.CameraPlace] = new(Quantity.CameraPlace, Notation.SceneLength),
        [EntryKind.Sideways] = new(Quantity.Sideways, Notation.SceneLength),
        [EntryKind.MinimumFocusDistance] = new(Quantity.MinimumFocusDistance, Notation.NearestFocus),
        [EntryKind.Viewing] = new(Quantity.Viewing, Notation.SceneLength),
        [EntryKind.FieldSize] = new(Quantity.FieldSize, Notation.SceneLength),
        [EntryKind.RoomSize] = new(Quantity.RoomSize, Notation.SceneLength),
        [EntryKind.Kept] = new(Quantity.Kept, Notation.SceneLength),
        [EntryKind.SubjectSize] = new(Quantity.SubjectSize, Notation.SceneLength),
        [EntryKind.Surcharge] = new(Quantity.Surcharge, Notation.Percent, "%", "per cent", "percent") { Step = 0.01, LargeStep = 0.05 },
        [EntryKind.PictureShare] = new(Quantity.PictureShare, Notation.Percent, "%", "per cent", "percent") { Step = 0.01, LargeStep = 0.05 },
        [EntryKind.Seconds] = new(Quantity.Seconds, Notation.Time) { Step = 5, LargeStep = 30 },
        [EntryKind.FocalLength] = new(Quantity.FocalLength, Notation.LensLength) { LargeStops = FocalLengths },
        [EntryKind.ZoomRange] = new(Quantity.FocalLength with { Name = "Zoom range", Example = "24-70" }, Notation.Span, Millimetres),
        [EntryKind.FNumber] = new(Quantity.FNumber, Notation.Aperture) { Stops = ThirdStops, LargeStops = FullStops },
        [EntryKind.WidestAperture] = new(Quantity.FNumber with { Name = "Widest aperture", Example = "2.8 or 3.5-5.6" }, Notation.Span, "1:", "f/", "f", "ƒ/", "ƒ"),
        [EntryKind.TNumber] = new(Quantity.TNumber, Notation.TNumber) { Stops = ThirdStops, LargeStops = FullStops },
        [EntryKind.Optics] = new(Quantity.OpticsMagnification, Notation.Chain) { Stops = [0.58, 0.64, 0.71, 0.8, 1, 1.4, 2] },
        [EntryKind.Squeeze] = new(Quantity.Squeeze, Notation.Plain, Times) { Stops = [1, 1.25, 1.33, 1.5, 1.6, 1.8, 2] },
        [EntryKind.SqueezeTurn] = new(Quantity.SqueezeTurn, Notation.Signed, "°", "degrees", "deg") { Step = 0.1, LargeStep = 1 },
        [EntryKind.PunchIn] = new(Quantity.PunchIn, Notation.Plain, Times) { Step = 0.05, LargeStep = 0.5 },
        [EntryKind.DeliveryAspect] = new(Quantity.DeliveryAspect, Notation.Shape)
        {
            Stops = [0.5625, 0.8, 1, 4.0 / 3, 1.5, 16.0 / 9, 1.85, 2, 2.2, 2.39],
        },
        [EntryKind.DeliveryWidth] = new(Quantity.Pixels with { Example = "3840" }, Notation.Plain, "px", "pixels", "wide")
        {
            Stops = [1080, 1280, 1920, 2048, 2560, 3840, 4096, 5120, 6144, 7680, 8192],
        },
        [EntryKind.SensorArea] = new(Quantity.SensorSide, Notation.Pair, Millimetres),
        [EntryKind.RecordedPixels] = new(Quantity.Pixels, Notation.Pair, "px", "pixels"),
        [EntryKind.Magnification] = new(Quantity.MaximumMagnification, Notation.Ratio, Times),
        [EntryKind.PupilMagnification] = new(Quantity.PupilMagnification, Notation.Plain, Times) { Step = 0.05, LargeStep = 0.5 },
        [EntryKind.FrontFromSensor] = new(Quantity.FrontFromSensor, Notation.LensLength) { Step = 1, LargeStep = 10 },
        [EntryKind.ImageCircle] = new(Quantity.ImageCircle, Notation.LensLength) { Step = 0.5, LargeStep = 5 },
        [EntryKind.FrontOpening] = new(Quantity.FrontOpening, Notation.LensLength) { Step = 1, LargeStep = 10 },
        [EntryKind.CloseUp] = new(Quantity.CloseUp, Notation.Plain, "+", "dpt", "dioptres", "dioptre", "d") { Step = 0.5, LargeStep = 1 },
        [EntryKind.Extension] = new(Quantity.Extension, Notation.LensLength) { Step = 1, LargeStep = 10 },
        [EntryKind.MountError] = new(Quantity.MountError, Notation.Signed, Millimetres) { Step = 0.01, LargeStep = 0.1 },
        [EntryKind.RearFilter] = new(Quantity.RearFilter, Notation.LensLength) { Step = 0.1, LargeStep = 1 },
        [EntryKind.RefractiveIndex] = new(Quantity.RefractiveIndex, Notation.Plain) { Step = 0.01, LargeStep = 0.1 },
        [EntryKind.Sensitivity] = new(Quantity.Sensitivity, Notation.Plain, "iso", "ei") { Stops = Sensitivities, Likely = (25, 409_600) },
        [EntryKind.Filter] = new(Quantity.FilterStops, Notation.Filter, "stops", "stop", "st") { Step = 1.0 / 3, LargeStep = 1 },
        [EntryKind.VariableFilter] = new(Quantity.FilterStops with { Name = "Variable filter", Example = "2-5" }, Notation.Span, "stops", "stop", "st"),
        [EntryKind.StabilisationStops] = new(Quantity.StabilisationStops, Notation.Plain, "stops", "stop", "st") { Step = 0.5, LargeStep = 1 },
        [EntryKind.Fps] = new(Quantity.Fps, Notation.Rate, "fps", "frames", "p")
        {
            Likely = (1, 1000),
            Stops = [12, 15, 24000.0 / 1001, 24, 25, 30000.0 / 1001, 30, 48, 50, 60000.0 / 1001, 60, 75, 90, 100, 120, 150, 180, 200, 240],
        },
        [EntryKind.ShutterAngle] = new(Quantity.ShutterAngle, Notation.Shutter, "°", "degrees", "deg")
        {
            Stops = [11.25, 22.5, 45, 72, 86.4, 90, 108, 120, 144, 150, 172.8, 180, 216, 270, 288, 300, 346, 360],
        },
        [EntryKind.ShutterTime] = new(Quantity.ShutterTime, Notation.ExposureTime, "seconds", "sec", "s")
        {
            Stops = [.. ExposureTimes],
        },
        [EntryKind.Brightness] = new(Quantity.Brightness, Notation.Brightness, "ev") { Step = 1.0 / 3, LargeStep = 1 },
        [EntryKind.Mains] = new(Quantity.Mains, Notation.Plain, "hz") { Stops = [50, 60] },
        [EntryKind.CocDivisor] = new(Quantity.CocDivisor, Notation.Plain, "1/") { Stops = [1000, 1250, 1500, 1730, 2000, 3000] },
        [EntryKind.Circle] = new(Quantity.Circle, Notation.LensLength) { Step = 0.001, LargeStep = 0.005 },
        [EntryKind.CirclePx] = new(Quantity.CirclePx, Notation.Plain, "px", "pixels") { Step = 0.5, LargeStep = 1 },
        [EntryKind.Weight] = new(Quantity.Weight, Notation.Weight) { Likely = (5, 60_000), Step = 10, LargeStep = 100 },
        [EntryKind.Price] = new(Quantity.Price, Notation.Plain, "€", "eur") { Likely = (10, 10_000_000), Step = 10, LargeStep = 100 },
        [EntryKind.PartLength] = new(Quantity.PartLength, Notation.LensLength) { Step = 1, LargeStep = 10 },
        [EntryKind.Flange] = new(Quantity.Flange, Notation.LensLength) { Step = 0.01, LargeStep = 1 },
        [EntryKind.Count] = new(Quantity.Count, Notation.Plain) { Step = 1, LargeStep = 5 },
        [EntryKind.Minutes] = new(Quantity.Minutes, Notation.Time) { Step = 1, LargeStep = 10 },
        [EntryKind.WattHours] = new(Quantity.WattHours, Notation.Plain, "wh") { Step = 1, LargeStep = 10 },
        [EntryKind.Watts] = new(Quantity.Watts, Notation.Plain, "watts", "watt", "w") { Step = 1, LargeStep = 10 },
        [EntryKind.DataRate] = new(Quantity.DataRate, Notation.Plain, "mbit/s", "mbps", "mb/s") { Step = 10, LargeStep = 100 },
        [EntryKind.Gigabytes] = new(Quantity.Gigabytes, Notation.Plain, "gb") { Step = 64, LargeStep = 256 },
        [EntryKind.StopsDifference] = new(Quantity.StopsDifference, Notation.Signed, "stops", "stop", "st") { Step = 1.0 / 3, LargeStep = 1 },
        [EntryKind.StillPixels] = new(Quantity.StillPixels, Notation.Plain, "px", "pixels") { Step = 1, LargeStep = 10 },
        [EntryKind.Tolerance] = new(Quantity.Tolerance, Notation.Percent, "±", "%", "per cent", "percent") { Step = 0.005, LargeStep = 0.02 },
        [EntryKind.MarkError] = new(Quantity.MarkError, Notation.Plain, "±", "px", "pixels") { Step = 0.5, LargeStep = 5 },
        [EntryKind.Pixels] = new(Quantity.Pixels with { Example = "3840" }, Notation.Plain, "px", "pixels") { Step = 16, LargeStep = 160 },
        [EntryKind.SensorSide] = new(Quantity.SensorSide with { Example = "36" }, Notation.LensLength) { Step = 0.1, LargeStep = 1 },
        [EntryKind.CloseUpPlace] = new(Quantity.CloseUpPlace, Notation.LensLength) { Step = 1, LargeStep = 10 },
        [EntryKind.ConverterPlace] = new(Quantity.ConverterPlace, Notation.LensLength) { Step = 1, LargeStep = 10 },
        [EntryKind.FigureHeight] = new(Quantity.FigureHeight, Notation.SceneLength),
        [EntryKind.BlurShare] = new(Quantity.BlurShare, Notation.Percent, "%", "percent") { Step = 0.001, LargeStep = 0.01 },
    };
}
