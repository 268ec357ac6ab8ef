using Juxtopsis.Core.Entry;

namespace Juxtopsis.Core.Gear;

/// <summary>How the crew comes by a thing.</summary>
public enum Ownership
{
    /// <summary>The crew has it.</summary>
    Own,

    /// <summary>Somebody would lend it.</summary>
    Borrow,

    /// <summary>It can be hired.</summary>
    Hire,

    /// <summary>The crew does not have it, and would like to.</summary>
    Wish,
}

/// <summary>What every thing has.</summary>
internal static class CommonFields
{
    public static readonly TextField Name = new("name", "Name", Texts.MaxName, "What the crew calls it; with the maker it is unlike any other of its kind.") { Required = true };
    public static readonly TextField Maker = new("maker", "Maker", 120, "Who makes it.");
    public static readonly NumberField Weight = new("weightG", "Weight", EntryKind.Weight, "As mounted, without caps.") { Without = "totals and loads count it apart" };
    public static readonly NumberField TestedWeight = new("testedWeightG", "Tested weight", EntryKind.Weight, "As scales found it.") { StandsFor = Weight, IsFromTest = true };
    public static readonly TextField TestedBy = new("testedBy", "Tests", 2000, "Which test of which unit each of these comes from: when, by whom, how many readings, how surely.") { ManyLines = true, IsFromTest = true };
    public static readonly NumberField Price = new("purchasePrice", "Price to buy", EntryKind.Price, "In the crew's currency, without tax.") { FormerKey = FormerPrice.Key };
    public static readonly NumberField Hire = new("hirePerDay", "Hire a day", EntryKind.Price, "In the crew's currency, without tax.");
    public static readonly NumberField Insured = new("insuredValue", "Insured for", EntryKind.Price, "What it would cost to get another one, as the insurer has it.");
    public static readonly ChoiceField<Ownership> Ownership = new("ownership", "Ours or not", "Whether the crew owns it, can borrow it, can hire it, or only wishes for it; what is wished for is in no proposal unless that is asked for.", "own", "borrow", "hire", "wish") { FormerKey = "holding" };
    public static readonly TextField From = new("from", "From whom", 120, "Who lends or hires it out, or which unit has it.");
    public static readonly TextField Note = new("note", "Note", 2000, "Anything else to know.") { ManyLines = true };

    public static readonly GearField[] First = [Name, Maker];
    public static readonly FieldGroup Keeping = new("Money and whose it is", Ownership, From, Price, Hire, Insured, Note);

    /// <summary>What a thing costs those who come by it so: a day's hire where it is hired, else the price to buy; null when not known.</summary>
    public static double? CostOf(GearItem item) => item.Get(item.Value(Ownership) is Gear.Ownership.Hire ? Hire : Price);

    // What parts of a chain have in common.
    public static readonly NumberField Length = new("lengthMm", "Length", EntryKind.PartLength, "From mount or thread to its front, at its shortest.");
    public static readonly NumberField Diameter = new("diameterMm", "Diameter", EntryKind.PartLength, "Across its widest part; a hood not counted.");
    public static readonly NumberField Thickness = new("thicknessMm", "Thickness", EntryKind.PartLength, "What it adds in front of the lens, without its own thread.");
    public static readonly NumberField RearThread = new("threadMm", "Thread to the lens", EntryKind.PartLength, "The thread that screws into the lens or into what is in front of it.");
    public static readonly NumberField FrontThread = new("frontThreadMm", "Thread in front", EntryKind.PartLength, "The thread that it offers in turn.");
    public static readonly FlagField NoFrontThread = new("noFrontThread", "Nothing in front", "Yes when nothing can be screwed on in front of it: it bulges, or has no thread.");
    public static readonly NumberField Clear = new("clearMm", "Clear opening", EntryKind.PartLength, "The narrowest clear diameter; a thread less 2 mm when it is not known.");
}
