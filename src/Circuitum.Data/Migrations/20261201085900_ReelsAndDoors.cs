using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Circuitum.Data.Migrations
{
    /// <inheritdoc />
    public partial class ReelsAndDoors : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "Reading",
                table: "SiteEntries",
                type: "TEXT",
                maxLength: 60,
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Reel",
                table: "SiteEntries",
                type: "TEXT",
                maxLength: 24,
                nullable: true);

            migrationBuilder.CreateTable(
                name: "Doors",
                columns: table => new
                {
                    JobKey = table.Column<string>(type: "TEXT", maxLength: 24, nullable: false),
                    Code = table.Column<string>(type: "TEXT", maxLength: 40, nullable: false),
                    MadeBy = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Doors", x => x.JobKey);
                    table.ForeignKey(
                        name: "FK_Doors_Jobs_JobKey",
                        column: x => x.JobKey,
                        principalTable: "Jobs",
                        principalColumn: "Key",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_Doors_Code",
                table: "Doors",
                column: "Code",
                unique: true);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "Doors");

            migrationBuilder.DropColumn(
                name: "Reading",
                table: "SiteEntries");

            migrationBuilder.DropColumn(
                name: "Reel",
                table: "SiteEntries");
        }
    }
}
