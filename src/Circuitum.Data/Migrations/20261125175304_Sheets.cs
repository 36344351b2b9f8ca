using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Circuitum.Data.Migrations
{
    /// <inheritdoc />
    public partial class Sheets : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "Sheets",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    JobKey = table.Column<string>(type: "TEXT", nullable: false),
                    Panel = table.Column<string>(type: "TEXT", maxLength: 2, nullable: false),
                    Revision = table.Column<int>(type: "INTEGER", nullable: false),
                    Paper = table.Column<string>(type: "TEXT", maxLength: 12, nullable: false),
                    At = table.Column<long>(type: "INTEGER", nullable: false),
                    Who = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Sheets", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Sheets_Jobs_JobKey",
                        column: x => x.JobKey,
                        principalTable: "Jobs",
                        principalColumn: "Key",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_Sheets_JobKey_Panel",
                table: "Sheets",
                columns: new[] { "JobKey", "Panel" });
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "Sheets");
        }
    }
}
