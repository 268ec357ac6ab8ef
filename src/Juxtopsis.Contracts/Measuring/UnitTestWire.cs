using Juxtopsis.Contracts.Problems;
using Juxtopsis.Core.Measuring;
using Juxtopsis.Core.Quantities;

namespace Juxtopsis.Contracts.Measuring;

/// <summary>A test of a physical unit, as a person saves it while readings come in.</summary>
public sealed record UnitTestInput
{
    /// <summary>The physical unit.</summary>
    public required Guid UnitId { get; init; }

    /// <summary>What was read.</summary>
    public required MeasureRequest Measured { get; init; }

    /// <summary>How, or anything else to know, up to 500 characters.</summary>
    public string Note { get; set; } = "";
}

/// <summary>A test of a physical unit.</summary>
/// <param name="Id">Its identity.</param>
/// <param name="UnitId">The physical unit.</param>
/// <param name="GearId">The model that the unit is of.</param>
/// <param name="Measured">What was read.</param>
/// <param name="Note">How, or anything else to know.</param>
/// <param name="Results">What it came to when it was accepted; empty before.</param>
/// <param name="By">What whoever saved it last is called; empty where that was not said.</param>
/// <param name="UpdatedAt">When it was saved last.</param>
/// <param name="AcceptedAt">When it was taken into the record; null when it was not. It never changes afterwards.</param>
/// <param name="Revision">Counts its changes, from 1.</param>
public sealed record UnitTestOutput(
    Guid Id, Guid UnitId, Guid GearId, MeasureRequest Measured, string Note, IReadOnlyList<TestResult> Results, string By, DateTimeOffset UpdatedAt, DateTimeOffset? AcceptedAt, int Revision);

/// <summary>How a test is done.</summary>
/// <param name="Kind">The test.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Finds">What it finds.</param>
/// <param name="Steps">What to do, in order.</param>
/// <param name="Setup">The fields of the setup that it asks for.</param>
/// <param name="Reading">The fields that each reading has.</param>
/// <param name="Of">The kinds of gear that it is of, by their names in JSON.</param>
public sealed record ProcedureOutput(TestKind Kind, string Name, string Finds, IReadOnlyList<string> Steps, IReadOnlyList<string> Setup, IReadOnlyList<string> Reading, IReadOnlyList<string> Of)
{
    /// <summary>All tests.</summary>
    public static IReadOnlyList<ProcedureOutput> All { get; } =
        [.. TestProcedure.All.Select(p => new ProcedureOutput(p.Kind, p.Name, p.Finds, p.Steps, p.Setup, p.Reading, [.. p.Of.Select(k => Core.Gear.GearKinds.Of(k).Key)]))];
}

/// <summary>Refuses tests that cannot be stored.</summary>
public static class UnitTestChecks
{
    /// <summary>Checks a test.</summary>
    /// <param name="input">The test.</param>
    /// <returns>The problem; null when it can be stored.</returns>
    public static Problem? Check(UnitTestInput input)
    {
        ArgumentNullException.ThrowIfNull(input);
        var checks = new FieldChecks();
        MeasureMapping.Check(checks, input.Measured, LengthUnit.Metres, "measured.");
        checks.Text("note", input.Note, "The note", 500);
        return checks.Errors.Count == 0 ? null : Problem.OfFields(checks.Errors);
    }
}
