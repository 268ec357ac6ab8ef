using System.Text.Json.Serialization;
using Juxtopsis.Contracts.Bags;
using Juxtopsis.Contracts.Bookings;
using Juxtopsis.Contracts.Chains;
using Juxtopsis.Contracts.Comparisons;
using Juxtopsis.Contracts.Conventions;
using Juxtopsis.Contracts.Entry;
using Juxtopsis.Contracts.Evaluating;
using Juxtopsis.Contracts.Fields;
using Juxtopsis.Contracts.Fitting;
using Juxtopsis.Contracts.Gear;
using Juxtopsis.Contracts.Log;
using Juxtopsis.Contracts.Matching;
using Juxtopsis.Contracts.Measuring;
using Juxtopsis.Contracts.Problems;
using Juxtopsis.Contracts.Productions;
using Juxtopsis.Contracts.Sheets;
using Juxtopsis.Contracts.Shelf;
using Juxtopsis.Contracts.Solving;
using Juxtopsis.Contracts.Working;
using Juxtopsis.Contracts.Works;
using Juxtopsis.Core.Bags;
using Juxtopsis.Core.Briefs;
using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Entry;
using Juxtopsis.Core.Figures;
using Juxtopsis.Core.Filters;
using Juxtopsis.Core.Fitting;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Kits;
using Juxtopsis.Core.Kits.Front;
using Juxtopsis.Core.Light;
using Juxtopsis.Core.Matching;
using Juxtopsis.Core.Margins;
using Juxtopsis.Core.Measuring;
using Juxtopsis.Core.Rigs;
using Juxtopsis.Core.Solving;

namespace Juxtopsis.Contracts;

/// <summary>The one serializer context, for both hosts and for what is stored: strict about unknown and repeated fields.</summary>
[JsonSourceGenerationOptions(
    PropertyNamingPolicy = JsonKnownNamingPolicy.CamelCase,
    UnmappedMemberHandling = JsonUnmappedMemberHandling.Disallow,
    AllowDuplicateProperties = false,
    RespectNullableAnnotations = true,
    RespectRequiredConstructorParameters = true,
    NumberHandling = JsonNumberHandling.Strict,
    MaxDepth = 16,
    Converters =
    [
        typeof(ConventionsConverter), typeof(TestSetupConverter), typeof(TestReadingConverter),
        typeof(CamelCaseEnum<EntryKind>), typeof(CamelCaseEnum<CropSchool>), typeof(CamelCaseEnum<CircleSchool>), typeof(CamelCaseEnum<DistanceMark>),
        typeof(CamelCaseEnum<DepthSchool>), typeof(CamelCaseEnum<FocalLengthSchool>), typeof(CamelCaseEnum<SqueezePlace>), typeof(CamelCaseEnum<Backdrop>), typeof(CamelCaseEnum<DrawnSubject>),
        typeof(CamelCaseEnum<FigureId>), typeof(CamelCaseEnum<FigureUnit>), typeof(CamelCaseEnum<Severity>), typeof(CamelCaseEnum<Schools>),
        typeof(CamelCaseEnum<SolveGoal>), typeof(CamelCaseEnum<SolveBound>), typeof(CamelCaseEnum<HoldOutcome>), typeof(CamelCaseEnum<ExposureControl>), typeof(CamelCaseEnum<DiagnosticCode>),
        typeof(CamelCaseEnum<SubjectKind>), typeof(CamelCaseEnum<ShotSize>), typeof(CamelCaseEnum<CameraSupport>), typeof(CamelCaseEnum<BackgroundRequirement>), typeof(CamelCaseEnum<LooksAlong>),
        typeof(CamelCaseEnum<Hazards>), typeof(CamelCaseEnum<FrameDecider>), typeof(CamelCaseEnum<RankingCriterion>), typeof(CamelCaseEnum<RemedyKind>),
        typeof(CamelCaseEnum<KitCriterion>), typeof(CamelCaseEnum<FilterKitKind>), typeof(CamelCaseEnum<Ownership>), typeof(CamelCaseEnum<LookAspect>), typeof(CamelCaseEnum<LookTie>), typeof(CamelCaseEnum<ChangeCause>), typeof(CamelCaseEnum<UnitCondition>), typeof(CamelCaseEnum<BagCost>), typeof(CamelCaseEnum<FrontCriterion>),
        typeof(CamelCaseEnum<SheetKind>), typeof(CamelCaseEnum<PaperSize>), typeof(CamelCaseEnum<SheetOrder>), typeof(CamelCaseEnum<DecimalSign>), typeof(CamelCaseEnum<SheetVerdict>), typeof(CamelCaseEnum<TestKind>), typeof(CamelCaseEnum<TestQuantity>), typeof(CamelCaseEnum<TakeMark>), typeof(CamelCaseEnum<TakeReason>), typeof(CamelCaseEnum<MarginSource>), typeof(CamelCaseEnum<SpareKind>),
    ])]
[JsonSerializable(typeof(EvaluateRequest))]
[JsonSerializable(typeof(PhotoInput))]
[JsonSerializable(typeof(MeasureRequest))]
[JsonSerializable(typeof(MeasureResponse))]
[JsonSerializable(typeof(MarksRequest))]
[JsonSerializable(typeof(TakeInput))]
[JsonSerializable(typeof(TakeOutput))]
[JsonSerializable(typeof(IReadOnlyList<TakeOutput>))]
[JsonSerializable(typeof(UnitTestInput))]
[JsonSerializable(typeof(UnitTestOutput))]
[JsonSerializable(typeof(IReadOnlyList<UnitTestOutput>))]
[JsonSerializable(typeof(IReadOnlyList<TestResult>))]
[JsonSerializable(typeof(IReadOnlyList<ProcedureOutput>))]
[JsonSerializable(typeof(MarkedField))]
[JsonSerializable(typeof(double?))]
[JsonSerializable(typeof(EvaluateResponse))]
[JsonSerializable(typeof(WordsOutput))]
[JsonSerializable(typeof(WorkingRequest))]
[JsonSerializable(typeof(WorkingOutput))]
[JsonSerializable(typeof(SolveRequest))]
[JsonSerializable(typeof(SolveResponse))]
[JsonSerializable(typeof(HoldRequest))]
[JsonSerializable(typeof(HoldResponse))]
[JsonSerializable(typeof(IReadOnlyList<QuestionOutput>))]
[JsonSerializable(typeof(IReadOnlyList<FigureInfo>))]
[JsonSerializable(typeof(AssembleRequest))]
[JsonSerializable(typeof(AssembleResponse))]
[JsonSerializable(typeof(IReadOnlyList<KindOutput>))]
[JsonSerializable(typeof(FieldReadingOutput))]
[JsonSerializable(typeof(ShelfPageOutput))]
[JsonSerializable(typeof(ShelfItemOutput))]
[JsonSerializable(typeof(ShelfDeleteOutput))]
[JsonSerializable(typeof(ShelfConflict))]
[JsonSerializable(typeof(OptionsRequest))]
[JsonSerializable(typeof(OptionsResponse))]
[JsonSerializable(typeof(FiltersRequest))]
[JsonSerializable(typeof(FiltersResponse))]
[JsonSerializable(typeof(FilterDayResponse))]
[JsonSerializable(typeof(IReadOnlyList<WayOutput>))]
[JsonSerializable(typeof(IReadOnlyList<DeletedGearOutput>))]
[JsonSerializable(typeof(ImportOutput))]
[JsonSerializable(typeof(ComparisonInput))]
[JsonSerializable(typeof(ComparisonOutput))]
[JsonSerializable(typeof(IReadOnlyList<WorkSummary>))]
[JsonSerializable(typeof(IReadOnlyList<PastOutput>))]
[JsonSerializable(typeof(CrewFileHead))]
[JsonSerializable(typeof(CrewFileWork))]
[JsonSerializable(typeof(CrewFileUnits))]
[JsonSerializable(typeof(CrewFileLog))]
[JsonSerializable(typeof(CrewFileSheet))]
[JsonSerializable(typeof(CrewImportOutput))]
[JsonSerializable(typeof(DemoInput))]
[JsonSerializable(typeof(ImportBackOutput))]
[JsonSerializable(typeof(PapersOutput))]
[JsonSerializable(typeof(DemoOutput))]
[JsonSerializable(typeof(ComparisonDocument))]
[JsonSerializable(typeof(ComparisonConflict))]
[JsonSerializable(typeof(FitRequest))]
[JsonSerializable(typeof(FitResponse))]
[JsonSerializable(typeof(DayRequest))]
[JsonSerializable(typeof(DayResponse))]
[JsonSerializable(typeof(LookRequest))]
[JsonSerializable(typeof(LookResponse))]
[JsonSerializable(typeof(CutRequest))]
[JsonSerializable(typeof(CutResponse))]
[JsonSerializable(typeof(ProductionInput))]
[JsonSerializable(typeof(ProductionOutput))]
[JsonSerializable(typeof(ProductionDocument))]
[JsonSerializable(typeof(FrameOutput[]))]
[JsonSerializable(typeof(ProductionConflict))]
[JsonSerializable(typeof(BagsRequest))]
[JsonSerializable(typeof(BagsResponse))]
[JsonSerializable(typeof(BagDayRequest))]
[JsonSerializable(typeof(BagDayResponse))]
[JsonSerializable(typeof(TakesFile))]
[JsonSerializable(typeof(TakesReadOutput))]
[JsonSerializable(typeof(ReadingsFile))]
[JsonSerializable(typeof(ReadingsReadOutput))]
[JsonSerializable(typeof(BagsFile))]
[JsonSerializable(typeof(BagsReadOutput))]
[JsonSerializable(typeof(FrontRequest))]
[JsonSerializable(typeof(FrontResponse))]
[JsonSerializable(typeof(UnitInput))]
[JsonSerializable(typeof(UnitModelInput))]
[JsonSerializable(typeof(IReadOnlyList<UnitModelOutput>))]
[JsonSerializable(typeof(UnitOutput))]
[JsonSerializable(typeof(IReadOnlyList<UnitOutput>))]
[JsonSerializable(typeof(BookingsRequest))]
[JsonSerializable(typeof(IReadOnlyList<BookingOutput>))]
[JsonSerializable(typeof(BookingConflict))]
[JsonSerializable(typeof(FrozenInput))]
[JsonSerializable(typeof(FrozenOutput))]
[JsonSerializable(typeof(FrozenSummary))]
[JsonSerializable(typeof(IReadOnlyList<FrozenSummary>))]
[JsonSerializable(typeof(IReadOnlyList<SheetShot>))]
[JsonSerializable(typeof(SheetLinkInput))]
[JsonSerializable(typeof(SheetLinkMade))]
[JsonSerializable(typeof(SheetAnswerInput))]
[JsonSerializable(typeof(SheetAnswerOutput))]
[JsonSerializable(typeof(SharedSheet))]
[JsonSerializable(typeof(CrewTerms))]
[JsonSerializable(typeof(IReadOnlyList<string>))]
[JsonSerializable(typeof(PhotoOutput))]
[JsonSerializable(typeof(EntryOutput))]
[JsonSerializable(typeof(LookTextOutput))]
[JsonSerializable(typeof(EntryKind))]
[JsonSerializable(typeof(SensorFormat))]
[JsonSerializable(typeof(Problem))]
[JsonSerializable(typeof(HealthOutput))]
public sealed partial class WireJson : JsonSerializerContext;
