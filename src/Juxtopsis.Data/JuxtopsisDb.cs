using Juxtopsis.Core.Gear;
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

    /// <summary>The physical units of the current crew's gear, those that were given away included.</summary>
    public DbSet<GearUnit> Units => Set<GearUnit>();

    /// <summary>Who has which of them when, cancelled ones included.</summary>
    public DbSet<Booking> Bookings => Set<Booking>();

    /// <summary>What was tested of the physical units, accepted or not.</summary>
    public DbSet<UnitTestRow> UnitTests => Set<UnitTestRow>();

    /// <summary>What was really used, deleted takes included.</summary>
    public DbSet<TakeRow> Takes => Set<TakeRow>();

    /// <summary>What the current crew's shelf was before files were brought in.</summary>
    public DbSet<ShelfImport> Imports => Set<ShelfImport>();

    /// <summary>The current crew's photographs of places.</summary>
    public DbSet<Photo> Photos => Set<Photo>();

    /// <summary>The current crew's sheets as they were sent.</summary>
    public DbSet<FrozenSheet> FrozenSheets => Set<FrozenSheet>();

    /// <summary>Their pictures.</summary>
    public DbSet<FrozenPicture> FrozenPictures => Set<FrozenPicture>();

    /// <summary>The links that open them, those that ended or were withdrawn included.</summary>
    public DbSet<SheetLink> SheetLinks => Set<SheetLink>();

    /// <summary>What was answered through these.</summary>
    public DbSet<SheetAnswer> SheetAnswers => Set<SheetAnswer>();

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
        var crew = modelBuilder.Entity<Crew>();
        crew.Property(c => c.Name).HasMaxLength(120);
        crew.Property(c => c.Currency).HasMaxLength(8).HasDefaultValue("€");
        crew.Property(c => c.TimeZone).HasMaxLength(MaxKindLength).HasDefaultValue("Etc/UTC");

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

        Booked(modelBuilder);
        Noted(modelBuilder);

        var import = modelBuilder.Entity<ShelfImport>().ToTable("imports");
        Owned(import);
        import.HasKey(i => new { i.CrewId, i.Revision });
        import.Property(i => i.Before).HasColumnType("jsonb");

        var photo = modelBuilder.Entity<Photo>();
        Owned(photo);
        photo.HasKey(p => new { p.CrewId, p.Id });
        photo.Property(p => p.Jpeg).HasMaxLength(Photo.MaxBytes);

        Sent(modelBuilder);
    }

    private void Noted(ModelBuilder modelBuilder)
    {
        var test = modelBuilder.Entity<UnitTestRow>().ToTable("unit_tests");
        Owned(test);
        test.HasKey(t => new { t.CrewId, t.Id });
        test.HasOne<GearUnit>().WithMany().HasForeignKey(t => new { t.CrewId, t.UnitId }).OnDelete(DeleteBehavior.Cascade);
        test.Property(t => t.Kind).HasConversion<string>().HasMaxLength(MaxKindLength);
        test.Property(t => t.Measured).HasColumnType("jsonb");
        test.Property(t => t.Results).HasColumnType("jsonb");
        test.Property(t => t.Note).HasMaxLength(500);
        test.Property(t => t.By).HasMaxLength(MaxKindLength);
        test.Property(t => t.Revision).IsConcurrencyToken();

        var take = modelBuilder.Entity<TakeRow>().ToTable("takes");
        Owned(take);
        take.HasKey(t => new { t.CrewId, t.Id });
        take.HasIndex(t => new { t.CrewId, t.ProductionId, t.TakenAt });
        take.Property(t => t.Take).HasColumnType("jsonb");
        take.Property(t => t.By).HasMaxLength(MaxKindLength);
        take.Property(t => t.Revision).IsConcurrencyToken();
    }

    private void Sent(ModelBuilder modelBuilder)
    {
        var sheet = modelBuilder.Entity<FrozenSheet>().ToTable("frozen_sheets");
        Owned(sheet);
        sheet.HasKey(s => new { s.CrewId, s.Id });
        sheet.HasIndex(s => new { s.CrewId, s.WorkId });
        sheet.Property(s => s.Kind).HasConversion<string>().HasMaxLength(MaxKindLength);
        sheet.Property(s => s.Title).HasMaxLength(300);
        sheet.Property(s => s.Note).HasMaxLength(500);
        sheet.Property(s => s.Foot).HasMaxLength(1000);
        sheet.Property(s => s.Shots).HasColumnType("jsonb");
        sheet.Property(s => s.Content).HasColumnType("jsonb");
        sheet.Property(s => s.By).HasMaxLength(MaxKindLength);

        var picture = modelBuilder.Entity<FrozenPicture>().ToTable("frozen_pictures");
        Owned(picture);
        picture.HasKey(p => new { p.CrewId, p.FrozenSheetId, p.OptionId });
        picture.HasOne<FrozenSheet>().WithMany().HasForeignKey(p => new { p.CrewId, p.FrozenSheetId }).OnDelete(DeleteBehavior.Cascade);
        picture.Property(p => p.OptionId).HasMaxLength(80);
        picture.Property(p => p.Jpeg).HasMaxLength(FrozenPicture.MaxBytes);

        var link = modelBuilder.Entity<SheetLink>().ToTable("sheet_links");
        Owned(link);
        link.HasKey(l => new { l.CrewId, l.Id });
        link.HasIndex(l => l.TokenHash).IsUnique();
        link.HasOne<FrozenSheet>().WithMany().HasForeignKey(l => new { l.CrewId, l.FrozenSheetId }).OnDelete(DeleteBehavior.Cascade);
        link.Property(l => l.TokenHash).HasMaxLength(32);
        link.Property(l => l.For).HasMaxLength(120);

        var answer = modelBuilder.Entity<SheetAnswer>().ToTable("sheet_answers");
        Owned(answer);
        answer.HasKey(a => new { a.CrewId, a.Id });
        answer.HasOne<FrozenSheet>().WithMany().HasForeignKey(a => new { a.CrewId, a.FrozenSheetId }).OnDelete(DeleteBehavior.Cascade);
        answer.Property(a => a.ShotId).HasMaxLength(80);
        answer.Property(a => a.OptionId).HasMaxLength(80);
        answer.Property(a => a.Verdict).HasConversion<string>().HasMaxLength(MaxKindLength);
        answer.Property(a => a.Remark).HasMaxLength(1000);
        answer.Property(a => a.Name).HasMaxLength(80);
    }

    private void Booked(ModelBuilder modelBuilder)
    {
        var unit = modelBuilder.Entity<GearUnit>().ToTable("gear_units");
        Owned(unit);
        unit.HasKey(u => new { u.CrewId, u.Id });
        unit.HasOne<GearRow>().WithMany().HasForeignKey(u => new { u.CrewId, u.GearId }).OnDelete(DeleteBehavior.Cascade);
        unit.Property(u => u.Label).HasMaxLength(80);
        unit.Property(u => u.Owner).HasMaxLength(120);
        unit.Property(u => u.Place).HasMaxLength(120);
        unit.Property(u => u.Condition).HasConversion<string>().HasMaxLength(MaxKindLength);
        unit.Property(u => u.ConditionNote).HasMaxLength(500);
        unit.Property(u => u.Revision).IsConcurrencyToken();

        var booking = modelBuilder.Entity<Booking>();
        Owned(booking);
        booking.HasKey(b => new { b.CrewId, b.Id });
        booking.HasOne<GearUnit>().WithMany().HasForeignKey(b => new { b.CrewId, b.GearUnitId }).OnDelete(DeleteBehavior.Cascade);
        booking.Property(b => b.CrewUnit).HasMaxLength(60);
        booking.Property(b => b.Note).HasMaxLength(500);
        booking.Property(b => b.By).HasMaxLength(MaxKindLength);
        booking.Property(b => b.Revision).IsConcurrencyToken();
        booking.ToTable(t => t.HasCheckConstraint("ck_bookings_span", "starts_at < ends_at and blocked_from <= starts_at and ends_at <= blocked_to"));
    }

    /// <summary>A model that comes onto the shelf exists at least once. A mount is no thing that anybody carries.</summary>
    private void FirstUnits()
    {
        var mount = GearKinds.Of(GearKind.Mount).Key;
        foreach (var added in ChangeTracker.Entries<GearRow>().Where(e => e.State == EntityState.Added && e.Entity.Kind != mount).Select(e => e.Entity).ToArray())
        {
            if (Units.Local.All(u => u.Id != added.Id))
            {
                Units.Add(new GearUnit { Id = added.Id, GearId = added.Id, UpdatedAt = added.UpdatedAt });
            }
        }
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
        FirstUnits();
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
