using Juxtopsis.Data.Model;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;

namespace Juxtopsis.Data;

/// <summary>
/// The database. The crew's scope is applied here and only here: every <see cref="ICrewOwned"/> type is filtered to the
/// current crew when read, stamped when added, and refused when it belongs to another.
/// </summary>
/// <param name="options">Provider and connection.</param>
/// <param name="scope">On whose behalf this context works.</param>
public sealed class JuxtopsisDb(DbContextOptions<JuxtopsisDb> options, ICrewScope scope) : DbContext(options)
{
    /// <summary>The name of the filter that keeps each crew to itself; the database's own policies of the same name stand behind it.</summary>
    public const string CrewFilter = "crew";

    /// <summary>The name of the filter that keeps gear out of sight which was put away with the rest of the demo.</summary>
    public const string PutAwayFilter = "put away";

    /// <summary>The setting of a connection that tells the database's policies on whose behalf it works.</summary>
    internal const string CrewSetting = "juxtopsis.crew";

    private const int MaxNameLength = WorkStore.MaxName;
    private const int MaxNoteLength = 280;
    private const int MaxKindLength = 40;
    private const int MaxNameKeyLength = 1000;

    /// <summary>All crews.</summary>
    public DbSet<Crew> Crews => Set<Crew>();

    /// <summary>The current crew's comparisons, deleted ones included.</summary>
    public DbSet<Comparison> Comparisons => Set<Comparison>();

    /// <summary>The current crew's productions, deleted ones included.</summary>
    public DbSet<Production> Productions => Set<Production>();

    /// <summary>The states that the current crew's work had.</summary>
    public DbSet<PastRevision> Revisions => Set<PastRevision>();

    /// <summary>The current crew's gear, retired and deleted things included, what is put away left out.</summary>
    public DbSet<GearRow> Gear => Set<GearRow>();

    /// <summary>What the current crew's shelf was before files were brought in.</summary>
    public DbSet<ShelfImport> Imports => Set<ShelfImport>();

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
        options.UseNpgsql(connectionString).UseSnakeCaseNamingConvention().AddInterceptors(CrewOnConnection.Instance);
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

        Work(modelBuilder.Entity<Comparison>());
        Work(modelBuilder.Entity<Production>());

        var past = modelBuilder.Entity<PastRevision>().ToTable("revisions");
        Owned(past);
        past.HasKey(r => new { r.CrewId, r.Kind, r.WorkId, r.Revision });
        past.Property(r => r.Kind).HasMaxLength(MaxKindLength);
        past.Property(r => r.Name).HasMaxLength(MaxNameLength);
        past.Property(r => r.Document).HasColumnType("jsonb");
        past.Property(r => r.Cause).HasConversion<string>().HasMaxLength(MaxKindLength);
        past.Property(r => r.Writer).HasMaxLength(MaxKindLength);
        past.Property(r => r.By).HasMaxLength(MaxKindLength);

        var gear = modelBuilder.Entity<GearRow>().ToTable("gear");
        Owned(gear);
        gear.HasKey(g => new { g.CrewId, g.Id });
        gear.HasQueryFilter(PutAwayFilter, g => g.PutAwayAt == null);
        gear.Property(g => g.Kind).HasMaxLength(MaxKindLength);
        gear.Property(g => g.NameKey).HasMaxLength(MaxNameKeyLength);
        gear.Property(g => g.Document).HasColumnType("jsonb");
        gear.Property(g => g.Revision).IsConcurrencyToken();
        gear.HasIndex(g => new { g.CrewId, g.Kind, g.NameKey }).IsUnique().HasFilter("retired_at is null and deleted_at is null and put_away_at is null");

        var import = modelBuilder.Entity<ShelfImport>().ToTable("imports");
        Owned(import);
        import.HasKey(i => new { i.CrewId, i.Revision });
        import.Property(i => i.Before).HasColumnType("jsonb");

        var photo = modelBuilder.Entity<Photo>();
        Owned(photo);
        photo.HasKey(p => new { p.CrewId, p.Id });
        photo.Property(p => p.Jpeg).HasMaxLength(Photo.MaxBytes);
    }

    private void Work<T>(EntityTypeBuilder<T> work)
        where T : Work
    {
        Owned(work);
        work.HasKey(w => new { w.CrewId, w.Id });
        work.Property(w => w.Name).HasMaxLength(MaxNameLength);
        work.Property(w => w.Note).HasMaxLength(MaxNoteLength);
        work.Property(w => w.Revision).IsConcurrencyToken();
        work.Property(w => w.Document).HasColumnType("jsonb");
        work.HasIndex(w => new { w.CrewId, w.UpdatedAt });
    }

    private void Owned<T>(EntityTypeBuilder<T> entity)
        where T : class, ICrewOwned
    {
        entity.HasQueryFilter(CrewFilter, owned => owned.CrewId == CrewId);
        entity.HasOne<Crew>().WithMany().HasForeignKey(owned => owned.CrewId).OnDelete(DeleteBehavior.Restrict);
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
