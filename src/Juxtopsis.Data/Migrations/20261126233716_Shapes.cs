using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Juxtopsis.Data.Migrations
{
    /// <summary>
    /// Works are kept as text with what lists tell of them in columns; every state of a work that was; and each crew kept to itself by
    /// the database too. From here on a migration's own statements see no crew's rows: documents are brought up by <see cref="KeptDocuments"/>.
    /// </summary>
    public partial class Shapes : Migration
    {
        private static readonly string[] Owned = ["comparisons", "productions", "gear", "photos", "revisions"];

        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropForeignKey(
                name: "fk_comparisons_crews_crew_id",
                table: "comparisons");

            migrationBuilder.DropForeignKey(
                name: "fk_gear_crews_crew_id",
                table: "gear");

            migrationBuilder.DropForeignKey(
                name: "fk_photos_crews_crew_id",
                table: "photos");

            migrationBuilder.DropForeignKey(
                name: "fk_productions_crews_crew_id",
                table: "productions");

            migrationBuilder.AddColumn<string[]>(
                name: "lines",
                table: "productions",
                type: "text[]",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "note",
                table: "productions",
                type: "character varying(280)",
                maxLength: 280,
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<int>(
                name: "schema_version",
                table: "productions",
                type: "integer",
                nullable: false,
                defaultValue: 0);

            migrationBuilder.AddColumn<DateTimeOffset>(
                name: "deleted_at",
                table: "photos",
                type: "timestamp with time zone",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "schema_version",
                table: "gear",
                type: "integer",
                nullable: false,
                defaultValue: 1);

            migrationBuilder.AddColumn<string[]>(
                name: "lines",
                table: "comparisons",
                type: "text[]",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "note",
                table: "comparisons",
                type: "character varying(280)",
                maxLength: 280,
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<int>(
                name: "schema_version",
                table: "comparisons",
                type: "integer",
                nullable: false,
                defaultValue: 0);

            migrationBuilder.CreateTable(
                name: "revisions",
                columns: table => new
                {
                    crew_id = table.Column<Guid>(type: "uuid", nullable: false),
                    kind = table.Column<string>(type: "character varying(40)", maxLength: 40, nullable: false),
                    work_id = table.Column<Guid>(type: "uuid", nullable: false),
                    revision = table.Column<int>(type: "integer", nullable: false),
                    name = table.Column<string>(type: "character varying(120)", maxLength: 120, nullable: false),
                    document = table.Column<string>(type: "jsonb", nullable: false),
                    cause = table.Column<string>(type: "character varying(40)", maxLength: 40, nullable: false),
                    writer = table.Column<string>(type: "character varying(40)", maxLength: 40, nullable: false),
                    by = table.Column<string>(type: "character varying(40)", maxLength: 40, nullable: false),
                    at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_revisions", x => new { x.crew_id, x.kind, x.work_id, x.revision });
                    table.ForeignKey(
                        name: "fk_revisions_crews_crew_id",
                        column: x => x.crew_id,
                        principalTable: "crews",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Restrict);
                });

            migrationBuilder.AddForeignKey(
                name: "fk_comparisons_crews_crew_id",
                table: "comparisons",
                column: "crew_id",
                principalTable: "crews",
                principalColumn: "id",
                onDelete: ReferentialAction.Restrict);

            migrationBuilder.AddForeignKey(
                name: "fk_gear_crews_crew_id",
                table: "gear",
                column: "crew_id",
                principalTable: "crews",
                principalColumn: "id",
                onDelete: ReferentialAction.Restrict);

            migrationBuilder.AddForeignKey(
                name: "fk_photos_crews_crew_id",
                table: "photos",
                column: "crew_id",
                principalTable: "crews",
                principalColumn: "id",
                onDelete: ReferentialAction.Restrict);

            migrationBuilder.AddForeignKey(
                name: "fk_productions_crews_crew_id",
                table: "productions",
                column: "crew_id",
                principalTable: "crews",
                principalColumn: "id",
                onDelete: ReferentialAction.Restrict);

            foreach (var table in Owned)
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
            foreach (var table in Owned)
            {
                migrationBuilder.Sql(
                    $"""
                    drop policy {JuxtopsisDb.CrewFilter} on {table};
                    alter table {table} no force row level security;
                    alter table {table} disable row level security;
                    """);
            }

            migrationBuilder.DropForeignKey(
                name: "fk_comparisons_crews_crew_id",
                table: "comparisons");

            migrationBuilder.DropForeignKey(
                name: "fk_gear_crews_crew_id",
                table: "gear");

            migrationBuilder.DropForeignKey(
                name: "fk_photos_crews_crew_id",
                table: "photos");

            migrationBuilder.DropForeignKey(
                name: "fk_productions_crews_crew_id",
                table: "productions");

            migrationBuilder.DropTable(
                name: "revisions");

            migrationBuilder.DropColumn(
                name: "lines",
                table: "productions");

            migrationBuilder.DropColumn(
                name: "note",
                table: "productions");

            migrationBuilder.DropColumn(
                name: "schema_version",
                table: "productions");

            migrationBuilder.DropColumn(
                name: "deleted_at",
                table: "photos");

            migrationBuilder.DropColumn(
                name: "schema_version",
                table: "gear");

            migrationBuilder.DropColumn(
                name: "lines",
                table: "comparisons");

            migrationBuilder.DropColumn(
                name: "note",
                table: "comparisons");

            migrationBuilder.DropColumn(
                name: "schema_version",
                table: "comparisons");

            migrationBuilder.AddForeignKey(
                name: "fk_comparisons_crews_crew_id",
                table: "comparisons",
                column: "crew_id",
                principalTable: "crews",
                principalColumn: "id",
                onDelete: ReferentialAction.Cascade);

            migrationBuilder.AddForeignKey(
                name: "fk_gear_crews_crew_id",
                table: "gear",
                column: "crew_id",
                principalTable: "crews",
                principalColumn: "id",
                onDelete: ReferentialAction.Cascade);

            migrationBuilder.AddForeignKey(
                name: "fk_photos_crews_crew_id",
                table: "photos",
                column: "crew_id",
                principalTable: "crews",
                principalColumn: "id",
                onDelete: ReferentialAction.Cascade);

            migrationBuilder.AddForeignKey(
                name: "fk_productions_crews_crew_id",
                table: "productions",
                column: "crew_id",
                principalTable: "crews",
                principalColumn: "id",
                onDelete: ReferentialAction.Cascade);
        }
    }
}
