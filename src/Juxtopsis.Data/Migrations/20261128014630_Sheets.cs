using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Juxtopsis.Data.Migrations
{
    /// <inheritdoc />
    public partial class Sheets : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "frozen_sheets",
                columns: table => new
                {
                    crew_id = table.Column<Guid>(type: "uuid", nullable: false),
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    work_id = table.Column<Guid>(type: "uuid", nullable: false),
                    sheet_id = table.Column<Guid>(type: "uuid", nullable: false),
                    work_revision = table.Column<int>(type: "integer", nullable: false),
                    kind = table.Column<string>(type: "character varying(40)", maxLength: 40, nullable: false),
                    title = table.Column<string>(type: "character varying(300)", maxLength: 300, nullable: false),
                    note = table.Column<string>(type: "character varying(500)", maxLength: 500, nullable: false),
                    foot = table.Column<string>(type: "character varying(1000)", maxLength: 1000, nullable: false),
                    shots = table.Column<string>(type: "jsonb", nullable: false),
                    content = table.Column<string>(type: "jsonb", nullable: false),
                    made_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    by = table.Column<string>(type: "character varying(40)", maxLength: 40, nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_frozen_sheets", x => new { x.crew_id, x.id });
                    table.ForeignKey(
                        name: "fk_frozen_sheets_crews_crew_id",
                        column: x => x.crew_id,
                        principalTable: "crews",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Restrict);
                });

            migrationBuilder.CreateTable(
                name: "frozen_pictures",
                columns: table => new
                {
                    crew_id = table.Column<Guid>(type: "uuid", nullable: false),
                    frozen_sheet_id = table.Column<Guid>(type: "uuid", nullable: false),
                    option_id = table.Column<string>(type: "character varying(80)", maxLength: 80, nullable: false),
                    jpeg = table.Column<byte[]>(type: "bytea", maxLength: 3145728, nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_frozen_pictures", x => new { x.crew_id, x.frozen_sheet_id, x.option_id });
                    table.ForeignKey(
                        name: "fk_frozen_pictures_crews_crew_id",
                        column: x => x.crew_id,
                        principalTable: "crews",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Restrict);
                    table.ForeignKey(
                        name: "fk_frozen_pictures_frozen_sheets_crew_id_frozen_sheet_id",
                        columns: x => new { x.crew_id, x.frozen_sheet_id },
                        principalTable: "frozen_sheets",
                        principalColumns: new[] { "crew_id", "id" },
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "sheet_answers",
                columns: table => new
                {
                    crew_id = table.Column<Guid>(type: "uuid", nullable: false),
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    frozen_sheet_id = table.Column<Guid>(type: "uuid", nullable: false),
                    link_id = table.Column<Guid>(type: "uuid", nullable: false),
                    shot_id = table.Column<string>(type: "character varying(80)", maxLength: 80, nullable: false),
                    option_id = table.Column<string>(type: "character varying(80)", maxLength: 80, nullable: false),
                    verdict = table.Column<string>(type: "character varying(40)", maxLength: 40, nullable: false),
                    remark = table.Column<string>(type: "character varying(1000)", maxLength: 1000, nullable: false),
                    name = table.Column<string>(type: "character varying(80)", maxLength: 80, nullable: false),
                    at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_sheet_answers", x => new { x.crew_id, x.id });
                    table.ForeignKey(
                        name: "fk_sheet_answers_crews_crew_id",
                        column: x => x.crew_id,
                        principalTable: "crews",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Restrict);
                    table.ForeignKey(
                        name: "fk_sheet_answers_frozen_sheets_crew_id_frozen_sheet_id",
                        columns: x => new { x.crew_id, x.frozen_sheet_id },
                        principalTable: "frozen_sheets",
                        principalColumns: new[] { "crew_id", "id" },
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "sheet_links",
                columns: table => new
                {
                    crew_id = table.Column<Guid>(type: "uuid", nullable: false),
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    frozen_sheet_id = table.Column<Guid>(type: "uuid", nullable: false),
                    token_hash = table.Column<byte[]>(type: "bytea", maxLength: 32, nullable: false),
                    @for = table.Column<string>(name: "for", type: "character varying(120)", maxLength: 120, nullable: false),
                    made_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    ends_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    withdrawn_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: true),
                    opened = table.Column<int>(type: "integer", nullable: false),
                    opened_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_sheet_links", x => new { x.crew_id, x.id });
                    table.ForeignKey(
                        name: "fk_sheet_links_crews_crew_id",
                        column: x => x.crew_id,
                        principalTable: "crews",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Restrict);
                    table.ForeignKey(
                        name: "fk_sheet_links_frozen_sheets_crew_id_frozen_sheet_id",
                        columns: x => new { x.crew_id, x.frozen_sheet_id },
                        principalTable: "frozen_sheets",
                        principalColumns: new[] { "crew_id", "id" },
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "ix_frozen_sheets_crew_id_work_id",
                table: "frozen_sheets",
                columns: new[] { "crew_id", "work_id" });

            migrationBuilder.CreateIndex(
                name: "ix_sheet_answers_crew_id_frozen_sheet_id",
                table: "sheet_answers",
                columns: new[] { "crew_id", "frozen_sheet_id" });

            migrationBuilder.CreateIndex(
                name: "ix_sheet_links_crew_id_frozen_sheet_id",
                table: "sheet_links",
                columns: new[] { "crew_id", "frozen_sheet_id" });

            migrationBuilder.CreateIndex(
                name: "ix_sheet_links_token_hash",
                table: "sheet_links",
                column: "token_hash",
                unique: true);

            foreach (var table in new[] { "frozen_sheets", "frozen_pictures", "sheet_links", "sheet_answers" })
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
                name: "frozen_pictures");

            migrationBuilder.DropTable(
                name: "sheet_answers");

            migrationBuilder.DropTable(
                name: "sheet_links");

            migrationBuilder.DropTable(
                name: "frozen_sheets");
        }
    }
}
