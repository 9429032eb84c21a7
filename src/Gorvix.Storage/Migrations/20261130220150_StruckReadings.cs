using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Gorvix.Storage.Migrations
{
    /// <inheritdoc />
    public partial class StruckReadings : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<DateTime>(name: "StruckAt", table: "Readings", type: "TEXT", nullable: true);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(name: "StruckAt", table: "Readings");
        }
    }
}
