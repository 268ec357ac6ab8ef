using Juxtopsis.Core.Bags;

namespace Juxtopsis.Data.Model;

/// <summary>A physical unit of a model on the shelf: the thing that is in one bag at a time, and booked.</summary>
/// <remarks>
/// Every model has at least one; <see cref="JuxtopsisDb"/> makes the first, under the identity of the model, whoever adds it.
/// </remarks>
public sealed class GearUnit : ICrewOwned
{
    /// <inheritdoc/>
    public Guid CrewId { get; set; }

    /// <summary>Identity within the crew; of a model's first unit that of the model.</summary>
    public required Guid Id { get; init; }

    /// <summary>The model.</summary>
    public required Guid GearId { get; set; }

    /// <summary>Serial number or tag, up to 80 characters; may be empty.</summary>
    public string Label { get; set; } = "";

    /// <summary>Whose it is, up to 120 characters; empty where the model says so.</summary>
    public string Owner { get; set; } = "";

    /// <summary>Where it is, up to 120 characters; empty where that is not known.</summary>
    public string Place { get; set; } = "";

    /// <summary>What state it is in.</summary>
    public UnitCondition Condition { get; set; }

    /// <summary>What is wrong with it, up to 500 characters.</summary>
    public string ConditionNote { get; set; } = "";

    /// <summary>Counts changes from 1; guards against two people overwriting each other.</summary>
    public int Revision { get; set; } = 1;

    /// <summary>When it was last changed.</summary>
    public required DateTimeOffset UpdatedAt { get; set; }

    /// <summary>When it was given away; null when it was not.</summary>
    public DateTimeOffset? DeletedAt { get; set; }
}
