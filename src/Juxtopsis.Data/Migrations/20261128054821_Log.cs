using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Juxtopsis.Data.Migrations
{
    /// <inheritdoc />
    public partial class Log : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "takes",
                columns: table => new
                {
                    crew_id = table.Column<Guid>(type: "uuid", nullable: false),
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    production_id = table.Column<Guid>(type: "uuid", nullable: false),
                    taken_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    take = table.Column<string>(type: "jsonb", nullable: false),
                    by = table.Column<string>(type: "character varying(40)", maxLength: 40, nullable: false),
                    revision = table.Column<int>(type: "integer", nullable: false),
                    updated_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    deleted_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_takes", x => new { x.crew_id, x.id });
                    table.ForeignKey(
                        name: "fk_takes_crews_crew_id",
                        column: x => x.crew_id,
                        principalTable: "crews",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Restrict);
                });

            migrationBuilder.CreateTable(
                name: "unit_tests",
                columns: table => new
                {
                    crew_id = table.Column<Guid>(type: "uuid", nullable: false),
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    unit_id = table.Column<Guid>(type: "uuid", nullable: false),
                    kind = table.Column<string>(type: "character varying(40)", maxLength: 40, nullable: false),
                    measured = table.Column<string>(type: "jsonb", nullable: false),
                    results = table.Column<string>(type: "jsonb", nullable: false),
                    note = table.Column<string>(type: "character varying(500)", maxLength: 500, nullable: false),
                    by = table.Column<string>(type: "character varying(40)", maxLength: 40, nullable: false),
                    revision = table.Column<int>(type: "integer", nullable: false),
                    updated_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    accepted_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_unit_tests", x => new { x.crew_id, x.id });
                    table.ForeignKey(
                        name: "fk_unit_tests_crews_crew_id",
                        column: x => x.crew_id,
                        principalTable: "crews",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Restrict);
                    table.ForeignKey(
                        name: "fk_unit_tests_gear_units_crew_id_unit_id",
                        columns: x => new { x.crew_id, x.unit_id },
                        principalTable: "gear_units",
                        principalColumns: new[] { "crew_id", "id" },
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "ix_takes_crew_id_production_id_taken_at",
                table: "takes",
                columns: new[] { "crew_id", "production_id", "taken_at" });

            migrationBuilder.CreateIndex(
                name: "ix_unit_tests_crew_id_unit_id",
                table: "unit_tests",
                columns: new[] { "crew_id", "unit_id" });

            foreach (var table in new[] { "takes", "unit_tests" })
            {
                migrationBuilder.Sql(
                    $"""
                    alter table {table} enable row level security;
                    alter table {table} force row level security;
                    create policy {JuxtopsisDb.CrewFilter} on {table}
                      using (crew_id = nullif(current_setting('{JuxtopsisDb.CrewSetting}', true), '')::uuid);
                    """);
            }
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "takes");

            migrationBuilder.DropTable(
                name: "unit_tests");
        }
    }
}
