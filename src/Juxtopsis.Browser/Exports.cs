using System.Runtime.InteropServices.JavaScript;
using System.Runtime.Versioning;
using System.Text;
using Juxtopsis.Contracts;
using Juxtopsis.Contracts.Bags;
using Juxtopsis.Contracts.Fitting;
using Juxtopsis.Contracts.Matching;
using Juxtopsis.Core.Entry;
using Juxtopsis.Core.Fitting;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Quantities;

namespace Juxtopsis.Browser;

/// <summary>What the page can call. Each is the same door that the server uses.</summary>
[SupportedOSPlatform("browser")]
internal static partial class Exports
{
    [JSExport]
    [return: JSMarshalAs<JSType.Array<JSType.Number>>]
    internal static double[] Evaluate(string json) => CoreDoor.EvaluateNumbers(Encoding.UTF8.GetBytes(json));

    [JSExport]
    [return: JSMarshalAs<JSType.Array<JSType.Number>>]
    internal static double[] Margins(string json) => CoreDoor.Margins(Encoding.UTF8.GetBytes(json));

    [JSExport]
    internal static string Words(string json, bool feet) => Text(CoreDoor.Words(Encoding.UTF8.GetBytes(json), Unit(feet)));

    [JSExport]
    internal static string Working(string json, bool feet) => Text(CoreDoor.Working(Encoding.UTF8.GetBytes(json), Unit(feet)));

    [JSExport]
    internal static string Solve(string json, bool feet) => Text(CoreDoor.Solve(Encoding.UTF8.GetBytes(json), Unit(feet)));

    [JSExport]
    internal static string Hold(string json, bool feet) => Text(CoreDoor.Hold(Encoding.UTF8.GetBytes(json), Unit(feet)));

    [JSExport]
    internal static string Conventions(string json, bool feet) => Text(CoreDoor.Conventions(Encoding.UTF8.GetBytes(json), Unit(feet)));

    [JSExport]
    internal static string Assemble(string json, bool feet) => Text(CoreDoor.Assemble(Encoding.UTF8.GetBytes(json), Unit(feet)));

    [JSExport]
    [return: JSMarshalAs<JSType.Array<JSType.Number>>]
    internal static double[] SafeAngles(double framesPerSecond, double mainsHertz) => CoreDoor.SafeAngles(framesPerSecond, mainsHertz);

    [JSExport]
    internal static string TestProcedures() => CoreDoor.TestProcedures();

    [JSExport]
    internal static string Measure(string json, bool feet) => Text(CoreDoor.Measure(Encoding.UTF8.GetBytes(json), Unit(feet)));

    [JSExport]
    internal static string MarkedField(string json, bool feet) => Text(CoreDoor.MarkedField(Encoding.UTF8.GetBytes(json), Unit(feet)));

    [JSExport]
    internal static string Frames(string json) => Text(CoreDoor.Frames(Encoding.UTF8.GetBytes(json)));

    [JSExport]
    internal static string ReadGearField(string kind, string field, string text) => CoreDoor.ReadGearField(kind, field, text);

    [JSExport]
    internal static string ReadPapers(string kind, string text, string makers, string mounts) => CoreDoor.ReadPapers(kind, text, makers, mounts);

    [JSExport]
    internal static string ReadModeArea(string text, double sensorWidthMm, double sensorHeightMm, double shape) =>
        CoreDoor.ReadModeArea(text, sensorWidthMm, sensorHeightMm, shape);

    [JSExport]
    internal static string ReadLook(string text, bool feet, double deliveryAspect) => CoreDoor.ReadLook(text, Unit(feet), deliveryAspect);

    [JSExport]
    internal static string Upgraded(string kind, string json) => CoreDoor.Upgraded(kind, json);

    [JSExport]
    internal static string ReadEntry(string kind, string text, bool feet, double fps) => CoreDoor.ReadEntry(Kind(kind), text, Unit(feet), fps);

    [JSExport]
    internal static double StepEntry(string kind, double value, bool up, bool large, bool feet) =>
        EntryStep.Next(Kind(kind), value, up, large, Unit(feet));

    [JSExport]
    [return: JSMarshalAs<JSType.Array<JSType.String>>]
    internal static string[] Formats() => CoreDoor.FormatTexts();

    [JSExport]
    [return: JSMarshalAs<JSType.Array<JSType.String>>]
    internal static string[] Figures() => CoreDoor.FigureTexts();

    [JSExport]
    [return: JSMarshalAs<JSType.Array<JSType.String>>]
    internal static string[] Levels() => CoreDoor.LevelTexts();

    private static FitDoor fitting = new(new ShelfParts(new([])));

    private static MatchDoor matching = new(new ShelfParts(new([])));

    private static BagDoor packing = new(new ShelfParts(new([])));

    private static readonly List<GearItem> Read = [];

    /// <summary>Reads a part of a shelf, so that a large one does not hold the page up.</summary>
    [JSExport]
    internal static void FitRead(string json) => Read.AddRange(FitDoor.Read(Encoding.UTF8.GetBytes(json)));

    /// <summary>Takes what was read in place of the shelf before; it is put together by <see cref="FitPrepare"/>.</summary>
    [JSExport]
    internal static void FitOpen()
    {
        var shelf = new ShelfParts(new(Read));
        (fitting, matching, packing) = (new(shelf), new(shelf), new(shelf));
        Read.Clear();
    }

    [JSExport]
    internal static double FitPrepare(int pairs) => fitting.Prepare(pairs);

    [JSExport]
    internal static string? FitAsk(string json, bool feet) => Refusal(fitting.Ask(Encoding.UTF8.GetBytes(json), Unit(feet)));

    [JSExport]
    internal static double FitStep(int rigs) => fitting.Step(rigs);

    [JSExport]
    internal static string FitAnswer(bool feet) => Text(fitting.Answer(Unit(feet)));

    [JSExport]
    internal static string? DayAsk(string json, bool feet) => Refusal(fitting.AskDay(Encoding.UTF8.GetBytes(json), Unit(feet)));

    [JSExport]
    internal static double DayStep(int rigs) => fitting.StepDay(rigs);

    [JSExport]
    internal static string DayAnswer(bool feet) => Text(fitting.AnswerDay(Unit(feet)));

    [JSExport]
    internal static string FilterDay(string json, bool feet) => Text(fitting.Filters(Encoding.UTF8.GetBytes(json), Unit(feet)));

    [JSExport]
    internal static string? LookAsk(string json, bool feet) => Refusal(matching.AskLook(Encoding.UTF8.GetBytes(json), Unit(feet)));

    [JSExport]
    internal static double LookStep(int rigs) => matching.StepLook(rigs);

    [JSExport]
    internal static string LookAnswer(bool feet) => Text(matching.AnswerLook(Unit(feet)));

    [JSExport]
    internal static string? CutAsk(string json, bool feet) => Refusal(matching.AskCut(Encoding.UTF8.GetBytes(json), Unit(feet)));

    [JSExport]
    internal static double CutStep(int rigs) => matching.StepCut(rigs);

    [JSExport]
    internal static string CutAnswer(bool feet) => Text(matching.AnswerCut(Unit(feet)));

    [JSExport]
    internal static string Bags(string json, bool feet) => Text(packing.Bags(Encoding.UTF8.GetBytes(json), Unit(feet)));

    [JSExport]
    internal static string? BagDayAsk(string json, bool feet) => Refusal(packing.AskDay(Encoding.UTF8.GetBytes(json), Unit(feet)));

    [JSExport]
    internal static double BagDayStep(int rigs) => packing.StepDay(rigs);

    [JSExport]
    internal static string BagDayAnswer(bool feet) => Text(packing.AnswerDay(Unit(feet)));

    [JSExport]
    internal static string? FrontAsk(string json, bool feet) => Refusal(packing.AskFront(Encoding.UTF8.GetBytes(json), Unit(feet)));

    [JSExport]
    internal static double FrontStep(int rigs) => packing.StepFront(rigs);

    [JSExport]
    internal static string FrontAnswer(bool feet) => Text(packing.AnswerFront(Unit(feet)));

    private static string? Refusal(WireAnswer? answer) => answer is { } refused ? Text(refused) : null;

    private static string Text(WireAnswer answer) => Encoding.UTF8.GetString(answer.Body.Span);

    private static EntryKind Kind(string kind) => Enum.Parse<EntryKind>(kind, ignoreCase: true);

    private static LengthUnit Unit(bool feet) => feet ? LengthUnit.Feet : LengthUnit.Metres;
}
