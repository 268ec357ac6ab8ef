using System.Text.Json;
using Juxtopsis.Contracts.Entry;
using Juxtopsis.Contracts.Evaluating;
using Juxtopsis.Contracts.Problems;
using Juxtopsis.Core.Entry;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Contracts;

/// <summary>
/// The one door to the core, for the server and the browser alike: UTF-8 JSON in, UTF-8 JSON out. Both hosts hand on the very
/// bytes, so their answers are the same to the last digit.
/// </summary>
public static class CoreDoor
{
    /// <summary>Evaluates rigs in a scene.</summary>
    /// <param name="json">An <see cref="EvaluateRequest"/>.</param>
    /// <returns>200 with an <see cref="EvaluateResponse"/>, or 400 or 422 with a <see cref="Problem"/>.</returns>
    public static WireAnswer Evaluate(ReadOnlySpan<byte> json)
    {
        var request = WireReader.Read(json, WireJson.Default.EvaluateRequest, out var unread);
        if (request is null)
        {
            return WireAnswer.Refuse(unread!);
        }

        var checks = new FieldChecks();
        EvaluateChecks.Check(checks, request);
        return checks.Errors.Count > 0
            ? WireAnswer.Refuse(Problem.OfFields(checks.Errors))
            : new WireAnswer(200, JsonSerializer.SerializeToUtf8Bytes(Evaluate(request), WireJson.Default.EvaluateResponse));
    }

    /// <summary>Reads a typed text. Answers an <see cref="EntryOutput"/>.</summary>
    /// <param name="kind">What the text stands for.</param>
    /// <param name="text">What was typed.</param>
    /// <param name="unit">The person's unit for distances.</param>
    /// <returns>JSON.</returns>
    public static string ReadEntry(EntryKind kind, string text, LengthUnit unit)
    {
        var read = EntryReader.Read(kind, text, unit);
        var infinite = double.IsPositiveInfinity(read.Value);
        var output = new EntryOutput(double.IsFinite(read.Value) ? read.Value : null, read.Second, infinite, read.Problem);
        return JsonSerializer.Serialize(output, WireJson.Default.EntryOutput);
    }

    /// <summary>The generic sensor formats. Answers a list of <see cref="FormatOutput"/>.</summary>
    /// <returns>JSON.</returns>
    public static string Formats() => JsonSerializer.Serialize(
        [.. SensorFormat.All.Select(f => new FormatOutput(f.Name, f.WidthMm, f.HeightMm))],
        WireJson.Default.IReadOnlyListFormatOutput);

    private static EvaluateResponse Evaluate(EvaluateRequest request)
    {
        var scene = request.Scene.ToCore();
        var conventions = request.Conventions.ToCore();
        var reports = request.Rigs.Select(rig => RigEvaluator.Evaluate(scene, conventions, rig.ToCore())).ToArray();
        var yardstick = reports[request.Yardstick];
        return new EvaluateResponse(
            request.Conventions,
            [.. reports.Select(report => report.ToWire(scene, RigDifference.Between(report, yardstick)))]);
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
