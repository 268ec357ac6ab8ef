using System.Text.Json;
using Juxtopsis.Contracts;
using Juxtopsis.Contracts.Comparisons;
using Juxtopsis.Data.Model;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.ChangeTracking;
using Microsoft.EntityFrameworkCore.Storage.ValueConversion;

namespace Juxtopsis.Data;

/// <summary>
/// The database. The crew's scope is applied here and only here: every <see cref="ICrewOwned"/> type is filtered to the
/// current crew when read, stamped when added, and refused when it belongs to another.
/// </summary>
/// <param name="options">Provider and connection.</param>
/// <param name="scope">On whose behalf this context works.</param>
public sealed class JuxtopsisDb(DbContextOptions<JuxtopsisDb> options, ICrewScope scope) : DbContext(options)
{
    private const int MaxKindLength = 40;
    private const int MaxNameKeyLength = 1000;

    /// <summary>All crews.</summary>
    public DbSet<Crew> Crews => Set<Crew>();

    /// <summary>The current crew's comparisons, deleted ones included.</summary>
    public DbSet<Comparison> Comparisons => Set<Comparison>();

    /// <summary>The current crew's gear, retired things included.</summary>
    public DbSet<GearRow> Gear => Set<GearRow>();

    /// <summary>The current crew's photographs of places.</summary>
    public DbSet<Photo> Photos => Set<Photo>();

    /// <summary>The crew on whose behalf this context works.</summary>
    public Guid CrewId => scope.CrewId;

    /// <summary>Configures provider and naming the same way for the server, the tools and the tests.</summary>
    /// <param name="options">The options to configure.</param>
    /// <param name="connectionString">A Npgsql connection string.</param>
    public static void Configure(DbContextOptionsBuilder options, string connectionString)
    {
        ArgumentNullException.ThrowIfNull(options);
        options.UseNpgsql(connectionString).UseSnakeCaseNamingConvention();
    }

    /// <inheritdoc/>
    public override Task<int> SaveChangesAsync(bool acceptAllChangesOnSuccess, CancellationToken cancellationToken = default)
    {
        ApplyScope();
        return base.SaveChangesAsync(acceptAllChangesOnSuccess, cancellationToken);
    }

    /// <inheritdoc/>
    public override int SaveChanges(bool acceptAllChangesOnSuccess)
    {
        ApplyScope();
        return base.SaveChanges(acceptAllChangesOnSuccess);
    }

    /// <inheritdoc/>
    protected override void OnModelCreating(ModelBuilder modelBuilder)
    {
        ArgumentNullException.ThrowIfNull(modelBuilder);
        modelBuilder.Entity<Crew>().Property(c => c.Name).HasMaxLength(120);

        var comparison = modelBuilder.Entity<Comparison>();
        Owned(comparison);
        comparison.HasKey(c => new { c.CrewId, c.Id });
        comparison.Property(c => c.Name).HasMaxLength(ComparisonChecks.MaxNameLength);
        comparison.Property(c => c.Revision).IsConcurrencyToken();
        comparison.Property(c => c.Document).HasColumnType("jsonb").HasConversion(DocumentAsJson, DocumentByContent);
        comparison.HasIndex(c => new { c.CrewId, c.UpdatedAt });

        var gear = modelBuilder.Entity<GearRow>().ToTable("gear");
        Owned(gear);
        gear.HasKey(g => new { g.CrewId, g.Id });
        gear.Property(g => g.Kind).HasMaxLength(MaxKindLength);
        gear.Property(g => g.NameKey).HasMaxLength(MaxNameKeyLength);
        gear.Property(g => g.Document).HasColumnType("jsonb");
        gear.Property(g => g.Revision).IsConcurrencyToken();
        gear.HasIndex(g => new { g.CrewId, g.Kind, g.NameKey }).IsUnique().HasFilter("retired_at is null");

        var photo = modelBuilder.Entity<Photo>();
        Owned(photo);
        photo.HasKey(p => new { p.CrewId, p.Id });
        photo.Property(p => p.Jpeg).HasMaxLength(Photo.MaxBytes);
    }

    private static ValueConverter<ComparisonDocument, string> DocumentAsJson { get; } = new(
        document => ToJson(document),
        json => JsonSerializer.Deserialize(json, WireJson.Default.ComparisonDocument)!);

    private static ValueComparer<ComparisonDocument> DocumentByContent { get; } = new(
        (a, b) => ToJson(a) == ToJson(b),
        document => ToJson(document).GetHashCode(StringComparison.Ordinal));

    private static string ToJson(ComparisonDocument? document) => JsonSerializer.Serialize(document!, WireJson.Default.ComparisonDocument);

    private void Owned<T>(Microsoft.EntityFrameworkCore.Metadata.Builders.EntityTypeBuilder<T> entity)
        where T : class, ICrewOwned
    {
        entity.HasQueryFilter(owned => owned.CrewId == CrewId);
        entity.HasOne<Crew>().WithMany().HasForeignKey(owned => owned.CrewId).OnDelete(DeleteBehavior.Cascade);
    }

    private void ApplyScope()
    {
        foreach (var entry in ChangeTracker.Entries<ICrewOwned>())
        {
            if (entry.State == EntityState.Added && entry.Entity.CrewId == Guid.Empty)
            {
                entry.Entity.CrewId = CrewId;
            }

            if (entry.State != EntityState.Unchanged && (CrewId == Guid.Empty || entry.Entity.CrewId != CrewId))
            {
                throw new InvalidOperationException("A thing of another crew cannot be written.");
            }
        }
    }
}
