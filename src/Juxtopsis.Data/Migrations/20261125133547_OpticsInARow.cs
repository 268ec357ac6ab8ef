using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Juxtopsis.Data.Migrations
{
    /// <summary>Version 2 of comparisons. Tables stay as they are; documents are brought up by <see cref="KeptDocuments"/>.</summary>
    public partial class OpticsInARow : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
        }
    }
}
