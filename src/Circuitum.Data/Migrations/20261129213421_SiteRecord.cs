using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Circuitum.Data.Migrations
{
    /// <inheritdoc />
    public partial class SiteRecord : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "Photographs",
                columns: table => new
                {
                    JobKey = table.Column<string>(type: "TEXT", maxLength: 24, nullable: false),
                    Fingerprint = table.Column<string>(type: "TEXT", maxLength: 64, nullable: false),
                    MediaType = table.Column<string>(type: "TEXT", nullable: false),
                    Picture = table.Column<byte[]>(type: "BLOB", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Photographs", x => new { x.JobKey, x.Fingerprint });
                    table.ForeignKey(
                        name: "FK_Photographs_Jobs_JobKey",
                        column: x => x.JobKey,
                        principalTable: "Jobs",
                        principalColumn: "Key",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "SiteEntries",
                columns: table => new
                {
                    JobKey = table.Column<string>(type: "TEXT", maxLength: 24, nullable: false),
                    Id = table.Column<Guid>(type: "TEXT", nullable: false),
                    Subject = table.Column<string>(type: "TEXT", nullable: false),
                    Step = table.Column<string>(type: "TEXT", maxLength: 12, nullable: false),
                    At = table.Column<long>(type: "INTEGER", nullable: false),
                    Received = table.Column<long>(type: "INTEGER", nullable: false),
                    Who = table.Column<string>(type: "TEXT", nullable: false),
                    Revision = table.Column<int>(type: "INTEGER", nullable: false),
                    Line = table.Column<string>(type: "TEXT", nullable: false),
                    Note = table.Column<string>(type: "TEXT", nullable: false),
                    Photograph = table.Column<string>(type: "TEXT", nullable: true),
                    TakesBack = table.Column<Guid>(type: "TEXT", nullable: true),
                    AsName = table.Column<string>(type: "TEXT", nullable: true),
                    AsWhat = table.Column<string>(type: "TEXT", nullable: true),
                    AsCut = table.Column<int>(type: "INTEGER", nullable: true),
                    Used = table.Column<int>(type: "INTEGER", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_SiteEntries", x => new { x.JobKey, x.Id });
                    table.ForeignKey(
                        name: "FK_SiteEntries_Jobs_JobKey",
                        column: x => x.JobKey,
                        principalTable: "Jobs",
                        principalColumn: "Key",
                        onDelete: ReferentialAction.Cascade);
                });
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "Photographs");

            migrationBuilder.DropTable(
                name: "SiteEntries");
        }
    }
}
