using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Gorvix.Storage.Migrations
{
    /// <inheritdoc />
    public partial class Drills : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "DrillSources",
                columns: table => new
                {
                    Hash = table.Column<string>(type: "TEXT", nullable: false),
                    Document = table.Column<string>(type: "TEXT", nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_DrillSources", x => x.Hash);
                }
            );

            migrationBuilder.CreateTable(
                name: "Recalls",
                columns: table => new
                {
                    Player = table.Column<string>(type: "TEXT", nullable: false),
                    Kind = table.Column<string>(type: "TEXT", nullable: false),
                    Deck = table.Column<string>(type: "TEXT", nullable: false),
                    Card = table.Column<string>(type: "TEXT", nullable: false),
                    Ease = table.Column<double>(type: "REAL", nullable: false),
                    Row = table.Column<int>(type: "INTEGER", nullable: false),
                    Days = table.Column<int>(type: "INTEGER", nullable: false),
                    Due = table.Column<DateOnly>(type: "TEXT", nullable: false),
                    Asked = table.Column<DateOnly>(type: "TEXT", nullable: false),
                    Again = table.Column<bool>(type: "INTEGER", nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey(
                        "PK_Recalls",
                        x => new
                        {
                            x.Player,
                            x.Kind,
                            x.Deck,
                            x.Card,
                        }
                    );
                }
            );

            migrationBuilder.CreateTable(
                name: "Evenings",
                columns: table => new
                {
                    Id = table.Column<string>(type: "TEXT", nullable: false),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    Build = table.Column<string>(type: "TEXT", nullable: false),
                    Deck = table.Column<string>(type: "TEXT", nullable: false),
                    Source = table.Column<string>(type: "TEXT", nullable: false),
                    Orders = table.Column<string>(type: "TEXT", nullable: false),
                    MadeAt = table.Column<DateTime>(type: "TEXT", nullable: false),
                    ClosedAt = table.Column<DateTime>(type: "TEXT", nullable: true),
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Evenings", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Evenings_DrillSources_Source",
                        column: x => x.Source,
                        principalTable: "DrillSources",
                        principalColumn: "Hash",
                        onDelete: ReferentialAction.Restrict
                    );
                }
            );

            migrationBuilder.CreateTable(
                name: "Drills",
                columns: table => new
                {
                    Id = table.Column<string>(type: "TEXT", nullable: false),
                    Player = table.Column<string>(type: "TEXT", nullable: false),
                    Kind = table.Column<string>(type: "TEXT", nullable: false),
                    Level = table.Column<int>(type: "INTEGER", nullable: false),
                    Deck = table.Column<string>(type: "TEXT", nullable: false),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    Source = table.Column<string>(type: "TEXT", nullable: false),
                    Order = table.Column<string>(type: "TEXT", nullable: false),
                    Acts = table.Column<string>(type: "TEXT", nullable: false),
                    Step = table.Column<int>(type: "INTEGER", nullable: false),
                    StartedAt = table.Column<DateTime>(type: "TEXT", nullable: false),
                    EndedAt = table.Column<DateTime>(type: "TEXT", nullable: true),
                    Score = table.Column<int>(type: "INTEGER", nullable: true),
                    Minutes = table.Column<double>(type: "REAL", nullable: true),
                    Best = table.Column<double>(type: "REAL", nullable: true),
                    Evening = table.Column<string>(type: "TEXT", nullable: true),
                    Number = table.Column<int>(type: "INTEGER", nullable: true),
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Drills", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Drills_DrillSources_Source",
                        column: x => x.Source,
                        principalTable: "DrillSources",
                        principalColumn: "Hash",
                        onDelete: ReferentialAction.Restrict
                    );
                    table.ForeignKey(
                        name: "FK_Drills_Evenings_Evening",
                        column: x => x.Evening,
                        principalTable: "Evenings",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );

            migrationBuilder.CreateIndex(
                name: "IX_Drills_Evening_Number_Player",
                table: "Drills",
                columns: new[] { "Evening", "Number", "Player" },
                unique: true,
                filter: "Evening IS NOT NULL"
            );

            migrationBuilder.CreateIndex(
                name: "IX_Drills_Player_EndedAt",
                table: "Drills",
                columns: new[] { "Player", "EndedAt" }
            );

            migrationBuilder.CreateIndex(name: "IX_Drills_Source", table: "Drills", column: "Source");

            migrationBuilder.CreateIndex(name: "IX_Evenings_Source", table: "Evenings", column: "Source");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(name: "Drills");

            migrationBuilder.DropTable(name: "Recalls");

            migrationBuilder.DropTable(name: "Evenings");

            migrationBuilder.DropTable(name: "DrillSources");
        }
    }
}
