using System.Text.RegularExpressions;
using Juxtopsis.Core.Entry;

namespace Juxtopsis.Core.Gear.Papers;

/// <summary>The usual line of a lens.</summary>
internal static partial class LensPapers
{
    private const int Patience = 500;
    private const string N = @"\d+(?:[.,]\d+)?";

    /// <summary>A filter thread is between these, mm: other lengths that stand alone are none.</summary>
    private static readonly (double Least, double Most) threads = (20, 150);

    /// <summary>Takes what a line says of a lens.</summary>
    /// <param name="line">The line.</param>
    /// <param name="known">Where it goes.</param>
    /// <param name="names">The names that the shelf knows.</param>
    /// <param name="isCamera">True for a camera with its lens: name, weight and size are the camera's.</param>
    public static void Read(PaperText line, Dictionary<GearField, object> known, KnownNames names, bool isCamera)
    {
        ReadOptics(line, known);
        if (!isCamera)
        {
            CommonPapers.Mount(line, names, mount => known[LensFields.Mount] = mount);
            if (line.Take(Size()) is { } size)
            {
                Put(known, CommonFields.Diameter, PaperText.Number(size, "across"));
                Put(known, CommonFields.Length, PaperText.Number(size, "long"));
            }

            CommonPapers.Read(line, known);
            if (CommonPapers.Format(line) is { } format)
            {
                known[LensFields.MadeFor] = format.Name;
            }
        }

        if (!known.ContainsKey(LensFields.FilterThread) && line.Take(Length()) is { } alone && PaperText.Number(alone, "n") is { } thread && thread >= threads.Least && thread <= threads.Most)
        {
            known[LensFields.FilterThread] = thread;
        }

        if (!isCamera)
        {
            CommonPapers.Name(line, known, names);
        }
    }

    private static void ReadOptics(PaperText line, Dictionary<GearField, object> known)
    {
        if ((line.Take(Head(), inName: true) ?? line.Take(Zoom(), inName: true)) is { } head)
        {
            Focal(head, known);
            Aperture(head, known);
        }
        else if (line.Take(Prime(), inName: true) is { } prime)
        {
            Focal(prime, known);
        }

        if (!known.ContainsKey(LensFields.Widest) && line.Take(Bright(), inName: true) is { } bright)
        {
            Aperture(bright, known);
        }

        if (line.Take(Transmission(), inName: true) is { } t)
        {
            Put(known, LensFields.WidestT, PaperText.Number(t, "t"));
        }

        if (line.Take(Circle()) is { } circle)
        {
            Put(known, LensFields.ImageCircle, PaperText.Number(circle, "n"));
        }

        if (line.Take(NoThread()) is not null)
        {
            known[LensFields.NoFilters] = true;
        }

        if (line.Take(Thread()) is { } thread)
        {
            Put(known, LensFields.FilterThread, PaperText.Number(thread, "n") ?? PaperText.Number(thread, "m"));
        }

        if (line.Take(Squeezed(), inName: true) is { } squeeze)
        {
            Put(known, LensFields.Squeeze, PaperText.Number(squeeze, "n"));
        }

        if (line.Take(Blades()) is { } blades)
        {
            Put(known, LensFields.Blades, PaperText.Number(blades, "n"));
        }

        if (line.Take(Nearest()) is { } nearest)
        {
            Put(known, LensFields.Nearest, PaperText.Entry(EntryKind.MinimumFocusDistance, nearest.Groups["length"].Value));
        }

        if (line.Take(Ratio()) is { } ratio)
        {
            Put(known, LensFields.Ratio, PaperText.Number(ratio, "n") ?? 1 / PaperText.Number(ratio, "m"));
        }
    }

    private static void Focal(Match match, Dictionary<GearField, object> known)
    {
        Put(known, LensFields.Short, PaperText.Number(match, "short"));
        Put(known, LensFields.Long, PaperText.Number(match, "long"));
    }

    private static void Aperture(Match match, Dictionary<GearField, object> known)
    {
        // T-numbers of a zoom are told as one.
        Put(known, match.Groups["mark"].Value.StartsWith("t", StringComparison.OrdinalIgnoreCase) ? LensFields.WidestT : LensFields.Widest, PaperText.Number(match, "wide"));
        if (PaperText.Number(match, "far") is { } far && known.ContainsKey(LensFields.Widest))
        {
            known[LensFields.WidestLong] = far;
        }
    }

    private static void Put(Dictionary<GearField, object> known, NumberField field, double? value)
    {
        if (value is { } number)
        {
            known[field] = number;
        }
    }

    /// <summary>24-70 mm f/2.8-4, 35 f/1.4, 50mm 1:1.8, 25 T2.1.</summary>
    [GeneratedRegex($@"(?<![\w.,])(?<short>{N})\s*(mm)?(\s*-\s*(?<long>{N})\s*(mm)?)?\s*,?\s*(?<mark>f|t|1:)\s*/?\s*(?<wide>{N})(\s*-\s*(f\s*/?\s*)?(?<far>{N}))?(?![\w:])", RegexOptions.IgnoreCase | RegexOptions.ExplicitCapture, Patience)]
    private static partial Regex Head();

    [GeneratedRegex($@"(?<![\w.,])(?<short>{N})\s*(mm)?\s*-\s*(?<long>{N})\s*mm\b", RegexOptions.IgnoreCase | RegexOptions.ExplicitCapture, Patience)]
    private static partial Regex Zoom();

    [GeneratedRegex($@"(?<![\w.,ø])(?<short>{N})\s*mm\b(?!\s*(filter|thread|x|ø))", RegexOptions.IgnoreCase | RegexOptions.ExplicitCapture, Patience)]
    private static partial Regex Prime();

    [GeneratedRegex($@"(?<![\w.,])(?<mark>f|1:)\s*/?\s*(?<wide>{N})(\s*-\s*(f\s*/?\s*)?(?<far>{N}))?(?![\w:])", RegexOptions.IgnoreCase | RegexOptions.ExplicitCapture, Patience)]
    private static partial Regex Bright();

    [GeneratedRegex($@"(?<![\w.,])t\s*/?\s*(?<t>{N})(?![\w:])", RegexOptions.IgnoreCase | RegexOptions.ExplicitCapture, Patience)]
    private static partial Regex Transmission();

    [GeneratedRegex($@"(image )?circle( of)?:?\s*(ø\s*)?(?<n>{N})\s*(mm)?\b", RegexOptions.IgnoreCase | RegexOptions.ExplicitCapture, Patience)]
    private static partial Regex Circle();

    [GeneratedRegex($@"((filter(s)?|thread|filter (thread|size|diameter))\s*:?\s*(ø\s*)?|ø\s*)(?<n>{N})\s*(mm)?\b(?!\s*x)|(?<![\w.,])(?<m>{N})\s*mm\s*(filter|thread)(s| thread| size)?\b", RegexOptions.IgnoreCase | RegexOptions.ExplicitCapture, Patience)]
    private static partial Regex Thread();

    [GeneratedRegex(@"\bno (front )?(filter(s)?|thread)( thread)?\b|\b(bulging|bulges|bulbous) front\b|\bfront bulges\b", RegexOptions.IgnoreCase | RegexOptions.ExplicitCapture, Patience)]
    private static partial Regex NoThread();

    [GeneratedRegex($@"(?<n>{N})\s*x\s*(squeeze|anamorphic)\b", RegexOptions.IgnoreCase | RegexOptions.ExplicitCapture, Patience)]
    private static partial Regex Squeezed();

    [GeneratedRegex(@"(?<![\w.,])(?<n>\d+)\s*(iris |rounded )?blades\b", RegexOptions.IgnoreCase | RegexOptions.ExplicitCapture, Patience)]
    private static partial Regex Blades();

    [GeneratedRegex($@"((min(imum|\.)?|nearest|closest|close|near) *(focus(ing)?)?( distance)?( to)?:?|mfd:?|focus(es)? (from|to))?\s*(?<![\w.,])(?<length>{N}\s*(m|cm|ft|in)|\d+'\s*(\d+\"")?|\d+\"")(?![\w\d'])", RegexOptions.IgnoreCase | RegexOptions.ExplicitCapture, Patience)]
    private static partial Regex Nearest();

    [GeneratedRegex($@"((max(imum|\.)?|largest) )?((magnification|ratio|macro):?\s*)?(?<![\w.,])((?<n>{N})\s*x(?!\s*\d)|1:(?<m>{N}))(\s*(magnification|macro))?(?![\w:])", RegexOptions.IgnoreCase | RegexOptions.ExplicitCapture, Patience)]
    private static partial Regex Ratio();

    [GeneratedRegex($@"(ø\s*)?(?<![\w.,])(?<across>{N})\s*(mm)?\s*x\s*(?<long>{N})\s*mm\b", RegexOptions.IgnoreCase | RegexOptions.ExplicitCapture, Patience)]
    private static partial Regex Size();

    [GeneratedRegex($@"(?<![\w.,])(?<n>{N})\s*mm\b", RegexOptions.IgnoreCase | RegexOptions.ExplicitCapture, Patience)]
    private static partial Regex Length();
}
