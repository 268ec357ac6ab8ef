using System.Globalization;

namespace Juxtopsis.Server.Comparisons;

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
}
