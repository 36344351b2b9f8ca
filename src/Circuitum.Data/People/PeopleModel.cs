using Microsoft.EntityFrameworkCore;

namespace Circuitum.Data.People;

/// <summary>How those who are here are kept.</summary>
internal static class PeopleModel
{
    /// <summary>Adds their tables.</summary>
    public static void Add(ModelBuilder builder)
    {
        builder.Entity<Member>(member =>
        {
            member.Property(m => m.UserName).HasMaxLength(Member.LongestName);
            member.Property(m => m.Id).HasMaxLength(20);
        });
        builder.Entity<StoredInvitation>(invitation =>
        {
            invitation.HasKey(i => i.Id);
            invitation.HasIndex(i => i.CodeHash).IsUnique();
            invitation.Property(i => i.CodeHash).HasMaxLength(64);
            invitation.Property(i => i.For).HasMaxLength(40);
        });
        builder.Entity<StoredGuestLink>(link =>
        {
            link.HasKey(l => l.Id);
            link.HasIndex(l => l.CodeHash).IsUnique();
            link.Property(l => l.CodeHash).HasMaxLength(64);
            link.Property(l => l.For).HasMaxLength(40);
            link.HasOne<StoredJob>().WithMany().HasForeignKey(l => l.JobKey).OnDelete(DeleteBehavior.Cascade);
        });
        builder.Entity<StoredDoor>(door =>
        {
            door.HasKey(d => d.JobKey);
            door.HasIndex(d => d.Code).IsUnique();
            door.Property(d => d.JobKey).HasMaxLength(24);
            door.Property(d => d.Code).HasMaxLength(40);
            door.HasOne<StoredJob>().WithMany().HasForeignKey(d => d.JobKey).OnDelete(DeleteBehavior.Cascade);
        });
        builder.Entity<StoredSession>(session =>
        {
            session.HasKey(s => s.KeyHash);
            session.Property(s => s.KeyHash).HasMaxLength(64);
            session.Property(s => s.Device).HasMaxLength(60);
            session.HasIndex(s => s.MemberId);
        });
    }
}
