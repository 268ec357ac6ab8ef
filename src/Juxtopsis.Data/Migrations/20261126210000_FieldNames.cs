using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Juxtopsis.Data.Migrations
{
    /// <summary>Version 3 of comparisons and 2 of productions. Tables stay as they are; documents are brought up by <see cref="KeptDocuments"/>.</summary>
    public partial class FieldNames : Migration
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
