using System.Globalization;
using System.Text.RegularExpressions;
using System.Xml;
using System.Xml.Linq;
using Juxtopsis.Contracts.Diagnostics;
using Juxtopsis.Contracts.Gear;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Server.Shelf.Files;

/// <summary>
/// Reads the XML lens and camera database of the open-source lens-correction library that Debian carries: mounts with compatible
/// mounts, cameras with a crop factor, lenses with focal and aperture ranges and projection. What the format does not tell (flange
/// distance, weight, recording modes) stays unknown; a camera gets one mode, its whole sensor by the crop factor.
/// </summary>
internal static partial class LensDatabase
{
    private const string Root = "lensdatabase";
    private const long MostCharacters = 64L * 1024 * 1024;
    private const int MostDeep = 16;
    private const int MostWithin = 5000;
    private const double FullWidth = 36;
    private const double FullHeight = 24;

    public static IReadOnlyList<ShelfFileRow> Read(byte[] bytes, string file, ImportBudget budget)
    {
        try
        {
            if (TooLarge(bytes, budget) is { } line)
            {
                return [ShelfFileRow.Refused($"{file}, line {line}", $"Elements stand more than {MostDeep} deep there, or one holds more than {MostWithin} others.", "Choose a file of the lens-correction library's database.")];
            }

            using var reader = Open(bytes);
            reader.MoveToContent();
            if (reader.LocalName != Root)
            {
                return [ShelfFileRow.Refused(file, $"This XML is no lens database: it begins with <{reader.LocalName}>, not <{Root}>.", "Choose a file of the lens-correction library's database.")];
            }

            return Rows(reader, file, budget);
        }
        catch (XmlException e)
        {
            return [ShelfFileRow.Refused($"{file}, line {e.LineNumber}", "This is not XML that can be read: it is broken there, uses an entity, or is larger than 64 million characters.", "Mend it there, or bring it in parts.")];
        }
    }

    /// <summary>Reads one element after the other: only one of them is held at a time.</summary>
    private static List<ShelfFileRow> Rows(XmlReader reader, string file, ImportBudget budget)
    {
        var rows = new List<ShelfFileRow>();
        var mounts = new HashSet<string>(StringComparer.OrdinalIgnoreCase);
        reader.Read();
        while (!reader.EOF)
        {
            if (reader.NodeType != XmlNodeType.Element || reader.Depth != 1)
            {
                reader.Read();
                continue;
            }

            var where = $"{file}, line {((IXmlLineInfo)reader).LineNumber}";
            var element = (XElement)XNode.ReadFrom(reader);
            switch (element.Name.LocalName)
            {
                case "mount":
                    Take(Row(where, Mount(element, mounts)));
                    break;
                case "camera":
                    Take(Row(where, Camera(element)));
                    break;
                case "lens":
                    foreach (var lens in Lenses(element))
                    {
                        Take(Row(where, lens));
                    }

                    break;
            }
        }

        rows.InsertRange(0, Missing(rows, mounts, file));
        return rows;

        void Take(ShelfFileRow row)
        {
            budget.Take();
            rows.Add(row);
        }
    }

    /// <summary>Looks through the file without holding any of it.</summary>
    /// <returns>The line from which on it is too deep, or one element holds too much; null when it is neither.</returns>
    private static int? TooLarge(byte[] bytes, ImportBudget budget)
    {
        using var reader = Open(bytes);
        var within = 0;
        while (reader.Read())
        {
            if (reader.NodeType != XmlNodeType.Element)
            {
                continue;
            }

            if (reader.Depth == 1)
            {
                budget.Take();
                within = 0;
            }

            if (reader.Depth >= MostDeep || ++within > MostWithin)
            {
                return ((IXmlLineInfo)reader).LineNumber;
            }
        }

        return null;
    }

    // The files name a DTD, which is not fetched: entities stay undefined, so none can grow.
    private static XmlReader Open(byte[] bytes) => XmlReader.Create(new MemoryStream(bytes), new XmlReaderSettings
    {
        DtdProcessing = DtdProcessing.Ignore,
        XmlResolver = null,
        MaxCharactersInDocument = MostCharacters,
    });

    private static ShelfFileRow Row(string where, Draft draft)
    {
        var errors = new List<DiagnosticOutput>(draft.Errors);
        if (errors.Count == 0)
        {
            errors.AddRange(GearChecks.Check(draft.Item).Select(f => new DiagnosticOutput(f.About, "", GearChecks.FieldOf(draft.Item, f).Header, f.Message, f.Fix, f.Code)));
        }

        return new(where, errors.Count > 0 ? null : draft.Item, false, errors);
    }

    private static Draft Mount(XElement element, HashSet<string> mounts)
    {
        var draft = new Draft(GearKind.Mount, Text(element, "name"));
        draft.Set("takes", element.Elements("compat").Select(e => e.Value.Trim()).Where(n => n.Length > 0).Distinct(StringComparer.OrdinalIgnoreCase).ToArray() is { Length: > 0 } takes ? takes : null);
        mounts.Add(Text(element, "name"));
        return draft;
    }

    private static Draft Camera(XElement element)
    {
        var draft = new Draft(GearKind.Body, $"{Text(element, "model")} {Text(element, "variant")}".Trim());
        draft.Set("maker", Text(element, "maker"));
        draft.Set("mounts", Text(element, "mount") is { Length: > 0 } mount ? new[] { mount } : null);
        if (Number(Text(element, "cropfactor")) is { } crop and > 0.1 and < 60)
        {
            var (width, height) = Area(crop, Text(element, "aspect-ratio"));
            draft.Set("sensorWidthMm", width);
            draft.Set("sensorHeightMm", height);
            var mode = CameraModes.Of("Whole sensor", width, height);
            draft.Set("modes", new[] { mode });
        }
        else
        {
            draft.Errors.Add(new("cropfactor", Text(element, "cropfactor"), "0.1 to 60", "The camera has no crop factor.", "Add <cropfactor>."));
        }

        return draft;
    }

    /// <summary>A lens for each of its mounts.</summary>
    private static IEnumerable<Draft> Lenses(XElement element)
    {
        var mounts = element.Elements("mount").Select(e => e.Value.Trim()).Where(m => m.Length > 0).Distinct(StringComparer.OrdinalIgnoreCase).ToArray();
        foreach (var mount in mounts.Length == 0 ? [""] : mounts)
        {
            var model = Text(element, "model");
            var draft = new Draft(GearKind.Lens, mounts.Length > 1 ? $"{model} ({mount})" : model);
            draft.Set("maker", Text(element, "maker"));
            draft.Set("mount", mount);
            SetRanges(element, model, draft);
            draft.Set("projection", Text(element, "type") switch
            {
                "" => null,
                "rectilinear" => (object)Projection.StraightLine,
                var type when type.Contains("fisheye", StringComparison.OrdinalIgnoreCase) => Projection.Fisheye,
                _ => Projection.Other,
            });
            if (Number(Text(element, "cropfactor")) is { } crop and > 0.1 and < 60)
            {
                var (width, height) = Area(crop, Text(element, "aspect-ratio"));
                draft.Set("madeFor", SensorFormat.Nearest(width, height, SensorFormat.Stills).Name);
            }

            yield return draft;
        }
    }

    private static void SetRanges(XElement element, string model, Draft draft)
    {
        var (from, to) = Range(element, "focal");
        if (from is null)
        {
            // Not told: the name mostly does, and else the focal lengths at which it was measured.
            var named = Named().Match(model);
            var measured = element.Descendants().Select(e => Number((string?)e.Attribute("focal") ?? "")).OfType<double>().ToArray();
            from = named.Success ? Number(named.Groups["from"].Value) : measured.Length > 0 ? measured.Min() : null;
            to = named.Success ? Number(named.Groups["to"].Value) ?? from : measured.Length > 0 ? measured.Max() : null;
        }

        draft.Set("focalShortMm", from);
        draft.Set("focalLongMm", to > from ? to : null);
        var (widest, narrowest) = Range(element, "aperture");
        var inName = OpensTo().Match(model);
        draft.Set("widestF", widest ?? (inName.Success ? Number(inName.Groups["wide"].Value) : null));
        draft.Set("widestLongF", inName.Success && Number(inName.Groups["long"].Value) is { } atLong && to > from && atLong > (widest ?? 0) ? atLong : null);
        draft.Set("narrowestF", narrowest > widest ? narrowest : null);
    }

    /// <summary>Mounts that are named and not told of: they are added with what is known, their name.</summary>
    private static IEnumerable<ShelfFileRow> Missing(IEnumerable<ShelfFileRow> rows, HashSet<string> told, string file)
    {
        var named = rows.Where(r => r.Item is not null).SelectMany(r => Core.Shelf.ShelfIndex.MountsOf(r.Item!)).Distinct(StringComparer.OrdinalIgnoreCase).ToArray();
        return named.Where(told.Add).Select(name => Row($"{file}, named in it", new Draft(GearKind.Mount, name)));
    }

    private static (double Width, double Height) Area(double crop, string aspect)
    {
        var shape = aspect.Split(':') is [var across, var up] && Number(across) is > 0 and var a && Number(up) is > 0 and var u ? a / u : Number(aspect) is > 0 and var ratio ? ratio : FullWidth / FullHeight;
        var diagonal = Math.Sqrt(FullWidth * FullWidth + FullHeight * FullHeight) / crop;
        var height = diagonal / Math.Sqrt(1 + shape * shape);
        return (Math.Round(height * shape, 2), Math.Round(height, 2));
    }

    private static (double? From, double? To) Range(XElement element, string name)
    {
        var range = element.Element(name);
        var one = Number((string?)range?.Attribute("value") ?? "");
        return (one ?? Number((string?)range?.Attribute("min") ?? ""), one ?? Number((string?)range?.Attribute("max") ?? ""));
    }

    /// <summary>The text of a child that names no language; else of the first.</summary>
    private static string Text(XElement element, string name) =>
        (element.Elements(name).FirstOrDefault(e => e.Attribute("lang") is null) ?? element.Element(name))?.Value.Trim() ?? "";

    private static double? Number(string text) => double.TryParse(text, NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var value) ? value : null;

    [GeneratedRegex(@"(?<![\d./])(?<from>\d+(\.\d+)?)(\s*-\s*(?<to>\d+(\.\d+)?))?\s*mm", RegexOptions.IgnoreCase | RegexOptions.ExplicitCapture, 200)]
    private static partial Regex Named();

    [GeneratedRegex(@"(f/|1:)\s*(?<wide>\d+(\.\d+)?)(\s*-\s*(?<long>\d+(\.\d+)?))?", RegexOptions.IgnoreCase | RegexOptions.ExplicitCapture, 200)]
    private static partial Regex OpensTo();

    /// <summary>An item on its way.</summary>
    private sealed class Draft
    {
        private readonly KindDefinition kind;
        private readonly Dictionary<GearField, object> known = [];

        public Draft(GearKind kind, string name)
        {
            this.kind = GearKinds.Of(kind);
            Set("name", name);
        }

        public List<DiagnosticOutput> Errors { get; } = [];

        public GearItem Item => GearItem.Of(kind.Kind, Guid.Empty, known);

        public void Set(string key, object? value)
        {
            if (value is null or "")
            {
                return;
            }

            var field = kind.Field(key)!;
            if (field.Check(value) is { } problem)
            {
                Errors.Add(new(key, "", field.Header, problem, "Mend it in the file."));
            }
            else
            {
                known[field] = value;
            }
        }
    }
}
