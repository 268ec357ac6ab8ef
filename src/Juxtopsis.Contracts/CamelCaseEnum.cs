using System.Text.Json;
using System.Text.Json.Serialization;

namespace Juxtopsis.Contracts;

/// <summary>Enumerations on the wire: their names in camel case, never numbers.</summary>
/// <typeparam name="T">The enumeration.</typeparam>
internal sealed class CamelCaseEnum<T>() : JsonStringEnumConverter<T>(JsonNamingPolicy.CamelCase, allowIntegerValues: false)
    where T : struct, Enum;
