using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Design;

namespace Circuitum.Data;

/// <summary>Lets the migration tool make a context without the application.</summary>
public sealed class DesignTimeJobsDb : IDesignTimeDbContextFactory<JobsDb>
{
    /// <inheritdoc/>
    public JobsDb CreateDbContext(string[] args) => new(new DbContextOptionsBuilder<JobsDb>().UseSqlite("Data Source=design.db").Options);
}
