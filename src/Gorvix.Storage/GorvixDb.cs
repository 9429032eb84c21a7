using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Design;
using Microsoft.EntityFrameworkCore.Storage.ValueConversion;

namespace Gorvix.Storage;

/// <summary>The SQLite file as EF Core sees it.</summary>
public sealed class GorvixDb(DbContextOptions<GorvixDb> options) : DbContext(options)
{
    /// <summary>The library.</summary>
    public DbSet<PartRow> Parts => Set<PartRow>();

    /// <summary>What parts said before.</summary>
    public DbSet<PartStepRow> PartSteps => Set<PartStepRow>();

    /// <summary>The builds.</summary>
    public DbSet<BuildRow> Builds => Set<BuildRow>();

    /// <summary>The builds as they were in each version, and what undo and redo still reach.</summary>
    public DbSet<StateRow> States => Set<StateRow>();

    /// <summary>The builds as they were after each change: what the log tells.</summary>
    public IQueryable<StateRow> Moments => States.AsNoTracking().Where(s => s.Version > 0);

    /// <summary>The shelf's cards as they were last made.</summary>
    public DbSet<CardRow> Cards => Set<CardRow>();

    /// <summary>Texts that were kept for builds.</summary>
    public DbSet<TextRow> Texts => Set<TextRow>();

    /// <summary>Readings of builds.</summary>
    public DbSet<ReadingRow> Readings => Set<ReadingRow>();

    /// <summary>Lines that were written of builds.</summary>
    public DbSet<NoteRow> Notes => Set<NoteRow>();

    /// <summary>Photos of boards.</summary>
    public DbSet<BoardPhotoRow> BoardPhotos => Set<BoardPhotoRow>();

    /// <summary>Photos of builds.</summary>
    public DbSet<PhotoRow> Photos => Set<PhotoRow>();

    /// <summary>What is done to builds again and again.</summary>
    public DbSet<IntervalRow> Intervals => Set<IntervalRow>();

    /// <summary>Searches for faults.</summary>
    public DbSet<FaultCaseRow> FaultCases => Set<FaultCaseRow>();

    /// <summary>Causes that were found.</summary>
    public DbSet<FaultFoundRow> FaultFound => Set<FaultFoundRow>();

    /// <summary>How likely the builder takes kinds of faults to be.</summary>
    public DbSet<FaultFactorRow> FaultFactors => Set<FaultFactorRow>();

    /// <summary>Builds that drills are about.</summary>
    public DbSet<DrillSourceRow> DrillSources => Set<DrillSourceRow>();

    /// <summary>Drills that are played or were.</summary>
    public DbSet<DrillRow> Drills => Set<DrillRow>();

    /// <summary>When cards come back.</summary>
    public DbSet<RecallRow> Recalls => Set<RecallRow>();

    /// <summary>Evenings on which several play the same.</summary>
    public DbSet<EveningRow> Evenings => Set<EveningRow>();

    /// <inheritdoc/>
    protected override void ConfigureConventions(ModelConfigurationBuilder configurationBuilder) =>
        configurationBuilder.Properties<DateTime>().HaveConversion<Utc>();

    /// <inheritdoc/>
    protected override void OnModelCreating(ModelBuilder modelBuilder)
    {
        modelBuilder.Entity<PartRow>(part =>
        {
            part.HasKey(p => new { p.Kind, p.Id });
            part.Property(p => p.Kind).HasConversion<string>();
            part.Property(p => p.Format).HasDefaultValue(1).HasSentinel(0);
            part.Property(p => p.Version).HasDefaultValue(1).HasSentinel(0).IsConcurrencyToken();
        });
        modelBuilder.Entity<PartStepRow>(step =>
        {
            step.HasKey(s => new
            {
                s.Kind,
                s.PartId,
                s.Version,
            });
            step.Property(s => s.Kind).HasConversion<string>();
            step.HasOne<PartRow>()
                .WithMany()
                .HasForeignKey(s => new { s.Kind, s.PartId })
                .OnDelete(DeleteBehavior.Cascade);
        });
        modelBuilder.Entity<BuildRow>(build =>
        {
            build.HasKey(b => b.Id);
            build.Property(b => b.Version).IsConcurrencyToken();
        });
        modelBuilder.Entity<CardRow>(card =>
        {
            card.HasKey(c => c.BuildId);
            card.HasOne<BuildRow>().WithMany().HasForeignKey(c => c.BuildId).OnDelete(DeleteBehavior.Cascade);
        });
        modelBuilder.Entity<TextRow>(text =>
        {
            text.HasKey(t => t.Number);
            text.Property(t => t.Kind).HasConversion<string>();
            text.HasIndex(t => t.BuildId);
            text.HasOne<BuildRow>().WithMany().HasForeignKey(t => t.BuildId).OnDelete(DeleteBehavior.Cascade);
        });
        modelBuilder.Entity<StateRow>(state =>
        {
            state.HasKey(s => new { s.BuildId, s.Version });
            state.Property(s => s.Format).HasDefaultValue(1).HasSentinel(0);
            state.HasIndex(s => new { s.BuildId, s.At });
            state.HasIndex(s => new { s.BuildId, s.Place }).IsUnique();
            state.HasOne<BuildRow>().WithMany().HasForeignKey(s => s.BuildId).OnDelete(DeleteBehavior.Cascade);
        });
        modelBuilder.Entity<ReadingRow>(reading =>
        {
            reading.HasKey(r => r.Number);
            reading.Property(r => r.Mark).HasConversion<string>();
            reading.HasIndex(r => new { r.BuildId, r.Key }).IsUnique();
            reading.HasIndex(r => new { r.BuildId, r.At });
            reading.HasOne<BuildRow>().WithMany().HasForeignKey(r => r.BuildId).OnDelete(DeleteBehavior.Cascade);
        });
        modelBuilder.Entity<NoteRow>(note =>
        {
            note.HasKey(n => n.Number);
            note.Property(n => n.Kind).HasConversion<string>();
            note.HasIndex(n => new { n.BuildId, n.At });
            note.HasOne<BuildRow>().WithMany().HasForeignKey(n => n.BuildId).OnDelete(DeleteBehavior.Cascade);
        });
        modelBuilder.Entity<PhotoRow>(photo =>
        {
            photo.HasKey(p => p.Number);
            photo.Property(p => p.Tied).HasConversion<string>();
            photo.HasIndex(p => new { p.BuildId, p.At });
            photo.HasOne<BuildRow>().WithMany().HasForeignKey(p => p.BuildId).OnDelete(DeleteBehavior.Cascade);
        });
        modelBuilder.Entity<BoardPhotoRow>(photo =>
        {
            photo.HasKey(p => new { p.Board, p.Side });
            photo.Property(p => p.Side).HasConversion<string>();
        });
        modelBuilder.Entity<IntervalRow>(interval =>
        {
            interval.HasKey(i => new { i.BuildId, i.Id });
            interval.HasOne<BuildRow>().WithMany().HasForeignKey(i => i.BuildId).OnDelete(DeleteBehavior.Cascade);
        });
        modelBuilder.Entity<FaultCaseRow>(search =>
        {
            search.HasKey(c => c.Number);
            search.Property(c => c.Step).IsConcurrencyToken();
            // One goes on for a build.
            search.HasIndex(c => c.BuildId).IsUnique().HasFilter("ClosedAt IS NULL");
            search.HasOne<BuildRow>().WithMany().HasForeignKey(c => c.BuildId).OnDelete(DeleteBehavior.Cascade);
        });
        modelBuilder.Entity<FaultFoundRow>(found =>
        {
            found.HasKey(f => f.Number);
            found.Property(f => f.Kind).HasConversion<string>();
        });
        modelBuilder.Entity<FaultFactorRow>(factor =>
        {
            factor.HasKey(f => f.Kind);
            factor.Property(f => f.Kind).HasConversion<string>();
        });
        modelBuilder.Entity<DrillSourceRow>(source => source.HasKey(s => s.Hash));
        modelBuilder.Entity<DrillRow>(drill =>
        {
            drill.HasKey(d => d.Id);
            drill.Property(d => d.Step).IsConcurrencyToken();
            drill.Property(d => d.Kind).HasConversion<string>();
            drill.HasIndex(d => new { d.Player, d.EndedAt });
            // One try at each drill of an evening.
            drill
                .HasIndex(d => new
                {
                    d.Evening,
                    d.Number,
                    d.Player,
                })
                .IsUnique()
                .HasFilter("Evening IS NOT NULL");
            drill.HasOne<EveningRow>().WithMany().HasForeignKey(d => d.Evening).OnDelete(DeleteBehavior.Cascade);
            drill.HasOne<DrillSourceRow>().WithMany().HasForeignKey(d => d.Source).OnDelete(DeleteBehavior.Restrict);
        });
        modelBuilder.Entity<RecallRow>(recall =>
        {
            recall.HasKey(r => new
            {
                r.Player,
                r.Kind,
                r.Deck,
                r.Card,
            });
            recall.Property(r => r.Kind).HasConversion<string>();
        });
        modelBuilder.Entity<EveningRow>(evening =>
        {
            evening.HasKey(e => e.Id);
            evening.HasOne<DrillSourceRow>().WithMany().HasForeignKey(e => e.Source).OnDelete(DeleteBehavior.Restrict);
        });
    }
}

/// <summary>SQLite keeps no time zone; every time in the file is UTC.</summary>
internal sealed class Utc()
    : ValueConverter<DateTime, DateTime>(t => t, t => DateTime.SpecifyKind(t, DateTimeKind.Utc));

/// <summary>Lets the migration tool make a context without the web program.</summary>
internal sealed class DesignTimeDb : IDesignTimeDbContextFactory<GorvixDb>
{
    public GorvixDb CreateDbContext(string[] args) =>
        new(new DbContextOptionsBuilder<GorvixDb>().UseSqlite("Data Source=design.db").Options);
}
