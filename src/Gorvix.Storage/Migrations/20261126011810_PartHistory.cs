using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Gorvix.Storage.Migrations
{
    /// <inheritdoc />
    public partial class PartHistory : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<DateTime>(name: "ArchivedAt", table: "Parts", type: "TEXT", nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "Version",
                table: "Parts",
                type: "INTEGER",
                nullable: false,
                defaultValue: 1
            );

            migrationBuilder.CreateTable(
                name: "PartSteps",
                columns: table => new
                {
                    Kind = table.Column<string>(type: "TEXT", nullable: false),
                    PartId = table.Column<string>(type: "TEXT", nullable: false),
                    Version = table.Column<int>(type: "INTEGER", nullable: false),
                    Words = table.Column<string>(type: "TEXT", nullable: false),
                    At = table.Column<DateTime>(type: "TEXT", nullable: true),
                    Document = table.Column<string>(type: "TEXT", nullable: false),
                    Format = table.Column<int>(type: "INTEGER", nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey(
                        "PK_PartSteps",
                        x => new
                        {
                            x.Kind,
                            x.PartId,
                            x.Version,
                        }
                    );
                    table.ForeignKey(
                        name: "FK_PartSteps_Parts_Kind_PartId",
                        columns: x => new { x.Kind, x.PartId },
                        principalTable: "Parts",
                        principalColumns: new[] { "Kind", "Id" },
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(name: "PartSteps");

            migrationBuilder.DropColumn(name: "ArchivedAt", table: "Parts");

            migrationBuilder.DropColumn(name: "Version", table: "Parts");
        }
    }
}
