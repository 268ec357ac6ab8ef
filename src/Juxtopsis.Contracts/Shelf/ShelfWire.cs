using System.Text.Json;
using Juxtopsis.Contracts.Chains;
using Juxtopsis.Contracts.Diagnostics;

namespace Juxtopsis.Contracts.Shelf;

/// <summary>A page of a shelf.</summary>
/// <param name="Total">How many things were found.</param>
/// <param name="OnShelf">How many things there are at all, retired ones included.</param>
/// <param name="Revision">Counts changes of the shelf.</param>
/// <param name="Items">The things of this page, in order.</param>
/// <param name="Understood">What the typed text was taken to ask for.</param>
/// <param name="Kinds">Counts by kind, all other choices kept.</param>
/// <param name="Ownerships">Counts by ownership likewise.</param>
/// <param name="Mounts">Counts by mount likewise.</param>
/// <param name="SetAside">What is stored and cannot be read by this version; it is on no page of the shelf.</param>
/// <param name="Deleted">How many things were deleted lately and can be put back.</param>
public sealed record ShelfPageOutput(
    int Total,
    int OnShelf,
    int Revision,
    IReadOnlyList<ShelfItemOutput> Items,
    IReadOnlyList<UnderstoodOutput> Understood,
    IReadOnlyList<FacetOutput> Kinds,
    IReadOnlyList<FacetOutput> Ownerships,
    IReadOnlyList<FacetOutput> Mounts,
    IReadOnlyList<SetAsideOutput> SetAside,
    int Deleted);

/// <summary>A stored thing that this version cannot read. It can be taken out as it is, and deleted.</summary>
/// <param name="Id">Its identity.</param>
/// <param name="Kind">Its kind, by its name in JSON.</param>
/// <param name="Name">Maker and name, in small letters.</param>
/// <param name="Why">Why it cannot be read.</param>
public sealed record SetAsideOutput(Guid Id, string Kind, string Name, string Why);

/// <summary>A thing that was deleted and can be put back.</summary>
/// <param name="Id">Its identity.</param>
/// <param name="Kind">Its kind, by its name in JSON.</param>
/// <param name="Name">Maker and name.</param>
/// <param name="DeletedAt">When it was deleted.</param>
public sealed record DeletedGearOutput(Guid Id, string Kind, string Name, DateTimeOffset DeletedAt);

/// <summary>A thing on the shelf.</summary>
/// <param name="Item">What is known of it, as in /api/shelf/schema.json.</param>
/// <param name="Revision">Counts its changes, from 1; the ETag.</param>
/// <param name="RetiredAt">When it was retired; null when it was not.</param>
/// <param name="Reach">What it gives as a lens; null for other things, and where it is not known or does not go on the camera.</param>
public sealed record ShelfItemOutput(JsonElement Item, int Revision, DateTimeOffset? RetiredAt, ReachOutput? Reach);

/// <summary>What a lens gives on the chosen camera, or on the format that it was made for.</summary>
/// <param name="ShortMm">Equivalent of the short end on full frame, mm.</param>
/// <param name="LongMm">Equivalent of the long end, mm.</param>
/// <param name="WidestShort">Widest f-number on the sensor at the short end.</param>
/// <param name="WidestLong">The same at the long end.</param>
/// <param name="Covers">False where corners stay dark; null when it is not known.</param>
/// <param name="Through">What joins it to the camera; empty when it goes straight on.</param>
/// <param name="Why">What speaks for and against that.</param>
public sealed record ReachOutput(double ShortMm, double LongMm, double? WidestShort, double? WidestLong, bool? Covers, string Through, string Why);

/// <summary>A part of a typed text, and what it was taken to mean.</summary>
/// <param name="Typed">The part.</param>
/// <param name="Meaning">The meaning; empty for a word that is looked for as it is.</param>
public sealed record UnderstoodOutput(string Typed, string Meaning);

/// <summary>How many things a choice would leave.</summary>
/// <param name="Key">The choice.</param>
/// <param name="Count">How many.</param>
public sealed record FacetOutput(string Key, int Count);

/// <summary>What deleting did.</summary>
/// <param name="Retired">True when it was retired instead, because saved comparisons use it.</param>
/// <param name="UsedBy">Their names, up to ten.</param>
/// <param name="Was">The thing as it was.</param>
public sealed record ShelfDeleteOutput(bool Retired, IReadOnlyList<string> UsedBy, ShelfItemOutput Was);

/// <summary>An RFC 9457 problem of status 412: someone else changed the thing meanwhile.</summary>
/// <param name="Type">A URI reference that names the kind of problem.</param>
/// <param name="Title">The kind of problem in a few words.</param>
/// <param name="Status">412.</param>
/// <param name="Detail">What happened.</param>
/// <param name="Current">The thing as it is stored now.</param>
public sealed record ShelfConflict(string Type, string Title, int Status, string Detail, ShelfItemOutput Current);

/// <summary>A question: what fits at a place of a chain.</summary>
public sealed record OptionsRequest
{
    /// <summary>The chain as it is, and how it is set. An empty chain asks for cameras.</summary>
    public AssembleRequest? Setup { get; set; }

    /// <summary>Place of the part to replace, or before which to put a new one.</summary>
    public int Place { get; set; }

    /// <summary>True to put a new part there, false to replace the one that is there.</summary>
    public bool IsNew { get; set; }

    /// <summary>What was typed to narrow the choice; up to 200 characters.</summary>
    public string Text { get; set; } = "";
}

/// <summary>What fits at a place of a chain, best first, and why the rest does not.</summary>
/// <param name="Fits">How many fit.</param>
/// <param name="Total">How many there are of the kinds that may stand there.</param>
/// <param name="Options">The first of them: up to 150 that fit, then up to 150 others.</param>
/// <param name="Items">Each thing that the options name.</param>
/// <param name="Mounts">The mounts that those name.</param>
public sealed record OptionsResponse(
    int Fits, int Total, IReadOnlyList<PartOptionOutput> Options, IReadOnlyList<ChainPartInput> Items, IReadOnlyList<JsonElement> Mounts);

/// <summary>A part for a place.</summary>
/// <param name="Id">The part.</param>
/// <param name="Fits">True when nothing about it stops the chain.</param>
/// <param name="Why">What speaks for it, or what stops it.</param>
/// <param name="Fix">What would mend that; empty when it fits.</param>
/// <param name="Parts">The whole chain with it.</param>
public sealed record PartOptionOutput(Guid Id, bool Fits, string Why, string Fix, IReadOnlyList<Guid> Parts);

/// <summary>A way to join a camera and a lens.</summary>
/// <param name="Links">What stands between them, from the camera on; empty when the lens goes straight on.</param>
/// <param name="Works">True when nothing stops it.</param>
/// <param name="Why">What speaks for it and against it.</param>
/// <param name="Findings">All that was found.</param>
/// <param name="WeightG">Weight of all, g.</param>
public sealed record WayOutput(IReadOnlyList<string> Links, bool Works, string Why, IReadOnlyList<DiagnosticOutput> Findings, double WeightG);

/// <summary>What an import would do, or did.</summary>
/// <param name="Written">True when it was written.</param>
/// <param name="Revision">The shelf's revision that this was reckoned against; to be sent with the import itself.</param>
/// <param name="Added">How many would be added.</param>
/// <param name="Changed">How many would be changed.</param>
/// <param name="Same">How many are there already, just so.</param>
/// <param name="Refused">How many are refused; any keeps all from being written.</param>
/// <param name="Rows">The rows: refused ones first, then changed, then added; up to 1000.</param>
public sealed record ImportOutput(bool Written, int Revision, int Added, int Changed, int Same, int Refused, IReadOnlyList<ImportRowOutput> Rows);

/// <summary>What becomes of a row of a file.</summary>
/// <param name="Where">File and line, or place in the list.</param>
/// <param name="Outcome">added, changed, same or refused.</param>
/// <param name="Kind">The kind's name; empty when it could not be told.</param>
/// <param name="Name">Maker and name.</param>
/// <param name="Changes">For changed rows what changes.</param>
/// <param name="Problems">For refused rows what is wrong and how to mend it.</param>
public sealed record ImportRowOutput(
    string Where, string Outcome, string Kind, string Name, IReadOnlyList<FieldChangeOutput> Changes, IReadOnlyList<Diagnostics.DiagnosticOutput> Problems);

/// <summary>A change of a field.</summary>
/// <param name="Field">What people call the field, with its unit.</param>
/// <param name="From">What it was; empty when it was not known.</param>
/// <param name="To">What it becomes; empty when it is no longer known.</param>
public sealed record FieldChangeOutput(string Field, string From, string To);

/// <summary>What came of taking an import back.</summary>
/// <param name="Back">How many things are as they were, or gone.</param>
/// <param name="Stayed">Names of those that stayed, since they were changed or used meanwhile.</param>
public sealed record ImportBackOutput(int Back, IReadOnlyList<string> Stayed);
