using System.ComponentModel;
using Juxtopsis.Contracts;
using Juxtopsis.Contracts.Chains;
using Juxtopsis.Contracts.Conventions;
using Juxtopsis.Contracts.Diagnostics;
using Juxtopsis.Contracts.Evaluating;
using Juxtopsis.Contracts.Measuring;
using Juxtopsis.Contracts.Problems;
using Juxtopsis.Contracts.Solving;
using Juxtopsis.Contracts.Working;
using Juxtopsis.Core.Quantities;
using Juxtopsis.Server.Problems;

namespace Juxtopsis.Server.Evaluating;

/// <summary>The core over HTTP: the very code that the page runs in the browser.</summary>
internal static class CoreEndpoints
{
    private delegate WireAnswer Door(ReadOnlySpan<byte> json, LengthUnit unit);

    public static void MapCore(this WebApplication app)
    {
        app.Map<EvaluateRequest, EvaluateResponse>("/api/evaluate", "Evaluate", CoreDoor.Evaluate, "Evaluates 1 to 12 rigs in a scene.");
        app.Map<WorkingRequest, WorkingOutput>("/api/working", "Working", CoreDoor.Working, "Says how one figure of one rig came about.");
        app.Map<SolveRequest, SolveResponse>("/api/solve", "Solve", CoreDoor.Solve, "Answers a question asked backwards, for every rig.");
        app.Map<HoldRequest, HoldResponse>("/api/hold", "Hold", CoreDoor.Hold, "Lets what is free follow a change, so that what is held stays equal.");
        app.Map<EvaluateRequest, IReadOnlyList<QuestionOutput>>(
            "/api/conventions", "Conventions", CoreDoor.Conventions, "The conventions to choose from, and what each would change.");
        app.Map<AssembleRequest, AssembleResponse>(
            "/api/assemble", "Assemble", CoreDoor.Assemble, "Puts parts together into a rig, and says what stops, spoils or costs.");
        app.Map<MeasureRequest, MeasureResponse>(
            "/api/measure", "Measure", CoreDoor.Measure, "What readings of a physical unit come to, and how surely.");
        app.Map<MarksRequest, MarkedField>("/api/marks", "Marks", CoreDoor.MarkedField, "The field that marks on a still tell, with the tilt taken out.");
        app.MapGet("/api/figures", () => Results.Text(CoreDoor.Figures(), "application/json"))
            .WithName("Figures")
            .WithTags("Core")
            .WithSummary("What each figure is.")
            .Produces<IReadOnlyList<FigureInfo>>();
        app.MapGet("/api/procedures", () => Results.Text(CoreDoor.TestProcedures(), "application/json"))
            .WithName("Procedures")
            .WithTags("Core")
            .WithSummary("How tests of physical units are done.")
            .Produces<IReadOnlyList<ProcedureOutput>>();
    }

    private static void Map<TRequest, TResponse>(this WebApplication app, string path, string name, Door door, string summary)
        where TRequest : notnull =>
        app.MapPost(
            path,
            async ([Description("Distances in sentences: metres (when left out) or feet.")] string? units, HttpRequest request, CancellationToken cancellationToken) =>
                new Written(TryReadUnits(units, out var unit, out var unknown)
                    ? door((await RequestBody.ReadAsync(request, cancellationToken)).Span, unit)
                    : unknown!.Value))
            .WithName(name)
            .WithTags("Core")
            .WithSummary(summary)
            .Accepts<TRequest>("application/json")
            .Produces<TResponse>()
            .ProducesProblems(400, 413, 415, 422);

    /// <summary>Reads the units that an address asks for; what is not known is refused.</summary>
    public static bool TryReadUnits(string? units, out LengthUnit unit, out WireAnswer? unknown)
    {
        unit = string.Equals(units, "feet", StringComparison.OrdinalIgnoreCase) ? LengthUnit.Feet : LengthUnit.Metres;
        var known = units is null || unit == LengthUnit.Feet || string.Equals(units, "metres", StringComparison.OrdinalIgnoreCase);
        unknown = known ? null : WireAnswer.Refuse(Problem.OfFields([UnknownUnits(units!)]));
        return known;
    }

    private static DiagnosticOutput UnknownUnits(string units) => new(
        "units", units.Length > 20 ? units[..20] + "…" : units, "metres or feet", "These units are not known here.", "Ask for metres or feet, or leave units out.");

    /// <summary>An answer of a door, handed on byte by byte.</summary>
    public sealed class Written(WireAnswer answer) : IResult
    {
        public async Task ExecuteAsync(HttpContext httpContext)
        {
            httpContext.Response.StatusCode = answer.Status;
            httpContext.Response.ContentType = answer.Status == 200 ? "application/json; charset=utf-8" : Problem.MediaType;
            httpContext.Response.ContentLength = answer.Body.Length;
            await httpContext.Response.Body.WriteAsync(answer.Body, httpContext.RequestAborted);
        }
    }
}
