using System.ComponentModel;
using Juxtopsis.Contracts;
using Juxtopsis.Contracts.Chains;
using Juxtopsis.Contracts.Diagnostics;
using Juxtopsis.Contracts.Gear;
using Juxtopsis.Contracts.Problems;
using Juxtopsis.Contracts.Shelf;
using Juxtopsis.Core.Chains;
using Juxtopsis.Core.Filters;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Quantities;
using Juxtopsis.Core.Shelf;
using Juxtopsis.Data;
using Juxtopsis.Server.Edge;
using Juxtopsis.Server.Problems;
using Juxtopsis.Server.Shelf.Files;
using Juxtopsis.Server.Startup;
using Microsoft.EntityFrameworkCore;

namespace Juxtopsis.Server.Shelf;

/// <summary>Asking the shelf: what is there, what fits where, how things join.</summary>
internal static class ShelfEndpoints
{
    private const int PageSize = 30;
    private const int MostAtOnce = 1000;

    public static RouteGroupBuilder ShelfGroup(this WebApplication app) => app.MapGroup("/api/shelf").WithTags("Shelf").RequireDatabase();

    public static void MapShelf(this WebApplication app)
    {
        app.MapGet("/api/shelf/kinds", () => Results.Text(CoreDoor.GearKinds(), "application/json"))
            .WithName("GearKinds").WithTags("Shelf").WithSummary("The kinds of gear, and what can be known of each.")
            .Produces<IReadOnlyList<KindOutput>>();
        app.MapGet("/api/shelf/schema.json", () => Results.Bytes(GearSchema.ToUtf8(), "application/schema+json"))
            .WithName("ShelfSchema").WithTags("Shelf").WithSummary("The JSON Schema of a shelf's file.")
            .Produces(200, contentType: "application/schema+json");

        var group = app.ShelfGroup();
        group.MapGet("", List).WithName("ListShelf")
            .WithSummary("Things on the shelf, 30 at a time, with counts for further choices.")
            .Produces<ShelfPageOutput>().ProducesProblems(422, 503);
        group.MapGet("{id:guid}", Get).WithName("GetGear")
            .WithSummary("One thing; its ETag is its revision.")
            .Produces<ShelfItemOutput>().ProducesProblems(404, 503);
        group.MapGet("{id:guid}/stored", Stored).WithName("StoredGear")
            .WithSummary("What is stored of a thing, just as it is, whether it can be read or not.")
            .Produces(200, contentType: "application/json").ProducesProblems(404, 503);
        group.MapPost("options", Options).WithName("PartOptions")
            .RequireRateLimiting(Limits.Heavy)
            .WithSummary("What fits at a place of a chain, best first, and why the rest does not.")
            .Accepts<OptionsRequest>("application/json")
            .Produces<OptionsResponse>().ProducesProblems(400, 413, 415, 422, 503);
        group.MapPost("filters", Filters).WithName("FiltersFor")
            .RequireRateLimiting(Limits.Heavy)
            .WithSummary("Which filters take some light of a chain, in which order and with which rings, best first.")
            .Accepts<FiltersRequest>("application/json")
            .Produces<FiltersResponse>().ProducesProblems(400, 413, 415, 422, 503);
        group.MapGet("ways", Ways).WithName("WaysToJoin")
            .RequireRateLimiting(Limits.Heavy)
            .WithSummary("The ways to join a camera and a lens with the adapters on the shelf, best first.")
            .Produces<IReadOnlyList<WayOutput>>().ProducesProblems(404, 503);
        app.MapShelfWrites();
        app.MapShelfFiles();
    }

    private sealed record ListQuery(
        [property: Description("What was typed to find things, such as: fast wide under 400 g.")] string? Q,
        [property: Description("One kind only, by its name in JSON.")] string? Kind,
        [property: Description("own, borrow, hire or wish.")] string? Ownership,
        [property: Description("One mount only.")] string? Mount,
        [property: Description("Retired things instead of the others.")] bool? Retired,
        [property: Description("The camera for which equivalents are told.")] Guid? Body,
        [property: Description("Its recording mode; its first when left out.")] string? Mode,
        [property: Description("Delivered width over height, in which formats are compared; 16:9 when left out.")] double? Aspect,
        [property: Description("kind, name, weight, price or aperture.")] string? Order,
        [property: Description("How many to pass over.")] int? Skip,
        [property: Description("How many to give: up to 1000, 30 when left out.")] int? Take);

    private static async Task<IResult> List(
        [AsParameters] ListQuery query, JuxtopsisDb db, ShelfCache cache)
    {
        if (!TryRead(query, out var asked, out var error))
        {
            return Problem.OfFields([error!]).ToResult();
        }

        var shelf = await cache.ReadAsync(db);
        var page = shelf.Index.Search(asked!).ToPage(shelf, Math.Clamp(query.Skip ?? 0, 0, 1_000_000), Math.Clamp(query.Take ?? PageSize, 1, MostAtOnce));
        return TypedResults.Json(page, WireJson.Default.ShelfPageOutput);
    }

    private static bool TryRead(ListQuery query, out ShelfQuery? asked, out DiagnosticOutput? error)
    {
        asked = null;
        error = null;
        var kind = query.Kind is { Length: > 0 } key ? GearKinds.ByKey(key) : null;
        if (query.Kind is { Length: > 0 } && kind is null)
        {
            error = Unknown("kind", query.Kind, string.Join(", ", GearKinds.OnShelf.Select(k => k.Key)));
        }
        else if (!TryEnum<Ownership>(query.Ownership, out var ownership))
        {
            error = Unknown("ownership", query.Ownership!, "own, borrow, hire");
        }
        else if (!TryEnum<ShelfOrder>(query.Order, out var order))
        {
            error = Unknown("order", query.Order!, "kind, name, weight, price, aperture");
        }
        else if (query.Aspect is { } aspect && !Quantity.DeliveryAspect.Accepts(aspect))
        {
            error = Unknown("aspect", $"{aspect}", Quantity.DeliveryAspect.Range());
        }
        else
        {
            asked = new()
            {
                Text = query.Q ?? "",
                Kind = kind?.Kind,
                Ownership = ownership,
                Mount = query.Mount ?? "",
                Retired = query.Retired ?? false,
                Body = query.Body,
                Mode = query.Mode ?? "",
                Aspect = query.Aspect ?? LensReach.UsualAspect,
                Order = order ?? ShelfOrder.Kind,
            };
        }

        return error is null;
    }

    private static async Task<IResult> Get(Guid id, JuxtopsisDb db, ShelfCache cache, HttpContext http)
    {
        var shelf = await cache.ReadAsync(db);
        if (shelf.Index.Find(id) is not { } entry)
        {
            return NotFound(id);
        }

        http.Response.Headers.ETag = Writing.Revision.ToTag(entry.Revision);
        http.Response.Headers.CacheControl = "no-cache";
        return TypedResults.Json(entry.ToOutput(), WireJson.Default.ShelfItemOutput);
    }

    private static async Task<IResult> Stored(Guid id, JuxtopsisDb db, CancellationToken cancellationToken) =>
        await db.Gear.Where(g => g.Id == id).Select(g => g.Document).FirstOrDefaultAsync(cancellationToken) is { } document
            ? TypedResults.Text(document, "application/json")
            : NotFound(id);

    private static async Task<IResult> Options(HttpRequest request, JuxtopsisDb db, ShelfCache cache, CancellationToken cancellationToken)
    {
        var json = await RequestBody.ReadAsync(request, cancellationToken);
        var asked = WireReader.Read(json.Span, WireJson.Default.OptionsRequest, out var problem);
        problem ??= OptionsChecks.Check(asked!);
        if (problem is not null)
        {
            return problem.ToResult();
        }

        var shelf = await cache.ReadAsync(db);
        IReadOnlyList<GearItem> parts = asked!.Setup is { } setup ? setup.Chain.ToCore().Parts : [];
        var setting = asked.Setup?.ToSetting() ?? new ChainSetting();
        var slot = new Slot(Math.Min(asked.Place, parts.Count), asked.IsNew || parts.Count == 0);
        var wanted = shelf.Index.Wanted(asked.Text);
        var options = shelf.Index.Picker.Options(parts, slot, setting, wanted);
        return TypedResults.Json(ShelfMapping.ToOutput(options, parts, shelf.Index), WireJson.Default.OptionsResponse);
    }

    private static async Task<IResult> Filters(HttpRequest request, JuxtopsisDb db, ShelfCache cache, CancellationToken cancellationToken)
    {
        var json = await RequestBody.ReadAsync(request, cancellationToken);
        var asked = WireReader.Read(json.Span, WireJson.Default.FiltersRequest, out var problem);
        problem ??= asked!.Check();
        if (problem is not null)
        {
            return problem.ToResult();
        }

        var shelf = await cache.ReadAsync(db);
        var (parts, mounts) = asked!.Setup.Chain.ToCore();
        var setting = asked.Setup.ToSetting();
        var ways = new FilterFinder(shelf.Index.AtHand, mounts).Ways(parts, setting, asked.LeastStops, asked.MostStops);
        return TypedResults.Json(ShelfMapping.ToOutput(ways, parts, mounts, setting, shelf.Index), WireJson.Default.FiltersResponse);
    }

    private static async Task<IResult> Ways(
        [Description("The camera.")] Guid camera,
        [Description("The lens.")] Guid lens,
        [Description("The camera's mode; its first when left out.")] string? mode,
        JuxtopsisDb db,
        ShelfCache cache)
    {
        var shelf = await cache.ReadAsync(db);
        if (shelf.Index.Find(camera) is not { Item.Kind: GearKind.Body } body)
        {
            return NotFound(camera);
        }

        if (shelf.Index.Find(lens) is not { Item.Kind: GearKind.Lens } glass)
        {
            return NotFound(lens);
        }

        var ways = shelf.Index.Joining.Ways(body.Item, glass.Item, [], new ChainSetting { Mode = mode ?? "", DeliveryAspect = LensReach.UsualAspect });
        return TypedResults.Json([.. ways.Select(w => w.ToOutput())], WireJson.Default.IReadOnlyListWayOutput);
    }

    public static IResult NotFound(Guid id) => Problem.Of(
        "no-gear", 404, "No such thing on the shelf", $"There is nothing {id} on this shelf. It may have been deleted, or belong to another server.").ToResult();

    private static bool TryEnum<T>(string? text, out T? value)
        where T : struct, Enum
    {
        value = null;
        if (string.IsNullOrEmpty(text))
        {
            return true;
        }

        if (Enum.TryParse<T>(text, ignoreCase: true, out var known) && Enum.IsDefined(known) && !char.IsAsciiDigit(text[0]))
        {
            value = known;
            return true;
        }

        return false;
    }

    private static DiagnosticOutput Unknown(string field, string value, string known) => new(
        field, value.Length > 40 ? value[..40] + "…" : value, known, $"“{(value.Length > 40 ? value[..40] + "…" : value)}” is not known as {field} here.", $"Give one of {known}, or leave it out.");
}
