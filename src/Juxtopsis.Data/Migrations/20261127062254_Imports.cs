using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Juxtopsis.Data.Migrations
{
    /// <inheritdoc />
    public partial class Imports : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "imports",
                columns: table => new
                {
                    crew_id = table.Column<Guid>(type: "uuid", nullable: false),
                    revision = table.Column<int>(type: "integer", nullable: false),
                    at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    before = table.Column<string>(type: "jsonb", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_imports", x => new { x.crew_id, x.revision });
                    table.ForeignKey(
                        name: "fk_imports_crews_crew_id",
                        column: x => x.crew_id,
                        principalTable: "crews",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Restrict);
                });

            migrationBuilder.Sql(
                $"""
                alter table imports enable row level security;
                alter table imports force row level security;
                create policy {JuxtopsisDb.CrewFilter} on imports
                  using (crew_id = nullif(current_setting('{JuxtopsisDb.CrewSetting}', true), '')::uuid);
                """);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "imports");
        }
    }
}
