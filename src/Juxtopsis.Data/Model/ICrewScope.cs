namespace Juxtopsis.Data.Model;

/// <summary>Says on whose behalf a request reads and writes.</summary>
public interface ICrewScope
{
    /// <summary>The crew; <see cref="Guid.Empty"/>, which owns nothing, before the first crew is known.</summary>
    Guid CrewId { get; }
}
