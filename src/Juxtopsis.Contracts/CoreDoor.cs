using System.Text.Json;
using System.Text.Json.Serialization.Metadata;
using Juxtopsis.Contracts.Chains;
using Juxtopsis.Contracts.Comparisons;
using Juxtopsis.Contracts.Conventions;
using Juxtopsis.Contracts.Diagnostics;
using Juxtopsis.Contracts.Entry;
using Juxtopsis.Contracts.Evaluating;
using Juxtopsis.Contracts.Fitting;
using Juxtopsis.Contracts.Gear;
using Juxtopsis.Contracts.Measuring;
using Juxtopsis.Contracts.Problems;
using Juxtopsis.Contracts.Productions;
using Juxtopsis.Contracts.Solving;
using Juxtopsis.Contracts.Working;
using Juxtopsis.Contracts.Works;
using Juxtopsis.Core.Briefs;
using Juxtopsis.Core.Chains;
using Juxtopsis.Core.Entry;
using Juxtopsis.Core.Figures;
using Juxtopsis.Core.Gear.Papers;
using Juxtopsis.Core.Light;
using Juxtopsis.Core.Margins;
using Juxtopsis.Core.Quantities;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Contracts;

/// <summary>
/// The one door to the core, for the server and the browser alike: UTF-8 JSON in, UTF-8 JSON out. Both hosts hand on the very
/// bytes, so their answers are the same to the last digit.
/// </summary>
public static class CoreDoor
{
    /// <summary>What stands first in a row of numbers: nothing to add.</summary>
    private const double Plain = 0;

    /// <summary>What stands first: the request was refused; ask <see cref="Words"/> why.</summary>
    private const double Refused = 1;

    /// <summary>Evaluates rigs in a scene.</summary>
    /// <param name="json">An <see cref="EvaluateRequest"/>.</param>
    /// <param name="unit">The person's unit, for distances in sentences.</param>
    /// <returns>200 with an <see cref="EvaluateResponse"/>, or 400 or 422 with a <see cref="Problem"/>.</returns>
    public static WireAnswer Evaluate(ReadOnlySpan<byte> json, LengthUnit unit = LengthUnit.Metres) => Answer(
        json,
        WireJson.Default.EvaluateRequest,
        (checks, request) => EvaluateChecks.Check(checks, request, unit),
        request =>
        {
            var cases = Cases(request);
            return new EvaluateResponse(
                request.Conventions,
                Phrases(request, unit),
                FigureMapping.ToWire(cases, request.YardstickIndex(), unit));
        },
        WireJson.Default.EvaluateResponse);

    /// <summary>
    /// Evaluates rigs in a scene into one row of numbers, for a page that asks while a hand moves: the same figures as
    /// <see cref="Evaluate"/>, without the cost of writing them down and reading them again.
    /// </summary>
    /// <param name="json">An <see cref="EvaluateRequest"/>.</param>
    /// <returns>
    /// First 0, or 1 alone when the request is refused. Then for each rig: its <see cref="Reasons"/> as a number, all figures in the
    /// order of <see cref="FigureId"/>, all differences in that order; NaN for what does not exist.
    /// </returns>
    public static double[] EvaluateNumbers(ReadOnlySpan<byte> json)
    {
        if (CasesOf(json) is not ({ } cases, { } request))
        {
            return [Refused];
        }

        var each = 1 + FigureMapping.CountEach;
        var numbers = new double[1 + cases.Length * each];
        numbers[0] = Plain;
        for (var i = 0; i < cases.Length; i++)
        {
            numbers[1 + i * each] = (double)cases[i].Report.Reasons;
        }

        FigureMapping.Pack(cases, request.YardstickIndex(), numbers.AsSpan(2), each);
        return numbers;
    }

    /// <summary>How far off figures may be by what is not measured, in one row of numbers.</summary>
    /// <param name="json">An <see cref="EvaluateRequest"/>.</param>
    /// <returns>
    /// First 0, or 1 alone when the request is refused. Then for each rig the ± of all figures in the order of <see cref="FigureId"/>, in each one's unit: NaN for
    /// what does not exist or is infinite, infinity where it cannot be bounded.
    /// </returns>
    public static double[] Margins(ReadOnlySpan<byte> json)
    {
        if (CasesOf(json) is not ({ } cases, _))
        {
            return [Refused];
        }

        var each = FigureCatalogue.All.Count;
        var numbers = new double[1 + cases.Length * each];
        numbers[0] = Plain;
        for (var i = 0; i < cases.Length; i++)
        {
            FigureMargins.Fill(cases[i], numbers.AsSpan(1 + i * each, each));
        }

        return numbers;
    }

    /// <summary>The cases of a request; null when it is refused.</summary>
    private static (FigureCase[]? Cases, EvaluateRequest? Request) CasesOf(ReadOnlySpan<byte> json)
    {
        var request = WireReader.Read(json, WireJson.Default.EvaluateRequest, out _);
        var checks = new FieldChecks();
        if (request is not null)
        {
            EvaluateChecks.Check(checks, request, LengthUnit.Metres);
        }

        return request is null || checks.Errors.Count > 0 ? (null, null) : (Cases(request), request);
    }

    /// <summary>What is to be said of an evaluation besides its figures.</summary>
    /// <param name="json">An <see cref="EvaluateRequest"/>.</param>
    /// <param name="unit">The person's unit, for distances in sentences.</param>
    /// <returns>200 with a <see cref="WordsOutput"/>, or a <see cref="Problem"/>.</returns>
    public static WireAnswer Words(ReadOnlySpan<byte> json, LengthUnit unit) => Answer(
        json,
        WireJson.Default.EvaluateRequest,
        (checks, request) => EvaluateChecks.Check(checks, request, unit),
        request => new WordsOutput(Phrases(request, unit), [.. Cases(request).Select(c => c.Reasons(unit))]),
        WireJson.Default.WordsOutput);

    /// <summary>How a figure came about.</summary>
    /// <param name="json">A <see cref="WorkingRequest"/>.</param>
    /// <param name="unit">The person's unit, for distances in sentences.</param>
    /// <returns>200 with a <see cref="WorkingOutput"/>, or a <see cref="Problem"/>.</returns>
    public static WireAnswer Working(ReadOnlySpan<byte> json, LengthUnit unit = LengthUnit.Metres) => Answer(
        json,
        WireJson.Default.WorkingRequest,
        (checks, request) => WorkingMapping.Check(checks, request, unit),
        request => WorkingMapping.Of(Cases(request.Setup)[request.Rig], request, unit),
        WireJson.Default.WorkingOutput);

    /// <summary>Answers a question asked backwards, for every rig.</summary>
    /// <param name="json">A <see cref="SolveRequest"/>.</param>
    /// <param name="unit">The person's unit, for distances in sentences.</param>
    /// <returns>200 with a <see cref="SolveResponse"/>, or a <see cref="Problem"/>.</returns>
    public static WireAnswer Solve(ReadOnlySpan<byte> json, LengthUnit unit = LengthUnit.Metres) => Answer(
        json,
        WireJson.Default.SolveRequest,
        (checks, request) => SolveMapping.Check(checks, request, unit),
        request => SolveMapping.Solve(request, unit),
        WireJson.Default.SolveResponse);

    /// <summary>Lets what is free follow a change, so that what is held stays equal.</summary>
    /// <param name="json">A <see cref="HoldRequest"/>.</param>
    /// <param name="unit">The person's unit, for distances in sentences.</param>
    /// <returns>200 with a <see cref="HoldResponse"/>, or a <see cref="Problem"/>.</returns>
    public static WireAnswer Hold(ReadOnlySpan<byte> json, LengthUnit unit = LengthUnit.Metres) => Answer(
        json,
        WireJson.Default.HoldRequest,
        (checks, request) => HoldMapping.Check(checks, request, unit),
        request => HoldMapping.Follow(request, unit),
        WireJson.Default.HoldResponse);

    /// <summary>The conventions to choose from, and what each would change in the figures at hand.</summary>
    /// <param name="json">An <see cref="EvaluateRequest"/>.</param>
    /// <param name="unit">The person's unit, for distances in sentences.</param>
    /// <returns>200 with a list of <see cref="QuestionOutput"/>, or a <see cref="Problem"/>.</returns>
    public static WireAnswer Conventions(ReadOnlySpan<byte> json, LengthUnit unit = LengthUnit.Metres) => Answer(
        json,
        WireJson.Default.EvaluateRequest,
        (checks, request) => EvaluateChecks.Check(checks, request, unit),
        QuestionMapping.Questions,
        WireJson.Default.IReadOnlyListQuestionOutput);

    /// <summary>Puts parts together.</summary>
    /// <param name="json">An <see cref="AssembleRequest"/>.</param>
    /// <param name="unit">The person's unit, for distances in sentences.</param>
    /// <returns>200 with an <see cref="AssembleResponse"/>, or a <see cref="Problem"/>.</returns>
    public static WireAnswer Assemble(ReadOnlySpan<byte> json, LengthUnit unit = LengthUnit.Metres) => Answer(
        json,
        WireJson.Default.AssembleRequest,
        (checks, request) => ChainMapping.Check(checks, request, unit),
        request =>
        {
            var (parts, mounts) = request.Chain.ToCore();
            return ChainAssembler.Assemble(parts, mounts, request.ToSetting(), unit).ToWire(request);
        },
        WireJson.Default.AssembleResponse);

    /// <summary>What readings of a physical unit come to.</summary>
    /// <param name="json">A <see cref="MeasureRequest"/>.</param>
    /// <param name="unit">The person's unit, for distances in sentences.</param>
    /// <returns>200 with a <see cref="MeasureResponse"/>, or a <see cref="Problem"/>.</returns>
    public static WireAnswer Measure(ReadOnlySpan<byte> json, LengthUnit unit = LengthUnit.Metres) => Answer(
        json,
        WireJson.Default.MeasureRequest,
        (checks, request) => MeasureMapping.Check(checks, request, unit),
        MeasureMapping.Evaluate,
        WireJson.Default.MeasureResponse);

    /// <summary>What marks on a still say of the field.</summary>
    /// <param name="json">A <see cref="MarksRequest"/>.</param>
    /// <param name="unit">The person's unit, for distances in sentences.</param>
    /// <returns>200 with a <see cref="MarkedField"/>, or a <see cref="Problem"/>.</returns>
    public static WireAnswer MarkedField(ReadOnlySpan<byte> json, LengthUnit unit = LengthUnit.Metres) => Answer(
        json,
        WireJson.Default.MarksRequest,
        (checks, request) => MeasureMapping.Check(checks, request, unit),
        request => new MarkedField(MeasureMapping.Field(request)),
        WireJson.Default.MarkedField);

    /// <summary>How tests of physical units are done. Answers a list of <see cref="ProcedureOutput"/>.</summary>
    /// <returns>JSON.</returns>
    public static string TestProcedures() => JsonSerializer.Serialize(ProcedureOutput.All, WireJson.Default.IReadOnlyListProcedureOutput);

    /// <summary>The kinds of gear and what can be known of them. Answers a list of <see cref="KindOutput"/>.</summary>
    /// <returns>JSON.</returns>
    public static string GearKinds() => JsonSerializer.Serialize(KindOutput.All, WireJson.Default.IReadOnlyListKindOutput);

    /// <summary>Reads the text of a field of gear. Answers a <see cref="FieldReadingOutput"/>.</summary>
    /// <param name="kind">The kind's name in JSON; <c>mode</c> for recording modes.</param>
    /// <param name="field">The field's name in JSON.</param>
    /// <param name="text">What was typed; blank for not known.</param>
    /// <returns>JSON.</returns>
    public static string ReadGearField(string kind, string field, string text)
    {
        var definition = kind == Core.Gear.GearKinds.Modes.Key ? Core.Gear.GearKinds.Modes : Core.Gear.GearKinds.ByKey(kind);
        var known = definition?.Field(field);
        var read = known is null || string.IsNullOrWhiteSpace(text) ? default : known.Read(text);
        return JsonSerializer.Serialize(
            new FieldReadingOutput(read.Value is { } value ? GearJson.ToElement(known!, value) : null, read.Problem), WireJson.Default.FieldReadingOutput);
    }

    /// <summary>Reads what papers say of a thing. Answers a <see cref="PapersOutput"/>.</summary>
    /// <param name="kind">The kind's name in JSON.</param>
    /// <param name="text">What was pasted or typed.</param>
    /// <param name="makers">The makers that the shelf knows, a line each.</param>
    /// <param name="mounts">The mounts that it knows, a line each.</param>
    /// <returns>JSON.</returns>
    public static string ReadPapers(string kind, string text, string makers, string mounts)
    {
        ArgumentNullException.ThrowIfNull(makers);
        ArgumentNullException.ThrowIfNull(mounts);
        const StringSplitOptions some = StringSplitOptions.RemoveEmptyEntries;
        var of = Core.Gear.GearKinds.ByKey(kind)?.Kind ?? throw new ArgumentOutOfRangeException(nameof(kind), kind, "No such kind.");
        var read = PapersReader.Read(of, text, new(makers.Split('\n', some), mounts.Split('\n', some)));
        return JsonSerializer.Serialize(new PapersOutput(GearJson.ToElement(read.Known), read.Left, read.Notes), WireJson.Default.PapersOutput);
    }

    /// <summary>Reads how much of a sensor a mode uses. Answers an <see cref="EntryOutput"/> of width and height, mm.</summary>
    /// <param name="text">What was typed.</param>
    /// <param name="sensorWidthMm">The whole sensor's width; NaN where it is not known.</param>
    /// <param name="sensorHeightMm">Its height.</param>
    /// <param name="shape">Recorded width over height; NaN where it is not known.</param>
    /// <returns>JSON.</returns>
    public static string ReadModeArea(string text, double sensorWidthMm, double sensorHeightMm, double shape)
    {
        var read = ModeArea.Read(text, double.IsNaN(sensorWidthMm) || double.IsNaN(sensorHeightMm) ? null : (sensorWidthMm, sensorHeightMm), shape);
        return JsonSerializer.Serialize(new EntryOutput(read.Values, Infinite: false, read.Problem), WireJson.Default.EntryOutput);
    }

    /// <summary>Reads a look in words of the trade. Answers a <see cref="LookTextOutput"/>.</summary>
    /// <param name="text">What was typed.</param>
    /// <param name="unit">The person's unit for distances.</param>
    /// <param name="deliveryAspect">Delivered width over height; NaN for the format's own shape.</param>
    /// <returns>JSON.</returns>
    public static string ReadLook(string text, LengthUnit unit, double deliveryAspect) => JsonSerializer.Serialize(
        LookText.Read(text, unit, double.IsNaN(deliveryAspect) ? null : deliveryAspect, out var problem) is { } look
            ? new(look.Format.WidthMm, look.Format.HeightMm, look.FocalLengthMm, look.FNumber, look.Squeeze, look.DistanceMm, look.BehindMm is { } b && double.IsFinite(b) ? b : null, look.BehindMm is double.PositiveInfinity, look.DeliveryAspect, null)
            : new LookTextOutput(0, 0, 0, 0, 1, null, null, false, null, problem),
        WireJson.Default.LookTextOutput);

    /// <summary>Reads a typed text. Answers an <see cref="EntryOutput"/>.</summary>
    /// <param name="kind">What the text stands for.</param>
    /// <param name="text">What was typed.</param>
    /// <param name="unit">The person's unit for distances.</param>
    /// <param name="fps">Frames a second, for an exposure time in place of a shutter angle; NaN where none is known.</param>
    /// <returns>JSON.</returns>
    public static string ReadEntry(EntryKind kind, string text, LengthUnit unit, double fps = double.NaN)
    {
        var read = EntryReader.Read(kind, text, unit, fps);
        var infinite = read.Values.Any(double.IsPositiveInfinity);
        return JsonSerializer.Serialize(new EntryOutput(infinite ? [] : read.Values, infinite, read.Problem), WireJson.Default.EntryOutput);
    }

    /// <summary>A document that somebody kept, brought up to the version of now.</summary>
    /// <param name="kind">comparison or production.</param>
    /// <param name="json">The document, of any version.</param>
    /// <returns>JSON of the version of now; empty when it cannot be read.</returns>
    public static string Upgraded(string kind, string json) => kind switch
    {
        "comparison" => Upgraded(ComparisonShape.Instance, json),
        "production" => Upgraded(ProductionShape.Instance, json),
        _ => "",
    };

    /// <summary>The generic sensor formats, for a page that starts: as text, since the serializer is slow to wake in a browser.</summary>
    /// <returns>For each format its name, width and height in mm.</returns>
    public static string[] FormatTexts() =>
        [.. SensorFormat.All.SelectMany(f => (string[])[f.Name, LengthWords.Number(f.WidthMm), LengthWords.Number(f.HeightMm)])];

    /// <summary>How bright places are as people name them, likewise.</summary>
    /// <returns>For each its name, and from, usual and to as exposure values at ISO 100.</returns>
    public static string[] LevelTexts() =>
        [.. LightLevel.All.SelectMany(l => (string[])[l.Name, LengthWords.Number(l.FromEv), LengthWords.Number(l.UsualEv), LengthWords.Number(l.ToEv)])];

    /// <summary>Shutter angles at which lamps on the mains do not flicker, as numbers.</summary>
    /// <param name="framesPerSecond">Captured frames a second, positive.</param>
    /// <param name="mainsHertz">Mains frequency, Hz, positive.</param>
    /// <returns>Degrees up to 360, the smallest first.</returns>
    public static double[] SafeAngles(double framesPerSecond, double mainsHertz) => Flicker.SafeAnglesDeg(framesPerSecond, mainsHertz);

    /// <summary>What each figure is, for a page that starts, in the order of <see cref="FigureId"/>.</summary>
    /// <returns>For each figure the members of <see cref="FigureInfo"/>, as on the wire.</returns>
    public static string[] FigureTexts() => FigureMapping.Texts;

    /// <summary>What each figure is, in the order of <see cref="FigureId"/>. Answers a list of <see cref="FigureInfo"/>.</summary>
    /// <returns>JSON.</returns>
    public static string Figures() => JsonSerializer.Serialize(FigureMapping.Infos, WireJson.Default.IReadOnlyListFigureInfo);

    private static string Upgraded<T>(DocumentShape<T> shape, string json)
        where T : class => shape.Read(json, out _) is { } document ? shape.Write(document) : "";

    private static FigureCase[] Cases(EvaluateRequest request) => FigureCase.Of(
        request.Rigs.Select(request.SceneOf).ToArray(), request.Conventions, request.Rigs.Select(rig => rig.Rig).ToArray(), request.YardstickIndex());

    private static IReadOnlyList<string> Phrases(EvaluateRequest request, LengthUnit unit)
    {
        // Depth of squeezed lenses is said only where there is one.
        var squeezed = request.Rigs.Any(r => r.Rig.Squeeze != 1) ? Schools.SqueezedDepth : Schools.None;
        return ConventionWords.Of(
            request.Conventions,
            Schools.Reference | Schools.Crop | Schools.Circle | Schools.Distance | Schools.FocalLength | squeezed,
            unit);
    }

    /// <summary>What the pictures of a production's shots take in, without asking any gear.</summary>
    /// <param name="json">A <see cref="ProductionDocument"/>.</param>
    /// <returns>200 with a <see cref="FrameOutput"/> for each shot in their order, or 400 or 422 with a <see cref="Problem"/>.</returns>
    public static WireAnswer Frames(ReadOnlySpan<byte> json) => Answer(
        json,
        WireJson.Default.ProductionDocument,
        (checks, document) => ProductionChecks.Check(checks, document, ""),
        document => document.Shots.Select(shot =>
        {
            var brief = shot.ToCore(document.Delivery);
            return WantedFrame.Of(brief).ToWire(brief, document.Locations.First(place => place.Id == shot.LocationId).ToCore(shot));
        }).ToArray(),
        WireJson.Default.FrameOutputArray);

    private static WireAnswer Answer<TRequest, TResponse>(
        ReadOnlySpan<byte> json,
        JsonTypeInfo<TRequest> requestType,
        Action<FieldChecks, TRequest> check,
        Func<TRequest, TResponse> answer,
        JsonTypeInfo<TResponse> responseType)
        where TRequest : class
    {
        return WireReader.Read(json, requestType, check, out var request)
            ?? new WireAnswer(200, JsonSerializer.SerializeToUtf8Bytes(answer(request!), responseType));
    }
}

/// <summary>An answer ready for the wire.</summary>
/// <param name="Status">The HTTP status.</param>
/// <param name="Body">UTF-8 JSON.</param>
public readonly record struct WireAnswer(int Status, ReadOnlyMemory<byte> Body)
{
    /// <summary>Turns a problem into an answer.</summary>
    /// <param name="problem">The problem.</param>
    /// <returns>An answer with the problem's status.</returns>
    public static WireAnswer Refuse(Problem problem)
    {
        ArgumentNullException.ThrowIfNull(problem);
        return new WireAnswer(problem.Status, JsonSerializer.SerializeToUtf8Bytes(problem, WireJson.Default.Problem));
    }
}
