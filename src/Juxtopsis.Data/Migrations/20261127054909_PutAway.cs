using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Juxtopsis.Data.Migrations
{
    /// <inheritdoc />
    public partial class PutAway : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropIndex(
                name: "ix_gear_crew_id_kind_name_key",
                table: "gear");

            migrationBuilder.AddColumn<DateTimeOffset>(
                name: "put_away_at",
                table: "productions",
                type: "timestamp with time zone",
                nullable: true);

            migrationBuilder.AddColumn<DateTimeOffset>(
                name: "put_away_at",
                table: "gear",
                type: "timestamp with time zone",
                nullable: true);

            migrationBuilder.AddColumn<DateTimeOffset>(
                name: "put_away_at",
                table: "comparisons",
                type: "timestamp with time zone",
                nullable: true);

            migrationBuilder.CreateIndex(
                name: "ix_gear_crew_id_kind_name_key",
                table: "gear",
                columns: new[] { "crew_id", "kind", "name_key" },
                unique: true,
                filter: "retired_at is null and deleted_at is null and put_away_at is null");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropIndex(
                name: "ix_gear_crew_id_kind_name_key",
                table: "gear");

            migrationBuilder.DropColumn(
                name: "put_away_at",
                table: "productions");

            migrationBuilder.DropColumn(
                name: "put_away_at",
                table: "gear");

            migrationBuilder.DropColumn(
                name: "put_away_at",
                table: "comparisons");

            migrationBuilder.CreateIndex(
                name: "ix_gear_crew_id_kind_name_key",
                table: "gear",
                columns: new[] { "crew_id", "kind", "name_key" },
                unique: true,
                filter: "retired_at is null and deleted_at is null");
        }
    }
}
