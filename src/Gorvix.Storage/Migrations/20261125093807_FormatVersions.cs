using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Gorvix.Storage.Migrations
{
    /// <inheritdoc />
    public partial class FormatVersions : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<int>(
                name: "Format",
                table: "Steps",
                type: "INTEGER",
                nullable: false,
                defaultValue: 1
            );

            migrationBuilder.AddColumn<int>(
                name: "Format",
                table: "Parts",
                type: "INTEGER",
                nullable: false,
                defaultValue: 1
            );
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(name: "Format", table: "Steps");

            migrationBuilder.DropColumn(name: "Format", table: "Parts");
        }
    }
}
