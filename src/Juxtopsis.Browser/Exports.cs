using System.Runtime.InteropServices.JavaScript;
using System.Runtime.Versioning;
using System.Text;
using Juxtopsis.Contracts;
using Juxtopsis.Core.Entry;

namespace Juxtopsis.Browser;

/// <summary>What the page can call. Each is the same door that the server uses.</summary>
[SupportedOSPlatform("browser")]
internal static partial class Exports
{
    [JSExport]
    internal static string Evaluate(string json) => Encoding.UTF8.GetString(CoreDoor.Evaluate(Encoding.UTF8.GetBytes(json)).Body.Span);

    [JSExport]
    internal static string ReadEntry(string kind, string text, bool feet) => CoreDoor.ReadEntry(Kind(kind), text, Unit(feet));

    [JSExport]
    internal static double StepEntry(string kind, double value, bool up, bool large, bool feet) =>
        EntryStep.Next(Kind(kind), value, up, large, Unit(feet));

    [JSExport]
    internal static string Formats() => CoreDoor.Formats();

    private static EntryKind Kind(string kind) => Enum.Parse<EntryKind>(kind, ignoreCase: true);

    private static LengthUnit Unit(bool feet) => feet ? LengthUnit.Feet : LengthUnit.Metres;
}
