using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Gorvix.Storage.Migrations
{
    /// <inheritdoc />
    public partial class States : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "States",
                columns: table => new
                {
                    BuildId = table.Column<string>(type: "TEXT", nullable: false),
                    Version = table.Column<int>(type: "INTEGER", nullable: false),
                    At = table.Column<DateTime>(type: "TEXT", nullable: false),
                    Who = table.Column<string>(type: "TEXT", nullable: false),
                    Words = table.Column<string>(type: "TEXT", nullable: false),
                    Place = table.Column<int>(type: "INTEGER", nullable: true),
                    Step = table.Column<string>(type: "TEXT", nullable: true),
                    Document = table.Column<string>(type: "TEXT", nullable: false),
                    Format = table.Column<int>(type: "INTEGER", nullable: false, defaultValue: 1),
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_States", x => new { x.BuildId, x.Version });
                    table.ForeignKey(
                        name: "FK_States_Builds_BuildId",
                        column: x => x.BuildId,
                        principalTable: "Builds",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );

            // What the log tells.
            migrationBuilder.Sql(
                """
                INSERT INTO States (BuildId, Version, At, Who, Words, Document, Format)
                SELECT BuildId, Version, At, Who, Words, Document, Format FROM Moments;
                """
            );
            // A build from before there were moments: the state in force is its first.
            migrationBuilder.Sql(
                """
                INSERT OR IGNORE INTO States (BuildId, Version, At, Who, Words, Document, Format)
                SELECT b.Id, b.Version, b.ChangedAt, '', s.Words, s.Document, s.Format
                FROM Builds b JOIN Steps s ON s.BuildId = b.Id AND s.Number = b.Cursor;
                """
            );
            // The state in force has the place of its step, and says what the step said.
            migrationBuilder.Sql(
                """
                UPDATE States SET Place = s.Number, Step = s.Words, Document = s.Document, Format = s.Format
                FROM Builds b JOIN Steps s ON s.BuildId = b.Id AND s.Number = b.Cursor
                WHERE States.BuildId = b.Id AND States.Version = b.Version;
                """
            );
            // What only undo and redo reach.
            migrationBuilder.Sql(
                """
                INSERT INTO States (BuildId, Version, At, Who, Words, Document, Format, Place, Step)
                SELECT s.BuildId, -1 - s.Number, b.ChangedAt, '', s.Words, s.Document, s.Format, s.Number, s.Words
                FROM Steps s JOIN Builds b ON b.Id = s.BuildId AND b.Cursor <> s.Number;
                """
            );

            migrationBuilder.DropTable(name: "Moments");

            migrationBuilder.DropTable(name: "Steps");

            migrationBuilder.CreateIndex(
                name: "IX_States_BuildId_At",
                table: "States",
                columns: new[] { "BuildId", "At" }
            );

            migrationBuilder.CreateIndex(
                name: "IX_States_BuildId_Place",
                table: "States",
                columns: new[] { "BuildId", "Place" },
                unique: true
            );
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(name: "States");

            migrationBuilder.CreateTable(
                name: "Moments",
                columns: table => new
                {
                    BuildId = table.Column<string>(type: "TEXT", nullable: false),
                    Version = table.Column<int>(type: "INTEGER", nullable: false),
                    At = table.Column<DateTime>(type: "TEXT", nullable: false),
                    Document = table.Column<string>(type: "TEXT", nullable: false),
                    Format = table.Column<int>(type: "INTEGER", nullable: false, defaultValue: 1),
                    Who = table.Column<string>(type: "TEXT", nullable: false),
                    Words = table.Column<string>(type: "TEXT", nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Moments", x => new { x.BuildId, x.Version });
                    table.ForeignKey(
                        name: "FK_Moments_Builds_BuildId",
                        column: x => x.BuildId,
                        principalTable: "Builds",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );

            migrationBuilder.CreateTable(
                name: "Steps",
                columns: table => new
                {
                    BuildId = table.Column<string>(type: "TEXT", nullable: false),
                    Number = table.Column<int>(type: "INTEGER", nullable: false),
                    Document = table.Column<string>(type: "TEXT", nullable: false),
                    Format = table.Column<int>(type: "INTEGER", nullable: false, defaultValue: 1),
                    Words = table.Column<string>(type: "TEXT", nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Steps", x => new { x.BuildId, x.Number });
                    table.ForeignKey(
                        name: "FK_Steps_Builds_BuildId",
                        column: x => x.BuildId,
                        principalTable: "Builds",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );

            migrationBuilder.CreateIndex(
                name: "IX_Moments_BuildId_At",
                table: "Moments",
                columns: new[] { "BuildId", "At" }
            );
        }
    }
}
