using System.Security.Cryptography;
using System.Text.Json;
using Juxtopsis.Contracts;
using Juxtopsis.Contracts.Productions;
using Juxtopsis.Contracts.Sheets;
using Juxtopsis.Data.Model;

namespace Juxtopsis.Data.Demo;

/// <summary>
/// Sheets of the made-up season <i>Low Water</i>: frames for its producer, as they follow the production and as they were sent once, with two answers; a lens
/// sheet; and a row of focal lengths. What was sent was made by the product itself (<c>tests/e2e/demo-sheet.mjs</c>).
/// </summary>
internal static class DemoSheets
{
    private const string Folder = "Juxtopsis.Data.Demo.sheet.";
    private const int Shots = 16;

    /// <summary>The shots that have a rig: the others are left out of what is sent.</summary>
    private static readonly int[] decided = [11, 12, 13, 14, 15];

    private static readonly Guid frozenId = Id(10);
    private static readonly Guid linkId = Id(11);

    /// <summary>Those of the production.</summary>
    public static IReadOnlyList<SheetInput> OfProduction { get; } =
    [
        new()
        {
            Id = Id(1), Kind = SheetKind.Frames, Title = "River and slipway, for the producer", Note = "Frames as they will be shot. Say yes, say no, or say what is missing.", IsLandscape = true, Feet = false,
            Items = [.. Enumerable.Range(1, Shots).Select(Item)],
        },
        new() { Id = Id(2), Kind = SheetKind.Lens, Title = "Lenses of the river unit", Feet = false },
    ];

    /// <summary>That of the first comparison.</summary>
    public static IReadOnlyList<SheetInput> OfSailLoft { get; } =
    [
        new() { Id = Id(3), Kind = SheetKind.Row, Title = "Two sensors in the sail loft", IsLandscape = true, Feet = false, FocalLengthsMm = [12, 16, 25, 35, 50, 85] },
    ];

    /// <summary>Brings what was sent, where it is not here.</summary>
    /// <param name="db">Works for the crew; the caller saves.</param>
    /// <param name="isHere">Whether it is here already.</param>
    /// <param name="now">The time of the rest of the demo; it was sent two days before.</param>
    public static void Bring(JuxtopsisDb db, bool isHere, DateTimeOffset now)
    {
        if (isHere)
        {
            return;
        }

        var sent = now.AddDays(-2);
        var input = JsonSerializer.Deserialize(Read("frozen.json"), WireJson.Default.FrozenInput)!;
        db.Add(FrozenSheet.Of(frozenId, input, sent, ""));
        foreach (var option in input.Shots.SelectMany(s => s.Options))
        {
            db.Add(new FrozenPicture { FrozenSheetId = frozenId, OptionId = option.Id, Jpeg = Read($"{option.Id}.jpg") });
        }

        // Nobody has what opens it; a link of one's own is made by a press.
        db.Add(new SheetLink
        {
            Id = linkId,
            FrozenSheetId = frozenId,
            TokenHash = RandomNumberGenerator.GetBytes(32),
            For = "The producer",
            MadeAt = sent,
            EndsAt = sent.AddDays(60),
            Opened = 2,
            OpenedAt = sent.AddHours(23),
        });
        db.Add(Answered(20, 13, ".1", SheetVerdict.Approved, "The wider one: the crowd belongs to it.", sent.AddHours(22)));
        db.Add(Answered(21, 15, "", SheetVerdict.Declined, "Too tight. Leave it some water to stand in.", sent.AddHours(23)));
    }

    /// <summary>The identity of what was sent.</summary>
    public static Guid FrozenId => frozenId;

    private static SheetAnswer Answered(int id, int shot, string option, SheetVerdict verdict, string remark, DateTimeOffset at) => new()
    {
        Id = Id(id),
        FrozenSheetId = frozenId,
        LinkId = linkId,
        ShotId = $"{ShotId(shot)}",
        OptionId = option.Length == 0 ? "" : $"{ShotId(shot)}{option}",
        Verdict = verdict,
        Remark = remark,
        Name = "Oda Brenwick",
        At = at,
    };

    private static SheetItemInput Item(int shot) => new()
    {
        Id = $"{ShotId(shot)}",
        LeftOut = !decided.Contains(shot),
        Remark = shot == 14 ? "From the far bank; the tide sets the hour." : "",
        Alternatives = shot == 13
            ? [new ChosenInput { Body = new("29923f70-01b3-5241-aaad-79a592a1f4f8"), Mode = "Full width 17:9", Lens = new("ede5b782-e67c-55c2-8646-5518c505665d"), Name = "Redan + 20 mm ƒ1.8" }]
            : [],
    };

    private static Guid ShotId(int number) => new($"10f7a7e0-0000-4000-8000-00000000c0{number:d2}");

    private static Guid Id(int number) => new($"10f7a7e0-0000-4000-8000-00000000a7{number:d2}");

    private static byte[] Read(string name)
    {
        using var stream = typeof(DemoSheets).Assembly.GetManifestResourceStream(Folder + name) ?? throw new InvalidOperationException($"The demo's {name} is missing.");
        using var bytes = new MemoryStream();
        stream.CopyTo(bytes);
        return bytes.ToArray();
    }
}
