using Circuitum.Data.People;
using Microsoft.AspNetCore.Identity.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore;

namespace Circuitum.Data;

/// <summary>The SQLite file with every job and every revision of it.</summary>
public sealed class JobsDb(DbContextOptions<JobsDb> options) : IdentityUserContext<Member>(options)
{
    /// <summary>Jobs.</summary>
    public DbSet<StoredJob> Jobs => Set<StoredJob>();

    /// <summary>Revisions.</summary>
    public DbSet<StoredRevision> Revisions => Set<StoredRevision>();

    /// <summary>Crews' sets of rules.</summary>
    public DbSet<StoredRuleSet> RuleSets => Set<StoredRuleSet>();

    /// <summary>Drawings to lay under plans.</summary>
    public DbSet<StoredDrawing> Drawings => Set<StoredDrawing>();

    /// <summary>Schedules that were printed.</summary>
    public DbSet<StoredSheet> Sheets => Set<StoredSheet>();

    /// <summary>Jobs whose circuits were looked at.</summary>
    public DbSet<StoredLook> Looks => Set<StoredLook>();

    /// <summary>Facts written down on site.</summary>
    public DbSet<StoredSiteEntry> SiteEntries => Set<StoredSiteEntry>();

    /// <summary>Photographs taken on site.</summary>
    public DbSet<StoredPhotograph> Photographs => Set<StoredPhotograph>();

    /// <summary>Price lists that were brought in.</summary>
    public DbSet<StoredPriceList> PriceLists => Set<StoredPriceList>();

    /// <summary>Names of revisions.</summary>
    public DbSet<StoredMilestone> Milestones => Set<StoredMilestone>();

    /// <summary>Exercises that were done.</summary>
    public DbSet<StoredPractice> Practice => Set<StoredPractice>();

    /// <summary>Estimates and change orders that were written.</summary>
    public DbSet<StoredOffer> Offers => Set<StoredOffer>();

    /// <summary>Point lists of metric boards.</summary>
    public DbSet<StoredBoard> Boards => Set<StoredBoard>();

    /// <summary>Facts about them, written down on site.</summary>
    public DbSet<StoredBoardEntry> BoardEntries => Set<StoredBoardEntry>();

    /// <summary>Links that make an account, or set a new password.</summary>
    public DbSet<StoredInvitation> Invitations => Set<StoredInvitation>();

    /// <summary>Codes on the doors of panels.</summary>
    public DbSet<StoredDoor> Doors => Set<StoredDoor>();

    /// <summary>Links by which somebody reads one job.</summary>
    public DbSet<StoredGuestLink> GuestLinks => Set<StoredGuestLink>();

    /// <summary>Browsers that are signed in.</summary>
    public DbSet<StoredSession> Sessions => Set<StoredSession>();

    /// <inheritdoc/>
    protected override void OnModelCreating(ModelBuilder builder)
    {
        base.OnModelCreating(builder);
        PeopleModel.Add(builder);
        AddBoards(builder);
        builder.Entity<StoredJob>(job =>
        {
            job.HasKey(j => j.Key);
            job.Property(j => j.Key).HasMaxLength(24);
        });
        builder.Entity<StoredRuleSet>(set =>
        {
            set.HasKey(s => s.Id);
            set.Property(s => s.Name).HasMaxLength(40);
            set.HasIndex(s => s.Name);
        });
        builder.Entity<StoredSheet>(sheet =>
        {
            sheet.HasKey(s => s.Id);
            sheet.Property(s => s.Panel).HasMaxLength(2);
            sheet.Property(s => s.Paper).HasMaxLength(12);
            sheet.HasIndex(s => new { s.JobKey, s.Panel });
            sheet.HasOne<StoredJob>().WithMany().HasForeignKey(s => s.JobKey).OnDelete(DeleteBehavior.Cascade);
        });
        builder.Entity<StoredLook>(look =>
        {
            look.HasKey(l => l.JobKey);
            look.Property(l => l.JobKey).HasMaxLength(24);
            look.HasOne<StoredJob>().WithOne().HasForeignKey<StoredLook>(l => l.JobKey).OnDelete(DeleteBehavior.Cascade);
        });
        builder.Entity<StoredPhotograph>(photograph =>
        {
            photograph.HasKey(p => new { p.JobKey, p.Fingerprint });
            photograph.Property(p => p.JobKey).HasMaxLength(24);
            photograph.Property(p => p.Fingerprint).HasMaxLength(64);
            photograph.HasOne<StoredJob>().WithMany().HasForeignKey(p => p.JobKey).OnDelete(DeleteBehavior.Cascade);
        });
        builder.Entity<StoredSiteEntry>(entry =>
        {
            // The same fact sent twice, or by two who share a phone, is kept once.
            entry.HasKey(e => new { e.JobKey, e.Id });
            entry.Property(e => e.JobKey).HasMaxLength(24);
            entry.Property(e => e.Step).HasMaxLength(12);
            entry.Property(e => e.Reel).HasMaxLength(24);
            entry.Property(e => e.Reading).HasMaxLength(60);
            entry.HasOne<StoredJob>().WithMany().HasForeignKey(e => e.JobKey).OnDelete(DeleteBehavior.Cascade);
        });
        builder.Entity<StoredMilestone>(milestone =>
        {
            milestone.HasKey(m => new { m.JobKey, m.Name });
            milestone.Property(m => m.JobKey).HasMaxLength(24);
            milestone.Property(m => m.Name).HasMaxLength(40);
            milestone.HasOne<StoredJob>().WithMany().HasForeignKey(m => m.JobKey).OnDelete(DeleteBehavior.Cascade);
        });
        builder.Entity<StoredPractice>(practice =>
        {
            practice.HasKey(p => p.Id);
            practice.Property(p => p.Exercise).HasMaxLength(32);
            practice.HasIndex(p => p.Exercise);
        });
        builder.Entity<StoredPriceList>(list => list.HasKey(p => p.Id));
        builder.Entity<StoredOffer>(offer =>
        {
            // Two who write at once want the same number: the second takes the next.
            offer.HasKey(o => new { o.JobKey, o.Number });
            offer.Property(o => o.JobKey).HasMaxLength(24);
            offer.HasOne<StoredJob>().WithMany().HasForeignKey(o => o.JobKey).OnDelete(DeleteBehavior.Cascade);
        });
        builder.Entity<StoredDrawing>(drawing =>
        {
            drawing.HasKey(d => d.Fingerprint);
            drawing.Property(d => d.Fingerprint).HasMaxLength(64);
        });
        builder.Entity<StoredRevision>(revision =>
        {
            // Two savers from one revision want the same number: the second is refused by the key itself.
            revision.HasKey(r => new { r.JobKey, r.Number });
            revision.HasOne<StoredJob>().WithMany().HasForeignKey(r => r.JobKey).OnDelete(DeleteBehavior.Cascade);
        });
    }

    private static void AddBoards(ModelBuilder builder)
    {
        builder.Entity<StoredBoard>(board =>
        {
            // Two who keep from one list want the same number: the second is refused by the key itself.
            board.HasKey(b => new { b.Key, b.Number });
            board.Property(b => b.Key).HasMaxLength(24);
            board.Property(b => b.Name).HasMaxLength(80);
        });
        builder.Entity<StoredBoardEntry>(entry =>
        {
            entry.HasKey(e => new { e.BoardKey, e.Id });
            entry.Property(e => e.BoardKey).HasMaxLength(24);
            entry.Property(e => e.Step).HasMaxLength(12);
        });
    }
}
