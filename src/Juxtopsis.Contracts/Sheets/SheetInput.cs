using Juxtopsis.Contracts.Productions;
using CoreConventions = Juxtopsis.Core.Rigs.Conventions;

namespace Juxtopsis.Contracts.Sheets;

/// <summary>What a sheet is.</summary>
public enum SheetKind
{
    /// <summary>The shots of a production, or the rigs of a comparison, with their pictures.</summary>
    Frames,

    /// <summary>A body or two with a row of focal lengths: from one place, and at one framing.</summary>
    Row,

    /// <summary>What each rig sees and keeps sharp, by distance and aperture.</summary>
    Lens,

    /// <summary>The shots in order, with settings and a plan of each place.</summary>
    Shots,

    /// <summary>What a bag holds.</summary>
    Pack,

    /// <summary>What to measure before the day, with columns to fill in.</summary>
    Test,

    /// <summary>A strip of distances and a focus chart at true size.</summary>
    Scales,
}

/// <summary>Paper.</summary>
public enum PaperSize
{
    /// <summary>210 × 297 mm.</summary>
    A4,

    /// <summary>148 × 210 mm.</summary>
    A5,

    /// <summary>8.5 × 11 in.</summary>
    Letter,
}

/// <summary>The order of the shots on a sheet.</summary>
public enum SheetOrder
{
    /// <summary>As they are to be shot.</summary>
    Shooting,

    /// <summary>Those of one place together.</summary>
    Location,

    /// <summary>Those of one unit of the crew together.</summary>
    Unit,
}

/// <summary>What stands before the decimals.</summary>
public enum DecimalSign
{
    /// <summary>A point: 3.2.</summary>
    Point,

    /// <summary>A comma: 3,2.</summary>
    Comma,
}

/// <summary>What a sheet says of one thing besides what is known of it.</summary>
public sealed record SheetItemInput
{
    /// <summary>Identity of the shot, the rig or the thing; each once on a sheet.</summary>
    public required string Id { get; init; }

    /// <summary>Title on this sheet, up to 200 characters; empty for its own name.</summary>
    public string Title { get; set; } = "";

    /// <summary>Remark, up to 500 characters.</summary>
    public string Remark { get; set; } = "";

    /// <summary>True when it is not on the sheet.</summary>
    public bool LeftOut { get; set; }

    /// <summary>Further rigs for the shot, to choose between; up to 3.</summary>
    public IReadOnlyList<ChosenInput> Alternatives { get; set; } = [];
}

/// <summary>A printable page or more of what a production or a comparison holds. It follows the work: it holds what to show and how, never the figures.</summary>
public sealed record SheetInput
{
    /// <summary>Identity within the work.</summary>
    public required Guid Id { get; init; }

    /// <summary>What it is.</summary>
    public required SheetKind Kind { get; init; }

    /// <summary>Title, up to 200 characters; empty for the name of the work.</summary>
    public string Title { get; set; } = "";

    /// <summary>A sentence under the title, up to 500 characters.</summary>
    public string Note { get; set; } = "";

    /// <summary>Paper.</summary>
    public PaperSize Paper { get; set; }

    /// <summary>True where the long side lies across.</summary>
    public bool IsLandscape { get; set; }

    /// <summary>True for feet and inches, false for metres; left out for as the person reads them.</summary>
    public bool? Feet { get; set; }

    /// <summary>What stands before the decimals.</summary>
    public DecimalSign DecimalSign { get; set; }

    /// <summary>Conventions of this sheet; left out for those of the work.</summary>
    public CoreConventions? Conventions { get; set; }

    /// <summary>Columns or lines that are shown, by name, in their order; empty for the usual ones.</summary>
    public IReadOnlyList<string> Columns { get; set; } = [];

    /// <summary>The order of shots.</summary>
    public SheetOrder Order { get; set; }

    /// <summary>The unit of the crew whose shots are shown; empty for all.</summary>
    public string Unit { get; set; } = "";

    /// <summary>The bag that a packing list is of; left out for the first.</summary>
    public Guid? BagId { get; set; }

    /// <summary>What is said of shots, rigs or things, in the order of the sheet; what is not named comes after, as it stands in the work.</summary>
    public IReadOnlyList<SheetItemInput> Items { get; set; } = [];

    /// <summary>Focal lengths of a row, mm; empty for the usual ones.</summary>
    public IReadOnlyList<double> FocalLengthsMm { get; set; } = [];

    /// <summary>Distances of tables and strips, mm; empty for the usual ones.</summary>
    public IReadOnlyList<double> DistancesMm { get; set; } = [];

    /// <summary>Apertures of tables and strips, f-numbers; empty for those of each lens.</summary>
    public IReadOnlyList<double> FNumbers { get; set; } = [];

    /// <summary>Length of a strip of distances, mm, 50 to 1000.</summary>
    public double StripLengthMm { get; set; } = 170;
}
