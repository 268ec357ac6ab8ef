using System.Globalization;
using Juxtopsis.Contracts.Problems;
using Juxtopsis.Server.Problems;

namespace Juxtopsis.Server.Writing;

/// <summary>A revision as an entity tag, and back.</summary>
internal static class Revision
{
    public static string ToTag(int revision) => $"\"{revision}\"";

    /// <summary>Reads the condition of a write.</summary>
    /// <param name="headers">The request's headers.</param>
    /// <param name="expected">The revision of If-Match; null for If-None-Match: *.</param>
    /// <returns>False when there is no condition, or none that is understood.</returns>
    public static bool TryRead(IHeaderDictionary headers, out int? expected)
    {
        expected = null;
        if (headers.IfNoneMatch == "*")
        {
            return true;
        }

        var tag = headers.IfMatch.ToString().Trim('"');
        if (!int.TryParse(tag, NumberStyles.None, CultureInfo.InvariantCulture, out var revision))
        {
            return false;
        }

        expected = revision;
        return true;
    }

    /// <summary>The refusal of a write without a condition.</summary>
    /// <param name="what">What is written, such as "a comparison".</param>
    public static IResult Missing(string what) => Problem.Of(
        "condition",
        428,
        "A condition is needed",
        $"Send If-None-Match: * to make {what}, or If-Match with the quoted revision that you changed.").ToResult();
}
