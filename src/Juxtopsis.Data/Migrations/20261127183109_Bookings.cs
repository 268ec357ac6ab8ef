using System;
using Juxtopsis.Data.Model;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Juxtopsis.Data.Migrations
{
    /// <inheritdoc />
    public partial class Bookings : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "currency",
                table: "crews",
                type: "character varying(8)",
                maxLength: 8,
                nullable: false,
                defaultValue: "€");

            migrationBuilder.AddColumn<double>(
                name: "margin_percent",
                table: "crews",
                type: "double precision",
                nullable: false,
                defaultValue: 0.0);

            migrationBuilder.AddColumn<double>(
                name: "tax_percent",
                table: "crews",
                type: "double precision",
                nullable: false,
                defaultValue: 0.0);

            migrationBuilder.AddColumn<string>(
                name: "time_zone",
                table: "crews",
                type: "character varying(40)",
                maxLength: 40,
                nullable: false,
                defaultValue: "Etc/UTC");

            migrationBuilder.CreateTable(
                name: "gear_units",
                columns: table => new
                {
                    crew_id = table.Column<Guid>(type: "uuid", nullable: false),
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    gear_id = table.Column<Guid>(type: "uuid", nullable: false),
                    label = table.Column<string>(type: "character varying(80)", maxLength: 80, nullable: false),
                    owner = table.Column<string>(type: "character varying(120)", maxLength: 120, nullable: false),
                    place = table.Column<string>(type: "character varying(120)", maxLength: 120, nullable: false),
                    condition = table.Column<string>(type: "character varying(40)", maxLength: 40, nullable: false),
                    condition_note = table.Column<string>(type: "character varying(500)", maxLength: 500, nullable: false),
                    revision = table.Column<int>(type: "integer", nullable: false),
                    updated_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    deleted_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_gear_units", x => new { x.crew_id, x.id });
                    table.ForeignKey(
                        name: "fk_gear_units_crews_crew_id",
                        column: x => x.crew_id,
                        principalTable: "crews",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Restrict);
                    table.ForeignKey(
                        name: "fk_gear_units_gear_crew_id_gear_id",
                        columns: x => new { x.crew_id, x.gear_id },
                        principalTable: "gear",
                        principalColumns: new[] { "crew_id", "id" },
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "bookings",
                columns: table => new
                {
                    crew_id = table.Column<Guid>(type: "uuid", nullable: false),
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    gear_unit_id = table.Column<Guid>(type: "uuid", nullable: false),
                    production_id = table.Column<Guid>(type: "uuid", nullable: true),
                    bag_id = table.Column<Guid>(type: "uuid", nullable: true),
                    crew_unit = table.Column<string>(type: "character varying(60)", maxLength: 60, nullable: false),
                    starts_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    ends_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    blocked_from = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    blocked_to = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    days_charged = table.Column<int>(type: "integer", nullable: true),
                    note = table.Column<string>(type: "character varying(500)", maxLength: 500, nullable: false),
                    by = table.Column<string>(type: "character varying(40)", maxLength: 40, nullable: false),
                    revision = table.Column<int>(type: "integer", nullable: false),
                    updated_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    cancelled_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_bookings", x => new { x.crew_id, x.id });
                    table.CheckConstraint("ck_bookings_span", "starts_at < ends_at and blocked_from <= starts_at and ends_at <= blocked_to");
                    table.ForeignKey(
                        name: "fk_bookings_crews_crew_id",
                        column: x => x.crew_id,
                        principalTable: "crews",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Restrict);
                    table.ForeignKey(
                        name: "fk_bookings_gear_units_crew_id_gear_unit_id",
                        columns: x => new { x.crew_id, x.gear_unit_id },
                        principalTable: "gear_units",
                        principalColumns: new[] { "crew_id", "id" },
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "ix_bookings_crew_id_gear_unit_id",
                table: "bookings",
                columns: new[] { "crew_id", "gear_unit_id" });

            migrationBuilder.CreateIndex(
                name: "ix_gear_units_crew_id_gear_id",
                table: "gear_units",
                columns: new[] { "crew_id", "gear_id" });

            // Every model that was here exists once. The owner of a table is held to its policies only while they are forced.
            migrationBuilder.Sql(
                """
                alter table gear no force row level security;
                insert into gear_units (crew_id, id, gear_id, label, owner, place, condition, condition_note, revision, updated_at)
                  select crew_id, id, id, '', '', '', 'Good', '', 1, updated_at from gear where kind <> 'mount';
                alter table gear force row level security;
                """);

            // Whoever writes, and however many at once: of two bookings of one unit that overlap, the database takes one.
            migrationBuilder.Sql(
                $"""
                create extension if not exists btree_gist;
                alter table bookings add constraint {Booking.NoOverlap}
                  exclude using gist (crew_id with =, gear_unit_id with =, tstzrange(blocked_from, blocked_to) with &&)
                  where (cancelled_at is null);
                """);

            foreach (var table in new[] { "gear_units", "bookings" })
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
                name: "bookings");

            migrationBuilder.DropTable(
                name: "gear_units");

            migrationBuilder.DropColumn(
                name: "currency",
                table: "crews");

            migrationBuilder.DropColumn(
                name: "margin_percent",
                table: "crews");

            migrationBuilder.DropColumn(
                name: "tax_percent",
                table: "crews");

            migrationBuilder.DropColumn(
                name: "time_zone",
                table: "crews");
        }
    }
}
