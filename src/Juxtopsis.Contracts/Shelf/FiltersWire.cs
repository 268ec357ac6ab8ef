using Juxtopsis.Contracts.Chains;
using Juxtopsis.Contracts.Diagnostics;
using Juxtopsis.Contracts.Problems;
using Juxtopsis.Core.Quantities;

namespace Juxtopsis.Contracts.Shelf;

/// <summary>A question: which filters of the shelf take some light of a chain, in which order, and with which rings.</summary>
public sealed record FiltersRequest
{
    /// <summary>The chain as it is, and how it is set. Filters of it that take light alone are left out first.</summary>
    public required AssembleRequest Setup { get; init; }

    /// <summary>What they are to take at least, stops.</summary>
    public required double LeastStops { get; init; }

    /// <summary>What they may take at most, stops.</summary>
    public required double MostStops { get; init; }

    /// <summary>Checks a question.</summary>
    /// <returns>The problem; null when it can be answered.</returns>
    public Problem? Check()
    {
        var checks = new FieldChecks();
        ChainMapping.Check(checks, Setup, LengthUnit.Metres, "setup.");
        checks.InRange("leastStops", LeastStops, Quantity.FilterStops with { Name = "Least to take", Min = -Quantity.FilterStops.Max });
        checks.InRange("mostStops", MostStops, Quantity.FilterStops with { Name = "Most to take", Min = -Quantity.FilterStops.Max });
        checks.InOrder("mostStops", LeastStops, MostStops, "They may take less than they must.", "Give the smaller one first.");
        return checks.Errors.Count == 0 ? null : Problem.OfFields(checks.Errors);
    }
}

/// <summary>Filters for a chain.</summary>
/// <param name="Total">How many ways there are.</param>
/// <param name="Ways">The first of them, the best first: the fewest filters, then the fewest rings, then the least shading; up to 60.</param>
/// <param name="Items">Each thing that they add.</param>
public sealed record FiltersResponse(int Total, IReadOnlyList<FilterWayOutput> Ways, IReadOnlyList<ChainPartInput> Items);

/// <summary>A way to take light.</summary>
/// <param name="Added">What is added, filters and rings, in order.</param>
/// <param name="Parts">The whole chain with it.</param>
/// <param name="LeastStops">What it takes at least, stops.</param>
/// <param name="MostStops">What it takes at most, stops; more than at least with a variable one.</param>
/// <param name="Cuts">True when the corners are cut as it is set.</param>
/// <param name="IsClear">True when they are clear, at the short end of a zoom too.</param>
/// <param name="Findings">What was found about the chain with it that was not found without it.</param>
public sealed record FilterWayOutput(
    IReadOnlyList<Guid> Added, IReadOnlyList<Guid> Parts, double LeastStops, double MostStops, bool Cuts, bool IsClear, IReadOnlyList<DiagnosticOutput> Findings);
