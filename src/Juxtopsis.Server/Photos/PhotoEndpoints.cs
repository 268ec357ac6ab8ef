using Juxtopsis.Contracts;
using Juxtopsis.Contracts.Comparisons;
using Juxtopsis.Contracts.Problems;
using Juxtopsis.Data;
using Juxtopsis.Data.Model;
using Juxtopsis.Server.Problems;
using Juxtopsis.Server.Startup;
using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;
using Npgsql;

namespace Juxtopsis.Server.Photos;

/// <summary>Photographs of places. A comparison names the one that its frames are cut from.</summary>
internal static class PhotoEndpoints
{
    private const int MostPhotos = 1000;
    private const int MostPixels = 4096;
    private const string Jpeg = "image/jpeg";

    /// <summary>How long a photograph that was deleted, or that no comparison names, is kept for whoever wants it back.</summary>
    private static readonly TimeSpan Kept = TimeSpan.FromDays(30);

    public static void MapPhotos(this WebApplication app)
    {
        var group = app.MapGroup("/api/photos").WithTags("Photographs").RequireDatabase();
        group.MapPut("{id:guid}", Put).WithName("PutPhoto")
            .WithSummary("Stores a JPEG under an id of one's own choice, without location, camera or anything but the picture.")
            .WithMetadata(new RequestSizeLimitAttribute(Photo.MaxBytes))
            .Accepts<byte[]>(Jpeg)
            .Produces<PhotoOutput>().Produces<PhotoOutput>(201).ProducesProblems(409, 413, 415, 422, 503);
        group.MapGet("{id:guid}", Get).WithName("GetPhoto").WithSummary("A photograph.").Produces(200, contentType: Jpeg).Produces(304).ProducesProblems(404, 503);
        group.MapDelete("{id:guid}", Delete).WithName("DeletePhoto")
            .WithSummary($"Deletes a photograph that no comparison besides the one named in from shows; it can be restored for {Kept.Days} days, then it is gone for good.")
            .Produces(204).ProducesProblems(409, 503);
        group.MapPost("{id:guid}/restore", Restore).WithName("RestorePhoto").WithSummary("Brings a deleted photograph back.").Produces(204).ProducesProblems(404, 503);
    }

    private static async Task<IResult> Put(Guid id, JuxtopsisDb db, TimeProvider clock, HttpRequest request, CancellationToken cancellationToken)
    {
        var body = await RequestBody.ReadAsync(request, cancellationToken);
        var clean = JpegCleaner.Clean(body.Span);
        if (clean is null || clean.WidthPx > MostPixels || clean.HeightPx > MostPixels)
        {
            return Problem.Of(
                "no-photo", 422, "No photograph that can be stored",
                clean is null ? "The file is no whole JPEG. Save the photograph as JPEG." : $"It has {clean.WidthPx} × {clean.HeightPx} pixels; {MostPixels} a side is the most. Make it smaller.").ToResult();
        }

        var stored = await db.Photos.AsNoTracking().FirstOrDefaultAsync(p => p.Id == id, cancellationToken);
        if (stored is not null)
        {
            await SetDeletedAsync(db, id, null, cancellationToken);
            return stored.Jpeg.AsSpan().SequenceEqual(clean.Bytes) ? Answer(stored, 200) : Taken();
        }

        var before = clock.GetUtcNow() - Kept;
        await db.Photos.Where(p => p.DeletedAt < before).ExecuteDeleteAsync(cancellationToken);
        if (await db.Photos.CountAsync(cancellationToken) >= MostPhotos && await ForgetAsync(db, before, cancellationToken) == 0)
        {
            return Problem.Of("too-many-photos", 409, "No room for more photographs", $"There are {MostPhotos} photographs already. Delete some that are not needed.").ToResult();
        }

        var added = new Photo { Id = id, Jpeg = clean.Bytes, WidthPx = clean.WidthPx, HeightPx = clean.HeightPx, CreatedAt = clock.GetUtcNow() };
        db.Photos.Add(added);
        try
        {
            await db.SaveChangesAsync(cancellationToken);
        }
        catch (DbUpdateException e) when (e.InnerException is PostgresException { SqlState: PostgresErrorCodes.UniqueViolation })
        {
            return Taken();
        }

        return Answer(added, 201);
    }

    private static async Task<IResult> Get(Guid id, JuxtopsisDb db, HttpContext http, CancellationToken cancellationToken)
    {
        // What has an id never changes, but may be deleted: a browser asks whether it is still there.
        var tag = $"\"{id}\"";
        var known = http.Request.Headers.IfNoneMatch == tag;
        var found = db.Photos.AsNoTracking().Where(p => p.Id == id && p.DeletedAt == null);
        var jpeg = known ? null : await found.Select(p => p.Jpeg).FirstOrDefaultAsync(cancellationToken);
        if (jpeg is null && !(known && await found.AnyAsync(cancellationToken)))
        {
            return Problem.Of("no-photo", 404, "No such photograph", $"There is no photograph {id} here. It may have been deleted.").ToResult();
        }

        http.Response.Headers.ETag = tag;
        http.Response.Headers.CacheControl = "private, no-cache";
        return jpeg is null ? TypedResults.StatusCode(304) : TypedResults.Bytes(jpeg, Jpeg);
    }

    private static async Task<IResult> Delete(Guid id, JuxtopsisDb db, TimeProvider clock, CancellationToken cancellationToken, Guid? from = null)
    {
        var others = await ShownIn(db, id).Where(c => c.Id != from && c.DeletedAt == null).OrderBy(c => c.Name).Select(c => c.Name).ToListAsync(cancellationToken);
        if (others.Count > 0)
        {
            var names = string.Join(", ", others.Take(3).Select(name => $"“{name}”")) + (others.Count > 3 ? $" and {others.Count - 3} more" : "");
            return Problem.Of("photo-shown", 409, "Others show this photograph", $"The photograph is shown in {names} too. Take it out there first, or only out of this comparison.").ToResult();
        }

        await SetDeletedAsync(db, id, clock.GetUtcNow(), cancellationToken);
        return TypedResults.NoContent();
    }

    private static async Task<IResult> Restore(Guid id, JuxtopsisDb db, CancellationToken cancellationToken) =>
        await SetDeletedAsync(db, id, null, cancellationToken) == 0
            ? Problem.Of("no-photo", 404, "No such photograph", $"There is no photograph {id} here any more.").ToResult()
            : TypedResults.NoContent();

    private static Task<int> SetDeletedAsync(JuxtopsisDb db, Guid id, DateTimeOffset? at, CancellationToken cancellationToken) =>
        db.Photos.Where(p => p.Id == id).ExecuteUpdateAsync(set => set.SetProperty(p => p.DeletedAt, at), cancellationToken);

    /// <summary>The comparisons that name a photograph, deleted ones included; found in the stored text, whether or not it can be read.</summary>
    private static IQueryable<Comparison> ShownIn(JuxtopsisDb db, Guid id)
    {
        var named = $$"""{"setup":{"scene":{"photo":{"id":"{{id}}"} } } }""";
        return db.Comparisons.AsNoTracking().Where(c => EF.Functions.JsonContains(c.Document, named));
    }

    /// <summary>Deletes what was brought before some time and no comparison names.</summary>
    private static async Task<int> ForgetAsync(JuxtopsisDb db, DateTimeOffset before, CancellationToken cancellationToken)
    {
        var unnamed = new List<Guid>();
        foreach (var id in await db.Photos.Where(p => p.CreatedAt < before).Select(p => p.Id).ToListAsync(cancellationToken))
        {
            if (!await ShownIn(db, id).AnyAsync(cancellationToken))
            {
                unnamed.Add(id);
            }
        }

        return await db.Photos.Where(p => unnamed.Contains(p.Id)).ExecuteDeleteAsync(cancellationToken);
    }

    private static IResult Taken() => Problem.Of("photo-taken", 409, "This id is taken", "Another photograph has this id. Choose another id.").ToResult();

    private static IResult Answer(Photo photo, int status) =>
        TypedResults.Json(new PhotoOutput(photo.Id, photo.WidthPx, photo.HeightPx, photo.Jpeg.Length), WireJson.Default.PhotoOutput, statusCode: status);
}
