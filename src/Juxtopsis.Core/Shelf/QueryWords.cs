using Juxtopsis.Core.Gear;

namespace Juxtopsis.Core.Shelf;

/// <summary>The words of the trade that a search understands.</summary>
internal static class QueryWords
{
    /// <summary>A word or two, and what they ask for; null accepts for words that say nothing.</summary>
    internal readonly record struct Word(int Length, string Meaning, Func<ShelfRow, bool>? Accepts);

    private const double Fast = 2;
    private const double Wide = 28;
    private const double VeryWide = 18;
    private const double Long = 85;
    private const double Macro = 0.5;

    private static readonly Dictionary<string, (string Meaning, Func<ShelfRow, bool>? Accepts)> All = Build();

    private static readonly int MostWords = All.Keys.Max(k => k.Count(c => c == ' ') + 1);

    /// <summary>The longest of the known words that stands at a place of a text.</summary>
    public static Word? Longest(string text, int at)
    {
        // The ends of the next words, the farthest first.
        var ends = new List<int>();
        for (var i = at; i < text.Length && ends.Count < MostWords; i++)
        {
            if (i + 1 == text.Length || IsGap(text[i + 1]) && !IsGap(text[i]))
            {
                ends.Add(i + 1);
            }
        }

        for (var i = ends.Count - 1; i >= 0; i--)
        {
            var key = string.Join(' ', text[at..ends[i]].ToLowerInvariant().Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries));
            if (All.TryGetValue(key, out var found))
            {
                return new(ends[i] - at, found.Meaning, found.Accepts);
            }
        }

        return null;
    }

    private static bool IsGap(char c) => char.IsWhiteSpace(c) || c is ',' or ';';

    private static Dictionary<string, (string Meaning, Func<ShelfRow, bool>? Accepts)> Build()
    {
        var words = new Dictionary<string, (string, Func<ShelfRow, bool>?)>();
        void Say(string meaning, Func<ShelfRow, bool>? accepts, params ReadOnlySpan<string> keys)
        {
            foreach (var key in keys)
            {
                words[key] = (meaning, accepts);
            }
        }

        void Item(string meaning, Func<GearItem, bool> accepts, params ReadOnlySpan<string> keys) => Say(meaning, row => accepts(row.Entry.Item), keys);

        Say("", null, "that", "which", "and", "a", "an", "the", "with", "is", "are", "any", "gear", "to", "me");
        Item("ƒ2 or wider", i => i.Get(LensFields.Widest) <= Fast || i.Get(LensFields.WidestT) <= Fast + 0.2, "fast", "bright");
        Say("like 28 mm or shorter", row => row.Reach?.ShortMm <= Wide, "wide", "wide angle", "wide-angle");
        Say("like 18 mm or shorter", row => row.Reach?.ShortMm <= VeryWide, "very wide", "ultra wide", "ultra-wide", "ultrawide");
        Say("like 40 to 58 mm", row => row.Reach is { ShortMm: <= 58, LongMm: >= 40 }, "normal", "standard");
        Say("like 85 mm or longer", row => row.Reach?.LongMm >= Long, "long", "tele", "telephoto");
        Item("1:2 or closer", i => i.Get(LensFields.Ratio) >= Macro, "macro", "close");
        Item("a zoom", i => i.Get(LensFields.Long) > i.Get(LensFields.Short), "zoom", "zooms");
        Item("a prime", i => i.Kind == GearKind.Lens && !(i.Get(LensFields.Long) > i.Get(LensFields.Short)), "prime", "primes");
        Item(
            "aperture held through the zoom",
            i => i.Get(LensFields.Long) > i.Get(LensFields.Short) && (i.Get(LensFields.WidestLong) ?? i.Get(LensFields.Widest)) == i.Get(LensFields.Widest) && i.Get(LensFields.WidestAlong).Count == 0,
            "held", "constant", "held aperture", "constant aperture");
        Item("stabilised", i => i.Get(LensFields.Stabilisation) > 0 || i.Get(BodyFields.Stabilisation) > 0, "stabilised", "stabilized", "steadied", "stabilisation", "stabilization");
        Item("squeezed", i => i.Get(LensFields.Squeeze) > 1 || i.Get(FrontFields.Squeeze) > 1, "squeezed", "anamorphic", "squeeze");
        Item("focused by hand", i => i.Get(LensFields.Focus) == FocusDrive.Hand, "manual", "by hand");
        Item("focus by motor", i => i.Get(LensFields.Focus) is FocusDrive.MotorAndRing or FocusDrive.ByWire, "autofocus", "motor");
        Item("zoom driven from afar", i => i.Get(LensFields.RemoteZoom) == true, "remote zoom", "power zoom");
        Item("takes no filter in front", i => i.Get(LensFields.NoFilters) == true, "bulging", "bulges");
        Item("a fisheye", i => i.Get(LensFields.Projection) == Projection.Fisheye, "fisheye");
        Item("a reducer", i => i.Get(AdapterFields.Magnification) < 1, "reducer", "reducers", "speed booster", "focal reducer");
        Item("an extender", i => i.Get(AdapterFields.Magnification) > 1, "extender", "extenders");
        Item("a tube", i => i.Get(AdapterFields.Extension) > 0, "tube", "tubes", "extension tube");
        Item("a gimbal", i => i.Get(SupportFields.Type) == SupportType.Gimbal, "gimbal", "gimbals");
        Item("a variable filter", i => i.Get(FrontFields.Effect) == FilterEffect.Variable, "variable", "variable filter");
        Item("a polariser", i => i.Get(FrontFields.Effect) == FilterEffect.Polariser, "polariser", "polarizer", "polarisers");
        Item("diffusion", i => i.Get(FrontFields.Effect) == FilterEffect.Diffusion, "diffusion");
        Item("a battery", i => i.Get(BagFields.Use) == BagUse.Battery, "battery", "batteries");
        Item("our own", i => i.Get(CommonFields.Ownership) is null or Ownership.Own, "own", "ours", "owned");
        Item("to borrow", i => i.Get(CommonFields.Ownership) == Ownership.Borrow, "borrow", "borrowed");
        Item("to hire", i => i.Get(CommonFields.Ownership) == Ownership.Hire, "hire", "hired", "rental", "rent");
        Item("wished for", i => i.Get(CommonFields.Ownership) == Ownership.Wish, "wish", "wished", "wishlist");
        Say("retired", row => row.Entry.RetiredAt is not null, "retired");
        foreach (var kind in GearKinds.OnShelf)
        {
            Item(kind.Name.ToLowerInvariant(), i => i.Kind == kind.Kind, kind.Name.ToLowerInvariant(), kind.Plural.ToLowerInvariant());
        }

        Item("a camera", i => i.Kind is GearKind.Body or GearKind.FixedLensCamera, "camera", "cameras", "bodies", "body");
        Item("a close-up lens", i => i.Kind == GearKind.CloseUpLens, "close-up", "dioptre", "diopter");
        Item("a ring", i => i.Kind == GearKind.StepRing, "ring", "rings");
        Item("an attachment", i => i.Kind == GearKind.Attachment, "attachment", "attachments");
        return words;
    }
}
