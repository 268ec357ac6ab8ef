namespace Juxtopsis.Data.Model;

/// <summary>
/// A stored thing that belongs to a crew. <see cref="JuxtopsisDb"/> filters and stamps all of these in one place; nothing else
/// needs to mention the crew.
/// </summary>
public interface ICrewOwned
{
    /// <summary>The crew; first part of the key, stamped when the thing is added.</summary>
    Guid CrewId { get; set; }
}
